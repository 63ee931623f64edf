// Text as the units of UTF-16, for the languages whose methods count in these.
#pragma once

#include <cstddef>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1::computed {

// The character of one unit that a literal between single quotes is; nothing where it is no unit.
std::optional<Value> unit_of(const std::string& text);

// Nothing where half of a pair stands alone.
std::optional<std::string> utf8_of(std::u16string_view units);

// What is asked of a text and another one. The places of `first` and `last` are -1 where there is
// none.
enum class TextQuestion : std::uint8_t { contains, starts, ends, first, last };
struct TextQuestionName {
  std::string_view name;
  TextQuestion question;
};
Value answer(TextQuestion question, std::u16string_view text, std::u16string_view other);

// Every `from` in it as `to`, from the left. REQUIRES: `from` is not empty.
std::u16string replaced(std::u16string_view text, std::u16string_view from, std::u16string_view to);

// Without the characters at its ends that `drops` is true of.
template <typename Drops>
std::u16string_view trimmed(std::u16string_view text, Drops drops, bool at_start, bool at_end) {
  while (at_start && !text.empty() && drops(text.front())) text.remove_prefix(1);
  while (at_end && !text.empty() && drops(text.back())) text.remove_suffix(1);
  return text;
}

}  // namespace inky::inline v1::computed
