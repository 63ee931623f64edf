#!/usr/bin/env python3
"""Records what the % operator of Python prints of fractions.Fraction.

    tools/record/python_percent_fractions.py [SEED]           writes tests/vectors/python-percent-fractions.jsonl
    tools/record/python_percent_fractions.py --live SEED      fewer cases, to standard output
"""

import fractions
import pathlib
import platform
import sys

import python_percent
from recording import needs, write_cases

count = 5000
live_count = 1000


class Maker(python_percent.Maker):
    """The same templates, with fractions for most values."""

    def value(self, letter):
        r = self.random
        if r.random() < 0.1:
            return super().value(letter)
        value = fractions.Fraction(r.randrange(-10 ** r.randrange(1, 20), 10 ** r.randrange(1, 20)),
                                   r.choice([1, 1, 2, 3, 4, 7, 8, 10, 100, 360, 10 ** 15]))
        return {"fraction": [str(value.numerator), str(value.denominator)]}, value


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
