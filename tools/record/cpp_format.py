#!/usr/bin/env python3
"""Records what std::format of C++20 prints, and what the compiler refuses.

    tools/record/cpp_format.py [SEED]           writes tests/vectors/cpp-format.jsonl
    tools/record/cpp_format.py --live SEED      a thousand cases to standard output

All format strings are checked by one compilation, one a line, as std::format checks them; those that pass are
rendered by a second program.
"""

import pathlib
import re
import struct
import subprocess
import sys
import tempfile

from recording import Values, answer_of, needs, real_payload, write_cases

count = 5200
live_count = 1100
compiler = ["clang++-16", "-std=c++20", "-stdlib=libc++", "-fexperimental-library", "-O0", "-w"]


def escaped(text):
    return "".join(c if 32 <= b < 127 and c not in '"\\?' else "\\%03o" % b
                   for b, c in ((b, chr(b)) for b in text.encode("utf-8")))


def is_large(value):
    return abs(float.fromhex(next(iter(value.values())))) > 1e15


class Maker:
    """Templates with their values, each as the contract and as C++ source have it: a type and an expression."""

    def __init__(self, seed):
        self.values = Values(seed)
        self.random = self.values.random

    def whole(self):
        r = self.random
        bits, signed = r.choice([(8, True), (16, True), (32, True), (32, True), (64, True), (8, False), (16, False),
                                 (32, False), (64, False), (128, True), (128, False)])
        value = self.values.whole(bits, signed)
        return self.typed(bits, signed, value)

    def typed(self, bits, signed, value):
        kind = ("i" if signed else "u") + str(bits)
        raw = value % (1 << bits)
        if bits == 128:
            name = "__int128" if signed else "unsigned __int128"
            text = "(%s)(((unsigned __int128)0x%xull << 64) | 0x%xull)" % (name, raw >> 64, raw % (1 << 64))
        else:
            name = "%sint%d_t" % ("" if signed else "u", bits)
            text = "(%s)0x%xull" % (name, raw)
        return {kind: str(value)}, (name, text)

    def real(self):
        r = self.random
        value = self.values.real()
        if r.random() < 0.3:
            try:
                value = struct.unpack("<f", struct.pack("<f", value))[0]
            except OverflowError:
                value = 1.5
            return {"f32": real_payload(value)}, ("float", "__builtin_bit_cast(float, 0x%xu)" % struct.unpack("<I", struct.pack("<f", value))[0])
        bits = struct.unpack("<Q", struct.pack("<d", value))[0]
        if r.random() < 0.06:
            return {"f80": real_payload(value)}, ("long double", "(long double)__builtin_bit_cast(double, 0x%xull)" % bits)
        return {"f64": real_payload(value)}, ("double", "__builtin_bit_cast(double, 0x%xull)" % bits)

    def text(self):
        value = self.values.text()
        return value, ("const char*", '"%s"' % escaped(value))

    def character(self):
        value = self.random.choice("Kk09 ~'\"\\\n\t\x00\x7f")
        return {"char": value}, ("char", "(char)%d" % ord(value))

    def truth(self):
        value = self.random.random() < 0.5
        return value, ("bool", "true" if value else "false")

    def nil(self):
        return None, ("std::nullptr_t", "nullptr")

    def huge(self):
        return self.typed(64, True, 2 ** self.random.randrange(32, 60))

    def leaf(self):
        return self.random.choice([self.whole, self.whole, self.real, self.real, self.text, self.character, self.truth, self.nil])()

    def suited(self, letter):
        r = self.random
        if r.random() < 0.05:
            return self.leaf()
        if letter == "c":
            return self.typed(32, True, r.choice([65, 48, 10, 127, 128, -1, -128, -129, 300])) if r.random() < 0.6 else self.character()
        if letter in "dxXobB" and letter:
            return r.choice([self.whole] * 6 + [self.character, self.truth])()
        if letter == "s":
            return r.choice([self.text, self.text, self.truth])()
        if letter == "p":
            return self.nil()
        return self.leaf() if letter == "" else self.real()

    def case(self):
        r = self.random
        if r.random() < 0.06:
            value = self.leaf()
            return {"values": [value[0]]}, [value[1]]
        explicit = r.random() < 0.3
        values = []
        template = ""

        def place(value):
            values.append(value)
            manual = explicit if r.random() < 0.99 else not explicit
            return str(len(values) - 1) if manual else ""

        def number():
            if r.random() < 0.2:
                bits, signed = r.choice([(32, True)] * 8 + [(8, True), (64, False), (16, False), (128, True)])
                value = self.typed(bits, signed, r.randrange(0, 25) if r.random() < 0.95 or not signed else -3)
                if r.random() < 0.06:
                    value = r.choice([self.real, self.text, self.character, self.truth, self.nil, self.huge])()
                return lambda: "{%s}" % place(value)
            text = str(r.randrange(1, 25)) if r.random() < 0.97 else r.choice(["0", "007", "99999999999", "00"])
            return lambda: text

        for _ in range(r.choice([1, 1, 1, 2, 3])):
            template += r.choice(["", "|", "Ω ", "{{", "}}", "ink: ", "\\t", "\\x41|", "\\u03a9", "{{}}", "'"])
            letter = r.choice(["", "", "", *"dxXobBfFeEgGaAcs", *"fegaxds"]) if r.random() < 0.98 else r.choice("ipnD?é")
            value = self.suited(letter)
            shape = value[1][0]
            name = place(value)
            spec = ""
            numeric = shape not in ("const char*", "bool", "char", "std::nullptr_t") or letter in "dxXobB" and letter
            if letter == "c":
                numeric = False
            few = 1.0 if numeric else 0.06
            if r.random() < 0.4:
                spec += r.choice(["", "", "*", "0", "x", "<", ":"]) + r.choice("<>^")
                if r.random() < 0.02:
                    spec = r.choice(["墨", "{", "}"]) + spec
            if r.random() < 0.3 * few:
                spec += r.choice("+- ")
            if r.random() < 0.2 * few:
                spec += "#"
            if r.random() < 0.2 * few:
                spec += "0"
            if r.random() < 0.5:
                spec += number()()
            if r.random() < (0.5 if shape in ("float", "double", "long double", "const char*") else 0.03):
                spec += "." + (number()() if r.random() < 0.97 else "")
            if r.random() < (0.08 if numeric else 0.01):
                spec += "L"
            # In its own marks, libc++ 16 copies memory that is not the number's where that is long.
            if letter in "fF" and shape in ("float", "double", "long double") and is_large(value[0]):
                spec = spec.replace("L", "")
            spec += letter
            template += "{%s%s}" % (name, ":" + spec if spec or r.random() < 0.1 else "")
        if r.random() < 0.02:
            template += r.choice(["{", "}", "{0", "{:", "{:.", "{ }", "{a}", "{:{}", "{:{:}}", "}}}", "{{{", "{00}", "{:>{a}}"])
        if r.random() < 0.02 and values:
            values.pop()
        if r.random() < 0.02:
            values.append(self.leaf())
        return {"template": template, "values": [v[0] for v in values]}, [v[1] for v in values]


def literal(request):
    return '"' + request.get("template", "{}").replace('"', '\\"').replace("\n", "\\n").replace("??", "?\\?") + '"'


def refused(folder, made, header="<cstdint>"):
    """The numbers of the cases that do not compile."""
    lines = ["#include <format>", "#include " + header]
    for number, (request, values) in enumerate(made):
        types = ", ".join(name for name, _ in values)
        lines.append("void c%d() { std::format_string<%s> s(%s); }" % (number, types, literal(request)))
    (folder / "check.cpp").write_text("\n".join(lines) + "\n", encoding="utf-8")
    ran = subprocess.run([*compiler, "-fsyntax-only", "-ferror-limit=0", "-fno-caret-diagnostics", "check.cpp"],
                         cwd=folder, capture_output=True, text=True)
    return {int(at) - 3 for at in re.findall(r"^check\.cpp:(\d+):\d+: error:", ran.stderr, re.M)}


def printed(folder, made, kept, header="<cstdint>"):
    lines = ["#include <format>", "#include " + header, "#include <cstdio>",
             "void show(const char* f, std::format_args a) { try { std::string s = std::vformat(f, a); putchar('=');"
             " for (unsigned char c : s) printf(\"%02x\", c); putchar('\\n'); }"
             " catch (std::format_error&) { puts(\"std::format_error\"); } }"]
    for number in kept:
        request, values = made[number]
        lets = " ".join("%s v%d = %s;" % (name, i, text) for i, (name, text) in enumerate(values))
        names = ", ".join("v%d" % i for i in range(len(values)))
        lines.append("void c%d() { %s show(%s, std::make_format_args(%s)); }" % (number, lets, literal(request), names))
    lines.append("int main() { %s }" % " ".join("c%d();" % number for number in kept))
    (folder / "show.cpp").write_text("\n".join(lines) + "\n", encoding="utf-8")
    subprocess.run([*compiler, "-o", "show", "show.cpp"], cwd=folder, check=True)
    return subprocess.run(["./show"], cwd=folder, capture_output=True, text=True, check=True).stdout.splitlines()


def cases(seed, wanted):
    maker = Maker(seed)
    return asked([maker.case() for _ in range(wanted)])


def asked(made, header="<cstdint>"):
    with tempfile.TemporaryDirectory() as name:
        folder = pathlib.Path(name)
        bad = refused(folder, made, header)
        kept = [i for i in range(len(made)) if i not in bad]
        answers = dict(zip(kept, printed(folder, made, kept, header), strict=True))
    out = []
    for i, (request, _) in enumerate(made):
        if i in bad:
            out.append({**request, "fails": {"when": "compile", "as": "error"}})
        elif answers[i].startswith("="):
            out.append({**request, **answer_of(bytes.fromhex(answers[i][1:]))})
        else:
            out.append({**request, "fails": {"when": "run", "as": answers[i]}})
    return out


def main():
    needs("clang++-16 -std=c++20 -stdlib=libc++ -fexperimental-library -fsyntax-only -include format -x c++ /dev/null")
    version = subprocess.run([compiler[0], "--version"], capture_output=True, text=True, check=True).stdout
    version = re.search(r"clang version (\S+)", version).group(1)
    header = {"dialect": "cpp-format", "runtime": "clang %s with libc++ 16" % version,
              "recorder": "tools/record/cpp_format.py"}
    root = pathlib.Path(__file__).resolve().parents[2]
    write_cases(root / "tests/vectors/cpp-format.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
