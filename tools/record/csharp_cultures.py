#!/usr/bin/env python3
"""Records what String.Format of .NET prints of numbers and times in every culture that it has.

    tools/record/csharp_cultures.py [SEED]           writes tests/vectors/csharp-cultures.jsonl
    tools/record/csharp_cultures.py --live SEED      fewer cases, to standard output
"""

import subprocess
import sys

import csharp
import csharp_decimals
import csharp_times
import locale_table
from recording import needs, write_cases

count = 10500
live_count = 4000

often = "de-DE fr-FR en-US en-GB en-IN es-ES it-IT pl-PL pt-BR ru-RU sv-SE nb-NO fi-FI cs-CZ hu-HU tr-TR ja-JP zh-CN ko-KR ar-EG he-IL th-TH de-CH da-DK".split()

# Their dates are of other calendars, known from 1900 to 2077 alone.
other_calendars = ("fa", "ps", "mzn", "lrc", "uz-Arab", "uz-AF", "ckb-IR", "ar-SA")


def is_of_other_calendars(value):
    when = value.get("moment") or value.get("date")
    return when is None or "1901" <= when[:4] <= "2076"


class Maker(csharp_times.Maker):
    """Templates of numbers and times, each with a culture."""

    def __init__(self, seed):
        super().__init__(seed)
        self.cultures = locale_table.Order(self.random, locale_table.tags_in(csharp.root / "src/dialect/csharp/cultures.inc"), often)

    def number(self):
        r = self.random
        whole = r.random() < 0.3
        value = self.whole() if whole else self.real()
        if r.random() < 0.25:
            text = self.values.decimal(27)
            while "E" in text:
                text = self.values.decimal(27)
            value = {"decimal": text}, csharp_decimals.decimal_source(text)
        kind = "decimal" if "decimal" in value[0] else "whole" if whole else "real"
        if r.random() < 0.3:
            return value, self.number_pattern()
        format = r.choice("NNFCCPPEG" + ("D" if kind == "whole" else ""))
        return value, format + (str(r.choice([0, 1, 2, 2, 3, 5, 12])) if r.random() < 0.5 else "")

    def case(self):
        r = self.random
        template, values, culture = "", [], self.cultures.next()
        for _ in range(r.choice([1, 1, 2])):
            if r.random() < 0.5:
                value, format = self.number()
            else:
                value = self.when.value()
                while culture.startswith(other_calendars) and not is_of_other_calendars(value[0]):
                    value = self.when.value()
                format = self.when.format(value) if r.random() < 0.5 else r.choice("dDfFgGmtTyYM") if "duration" not in value[0] else r.choice("gG")
                # U goes by another calendar there than the others do.
                format = "D" if culture.startswith(("th", *other_calendars)) and format == "U" else format
            template += r.choice(["", "|"]) + "{%d" % len(values)
            if r.random() < 0.15:
                template += ",%d" % r.randrange(-30, 31)
            if r.random() < 0.95:
                template += ":" + format
            template += "}"
            values.append(value)
        return {"template": template, "values": [v[0] for v in values], "locale": culture}, None, [v[1] for v in values]


def cases(seed, wanted):
    return csharp.asked(csharp.templates(Maker(seed), wanted))


def main():
    needs("dotnet --version")
    version = subprocess.run(["dotnet", "--version"], check=True, capture_output=True, text=True).stdout.strip()
    header = {"dialect": "csharp", "runtime": ".NET SDK " + version, "recorder": "tools/record/csharp_cultures.py"}
    write_cases(csharp.root / "tests/vectors/csharp-cultures.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
