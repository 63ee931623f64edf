#!/usr/bin/env python3
"""Records what String.Format of .NET prints of its types of times, in the invariant culture.

    tools/record/csharp_times.py [SEED]           writes tests/vectors/csharp-times.jsonl
    tools/record/csharp_times.py --live SEED      fewer cases, to standard output
"""

import subprocess
import sys

import csharp
from recording import Times, needs, write_cases

count = 6000
live_count = 2500


class When:
    """Values as the contract and as .NET have them."""

    def __init__(self, random):
        self.random = random
        self.times = Times(random)

    def value(self):
        r = self.random
        kind = r.choice(["moment", "moment", "offset", "date", "time", "duration", "duration"])
        if kind == "duration":
            nanos = self.times.nanoseconds(7)
            return {"duration": self.times.duration(nanos)}, "new TimeSpan(%dL)" % (abs(nanos) // 100 * (-1 if nanos < 0 else 1))
        year, month, day = self.times.date()
        hour, minute, second, nano = self.times.clock(7)
        nano -= nano % 100
        date, clock = "%04d-%02d-%02d" % (year, month, day), "%02d:%02d:%02d.%07d" % (hour, minute, second, nano // 100)
        ticks = ((hour * 60 + minute) * 60 + second) * 10 ** 7 + nano // 100
        if kind == "date":
            return {"date": date}, "new DateOnly(%d, %d, %d)" % (year, month, day)
        if kind == "time":
            return {"time": clock}, "new TimeOnly(%dL)" % ticks
        source = "new DateTime(%d, %d, %d).AddTicks(%dL)" % (year, month, day, ticks)
        if kind == "moment":
            return {"moment": date + "T" + clock}, source
        # The moment in UTC is one of the years 1 to 9999 too.
        offset = self.times.offset() if 1 < year < 9999 else 0
        return ({"moment": date + "T" + clock + self.times.offset_text(offset)},
                "new DateTimeOffset(%s, TimeSpan.FromMinutes(%d))" % (source, offset))

    def format(self, value):
        r = self.random
        if "duration" in value[0]:
            if r.random() < 0.4:
                return r.choice("cctTgGgGdhx")
            pieces = ["d", "dd", "ddd", "h", "hh", "m", "mm", "s", "ss", "f", "ff", "fff", "fffffff", "F", "FFF", "\\\\:", "\\\\.", "'x'", "'d '", "%h", "%d", "\\\\-", "hhh", "-"]
            weights = [4] * (len(pieces) - 2) + [0.3, 0.3]
            return "".join(r.choices(pieces, weights)[0] for _ in range(r.randrange(2, 7)))
        if r.random() < 0.4:
            return r.choice("dDfFgGmMoOrRstTuUyYKq")
        date = ["d", "dd", "ddd", "dddd", "M", "MM", "MMM", "MMMM", "y", "yy", "yyyy", "g", "/"]
        clock = ["h", "hh", "H", "HH", "m", "mm", "s", "ss", "f", "fff", "fffffff", "F", "FFF", ".FFFFFFF", "t", "tt", ":"]
        zone = ["K", "z", "zz", "zzz"]
        pieces = date if "date" in value[0] and r.random() < 0.9 else clock if "time" in value[0] and r.random() < 0.9 else date + clock + zone
        pieces = pieces * 3 + ["-", " ", "'at'", "\\\\h", "%d", "%H", "T", "ffffffff", "\u00e9"]
        return "".join(r.choice(pieces) for _ in range(r.randrange(2, 8)))


class Maker(csharp.Maker):
    """The same templates, with times for values."""

    def __init__(self, seed):
        super().__init__(seed)
        self.when = When(self.random)

    def case(self):
        r = self.random
        if r.random() < 0.06:
            value = self.when.value()
            return {"values": [value[0]]}, value[1], [value[1]]
        template, values = "", []
        for _ in range(r.choice([1, 1, 2])):
            value = self.when.value()
            template += r.choice(["", "|", "\u03a9 "]) + "{%d" % len(values)
            if r.random() < 0.2:
                template += ",%d" % r.randrange(-30, 31)
            if r.random() < 0.9:
                template += ":" + self.when.format(value)
            template += "}"
            values.append(value)
        return {"template": template, "values": [v[0] for v in values]}, None, [v[1] for v in values]


def cases(seed, wanted):
    return csharp.asked(csharp.templates(Maker(seed), wanted))


def main():
    needs("dotnet --version")
    version = subprocess.run(["dotnet", "--version"], check=True, capture_output=True, text=True).stdout.strip()
    header = {"dialect": "csharp", "runtime": ".NET SDK " + version, "recorder": "tools/record/csharp_times.py"}
    write_cases(csharp.root / "tests/vectors/csharp-times.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
