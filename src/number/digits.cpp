// Digits to n places and to n significant.
//
// Fast paths, all exact:
//   places       integer and fraction part apart, each in 64 bits; the fraction times 10^n in 128.
//   significant  significand times a 128-bit power of ten; where the neglected part of that power
//                could change the answer, the slow path decides.
// The slow path writes out every digit and rounds the text.

#include "inky_margin/number/digits.hpp"

#include <algorithm>
#include <cassert>
#include <cstdlib>

#include "inky_margin/number/natural.hpp"
#include "number/decimal_writing.hpp"
#include "powers_of_ten.hpp"

namespace inky::inline v1 {

namespace {

using decimal_writing::power_of_ten;

// 10^19 is the largest power of ten in 64 bits, so 19 places keep the fraction in one word.
constexpr int most_fast_places = 19;
// The scaled value is below 10^(count + 1), which must stay under 2^63.
constexpr int most_fast_significant = 17;

Tail compare_with_half(uint128 rest, uint128 half) {
  if (rest == 0) return Tail::exact;
  if (rest == half) return Tail::half;
  return rest < half ? Tail::below_half : Tail::above_half;
}

// The parts of significand x 2^-shift, at `places` places, rounded toward zero, and what was cut.
// REQUIRES: shift > 0.
Tail split(std::uint64_t significand, int shift, int places, FixedParts& out) {
  const std::uint64_t unit = power_of_ten(places);
  if (shift < 64) {
    const std::uint64_t mask = (std::uint64_t{1} << shift) - 1;
    const uint128 scaled = multiply_wide(significand & mask, unit);
    out = {significand >> shift, static_cast<std::uint64_t>(scaled >> shift)};
    return compare_with_half(scaled & mask, uint128{1} << (shift - 1));
  }
  out = {0, 0};
  if (shift > 128) return Tail::below_half;
  const uint128 scaled = multiply_wide(significand, unit);
  const uint128 half = uint128{1} << (shift - 1);
  if (shift == 128) return compare_with_half(scaled, half);
  out.fraction = static_cast<std::uint64_t>(scaled >> shift);
  return compare_with_half(scaled & ((uint128{1} << shift) - 1), half);
}

void write_parts(const FixedParts& parts, int places, Digits& out) {
  char* room = out.room(40);
  if (parts.whole != 0) {
    const int count = decimal_writing::write(room, parts.whole);
    decimal_writing::write_padded(room + count, parts.fraction, places);
    out.set(count + places, count);
  } else if (parts.fraction != 0) {
    const int count = decimal_writing::write(room, parts.fraction);
    out.set(count, count - places);
  } else {
    out.set(0, 0);
  }
}

// A value scaled to a whole number of last-digit units, and what was cut.
struct Scaled {
  std::uint64_t units;
  Tail tail;
};

// value x 10^power where the value is a whole number below 2^64 and power is negative.
bool scale_whole(const BinaryReal& value, int power, Scaled& out) {
  if (power >= 0 || power < -19 || value.leading_exponent() > 63 || value.exponent <= -64) {
    return false;
  }
  const std::uint64_t significand = low_half(value.significand);
  std::uint64_t whole = 0;
  if (value.exponent >= 0) {
    whole = significand << value.exponent;
  } else {
    whole = significand >> -value.exponent;
    if (whole << -value.exponent != significand) return false;
  }
  const std::uint64_t divisor = power_of_ten(-power);
  out = {whole / divisor, compare_with_half(whole % divisor, divisor / 2)};
  return true;
}

// value x 10^power by the table. False where 128 bits of the power do not settle the tail.
//
// With m the significand shifted to 64 bits and g the power's significand, the true product lies in
// [m g, m g + m): strictly inside unless the power is exact. So an inexact product is never
// exactly a whole or a half, and only a fraction within 2^64 below either is in doubt.
bool scale_by_table(const BinaryReal& value, int power, Scaled& out) {
  const int lift = 64 - bit_length(low_half(value.significand));
  const std::uint64_t m = low_half(value.significand) << lift;
  const uint128 g = powers::significand(power);
  const uint128 low_product = multiply_wide(m, low_half(g));
  const uint128 top = multiply_wide(m, high_half(g)) + high_half(low_product);
  const std::uint64_t bottom = low_half(low_product);
  // product = top x 2^64 + bottom; the point stands `shift` bits above the end of `top`.
  const int shift = -(value.exponent - lift + powers::exponent(power)) - 64;
  const uint128 half = uint128{1} << (shift - 1);
  const uint128 fraction = top & ((uint128{1} << shift) - 1);
  out.units = static_cast<std::uint64_t>(top >> shift);
  if (powers::is_exact(power)) {
    out.tail = fraction == half && bottom != 0 ? Tail::above_half
               : fraction == 0 && bottom != 0  ? Tail::below_half
                                               : compare_with_half(fraction, half);
    return true;
  }
  if (fraction == half - 1 || fraction == (half << 1) - 1) return false;
  out.tail = fraction >= half ? Tail::above_half : Tail::below_half;
  return true;
}

// One digit fewer: the last digit joins the tail.
Scaled drop_digit(const Scaled& scaled) {
  const std::uint64_t digit = scaled.units % 10;
  Tail tail = digit < 5 ? Tail::below_half : Tail::above_half;
  if (digit == 0 && scaled.tail == Tail::exact) tail = Tail::exact;
  if (digit == 5 && scaled.tail == Tail::exact) tail = Tail::half;
  return {scaled.units / 10, tail};
}

bool fast_significant(const BinaryReal& value, int count, Rounding rounding, Digits& out) {
  if (count > most_fast_significant || high_half(value.significand) != 0) return false;
  // The table reaches 10^342; so far the estimate of the point is exact as well.
  constexpr int farthest = 1100;
  if (std::abs(value.leading_exponent()) > farthest) return false;
  // 10^(point - 1) <= value, and value < 2 x 10^point: the guess may be one too small.
  int point = powers::floor_log10_of_power_of_two(value.leading_exponent()) + 1;
  const int power = count - point;
  if (power < powers::lowest || power > powers::highest) return false;
  Scaled scaled{};
  if (!scale_whole(value, power, scaled) && !scale_by_table(value, power, scaled)) return false;
  if (scaled.units >= power_of_ten(count)) {
    scaled = drop_digit(scaled);
    ++point;
  }
  if (rounds_away(rounding, scaled.tail, value.negative, (scaled.units & 1) != 0)) ++scaled.units;
  if (scaled.units == power_of_ten(count)) {
    scaled.units /= 10;
    ++point;
  }
  decimal_writing::write_padded(out.room(20), scaled.units, count);
  out.set(count, point);
  return true;
}

// Decimal digits of a Natural, written from the back in chunks of 19.
void write_natural(Natural n, Digits& out) {
  constexpr int chunk = 19;
  // 0.30103 is just above log10(2); one more digit for the rounding down of the product.
  const int most = static_cast<int>(static_cast<std::int64_t>(n.bit_length()) * 30103 / 100000) + 1;
  char* room = out.room(most + chunk);
  char* const end = room + most + chunk;
  char* begin = end;
  while (!n.is_zero()) {
    const std::uint64_t low = n.divide(power_of_ten(chunk));
    if (n.is_zero()) {
      const int count = decimal_writing::digit_count(low);
      begin -= count;
      decimal_writing::write_padded(begin, low, count);
    } else {
      begin -= chunk;
      decimal_writing::write_padded(begin, low, chunk);
    }
  }
  const auto size = static_cast<int>(end - begin);
  std::copy(begin, end, room);
  out.set(size, size);
}

}  // namespace

char* Digits::large_room(int size) {
  if (size > inline_capacity && size > heap_capacity_) {
    heap_ = std::make_unique<char[]>(static_cast<std::size_t>(size));
    heap_capacity_ = size;
  }
  return heap_ ? heap_.get() : inline_.data();
}

void Digits::strip_trailing_zeros() {
  const char* digits = data();
  while (size_ > 0 && digits[size_ - 1] == '0') --size_;
  if (size_ == 0) point_ = 0;
}

void exact_digits(const BinaryReal& value, Digits& out) {
  assert(value.is_finite());
  // m x 2^-s = m x 5^s x 10^-s, so the digits are those of a whole number.
  Natural n(value.significand);
  int places = 0;
  if (value.exponent >= 0) {
    n.shift_left(value.exponent);
  } else {
    places = -value.exponent;
    // Factors of two in the significand would only become trailing zeros.
    while (places > 0 && !n.is_zero() && !n.bit(0)) {
      n.shift_right(1);
      --places;
    }
    n.multiply_power_of_five(places);
  }
  write_natural(n, out);
  out.set(out.size(), out.point() - places);
  out.strip_trailing_zeros();
}

Tail tail_after(const Digits& digits, int keep) {
  const std::string_view text = digits.text();
  if (digits.is_zero() || keep >= digits.size()) return Tail::exact;
  if (keep < 0) return Tail::below_half;
  const auto from = static_cast<std::size_t>(keep);
  const bool more = text.find_first_not_of('0', from + 1) != std::string_view::npos;
  if (text[from] == '0' && !more) return Tail::exact;
  if (text[from] == '5' && !more) return Tail::half;
  return text[from] < '5' ? Tail::below_half : Tail::above_half;
}

void round_digits(Digits& digits, int keep, bool negative, Rounding rounding) {
  if (digits.is_zero() || keep >= digits.size()) return;
  const Tail tail = tail_after(digits, keep);
  char* text = digits.room(digits.size());
  const bool odd = keep > 0 && ((text[keep - 1] - '0') & 1) != 0;
  const bool away = rounds_away(rounding, tail, negative, odd);
  int size = std::max(keep, 0);
  int point = digits.point();
  if (away) {
    while (size > 0 && text[size - 1] == '9') --size;
    if (size > 0) {
      ++text[size - 1];
    } else {
      // All nines, or nothing kept: one unit of the last kept place.
      point += keep < 0 ? 1 - keep : 1;
      text[0] = '1';
      size = 1;
    }
  }
  digits.set(size, point);
  digits.strip_trailing_zeros();
}

char* write_plain_text(const Digits& digits, bool negative, char* out) {
  constexpr int most_before_point = 21;
  constexpr int most_zeros_after = 7;
  if (negative) *out++ = '-';
  if (digits.is_zero()) {
    *out++ = '0';
    return out;
  }
  const char* text = digits.text().data();
  const int size = digits.size();
  const int point = digits.point();
  if (point > most_before_point || point < -most_zeros_after) {
    *out++ = *text;
    if (size > 1) {
      *out++ = '.';
      out = std::copy_n(text + 1, size - 1, out);
    }
    *out++ = 'e';
    *out++ = point > 0 ? '+' : '-';
    const auto exponent = static_cast<std::uint64_t>(point > 0 ? point - 1 : 1 - point);
    return out + decimal_writing::write(out, exponent);
  }
  if (point <= 0) {
    *out++ = '0';
    *out++ = '.';
    out = std::fill_n(out, -point, '0');
    return std::copy_n(text, size, out);
  }
  if (point >= size) return std::fill_n(std::copy_n(text, size, out), point - size, '0');
  out = std::copy_n(text, point, out);
  *out++ = '.';
  return std::copy_n(text + point, size - point, out);
}

std::string plain_text(const Digits& digits, bool negative) {
  std::string out(static_cast<std::size_t>(digits.size() + plain_text_extra), '\0');
  const char* end = write_plain_text(digits, negative, out.data());
  out.resize(static_cast<std::size_t>(end - out.data()));
  return out;
}

bool fixed_parts(const BinaryReal& value, int places, Rounding rounding, FixedParts& out) {
  if (places < 0 || places > most_fast_places || high_half(value.significand) != 0) return false;
  const std::uint64_t significand = low_half(value.significand);
  if (value.exponent >= 0 || significand == 0) {
    if (bit_length(significand) + value.exponent > 64) return false;
    out = {significand == 0 ? 0 : significand << value.exponent, 0};
    return true;
  }
  const Tail tail = split(significand, -value.exponent, places, out);
  // The odd digit of a tie is the last of the fraction, or, without places, of the whole.
  const std::uint64_t last = places == 0 ? out.whole : out.fraction;
  if (rounds_away(rounding, tail, value.negative, (last & 1) != 0)) {
    ++out.fraction;
    if (out.fraction == power_of_ten(places)) {
      out.fraction = 0;
      ++out.whole;
    }
  }
  return true;
}

void digits_to_places(const BinaryReal& value, int places, Rounding rounding, Digits& out) {
  assert(value.is_finite());
  if (value.is_zero()) return out.set(0, 0);
  FixedParts parts;
  if (fixed_parts(value, places, rounding, parts)) return write_parts(parts, places, out);
  exact_digits(value, out);
  round_digits(out, out.point() + places, value.negative, rounding);
}

void digits_to_significant(const BinaryReal& value, int count, Rounding rounding, Digits& out) {
  assert(value.is_finite());
  if (value.is_zero()) return out.set(0, 0);
  if (fast_significant(value, count, rounding, out)) return;
  exact_digits(value, out);
  round_digits(out, count, value.negative, rounding);
}

}  // namespace inky::inline v1
