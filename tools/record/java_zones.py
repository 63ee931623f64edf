#!/usr/bin/env python3
"""Records what whole calls of Java print of moments in time zones.

    tools/record/java_zones.py [SEED]           writes tests/vectors/java-zones.jsonl
    tools/record/java_zones.py --live SEED      fewer cases, to standard output
"""

import calendar
import pathlib
import subprocess
import sys
import tempfile

import java_calls
from recording import needs, write_cases
from zone_calls import ZoneCalls, is_early

count = 5000
live_count = 1000
root = pathlib.Path(__file__).resolve().parents[2]

# A: a ZonedDateTime; Z: a ZoneId; I: an Instant; L: a LocalDateTime; F: a DateTimeFormatter; t: a text; w: a number; b: a truth.
forms = {
    "A": ["ZonedDateTime.of({parts}, 0, 0, {Z})", "{L}.atZone({Z})", "{I}.atZone({Z})", "ZonedDateTime.ofInstant({I}, {Z})", "ZonedDateTime.of({L}, {Z})", "{A}.withZoneSameInstant({Z})", "{A}.withZoneSameLocal({Z})",
          "{A}.plusHours({k})", "{A}.minusDays({k})", "{A}.plusMonths({k})", "{A}.plusDays({k})", "{A}.plus(Duration.ofMinutes(90))", "{A}.truncatedTo(ChronoUnit.DAYS)", "{A}.withHour({hour})", "{A}.plusWeeks({k})",
          "LocalDate.of({ymd}).atStartOfDay({Z})", "{A}.with(TemporalAdjusters.lastDayOfMonth())", "{A}.withLaterOffsetAtOverlap()", "{A}.minus(Period.ofDays({k}))"],
    "Z": ['ZoneId.of("{zone}")'],
    "I": ["Instant.ofEpochSecond({stamp}L)", "{A}.toInstant()", "Instant.ofEpochMilli({stamp}000L)"],
    "L": ["LocalDateTime.of({parts})", "{A}.toLocalDateTime()", "LocalDateTime.ofInstant({I}, {Z})"],
    "F": ['DateTimeFormatter.ofPattern("{codes}", Locale.{land})', 'DateTimeFormatter.ofPattern("{codes}")', "DateTimeFormatter.ISO_ZONED_DATE_TIME", "DateTimeFormatter.ISO_DATE_TIME", "DateTimeFormatter.RFC_1123_DATE_TIME",
          "DateTimeFormatter.ISO_OFFSET_DATE_TIME", "DateTimeFormatter.ofLocalizedDateTime(FormatStyle.{style}).withLocale(Locale.{land})", "DateTimeFormatter.ISO_INSTANT"],
    "t": ["{A}.format({F})", "{A}.toString()", "{A}.getZone().getId()", "{A}.getOffset().toString()", '{F}.withZone({Z}).format({I})', 'String.format("%t{letter}", {A})', 'String.format(Locale.{land}, "%t{letter} %<tZ", {A})',
          "{A}.toOffsetDateTime().toString()", "{I}.toString()", "{F}.format({A})"],
    "w": ["{A}.toEpochSecond()", "ChronoUnit.{unit}.between({A}, {A})", "{A}.getHour()", "{A}.getDayOfMonth()", "Duration.between({A}, {A}).toMinutes()", "{A}.hashCode()"],
    "b": ["{A}.isBefore({A})", "{A}.isEqual({A})", "{A}.equals({A})"],
}
statements = ["System.out.println({A});", "System.out.println({t});", "System.out.println({t});", "System.out.println({w});", "System.out.println({b});", "System.out.println({I});", "System.out.println({L});",
              'System.out.printf("%tc %<tZ %<tz%n", {A});', 'System.out.println({A} + " " + {Z});', 'System.out.printf("%s|%tH:%<tM|%tF%n", {A}, {A}, {A});']


def part(maker, name):
    r = maker.random
    if name == "codes":
        letters = ["yyyy", "MM", "dd", "HH", "mm", "z", "zzzz", "VV", "O", "OOOO", "xxx", "X", "Z", "EEE", "MMM", "a", "hh", "XXX"]
        return "".join(r.choice(["", "/", "-", " ", ":"]) + r.choice(letters) + " " for _ in range(r.randrange(1, 5))).strip()
    year, month, day, hour, minute = maker.zones.clock()
    return {"k": str(r.randrange(0, 12)), "hour": str(r.randrange(24)), "zone": maker.zones.next(), "parts": "%d, %d, %d, %d, %d" % (year, month, day, hour, minute), "ymd": "%d, %d, %d" % (year, month, day),
            "stamp": str(calendar.timegm((year, month, day, hour, minute, 0))), "land": r.choice(["US", "US", "UK", "GERMANY", "FRANCE", "ITALY", "ROOT", "ENGLISH"]), "style": r.choice(["FULL", "LONG", "MEDIUM", "SHORT"]),
            "letter": r.choice("cZzHMFTsQ"), "unit": r.choice(["HOURS", "DAYS", "MONTHS", "MINUTES", "YEARS", "WEEKS"])}[name]


# Which OpenJDK 17 has not.
without = {"America/Coyhaique", "EST", "HST", "MST", "ROC", "GMT+0", "GMT-0"}


def cases(seed, wanted):
    maker = ZoneCalls(seed, forms, forms["A"][:1], statements, part, without)
    out = []
    with tempfile.TemporaryDirectory() as folder:
        while len(out) < wanted:
            made = [({"statement": maker.statement()}, []) for _ in range(wanted // 2)]
            for (request, _), line in zip(made, java_calls.printed(pathlib.Path(folder), made, imports), strict=True):
                if line == "?":
                    raise SystemExit("javac refuses " + request["statement"])
                answer = {"fails": {"when": "run", "as": line[1:]}} if line[0] == "!" else {"text": bytes.fromhex(line[1:]).decode("utf-8")}
                if not is_early(request["statement"], answer):
                    out.append({**request, **answer})
    return out[:wanted]


imports = "import java.time.*;\nimport java.time.format.*;\nimport java.time.temporal.*;\n"


def main():
    needs("javac --version")
    version = subprocess.run(["java", "--version"], check=True, capture_output=True, text=True).stdout.split()[1]
    header = {"dialect": "java", "runtime": "OpenJDK " + version, "recorder": "tools/record/java_zones.py"}
    write_cases(root / "tests/vectors/java-zones.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
