// What the macros of a source say of calls: those that stand for several arguments, and those that
// are a text.
#pragma once

#include <string>
#include <string_view>
#include <unordered_map>
#include <unordered_set>
#include <vector>

#include "lexer.hpp"

namespace inky::inline v1 {

class Macros {
 public:
  // Every token, in order; `frames`: how many brackets are open before it.
  void see(const Token& token, std::size_t frames);

  // After the last token.
  void end() {
    if (stage_ != Stage::outside) finish();
  }

  // Those of a source that this one includes.
  void include(const Macros& other) { included_.push_back(&other); }

  // #define PAIR(x) (x) & 0xff, (x) >> 8
  bool gives_several(std::string_view name) const;
  bool is_defined(std::string_view name) const;
  // #define MOST 17; empty where it is none, or defined twice and not alike.
  std::string number(std::string_view name) const;
  // #define LINE "%d of %s\n"; null where it is none, or defined twice and not alike.
  const std::vector<Literal>* text(std::string_view name) const;

 private:
  static constexpr std::size_t most_macros = 4096;
  static constexpr std::size_t most_texts = 64;  // of one

  enum class Stage : std::uint8_t { outside, hash, define, name, body };
  void finish();

  bool begun_ = false;
  Stage stage_ = Stage::outside;
  std::string name_;
  std::size_t frames_ = 0;
  bool has_parameters_ = false;
  bool is_text_ = false;
  std::size_t tokens_ = 0;  // of the body
  std::string number_;      // the last one in it
  std::vector<Literal> body_;
  static bool alike(const std::vector<Literal>& a, const std::vector<Literal>& b);

  std::vector<const Macros*> included_;
  std::unordered_set<std::string> several_;
  std::unordered_map<std::string, std::string> numbers_;         // empty: not known any more
  std::unordered_map<std::string, std::vector<Literal>> texts_;  // none: not known any more
};

}  // namespace inky::inline v1
