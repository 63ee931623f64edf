// Decimals rounded and calculated with, as languages do that have a type of them.
//
//   rescaled(*read_decimal("2.675"), -2, Rounding::half_even)     // 2.68
//   cut_to(*read_decimal("999.96"), 4, Rounding::half_even)       // 1000, of four digits
//   sum(*read_decimal("1.10"), *read_decimal("2.2"))              // 3.30
//
// Defined by IEEE 754-2019, 5, and by the General Decimal Arithmetic specification, 1.70. Each
// REQUIRES finite decimals.
#pragma once

#include <compare>
#include <cstdint>

#include "inky_margin/number/exact_decimal.hpp"
#include "inky_margin/number/rounding.hpp"
#include "number/rational.hpp"

namespace inky::inline v1 {

// With a coefficient that counts 10^exponent: zeros are added, or digits rounded away.
Decimal rescaled(const Decimal& value, std::int64_t exponent, Rounding rounding);
// Of at most `most` digits, at least 1.
Decimal cut_to(const Decimal& value, std::int64_t most, Rounding rounding);

// The coefficient with its sign.
Integer coefficient_of(const Decimal& value);
Decimal decimal_of(const Integer& coefficient, std::int64_t exponent);
Rational rational_of(const Decimal& value);

// Exactly. A sum has the smaller exponent of the two, a product the sum of them.
Decimal sum(const Decimal& a, const Decimal& b);
Decimal product(const Decimal& a, const Decimal& b);
// Exact where `most` digits suffice, with an exponent as near to the difference of the two as that
// allows; else of `most` digits. REQUIRES: b is not zero.
Decimal quotient(const Decimal& a, const Decimal& b, std::int64_t most, Rounding rounding);

// As numbers: 1.10 equals 1.1.
std::strong_ordering compare(const Decimal& a, const Decimal& b);

}  // namespace inky::inline v1
