#include "inky_margin/scan/scan.hpp"

#include <algorithm>
#include <cstring>
#include <string>
#include <utility>

#include "arguments.hpp"
#include "finder.hpp"
#include "lexer.hpp"
#include "literal.hpp"

namespace inky::inline v1 {

void Finder::include(const SourceFacts& facts) {
  declared_.include(facts.declared());
  macros_.include(facts.macros());
  for (const Include& one : facts.includes()) imports_.insert(one.name);
}

void Finder::run() {
  Token token;
  while (true) {
    lexer_.next(token);
    if (token.kind == Token::Kind::end) break;
    take(token);
  }
  end_insertions(0);
  while (!frames_.empty() && frames_.back().close.empty()) close_frame();
  flush();
}

void Finder::take(Token& token) {
  if (!frames_.empty() && frames_.back().close.empty() && !goes_on(token)) close_frame();
  if (token.kind == Token::Kind::text && token.literal.fills)
    for_each_slot(lexis_, token, [&](FoundCall call, const std::string& shown) {
      // A name alone may be declared.
      Given given = given_by(lexis_, {item_of_slot(shown)}, declared_);
      if (given.type && !call.given.values) {
        if (call.source->substr(0, 2) == "{x") given.name = "x";
        call.given.values = {std::move(given)};
      }
      report(std::move(call));
    });
  if (take_generics(token)) return;
  if (take_operand(token)) {
    last_word_ends_ = false;
    return;
  }
  if (!lexis_.arithmetic.empty()) macros_.see(token, frames_.size());
  declared_.see(token, {!frames_.empty() && frames_.back().close == ")", frames_.size(),
                        block_depth_, calls_open_ > 0});
  constants_.see(token,
                 {!frames_.empty() && frames_.back().close == ")", frames_.size(), block_depth_});
  if (lexis_.imports_of_names) take_import(token);
  switch (token.kind) {
    case Token::Kind::word:
      take_word(token);
      break;
    case Token::Kind::text:
      take_text(token);
      break;
    case Token::Kind::sign:
      take_sign(token);
      break;
    default:
      add(token);
      path_.clear();
      run_.clear();
      stage_ = Stage::none;
  }
  if (token.kind == Token::Kind::sign) last_sign_ = token.text;
  separated_ = token.is_sign(".") || token.is_sign("::") || token.is_sign("->");
  last_word_ends_ = token.kind == Token::Kind::word;
  operand_ended_ = token.is_sign(")") || token.is_sign("]");
}

bool Finder::is_operator_word(std::string_view word) {
  constexpr std::string_view words[] = {"return", "in",    "and",    "or",     "not",
                                        "if",     "else",  "yield",  "assert", "elif",
                                        "raise",  "while", "lambda", "is",     "await"};
  return std::find(std::begin(words), std::end(words), word) != std::end(words);
}

void Finder::take_word(Token& token) {
  // A macro of the source's own is none of the library.
  if (path_ == "macro_rules!" && own_macros_.size() < most_imports)
    own_macros_.insert(token.text + "!");
  if (separated_ && !path_.empty() && path_.size() < most_path) {
    path_ += '.';
    path_ += token.text;
  } else {
    // Behind a point, of whatever stands before it.
    path_ = (separated_ ? "." : "") + token.text;
    path_at_ = token.at;
  }
  const FormList found = forms_at(path_);
  // A receiver's method is known by the text before it.
  stage_ = stage_ == Stage::point && has(found, CallShape::receiver) ? Stage::method : Stage::none;
  if (stage_ == Stage::none) run_.clear();
  if (!insertions_ && has(found, CallShape::insertions)) begin_insertions(token, found);
  if (has_lists_ && !frames_.empty() && frames_.back().close == ")" &&
      frames_.back().arguments.empty() &&
      (has(found, CallShape::list) || has(found, CallShape::template_only))) {
    frames_.back().forms = found;
    frames_.back().arguments.emplace_back();
    return;
  }
  if (begins_run(token)) {
    run_ = {item_of(token)};
    run_at_ = path_at_;
    stage_ = Stage::text;
  }
  add(token);
  waits_for_text_ = has(found, CallShape::juxtaposed) ? found : FormList{};
}

void Finder::take_text(Token& token) {
  if (!waits_for_text_.empty()) {
    Frame frame;
    frame.forms = std::move(waits_for_text_);
    frame.at = path_at_;
    frame.arguments.emplace_back();
    waits_for_text_.clear();
    push(std::move(frame));
  }
  const bool begins_statement = lexis_.lines_end_statements && token.line_before && frames_.empty();
  if (stage_ != Stage::text || !lexis_.adjacent_texts_join || begins_statement) run_.clear();
  if (run_.empty()) run_at_ = token.at;
  if (run_.size() < most_items) run_.push_back(item_of(token));
  stage_ = Stage::text;
  add(token);
  path_.clear();
}

void Finder::take_sign(Token& token) {
  waits_for_text_.clear();
  const bool after_text = stage_ == Stage::text;
  if (token.is_sign("(") || token.is_sign("[") || token.is_sign("{")) {
    open_frame(token);
    return;
  }
  if (token.is_sign(")") || token.is_sign("]") || token.is_sign("}")) {
    close(token);
    return;
  }
  if (token.is_sign(".") && after_text) {
    stage_ = Stage::point;
    add(token);
    return;
  }
  if (token.is_sign("%") && after_text && !lexis_.percent_dialect.empty()) {
    operand_expected_ = true;
    add(token);
    return;
  }
  if (token.is_sign("!") && lexis_.bang_calls && last_word_ends_ && !token.space_before) {
    path_ += '!';
    add(token);
    return;
  }
  if (token.is_sign(";")) end_insertions(frames_.size());
  if (token.is_sign(",") && !has_lists_) {
    if (!frames_.empty() && !frames_.back().close.empty()) next_argument();
  } else {
    add(token);
  }
  if (!token.is_sign(".") && !token.is_sign("::") && !token.is_sign("->")) path_.clear();
  run_.clear();
  stage_ = Stage::none;
}

void Finder::take_import(const Token& token) {
  if (token.kind == Token::Kind::word) {
    importing_ = token.text == "import" || importing_;
  } else if (importing_ && (token.is_sign(";") || token.is_sign("*"))) {
    if (imports_.size() < most_imports) imports_.insert(path_ + (token.is_sign("*") ? ".*" : ""));
    importing_ = false;
  } else if (!token.is_sign(".")) {
    importing_ = false;
  }
}

bool Finder::take_generics(const Token& token) {
  constexpr std::string_view ends = ";{}";
  if (generics_open_ == 0) {
    const bool begins = token.is_sign("<") && separated_ && !path_.empty() &&
                        !lexis_.types_behind.empty() && last_sign_ == lexis_.types_behind;
    if (begins) generics_open_ = 1;
    return begins;
  }
  if (token.is_sign("<")) ++generics_open_;
  if (token.is_sign(">")) --generics_open_;
  if (token.kind == Token::Kind::sign && ends.find(token.text) != std::string_view::npos)
    generics_open_ = 0;
  return generics_open_ > 0 || token.is_sign(">");
}

bool Finder::take_operand(Token& token) {
  if (!operand_expected_) return false;
  operand_expected_ = false;
  stage_ = Stage::none;
  if (token.is_sign("(") || token.is_sign("{") || token.is_sign("[")) {
    Frame frame;
    frame.close = token.is_sign("(") ? ")" : token.is_sign("{") ? "}" : "]";
    frame.percent = true;
    frame.at = run_at_;
    frame.receiver = std::move(run_);
    run_.clear();
    push(std::move(frame));
    path_.clear();
    return true;
  }
  const bool is_literal = token.kind == Token::Kind::number || token.kind == Token::Kind::text ||
                          token.kind == Token::Kind::character;
  FoundCall call = call_of_receiver("%", lexis_.percent_dialect, run_, run_at_);
  // A name of a known type that nothing takes a part of.
  const bool is_declared = token.kind == Token::Kind::word && !operand_goes_on() &&
                           given_by(lexis_, {item_of(token)}, declared_).type.has_value();
  if (is_literal || is_declared)
    call.given.values = {given_by(lexis_, {item_of(token)}, declared_)};
  report(std::move(call));
  run_.clear();
  if (!is_literal) return false;
  add(token);
  path_.clear();
  return true;
}

// What a slot shows, where it is one name, one number or one text.
Item Finder::item_of_slot(const std::string& shown) const {
  Item out = word_item(shown);
  if (shown.empty()) return out;
  const auto is_digit = [](char c) { return c >= '0' && c <= '9'; };
  const auto is_of_number = [&](char c) { return is_digit(c) || c == '.' || c == '_'; };
  const auto quote =
      std::find_if(lexis_.quotes.begin(), lexis_.quotes.end(),
                   [&](const QuoteFact& fact) { return fact.quote == shown[0] && fact.is_text; });
  if (is_digit(shown[0]) && std::all_of(shown.begin(), shown.end(), is_of_number)) {
    out.kind = Item::Kind::number;
  } else if (quote != lexis_.quotes.end() && shown.size() > 1 &&
             shown.find(shown[0], 1) == shown.size() - 1) {
    out.kind = Item::Kind::text;
    out.literal.body = shown.substr(1, shown.size() - 2);
    out.literal.quote = quote->quote;
    out.literal.rule = quote->rule;
  }
  return out;
}

Item Finder::word_item(const std::string& word) {
  Item out;
  out.kind = Item::Kind::word;
  out.text = word;
  return out;
}

void scan(const SourceLanguage& language, std::span<const CallForm> calls, const ByteSource& source,
          const CallSink& sink, const Remarks* remarks,
          std::span<const SourceFacts* const> included) {
  const bool has_mark = remarks != nullptr && !remarks->mark.empty();
  Finder finder(*language.lexis, calls, source, sink, has_mark ? remarks : nullptr);
  for (const SourceFacts* one : included) finder.include(*one);
  finder.run();
}

void scan(const SourceLanguage& language, std::span<const CallForm> calls, std::string_view text,
          const CallSink& sink, const Remarks* remarks) {
  const ByteSource source = [&](char* into, std::size_t most) {
    const std::size_t count = std::min(most, text.size());
    std::memcpy(into, text.data(), count);
    text.remove_prefix(count);
    return count;
  };
  scan(language, calls, source, sink, remarks);
}

}  // namespace inky::inline v1
