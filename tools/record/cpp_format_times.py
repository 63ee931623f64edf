#!/usr/bin/env python3
"""Records what std::format of C++20 prints of dates of its calendar and of durations.

    tools/record/cpp_format_times.py [SEED]           writes tests/vectors/cpp-format-times.jsonl
    tools/record/cpp_format_times.py --live SEED      fewer cases, to standard output
"""

import pathlib
import re
import subprocess
import sys

import cpp_format
from recording import Times, needs, write_cases

count = 5000
live_count = 1000
of_dates = "aAbBCdDeFgGhjmuUVwWxyYnt%"
of_durations = "HIjMnpqQrRStTX%"
units = [(10**9, "seconds"), (10**6, "milliseconds"), (10**3, "microseconds"), (1, "nanoseconds")]


class Maker(cpp_format.Maker):
    """Format strings with dates and durations for most values."""

    def __init__(self, seed):
        super().__init__(seed)
        self.times = Times(self.random)

    def when(self):
        r = self.random
        if r.random() < 0.5:
            year, month, day = self.times.date()
            return {"date": "%04d-%02d-%02d" % (year, month, day)}, (
                "std::chrono::year_month_day", "std::chrono::year_month_day{std::chrono::year{%d}, std::chrono::month{%d}, std::chrono::day{%d}}" % (year, month, day))
        nanos = self.times.nanoseconds(r.choice([0, 0, 3, 6, 9]))
        size, name = next(unit for unit in units if nanos % unit[0] == 0)
        return {"duration": self.times.duration(nanos)}, ("std::chrono::" + name, "std::chrono::%s{%dLL}" % (name, nanos // size))

    def codes(self, is_date):
        r = self.random
        out = ""
        for _ in range(r.randrange(1, 5)):
            letters = of_dates if is_date else of_durations
            letter = r.choice(letters) if r.random() < 0.985 else r.choice("cHzZQYdTfLk-")
            modifier = ""
            if r.random() < 0.12:
                fitting = [m + letter for m in "EO" if letter in {"E": "CxyY" if is_date else "X", "O": "demuUVwWy" if is_date else "HIMS"}[m]]
                modifier = r.choice(fitting or ["E" + letter])[0] if fitting or r.random() < 0.05 else ""
            out += (r.choice(["", "/", "-", " ", ".", ":", "Ω", "x"]) if out else "") + "%" + modifier + letter
        return out

    def case(self):
        r = self.random
        values = []
        template = ""
        for _ in range(r.choice([1, 1, 2, 3])):
            value = self.when() if r.random() < 0.98 else self.leaf()
            values.append(value)
            is_date = "date" in value[0] if isinstance(value[0], dict) else r.random() < 0.5
            spec = ""
            if r.random() < 0.4:
                spec += r.choice(["", "", "*", "x"]) + r.choice("<>^")
            if r.random() < 0.4:
                spec += str(r.randrange(1, 30))
            if r.random() < 0.02:
                spec += r.choice([".3", "L", "L"])
            if r.random() < 0.8:
                spec += self.codes(is_date)
            template += r.choice(["", "|", "Ω ", "ink: ", "{{"]) + "{%s}" % (":" + spec if spec else "")
        return {"template": template, "values": [v[0] for v in values]}, [v[1] for v in values]


def cases(seed, wanted):
    maker = Maker(seed)
    return cpp_format.asked([maker.case() for _ in range(wanted)], "<chrono>")


def main():
    needs("clang++-16 -std=c++20 -stdlib=libc++ -fexperimental-library -fsyntax-only -include format -x c++ /dev/null")
    version = subprocess.run([cpp_format.compiler[0], "--version"], capture_output=True, text=True, check=True).stdout
    version = re.search(r"clang version (\S+)", version).group(1)
    header = {"dialect": "cpp-format", "runtime": "clang %s with libc++ 16" % version, "recorder": "tools/record/cpp_format_times.py"}
    root = pathlib.Path(__file__).resolve().parents[2]
    write_cases(root / "tests/vectors/cpp-format-times.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
