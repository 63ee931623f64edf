#!/usr/bin/env python3
"""Records what format! of Rust prints, of templates and of whole calls, and what rustc refuses.

    tools/record/rust.py [SEED]           writes tests/vectors/rust.jsonl
    tools/record/rust.py --live SEED      a thousand cases to standard output

All cases are compiled in one program, one a line; those that the compiler refuses are left out of the second,
which is run.
"""

import json
import math
import pathlib
import struct
import subprocess
import sys
import tempfile

import rust_calls
from recording import Values, answer_of, needs, real_payload, write_cases

count = 9000
live_count = 3100


def literal(text):
    return '"' + "".join(c if c.isalnum() and c.isascii() or c in " -_.,:" else "\\u{%x}" % ord(c) for c in text) + '"'


class Maker:
    """Templates with their values, each as the contract and as Rust source have it."""

    def __init__(self, seed):
        self.values = Values(seed)
        self.random = self.values.random

    def whole(self, name=None):
        r = self.random
        bits, signed = r.choice([(8, True), (16, True), (32, True), (32, True), (64, True), (128, True),
                                 (8, False), (16, False), (32, False), (64, False), (128, False)])
        value = self.values.whole(bits, signed)
        kind = ("i" if signed else "u") + str(bits)
        return {kind: str(value)}, str(value) + ("" if kind == "i32" else kind)

    def real(self):
        value = self.values.real()
        if self.random.random() < 0.3:
            bits = struct.unpack("<I", struct.pack("<f", value if abs(value) < 3e38 or not math.isfinite(value) else 1.5))[0]
            narrow = struct.unpack("<f", struct.pack("<I", bits))[0]
            return {"f32": real_payload(narrow)}, "f32::from_bits(0x%x)" % bits
        return {"f64": real_payload(value)}, "f64::from_bits(0x%x)" % struct.unpack("<Q", struct.pack("<d", value))[0]

    def text(self):
        value = self.values.text()
        return value, literal(value)

    def character(self):
        value = self.random.choice(list("Kk09 ~Ωß墨🖨'\"\\\n\t") + ["\u0301", "\u200d", "\x00", "\x7f", "\xad", "\u3000"])
        return {"char": value}, "'\\u{%x}'" % ord(value)

    def truth(self):
        value = self.random.random() < 0.5
        return value, "true" if value else "false"

    def duration(self):
        r = self.random
        seconds = r.choice([0, 0, 0, 1, 59, 61, 3600, 86399, r.randrange(10 ** r.randrange(1, 11))])
        rest = r.choice([0, 1, 999_999_999, 500_000_000, 1_500, 999_950, 2_500_000, r.randrange(10 ** r.randrange(1, 10))])
        return ({"duration": "PT%d%sS" % (seconds, (".%09d" % rest).rstrip("0") if rest else "")}, "std::time::Duration::new(%d, %d)" % (seconds, rest))

    def nil(self):
        return None, "None::<i32>"

    def option(self, depth=0):
        """An option that holds a value, another option, or a list."""
        r = self.random
        if r.random() < 0.2:
            return self.nil()
        held = self.option(depth + 1) if depth < 2 and r.random() < 0.2 else self.leaf(True)()
        return {"some": held[0]}, "Some(%s)" % held[1]

    def options(self):
        """A list of options of one type."""
        r = self.random
        items = [r.choice([(None, "None"), ({"some": n}, "Some(%d)" % n)]) for n in [r.randrange(-99, 999) for _ in range(r.randrange(1, 5))]]
        return {"list": [i[0] for i in items]}, "vec![" + ", ".join("%s as Option<i32>" % i[1] for i in items) + "]"

    def leaf(self, held=False):
        if not held and self.random.random() < 0.1:
            return self.option
        return self.random.choice([self.whole, self.whole, self.real, self.real, self.text, self.character, self.truth, self.nil, self.duration])

    def compound(self, depth=0):
        r = self.random
        kind = r.choice(["list", "tuple", "record"])
        size = r.randrange(4)
        if kind == "list" and r.random() < 0.3:
            return self.options()
        if kind == "list":
            make = self.leaf(True)
            items = [make() for _ in range(size)]
            types = {next(iter(i[0])) if isinstance(i[0], dict) else "" for i in items}
            if len(types) > 1:
                items = items[:1]
            if not items:
                return {"list": []}, "Vec::<i32>::new()"
            return {"list": [i[0] for i in items]}, "vec![" + ", ".join(i[1] for i in items) + "]"
        items = [self.compound(depth + 1) if depth < 2 and r.random() < 0.3 else self.leaf()() for _ in range(size)]
        if kind == "tuple":
            return {"tuple": [i[0] for i in items]}, "(" + ", ".join(i[1] for i in items) + ("," if size == 1 else "") + ")"
        names = r.sample(["mass", "lot", "name", "shift"], size)
        fields = list(zip(names, items))
        if not fields:
            return {"record": {}}, "{ #[derive(Debug)] struct Record {} Record {} }"
        generics = ", ".join("T%d: std::fmt::Debug" % i for i in range(size))
        names_only = ", ".join("T%d" % i for i in range(size))
        declared = ", ".join("%s: T%d" % (n, i) for i, n in enumerate(names))
        assert generics
        return ({"record": {n: i[0] for n, i in fields}},
                "{ #[derive(Debug)] struct Record<%s> { %s } Record { %s } }"
                % (names_only, declared, ", ".join("%s: %s" % (n, i[1]) for n, i in fields)))

    def suited(self, letter):
        r = self.random
        if r.random() < 0.06:
            return r.choice([self.leaf(), self.compound])()
        if letter in ("x", "X", "o", "b"):
            return self.whole()
        if letter in ("e", "E"):
            return r.choice([self.real, self.real, self.whole])()
        if letter == "":
            return r.choice([self.whole, self.real, self.real, self.text, self.character, self.truth])()
        return r.choice([self.leaf(), self.leaf(), self.compound, self.duration])()

    def case(self):
        r = self.random
        if r.random() < 0.06:
            value = r.choice([self.whole, self.real, self.real, self.text, self.truth, self.character])()
            return {"values": [value[0]]}, ([value[1]], {})
        positional, named = [], {}
        style = r.choice(["automatic", "automatic", "explicit", "variables"])

        def place(value):
            if style == "variables" or r.random() < 0.03:
                name = "v%d" % len(named)
                named[name] = value
                return name if r.random() < 0.98 else "missing"
            positional.append(value)
            return str(len(positional) - 1) if style == "explicit" or r.random() < 0.01 else ""

        def amount():
            value = str(r.choice([0, 1, 2, 3, 5, 8, 12, 20, 24]))
            return {"i32": value}, value

        def count_text(force_reference=False):
            if not force_reference and r.random() < 0.75:
                return str(r.randrange(25)) if r.random() < 0.98 else r.choice(["70000", "99999999999", "007"])
            value = amount()
            if r.random() < 0.06:
                value = r.choice([({"i32": "-3"}, "-3"), ({"u8": "3"}, "3u8"), self.real(), ({"i32": "70000"}, "70000")])
            if r.random() < 0.5 or style == "variables":
                name = "n%d" % len(named)
                named[name] = value
                return name + "$"
            later.append(value)
            return "@%d@$" % (len(later) - 1)

        later = []
        template = ""
        for _ in range(r.choice([1, 1, 1, 2, 3])):
            template += r.choice(["", "|", "Ω ", "{{", "}}", "ink: ", "\\t", "\\x41", "\\u{3a9}", "{{}}", "'"])
            letter = r.choice(["", "", "", "", "?", "?", "?", "x?", "X?", "x", "X", "o", "b", "e", "E", "e"])
            if r.random() < 0.01:
                letter = r.choice(["d", "y", "p", "xx", "?x", "é", "_", "s"])
            spec = ""
            if r.random() < 0.4:
                spec += r.choice(["", "", "*", "0", "墨", "x", "<", "}"]) + r.choice("<>^")
                if spec[0] == "}":
                    spec = "\\x7d" + spec[1:]
            if r.random() < 0.25:
                spec += r.choice("++-")
            if r.random() < 0.2:
                spec += "#"
            if r.random() < 0.2:
                spec += "0"
            if r.random() < 0.5:
                spec += count_text()
            star = False
            if r.random() < 0.4:
                if r.random() < 0.1 and style == "automatic":
                    star = True
                    spec += ".*"
                    positional.append(amount())
                else:
                    spec += "." + (count_text() if r.random() < 0.95 else "")
            value = self.suited(letter if letter in ("", "x", "X", "o", "b", "e", "E") else "?")
            name = place(value)
            spec += letter
            blank = " " if r.random() < 0.02 else ""
            template += "{%s%s%s}" % (name, ":" + spec if spec or r.random() < 0.1 else "", blank)
        # Counts that are arguments come after all values.
        for i, value in enumerate(later):
            template = template.replace("@%d@" % i, str(len(positional)))
            positional.append(value)
        if r.random() < 0.02:
            template += r.choice(["{", "}", "{0", "{:", "{:.", "{ 0}", "{a.b}", "{_}", "{r#in}", "{:#?#}", "}}}", "{{{", "\\q", "\\x80", "\\u{110000}"])
        if r.random() < 0.02 and positional:
            positional.pop()
        if r.random() < 0.02:
            positional.append(self.leaf()())
        values = [v[0] for v in positional] + [{"named": [n, v[0]]} for n, v in named.items()]
        return ({"template": template, "values": values},
                ([v[1] for v in positional], {n: v[1] for n, v in named.items()}))


def rust_line(number, request, right):
    positional, named = right
    lets = "".join("let %s = %s; " % pair for pair in named.items())
    template = request.get("template", "{}").replace('"', '\\"').replace("\n", "\\n")
    arguments = "".join(", " + value for value in positional)
    return ('fn c%d() -> String { #[allow(unused)] { %sformat!("%s"%s) } }' % (number, lets, template, arguments))


def program(lines, numbers):
    calls = "\n".join("show(c%d);" % number for number in numbers)
    return ("#![allow(warnings)]\n" + "\n".join(lines) + """
fn show(f: fn() -> String) {
    match std::panic::catch_unwind(f) {
        Ok(text) => println!("={}", text.bytes().map(|b| format!("{:02x}", b)).collect::<String>()),
        Err(_) => println!("panic"),
    }
}
fn main() {
std::panic::set_hook(Box::new(|_| {}));
""" + calls + "\n}\n")


def refused(folder, source):
    """Line numbers with the first error that rustc has for each."""
    (folder / "a.rs").write_text(source, encoding="utf-8")
    ran = subprocess.run(["rustc", "--edition", "2021", "--error-format=json", "-C", "opt-level=0", "-C", "debuginfo=0", "-o", "a", "a.rs"],
                         cwd=folder, capture_output=True, text=True)
    found = {}
    # Names are resolved before types are, and types before what they can do.
    order = [None, "E0425", "E0308", "E0277", "E0600"]
    for line in ran.stderr.splitlines():
        error = json.loads(line)
        if error.get("level") != "error" or not error["spans"]:
            continue
        code = error["code"] and error["code"]["code"]
        assert code in order, line
        span = next(s for s in error["spans"] if s["is_primary"])
        while span["file_name"] != "a.rs":
            span = span["expansion"]["span"]
        at = span["line_start"]
        if at not in found or order.index(code) < order.index(found[at]):
            found[at] = code
    return found


def cases(seed, wanted):
    third = wanted // 3
    maker = Maker(seed)
    made = [maker.case() for _ in range(wanted - third)]
    return asked(made, [rust_line(i, *case) for i, case in enumerate(made)]) + calls(seed, third)


def calls(seed, wanted):
    made = rust_calls.made(seed, wanted)
    return asked(made, [body.replace("@", "c%d" % i, 1) for i, (_, body) in enumerate(made)])


def asked(made, lines):
    failed = {}
    with tempfile.TemporaryDirectory() as name:
        folder = pathlib.Path(name)
        while True:
            kept = [i for i in range(len(made)) if i not in failed]
            found = refused(folder, program(["" if i in failed else line for i, line in enumerate(lines)], kept))
            if not found:
                break
            news = {at - 2: code or "error" for at, code in found.items()}
            assert not news.keys() & failed.keys()
            failed.update(news)
        printed = subprocess.run(["./a"], cwd=folder, capture_output=True, text=True).stdout.splitlines()
    assert len(printed) == len(kept)
    answers = dict(zip(kept, printed))
    out = []
    for i, (request, _) in enumerate(made):
        if i in failed:
            out.append({**request, "fails": {"when": "compile", "as": failed[i]}})
        elif answers[i] == "panic":
            out.append({**request, "fails": {"when": "run", "as": "panic"}})
        else:
            out.append({**request, **answer_of(bytes.fromhex(answers[i][1:]))})
    return [case for case in out if is_asked(case)]


def is_asked(case):
    """An address differs from run to run."""
    return "p}" not in case.get("template", "")


def main():
    needs("rustc --version | grep -q 'rustc 1.95'")
    version = subprocess.run(["rustc", "--version"], capture_output=True, text=True, check=True).stdout.split()[1]
    header = {"dialect": "rust", "runtime": "rustc " + version, "recorder": "tools/record/rust.py"}
    root = pathlib.Path(__file__).resolve().parents[2]
    write_cases(root / "tests/vectors/rust.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
