#!/usr/bin/env python3
"""Records what printf of the C library prints, of templates and of whole calls.

    tools/record/c.py [SEED]           writes tests/vectors/c.jsonl
    tools/record/c.py --live SEED      three thousand cases to standard output

Every template is defined by the standard, or by the recorded implementation where the standard
leaves the text to it: what is undefined cannot be recorded. Of expressions it can: a sanitizer sees it.
"""

import math
import pathlib
import re
import subprocess
import sys
import tempfile

from expressions import Expressions, names, promoted, reals
from recording import Values, answer_of, needs, real_payload, write_cases

count = 9000
live_count = 3000
root = pathlib.Path(__file__).resolve().parents[2]


def c_bytes(text):
    return '"' + "".join("\\%03o" % byte for byte in text.encode("utf-8")) + '"'


def c_real(value, suffix=""):
    payload = real_payload(value)
    sign = "-" if payload.startswith("-") else ""
    if "nan" in payload:
        return sign + "(%s)NAN" % ("long double" if suffix else "double")
    if "inf" in payload:
        return sign + "(%s)INFINITY" % ("long double" if suffix else "double")
    return payload + suffix


class Maker:
    """Fields with their values, each as the contract and as C write it."""

    def __init__(self, seed):
        self.values = Values(seed)
        self.random = self.values.random

    def flags(self, allowed):
        return "".join(flag for flag in allowed if self.random.random() < 0.25)

    def counts(self, precision, arguments):
        out = ""
        for mark in ("", ".") if precision else ("",):
            if self.random.random() < 0.5:
                continue
            amount = self.random.randrange(25)
            if self.random.random() < 0.2:
                if self.random.random() < 0.3:
                    amount = -amount
                arguments.append((amount, str(amount)))
                out += mark + "*"
            else:
                out += mark + (str(amount) if amount or mark else "")
        return out

    def field(self):
        arguments = []
        kind = self.random.choice("wwwrrrrlstc")
        if kind == "w":
            letter = self.random.choice("diouxX")
            head = "%" + self.flags("-+ 0'" if letter in "diu" else "-+ #0") + self.counts(True, arguments)
            length = self.random.choice(["", "", "", "hh", "h", "l", "ll", "j", "z", "t"])
            wide = length not in ("", "hh", "h")
            signed = self.random.random() < 0.5
            value = self.values.whole(64 if wide else 32, signed)
            name = ("i" if signed else "u") + ("64" if wide else "32")
            arguments.append(({name: str(value)}, "(%sint%s_t)%dLL" % ("" if signed else "u", name[1:], value if value < 2**63 else value - 2**64)))
            return head + length + letter, arguments
        if kind == "r":
            letter = self.random.choice("fFeEgGaA")
            head = "%" + self.flags("-+ #0'" if letter in "fFgG" else "-+ #0") + self.counts(True, arguments)
            value = self.values.real()
            arguments.append(({"f64": real_payload(value)}, c_real(value)))
            return head + letter, arguments
        if kind == "l":
            head = "%" + self.flags("-+ #0") + self.counts(True, arguments)
            value = self.values.real()
            arguments.append(({"f80": real_payload(value)}, c_real(value, "L")))
            return head + "L" + self.random.choice("fFeEgGaA"), arguments
        if kind in "st":
            head = "%" + self.flags("-") + self.counts(True, arguments)
            text = self.values.text()
            wide = kind == "t"
            arguments.append((text, ("L" + '"' + "".join("\\U%08x" % ord(c) if ord(c) > 159 else "\\%03o" % ord(c) for c in text) + '"') if wide else c_bytes(text)))
            return head + ("ls" if wide else "s"), arguments
        head = "%" + self.flags("-") + self.counts(False, arguments)
        character = self.values.character()
        arguments.append(({"char": character}, str(ord(character))))
        return head + self.random.choice(["c", "lc"]), arguments

    def case(self):
        template, arguments = "", []
        for _ in range(self.random.choice([1, 1, 1, 2, 3])):
            template += self.random.choice(["", "|", "Ω ", "%%", "ink: ", "\\t"])
            source, more = self.field()
            template += source
            arguments += more
        return {"template": template, "values": [a[0] for a in arguments],
                "locale": self.random.choice(["C", "C.UTF-8"])}, [a[1] for a in arguments]


class Statements:
    """Whole calls with expressions as arguments; each as the contract has it, and as C does."""

    letters = {"i32": ["d", "i", "5d", "+d", "x"], "u32": ["u", "x", "#o", "08u"], "i64": ["ld", "12ld"], "u64": ["lu", "lx"],
               "f32": [".2f", "g", "e"], "f64": [".2f", "8.3f", "g", ".10g", "e", ".0f"], "f80": ["Lf", ".3Lg"]}

    def __init__(self, seed):
        self.values = Values(seed + 1)
        self.random = self.values.random

    def variables(self):
        r = self.random
        out = []
        for i in range(r.randrange(1, 4)):
            kind = r.choice(["i8", "u8", "i16", "u16", "i32", "i32", "i32", "u32", "i64", "u64", "f64", "f64", "f64", "f32"])
            name = "v%d" % i
            if kind in reals:
                number = r.randrange(-100000, 100000) / 100 if r.random() < 0.7 else self.values.real()
                if kind == "f32" or math.isnan(number) or math.isinf(number):
                    number = r.randrange(-4000, 4000) / 8
                out.append((name, kind, {kind: real_payload(number)}, real_payload(number) + ("f" if kind == "f32" else "")))
            else:
                small = r.random() < 0.6
                value = r.randrange(0 if kind[0] == "u" else -100, 101) if small else self.values.whole(int(kind[1:]), kind[0] == "i")
                out.append((name, kind, {kind: str(value)}, "(%s)%dULL" % (names[kind], value % (1 << 64))))
        return out

    def case(self):
        r = self.random
        variables = self.variables()
        maker = Expressions(r, [(v[0], v[1]) for v in variables], False)
        template, arguments = "", []
        for _ in range(r.randrange(1, 4)):
            template += r.choice(["", "|", "ink: ", " ", "%%"])
            if r.random() < 0.1:
                arguments.append('%s ? "lots" : "lot"' % maker.test(1))
                template += r.choice(["%s", "%-6s|", "%.2s"])
                continue
            text, kind = maker.number(r.randrange(0, 4))
            arguments.append(text)
            template += "%" + r.choice(self.letters[promoted(kind)])
        template += r.choice(["", "\\n"])
        literal = '"%s"' % template
        if r.random() < 0.1 and " " in template:
            literal = literal.replace(" ", '" " ', 1)
        given = ", ".join([literal] + arguments)
        statement = r.choice(["printf(%s);", "printf(%s);", "printf(%s)", " fprintf(stdout, %s);", "snprintf(buf, sizeof buf, %s);",
                              "sprintf(text, %s)"]) % given
        named = r.random() < 0.7
        values = [{"named": [v[0], v[2]]} for v in variables] if named else None
        if not named:
            # Values without names go to the names in the order in which these come.
            found = sorted((given.find(v[0]), v) for v in variables if v[0] in given)
            values = [v[2] for _, v in found]
        return {"statement": statement, "values": values}, given, variables


def printed_statements(folder, made):
    """What each prints; "?" where it has no meaning: a sanitizer watches; "!" where gcc refuses it."""
    lines = ["#include <math.h>", "#include <stdbool.h>", "#include <stdio.h>", "#include <stdlib.h>", "#include <sys/wait.h>", "#include <unistd.h>",
             "static char room[1 << 16];",
             "static void show(int (*f)(void)) { fflush(stdout); if (fork() == 0) { int size = f(); putchar('=');"
             " for (int i = 0; i < size; ++i) printf(\"%02x\", (unsigned char)room[i]); putchar('\\n'); fflush(stdout); _exit(0); }"
             " int status = 0; wait(&status); if (status != 0) puts(\"?\"); }"]
    for number, (_, given, variables) in enumerate(made):
        # Nothing is folded before it is evaluated.
        lets = " ".join("volatile %s %s = %s;" % (names[v[1]], v[0], v[3]) for v in variables)
        lines.append("static int c%d(void) { %s return snprintf(room, sizeof room, %s); }" % (number, lets, given))
    file = folder / "statements.c"
    file.write_text("\n".join(lines) + "\n", encoding="utf-8")
    checked = subprocess.run(["gcc", "-std=gnu17", "-w", "-fsyntax-only", "-fmax-errors=0", "-fno-diagnostics-show-caret", file],
                             capture_output=True, text=True, check=False)
    first = len(lines) - len(made) + 1
    bad = {int(at) - first for at in re.findall(r":(\d+):\d+: error:", checked.stderr)}
    for number in bad:
        lines[first - 1 + number] = ""
    lines.append("int main(void) { %s }" % " ".join('puts("!");' if number in bad else "show(c%d);" % number
                                                    for number in range(len(made))))
    file.write_text("\n".join(lines) + "\n", encoding="utf-8")
    subprocess.run(["gcc", "-std=gnu17", "-w", "-O0", "-fno-builtin", "-frounding-math", "-fno-sanitize-recover=all",
                    "-fsanitize=signed-integer-overflow,shift-exponent,integer-divide-by-zero,float-cast-overflow",
                    "-o", "statements", "statements.c", "-lm"], cwd=folder, check=True)
    return subprocess.run(["./statements"], cwd=folder, check=True, capture_output=True, text=True).stdout.splitlines()


def statements(folder, seed, wanted):
    maker = Statements(seed)
    made = [maker.case() for _ in range(wanted)]
    special = {"?": {"undefined": {}}, "!": {"fails": {"when": "compile", "as": "error"}}}
    return [{**request, **(special.get(line) or answer_of(bytes.fromhex(line[1:])))}
            for (request, _, _), line in zip(made, printed_statements(folder, made), strict=True)]


def templates(folder, cases, name=lambda locale: locale, environment=None):
    """What each prints; `name`: of a locale, as it was built there."""
    lines = ["#include <locale.h>", "#include <math.h>", "#include <stdint.h>", "#include <stdio.h>",
             "static char room[1 << 16];",
             "static void show(int size) { if (size < 0) puts(\"!\"); else { for (int i = 0; i < size; ++i) printf(\"%02x\", (unsigned char)room[i]); puts(\".\"); } }",
             "int main(void) {"]
    for request, arguments in cases:
        lines.append('  setlocale(LC_ALL, "%s");' % name(request["locale"]))
        template = request["template"].replace("Ω", "\\316\\251")
        lines.append('  show(snprintf(room, sizeof room, "%s", %s));' % (template, ", ".join(arguments)))
    lines.append("}")
    source = folder / "record.c"
    source.write_text("\n".join(lines), encoding="utf-8")
    program = folder / "record"
    subprocess.run(["gcc", "-std=c17", "-w", "-O0", "-o", program, source], check=True)
    printed = subprocess.run([program], check=True, capture_output=True, text=True, env=environment).stdout.split("\n")
    answers = [None if line == "!" else bytes.fromhex(line[:-1]) for line in printed[:len(cases)]]
    return [{**request, **answer_of(answer)} for (request, _), answer in zip(cases, answers)]


def cases(seed, wanted):
    with tempfile.TemporaryDirectory() as name:
        folder = pathlib.Path(name)
        third = wanted // 3
        maker = Maker(seed)
        return templates(folder, [maker.case() for _ in range(wanted - third)]) + statements(folder, seed, third)


def main():
    needs("gcc --version")
    compiler = subprocess.run(["gcc", "-dumpfullversion"], check=True, capture_output=True, text=True).stdout.strip()
    library = subprocess.run(["getconf", "GNU_LIBC_VERSION"], check=True, capture_output=True, text=True).stdout.strip()
    header = {"dialect": "c", "runtime": library, "compiler": "gcc " + compiler, "recorder": "tools/record/c.py"}
    write_cases(root / "tests/vectors/c.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
