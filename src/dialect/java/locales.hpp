// What the locales of OpenJDK 17 (their data is that of CLDR 39) write in numbers.
#pragma once

#include <span>
#include <string_view>

#include "inky_margin/format/spec.hpp"

namespace inky::inline v1::java_language {

struct JavaLocale {
  std::string_view tag;  // BCP 47; "root" is Locale.ROOT
  Mark point;
  Mark group;
  char32_t zero;  // the others follow it
  // What only patterns write.
  std::string_view minus;
  std::string_view percent;
  std::string_view per_mille;
  std::string_view exponent;
  std::string_view infinity;
  std::string_view not_a_number;
  std::string_view currency;
  std::string_view currency_code;
  Mark currency_point;
  Mark currency_group;
};

// The tags alone, for the facts.
std::span<const std::string_view> locale_tags();
// Null when there is none; an empty tag is the root's.
const JavaLocale* locale_tagged(std::string_view tag);

}  // namespace inky::inline v1::java_language
