#!/usr/bin/env python3
"""Writes what Intl of the running Node.js knows of its locales: marks and digits of numbers, patterns and names of
dates, currencies, units and short numbers.

    tools/record/javascript_locale_table.py         writes src/dialect/javascript/locale_table.inc; takes half an hour

A pattern has its fields in braces, as src/dialect/javascript/locale_patterns.hpp names them. Patterns are listed once
for all locales, and so are rows of them: of a row the numbers of its patterns, each two letters of base 91. Locales
that have all the same are one record. A field that is as wide as was asked has a letter of its own, so that few
patterns are left.
"""

import collections
import concurrent.futures
import itertools
import json
import os
import pathlib
import re
import subprocess
import sys

import locale_table
from javascript import worded_locales
from javascript_locale_calls import currencies, units
from recording import needs

root = pathlib.Path(__file__).resolve().parents[2]
letters = [chr(c) for c in range(35, 127) if chr(c) != "\\"]
weekdays, years, months, days = ["short", "long", "narrow"], ["numeric", "2-digit"], ["numeric", "2-digit", "short", "long", "narrow"], ["numeric", "2-digit"]
date_options = list(itertools.product([None, *weekdays], [None, *years], [None, *months], [None, *days]))
plain_times = list(itertools.product([None, *years], [None, *years], [None, *years]))
time_options = [(*time, twelve) for time in plain_times for twelve in range(3)]
own_lists = 6  # names of days of the week, and of months, by their widths


def number_text(number, most=2):
    assert number < len(letters) ** most, number
    return "".join(letters[number // len(letters) ** place % len(letters)] for place in reversed(range(most)))


class Pool:
    """Texts, each once, by number; 0 is empty."""

    def __init__(self, name):
        self.name, self.numbers = name, {"": 0}

    def number(self, text):
        return self.numbers.setdefault(text, len(self.numbers))

    def source(self):
        # A literal has 65,535 bytes at most; the end of a text is the number of its literal, and the place in it.
        ends, pieces, length = [], [[]], 0
        for text in self.numbers:
            size = len(text.encode())
            if length + size > 65000:
                pieces.append([])
                length = 0
            length += size
            pieces[-1].append(text)
            ends.append((len(pieces) - 1) * 65536 + length)
        out = ["constexpr std::string_view %s_letters[] = {" % self.name]
        for piece in pieces:
            line = ""
            for text in piece:
                # Two question marks may begin a trigraph.
                line += locale_table.literal(text)[1:-1].replace("?", "\\?")
                if len(line) > 1000:
                    out.append('"' + line + '"')
                    line = ""
            out.append('"' + line + '"sv,')
        out.append("};")
        out.append("constexpr std::uint32_t %s_ends[] = {" % self.name)
        return out + locale_table.lines_of([str(end) for end in ends]) + ["};"]


def date_class(options):
    weekday, year, month, day = options
    return (weekday is not None, year is not None, 0 if month is None else 1 if month in years else 2, day is not None)


def time_class(options):
    return (*(one is not None for one in options[:3]), options[3])


def rows_of(patterns, classes, order):
    """The patterns of each class, the classes in order."""
    found = {}
    for one, pattern in zip(classes, patterns):
        found.setdefault(one, []).append(pattern)
    return [found[one] for one in order]


class Record:
    """What one locale has, as the table has it."""

    def __init__(self, answer, pools):
        self.answer = answer
        (self.patterns, self.rows), self.money_pools, self.word_pools, self.texts = pools
        self.lists = self.ordered_lists()

    def pattern(self, place):
        return self.answer["patterns"][place]

    def ordered_lists(self):
        """The numbers of the lists of names in the order of the table: those that a width has first."""
        seen = {}
        for options, place in zip(date_options, self.answer["tables"]["dates"]):
            for letter, number in re.findall(r"\{([WN])(\d+)\}", self.pattern(place)):
                asked = (letter, options[0] if letter == "W" else options[2])
                seen.setdefault(asked, collections.Counter())[int(number)] += 1
        widths = [("W", one) for one in weekdays] + [("N", one) for one in months[2:]]
        return [seen[one].most_common(1)[0][0] if one in seen else None for one in widths]

    def place_of_list(self, number):
        if number not in self.lists:
            self.lists.append(number)
        return self.lists.index(number)

    def general(self, pattern, options=(None, None, None, None)):
        """The pattern with letters for what is as wide as was asked."""
        # What stands behind the name of UTC has the digits of the locale.
        zero = self.answer["digits"][0]
        pattern = pattern.replace(zero * 2 + ":" + zero * 2, "{O}")
        weekday, year, month, day = options

        def field(match):
            letter, rest = match[1][0], match[1][1:]
            if letter in "WN" and rest:
                width = weekday if letter == "W" else month
                widths = weekdays if letter == "W" else months[2:]
                first = 0 if letter == "W" else len(weekdays)
                if width in widths and self.lists[first + widths.index(width)] == int(rest):
                    return "{%s}" % letter
            if letter in "WNPQ" and rest:
                return "{%s%d}" % (letter, self.place_of_list(int(rest)))
            for both, asked, as_asked in (("Yy", year, "a"), ("Mm", month, "c"), ("Dd", day, "e")):
                if letter in both and asked in years and not rest:
                    return "{%s}" % (as_asked if letter == both[years.index(asked)] else letter)
            return match[0]

        return re.sub(r"\{([^}]*)\}", field, pattern)

    def row(self, texts):
        return self.rows.number("".join(number_text(self.patterns.number(text)) for text in texts))

    def listed(self, rows):
        return self.texts.number("".join(number_text(self.row(row)) for row in rows))

    def parts(self):
        answer, tables = self.answer, self.answer["tables"]
        date_order = list(itertools.product([False, True], [False, True], range(3), [False, True]))
        time_order = list(itertools.product([False, True], [False, True], [False, True], range(3)))
        date_classes = [date_class(one) for one in date_options]
        time_classes = [time_class(one) for one in time_options]
        dates = [self.general(self.pattern(place), options) for options, place in zip(date_options, tables["dates"])]
        times = [self.general(self.pattern(place)) for place in tables["times"]]
        between = [self.pattern(place) for place in tables["between"]]
        week_options = [(weekday, time) for weekday in weekdays for time in time_options]
        week = [self.general(self.pattern(place), (weekday, None, None, None)) for (weekday, _), place in zip(week_options, tables["week"])]
        styles = [self.general(self.pattern(place)) for place in tables["styles"]]
        # What a table does not have is a number of its own: an empty text may be what stands between two parts.
        missing = lambda places, patterns: ["\0" if place == 0 else pattern for place, pattern in zip(places, patterns)]
        out = [self.listed(rows_of(missing(tables["dates"], dates), date_classes, date_order)),
               self.listed(rows_of(missing(tables["times"], times), time_classes, time_order)),
               self.listed(rows_of(missing(tables["between"], between), date_classes, date_order)),
               self.listed(rows_of(missing(tables["week"], week), [time_class(time) for _, time in week_options], time_order)),
               self.listed([missing(tables["styles"], styles)])]
        self.patterns, self.rows = self.money_pools
        money = answer["money"]
        out.append(self.listed([[symbol for one in money[i:i + 5] for symbol in one["symbols"]] for i in range(0, len(money), 5)]))
        shapes = ["".join(number_text(self.row([self.pattern(place) for place in shown])) for one in money[i:i + 5] for shown in one["shapes"])
                  for i in range(0, len(money), 5)]
        out.append(self.texts.number("".join(number_text(self.rows.number(one)) for one in shapes)))
        words = answer["words"]
        for name, size in (("units", 12), ("compact", 6), ("named", 4)):
            if words is None:
                out.append(0)
                continue
            self.patterns, self.rows = self.money_pools if name == "named" else self.word_pools
            # The first of each of a short number is a count of digits.
            texts = [str(one) if name == "compact" and i % size == 0 else self.pattern(one) for i, one in enumerate(words[name])]
            out.append(self.listed([texts[i:i + size] for i in range(0, len(texts), size)]))
        names = ["" if number is None else answer["names"][number] for number in self.lists]
        *texts, least, of_two, percent_of_two, accounts_of_two, money_of_two, own_euros, other_digits, _ = answer["marks"]
        shape = "%d%d%d%d%d%d%d" % (least, of_two, percent_of_two, accounts_of_two, money_of_two, own_euros, other_digits)
        digits = "" if answer["digits"] == "0123456789" else answer["digits"]
        calendar = "" if answer["calendar"] == "gregory" else answer["calendar"]
        texts = [calendar, digits, *texts, shape, answer["exponent"], *names[:own_lists], "\n".join(names[own_lists:])]
        return [self.texts.number(text) for text in texts] + out


def table(made, known, heading):
    # Each with patterns of its own: two letters could not number them all.
    dates, money, words = ((Pool(name + "_pattern"), Pool(name + "_row")) for name in ("date", "money", "word"))
    texts = Pool("text")
    # Its number says that there is none.
    assert dates[0].number("\0") == 1
    pools = [*dates, *money, *words, texts]
    records, tags = {}, {}
    for answer in sorted(made, key=lambda one: one["tag"]):
        if not answer["marks"][-1]:
            print(f"left out: {answer['tag']}, whose last group is not of three digits", file=sys.stderr)
            continue
        parts = tuple(Record(answer, (dates, money, words, texts)).parts())
        tags[answer["tag"]] = records.setdefault(parts, len(records))
    places = [made[0]["money"][i]["places"] for i in range(len(currencies))]
    assert all([one["places"] for one in answer["money"]] == places for answer in made)
    out = ["// " + line for line in heading]
    for pool in pools:
        out += pool.source()
    out += ["constexpr std::string_view locale_tags_here[] = {"] + locale_table.lines_of([locale_table.literal(tag) + "sv" for tag in sorted(tags)]) + ["};"]
    out += ["constexpr std::uint16_t locale_records[] = {"] + locale_table.lines_of([str(tags[tag]) for tag in sorted(tags)]) + ["};"]
    out += ["constexpr std::array<std::uint16_t, %d> record_parts[] = {" % len(next(iter(records)))]
    out += locale_table.lines_of(["{" + ",".join(str(part) for part in record) + "}" for record in records]) + ["};"]
    out += ["constexpr std::pair<std::string_view, std::string_view> renamed_languages[] = {"]
    out += locale_table.lines_of(["{%s,%s}" % (locale_table.literal(old), locale_table.literal(name)) for old, name in known["renamed"]]) + ["};"]
    # What the runtime has, and this table has not.
    out += ["constexpr std::string_view left_out_tags[] = {"] + locale_table.lines_of([locale_table.literal(tag) for tag in known["tags"] if tag not in tags]) + ["};"]
    out += ['constexpr std::string_view currency_places = "%s";' % "".join(str(one) for one in places)]
    print("%d tags, %d records; " % (len(tags), len(records))
          + ", ".join("%s: %d of %d bytes" % (pool.name, len(pool.numbers), sum(len(text.encode()) for text in pool.numbers)) for pool in pools))
    return "\n".join(out) + "\n"


def run(tags):
    asked = {"tags": tags, "worded": worded_locales, "currencies": currencies, "units": units}
    return subprocess.run(["node", root / "tools/record/javascript_locale_table.js"], input=json.dumps(asked), capture_output=True, text=True, check=False)


def ask(tags):
    """The versions of the runtime, and what it says of each tag, but for those at which it crashes (gd, ksh and sc do)."""
    versions, answers = None, []
    while tags:
        ran = run(tags)
        lines = ran.stdout.splitlines()
        if not lines or ran.returncode > 0:
            sys.exit(ran.stderr)
        versions, *found = [json.loads(line) for line in lines]
        answers += found
        if ran.returncode < 0:
            print(f"left out: {tags[len(found)]}", file=sys.stderr)
        tags = tags[len(found) + 1:]
    return versions, answers


def main():
    needs("node --version | grep -q v20")
    known = json.loads(run(None).stdout)
    count = 10
    with concurrent.futures.ThreadPoolExecutor(os.cpu_count()) as pool:
        parts = list(pool.map(ask, [known["tags"][i::count] for i in range(count)]))
    versions = parts[0][0]
    made = [answer for _, answers in parts for answer in answers]
    heading = [f"Asked of Node.js {versions['node']} with ICU {versions['icu']}.",
               "Written by tools/record/javascript_locale_table.py, which says how."]
    target = root / "src/dialect/javascript/locale_table.inc"
    target.write_text(table(made, known, heading))
    print(f"{target}: {target.stat().st_size} bytes")


if __name__ == "__main__":
    main()
