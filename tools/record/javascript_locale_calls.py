"""Dates, numbers, currencies and units as locales write them: what Intl of Node.js makes of random ones."""

import json
import random
import re

import javascript

currencies = ("USD EUR GBP JPY CHF CAD AUD NZD CNY INR BRL MXN SEK NOK DKK PLN CZK HUF TRY KRW ZAR SGD HKD THB ILS KWD ISK "
              "RUB UAH RON PHP IDR VND CLP COP ARS").split()
units = ("percent kilometer meter centimeter millimeter mile foot inch yard kilogram gram ounce pound liter milliliter gallon "
         "celsius fahrenheit degree hour minute second millisecond day week month year byte kilobyte megabyte gigabyte terabyte "
         "bit kilometer-per-hour mile-per-hour hectare acre").split()
date_widths = {"weekday": ["short", "long", "narrow"], "year": ["numeric", "2-digit"],
               "month": ["numeric", "2-digit", "short", "long", "narrow"], "day": ["numeric", "2-digit"]}
time_keys = ["hour", "minute", "second"]


systems = "latn deva beng fullwide gujr thai telu tibt".split()
# Locales that write other digits as they write their own.
of_other_digits = "en-US en-IN de-DE fr-FR es-MX pt-BR hi-IN mr-IN th-TH zh-CN zh-TW ja-JP ru-RU tr-TR id-ID ar-EG fa-IR ne-NP".split()
# Languages whose dates go by a calendar that is known from 1800 to 2100.
of_other_calendars = ("fa", "ckb", "ps", "mzn", "lrc", "uz-AF", "uz-Arab")


def known_tags():
    listed = (javascript.root / "src/dialect/javascript/locale_table.inc").read_text().split("locale_tags_here[] = {")[1].split("};")[0]
    return re.findall('"([^"]+)"', listed)


class Cases:
    def __init__(self, seed):
        self.random = random.Random(seed)
        self.tags = known_tags()

    def tag(self):
        r = self.random
        kind = r.random()
        tag = r.choice(javascript.locales if kind < 0.2 else javascript.worded_locales if kind < 0.6 else self.tags)
        if r.random() < 0.05:
            return r.choice(of_other_digits) + "-u-nu-" + r.choice(systems)
        # What Intl writes of these digits beyond the first plane is no text.
        return tag if tag in self.tags and not tag.startswith(("ff-Adlm", "ccp")) else "en-US"

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
        if "-u-" in tag and options.get("month") in ("short", "long", "narrow"):
            del options["month"]
        time = self.time()
        while tag.startswith(of_other_calendars) and not -5 * 10**12 < time < 4 * 10**12:
            time = self.time()
        tag = json.dumps(tag)
        tail = ", " + json.dumps({**options, "timeZone": "UTC"} if r.random() < 0.2 else options) if options else ""
        if r.random() < 0.3:
            return "new Intl.DateTimeFormat(%s%s).format(new Date(%d))" % (tag, tail, time)
        name = r.choice(["toLocaleString", "toLocaleDateString", "toLocaleTimeString"])
        return "new Date(%d).%s(%s%s)" % (time, name, tag, tail)

    def number(self):
        r = self.random
        value = r.choice([r.randrange(10**r.randrange(1, 8)) / 10**r.randrange(5), r.randrange(10**r.randrange(1, 17)), r.random() * 10**r.randrange(-8, 16),
                          r.randrange(2000) / 1000, r.choice([0, 1, 2, 5, 1.5, 999.5, 999999, 1e15, 1e6, 2e6, 0.5, 1234.5, 12345.675])])
        value = -value if r.random() < 0.3 else value
        options = {}
        style = r.random()
        if style < 0.3:
            options = {"style": "currency", "currency": r.choice(currencies)}
            if r.random() < 0.5:
                options["currencyDisplay"] = r.choice(["symbol", "narrowSymbol", "code", "name"])
            if r.random() < 0.3:
                options["currencySign"] = r.choice(["accounting", "standard"])
        elif style < 0.5:
            options = {"style": "unit", "unit": r.choice(units), "unitDisplay": r.choice(["short", "long", "narrow"])}
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
        if tag not in javascript.worded_locales:
            # Words that go by the number are not supported yet there.
            options = {} if options.get("style") == "unit" or options.get("notation") == "compact" else options
            if options.get("currencyDisplay") == "name":
                del options["currencyDisplay"]
        if tag.startswith("tr") and options.get("currencyDisplay") == "name":
            del options["currencyDisplay"]
        # Where a word stands before a number, the place of a sign is not supported yet.
        if options.get("notation") == "compact" and tag not in javascript.locales:
            value = abs(value)
            options.pop("signDisplay", None)
        tag = json.dumps(tag)
        tail = ", " + json.dumps(options) if options else ""
        if r.random() < 0.3:
            return "new Intl.NumberFormat(%s%s).format(%r)" % (tag, tail, value)
        return "(%r).toLocaleString(%s%s)" % (value, tag, tail)

    def case(self):
        made = self.date() if self.random.random() < 0.5 else self.number()
        statement = "console.log(%s);" % made
        return {"statement": statement, "values": []}, {"names": [], "values": [], "statement": statement}
