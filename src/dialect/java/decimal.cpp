#include "decimal.hpp"

#include <algorithm>
#include <array>
#include <bit>
#include <cmath>
#include <type_traits>

#include "inky_margin/number/natural.hpp"
#include "number/decimal_writing.hpp"

namespace inky::inline v1::java_language {

namespace {

constexpr int most_digits = 24;

// A number as Java takes it apart: 1.fraction x 2^exponent, the leading one included in 53 bits.
struct Parts {
  std::uint64_t significand;  // 2^52 <= significand < 2^53
  int exponent;
  int significant_bits;  // of the stored number; fewer for a subnormal

  int trailing_zeros() const { return std::countr_zero(significand); }
  int used_bits() const { return 53 - trailing_zeros(); }
  // How many of the bits stand after the binary point.
  int bits_after_point() const { return std::max(0, used_bits() - exponent - 1); }
};

Parts parts_of(const BinaryFormat& format, const BinaryReal& value) {
  const std::uint64_t bits = low_half(value.significand);
  const int length = bit_length(value.significand);
  return {bits << (53 - length), value.leading_exponent(), std::min(length, format.precision)};
}

int bits_of_power_of_five(int exponent) {
  constexpr std::array<int, 27> bits = {0,  3,  5,  7,  10, 12, 14, 17, 19, 21, 24, 26, 28, 31,
                                        33, 35, 38, 40, 42, 45, 47, 49, 52, 54, 56, 59, 61};
  const auto at = static_cast<std::size_t>(exponent);
  return at < bits.size() ? bits[at] : 3 * exponent;
}

std::uint64_t power_of_five(int exponent) {
  std::uint64_t out = 1;
  for (; exponent > 0; --exponent) out *= 5;
  return out;
}

// A whole number below 2^63, without its trailing zeros; for one above 2^53 the decimal digits that
// its last bits cannot hold are rounded off first.
void whole_digits(const Parts& parts, Digits& out) {
  const int shift = parts.exponent - 52;
  std::uint64_t whole = shift >= 0 ? parts.significand << shift : parts.significand >> -shift;
  int dropped = 0;
  if (parts.exponent > parts.significant_bits) {
    // floor(p log10 2): what p bits are worth in decimal digits.
    const int spare_bits = parts.exponent - parts.significant_bits - 1;
    if (spare_bits > 1) dropped = static_cast<int>(spare_bits * 30103LL / 100000);
  }
  if (dropped != 0) {
    const std::uint64_t unit = power_of_five(dropped) << dropped;
    const std::uint64_t rest = whole % unit;
    whole = whole / unit + (rest >= unit / 2 ? 1 : 0);
  }
  const int size = decimal_writing::digit_count(whole);
  decimal_writing::write_padded(out.room(most_digits), whole, size);
  out.set(size, size + dropped);
  out.strip_trailing_zeros();
}

// One digit at a time of B/S, where half a unit of the last place is M/S: three numbers that fit a
// machine word, whose overflow is part of the method.
template <typename Word>
class WordSteps {
 public:
  using Unsigned = std::make_unsigned_t<Word>;

  WordSteps(std::uint64_t b, std::uint64_t s, std::uint64_t m)
      : b_(static_cast<Unsigned>(b)), s_(static_cast<Unsigned>(s)), m_(static_cast<Unsigned>(m)) {}

  int next(bool& low, bool& high) {
    const Unsigned digit = b_ / s_;
    b_ = b_ % s_ * 10;
    m_ *= 10;
    if (static_cast<Word>(m_) > 0 || first_) {
      low = static_cast<Word>(b_) < static_cast<Word>(m_);
      high = static_cast<Word>(b_ + m_) > static_cast<Word>(s_ * 10);
    } else {
      low = high = true;
    }
    first_ = false;
    return static_cast<int>(digit);
  }

  // What is left, against half of the last digit's unit: negative, zero or positive.
  int rest() const {
    const auto difference = static_cast<Word>(b_ * 2 - s_ * 10);
    return difference < 0 ? -1 : difference > 0 ? 1 : 0;
  }

 private:
  Unsigned b_;
  Unsigned s_;
  Unsigned m_;
  bool first_ = true;
};

// The same for numbers of any size.
class LargeSteps {
 public:
  LargeSteps(const Natural& b, const Natural& s, const Natural& m) : b_(b), s_(s), m_(m), tens_(s) {
    tens_.multiply(10);
  }

  int next(bool& low, bool& high) {
    int digit = 0;
    for (; b_ >= s_; ++digit) b_.subtract(s_);
    b_.multiply(10);
    m_.multiply(10);
    low = b_ < m_;
    if (m_ > tens_) {
      high = true;
    } else {
      Natural left = tens_;
      left.subtract(m_);
      high = b_ >= left;
    }
    return digit;
  }

  int rest() const {
    Natural twice = b_;
    twice.shift_left(1);
    return twice < tens_ ? -1 : twice == tens_ ? 0 : 1;
  }

 private:
  Natural b_;
  Natural s_;
  Natural m_;
  Natural tens_;
};

// Adds one to the last digit; true where that carries out of the first.
bool round_up(char* digits, int count) {
  int at = count - 1;
  for (; at > 0 && digits[at] == '9'; --at) digits[at] = '0';
  if (digits[at] != '9') {
    ++digits[at];
    return false;
  }
  digits[at] = '1';
  return true;
}

template <typename Steps>
void develop(Steps steps, int exponent, Purpose purpose, Digits& out) {
  char* const digits = out.room(most_digits);
  int count = 0;
  bool low = false;
  bool high = false;
  const int first = steps.next(low, high);
  if (first == 0 && !high)
    --exponent;
  else
    digits[count++] = static_cast<char>('0' + first);
  // Every form but Double.toString's plain one wants a second digit.
  if (purpose == Purpose::format || exponent < -3 || exponent >= 8) low = high = false;
  while (!low && !high) digits[count++] = static_cast<char>('0' + steps.next(low, high));
  bool up = high;
  if (high && low) {
    const int rest = steps.rest();
    up = rest > 0 || (rest == 0 && (digits[count - 1] - '0') % 2 != 0);
  }
  if (up && round_up(digits, count)) ++exponent;
  out.set(count, exponent + 1);
}

// floor(log10), by a line through two points, as Java estimates it.
int estimated_exponent(const Parts& parts) {
  const double significand = std::ldexp(static_cast<double>(parts.significand), -52);
  return static_cast<int>(std::floor((significand - 1.5) * 0.289529654 + 0.176091259 +
                                     parts.exponent * 0.301029995663981));
}

Natural product(std::uint64_t factor, int fives, int twos) {
  Natural out{uint128{factor}};
  out.multiply_power_of_five(fives);
  out.shift_left(twos);
  return out;
}

}  // namespace

void java_digits(const BinaryFormat& format, const BinaryReal& value, Purpose purpose,
                 Digits& out) {
  if (value.is_zero()) return out.set(0, 0);
  const Parts parts = parts_of(format, value);
  const int after_point = parts.bits_after_point();
  constexpr int largest_whole = 62;
  if (after_point == 0 && parts.exponent >= 0 && parts.exponent <= largest_whole)
    return whole_digits(parts, out);

  const int exponent = estimated_exponent(parts);
  const int b_fives = std::max(0, -exponent);
  const int s_fives = std::max(0, exponent);
  int b_twos = b_fives + after_point + parts.exponent;
  int s_twos = s_fives + after_point;
  int m_twos = b_twos - parts.significant_bits;
  b_twos -= parts.used_bits() - 1;
  const int common = std::min(b_twos, s_twos);
  b_twos -= common;
  s_twos -= common;
  m_twos -= common;
  // Below a power of two the next number is half as far away; the line is drawn there for both.
  if (parts.used_bits() == 1) --m_twos;
  if (m_twos < 0) {
    b_twos -= m_twos;
    s_twos -= m_twos;
    m_twos = 0;
  }
  const std::uint64_t fraction = parts.significand >> parts.trailing_zeros();
  const int b_bits = parts.used_bits() + b_twos + bits_of_power_of_five(b_fives);
  const int ten_s_bits = s_twos + 1 + bits_of_power_of_five(s_fives + 1);
  if (b_bits < 64 && ten_s_bits < 64) {
    const std::uint64_t b = fraction * power_of_five(b_fives) << b_twos;
    const std::uint64_t s = power_of_five(s_fives) << s_twos;
    const std::uint64_t m = power_of_five(b_fives) << m_twos;
    if (b_bits < 32 && ten_s_bits < 32)
      return develop(WordSteps<std::int32_t>(b, s, m), exponent, purpose, out);
    return develop(WordSteps<std::int64_t>(b, s, m), exponent, purpose, out);
  }
  develop(LargeSteps(product(fraction, b_fives, b_twos), product(1, s_fives, s_twos),
                     product(1, b_fives, m_twos)),
          exponent, purpose, out);
}

}  // namespace inky::inline v1::java_language
