// Dates of Octave: a serial number of days, whole at midnight, with 1 for the first day of the year
// 0. Source: the GNU Octave manual, Timing Utilities; GNU Octave 7.3.0 with TZ=UTC.
#pragma once

#include <array>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/dialect/writer.hpp"
#include "inky_margin/format/template.hpp"
#include "inky_margin/format/value.hpp"

namespace inky::inline v1::octave {

// datenum() of a moment.
double serial_number(const Moment& moment);

// Year, month, day, hour, minute and second, as datevec() takes a serial number apart.
using DateParts = std::array<double, 6>;
DateParts parts_of_serial(double number);
double serial_of_parts(const DateParts& parts);
// Whether they are a moment of the years 1 to 9999.
bool are_of_calendar(const DateParts& parts);

// Octave has no dates: a value that is one, without an offset, is its serial number.
bool has_dates(std::span<const Value> values);
std::vector<Value> serial_numbers(std::span<const Value> values);
void note_serial_numbers(std::span<const Value> values, const TemplateContent& parsed,
                         Notes& notes);

// datestr() by a format in its letters. Returns what is in it that is not known; empty: nothing.
std::string_view append_date(const DateParts& parts, std::string_view format, std::string& out);
// The format of this number, from 0 to 31; empty: there is none.
std::string_view date_format(double number);

// The format of datestr() of a wish; nothing, and a note, where there is none.
std::optional<std::string> write_datestr(const FieldWish& wish, Notes& notes);

}  // namespace inky::inline v1::octave
