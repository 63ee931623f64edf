// datetime.datetime, date, time and timedelta in expressions: the Python 3.11 library reference,
// datetime.

#include <algorithm>
#include <cmath>

#include "../family/values.hpp"
#include "expressions.hpp"
#include "text/escape.hpp"
#include "times.hpp"

namespace inky::inline v1::python {

namespace {

constexpr int128 nanos_of_day = 86'400 * billion;

Integer integer_of_int128(int128 number) {
  return computed::whole_of(Value::whole(Type::i128, number));
}
// REQUIRES: it fits.
int128 int128_of(const Integer& number) {
  const auto magnitude =
      static_cast<int128>(bits_of_integer(number < 0 ? Integer(-number) : number));
  return number < 0 ? -magnitude : magnitude;
}
// a / b, as a float.
Value ratio(int128 a, int128 b) {
  const Rational exact = Rational(integer_of_int128(a)) / Rational(integer_of_int128(b));
  return Value::real(Type::f64, stored(binary64, exact, a == 0 && b < 0));
}

// Two clocks of one tzinfo are compared as they stand.
void forget_shared_zone(Moment& a, Moment& b) {
  if (a.zone == b.zone && a.zone != 0) a.offset = b.offset = 0;
}

}  // namespace

// A moment, a date, or an OverflowError beyond the years that there are.
bool Expressions::give_moment(const Node& node, Type type, int128 nanoseconds, Value& out) {
  const auto moment = moment_at(nanoseconds, std::nullopt);
  if (!moment) return raise("OverflowError", "date value out of range", node);
  out = type == Type::date ? Value::date({moment->year, moment->month, moment->day})
                           : Value::moment(*moment);
  return true;
}

bool Expressions::combine_times(const Node& node, Operation operation, const Value& left,
                                const Value& right, Value& out) {
  const bool adds = operation == Operation::add;
  const bool subtracts = operation == Operation::subtract;
  const auto is_dated = [](const Value& value) {
    return value.is(Type::moment) || value.is(Type::date);
  };
  if (left.is(Type::duration) && right.is(Type::duration)) {
    const int128 a = left.as_duration();
    const int128 b = right.as_duration();
    if (adds || subtracts) {
      out = Value::duration(adds ? a + b : a - b);
      return true;
    }
    if (b == 0) return raise("ZeroDivisionError", "a timedelta divided by zero", node);
    if (operation == Operation::divide) {
      out = ratio(a, b);
      return true;
    }
    if (operation == Operation::divide_down || operation == Operation::remainder) {
      int128 quotient = a / b;
      if (a % b != 0 && (a < 0) != (b < 0)) --quotient;
      if (operation == Operation::divide_down) {
        out = whole_value(integer_of_int128(quotient));
      } else {
        out = Value::duration(a - quotient * b);
      }
      return true;
    }
    return wrong_operands(node, operation, left, right);
  }
  if (is_dated(left) && right.is(Type::duration) && (adds || subtracts)) {
    // A date takes whole days alone.
    int128 by = right.as_duration();
    if (left.is(Type::date))
      by = (by / nanos_of_day - (by % nanos_of_day < 0 ? 1 : 0)) * nanos_of_day;
    Moment clock = left.as_moment();
    const TimeZone zone = zone_of(clock);
    clock.offset.reset();
    Value moved;
    if (!give_moment(node, left.type(), instant_of(clock) + (adds ? by : -by), moved)) return false;
    if (zone.is_none()) {
      out = moved;
      return true;
    }
    return give_moment_on(node, zone, moved.as_moment(), false, out);
  }
  if (left.is(Type::duration) && is_dated(right) && adds)
    return combine_times(node, operation, right, left, out);
  if (is_dated(left) && left.is(right.type()) && subtracts) {
    if (left.as_moment().offset.has_value() != right.as_moment().offset.has_value())
      return raise("TypeError", "can't subtract offset-naive and offset-aware datetimes", node);
    Moment a = left.as_moment();
    Moment b = right.as_moment();
    forget_shared_zone(a, b);
    out = Value::duration(instant_of(a) - instant_of(b));
    return true;
  }
  const bool left_delta = left.is(Type::duration);
  const Value& delta = left_delta ? left : right;
  const Value& number = left_delta ? right : left;
  const bool scales =
      delta.is(Type::duration) &&
      (operation == Operation::multiply ||
       (left_delta && (operation == Operation::divide || operation == Operation::divide_down)));
  if (!scales || !is_simple_number(number)) return wrong_operands(node, operation, left, right);
  if (!is_int(number)) return not_yet("a timedelta and a float here are", node);
  const Integer whole = computed::whole_of(number);
  constexpr std::int64_t most = std::int64_t{1} << 40;
  if (whole > most || whole < -most) return not_yet("a number this large here is", node);
  const auto by = static_cast<int128>(whole.convert_to<std::int64_t>());
  const int128 micro = delta.as_duration() / 1000;
  if (operation == Operation::multiply) {
    const int128 product = micro * by;
    constexpr int128 most_micro = int128{999'999'999} * 86'400 * 1'000'000;
    if (product > most_micro || product < -most_micro)
      return raise("OverflowError", "a timedelta of more than 999999999 days", node);
    out = Value::duration(product * 1000);
    return true;
  }
  if (by == 0) return raise("ZeroDivisionError", "integer division or modulo by zero", node);
  const Rational exact = Rational(integer_of_int128(micro)) / Rational(integer_of_int128(by));
  const Integer quotient =
      round_whole(exact, operation == Operation::divide ? Rounding::half_even : Rounding::down);
  out = Value::duration(int128_of(quotient) * 1000);
  return true;
}

std::partial_ordering Expressions::compare_times(const Value& left, const Value& right) {
  if (!left.is(right.type())) return std::partial_ordering::unordered;
  if (left.is(Type::duration)) {
    const int128 a = left.as_duration();
    const int128 b = right.as_duration();
    return a < b   ? std::partial_ordering::less
           : b < a ? std::partial_ordering::greater
                   : std::partial_ordering::equivalent;
  }
  if (left.as_moment().offset.has_value() != right.as_moment().offset.has_value())
    return std::partial_ordering::unordered;
  Moment first = left.as_moment();
  Moment second = right.as_moment();
  forget_shared_zone(first, second);
  const int128 a = instant_of(first);
  const int128 b = instant_of(second);
  return a < b   ? std::partial_ordering::less
         : b < a ? std::partial_ordering::greater
                 : std::partial_ordering::equivalent;
}

// timedelta(days=1, hours=2.5)
bool Expressions::make_timedelta(const Node& node, const Arguments& arguments, Value& out) {
  struct Unit {
    std::string_view name;
    std::int64_t microseconds;
  };
  constexpr Unit units[] = {{"days", 86'400'000'000},  {"seconds", 1'000'000},
                            {"microseconds", 1},       {"milliseconds", 1000},
                            {"minutes", 60'000'000},   {"hours", 3'600'000'000},
                            {"weeks", 604'800'000'000}};
  Rational sum = 0;
  const auto add = [&](const Unit& unit, const Value& value) {
    if (!is_simple_number(value)) return false;
    if (is_int(value)) {
      sum += Rational(computed::whole_of(value)) * unit.microseconds;
      return true;
    }
    const BinaryReal real = nearest_f64(value);
    if (!real.is_finite()) return false;
    sum += rational_of(real) * unit.microseconds;
    return true;
  };
  for (std::size_t i = 0; i < arguments.size(); ++i) {
    if (i >= std::size(units) || !add(units[i], arguments[i]))
      return not_yet("timedelta() of these is", node);
  }
  for (const auto& given : arguments.named) {
    const auto unit = std::find_if(std::begin(units), std::end(units),
                                   [&](const Unit& one) { return one.name == given.name; });
    if (unit == std::end(units))
      return raise("TypeError", "timedelta() has no argument " + std::string(given.name), node);
    if (!add(*unit, given.value)) return not_yet("timedelta() of these is", node);
  }
  const Integer whole = round_whole(sum, Rounding::half_even);
  const Integer most = Integer(999'999'999) * 86'400'000'000;
  if (whole > most || whole < -most)
    return raise("OverflowError", "a timedelta of more than 999999999 days", node);
  out = Value::duration(int128_of(whole) * 1000);
  return true;
}

// datetime(2031, 5, 9, hour=14), date(2031, 5, 9), time(14, 5)
std::optional<bool> Expressions::call_time(const Node& node, std::string_view path,
                                           const Arguments& arguments, Value& out) {
  const std::string_view name = class_of_path(path);
  if (name == "timedelta") return make_timedelta(node, arguments, out);
  const bool is_datetime = name == "datetime";
  const bool is_date = name == "date";
  if (!is_datetime && !is_date && name != "time") {
    const std::size_t point = name.find('.');
    const std::string_view of = name.substr(0, point);
    if (point == std::string_view::npos || name.substr(point + 1) != "fromisoformat" ||
        (of != "datetime" && of != "date" && of != "time"))
      return std::nullopt;
    if (arguments.size() != 1 || !is_text_or_character(arguments[0]))
      return not_yet("fromisoformat() of this is", node);
    const std::string text = text_of(arguments[0]);
    const auto read = of == "date"   ? read_date(text)
                      : of == "time" ? read_time(text)
                                     : read_plain_moment(text);
    if (!read) return not_yet("reading this text is", node);
    out = of == "date"   ? Value::date(*read)
          : of == "time" ? Value::time(*read)
                         : Value::moment(*read);
    return true;
  }
  constexpr std::string_view names[] = {"year",   "month",  "day",        "hour",
                                        "minute", "second", "microsecond"};
  const std::size_t first = is_datetime || is_date ? 0 : 3;
  const std::size_t last = is_date ? 3 : std::size(names);
  std::int64_t parts[] = {1, 1, 1, 0, 0, 0, 0};
  std::size_t given = 0;
  for (std::size_t i = first; i < last; ++i) {
    const std::size_t place = i - first;
    const Value* value = place < arguments.size() ? &arguments[place] : arguments.find(names[i]);
    if (value == nullptr) {
      if (i < 3)
        return raise("TypeError", "the argument " + std::string(names[i]) + " is missing", node);
      continue;
    }
    if (place >= arguments.size()) ++given;
    if (!take_whole(node, *value, parts[i])) return false;
  }
  TimeZone zone;
  std::int64_t fold = 0;
  // The eighth is the tzinfo.
  const Value* of_zone = arguments.find("tzinfo");
  const bool eighth = is_datetime && arguments.size() == std::size(names) + 1;
  if (of_zone != nullptr && is_datetime) ++given;
  if (eighth) of_zone = &arguments[std::size(names)];
  if (of_zone != nullptr && is_datetime && !take_zone(node, *of_zone, zone)) return false;
  if (const Value* of_fold = arguments.find("fold"); of_fold != nullptr && is_datetime) {
    ++given;
    if (!take_whole(node, *of_fold, fold)) return false;
  }
  if (arguments.size() > last - first + (eighth ? 1 : 0) || given != arguments.named.size())
    return not_yet("these arguments of " + std::string(name) + "() are", node);
  const bool good =
      1 <= parts[0] && parts[0] <= 9999 && 1 <= parts[1] && parts[1] <= 12 && 1 <= parts[2] &&
      parts[2] <= days_of_month(static_cast<int>(parts[0]), static_cast<int>(parts[1])) &&
      0 <= parts[3] && parts[3] <= 23 && 0 <= parts[4] && parts[4] <= 59 && 0 <= parts[5] &&
      parts[5] <= 59 && 0 <= parts[6] && parts[6] < 1'000'000;
  if (!good) return raise("ValueError", "there is no such day, or no such time", node);
  Moment moment{static_cast<int>(parts[0]),       static_cast<int>(parts[1]),
                static_cast<int>(parts[2]),       static_cast<int>(parts[3]),
                static_cast<int>(parts[4]),       static_cast<int>(parts[5]),
                static_cast<int>(parts[6]) * 1000};
  if (is_datetime) return give_moment_on(node, zone, moment, fold == 1, out);
  out = is_date ? Value::date(moment) : Value::time(moment);
  return true;
}

bool Expressions::format_time(const Node& node, const Value& value, std::string_view codes,
                              Value& out) {
  std::string text;
  const std::string_view unknown = append_time_by_codes(value, codes, locale(), text);
  if (!unknown.empty()) return not_yet(std::string(unknown) + " in a time are", node);
  out = Value::text(std::move(text));
  return true;
}

bool Expressions::call_on_time(const Node& node, const Value& of, const Arguments& arguments,
                               Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  if (of.is(Type::duration)) {
    if (name != "total_seconds" || count != 0) return not_yet("the method " + name + " is", node);
    out = ratio(of.as_duration() / 1000, 1'000'000);
    return true;
  }
  if (name == "strftime" && count == 1 && is_text_or_character(arguments[0]))
    return format_time(node, of, text_of(arguments[0]), out);
  if (count != 0) return not_yet("the method " + name + " with these arguments is", node);
  if (name == "isoformat") {
    out = Value::text(iso_text(of));
    return true;
  }
  if (of.is(Type::time)) return not_yet("the method " + name + " is", node);
  const Moment moment = of.as_moment();
  const int weekday = inky::weekday(moment);
  if (name == "weekday") return keep(node, (weekday + 6) % 7, out);
  if (name == "isoweekday") return keep(node, weekday == 0 ? 7 : weekday, out);
  if (name == "toordinal") {
    constexpr std::int64_t days_to_1970 = 719'163;
    Moment midnight = moment;
    midnight.hour = midnight.minute = midnight.second = 0;
    return keep(node, Integer(seconds_since_1970(midnight) / 86'400 + days_to_1970), out);
  }
  if (of.is(Type::moment) && name == "date") {
    Moment only = moment;
    only.hour = only.minute = only.second = only.nanosecond = 0;
    only.offset.reset();
    only.zone = 0;
    out = Value::date(only);
    return true;
  }
  if (of.is(Type::moment) && name == "time") {
    if (is_second(moment)) return not_yet("a time with fold=1 is", node);
    out = Value::time({1, 1, 1, moment.hour, moment.minute, moment.second, moment.nanosecond});
    return true;
  }
  if (of.is(Type::moment) && name == "timestamp" && moment.offset) {
    out = ratio(instant_of(of.as_moment()) / 1000, 1'000'000);
    return true;
  }
  return not_yet("the method " + name + " is", node);
}

}  // namespace inky::inline v1::python
