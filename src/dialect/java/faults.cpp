#include "faults.hpp"

#include <algorithm>

#include "../family/percent.hpp"
#include "facts.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "times.hpp"

namespace inky::inline v1::java_language {

bool has_flag(const Field& field, char flag) {
  return percent::has_flag(facts, field, flag);
}

bool is_time_field(const Field& field) {
  return percent::parts_of(field).modifier != 0;
}

std::string letter_name(const Field& field) {
  std::string out = "%";
  if (is_time_field(field)) out += facts.modifiers[percent::parts_of(field).modifier].text;
  return out += field.letter;
}

namespace {

bool has_any_flag(const Field& field, std::string_view wanted) {
  return std::any_of(wanted.begin(), wanted.end(),
                     [&](char flag) { return has_flag(field, flag); });
}

Fault mismatch(const Field& field, char flag) {
  return {
      "FormatFlagsConversionMismatchException",
      std::string("the flag ") + in_quotes({&flag, 1}) + " does not go with " + letter_name(field)};
}

constexpr std::string_view missing_width = "MissingFormatWidthException";
constexpr std::string_view bad_precision = "IllegalFormatPrecisionException";
constexpr std::string_view bad_flags = "IllegalFormatFlagsException";

// n and %.
std::optional<Fault> fault_of_sign(const Field& field) {
  const bool other_flags = has_any_flag(field, "#+ 0,(<");
  if (field.precision.given()) return Fault{bad_precision, "it takes no precision"};
  if (field.letter == 'n') {
    if (field.width.given()) return Fault{"IllegalFormatWidthException", "%n takes no width"};
    if (percent::parts_of(field).flags != 0) return Fault{bad_flags, "%n takes no flags"};
    return std::nullopt;
  }
  if (other_flags) return Fault{bad_flags, "a percent sign takes no flag but -"};
  if (has_flag(field, '-') && !field.width.given())
    return Fault{missing_width, "the flag - needs a width"};
  return std::nullopt;
}

std::optional<Fault> fault_of_number(const Field& field, const ConversionFact& conversion) {
  if (!field.width.given() && has_any_flag(field, "-0"))
    return Fault{missing_width, "the flags - and 0 want a width"};
  if ((has_flag(field, '+') && has_flag(field, ' ')) ||
      (has_flag(field, '-') && has_flag(field, '0')))
    return Fault{bad_flags, "the flags + and space, and - and 0, exclude each other"};
  if (conversion.kind == Kind::whole && field.precision.given())
    return Fault{bad_precision, letter_name(field) + " takes no precision"};
  for (const char flag : {'(', '#', ','}) {
    if (has_flag(field, flag) && conversion.flags.find(flag) == std::string_view::npos)
      return mismatch(field, flag);
  }
  return std::nullopt;
}

std::optional<Fault> fault_of_text(const Field& field) {
  const char letter = small_letter(field.letter);
  if (letter == 'c' && field.precision.given())
    return Fault{bad_precision, letter_name(field) + " takes no precision"};
  if (letter != 's' && letter != 'c' && has_flag(field, '#')) return mismatch(field, '#');
  if (letter != 'c' && has_flag(field, '-') && !field.width.given())
    return Fault{missing_width, "the flag - needs a width"};
  for (const char flag : {'#', '+', ' ', '0', ',', '('}) {
    if (has_flag(field, flag) && !(flag == '#' && letter == 's')) return mismatch(field, flag);
  }
  if (has_flag(field, '-') && !field.width.given())
    return Fault{missing_width, "the flag - needs a width"};
  return std::nullopt;
}

std::optional<Fault> fault_of_time(const Field& field) {
  if (field.precision.given())
    return Fault{bad_precision, letter_name(field) + " takes no precision"};
  if (time_letters.find(field.letter) == std::string_view::npos)
    return Fault{"UnknownFormatConversionException", "there is no such part of a date or a time"};
  for (const char flag : {'#', '+', ' ', '0', ',', '('}) {
    if (has_flag(field, flag)) return mismatch(field, flag);
  }
  if (has_flag(field, '-') && !field.width.given())
    return Fault{missing_width, "the flag - needs a width"};
  return std::nullopt;
}

}  // namespace

std::optional<Fault> find_fault(const Field& field, std::string_view source) {
  const ConversionFact* conversion = percent::conversion_of(facts, field.letter);
  const std::size_t point = source.find('.');
  const bool lone_point =
      point != std::string_view::npos &&
      (point + 1 >= source.size() || source[point + 1] < '0' || source[point + 1] > '9');
  const bool is_letter = small_letter(field.letter) >= 'a' && small_letter(field.letter) <= 'z';
  const bool is_sign = is_time_field(field) && field.letter == '%';
  if (lone_point || (conversion == nullptr && !is_letter && !is_sign)) {
    return Fault{"UnknownFormatConversionException",
                 "this is not a field: a percent sign itself is written %%"};
  }
  if (field.position == 0)
    return Fault{"IllegalFormatArgumentIndexException", "positions count from 1"};
  if (percent::parts_of(field).repeats_flag)
    return Fault{"DuplicateFormatFlagsException", "a flag is written twice"};
  if (is_time_field(field)) return fault_of_time(field);
  if (conversion == nullptr) {
    return Fault{"UnknownFormatConversionException",
                 "there is no such letter; a percent sign itself is written %%"};
  }
  if (field.letter == 'n' || field.letter == '%') return fault_of_sign(field);
  if (conversion->kind == Kind::whole || conversion->kind == Kind::real)
    return fault_of_number(field, *conversion);
  return fault_of_text(field);
}

}  // namespace inky::inline v1::java_language
