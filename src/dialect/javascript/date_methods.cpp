// What programs do with dates: new Date, its getters and setters, and the texts of it: ECMA-262,
// 21.4, and ECMA-402, 13.

#include <algorithm>
#include <cmath>

#include "dates.hpp"
#include "dialect/lexis.hpp"
#include "evaluator.hpp"
#include "locale_patterns.hpp"

namespace inky::inline v1::javascript {

namespace {

std::array<double, 7> parts_of(const DateFields& fields) {
  return {static_cast<double>(fields.year),       static_cast<double>(fields.month),
          static_cast<double>(fields.day),        static_cast<double>(fields.hour),
          static_cast<double>(fields.minute),     static_cast<double>(fields.second),
          static_cast<double>(fields.millisecond)};
}

constexpr std::string_view part_names[] = {"FullYear", "Month",   "Date",        "Hours",
                                           "Minutes",  "Seconds", "Milliseconds"};

// Which of the parts a getter or a setter is about; nothing where it is none.
std::optional<std::size_t> part_named(std::string_view name) {
  name.remove_prefix(3);
  if (name.starts_with("UTC")) name.remove_prefix(3);
  const auto* found = std::find(std::begin(part_names), std::end(part_names), name);
  if (found == std::end(part_names)) return std::nullopt;
  return static_cast<std::size_t>(found - std::begin(part_names));
}

}  // namespace

// The parts of a date as arguments: years below 100 are of the twentieth century.
bool Evaluator::take_parts(const Node& node, const std::vector<Datum>& arguments, double& out) {
  std::array<double, 7> parts{};
  parts[2] = 1;
  for (std::size_t i = 0; i < std::min(arguments.size(), parts.size()); ++i) {
    if (!to_number(arguments[i], node, parts[i])) return false;
  }
  const double year = std::trunc(parts[0]);
  if (year >= 0 && year <= 99) parts[0] = 1900 + year;
  out = time_from(parts);
  return true;
}

bool Evaluator::construct_date(const Node& node, const std::vector<Datum>& arguments, Datum& out) {
  out = Datum::of_kind(DatumKind::date);
  if (arguments.empty()) return not_yet("the time of now is", node);
  if (arguments.size() > 1) return take_parts(node, arguments, out.number);
  const Datum& given = arguments[0];
  if (given.kind == DatumKind::date) {
    out.number = given.number;
    return true;
  }
  if (given.kind >= DatumKind::text) {
    std::string text;
    append_text(given, text);
    const auto time = read_date(text);
    if (!time) return not_yet("a date in this form is", node);
    out.number = *time;
    return true;
  }
  double number = 0;
  if (!to_number(given, node, number)) return false;
  constexpr double most = 8.64e15;
  out.number = std::fabs(number) <= most ? std::trunc(number) + 0.0 : std::nan("");
  return true;
}

bool Evaluator::set_date(const Node& node, Datum& of, std::size_t which,
                         const std::vector<Datum>& arguments, Datum& out) {
  std::array<double, 7> parts{};
  if (std::isnan(of.number) && which > 0) {
    out = of;
    out.kind = DatumKind::number;
    return true;
  }
  parts = parts_of(fields_of(std::isnan(of.number) ? 0 : of.number));
  // A setter takes the smaller parts of its half, too.
  const std::size_t end = which < 3 ? 3 : parts.size();
  if (arguments.empty()) parts[which] = std::nan("");
  for (std::size_t i = 0; i < arguments.size() && which + i < end; ++i) {
    if (!to_number(arguments[i], node, parts[which + i])) return false;
  }
  of.number = time_from(parts);
  out = Datum::of_number(of.number);
  return true;
}

bool Evaluator::call_on_date(const Node& node, Datum& of, const std::vector<Datum>& arguments,
                             Datum& out) {
  const std::string& name = node.parts[0].text;
  const double time = of.number;
  if (name == "getTime" || name == "valueOf" || name == "getTimezoneOffset") {
    out = Datum::of_number(name == "getTimezoneOffset" && !std::isnan(time) ? 0 : time);
    return true;
  }
  if (name.starts_with("get") || name.starts_with("set")) {
    const auto which = part_named(name);
    if (name == "setTime") {
      double number = 0;
      if (!take_integer(arguments, 0, node, std::nan(""), number)) return false;
      of.number = number;
      out = Datum::of_number(number);
      return true;
    }
    if (name[0] == 's' && which) return set_date(node, of, *which, arguments, out);
    const bool is_day = name == "getDay" || name == "getUTCDay";
    if (!which && !is_day) return missing(node, is_method(name));
    if (std::isnan(time)) {
      out = Datum::of_number(time);
      return true;
    }
    const DateFields fields = fields_of(time);
    out = Datum::of_number(is_day ? fields.weekday : parts_of(fields)[*which]);
    return true;
  }
  if (name == "toISOString" || name == "toJSON") {
    if (std::isnan(time)) {
      out = Datum::of_kind(DatumKind::null);
      return name == "toJSON" || fail("RangeError", "Invalid time value", node);
    }
    out = Datum::of_text(iso_text(time));
    return true;
  }
  if (name == "toLocaleString") return format_date(node, time, arguments, DateParts::all, out);
  if (name == "toLocaleDateString") return format_date(node, time, arguments, DateParts::date, out);
  if (name == "toLocaleTimeString") return format_date(node, time, arguments, DateParts::time, out);
  out.kind = DatumKind::text;
  if (name == "toString")
    out.text = date_text(time);
  else if (name == "toDateString")
    out.text = day_text(time);
  else if (name == "toTimeString")
    out.text = hour_text(time);
  else if (name == "toUTCString" || name == "toGMTString")
    out.text = utc_text(time);
  else
    return missing(node, is_method(name));
  return true;
}

namespace {

std::string two_digits(std::int64_t number, bool has_two) {
  const std::string text = std::to_string(number);
  return has_two && text.size() < 2 ? "0" + text : text;
}

// What a field of a pattern comes to.
std::string field_text(std::string_view field, const DateFields& fields,
                       const LocalePatterns& locale) {
  const char letter = field[0];
  const bool has_two = field.size() > 1;
  const int half = fields.hour % 12;
  switch (letter) {
    case 'Y':
      return two_digits(fields.year, false);
    case 'y':
      return two_digits(fields.year % 100, true);
    case 'M':
    case 'm':
      return two_digits(fields.month + 1, letter == 'm');
    case 'D':
    case 'd':
      return two_digits(fields.day, letter == 'd');
    case 'I':
    case 'i':
      return two_digits(fields.minute, letter == 'i');
    case 'S':
    case 's':
      return two_digits(fields.second, letter == 's');
    case 'H':
      return two_digits(fields.hour, has_two);
    case 'h':
      return two_digits(half == 0 ? 12 : half, has_two);
    case 'K':
      return two_digits(fields.hour == 0 ? 24 : fields.hour, has_two);
    case 'J':
      return two_digits(half, has_two);
    default:
      break;
  }
  std::size_t list = 0;
  for (const char digit : field.substr(1)) list = list * 10 + static_cast<std::size_t>(digit - '0');
  const int place = letter == 'N'   ? fields.month
                    : letter == 'W' ? fields.weekday
                                    : fields.hour / 12;
  return std::string(locale.name(list, static_cast<std::size_t>(place)));
}

std::string date_in(std::string_view pattern, const DateFields& fields,
                    const LocalePatterns& locale) {
  std::string out;
  while (!pattern.empty()) {
    const std::size_t open = std::min(pattern.find('{'), pattern.size());
    out += pattern.substr(0, open);
    pattern.remove_prefix(open);
    if (pattern.empty()) break;
    const std::size_t close = pattern.find('}');
    out += field_text(pattern.substr(1, close - 1), fields, locale);
    pattern.remove_prefix(close + 1);
  }
  return out;
}

int width_named(std::string_view words, std::string_view word) {
  int place = 1;
  while (!words.empty()) {
    const std::size_t end = std::min(words.find(' '), words.size());
    if (words.substr(0, end) == word) return place;
    words.remove_prefix(std::min(end + 1, words.size()));
    ++place;
  }
  return 0;
}

struct Widths {
  std::array<int, 4> date{};
  std::array<int, 3> time{};
  int date_style = 0;
  int time_style = 0;
  int twelve = 0;
  bool has_date() const { return date != std::array<int, 4>{}; }
  bool has_time() const { return time != std::array<int, 3>{}; }
};

constexpr std::string_view date_words[] = {"weekday", "year", "month", "day"};
constexpr std::string_view date_widths[] = {"short long narrow", "numeric 2-digit",
                                            "numeric 2-digit short long narrow", "numeric 2-digit"};
constexpr std::string_view time_words[] = {"hour", "minute", "second"};
constexpr std::string_view style_words = "full long medium short";

// Sets what an option asks. Nothing where it is not known; 0 of a width is one that there is not.
std::optional<int> take_width(std::string_view key, std::string_view value, Widths& out) {
  for (std::size_t i = 0; i < out.date.size(); ++i) {
    if (key == date_words[i]) return out.date[i] = width_named(date_widths[i], value);
  }
  for (std::size_t i = 0; i < out.time.size(); ++i) {
    if (key == time_words[i]) return out.time[i] = width_named("numeric 2-digit", value);
  }
  if (key == "dateStyle") return out.date_style = width_named(style_words, value);
  if (key == "timeStyle") return out.time_style = width_named(style_words, value);
  return std::nullopt;
}

}  // namespace

bool Evaluator::format_date(const Node& node, double time, const std::vector<Datum>& arguments,
                            DateParts parts, Datum& out) {
  const Locale* locale = nullptr;
  if (!take_locale(node, arguments, locale)) return false;
  const LocalePatterns& patterns = *LocalePatterns::of(locale->tag);
  Widths widths;
  if (arguments.size() > 1 && arguments[1].kind != DatumKind::undefined) {
    const Datum& given = arguments[1];
    if (given.kind != DatumKind::object) return not_yet("such options are", node);
    for (std::size_t i = 0; i < given.keys.size(); ++i) {
      const std::string& key = given.keys[i];
      const Datum& value = given.items[i];
      if (value.kind == DatumKind::undefined) continue;
      if (key == "hour12") {
        widths.twelve = holds(value) ? 1 : 2;
        continue;
      }
      const bool is_utc = key == "timeZone" && value.kind == DatumKind::text && value.text == "UTC";
      if (is_utc) continue;
      std::string text;
      append_text(value, text);
      const auto width = take_width(key, text, widths);
      if (!width) return not_yet("the option " + key + " of dates, with this value, is", node);
      if (*width == 0)
        return fail(
            "RangeError",
            std::string("Value ").append(text) + " out of range for options property " + key, node);
    }
  }
  const bool has_style = widths.date_style != 0 || widths.time_style != 0;
  if (has_style && (widths.has_date() || widths.has_time()))
    return fail("TypeError", "a style and a part of a date are not asked together", node);
  if ((parts == DateParts::date && widths.time_style != 0) ||
      (parts == DateParts::time && widths.date_style != 0))
    return fail("TypeError", "Invalid option", node);
  const bool has_own = has_style || (widths.has_date() && parts != DateParts::time) ||
                       (widths.has_time() && parts != DateParts::date);
  if (!has_own && parts != DateParts::time) widths.date = {0, 1, 1, 1};
  if (!has_own && (parts == DateParts::all || parts == DateParts::time)) widths.time = {1, 1, 1};
  if (has_style && widths.twelve != 0) return not_yet("a style with hour12 is", node);
  out.kind = DatumKind::text;
  out.text = "Invalid Date";
  if (std::isnan(time)) return true;
  const DateFields fields = fields_of(time);
  if (fields.year < 1 || fields.year > 9999) return not_yet("a date of such a year is", node);
  // Before 1582 these go by another calendar.
  constexpr int first_year = 1583;
  if (fields.year < first_year) return not_yet("a date as early as this is", node);
  std::string pattern;
  const auto add = [&](const std::optional<std::string_view>& part) {
    if (part) pattern += *part;
    return part.has_value();
  };
  bool known = true;
  const bool has_weekday_alone =
      widths.date[0] != 0 && widths.date[1] + widths.date[2] + widths.date[3] == 0;
  if (has_weekday_alone && widths.has_time()) {
    known = add(patterns.week_time(widths.date[0], widths.time, widths.twelve));
  } else if (has_style) {
    known = add(patterns.style(widths.date_style, widths.time_style));
  } else {
    if (widths.has_date()) known = add(patterns.date(widths.date));
    if (widths.has_date() && widths.has_time())
      known = widths.time[0] != 0 && known && add(patterns.between_date(widths.date));
    if (widths.has_time()) known = known && add(patterns.time(widths.time, widths.twelve));
  }
  if (!known) return not_yet("a date of these parts in this locale is", node);
  out.text = date_in(pattern, fields, patterns);
  return true;
}

}  // namespace inky::inline v1::javascript
