// Loops and conditions among statements: where one ends, and what it is made of.
//
//   for (int i = 0; i < 3; i++) { printf("%d\n", i); }        if (n > 1) puts("lots"); else puts("lot");
//   for name in names: print(name)
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "dialect/language_facts.hpp"

namespace inky::inline v1 {

// The deepest that loops and conditions may nest.
inline constexpr int most_blocks = 16;
// The most cases of a choice.
inline constexpr std::size_t most_cases = 64;

struct Control {
  enum class Kind : std::uint8_t { loop, each, branch, choice };
  Kind kind = Kind::branch;
  std::string before;              // a statement that a loop begins with
  std::string condition;           // of a loop or a branch; empty: always
  std::string after;               // a statement that ends each round
  std::vector<std::string> names;  // that each item gets, or its parts
  std::string items;               // what they come from
  bool of_keys = false;            // the sign between them is "in"
  bool with_keys = false;          // each item comes with its key
  bool by_reference = false;       // what changes the name changes the item
  bool runs_first = false;         // a loop whose condition comes behind its body
  // Of a choice: what is compared with its condition, none for all others, and what follows then.
  struct Case {
    std::vector<std::string> values;
    bool falls_through = true;  // into the next one
    Span body;
  };
  std::vector<Case> cases;
  Span header;  // in the source
  Span body;
  std::optional<Span> other;  // of a branch
};

// Whether a loop or a condition may begin at a place of a source.
bool begins_control(const LanguageFacts& language, std::string_view source, std::size_t at);
// Where the loop or condition ends that begins at a place of a source; nothing where none begins
// there, or where the language has no form for them.
std::optional<std::size_t> behind_control(const LanguageFacts& language, std::string_view source,
                                          std::size_t at);
// The same of a definition whose block ends it: function f(x) { ... }
std::optional<std::size_t> behind_definition(const LanguageFacts& language, std::string_view source,
                                             std::size_t at);
// The parts of one that is a whole statement; nothing where a part is not understood.
std::optional<Control> control_of(const LanguageFacts& language, std::string_view source,
                                  Span statement);

}  // namespace inky::inline v1
