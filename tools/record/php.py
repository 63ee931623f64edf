#!/usr/bin/env python3
"""Records what sprintf of PHP prints, of templates and of whole calls.

    tools/record/php.py [SEED]           writes tests/vectors/php.jsonl
    tools/record/php.py --live SEED      fewer cases, to standard output
"""

import pathlib
import struct
import subprocess
import sys
import tempfile

import php_calls
from recording import Values, answered, needs, real_payload, write_cases

count = 9000
live_count = 3000
root = pathlib.Path(__file__).resolve().parents[2]

head = """<?php
function real($bits) { return unpack("E", hex2bin($bits))[1]; }
function ask($template, ...$values) {
  try {
    $text = @sprintf($template, ...$values);
    echo strlen($text) > 5000 ? "skip" : "=" . bin2hex($text), "\\n";
  }
  catch (\\Throwable $error) { echo get_class($error), "\\n"; }
}
function plain($value) { echo "=", bin2hex((string)$value), "\\n"; }
"""


def literal(text):
    return '"' + "".join("\\x%02x" % byte for byte in text.encode("utf-8")) + '"'


class Maker:
    """Templates with their values, each as the contract and as PHP have it."""

    numeric = ["12", "-7.5", " 42", "1e3", "12abc", ".5", "99999999999999999999", "-1e30", "0x1A", "", "-", "1.5e", "\t3", "+8", "1e400"]

    def __init__(self, seed):
        self.values = Values(seed)
        self.random = self.values.random

    def value(self, letter):
        r = self.random
        kind = r.choice("whole real text char number other".split()) if letter in "s%" or r.random() < 0.15 else (
            "whole" if letter in "dubBoxXc" else "real")
        if kind == "real":
            value = self.values.real()
            return {"f64": real_payload(value)}, 'real("%s")' % struct.pack(">d", value).hex()
        if kind == "whole":
            name, bits, signed = r.choice([("i8", 8, True), ("i32", 32, True), ("i64", 64, True), ("u32", 32, False), ("u64", 64, False), ("big", 90, True)])
            value = self.values.whole(bits, signed)
            # The lowest int has no literal of its own.
            return {name: str(value)}, "PHP_INT_MIN" if value == -2 ** 63 else str(value)
        if kind == "number":
            text = r.choice(self.numeric)
            return text, literal(text)
        if kind == "text":
            text = self.values.text()
            return text, literal(text)
        if kind == "char":
            character = self.values.character()
            return {"char": character}, literal(character)
        return r.choice([(True, "true"), (False, "false"), (None, "null")])

    def count(self, values):
        r = self.random
        if r.random() < 0.15:
            amount = r.choice([0, 1, 3, 8, 12, 20, 30]) if r.random() < 0.9 else r.choice([-1, -5, 2.5, "5", None, True])
            php = {None: "null", True: "true", "5": '"5"'}.get(amount, str(amount)) if not isinstance(amount, int) or amount is True else str(amount)
            values.append(({"f64": real_payload(amount)} if isinstance(amount, float) else amount, php))
            return "*"
        return str(r.randrange(26))

    def field(self, values):
        r = self.random
        letter = r.choice("bcdeEfFgGhHosuxXdfegs") if r.random() < 0.975 else r.choice("iyan%é\n")
        self.signs |= letter == "%"
        source = "%"
        if r.random() < 0.06 and letter != "%":
            source += "%d%s" % (r.randrange(0 if r.random() < 0.15 else 1, 4), r.choice(["$", "\\$"]))
        for flag in "-+ 0":
            if r.random() < 0.2:
                source += flag
        if r.random() < 0.1:
            source += "'" + r.choice("*x0 .é-")
        if r.random() < 0.05:
            source += r.choice("0- +")
        if r.random() < 0.5:
            source += self.count(values)
        if r.random() < (0.6 if letter in "eEfFgGhHs" else 0.08):
            source += "." + (self.count(values) if r.random() < 0.92 else "")
            if r.random() < 0.01:
                source += str(r.randrange(10))
        if r.random() < 0.05:
            source += "l"
        values.append(self.value(letter))
        return source + ("\\n" if letter == "\n" else letter)

    def case(self):
        r = self.random
        values = []
        # A percent sign after a width that finds no value begins another field: not supported yet.
        self.signs = False
        if r.random() < 0.08:
            value = self.value("s" if r.random() < 0.3 else "f")
            return {"values": [value[0]]}, [value[1]]
        template = ""
        for _ in range(r.choice([1, 1, 1, 2, 3])):
            template += r.choice(["", "|", "Ω ", "%%", "ink: ", "\\t", "\\x41", "\\u{3a9}", "\\q", "\\101", "\\e", "\\'", "\\400", "\\$"])
            template += self.field(values)
        if r.random() < 0.04 and values and not self.signs:
            values.pop()
        if r.random() < 0.03:
            values.append(self.value("s"))
        if r.random() < 0.015:
            template += r.choice(["%", "%5", "%-", "%.", "%'", "%1\\$"])
        return {"template": template, "values": [value[0] for value in values]}, [value[1] for value in values]


def as_source(template):
    """Between double quotes; a $ that is not escaped yet is."""
    out = ""
    for i, character in enumerate(template):
        out += "\\$" if character == "$" and template[i - 1:i] != "\\" else character
    return '"' + out.replace('"', '\\"') + '"'


def cases(seed, wanted):
    third = wanted // 3
    return asked(templates(seed, wanted - third), wanted - third) + asked(php_calls.made(seed, third), third)


def templates(seed, wanted):
    maker = Maker(seed)
    return [maker.case() for _ in range(wanted + 50)]


def asked(made, wanted):
    lines = [head + php_calls.head]
    for request, arguments in made:
        if "statement" in request:
            lines.append(arguments)
        elif "template" in request:
            lines.append("ask(%s);" % ", ".join([as_source(request["template"])] + arguments))
        else:
            lines.append("plain(%s);" % arguments[0])
    with tempfile.TemporaryDirectory() as folder:
        source = pathlib.Path(folder) / "record.php"
        source.write_text("\n".join(lines), encoding="utf-8")
        printed = subprocess.run(["php", "-d", "display_errors=0", "-d", "log_errors=0", source], check=True, capture_output=True, text=True).stdout.splitlines()
    return answered(made, printed, wanted)


def main():
    needs("php --version")
    version = subprocess.run(["php", "-r", "echo PHP_VERSION;"], check=True, capture_output=True, text=True).stdout
    header = {"dialect": "php", "runtime": "PHP " + version, "recorder": "tools/record/php.py"}
    write_cases(root / "tests/vectors/php.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
