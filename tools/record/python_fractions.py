#!/usr/bin/env python3
"""Records what str.format and f-strings of Python print of fractions.Fraction.

    tools/record/python_fractions.py [SEED]           writes tests/vectors/python-fractions.jsonl
    tools/record/python_fractions.py --live SEED      fewer cases, to standard output
"""

import fractions
import pathlib
import platform
import sys

import python
import python_decimals
from recording import needs, write_cases

count = 5000
live_count = 1000


def fraction(random):
    """A fraction, as the contract and as Python have it."""
    value = fractions.Fraction(random.randrange(-10 ** random.randrange(1, 20), 10 ** random.randrange(1, 20)),
                               random.choice([1, 1, 2, 3, 4, 7, 8, 10, 100, 360, 10 ** 15]))
    return {"fraction": [str(value.numerator), str(value.denominator)]}, value


class Maker(python_decimals.Maker):
    """The same templates, with fractions for most values. Only a field without a format shows one."""

    def special(self):
        return fraction(self.random)

    def letter(self):
        return "" if self.random.random() < 0.9 else super().letter()

    def spec(self, letter, nest):
        return "" if self.random.random() < 0.5 else super().spec(letter, nest)

    def path(self, value):
        r = self.random
        return r.choice(["[0]", ".real", ".imag", ".mass", ".numerator", ".denominator"]) if r.random() < 0.1 else ""


def cases(seed, wanted):
    return python.asked(Maker(seed), wanted)


def main():
    needs("python3 --version")
    import warnings
    warnings.simplefilter("ignore")
    header = {"dialect": "python", "runtime": "CPython " + platform.python_version(), "recorder": "tools/record/python_fractions.py"}
    root = pathlib.Path(__file__).resolve().parents[2]
    write_cases(root / "tests/vectors/python-fractions.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
