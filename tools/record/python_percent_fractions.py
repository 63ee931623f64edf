#!/usr/bin/env python3
"""Records what the % operator of Python prints of fractions.Fraction.

    tools/record/python_percent_fractions.py [SEED]           writes tests/vectors/python-percent-fractions.jsonl
    tools/record/python_percent_fractions.py --live SEED      fewer cases, to standard output
"""

import pathlib
import platform
import sys

import python_fractions
import python_percent
import python_percent_decimals
from recording import needs, write_cases

count = 5000
live_count = 1000


class Maker(python_percent_decimals.Maker):
    """The same templates, with fractions for most values."""

    def special(self):
        return python_fractions.fraction(self.random)


def cases(seed, wanted):
    return python_percent.asked(Maker(seed), wanted)


def main():
    needs("python3 --version")
    import warnings
    warnings.simplefilter("ignore")
    header = {"dialect": "python-percent", "runtime": "CPython " + platform.python_version(),
              "recorder": "tools/record/python_percent_fractions.py"}
    root = pathlib.Path(__file__).resolve().parents[2]
    write_cases(root / "tests/vectors/python-percent-fractions.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
