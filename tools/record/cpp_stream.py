#!/usr/bin/env python3
"""Records what insertion chains of C++ print, and what the compiler refuses.

    tools/record/cpp_stream.py [SEED]           writes tests/vectors/cpp-stream.jsonl
    tools/record/cpp_stream.py --live SEED      a thousand cases to standard output

All cases are checked by one compilation, one a line; those that pass are run by a second program,
which a sanitizer watches: what has no meaning is recorded as undefined.
"""

import json
import pathlib
import re
import subprocess
import sys
import tempfile

from cpp_format import Maker as Leaves
from cpp_format import escaped
from expressions import Expressions, names
from recording import answer_of, needs, real_payload, write_cases

count = 9000
live_count = 3000
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

    def text(self, name):
        """An expression that is a text, with a std::string of this name in it."""
        r = self.random
        return r.choice(["%s + \"!\"", "%s.substr(0, 2)", "%s.size()", "to_string(%s.length())", "%s + '*' + %s",
                         "string(3, '-') + %s", "%s.empty()", "(%s == \"ink\")", "max(%s, %s)", "quoted(%s)"]).replace("%s", name)

    def flags(self):
        r = self.random
        name = lambda: "ios::" + r.choice("left right internal fixed scientific dec oct hex showbase showpoint showpos uppercase "
                                          "boolalpha skipws unitbuf".split())
        sets = lambda: " | ".join(name() for _ in range(r.randrange(1, 4)))
        fields = lambda: r.choice(["ios::floatfield", "ios::basefield", "ios::adjustfield", "ios_base::floatfield"])
        return r.choice([lambda: "setf(%s)" % sets(), lambda: "setf(%s, %s)" % (sets(), fields()), lambda: "unsetf(%s)" % sets(),
                         lambda: "flags(%s)" % sets(), lambda: "width(%d)" % r.randrange(12),
                         lambda: "precision(%d)" % r.randrange(-1, 9), lambda: "fill('%s')" % r.choice("*0-.")])()

    def computed(self):
        """A chain of expressions."""
        r = self.random
        values, variables, texts = [], [], []
        for i in range(r.randrange(1, 4)):
            kind = r.choice(["whole", "whole", "real", "text", "truth", "char"])
            if kind == "whole":
                name = r.choice(["i8", "u8", "i16", "u16", "i32", "i32", "i32", "u32", "i64", "u64"])
                small = r.random() < 0.6
                value = r.randrange(0 if name[0] == "u" else -100, 101) if small else self.values.whole(int(name[1:]), name[0] == "i")
                leaf = self.leaves.typed(int(name[1:]), name[0] == "i", value)
            elif kind == "real":
                leaf, name = self.leaves.real(), "f64"
                if "double" not in leaf[1][0] or "long" in leaf[1][0] or "n" in json.dumps(leaf[0]):
                    number = r.randrange(100000) / 100
                    leaf = ({"f64": real_payload(number)}, ("double", real_payload(number)))
            elif kind == "text":
                leaf, name = ("ink", ("std::string", '"ink"')), "text"
            elif kind == "truth":
                leaf, name = (True, ("bool", "true")), "truth"
            else:
                leaf, name = ({"char": "K"}, ("char", "'K'")), "char"
            values.append(("v%d" % i, leaf))
            (texts if name == "text" else variables).append(("v%d" % i, name))
        maker = Expressions(r, variables, True)
        template = "cout"
        for _ in range(r.randrange(1, 4)):
            for _ in range(r.choice([0, 0, 1, 2])):
                template += " << " + (r.choice(settings) if r.random() < 0.6 else
                                      r.choice(["setw(%d)" % r.randrange(15), "setprecision(%d)" % r.randrange(12),
                                                "setiosflags(ios::fixed | ios::showpoint)", "resetiosflags(ios::floatfield)"]))
            if r.random() < 0.1:
                template += ";\ncout.%s;\ncout" % self.flags()
                if r.random() < 0.3:
                    template += " << '|';\ncout.%s; cout" % self.flags()
            if texts and r.random() < 0.4:
                template += " << " + self.text(texts[0][0])
            else:
                text, kind = maker.number(r.randrange(1, 4))
                bare = r.random() < 0.1 and " << " not in text
                template += " << " + (text if bare else "(%s)" % text)
            template += r.choice(["", "", ' << "|"', " << ' '"])
        return {"template": template + ";", "values": [{"named": [n, v[0]]} for n, v in values]}, [(n, v[1]) for n, v in values]

    def case(self):
        r = self.random
        if r.random() < 0.45:
            return self.computed()
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


def lets(values, unfolded=False):
    plain = ("double", "float", "long double", "bool", "char")
    keeps = lambda kind: "volatile " if unfolded and (kind in plain or kind.endswith("_t")) else ""
    return " ".join("%s%s %s = %s;" % (keeps(kind), kind, name, text) for name, (kind, text) in values)


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
    # Each case in a process of its own, which ends where something has no meaning.
    lines = head + ["#include <sys/wait.h>", "#include <unistd.h>",
                    "void show(void (*f)(ostream&)) { fflush(stdout); if (fork() == 0) { ostringstream out; f(out); putchar('=');"
                    " for (unsigned char c : out.str()) printf(\"%02x\", c); putchar('\\n'); fflush(stdout); _exit(0); }"
                    " int status = 0; wait(&status); if (status != 0) puts(\"?\"); }"]
    for number in kept:
        request, values = made[number]
        # Nothing is folded before it is evaluated.
        lines.append("void c%d(ostream& cout) { %s %s }" % (number, lets(values, True), source_of(request).replace("std::cout", "cout")))
    lines.append("int main() { %s }" % " ".join("show(c%d);" % number for number in kept))
    (folder / "show.cpp").write_text("\n".join(lines) + "\n", encoding="utf-8")
    watched = ["-fno-builtin", "-frounding-math", "-fsanitize=signed-integer-overflow,shift-exponent,integer-divide-by-zero,float-cast-overflow",
               "-fno-sanitize-recover=all"]
    subprocess.run([*compiler, *watched, "-o", "show", "show.cpp"], cwd=folder, check=True)
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
                           {"undefined": {}} if answers[i] == "?" else answer_of(bytes.fromhex(answers[i][1:])))}
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
