// Dates in expressions of R: what makes them, and what shows them.

#include <algorithm>
#include <cmath>
#include <utility>

#include "../computed/arithmetic.hpp"
#include "date_differences.hpp"
#include "dates.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"

namespace inky::inline v1::r_language {

namespace {

// Whether a locale has its own words or forms for one of the codes.
bool has_names(std::string_view codes) {
  for (std::size_t at = 0; at + 1 < codes.size(); ++at) {
    if (codes[at] != '%') continue;
    ++at;
    if (std::string_view("aAbBhpcxXr").find(codes[at]) != std::string_view::npos) return true;
  }
  return false;
}

using computed::Node;
using computed::Operation;

}  // namespace

// ---- Making them ----

// as.Date("2031-05-09"), as.Date("09.05.2031", format = "%d.%m.%Y"), as.POSIXct("2031-05-09 14:05",
// tz = "UTC"), strptime(x, "%d/%m/%Y", tz = "UTC")
bool Expressions::make_date(const Node& node, std::string_view name, const Arguments& arguments,
                            Value& out) {
  std::string format;
  std::string zone;
  bool has_origin = false;
  for (const auto& [key, value] : arguments.named) {
    if (key == "format" ? !take_text(node, value, format)
        : key == "tz"   ? !take_text(node, value, zone)
                        : key != "origin")
      return key == "format" || key == "tz"
                 ? false
                 : not_yet("the argument " + key + " of " + std::string(name) + " is", node);
    has_origin = has_origin || key == "origin";
  }
  if (arguments.size() == 0 || arguments.size() > 3)
    return not_yet(std::string(name) + " with these arguments is", node);
  // The second argument of as.POSIXct is the zone, and that of the others the format.
  const bool zone_first = name == "as.POSIXct" || name == "as.POSIXlt";
  for (std::size_t i = 1; i < arguments.size(); ++i) {
    std::string& target = (i == 1) == zone_first ? zone : format;
    if (!take_text(node, arguments[i], target)) return false;
  }
  const auto clocks = zone_named_by(zone);
  if (!clocks) return not_yet("the time zone " + zone + " is", node);
  const auto beyond = [&] {
    return not_yet(clocks->zone == 0
                       ? "a date beyond the years 1 to 9999 is"
                       : "a time that clocks of its zone skip, or show twice, or before 1970, is",
                   node);
  };
  const bool is_day = name == "as.Date";
  if (format.empty() && !usual_format(node, is_day, arguments[0], format)) return false;
  Items items = items_of(arguments[0]);
  for (Value& item : items) {
    if (item.is(Type::nil)) continue;
    if (is_date(item)) {
      // A POSIXct stays what it is; the others are of the zone, which is UTC where none is given.
      const bool is_moment = item.is(Type::moment);
      if (!is_moment || has_known_parts(item) ||
          (!is_day && (name == "as.POSIXct" || zone.empty()))) {
        const Moment moment = item.as_moment();
        item =
            is_day ? Value::date({moment.year, moment.month, moment.day}) : Value::moment(moment);
        continue;
      }
      const auto seen = seen_in(item.as_moment(), *clocks);
      if (!seen) return beyond();
      item = is_day ? Value::date({seen->year, seen->month, seen->day}) : Value::moment(*seen);
      continue;
    }
    if (item.is(Type::text)) {
      if (!read_date(node, is_day, format, item)) return false;
    } else {
      Items numbers;
      Mode mode = Mode::unknown;
      std::int64_t number = 0;
      if (!take_numbers(node, item, numbers, mode)) return false;
      if (!has_origin) return raise("'origin' must be supplied", node);
      const Value* origin = arguments.find("origin");
      const bool is_usual = origin->is(Type::text) && origin->as_text() == "1970-01-01";
      if (!is_usual) return not_yet("another origin is", node);
      if (!take_seconds(node, item, number)) return false;
      const auto made = date_of(number, is_day ? Value::date({}) : Value::moment({}));
      if (!made) return beyond();
      item = *made;
      if (!is_day) {
        const auto seen = seen_in(item.as_moment(), *clocks);
        if (!seen) return beyond();
        item = Value::moment(*seen);
      }
      continue;
    }
    if (item.is(Type::moment)) {
      const auto settled = settled_in(item.as_moment(), *clocks);
      if (!settled) return beyond();
      item = Value::moment(*settled);
    }
  }
  for (Value& item : items) {
    if ((name == "as.POSIXlt" || name == "strptime") && item.is(Type::moment))
      item.set_expression();
  }
  // The type of NA, which a value of ours has not, decides what shows it.
  if (std::none_of(items.begin(), items.end(), is_date))
    return not_yet("a date that is NA is", node);
  out = vector_of(std::move(items));
  return true;
}

// A whole number of days or seconds, of any size.
bool Expressions::take_seconds(const Node& node, const Value& value, std::int64_t& out) {
  Items items;
  Mode mode = Mode::unknown;
  if (!take_numbers(node, value, items, mode)) return false;
  constexpr double most = 1e15;
  const double number = items.size() == 1 && !items[0].is(Type::nil) ? double_in(items[0]) : 0.5;
  if (!(std::fabs(number) < most) || number != std::floor(number))
    return not_yet("parts of days or seconds are", node);
  out = static_cast<std::int64_t>(number);
  return true;
}

// The first of the usual forms in which the first text is a date, or all texts are moments.
bool Expressions::usual_format(const Node& node, bool is_day, const Value& given,
                               std::string& format) {
  static constexpr std::string_view of_days[] = {"%Y-%m-%d", "%Y/%m/%d"};
  static constexpr std::string_view of_moments[] = {"%Y-%m-%d %H:%M:%OS", "%Y/%m/%d %H:%M:%OS",
                                                    "%Y-%m-%d %H:%M",     "%Y/%m/%d %H:%M",
                                                    "%Y-%m-%d",           "%Y/%m/%d"};
  Items texts = items_of(given);
  std::erase_if(texts, [](const Value& item) { return !item.is(Type::text); });
  if (texts.empty()) return true;
  if (is_day) texts.resize(1);
  const std::span<const std::string_view> formats =
      is_day ? std::span<const std::string_view>(of_days) : of_moments;
  for (const std::string_view codes : formats) {
    bool all_read = true;
    for (const Value& text : texts) {
      const ReadTime read = read_time_by(text.as_text(), codes);
      // The hour 24 and a leap second are times to R, which a shorter format would lose.
      if (!read.knows_codes) return not_yet("reading such a time is", node);
      all_read = all_read && read.moment.has_value();
    }
    if (!all_read) continue;
    format = codes;
    return true;
  }
  return raise("character string is not in a standard unambiguous format", node);
}

// By a format: NA where the text has none.
bool Expressions::read_date(const Node& node, bool is_day, const std::string& codes, Value& item) {
  if (has_names(codes) && !glibc::is_plain_locale(locale()))
    return not_yet("reading a date by the names of a locale is", node);
  const ReadTime read = read_time_by(item.as_text(), codes);
  if (!read.knows_codes) return not_yet("reading a date by " + codes + " is", node);
  if (!read.moment) {
    item = Value();
    return true;
  }
  Moment moment = *read.moment;
  if (is_day) moment.hour = moment.minute = moment.second = moment.nanosecond = 0;
  item = is_day ? Value::date(moment) : Value::moment(moment);
  return true;
}

// ISOdate(2031, 5, 9) is noon in GMT.
bool Expressions::make_iso_date(const Node& node, std::string_view name, const Arguments& arguments,
                                Value& out) {
  int parts[] = {0, 0, 0, name == "ISOdate" ? 12 : 0, 0, 0};
  std::string zone = name == "ISOdate" ? "GMT" : "";
  const std::size_t least = name == "ISOdate" ? 3 : 6;
  if (arguments.size() < least || arguments.size() > 6)
    return not_yet(std::string(name) + " with these arguments is", node);
  for (const auto& [key, value] : arguments.named) {
    if (key != "tz" || !take_text(node, value, zone))
      return not_yet("the argument " + key + " is", node);
  }
  const auto clocks = zone_named_by(zone);
  if (!clocks) return not_yet("the time zone " + zone + " is", node);
  for (std::size_t i = 0; i < arguments.size(); ++i) {
    std::int64_t number = 0;
    if (!take_whole(node, arguments[i], number)) return false;
    if (number < 0 || number > 9999) return not_yet("such a date is", node);
    parts[i] = static_cast<int>(number);
  }
  const bool exists = parts[0] >= 1 && parts[1] >= 1 && parts[1] <= 12 && parts[2] >= 1 &&
                      parts[2] <= days_of_month(parts[0], parts[1]) && parts[3] < 24 &&
                      parts[4] < 60 && parts[5] < 60;
  if (!exists) {
    out = Value();
    return true;
  }
  const auto moment =
      settled_in({parts[0], parts[1], parts[2], parts[3], parts[4], parts[5]}, *clocks);
  if (!moment)
    return not_yet("a time that clocks of its zone skip, or show twice, or show before 1970, is",
                   node);
  out = Value::moment(*moment);
  return true;
}

// ---- Showing them ----

bool Expressions::show_dates(const Node& node, const Value& value, const DateFormat& format,
                             Items& out) {
  const Items items = items_of(value);
  std::string unknown;
  const auto texts = date_texts(items, format, unknown);
  if (!texts) return not_yet(unknown + " in a date is", node);
  for (std::size_t i = 0; i < texts->size(); ++i)
    out.push_back(items[i].is(Type::nil) ? Value() : Value::text((*texts)[i]));
  return true;
}

// format(x, "%d/%m/%Y"), strftime(x, "%H:%M"), as.character(x)
bool Expressions::format_dates(const Node& node, const Arguments& arguments, Value& out) {
  std::string codes;
  DateFormat format{.locale = locale()};
  Value dates = arguments[0];
  if (arguments.size() > 2) return not_yet("these arguments of a date are", node);
  if (arguments.size() == 2 && !take_text(node, arguments[1], codes)) return false;
  for (const auto& [key, value] : arguments.named) {
    if (key == "format") {
      if (!take_text(node, value, codes)) return false;
    } else if (key == "usetz" && value.is(Type::truth)) {
      format.has_zone = value.as_whole() != 0;
    } else if (key == "tz" && value.is(Type::text) && zone_named_by(value.as_text())) {
      Items items = items_of(dates);
      for (Value& item : items) {
        if (!item.is(Type::moment) || value.as_text().empty() || has_known_parts(item)) continue;
        const auto seen = seen_in(item.as_moment(), *zone_named_by(value.as_text()));
        if (!seen) return not_yet("a time in a zone before 1970 is", node);
        item = Value::moment(*seen);
      }
      dates = vector_of(std::move(items));
    } else {
      return not_yet("the argument " + key + " of a date is", node);
    }
  }
  format.codes = codes;
  Items texts;
  if (!show_dates(node, dates, format, texts)) return false;
  out = vector_of(std::move(texts));
  return true;
}

// weekdays(x), months(x, abbreviate = TRUE), quarters(x)
bool Expressions::name_dates(const Node& node, std::string_view name, const Arguments& arguments,
                             Value& out) {
  bool is_short = false;
  const Value* given = arguments.size() == 2 ? &arguments[1] : arguments.find("abbreviate");
  if (given != nullptr && given->is(Type::truth)) is_short = given->as_whole() != 0;
  if (arguments.size() == 0 || !are_dates(arguments[0]))
    return not_yet(std::string(name) + " of this is", node);
  Items texts;
  if (name == "quarters") {
    for (const Value& item : items_of(arguments[0]))
      texts.push_back(item.is(Type::nil)
                          ? Value::text("QNA")
                          : Value::text("Q" + std::to_string((item.as_moment().month + 2) / 3)));
  } else {
    const std::string_view codes =
        name == "weekdays" ? (is_short ? "%a" : "%A") : (is_short ? "%b" : "%B");
    if (!show_dates(node, arguments[0], {.codes = codes, .locale = locale()}, texts)) return false;
  }
  out = vector_of(std::move(texts));
  return true;
}

std::optional<bool> Expressions::part_of_date(const Node& node, const Value& of, Value& out) {
  if (!has_known_parts(of)) return std::nullopt;
  const Moment moment = of.as_moment();
  const std::pair<std::string_view, int> parts[] = {
      {"year", moment.year - 1900}, {"mon", moment.month - 1},        {"mday", moment.day},
      {"hour", moment.hour},        {"min", moment.minute},           {"sec", moment.second},
      {"wday", weekday(moment)},    {"yday", day_of_year(moment) - 1}};
  for (const auto& [name, number] : parts) {
    if (name != node.text) continue;
    if (name == "sec" && moment.nanosecond != 0) return not_yet("parts of a second here are", node);
    out = name == "sec" ? Value::real(number) : Value::whole(Type::i32, number);
    return true;
  }
  return std::nullopt;
}

bool Expressions::print_dates(const Node& node, const Value& value, std::string& out) {
  if (is_difference(value)) {
    const Value& numbers = numbers_of(value);
    const std::string unit = unit_of(value);
    std::string shown;
    if (numbers.is(Type::list)) {
      if (!print_vector(node, numbers, {}, shown)) return false;
      out += "Time differences in " + unit + "\n" + shown;
      return true;
    }
    if (!format_difference(node, value, shown)) return false;
    out += "Time difference of " + shown + "\n";
    return true;
  }
  Items texts;
  const Items items = items_of(value);
  if (!show_dates(node, value, {{}, true}, texts)) return false;
  if (!names_of(value).empty()) return not_yet("printing dates with names is", node);
  const bool has_na =
      std::any_of(items.begin(), items.end(), [](const Value& item) { return item.is(Type::nil); });
  return print_vector(node, vector_of(std::move(texts)), {}, out) &&
         (!has_na || items.size() > 1 || not_yet("printing a date that is NA is", node));
}

// "3.5 days": the number as format() has it.
bool Expressions::format_difference(const Node& node, const Value& value, std::string& out) {
  Arguments plain;
  plain.values.push_back(numbers_of(value));
  Value shown;
  if (!call_facility(node, "format", plain, shown)) return false;
  if (!shown.is(Type::text)) return not_yet("several of these together are", node);
  out = std::string(shown.as_text()) + " " + unit_of(value);
  return true;
}

}  // namespace inky::inline v1::r_language
