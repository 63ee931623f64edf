// What the locales of OpenJDK 17 call months, days, and the halves of a day.
#pragma once

#include <array>
#include <string_view>

namespace inky::inline v1::java_language {

struct TimeNames {
  std::string_view tag;
  std::array<std::string_view, 12> months;
  std::array<std::string_view, 12> short_months;
  std::array<std::string_view, 7> days;  // from Sunday on
  std::array<std::string_view, 7> short_days;
  // As %tp and %tr write them.
  std::string_view before_noon;
  std::string_view after_noon;
  std::string_view upper_before_noon;
  std::string_view upper_after_noon;
};

// An empty tag is the root's. REQUIRES: one of locale_tags(), or empty.
const TimeNames* names_tagged(std::string_view tag);

}  // namespace inky::inline v1::java_language
