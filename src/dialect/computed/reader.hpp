// Reads an expression by a grammar; numbers and texts are the language's own to read.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "grammar.hpp"
#include "inky_margin/format/template.hpp"
#include "tree.hpp"

namespace inky::inline v1::computed {

class Reader {
 public:
  virtual ~Reader() = default;
  Reader(const Reader&) = delete;
  Reader& operator=(const Reader&) = delete;

  // An expression of operators of this level and tighter ones, as far as it goes. False where there
  // is none; then refusal() has the reason.
  bool read(Node& node, int level = 0);

  std::size_t at() const { return at_; }
  void move_to(std::size_t at) { at_ = at; }
  const std::optional<Refusal>& refusal() const { return refusal_; }

 protected:
  // Reads `source` from `at` on. The source outlives it.
  Reader(const Grammar& grammar, std::string_view source, std::size_t at)
      : grammar_(grammar), source_(source), at_(at) {}

  // A constant, or a form of the language's own. Nothing where none begins here; else whether it
  // was read.
  virtual std::optional<bool> read_own(Node& node) = 0;
  // The name of a type that a value is cast to, in parentheses before it: moves behind them.
  // Nothing where no cast begins here.
  virtual std::optional<std::string> read_cast() { return std::nullopt; }
  virtual bool begins_name(char c) const;
  // What is behind the opening bracket of an index, and the closing one. `node` is an item, and has
  // what is indexed.
  virtual bool read_index(Node& node, std::size_t start);
  // What may follow an item of a list or an argument.
  virtual bool read_behind_item(Node&) { return true; }
  // Whether an argument begins here, behind a blank, where functions stand before theirs: f x y.
  virtual bool begins_argument() const { return false; }
  // Between tokens.
  virtual void skip_blanks();
  // How the language refuses what is no expression of it.
  virtual std::string_view syntax_fault() const = 0;

  // Always false. The first refusal stays; it reaches from `from` to here.
  bool refuse(Refusal::When when, std::string as, std::string why, std::size_t from);
  bool syntax_error(std::string why, std::size_t from);
  // "bitwise operators are"
  bool not_yet(std::string what, std::size_t from);

  bool at_end() const { return at_ >= source_.size(); }
  // A NUL at the end, too.
  char peek(std::size_t further = 0) const {
    return at_ + further < source_.size() ? source_[at_ + further] : '\0';
  }
  bool starts_with(std::string_view text) const {
    return source_.substr(std::min(at_, source_.size())).starts_with(text);
  }
  std::string_view read_word();
  bool close(char bracket, std::size_t start);
  // Expressions up to a bracket, separated by commas.
  bool read_list(Node& node, char bracket, std::size_t start);

  const Grammar& grammar_;
  std::string_view source_;
  std::size_t at_;
  // (a + b), and tuples.
  bool read_enclosed(Node& node);

 private:
  bool read_operand(Node& node, int level);
  bool read_postfix(Node& node);
  bool read_applied(Node& node);
  bool read_type_arguments(Node& node);
  bool read_primary(Node& node);
  bool read_braces(Node& node);
  bool read_argument(Node& call);
  bool read_condition(Node& node, int level);
  bool read_name(Node& node);
  const OperatorFact* find_operator(std::span<const OperatorFact> among) const;
  bool join(Node& left, const OperatorFact& operation);
  // Of x |> f and f <| x.
  static void apply_last(Node& function, Node&& argument);

  std::optional<Refusal> refusal_;
  int depth_ = 0;
};

// Moves what is read so far under a new node.
void wrap(Node& node, Node::Kind kind);

}  // namespace inky::inline v1::computed
