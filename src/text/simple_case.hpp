// Letters changed one by one, so that a text keeps its length in characters.
//
//   simple_case("Ink ROOM", Capitals::none)          // "ink room"
//   simple_case("Ink ROOM", Capitals::each_word)     // "Ink Room"
//
// Source: the simple case mappings of the Unicode Standard, 4.2, as utf8proc has them; a letter
// whose mapping does not lead back stays. A word is a run of letters and digits.
#pragma once

#include <cstdint>
#include <string>
#include <string_view>

namespace inky::inline v1 {

enum class Capitals : std::uint8_t { none, first_word, each_word, all };

// REQUIRES: UTF-8.
std::string simple_case(std::string_view text, Capitals capitals);

}  // namespace inky::inline v1
