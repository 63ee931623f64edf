#!/usr/bin/env python3
"""Records what str.format and f-strings of Python print of datetime's classes.

    tools/record/python_times.py [SEED]           writes tests/vectors/python-times.jsonl
    tools/record/python_times.py --live SEED      fewer cases, to standard output
"""

import datetime
import os
import pathlib
import platform
import sys
import time

import python
from recording import Times, needs, write_cases

count = 6000
live_count = 2500


class Maker(python.Maker):
    """The same templates, with dates, times and durations for most values."""

    def __init__(self, seed):
        super().__init__(seed)
        self.times = Times(self.random)

    def when(self):
        r = self.random
        kind = r.choice(["moment", "moment", "offset", "date", "time", "duration"])
        if kind == "duration":
            nanos = self.times.nanoseconds(6)
            return {"duration": self.times.duration(nanos)}, datetime.timedelta(microseconds=nanos // 1000)
        day = datetime.date(*self.times.date())
        hour, minute, second, nano = self.times.clock(6)
        clock = datetime.time(hour, minute, second, nano // 1000)
        if kind == "date":
            return {"date": day.isoformat()}, day
        if kind == "time":
            return {"time": clock.isoformat()}, clock
        value = datetime.datetime.combine(day, clock)
        if kind == "moment":
            return {"moment": value.isoformat()}, value
        offset = self.times.offset()
        zone = datetime.timezone.utc if offset == 0 else datetime.timezone(datetime.timedelta(minutes=offset))
        return {"moment": value.isoformat() + self.times.offset_text(offset)}, value.replace(tzinfo=zone)

    def value(self, depth=0):
        return self.when() if self.random.random() < 0.7 else super().value(depth)

    def suited(self, letter):
        return self.when() if self.random.random() < 0.97 else super().suited(letter)

    def letter(self):
        return self.random.choice(["moment", "moment", "moment", ""])

    def field_value(self, letter):
        return self.when()

    def spec(self, letter, nest):
        r = self.random
        if letter != "moment" and r.random() < 0.9:
            return ""
        codes = "aAbBcCdDeFgGHIjklmMnpPrRsStTuUVwWxXyYfzZ%"
        out = ""
        for _ in range(r.randrange(1, 5)):
            flags = r.choice(["", "", "", "", "-", "_", "0", "^", "#", "-^", "5", "012", "_8", "E", "O"])
            code = r.choice(codes) if r.random() < 0.98 else r.choice("QLJ:")
            # %s and zones with flags ask the machine.
            if flags and code in "zZsfn t%" or flags in ("E", "O") and code in "cCxXyYdeHImMSuUVwW" and r.random() < 0.5:
                flags = ""
            out += r.choice(["", "/", "-", " ", ":", "Ω"]) + "%" + flags + code
        return out

    def path(self, value):
        r = self.random
        if r.random() > 0.06:
            return ""
        return "." + r.choice(["year", "month", "day", "hour", "minute", "second", "microsecond", "days", "seconds", "microseconds"])

    def case(self):
        r = self.random
        if r.random() < 0.05:
            value = self.when()
            return {"values": [value[0]]}, ([value[1]], {})
        return self.f_string() if r.random() < 0.4 else self.format()


def cases(seed, wanted):
    return python.asked(Maker(seed), wanted)


def main():
    needs("python3 --version")
    import warnings
    warnings.simplefilter("ignore")
    os.environ["TZ"] = "UTC"
    time.tzset()
    header = {"dialect": "python", "runtime": "CPython " + platform.python_version(), "recorder": "tools/record/python_times.py"}
    root = pathlib.Path(__file__).resolve().parents[2]
    write_cases(root / "tests/vectors/python-times.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
