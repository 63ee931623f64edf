#!/usr/bin/env python3
"""Records what String.Format of .NET prints of System.Decimal, in the invariant and in other cultures.

    tools/record/csharp_decimals.py [SEED]           writes tests/vectors/csharp-decimals.jsonl
    tools/record/csharp_decimals.py --live SEED      fewer cases, to standard output
"""

import subprocess
import sys

import csharp
from recording import needs, write_cases

count = 6000
live_count = 2000


def decimal_source(text):
    """As the compiler reads it; one that is too long is rounded by it."""
    return "(%sm)" % text


class Maker(csharp.Maker):
    """The same templates, with decimals for most numbers."""

    def whole(self):
        return self.real()

    def real(self):
        text = self.values.decimal(27 if self.random.random() < 0.9 else 29)
        while len(text.split("E")[0].replace(".", "").lstrip("-0")) > 28 and "." not in text:
            text = self.values.decimal(27)
        return {"decimal": text}, decimal_source(text)

    def moment(self):
        return self.real()

    def moment_format(self):
        return self.number_pattern()

    def field(self, values):
        out = super().field(values)
        # Letters of whole numbers are refused, which a few cases show.
        return out

    def case(self):
        request, plain, values = super().case()
        if "locale" not in request and "template" in request and self.random.random() < 0.1:
            request["locale"] = self.random.choice(csharp.cultures)
        return request, plain, values


def cases(seed, wanted):
    return csharp.asked(csharp.templates(Maker(seed), wanted))


def main():
    needs("dotnet --version")
    version = subprocess.run(["dotnet", "--version"], check=True, capture_output=True, text=True).stdout.strip()
    header = {"dialect": "csharp", "runtime": ".NET SDK " + version, "recorder": "tools/record/csharp_decimals.py"}
    write_cases(csharp.root / "tests/vectors/csharp-decimals.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
