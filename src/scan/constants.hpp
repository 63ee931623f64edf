// The names that a source gives to a text once and for all: `static final String LINE = "%d of %s"`.
#pragma once

#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

#include "lexer.hpp"

namespace inky::inline v1 {

class Constants {
 public:
  explicit Constants(const Lexis& lexis) : lexis_(lexis) {}

  struct Place {
    bool in_parentheses = false;
    std::size_t frames = 0;  // brackets of all kinds
    std::size_t blocks = 0;  // braces
  };
  // Every token, in order, before it opens or closes anything.
  void see(const Token& token, const Place& place);
  // A block is over; `blocks` of them are still open.
  void end_block(std::size_t blocks);

  struct Constant {
    std::vector<Literal> texts;  // none: given more than once and not alike, or no text
    std::string owner;           // the class that it stands in; empty: none
    std::size_t blocks = 0;
  };
  // Null where it is no constant whose text is known.
  const Constant* find(std::string_view name) const;

 private:
  static constexpr std::size_t most_constants = 4096;
  static constexpr std::size_t most_texts = 200;  // of one

  void begin_statement();
  void see_before(const Token& token, const Place& place);
  void see_text(const Token& token, const Place& place);
  void begin_text(const Place& place);
  bool ends_text(const Token& token, const Place& place) const;
  void finish();
  void forget(const std::string& name);
  void see_definition(const Token& token, const Place& place);
  static bool is_capital(std::string_view name);

  const Lexis& lexis_;
  std::unordered_map<std::string, Constant> by_name_;
  std::string class_name_;
  bool class_follows_ = false;

  // The statement so far.
  std::string name_;
  std::size_t words_ = 0;
  bool seen_constant_ = false;  // a word that makes it one
  bool is_constant_ = false;    // of the name itself, and not of what it points to
  bool is_array_ = false;
  bool changes_ = false;  // += and its like

  // The value.
  bool in_text_ = false;
  bool is_text_ = false;
  bool wants_text_ = false;
  std::size_t around_ = 0;  // parentheses about it
  Constant draft_;
  std::size_t frames_ = 0;

  // define("NAME", "text")
  int definition_ = 0;
};

}  // namespace inky::inline v1
