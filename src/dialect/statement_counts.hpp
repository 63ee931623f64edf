// Names that an expression counts: printf("%d\n", n++) and while (n-- > 0).
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "dialect/language_facts.hpp"

namespace inky::inline v1 {

// The most names that one expression counts: each is looked for in all of it.
inline constexpr std::size_t most_counts = 16;

struct Counts {
  struct One {
    std::string statement;  // n++
    bool comes_first = false;
  };
  std::string text;  // of the same length, with blanks for what counts
  std::vector<One> all;
};

// Nothing where an expression counts no name, or where it is not sure what it does: the name is in it
// twice, or what counts may not be evaluated.
std::optional<Counts> counts_in(const LanguageFacts& language, std::string_view text);

// The same of a statement, which is nothing where that is all it does: n++.
std::optional<Counts> counts_beside(const LanguageFacts& language, std::string_view statement);

}  // namespace inky::inline v1
