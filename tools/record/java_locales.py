#!/usr/bin/env python3
"""Records what java.util.Formatter, NumberFormat and DateTimeFormatter print in every locale of OpenJDK.

    tools/record/java_locales.py [SEED]           writes tests/vectors/java-locales.jsonl
    tools/record/java_locales.py --live SEED      fewer cases, to standard output
"""

import subprocess
import sys

import java
import java_times
import locale_table
from recording import needs, write_cases

count = 10500
live_count = 4000
often = "de-DE fr-FR en-US en-GB en-IN es-ES it-IT pl-PL pt-BR ru-RU sv-SE nb-NO fi-FI cs-CZ hu-HU tr-TR ja-JP zh-CN ko-KR ar-EG he-IL th-TH de-CH da-DK".split()
named = {"en-US": "US", "en-GB": "UK", "de-DE": "GERMANY", "fr-FR": "FRANCE", "it-IT": "ITALY", "ja-JP": "JAPAN", "zh-CN": "CHINA"}


class Maker(java_times.Maker):
    """Templates and calls, each with a locale."""

    def __init__(self, seed):
        super().__init__(seed)
        self.locales = locale_table.Order(self.random, locale_table.tags_in(java.root / "src/dialect/java/locales.inc"), often)

    def number(self, values):
        r = self.random
        letter = r.choice("ddffffesg")
        flags = "".join(flag for flag in {"d": "-+,(", "f": "+,(", "e": "+(", "g": "+,("}.get(letter, "") if r.random() < 0.35)
        flags += "," if letter in "df" and "," not in flags and r.random() < 0.4 else ""
        width = str(r.randrange(1, 20)) if "-" in flags or r.random() < 0.2 else ""
        values.append(self.whole() if letter == "d" else self.real())
        return "%" + flags + width + (".%d" % r.randrange(6) if letter in "fe" and r.random() < 0.6 else "") + letter

    def source(self, tag):
        r = self.random
        if tag in named and r.random() < 0.5:
            return "Locale." + named[tag]
        if tag.count("-") == 1 and len(tag) <= 6 and r.random() < 0.3:
            return 'new Locale("%s", "%s")' % tuple(tag.split("-"))
        return 'Locale.forLanguageTag("%s")' % tag

    def call(self, tag):
        """An expression that makes a text in a locale."""
        r = self.random
        locale = self.source(tag)
        kind = r.random()
        if kind < 0.4:
            number = r.choice(["1234567.891", "-0.5", "1234", "0.075", "99.995", "-98765.4321", "0", "1e9", "12345678901234.5", "2.5", "1234567L"])
            maker = r.choice(["getInstance", "getNumberInstance", "getIntegerInstance", "getPercentInstance", "getCurrencyInstance", "getCurrencyInstance"])
            if r.random() < 0.25:
                pattern = r.choice(["#,##0.00", "0.0%", "\\u00a4#,##0.00", "0.###E0", "#,##0.00 \\u00a4;(#,##0.00 \\u00a4)", "000"])
                return 'new DecimalFormat("%s", %s(%s)).format(%s)' % (
                    pattern, r.choice(["DecimalFormatSymbols.getInstance", "new DecimalFormatSymbols"]), locale, number)
            return "NumberFormat.%s(%s).format(%s)" % (maker, locale, number)
        value = self.when()[1]
        while value.startswith(("Duration", "OffsetDateTime")):
            value = self.when()[1]
        has_date, has_time = not value.startswith("LocalTime"), not value.startswith("LocalDate.")
        # The styles of Burmese name the time of day, which is not supported yet.
        if kind < 0.65 and not tag.startswith("my"):
            styles = ["FormatStyle." + r.choice(["FULL", "LONG", "MEDIUM", "SHORT"]) for _ in range(2)]
            styles[1] = "FormatStyle." + r.choice(["MEDIUM", "SHORT"])
            maker = ("ofLocalizedDate(%s)" % styles[0] if not has_time else "ofLocalizedTime(%s)" % styles[1] if not has_date else
                     r.choice(["ofLocalizedDate(%s)" % styles[0], "ofLocalizedDateTime(%s, %s)" % tuple(styles), "ofLocalizedTime(%s)" % styles[1]]))
            return "%s.format(DateTimeFormatter.%s.withLocale(%s))" % (value, maker, locale)
        date = ["d", "dd", "D", "M", "MM", "MMM", "MMMM", "MMMMM", "LLL", "LLLL", "LLLLL", "yy", "yyyy", "y", "u", "YYYY", "Y", "YY", "w", "ww", "W", "E", "EEE", "EEEE", "EEEEE",
                "e", "ee", "eee", "eeee", "c", "ccc", "cccc", "G", "GGGG", "GGGGG", "Q", "qq", "F"]
        time = ["H", "HH", "h", "hh", "K", "k", "m", "mm", "s", "ss", "S", "SSS", "n", "N", "A", "a"]
        pieces = (date if has_date else []) + (time if has_time else [])
        out = ""
        for _ in range(r.randrange(1, 6)):
            out += r.choice([" ", "/", "-", ". ", ", ", " 'de' ", ":", "''"]) + r.choice(pieces)
        if r.random() < 0.1:
            out += r.choice(["[ HH:mm]", "[ dd]", "[ yyyy[ mm]]"])
        return '%s.format(DateTimeFormatter.ofPattern("%s", %s))' % (value, out[1:], locale)

    def case(self):
        r = self.random
        tag = self.locales.next()
        if r.random() < 0.4:
            call = self.call(tag)
            return {"statement": "System.out.println(%s);" % call, "values": []}, call
        template, values = "", []
        make = self.number if r.random() < 0.6 else self.field
        for _ in range(r.choice([1, 1, 2])):
            template += r.choice(["", "|"]) + make(values)
        return {"template": template, "values": [value[0] for value in values], "locale": tag}, [value[1] for value in values]


def cases(seed, wanted):
    maker = Maker(seed)
    return java.asked([maker.case() for _ in range(wanted)])


def main():
    needs("javac --version")
    version = subprocess.run(["java", "--version"], check=True, capture_output=True, text=True).stdout.split()
    header = {"dialect": "java", "runtime": "OpenJDK " + version[1], "recorder": "tools/record/java_locales.py"}
    write_cases(java.root / "tests/vectors/java-locales.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
