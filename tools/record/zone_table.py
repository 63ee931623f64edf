#!/usr/bin/env python3
"""Writes when the clocks of every time zone change, from 1970 on.

    tools/record/zone_table.py                      writes src/format/zones.inc

The data are those of the machine's tzdata. What the rule behind the last change of a zone says as well is left
out. Before 1970 the databases of the runtimes differ, so nothing earlier is taken.
"""

import calendar
import datetime
import pathlib
import re
import struct
import zoneinfo

from locale_table import lines_of, literal

root = pathlib.Path(__file__).resolve().parents[2]
machine = pathlib.Path("/usr/share/zoneinfo")
no_zones = {"localtime", "Factory", "posixrules"}


class Zone:
    """One file in the form of RFC 8536, version 2 or later: the part in 64 bits, and the rule behind it."""

    def __init__(self, data):
        def counts(at):
            return struct.unpack(">6l", data[at + 20 : at + 44])

        isut, isstd, leap, times, types, letters = counts(0)
        at = 44 + times * 5 + types * 6 + letters + leap * 8 + isstd + isut
        isut, isstd, leap, times, types, letters = counts(at)
        at += 44
        seconds = struct.unpack(">%dq" % times, data[at : at + 8 * times])
        at += 8 * times
        numbers = data[at : at + times]
        at += times
        kinds = [struct.unpack(">lBB", data[at + 6 * i : at + 6 * i + 6]) for i in range(types)]
        at += 6 * types
        names = data[at : at + letters]
        at += letters + leap * 12 + isstd + isut
        self.rule = data[at:].strip(b"\n").decode()

        def kind(number):
            offset, summer, place = kinds[number]
            return offset, summer, names[place : names.index(b"\0", place)].decode()

        # The clocks as 1970 began, and every change since.
        before = [number for second, number in zip(seconds, numbers) if second <= 0]
        self.first = kind(before[-1] if before else 0)
        self.changes = [(second, kind(number)) for second, number in zip(seconds, numbers) if second > 0]

    def last(self):
        return self.changes[-1][1] if self.changes else self.first


def rule_parts(rule):
    """POSIX TZ: the standard kind alone, or both kinds and the two days of change."""
    name, hours = r"(<[^>]+>|[A-Za-z]+)", r"(-?\d+(?::\d+)*)"
    day = r"M(\d+)\.(\d)\.(\d)(?:/(-?\d+(?::\d+)?))?"
    found = re.fullmatch(name + hours + "(?:" + name + hours + "?," + day + "," + day + ")?", rule)
    assert found, rule

    def seconds(text):
        sign = -1 if text.startswith("-") else 1
        parts = [int(part) for part in text.lstrip("-").split(":")]
        return sign * sum(part * unit for part, unit in zip(parts, (3600, 60, 1)))

    standard = -seconds(found[2])
    first = (standard, 0, found[1].strip("<>"))
    if found[3] is None:
        return first, None, None
    summer = (-seconds(found[4]) if found[4] else standard + 3600, 1, found[3].strip("<>"))
    days = [tuple(int(found[i + k]) for k in range(3)) + (seconds(found[i + 3] or "2"),) for i in (5, 9)]
    return first, summer, days


def main():
    version = (machine / "tzdata.zi").read_text().splitlines()[0].split()[-1]
    names = sorted(name for name in zoneinfo.available_timezones() if name not in no_zones)
    zones, numbers, kinds, rules = {}, {}, {}, {}
    for name in names:
        zone = Zone((machine / name).read_bytes())
        check_distance(name, zone)
        first, summer, days = rule_parts(zone.rule)
        if days is None:
            assert zone.last() == first, (name, zone.last(), first, zone.changes[-3:])
        else:
            leave_out(zone, first, summer, days)
        compare(name, zone)
        number = lambda kind: kinds.setdefault(kind, len(kinds))
        rule = 0
        if days is not None:
            rule = rules.setdefault((number(first), number(summer), *days[0], *days[1]), len(rules) + 1)
        key = (number(zone.first), rule, tuple((second, number(kind)) for second, kind in zone.changes))
        numbers[name] = zones.setdefault(key, len(zones))
    write(version, numbers, zones, kinds, rules)


def day_of_change(year, change, before):
    """The second at which clocks that are `before` seconds ahead of UTC change."""
    month, week, weekday, seconds = change
    first = datetime.date(year, month, 1)
    day = first + datetime.timedelta((weekday - first.isoweekday()) % 7 + 7 * (week - 1))
    while day.month != month:
        day -= datetime.timedelta(7)
    return calendar.timegm(day.timetuple()) + seconds - before


def leave_out(zone, standard, summer, days):
    """The changes at the end that the rule has, too, but for the first of them: behind that one the rule holds."""
    def by_rule(second):
        year = datetime.datetime.fromtimestamp(second + standard[0], datetime.timezone.utc).year
        begin, end = day_of_change(year, days[0], standard[0]), day_of_change(year, days[1], summer[0])
        inside = begin <= second < end if begin < end else second < end or begin <= second
        return summer if inside else standard

    def changes_between(second, other):
        """Whether the rule has changes between the two, in a year that had none."""
        years = range(1970 + second // 31556952 - 1, 1970 + other // 31556952 + 2)
        days_of = [day_of_change(year, day, clock[0]) for year in years for day, clock in ((days[0], standard), (days[1], summer))]
        return any(second < one < other for one in days_of)

    left = None
    while zone.changes:
        second, kind = zone.changes[-1]
        before = zone.changes[-2][1] if len(zone.changes) > 1 else zone.first
        earlier = zone.changes[-2][0] if len(zone.changes) > 1 else 0
        if by_rule(second) != kind or by_rule(second - 1) != before or changes_between(earlier, second):
            break
        left = zone.changes.pop()
    if left:
        zone.changes.append(left)


def check_distance(name, zone):
    """No clocks change twice within three days, and none are more than a day from UTC: clocks_showing() goes by that."""
    last, offset = None, zone.first[0]
    for second, kind in zone.changes:
        if kind[0] != offset:
            assert last is None or second - last > 3 * 86400, (name, second)
            last, offset = second, kind[0]
        assert abs(kind[0]) < 86400, (name, kind)


def compare(name, zone):
    """What is taken, against what Python makes of the same file, at each change and a second before it."""
    own = zoneinfo.ZoneInfo(name)
    for i, (second, kind) in enumerate(zone.changes):
        before = zone.changes[i - 1][1] if i else zone.first
        for at, expected in ((second - 1, before), (second, kind)):
            there = datetime.datetime.fromtimestamp(at, own)
            assert (there.utcoffset().total_seconds(), there.tzname()) == (expected[0], expected[2]), (name, at)


def write(version, numbers, zones, kinds, rules):
    out = ["// Written by tools/record/zone_table.py from tzdata %s; do not edit." % version]
    out += ["constexpr std::string_view zone_names[] = {"] + lines_of([literal(name) for name in numbers]) + ["};"]
    out += ["constexpr std::uint16_t zone_numbers[] = {"] + lines_of([str(number) for number in numbers.values()]) + ["};"]
    out += ["constexpr ZoneTime clocks[] = {"]
    out += lines_of(["{%d,%s,%s}" % (offset, "true" if summer else "false", literal(name)) for offset, summer, name in kinds])
    out += ["};", "constexpr ZoneRule rules[] = {{},"]
    out += lines_of(["{%d,%d,{%d,%d,%d,%d},{%d,%d,%d,%d}}" % rule for rule in rules]) + ["};"]
    changes = [change for _, _, changes in zones for change in changes]
    first, spans = 0, []
    for kind, rule, of_zone in zones:
        spans.append("{%d,%d,%d,%d}" % (first, len(of_zone), kind, rule))
        first += len(of_zone)
    assert len(kinds) < 256 and first < 65536 and max(second for second, _ in changes) < 2**32
    out += ["constexpr ZoneSpan spans[] = {"] + lines_of(spans) + ["};"]
    out += ["constexpr std::uint32_t change_seconds[] = {"] + lines_of([str(second) for second, _ in changes]) + ["};"]
    out += ["constexpr std::uint8_t change_clocks[] = {"] + lines_of([str(kind) for _, kind in changes]) + ["};"]
    (root / "src/format/zones.inc").write_text("\n".join(out) + "\n")
    print(len(numbers), "names,", len(zones), "zones,", len(kinds), "kinds,", len(rules), "rules,", len(changes), "changes")


if __name__ == "__main__":
    main()
