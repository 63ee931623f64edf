// Patterns of paths, as gitignore(5) of git 2.39 defines them: *.o, /build/, docs/**/x.c, !keep.c.
//
//   PathPatterns rules;
//   rules.add("src", "*.gen.c\n!room.gen.c\n");  // what src/.gitignore holds
//   rules.excludes("src/a/lot.gen.c", false)     // true
//   rules.excludes("src/room.gen.c", false)      // false
#pragma once

#include <bitset>
#include <cstdint>
#include <string>
#include <string_view>
#include <vector>

namespace inky::cli {

// One pattern, read once.
class PathPattern {
 public:
  explicit PathPattern(std::string_view text);

  // REQUIRES: a path without a slash at its beginning and end.
  bool matches(std::string_view path) const;
  bool is_negated() const { return is_negated_; }
  bool is_of_folders() const { return is_of_folders_; }

 private:
  enum class Kind : std::uint8_t { byte, any, many, folders, rest, set };
  struct Part {
    Kind kind = Kind::byte;
    char byte = 0;
    std::bitset<256> set;
  };

  void read(std::string_view text);
  std::size_t read_set(std::string_view text, std::size_t at);

  std::vector<Part> parts_;
  bool is_negated_ = false;
  bool is_of_folders_ = false;
  bool is_anchored_ = false;  // to the folder of its file, not to any folder below
  bool matches_nothing_ = false;
};

class PathPatterns {
 public:
  // The lines of a file of patterns. They are of what is below `folder`; empty: of every path.
  void add(std::string_view folder, std::string_view lines);
  // One pattern, of every path.
  void add_pattern(std::string_view pattern);

  // What the last pattern that matches says; false where none does. A file below a folder that is
  // excluded is excluded too: whoever walks does not enter that folder.
  bool excludes(std::string_view path, bool is_folder) const;

  std::size_t size() const { return rules_.size(); }
  // Takes back all but the first `size` patterns.
  void cut(std::size_t size) {
    rules_.erase(rules_.begin() + static_cast<std::ptrdiff_t>(size), rules_.end());
  }

 private:
  struct Rule {
    std::string folder;  // with a slash at its end, or empty
    PathPattern pattern;
  };
  std::vector<Rule> rules_;
};

}  // namespace inky::cli
