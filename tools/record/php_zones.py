#!/usr/bin/env python3
"""Records what whole calls of PHP print of moments in time zones.

    tools/record/php_zones.py [SEED]           writes tests/vectors/php-zones.jsonl
    tools/record/php_zones.py --live SEED      fewer cases, to standard output
"""

import calendar
import pathlib
import subprocess
import sys
import tempfile

from recording import bytes_or_failure, needs, write_cases
from zone_calls import ZoneCalls, is_early

count = 5000
live_count = 1000
root = pathlib.Path(__file__).resolve().parents[2]

# A: a DateTimeImmutable; Z: a DateTimeZone; t: a text; w: a number.
forms = {
    "A": ['(new DateTimeImmutable("{iso} {clock}", {Z}))', '(new DateTimeImmutable("{iso} {clock}", {Z}))->setTimezone({Z})',
          '(new DateTimeImmutable("@{stamp}"))->setTimezone({Z})', '(new DateTimeImmutable("{iso}T{clock}+02:00"))->setTimezone({Z})', '(new DateTimeImmutable("{iso} {clock}", {Z}))->modify("{step}")',
          '(new DateTimeImmutable("{iso} {clock}", {Z}))->add(new DateInterval("{period}"))', '(new DateTimeImmutable("{iso} {clock}", {Z}))->sub(new DateInterval("P{k}D"))',
          '(new DateTimeImmutable("{skipped}", new DateTimeZone("Europe/Berlin")))', 'date_create("{iso} {clock}", {Z})', 'DateTimeImmutable::createFromFormat("Y-m-d H:i", "{iso} {clock}", {Z})'],
    "Z": ['new DateTimeZone("{zone}")', 'new DateTimeZone("{zone}")', 'timezone_open("{zone}")'],
    "t": ['{A}->format("{codes}")', '{A}->getTimezone()->getName()', "{A}->format(DATE_ATOM)", 'date("{codes}", {stamp})', "date_default_timezone_get()"],
    "w": ["{A}->getTimestamp()", "{A}->getOffset()", "mktime({hour}, 5, 0, {month}, {day}, {year})", 'strtotime("{iso} {clock}")'],
}
statements = ["echo {t};", "echo {t};", "echo {w};", "$d = {A}; echo $d->format('c T'), ' ', $d->getTimestamp();", "date_default_timezone_set('{zone}'); echo {t};", "date_default_timezone_set('{zone}'); echo {w};",
              '$z = {Z}; $d = new DateTime("{iso} {clock}", $z); echo $d->format("{codes}"), "|", $z->getName();', '$d = new DateTime("{iso} {clock}", {Z}); $d->setTimezone({Z}); echo $d->format("{codes}");',
              "date_default_timezone_set('{zone}'); $d = new DateTime('{iso} {clock}'); echo $d->format('c e');"]
head = """<?php
function run($f) {
  date_default_timezone_set("UTC");
  ob_start();
  try { $f(); $line = "=" . bin2hex(ob_get_clean()); } catch (\\Throwable $problem) { ob_end_clean(); $line = get_class($problem); }
  fwrite(STDOUT, $line . "\\n");
}
"""


def part(maker, name):
    r = maker.random
    if name == "codes":
        return "".join(r.choice(["", "/", "-", " ", ":"]) + r.choice(list("YmdHisTePOZIUcrDNjnGgaAp")) for _ in range(r.randrange(1, 6)))
    if name == "skipped":
        return r.choice(["2031-03-30 02:30", "2024-03-31 02:00", "2031-03-30 02:59:59"])
    year, month, day, _, minute = maker.zones.clock()
    # Not at the hours that clocks show twice, nor near them.
    hour = r.randrange(6, 12)
    day = min(day, 28)
    zone = maker.zones.next()
    while "/" not in zone and zone != "UTC":
        zone = maker.zones.next()
    return {"k": str(r.randrange(1, 12)), "hour": str(hour), "zone": zone, "iso": "%04d-%02d-%02d" % (year, month, day), "clock": "%02d:%02d" % (hour, minute), "stamp": str(calendar.timegm((year, month, day, hour, minute, 0))),
            "step": r.choice(["+1 day", "+%d hours" % r.randrange(1, 12), "-%d days" % r.randrange(1, 40), "+1 month", "first day of next month", "+2 weeks", "next friday noon", "-1 year"]),
            "period": r.choice(["P1D", "PT%dH" % r.randrange(1, 12), "P1M", "P1DT2H", "P1Y", "PT90M"]), "year": str(year), "month": str(month), "day": str(day)}[name]


def cases(seed, wanted):
    maker = ZoneCalls(seed, forms, forms["A"][:1], statements, part)
    out = []
    with tempfile.TemporaryDirectory() as folder:
        while len(out) < wanted:
            made = [maker.statement() for _ in range(wanted // 2)]
            source = pathlib.Path(folder) / "zones.php"
            source.write_text(head + "".join("run(function() { %s });\n" % statement for statement in made), encoding="utf-8")
            ran = subprocess.run(["php", "-d", "display_errors=0", "-d", "log_errors=0", source], check=True, capture_output=True, text=True)
            for statement, line in zip(made, ran.stdout.splitlines(), strict=True):
                answer = bytes_or_failure(line)
                if not is_early(statement, answer):
                    out.append({"statement": statement, **answer})
    return out[:wanted]


def main():
    needs("php --version")
    version = subprocess.run(["php", "-r", "echo PHP_VERSION;"], check=True, capture_output=True, text=True).stdout
    header = {"dialect": "php", "runtime": "PHP " + version, "recorder": "tools/record/php_zones.py"}
    write_cases(root / "tests/vectors/php-zones.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
