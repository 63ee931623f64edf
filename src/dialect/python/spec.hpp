// The format specification of Python: [[fill]align][sign][z][#][0][width][group][.precision][type],
// and what numbers and text make of it.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "../family/braces.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::python {

struct FormatSpec : braces::Lead {
  bool no_negative_zero = false;
  std::int64_t width = unset;
  char group = 0;
  std::int64_t precision = unset;
  char32_t type = 0;  // 0: left out
  // Of the program, by whose marks the type n is written.
  std::string_view locale = {};
  // Why Python refuses it, whatever numbers or text it is for; empty: it does not.
  std::string defect;

  // Of the text it was read from: where each part begins, in the order above, and the end.
  static constexpr std::size_t part_count = 9;
  std::size_t starts[part_count + 1] = {};

  bool empty() const { return starts[part_count] == 0; }
};

FormatSpec read_spec(std::string_view text);

// The spec in neutral terms, for a real, a whole number or text as `natural` states.
Spec neutral(const FormatSpec& spec, Kind kind);

// Either a text, or what replaces it: an exception, or that we do not know yet.
struct Trouble {
  enum class Kind : std::uint8_t { none, exception, not_supported_yet, over_limit };
  Kind kind = Kind::none;
  std::string_view exception = {};  // its name
  std::string why = {};

  static Trouble raises(std::string_view name, std::string why) {
    return {Kind::exception, name, std::move(why)};
  }
  static Trouble not_yet(std::string what) {
    return {Kind::not_supported_yet, {}, std::move(what)};
  }
  static Trouble over_limit(std::int64_t number) {
    return {Kind::over_limit,
            {},
            "a width or precision of " + std::to_string(number) + " is over the limit of " +
                std::to_string(most_width)};
  }
};

// `digits` in groups, with zeros in front until there are `least` characters.
std::string grouped(std::string_view digits, std::int64_t least, char mark, int size);

// Appends format(value, spec). REQUIRES: a whole number, a truth value, a real, a text, a character
// or a complex number; a spec without a defect, whose width and precision are within the limit.
Trouble format_value(const FormatSpec& spec, const Value& value, WidthUnit unit, Output& out);

}  // namespace inky::inline v1::python
