"""Dates, numbers, currencies and units as locales write them: what Intl of Node.js makes of random ones."""

import json
import random
import sys

import javascript

date_widths = {"weekday": ["short", "long", "narrow"], "year": ["numeric", "2-digit"],
               "month": ["numeric", "2-digit", "short", "long", "narrow"], "day": ["numeric", "2-digit"]}
time_keys = ["hour", "minute", "second"]
count = 4000


# What a language alone means, as src/dialect/javascript/locales.cpp has it.
alone = {tag.split("-")[0]: tag for tag in (javascript.root / "src/dialect/javascript/locales.cpp").read_text().split("usual_tags =")[1].split(";")[0].replace('"', "").split()}


class Cases:
    def __init__(self, seed, currencies, units):
        self.random = random.Random(seed)
        self.currencies = currencies
        self.units = units

    def tag(self):
        tag = self.random.choice(javascript.locales if self.random.random() < 0.4 else javascript.plain_locales)
        language = tag.split("-")[0]
        return language if self.random.random() < 0.1 and tag == alone.get(language) else tag

    def time(self):
        r = self.random
        day = 86400000
        return r.choice([0, day - 1, r.randrange(-12 * 10**12, 10**14), r.randrange(36525) * day, r.randrange(36525) * day + 43200000,
                         r.randrange(2 * 10**12), 1930572307250])

    def date(self):
        r = self.random
        options = {}
        kind = r.random()
        if kind < 0.2:
            options = {key: r.choice(["full", "long", "medium", "short"]) for key in ["dateStyle", "timeStyle"] if r.random() < 0.7}
        elif kind < 0.9:
            for key, widths in date_widths.items():
                if r.random() < 0.5:
                    options[key] = r.choice(widths)
            for key in time_keys[:r.choice([0, 0, 0, 1, 2, 3])]:
                options[key] = r.choice(["numeric", "2-digit"])
            if r.random() < 0.15:
                options["hour12"] = r.random() < 0.5
        tag = self.tag()
        # A calendar of its own, a time before the date, and more than two parts of a day are not supported yet.
        while tag.startswith(("th", "vi", "te", "zh-TW")) or tag.startswith("hi") and any(key in options for key in time_keys):
            tag = self.tag()
        tag = json.dumps(tag)
        tail = ", " + json.dumps({**options, "timeZone": "UTC"} if r.random() < 0.2 else options) if options else ""
        if r.random() < 0.3:
            return "new Intl.DateTimeFormat(%s%s).format(new Date(%d))" % (tag, tail, self.time())
        name = r.choice(["toLocaleString", "toLocaleDateString", "toLocaleTimeString"])
        return "new Date(%d).%s(%s%s)" % (self.time(), name, tag, tail)

    def number(self):
        r = self.random
        value = r.choice([r.randrange(10**r.randrange(1, 8)) / 10**r.randrange(5), r.randrange(10**r.randrange(1, 17)), r.random() * 10**r.randrange(-8, 16),
                          r.randrange(2000) / 1000, r.choice([0, 1, 2, 5, 1.5, 999.5, 999999, 1e15, 1e6, 2e6, 0.5, 1234.5, 12345.675])])
        value = -value if r.random() < 0.3 else value
        options = {}
        style = r.random()
        if style < 0.3:
            options = {"style": "currency", "currency": r.choice(self.currencies)}
            if r.random() < 0.5:
                options["currencyDisplay"] = r.choice(["symbol", "narrowSymbol", "code", "name"])
            if r.random() < 0.3:
                options["currencySign"] = r.choice(["accounting", "standard"])
        elif style < 0.5:
            options = {"style": "unit", "unit": r.choice(self.units), "unitDisplay": r.choice(["short", "long", "narrow"])}
        elif style < 0.7:
            options = {"notation": r.choice(["compact", "compact", "scientific", "engineering"])}
            if r.random() < 0.5:
                options["compactDisplay"] = r.choice(["short", "long"])
        elif style < 0.8:
            options = {"style": "percent"}
        if r.random() < 0.3:
            options["signDisplay"] = r.choice(["auto", "always", "never", "exceptZero", "negative"])
        if r.random() < 0.3:
            options["minimumFractionDigits"] = r.randrange(4)
        if r.random() < 0.3:
            options["maximumFractionDigits"] = r.randrange(6)
        if r.random() < 0.15:
            options["maximumSignificantDigits"] = r.randrange(1, 8)
        if r.random() < 0.1:
            options["minimumSignificantDigits"] = r.randrange(1, 8)
        if r.random() < 0.1:
            options["useGrouping"] = r.choice([True, False, "always", "auto", "min2"])
        if r.random() < 0.1:
            options["minimumIntegerDigits"] = r.randrange(1, 6)
        tag = self.tag()
        if alone.get(tag, tag) in javascript.plain_locales:
            # Words that go by the number are not supported yet there.
            options = {} if options.get("style") == "unit" or options.get("notation") == "compact" else options
            if options.get("currencyDisplay") == "name":
                del options["currencyDisplay"]
        tag = json.dumps(tag)
        tail = ", " + json.dumps(options) if options else ""
        if r.random() < 0.3:
            return "new Intl.NumberFormat(%s%s).format(%r)" % (tag, tail, value)
        return "(%r).toLocaleString(%s%s)" % (value, tag, tail)

    def case(self):
        made = self.date() if self.random.random() < 0.5 else self.number()
        statement = "console.log(%s);" % made
        return {"statement": statement, "values": []}, {"names": [], "values": [], "statement": statement}


def live(seed, version, currencies, units):
    cases = Cases(seed, currencies, units)
    print(json.dumps({"dialect": "javascript", "runtime": "Node.js " + version,
                      "recorder": "tools/record/javascript_locales.py", "seed": seed}))
    for case in javascript.asked([cases.case() for _ in range(count)]):
        sys.stdout.write(json.dumps(case) + "\n")
