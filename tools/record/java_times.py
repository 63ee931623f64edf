#!/usr/bin/env python3
"""Records what java.util.Formatter prints of the classes of java.time.

    tools/record/java_times.py [SEED]           writes tests/vectors/java-times.jsonl
    tools/record/java_times.py --live SEED      fewer cases, to standard output
"""

import subprocess
import sys

import java
from recording import Times, needs, write_cases

count = 6000
live_count = 2000
locales = ["de-DE", "fr-FR", "en-US", "ja-JP", "pl-PL", "tr-TR", "hi-IN", "ar-EG", "es-ES", "sv-SE"]
letters = "HIklMSLNpzZsQBbhAaCYyjmdeRTrDFc"


class Maker(java.Maker):
    """Templates of %t, with moments, dates, times and durations."""

    def __init__(self, seed):
        super().__init__(seed)
        self.times = Times(self.random)

    def when(self):
        r = self.random
        kind = r.choice(["moment", "moment", "offset", "offset", "date", "time", "duration"])
        if kind == "duration":
            nanos = self.times.nanoseconds()
            return {"duration": self.times.duration(nanos)}, "Duration.ofSeconds(%dL, %dL)" % divmod(nanos, 10 ** 9)
        year, month, day = self.times.date()
        hour, minute, second, nano = self.times.clock(9)
        date = "%04d-%02d-%02d" % (year, month, day)
        clock = "%02d:%02d:%02d.%09d" % (hour, minute, second, nano)
        of_date, of_time = "LocalDate.of(%d, %d, %d)" % (year, month, day), "LocalTime.of(%d, %d, %d, %d)" % (hour, minute, second, nano)
        if kind == "date":
            return {"date": date}, of_date
        if kind == "time":
            return {"time": clock}, of_time
        if kind == "moment":
            return {"moment": date + "T" + clock}, "LocalDateTime.of(%s, %s)" % (of_date, of_time)
        offset = self.times.offset()
        return ({"moment": date + "T" + clock + self.times.offset_text(offset)},
                "OffsetDateTime.of(%s, %s, ZoneOffset.ofTotalSeconds(%d))" % (of_date, of_time, offset * 60))

    def long(self):
        value = self.random.choice([0, -1, 1936094707250, self.random.randrange(-10 ** 12, 10 ** 13)])
        return {"i64": str(value)}, "%dL" % value

    def field(self, values):
        r = self.random
        kind = r.random()
        if kind < 0.1:
            values.append(self.when())
            return "%" + r.choice(["", "", "-30", "30"]) + r.choice("ssssSbhd")
        again = values and r.random() < 0.45
        letter = r.choice(letters) if r.random() < 0.98 else r.choice("XuVnq%")
        flags = "<" if again else ""
        width = ""
        if r.random() < 0.15:
            width = str(r.randrange(1, 30))
            flags += r.choice(["", "-"])
        if r.random() < 0.01:
            flags += r.choice("-#+ 0,(")
        if r.random() < 0.005:
            width += ".3"
        if not again:
            if kind < 0.15:
                values.append(self.long())
            elif kind < 0.17:
                values.append(r.choice([(None, "null"), ("x", '"x"'), ({"i32": "5"}, "5")]))
            else:
                values.append(self.when())
        return "%" + flags + width + r.choice("tttttT") + letter

    def case(self):
        r = self.random
        values = []
        if r.random() < 0.06:
            value = self.when()
            return {"values": [value[0]]}, [value[1]]
        template = ""
        for _ in range(r.choice([1, 1, 2, 3])):
            template += r.choice(["", "|", "Ω ", "-", ":", " ", "/"]) + self.field(values)
        request = {"template": template, "values": [value[0] for value in values]}
        if r.random() < 0.25:
            request["locale"] = r.choice(locales)
        return request, [value[1] for value in values]


def cases(seed, wanted):
    maker = Maker(seed)
    return java.asked([maker.case() for _ in range(wanted)])


def main():
    needs("javac --version")
    version = subprocess.run(["java", "--version"], check=True, capture_output=True, text=True).stdout.split()
    header = {"dialect": "java", "runtime": "OpenJDK " + version[1], "recorder": "tools/record/java_times.py"}
    write_cases(java.root / "tests/vectors/java-times.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
