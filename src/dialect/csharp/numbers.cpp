#include "numbers.hpp"

#include <algorithm>
#include <string>

#include "../family/dotnet_decimal.hpp"
#include "../family/dotnet_digits.hpp"
#include "../family/values.hpp"
#include "decimal_number.hpp"
#include "inky_margin/number/digits.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::csharp {

void take(Number& number) {
  number.digits.strip_trailing_zeros();
  number.scale = number.digits.point();
  number.digits.set(number.digits.size(), 0);
}

void take_whole(const Value& value, Number& out) {
  const std::string digits = whole_digits(value, 10, Letters::lower, out.negative);
  const auto size = static_cast<int>(digits.size());
  if (digits != "0") {
    std::copy(digits.begin(), digits.end(), out.digits.room(size));
    out.digits.set(size, size);
  }
  take(out);
}

namespace {

// ---- Whole numbers ----

// The digits of two's complement, as few as show the sign, in base 16 or 2: "0FF" of 255.
std::string twos_complement(const SignedNatural& value, int bits_a_digit) {
  Natural bits = value.magnitude;
  if (value.negative) bits.subtract(Natural(1));
  const int needed = bits.bit_length() + 1;
  const int count = (needed + bits_a_digit - 1) / bits_a_digit;
  std::string out;
  for (int i = count; i-- > 0;) {
    int digit = 0;
    for (int k = bits_a_digit; k-- > 0;) {
      const int at = i * bits_a_digit + k;
      const bool bit = at < bits.bit_length() && bits.bit(at);
      digit = 2 * digit + (bit != value.negative ? 1 : 0);
    }
    out += "0123456789ABCDEF"[digit];
  }
  return out;
}

void append_bits(const NumberFormat& format, const Value& value, Output& out) {
  const bool hexadecimal = upper(format.letter) == 'X';
  std::string digits;
  char fill = '0';
  if (value.is(Type::big)) {
    digits = twos_complement(value.as_big(), hexadecimal ? 4 : 1);
    if (value.as_big().negative) fill = hexadecimal ? 'F' : '1';
    if (value.as_big().magnitude.is_zero()) digits = "0";
  } else {
    const int width = fact_of(value.type()).width;
    WholeRoom room;
    digits = write_whole(wrap_unsigned(static_cast<int128>(value.bits()), width),
                         hexadecimal ? 16 : 2, Letters::upper, room);
  }
  digits.insert(
      0, static_cast<std::size_t>(std::max(format.precision - static_cast<int>(digits.size()), 0)),
      fill);
  if (format.letter == 'x') {
    for (char& c : digits) c = small_letter(c);
  }
  out.append(digits);
}

bool append_whole_number(const NumberFormat& format, const Value& value, const Culture& culture,
                         Output& out) {
  // R is G.
  const char letter = upper(format.letter) == 'R' ? 'G' : upper(format.letter);
  if (letter == 'X' || letter == 'B') {
    append_bits(format, value, out);
    return true;
  }
  const bool is_big = value.is(Type::big);
  if (letter == 'D' || (letter == 'G' && (format.precision < 1 || is_big))) {
    bool negative = false;
    const std::string digits = whole_digits(value, 10, Letters::lower, negative);
    if (negative) out.append(culture[Culture::minus]);
    const bool pads = letter == 'D' || is_big;
    const int missing = pads ? format.precision - static_cast<int>(digits.size()) : 0;
    out.fill("0", static_cast<std::size_t>(std::max(missing, 0)));
    out.append(digits);
    return true;
  }
  Number number;
  take_whole(value, number);
  if (format.letter == 0) {
    append_pattern(format.pattern, culture, number, out);
    return true;
  }
  int most_digits = format.precision;
  if (letter == 'E') most_digits = (format.precision == unset ? 6 : format.precision) + 1;
  if (letter == 'P') number.scale += number.digits.is_zero() ? 0 : 2;
  if (letter == 'E' || letter == 'G')
    number.round(most_digits);
  else
    number.round(number.scale + places_of(format, culture));
  append_standard(format, most_digits, number, culture, out);
  return true;
}

// ---- Decimals ----

// As whole numbers, but that G without a precision shows all places, and R is that.
void append_decimal(const NumberFormat& format, const Decimal& held, const Culture& culture,
                    Output& out) {
  const char letter = upper(format.letter) == 'R' ? 'G' : upper(format.letter);
  if (letter == 'G' && format.precision == unset) {
    std::string text = dotnet_text(held);
    if (text[0] == '-') {
      out.append(culture[Culture::minus]);
      text.erase(0, 1);
    }
    const std::size_t point = text.find('.');
    out.append(std::string_view(text).substr(0, point));
    if (point == std::string::npos) return;
    out.append(culture[Culture::point]);
    out.append(std::string_view(text).substr(point + 1));
    return;
  }
  Number number;
  number.negative = held.negative;
  decimal_digits(held, number.digits);
  take(number);
  if (letter == 0) return append_pattern(format.pattern, culture, number, out);
  int most_digits = format.precision;
  if (letter == 'E') most_digits = (format.precision == unset ? 6 : format.precision) + 1;
  if (letter == 'G' && most_digits == 0)
    most_digits = held.is_zero() ? 0 : static_cast<int>(held.coefficient.size());
  if (letter == 'P') number.scale += number.digits.is_zero() ? 0 : 2;
  number.round(letter == 'E' || letter == 'G' ? most_digits
                                              : number.scale + places_of(format, culture));
  append_standard(format, most_digits, number, culture, out);
}

// ---- Reals ----

struct RealFact {
  int pattern_digits;   // that a pattern takes
  int shortest_digits;  // that G and R show without an exponent
};

RealFact fact_of_real(Type type) {
  if (type == Type::f64) return {15, 17};
  return type == Type::f32 ? RealFact{7, 9} : RealFact{5, 5};
}

bool append_real(const NumberFormat& format, const Value& value, const Culture& culture,
                 Output& out) {
  const BinaryFormat& binary = *inky::fact_of(value.type()).format;
  const BinaryReal real = value.as_real();
  const RealFact fact = fact_of_real(value.type());
  const char letter = upper(format.letter);
  Number number;
  number.negative = real.negative;
  number.is_real = true;
  if (letter == 0) {
    digits_to_significant(real, fact.pattern_digits, Rounding::half_even, number.digits);
    take(number);
    append_pattern(format.pattern, culture, number, out);
    return true;
  }
  int most_digits = format.precision;
  switch (letter) {
    case 'R':
    case 'G':
      if (most_digits < 1 || letter == 'R') {
        dotnet_digits(binary, real, number.digits);
        most_digits = std::max(number.digits.size(), fact.shortest_digits);
      } else {
        digits_to_significant(real, most_digits, Rounding::half_even, number.digits);
      }
      break;
    case 'E':
      most_digits = (format.precision == unset ? 6 : format.precision) + 1;
      digits_to_significant(real, most_digits, Rounding::half_even, number.digits);
      break;
    default:
      digits_to_places(real, places_of(format, culture) + (letter == 'P' ? 2 : 0),
                       Rounding::half_even, number.digits);
  }
  take(number);
  if (letter == 'P' && !number.digits.is_zero()) number.scale += 2;
  append_standard(format, most_digits, number, culture, out);
  return true;
}

}  // namespace

NumberFormat read_number_format(std::string_view text) {
  text = text.substr(0, text.find('\0'));
  NumberFormat out;
  if (text.empty()) return out;
  out.letter = 0;
  out.pattern = text;
  if (!is_letter(text[0])) return out;
  int number = 0;
  std::size_t at = 1;
  for (; at < text.size() && is_digit(text[at]); ++at) {
    constexpr int most = 100'000'000;
    if (number >= most) {
      out.unreadable = true;
      return out;
    }
    number = number * 10 + (text[at] - '0');
  }
  if (at < text.size()) return out;
  out.letter = text[0];
  if (at > 1) out.precision = number;
  return out;
}

bool append_number(const NumberFormat& format, const Value& value, const Culture& culture,
                   Output& out) {
  const bool whole = is_whole(value.type());
  const bool decimal = value.is(Type::decimal);
  if (!whole && !decimal && !value.as_real().is_finite()) {
    const BinaryReal real = value.as_real();
    if (real.kind == RealClass::not_a_number) {
      out.append(culture[Culture::not_a_number]);
    } else {
      if (real.negative) out.append(culture[Culture::minus]);
      out.append(culture[Culture::infinity]);
    }
    return true;
  }
  constexpr std::string_view of_wholes = "CDEFGNPRXB";
  constexpr std::string_view of_reals = "CEFGNPR";
  const std::string_view letters = whole ? of_wholes : of_reals;
  if (format.unreadable ||
      (format.letter != 0 && letters.find(upper(format.letter)) == std::string_view::npos))
    return false;
  if (decimal) {
    append_decimal(format, *decimal96(value.as_decimal()), culture, out);
    return true;
  }
  return whole ? append_whole_number(format, value, culture, out)
               : append_real(format, value, culture, out);
}

bool rounds_twice(const NumberFormat& format, const Value& value) {
  const BinaryReal real = value.as_real();
  TextBuffer as_is;
  TextBuffer in_full;
  const Culture culture = invariant_culture();
  (void)append_real(format, value, culture, as_is);
  Number number;
  number.negative = real.negative;
  number.is_real = true;
  exact_digits(real, number.digits);
  take(number);
  append_pattern(format.pattern, culture, number, in_full);
  return as_is.view() != in_full.view();
}

}  // namespace inky::inline v1::csharp
