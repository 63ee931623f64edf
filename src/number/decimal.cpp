// Reading decimals. Three steps, each tried where the one before cannot answer:
//   1. both the digits and the power of ten are exact in f64: one hardware operation
//      (W. Clinger, "How to read floating point numbers accurately", 1990);
//   2. one or two 64-bit products with a 128-bit power of ten
//      (D. Lemire, "Number parsing at a gigabyte per second", 2021);
//   3. whole numbers of any size.

#include "inky_margin/number/decimal.hpp"

#include <algorithm>
#include <array>

#include "inky_margin/number/natural.hpp"
#include "number/decimal_writing.hpp"
#include "powers_of_ten.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

namespace {

constexpr int leading_digits = 19;
constexpr std::int64_t exponent_cap = 1'000'000'000'000'000;

// No format has a value outside 10^-4966 ... 10^4933 (f128), so points beyond these bounds
// overflow or underflow whatever the digits.
constexpr std::int64_t huge_point = 5000;
constexpr std::int64_t tiny_point = -5000;

// Half-way values of f128 have at most 11 563 + 1 digits; more than that only needs "and more".
constexpr std::size_t deciding_digits = 11600;

std::string_view take_digits(std::string_view& rest) {
  std::size_t count = 0;
  while (count < rest.size() && is_digit(rest[count])) ++count;
  const std::string_view digits = rest.substr(0, count);
  rest.remove_prefix(count);
  return digits;
}

bool take_sign(std::string_view& rest) {
  if (rest.empty() || (rest[0] != '-' && rest[0] != '+')) return false;
  const bool negative = rest[0] == '-';
  rest.remove_prefix(1);
  return negative;
}

// [+-] digits, all of the text; held at the cap.
std::optional<std::int64_t> scan_exponent(std::string_view text) {
  const bool negative = take_sign(text);
  const std::string_view digits = take_digits(text);
  if (digits.empty() || !text.empty()) return std::nullopt;
  std::int64_t value = 0;
  for (const char c : digits) value = std::min(value * 10 + (c - '0'), exponent_cap);
  return negative ? -value : value;
}

// Collects the first significant digits of one run into `out`; returns how many it skipped.
void collect_leading(std::string_view digits, DecimalText& out, int& collected,
                     std::int64_t& skipped) {
  for (const char c : digits) {
    if (collected == 0 && c == '0') continue;
    if (collected == leading_digits) {
      ++skipped;
      out.truncated |= c != '0';
      continue;
    }
    out.leading = out.leading * 10 + static_cast<unsigned>(c - '0');
    ++collected;
  }
}

void find_leading(DecimalText& out) {
  int collected = 0;
  std::int64_t skipped = 0;
  collect_leading(out.whole, out, collected, skipped);
  collect_leading(out.fraction, out, collected, skipped);
  out.leading_exponent = out.exponent + skipped - static_cast<std::int64_t>(out.fraction.size());
}

// Step 1: a whole number below 2^53 and a power of ten up to 10^22 are both exact in f64, so one
// multiplication or division by the hardware rounds once, correctly.
std::optional<uint128> nearest_by_hardware(std::uint64_t leading, int power, bool negative) {
  static constexpr int most_exact_power = 22;
  static constexpr auto exact_powers = [] {
    std::array<double, most_exact_power + 1> table{};
    table[0] = 1;
    for (std::size_t i = 1; i < table.size(); ++i) table[i] = table[i - 1] * 10;
    return table;
  }();
  if (leading >> 53 != 0 || power < -most_exact_power || power > most_exact_power) {
    return std::nullopt;
  }
  const double ten = exact_powers[static_cast<std::size_t>(power < 0 ? -power : power)];
  const auto whole = static_cast<double>(leading);
  const double value = power < 0 ? whole / ten : whole * ten;
  return bits_of(negative ? -value : value);
}

// Step 2: leading x 10^power through the table, rounded half to even to at most 53 bits.
//
// With m the digits shifted to 64 bits and g the power's significand, the true product lies in
// [m g, m g + m), so its upper 128 bits are those of m g or one more. Unless that one carries into
// the upper 64, which alone hold the kept bits and the guard bit, the answer is settled; and as
// the product of an inexact power is never exactly those bits, it is never a tie.
std::optional<uint128> nearest_by_table(const BinaryFormat& format, std::uint64_t leading,
                                        int power, bool negative) {
  const int lift = 64 - bit_length(leading);
  const std::uint64_t m = leading << lift;
  const uint128 g = powers::significand(power);
  const uint128 lower = multiply_wide(m, low_half(g));
  const uint128 top = multiply_wide(m, high_half(g)) + high_half(lower);
  const bool exact_power = powers::is_exact(power);
  if (!exact_power && low_half(top) == ~std::uint64_t{0}) return std::nullopt;
  const bool more = !exact_power || low_half(lower) != 0;
  return round_to_format(format, negative, top, powers::exponent(power) + 64 - lift, more,
                         Rounding::half_even);
}

std::optional<uint128> nearest_fast(const BinaryFormat& format, const DecimalText& decimal) {
  const std::int64_t wide_power = decimal.leading_exponent;
  if (format.precision > binary64.precision || wide_power < powers::lowest ||
      wide_power > powers::highest) {
    return std::nullopt;
  }
  const auto power = static_cast<int>(wide_power);
  const bool negative = decimal.negative;
  if (format == binary64 && !decimal.truncated) {
    if (const auto bits = nearest_by_hardware(decimal.leading, power, negative)) return bits;
  }
  const auto bits = nearest_by_table(format, decimal.leading, power, negative);
  if (!decimal.truncated) return bits;
  // The digits left out lie between `leading` and `leading + 1`; where both give the same number,
  // so does the text. (19 digits stay below 2^64, so there is room for one more.)
  if (bits == nearest_by_table(format, decimal.leading + 1, power, negative)) return bits;
  return std::nullopt;
}

// Every significant digit, or enough of them and "and more" as a last 1.
Natural digits_as_natural(const DecimalText& decimal, std::int64_t& exponent) {
  Natural n;
  std::size_t taken = 0;
  std::size_t dropped = 0;
  bool more = false;
  std::uint64_t chunk = 0;
  int chunk_size = 0;
  const auto flush = [&] {
    n.multiply(decimal_writing::power_of_ten(chunk_size));
    n.add(chunk);
    chunk = 0;
    chunk_size = 0;
  };
  for (const std::string_view run : {decimal.whole, decimal.fraction}) {
    for (const char c : run) {
      if (taken == 0 && c == '0') continue;
      if (taken == deciding_digits) {
        ++dropped;
        more |= c != '0';
        continue;
      }
      ++taken;
      chunk = chunk * 10 + static_cast<unsigned>(c - '0');
      if (++chunk_size == leading_digits) flush();
    }
  }
  flush();
  exponent = decimal.exponent - static_cast<std::int64_t>(decimal.fraction.size()) +
             static_cast<std::int64_t>(dropped);
  if (more) {
    n.multiply(10);
    n.add(1);
    --exponent;
  }
  return n;
}

// floor(numerator / denominator), which must be below 2^128; whether a remainder was left.
uint128 divide_naturals(Natural numerator, Natural denominator, bool& inexact) {
  const int steps = numerator.bit_length() - denominator.bit_length();
  uint128 quotient = 0;
  if (steps >= 0) denominator.shift_left(steps);
  for (int i = steps; i >= 0; --i) {
    quotient <<= 1;
    if (numerator >= denominator) {
      numerator.subtract(denominator);
      quotient |= 1;
    }
    denominator.shift_right(1);
  }
  inexact = !numerator.is_zero();
  return quotient;
}

// Step 3, for every format and rounding. REQUIRES: tiny_point < point < huge_point.
uint128 nearest_exactly(const BinaryFormat& format, const DecimalText& decimal, Rounding rounding) {
  std::int64_t power = 0;
  Natural numerator = digits_as_natural(decimal, power);
  Natural denominator(1);
  (power >= 0 ? numerator : denominator)
      .multiply_power_of_ten(static_cast<int>(power >= 0 ? power : -power));
  const int ratio_bits = numerator.bit_length() - denominator.bit_length();
  // Two bits more than the precision, but none below a quarter of the lowest subnormal.
  const int last_bit = std::max(ratio_bits - format.precision - 2, format.lowest_exponent() - 2);
  if (last_bit >= 0)
    denominator.shift_left(last_bit);
  else
    numerator.shift_left(-last_bit);
  bool inexact = false;
  const uint128 quotient = divide_naturals(numerator, denominator, inexact);
  return round_to_format(format, decimal.negative, quotient, last_bit, inexact, rounding);
}

bool equals_ignoring_case(std::string_view text, std::string_view lower) {
  return std::equal(text.begin(), text.end(), lower.begin(), lower.end(),
                    [](char a, char b) { return small_letter(a) == b; });
}

int hex_value(char c) {
  if (is_digit(c)) return c - '0';
  if (c >= 'a' && c <= 'f') return c - 'a' + 10;
  if (c >= 'A' && c <= 'F') return c - 'A' + 10;
  return -1;
}

// "1.8p+1", the part after "0x".
std::optional<uint128> read_hexadecimal(const BinaryFormat& format, bool negative,
                                        std::string_view text, Rounding rounding) {
  constexpr int most_bits = 124;
  uint128 significand = 0;
  std::int64_t exponent = 0;
  bool any = false;
  bool after_point = false;
  bool inexact = false;
  std::size_t i = 0;
  for (; i < text.size(); ++i) {
    if (text[i] == '.' && !after_point) {
      after_point = true;
      continue;
    }
    const int digit = hex_value(text[i]);
    if (digit < 0) break;
    any = true;
    if (bit_length(significand) <= most_bits - 4) {
      significand = significand << 4 | static_cast<unsigned>(digit);
      exponent -= after_point ? 4 : 0;
    } else {
      inexact |= digit != 0;
      exponent += after_point ? 0 : 4;
    }
  }
  if (!any) return std::nullopt;
  if (i < text.size()) {
    if (text[i] != 'p' && text[i] != 'P') return std::nullopt;
    const std::optional<std::int64_t> typed = scan_exponent(text.substr(i + 1));
    if (!typed) return std::nullopt;
    exponent += *typed;
  }
  if (significand == 0) return zero_bits(format, negative);
  // Beyond every format on either side; round_to_format's int stays far from its limits.
  exponent = std::clamp<std::int64_t>(exponent, -100'000, 100'000);
  return round_to_format(format, negative, significand, static_cast<int>(exponent), inexact,
                         rounding);
}

}  // namespace

std::optional<DecimalText> scan_decimal(std::string_view text) {
  DecimalText out;
  out.negative = take_sign(text);
  out.whole = take_digits(text);
  if (!text.empty() && text[0] == '.') {
    text.remove_prefix(1);
    out.fraction = take_digits(text);
  }
  if (out.whole.empty() && out.fraction.empty()) return std::nullopt;
  if (!text.empty()) {
    if (text[0] != 'e' && text[0] != 'E') return std::nullopt;
    const std::optional<std::int64_t> exponent = scan_exponent(text.substr(1));
    if (!exponent) return std::nullopt;
    out.exponent = *exponent;
  }
  find_leading(out);
  return out;
}

uint128 nearest(const BinaryFormat& format, const DecimalText& decimal, Rounding rounding) {
  if (decimal.is_zero()) return zero_bits(format, decimal.negative);
  const std::int64_t power = decimal.leading_exponent;
  const std::int64_t point = power + decimal_writing::digit_count(decimal.leading);
  if (point > huge_point || point < tiny_point) {
    return round_to_format(format, decimal.negative, point > 0 ? 1 : 0,
                           point > 0 ? format.max_exponent() + 1 : format.lowest_exponent() - 2,
                           true, rounding);
  }
  if (rounding == Rounding::half_even) {
    if (const auto bits = nearest_fast(format, decimal)) return *bits;
  }
  return nearest_exactly(format, decimal, rounding);
}

bool typed_digits(const DecimalText& decimal, Digits& out) {
  constexpr std::int64_t most = 1'000'000'000;
  if (decimal.is_zero()) {
    out.set(0, 0);
    return true;
  }
  const auto size = static_cast<std::int64_t>(decimal.whole.size() + decimal.fraction.size());
  if (decimal.exponent > most || decimal.exponent < -most || size > most) return false;
  char* room = out.room(static_cast<int>(size));
  char* end = std::copy(decimal.whole.begin(), decimal.whole.end(), room);
  end = std::copy(decimal.fraction.begin(), decimal.fraction.end(), end);
  char* first = std::find_if(room, end, [](char c) { return c != '0'; });
  const auto zeros = static_cast<int>(first - room);
  std::copy(first, end, room);
  out.set(
      static_cast<int>(end - first),
      static_cast<int>(static_cast<std::int64_t>(decimal.whole.size()) + decimal.exponent) - zeros);
  out.strip_trailing_zeros();
  return true;
}

std::optional<uint128> read_real(const BinaryFormat& format, std::string_view text,
                                 Rounding rounding) {
  if (const std::optional<DecimalText> decimal = scan_decimal(text)) {
    return nearest(format, *decimal, rounding);
  }
  const bool negative = take_sign(text);
  if (text.size() > 2 && text[0] == '0' && (text[1] == 'x' || text[1] == 'X')) {
    return read_hexadecimal(format, negative, text.substr(2), rounding);
  }
  if (equals_ignoring_case(text, "inf") || equals_ignoring_case(text, "infinity")) {
    return infinity_bits(format, negative);
  }
  if (equals_ignoring_case(text, "nan")) return quiet_nan_bits(format, negative);
  return std::nullopt;
}

}  // namespace inky::inline v1
