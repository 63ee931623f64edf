// What is shown of a moment, part after part, in neutral terms.
//
//   read_time_pattern("{day}.{month}.{year} {hour}:{minute}")->size()     // 9: 09.05.2031 14:05
//   read_time_pattern("{weekday:short} {day:1} {month:name}")->size()     // 5: Fri 9 May
//
// A part stands between braces. Anything else is text. A brace that is text is written twice. Parts
// are digits with zeros in front, unless they say otherwise. Names are English.
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/format/note.hpp"
#include "inky_margin/format/shared_text.hpp"

namespace inky::inline v1 {

// The text of a pattern, which read_time_pattern() reads; empty: it says nothing.
using TimePattern = SharedText;

// One of the parts that there are: "month:name".
struct TimePartFact {
  std::string_view name;
  std::string_view meaning;
};
std::span<const TimePartFact> time_parts();

// A part of a pattern, or the text before the next one.
struct TimePart {
  std::string_view name;  // one of time_parts(); empty: a text
  std::string text;
};

// An error (bad_value) where a part is unknown or not closed; its span is in the text.
Result<std::vector<TimePart>> read_time_pattern(std::string_view text);
// The text of these parts.
std::string time_pattern_text(std::span<const TimePart> parts);

}  // namespace inky::inline v1
