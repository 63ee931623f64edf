#include "format/layout.hpp"

#include <algorithm>
#include <cstring>
#include <string_view>

#include "inky_margin/number/digits.hpp"
#include "number/decimal_writing.hpp"
#include "number/hexadecimal_real.hpp"
#include "pieces.hpp"

namespace inky::inline v1 {

namespace {

// Whether every mark is one byte, and the padding goes to one place.
bool is_plain(const Spec& spec) {
  return spec.group.empty() && spec.point.text().size() == 1 && spec.fill.text().size() == 1 &&
         spec.sign != Sign::brackets && spec.align != Align::center;
}

// The sign to write, or 0 for none.
char sign_of(const Spec& spec, bool negative) {
  if (negative) return '-';
  return spec.sign == Sign::always ? '+' : spec.sign == Sign::space ? ' ' : '\0';
}

// `body` characters that `write` puts at the place it is given, with sign and padding around them.
// REQUIRES: is_plain(spec).
template <typename Write>
void emit_plain(const Spec& spec, char sign, std::size_t body, Output& out, Write write) {
  const std::size_t used = body + (sign != '\0' ? 1 : 0);
  const auto width = static_cast<std::size_t>(spec.width);
  if (used >= width) {
    return out.emit(used, [&](char* at) {
      if (sign != '\0') *at++ = sign;
      write(at);
    });
  }
  const std::size_t missing = width - used;
  const char fill = spec.fill.text()[0];
  out.emit(width, [&](char* at) {
    if (spec.align == Align::right || spec.align == Align::natural) {
      std::memset(at, fill, missing);
      at += missing;
    }
    if (sign != '\0') *at++ = sign;
    if (spec.align == Align::inner) {
      std::memset(at, fill, missing);
      at += missing;
    }
    write(at);
    if (spec.align == Align::left) std::memset(at + body, fill, missing);
  });
}

// The commonest shape of a real, written straight to its place. False when it is another.
bool write_fixed_directly(const Spec& spec, const BinaryReal& value, Output& out) {
  FixedParts parts;
  if (!is_plain(spec) || !fixed_parts(value, spec.places, spec.rounding, parts)) return false;
  const int whole = decimal_writing::digit_count(parts.whole);
  const bool point = spec.places > 0 || spec.keep_point;
  const int body = whole + spec.places + (point ? 1 : 0);
  emit_plain(spec, sign_of(spec, value.negative), static_cast<std::size_t>(body), out,
             [&](char* at) {
               decimal_writing::write_padded(at, parts.whole, whole);
               if (!point) return;
               at[whole] = spec.point.text()[0];
               decimal_writing::write_padded(at + whole + 1, parts.fraction, spec.places);
             });
  return true;
}

void write_fixed(const Spec& spec, const BinaryFormat& format, const BinaryReal& value,
                 Pieces& pieces, Output& out) {
  Digits digits;
  int places = spec.places;
  if (places != unset) {
    digits_to_places(value, places, spec.rounding, digits);
  } else if (spec.significant != unset) {
    digits_to_significant(value, spec.significant, spec.rounding, digits);
    places = std::max(spec.significant - (digits.is_zero() ? 1 : digits.point()), 0);
  } else {
    shortest_digits(format, value, digits);
  }
  set_fixed(digits, places, spec.keep_point, pieces);
  write_pieces(spec, pieces, out);
}

void write_percent(const Spec& spec, const BinaryFormat& format, const BinaryReal& value,
                   Pieces& pieces, Output& out) {
  Digits digits;
  // Moving the point two places multiplies by 100 without another rounding.
  if (spec.places != unset)
    digits_to_places(value, spec.places + 2, spec.rounding, digits);
  else if (spec.significant != unset)
    digits_to_significant(value, spec.significant, spec.rounding, digits);
  else
    shortest_digits(format, value, digits);
  digits.set(digits.size(), digits.point() + 2);
  int places = spec.places;
  if (spec.significant != unset) {
    places = std::max(spec.significant - (digits.is_zero() ? 1 : digits.point()), 0);
  }
  set_fixed(digits, places, spec.keep_point, pieces);
  pieces.tail = "%";
  write_pieces(spec, pieces, out);
}

// The digits that scientific notation shows; returns how many go after the point.
int scientific_digits(const Spec& spec, const BinaryFormat& format, const BinaryReal& value,
                      Digits& digits) {
  const int after = spec.significant != unset ? spec.significant - 1 : spec.places;
  if (after == unset) {
    shortest_digits(format, value, digits);
    return std::max(digits.size() - 1, 0);
  }
  digits_to_significant(value, after + 1, spec.rounding, digits);
  return after;
}

// The usual case of the usual case: at most 17 digits, all shown, no padding, an exponent as C
// writes it. Copies of a fixed size instead of loops. False when it is not so.
bool write_few_digits(const Spec& spec, bool negative, const Digits& digits, int after,
                      const NumberStyle& style, Output& out) {
  constexpr int most_digits = 17;
  constexpr std::size_t most = 1 + 1 + most_digits + 5;  // sign, point, digits, e+308
  const int exponent = digits.point() - 1;
  const unsigned magnitude = static_cast<unsigned>(exponent < 0 ? -exponent : exponent);
  const bool usual = spec.width == 0 && digits.size() == after + 1 && after < most_digits &&
                     magnitude < 1000 && style.least_exponent_digits == 2 && style.exponent_plus;
  if (!usual) return false;
  char* at = out.place(most + 1);
  if (at == nullptr) return false;
  const char sign = sign_of(spec, negative);
  *at = sign;
  at += sign != '\0' ? 1 : 0;
  const char* text = digits.text().data();
  at[0] = text[0];
  at[1] = spec.point.text()[0];
  // Two words, as they were most likely written.
  std::memcpy(at + 2, text + 1, 8);
  std::memcpy(at + 10, text + 9, 8);
  at += after > 0 || spec.keep_point ? 2 + after : 1;
  *at++ = spec.letters == Letters::upper ? 'E' : 'e';
  *at++ = exponent < 0 ? '-' : '+';
  // Written whatever its value, kept only if it counts: no branch.
  *at = static_cast<char>('0' + magnitude / 100);
  at += magnitude >= 100 ? 1 : 0;
  decimal_writing::write_pair(at, magnitude % 100);
  out.keep(at + 2);
  return true;
}

// d.ddd and an exponent, written straight to its place.
// REQUIRES: is_plain(spec).
void write_scientific_directly(const Spec& spec, bool negative, const Digits& digits, int after,
                               const NumberStyle& style, Output& out) {
  if (write_few_digits(spec, negative, digits, after, style, out)) return;
  const int exponent = digits.is_zero() ? 0 : digits.point() - 1;
  ExponentRoom room;
  const std::string_view tail =
      write_exponent(spec.letters == Letters::upper ? 'E' : 'e', exponent,
                     style.least_exponent_digits, style.exponent_plus, room);
  const std::string_view text = digits.is_zero() ? "0" : digits.text();
  const bool point = after > 0 || spec.keep_point;
  const std::size_t body = 1 + (point ? 1 : 0) + static_cast<std::size_t>(after) + tail.size();
  emit_plain(spec, sign_of(spec, negative), body, out, [&](char* at) {
    Pen pen(at);
    pen.put(text.substr(0, 1));
    if (point) pen.put(spec.point.text());
    pen.put(text.substr(1));
    pen.zeros(after + 1 - static_cast<int>(text.size()));
    pen.put(tail);
  });
}

void write_scientific(const Spec& spec, const BinaryFormat& format, const BinaryReal& value,
                      const NumberStyle& style, Pieces& pieces, Output& out) {
  Digits digits;
  const int after = scientific_digits(spec, format, value, digits);
  ExponentRoom room;
  set_scientific(spec, digits, 1, after, style, room, pieces);
  write_pieces(spec, pieces, out);
}

// Digits before the point so that the exponent is a multiple of three.
int engineering_lead(const Digits& digits) {
  const int exponent = digits.is_zero() ? 0 : digits.point() - 1;
  return 1 + (exponent % 3 + 3) % 3;
}

void write_engineering(const Spec& spec, const BinaryFormat& format, const BinaryReal& value,
                       const NumberStyle& style, Pieces& pieces, Output& out) {
  Digits digits;
  int after = spec.places;
  if (spec.significant != unset) {
    digits_to_significant(value, spec.significant, spec.rounding, digits);
    after = std::max(spec.significant - engineering_lead(digits), 0);
  } else {
    shortest_digits(format, value, digits);
    if (after != unset && !digits.is_zero()) {
      // Rounding may carry into a fourth digit before the point: 999.96 at one place is 1.0e+03.
      const int count = engineering_lead(digits) + after;
      digits_to_significant(value, count, spec.rounding, digits);
    }
  }
  ExponentRoom room;
  set_scientific(spec, digits, engineering_lead(digits), after, style, room, pieces);
  write_pieces(spec, pieces, out);
}

// ISO C17, 7.21.6.1, conversion g: with P significant digits and exponent X, fixed when P > X >=
// -4.
void write_compact(const Spec& spec, const BinaryReal& value, const NumberStyle& style,
                   Pieces& pieces, Output& out) {
  const int count = spec.significant == unset ? 6 : std::max(spec.significant, 1);
  Digits digits;
  digits_to_significant(value, count, spec.rounding, digits);
  const int exponent = digits.is_zero() ? 0 : digits.point() - 1;
  if (!spec.keep_point) digits.strip_trailing_zeros();
  ExponentRoom room;
  if (exponent >= -4 && exponent < count) {
    set_fixed(digits, spec.keep_point ? count - 1 - exponent : unset, spec.keep_point, pieces);
  } else {
    const bool zeros =
        spec.keep_point && !(style.carry_drops_zeros && carry_drops_zeros(spec, value));
    if (!zeros) digits.strip_trailing_zeros();
    set_scientific(spec, digits, 1, zeros ? count - 1 : unset, style, room, pieces);
  }
  write_pieces(spec, pieces, out);
}

void write_shortest(const Spec& spec, const BinaryFormat& format, const BinaryReal& value,
                    const NumberStyle& style, Pieces& pieces, Output& out) {
  constexpr int lowest_fixed = -5;
  constexpr int highest_fixed = 15;
  Digits digits;
  shortest_digits(format, value, digits);
  const int exponent = digits.is_zero() ? 0 : digits.point() - 1;
  ExponentRoom room;
  if (exponent >= lowest_fixed && exponent <= highest_fixed)
    set_fixed(digits, unset, spec.keep_point, pieces);
  else
    set_scientific(spec, digits, 1, unset, style, room, pieces);
  write_pieces(spec, pieces, out);
}

void write_hexfloat(const Spec& spec, const BinaryFormat& format, const BinaryReal& value,
                    const NumberStyle& style, Pieces& pieces, Output& out) {
  const bool upper = spec.letters == Letters::upper;
  const HexadecimalDigits digits = hexadecimal_digits(
      format, value, spec.places == unset ? any_places : spec.places, spec.rounding, spec.letters);
  const std::string_view letters = upper ? "0123456789ABCDEF" : "0123456789abcdef";
  if (style.hexadecimal_prefix) pieces.prefix = upper ? "0X" : "0x";
  pieces.whole = letters.substr(static_cast<std::size_t>(digits.lead), 1);
  pieces.fraction = digits.fraction();
  if (spec.places != unset) pieces.fraction_zeros = spec.places - digits.count;
  pieces.has_point = digits.count > 0 || pieces.fraction_zeros > 0 || spec.keep_point;
  ExponentRoom room;
  pieces.tail = write_exponent(upper ? 'P' : 'p', digits.exponent, 1, true, room);
  write_pieces(spec, pieces, out);
}

}  // namespace

bool carry_drops_zeros(const Spec& spec, const BinaryReal& value) {
  if (spec.notation != Notation::compact || !spec.keep_point || !value.is_finite()) return false;
  const int count = spec.significant == unset ? 6 : spec.significant;
  Digits rounded;
  digits_to_significant(value, count, spec.rounding, rounded);
  if (rounded.point() != count + 1) return false;
  Digits exact;
  exact_digits(value, exact);
  return exact.point() == count;
}

void lay_out_text(const Spec& spec, std::string_view text, WidthUnit unit, Output& out) {
  if (spec.limit != unset) text = cut(text, static_cast<std::size_t>(spec.limit), unit);
  if (spec.width == 0) return out.append(text);
  const Padding pad = share_padding(spec.align, Align::left, spec.width, measure(text, unit));
  out.fill(spec.fill.text(), pad.before + pad.inside);
  out.append(text);
  out.fill(spec.fill.text(), pad.after);
}

void lay_out_whole(const Spec& spec, bool negative, std::string_view digits,
                   std::string_view prefix, Output& out) {
  Pieces pieces;
  set_sign(spec, negative, pieces);
  pieces.prefix = prefix;
  pieces.whole = digits;
  pieces.leading_zeros = std::max(spec.least_digits - static_cast<int>(digits.size()), 0);
  write_pieces(spec, pieces, out);
}

void lay_out_decimal(const Spec& spec, bool negative, std::uint64_t magnitude, Output& out) {
  const int digits = decimal_writing::digit_count(magnitude);
  if (!is_plain(spec) || (magnitude == 0 && spec.least_digits == 0)) {
    WholeRoom room;
    std::string_view text = write_whole(magnitude, 10, spec.letters, room);
    if (magnitude == 0 && spec.least_digits == 0) text = {};
    return lay_out_whole(spec, negative, text, {}, out);
  }
  const int body = std::max(digits, spec.least_digits);
  emit_plain(spec, sign_of(spec, negative), static_cast<std::size_t>(body), out, [&](char* at) {
    for (int zeros = body - digits; zeros > 0; --zeros) *at++ = '0';
    decimal_writing::write_padded(at, magnitude, digits);
  });
}

void lay_out_digits(const Spec& spec, bool negative, const Digits& digits, const NumberStyle& style,
                    Output& out) {
  if (spec.notation == Notation::scientific && is_plain(spec)) {
    const int after = spec.places == unset ? std::max(digits.size() - 1, 0) : spec.places;
    return write_scientific_directly(spec, negative, digits, after, style, out);
  }
  Pieces pieces;
  set_sign(spec, negative, pieces);
  ExponentRoom room;
  if (spec.notation == Notation::fixed)
    set_fixed(digits, spec.places, spec.keep_point, pieces);
  else
    set_scientific(spec, digits, 1, spec.places, style, room, pieces);
  write_pieces(spec, pieces, out);
}

void lay_out_real(const Spec& spec, const BinaryFormat& format, const BinaryReal& value,
                  const NumberStyle& style, Output& out) {
  if (!value.is_finite()) return write_special(spec, value, style, out);
  if (spec.notation == Notation::fixed && spec.places >= 0 &&
      write_fixed_directly(spec, value, out))
    return;
  if (spec.notation == Notation::scientific && is_plain(spec)) {
    Digits digits;
    const int after = scientific_digits(spec, format, value, digits);
    return write_scientific_directly(spec, value.negative, digits, after, style, out);
  }
  Pieces pieces;
  set_sign(spec, value.negative, pieces);
  switch (spec.notation) {
    case Notation::fixed:
      return write_fixed(spec, format, value, pieces, out);
    case Notation::percent:
      return write_percent(spec, format, value, pieces, out);
    case Notation::scientific:
      return write_scientific(spec, format, value, style, pieces, out);
    case Notation::engineering:
      return write_engineering(spec, format, value, style, pieces, out);
    case Notation::compact:
      return write_compact(spec, value, style, pieces, out);
    case Notation::shortest:
      return write_shortest(spec, format, value, style, pieces, out);
    case Notation::hexfloat:
      return write_hexfloat(spec, format, value, style, pieces, out);
  }
}

}  // namespace inky::inline v1
