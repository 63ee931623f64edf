#include "values.hpp"

#include <algorithm>
#include <array>
#include <limits>

#include "../family/values.hpp"
#include "facts.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/decimal.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::php {

bool is_int(const Value& value) {
  if (!is_whole(value.type())) return false;
  const auto number = small_whole(value);
  return number && *number == static_cast<std::int64_t>(*number);
}

namespace {

// The number a text starts with: blanks, a sign, digits, a point, an exponent. Empty: none.
std::string_view leading_number(std::string_view text, bool& has_no_point) {
  const std::size_t start = std::min(text.find_first_not_of(" \t\n\r\v\f"), text.size());
  const auto digits = [&](std::size_t from) {
    return std::min(text.find_first_not_of("0123456789", from), text.size());
  };
  std::size_t at = start;
  if (at < text.size() && (text[at] == '-' || text[at] == '+')) ++at;
  const std::size_t whole_end = digits(at);
  std::size_t end = whole_end;
  std::size_t count = whole_end - at;
  if (end < text.size() && text[end] == '.') {
    const std::size_t fraction_end = digits(end + 1);
    count += fraction_end - end - 1;
    if (count != 0) end = fraction_end;
  }
  if (count == 0) return {};
  if (end < text.size() && (text[end] | 32) == 'e') {
    std::size_t exponent = end + 1;
    if (exponent < text.size() && (text[exponent] == '-' || text[exponent] == '+')) ++exponent;
    if (digits(exponent) > exponent) end = digits(exponent);
  }
  has_no_point = end == whole_end;
  return text.substr(start, end - start);
}

BinaryReal read_float(std::string_view number) {
  const bool negative = number.starts_with('-');
  if (number.starts_with('+') || negative) number.remove_prefix(1);
  std::string text(number);
  if (text.starts_with('.')) text.insert(0, "0");
  const auto decimal = scan_decimal(text);
  BinaryReal out;
  if (decimal) out = unpack(binary64, nearest(binary64, *decimal));
  out.negative = negative;
  return out;
}

}  // namespace

BinaryReal float_of(const Value& value) {
  bool has_no_point = false;
  if (is_text_or_character(value)) return read_float(leading_number(text_of(value), has_no_point));
  if (value.is(Type::nil)) return {};
  if (value.is(Type::list)) return nearest_f64(Value::truth(!value.as_list().empty()));
  return nearest_f64(value);
}

SignedNatural cut_of(const BinaryReal& real) {
  SignedNatural out{real.negative, Natural(real.significand)};
  if (real.exponent < 0)
    out.magnitude.shift_right(-real.exponent);
  else
    out.magnitude.shift_left(real.exponent);
  return out;
}

std::int64_t int_of(const Value& value) {
  constexpr std::int64_t highest = std::numeric_limits<std::int64_t>::max();
  constexpr std::int64_t lowest = std::numeric_limits<std::int64_t>::min();
  if (value.is(Type::nil)) return 0;
  if (value.is(Type::list)) return value.as_list().empty() ? 0 : 1;
  if (is_int(value) || value.is(Type::truth)) return static_cast<std::int64_t>(*small_whole(value));
  if (is_text_or_character(value)) {
    bool has_no_point = false;
    const std::string text = text_of(value);
    const std::string_view number = leading_number(text, has_no_point);
    if (number.empty()) return 0;
    // More digits than a whole number may have are read as a float.
    const auto digits = has_no_point ? read_whole(number) : std::nullopt;
    const SignedNatural whole = digits ? *digits : cut_of(read_float(number));
    if (whole.magnitude.bit_length() > 63) return whole.negative ? lowest : highest;
    const auto magnitude = static_cast<std::int64_t>(low_half(whole.magnitude.low_bits()));
    return whole.negative ? -magnitude : magnitude;
  }
  const BinaryReal real = nearest_f64(value);
  if (!real.is_finite()) return 0;
  const SignedNatural whole = cut_of(real);
  const std::uint64_t low = low_half(whole.magnitude.low_bits());
  return static_cast<std::int64_t>(whole.negative ? 0 - low : low);
}

namespace {

// A whole number of at most 15 digits that lies exactly half-way, and is rounded down to a digit 0,
// keeps its zeros: the way PHP settles such ties forgets to drop them.
bool keeps_zeros(const BinaryReal& real, int significant, const Digits& rounded) {
  constexpr int most_digits = 15;
  if (rounded.size() >= significant || rounded.point() <= significant ||
      rounded.point() > most_digits)
    return false;
  Digits exact;
  exact_digits(real, exact);
  return exact.size() <= exact.point() && tail_after(exact, significant) == Tail::half &&
         exact.text()[static_cast<std::size_t>(significant - 1)] == '0';
}

}  // namespace

void lay_out_compact(const Spec& given, const BinaryReal& real, Output& out) {
  constexpr int most_shortest = 17;
  Spec spec = given;
  Digits digits;
  if (spec.significant == unset)
    shortest_digits(binary64, real, digits);
  else
    digits_to_significant(real, spec.significant, Rounding::half_even, digits);
  digits.strip_trailing_zeros();
  const bool zeros = spec.significant != unset && keeps_zeros(real, spec.significant, digits);
  const int largest = spec.significant == unset ? most_shortest : spec.significant;
  const int point = digits.is_zero() ? 1 : digits.point();
  const bool fixed = point < 0 ? point >= -3 : point <= largest;
  spec.notation = fixed ? Notation::fixed : Notation::scientific;
  spec.places = fixed ? unset : std::max((zeros ? given.significant : digits.size()) - 1, 1);
  spec.significant = unset;
  lay_out_digits(spec, real.negative, digits, numbers, out);
}

std::string float_text(const BinaryReal& real) {
  constexpr int default_precision = 14;
  if (real.kind == RealClass::not_a_number) return "NAN";
  if (real.kind == RealClass::infinite) return real.negative ? "-INF" : "INF";
  Spec spec;
  spec.significant = default_precision;
  spec.letters = Letters::upper;
  TextBuffer out;
  lay_out_compact(spec, real, out);
  return out.string();
}

std::string any_text(const Value& value) {
  if (is_text_or_character(value)) return text_of(value);
  if (value.is(Type::nil)) return {};
  if (value.is(Type::list)) return "Array";
  if (value.is(Type::truth)) return value.as_whole() != 0 ? "1" : "";
  return is_int(value) ? whole_text(value) : float_text(nearest_f64(value));
}

}  // namespace inky::inline v1::php
