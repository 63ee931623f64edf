#!/usr/bin/env python3
"""Records what FORMAT of Common Lisp prints of ratios.

    tools/record/lisp_fractions.py [SEED]           writes tests/vectors/lisp-fractions.jsonl
    tools/record/lisp_fractions.py --live SEED      fewer cases, to standard output
"""

import fractions
import subprocess
import sys

import lisp
from recording import needs, write_cases

count = 5000
live_count = 1000


class Maker(lisp.Maker):
    """The same control strings, with ratios for most numbers."""

    def ratio(self):
        r = self.random
        below = r.choice([1, 2, 3, 4, 5, 7, 8, 9, 10, 16, 100, 365, 1000, 10 ** 12, 10 ** 40 + 1])
        above = r.randrange(-10 ** r.randrange(1, 7), 10 ** r.randrange(1, 25))
        value = fractions.Fraction(above, below)
        return {"fraction": [str(value.numerator), str(value.denominator)]}, "%d/%d" % (value.numerator, value.denominator)

    def whole(self):
        return self.ratio() if self.random.random() < 0.8 else super().whole()

    def real(self):
        return self.ratio() if self.random.random() < 0.8 else super().real()


def cases(seed, wanted):
    return lisp.asked(Maker(seed), [], wanted)


def main():
    needs("sbcl --version")
    version = subprocess.run(["sbcl", "--version"], check=True, capture_output=True, text=True).stdout.split()[1]
    header = {"dialect": "lisp", "runtime": "SBCL " + version, "recorder": "tools/record/lisp_fractions.py"}
    write_cases(lisp.root / "tests/vectors/lisp-fractions.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
