#include "declarations.hpp"

#include <algorithm>
#include <utility>

namespace inky::inline v1 {

namespace {

// Words that a name may follow without being declared by them.
constexpr std::string_view no_types =
    "return else case goto throw new in delete do typedef using namespace sizeof alignof typeof";
// Words before a type that say nothing of it.
constexpr std::string_view no_part_of_a_type =
    "const static final volatile private public protected readonly constexpr register & extern "
    "inline";

}  // namespace

void Declarations::add(const std::string& name, std::string type, std::size_t depth) {
  if (entries_.size() == most_names) {
    // The oldest is forgotten.
    auto oldest = by_name_.find(entries_.front().name);
    oldest->second.pop_front();
    if (oldest->second.empty()) by_name_.erase(oldest);
    entries_.pop_front();
    ++forgotten_;
  }
  by_name_[name].push_back(forgotten_ + entries_.size());
  entries_.push_back({name, std::move(type), depth});
}

void Declarations::end(std::size_t depth) {
  while (!entries_.empty() && entries_.back().depth > depth) {
    auto last = by_name_.find(entries_.back().name);
    last->second.pop_back();
    if (last->second.empty()) by_name_.erase(last);
    entries_.pop_back();
  }
}

void Declarations::forget_all() {
  entries_.clear();
  by_name_.clear();
  forgotten_ = 0;
}

std::string Declarations::type_of(std::string_view name) const {
  const auto found = by_name_.find(std::string(name));
  if (found != by_name_.end()) return entries_[found->second.back() - forgotten_].type;
  std::string out;
  for (const Declarations* other : included_) {
    const std::string type = other->type_of(name);
    if (!out.empty() && !type.empty() && out != type) return {};
    if (!type.empty()) out = type;
  }
  return out;
}

std::size_t Declarations::depth_of(std::string_view name) const {
  const auto found = by_name_.find(std::string(name));
  return found == by_name_.end() ? 0 : entries_[found->second.back() - forgotten_].depth;
}

std::string Declarations::own_class() const {
  return bodies_.empty() ? std::string() : bodies_.back().name;
}

void Declarations::end_block(std::size_t blocks) {
  while (!linkages_.empty() && linkages_.back() > blocks) linkages_.pop_back();
  end(blocks - std::min(blocks, linkages_.size()));
}

void Declarations::see(const Token& token, const Place& place) {
  if (lexis_.types_come_first) {
    const bool was_extern_text = std::exchange(extern_text_, false);
    extern_text_ = token.kind == Token::Kind::text && words_.size() == 1 && words_[0] == "extern";
    if (was_extern_text && token.is_sign("{")) {
      linkages_.push_back(place.blocks + 1);
      words_.clear();
      return;
    }
    if (extern_text_) return;
    Place inner = place;
    inner.blocks -= std::min(inner.blocks, linkages_.size());
    see_type_first(token, inner);
  } else if (lexis_.types_come_last)
    see_type_last(token, place);
}

// Words, then a sign: `unsigned long count =`. Whatever looks so without being so names no type.
void Declarations::see_type_first(const Token& token, const Place& place) {
  constexpr std::size_t most_words = 6;
  // A line of a directive declares nothing, and ends nothing that it stands in.
  if (token.line_before || !begun_) in_directive_ = token.is_sign("#");
  begun_ = true;
  if (in_directive_) return;
  // int[] counts
  const Brackets brackets = std::exchange(brackets_, Brackets::none);
  if (token.is_sign("[") && lexis_.fields_are_names && !words_.empty()) {
    before_brackets_ = words_;
    brackets_ = Brackets::open;
  } else if (token.is_sign("]") && brackets == Brackets::open) {
    brackets_ = Brackets::closed;
  } else if (token.kind == Token::Kind::word && brackets == Brackets::closed) {
    words_ = std::move(before_brackets_);
    words_.emplace_back("*");
    array_.reset();
  }
  if (array_ && place.frames <= array_->place.frames) {
    if (token.is_sign("[")) {
      array_->type += '*';
      return;
    }
    const Array array = *std::exchange(array_, std::nullopt);
    declare(array.name, array.type, array.place);
  }
  // foreach (string lot in lots)
  const bool is_loop = !lexis_.loop_word.empty() && token.text == lexis_.loop_word &&
                       token.kind == Token::Kind::word && place.in_parentheses;
  if (is_loop) {
    take_words(token, place);
    words_.clear();
    return;
  }
  if (token.kind == Token::Kind::word) {
    const bool begins_statement = words_.empty() && has_word(no_types, token.text);
    if (words_.empty() && token.text == "typedef") typedef_blocks_ = place.blocks;
    if (!begins_statement && words_.size() < most_words) words_.push_back(token.text);
    return;
  }
  if (token.is_sign("*") || token.is_sign("&")) {
    // int a, *b: the second one is a pointer.
    if (!words_.empty() || (same_type_ && after_comma_)) words_.push_back(token.text);
    return;
  }
  if (token.is_sign("{") && begin_structure(place)) return;
  if (token.is_sign("}") && is_in_structure(place)) {
    if (bodies_.back().is_enumeration && words_.size() == 1)
      add(words_[0], "int", place.blocks - 1);
    end_structure(place);
    return;
  }
  // enum { one, two = 2 }: each is an int.
  if (is_in_structure(place) && bodies_.back().is_enumeration) {
    if (words_.size() == 1) add(words_[0], "int", place.blocks - 1);
    words_.clear();
    return;
  }
  const bool is_function = token.is_sign("(") && !place.in_parentheses && place.blocks == 0;
  const bool ends = token.is_sign("=") || token.is_sign(";") || token.is_sign(",") ||
                    token.is_sign(")") || token.is_sign("[") || token.is_sign(":");
  if (ends || is_function) take_words(token, place);
  if (token.is_sign(";") || token.is_sign("{") || token.is_sign("}")) same_type_ = false;
  after_comma_ = token.is_sign(",");
  // What a statement declares in parentheses ends with it: the parameters of a prototype, a loop's.
  if (token.is_sign(";") && !place.in_parentheses) {
    end(place.blocks);
    if (typedef_blocks_ == place.blocks) typedef_blocks_ = nowhere;
  }
  words_.clear();
}

bool Declarations::is_in_structure(const Place& place) const {
  return !bodies_.empty() && bodies_.back().blocks == place.blocks;
}

// struct lot {
bool Declarations::begin_structure(const Place& place) {
  const auto keyword = std::find_if(words_.begin(), words_.end(), [](const std::string& word) {
    return word == "struct" || word == "union" || word == "class" || word == "record" ||
           word == "enum";
  });
  if (keyword == words_.end() || bodies_.size() == most_bodies) return false;
  const auto size = words_.end() - keyword;
  // class Lot extends Stock {
  const bool is_heir = size > 3 && (keyword[2] == "extends" || keyword[2] == "implements");
  if (size > 2 && !is_heir) return false;
  bodies_.push_back({size > 1 ? keyword[1] : "#" + std::to_string(++nameless_), place.blocks + 1,
                     *keyword == "enum"});
  words_.clear();
  same_type_ = after_comma_ = false;
  return true;
}

// } name;
void Declarations::end_structure(const Place& place) {
  end(place.blocks - 1);
  words_ = {(bodies_.back().is_enumeration ? "enum " : "struct ") + bodies_.back().name};
  bodies_.pop_back();
  same_type_ = after_comma_ = false;
}

void Declarations::declare(const std::string& name, std::string type, const Place& place) {
  if (typedef_blocks_ == place.blocks && !place.in_parentheses) {
    types_.name_type(name, type);
  } else if (is_in_structure(place) && !place.in_parentheses) {
    types_.add_field(bodies_.back().name, name, type);
    if (lexis_.fields_are_names) add(name, std::move(type), place.blocks);
  } else {
    add(name, std::move(type), place.blocks + (place.in_parentheses ? 1 : 0));
  }
}

void Declarations::take_words(const Token& token, const Place& place) {
  const bool is_array = token.is_sign("[");
  std::size_t pointers = is_array ? 1 : 0;
  const auto put = [&](const std::string& name, const std::string& type) {
    if (is_array)
      array_ = Array{name, type, place};
    else
      declare(name, type, place);
  };
  const bool goes_on = same_type_ && after_comma_ && place.frames == shared_frames_ &&
                       std::all_of(words_.begin(), words_.end() - (words_.empty() ? 0 : 1),
                                   [](const std::string& word) { return word == "*"; });
  if (goes_on) {
    if (words_.empty() || words_.back() == "*" || words_.back() == "&" || token.is_sign("("))
      return;
    pointers += words_.size() - 1;
    put(words_.back(), shared_type_ + std::string(pointers, '*'));
    return;
  }
  if (words_.size() < 2 || words_.back() == "*" || words_.back() == "&") return;
  // sizeof(struct lot)
  const std::string& before = words_[words_.size() - 2];
  if (before == "struct" || before == "union" || before == "enum") return;
  const std::string name = words_.back();
  words_.pop_back();
  std::string type;
  for (std::size_t i = 0; i + 1 < words_.size(); ++i) {
    if (words_[i] == "struct" || words_[i] == "union") types_.add_tag(words_[i + 1]);
  }
  for (const std::string& word : words_) {
    if (word == "*")
      ++pointers;
    else if (!has_word(no_part_of_a_type, word))
      type += (type.empty() ? "" : " ") + word;
  }
  if (token.is_sign("(")) {
    if (bodies_.empty() && typedef_blocks_ == nowhere)
      types_.add_result(name, type + std::string(pointers, '*'));
    return;
  }
  same_type_ = !place.in_parentheses;
  shared_type_ = type;
  shared_frames_ = place.frames;
  put(name, type + std::string(pointers, '*'));
}

// Whether a variable's type is one of values that hold others: a list, an option.
bool Declarations::holds_others(std::string_view name) const {
  const auto found = by_name_.find(std::string(name));
  if (found == by_name_.end()) return false;
  const std::string& type = entries_[found->second.back() - forgotten_].type;
  return std::any_of(lexis_.types.begin(), lexis_.types.end(), [&](const TypeNameFact& fact) {
    return fact.name == type && (is_compound(fact.type) || fact.type == Type::some);
  });
}

// name: type. A name that is bound without one hides what it was before.
void Declarations::see_type_last(const Token& token, const Place& place) {
  const std::size_t depth = place.blocks + (place.in_parentheses ? 1 : 0);
  const std::string typed_last = std::exchange(typed_last_, {});
  if (token.kind == Token::Kind::word) {
    // A lifetime and a mark stand before a type or a name.
    if (token.text.empty() || token.text == "mut") return;
    if (has_word(lexis_.scope_words, token.text)) forget_all();
    // Some(name) may be a pattern that binds what the variable holds.
    if (!place.in_call && holds_others(token.text)) add(token.text, {}, place.blocks);
    if (words_.size() == 2) {
      add(words_[0], token.text, depth);
      typed_last_ = std::exchange(words_, {})[0];
      return;
    } else {
      words_ = {token.text};
      if (binds_) add(token.text, {}, depth);
    }
    binds_ = has_word(lexis_.binding_words, token.text);
    return;
  }
  binds_ = false;
  if (token.is_sign(":") && words_.size() == 1) {
    words_.emplace_back(":");
  } else if (words_.size() == 2 && token.is_sign("[")) {
    add(words_[0], "[]", depth);
    words_.clear();
  } else if (token.is_sign("|") && !typed_last.empty()) {
    // name: one | another
    add(typed_last, {}, depth);
  } else if (!(token.is_sign("&") && words_.size() == 2)) {
    if (token.is_sign("=") && words_.size() == 1 && !place.in_parentheses)
      add(words_[0], {}, depth);
    words_.clear();
  }
}

}  // namespace inky::inline v1
