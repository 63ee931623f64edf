// What a session displays by, as data.
#pragma once

#include <algorithm>
#include <array>
#include <bit>
#include <limits>
#include <string_view>

#include "../family/writing.hpp"
#include "arrays.hpp"
#include "composing.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::octave::display {

struct ModeFact {
  std::string_view word;  // in lower letters, without the blank that may stand in it
  std::string_view written;
  std::string_view meaning;
  Mode mode;
  int precision;  // 0: as it was
};

inline constexpr auto modes = std::to_array<ModeFact>({
    {"short", "format short", "5 significant digits", Mode::plain, 5},
    {"long", "format long", "16 significant digits", Mode::plain, most_precision},
    {"shortg", "format short g",
     "5 significant digits, zeros at the end left out, an exponent by size", Mode::general, 5},
    {"longg", "format long g", "as short g, of 16 digits", Mode::general, most_precision},
    {"shorte", "format short e", "5 significant digits with an exponent", Mode::scientific, 5},
    {"longe", "format long e", "16 significant digits with an exponent", Mode::scientific,
     most_precision},
    {"bank", "format bank", "two decimals", Mode::bank, 0},
    {"rat", "format rat", "a fraction near the number, in at most ten characters", Mode::rational,
     0},
    {"hex", "format hex", "the stored bits in hexadecimal", Mode::hexadecimal, 0},
});

inline constexpr auto modifiers = std::to_array<ModifierFact>({
    {"format", "the settings a session starts with: short, loose"},
    {modes[0].written, "5 significant digits"},
    {modes[1].written, modes[1].meaning},
    {modes[2].written, modes[2].meaning},
    {modes[3].written, modes[3].meaning},
    {modes[4].written, modes[4].meaning},
    {modes[5].written, modes[5].meaning},
    {modes[6].written, modes[6].meaning},
    {modes[7].written, modes[7].meaning},
    {modes[8].written, modes[8].meaning},
    {"format compact", "no blank lines around the headings of columns"},
    {"format loose", "blank lines around the headings of columns"},
    {"output_precision(n)", "n significant digits, 1 to 16"},
    {"fixed_point_format(true)", "a matrix shows one common factor, a power of ten"},
    {"x", "shows the value with its name"},
    {"x;", "shows nothing"},
    {"disp(x)", "shows the value without its name"},
    {"y = x", "keeps the value as y and shows it"},
    {"single(x)", "the nearest of another class: double, single, int8 to uint64, logical"},
});

inline constexpr auto escapes = std::to_array<EscapeFact>({
    {"''", "a single quote, between single quotes"},
    {"\\n", "a new line, between double quotes"},
    {"\\t", "a tab, between double quotes"},
    {"\\\"", "a double quote, between double quotes"},
    {"\\\\", "a backslash, between double quotes"},
});

inline constexpr auto failures = std::to_array<FailureFact>({
    {"a statement that cannot be read", "parse error, before any runs"},
    {"a name that has no value", "error: 'x' undefined"},
    {"an unknown format, a precision out of range", "error"},
    {"rows of a matrix that are not equally long", "error: vertical dimensions mismatch"},
});

inline constexpr DialectFacts facts = {
    .id = "octave-display",
    .language = "GNU Octave",
    .facility = "what a session displays, under its format",
    .standard = "GNU Octave manual, Basic Usage",
    .toolchain = "GNU Octave 7.3.0",
    .program = "octave-cli",
    .width_unit = WidthUnit::bytes,
    .rounding = {.rule = Rounding::half_even,
                 .basis = "the stored value, exactly, to decimals that all elements share",
                 .stored_value = false},
    .style = TemplateStyle::own,
    .letter_form = "",
    .places_form = "",
    .modifiers_are = "Statements",
    .quotes = "",
    .times = true,
    .forms = {.composing = &octave::composing},
    .conversions = {},
    .flags = {},
    .modifiers = modifiers,
    .escapes = escapes,
    .failures = failures,
};

struct ClassFact {
  std::string_view name;
  Type type;
};
inline constexpr auto classes = std::to_array<ClassFact>({
    {"double", Type::f64},
    {"single", Type::f32},
    {"int8", Type::i8},
    {"int16", Type::i16},
    {"int32", Type::i32},
    {"int64", Type::i64},
    {"uint8", Type::u8},
    {"uint16", Type::u16},
    {"uint32", Type::u32},
    {"uint64", Type::u64},
    {"logical", Type::truth},
});

struct ConstantFact {
  std::string_view name;
  double value;
};
inline constexpr auto constants = std::to_array<ConstantFact>({
    {"pi", 0x1.921fb54442d18p+1},
    {"e", 0x1.5bf0a8b145769p+1},
    {"eps", 0x1p-52},
    {"realmax", std::numeric_limits<double>::max()},
    {"realmin", std::numeric_limits<double>::min()},
    {"flintmax", 0x1p53},
    {"Inf", std::numeric_limits<double>::infinity()},
    {"inf", std::numeric_limits<double>::infinity()},
    {"NaN", std::numeric_limits<double>::quiet_NaN()},
    {"nan", std::numeric_limits<double>::quiet_NaN()},
    {"NA", std::bit_cast<double>(missing_bits)},
});

template <typename Facts>
auto find_fact(const Facts& all, std::string_view name) {
  const auto* found =
      std::find_if(all.begin(), all.end(), [&](const auto& fact) { return fact.name == name; });
  return found == all.end() ? nullptr : found;
}

// Functions that are often called by their name alone, and whose result is not known here.
inline constexpr std::string_view unknown_functions =
    "ans rand randn rande tic toc clock cputime time now date pwd version clc clear close figure "
    "who "
    "whos more hold computer getpid nproc ls cd exit quit input keyboard pause beep argv path home "
    "nargin nargout";

inline bool is_constant(std::string_view name) {
  return find_fact(constants, name) != nullptr || name == "true" || name == "false" ||
         name == "intmax" || name == "intmin";
}

}  // namespace inky::inline v1::octave::display
