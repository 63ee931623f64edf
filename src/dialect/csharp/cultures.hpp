// What cultures of .NET write in numbers.
#pragma once

#include <span>
#include <string_view>

namespace inky::inline v1::csharp {

// NumberFormatInfo. In a pattern n is the number, - the minus sign, $ the currency, % itself.
struct Culture {
  std::string_view tag;  // BCP 47; "invariant" is CultureInfo.InvariantCulture
  std::string_view point;
  std::string_view group;
  std::string_view minus;
  std::string_view not_a_number;
  std::string_view infinity;
  std::string_view currency;
  std::string_view currency_point;
  std::string_view currency_group;
  int places;           // of F, N and P, without a precision
  int currency_places;  // of C
  std::string_view positive_currency;
  std::string_view negative_currency;
  std::string_view positive_percent;
  std::string_view negative_percent;
  bool groups_of_two;  // after the first group of three
};

// The tags alone, for the facts.
std::span<const std::string_view> culture_tags();
// Null when there is none; an empty tag is the invariant culture's.
const Culture* culture_tagged(std::string_view tag);

}  // namespace inky::inline v1::csharp
