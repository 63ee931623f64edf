"""Whole calls of JavaScript: as requests of the contract, and as what the asking program runs."""

from calls import Calls, Language

forms = {
    "w": ["{w} + {w}", "{w} - {w}", "{w} * {w}", "{w} % {w}", "{w} & {w}", "{w} | {w}", "{w} ^ {w}", "-{w}", "~{w}", "{w} << {k}", "{w} >> {k}", "{w} >>> {k}",
          "Math.round({d})", "Math.floor({d})", "Math.trunc({d})", "Math.abs({w})", "Math.max({w}, {w})", "Math.min({w}, {w})", "{t}.length",
          "{b} ? {w} : {w}", "+{b}", "{k} ** 3", "{w} || {w}", "{w} && {w}", "{w} ?? {w}", "Number(\"42\")", "{t}.indexOf({t})", "{t}.lastIndexOf(\"n\")", "parseInt({t})", "parseInt(\"0x1f\")", "{v}.length", "{v}.indexOf({w})", "{v}.reduce((a, b) => a + b, {w})", "({w}, {w})", "Math.sign({d})", "Number(5n * 3n)",
          "[{w}, {w}, {w}].filter(x => x > 1).length", "parseInt({n}, 8)",
          "new Date(Date.UTC(2031, {w}, {w})).getDate()", "new Date({k} * 86400000).getDay()", "new Set({v}).size", "{v}.findIndex(x => x > {w})", "{t}.search(/[a-m]/)", "({t}.match(/\\w/g) ?? []).length",
          "Object.keys({a: {w}, b: {t}}).length", "((a, b = 3) => a * b)({w})", "[...{v}, ...{v}].lastIndexOf({w})", "new Map([[{t}, {w}]]).get({t})", "[[{w}, {w}]].map(([a, b]) => a - b)[0]"],
    "d": ["{d} + {n}", "{n} - {d}", "{d} * {n}", "{n} / {d}", "{n} / {n}", "{d} % {n}", "-{d}", "Math.sqrt({n})", "Math.abs({d})", "Math.max({d}, {n})", "{k} ** 2", "Math.pow({k}, 3)",
          "{b} ? {d} : {n}", "{n} * 0.76", "Number({t})", "{d} || {n}", "parseFloat({t})", "parseFloat(\"3.50g\")", "Math.hypot({w}, {w})", "Math.PI * {k}", "Math.max(...{v})", "{v}.at(-1)", "{v}[{k}]", "Number.EPSILON", "Math.cbrt({n})", "Math.log({n})", "Math.exp({d} % 50)", "Math.log10({n})", "Math.log2({n})", "Math.sin({d} % 1e5)", "Math.cos({w} % 1e4)", "Math.tan({d} % 100)", "Math.atan({n})", "Math.fround({d})",
          "{v}.find(x => x > {w})", "new Date({w} * 1e8) - new Date(+{w})"],
    "t": ["{t} + {n}", "{t} + {t}", "{t} + {b}", "{n} + {t}", "{t}.toUpperCase()", "{t}.trim()", "{t}.padStart({k})", "{t}.padEnd(7, \"*\")", "{t}.repeat({k})",
          "{d}.toFixed(2)", "{d}.toFixed({k})", "{w}.toString(16)", "{w}.toString(2)", "String({n})", "{b} ? {t} : {t}", "`${{n}}|${{t}}`", "{d}.toLocaleString(\"de-DE\")", "{t} || {t}",
          "{d}.toPrecision(3)", "{d}.toExponential(2)", "{t}.slice({k})", "{t}.slice({w}, {w})", "{t}.substring({w}, {w})", "{t}.charAt({k})", "{t}.at(-1)", "{t}?.toUpperCase()", "{t}.replace(\"n\", {t})",
          "{t}.replaceAll(\"a\", \"-\")", "{t}.split(\" \").join(\"_\")", "{t}.split(\"\").reverse().join(\"\")", "{t}.concat({n}, {b})", "{t}.trimStart()", "{t}.trimEnd()", "{v}.join(\", \")", "{v}.map(x => x * 2).join(\"|\")",
          "{v}.sort().join()", "{v}.sort((a, b) => a - b).join()", "{v}.slice(1).join()", "{v}.concat({w}).reverse().join(\" \")", "typeof {n}", "typeof {t}", "JSON.stringify({v})", "JSON.stringify({t})", "JSON.stringify({n})", "JSON.stringify([{b}, {t}, null])",
          "new Intl.NumberFormat(\"de-DE\").format({d})", "String(2n ** 70n - 1n)", "String.fromCharCode(65 + {k})", "Array(3).fill({t}).join(\"\")", "[...{t}].length + \"\"", "{v}.map((x, i) => i + \":\" + x).join()", "(undefined ?? {t})", "({t}, {t})",
          "{t}.replace(/[aeiou]/g, c => c.toUpperCase())", "{t}.replace(/(\\w)(\\w)/, \"$2$1\")", "{t}.replace(/\\s+/g, {t})", "{t}.split(/[ ,]/).join({t})", "String({t}.match(/(\\d+)|(\\w)/))", "{n}.toString().replace(/\\B(?=(\\d{3,3})+(?!\\d))/g, \",\")",
          "new Date({w} * 1e9).toISOString()", "String(new Date({w} * 1e8))", "new Date(2031, {w}, {w}, {w}).toUTCString()", "JSON.stringify({a: {n}, b: [{t}, {b}], ...{c: {w}}})", "JSON.stringify(JSON.parse(\"[1, {\\\"x\\\": null}]\"))",
          "[...new Set({v})].join()", "Object.entries({x: {n}, y: {t}}).map(([k, v]) => k + v).join()", "{v}.map(String).join(\"|\")", "encodeURIComponent({t})", "{v}.flatMap(x => [x, {w}]).join()", "((a, ...b) => b.join())({t}, {n}, {b})", "(x => { const y = x + {t}; if (y.length > {k}) return y; return {t} })({t})"],
    "v": ["[{w}, {w}]", "[{n}, {n}, {n}]", "[{t}, {t}]", "[3, 20, 100]", "[...{v}, {w}]", "[]", "Array.from({length: {k} % 4}, (_, i) => i * {w})", "{v}.toSorted()", "{v}.flat()", "[[{w}], {t}]", "[new Date({w} * 1e7)]", "{t}.split(/\\s/)"],
    "b": ["{n} < {n}", "{n} <= {n}", "{n} > {n}", "{n} >= {n}", "{w} === {w}", "{w} !== {n}", "{w} == {w}", "{t} === {t}", "{t} < {t}", "{t} == {w}", "{b} && {b}", "{b} || {b}", "!{b}",
          "!{t}", "!{n}", "{b} == {w}", "{t} !== {n}", "{t}.includes({t})", "{t}.startsWith(\"i\")", "{t}.endsWith({t})", "{v}.includes({w})", "{v}.some(x => x > 2)", "{v}.every(x => x)", "Number.isInteger({n})", "isNaN({t})", "Array.isArray({v})", "(7n > 3n)", "/^[a-z ]+$/.test({t})", "/(.)\\1/i.test({t})", "new Set({v}).has({w})", "Object.is({n}, {w})", "[1] == {w}", "{v}.map(Boolean).every(x => x)"],
}
types = {"w": [("i32", ""), ("i32", ""), ("i8", "")], "d": [("f64", "")], "t": [("text", "")], "b": [("truth", "")]}
constants = {"w": ["0", "1", "2", "7", "10", "100", "1_000", "0xFF", "0b101"], "d": ["0.5", "0.76", "1e3", "100.5", ".25", "0.1", "NaN", "Infinity"],
             "t": ['"ink"', "'a b'", '""', '"x\\ty"', '"12"', "`b`"], "b": ["true", "false"], "v": ["[1, 2, 3]", "[2.5, -1]", "[\"b\", \"a\"]"]}


def written(type_name, value):
    if type_name == "text":
        return '"%s"' % value
    if type_name == "truth":
        return "true" if value else "false"
    return repr(float(value)) if type_name == "f64" else "%d" % value


def statement(made, variables):
    r = made.random
    depth = r.randrange(0, 4)
    name = r.choice(["console.log", "console.log", "console.log", "console.error", "console.info"])
    if r.random() < 0.5:
        return "%s(%s);" % (name, ", ".join(made.make(r.choice("wdtb"), depth, variables) for _ in range(r.choice([1, 1, 2, 3]))))
    text = "`%s`" % "".join(r.choice(["", "|", "ink: ", " ", "50% "]) + "${" + made.make(r.choice("wdtb"), depth, variables) + "}" for _ in range(r.randrange(1, 4)))
    return r.choice(["%s(@);" % name, "%s(@);" % name, "process.stdout.write(@);", "%s(@, n);" % name if any(v[0] == "n" for v in variables) else "%s(@, 7);" % name]).replace("@", text)


language = Language(forms, types, written, constants, statement)


def made(seed, wanted):
    """Requests, each with what the asking program is given."""
    maker = Calls(seed + 1, language)
    out = []
    for _ in range(wanted):
        request, variables = maker.case()
        # A percent sign in the first of several values begins a directive.
        inside = request["statement"]
        if "50% " in inside and (", 7)" in inside or ", n)" in inside):
            continue
        out.append((request, {"names": [v[0] for v in variables], "values": [v[4] for v in variables], "statement": inside}))
    return out
