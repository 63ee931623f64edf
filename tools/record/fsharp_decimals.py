#!/usr/bin/env python3
"""Records what sprintf of F# prints of System.Decimal.

    tools/record/fsharp_decimals.py [SEED]           writes tests/vectors/fsharp-decimals.jsonl
    tools/record/fsharp_decimals.py --live SEED      fewer cases, to standard output
"""

import subprocess
import sys

import fsharp
from recording import needs, write_cases

count = 5200
live_count = 1500


class Maker(fsharp.Maker):
    """The same templates, with decimals for most values."""

    def real(self):
        text = self.values.decimal(27)
        return {"decimal": text}, "(%sM)" % text

    def value(self, letter, depth=0):
        r = self.random
        if letter in "MfFeEgGOA" and r.random() < 0.97:
            if letter in "OA" and r.random() < 0.2 and not depth:
                held = self.real()
                return r.choice([({"some": held[0]}, "(Some %s)" % held[1]), ([held[0], held[0]], "[%s; %s]" % (held[1], held[1]))])
            return self.real()
        return self.real() if r.random() < 0.02 else super().value(letter, depth)

    def field(self, values):
        r = self.random
        letter = r.choice("MMffeEgGOAFd")
        flags = [flag for flag in ("-+ 0" if letter not in "OA" else "-") if r.random() < 0.22]
        if "+" in flags and " " in flags and r.random() < 0.9:
            flags.remove(" ")
        source = "%" + "".join(flags)
        if r.random() < 0.5 and letter != "A":
            source += self.count(values, 0)
        if letter in "fFeEgGM" and r.random() < 0.5:
            source += "." + self.count(values, 0)
        values.append(self.value(letter))
        return source + letter


def cases(seed, wanted):
    maker = Maker(seed)
    return fsharp.asked([maker.case() for _ in range(wanted)])


def main():
    needs("dotnet --version")
    version = subprocess.run(["dotnet", "--version"], check=True, capture_output=True, text=True).stdout.strip()
    header = {"dialect": "fsharp", "runtime": ".NET SDK " + version, "recorder": "tools/record/fsharp_decimals.py"}
    write_cases(fsharp.root / "tests/vectors/fsharp-decimals.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
