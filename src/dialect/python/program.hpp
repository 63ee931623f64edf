// What a program of Python is made of, whatever facility prints.
#pragma once

#include <array>

#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"
#include "dialect/table_form.hpp"

namespace inky::inline v1 {

inline constexpr auto python_program_types = std::to_array<TypeForm>({
    {Type::i32, ""},
    {Type::i64, ""},
    {Type::i128, ""},
    {Type::u32, ""},
    {Type::u64, ""},
    {Type::big, ""},
    {Type::f64, ""},
    {Type::text, ""},
    {Type::truth, ""},
    {Type::nil, "", "None"},
    {Type::fraction, "", "Fraction(\"@\")", "from fractions import Fraction\n"},
    {Type::decimal, "", "Decimal(\"@\")", "from decimal import Decimal\n"},
    {Type::moment, "", "datetime.fromisoformat(\"@\")", "from datetime import datetime\n",
     "datetime.fromisoformat(\"@\")", "datetime.fromisoformat(\"@i\").astimezone(ZoneInfo(\"@n\"))",
     "from zoneinfo import ZoneInfo\n"},
    {Type::date, "", "date.fromisoformat(\"@\")", "from datetime import date\n"},
    {Type::time, "", "time.fromisoformat(\"@\")", "from datetime import time\n"},
});

inline constexpr NeededLine python_needed[] = {{"math", "import math\n"}};

inline constexpr SettingForm python_settings[] = {{.name = "locale",
                                                   .line = "locale.setlocale(locale.LC_ALL, @L)\n",
                                                   .needs = "import locale\n",
                                                   .source = SettingForm::Source::c_library}};

inline constexpr ProgramForm python_program = {.before = "",
                                               .declaration = "@N = @V\n",
                                               .statement = "@S\n",
                                               .after = "",
                                               .types = python_program_types,
                                               .infinity = "float(\"inf\")",
                                               .negative_infinity = "-float(\"inf\")",
                                               .not_a_number = "float(\"nan\")",
                                               .truth = "True",
                                               .falsehood = "False",
                                               .control = ControlEscape::hexadecimal,
                                               .needed = python_needed,
                                               .settings = python_settings,
                                               .named_values = NamesPassed::by_name_only};

inline constexpr std::string_view python_pad_left =
    "# Text with spaces before it, up to a width. Its columns are given: len() counts code "
    "points.\n"
    "def pad_left(text, columns, width):\n"
    "    return \" \" * (width - columns) + text\n";
inline constexpr std::string_view python_pad_right =
    "# Text with spaces after it, up to a width. Its columns are given: len() counts code "
    "points.\n"
    "def pad_right(text, columns, width):\n"
    "    return text + \" \" * (width - columns)\n";
inline constexpr std::string_view python_pad_center =
    "# Text between spaces, up to a width. Its columns are given: len() counts code points.\n"
    "def pad_center(text, columns, width):\n"
    "    room = max(0, width - columns)\n"
    "    return \" \" * (room // 2) + text + \" \" * (room - room // 2)\n";

inline constexpr TableForm python_table = {
    .comment = "# ",
    .before = "",
    .pad_left = {"pad_left", "pad_left(@V, @C, @W)", {}, python_pad_left},
    .pad_right = {"pad_right", "pad_right(@V, @C, @W)", {}, python_pad_right},
    .pad_center = {"pad_center", "pad_center(@V, @C, @W)", {}, python_pad_center},
    .data = "rows = [\n@D]\n",
    .row_open = "(",
    .row_close = "),\n",
    .lone_row_close = ",),\n",
    .indent = 4,
    .cell_name = "@N",
    .lone_name_end = ",",
    .write = "print(@L, end=\"\")\n",
    .loop = "for @E in rows:\n@S",
    .loop_indent = 4,
    .part_function = "def print_rows(rows):\n    for @E in rows:\n@S",
    .part_indent = 8,
    .part_call = "print_rows(rows[@A:@Z])\n",
    .file_before = "import csv\n",
    .file_loop =
        "with open(@P, newline=\"\", encoding=\"utf-8-sig\") as file:\n"
        "    for row in csv.DictReader(file):\n@R@S",
    .read_text = "        @N = row[@L]\n",
    .read_whole = "        @N = int(row[@L])\n",
    .read_real = "        @N = float(row[@L])\n",
};

inline constexpr RunForm python_run = {"python3", "PYTHON", "python3",
                                       "main.py", "",       "@ -I -B main.py"};

}  // namespace inky::inline v1
