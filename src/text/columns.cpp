#include "inky_margin/text/columns.hpp"

#include <utf8proc.h>

#include <algorithm>
#include <array>

#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

// Asks for the emoji form of the character before it, which is two columns wide.
constexpr char32_t emoji_selector = 0xFE0F;

// A lone byte that is not UTF-8 is kept as it is.
CodePoint next(std::string_view text) {
  return first_code_point(text).value_or(CodePoint{0, 1});
}

std::size_t columns_of(char32_t value) {
  return static_cast<std::size_t>(utf8proc_charwidth(static_cast<utf8proc_int32_t>(value)));
}

std::size_t units_of(const CodePoint& point, WidthUnit unit) {
  if (unit == WidthUnit::bytes) return static_cast<std::size_t>(point.bytes);
  return unit == WidthUnit::utf16_units && point.value > 0xFFFF ? 2 : 1;
}

// The next thing that cannot be divided in `unit`, and its size.
Cluster next_step(std::string_view text, WidthUnit unit) {
  if (unit == WidthUnit::columns) return first_cluster(text);
  if (unit == WidthUnit::bytes) return {1, 1};
  const CodePoint point = next(text);
  return {static_cast<std::size_t>(point.bytes), units_of(point, unit)};
}

bool is_printable_ascii(std::string_view text) {
  return std::all_of(text.begin(), text.end(), [](char c) { return c >= 0x20 && c < 0x7F; });
}

}  // namespace

std::string_view name_of(WidthUnit unit) {
  return width_unit_names[static_cast<std::size_t>(unit)];
}

std::optional<WidthUnit> width_unit_named(std::string_view name) {
  for (std::size_t i = 0; i < width_unit_names.size(); ++i) {
    if (width_unit_names[i] == name) return static_cast<WidthUnit>(i);
  }
  return std::nullopt;
}

Cluster first_cluster(std::string_view text) {
  if (text.empty()) return {};
  CodePoint before = next(text);
  Cluster cluster{static_cast<std::size_t>(before.bytes), columns_of(before.value)};
  utf8proc_int32_t state = 0;
  while (cluster.bytes < text.size()) {
    const std::optional<CodePoint> point = first_code_point(text.substr(cluster.bytes));
    if (!point ||
        utf8proc_grapheme_break_stateful(static_cast<utf8proc_int32_t>(before.value),
                                         static_cast<utf8proc_int32_t>(point->value), &state)) {
      break;
    }
    cluster.bytes += static_cast<std::size_t>(point->bytes);
    cluster.columns = std::max(cluster.columns, columns_of(point->value));
    if (point->value == emoji_selector) cluster.columns = 2;
    before = *point;
  }
  return cluster;
}

std::size_t measure(std::string_view text, WidthUnit unit) {
  if (unit == WidthUnit::bytes || is_printable_ascii(text)) return text.size();
  std::size_t total = 0;
  while (!text.empty()) {
    const Cluster step = next_step(text, unit);
    total += step.columns;
    text.remove_prefix(step.bytes);
  }
  return total;
}

std::string_view cut(std::string_view text, std::size_t limit, WidthUnit unit) {
  if (unit == WidthUnit::bytes) return text.substr(0, limit);
  std::size_t end = 0;
  for (std::size_t used = 0; end < text.size();) {
    const Cluster step = next_step(text.substr(end), unit);
    used += step.columns;
    if (used > limit) break;
    end += step.bytes;
  }
  return text.substr(0, end);
}

}  // namespace inky::inline v1
