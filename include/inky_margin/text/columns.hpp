// How wide a text is, in whatever a language counts.
//
//   measure("é", WidthUnit::bytes)        // 2
//   measure("é", WidthUnit::columns)      // 1
//   measure("墨", WidthUnit::columns)      // 2: a wide character takes two columns of a terminal
//   cut("墨汁", 3, WidthUnit::columns)     // "墨": half of a character is never kept
//
// Columns are counted by grapheme cluster (Unicode Standard Annex 29) from the East Asian widths of
// Annex 11, both as the utf8proc library has them. Control characters take none.
#pragma once

#include <array>
#include <cstddef>
#include <cstdint>
#include <optional>
#include <string_view>

namespace inky::inline v1 {

enum class WidthUnit : std::uint8_t {
  bytes,  // of UTF-8
  code_points,
  utf16_units,  // two for code points above U+FFFF
  columns,      // of a terminal with a fixed-width font
};

// In the order of the enumerators.
inline constexpr std::array<std::string_view, 4> width_unit_names = {"bytes", "code-points",
                                                                     "utf16-units", "columns"};
std::string_view name_of(WidthUnit unit);
std::optional<WidthUnit> width_unit_named(std::string_view name);

// Bytes that are not UTF-8 count as one unit each.
std::size_t measure(std::string_view text, WidthUnit unit);

// The longest prefix of at most `limit` units. By bytes it may end inside a character; by anything
// else it never does.
std::string_view cut(std::string_view text, std::size_t limit, WidthUnit unit);

// The bytes of the first grapheme cluster, and the columns it takes.
struct Cluster {
  std::size_t bytes = 0;
  std::size_t columns = 0;
};
Cluster first_cluster(std::string_view text);

}  // namespace inky::inline v1
