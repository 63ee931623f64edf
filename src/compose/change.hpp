// One change of a composed text.
#pragma once

#include <cstddef>
#include <cstdint>
#include <string>
#include <string_view>

#include "dialect/composing_form.hpp"

namespace inky::inline v1 {

enum class ChangeKind : std::uint8_t {
  zeros,
  marks,
  sign,
  behind,
  inside,
  pad,
  cut,
  percent,
  engineering,
  thousands,  // chooses among texts
  plain,
  compact,
  kept_compact,
  in_base,      // makes the text
  hexadecimal,  // makes the text
  shortest,     // makes the text
  upper,
  truth,  // makes the text
};

struct Change {
  ChangeKind kind;
  std::size_t count = 0;      // zeros, inside, pad, cut, compact; the base
  Align align = Align::left;  // pad
  // marks: the mark; sign: plus; behind: what is there; inside: prefix; pad: what fills it
  std::string first = {};
  std::string second = {};  // marks: the point; sign: open; inside: what fills it
  std::string third = {};   // sign: close
};

// How a language writes it.
const ChangeForm& form_of(const ComposingForm& form, const Change& change);
// What it makes of a text.
std::string changed(const Change& change, const std::string& text, WidthUnit unit);

}  // namespace inky::inline v1
