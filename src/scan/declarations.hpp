// The names that are declared in a source with the name of a type, as far as blocks tell where.
#pragma once

#include <cstdint>
#include <deque>
#include <optional>
#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

#include "lexer.hpp"
#include "macros.hpp"
#include "types.hpp"

namespace inky::inline v1 {

class Declarations {
 public:
  // `macros`: of the same source; null where there are none.
  explicit Declarations(const Lexis& lexis, const Macros* macros = nullptr)
      : lexis_(lexis), macros_(macros), types_(lexis) {}

  // What is open where a token stands.
  struct Place {
    bool in_parentheses = false;
    std::size_t frames = 0;  // parentheses of all kinds
    std::size_t blocks = 0;  // braces
    bool in_call = false;    // one that takes a template
  };
  // Every token, in order, before it opens or closes anything.
  void see(const Token& token, const Place& place);
  // A block is over; `blocks` of them are still open.
  void end_block(std::size_t blocks);

  // Those of a source that this one includes.
  void include(const Declarations& other) {
    included_.push_back(&other);
    types_.include(other.types_);
  }

  // The name of a variable's type; empty where it has none that is known.
  std::string type_of(std::string_view name) const;
  // How many blocks and parentheses its declaration stands in; 0 where it has none.
  std::size_t depth_of(std::string_view name) const;
  // The number that a macro of this name is; empty where it is none.
  std::string number_of(std::string_view name) const {
    return macros_ == nullptr ? std::string() : macros_->number(name);
  }
  // The structure or class that is open; empty where none is, or it has no name.
  std::string own_class() const;
  const Types& types() const { return types_; }

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
  bool holds_others(std::string_view name) const;
  void take_words(const Token& token, const Place& place);
  void declare(const std::string& name, std::string type, const Place& place);
  bool begin_structure(const Place& place);
  void end_structure(const Place& place);
  bool is_in_structure(const Place& place) const;

  // The body of a structure: its name, and how many blocks are open in it.
  struct Body {
    std::string name;
    std::size_t blocks;
    bool is_enumeration = false;
  };
  static constexpr std::size_t most_bodies = 64;
  // char names[12][4]: declared when all its brackets are read.
  struct Array {
    std::string name;
    std::string type;
    Place place;
  };
  static constexpr std::size_t nowhere = static_cast<std::size_t>(-1);

  const Lexis& lexis_;
  const Macros* macros_;
  std::vector<const Declarations*> included_;
  Types types_;
  std::vector<Body> bodies_;
  std::optional<Array> array_;
  // extern "C" {: a block that is none, by how many were open in it.
  bool extern_text_ = false;
  std::vector<std::size_t> linkages_;
  bool begun_ = false;
  bool in_directive_ = false;
  std::size_t nameless_ = 0;              // structures without a name
  std::size_t typedef_blocks_ = nowhere;  // where a typedef has begun
  std::deque<Entry> entries_;
  // Where each name is declared, counted over all entries there ever were: the last one counts.
  std::unordered_map<std::string, std::deque<std::size_t>> by_name_;
  std::size_t forgotten_ = 0;       // entries, at the front
  std::vector<std::string> words_;  // those that stand before this token
  // The brackets of int[] counts, and the words before them.
  enum class Brackets : std::uint8_t { none, open, closed } brackets_ = Brackets::none;
  std::vector<std::string> before_brackets_;
  // int a, b: another name of the same type may follow.
  bool same_type_ = false;
  bool after_comma_ = false;
  std::string typed_last_;  // the name whose type was the token before
  bool binds_ = false;      // the next word is a new name
  std::string shared_type_;
  std::size_t shared_frames_ = 0;
};

}  // namespace inky::inline v1
