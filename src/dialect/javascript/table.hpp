// How a program of JavaScript prints a table.
#pragma once

#include "dialect/table_form.hpp"

namespace inky::inline v1::javascript {

inline constexpr std::string_view pad_left_source =
    "// Text with spaces before it, up to a width. Its columns are given: length counts UTF-16 "
    "units.\n"
    "function padLeft(text, columns, width) {\n"
    "  return \" \".repeat(Math.max(0, width - columns)) + text;\n"
    "}\n";
inline constexpr std::string_view pad_right_source =
    "// Text with spaces after it, up to a width. Its columns are given: length counts UTF-16 "
    "units.\n"
    "function padRight(text, columns, width) {\n"
    "  return text + \" \".repeat(Math.max(0, width - columns));\n"
    "}\n";
inline constexpr std::string_view pad_center_source =
    "// Text between spaces, up to a width. Its columns are given: length counts UTF-16 units.\n"
    "function padCenter(text, columns, width) {\n"
    "  const room = Math.max(0, width - columns);\n"
    "  const left = Math.floor(room / 2);\n"
    "  return \" \".repeat(left) + text + \" \".repeat(room - left);\n"
    "}\n";

inline constexpr TableForm own_table = {
    .names = NameCase::camel,
    .before = "",
    .pad_left = {"padLeft", "padLeft(@V, @C, @W)", {}, pad_left_source},
    .pad_right = {"padRight", "padRight(@V, @C, @W)", {}, pad_right_source},
    .pad_center = {"padCenter", "padCenter(@V, @C, @W)", {}, pad_center_source},
    .data = "const rows = [\n@D];\n",
    .row_open = "[",
    .row_close = "],\n",
    .cell_name = "@N",
    .write = "process.stdout.write(@L);\n",
    .loop = "for (const [@E] of rows) {\n@S}\n",
    .part_function = "function printRows(rows) {\n  for (const [@E] of rows) {\n@S  }\n}\n",
    .part_call = "printRows(rows.slice(@A, @Z));\n",
};

}  // namespace inky::inline v1::javascript
