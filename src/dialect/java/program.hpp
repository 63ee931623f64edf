// What a program of Java is made of, whatever facility prints.
#pragma once

#include <array>

#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"
#include "dialect/table_form.hpp"

namespace inky::inline v1 {

inline constexpr auto java_program_types = std::to_array<TypeForm>({
    {Type::i8, "byte "},
    {Type::i16, "short "},
    {Type::i32, "int "},
    {Type::i64, "long ", "@L"},
    {Type::f32, "float ", "@f"},
    {Type::f64, "double "},
    {Type::text, "String "},
    {Type::character, "char ", "'@'"},
    {Type::truth, "boolean "},
    {Type::decimal, "BigDecimal ", "new BigDecimal(\"@\")", "import java.math.BigDecimal;\n"},
    {Type::moment, "var ", "LocalDateTime.parse(\"@\")", "import java.time.*;\n",
     "OffsetDateTime.parse(\"@\")", "ZonedDateTime.parse(\"@\")"},
    {Type::date, "var ", "LocalDate.parse(\"@\")", "import java.time.*;\n"},
    {Type::time, "var ", "LocalTime.parse(\"@\")", "import java.time.*;\n"},
    {Type::duration, "var ", "Duration.parse(\"@\")", "import java.time.*;\n"},
});

inline constexpr NeededLine java_needed[] = {
    {"BigDecimal BigInteger RoundingMode", "import java.math.*;\n"},
    {"LocalDate LocalTime LocalDateTime OffsetDateTime ZonedDateTime ZoneId Duration",
     "import java.time.*;\n"},
    {"DateTimeFormatter FormatStyle TextStyle", "import java.time.format.*;\n"},
    {"NumberFormat DecimalFormatSymbols", "import java.text.*;\n"},
    {"List Arrays Collections Objects", "import java.util.*;\n"},
    {"Stream IntStream DoubleStream Collectors", "import java.util.stream.*;\n"},
};

inline constexpr SettingForm java_settings[] = {
    {"locale", "    Locale.setDefault(Locale.forLanguageTag(@L));\n",
     "    Locale.setDefault(Locale.ROOT);\n"}};

inline constexpr ProgramForm java_program = {.before =
                                                 "import java.text.DecimalFormat;\n"
                                                 "import java.util.Locale;\n\n"
                                                 "class Main {\n"
                                                 "  public static void main(String[] arguments) {\n"
                                                 "    Locale.setDefault(Locale.ROOT);\n",
                                             .declaration = "    @T@N = @V;\n",
                                             .statement = "    @S\n",
                                             .after = "  }\n}\n",
                                             .types = java_program_types,
                                             .infinity = "Double.POSITIVE_INFINITY",
                                             .negative_infinity = "Double.NEGATIVE_INFINITY",
                                             .not_a_number = "Double.NaN",
                                             .unicode_first = true,
                                             .needed = java_needed,
                                             .settings = java_settings};

inline constexpr std::string_view java_pad_left =
    "  // Text with spaces before it, up to a width. Its columns are given: length() counts UTF-16 "
    "units.\n"
    "  static String padLeft(Object text, Object columns, int width) {\n"
    "    return \" \".repeat(Math.max(0, width - (int) columns)) + text;\n"
    "  }\n";
inline constexpr std::string_view java_pad_right =
    "  // Text with spaces after it, up to a width. Its columns are given: length() counts UTF-16 "
    "units.\n"
    "  static String padRight(Object text, Object columns, int width) {\n"
    "    return text + \" \".repeat(Math.max(0, width - (int) columns));\n"
    "  }\n";
inline constexpr std::string_view java_pad_center =
    "  // Text between spaces, up to a width. Its columns are given: length() counts UTF-16 "
    "units.\n"
    "  static String padCenter(Object text, Object columns, int width) {\n"
    "    int room = Math.max(0, width - (int) columns);\n"
    "    return \" \".repeat(room / 2) + text + \" \".repeat(room - room / 2);\n"
    "  }\n";

constexpr TableForm java_table(std::string_view before, std::string_view carrier = {},
                               std::string_view carried = {}) {
  return {
      .carrier = carrier,
      .carried = carried,
      .names = NameCase::camel,
      .before = before,
      .before_helpers = "class Main {\n",
      .pad_left = {"padLeft", "padLeft(@V, @C, @W)", {}, java_pad_left},
      .pad_right = {"padRight", "padRight(@V, @C, @W)", {}, java_pad_right},
      .pad_center = {"padCenter", "padCenter(@V, @C, @W)", {}, java_pad_center},
      .data = "  static final Object[][] ROWS = {\n@D  };\n",
      .indent = 4,
      .cell_name = "row[@I]",
      .main_open =
          "  public static void main(String[] arguments) {\n"
          "    Locale.setDefault(Locale.ROOT);\n",
      .main_close = "  }\n}\n",
      .main_indent = 4,
      .write = "System.out.print(@L);\n",
      .loop = "    for (Object[] row : ROWS) {\n@S    }\n",
      .loop_indent = 6,
      .part_function = "  static void printRow(Object[] row) {\n@S  }\n",
      .part_indent = 4,
      .part_call = "    for (int i = @A; i < @Z; ++i) printRow(ROWS[i]);\n",
      // A method, and the one that fills ROWS is one, has at most 65,535 bytes (JVMS 4.7.3).
      .most_cells = 5'000,
  };
}

inline constexpr RunForm java_run = {
    "java",      "JAVA", "default-jdk-headless",
    "Main.java", "",     "@ -Dfile.encoding=UTF-8 -Dstdout.encoding=UTF-8 Main.java"};

}  // namespace inky::inline v1
