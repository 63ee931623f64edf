// The known name nearest to a mistyped one.
//
//   nearest_name("widht", names)      // "width"
//   nearest_name("zebra", names)      // "": nothing is near
#pragma once

#include <span>
#include <string>
#include <string_view>

namespace inky::inline v1 {

// By the fewest insertions, deletions, replacements and swaps of neighbours; empty when more than a
// third of the letters would have to change.
std::string_view nearest_name(std::string_view typed, std::span<const std::string_view> names);

// What to do about an unknown name: "Did you mean always? Choose one of: minus, always." Where there
// are many names, they are listed only if none is near.
std::string choices_for(std::string_view typed, std::span<const std::string_view> names);

}  // namespace inky::inline v1
