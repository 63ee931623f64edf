// The names that are declared in a source with the name of a type, as far as blocks tell where.
#pragma once

#include <deque>
#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

#include "lexer.hpp"

namespace inky::inline v1 {

class Declarations {
 public:
  explicit Declarations(const Lexis& lexis) : lexis_(lexis) {}

  // What is open where a token stands.
  struct Place {
    bool in_parentheses = false;
    std::size_t frames = 0;  // parentheses of all kinds
    std::size_t blocks = 0;  // braces
  };
  // Every token, in order, before it opens or closes anything.
  void see(const Token& token, const Place& place);
  // A block is over; `blocks` of them are still open.
  void end_block(std::size_t blocks) { end(blocks); }

  // The name of a variable's type; empty where it has none that is known.
  std::string type_of(std::string_view name) const;

 private:
  static constexpr std::size_t most_names = 4096;
  struct Entry {
    std::string name;
    std::string type;
    std::size_t depth;
  };

  void add(const std::string& name, std::string type, std::size_t depth);
  void end(std::size_t depth);
  void forget_all();
  void see_type_first(const Token& token, const Place& place);
  void see_type_last(const Token& token, const Place& place);
  void take_words(const Token& token, const Place& place);

  const Lexis& lexis_;
  std::deque<Entry> entries_;
  // Where each name is declared, counted over all entries there ever were: the last one counts.
  std::unordered_map<std::string, std::deque<std::size_t>> by_name_;
  std::size_t forgotten_ = 0;       // entries, at the front
  std::vector<std::string> words_;  // those that stand before this token
  // int a, b: another name of the same type may follow.
  bool same_type_ = false;
  bool after_comma_ = false;
  bool binds_ = false;  // the next word is a new name
  std::string shared_type_;
  std::size_t shared_frames_ = 0;
};

}  // namespace inky::inline v1
