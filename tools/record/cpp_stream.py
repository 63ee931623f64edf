#!/usr/bin/env python3
"""Records what insertion chains of C++ print, and what the compiler refuses.

    tools/record/cpp_stream.py [SEED]           writes tests/vectors/cpp-stream.jsonl
    tools/record/cpp_stream.py --live SEED      a thousand cases to standard output

All cases are checked by one compilation, one a line; those that pass are run by a second program.
"""

import pathlib
import re
import subprocess
import sys
import tempfile

from cpp_format import Maker as Leaves
from cpp_format import escaped
from recording import answer_of, needs, real_payload, write_cases

count = 5200
live_count = 1100
compiler = ["g++", "-std=c++20", "-O0", "-w"]
settings = ("left right internal fixed scientific hexfloat defaultfloat hex dec oct showbase noshowbase showpos noshowpos "
            "showpoint noshowpoint uppercase nouppercase boolalpha noboolalpha").split()


class Maker:
    def __init__(self, seed):
        self.leaves = Leaves(seed)
        self.values = self.leaves.values
        self.random = self.leaves.random

    def complex(self):
        real, imaginary = self.values.real(), self.values.real()
        parts = [real_payload(real), real_payload(imaginary)]
        if not parts[1].startswith("-"):
            parts[1] = "+" + parts[1]
        if any("n" in part for part in parts):
            return self.leaves.real()
        return ({"complex": parts[0] + parts[1] + "i"},
                ("std::complex<double>", "std::complex<double>(%s, %s)" % (real_payload(real), real_payload(imaginary))))

    def leaf(self):
        r = self.random
        leaves = self.leaves
        make = r.choice([leaves.whole] * 4 + [leaves.real] * 5 + [leaves.text, leaves.text, leaves.character, leaves.truth,
                                                               leaves.truth, leaves.nil, self.complex])
        value = make()
        if value[1][0].endswith("int128") and r.random() < 0.9:
            return leaves.typed(32, True, r.randrange(-1000, 1000))
        return value

    def literal(self):
        r = self.random
        kind = r.randrange(7)
        if kind < 2:
            return '"%s"' % escaped(r.choice(["*", "|", " ", "ink", "Ω", "墨", "a\tb", "50%", "x\n"]))
        if kind == 2:
            return r.choice(["'*'", "'\\n'", "'0'", "'\\''", "'\\x41'", '"a" "b"', "'\\200'"])
        if kind == 3:
            return r.choice(["42", "-7", "0x1F", "0b101", "017", "42u", "1'000", "5L", "3ull", "0xFFFFFFFF", "4294967295",
                             "2147483648", "-0x80000000", "+5", "0", "-5u", "7lu", "0xFFFFFFFFFFFFFFFF"])
        if kind == 4:
            return r.choice(["2.5", "-0.5f", "1e5", "2.5L", "0x1.8p+1", ".5", "5.", "1e-7", "-0.0", "3.14159265358979", "0.1f", "1e300"])
        if kind == 5:
            return r.choice(["true", "false", "nullptr"])
        return r.choice(["08", "1.2.3", "5x", "0b2"]) if r.random() < 0.05 else "1"

    def case(self):
        r = self.random
        if r.random() < 0.05:
            value = self.leaf()
            return {"values": [value[0]]}, [("x", value[1])]
        named, positional = [], []
        template = r.choice(["cout", "cout", "std::cout"])
        by_name = r.random() < 0.3

        def place(value):
            """A name for a value, new to the chain."""
            name = "v%d" % (len(named) + len(positional))
            if by_name:
                named.append((name, value))
            else:
                positional.append((name, value))
            return name

        for _ in range(r.choice([1, 2, 2, 3, 4, 6])):
            for _ in range(r.choice([0, 1, 1, 2, 3])):
                qualified = "std::" if r.random() < 0.15 else ""
                kind = r.random()
                if kind < 0.35:
                    amount = str(r.randrange(0, 22)) if r.random() < 0.95 else r.choice(["-3", "0x10", "5u"])
                    if r.random() < 0.05:
                        amount = place(({"i32": "11"}, ("int32_t", "11")))
                    template += " << %ssetw(%s)" % (qualified, amount)
                elif kind < 0.45:
                    template += " << %ssetprecision(%d)" % (qualified, r.choice([0, 1, 2, 3, 6, 10, 17, 25, -1]))
                elif kind < 0.55:
                    template += " << %ssetfill(%s)" % (qualified, r.choice(["'*'", "'0'", "' '", "'-'", "'\\x41'", "'.'"]))
                elif kind < 0.58:
                    template += " << %ssetbase(%d)" % (qualified, r.choice([8, 10, 16, 2, 0]))
                else:
                    template += " << %s%s" % (qualified, r.choice(settings))
            if r.random() < 0.25:
                template += " << " + self.literal()
            else:
                template += " << " + place(self.leaf())
            if r.random() < 0.1:
                template += r.choice([" << endl", " << std::endl", " << ends", " << flush", ";\ncout", "; cout", " /* ink */", "\n   "])
            if template.endswith("cout"):
                template += " << '|'"
        if r.random() < 0.02:
            template += " << missing"
        if r.random() < 0.5:
            template += ";"
        values = [{"named": [name, value[0]]} for name, value in named] + [value[0] for _, value in positional]
        return {"template": template, "values": values}, [(name, value[1]) for name, value in named + positional]


def lets(values):
    return " ".join("%s %s = %s;" % (kind, name, text) for name, (kind, text) in values)


def source_of(request):
    # What is on several lines would be counted as several cases.
    return request.get("template", "cout << x").replace("\n", " ").rstrip(";") + ";"


head = ["#include <bits/stdc++.h>", "using namespace std;"]


def refused(folder, made):
    lines = head + ["void c%d(ostream& cout) { %s %s }" % (number, lets(values), source_of(request).replace("std::cout", "cout"))
                    for number, (request, values) in enumerate(made)]
    (folder / "check.cpp").write_text("\n".join(lines) + "\n", encoding="utf-8")
    ran = subprocess.run([*compiler, "-fsyntax-only", "-fmax-errors=0", "-fno-diagnostics-show-caret", "check.cpp"],
                         cwd=folder, capture_output=True, text=True)
    return {int(at) - 1 - len(head) for at in re.findall(r"^check\.cpp:(\d+):\d+: error:", ran.stderr, re.M)}


def printed(folder, made, kept):
    lines = head + ["void show(void (*f)(ostream&)) { ostringstream out; f(out); putchar('=');"
                    " for (unsigned char c : out.str()) printf(\"%02x\", c); putchar('\\n'); }"]
    for number in kept:
        request, values = made[number]
        lines.append("void c%d(ostream& cout) { %s %s }" % (number, lets(values), source_of(request).replace("std::cout", "cout")))
    lines.append("int main() { %s }" % " ".join("show(c%d);" % number for number in kept))
    (folder / "show.cpp").write_text("\n".join(lines) + "\n", encoding="utf-8")
    subprocess.run([*compiler, "-o", "show", "show.cpp"], cwd=folder, check=True)
    return subprocess.run(["./show"], cwd=folder, capture_output=True, text=True, check=True).stdout.splitlines()


def cases(seed, wanted):
    maker = Maker(seed)
    made = [maker.case() for _ in range(wanted)]
    with tempfile.TemporaryDirectory() as name:
        folder = pathlib.Path(name)
        bad = refused(folder, made)
        kept = [i for i in range(len(made)) if i not in bad]
        answers = dict(zip(kept, printed(folder, made, kept), strict=True))
    return [{**request, **({"fails": {"when": "compile", "as": "error"}} if i in bad else
                           answer_of(bytes.fromhex(answers[i][1:])))}
            for i, (request, _) in enumerate(made)]


def main():
    needs("g++ --version")
    version = subprocess.run([compiler[0], "-dumpfullversion"], capture_output=True, text=True, check=True).stdout.strip()
    header = {"dialect": "cpp-stream", "runtime": "g++ %s with libstdc++" % version,
              "recorder": "tools/record/cpp_stream.py"}
    root = pathlib.Path(__file__).resolve().parents[2]
    write_cases(root / "tests/vectors/cpp-stream.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
