// What .NET makes of the types that hold times, under a format string. A
// moment is a DateTime of the kind Unspecified, with an offset a DateTimeOffset; a date, a time and
// a duration are DateOnly, TimeOnly and TimeSpan.
//
// Defined by "Standard date and time format strings", "Custom date and time format strings" and
// the same of TimeSpan in the .NET documentation; observed on .NET 10.0.
#pragma once

#include <string>
#include <string_view>

#include "cultures.hpp"
#include "inky_margin/format/value.hpp"

namespace inky::inline v1::csharp {

bool is_time_value(const Value& value);
// Whether it is a DateTime of the kind Utc, which is marked as an expression.
inline bool has_utc_kind(const Value& value) {
  return value.is(Type::moment) && value.is_expression();
}

// Appends the value. False where .NET throws a FormatException, and `why` states for what.
// REQUIRES: is_time_value().
bool append_time_value(const Value& value, std::string_view format, const Culture& culture,
                       std::string& out, std::string& why);

// Whether the value is a date, or has one, that the calendar of the culture has not, or not yet here,
// and the format shows it.
bool needs_other_calendar(const Value& value, std::string_view format, const Culture& culture);

}  // namespace inky::inline v1::csharp
