#!/usr/bin/env python3
"""Records what whole calls of C# print of moments in time zones, and of those in UTC.

    tools/record/csharp_zones.py [SEED]           writes tests/vectors/csharp-zones.jsonl
    tools/record/csharp_zones.py --live SEED      fewer cases, to standard output
"""

import calendar
import re
import subprocess
import sys

import csharp
from recording import needs, write_cases
from zone_calls import ZoneCalls, is_early

count = 5000
live_count = 1000

windows = re.findall(r'\{"([^"]+)"', (csharp.root / "src/dialect/csharp/windows_zones.inc").read_text())

# A: a DateTimeOffset; D: a DateTime; U: one of the kind Utc; Z: a TimeZoneInfo; t: a text; b: a truth.
forms = {
    "A": ["new DateTimeOffset({parts}, 0, TimeSpan.Zero)", "new DateTimeOffset({parts}, 0, TimeSpan.FromHours({k}))", "TimeZoneInfo.ConvertTime({A}, {Z})", 'TimeZoneInfo.ConvertTimeBySystemTimeZoneId({A}, "{zone}")',
          "DateTimeOffset.FromUnixTimeSeconds({stamp}L)"],
    "D": ["new DateTime({parts}, 0)", "TimeZoneInfo.ConvertTimeFromUtc({U}, {Z})", "TimeZoneInfo.ConvertTime({plain}, {Z}, {Z})", "TimeZoneInfo.ConvertTimeFromUtc(new DateTime({parts}, 0), {Z})", "{A}.DateTime", "{D}.AddHours({k})"],
    "U": ["new DateTime({parts}, 0, DateTimeKind.Utc)", "DateTime.SpecifyKind({D}, DateTimeKind.Utc)", "{A}.UtcDateTime", "TimeZoneInfo.ConvertTimeToUtc({plain}, {Z})", "{U}.AddDays({k})"],
    "Z": ['TimeZoneInfo.FindSystemTimeZoneById("{zone}")', 'TimeZoneInfo.FindSystemTimeZoneById("{zone}")', 'TimeZoneInfo.FindSystemTimeZoneById("{windows}")'],
    "t": ['new DateTime({parts}, 0).ToString("{format}")', 'new DateTime({parts}, 0, DateTimeKind.Utc).ToString("{format}")', '{A}.ToString("{format}")', '{D}.ToString("{format}")', '{U}.ToString("{format}")', '{U}.ToString("o")', "{Z}.Id", "{Z}.GetUtcOffset({A}).ToString()", "{Z}.GetUtcOffset({U}).ToString()", "{Z}.BaseUtcOffset.ToString()",
          "{Z}.GetUtcOffset(new DateTime({parts}, 0)).ToString()"],
    "b": ["{Z}.IsDaylightSavingTime({plain})", "{A} < {A}", "{Z}.IsInvalidTime(new DateTime({parts}, 0))", "{Z}.IsAmbiguousTime(new DateTime({parts}, 0))"],
}
statements = ["Console.Write({t});", "Console.Write({A});", "Console.Write({D});", "Console.WriteLine({b});", 'Console.Write("{0:yyyy-MM-dd HH:mm:ss zzz}", {A});', 'Console.Write("{0:o}", {U});', 'Console.Write("{0:s}", {D});',
              "var tz = {Z}; Console.Write(TimeZoneInfo.ConvertTimeFromUtc({U}, tz) + \" \" + tz.Id);"]
literal_braces = re.compile(r"\{(0(?::[^}]*)?)\}")


def part(maker, name):
    r = maker.random
    if name == "format":
        return r.choice(["o", "s", "u", "g", "G", "yyyy-MM-dd HH:mm:ss K", "yyyy-MM-ddTHH:mm:ssK", "HH:mm", "ddd d MMM", "r", "f", "HH:mm:ss.fff"])
    year, month, day, hour, minute = maker.zones.clock()
    parts = "%d, %d, %d, %d, %d" % (year, month, day, hour, minute)
    if name == "plain":
        # Not at the hours that clocks skip or show twice.
        return "new DateTime(%d, %d, %d, %d, %d, 0)" % (year, month, min(day, 28), r.randrange(6, 20), minute)
    return {"k": str(r.randrange(0, 12)), "zone": maker.zones.next(), "windows": r.choice(windows), "parts": parts, "stamp": str(calendar.timegm((year, month, day, hour, minute, 0)))}[name]


class Made(ZoneCalls):
    def __init__(self, seed):
        super().__init__(seed, forms, forms["D"][:1], statements, part)

    def filled(self, text, depth):
        # What stands in braces in the language is put back behind it.
        kept = []
        text = literal_braces.sub(lambda found: kept.append(found.group(0)) or "\1", text)
        made = super().filled(text, depth)
        return re.sub("\1", lambda _: kept.pop(0), made)


def cases(seed, wanted):
    maker = Made(seed)
    out = []
    while len(out) < wanted:
        made = []
        for _ in range(wanted // 2 + 100):
            statement = maker.statement()
            made.append(({"statement": statement}, "run(() => { %s });" % statement))
        for case in csharp.asked(made):
            if not is_early(case["statement"], case):
                out.append(case)
    return out[:wanted]


def main():
    needs("dotnet --version")
    version = subprocess.run(["dotnet", "--version"], check=True, capture_output=True, text=True).stdout.strip()
    header = {"dialect": "csharp", "runtime": ".NET SDK " + version, "recorder": "tools/record/csharp_zones.py"}
    write_cases(csharp.root / "tests/vectors/csharp-zones.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
