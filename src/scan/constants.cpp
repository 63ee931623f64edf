#include "constants.hpp"

#include <algorithm>

namespace inky::inline v1 {

namespace {

constexpr std::string_view class_words = "class interface enum record struct trait object";

}  // namespace

bool Constants::is_capital(std::string_view name) {
  const auto is_capital = [](char c) { return c >= 'A' && c <= 'Z'; };
  return std::any_of(name.begin(), name.end(), is_capital) &&
         std::all_of(name.begin(), name.end(),
                     [&](char c) { return is_capital(c) || (c >= '0' && c <= '9') || c == '_'; });
}

const Constants::Constant* Constants::find(std::string_view name) const {
  if (by_name_.empty()) return nullptr;
  const auto found = by_name_.find(std::string(name));
  return found == by_name_.end() || found->second.texts.empty() ? nullptr : &found->second;
}

void Constants::end_block(std::size_t blocks) {
  std::erase_if(by_name_, [&](const auto& one) { return one.second.blocks > blocks; });
}

void Constants::begin_statement() {
  name_.clear();
  words_ = 0;
  seen_constant_ = is_constant_ = is_array_ = changes_ = false;
}

void Constants::see(const Token& token, const Place& place) {
  if (lexis_.constant_words.empty() && !lexis_.capitals_are_constant) return;
  if (in_text_) {
    see_text(token, place);
    if (in_text_) return;
  }
  if (!lexis_.constant_function.empty()) see_definition(token, place);
  const bool new_line = lexis_.lines_end_statements && token.line_before;
  if (new_line || token.is_sign(";") || token.is_sign("{") || token.is_sign("}")) begin_statement();
  see_before(token, place);
}

void Constants::see_before(const Token& token, const Place& place) {
  if (token.kind == Token::Kind::word) {
    if (class_follows_) class_name_ = token.text;
    class_follows_ = has_word(class_words, token.text);
    if (has_word(lexis_.constant_words, token.text))
      seen_constant_ = is_constant_ = true;
    else
      name_ = token.text;
    ++words_;
  } else if (token.is_sign("=") && !name_.empty() && !place.in_parentheses) {
    const bool by_word = is_constant_ || (is_array_ && seen_constant_);
    const bool by_name = lexis_.capitals_are_constant && words_ == 1 && is_capital(name_);
    if (changes_ || (words_ == 1 && !by_name))
      forget(name_);
    else if (by_word || by_name)
      begin_text(place);
    changes_ = false;
  } else if (token.is_sign("*")) {
    is_constant_ = false;
  } else if (token.is_sign("[")) {
    is_array_ = true;
  } else if (!token.is_sign("]") && token.kind == Token::Kind::sign) {
    changes_ = words_ == 1;
    if (token.is_sign("(")) name_.clear();
  }
}

// define("NAME", "text")
void Constants::see_definition(const Token& token, const Place& place) {
  switch (definition_) {
    case 1:
      definition_ = token.is_sign("(") ? 2 : 0;
      return;
    case 2:
      definition_ = token.kind == Token::Kind::text ? 3 : 0;
      if (definition_ == 3) name_ = token.literal.body;
      return;
    case 3:
      definition_ = 0;
      if (token.is_sign(",")) begin_text({false, place.frames, 0});
      return;
    default:
      definition_ =
          token.kind == Token::Kind::word && token.text == lexis_.constant_function ? 1 : 0;
  }
}

void Constants::begin_text(const Place& place) {
  in_text_ = is_text_ = wants_text_ = true;
  around_ = 0;
  frames_ = place.frames;
  draft_ = {{}, class_name_, place.blocks};
}

bool Constants::ends_text(const Token& token, const Place& place) const {
  if (place.frames > frames_) return false;
  return token.is_sign(";") || token.is_sign(",") || token.is_sign("}") || token.is_sign(")") ||
         (lexis_.lines_end_statements && token.line_before);
}

void Constants::see_text(const Token& token, const Place& place) {
  if (ends_text(token, place)) {
    finish();
    return;
  }
  const bool is_whole_text = token.kind == Token::Kind::text && !token.literal.fills;
  if (token.is_sign("(") && draft_.texts.empty() && around_ == place.frames - frames_) {
    ++around_;
  } else if (token.is_sign(")") && around_ > 0 && !wants_text_) {
    // What follows is no text.
  } else if (is_whole_text && (wants_text_ || lexis_.adjacent_texts_join) &&
             draft_.texts.size() < most_texts) {
    draft_.texts.push_back(token.literal);
    wants_text_ = false;
  } else if (!wants_text_ && !lexis_.join.empty() && token.is_sign(lexis_.join)) {
    wants_text_ = true;
  } else {
    is_text_ = false;
  }
}

void Constants::finish() {
  in_text_ = false;
  if (!is_text_ || wants_text_) draft_.texts.clear();
  if (by_name_.size() >= most_constants && !by_name_.contains(name_)) return;
  const auto [at, is_new] = by_name_.emplace(name_, draft_);
  const auto alike = [](const Literal& a, const Literal& b) { return a.body == b.body; };
  Constant& known = at->second;
  if (!is_new && !std::equal(known.texts.begin(), known.texts.end(), draft_.texts.begin(),
                             draft_.texts.end(), alike))
    known.texts.clear();
}

void Constants::forget(const std::string& name) {
  const auto found = by_name_.find(name);
  if (found != by_name_.end()) found->second.texts.clear();
}

}  // namespace inky::inline v1
