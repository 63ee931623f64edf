#include "durations.hpp"

#include <algorithm>
#include <string>
#include <utility>

#include "../computed/arithmetic.hpp"
#include "expressions.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/digits.hpp"

namespace inky::inline v1::rust {

namespace {

struct Unit {
  std::string_view sign;
  std::string_view name;  // in from_millis, as_millis, subsec_millis
  std::int64_t nanoseconds;
};
constexpr Unit units[] = {{"s", "secs", nanoseconds_per_second},
                          {"ms", "millis", 1'000'000},
                          {"µs", "micros", 1'000},
                          {"ns", "nanos", 1}};

const Unit* find_unit(std::string_view name) {
  const auto found = std::find_if(std::begin(units), std::end(units),
                                  [&](const Unit& one) { return one.name == name; });
  return found == std::end(units) ? nullptr : found;
}

// The nearest nanosecond of seconds; of two, the even one. Nothing where it is no duration.
std::optional<int128> nanoseconds_of(const Value& seconds) {
  const BinaryReal real = seconds.as_real();
  if (!real.is_finite() || (real.negative && !real.is_zero())) return std::nullopt;
  constexpr int places = 9;
  Digits digits;
  digits_to_places(real, places, Rounding::half_even, digits);
  int128 out = 0;
  constexpr int most_digits = 29;
  const int size = digits.is_zero() ? 0 : digits.point() + places;
  if (size > most_digits) return std::nullopt;
  for (int at = 0; at < size; ++at) {
    const int digit = at < digits.size() ? digits.text()[static_cast<std::size_t>(at)] - '0' : 0;
    out = out * 10 + digit;
  }
  return fits_duration(out) ? std::optional(out) : std::nullopt;
}

// The sum of the seconds and the rest, each as a real.
double seconds_of(int128 nanoseconds) {
  const int128 seconds = nanoseconds / nanoseconds_per_second;
  const int128 rest = nanoseconds % nanoseconds_per_second;
  return static_cast<double>(seconds) +
         static_cast<double>(rest) / static_cast<double>(nanoseconds_per_second);
}

}  // namespace

void lay_out_duration(const Spec& spec, int precision, int128 nanoseconds, WidthUnit unit,
                      Output& out) {
  const Unit* shown = std::find_if(std::begin(units), std::end(units) - 1,
                                   [&](const Unit& one) { return nanoseconds >= one.nanoseconds; });
  auto whole = static_cast<uint128>(nanoseconds / shown->nanoseconds);
  auto rest = static_cast<std::int64_t>(nanoseconds % shown->nanoseconds);
  std::int64_t step = shown->nanoseconds;
  // As many digits as are asked, or as there are; what is behind them is rounded, a half to even.
  std::int64_t kept = 0;
  int places = 0;
  while (rest > 0 && (precision == unset || places < precision)) {
    step /= 10;
    kept = kept * 10 + rest / step;
    rest %= step;
    ++places;
  }
  const std::int64_t last = places > 0 ? kept : static_cast<std::int64_t>(whole % 2);
  if (rest > 0 && (rest * 2 > step || (rest * 2 == step && last % 2 != 0))) {
    std::int64_t full = 1;
    for (int i = 0; i < places; ++i) full *= 10;
    if (++kept == full) {
      kept = 0;
      ++whole;
    }
  }
  std::string text = spec.sign == Sign::always ? "+" : "";
  WholeRoom room;
  text += write_whole(whole, 10, Letters::lower, room);
  const int asked = precision == unset ? places : precision;
  if (asked > 0) {
    const std::string_view digits =
        kept == 0 ? std::string_view()
                  : write_whole(static_cast<uint128>(kept), 10, Letters::lower, room);
    text += '.';
    text.append(static_cast<std::size_t>(places) - digits.size(), '0');
    text += digits;
    text.append(static_cast<std::size_t>(asked - places), '0');
  }
  text += shown->sign;
  Spec padded = spec;
  padded.kind = Kind::text;
  padded.limit = unset;
  lay_out_text(padded, text, unit, out);
}

bool Expressions::keep_duration(const Node& node, std::optional<int128> nanoseconds,
                                std::string why, Value& out) {
  if (!nanoseconds || !fits_duration(*nanoseconds))
    return fail(computed::Trouble::When::run, "panic", std::move(why), node);
  out = Value::duration(*nanoseconds);
  return true;
}

bool Expressions::take_count_of(const Node& part, const Value& value, Type type, int128& out) {
  const bool is_fine = value.is(type) || (is_open(part) && is_whole(value.type()));
  if (!is_fine) return refuse("E0308", "mismatched types", part);
  const Integer number = computed::whole_of(value);
  if (number < 0) return refuse("E0600", "cannot apply unary operator - to an unsigned type", part);
  if (!computed::fits(type, number)) return literal_without_type(part);
  out = value.as_whole();
  return true;
}

std::optional<bool> Expressions::make_duration(const Node& node, std::string_view name,
                                               const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  int128 given[2] = {};
  if (name == "new" && count == 2) {
    if (!take_count_of(node.parts[1], arguments[0], Type::u64, given[0]) ||
        !take_count_of(node.parts[2], arguments[1], Type::u32, given[1]))
      return false;
    return keep_duration(node, given[0] * nanoseconds_per_second + given[1],
                         "overflow in Duration::new", out);
  }
  if (!name.starts_with("from_") || count != 1) return std::nullopt;
  name.remove_prefix(5);
  if (name == "secs_f64" || name == "secs_f32") {
    const bool is_open_real = is_open(node.parts[1]) && arguments[0].is(Type::f64);
    if (name == "secs_f32" && is_open_real) return not_yet("a literal as an f32 is", node);
    if (!arguments[0].is(name == "secs_f64" ? Type::f64 : Type::f32))
      return refuse("E0308", "mismatched types", node);
    return keep_duration(node, nanoseconds_of(arguments[0]),
                         "cannot convert float seconds to Duration", out);
  }
  const Unit* unit = find_unit(name);
  if (unit == nullptr) return std::nullopt;
  if (!take_count_of(node.parts[1], arguments[0], Type::u64, given[0])) return false;
  out = Value::duration(given[0] * unit->nanoseconds);
  return true;
}

bool Expressions::call_on_duration(const Node& node, const Value& of, const Arguments& arguments,
                                   Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  const int128 all = of.as_duration();
  if (count == 0) {
    if (name == "is_zero") {
      out = Value::truth(all == 0);
      return true;
    }
    if (name == "as_secs_f64") {
      out = Value::real(seconds_of(all));
      return true;
    }
    if (name == "as_secs") {
      out = Value::whole(Type::u64, all / nanoseconds_per_second);
      return true;
    }
    const std::size_t line = name.find('_');
    const Unit* unit = line == std::string::npos ? nullptr : find_unit(name.substr(line + 1));
    if (unit != nullptr && unit != units && name.starts_with("as_")) {
      out = Value::whole(Type::u128, all / unit->nanoseconds);
      return true;
    }
    if (unit != nullptr && unit != units && name.starts_with("subsec_")) {
      out = Value::whole(Type::u32, all % nanoseconds_per_second / unit->nanoseconds);
      return true;
    }
  }
  if (count == 1 && arguments[0].is(Type::duration)) {
    const int128 other = arguments[0].as_duration();
    if (name == "saturating_sub" || name == "abs_diff") {
      const int128 apart = name == "abs_diff" && all < other ? other - all : all - other;
      out = Value::duration(std::max<int128>(apart, 0));
      return true;
    }
    if (name == "saturating_add") {
      out = Value::duration(std::min(all + other, longest_duration));
      return true;
    }
    if (name == "checked_sub" || name == "checked_add") {
      const int128 result = name == "checked_sub" ? all - other : all + other;
      out = fits_duration(result) ? Value::some(Value::duration(result)) : Value();
      return true;
    }
    if (name == "max" || name == "min") {
      out = Value::duration(name == "max" ? std::max(all, other) : std::min(all, other));
      return true;
    }
  }
  if (count == 1 && (name == "mul_f64" || name == "div_f64") && arguments[0].is(Type::f64)) {
    const double by = computed::double_of(arguments[0]);
    const double seconds = name == "mul_f64" ? by * seconds_of(all) : seconds_of(all) / by;
    return keep_duration(node, nanoseconds_of(Value::real(seconds)),
                         "cannot convert float seconds to Duration", out);
  }
  return not_yet("the method " + name + " of a Duration is", node);
}

// As rustc 1.95 calls it: by whether the left side has the operator for anything.
bool Expressions::refuse_operator(const Node& node, Operation operation, const Value& left) {
  const bool compares = computed::is_comparison(operation);
  const bool has_bits = operation == Operation::bits_and || operation == Operation::bits_or ||
                        operation == Operation::bits_differ;
  const bool shifts = operation == Operation::shift_left || operation == Operation::shift_right;
  const bool has_operator = compares || operation == Operation::add ||
                            operation == Operation::subtract || operation == Operation::multiply ||
                            operation == Operation::divide;
  const std::string why = "there is no such operator for a Duration";
  if (left.is(Type::duration)) return refuse(has_operator ? "E0308" : "E0369", why, node);
  if (is_number(left))
    return refuse(is_real(left.type()) && (has_bits || shifts) ? "E0369" : "E0277", why, node);
  const bool tells_equal = operation == Operation::equal || operation == Operation::unequal;
  if (left.is(Type::text) && tells_equal) return refuse("E0277", why, node);
  if (left.is(Type::truth) && has_bits) return refuse("E0277", why, node);
  if (left.is(Type::text) || left.is(Type::truth) || left.is(Type::character))
    return refuse(compares ? "E0308" : "E0369", why, node);
  return not_yet("this with a Duration is", node);
}

bool Expressions::combine_durations(const Node& node, Operation operation, const Value& left,
                                    const Value& right, Value& out) {
  const bool both = left.is(Type::duration) && right.is(Type::duration);
  if (both && computed::is_comparison(operation)) {
    out = Value::truth(computed::relates(operation, left.as_duration() <=> right.as_duration()));
    return true;
  }
  if (both && (operation == Operation::add || operation == Operation::subtract)) {
    const bool adds = operation == Operation::add;
    return keep_duration(
        node,
        adds ? left.as_duration() + right.as_duration() : left.as_duration() - right.as_duration(),
        adds ? "overflow when adding durations" : "overflow when subtracting durations", out);
  }
  const bool is_first = left.is(Type::duration);
  const bool multiplies = operation == Operation::multiply;
  const bool divides = is_first && operation == Operation::divide;
  const Value& other = is_first ? right : left;
  const bool has_sides = node.parts.size() > 1;
  const bool is_count = has_sides && is_whole(other.type()) &&
                        (other.is(Type::u32) || is_open(node.parts[is_first ? 1 : 0]));
  if (!is_count || !(multiplies || divides)) return refuse_operator(node, operation, left);
  const Node& part = node.parts[is_first ? 1 : 0];
  const Integer whole = computed::whole_of(other);
  if (whole < 0) return refuse(is_first ? "E0600" : "E0277", "a u32 is not below zero", node);
  if (!computed::fits(Type::u32, whole)) return literal_without_type(part);
  const int128 number = other.as_whole();
  const int128 all = is_first ? left.as_duration() : right.as_duration();
  if (multiplies)
    return keep_duration(node, all * number, "overflow when multiplying duration by scalar", out);
  return keep_duration(node, number == 0 ? std::nullopt : std::optional(all / number),
                       "divide by zero error when dividing duration by scalar", out);
}

}  // namespace inky::inline v1::rust
