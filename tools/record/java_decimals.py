#!/usr/bin/env python3
"""Records what java.util.Formatter prints of BigDecimal.

    tools/record/java_decimals.py [SEED]           writes tests/vectors/java-decimals.jsonl
    tools/record/java_decimals.py --live SEED      fewer cases, to standard output
"""

import subprocess
import sys

import java
from recording import needs, write_cases

count = 6000
live_count = 2000


class Maker(java.Maker):
    """The same templates, with decimals for most values."""

    def real(self):
        text = self.values.decimal()
        return {"decimal": text}, 'new BigDecimal("%s")' % text

    def value(self, letter):
        r = self.random
        if letter in "eEfFgGsSbBhH" and r.random() < 0.95 or r.random() < 0.1:
            return self.real()
        return super().value(letter)

    def field(self, values):
        # Mostly the letters that take one.
        r = self.random
        while True:
            kept = len(values)
            out = super().field(values)
            if out[-1] in "eEfgGsShbB" or r.random() < 0.15:
                return out
            del values[kept:]


def cases(seed, wanted):
    maker = Maker(seed)
    return java.asked([maker.case() for _ in range(wanted)])


def main():
    needs("javac --version")
    version = subprocess.run(["java", "--version"], check=True, capture_output=True, text=True).stdout.split()
    header = {"dialect": "java", "runtime": "OpenJDK " + version[1], "recorder": "tools/record/java_decimals.py"}
    write_cases(java.root / "tests/vectors/java-decimals.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
