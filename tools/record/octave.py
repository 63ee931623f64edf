#!/usr/bin/env python3
"""Records what sprintf of GNU Octave prints, and what whole calls print.

    tools/record/octave.py [SEED]           writes tests/vectors/octave.jsonl
    tools/record/octave.py --live SEED      fewer cases, to standard output
"""

import math
import os
import pathlib
import struct
import subprocess
import sys
import tempfile

import octave_calls
from recording import Values, answered, needs, real_payload, write_cases

count = 9000
live_count = 3000
root = pathlib.Path(__file__).resolve().parents[2]

head = r"""1;
warning("off", "all");
function line(text)
  if (numel(text) > 5000) puts("skip\n"); else printf("=%s\n", sprintf("%02x", double(text))); end
end
function ask(varargin)
  try line(sprintf(varargin{:})); catch e, puts("error\n"); end
end
function plain(value)
  shown = disp(value);
  line(shown(1:end-1));
end
"""


def literal(text):
    return '"' + "".join("\\%03o" % byte for byte in text.encode("utf-8")) + '"'


def real(value):
    return 'typecast(uint64(0x%016x), "double")' % struct.unpack("<Q", struct.pack("<d", value))[0]


class Maker:
    """Templates with their values, each as the contract and as Octave have it."""

    def __init__(self, seed):
        self.values = Values(seed)
        self.random = self.values.random

    def number(self, letter):
        r = self.random
        if letter in "diuoxXcs" and r.random() < 0.75:
            value = float(self.values.whole(r.choice([8, 8, 16, 32, 53, 64]), r.random() < 0.6) if r.random() < 0.75 else r.choice([2.0 ** 63, 2.0 ** 64, -2.0 ** 63, 1e20, -1e20, 255, 256, 955, 0.5, 3.25, -1.5]))
        else:
            value = self.values.real()
        return {"f64": real_payload(value)}, real(value)

    def value(self, letter):
        r = self.random
        roll = r.random()
        if roll < 0.03:
            return None, "[]"
        if roll < 0.06:
            return r.choice([(True, "true"), (False, "false")])
        if roll < (0.6 if letter == "s" else 0.3 if letter == "c" else 0.12):
            text = self.values.text() if r.random() < 0.7 else self.values.character()
            return text, literal(text)
        if roll > 0.93:
            items = [self.number(letter) for _ in range(r.randrange(1, 5))]
            return {"list": [item[0] for item in items]}, "[%s]" % ", ".join(item[1] for item in items)
        if roll > 0.8:
            name, octave, bits, signed = r.choice([("i8", "int8", 8, True), ("i32", "int32", 32, True), ("u8", "uint8", 8, False),
                                                   ("i64", "int64", 64, True), ("u64", "uint64", 64, False)])
            value = self.values.whole(bits, signed)
            # A literal of 64 bits would be a double first.
            return {name: str(value)}, 'typecast(uint64(0x%016x), "int64")' % (value % 2 ** 64) if name == "i64" else (
                "uint64(0x%x)" % value if name == "u64" else "%s(%d)" % (octave, value))
        if roll > 0.75:
            value = struct.unpack("<f", struct.pack("<f", r.choice([0.1, 2.5, 7.0, 1e10, -3.75])))[0]
            return {"f32": real_payload(value)}, "single(%s)" % real(value)
        return self.number(letter)

    def count(self, values):
        r = self.random
        if r.random() < 0.15:
            amount = float(r.randrange(25)) if r.random() < 0.95 else r.choice([-1.0, 2.5, math.nan])
            values.append(({"f64": real_payload(amount)}, real(amount)))
            return "*"
        return str(r.randrange(26))

    def field(self, values):
        r = self.random
        letter = r.choice("dioxXucsfeEgGdfgs") if r.random() < 0.985 else r.choice("aybDF%né")
        source = "%" + "".join(flag for flag in ("-" if letter in "sc" else "-+ #0") if r.random() < 0.2)
        if r.random() < 0.5:
            source += self.count(values)
        if r.random() < 0.4:
            source += "." + (self.count(values) if r.random() < 0.92 else "")
        if r.random() < 0.04:
            source += r.choice("hlL")
        if letter != "%":
            values.append(self.value(letter))
        return source + letter

    def case(self):
        r = self.random
        values = []
        if r.random() < 0.08:
            value = self.value("s")
            while "[" in value[1] and value[1] != "[]" or value[1] == '""':
                value = self.value("s")
            # Typed without more ado, a whole number is a double.
            shown = "double(%s)" % value[1] if isinstance(value[0], dict) and list(value[0])[0] in ("i32", "i64") else value[1]
            return {"values": [value[0]]}, "plain(%s)" % shown
        template = ""
        for _ in range(r.choice([1, 1, 1, 2, 3])):
            template += r.choice(["", "|", "Ω ", "%%", "ink: ", "\\t", "\\x41", "\\101", "\\q", "\\'"])
            template += self.field(values)
        template += r.choice(["", "|", "\\n"])
        if r.random() < 0.06 and values:
            values.pop()
        if r.random() < 0.06 and "*" not in template:
            values += [self.value("s") for _ in range(r.randrange(1, 3))]
        if r.random() < 0.005:
            template += r.choice(["%", "%5", "%-", "%."])
        # A width of millions is over our limit: where one is taken, every field takes what was made for it.
        if "*" in template and any(value[0] is None or isinstance(value[0], str) or "list" in value[0] for value in values if value[0] not in (True, False)):
            return self.case()
        return {"template": template, "values": [value[0] for value in values]}, "ask(%s)" % ", ".join(['"%s"' % template] + [value[1] for value in values])


def cases(seed, wanted):
    third = wanted // 3
    return asked(Maker(seed).case, wanted - third) + asked(octave_calls.Statements(seed).case, third)


def asked(make, wanted):
    made = [make() for _ in range(wanted + 50)]
    with tempfile.TemporaryDirectory() as folder:
        source = pathlib.Path(folder) / "record.m"
        source.write_text(head + "".join(call + ";\n" for _, call in made), encoding="utf-8")
        ran = subprocess.run(["octave-cli", "--norc", "--quiet", "--no-gui", source], capture_output=True, env={**os.environ, "LC_ALL": "C.UTF-8"})
    return answered(made, ran.stdout.decode().splitlines(), wanted)


def main():
    needs("octave-cli --version")
    version = subprocess.run(["octave-cli", "--version"], check=True, capture_output=True, text=True).stdout.split()[3]
    header = {"dialect": "octave", "runtime": "GNU Octave " + version, "recorder": "tools/record/octave.py"}
    write_cases(root / "tests/vectors/octave.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
