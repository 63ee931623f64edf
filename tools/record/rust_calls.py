"""Whole calls of Rust: as requests of the contract, and as functions for the asking program."""

from calls import Calls, Language

# What does not fit its type is another matter: numbers stay small.
forms = {
    "w": ["{w} + {k}", "{w} - {k}", "{w} / 3", "{w} % 7", "{w} & {k}", "{w} | {k}", "{w} ^ {k}", "-{w}", "!{w}", "{d} as i32", "{w}.abs()", "{w}.max({k})", "{w}.min({w})",
          "{t}.len() as i32", "{w} << 1", "{w} >> 2", "{k}i32 * {k}", "{b} as i32",
          "if {b} { {w} } else { {k}i32 }", "match {w} { 0 => 1i32, 1..=9 | 50 => 2, _ => 3 }", "vec![{w}, {w}][{k}usize % 2]", "*[{w}, {w}].iter().max().unwrap()",
          "(1..={k}i32).sum::<i32>()", "({w}, {k}).0", "i32::MAX / 7", "{t}.split('n').count() as i32", "(1..6i32).filter(|q| q % 2 == 1).map(|q| q * q).sum::<i32>()",
          "\"42\".parse::<i32>().unwrap()", "[{w}, {k}i32].iter().fold(0, |a, q| a.max(*q))", "{t}.chars().count() as i32", "i32::abs({w})",
          "std::time::Duration::from_millis({k}789).subsec_millis() as i32", "(std::time::Duration::from_secs({k}) / 7).as_millis() as i32", "std::time::Duration::from_secs({k}3).as_secs() as i32 % 60"],
    "d": ["{d} + {d}", "{d} - 1.5", "{d} * {d}", "{d} / 3.0", "{d} % 2.0", "-{d}", "{w} as f64", "{d}.sqrt()", "{d}.floor()", "{d}.ceil()", "{d}.round()", "{d}.trunc()", "{d}.abs()",
          "{d}.max({d})", "{d} * 0.76", "{w} as f64 / 2.0", "if {b} { {d} } else { 0.5 }", "f64::sqrt({d})", "{d}.powi({k})", "\"2.5\".parse::<f64>().unwrap()",
          "[{d}, {d}][{k}usize % 2]", "[{d}, 1.5f64].iter().sum::<f64>()", "({t}, {d}).1", "{d} * std::f64::consts::PI",
          "std::time::Duration::from_micros({k}250).as_secs_f64()", "std::time::Duration::from_secs_f64({k}.7).as_secs_f64()", "std::time::Duration::from_millis({k}).mul_f64(1.7).as_secs_f64()"],
    "t": ["{t}.to_uppercase()", "{t}.to_lowercase()", "{t}.to_string()", "{t}.repeat({k})", "{t}.replace(\"n\", \"mm\")", "{w}.to_string()", "{d}.to_string()", "format!(\"{}-{:.1}\", {t}, {d})", "{t}.chars().rev().collect::<String>()",
          "format!(\"{:?}\", vec![{w}, {w}])", "format!(\"{:?}\", (1..={k}i32).map(|q| q * 2).collect::<Vec<_>>())", "format!(\"{:?}\", ({w}, {t}, {d}))", "[\"ink\", \"nib\"].join(\"+\")",
          "format!(\"{:?}\", std::time::Duration::from_millis({k}) * 3)", "format!(\"{:>12.2?}\", std::time::Duration::from_nanos({k}) / 3 + std::time::Duration::from_micros({k}5))", "format!(\"{:?}\", std::time::Duration::from_secs_f64({k}.3))",
          "format!(\"{:.1?}\", vec![std::time::Duration::from_millis({k}49), std::time::Duration::ZERO])", "format!(\"{:?}\", std::time::Duration::from_secs(2).checked_sub(std::time::Duration::from_millis({k})))"],
    "b": ["{w} < {w}", "{w} <= {k}", "{d} > {d}", "{d} >= 2.5", "{w} == {w}", "{w} != {k}", "{b} && {b}", "{b} || {b}", "!{b}", "{t}.is_empty()", "{t}.contains(\"n\")", "{t}.starts_with('I')",
          "std::time::Duration::from_millis({k}) > std::time::Duration::from_micros({k}00)"],
}
types = {"w": [("i32", "i32")], "d": [("f64", "f64")], "t": [("text", "&str")], "b": [("truth", "bool")]}
constants = {"w": ["7i32", "100i32", "1_000i32", "0xFFi32"], "d": ["0.5f64", "0.76f64", "1e3f64", "100.0f64"], "t": ['"ink"', '"a b"', '""'], "b": ["true", "false"]}


def written(type_name, value):
    if type_name == "text":
        return '"%s"' % value
    if type_name == "truth":
        return "true" if value else "false"
    return "%r" % float(value) if type_name == "f64" else "%d" % value


def statement(made, variables):
    r = made.random
    depth = r.randrange(0, 3)
    template, arguments = "", []
    for _ in range(r.randrange(1, 4)):
        kind = r.choice("wdtb")
        letter = r.choice({"w": ["", ":5", ":<6", ":05", ":x", ":+"], "d": ["", ":.2", ":8.3", ":e", ":?"], "t": ["", ":8", ":>8", ":?", ":*^9"], "b": ["", ":?"]}[kind])
        template += r.choice(["", "|", "ink: ", " ", "{{}}"])
        own = [v[0] for v in variables if v[1] == kind]
        if own and r.random() < 0.25:
            template += "{%s%s}" % (r.choice(own), letter)
        else:
            template += "{%s}" % letter
            arguments.append(made.make(kind, depth, variables))
    literal = '"%s"' % template
    given = "".join(", " + one for one in arguments)
    return r.choice(["println!(%s%s);", "println!(%s%s);", "print!(%s%s);", "format!(%s%s)", "eprintln!(%s%s);"]) % (literal, given)


language = Language(forms, types, written, constants, statement, texts=("ink", "Ink Margin", "K-07", "ab"), loose=0)


def made(seed, wanted):
    """Requests, each with the expression that makes its text."""
    maker = Calls(seed + 1, language)
    out = []
    while len(out) < wanted:
        request, variables = maker.case()
        if any(v[1] == "w" and abs(int(v[2]["i32"])) > 1000 for v in variables):
            continue
        lets = " ".join("let %s: %s = std::hint::black_box(%s);" % (v[0], v[3], v[4]) for v in variables)
        source = request["statement"].rstrip(";")
        name, rest = source.split("!", 1)
        ends = '"\\n"' if name.endswith("ln") else '""'
        out.append((request, "fn @() -> String { %s format!%s + %s }" % (lets, rest, ends)))
    return out
