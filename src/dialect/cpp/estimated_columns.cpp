#include "estimated_columns.hpp"

#include <algorithm>
#include <iterator>

#include "format_facts.hpp"
#include "inky_margin/text/columns.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::cpp_format {

namespace {

int estimated_width(char32_t c) {
  struct Range {
    char32_t first;
    char32_t last;
  };
  static constexpr Range wide[] = {
      {0x1100, 0x115F},   {0x2329, 0x232A},   {0x2E80, 0x303E},   {0x3040, 0xA4CF},
      {0xAC00, 0xD7A3},   {0xF900, 0xFAFF},   {0xFE10, 0xFE19},   {0xFE30, 0xFE6F},
      {0xFF00, 0xFF60},   {0xFFE0, 0xFFE6},   {0x1F300, 0x1F64F}, {0x1F900, 0x1F9FF},
      {0x20000, 0x2FFFD}, {0x30000, 0x3FFFD},
  };
  const bool is_wide = std::any_of(std::begin(wide), std::end(wide), [&](const Range& range) {
    return range.first <= c && c <= range.last;
  });
  return is_wide ? 2 : 1;
}

}  // namespace

std::string_view estimated_cut(std::string_view text, int limit, int& columns) {
  std::size_t size = 0;
  if (is_ascii(text)) {
    size = limit == unset ? text.size() : std::min(text.size(), static_cast<std::size_t>(limit));
    columns = static_cast<int>(size);
    return text.substr(0, size);
  }
  columns = 0;
  while (size < text.size()) {
    const std::string_view rest = text.substr(size);
    const auto first = first_code_point(rest);
    const int width = first ? estimated_width(first->value) : 1;
    if (limit != unset && columns + width > limit) break;
    columns += width;
    size += std::max<std::size_t>(first_cluster(rest).bytes, 1);
  }
  return text.substr(0, size);
}

}  // namespace inky::inline v1::cpp_format
