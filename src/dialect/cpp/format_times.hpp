// What std::format makes of dates and durations.
//
// Defined by ISO C++20, [time.format]; libc++ 16 has formatters of durations and of the types of the
// calendar, and none of time points and of hh_mm_ss. A date is a year_month_day; a duration is the first
// of seconds, milliseconds, microseconds and nanoseconds that holds it.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1::cpp_format {

// How many bytes of a spec its codes are, from their % to what ends the field; 0: there are none.
std::size_t time_codes_size(std::string_view spec);

// Why codes are refused, whatever the type of the value; empty: they are not.
std::string_view defect_of_codes(std::string_view codes);
// The same for a date or for a duration. REQUIRES: defect_of_codes() is empty.
std::string_view defect_of_codes(std::string_view codes, Type type);

// The text by codes, or without any. REQUIRES: a date or a duration, and codes without a defect for it.
std::string time_text_by(const Value& value, std::string_view codes);

}  // namespace inky::inline v1::cpp_format
