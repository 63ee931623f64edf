#include "ranges.hpp"

#include <algorithm>
#include <cmath>

namespace inky::inline v1 {

namespace {

double magnitude_of_real(const Value& value) {
  return std::fabs(std::bit_cast<double>(low_half(convert(value.as_real(), binary64))));
}
bool is_negative(const Value& value) {
  if (is_real(value.type())) return value.as_real().negative;
  if (value.is(Type::big)) return value.as_big().negative;
  return fact_of(value.type()).is_signed && value.as_whole() < 0;
}
bool is_finite(const Value& value) {
  return value.as_real().is_finite();
}
bool is_usual_size(const Value& value) {
  if (!is_finite(value)) return false;
  const double magnitude = magnitude_of_real(value);
  return magnitude == 0 || (magnitude >= 1e-4 && magnitude < 1e15);
}
// Its shortest digits end in a 5 that a rounding may go either way on.
bool ends_in_five(const Value& value) {
  if (!is_finite(value)) return false;
  Digits digits;
  shortest_digits(*fact_of(value.type()).format, value.as_real(), digits);
  return !digits.is_zero() && digits.text().back() == '5';
}
bool has_few_digits(const Value& value) {
  constexpr int few = 15;
  Digits digits;
  shortest_digits(*fact_of(value.type()).format, value.as_real(), digits);
  return digits.size() <= few;
}
// The decimals that the nearest f64 stands for without a doubt.
bool is_short_decimal(const Value& value) {
  constexpr std::size_t most_digits = 15;
  const Decimal& decimal = value.as_decimal();
  const std::int64_t size = decimal.adjusted_exponent();
  return decimal.coefficient.size() <= most_digits &&
         (decimal.is_zero() || (-5 < size && size < 15));
}
bool decimal_ends_in_five(const Value& value) {
  const std::string digits = exact_decimal(value.as_decimal()).digits;
  return !digits.empty() && digits.back() == '5';
}
bool is_negative_decimal(const Value& value) {
  return value.as_decimal().negative;
}
bool all_ascii(std::string_view text) {
  return std::all_of(text.begin(), text.end(), [](char c) { return c >= 0x20 && c < 0x7F; });
}

constexpr Range of_reals[] = {
    {"", [](const Value&) { return true; }},
    {"finite numbers", is_finite},
    {"finite numbers that are not negative",
     [](const Value& value) { return is_finite(value) && !is_negative(value); }},
    {"numbers from 1e-4 to below 1e15 in size, and 0", is_usual_size},
    {"numbers from 1e-4 to below 1e15, and 0",
     [](const Value& value) { return is_usual_size(value) && !is_negative(value); }},
    {"finite numbers whose digits do not end in 5",
     [](const Value& value) { return is_finite(value) && !ends_in_five(value); }},
    {"numbers from 1e-4 to below 1e15 in size whose digits do not end in 5, and 0",
     [](const Value& value) { return is_usual_size(value) && !ends_in_five(value); }},
    {"numbers from 1e-4 to below 1e15 in size of at most 15 digits that do not end in 5, and 0",
     [](const Value& value) {
       return is_usual_size(value) && has_few_digits(value) && !ends_in_five(value);
     }},
    {"numbers from 1e-4 to below 1e15 of at most 15 digits that do not end in 5, and 0",
     [](const Value& value) {
       return is_usual_size(value) && has_few_digits(value) && !ends_in_five(value) &&
              !is_negative(value);
     }},
    {"numbers from 1e-4 to below 1e15 whose digits do not end in 5, and 0",
     [](const Value& value) {
       return is_usual_size(value) && !ends_in_five(value) && !is_negative(value);
     }},
};
bool fits_bits(const Value& value, int bits) {
  if (value.is(Type::big)) return value.as_big().magnitude.bit_length() < bits;
  if (value.is(Type::u128) && value.bits() >> 126 != 0) return false;
  return magnitude_of(value.as_whole()) < uint128{1} << (bits - 1);
}
constexpr Range of_wholes[] = {
    {"", [](const Value&) { return true; }},
    {"numbers that are not negative", [](const Value& value) { return !is_negative(value); }},
    {"numbers of 53 bits", [](const Value& value) { return fits_bits(value, 54); }},
    {"numbers of 31 bits", [](const Value& value) { return fits_bits(value, 32); }},
    {"numbers of 31 bits that are not negative",
     [](const Value& value) { return fits_bits(value, 32) && !is_negative(value); }},
    {"numbers above 0",
     [](const Value& value) {
       return !is_negative(value) &&
              !(value.is(Type::big) ? value.as_big().magnitude.is_zero() : value.bits() == 0);
     }},
};
constexpr Range of_decimals[] = {
    {"", [](const Value&) { return true; }},
    {"decimals that are not negative",
     [](const Value& value) { return !is_negative_decimal(value); }},
    {"decimals of at most 15 digits, from 1e-4 to below 1e15 in size, and 0", is_short_decimal},
    {"decimals of at most 15 digits whose last is no 5, from 1e-4 to below 1e15 in size, and 0",
     [](const Value& value) { return is_short_decimal(value) && !decimal_ends_in_five(value); }},
    {"decimals of at most 15 digits whose last is no 5, from 1e-4 to below 1e15, and 0",
     [](const Value& value) {
       return is_short_decimal(value) && !decimal_ends_in_five(value) &&
              !is_negative_decimal(value);
     }},
};
constexpr Range of_texts[] = {
    {"", [](const Value&) { return true; }},
    {"texts of printable ASCII", [](const Value& value) { return all_ascii(value.as_text()); }},
    {"texts of printable ASCII that are not empty",
     [](const Value& value) { return !value.as_text().empty() && all_ascii(value.as_text()); }},
};
constexpr Range of_characters[] = {
    {"", [](const Value&) { return true; }},
    {"ASCII characters", [](const Value& value) { return value.as_character() < 0x80; }},
};
constexpr Range of_moments[] = {
    {"", [](const Value&) { return true; }},
    {"years from 1000 on", [](const Value& value) { return value.as_moment().year >= 1000; }},
    {"moments with whole milliseconds",
     [](const Value& value) { return value.as_moment().nanosecond % 1'000'000 == 0; }},
    {"years from 1000 on, with whole seconds",
     [](const Value& value) {
       return value.as_moment().year >= 1000 && value.as_moment().nanosecond == 0;
     }},
    {"moments with an offset from UTC",
     [](const Value& value) { return value.as_moment().offset.has_value(); }},
    {"moments with an offset from UTC, in years from 1000 on",
     [](const Value& value) {
       return value.as_moment().offset.has_value() && value.as_moment().year >= 1000;
     }},
    {"moments with an offset from UTC, in years from 1000 on, with whole seconds",
     [](const Value& value) {
       const Moment moment = value.as_moment();
       return moment.offset && moment.year >= 1000 && moment.nanosecond == 0;
     }},
};
constexpr Range of_others[] = {{"", [](const Value&) { return true; }}};

}  // namespace

std::span<const Range> ranges_of(Type type) {
  if (is_real(type)) return of_reals;
  if (is_whole(type)) return of_wholes;
  if (type == Type::decimal) return of_decimals;
  if (type == Type::text) return of_texts;
  if (type == Type::character) return of_characters;
  if (type == Type::moment || type == Type::date) return of_moments;
  return of_others;
}

}  // namespace inky::inline v1
