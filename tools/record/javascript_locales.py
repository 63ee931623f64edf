#!/usr/bin/env python3
"""Writes what Intl of the running Node.js knows of the locales that toLocaleString takes: patterns and
names of dates, currencies, units and short numbers.

    tools/record/javascript_locales.py              writes src/dialect/javascript/locale_patterns.inc
    tools/record/javascript_locales.py --live SEED  cases, to standard output

A pattern has its fields in braces, as src/dialect/javascript/locale_patterns.hpp names them. The patterns
of a locale are listed once, each on a line; tables say by two letters of base 57, from '#', which of them
a combination of options has, and 0 is none.
"""

import json
import pathlib
import subprocess
import sys

import javascript_locale_calls
import locale_table
from javascript import locales, plain_locales
from recording import needs

currencies = ("USD EUR GBP JPY CHF CAD AUD NZD CNY INR BRL MXN SEK NOK DKK PLN CZK HUF TRY KRW ZAR SGD HKD THB ILS KWD ISK "
              "RUB UAH RON PHP IDR VND CLP COP ARS").split()
units = ("percent kilometer meter centimeter millimeter mile foot inch yard kilogram gram ounce pound liter milliliter gallon "
         "celsius fahrenheit degree hour minute second millisecond day week month year byte kilobyte megabyte gigabyte terabyte "
         "bit kilometer-per-hour mile-per-hour hectare acre").split()

program = r"""
"use strict";
const { locales, plainLocales, currencies, units } = JSON.parse(require("fs").readFileSync(0, "utf8"));
const at = (...fields) => new Date(Date.UTC(...fields));
const days = [at(2031, 4, 9, 4, 5, 7), at(2034, 10, 22, 15, 16, 17), at(2031, 4, 9, 0, 5, 7)];
const widths = { weekday: ["short", "long", "narrow"], year: ["numeric", "2-digit"],
                 month: ["numeric", "2-digit", "short", "long", "narrow"], day: ["numeric", "2-digit"] };
const hours = { "4,15,0": "{H}", "04,15,00": "{HH}", "4,3,12": "{h}", "04,03,12": "{hh}", "4,15,24": "{K}", "04,15,24": "{KK}",
                "4,3,0": "{J}", "04,03,00": "{JJ}" };
const plain = { year: { 2031: "{Y}", 31: "{y}" }, month: { 5: "{M}", "05": "{m}" }, day: { 9: "{D}", "09": "{d}" },
                minute: { 5: "{I}", "05": "{i}" }, second: { 7: "{S}", "07": "{s}" } };
const dateKeys = ["weekday", "year", "month", "day"], timeKeys = ["hour", "minute", "second"];

class Locale {
  constructor(tag) {
    this.tag = tag;
    this.names = [];
    this.patterns = [""];
  }
  list(names) {
    const joined = names.join("|").replaceAll("\u202f", " ");
    if (!this.names.includes(joined)) this.names.push(joined);
    return this.names.indexOf(joined);
  }
  place(pattern) {
    if (pattern === null) return 0;
    if (!this.patterns.includes(pattern)) this.patterns.push(pattern);
    return this.patterns.indexOf(pattern);
  }
  // Whether the day has two parts, and no more.
  halves(form) {
    const of = (hour) => form.formatToParts(at(2031, 4, 9, hour)).find((part) => part.type === "dayPeriod")?.value;
    return [...Array(24).keys()].every((hour) => of(hour) === of(hour < 12 ? 4 : 15));
  }
  // The pattern of some options; null where it has a field that is not known here.
  pattern(options, pick = (parts) => parts) {
    const form = new Intl.DateTimeFormat(this.tag, { timeZone: "UTC", ...options });
    const parts = days.map((day) => form.formatToParts(day));
    const named = (days, type) => this.list(days.map((day) => form.formatToParts(day).find((part) => part.type === type).value));
    let out = "";
    for (const [i, part] of pick(parts[0]).entries()) {
      const where = parts[0].indexOf(part);
      if (part.type === "literal" || part.type === "timeZoneName") out += part.value;
      else if (part.type === "hour") out += hours[parts.map((all) => all.find((one) => one.type === "hour").value)] ?? null;
      else if (part.type === "weekday") out += "{W" + named([0, 1, 2, 3, 4, 5, 6].map((i) => at(2031, 5, 1 + i, 4)), "weekday") + "}";
      else if (part.type === "dayPeriod" && !this.halves(form)) return null;
      else if (part.type === "dayPeriod") out += "{P" + named([at(2031, 4, 9, 4), at(2031, 4, 9, 15)], "dayPeriod") + "}";
      else if (plain[part.type]?.[part.value]) out += plain[part.type][part.value];
      else if (part.type === "month") out += "{N" + named([...Array(12).keys()].map((i) => at(2031, i, 9, 4)), "month") + "}";
      else return null;
    }
    // What format writes has a plain blank there, what formatToParts gives has not.
    return out.includes("null") ? null : out.replaceAll("\u202f", " ");
  }
}

function combinations(keys, values) {
  let out = [{}];
  for (const key of keys) out = out.flatMap((one) => [one, ...values[key].map((value) => ({ ...one, [key]: value }))]);
  return out;
}
const dates = combinations(dateKeys, widths);
const plainTimes = combinations(timeKeys, Object.fromEntries(timeKeys.map((key) => [key, ["numeric", "2-digit"]])));
const times = plainTimes.flatMap((one) => [one, { ...one, hour12: true }, { ...one, hour12: false }]);

function datesOf(locale) {
  const isEmpty = (one) => Object.keys(one).filter((key) => key !== "hour12").length === 0;
  const ofDates = dates.map((one) => isEmpty(one) ? null : locale.pattern(one));
  const ofTimes = times.map((one) => isEmpty(one) ? null : locale.pattern(one));
  // What stands between a date and a time, where the two are what they are alone.
  const between = dates.map((date, i) => {
    let found;
    for (const j of [...times.keys()].filter((j) => ofTimes[j] !== null && times[j].hour)) {
      const whole = locale.pattern({ ...date, ...times[j] });
      if (ofDates[i] === null || whole === null || !whole.startsWith(ofDates[i]) || !whole.endsWith(ofTimes[j])) return null;
      const link = whole.slice(ofDates[i].length, whole.length - ofTimes[j].length);
      if (found !== undefined && found !== link) return null;
      found = link;
    }
    return found;
  });
  // A day of the week alone goes with a time in ways of its own.
  const week = widths.weekday.flatMap((weekday) => times.map((time) => time.hour ? locale.pattern({ weekday, ...time }) : null));
  const names = [undefined, "full", "long", "medium", "short"];
  const styles = names.flatMap((dateStyle) => names.map((timeStyle) =>
    dateStyle || timeStyle ? locale.pattern({ dateStyle, timeStyle }) : null));
  return [ofDates, ofTimes, between, week, styles].map((list) => list.map((one) => locale.place(one)));
}

// The text with # in the place of the digits, and ~ in the place of a sign.
function shape(parts) {
  let out = "";
  let seen = false;
  for (const part of parts) {
    if (["integer", "group", "decimal", "fraction"].includes(part.type)) out += seen ? "" : "#", seen = true;
    else out += part.type === "minusSign" || part.type === "plusSign" ? "~" : part.value;
  }
  return out;
}
const samples = [0, 1, 2, 5, 1.5, 1000000];
function plurals(tag, options) {
  const rules = new Intl.PluralRules(tag);
  const found = {};
  for (const sample of samples) {
    // With places shown, the category may be another: 1.50 US dollars.
    const category = new Intl.PluralRules(tag, { minimumFractionDigits: options.minimumFractionDigits,
                                                 maximumFractionDigits: options.maximumFractionDigits }).select(sample);
    const text = shape(new Intl.NumberFormat(tag, options).formatToParts(sample));
    if (found[category] !== undefined && found[category] !== text) throw new Error([tag, category, text, found[category]].join());
    found[category] = text;
  }
  return ["one", "few", "many", "other"].map((name) => found[name] ?? found.other ?? found.many);
}
function moneyOf(locale) {
  return currencies.map((currency) => {
    const form = (more) => new Intl.NumberFormat(locale.tag, { style: "currency", currency, ...more });
    const out = [];
    for (const currencyDisplay of ["symbol", "narrowSymbol", "code"]) {
      const texts = [form({ currencyDisplay }).formatToParts(5), form({ currencyDisplay }).formatToParts(-5),
                     form({ currencyDisplay, currencySign: "accounting" }).formatToParts(-5),
                     form({ currencyDisplay, currencySign: "accounting", signDisplay: "always" }).formatToParts(5),
                     form({ currencyDisplay, currencySign: "accounting" }).formatToParts(5)];
      out.push(...texts.map((parts) => locale.place(shape(parts))));
    }
    const named = { style: "currency", currency, currencyDisplay: "name" };
    const places = form({}).resolvedOptions().maximumFractionDigits;
    if (locale.isPlain) return [places, ...out, 0, 0, 0, 0];
    const whole = plurals(locale.tag, { ...named, minimumFractionDigits: 0, maximumFractionDigits: 1 });
    return [places, ...out, ...whole.map((one) => locale.place(one))];
  }).flat();
}
function unitsOf(locale) {
  return units.map((unit) => ["short", "long", "narrow"].map((unitDisplay) =>
    plurals(locale.tag, { style: "unit", unit, unitDisplay, maximumFractionDigits: 1 }).map((one) => locale.place(one)))).flat(2);
}
function compactOf(locale) {
  const out = [];
  for (const compactDisplay of ["short", "long"]) {
    for (let e = 3; e <= 14; ++e) {
      const form = new Intl.NumberFormat(locale.tag, { notation: "compact", compactDisplay, useGrouping: false });
      const integer = (number) => form.formatToParts(number).find((part) => part.type === "integer")?.value ?? "1";
      const digits = integer(10 ** e).length;
      // What is shown is one (or ten, or a hundred), one with a place, few, many, many with a place.
      const first = 10 ** (digits - 1);
      const shown = digits === 1 ? [1, 1.5, 2, 5, 7.5] : digits === 2 ? [10, 10, 22, 25, 25.5] : [first, first, first + 2, first + 5, first + 5.5];
      const placed = new Intl.NumberFormat(locale.tag, { notation: "compact", compactDisplay, useGrouping: false, minimumFractionDigits: 1, maximumFractionDigits: 1 });
      const texts = shown.map((number, i) => shape((i === 4 ? placed : form).formatToParts(number * 10 ** (e - digits + 1))));
      out.push(digits, ...texts.map((one) => locale.place(one)));
    }
  }
  return out;
}
const exponent = (tag) => new Intl.NumberFormat(tag, { notation: "scientific" }).formatToParts(1000).find((part) => part.type === "exponentSeparator").value;
const valueOf = (parts, type) => parts.find((part) => part.type === type)?.value ?? "";
// How the locale writes numbers, in the order of struct Locale.
function marksOf(tag) {
  const parts = (number, options) => new Intl.NumberFormat(tag, options).formatToParts(number);
  const groups = (number) => parts(number).filter((part) => part.type === "integer").map((part) => part.value.length);
  const money = { style: "currency", currency: "USD", useGrouping: "always" };
  const largest = groups(123456789012);
  const accounts = parts(1e9, { ...money, currencySign: "accounting" }).filter((part) => part.type === "integer").map((part) => part.value.length);
  const percents = parts(1e9, { style: "percent" }).filter((part) => part.type === "integer").map((part) => part.value.length);
  if (parts(1234567890, { useGrouping: false })[0].value !== "1234567890") throw new Error(tag + " has digits of its own");
  return [valueOf(parts(1.5), "decimal"), valueOf(parts(1e9), "group"), valueOf(parts(-1), "minusSign"),
          valueOf(parts(1, { signDisplay: "always" }), "plusSign"), shape(parts(0.05, { style: "percent" })), shape(parts(-0.05, { style: "percent" })),
          valueOf(parts(NaN), "nan"), valueOf(parts(1.5, money), "decimal"), valueOf(parts(1e9, money), "group"),
          shape(parts(-1)).split("~")[0], groups(1234).length > 1 ? 4 : 5, largest[largest.length - 2] === 2,
          percents[percents.length - 2] === 2, accounts[accounts.length - 2] === 2];
}
const answer = [...locales, ...plainLocales].map((tag) => {
  const locale = new Locale(tag);
  locale.isPlain = plainLocales.includes(tag);
  const [ofDates, ofTimes, between, week, styles] = datesOf(locale);
  const tables = { dates: ofDates, times: ofTimes, between, week, styles, money: moneyOf(locale), units: locale.isPlain ? [] : unitsOf(locale),
                   compact: locale.isPlain ? [] : compactOf(locale) };
  // What a language alone means: the locale that is written as it is.
  const language = tag.split("-")[0], likely = new Intl.Locale(language).maximize();
  const alone = language + "-" + likely.region === tag;
  return { tag, alone, marks: marksOf(tag), exponent: exponent(tag), names: locale.names, patterns: locale.patterns, tables };
});
process.stdout.write(JSON.stringify({ answer, version: process.versions }));
"""


def literal(text):
    return '"' + "".join("\\" + c if c in '"\\' else "\\n" if c == "\n" else c for c in text) + '"'


def packed(numbers):
    return "".join(chr(35 + (n // 57)) + chr(35 + (n % 57)) for n in numbers)


def main():
    if sys.argv[1:2] == ["--live"]:
        needs("node --version | grep -q v20")
        version = subprocess.run(["node", "--version"], check=True, capture_output=True, text=True).stdout.strip()
        return javascript_locale_calls.live(int(sys.argv[2]), version, currencies, units)
    run = subprocess.run(["node", "-e", program], input=json.dumps({"locales": locales, "plainLocales": plain_locales, "currencies": currencies, "units": units}),
                         capture_output=True, text=True, check=False)
    if run.returncode:
        sys.exit(run.stderr)
    made = json.loads(run.stdout)
    lines = [f"// Asked of Node.js {made['version']['node']} with ICU {made['version']['icu']}.",
             "// Written by tools/record/javascript_locales.py, which says how."]
    for one in made["answer"]:
        lists = [literal(one["tag"]), literal(one["exponent"]), literal("\n".join(one["names"])), literal("\n".join(one["patterns"]))]
        assert not any("\n" in text for text in one["names"] + one["patterns"]), one["tag"]
        assert len(one["patterns"]) < 57 * 57
        lists += [literal(packed(one["tables"][name])) for name in ("dates", "times", "between", "week", "styles", "money", "units", "compact")]
        # Of known length: none has to be measured when they are compiled.
        lines.append("{" + ",\n ".join(text + "sv" for text in lists) + "},")
    marks = lines[:2]
    for one in sorted(made["answer"], key=lambda one: (one["tag"] != "en-US", one["tag"])):
        texts = [json.dumps(mark) if isinstance(mark, (int, bool)) else locale_table.literal(mark) for mark in one["marks"]]
        marks.append("{" + ", ".join([literal(one["tag"])] + texts) + "},")
    (pathlib.Path(__file__).resolve().parents[2] / "src/dialect/javascript/locale_marks.inc").write_text("\n".join(marks) + "\n")
    print("alone: " + " ".join(one["tag"] for one in made["answer"] if one["alone"]))
    target = pathlib.Path(__file__).resolve().parents[2] / "src/dialect/javascript/locale_patterns.inc"
    target.write_text("\n".join(lines) + "\n")
    print(f"{len(made['answer'])} locales in {target}, {target.stat().st_size} bytes")


if __name__ == "__main__":
    main()
