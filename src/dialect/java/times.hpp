// Dates and times under %t and %T of Formatter, and as texts.
//
// A moment is a LocalDateTime, with an offset an OffsetDateTime; a date, a time and a duration are
// LocalDate, LocalTime and Duration. A long is the milliseconds since 1970, in UTC here. Observed on
// OpenJDK 17.0.15.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/format/outcome.hpp"
#include "inky_margin/format/value.hpp"
#include "locales.hpp"

namespace inky::inline v1::java_language {

// Months from 1, days of the week from Sunday, 0: "MAY", "FRIDAY".
std::optional<int> month_of_name(std::string_view name);
std::optional<int> weekday_of_name(std::string_view name);

// The letters that may follow %t.
inline constexpr std::string_view time_letters = "HIklMSLNpzZsQBbhAaCYyjmdeRTrDFc";

// The letter that the value has no part for, where Java throws; or 0, and the text is appended, in
// the names and the digits of the locale. REQUIRES: a letter of those, a value that has_times().
char append_time(const Value& value, char letter, const JavaLocale& locale, std::string& out);

// What is not known here of such a value under such a letter; nothing: it can be shown. REQUIRES: as
// above.
std::optional<Outcome> time_refused(const Value& value, char letter, const JavaLocale& locale,
                                    Span span);

// Whether %t takes it at all.
bool has_times(const Value& value);

// toString() and hashCode() of java.time. REQUIRES: a moment, a date, a time or a duration.
std::string time_to_string(const Value& value);
std::uint32_t time_hash(const Value& value);

}  // namespace inky::inline v1::java_language
