// What Intl knows of some locales. Asked by tools/record/javascript_locale_table.py, which says how.
"use strict";
const { tags, worded, currencies, units } = JSON.parse(require("fs").readFileSync(0, "utf8"));

// Every locale that there are data of; those with digits of their own once more with the usual ones.
function known() {
  const has = (tag) => new Intl.NumberFormat(tag).resolvedOptions().locale === tag;
  const letters = [..."abcdefghijklmnopqrstuvwxyz"];
  const codes = letters.flatMap((a) => letters.flatMap((b) => ["", ...letters].map((c) => a + b + c)))
    .filter((tag) => Intl.NumberFormat.supportedLocalesOf(tag).length);
  const languages = codes.filter(has);
  // Codes that are another name of such a language.
  const renamed = codes.filter((tag) => !has(tag)).map((tag) => [tag, new Intl.NumberFormat(tag).resolvedOptions().locale]);
  const pairs = letters.flatMap((a) => letters.map((b) => (a + b).toUpperCase()));
  const names = new Intl.DisplayNames("en", { type: "region", fallback: "none" });
  const regions = [...pairs, "001", "150", "419"].filter((region) => names.of(region) !== undefined);
  const scripts = ("Latn Cyrl Arab Deva Hans Hant Guru Beng Adlm Olck Tfng Vaii Mong Telu Orya Taml Mtei Hebr Nkoo Thaa Grek Ethi Knda Mlym").split(" ");
  const out = [];
  for (const language of languages)
    for (const whole of [language, ...scripts.map((script) => language + "-" + script).filter(has)])
      out.push(whole, ...regions.map((region) => whole + "-" + region).filter(has));
  const tags = out.flatMap((tag) => new Intl.NumberFormat(tag).resolvedOptions().numberingSystem === "latn" ? [tag] : [tag, tag + "-u-nu-latn"]);
  return { tags, renamed };
}
if (!tags) {
  process.stdout.write(JSON.stringify(known()));
  process.exit();
}
const at = (...fields) => new Date(Date.UTC(...fields));
// Of each calendar three days, the first on the ninth of a month before the tenth, and of the first of these the year, and the month.
const calendars = {
  gregory: { days: [at(2031, 4, 9, 4, 5, 7), at(2034, 10, 22, 15, 16, 17), at(2031, 4, 9, 0, 5, 7)], year: 2031, month: 5, firstMonth: 0 },
  buddhist: { days: [at(2031, 4, 9, 4, 5, 7), at(2034, 10, 22, 15, 16, 17), at(2031, 4, 9, 0, 5, 7)], year: 2574, month: 5, firstMonth: 0 },
  persian: { days: [at(2031, 3, 29, 4, 5, 7), at(2034, 10, 22, 15, 16, 17), at(2031, 3, 29, 0, 5, 7)], year: 1410, month: 2, firstMonth: 3 },
};
const widths = { weekday: ["short", "long", "narrow"], year: ["numeric", "2-digit"],
                 month: ["numeric", "2-digit", "short", "long", "narrow"], day: ["numeric", "2-digit"] };
const hours = { "4,15,0": "{H}", "04,15,00": "{HH}", "4,3,12": "{h}", "04,03,12": "{hh}", "4,15,24": "{K}", "04,15,24": "{KK}",
                "4,3,0": "{J}", "04,03,00": "{JJ}" };
const plainOf = ({ year, month }) => ({ year: { [year]: "{Y}", [year % 100]: "{y}" }, month: { [month]: "{M}", ["0" + month]: "{m}" }, day: { 9: "{D}", "09": "{d}" },
                minute: { 5: "{I}", "05": "{i}" }, second: { 7: "{S}", "07": "{s}" } });
const dateKeys = ["weekday", "year", "month", "day"], timeKeys = ["hour", "minute", "second"];

// What has digits has those of ASCII; a locale's own come later.
const systems = new Map();
const countable = ["integer", "fraction", "year", "month", "day", "hour", "minute", "second", "exponentInteger"];
function digitsOf(tag) {
  if (!systems.has(tag)) systems.set(tag, [...new Intl.NumberFormat(tag, { useGrouping: false }).format(9876543210)].reverse());
  return systems.get(tag);
}
function ascii(tag, parts) {
  const digits = digitsOf(tag);
  if (digits[0] === "0") return parts;
  const plain = (text) => [...text].map((c) => digits.includes(c) ? String(digits.indexOf(c)) : c).join("");
  return parts.map((part) => countable.includes(part.type) ? { type: part.type, value: plain(part.value) } : part);
}
class Dates {
  constructor(tag, options) { this.tag = tag, this.form = new Intl.DateTimeFormat(tag, { timeZone: "UTC", ...options }); }
  raw(day) { return this.form.formatToParts(day); }
  formatToParts(day) { return ascii(this.tag, this.raw(day)); }
}
class Numbers {
  constructor(tag, options) { this.tag = tag, this.form = new Intl.NumberFormat(tag, options); }
  formatToParts(number) { return ascii(this.tag, this.form.formatToParts(number)); }
  resolvedOptions() { return this.form.resolvedOptions(); }
}

class Locale {
  constructor(tag) {
    this.tag = tag;
    this.calendar = new Intl.DateTimeFormat(tag).resolvedOptions().calendar;
    this.known = calendars[this.calendar];
    this.plain = this.known && plainOf(this.known);
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
  // The parts of the day: of its halves, or of each hour; null where they go by the minute.
  periods(form) {
    const of = (hour, minute) => form.formatToParts(at(2031, 4, 9, hour, minute)).find((part) => part.type === "dayPeriod").value;
    const hours = [...Array(24).keys()];
    const names = hours.map((hour) => of(hour, 0));
    if (!hours.every((hour) => of(hour, 30) === names[hour])) return null;
    const halves = hours.every((hour) => names[hour] === names[hour < 12 ? 4 : 15]);
    return halves ? "{P" + this.list([names[4], names[15]]) + "}" : "{Q" + this.list(names) + "}";
  }
  // The pattern of some options; null where it has a field that is not known here.
  pattern(options, pick = (parts) => parts) {
    if (!this.known) return null;
    const form = new Dates(this.tag, options);
    const { days, firstMonth } = this.known;
    const parts = days.map((day) => form.formatToParts(day));
    const named = (days, type) => this.list(days.map((day) => form.raw(day).find((part) => part.type === type).value));
    // Digits that are not those of the locale are the name of a month.
    const isName = (part, raw) => part.type === "month" && digitsOf(this.tag)[0] !== "0" && /^[0-9]/.test(raw.value);
    let out = "";
    for (const [i, part] of pick(parts[0]).entries()) {
      const where = parts[0].indexOf(part);
      if (part.type === "literal" || part.type === "timeZoneName") out += part.value;
      else if (part.type === "hour") out += hours[parts.map((all) => all.find((one) => one.type === "hour").value)] ?? null;
      else if (part.type === "weekday") out += "{W" + named([0, 1, 2, 3, 4, 5, 6].map((i) => at(2031, 5, 1 + i, 4)), "weekday") + "}";
      else if (part.type === "dayPeriod") out += this.periods(form);
      else if (part.type === "era" && this.calendar !== "gregory") out += part.value;
      else if (!isName(part, form.raw(days[0])[where]) && this.plain[part.type]?.[part.value]) out += this.plain[part.type][part.value];
      else if (part.type === "month") out += "{N" + named([...Array(12).keys()].map((i) => at(2031, firstMonth + i, 9, 4)), "month") + "}";
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

// Times that tell what stands before them; all of them take an hour a locale.
const few = [...times.keys()].filter((j) => times[j].hour === "numeric" && times[j].minute !== "2-digit" && times[j].second !== "2-digit" && !(times[j].second && !times[j].minute));
function datesOf(locale) {
  const isEmpty = (one) => Object.keys(one).filter((key) => key !== "hour12").length === 0;
  const ofDates = dates.map((one) => isEmpty(one) ? null : locale.pattern(one));
  const ofTimes = times.map((one) => isEmpty(one) ? null : locale.pattern(one));
  // What stands between a date and a time, or how they stand together, where the two are what they are alone.
  const between = dates.map((date, i) => {
    let found;
    for (const j of few.filter((j) => ofTimes[j] !== null)) {
      const whole = locale.pattern({ ...date, ...times[j] });
      if (ofDates[i] === null || whole === null || !whole.includes(ofDates[i]) || !whole.includes(ofTimes[j])) return null;
      const isPlain = whole.startsWith(ofDates[i]) && whole.endsWith(ofTimes[j]) && whole.length >= ofDates[i].length + ofTimes[j].length;
      const link = isPlain ? whole.slice(ofDates[i].length, whole.length - ofTimes[j].length)
                           : whole.replace(ofDates[i], "{d}").replace(ofTimes[j], "{t}");
      if (!isPlain && (link.split("{d}").length !== 2 || link.split("{t}").length !== 2)) return null;
      if (found !== undefined && found !== link) return null;
      found = link;
    }
    return found;
  });
  // A day of the week alone goes with a time in ways of its own.
  const week = widths.weekday.flatMap((weekday) => times.map((time) => time.hour ? locale.pattern({ weekday, ...time }) : null));
  // The styles: those of dates, those of times, and the two together, where {d} and {t} are what they are alone.
  const names = ["full", "long", "medium", "short"];
  const dateStyles = names.map((dateStyle) => locale.pattern({ dateStyle }));
  const timeStyles = names.map((timeStyle) => locale.pattern({ timeStyle }));
  const together = names.flatMap((dateStyle, i) => names.map((timeStyle, j) => {
    const whole = locale.pattern({ dateStyle, timeStyle });
    if (whole === null || !whole.includes(dateStyles[i]) || !whole.includes(timeStyles[j])) return null;
    return whole.replace(dateStyles[i], "{d}").replace(timeStyles[j], "{t}");
  }));
  return [ofDates, ofTimes, between, week, [...dateStyles, ...timeStyles, ...together]].map((list) => list.map((one) => locale.place(one)));
}

// The text with # in the place of the digits, ~ in the place of a sign, and $ in the place of a currency.
function shape(parts, mark = "\u00a4") {
  let out = "";
  let seen = false;
  for (const part of parts) {
    if (["integer", "group", "decimal", "fraction"].includes(part.type)) out += seen ? "" : "#", seen = true;
    else out += part.type === "minusSign" || part.type === "plusSign" ? "~" : part.type === "currency" ? mark ?? part.value : part.value;
  }
  return out;
}
const samples = [0, 1, 2, 3, 4, 5, 11, 21, 100, 1.5, 1000000];
function plurals(tag, options) {
  const rules = new Intl.PluralRules(tag);
  const found = {};
  for (const sample of samples) {
    // With places shown, the category may be another: 1.50 US dollars.
    const category = new Intl.PluralRules(tag, { minimumFractionDigits: options.minimumFractionDigits,
                                                 maximumFractionDigits: options.maximumFractionDigits }).select(sample);
    const text = shape(new Numbers(tag, options).formatToParts(sample), null);
    if (found[category] !== undefined && found[category] !== text) throw new Error([tag, category, text, found[category]].join());
    found[category] = text;
  }
  if (found.zero !== undefined || found.two !== undefined) throw new Error(tag + " has a form for zero or two");
  return ["one", "few", "many", "other"].map((name) => found[name] ?? found.other ?? found.many);
}
// Of each currency its places, its two symbols, and for each way to show it the five patterns of an amount.
function moneyOf(locale) {
  return currencies.map((currency) => {
    const form = (more) => new Numbers(locale.tag, { style: "currency", currency, ...more });
    const shown = ["symbol", "narrowSymbol", "code"].map((currencyDisplay) => {
      const accounting = { currencyDisplay, currencySign: "accounting" };
      const all = [form({ currencyDisplay }).formatToParts(5), form({ currencyDisplay }).formatToParts(-5), form(accounting).formatToParts(-5),
                   form({ ...accounting, signDisplay: "always" }).formatToParts(5), form(accounting).formatToParts(5)];
      return { symbol: valueOf(all[0], "currency"), shapes: all.map((parts) => locale.place(shape(parts))) };
    });
    if (shown[2].symbol !== currency) throw new Error(locale.tag + currency);
    return { places: form({}).resolvedOptions().maximumFractionDigits, symbols: [shown[0].symbol, shown[1].symbol], shapes: shown.map((one) => one.shapes) };
  });
}
function namedOf(locale) {
  return currencies.flatMap((currency) => {
    const options = { style: "currency", currency, currencyDisplay: "name", minimumFractionDigits: 0, maximumFractionDigits: 1 };
    try {
      return plurals(locale.tag, options).map((one) => locale.place(one));
    } catch {
      // One of them has its number in more than one place; it is not known here.
      return [0, 0, 0, 0];
    }
  });
}
function unitsOf(locale) {
  return units.map((unit) => ["short", "long", "narrow"].map((unitDisplay) =>
    plurals(locale.tag, { style: "unit", unit, unitDisplay, maximumFractionDigits: 1 }).map((one) => locale.place(one)))).flat(2);
}
// Of each power of ten the digits that stand before the word, the pattern of one (or ten, or a hundred), and that
// of each category of what is shown.
const withPlace = { useGrouping: false, minimumFractionDigits: 1, maximumFractionDigits: 1 };
function compactOf(locale) {
  const out = [];
  const rules = new Intl.PluralRules(locale.tag), rulesWithPlace = new Intl.PluralRules(locale.tag, withPlace);
  for (const compactDisplay of ["short", "long"]) {
    const whole = new Numbers(locale.tag, { notation: "compact", compactDisplay, useGrouping: false, maximumFractionDigits: 0 });
    const placed = new Numbers(locale.tag, { notation: "compact", compactDisplay, ...withPlace });
    for (let e = 3; e <= 14; ++e) {
      const integer = whole.formatToParts(10 ** e).find((part) => part.type === "integer")?.value ?? "1";
      const digits = integer.length, first = 10 ** (digits - 1), scale = 10 ** (e - digits + 1);
      const numbers = [...Array(Math.min(9 * first, 130)).keys()].map((i) => first + i);
      const found = {};
      const take = (category, text) => {
        if (found[category] !== undefined && found[category] !== text) throw new Error([locale.tag, e, category, text, found[category]].join());
        found[category] = text;
      };
      // French has a word for exactly one.
      for (const number of numbers.slice(1)) take(rules.select(number), shape(whole.formatToParts(number * scale)));
      for (const number of numbers) for (const tenth of [1, 2, 5]) take(rulesWithPlace.select(number + tenth / 10), shape(placed.formatToParts((number + tenth / 10) * scale)));
      const one = shape(whole.formatToParts(first * scale));
      const other = found.other ?? found.many ?? one;
      out.push(digits, ...[one, found.one ?? one, found.few ?? other, found.many ?? other, other].map((text) => locale.place(text)));
    }
  }
  return out;
}
const exponent = (tag) => new Numbers(tag, { notation: "scientific" }).formatToParts(1000).find((part) => part.type === "exponentSeparator").value;
const valueOf = (parts, type) => parts.find((part) => part.type === type)?.value ?? "";
// Whether the locale writes other digits as it writes those of ASCII.
const otherSystems = "beng deva fullwide gujr guru khmr knda laoo mlym mymr orya tamldec telu thai tibt".split(" ");
const telling = [[1234567.5, {}], [-1234.5, {}], [5, { signDisplay: "always" }], [-0.125, { style: "percent", maximumFractionDigits: 1 }],
                 [-1234.5, { style: "currency", currency: "USD" }], [-1234.5, { style: "currency", currency: "USD", currencySign: "accounting" }],
                 [5, { style: "currency", currency: "CHF" }], [1234567, { notation: "scientific", maximumFractionDigits: 6 }], [-5, { style: "unit", unit: "kilometer" }]];
function takesOtherDigits(tag) {
  const written = (system) => {
    const digits = [...new Intl.NumberFormat("en-u-nu-" + system, { useGrouping: false }).format(9876543210)].reverse();
    const plain = (text) => [...text].map((c) => digits.includes(c) ? String(digits.indexOf(c)) : c).join("");
    return telling.map(([number, options]) => plain(new Intl.NumberFormat(tag + "-u-nu-" + system, options).format(number))).join("|");
  };
  const usual = written("latn");
  return otherSystems.every((system) => written(system) === usual);
}
// How the locale writes numbers, in the order of struct Locale.
function marksOf(tag) {
  const parts = (number, options) => new Numbers(tag, options).formatToParts(number);
  const groups = (number) => parts(number).filter((part) => part.type === "integer").map((part) => part.value.length);
  const money = { style: "currency", currency: "USD", useGrouping: "always" };
  const largest = groups(123456789012);
  const accounts = parts(1e9, { ...money, currencySign: "accounting" }).filter((part) => part.type === "integer").map((part) => part.value.length);
  const percents = parts(1e9, { style: "percent" }).filter((part) => part.type === "integer").map((part) => part.value.length);
  const moneyGroups = parts(1e9, money).filter((part) => part.type === "integer").map((part) => part.value.length);
  // Some locales write amounts in euros with the marks of another.
  const euros = parts(12345.5, { ...money, currency: "EUR" });
  const hasOwnEuros = valueOf(euros, "decimal") !== valueOf(parts(1.5, money), "decimal") || valueOf(euros, "group") !== valueOf(parts(1e9, money), "group");
  if (hasOwnEuros && (valueOf(euros, "decimal") !== "." || valueOf(euros, "group") !== ",")) throw new Error(tag + " has other marks of euros");
  const around = (parts) => shape(parts).replace("#", "").split("~");
  return [valueOf(parts(1.5), "decimal"), valueOf(parts(1e9), "group"), valueOf(parts(-1), "minusSign"),
          valueOf(parts(1, { signDisplay: "always" }), "plusSign"), shape(parts(0.05, { style: "percent" })), shape(parts(-0.05, { style: "percent" })),
          valueOf(parts(NaN), "nan"), valueOf(parts(1.5, money), "decimal"), valueOf(parts(1e9, money), "group"),
          ...around(parts(-1)), ...around(parts(1, { signDisplay: "always" })), [1234, 12345, 123456].findIndex((number) => groups(number).length > 1) + 4, largest[largest.length - 2] === 2,
          percents[percents.length - 2] === 2, accounts[accounts.length - 2] === 2,
          moneyGroups[moneyGroups.length - 2] === 2, hasOwnEuros, takesOtherDigits(tag.split("-u-")[0]), [largest, percents, accounts, moneyGroups].every((sizes) => sizes[sizes.length - 1] === 3)];
}
// A line for each, so that what is known stays known where Intl itself ends the process.
const write = (answer) => require("fs").writeSync(1, JSON.stringify(answer) + "\n");
write(process.versions);
for (const tag of tags) {
  const locale = new Locale(tag);
  const [ofDates, ofTimes, between, week, styles] = datesOf(locale);
  const words = worded.includes(tag) ? { units: unitsOf(locale), compact: compactOf(locale), named: namedOf(locale) } : null;
  const money = moneyOf(locale);
  write({ tag, calendar: locale.calendar, digits: digitsOf(tag).join(""), marks: marksOf(tag), exponent: exponent(tag), names: locale.names, patterns: locale.patterns,
           tables: { dates: ofDates, times: ofTimes, between, week, styles }, money, words });
}
