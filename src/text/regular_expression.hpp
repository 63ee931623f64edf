// Regular expressions, for the languages that have them: those of PCRE2, which Debian has.
#pragma once

#include <cstddef>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace inky::inline v1 {

struct PatternOptions {
  bool ignores_case = false;
  bool has_lines = false;    // ^ and $ are at each line
  bool dot_is_any = false;   // a dot is a new line, too
  bool ends_at_text = true;  // $ is not before a new line at the end
  bool missing_is_empty =
      false;  // a group that took no part matches nothing where it is asked again
};

// Where a group of a match is in the text; nothing where it took no part.
struct Group {
  std::size_t from = 0;
  std::size_t to = 0;
};

class RegularExpression {
 public:
  // Nothing, and `fault` set, where PCRE2 cannot read the pattern.
  static std::optional<RegularExpression> compile(std::string_view pattern,
                                                  const PatternOptions& options,
                                                  std::string& fault);

  enum class Found : unsigned char { no, yes, over_limit };
  // The first match in valid UTF-8 from a byte on: the groups, the whole of it first. `over_limit`:
  // it would take too long.
  Found find(std::string_view text, std::size_t from,
             std::vector<std::optional<Group>>& groups) const;

  // The names of groups, and their numbers.
  const std::vector<std::pair<std::string, std::size_t>>& names() const { return names_; }

 private:
  std::shared_ptr<const void> code_;
  std::vector<std::pair<std::string, std::size_t>> names_;
};

}  // namespace inky::inline v1
