#!/usr/bin/env python3
"""Records what dates of JavaScript print in time zones.

    tools/record/javascript_zones.py [SEED]           writes tests/vectors/javascript-zones.jsonl
    tools/record/javascript_zones.py --live SEED      fewer cases, to standard output
"""

import calendar
import json
import subprocess
import sys

import javascript
from javascript_locale_calls import Cases, date_widths, of_other_calendars, time_keys
from recording import needs, write_cases
from zone_calls import Zones

count = 5000
live_count = 1500
# Their data differ, or their names change while their clocks stay.
without = """America/Tijuana America/Ensenada America/Santa_Isabel Mexico/BajaNorte EET WET""".split()
named = (javascript.root / "src/dialect/javascript/zone_names.inc").read_text().split("zone_texts")[0]


class Maker(Cases):
    def __init__(self, seed):
        super().__init__(seed)
        self.zones = Zones(self.random, without)

    def time(self):
        year, month, day, hour, minute = self.zones.clock()
        year += 50 if year < 2021 and self.named else 0
        return calendar.timegm((year, month, day, hour, minute, self.random.randrange(60))) * 1000

    def options(self):
        r = self.random
        if r.random() < 0.25:
            return {key: r.choice(["full", "long", "medium", "short"]) for key in ["dateStyle", "timeStyle"] if r.random() < 0.7}
        options = {key: r.choice(widths) for key, widths in date_widths.items() if r.random() < 0.4}
        options.update({key: r.choice(["numeric", "2-digit"]) for key in time_keys[:r.choice([0, 0, 1, 2, 3])]})
        if r.random() < 0.1:
            options["hour12"] = r.random() < 0.5
        return options

    def call(self):
        r = self.random
        options = self.options()
        styled = "dateStyle" in options or "timeStyle" in options
        of_day = [key for key in options if key in date_widths]
        if not styled and of_day != ["weekday"] and r.random() < 0.4:
            options["timeZoneName"] = r.choice(["short", "short", "long", "shortOffset", "longOffset"])
        self.named = "timeZoneName" in options or options.get("timeStyle") in ("full", "long")
        tag = "en-US" if self.named else self.tag()
        while "-u-" in tag or tag.startswith(of_other_calendars):
            tag = self.tag()
        if options.get("hour12") is False and "minute" not in options:
            options.pop("timeZoneName", None)
        zone = self.zones.next()
        while self.named and '"%s"' % zone not in named:
            zone = self.zones.next()
        options["timeZone"] = zone.lower() if r.random() < 0.05 else zone
        arguments = "%s, %s" % (json.dumps(tag), json.dumps(options))
        if r.random() < 0.3:
            return "new Intl.DateTimeFormat(%s).format(new Date(%d))" % (arguments, self.time())
        name = r.choice(["toLocaleString", "toLocaleDateString", "toLocaleTimeString"])
        if options.keys() & {"dateStyle", "timeStyle"}:
            name = "toLocaleString"
        return "new Date(%d).%s(%s)" % (self.time(), name, arguments)

    def case(self):
        statement = "console.log(%s);" % self.call()
        return {"statement": statement, "values": []}, {"names": [], "values": [], "statement": statement}


def cases(seed, wanted):
    maker = Maker(seed)
    return javascript.asked([maker.case() for _ in range(wanted)])


def main():
    needs("node --version | grep -q v20")
    version = subprocess.run(["node", "--version"], check=True, capture_output=True, text=True).stdout.strip()
    header = {"dialect": "javascript", "runtime": "Node.js " + version, "recorder": "tools/record/javascript_zones.py"}
    write_cases(javascript.root / "tests/vectors/javascript-zones.jsonl", header, cases, sys.argv[1:], count, live_count)


if __name__ == "__main__":
    main()
