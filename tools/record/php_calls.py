"""Whole calls of PHP: as requests of the contract, and as lines for the asking program."""

from calls import Calls, Language

forms = {
    "w": ["{w} + {w}", "{w} - {w}", "{w} * {w}", "intdiv({i}, {i})", "-{w}", "~{i}", "{i} % {i}", "{i} & {i}", "{i} | {i}", "{i} << {k}", "{i} >> {k}", "(int) {d}",
          "(int) {w}", "abs({w})", "max({w}, {w})", "min({w}, {w})", "strlen({t})", "{b} ? {w} : {w}", "intval({d})", "{k} ** 2", "{w} <=> {n}", "count(explode(\"n\", {t}))",
          "match(true) { {b} => {w}, default => {k} }", "array_sum([{w}, {k}])", "[{w}, {w}][{k} % 2]", "isset($absent) ? 1 : {w}", "$absent ?? {w}", "array_product([{k}, {k}])"],
    "d": ["{d} + {n}", "{n} - {d}", "{d} * {n}", "{n} / {d}", "{n} / {n}", "-{d}", "(float) {w}", "sqrt({n})", "floor({n})", "ceil({d})", "round({d})", "round({d}, 2)", "round({n}, 1)",
          "abs({d})", "pow({d}, 2)", "{b} ? {d} : {n}", "{n} * 0.76", "fmod({d}, {n})", "pi() * {n}", "max({d}, {n})"],
    "t": ["{t} . {n}", "{t} . {t}", "{n} . {t}", "strtoupper({t})", "ucfirst({t})", "trim({t})", "substr({t}, {k})", "substr({t}, 0, {k})",
          "str_repeat({t}, {k})", "str_pad({t}, 8)", "str_pad({t}, 9, \"*\", STR_PAD_LEFT)", "str_pad({t}, 9, \"-\", STR_PAD_BOTH)", "str_replace(\"n\", \"mm\", {t})",
          "number_format({n})", "number_format({d}, 2)", "number_format({d}, 2, \",\", \".\")", "sprintf(\"%.2f\", {d})", "sprintf(\"%05d\", {i})", "{b} ? {t} : {t}",
          "dechex({i})", "ucwords({t})", "strrev(\"abc\")", "(string) {n}", "json_encode({n})", "json_encode({t})", "json_encode([\"a\" => {n}, \"b\" => [{t}, {b}]])", "implode(\",\", [{n}, {t}])",
          "implode(\"-\", array_map(fn($q) => $q * 2, [{w}, {k}]))", "gettype({n})", "date(\"D, d M Y H:i:s\", {i} * 86399)", "gmdate(\"T e\", {k})",
          "implode(\",\", array_filter([{k}, {k}, 7], fn($q) => $q > 2))", "json_encode(array_reverse([{w}, {t}]))"],
    "b": ["{n} < {n}", "{n} <= {n}", "{n} > {n}", "{w} == {w}", "{w} != {n}", "{b} && {b}", "{b} || {b}", "!{b}", "{w} === {w}", "{n} === {n}", "{n} >= {n}"],
}
for code in ["D, d M Y H:i:s", "jS F y g:i A", "N W o z t L", "c", "r", "U u v", "e T P p O Z I", "l \\\\Y\\\\m"]:
    forms["t"] += ["(new DateTime(\"2031-05-09 14:05:07.25\"))->format(\"%s\")" % code, "(new DateTimeImmutable(\"2024-02-29T23:59:59-05:30\"))->format(\"%s\")" % code,
                   "date(\"%s\", mktime({k}, {k}, {k}, {k}, {k}, 2031))" % code, "date_format(date_create(\"2027-01-03T00:00Z\"), \"%s\")" % code]
# A whole number that cannot have become a float.
forms["i"] = ["strlen({t})", "intval({d})", "(int) {d}", "{k} + {k}", "{b} ? {k} : 3"]
types = {"w": [("i64", ""), ("i32", ""), ("i64", "")], "d": [("f64", "")], "t": [("text", "")], "b": [("truth", "")]}
constants = {"w": ["0", "1", "2", "7", "10", "100", "1_000", "0xFF", "0b101", "PHP_INT_MAX"], "i": ["0", "1", "7", "255"],
             "d": ["0.5", "0.76", "1e3", "100.0", ".25", "0.1", "M_PI"], "t": ['"ink"', "'a b'", '""', '"x\\ty"', "'it\\'s'"], "b": ["true", "false"]}


def written(type_name, value):
    if type_name == "text":
        return '"%s"' % value
    if type_name == "truth":
        return "true" if value else "false"
    if type_name == "f64":
        return repr(float(value))
    return "PHP_INT_MIN" if value == -2 ** 63 else "%d" % value


def statement(made, variables):
    r = made.random
    depth = r.randrange(0, 4)
    plain = r.random()
    if plain < 0.2:
        return "echo %s;" % ", ".join(made.make(r.choice("wdtb"), depth, variables) for _ in range(r.choice([1, 1, 2])))
    if plain < 0.35:
        names = [v[0] for v in variables]
        text = "".join(r.choice([" ", " ink: ", " 50% ", "-"]) + r.choice(["$%s", "{$%s}", "$%s "]) % r.choice(names) for _ in range(r.randrange(1, 4)))
        return 'echo "%s\\n";' % text
    template, arguments = "", []
    for _ in range(r.randrange(1, 4)):
        kind = r.choice("wdtb")
        letter = r.choice({"w": ["d", "5d", "-6d|", "s", "08d", "x"], "d": [".2f", "8.3f", "e", "s", "g", ".0f"], "t": ["s", "-8s|", "10s", "'*9s"], "b": ["s", "d"]}[kind])
        template += r.choice(["", "|", "ink: ", " ", "%%"]) + "%" + letter
        arguments.append(made.make(kind, depth, variables))
    quote = r.choice('""\'')
    if quote == "'":
        template = template.replace("'", "")
    literal = quote + template + r.choice(["", "\\n"]) + quote
    form = r.choice(["printf(@, #);", "printf(@, #);", "sprintf(@, #)", "echo sprintf(@, #);", "print sprintf(@, #);", "fprintf(STDOUT, @, #);"])
    return form.replace("@", literal).replace("#", ", ".join(arguments))


language = Language(forms, types, written, constants, statement, loose=0)

head = """function run($made) {
  ob_start();
  try { $made(); $text = ob_get_clean(); echo "=", bin2hex($text), "\\n"; }
  catch (\\Throwable $error) { ob_end_clean(); echo get_class($error), "\\n"; }
}
"""


def made(seed, wanted):
    """Requests, each with the line that asks."""
    maker = Calls(seed + 1, language, "$")
    out = []
    for _ in range(wanted):
        request, variables = maker.case()
        lets = " ".join("$%s = %s;" % (v[0], v[4]) for v in variables)
        source = request["statement"].replace("fprintf(STDOUT, ", "printf(")
        if source.startswith("sprintf"):
            source = "echo %s;" % source
        out.append((request, "run(function () { %s %s });" % (lets, source)))
    return out
