// The functions of Octave for dates, in expressions: the GNU Octave manual, Timing Utilities. What
// gmtime() gives is a moment.

#include <algorithm>
#include <cmath>

#include "../family/instants.hpp"
#include "../family/strftime.hpp"
#include "dates.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"

namespace inky::inline v1::octave {

namespace {

using computed::Node;

}  // namespace

// A serial number, the six parts of a date, or a text in the forms of ISO 8601.
bool Expressions::take_date(const Node& node, const Value& value, DateParts& out) {
  DateParts found{};
  if (value.is(Type::text)) {
    const auto moment = read_plain_moment(value.as_text());
    const bool is_known = moment && !moment->offset && moment->nanosecond == 0 &&
                          value.as_text().find('T') == std::string_view::npos;
    if (!is_known) return not_yet("such a text as a date is", node);
    found = parts_of_serial(serial_number(*moment));
  } else {
    Array array;
    if (!take_double(node, value, array)) return false;
    const bool is_vector = array.rows == 1 && (array.columns == 6 || array.columns == 3);
    if (array.is_scalar()) {
      found = parts_of_serial(real_at(array, 0));
    } else if (is_vector) {
      for (int i = 0; i < array.columns; ++i)
        found[static_cast<std::size_t>(i)] = real_at(array, static_cast<std::size_t>(i));
    } else {
      return not_yet("several dates together are", node);
    }
  }
  if (!are_of_calendar(found))
    return not_yet("a date beyond the years 1 to 9999, or beyond its parts, is", node);
  out = found;
  return true;
}

// datestr(d), datestr(d, "yyyy-mm-dd HH:MM"), datestr(d, 29)
bool Expressions::date_text(const Node& node, const Arguments& arguments, Value& out) {
  DateParts date{};
  if (arguments.size() > 2) return not_yet("datestr with these arguments is", node);
  if (!take_date(node, arguments[0], date)) return false;
  // What is nearly the next second is that one.
  constexpr double nearly = 0.9995;
  if (date[5] - std::trunc(date[5]) >= nearly) {
    date[5] = std::trunc(date[5]) + 1;
    date = parts_of_serial(serial_of_parts(date));
  }
  const bool is_midnight = date[3] == 0 && date[4] == 0 && date[5] == 0;
  std::string format(date_format(is_midnight ? 1 : 0));
  if (arguments.size() == 2 && arguments[1].is(Type::text)) {
    format = arguments[1].as_text();
  } else if (arguments.size() == 2) {
    Array number;
    if (!take_double(node, arguments[1], number)) return false;
    format = number.is_scalar() ? date_format(real_at(number, 0)) : std::string_view();
    if (format.empty()) return not_yet("a format of this number is", node);
  }
  std::string text;
  const std::string_view unknown = append_date(date, format, text);
  if (!unknown.empty()) return not_yet(std::string(unknown) + " in a format of datestr is", node);
  out = Value::text(std::move(text));
  return true;
}

// datenum(2031, 5, 9, 14, 5, 0), datenum([2031 5 9]), datenum("2031-05-09")
bool Expressions::date_number(const Node& node, const Arguments& arguments, Value& out) {
  Value whole = arguments[0];
  if (arguments.size() > 1) {
    std::vector<double> parts;
    for (const Value& argument : arguments.values) {
      Array array;
      if (argument.is(Type::text)) break;
      if (!take_double(node, argument, array)) return false;
      if (!array.is_scalar()) return not_yet("several dates together are", node);
      parts.push_back(real_at(array, 0));
    }
    const bool by_format = arguments.size() == 2 && arguments[0].is(Type::text) &&
                           arguments[1].is(Type::text) && arguments[1].as_text() == "yyyy-mm-dd";
    if (!by_format && (parts.size() != arguments.size() || parts.size() < 3 || parts.size() > 6))
      return not_yet("datenum with these arguments is", node);
    if (!by_format) {
      parts.resize(6);
      whole = value_of(row_of(std::move(parts)));
    }
  }
  DateParts date{};
  if (!take_date(node, whole, date)) return false;
  out = Value::real(serial_of_parts(date));
  return true;
}

// strftime("%Y-%m-%d", gmtime(t)), asctime(localtime(t)), ctime(t)
bool Expressions::time_text(const Node& node, std::string_view name, const Arguments& arguments,
                            Value& out) {
  const bool has_codes = name == "strftime";
  if (arguments.size() != (has_codes ? 2U : 1U))
    return not_yet(std::string(name) + " with these arguments is", node);
  Value moment = arguments.values.back();
  if (name == "ctime" || name == "gmtime" || name == "localtime") {
    Array array;
    if (!take_double(node, moment, array)) return false;
    constexpr double last = 253'402'300'799;
    const double seconds = array.is_scalar() ? std::floor(real_at(array, 0)) : -1;
    if (!(seconds >= 0 && seconds <= last)) return not_yet("such a time is", node);
    Moment made = moment_of_seconds(static_cast<std::int64_t>(seconds));
    if (name == "gmtime") made.offset = 0;
    moment = Value::moment(made);
    if (name != "ctime") {
      out = std::move(moment);
      return true;
    }
  }
  if (!moment.is(Type::moment)) return not_yet(std::string(name) + " of this is", node);
  std::string codes = "%a %b %d %H:%M:%S %Y\n";
  if (has_codes && !take_text(node, arguments[0], codes)) return false;
  std::string text;
  const TimeStyle style{.zones = true};
  const std::string_view unknown = append_glibc_time(moment.as_moment(), codes, style, text);
  if (!unknown.empty()) return not_yet(std::string(unknown) + " is", node);
  out = Value::text(std::move(text));
  return true;
}

bool Expressions::of_dates(const Node& node, std::string_view name, const Arguments& arguments,
                           Value& out) {
  if (has_word("now clock time date tic toc", name)) return not_yet("the time of now is", node);
  if (arguments.size() == 0) return not_yet(std::string(name) + " with no argument is", node);
  if (name == "datestr") return date_text(node, arguments, out);
  if (name == "datenum") return date_number(node, arguments, out);
  if (has_word("strftime asctime ctime gmtime localtime", name))
    return time_text(node, name, arguments, out);
  DateParts parts{};
  if (name == "datevec" || name == "weekday") {
    if (arguments.size() != 1) return not_yet(std::string(name) + " with these arguments is", node);
    if (!take_date(node, arguments[0], parts)) return false;
    if (name == "datevec") {
      out = value_of(row_of({parts.begin(), parts.end()}));
      return true;
    }
    const Moment day{static_cast<int>(parts[0]), static_cast<int>(parts[1]),
                     static_cast<int>(parts[2])};
    out = Value::real(weekday(day) + 1);
    return true;
  }
  // eomday(2032, 2), is_leap_year(2032)
  int year = 0;
  int month = 2;
  const bool counts_days = name == "eomday";
  if (arguments.size() != (counts_days ? 2U : 1U) || !take_count(node, arguments[0], year) ||
      (counts_days && !take_count(node, arguments[1], month)) || year < 1 || year > 9999 ||
      month < 1 || month > 12)
    return not_yet(std::string(name) + " with these arguments is", node);
  out = counts_days ? Value::real(days_of_month(year, month)) : Value::truth(is_leap_year(year));
  return true;
}

}  // namespace inky::inline v1::octave
