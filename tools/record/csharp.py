#!/usr/bin/env python3
"""Records what String.Format of .NET prints, and what the C# compiler refuses, of templates and of whole calls.

    tools/record/csharp.py [SEED]           writes tests/vectors/csharp.jsonl
    tools/record/csharp.py --live SEED      fewer cases, to standard output

The compiler first checks all cases at once and tells the lines it refuses; the others are run.
"""

import glob
import json
import math
import os
import pathlib
import re
import shutil
import struct
import subprocess
import sys
import tempfile

import csharp_calls
from recording import Values, answered, needs, real_payload, write_cases

count = 9000
live_count = 3000
root = pathlib.Path(__file__).resolve().parents[2]
dotnet = pathlib.Path(os.path.realpath(shutil.which("dotnet") or "dotnet")).parent
cultures = ["de-DE", "fr-FR", "de-CH", "en-US", "hi-IN", "fi-FI", "ja-JP", "nl-NL", "tr-TR", "de-AT", "fr-CH", "nb-NO"]

head = """using System; using System.Collections.Generic; using System.Globalization; using System.Linq; using System.Numerics; using System.Text;
static class Record {
static System.IO.StreamWriter sink = new System.IO.StreamWriter(Console.OpenStandardOutput());
static void line(string text) { sink.WriteLine("=" + Convert.ToHexString(new UTF8Encoding(false, true).GetBytes(text)).ToLowerInvariant()); }
static double real(long bits) { return BitConverter.Int64BitsToDouble(bits); }
static float single(int bits) { return BitConverter.Int32BitsToSingle(bits); }
static Half half(short bits) { return BitConverter.Int16BitsToHalf(bits); }
static void ask(string culture, string format, params object[] values) {
  try { line(string.Format(CultureInfo.GetCultureInfo(culture), format, values)); }
  catch (EncoderFallbackException) { sink.WriteLine("skip"); }
  catch (Exception problem) { sink.WriteLine(problem.GetType().Name); } }
static void plain(object value) { line(Convert.ToString(value, CultureInfo.InvariantCulture)); }
""" + csharp_calls.head


def literal(text):
    return '"' + "".join(c if 32 <= ord(c) < 127 and c not in '"\\' else "\\U%08x" % ord(c) for c in text) + '"'


class Maker:
    """Templates with their values, each as the contract and as C# have it."""

    def __init__(self, seed):
        self.values = Values(seed)
        self.random = self.values.random

    def whole(self):
        r = self.random
        name, form, bits, signed = r.choice([
            ("i8", "(sbyte)(%d)", 8, True), ("i16", "(short)(%d)", 16, True), ("i32", "(%d)", 32, True), ("i32", "(%d)", 32, True),
            ("i64", "(%dL)", 64, True), ("u8", "(byte)%d", 8, False), ("u16", "(ushort)%d", 16, False), ("u32", "%du", 32, False),
            ("u64", "%dul", 64, False), ("i128", 'Int128.Parse("%d")', 128, True), ("u128", 'UInt128.Parse("%d")', 128, False),
            ("big", 'BigInteger.Parse("%d")', 300, True)])
        value = self.values.whole(bits, signed)
        return {name: str(value)}, form % value

    def real(self):
        r = self.random
        value = self.values.real()
        if r.random() < 0.15:
            if math.isfinite(value) and abs(value) > 3e38:
                value = 0.1
            bits = struct.unpack("<i", struct.pack("<f", value))[0]
            value = struct.unpack("<f", struct.pack("<i", bits))[0]
            return {"f32": real_payload(value)}, "single(%d)" % bits
        if r.random() < 0.08:
            bits = r.randrange(0, 0x7C01) - (0x8000 if r.random() < 0.3 else 0)
            value = struct.unpack("<e", struct.pack("<h", bits))[0]
            return {"f16": real_payload(value)}, "half(%d)" % bits
        return {"f64": real_payload(value)}, "real(%dL)" % struct.unpack("<q", struct.pack("<d", value))[0]

    def moment(self):
        r = self.random
        year, month, day = r.choice([2031, 1999, 2000, 987, 9999, 1]), r.randrange(1, 13), r.randrange(1, 29)
        hour, minute, second = r.randrange(24), r.randrange(60), r.randrange(60)
        ticks = r.choice([0, 2500000, 1, 1230000, 9999999, 500, r.randrange(10 ** 7)])
        text = "%04d-%02d-%02dT%02d:%02d:%02d.%07d" % (year, month, day, hour, minute, second, ticks)
        return {"moment": text}, "new DateTime(%d, %d, %d, %d, %d, %d).AddTicks(%d)" % (year, month, day, hour, minute, second, ticks)

    def other(self, depth=0):
        r = self.random
        kind = r.choice("text text char truth nil complex list tuple record".split() if depth == 0 else ["text", "truth", "char"])
        if kind == "text":
            text = self.values.text()
            return text, literal(text)
        if kind == "char":
            character = r.choice([c for c in self.values.characters if ord(c) < 0x10000])
            return {"char": character}, "'\\u%04x'" % ord(character)
        if kind == "truth":
            return r.choice([(True, "true"), (False, "false")])
        if kind == "nil":
            return None, "null"
        if kind == "complex":
            real, imaginary = r.randrange(-999, 999) / 8, r.randrange(-999, 999) / 8
            return {"complex": "%r%s%ri" % (real, "+" if imaginary >= 0 else "", imaginary)}, "new Complex(%r, %r)" % (real, imaginary)
        parts = [self.part() for _ in range(r.randrange(2, 4))]
        if kind == "list":
            same = [({"i32": str(n)}, str(n)) for n in range(r.randrange(4))]
            parts = parts if r.random() < 0.3 else same
            types = {next(iter(p[0])) if isinstance(p[0], dict) else type(p[0]).__name__ for p in parts}
            item = {"i32": "int"}.get(next(iter(types))) if len(types) == 1 and parts is same else "object"
            if item == "object" and len(types) == 1 and parts:
                parts = parts[:1] + [({"i32": "1"}, "1"), ("x", '"x"')]
            return [p[0] for p in parts], "new List<%s>{%s}" % (item, ", ".join(p[1] for p in parts))
        if kind == "tuple":
            return {"tuple": [p[0] for p in parts]}, "(%s)" % ", ".join(p[1] for p in parts)
        names = r.sample(["batch", "mass", "lot", "yield_", "x"], len(parts))
        return ({"record": {name: p[0] for name, p in zip(names, parts)}},
                "new { %s }" % ", ".join("%s = %s" % (name, p[1]) for name, p in zip(names, parts)))

    def part(self):
        r = self.random
        return r.choice([self.whole, self.real, lambda: self.other(1)])()

    def number_pattern(self):
        r = self.random
        if r.random() < 0.5:
            return r.choice(["0.00", "#,##0.00", "0", "#", "0.###", "00000", "#.##", "0%", "0.0%", "#,#", "0.00E+00", "0.###e+0", "000-00-0000",
                             "0.00;(0.00);zero", "#;-#;'none'", "0,.0 k", "0,,.00M", "+0;-0;0", "\u20300", "0.0\u2030", "(###) ###-####", "#,##0.00;;-",
                             "'lot' 0", "0.0 \\\\x", "\\\\#0", "0.0000000000000000", "#,##0.################", "0E0", "##E-00", "e", "0.00 g", "0x0"])
        pieces = ["0", "0", "0", "#", "#", "#", ".", ",", "%", ";", "'a'", '\\"b\\"', "\\\\", "E+0", "e0", "E-00", " ", "-", "x", "\u2030", "\u00e9", "00", "##", "E", "'"]
        return "".join(r.choice(pieces) for _ in range(r.randrange(1, 9)))

    def moment_format(self):
        r = self.random
        if r.random() < 0.4:
            return r.choice("dDfFgGmMoOrRstTuUyYxqzk")
        pieces = ["d", "dd", "ddd", "dddd", "M", "MM", "MMM", "MMMM", "y", "yy", "yyy", "yyyy", "yyyyy", "h", "hh", "H", "HH", "m", "mm", "s", "ss",
                  "f", "ff", "fff", "ffffff", "F", "FFF", ".FFFFFFF", "t", "tt", "g", "K", "z", "zz", "zzz", ":", "/", "-", "T", " ", "'at'", '\\"x\\"',
                  "\\\\h", "%d", "\u00e9", "G", "ffffffff", "%", "'"]
        weights = [4] * (len(pieces) - 4) + [2, 0.3, 0.3, 0.3]
        return "".join(r.choices(pieces, weights)[0] for _ in range(r.randrange(2, 8)))

    def field(self, values):
        r = self.random
        make = r.choices([self.whole, self.real, self.moment, self.other], [5, 7, 2, 2])[0]
        value = make()
        index = len(values)
        values.append(value)
        format = None
        if r.random() < 0.85:
            if make == self.moment:
                format = self.moment_format()
            elif r.random() < 0.62:
                format = r.choice("DNFEGPCXBRdnfegxcpNFFFFNGGEE" if make == self.whole else "NFEGPCRnfegFFFFNNGGEE")
                if r.random() < 0.03:
                    format = r.choice("XDBRqzTs")
                if r.random() < 0.65:
                    format += str(r.choice([0, 1, 2, 2, 3, 4, 5, 8, 12, 17, 25]))
                if r.random() < 0.01:
                    format += r.choice(["1234567890", "00000000002", " ", "x"])
            else:
                format = self.number_pattern()
        out = "{" + (str(index) if r.random() < 0.99 else r.choice(["", " 0", "x", "-1", "7", "00"]))
        if r.random() < 0.35:
            out += r.choice([",", ",", ", ", " , "]) + r.choice(["", "-"]) + str(r.randrange(26)) + r.choice(["", "", "", " "])
        if format is not None:
            out += ":" + format
        return out + ("}" if r.random() < 0.995 else r.choice(["", "{", "}}"]))

    def case(self):
        r = self.random
        values = []
        if r.random() < 0.06:
            value = r.choice([self.whole, self.real, self.real, self.other, self.moment])()
            return {"values": [value[0]]}, value[1], [value[1]]
        template = ""
        for _ in range(r.choice([1, 1, 1, 2, 3])):
            template += r.choice(["", "", "|", "\u03a9 ", "{{", "}}", "ink: ", "\\t", "\\x41", "\\u03a9", "\\0", "\\'", "\\uD83D\\uDDA8", "\\U0001F5A8", "\\e"])
            template += self.field(values)
        if r.random() < 0.02:
            template += r.choice(["{", "}", "{0", "\\q", "{0,}", "{0:", "{x}", "\\x"])
        if r.random() < 0.02 and values:
            values.pop()
        request = {"template": template, "values": [value[0] for value in values]}
        if r.random() < 0.12 and not any("moment" in str(v[0]) for v in values):
            request["locale"] = r.choice(cultures)
        return request, None, [value[1] for value in values]


def compiled(folder, source, library=False):
    compiler = sorted(glob.glob(str(dotnet / "sdk/*/Roslyn/bincore/csc.dll")))[-1]
    references = sorted(glob.glob(str(dotnet / "packs/Microsoft.NETCore.App.Ref/*/ref/net*")))[-1]
    (folder / "record.cs").write_text(source, encoding="utf-8")
    command = ["dotnet", compiler, "-nologo", "-nostdlib", "-noconfig", "-nowarn:0162,0168,0219,0612,0618,0652,1718,8981", "-out:" + str(folder / "record.dll"),
               "-t:library" if library else "-t:exe", str(folder / "record.cs")]
    command += ["-r:" + path for path in glob.glob(references + "/*.dll")]
    return subprocess.run(command, cwd=folder, capture_output=True, text=True)


def built(folder, lines, library):
    return compiled(folder, head + "\n".join(lines) + "\n}\n", library)


def run(folder):
    """What the program that was compiled there prints."""
    quiet = {**os.environ, "DOTNET_NOLOGO": "1", "DOTNET_CLI_TELEMETRY_OPTOUT": "1", "TZ": "UTC"}
    runtime = sorted(glob.glob(str(dotnet / "shared/Microsoft.NETCore.App/*")))[-1]
    (folder / "record.runtimeconfig.json").write_text(json.dumps(
        {"runtimeOptions": {"framework": {"name": "Microsoft.NETCore.App", "version": pathlib.Path(runtime).name}}}))
    return subprocess.run(["dotnet", folder / "record.dll"], capture_output=True, text=True, env=quiet, check=True).stdout


def printed_by(source):
    """What a whole program prints."""
    with tempfile.TemporaryDirectory() as name:
        folder = pathlib.Path(name)
        told = compiled(folder, source).stdout
        if told:
            sys.exit(told)
        return run(folder)


def templates(maker, wanted):
    """Requests, each with the body of a method that asks."""
    out = []
    for request, plain, values in (maker.case() for _ in range(wanted)):
        passed = "".join(", (object)" + value for value in values)
        out.append((request, "plain(%s);" % plain if plain else
                    'ask("%s", "%s"%s);' % (request.get("locale", ""), request["template"], passed)))
    return out


def cases(seed, wanted):
    third = wanted // 3
    return asked(templates(Maker(seed), wanted - third) + csharp_calls.made(seed, third))


def asked(made):
    wanted = len(made)
    # A case a line, so that the compiler's errors tell which.
    lines = ["static void case%d() { %s }" % (i, body) for i, (_, body) in enumerate(made)]
    with tempfile.TemporaryDirectory() as name:
        folder = pathlib.Path(name)
        first = head.count("\n") + 1
        errors = {}
        # What cannot be read hides what is wrong with the rest.
        while True:
            known = len(errors)
            told = built(folder, ["" if i in errors else line for i, line in enumerate(lines)], True).stdout
            for line, error in re.findall(r"record\.cs\((\d+),\d+\): error (CS\d+)", told):
                errors.setdefault(int(line) - first, error)
            if len(errors) == known:
                break
        good = [i for i in range(wanted) if i not in errors]
        blocks = ["static void block%d() { %s }" % (at, " ".join("case%d();" % i for i in good[at:at + 200])) for at in range(0, len(good), 200)]
        main = ["static void Main() { CultureInfo.CurrentCulture = CultureInfo.InvariantCulture; %s sink.Flush(); }"
                % " ".join("block%d();" % at for at in range(0, len(good), 200))]
        ran = built(folder, [lines[i] for i in good] + blocks + main, False)
        if ran.returncode != 0:
            sys.exit("\n".join(line for line in ran.stdout.splitlines() if ": error " in line)[:2000])
        printed = iter(run(folder).splitlines())
        answers = ["!" + errors[i] if i in errors else next(printed) for i in range(wanted)]
    return answered([(request, None) for request, _ in made], answers, wanted,
                    lambda line: {"fails": {"when": "compile", "as": line[1:]}} if line[0] == "!" else None)


def main():
    needs("dotnet --version")
    version = subprocess.run(["dotnet", "--version"], check=True, capture_output=True, text=True).stdout.strip()
    header = {"dialect": "csharp", "runtime": ".NET SDK " + version, "recorder": "tools/record/csharp.py"}
    write_cases(root / "tests/vectors/csharp.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
