#!/usr/bin/env python3
"""Records what whole calls of Python print of moments in time zones.

    tools/record/python_zones.py [SEED]           writes tests/vectors/python-zones.jsonl
    tools/record/python_zones.py --live SEED      fewer cases, to standard output
"""

import calendar
import contextlib
import datetime
import io
import os
import pathlib
import platform
import sys
import time
import zoneinfo

from recording import needs, write_cases
from zone_calls import ZoneCalls, is_early

count = 5000
live_count = 1000
root = pathlib.Path(__file__).resolve().parents[2]

# A: an aware datetime; Z: a tzinfo; S: a timedelta; t: a text; b: a truth.
forms = {
    "A": ["datetime({parts}, tzinfo={Z})", "datetime({twice}, fold=1)", "datetime({parts}, {seconds}, tzinfo={Z})", "datetime({parts}).replace(tzinfo={Z})", "{A}.astimezone({Z})", "{A}.astimezone({Z})",
          "datetime.fromtimestamp({stamp}, {Z})", "datetime.fromtimestamp({stamp}, tz={Z})", "datetime.combine({A}.date(), {A}.time(), tzinfo={Z})", "{A} + {S}", "{A} - {S}", "{A}.replace(hour={hour}, minute=30)",
          'datetime.fromisoformat("{iso}T{clock}+00:00").astimezone({Z})', "datetime.strptime(\"{iso} {clock}\", \"%Y-%m-%d %H:%M:%S\").replace(tzinfo={Z})"],
    "Z": ['ZoneInfo("{zone}")', 'ZoneInfo("{zone}")', 'ZoneInfo("{zone}")', 'ZoneInfo(key="{zone}")', "timezone.utc", "timezone(timedelta(hours={k}))"],
    "S": ["timedelta(days={k})", "timedelta(hours={k})", "timedelta(minutes=90)", "{A}.utcoffset()"],
    "t": ["{A}.isoformat()", '{A}.strftime("{codes}")', "str({A})", "repr({A})", "{A}.tzname()", "datetime({twice}).isoformat()", "str({A}.tzinfo)", "repr({A}.tzinfo)", '"{}".format({A})', '{A}.isoformat(timespec="minutes")'],
    "b": ["{A} < {A}", "{A} == {A}", "{A} >= {A}"],
}
statements = ["print({A})", "print({t})", "print({S})", "print({A} - {A})", "print({b})", "print(repr({A}))", "print({A}.utcoffset())", "print({A}.dst())", "print({A}.timestamp())", "print({A}.fold)",
              "z = {Z}; d = datetime({parts}, tzinfo=z); print(d, d.tzname(), d.utcoffset(), d.dst())", "d = {A}; print(d.date(), d.time(), d.hour)", 'd = {A}; print(f"{d} and {d:%H:%M %Z}")', 'd = {A}; print(f"{d:{codes}}")',
              "print([datetime({year}, m, 1, tzinfo={Z}).tzname() for m in (1, 4, 7, 10)])"]


def part(maker, name):
    r = maker.random
    zones = maker.zones
    if name == "d":
        return "{d}"
    if name == "codes":
        return "".join(r.choice(["", "/", "-", " ", ":"]) + "%" + r.choice("YmdHMSzZzZjaBcx") for _ in range(r.randrange(1, 5)))
    if name == "twice":
        # What clocks show twice.
        return r.choice(['2031, 10, 26, 2, 30, tzinfo=ZoneInfo("Europe/Berlin")', '2031, 11, 2, 1, 15, tzinfo=ZoneInfo("America/New_York")', '2024, 4, 7, 2, 5, tzinfo=ZoneInfo("Australia/Sydney")',
                         '1999, 10, 31, 1, 59, 59, tzinfo=ZoneInfo("Europe/London")', '2031, 4, 6, 1, 45, tzinfo=ZoneInfo("Australia/Lord_Howe")'])
    year, month, day, hour, minute = zones.clock()
    return {"k": str(r.randrange(0, 12)), "hour": str(r.randrange(24)), "zone": zones.next(), "parts": "%d, %d, %d, %d, %d" % (year, month, day, hour, minute), "seconds": str(r.randrange(60)),
            "stamp": str(calendar.timegm((year, month, day, hour, minute, 0))), "year": str(year), "iso": "%04d-%02d-%02d" % (year, month, day), "clock": "%02d:%02d:00" % (hour, minute)}[name]


def answer(statement):
    names = {"datetime": datetime.datetime, "timedelta": datetime.timedelta, "timezone": datetime.timezone, "ZoneInfo": zoneinfo.ZoneInfo}
    printed = io.StringIO()
    try:
        with contextlib.redirect_stdout(printed):
            exec(statement, names)
    except Exception as problem:
        return {"fails": {"when": "run", "as": type(problem).__name__}}
    return {"text": printed.getvalue()}


def cases(seed, wanted):
    maker = ZoneCalls(seed, forms, forms["A"][:3], statements, part)
    out = []
    while len(out) < wanted:
        statement = maker.statement()
        got = answer(statement)
        # What is not supported: times before 1970, and fold=1 of what clocks show once.
        once = "fold=1" in statement and (".time()" in statement or ".replace(" in statement)
        if not once and not is_early(statement, got):
            out.append({"statement": statement, **got})
    return out


def main():
    needs("python3 --version")
    os.environ["TZ"] = "UTC"
    time.tzset()
    header = {"dialect": "python", "runtime": "CPython " + platform.python_version(), "recorder": "tools/record/python_zones.py"}
    write_cases(root / "tests/vectors/python-zones.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
