// What lies between two dates of R, and dates moved by it.

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

using computed::Node;
using computed::Operation;

constexpr DifferenceUnit units[] = {
    {"secs", 1}, {"mins", 60}, {"hours", 3600}, {"days", 86'400}, {"weeks", 604'800}};

}  // namespace

const DifferenceUnit* difference_unit(std::string_view name) {
  const auto found = std::find_if(
      std::begin(units), std::end(units),
      [&](const DifferenceUnit& one) { return !name.empty() && one.name.starts_with(name); });
  return found == std::end(units) ? nullptr : found;
}

Value difference_of(std::vector<Value> numbers, std::string_view unit) {
  Value all = numbers.size() == 1 ? std::move(numbers[0]) : Value::list(std::move(numbers));
  return computed::object_of(difftime, {std::move(all), Value::text(std::string(unit))});
}

bool Expressions::subtract_dates(const Node& node, const Value& left, const Value& right,
                                 std::string_view unit, Value& out) {
  const Items a = items_of(left);
  const Items b = items_of(right);
  if (a.empty() || b.empty()) return not_yet("a difference of nothing is", node);
  const std::size_t longest = std::max(a.size(), b.size());
  if (longest % a.size() != 0 || longest % b.size() != 0)
    return not_yet("vectors of these lengths together are", node);
  bool of_days = true;
  std::vector<std::optional<double>> seconds;
  double least = HUGE_VAL;
  for (std::size_t i = 0; i < longest; ++i) {
    const Value& x = a[i % a.size()];
    const Value& y = b[i % b.size()];
    if (x.is(Type::nil) || y.is(Type::nil)) {
      seconds.emplace_back();
      continue;
    }
    if (x.type() != y.type()) return not_yet("a difference of a date and a time is", node);
    if (x.as_moment().nanosecond != 0 || y.as_moment().nanosecond != 0)
      return not_yet("a difference with parts of a second is", node);
    of_days = of_days && x.is(Type::date);
    const double unit_seconds = x.is(Type::date) ? static_cast<double>(seconds_of_day) : 1.0;
    seconds.emplace_back(static_cast<double>(number_of(x) - number_of(y)) * unit_seconds);
    least = std::min(least, std::fabs(*seconds.back()));
  }
  const DifferenceUnit* chosen = difference_unit(unit);
  if (unit == "auto" || unit.empty()) {
    chosen = of_days                 ? difference_unit("days")
             : !std::isfinite(least) ? difference_unit("secs")
             : least < 60            ? difference_unit("secs")
             : least < 3600          ? difference_unit("mins")
             : least < 86'400        ? difference_unit("hours")
                                     : difference_unit("days");
  }
  if (chosen == nullptr) return raise("invalid units specified", node);
  Items numbers;
  for (const auto& one : seconds)
    numbers.push_back(one ? Value::real(*one / chosen->seconds) : Value());
  out = difference_of(std::move(numbers), chosen->name);
  return true;
}

// Nothing where neither side is one.
std::optional<bool> Expressions::combine_dates(const Node& node, Operation operation,
                                               const Value& left, const Value& right, Value& out) {
  const bool of_left = are_dates(left);
  const bool of_right = are_dates(right);
  const bool is_span = is_difference(left) || is_difference(right);
  if (!of_left && !of_right && !is_span) return std::nullopt;
  if (is_span && !of_left && !of_right)
    return combine_differences(node, operation, left, right, out);
  if (computed::is_comparison(operation)) {
    Value sides[] = {left, right};
    for (std::size_t i = 0; i < 2; ++i) {
      const Value& other = sides[1 - i];
      if (are_dates(sides[i])) continue;
      // A text is read as a date.
      Arguments arguments;
      arguments.values.push_back(sides[i]);
      const bool is_text = sides[i].is(Type::text);
      if (!is_text) return not_yet("comparing a date with this is", node);
      const bool of_days = items_of(other)[0].is(Type::date);
      if (!make_date(node, of_days ? "as.Date" : "as.POSIXct", arguments, sides[i])) return false;
    }
    const Items a = items_of(sides[0]);
    const Items b = items_of(sides[1]);
    const std::size_t longest = std::max(a.size(), b.size());
    if (longest % a.size() != 0 || longest % b.size() != 0)
      return not_yet("vectors of these lengths together are", node);
    Items made;
    for (std::size_t i = 0; i < longest; ++i) {
      const Value& x = a[i % a.size()];
      const Value& y = b[i % b.size()];
      if (x.is(Type::nil) || y.is(Type::nil)) {
        made.emplace_back();
        continue;
      }
      if (x.type() != y.type()) return not_yet("comparing a date and a time is", node);
      const auto order = std::pair(number_of(x), x.as_moment().nanosecond) <=>
                         std::pair(number_of(y), y.as_moment().nanosecond);
      made.push_back(Value::truth(computed::relates(operation, order)));
    }
    out = vector_of(std::move(made));
    return true;
  }
  if (of_left && of_right) {
    if (operation == Operation::subtract) return subtract_dates(node, left, right, {}, out);
    return raise("binary operator is not defined for dates", node);
  }
  if (operation != Operation::add && operation != Operation::subtract)
    return raise("this operator is not defined for dates", node);
  if (operation == Operation::subtract && of_right) return not_yet("a number less a date is", node);
  const Items dates = items_of(of_left ? left : right);
  Value steps = of_left ? right : left;
  double scale = 1;
  if (is_difference(steps)) {
    const double seconds = difference_unit(unit_of(steps))->seconds;
    const bool of_days = std::any_of(dates.begin(), dates.end(),
                                     [](const Value& one) { return one.is(Type::date); });
    scale = of_days ? seconds / static_cast<double>(seconds_of_day) : seconds;
    steps = Value(numbers_of(steps));
  }
  Items numbers;
  Mode mode = Mode::unknown;
  if (!take_numbers(node, steps, numbers, mode)) return false;
  if (numbers.empty()) return not_yet("a date and nothing together are", node);
  const std::size_t longest = std::max(dates.size(), numbers.size());
  if (longest % dates.size() != 0 || longest % numbers.size() != 0)
    return not_yet("vectors of these lengths together are", node);
  Items made;
  for (std::size_t i = 0; i < longest; ++i) {
    const Value& date = dates[i % dates.size()];
    const Value& step = numbers[i % numbers.size()];
    if (date.is(Type::nil) || step.is(Type::nil)) {
      made.emplace_back();
      continue;
    }
    std::int64_t whole = 0;
    if (!take_seconds(node, Value::real(double_in(step) * scale), whole)) return false;
    const auto moved =
        date_of(number_of(date) + (operation == Operation::subtract ? -whole : whole), date);
    if (!moved) return not_yet("a date beyond the years 1 to 9999 is", node);
    made.push_back(*moved);
  }
  out = vector_of(std::move(made));
  return true;
}

// A difftime times a number, or beside another one.
bool Expressions::combine_differences(const Node& node, Operation operation, const Value& left,
                                      const Value& right, Value& out) {
  const bool is_left = is_difference(left);
  const Value& numbers = is_left ? numbers_of(left) : left;
  if (is_difference(right) || !is_left) {
    const bool both = is_left && is_difference(right);
    if (!both || unit_of(left) != unit_of(right) || !computed::is_comparison(operation))
      return not_yet("these differences together are", node);
    return combine(node, operation, numbers, numbers_of(right), out);
  }
  Value made;
  if (!combine(node, operation, numbers, right, made)) return false;
  const bool keeps = operation == Operation::multiply || operation == Operation::divide ||
                     operation == Operation::add || operation == Operation::subtract;
  out = keeps ? difference_of(items_of(made), unit_of(left)) : std::move(made);
  return true;
}

}  // namespace inky::inline v1::r_language
