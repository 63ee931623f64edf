#include "number/decimal_arithmetic.hpp"

#include <algorithm>
#include <cassert>

namespace inky::inline v1 {

namespace {

// Adds one to the last digit of a coefficient.
void increment(std::string& digits) {
  std::size_t at = digits.size();
  while (at > 0 && digits[at - 1] == '9') digits[--at] = '0';
  if (at == 0)
    digits.insert(0, 1, '1');
  else
    ++digits[at - 1];
}

// What is beyond the first `keep` digits, which may be fewer than none.
Tail tail_of_digits(std::string_view digits, std::int64_t keep) {
  if (digits == "0" || keep >= static_cast<std::int64_t>(digits.size())) return Tail::exact;
  if (keep < 0) return Tail::below_half;
  const std::string_view tail = digits.substr(static_cast<std::size_t>(keep));
  const bool more = tail.find_first_not_of('0', 1) != std::string_view::npos;
  if (tail[0] != '5')
    return tail[0] > '5'           ? Tail::above_half
           : tail[0] > '0' || more ? Tail::below_half
                                   : Tail::exact;
  return more ? Tail::above_half : Tail::half;
}

Integer ten_to(std::int64_t exponent) {
  return boost::multiprecision::pow(Integer(10), static_cast<unsigned>(exponent));
}

}  // namespace

Decimal rescaled(const Decimal& value, std::int64_t exponent, Rounding rounding) {
  assert(value.is_finite());
  Decimal out = value;
  out.exponent = exponent;
  const std::int64_t shift = value.exponent - exponent;
  if (shift >= 0) {
    if (!value.is_zero()) out.coefficient.append(static_cast<std::size_t>(shift), '0');
    return out;
  }
  const std::int64_t keep = static_cast<std::int64_t>(value.coefficient.size()) + shift;
  const Tail tail = tail_of_digits(value.coefficient, keep);
  out.coefficient.resize(static_cast<std::size_t>(std::max<std::int64_t>(keep, 0)));
  if (out.coefficient.empty()) out.coefficient = "0";
  const bool odd = (out.coefficient.back() - '0') % 2 != 0;
  if (rounds_away(rounding, tail, value.negative, odd)) increment(out.coefficient);
  return out;
}

Decimal cut_to(const Decimal& value, std::int64_t most, Rounding rounding) {
  assert(most > 0);
  const std::int64_t over = static_cast<std::int64_t>(value.coefficient.size()) - most;
  if (over <= 0) return value;
  Decimal out = rescaled(value, value.exponent + over, rounding);
  if (static_cast<std::int64_t>(out.coefficient.size()) > most) {
    // All nines were rounded up to a one and zeros.
    out.coefficient.pop_back();
    ++out.exponent;
  }
  return out;
}

Integer coefficient_of(const Decimal& value) {
  const Integer magnitude(value.coefficient);
  return value.negative ? Integer(-magnitude) : magnitude;
}

Decimal decimal_of(const Integer& coefficient, std::int64_t exponent) {
  return {Decimal::Kind::finite, coefficient < 0, Integer(abs(coefficient)).str(), exponent};
}

Rational rational_of(const Decimal& value) {
  const Integer coefficient = coefficient_of(value);
  return value.exponent >= 0 ? Rational(coefficient * ten_to(value.exponent))
                             : Rational(coefficient, ten_to(-value.exponent));
}

Decimal sum(const Decimal& a, const Decimal& b) {
  const std::int64_t exponent = std::min(a.exponent, b.exponent);
  const auto scaled = [&](const Decimal& x) {
    return coefficient_of(x) * ten_to(x.is_zero() ? 0 : x.exponent - exponent);
  };
  Decimal out = decimal_of(scaled(a) + scaled(b), exponent);
  // Zeros of one sign keep it.
  if (out.is_zero()) out.negative = a.negative && b.negative;
  return out;
}

Decimal product(const Decimal& a, const Decimal& b) {
  Decimal out = decimal_of(coefficient_of(a) * coefficient_of(b), a.exponent + b.exponent);
  out.negative = a.negative != b.negative;
  return out;
}

Decimal quotient(const Decimal& a, const Decimal& b, std::int64_t most, Rounding rounding) {
  assert(!b.is_zero() && most > 0);
  const std::int64_t ideal = a.exponent - b.exponent;
  Decimal out;
  out.exponent = ideal;
  if (!a.is_zero()) {
    const Integer divisor = abs(coefficient_of(b));
    // As many zeros as leave more digits than are kept; a rest makes the last digit odd, so that
    // nothing looks like a tie, or like an exact end.
    const std::int64_t zeros =
        std::max<std::int64_t>(0, most + 2 + static_cast<std::int64_t>(b.coefficient.size()) -
                                      static_cast<std::int64_t>(a.coefficient.size()));
    const Integer dividend = abs(coefficient_of(a)) * ten_to(zeros);
    const Integer digits = dividend / divisor;
    const bool exact = digits * divisor == dividend;
    out.coefficient = digits.str();
    out.exponent = ideal - zeros;
    if (!exact) {
      out.coefficient += '1';
      --out.exponent;
    }
    out.negative = a.negative != b.negative;
    if (exact) {
      while (out.exponent < ideal && out.coefficient.back() == '0') {
        out.coefficient.pop_back();
        ++out.exponent;
      }
    }
    out = cut_to(out, most, rounding);
  }
  out.negative = a.negative != b.negative;
  return out;
}

std::strong_ordering compare(const Decimal& a, const Decimal& b) {
  const auto sign_of = [](const Decimal& x) { return x.is_zero() ? 0 : x.negative ? -1 : 1; };
  if (sign_of(a) != sign_of(b)) return sign_of(a) <=> sign_of(b);
  if (sign_of(a) == 0) return std::strong_ordering::equal;
  const bool both_negative = a.negative;
  std::strong_ordering order = a.adjusted_exponent() <=> b.adjusted_exponent();
  if (std::is_eq(order)) {
    // Digits from the first on; the shorter one goes on in zeros.
    std::string x = a.coefficient;
    std::string y = b.coefficient;
    const std::size_t size = std::max(x.size(), y.size());
    x.resize(size, '0');
    y.resize(size, '0');
    order = x <=> y;
  }
  if (std::is_eq(order) || !both_negative) return order;
  return std::is_lt(order) ? std::strong_ordering::greater : std::strong_ordering::less;
}

}  // namespace inky::inline v1
