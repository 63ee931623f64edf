// What a program of C++ is made of, whatever facility prints.
#pragma once

#include <array>

#include "../c/struct_tm.hpp"
#include "dialect/program_form.hpp"
#include "dialect/table_form.hpp"

namespace inky::inline v1 {

inline constexpr auto cpp_program_types = std::to_array<TypeForm>({
    {Type::i8, "signed char "},
    {Type::u8, "unsigned char "},
    {Type::i16, "short "},
    {Type::u16, "unsigned short "},
    {Type::i32, "int "},
    {Type::u32, "unsigned int ", "@U"},
    {Type::i64, "long ", "@L"},
    {Type::u64, "unsigned long ", "@UL"},
    {Type::f32, "float ", "@F"},
    {Type::f64, "double "},
    {Type::f80, "long double ", "@L"},
    {Type::text, "std::string "},
    {Type::character, "char ", "'@'"},
    {Type::truth, "bool "},
    {Type::date, "std::chrono::year_month_day ",
     "{std::chrono::year{@Y}, std::chrono::month{@M}, std::chrono::day{@D}}",
     "#include <chrono>\n"},
    {Type::moment, "std::tm ", c_language::written_members,
     "#include <ctime>\n#include <iomanip>\n"},
});

inline constexpr NeededLine cpp_needed[] = {
    {"sqrt cbrt floor ceil round trunc rint nearbyint lround llround fabs abs fmod fmax fmin pow "
     "exp "
     "log log2 log10 sin cos tan atan",
     "#include <cmath>\n"},
    {"bitset", "#include <bitset>\n"},
    {"max min", "#include <algorithm>\n"},
    {"format", "#include <format>\n"},
    {"strlen", "#include <cstring>\n"},
    {"toupper tolower", "#include <cctype>\n"},
};

constexpr ProgramForm cpp_program(std::string_view before,
                                  std::span<const SettingForm> settings = {}) {
  return {.before = before,
          .declaration = "  const @T@N = @V;\n",
          .statement = "  @S\n",
          .after = "}\n",
          .types = cpp_program_types,
          .infinity = "__builtin_inf()",
          .negative_infinity = "-__builtin_inf()",
          .not_a_number = "__builtin_nan(\"\")",
          .least_i64 = "(-9223372036854775807L - 1)",
          .direction = DirectionEscape::bytes,
          .escaped = "\"\\?",
          .needed = cpp_needed,
          .settings = settings};
}

inline constexpr std::string_view cpp_pad_left =
    "// Text with spaces before it, up to a width. Its columns are given: size() counts bytes.\n"
    "std::string pad_left(std::string_view text, int columns, int width) {\n"
    "  return std::string(width > columns ? width - columns : 0, ' ') + std::string(text);\n"
    "}\n";
inline constexpr std::string_view cpp_pad_right =
    "// Text with spaces after it, up to a width. Its columns are given: size() counts bytes.\n"
    "std::string pad_right(std::string_view text, int columns, int width) {\n"
    "  return std::string(text) + std::string(width > columns ? width - columns : 0, ' ');\n"
    "}\n";
inline constexpr std::string_view cpp_pad_center =
    "// Text between spaces, up to a width. Its columns are given: size() counts bytes.\n"
    "std::string pad_center(std::string_view text, int columns, int width) {\n"
    "  const int room = width > columns ? width - columns : 0;\n"
    "  return std::string(room / 2, ' ') + std::string(text) + std::string(room - room / 2, ' ');\n"
    "}\n";

constexpr TableForm cpp_table(std::string_view before, std::string_view write,
                              std::string_view before_statement = {}) {
  return {
      .before = before,
      .pad_left = {"pad_left", "pad_left(@V, @C, @W)", {}, cpp_pad_left},
      .pad_right = {"pad_right", "pad_right(@V, @C, @W)", {}, cpp_pad_right},
      .pad_center = {"pad_center", "pad_center(@V, @C, @W)", {}, cpp_pad_center},
      .text_type = "std::string_view ",
      .row_type = "struct Row {\n@F};\n",
      .field = "  @T@N;\n",
      .data = "const Row rows[] = {\n@D};\n",
      .cell_name = "row.@N",
      .main_open = "int main() {\n",
      .main_close = "}\n",
      .main_indent = 2,
      .write = write,
      .loop = "  for (const Row& row : rows) {\n@S  }\n",
      .loop_indent = 4,
      .part_function = "void print_row(const Row& row) {\n@S}\n",
      .part_indent = 2,
      .part_call = "  for (int i = @A; i < @Z; ++i) print_row(rows[i]);\n",
      .before_statement = before_statement,
  };
}

}  // namespace inky::inline v1
