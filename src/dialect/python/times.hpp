// datetime.datetime, date, time and timedelta as texts: the Python 3.11 library reference, datetime.
// A moment with an offset is an aware datetime.
#pragma once

#include <string>
#include <string_view>

#include "../family/time_letters.hpp"
#include "../family/time_zones.hpp"
#include "inky_margin/format/value.hpp"

namespace inky::inline v1::python {

// A moment, a date, a time or a duration.
bool is_time_value(const Value& value);
// "datetime.timedelta"
std::string_view time_type_name(const Value& value);
// Whether format() takes codes: of all but a timedelta.
bool takes_codes(const Value& value);
// str() or repr().
std::string time_value_text(const Value& value, bool as_str);
// strftime() in a locale: the codes of the C library, and %f, %z and %Z. Returns what is in it that
// is not supported yet; empty: nothing. REQUIRES: takes_codes().
std::string_view append_time_by_codes(const Value& value, std::string_view codes,
                                      std::string_view locale, std::string& out);
// The codes of parts of a moment.
std::span<const family::TimeLetter> time_letters();
// The codes of strftime() in a literal, for a wish; nothing, and a note, where there are none.
std::optional<std::string> write_strftime_call(const FieldWish& wish, Notes& notes);
inline constexpr int128 billion = nanoseconds_per_second;
// What the names of a call stand for, without the modules in front of them.
std::string_view class_of_path(std::string_view path);
// fold: whether this is the second time that the clocks of its zone show this.
bool is_second(const Moment& moment);
// repr() of a tzinfo.
std::string zone_repr(const TimeZone& zone);
// isoformat(). REQUIRES: takes_codes().
std::string iso_text(const Value& value);

}  // namespace inky::inline v1::python
