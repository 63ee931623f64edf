#!/usr/bin/env python3
"""Records what sprintf of F# prints, and what its compiler refuses.

    tools/record/fsharp.py [SEED]           writes tests/vectors/fsharp.jsonl
    tools/record/fsharp.py --live SEED      fewer cases, to standard output

The compiler first checks all cases at once and tells the lines it refuses; the others are run.
"""

import glob
import json
import os
import pathlib
import re
import shutil
import struct
import subprocess
import sys
import tempfile

import fsharp_calls
from recording import Values, answered, needs, real_payload, write_cases

count = 9000
live_count = 3000
root = pathlib.Path(__file__).resolve().parents[2]
dotnet = pathlib.Path(os.path.realpath(shutil.which("dotnet") or "dotnet")).parent

head = """module Record
open System
let out = new System.IO.StreamWriter(System.Console.OpenStandardOutput())
let show (text: string) = out.WriteLine("=" + System.Convert.ToHexString(System.Text.Encoding.UTF8.GetBytes text).ToLowerInvariant())
let ask (case: unit -> string) = try show (case ()) with problem -> out.WriteLine(problem.GetType().Name)
let single (bits: int) = System.BitConverter.Int32BitsToSingle bits
let real (bits: int64) = System.BitConverter.Int64BitsToDouble bits
"""


def literal(text):
    return '"' + "".join(c if 32 <= ord(c) < 127 and c not in '"\\%' else "\\U%08x" % ord(c) for c in text) + '"'


class Maker:
    """Templates with their values, each as the contract and as F# have it."""

    def __init__(self, seed):
        self.values = Values(seed)
        self.random = self.values.random

    def whole(self):
        r = self.random
        name, suffix, bits, signed = r.choice([("i8", "y", 8, True), ("i16", "s", 16, True), ("i32", "", 32, True), ("i32", "", 32, True), ("i64", "L", 64, True),
                                               ("u8", "uy", 8, False), ("u16", "us", 16, False), ("u32", "u", 32, False), ("u64", "UL", 64, False)])
        value = self.values.whole(bits, signed)
        return {name: str(value)}, "(%d%s)" % (value, suffix)

    def real(self):
        value = self.values.real()
        if self.random.random() < 0.15:
            value = struct.unpack("<f", struct.pack("<f", self.random.choice([0.1, 2.5, 1e10, -3.75, 1 / 3, 16777216.0, 1e9, 1e-5])))[0]
            bits = struct.unpack("<i", struct.pack("<f", value))[0]
            return {"f32": real_payload(value)}, "(single (%d))" % bits
        return {"f64": real_payload(value)}, "(real (%dL))" % struct.unpack("<q", struct.pack("<d", value))[0]

    def value(self, letter, depth=0):
        """A value that suits the letter, but for one in twenty."""
        r = self.random
        suited = {"s": "text", "c": "char", "b": "truth"}.get(letter, "whole" if letter in "diuxXoB" else "real" if letter in "fFeEgG" else None)
        kind = suited if suited and r.random() < 0.95 else r.choice("whole real text char truth nil big list some".split() if not depth else ["whole", "real"])
        if kind == "whole":
            return self.whole()
        if kind == "real":
            return self.real()
        if kind == "text":
            text = self.values.text()
            return text, literal(text)
        if kind == "char":
            character = self.values.character()
            if ord(character) > 0xFFFF:
                return {"char": character}, literal(character)
            return {"char": character}, "'\\u%04x'" % ord(character)
        if kind == "truth":
            return r.choice([(True, "true"), (False, "false")])
        if kind == "big":
            value = self.values.whole(100, True)
            return {"big": str(value)}, "(%dI)" % value
        if kind == "list":
            small = [r.randrange(-99, 999) for _ in range(r.randrange(0, 6))]
            texts = r.random() < 0.3
            items = [r.choice(["ink", "K-07", "墨", "50%"]) for _ in small] if texts else small
            return items, "[%s]" % "; ".join(literal(item) if texts else str(item) for item in items) + (": int list" if not items else "")
        if kind == "some":
            if r.random() < 0.3:
                small = [r.choice([({"some": n}, "Some (%d)" % n), (None, "None")]) for n in r.sample(range(-99, 999), 3)]
                return [item[0] for item in small] + [{"some": 1}], "[%s; Some 1]" % "; ".join(item[1] for item in small)
            held, source = ({"some": 7}, "(Some 7)") if r.random() < 0.2 else self.value(r.choice("sdfcb"), 3)
            return {"some": held}, "(Some %s)" % source
        # Without a type, null fits no letter but s and O.
        return (None, "null") if letter in "sOA" else (True, "true")

    def count(self, values, least):
        r = self.random
        if r.random() < 0.15:
            amount = r.randrange(least, 25)
            values.append((amount, "(%d)" % amount))
            return "*"
        return str(r.randrange(26))

    def field(self, values):
        r = self.random
        letter = r.choice("diuxXoBfFeEgGscbOAdfegs") if r.random() < 0.985 else r.choice("lyhnpZ%")
        numeric = letter in "diuxXoBfFeEgG"
        flags = [flag for flag in ("-+ 0" if numeric else "-") if r.random() < 0.22]
        if "+" in flags and " " in flags and r.random() < 0.9:
            flags.remove(" ")
        if r.random() < 0.01:
            flags.append(r.choice("-+ 0#"))
        source = "%" + "".join(flags)
        if r.random() < 0.005:
            source = "%1$" + source[1:]
        if r.random() < 0.5 and letter not in "A%":
            source += self.count(values, -3 if r.random() < 0.03 else 0)
        if letter in "fFeEgG" and r.random() < 0.5 or r.random() < 0.008:
            source += "." + (self.count(values, 0) if r.random() < 0.98 else "")
        if letter != "%":
            value = self.value(letter)
            # Where a precision cuts a list short is not supported yet.
            while letter == "A" and "." in source and isinstance(value[0], list):
                value = self.value(letter)
            values.append(value)
        return source + letter

    def case(self):
        r = self.random
        values = []
        if r.random() < 0.08:
            value = self.value("O" if r.random() < 0.3 else "f")
            while value[0] is None or isinstance(value[0], list):
                value = self.value("O")
            return {"values": [value[0]]}, "string %s" % value[1]
        template = ""
        for _ in range(r.choice([1, 1, 1, 2, 3])):
            template += r.choice(["", "|", "Ω ", "%%", "ink: ", "\\t", "\\x41", "\\u03a9", "\\065", "\\q", "\\'", "\\uD83D\\uDDA8", "\\U0001F5A8"])
            template += self.field(values)
        if r.random() < 0.03 and values:
            values.pop()
        if r.random() < 0.03:
            # Not null, which only some letters take.
            values.append(self.whole())
        if r.random() < 0.01:
            template += r.choice(["%", "%5", "%-", "%."])
        passed = "".join(" (%s)" % value[1] for value in values)
        return {"template": template, "values": [value[0] for value in values]}, 'sprintf "%s"%s' % (template, passed)


def compiler():
    """The compiler and what every compilation is given."""
    program = sorted(glob.glob(str(dotnet / "sdk/*/FSharp/fsc.dll")))[-1]
    references = sorted(glob.glob(str(dotnet / "packs/Microsoft.NETCore.App.Ref/*/ref/net*")))[-1]
    core = str(pathlib.Path(program).parent / "FSharp.Core.dll")
    options = ["--noframework", "--nologo", "--targetprofile:netcore", "--simpleresolution", "-r:" + core]
    return ["dotnet", program] + options + ["-r:" + path for path in glob.glob(references + "/*.dll")], core


def refused(source, folder):
    """The error that each refused line is refused by first."""
    command = compiler()[0] + ["--target:library", "--typecheckonly", "--maxerrors:100000", str(source)]
    ran = subprocess.run(command, cwd=folder, capture_output=True, text=True)
    errors = {}
    for line, column, error in re.findall(r"record\.fs\((\d+),(\d+)\): error (FS\d+)", ran.stdout + ran.stderr):
        errors.setdefault(int(line), error)
    return errors


def printed_by(source, folder):
    """What a whole program prints: compiled, which takes half the time of a script."""
    command, core = compiler()
    program = folder / "ask.dll"
    subprocess.run(command + ["--target:exe", "--optimize-", "--debug-", "--nowarn:1252,3376,25,988", "-o:%s" % program, source],
                   check=True, capture_output=True, cwd=folder)
    shutil.copy(core, folder)
    runtime = sorted(glob.glob(str(dotnet / "shared/Microsoft.NETCore.App/*")))[-1]
    program.with_suffix(".runtimeconfig.json").write_text(json.dumps(
        {"runtimeOptions": {"framework": {"name": "Microsoft.NETCore.App", "version": pathlib.Path(runtime).name}}}))
    quiet = {**os.environ, "DOTNET_NOLOGO": "1", "DOTNET_CLI_TELEMETRY_OPTOUT": "1"}
    return subprocess.run(["dotnet", program], check=True, capture_output=True, text=True, env=quiet).stdout


def cases(seed, wanted):
    maker = Maker(seed)
    third = wanted // 3
    return asked(fsharp_calls.made(seed, third) + [maker.case() for _ in range(wanted - third)])


def asked(made):
    wanted = len(made)
    with tempfile.TemporaryDirectory() as folder:
        source = pathlib.Path(folder) / "record.fs"
        # Each case is a line of its own; the first has the number after the head's.
        lines = ["let case%d () : string = %s" % (i, call) for i, (_, call) in enumerate(made)]
        first = head.count("\n") + 1
        errors = {}
        # What cannot be read hides what has a wrong type.
        while True:
            kept = ["" if first + i in errors else line for i, line in enumerate(lines)]
            source.write_text(head + "\n".join(kept) + "\n", encoding="utf-8")
            found = refused(source, folder)
            if not found:
                break
            errors.update(found)
        good = [i for i in range(wanted) if first + i not in errors]
        source.write_text(head + "\n".join(lines[i] for i in good) + "\n"
                          + "\n".join("ask case%d" % i for i in good) + "\nout.Flush()\n", encoding="utf-8")
        printed = iter(printed_by(source, pathlib.Path(folder)).splitlines())
        told = ["!" + errors[first + i] if first + i in errors else next(printed) for i in range(wanted)]
    answers = answered(made, told, wanted, lambda line: {"fails": {"when": "compile", "as": line[1:]}} if line[0] == "!" else None)
    return [case for case in answers if is_asked(case)]


def is_asked(case):
    """The names of two errors are not told apart yet: of a method's result of the wrong type, and of a point behind a literal."""
    return case.get("fails", {}).get("as") not in ("FS0193", "FS1156")


def main():
    needs("dotnet --version")
    version = subprocess.run(["dotnet", "--version"], check=True, capture_output=True, text=True).stdout.strip()
    header = {"dialect": "fsharp", "runtime": ".NET SDK " + version, "recorder": "tools/record/fsharp.py"}
    write_cases(root / "tests/vectors/fsharp.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
