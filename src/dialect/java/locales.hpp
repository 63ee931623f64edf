// What the locales of OpenJDK 17 have for numbers, dates and times; their data is that of CLDR 39.
#pragma once

#include <optional>
#include <span>
#include <string_view>

#include "../family/locale_table.hpp"
#include "inky_margin/format/spec.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::java_language {

// A list has bars between its names; days begin with Sunday, halves of a day with the morning.
class JavaLocale {
 public:
  // Of those that tools/record/jdk_locale_table.py asks for, in its order.
  enum Part : unsigned char {
    point,
    group,
    zero,  // the other digits follow it
    // What only patterns write.
    minus,
    percent,
    per_mille,
    exponent,
    infinity,
    not_a_number,
    currency,
    currency_code,
    currency_point,
    currency_group,
    currency_places,
    group_size,
    // Patterns of DecimalFormat: NumberFormat.getNumberInstance and so on.
    number_pattern,
    whole_pattern,
    percent_pattern,
    currency_pattern,
    // As %t has them.
    months,
    short_months,
    days,
    short_days,
    halves,        // %tp
    upper_halves,  // %Tp
    clock_halves,  // %tr
    // As DateTimeFormatter has them, by the letters MMMM, MMM and MMMMM, and LLLL and so on alone.
    formatter_months,
    formatter_short_months,
    formatter_narrow_months,
    lone_months,
    lone_short_months,
    lone_narrow_months,
    formatter_days,
    formatter_short_days,
    formatter_narrow_days,
    lone_days,
    lone_short_days,
    lone_narrow_days,
    formatter_halves,
    era,
    long_era,
    narrow_era,
    // Patterns of FormatStyle FULL, and behind each LONG, MEDIUM and SHORT.
    date_style,
    time_style = date_style + 4,
    date_and_time = time_style + 4,  // {1} is the date, {0} the time
    week_start = date_and_time + 4,  // 1 is Monday
    least_days_of_week,
    parts
  };

  explicit JavaLocale(const LocaleParts<parts>& has) : has_(has) {}

  std::string_view tag() const { return has_.tag(); }
  std::string_view operator[](Part part) const { return has_.text(part); }
  int digit(Part part) const { return has_.digit(part); }
  std::string_view name(Part list, int place) const {
    return listed_name(has_.text(list), static_cast<std::size_t>(place));
  }
  char32_t zero_digit() const { return first_code_point(has_.text(zero))->value; }

 private:
  LocaleParts<parts> has_;
};

// The tags alone, for the facts: BCP 47, and "root" for Locale.ROOT.
std::span<const std::string_view> locale_tags();
// Of those, some that between them show all that a locale changes.
std::span<const std::string_view> telling_locales();
// Nothing where there is none; an empty tag is the root's.
std::optional<JavaLocale> locale_tagged(std::string_view tag);
// The root's where the tag is none.
JavaLocale locale_or_root(std::string_view tag);

}  // namespace inky::inline v1::java_language
