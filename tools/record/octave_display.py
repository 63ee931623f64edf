#!/usr/bin/env python3
"""Records how GNU Octave displays values under the settings of its session, and what it computes.

    tools/record/octave_display.py [SEED]           writes tests/vectors/octave-display.jsonl
    tools/record/octave_display.py --live SEED      fewer cases, to standard output
"""

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
  printf("=%s\n", sprintf("%02x", double(text)));
end
function fresh()
  format; fixed_point_format(false); output_precision(5);
end
function failed(problem)
  if (strncmp(problem.message, "parse error", 11)) puts("parse error\n"); else puts("error\n"); end
end
"""

modes = ["short", "long", "short g", "long g", "short e", "long e", "bank", "rat", "hex", "shortg", "longg", "shorte", "longe", "shortG", "LONG"]


def literal(text):
    return '"' + "".join("\\%03o" % byte for byte in text.encode("utf-8")) + '"'


def double(value):
    return 'typecast(uint64(0x%016x), "double")' % struct.unpack("<Q", struct.pack("<d", value))[0]


def single(value):
    return 'typecast(uint32(0x%08x), "single")' % struct.unpack("<I", struct.pack("<f", value))[0]


class Maker:
    """Statements with their values, each as the contract and as Octave have it."""

    def __init__(self, seed):
        self.values = Values(seed)
        self.random = self.values.random

    def number(self, scale):
        """Numbers of about one size stand together more often than not."""
        r = self.random
        kind = r.random()
        if kind < 0.15:
            return self.values.real()
        if kind < 0.35:
            return float(r.randrange(-2000, 2000))
        if kind < 0.45:
            return float(r.choice([0, 0, 1, -1, 0.5, 10 ** r.randrange(17), 10 ** r.randrange(17) - 1, 99999.5, 0.99999, 9.99995, 100, 1e5, 1e-5, float("nan"), float("inf"), -float("inf"), -0.0]))
        if kind < 0.5:
            return float(r.choice([8388609, 16777215, 16777217.5, 12345678.5, 1.00000001, 1e12 + 0.5, 999999999999999, 2 ** 53 - 1]))
        value = r.uniform(0, 10) * 10.0 ** scale
        if r.random() < 0.4:
            value = round(value, max(0, 3 - scale))
        return -value if r.random() < 0.3 else value

    def shape(self):
        r = self.random
        if r.random() < 0.05:
            return None
        return r.choices([(1, r.randrange(1, 6)), (r.randrange(1, 5), 1), (r.randrange(2, 4), r.randrange(2, 4)), (1, r.randrange(12, 40))], [6, 3, 4, 1])[0]

    def numbers(self, make, given, source):
        """A scalar, a row, a column or a matrix."""
        r = self.random
        if r.random() < 0.4:
            value = make()
            return given(value), source(value)
        shape = self.shape()
        if shape is None:
            return [], "zeros(0,0)"
        rows = [[make() for _ in range(shape[1])] for _ in range(shape[0])]
        text = "[%s]" % "; ".join(", ".join(source(value) for value in row) for row in rows)
        if shape[0] == 1 and r.random() < 0.8:
            return [given(value) for value in rows[0]], text
        return [[given(value) for value in row] for row in rows], text

    def value(self):
        r = self.random
        kind = r.random()
        if kind < 0.62:
            scale = r.randrange(-6, 9)
            pure = r.random()
            if pure < 0.25:
                size = r.randrange(1, 17)
                return self.numbers(lambda: float(r.randrange(-10 ** size, 10 ** size) if r.random() < 0.95 else r.choice([float("nan"), float("inf")])), lambda v: {"f64": real_payload(v)}, double)
            if pure < 0.7:
                return self.numbers(lambda: r.choice([1, 1, -1]) * r.uniform(0.1, 10) * 10.0 ** r.choice([scale, scale, scale - 1]), lambda v: {"f64": real_payload(v)}, double)
            return self.numbers(lambda: self.number(scale), lambda v: {"f64": real_payload(v)}, double)
        if kind < 0.7:
            scale = r.randrange(-4, 7)
            fit = lambda v: struct.unpack("<f", struct.pack("<f", v))[0] if abs(v) < 3e38 or v != v or v in (float("inf"), -float("inf")) else 2.5
            return self.numbers(lambda: fit(self.number(scale)), lambda v: {"f32": real_payload(v)}, single)
        if kind < 0.8:
            name = r.choice(["i8", "i16", "u8", "u16", "u32", "u64"])
            bits = int(name[1:])
            return self.numbers(lambda: self.values.whole(bits, name[0] == "i"), lambda v: {name: str(v)}, lambda v: "%sint%d(%d)" % ("" if name[0] == "i" else "u", bits, v))
        if kind < 0.86:
            return self.numbers(lambda: self.values.whole(r.choice([8, 16, 32]), True), lambda v: {"i32": str(v)}, lambda v: double(float(v)))
        if kind < 0.9:
            return self.numbers(lambda: r.random() < 0.5, lambda v: v, lambda v: "true" if v else "false")
        if kind < 0.92:
            return None, "zeros(0,0)"
        text = self.values.text()
        return text, literal(text)

    def setting(self):
        r = self.random
        if r.random() < 0.08:
            return "output_precision(%d)" % r.randrange(1, 17)
        if r.random() < 0.12:
            return "fixed_point_format(%s)" % r.choice(["true", "1", "false"])
        if r.random() < 0.06:
            return r.choice(["format compact", "format loose", "format"])
        if r.random() < 0.1:
            return 'format("%s")' % r.choice(["long", "short", "bank"])
        return "format " + r.choice(modes)

    def written(self):
        """A literal, as it stands in source."""
        r = self.random
        return r.choice(["2.5", "100", "[1 2 3]", "[1, 2.5; 3, 4]", "[1;2]", "-0.5", "1e10", "pi", "'ink'", '"K-07"', "true", "[1 -2]", "[]", "NaN", "Inf", "-Inf", "e", "[1.5, NaN]", "int8(5)", "single(0.1)", "int16([1 200])",
                         "logical([1 0])", "double(7)", "[pi; 10]", "uint8(300)", "int8(2.5)", "int32(-7)", "1e3", ".5", "5.", "eps", "NA", "[ 1 , 2 ]", "[-1 +2]"])

    def shown(self, name, text):
        r = self.random
        form = r.random()
        what = name if r.random() < 0.85 else self.written()
        if form > 0.9 and text:
            form = 0
        if form < 0.5:
            return what
        if form < 0.8:
            return "disp(%s)" % what
        if form < 0.85:
            return "display(%s)" % name
        if form < 0.9:
            return "%s = %s" % (r.choice(["y", "cost"]), what)
        return r.choice(["%s(%s)" % (r.choice(["int8", "single", "double", "uint16", "int32", "logical"]), name), "%s;" % what, "disp (%s)" % what, "disp(nosuch)" if r.random() < 0.3 else "disp(%s)" % what])

    def case(self):
        r = self.random
        given, source = self.value()
        name = r.choice(["x", "mass", "lot_1"])
        statements = []
        if r.random() < 0.75:
            statements.append(self.setting())
        if r.random() < 0.15:
            statements.append(self.setting())
        statements.append(self.shown(name, isinstance(given, str)))
        if r.random() < 0.1:
            statements += [self.setting(), self.shown(name, isinstance(given, str))]
        ends = ["; ", ", ", "\n", ";\n", " ;"]
        template = statements[0]
        for after in statements[1:]:
            template += r.choice(ends) + after
        if r.random() < 0.02:
            template = r.choice(["disp(x", "format nosuch", "[1 2; 3]", "disp()", "'ink", "y", "output_precision(17)", "x = ", "1 2", "disp(x) disp(x)", "% nothing", "x % a comment", "x # too"])
            name = "x"
        used = name in template
        return {"template": template, "values": [{"named": [name, given]}] if r.random() < 0.5 or not used or "nosuch" in template else [given]}, \
            "clear -x line fresh failed; fresh(); %s = %s;\ntry text = evalc(%s); line(text); catch problem, failed(problem); end" % (name, source, literal(template))


def special(line):
    return {"fails": {"when": "compile", "as": line}} if line == "parse error" else None


def cases(seed, wanted):
    third = wanted // 3
    maker = Maker(seed)
    sessions = octave_calls.Sessions(seed)
    made = [maker.case() for _ in range(wanted - third)] + [sessions.case() for _ in range(third)]
    with tempfile.TemporaryDirectory() as folder:
        source = pathlib.Path(folder) / "record.m"
        source.write_text(head + "".join(call + "\n" for _, call in made), encoding="utf-8")
        ran = subprocess.run(["octave-cli", "--norc", "--quiet", "--no-gui", source], capture_output=True, env={**os.environ, "LC_ALL": "C.UTF-8", "COLUMNS": "80"})
    return answered(made, ran.stdout.decode().splitlines(), wanted, special)


def main():
    needs("octave-cli --version")
    version = subprocess.run(["octave-cli", "--version"], check=True, capture_output=True, text=True).stdout.split()[3]
    header = {"dialect": "octave-display", "runtime": "GNU Octave " + version, "recorder": "tools/record/octave_display.py"}
    write_cases(root / "tests/vectors/octave-display.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
