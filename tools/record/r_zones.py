#!/usr/bin/env python3
"""Records what whole calls of R print of moments in time zones.

    tools/record/r_zones.py [SEED]           writes tests/vectors/r-zones.jsonl
    tools/record/r_zones.py --live SEED      fewer cases, to standard output
"""

import calendar
import pathlib
import sys

import r_calls
from recording import needs, write_cases
from zone_calls import ZoneCalls, is_early

count = 5000
live_count = 1000
root = pathlib.Path(__file__).resolve().parents[2]

# P: a POSIXct; t: a text; v: several POSIXct of one zone; w: a number.
forms = {
    "P": ['as.POSIXct("{iso} {clock}", tz = "{zone}")', 'as.POSIXct("{iso} {clock}", tz = "{zone}")', 'strptime("{iso} {clock}", "%Y-%m-%d %H:%M", tz = "{zone}")', 'as.POSIXct({stamp}, origin = "1970-01-01", tz = "{zone}")',
          'ISOdatetime({year}, {month}, 9, 14, 5, {k}, tz = "{zone}")', "{P} + {k} * 3600", "{P} - {k}", 'as.POSIXlt({P}, tz = "{zone}")', 'as.POSIXct("{iso} {clock}", tz = "UTC")'],
    "t": ['format({P}, "{codes}")', 'format({P}, tz = "{zone}", usetz = TRUE)', "format({P}, usetz = TRUE)", 'strftime({P}, "{codes}", tz = "{zone}")', "format({P})", "weekdays({P})", "months({P})", 'format(as.Date({P}, tz = "{zone}"))',
          "paste({P})", 'sprintf("%s", {P})'],
    "v": ['seq({P}, by = "{step}", length.out = {n})', "rev(seq({P}, by = {k} + 1, length.out = {n}))", 'as.POSIXct(c("{iso} {clock}", "{iso} {clock}"), tz = "{zone}")'],
    "w": ["as.numeric({P})", 'as.POSIXlt("{iso} {clock}", tz = "{zone}")$hour', "as.numeric(difftime({P}, {P}, units = \"hours\"))", "as.integer(format({P}, \"%H\"))"],
}
statements = ["print({P})", "print({v})", "print({t})", "cat({t}, \"\\n\")", "print({w})", 'p <- {P}; print(p + 86400); cat(format(p, "%H:%M %Z"), "\\n")', "print({P} - {P})", 'print({P} < {P})']


def part(maker, name):
    r = maker.random
    if name == "codes":
        return " ".join(r.choice(["%Y-%m-%d", "%H:%M", "%H:%M:%S", "%Z", "%z", "%a %d %b", "%I %p", "%j", "%s"][:8]) for _ in range(r.randrange(1, 4)))
    year, month, day, hour, minute = maker.zones.clock()
    if name == "clock":
        # Not when clocks change: what they skip or show twice, R takes by what it has read before.
        hour = r.randrange(6, 23)
    return {"k": str(r.randrange(0, 9)), "n": str(r.randrange(1, 5)), "zone": maker.zones.next(), "iso": "%04d-%02d-%02d" % (year, month, min(day, 30)), "clock": "%02d:%02d" % (hour, minute),
            "stamp": str(calendar.timegm((year, month, day, hour, minute, 0))), "year": str(year), "month": str(month), "step": r.choice(["day", "week", "month", "year", "hour", "2 days", "quarter"])}[name]


def is_known(case):
    # The offset of a POSIXlt is not.
    statement = case["statement"]
    is_of_parts = "%z" in statement and ("strptime" in statement or "POSIXlt" in statement)
    return not is_early(statement, case) and not is_of_parts


def cases(seed, wanted):
    return r_calls.answers(ZoneCalls(seed, forms, forms["P"][:1], statements, part), wanted, is_known)[:wanted]


def main():
    needs("Rscript --version")
    header = {"dialect": "r", "runtime": r_calls.runtime(), "recorder": "tools/record/r_zones.py"}
    write_cases(root / "tests/vectors/r-zones.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
