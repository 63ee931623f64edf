"""Whole calls and interpolated strings of C#: as requests of the contract, and as lines for the asking program."""

from calls import Calls, Language

forms = {
    "w": ["{w} + {w}", "{w} - {w}", "{w} * {w}", "{w} / {w}", "{w} % {w}", "{w} & {w}", "{w} | {w}", "{w} ^ {w}", "-{w}", "~{w}",
          "{w} << {k}", "{w} >> {k}", "{w} >>> {k}", "(int){d}", "(long){d}", "(byte){w}", "(short){w}", "(uint){w}", "Math.Max({k}, {t}.Length)",
          "{t}.Length", "{t}.IndexOf(\"n\")", "{b} ? {k} : {k}", "int.Parse(\"42\")", "Convert.ToInt32({d})", "Math.Abs((int)({w}))",
          "{t}.LastIndexOf('a')", "checkless", "new[] { {k}, {k} }.Sum()", "Enumerable.Range(1, {k} + 1).Max()", "Enumerable.Range(1, 6).Where(q => q > {k}).Count()",
          "new List<int> { {k}, {k} }.Count", "{t}.Split('n').Length", "new[] { {k}, {k}, 4 }.OrderByDescending(q => q).First()", "new int[] { {k}, 7 }[1]"],
    "d": ["{d} + {n}", "{n} - {d}", "{d} * {n}", "{n} / {d}", "{d} % {n}", "-{d}", "(double){w}", "(float){d}", "Math.Sqrt({n})", "Math.Floor({d})",
          "Math.Ceiling({d})", "Math.Truncate({d})", "Math.Round({d})", "Math.Round({d}, 2)", "Math.Round({d}, MidpointRounding.AwayFromZero)", "Math.Round({d}, 1, MidpointRounding.AwayFromZero)", "new[] { {k}, {k} }.Average()",
          "new[] { (double)({d}), 2.5 }.Max()", "double.Parse(\"2.5\")", "new[] { 1.5, (double)({d}) }.Sum()", "Math.Abs({d})", "Math.Max((double)({d}), (double)({n}))", "Math.Pow({n}, 2)",
          "{b} ? (double)({d}) : (double)({n})", "{n} * 0.76", "Math.PI * {n}"],
    "t": ["{t} + {n}", "{t} + {t}", "{t} + {b}", "{n} + {t}", "{t}.ToUpper()", "{t}.ToLowerInvariant()", "{t}.Trim()", "{t}.TrimEnd()",
          "{t}.Substring({k})", "{t}.Substring(0, {k})", "{t}.PadLeft({k})", "{t}.PadRight(7, '*')", "{t}.Replace(\"n\", \"mm\")", "{d}.ToString(\"F2\")",
          "string.Format(\"{0:F2}\", {d})", "{w}.ToString(\"D5\")", "{d}.ToString(\"N2\", CultureInfo.InvariantCulture)", "{b} ? {t} : {t}",
          "string.Join(\"-\", {t}, {t})", "string.Concat({t}, {w})", "{n}.ToString()", "string.Join(\",\", new[] { {k}, {k} })", "\"a,b\".Split(',')[{k} % 2]", "new string('-', {k})", "string.Join(\"|\", Enumerable.Range(1, {k} + 1).Select(q => q * q))", "Convert.ToString((int)({w}), 2)", "{t} + 'x'"],
    "b": ["{n} < {n}", "{n} <= {n}", "{n} > {n}", "{n} >= {n}", "{w} == {w}", "{w} != {w}", "{b} && {b}", "{b} || {b}", "!{b}", "{b} ^ {b}", "{b} & {b}",
          "(\"\" + {t}).Equals({t})", "{t}.Contains(\"n\")", "{t}.StartsWith(\"I\")", "{t} == {t}", "{t}.EndsWith(\"n\")", "string.IsNullOrEmpty({t})"],
}
forms["w"].remove("checkless")
types = {"w": [("i32", "int"), ("i32", "int"), ("i64", "long"), ("i8", "sbyte"), ("u8", "byte"), ("i16", "short"), ("u32", "uint"), ("u64", "ulong")],
         "d": [("f64", "double"), ("f64", "double"), ("f32", "float")], "t": [("text", "string")], "b": [("truth", "bool")]}
constants = {"w": ["0", "1", "2", "7", "10", "100", "1_000", "0xFF", "0b101", "1000L", "5u", "int.MaxValue"],
             "d": ["0.5", "0.76", "2.5f", "1e3", "100.0", ".25", "3d", "0.1"], "t": ['"ink"', '"a b"', '""', '"x\\ty"'], "b": ["true", "false"]}


def written(type_name, value):
    if type_name == "text":
        return '"%s"' % value
    if type_name == "truth":
        return "true" if value else "false"
    if type_name in ("f32", "f64"):
        return repr(float(value)) + ("f" if type_name == "f32" else "")
    return "%d%s" % (value, {"i64": "L", "u64": "UL", "u32": "u"}.get(type_name, ""))


def statement(made, variables):
    r = made.random
    depth = r.randrange(0, 4)
    if r.random() < 0.25:
        return "%s(%s);" % (r.choice(["Console.WriteLine", "Console.Write"]), made.make(r.choice("wdtb"), depth, variables))
    fills = r.random() < 0.5
    template, arguments = "", []
    for _ in range(r.randrange(1, 4)):
        kind = r.choice("wdtb")
        letter = r.choice({"w": ["", ",5", ",-6", ":N0", ":D4"], "d": ["", ":F2", ",8:F3", ":E2", ":N2", ":0.00", ":P1"], "t": ["", ",-8", ",10"], "b": [""]}[kind])
        made_one = made.make(kind, depth, variables)
        template += r.choice(["", "|", "ink: ", " ", "{{}}"])
        if fills:
            needs = " ? " in made_one or '"' in made_one and r.random() < 0.5
            template += "{%s%s}" % ("(%s)" % made_one if needs else made_one, letter)
        else:
            template += "{%d%s}" % (len(arguments), letter)
            arguments.append(made_one)
    literal = '"%s%s"' % (template, r.choice(["", "\\n"]))
    if fills:
        return r.choice(["@", "Console.WriteLine(@);", "Console.Write(@);"]).replace("@", "$" + literal)
    form = r.choice(["Console.WriteLine(@, #);", "Console.Write(@, #);", "string.Format(@, #)", "Console.WriteLine(string.Format(@, #));",
                     "string.Format(CultureInfo.InvariantCulture, @, #)", "string.Format(new CultureInfo(\"de-DE\"), @, #)", "String.Format(@, #)"])
    return form.replace("@", literal).replace("#", ", ".join(arguments))


# How texts beyond ASCII are searched is the culture's business.
language = Language(forms, types, written, constants, statement, ("ink", "Ink Margin", " paper ", "K-07", "ab", ""))

head = """static void run(Action made) {
  var room = new System.IO.StringWriter(); room.NewLine = "\\n"; Console.SetOut(room);
  try { made(); line(room.ToString()); }
  catch (Exception problem) { sink.WriteLine(problem.GetType().Name); } }
"""


def made(seed, wanted):
    """Requests, each with the body of a method that asks."""
    maker = Calls(seed + 1, language)
    out = []
    for _ in range(wanted):
        request, variables = maker.case()
        lets = " ".join("%s %s = %s;" % (v[3], v[0], v[4]) for v in variables)
        source = request["statement"]
        if not source.startswith("Console."):
            source = "Console.Write(%s);" % source
        out.append((request, "run(() => { %s %s });" % (lets, source)))
    return out
