#!/usr/bin/env python3
"""Records what strftime of the C library makes of times, in its locales, which localedef builds in a folder of the recorder's own.

    tools/record/strftime.py [SEED]           writes tests/vectors/strftime.jsonl
    tools/record/strftime.py --live SEED      fewer cases, in fewer locales, to standard output

A moment without an offset is what localtime() gives where TZ is UTC, and one with the offset Z what gmtime() gives.
"""

import datetime
import os
import pathlib
import subprocess
import sys
import tempfile

import c_locales
import glibc_locale_table
from recording import Times, Values, answer_of, needs, write_cases

count = 8000
live_count = 3000
root = pathlib.Path(__file__).resolve().parents[2]

program = r"""
#include <locale.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

/* A line: the locale, the parts of a struct tm, the zone, and the format in hexadecimal. */
int main(void) {
  static char line[1 << 16], format[1 << 15], text[1 << 16];
  while (fgets(line, sizeof line, stdin) != NULL) {
    char locale[64], zone[8];
    int at = 0;
    struct tm t = {0};
    if (sscanf(line, "%63s %d %d %d %d %d %d %d %d %ld %7s %n", locale, &t.tm_year, &t.tm_mon, &t.tm_mday, &t.tm_hour, &t.tm_min, &t.tm_sec,
               &t.tm_wday, &t.tm_yday, &t.tm_gmtoff, zone, &at) != 11) return 1;
    t.tm_zone = zone;
    size_t size = 0;
    for (; line[at] > ' '; at += 2, ++size) { unsigned byte; sscanf(line + at, "%2x", &byte); format[size] = (char)byte; }
    format[size] = 0;
    if (setlocale(LC_ALL, locale) == NULL) return 2;
    size = strftime(text, sizeof text, format, &t);
    putchar('=');
    for (size_t i = 0; i < size; ++i) printf("%02x", (unsigned char)text[i]);
    putchar('\n');
  }
  return 0;
}
"""


class Maker:
    """Formats with a time and a locale."""

    numbers = "YyCmdejuwVGgUWHIklMS"
    codes = numbers + "BbhAapPszZcxXrDFRT"

    def __init__(self, seed, names):
        self.random = Values(seed).random
        self.times = Times(self.random)
        self.names = names

    def when(self):
        """The value as the contract has it, and its parts."""
        r = self.random
        day = datetime.date(*self.times.date())
        hour, minute, second, _ = self.times.clock(0)
        kind = r.choice(["moment", "moment", "moment", "offset", "utc", "date"])
        offset = self.times.offset() if kind == "offset" else 0
        if kind == "date":
            hour = minute = second = 0
            value = {"date": day.isoformat()}
        else:
            text = "%sT%02d:%02d:%02d" % (day.isoformat(), hour, minute, second)
            value = {"moment": text + (self.times.offset_text(offset) if kind in ("offset", "utc") else "")}
        has_name = kind != "offset" or offset == 0
        zone = "GMT" if "moment" in value and value["moment"].endswith("Z") else "UTC" if has_name else "?"
        parts = [day.year - 1900, day.month - 1, day.day, hour, minute, second, (day.weekday() + 1) % 7,
                 day.timetuple().tm_yday - 1, offset * 60, zone]
        return value, parts, has_name

    def field(self, has_name):
        r = self.random
        while True:
            code = r.choice(self.codes)
            # A locale may show the zone's name in its own form.
            if has_name or code not in "ZcrX":
                break
        if r.random() < 0.08:
            return "%" + r.choice(["", "", "", "-", "_", "0", "12", "^", "-5", "_8"]) + "E" + r.choice("cCxXyY" if has_name else "CxyY")
        if code in self.numbers and r.random() < 0.4:
            return "%" + r.choice(["-", "_", "0", "5", "_4", "012", "-6", "_-", "0_", "^", "#", "3"]) + code
        if code in self.numbers and r.random() < 0.1:
            return "%" + r.choice(["", "", "-", "_", "6", "^"]) + "O" + code if code in "CdegGHIjklmMsSuUVwWy" else "%" + code
        if code in "Bbh" and r.random() < 0.3:
            return "%" + r.choice(["", "^", "12"]) + "O" + code
        if r.random() < 0.3:
            return "%" + r.choice(["^", "#", "12", "^10", "030", "_9", "-", "#8", "^#", "0"]) + code
        return "%" + code

    def case(self):
        r = self.random
        value, parts, has_name = self.when()
        usual = ["%Y-%m-%d", "%d.%m.%Y %H:%M", "%A, %d %B %Y", "%a %b %e %H:%M:%S %Y", "%I:%M %p", "%F %T", "%FT%T%z", "%-d/%-m/%y", "%x", "%c"]
        template = r.choice(usual) if r.random() < 0.25 and has_name else ""
        if not template:
            for _ in range(r.randrange(1, 6)):
                template += r.choice(["", "/", "-", " ", ":", "Ω", "%%", "week ", ", ", "%n", "%t"]) + self.field(has_name)
        return {"template": template, "values": [value], "locale": r.choice(self.names)}, parts


def cases(seed, wanted):
    live = wanted <= live_count
    names = c_locales.names_of(seed, 50 if live else len(glibc_locale_table.supported()))
    with tempfile.TemporaryDirectory() as place:
        folder = pathlib.Path(place)
        glibc_locale_table.build(folder, names)
        (folder / "ask.c").write_text("#define _GNU_SOURCE\n" + program)
        subprocess.run(["gcc", "-std=gnu17", "-w", "-o", folder / "ask", folder / "ask.c"], check=True)
        maker = Maker(seed, names + ["C"] * 60 + ["C.UTF-8"] * 5)
        made = [maker.case() for _ in range(wanted)]
        lines = ["%s %s %s" % (glibc_locale_table.plain(request["locale"]), " ".join(str(part) for part in parts), request["template"].encode().hex())
                 for request, parts in made]
        printed = subprocess.run([folder / "ask"], input="\n".join(lines) + "\n", check=True, capture_output=True, text=True,
                                 env={**c_locales.environment_of(folder), "TZ": "UTC"}).stdout.splitlines()
    return [{**request, **answer_of(bytes.fromhex(line[1:]))} for (request, _), line in zip(made, printed, strict=True)]


def main():
    needs("gcc --version")
    needs("localedef --version")
    os.environ["TZ"] = "UTC"
    library = subprocess.run(["getconf", "GNU_LIBC_VERSION"], check=True, capture_output=True, text=True).stdout.strip()
    header = {"dialect": "strftime", "runtime": library, "recorder": "tools/record/strftime.py"}
    write_cases(root / "tests/vectors/strftime.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
