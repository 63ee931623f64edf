// Values, as Java has them.
#pragma once

#include <cstdint>
#include <string>
#include <string_view>

#include "inky_margin/format/spec.hpp"
#include "inky_margin/format/value.hpp"
#include "inky_margin/text/output.hpp"

namespace inky::inline v1::java_language {

enum class Class : std::uint8_t {
  byte_class,
  short_class,
  integer_class,
  long_class,
  big_class,
  float_class,
  double_class,
  string_class,
  character_class,
  boolean_class,
  null_class,
  list_class,
  decimal_class,
  local_date_time_class,
  offset_date_time_class,
  zoned_date_time_class,
  local_date_class,
  local_time_class,
  duration_class,
};

// Unsigned wholes take the next wider class; a character beyond 16 bits is a String.
Class class_of(const Value& value);
std::string_view class_name(const Value& value);
bool is_whole_class(Class type);
bool is_real_class(Class type);
// The bits of a class whose two's complement is shown.
int width_of(Class type);
std::string to_string(const Value& value);
// A BigDecimal has no negative zero. REQUIRES: a finite decimal.
Decimal big_decimal(const Value& value);
// hashCode(), as each class documents it; BigInteger's and String's are those of OpenJDK.
std::uint32_t hash_code(const Value& value);
// Whether `real` times 10^places is small enough, and far enough from half-way between two wholes,
// that rounding its exact value and rounding Java's digits cannot differ: both lie within a unit of
// the last place of the number, thousands of times less than the distance kept here.
bool is_far_from_tie(const BinaryReal& real, int places);
// Rounds to `count` digits where the three digits after them tell that the exact value and Java's
// digits cannot round differently; false, and nothing rounded, where they do not.
bool round_far_from_tie(const BinaryReal& real, int count, Digits& digits);

}  // namespace inky::inline v1::java_language
