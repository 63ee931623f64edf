#include "learned_calls.hpp"

#include <algorithm>
#include <map>
#include <utility>

#include "text/ascii.hpp"

namespace inky::inline v1 {

namespace {

// A keyword or a type before parentheses is no function. A name in capitals is a macro.
bool may_be_function(const Lexis& lexis, std::string_view name) {
  constexpr std::string_view words =
      "return if else for while do switch case sizeof alignof typeof __typeof__ defined void "
      "static_assert _Static_assert catch operator decltype noexcept new delete throw";
  const bool is_type = std::any_of(lexis.types.begin(), lexis.types.end(),
                                   [&](const TypeNameFact& one) { return one.name == name; });
  const bool is_capital = name.size() > 1 && std::none_of(name.begin(), name.end(), [](char c) {
                            return c >= 'a' && c <= 'z';
                          });
  return !is_type && !is_capital && !has_word(words, name);
}

// More of an argument than a name is nothing that is handed on.
constexpr std::size_t most_tokens = 8;

// "format", "__format__", "G_GNUC_PRINTF", "__printflike": what an attribute or a macro for one is
// called.
bool names_format(std::string_view word) {
  std::string small(word);
  std::transform(small.begin(), small.end(), small.begin(), small_letter);
  return small == "format" || small == "__format__" || small.find("printf") != std::string::npos;
}

int small_number(const std::vector<Token>& argument) {
  if (argument.size() != 1 || argument[0].kind != Token::Kind::number) return unset;
  const std::string& text = argument[0].text;
  if (text.size() > 2 || text.find_first_not_of("0123456789") != std::string::npos) return unset;
  int out = 0;
  for (const char digit : text) out = out * 10 + (digit - '0');
  return out;
}

}  // namespace

void FunctionReader::run() {
  Token token;
  bool begun = false;
  bool in_directive = false;
  while (true) {
    lexer_.next(token);
    if (token.kind == Token::Kind::end) return;
    // What a macro stands for is no function of this file.
    if (token.line_before || !begun) in_directive = token.is_sign("#");
    begun = true;
    if (!in_directive) take(token);
  }
}

void FunctionReader::take(const Token& token) {
  if (token.is_sign("(")) {
    open(token);
  } else if (token.is_sign(")")) {
    close();
  } else if (calls_.empty() && token.is_sign("{")) {
    end_of_declarator(true);
    ++braces_;
  } else if (calls_.empty() && token.is_sign("}")) {
    if (braces_ > 0) --braces_;
    if (braces_ < body_) {
      body_ = 0;
      function_.reset();
    }
    end_of_declarator(false);
  } else if (calls_.empty() && token.is_sign(";")) {
    end_of_declarator(false);
  } else {
    if (calls_.empty() && token.kind == Token::Kind::word && token.text == "static")
      is_static_ = true;
    add_to_calls(token);
  }
  before_ = std::exchange(word_, token.kind == Token::Kind::word ? token.text : std::string());
  before_at_ = word_at_;
  word_at_ = token.at;
}

void FunctionReader::add_to_calls(const Token& token) {
  if (calls_.empty()) return;
  auto& arguments = calls_.back().arguments;
  if (token.is_sign(",")) {
    if (arguments.size() < most_parameters) arguments.emplace_back();
  } else if (arguments.back().size() < most_tokens) {
    arguments.back().push_back(token);
  }
}

void FunctionReader::open(const Token& token) {
  // Too deep to be followed: what is open is forgotten.
  if (calls_.size() == most_depth) calls_.clear();
  // An argument with parentheses in it is more than a name.
  if (!calls_.empty()) add_to_calls(token);
  calls_.push_back({word_, word_.empty() ? token.at : word_at_, {{}}, before_, before_at_});
}

void FunctionReader::close() {
  if (calls_.empty()) return;
  const Call call = std::move(calls_.back());
  calls_.pop_back();
  if (call.name.empty()) return;
  if (names_format(call.name) && call.arguments.size() >= 2) take_attribute(call);
  if (function_) {
    hand_on(call);
  } else if (calls_.empty()) {
    take_declarator(call);
  }
}

// format(printf, 1, 2), and macros of two numbers.
void FunctionReader::take_attribute(const Call& call) {
  const std::size_t count = call.arguments.size();
  const int values = small_number(call.arguments[count - 1]);
  const int at = small_number(call.arguments[count - 2]);
  if (at == unset || at == 0 || values == unset || count > 3) return;
  if (count == 3) {
    const auto& kind = call.arguments[0];
    const bool is_printf = kind.size() == 1 && kind[0].text.find("printf") != std::string::npos;
    if (!is_printf) return;
  }
  attribute_template_ = at;
  attribute_values_ = values;
}

void FunctionReader::take_declarator(const Call& call) {
  // Of an attribute behind the parameters, and of a macro for one, the function is before it.
  // asprintf(char **to, ...) is a function, and __printflike(1, 2) is none.
  const bool is_attribute =
      names_format(call.name) &&
      (call.arguments.size() < 2 || small_number(call.arguments.back()) != unset);
  // say PARAMS((const char *, ...)): a macro around the parameters.
  const bool is_capital =
      std::none_of(call.name.begin(), call.name.end(), [](char c) { return c >= 'a' && c <= 'z'; });
  if (!declared_ && is_capital && !call.before.empty() && may_be_function(lexis_, call.before)) {
    Function out;
    out.name = call.before;
    out.at = call.before_at;
    declared_ = std::move(out);
    return;
  }
  if (declared_ || is_attribute || call.name == "__attribute__" ||
      !may_be_function(lexis_, call.name))
    return;
  Function out;
  out.name = call.name;
  out.at = call.at;
  out.is_local = is_static_;
  for (const auto& argument : call.arguments) {
    if (argument.size() == 1 && argument[0].is_sign("...")) {
      out.is_variadic = true;
      continue;
    }
    std::string last;
    for (const Token& token : argument) {
      if (token.kind == Token::Kind::word) last = token.text;
      out.takes_list = out.takes_list || token.text == "va_list";
    }
    out.parameters.push_back(std::move(last));
  }
  declared_ = std::move(out);
}

void FunctionReader::end_of_declarator(bool begins_body) {
  if (declared_ && attribute_template_ > 0 && stated.size() < most_found)
    stated.push_back({declared_->name, attribute_template_ - 1, attribute_values_ > 0,
                      declared_->is_local, declared_->at});
  const bool hands_on = declared_ && (declared_->is_variadic || declared_->takes_list);
  if (begins_body && hands_on && !function_) {
    function_ = declared_;
    body_ = braces_ + 1;
  }
  declared_.reset();
  attribute_template_ = attribute_values_ = 0;
  is_static_ = false;
}

void FunctionReader::hand_on(const Call& call) {
  for (std::size_t i = 0; i < call.arguments.size(); ++i) {
    const auto& argument = call.arguments[i];
    if (argument.size() != 1 || argument[0].kind != Token::Kind::word) continue;
    const auto& names = function_->parameters;
    const auto found = std::find(names.begin(), names.end(), argument[0].text);
    if (found == names.end() || handed.size() >= most_found) continue;
    const auto parameter = static_cast<int>(found - names.begin());
    // Values follow the last one.
    const bool is_last = parameter + 1 == static_cast<int>(names.size());
    handed.push_back({function_->name, parameter, function_->is_variadic && is_last,
                      function_->is_local, call.name, static_cast<int>(i), function_->at});
  }
}

std::vector<Include> CallLearner::read(const SourceLanguage& language, std::size_t file,
                                       const ByteSource& source, bool is_header) {
  if (!learns(language)) return {};
  FunctionReader reader(*language.lexis, source);
  reader.run();
  // The attribute names printf.
  const auto form = std::find_if(language.calls.begin(), language.calls.end(),
                                 [](const CallForm& one) { return one.name == "printf"; });
  const std::string dialect = form == language.calls.end() ? std::string() : form->dialect;
  for (const auto& one : reader.stated)
    add({one.function, one.template_at, one.has_values, dialect, "its declaration", file, one.at},
        one.is_local && !is_header);
  for (const auto& one : reader.handed)
    relations_.push_back({{one.function, one.parameter, one.has_values, {}, one.to, file, one.at},
                          one.argument,
                          one.is_local && !is_header});
  return reader.includes();
}

bool CallLearner::learns(const SourceLanguage& language) {
  return language.lexis->format_macros;
}

bool CallLearner::add(LearnedCall call, bool is_local) {
  if (calls_.size() >= most_learned) return false;
  // One of a file stands before one of all files.
  const std::string key = (is_local ? std::to_string(call.file) : "") + " " + call.name;
  call.is_local = is_local;
  const auto [at, is_new] = by_name_.emplace(key, calls_.size());
  if (!is_new) return false;
  calls_.push_back(std::move(call));
  return true;
}

void CallLearner::finish(std::span<const CallForm> known) {
  std::map<std::pair<std::string, int>, std::string> takers;
  for (const CallForm& form : known)
    takers.emplace(std::pair(form.name, form.template_at), form.dialect);
  // The dialect of what it is handed on to; empty: that takes no template.
  const auto taken_by = [&](const Relation& one) -> std::string {
    const auto taker = takers.find({one.call.through, one.argument});
    if (taker != takers.end()) return taker->second;
    for (const std::string& file : {std::to_string(one.call.file), std::string()}) {
      const auto found = by_name_.find(file + " " + one.call.through);
      if (found == by_name_.end()) continue;
      const LearnedCall& call = calls_[found->second];
      return call.template_at == one.argument ? call.dialect : std::string();
    }
    return {};
  };
  for (int round = 0; round < most_rounds; ++round) {
    bool is_more = false;
    for (Relation& one : relations_) {
      // What is known already by its name is not learned anew.
      one.call.dialect = taken_by(one);
      if (!one.call.dialect.empty() && !takers.contains({one.call.name, one.call.template_at}))
        is_more = add(one.call, one.is_local) || is_more;
    }
    if (!is_more) break;
  }
  relations_.clear();
}

std::vector<CallForm> CallLearner::forms(const SourceLanguage& language, std::size_t file) const {
  std::vector<CallForm> out;
  if (!learns(language)) return out;
  for (const LearnedCall& one : calls_) {
    if (one.is_local && one.file != file) continue;
    CallForm form;
    form.name = one.name;
    form.dialect = one.dialect;
    form.template_at = one.template_at;
    form.shape = one.has_values ? CallShape::arguments : CallShape::template_only;
    out.push_back(std::move(form));
  }
  return out;
}

}  // namespace inky::inline v1
