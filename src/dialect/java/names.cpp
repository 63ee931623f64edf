#include "names.hpp"

#include <algorithm>

namespace inky::inline v1::java_language {

namespace {

// Asked of DateFormatSymbols by tools/record/java_times.py --names, which writes the file.
constexpr TimeNames all_names[] = {
#include "names.inc"
};

}  // namespace

const TimeNames* names_tagged(std::string_view tag) {
  if (tag.empty()) tag = "root";
  const auto found = std::find_if(std::begin(all_names), std::end(all_names),
                                  [&](const TimeNames& one) { return one.tag == tag; });
  return found == std::end(all_names) ? nullptr : found;
}

}  // namespace inky::inline v1::java_language
