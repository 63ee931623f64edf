// What programs do with dates: new Date, its getters and setters, and the texts of it: ECMA-262,
// 21.4.

#include <algorithm>
#include <cmath>

#include "dates.hpp"
#include "dialect/lexis.hpp"
#include "evaluator.hpp"

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

}  // namespace inky::inline v1::javascript
