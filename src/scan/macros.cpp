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
  if (!is_text_) body_.clear();
  const auto [at, is_new] = texts_.emplace(name_, body_);
  const auto alike = [](const Literal& a, const Literal& b) { return a.body == b.body; };
  if (!is_new &&
      !std::equal(at->second.begin(), at->second.end(), body_.begin(), body_.end(), alike))
    at->second.clear();
}

const std::vector<Literal>* Macros::text(std::string_view name) const {
  const auto found = texts_.find(std::string(name));
  return found == texts_.end() || found->second.empty() ? nullptr : &found->second;
}

}  // namespace inky::inline v1
