// A ruler to count columns by.
//
//   ruler(24, ruler_unicode)      // "────┴────1────┴────2────"
//   ruler(24, ruler_ascii)        // "----+----1----+----2----"
#pragma once

#include <cstddef>
#include <string>
#include <string_view>

namespace inky::inline v1 {

struct RulerMarks {
  std::string_view one;   // each column
  std::string_view five;  // every fifth
};
inline constexpr RulerMarks ruler_unicode{"─", "┴"};
inline constexpr RulerMarks ruler_ascii{"-", "+"};

// `columns` wide; every tenth column bears the last digit of its count of tens.
std::string ruler(std::size_t columns, const RulerMarks& marks);

}  // namespace inky::inline v1
