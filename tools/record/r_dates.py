#!/usr/bin/env python3
"""Records what whole calls of R print of dates and times.

    tools/record/r_dates.py [SEED]           writes tests/vectors/r-dates.jsonl
    tools/record/r_dates.py --live SEED      fewer cases, to standard output
"""

import pathlib
import sys

import r_calls
from date_calls import DateCalls
from recording import needs, write_cases

count = 6000
live_count = 2500
root = pathlib.Path(__file__).resolve().parents[2]

# D: a Date; P: a POSIXct; S: what lies between two; t: a text; v: several Dates.
forms = {
    "D": ['as.Date("{iso}")', 'as.Date("{slashed}")', 'as.Date("{dotted}", format = "%d.%m.%Y")', 'as.Date("{named}", "%d %B %Y")', "{D} + {k}", "{D} - {k}", "as.Date({P})", "max({v})", "min({v})",
          "rev({v})[1]", "seq({D}, by = \"{step}\", length.out = 3)[2]"],
    "P": ['as.POSIXct("{iso} {clock}", tz = "UTC")', 'as.POSIXct("{iso} {clock}")', 'as.POSIXct("{iso}", tz = "UTC")', 'as.POSIXct("{dotted} {clock}", format = "%d.%m.%Y %H:%M:%S", tz = "UTC")',
          'as.POSIXct("{iso} {clock}", tz = "GMT")', 'strptime("{iso} {clock}", "%Y-%m-%d %H:%M:%S", tz = "UTC")', 'strptime("{iso} {twelve}", "%Y-%m-%d %I:%M %p", tz = "UTC")', "ISOdate({year}, {month}, {k} + 1)", "{P} + {k} * 3600", "{P} - {k}",
          'ISOdatetime({year}, {month}, 9, 14, 5, {k}, tz = "UTC")'],
    "S": ["{D} - {D}", 'difftime({D}, {D}, units = "{unit}")', 'difftime({P}, {P}, units = "{unit}")', "round(difftime({P}, {P}, units = \"{unit}\"), 1)"],
    "v": ["c({D}, {D})", 'seq({D}, by = "{step}", length.out = {n})', "{D} + 0:{k}", "sort(c({D}, {D}, {D}))", "range(c({D}, {D}))", 'as.Date(c("{iso}", "{iso}"))', "seq({D}, by = {k} + 1, length.out = {n})"],
    "t": ['format({D}, "{codes}")', 'format({P}, "{codes}")', "format({D})", "format({P})", "weekdays({D})", "months({D})", "quarters({D})", 'strftime({P}, "{codes}")', "as.character({D})",
          'paste("on", {D})', 'paste0({t}, "|", {t})', 'sprintf("%s: %s", {t}, {D})', "weekdays({D}, abbreviate = TRUE)", "toupper({t})", 'format({P}, "{codes}", usetz = TRUE)', "format({S})",
          'sprintf("%d", as.integer({S}))', "class({D})"],
    "w": ["as.numeric({D})", "as.integer(format({D}, \"%Y\"))", "as.numeric({S})", "as.numeric(difftime({D}, {D}, units = \"days\"))", "length({v})", "as.POSIXlt({D})$year + 1900", "as.POSIXlt({P})$hour",
          "as.integer({D})", "as.numeric({P})", "nchar({t})", "as.POSIXlt({D})$wday"],
    "b": ["{D} < {D}", "{D} >= {D}", "{P} < {P}", '{D} == "{iso}"', "{D} != {D}"],
}
codes = "aAbBdDeFHIjmMpRSTuUVwWyYGgC%hn"


statements = ["print({D})", "print({P})", "print({v})", "print({t})", "print({S})", "print({w})", "print({b})", 'cat({t}, "\\n")', "cat({D})", 'cat("at", {t}, {w}, "\\n")', "writeLines({t})",
              'd <- {D}; cat(format(d, "{codes}"), weekdays(d), "\\n")', 'p <- {P}; print(p + {k}); cat(format(p, "%H:%M"), "\\n")', 'for (i in 0:2) cat(format({D} + i, "{codes}"), "\\n")']


def part(maker, name, date):
    r = maker.random
    year, month, day = date
    if name == "codes":
        return "".join(r.choice(["", "/", "-", " ", ".", ":"]) + "%" + r.choice(["", "", "", "-"]) + r.choice(codes) for _ in range(r.randrange(1, 5))).lstrip(" ")
    return {"k": str(r.randrange(0, 9)), "n": str(r.randrange(1, 6)), "slashed": "%04d/%02d/%02d" % date, "dotted": "%02d.%02d.%04d" % (day, month, year),
            "named": "%d %s %04d" % (day, r.choice(["May", "june", "Sep", "DECEMBER"]), year), "twelve": "%02d:%02d %s" % (r.randrange(1, 13), r.randrange(60), r.choice(["AM", "PM", "pm"])),
            "step": r.choice(["day", "week", "month", "year", "quarter", "2 weeks", "3 days", "2 months"]), "unit": r.choice(["secs", "mins", "hours", "days", "weeks"])}[name]


def cases(seed, wanted):
    # What is NA, or beyond the year 9999, is not known.
    return r_calls.answers(DateCalls(seed, forms, "DPSvtwb", forms["D"][:3], statements, part), wanted)[:wanted]


def main():
    needs("Rscript --version")
    header = {"dialect": "r", "runtime": r_calls.runtime(), "recorder": "tools/record/r_dates.py"}
    write_cases(root / "tests/vectors/r-dates.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
