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
from recording import needs, write_cases

count = 5000
live_count = 1000


class Maker(python.Maker):
    """The same templates, with fractions for most values."""

    def fraction(self):
        r = self.random
        value = fractions.Fraction(r.randrange(-10 ** r.randrange(1, 20), 10 ** r.randrange(1, 20)),
                                   r.choice([1, 1, 2, 3, 4, 7, 8, 10, 100, 360, 10 ** 15]))
        return {"fraction": [str(value.numerator), str(value.denominator)]}, value

    def value(self, depth=0):
        return self.fraction() if self.random.random() < 0.6 else super().value(depth)

    def suited(self, letter):
        return self.fraction() if self.random.random() < 0.95 else super().suited(letter)

    def letter(self):
        r = self.random
        return r.choice(["", "", *"eEfFfgGnN%"]) if r.random() < 0.97 else r.choice("dsbxé")

    def path(self, value):
        r = self.random
        return r.choice(["[0]", ".real", ".imag", ".mass", ".numerator", ".denominator"]) if r.random() < 0.03 else ""

    def case(self):
        r = self.random
        if r.random() < 0.05:
            value = self.fraction()
            return {"values": [value[0]]}, ([value[1]], {})
        return self.f_string() if r.random() < 0.4 else self.format()


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
