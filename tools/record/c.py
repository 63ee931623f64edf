#!/usr/bin/env python3
"""Records what printf of the C library prints: tools/record/c.py [SEED] > nothing; writes tests/vectors/c.jsonl.

Every case is defined by the standard, or by the recorded implementation where the standard leaves
the text to it: what is undefined cannot be recorded.
"""

import pathlib
import subprocess
import sys
import tempfile

from recording import Values, answer_of, real_payload, write_vectors

count = 6000
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


def main():
    seed = int(sys.argv[1]) if len(sys.argv) > 1 else 20310509
    maker = Maker(seed)
    cases = [maker.case() for _ in range(count)]
    lines = ["#include <locale.h>", "#include <math.h>", "#include <stdint.h>", "#include <stdio.h>",
             "static char room[1 << 16];",
             "static void show(int size) { if (size < 0) puts(\"!\"); else { for (int i = 0; i < size; ++i) printf(\"%02x\", (unsigned char)room[i]); puts(\".\"); } }",
             "int main(void) {"]
    for request, arguments in cases:
        lines.append('  setlocale(LC_ALL, "%s");' % request["locale"])
        template = request["template"].replace("Ω", "\\316\\251")
        lines.append('  show(snprintf(room, sizeof room, "%s", %s));' % (template, ", ".join(arguments)))
    lines.append("}")
    with tempfile.TemporaryDirectory() as folder:
        source = pathlib.Path(folder) / "record.c"
        source.write_text("\n".join(lines), encoding="utf-8")
        program = pathlib.Path(folder) / "record"
        subprocess.run(["gcc", "-std=c17", "-w", "-O0", "-o", program, source], check=True)
        printed = subprocess.run([program], check=True, capture_output=True, text=True).stdout.split("\n")
    answers = [None if line == "!" else bytes.fromhex(line[:-1]) for line in printed[:count]]
    compiler = subprocess.run(["gcc", "-dumpfullversion"], check=True, capture_output=True, text=True).stdout.strip()
    library = subprocess.run(["getconf", "GNU_LIBC_VERSION"], check=True, capture_output=True, text=True).stdout.strip()
    header = {"dialect": "c", "runtime": library, "compiler": "gcc " + compiler, "recorder": "tools/record/c.py", "seed": seed}
    write_vectors(root / "tests/vectors/c.jsonl", header,
                  [{**request, **answer_of(answer)} for (request, _), answer in zip(cases, answers)])


if __name__ == "__main__":
    main()
