// Objects of java.time and java.util that are no values of ours: an instant, a period, a month of a
// year, an offset, a Date, a MathContext.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "../family/instants.hpp"
#include "../family/time_reading.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/format/value.hpp"
#include "locales.hpp"

namespace inky::inline v1::java_language {

inline constexpr std::string_view instant_object = "Instant";              // a moment in UTC
inline constexpr std::string_view date_object = "Date";                    // the same
inline constexpr std::string_view period_object = "Period";                // years, months, days
inline constexpr std::string_view month_object = "YearMonth";              // year, month
inline constexpr std::string_view year_object = "Year";                    // year
inline constexpr std::string_view offset_object = "ZoneOffset";            // minutes
inline constexpr std::string_view zone_object = "ZoneId";                  // a Zone
inline constexpr std::string_view adjuster_object = "TemporalAdjuster";    // its name
inline constexpr std::string_view old_format_object = "SimpleDateFormat";  // pattern, locale
inline constexpr std::string_view context_object = "MathContext";          // precision, rounding

// An int, and one that is a part of an object.
Value int_of(std::int64_t number);
int number_in(const Value& object, std::size_t part);
// Period.between: whole months, then days.
Value period_between(const Moment& from, const Moment& to);

// Instant.toString(), of a moment in UTC.
std::string instant_text(const Moment& moment);

// toString() of one; nothing: it has none that is known here.
std::optional<std::string> object_text(const Value& object);

// What a field says that shows such an object in another way than as its text.
Outcome object_refused(const std::string& field, Span span);

// The steps of a pattern of DateTimeFormatter that reads; nothing: a part of it is not known here.
std::optional<std::vector<TimeStep>> reading_steps(std::string_view pattern);

// A pattern of SimpleDateFormat as DateTimeFormatter has it; nothing where the two differ.
std::optional<std::string> pattern_of_old(std::string_view pattern);

}  // namespace inky::inline v1::java_language
