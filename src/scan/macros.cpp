#include "macros.hpp"

#include <algorithm>

namespace inky::inline v1 {

void Macros::see(const Token& token, std::size_t frames) {
  if (token.line_before && stage_ != Stage::outside) finish();
  switch (stage_) {
    case Stage::outside:
      if ((token.line_before || !begun_) && token.is_sign("#")) stage_ = Stage::hash;
      begun_ = true;
      return;
    case Stage::hash:
      stage_ = token.kind == Token::Kind::word && token.text == "define" ? Stage::define
                                                                         : Stage::outside;
      return;
    case Stage::define:
      name_ = token.text;
      frames_ = frames;
      has_parameters_ = false;
      is_text_ = true;
      tokens_ = 0;
      number_.clear();
      body_.clear();
      stage_ = token.kind == Token::Kind::word ? Stage::name : Stage::outside;
      return;
    case Stage::name:
      stage_ = Stage::body;
      if (token.is_sign("(") && !token.space_before) {
        has_parameters_ = true;
        is_text_ = false;
        return;
      }
      break;
    case Stage::body:
      break;
  }
  ++tokens_;
  number_ = token.kind == Token::Kind::number ? token.text : std::string();
  const bool is_in_parameters = has_parameters_ && frames > frames_;
  if (token.is_sign(",") && frames == frames_ && !is_in_parameters && several_.size() < most_macros)
    several_.insert(name_);
  is_text_ = is_text_ && token.kind == Token::Kind::text && body_.size() < most_texts;
  if (is_text_) body_.push_back(token.literal);
}

void Macros::finish() {
  const bool is_whole = stage_ == Stage::body || stage_ == Stage::name;
  stage_ = Stage::outside;
  if (!is_whole || (texts_.size() >= most_macros && !texts_.contains(name_))) return;
  const std::string number = tokens_ == 1 && !has_parameters_ ? number_ : std::string();
  const auto [known, is_first] = numbers_.emplace(name_, number);
  if (!is_first && known->second != number) known->second.clear();
  if (!is_text_) body_.clear();
  const auto [at, is_new] = texts_.emplace(name_, body_);
  if (!is_new && !alike(at->second, body_)) at->second.clear();
}

bool Macros::alike(const std::vector<Literal>& a, const std::vector<Literal>& b) {
  return std::equal(
      a.begin(), a.end(), b.begin(), b.end(),
      [](const Literal& one, const Literal& other) { return one.body == other.body; });
}

bool Macros::gives_several(std::string_view name) const {
  return several_.contains(std::string(name)) ||
         std::any_of(included_.begin(), included_.end(),
                     [&](const Macros* other) { return other->gives_several(name); });
}

bool Macros::is_defined(std::string_view name) const {
  return texts_.contains(std::string(name)) ||
         std::any_of(included_.begin(), included_.end(),
                     [&](const Macros* other) { return other->is_defined(name); });
}

std::string Macros::number(std::string_view name) const {
  const auto found = numbers_.find(std::string(name));
  if (found != numbers_.end()) return found->second;
  std::string out;
  for (const Macros* other : included_) {
    const std::string number = other->number(name);
    if (number.empty() && other->is_defined(name)) return {};
    if (!out.empty() && !number.empty() && out != number) return {};
    if (!number.empty()) out = number;
  }
  return out;
}

const std::vector<Literal>* Macros::text(std::string_view name) const {
  const auto found = texts_.find(std::string(name));
  if (found != texts_.end()) return found->second.empty() ? nullptr : &found->second;
  const std::vector<Literal>* out = nullptr;
  for (const Macros* other : included_) {
    if (!other->is_defined(name)) continue;
    const auto* const text = other->text(name);
    if (text == nullptr || (out != nullptr && !alike(*out, *text))) return nullptr;
    out = text;
  }
  return out;
}

}  // namespace inky::inline v1
