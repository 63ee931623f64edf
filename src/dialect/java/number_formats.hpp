// NumberFormat and DecimalFormat in expressions: an object is a pattern, a locale and a rounding.
#pragma once

#include <string>
#include <string_view>

namespace inky::inline v1::java_language {

inline constexpr std::string_view locale_object = "Locale";
inline constexpr std::string_view symbols_object = "DecimalFormatSymbols";
inline constexpr std::string_view number_format_object = "NumberFormat";
inline constexpr std::string_view time_format_object = "DateTimeFormatter";
// Methods of NumberFormat that change what it is called on.
inline constexpr std::string_view number_format_setters =
    "setMaximumFractionDigits setMinimumFractionDigits setMinimumIntegerDigits setGroupingUsed "
    "setRoundingMode setDecimalFormatSymbols";

// The digits of a pattern as counts: "#,##0.00#" is at least 1, then 2 to 3 places, in groups.
struct PatternDigits {
  int least_whole = 1;
  int least_places = 0;
  int most_places = 3;
  bool groups = true;
};

// The same pattern with other digits in each of its parts. Nothing where the digits have an exponent.
bool read_digits(std::string_view pattern, PatternDigits& out);
std::string with_digits(std::string_view pattern, const PatternDigits& digits);

}  // namespace inky::inline v1::java_language
