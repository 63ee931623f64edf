#!/usr/bin/env python3
"""Records what java.text.DecimalFormat prints of BigDecimal, under every rounding mode.

    tools/record/java_pattern_decimals.py [SEED]           writes tests/vectors/java-pattern-decimals.jsonl
    tools/record/java_pattern_decimals.py --live SEED      fewer cases, to standard output
"""

import subprocess
import sys

import java_pattern
from recording import needs, write_cases

count = 5500
live_count = 1500


class Maker(java_pattern.Maker):
    """The same patterns, with decimals for values."""

    def value(self):
        text = self.leaves.values.decimal()
        return {"decimal": text}, 'new BigDecimal("%s")' % text


def cases(seed, wanted):
    maker = Maker(seed)
    return java_pattern.asked([maker.case() for _ in range(wanted)])


def main():
    needs("javac --version")
    version = subprocess.run(["java", "--version"], check=True, capture_output=True, text=True).stdout.split()
    header = {"dialect": "java-pattern", "runtime": "OpenJDK " + version[1], "recorder": "tools/record/java_pattern_decimals.py"}
    write_cases(java_pattern.root / "tests/vectors/java-pattern-decimals.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
