#!/usr/bin/env python3
"""Records what str.format and f-strings of Python print of decimal.Decimal.

    tools/record/python_decimals.py [SEED]           writes tests/vectors/python-decimals.jsonl
    tools/record/python_decimals.py --live SEED      fewer cases, to standard output
"""

import decimal
import pathlib
import platform
import sys

import python
from recording import needs, write_cases

count = 6000
live_count = 2000


class Maker(python.Maker):
    """The same templates, with decimals for most values."""

    def special(self):
        """A value of the type that is asked for, as the contract and as Python have it."""
        r = self.random
        text = self.values.decimal() if r.random() < 0.95 else r.choice(["nan", "inf", "-inf", "-nan"])
        return {"decimal": text}, decimal.Decimal(text)

    def value(self, depth=0):
        return self.special() if self.random.random() < 0.6 else super().value(depth)

    def suited(self, letter):
        return self.special() if self.random.random() < 0.95 else super().suited(letter)

    def letter(self):
        r = self.random
        return r.choice(["", "", *"eEfFfgGnN%"]) if r.random() < 0.97 else r.choice("dsbxé")

    def path(self, value):
        r = self.random
        return r.choice(["[0]", ".real", ".imag", ".mass", ".numerator"]) if r.random() < 0.03 else ""

    def case(self):
        r = self.random
        if r.random() < 0.05:
            value = self.special()
            return {"values": [value[0]]}, ([value[1]], {})
        return self.f_string() if r.random() < 0.4 else self.format()


def cases(seed, wanted):
    return python.asked(Maker(seed), wanted)


def main():
    needs("python3 --version")
    import warnings
    warnings.simplefilter("ignore")
    header = {"dialect": "python", "runtime": "CPython " + platform.python_version(), "recorder": "tools/record/python_decimals.py"}
    root = pathlib.Path(__file__).resolve().parents[2]
    write_cases(root / "tests/vectors/python-decimals.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
