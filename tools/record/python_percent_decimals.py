#!/usr/bin/env python3
"""Records what the % operator of Python prints of decimal.Decimal.

    tools/record/python_percent_decimals.py [SEED]           writes tests/vectors/python-percent-decimals.jsonl
    tools/record/python_percent_decimals.py --live SEED      fewer cases, to standard output
"""

import decimal
import pathlib
import platform
import sys

import python_percent
from recording import needs, write_cases

count = 5000
live_count = 2000


class Maker(python_percent.Maker):
    """The same templates, with decimals for most values."""

    def value(self, letter):
        return super().value(letter) if self.random.random() < 0.1 else self.special()

    def special(self):
        """A value of the type that is asked for, as the contract and as Python have it."""
        r = self.random
        text = self.values.decimal() if r.random() < 0.95 else r.choice(["nan", "inf", "-inf"])
        return {"decimal": text}, decimal.Decimal(text)


def cases(seed, wanted):
    return python_percent.asked(Maker(seed), wanted)


def main():
    needs("python3 --version")
    import warnings
    warnings.simplefilter("ignore")
    header = {"dialect": "python-percent", "runtime": "CPython " + platform.python_version(),
              "recorder": "tools/record/python_percent_decimals.py"}
    root = pathlib.Path(__file__).resolve().parents[2]
    write_cases(root / "tests/vectors/python-percent-decimals.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
