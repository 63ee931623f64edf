// What cultures of .NET write in numbers, dates and times.
#pragma once

#include <optional>
#include <span>
#include <string_view>

#include "../family/locale_table.hpp"

namespace inky::inline v1::csharp {

// NumberFormatInfo and DateTimeFormatInfo. In a pattern of a number n is the number, - the minus
// sign, $ the currency, % its sign; a list has bars between its names.
class Culture {
 public:
  // Of those that tools/record/dotnet_culture_table.py asks for, in its order.
  enum Part : unsigned char {
    point,
    group,
    group_sizes,
    minus,
    plus,
    not_a_number,
    infinity,
    percent,
    per_mille,
    currency,
    currency_point,
    currency_group,
    currency_group_sizes,
    places,           // of F, N and P, without a precision: a digit
    currency_places,  // of C
    positive_currency,
    negative_currency,
    positive_percent,
    negative_percent,
    calendar,  // "Gregorian"
    era,
    morning,
    afternoon,
    date_separator,
    time_separator,
    days,
    short_days,
    months,
    months_beside_days,  // the genitive
    short_months,
    short_months_beside_days,
    short_date,
    long_date,
    full,
    short_time,
    long_time,
    month_day,
    year_month,
    parts
  };

  explicit Culture(const LocaleParts<parts>& has) : has_(has) {}

  std::string_view tag() const { return has_.tag(); }
  std::string_view operator[](Part part) const { return has_.text(part); }
  int digit(Part part) const { return has_.digit(part); }
  std::string_view name(Part list, std::size_t place) const {
    return listed_name(has_.text(list), place);
  }
  Grouping grouping() const { return Grouping((*this)[group_sizes]); }
  Grouping currency_grouping() const { return Grouping((*this)[currency_group_sizes]); }

 private:
  LocaleParts<parts> has_;
};

// The tags alone, for the facts: BCP 47, and "invariant" for CultureInfo.InvariantCulture.
std::span<const std::string_view> culture_tags();
// Of those, some that between them show all that a culture changes.
std::span<const std::string_view> telling_cultures();
// Nothing where there is none; an empty tag is the invariant culture's.
std::optional<Culture> culture_tagged(std::string_view tag);
Culture culture_or_invariant(std::string_view tag);
Culture invariant_culture();

}  // namespace inky::inline v1::csharp
