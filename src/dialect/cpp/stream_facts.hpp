// What insertion chains of C++ have, as data.
#pragma once

#include <array>
#include <cstdint>
#include <string_view>

#include "../family/writing.hpp"
#include "c/c.hpp"
#include "composing.hpp"
#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"
#include "dialect/table_form.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "program.hpp"

namespace inky::inline v1::cpp_stream {

// What a setting changes, and where it leaves it alone.
enum class What : std::uint8_t {
  width,
  fill,
  precision,
  side,      // 0: none of them, as at first
  notation,  // 0: general
  base,
  show_base,
  show_positive,
  show_point,
  uppercase,
  names_of_truth,
  nothing,
};
// Flags of a stream, and sets of them: a chain may set several of one group, as setf does.
// [ios.fmtflags], [facet.num.put.virtuals].
enum Side : std::uint8_t { no_side = 0, left_side = 1, right_side = 2, inner_side = 4 };
enum RealNotation : std::uint8_t { general = 0, fixed_places = 1, scientific = 2, hexadecimal = 3 };
enum Base : std::uint8_t { no_base = 0, decimal_base = 1, octal_base = 2, hexadecimal_base = 4 };
// Whether a setting takes the place of its group, is added to it, or is taken from it.
enum class How : std::uint8_t { replaces, adds, removes };

struct Manipulator {
  std::string_view name;
  What what;
  int to;  // for those with an argument: nothing
  bool takes_argument;
  std::string_view writes;
  std::string_view meaning;
  bool takes_flags = false;  // its argument is a set of flags
};

inline constexpr auto manipulators = std::to_array<Manipulator>({
    {"setw", What::width, 0, true, "", "the least width of the next value, and of no other"},
    {"setfill", What::fill, 0, true, "", "the character that pads"},
    {"setprecision", What::precision, 0, true, "",
     "significant digits of a real; places in fixed and scientific notation"},
    {"setbase", What::base, 0, true, "", "the base of whole numbers: 8, 10 or 16"},
    {"setiosflags", What::nothing, 0, true, "", "sets these flags, beside those that are set",
     true},
    {"resetiosflags", What::nothing, 0, true, "", "takes these flags away", true},
    {"left", What::side, left_side, false, "", "pads on the right"},
    {"right", What::side, right_side, false, "", "pads on the left"},
    {"internal", What::side, inner_side, false, "", "pads between sign or 0x and digits"},
    {"fixed", What::notation, fixed_places, false, "", "reals in fixed notation"},
    {"scientific", What::notation, scientific, false, "", "reals in scientific notation"},
    {"hexfloat", What::notation, hexadecimal, false, "",
     "reals in hexadecimal, whatever the precision"},
    {"defaultfloat", What::notation, general, false, "", "reals fixed or scientific by size"},
    {"dec", What::base, decimal_base, false, "", "whole numbers in base 10"},
    {"hex", What::base, hexadecimal_base, false, "", "whole numbers in base 16, two's complement"},
    {"oct", What::base, octal_base, false, "", "whole numbers in base 8, two's complement"},
    {"showbase", What::show_base, 1, false, "", "0x or 0 in front, except for zero"},
    {"noshowbase", What::show_base, 0, false, "", "no 0x, no 0 in front"},
    {"showpos", What::show_positive, 1, false, "",
     "a plus sign on numbers that are not negative, except for unsigned types"},
    {"noshowpos", What::show_positive, 0, false, "", "no plus sign"},
    {"showpoint", What::show_point, 1, false, "", "keeps the point, and zeros after it"},
    {"noshowpoint", What::show_point, 0, false, "", "drops the point where nothing follows"},
    {"uppercase", What::uppercase, 1, false, "", "upper letters in numbers"},
    {"nouppercase", What::uppercase, 0, false, "", "lower letters in numbers"},
    {"boolalpha", What::names_of_truth, 1, false, "", "true and false by name"},
    {"noboolalpha", What::names_of_truth, 0, false, "", "true and false as 1 and 0"},
    {"endl", What::nothing, 0, false, "\n", "a new line"},
    {"ends", What::nothing, 0, false, std::string_view("\0", 1), "the character of code 0"},
    {"flush", What::nothing, 0, false, "", "writes out what is held back"},
    {"unitbuf", What::nothing, 0, false, "", "writes out after each insertion"},
    {"nounitbuf", What::nothing, 0, false, "", "holds back what is inserted"},
    {"skipws", What::nothing, 0, false, "", "for reading: changes nothing that is printed"},
    {"noskipws", What::nothing, 0, false, "", "for reading: changes nothing that is printed"},
});

inline constexpr auto modifiers = [] {
  std::array<ModifierFact, manipulators.size()> out{};
  for (std::size_t i = 0; i < out.size(); ++i)
    out[i] = {manipulators[i].name, manipulators[i].meaning};
  return out;
}();

inline constexpr auto escapes = std::to_array<EscapeFact>({
    {"\\n", "a new line"},
    {"\\t", "a tab"},
    {"\\\"", "a double quote"},
    {"\\'", "a single quote"},
    {"\\\\", "a backslash"},
    {"\\a", "the bell"},
    {"\\b", "a backspace"},
    {"\\f", "a form feed"},
    {"\\r", "a carriage return"},
    {"\\v", "a vertical tab"},
    {"\\101", "the byte of this octal number, up to three digits"},
    {"\\x41", "the byte of this hexadecimal number"},
    {"\\u03a9", "the character of this code point; \\U takes eight digits"},
});

inline constexpr auto failures = std::to_array<FailureFact>({
    {"a name that is not declared", "error, when it is compiled"},
    {"a value that cannot be inserted: a list, a whole number of 128 bits",
     "error, when it is compiled"},
});

// Settings stay: each statement begins without those of the one before it.
inline constexpr TableForm own_table = cpp_table(
    "#include <iomanip>\n#include <iostream>\n#include <string>\n#include <string_view>\n\nusing "
    "namespace std;\n",
    "cout << @L;\n", "cout.copyfmt(ios(nullptr));");

inline constexpr SettingForm own_settings[] = {{.name = "locale",
                                                .line = "  cout.imbue(locale(@L));\n",
                                                .needs = "#include <locale>\n",
                                                .source = SettingForm::Source::c_library}};

inline constexpr ProgramForm own_program = cpp_program(
    "#include <iomanip>\n#include <iostream>\n#include <string>\n\nusing namespace std;\n\n"
    "int main() {\n",
    own_settings);

inline constexpr ComposingForm own_composing =
    cpp_composing("cpp-stream", "cout", "(std::ostringstream()@S).str()",
                  "#include <algorithm>\n#include <cctype>\n#include <cmath>\n#include <cstdio>\n"
                  "#include <cstdlib>\n#include <cstring>\n#include <sstream>\n"
                  "#include <string>\n#include <string_view>\n");

inline constexpr RunForm own_run = {
    "g++ c++ clang++", "CXX", "g++", "main.cpp", "@ -std=c++20 -w -o main main.cpp", "./main"};

inline constexpr DialectFacts facts = {
    .id = "cpp-stream",
    .language = "C++",
    .facility = "insertion into a stream",
    .standard = "ISO C++20, [ostream.formatted]",
    .toolchain = "g++ 12.2.0 with libstdc++",
    .program = "g++",
    .width_unit = WidthUnit::bytes,
    .rounding = {.rule = Rounding::half_even, .basis = "the stored value, exactly"},
    .style = TemplateStyle::own,
    .letter_form = "",
    .places_form = "cout << fixed << setprecision(N) << x",
    .modifiers_are = "Manipulators",
    .quotes = "",
    .times = true,
    .forms = {.program = &own_program,
              .run = &own_run,
              .table = &own_table,
              .composing = &own_composing,
              .line_split = {"", "\n    ", "", false, true}},
    .conversions = {},
    .flags = {},
    .modifiers = modifiers,
    .escapes = escapes,
    .failures = failures,
};

}  // namespace inky::inline v1::cpp_stream
