// A literal of a language as the template that its dialect reads: the same text, as it would stand
// in the usual quotes.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/scan/scan.hpp"
#include "lexer.hpp"

namespace inky::inline v1 {

// A template that is put together, and where its bytes come from.
struct Draft {
  std::string source;
  std::vector<PlaceMark> marks;
  std::string_view why_not;  // it cannot be: a sentence

  // Text that is in the source as it is, from this place on.
  void add_verbatim(std::string_view text, const Position& position);
  // Text that means something else there.
  void add_instead(std::string_view text, const Position& position);
};

void append(const Lexis& lexis, const Literal& literal, Draft& draft);

// A slot of a text that is filled in: a call of its own, and the expression that it shows, which
// the template has by the name of x, or as its first value.
using SlotUse = std::function<void(FoundCall call, const std::string& shown)>;

// Those that state how they show it.
void for_each_slot(const Lexis& lexis, const Token& token, const SlotUse& use);

}  // namespace inky::inline v1
