"""Whole calls of F#: as requests of the contract, and as functions for the asking program."""

import re

from calls import Calls, Language

forms = {
    "w": ["{w} + {k}", "{w} - {w}", "{w} * {k}", "{w} / {k}", "{w} % 7", "{w} &&& {k}", "{w} ||| {k}", "{w} ^^^ {w}", "-{w}", "~~~{w}", "int {d}", "abs {w}", "max {w} {k}", "min {w} {w}",
          "{t}.Length", "{w} <<< {k}", "{w} >>> {k}", "if {b} then {w} else {w}", "pown {k} {k}", "{w} |> abs", "String.length {t}", "int {w}", "List.sum [{w}; {k}]", "sign {w}"],
    "d": ["{d} + {d}", "{d} - 1.5", "{d} * {d}", "{d} / 3.0", "{d} % 2.0", "-{d}", "float {w}", "sqrt {d}", "floor {d}", "ceil {d}", "round {d}", "truncate {d}", "abs {d}", "{d} ** 2.0",
          "{d} * 0.76", "float {w} / 2.0", "if {b} then {d} else {d}", "{d} |> sqrt", "Math.Round({d}, 1)"],
    "t": ["{t}.ToUpper()", "{t}.Trim()", "{t} + {t}", "string {w}", "string {d}", "{t}.PadLeft 6", "{t}.Replace(\"n\", \"mm\")", "String.replicate {k} {t}", "({w} + 0).ToString()", "{d}.ToString(\"F2\")",
          "if {b} then {t} else {t}", "sprintf \"%d\" {w}", "sprintf \"%.1f\" {d}", "String.concat \", \" [{t}; {t}]", "string {b}"],
    "b": ["{w} < {w}", "{w} <= {k}", "{d} > {d}", "{d} >= 2.5", "{w} = {w}", "{t} <> {t}", "{b} && {b}", "{b} || {b}", "not {b}", "{t}.Contains(\"n\")", "{t}.StartsWith(\"I\")", "{t} < {t}"],
}
types = {"w": [("i32", "int")], "d": [("f64", "float")], "t": [("text", "string")], "b": [("truth", "bool")]}
constants = {"w": ["7", "100", "1_000", "0xFF", "-3"], "d": ["0.5", "0.76", "1e3", "100.0", "2.5"], "t": ['"ink"', '"a b"', '""'], "b": ["true", "false"]}


def written(type_name, value):
    if type_name == "text":
        return '"%s"' % value
    if type_name == "truth":
        return "true" if value else "false"
    return "%r" % float(value) if type_name == "f64" else "%d" % value


def statement(made, variables):
    r = made.random
    depth = r.randrange(0, 3)
    if r.random() < 0.25:
        return interpolated(made, variables, depth)
    template, arguments = "", []
    for _ in range(r.randrange(1, 4)):
        kind = r.choice("wdtb")
        letter = r.choice({"w": ["%d", "%5d", "%-6i", "%05d", "%x", "%+d", "%A", "%O"], "d": ["%f", "%.2f", "%8.3f", "%e", "%g", "%A"], "t": ["%s", "%8s", "%-8s", "%A", "%O"], "b": ["%b", "%A", "%O"]}[kind])
        # A wrong type, now and then.
        argument = made.make(kind if r.random() < 0.97 else r.choice("wdtb"), depth, variables)
        template += r.choice(["", "|", "ink: ", " ", "%%"]) + letter
        arguments.append(argument if argument.replace("_", "").isalnum() and not argument[0].isdigit() or argument[0] == '"' and argument.count('"') == 2 and argument[-1] == '"' else "(%s)" % argument)
    call = '%s "%s" %s' % (r.choice(["printfn", "printf", "sprintf", "printfn"]), template, " ".join(arguments))
    if len(arguments) == 1 and r.random() < 0.2:
        return '%s |> %s' % (arguments[0], call[:call.rindex(" " + arguments[0])])
    return call


def interpolated(made, variables, depth):
    r = made.random
    text = ""
    for _ in range(r.randrange(1, 4)):
        # A slot has no quotes in it.
        texts = [v[0] for v in variables if v[1] == "t"]
        kind = r.choice("wdt" if texts else "wd")
        slot = r.choice(texts) if kind == "t" else made.make(kind, depth, variables)
        if '"' in slot or "if" in slot.split():
            slot = r.choice(made.language.constants[kind])
        text += r.choice(["", "|", "ink: ", " ", "{{}}", "%%"])
        if r.random() < 0.3:
            text += r.choice({"w": ["%d", "%4d"], "d": ["%.1f", "%8.2f"], "t": ["%s", "%-6s"]}[kind]) + "{%s}" % slot
        else:
            text += "{%s%s}" % (slot, r.choice({"w": ["", ",6", ":D4", ",-5:X2"], "d": ["", ":F2", ",10:N1", ":E3"], "t": ["", ",8", ",-8"]}[kind]))
    return r.choice(["printfn $\"%s\"", "$\"%s\""]) % text


language = Language(forms, types, written, constants, statement, texts=("ink", "Ink Margin", "K-07", "ab"), loose=0)


def made(seed, wanted):
    """Requests, each with the expression that makes its text."""
    maker = Calls(seed + 1, language)
    out = []
    while len(out) < wanted:
        request, variables = maker.case()
        if any(v[1] == "w" and abs(int(v[2]["i32"])) > 10 ** 6 for v in variables):
            continue
        lets = " ".join("let %s : %s = %s in" % (v[0], v[3], v[4]) for v in variables)
        source = request["statement"]
        ends = ' + "\\n"' if "printfn" in source else ""
        asked = re.sub(r"\bprintfn?\b", "sprintf", source.replace("printfn $", "$"))
        out.append((request, "%s (%s)%s" % (lets, asked, ends)))
    return out
