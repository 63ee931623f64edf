#include "inky_margin/number/exact_decimal.hpp"

#include <algorithm>
#include <cassert>
#include <cstdlib>

namespace inky::inline v1 {

namespace {

// Neither end is a zero; the point follows the first digit.
void normalize(ExactDecimal& x) {
  const std::size_t first = x.digits.find_first_not_of('0');
  if (first == std::string::npos) {
    x.digits.clear();
    x.point = 0;
    return;
  }
  x.digits.erase(0, first);
  x.point -= static_cast<std::int64_t>(first);
  x.digits.erase(x.digits.find_last_not_of('0') + 1);
}

// Compares magnitudes.
int compare(const ExactDecimal& a, const ExactDecimal& b) {
  if (a.is_zero() || b.is_zero()) return a.is_zero() ? (b.is_zero() ? 0 : -1) : 1;
  if (a.point != b.point) return a.point < b.point ? -1 : 1;
  return a.digits.compare(b.digits);
}

// |a| + |b|, or |a| - |b| where |a| >= |b|, digit by digit from the end.
ExactDecimal combine(const ExactDecimal& a, const ExactDecimal& b, bool add) {
  const std::int64_t point = 1 + (a.is_zero()   ? b.point
                                  : b.is_zero() ? a.point
                                                : std::max(a.point, b.point));
  const auto lead_of = [&](const ExactDecimal& x) {
    return x.is_zero() ? std::size_t{0} : static_cast<std::size_t>(point - x.point);
  };
  const std::size_t lead = lead_of(b);
  const std::size_t size = std::max(lead_of(a) + a.digits.size(), lead + b.digits.size());
  ExactDecimal out{false, {}, point};
  out.digits.reserve(size);
  out.digits.append(lead_of(a), '0').append(a.digits);
  out.digits.resize(size, '0');
  // Only where b has digits, and as far in front of them as there is a carry.
  int carry = 0;
  for (std::size_t i = lead + b.digits.size(); i-- > 0 && (i >= lead || carry != 0);) {
    const int other = (i >= lead ? b.digits[i - lead] - '0' : 0) + carry;
    int digit = out.digits[i] - '0' + (add ? other : -other);
    carry = add ? int{digit > 9} : int{digit < 0};
    if (carry != 0) digit += add ? -10 : 10;
    out.digits[i] = static_cast<char>('0' + digit);
  }
  normalize(out);
  return out;
}

std::string with_exponent(const ExactDecimal& value) {
  std::string out(value.negative ? "-" : "");
  out += value.digits[0];
  if (value.digits.size() > 1) out += "." + value.digits.substr(1);
  return out + "e" + std::to_string(value.point - 1);
}

}  // namespace

ExactDecimal exact_decimal(const DecimalText& typed) {
  ExactDecimal out{typed.negative, {}, 0};
  out.digits.reserve(typed.whole.size() + typed.fraction.size());
  out.digits += typed.whole;
  out.digits += typed.fraction;
  out.point = static_cast<std::int64_t>(typed.whole.size()) + typed.exponent;
  normalize(out);
  return out;
}

std::optional<Decimal> read_decimal(std::string_view text) {
  Decimal out;
  const std::optional<DecimalText> typed = scan_decimal(text);
  if (!typed) {
    // inf and nan, as reals have them.
    const std::optional<uint128> bits = read_real(binary64, text);
    if (!bits) return std::nullopt;
    const BinaryReal real = unpack(binary64, *bits);
    if (real.is_finite()) return std::nullopt;
    out.kind =
        real.kind == RealClass::infinite ? Decimal::Kind::infinite : Decimal::Kind::not_a_number;
    out.negative = real.negative;
    return out;
  }
  out.negative = typed->negative;
  out.coefficient = std::string(typed->whole) + std::string(typed->fraction);
  const std::size_t first = out.coefficient.find_first_not_of('0');
  out.coefficient.erase(0, std::min(first, out.coefficient.size() - 1));
  out.exponent = typed->exponent - static_cast<std::int64_t>(typed->fraction.size());
  return out;
}

std::string to_text(const Decimal& value) {
  const std::string sign = value.negative ? "-" : "";
  if (value.kind == Decimal::Kind::infinite) return sign + "Infinity";
  if (value.kind == Decimal::Kind::not_a_number) return sign + "NaN";
  constexpr int least_exponent = -6;
  std::string digits = value.coefficient;
  const std::int64_t adjusted = value.adjusted_exponent();
  if (value.exponent > 0 || adjusted < least_exponent) {
    if (digits.size() > 1) digits.insert(1, ".");
    return sign + digits + (adjusted < 0 ? "E-" : "E+") + std::to_string(std::abs(adjusted));
  }
  const auto places = static_cast<std::size_t>(-value.exponent);
  if (places == 0) return sign + digits;
  if (digits.size() <= places) digits.insert(0, places + 1 - digits.size(), '0');
  return sign + digits.insert(digits.size() - places, ".");
}

ExactDecimal exact_decimal(const Decimal& value) {
  assert(value.is_finite());
  ExactDecimal out{value.negative, value.coefficient,
                   value.exponent + static_cast<std::int64_t>(value.coefficient.size())};
  normalize(out);
  return out;
}

void decimal_digits(const Decimal& value, Digits& out) {
  assert(value.is_finite());
  if (value.is_zero()) return out.set(0, 0);
  const auto size = static_cast<int>(value.coefficient.size());
  std::copy(value.coefficient.begin(), value.coefficient.end(), out.room(size));
  out.set(size, size + static_cast<int>(value.exponent));
  out.strip_trailing_zeros();
}

ExactDecimal exact_decimal(const BinaryReal& value) {
  assert(value.is_finite());
  Digits digits;
  exact_digits(value, digits);
  return {value.negative, std::string(digits.text()), digits.point()};
}

ExactDecimal difference(const ExactDecimal& a, const ExactDecimal& b) {
  assert(a.is_zero() || b.is_zero() || std::abs(a.point - b.point) <= most_zeros);
  ExactDecimal out;
  if (a.negative != b.negative) {
    out = combine(a, b, true);
    out.negative = a.negative;
  } else if (compare(a, b) >= 0) {
    out = combine(a, b, false);
    out.negative = a.negative;
  } else {
    out = combine(b, a, false);
    out.negative = !a.negative;
  }
  if (out.is_zero()) out.negative = false;
  return out;
}

Tail tail_at(const ExactDecimal& value, std::int64_t places) {
  const std::int64_t keep = value.point + places;
  if (value.is_zero() || keep >= static_cast<std::int64_t>(value.digits.size())) return Tail::exact;
  if (keep < 0) return Tail::below_half;
  const auto at = static_cast<std::size_t>(keep);
  // The last digit is not zero, so anything after this one is more than nothing.
  const bool more = at + 1 < value.digits.size();
  if (value.digits[at] != '5') return value.digits[at] < '5' ? Tail::below_half : Tail::above_half;
  return more ? Tail::above_half : Tail::half;
}

ExactDecimal rounded(const ExactDecimal& value, std::int64_t places, Rounding rounding) {
  const Tail tail = tail_at(value, places);
  if (tail == Tail::exact) return value;
  const std::int64_t keep = value.point + places;
  ExactDecimal out{
      value.negative,
      value.digits.substr(0, static_cast<std::size_t>(std::max<std::int64_t>(keep, 0))),
      value.point};
  const bool odd = keep > 0 && ((out.digits.back() - '0') & 1) != 0;
  const bool away = rounds_away(rounding, tail, value.negative, odd);
  normalize(out);
  if (!away) return out;
  ExactDecimal sum = combine(out, {false, "1", 1 - places}, true);
  sum.negative = value.negative;
  return sum;
}

std::string to_text(const ExactDecimal& value, std::int64_t least_places) {
  if (value.point > most_zeros || value.point < -most_zeros) return with_exponent(value);
  const auto size = static_cast<std::int64_t>(value.digits.size());
  const std::int64_t whole = std::clamp<std::int64_t>(value.point, 0, size);
  const std::int64_t places =
      std::max(least_places, value.is_zero() ? 0 : std::max<std::int64_t>(size - value.point, 0));
  std::string out;
  out.reserve(static_cast<std::size_t>(std::max<std::int64_t>(value.point, 0) +
                                       std::max<std::int64_t>(places, 0)) +
              3);
  if (value.negative) out += '-';
  out.append(value.digits, 0, static_cast<std::size_t>(whole));
  out.append(static_cast<std::size_t>(std::max<std::int64_t>(value.point - size, 0)), '0');
  if (value.point <= 0) out += '0';
  if (places <= 0) return out;
  out += '.';
  const std::size_t end = out.size() + static_cast<std::size_t>(places);
  if (!value.is_zero())
    out.append(static_cast<std::size_t>(std::max<std::int64_t>(-value.point, 0)), '0');
  out.append(value.digits, static_cast<std::size_t>(whole), std::string::npos);
  out.resize(end, '0');
  return out;
}

}  // namespace inky::inline v1
