#include "floats.hpp"

#include <algorithm>
#include <bit>
#include <boost/multiprecision/cpp_int.hpp>
#include <cmath>

#include "inky_margin/number/decimal.hpp"
#include "inky_margin/number/digits.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::lisp {

namespace {

using Big = boost::multiprecision::cpp_int;

Big big(uint128 value) {
  return Big(high_half(value)) << 64 | Big(low_half(value));
}
Big power_of_ten(int exponent) {
  return boost::multiprecision::pow(Big(10), static_cast<unsigned>(exponent));
}

// Digits, and where the point stands, counted from before the first: 0.d1 d2 ... x 10^point.
struct DigitText {
  int point = 0;
  std::string text;
};

// A number r / s, and how far below and above it the digits may lie, in units of 1 / s.
struct Interval {
  Big r;
  Big s;
  Big above;
  Big below;
  bool ends_included = false;
};

Interval interval_of(const BinaryFormat& format, const BinaryReal& real) {
  uint128 f = real.significand;
  int e = real.is_zero() ? format.lowest_exponent() : real.exponent;
  // Below the normal numbers, the steps stay as wide as they are there; SBCL takes them as narrow
  // as the number's own digits make them.
  if (const int shift = format.precision - bit_length(f); shift > 0) {
    f <<= shift;
    e -= shift;
  }
  Interval out;
  out.ends_included = (low_half(f) & 1) == 0;
  // Just above a power of two the step below is half as wide.
  const bool narrow_below =
      f == uint128{1} << (format.precision - 1) && e != format.lowest_exponent() + 1;
  const int more = narrow_below ? 2 : 1;
  out.r = big(f) << more;
  out.s = Big(1) << more;
  out.above = narrow_below ? 2 : 1;
  out.below = 1;
  if (e >= 0) {
    out.r <<= e;
    out.above <<= e;
    out.below <<= e;
  } else {
    out.s <<= -e;
  }
  return out;
}

// The position that leaves `count` digits.
int relative_position(const Interval& in, int count) {
  int k = 0;
  Big l = 1;
  for (; in.s * l < in.r + in.above; ++k) l *= 10;
  // r + s * 10^(k - count) / 2 < s * l, without fractions.
  const int lift = std::max(count - k, 0);
  const Big left = in.r * 2 * power_of_ten(lift) + in.s * power_of_ten(k - count + lift);
  return left < in.s * l * 2 * power_of_ten(lift) ? k - count : k - count - 1;
}

// Widens the interval to half a unit of the position.
void widen(Interval& in, int position) {
  // Below all digits that any number has, a position changes nothing more.
  constexpr int lowest = -1100;
  position = std::max(position, lowest);
  Big half = in.s;
  const Big factor = 2 * power_of_ten(std::max(-position, 0));
  half *= power_of_ten(std::max(position, 0));
  in.r *= factor;
  in.s *= factor;
  in.above *= factor;
  in.below *= factor;
  in.below = std::max(in.below, half);
  in.above = std::max(in.above, half);
  in.ends_included = true;
}

DigitText digits_within(Interval in) {
  const bool ok = in.ends_included;
  DigitText out;
  while (in.r + in.above > in.s || (ok && in.r + in.above == in.s)) {
    in.s *= 10;
    ++out.point;
  }
  while (in.r > in.below) {
    const Big x = (in.r + in.above) * 10;
    if (!(x < in.s || (!ok && x == in.s))) break;
    in.r *= 10;
    in.above *= 10;
    in.below *= 10;
    --out.point;
  }
  for (;;) {
    in.r *= 10;
    in.above *= 10;
    in.below *= 10;
    Big digit;
    Big rest;
    divide_qr(in.r, in.s, digit, rest);
    in.r = rest;
    int d = static_cast<int>(digit);
    const bool low = in.r < in.below || (ok && in.r == in.below);
    const bool high = in.r + in.above > in.s || (ok && in.r + in.above == in.s);
    if (low || high) {
      if (high && (!low || in.r * 2 >= in.s)) ++d;
      out.text += static_cast<char>('0' + d);
      return out;
    }
    out.text += static_cast<char>('0' + d);
  }
}

DigitText digits_of(const BinaryFormat& format, const BinaryReal& real) {
  return digits_within(interval_of(format, real));
}
DigitText digits_to(const BinaryFormat& format, const BinaryReal& real, int position) {
  Interval in = interval_of(format, real);
  widen(in, position);
  return digits_within(std::move(in));
}
DigitText significant_digits(const BinaryFormat& format, const BinaryReal& real, int count) {
  Interval in = interval_of(format, real);
  widen(in, relative_position(in, count));
  return digits_within(std::move(in));
}

// FLONUM-TO-STRING: the digits with their point.
struct PointedText {
  std::string text;
  bool leading_point = false;
  bool trailing_point = false;
  int point_place = 0;
};

void append_zeros(int count, std::string& out) {
  out.append(static_cast<std::size_t>(std::max(count, 0)), '0');
}

PointedText pointed_text(const BinaryFormat& format, const BinaryReal& real,
                         std::optional<int> width, std::optional<int> places, int scale,
                         int least_places) {
  DigitText digits;
  if (places) {
    digits = digits_to(format, real, std::min(-(*places + scale), -least_places));
  } else if (width && *width > 1) {
    digits = significant_digits(format, real, std::max(1, *width - 1 + std::min(scale, 0)));
    DigitText others = digits_to(format, real, -(least_places + scale));
    if (digits.text.size() < others.text.size()) digits = std::move(others);
  } else {
    digits = digits_of(format, real);
  }
  const int e = real.is_zero() ? digits.point : digits.point + scale;
  const int size = static_cast<int>(digits.text.size());
  PointedText out;
  if (e > 0) {
    const auto whole = static_cast<std::size_t>(std::min(size, e));
    out.text = digits.text.substr(0, whole);
    append_zeros(e - size, out.text);
    out.text += '.';
    out.text += digits.text.substr(whole);
    if (places) append_zeros(*places - (size - static_cast<int>(whole)), out.text);
  } else {
    out.text = ".";
    append_zeros(-e, out.text);
    const int shown = places ? std::min(size, std::max(least_places, *places + e)) : size;
    out.text += digits.text.substr(0, static_cast<std::size_t>(std::max(shown, 0)));
    if (places) append_zeros(*places + e - size, out.text);
  }
  out.leading_point = out.text.front() == '.';
  out.trailing_point = out.text.back() == '.';
  out.point_place = static_cast<int>(out.text.find('.'));
  return out;
}

BinaryReal magnitude(const Float& number) {
  BinaryReal out = number.real;
  out.negative = false;
  return out;
}

// Room for the optional zeros at the ends.
void settle_zeros(PointedText& text, std::optional<int>& left) {
  if (!left) return;
  *left -= static_cast<int>(text.text.size());
  if (text.leading_point) {
    text.leading_point = *left > 0 || text.trailing_point;
    if (text.leading_point) --*left;
  }
  if (text.trailing_point) {
    text.trailing_point = *left > 0;
    if (text.trailing_point) --*left;
  }
}

void put_signed(const Float& number, const FloatField& field, const PointedText& text,
                std::string& out) {
  out += number.real.negative ? "-" : field.at ? "+" : "";
  if (text.leading_point) out += '0';
  out += text.text;
  if (text.trailing_point) out += '0';
}

// Whether the field overflowed.
bool put_fixed(const Float& number, const FloatField& field, std::string& out) {
  std::optional<int> left = field.width;
  if (left && (field.at || number.real.negative)) --*left;
  PointedText text = pointed_text(*number.format, magnitude(number), left, field.places,
                                  field.scale.value_or(0), 0);
  if (field.places == 0) text.trailing_point = false;
  settle_zeros(text, left);
  if (left && *left < 0 && !field.overflow.empty()) {
    append_times(field.overflow, *field.width, out);
    return true;
  }
  if (left) append_times(field.pad, *left, out);
  put_signed(number, field, text, out);
  return false;
}

double as_double(const Float& number) {
  const BinaryReal real = magnitude(number);
  return std::bit_cast<double>(low_half(convert(real, binary64)));
}

// 10 to a power, as SBCL's EXPT has it from pow of the GNU C library 2.36: the nearest double, but
// for two that are one unit above it. REQUIRES: |exponent| <= 400.
double ten_to(int exponent) {
  const uint128 bits = *read_real(binary64, "1e" + std::to_string(exponent));
  const bool above = exponent == 23 || exponent == 210;
  return std::bit_cast<double>(low_half(above ? *next_above(binary64, bits) : bits));
}

// SCALE-EXPONENT: a number from 0.1 to 1, and the power of ten that makes it the given one; in
// binary arithmetic, which may lose a little.
Float scaled(const Float& number, int& exponent) {
  const double original = as_double(number);
  Float out{number.format, {}};
  if (original == 0) {
    exponent = 1;
    return out;
  }
  int binary = 0;
  (void)std::frexp(original, &binary);
  constexpr double log_of_two = 0x1.34413509f79ffp-2;  // one unit off, as SBCL has it
  exponent = static_cast<int>(std::nearbyint(binary * log_of_two));
  const bool subnormal = original < 0x1p-1022;
  const double x = exponent < 0 ? (subnormal ? original * 1e16 * ten_to(-exponent - 16)
                                             : original * 10 * ten_to(-exponent - 1))
                                : original / 10 / ten_to(exponent - 1);
  double y = x;
  for (double d = 10; !(y < 1); d *= 10) {
    y = x / d;
    ++exponent;
  }
  double z = y;
  for (double m = 10; !(z >= 0.1); m *= 10) {
    z = y * m;
    --exponent;
  }
  const BinaryReal real = unpack(binary64, bits_of(z));
  out.real = unpack(*number.format, convert(real, *number.format));
  return out;
}

std::string_view exponent_marker(const Float& number) {
  return number.is_single() ? "e" : "d";
}

}  // namespace

void append_times(const std::string& character, int count, std::string& out) {
  if (count <= 0) return;
  if (character.size() == 1) {
    out.append(static_cast<std::size_t>(count), character[0]);
    return;
  }
  for (int i = 0; i < count; ++i) out += character;
}

std::string float_text(const Float& number) {
  std::string out = number.real.negative && number.real.kind != RealClass::not_a_number ? "-" : "";
  const std::string_view type = number.is_single() ? "SINGLE" : "DOUBLE";
  switch (number.real.kind) {
    case RealClass::infinite:
      return "#." + std::string(type) + "-FLOAT-" +
             (number.real.negative ? "NEGATIVE" : "POSITIVE") + "-INFINITY";
    case RealClass::not_a_number:
      return "#<" + std::string(type) + "-FLOAT quiet NaN>";
    case RealClass::zero:
      return out + (number.is_single() ? "0.0" : "0.0d0");
    default:
      break;
  }
  const DigitText digits = digits_of(*number.format, magnitude(number));
  const int size = static_cast<int>(digits.text.size());
  const bool fixed = digits.point > -3 && digits.point < 8;
  const int point = fixed ? digits.point : 1;
  if (point <= 0) {
    out += "0.";
    append_zeros(-point, out);
    out += digits.text;
  } else {
    out += digits.text.substr(0, static_cast<std::size_t>(std::min(point, size)));
    append_zeros(point - size, out);
    out += '.';
    out += size > point ? digits.text.substr(static_cast<std::size_t>(point)) : "0";
  }
  const int exponent = fixed ? 0 : digits.point - 1;
  if (exponent == 0 && number.is_single()) return out;
  return out + std::string(exponent_marker(number)) + std::to_string(exponent);
}

void append_fixed(const Float& number, const FloatField& field, std::string& out) {
  (void)put_fixed(number, field, out);
}

void append_exponential(const Float& number, const FloatField& field, std::string& out) {
  int exponent = 0;
  const Float num = scaled(number, exponent);
  const int k = field.scale.value_or(1) - (as_double(num) == 1 ? 1 : 0);
  exponent -= k;
  const std::string digits = std::to_string(std::abs(exponent));
  const int shown = std::max(static_cast<int>(digits.size()), field.exponent_digits.value_or(0));
  const bool can_overflow = field.width && !field.overflow.empty();
  if (can_overflow && field.exponent_digits && shown > *field.exponent_digits)
    return append_times(field.overflow, *field.width, out);
  std::optional<int> left = field.width;
  if (left) *left -= 2 + shown + (field.at || number.real.negative ? 1 : 0);
  std::optional<int> places = field.places;
  if (places && k > 0) *places += 1 - k;
  PointedText text =
      pointed_text(*num.format, num.real, left, places, k, k < 0 ? 1 : places.value_or(0));
  if (places == 0) text.trailing_point = false;
  settle_zeros(text, left);
  if (can_overflow && *left < 0) return append_times(field.overflow, *field.width, out);
  if (left) append_times(field.pad, *left, out);
  put_signed(number, field, text, out);
  out += field.marker.empty() ? exponent_marker(number) : field.marker;
  out += exponent < 0 ? '-' : '+';
  append_zeros(shown - static_cast<int>(digits.size()), out);
  out += digits;
}

void append_general(const Float& number, const FloatField& field, std::string& out) {
  int n = 0;
  (void)scaled(number, n);
  FloatField used = field;
  if (!used.places) {
    const auto size =
        static_cast<int>(pointed_text(*number.format, magnitude(number), {}, {}, 0, 0).text.size());
    used.places = std::max(size == 1 ? 1 : size - 1, std::min(n, 7));
  }
  const int after = field.exponent_digits ? *field.exponent_digits + 2 : 4;
  const int places = *used.places - n;
  if (places < 0 || places > *used.places) return append_exponential(number, used, out);
  used.places = places;
  used.scale.reset();
  if (used.width) *used.width -= after;
  const bool overflowed = put_fixed(number, used, out);
  append_times(overflowed ? field.overflow : " ", after, out);
}

void append_dollars(const Float& number, const FloatField& field, std::string& out) {
  const std::string sign = number.real.negative ? "-" : field.at ? "+" : "";
  const PointedText text = pointed_text(*number.format, magnitude(number), {}, field.places, 0, 0);
  if (field.colon) out += sign;
  const int missing = *field.width - static_cast<int>(sign.size()) -
                      std::max(field.least_whole, text.point_place) - 1 - *field.places;
  append_times(field.pad, missing, out);
  if (!field.colon) out += sign;
  append_zeros(field.least_whole - text.point_place, out);
  out += text.text;
}

}  // namespace inky::inline v1::lisp
