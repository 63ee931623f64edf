#include "dialect/statement_lines.hpp"

#include <algorithm>

#include "dialect/lexis.hpp"
#include "dialect/statement_blocks.hpp"
#include "dialect/statement_locales.hpp"
#include "dialect/statement_names.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

namespace {

constexpr std::string_view blanks = statement_blanks;

class Splitter {
 public:
  Splitter(const LanguageFacts& language, std::string_view source)
      : language_(language),
        lexis_(*language.lexis),
        form_(*language.expressions),
        source_(source) {}

  // From a place on.
  std::vector<Span> split(std::size_t from = 0) {
    start_ = at_ = std::min(source_.find_first_not_of(blanks, from), source_.size());
    while (at_ < source_.size()) step();
    add(source_.size());
    return std::move(out_);
  }

 private:
  void step() {
    if (start_ == at_ && failed_ < most_failures && begins_control(language_, source_, at_)) {
      if (const auto end = behind_control(language_, source_, at_)) {
        end_at(*end);
        return;
      }
      ++failed_;
    }
    if (start_ == at_ && !form_.block_words.empty()) {
      if (const auto end = behind_definition(language_, source_, at_)) {
        end_at(*end);
        return;
      }
    }
    const char c = source_[at_];
    const std::string_view rest = source_.substr(at_);
    if (!lexis_.block_open.empty() && rest.starts_with(lexis_.block_open))
      return skip_comment(behind(lexis_.block_close, at_ + lexis_.block_open.size()));
    if (begins_line_comment(rest))
      return skip_comment(std::min(source_.find('\n', at_), source_.size()));
    if (is_quote(c)) return skip_literal(c);
    if (is_in(c, "([{")) ++depth_;
    if (is_in(c, ")]}")) --depth_;
    const bool is_directive_end = c == '\n' && source_.substr(start_).starts_with('#');
    const bool ends = depth_ == 0 && is_in(c, form_.ends) && (c != '\n' || line_ends());
    if (ends || is_directive_end) {
      add(at_);
      start_ = at_ + 1;
    }
    ++at_;
    // Blanks before a statement belong to none.
    while (start_ < source_.size() && start_ == at_ && is_in(source_[at_], blanks)) start_ = ++at_;
  }

  // A loop or a definition, behind which the next statement begins.
  void end_at(std::size_t end) {
    at_ = end;
    add(at_);
    at_ = std::min(source_.find_first_not_of(blanks, at_), source_.size());
    start_ = at_;
  }

  std::size_t behind(std::string_view sign, std::size_t from) const {
    const std::size_t found = source_.find(sign, std::min(from, source_.size()));
    return found == std::string_view::npos ? source_.size() : found + sign.size();
  }

  // A sign inside of a word begins none: a#b.
  bool begins_line_comment(std::string_view rest) const {
    const std::string_view all = lexis_.line_comments;
    const std::string_view first = all.substr(0, std::min(all.find(' '), all.size()));
    const char before = at_ > 0 ? source_[at_ - 1] : ' ';
    const bool is_inside = first == "#" && !is_in(before, " \t\r\n;)");
    return !first.empty() && rest.starts_with(first) && !is_inside && before != '\\';
  }

  // A comment is no part of a statement.
  void skip_comment(std::size_t end) {
    if (is_blank(start_, at_)) start_ = end;
    if (comment_ == 0) comment_ = at_;
    comment_end_ = end;
    at_ = end;
  }

  bool is_quote(char c) const {
    return std::any_of(lexis_.quotes.begin(), lexis_.quotes.end(),
                       [&](const QuoteFact& fact) { return fact.quote == c; });
  }

  // Whether the line that ends here has all of its statement: no operator is open on either side.
  bool line_ends() const {
    const std::size_t last = source_.find_last_not_of(blanks, at_);
    const std::size_t next = source_.find_first_not_of(blanks, at_);
    const bool is_open = last != std::string_view::npos && is_in(source_[last], ",+-*/%=<>|&\\.");
    const bool goes_on = next != std::string_view::npos && is_in(source_[next], ".|,)]}+*/");
    return !is_open && !goes_on;
  }

  void skip_literal(char quote) {
    const std::string three(3, quote);
    const bool is_triple = source_.substr(at_).starts_with(three);
    at_ += is_triple ? 3 : 1;
    while (at_ < source_.size()) {
      if (source_[at_] == '\\') {
        at_ += 2;
      } else if (is_triple ? source_.substr(at_).starts_with(three) : source_[at_] == quote) {
        at_ += is_triple ? 3 : 1;
        break;
      } else {
        ++at_;
      }
    }
    at_ = std::min(at_, source_.size());
  }

  bool is_blank(std::size_t from, std::size_t to) const {
    return std::min(source_.find_first_not_of(blanks, from), source_.size()) >= to;
  }

  void add(std::size_t end) {
    // A comment behind a statement is no part of it.
    if (comment_ > start_ && is_blank(comment_end_, end)) end = comment_;
    comment_ = 0;
    const std::size_t from = std::min(source_.find_first_not_of(blanks, start_), source_.size());
    while (end > from && is_in(source_[end - 1], blanks)) --end;
    if (from >= end) return;
    std::size_t word = from;
    while (word < end && (is_word_part(source_[word]) || source_[word] == '#')) ++word;
    if (has_word(form_.silent_words, source_.substr(from, word - from))) return;
    if (form_.is_silent != nullptr && form_.is_silent(source_.substr(from, end - from))) return;
    out_.push_back({from, end});
  }

  // Each that does not end is looked for to the end of the source.
  static constexpr int most_failures = 4;

  const LanguageFacts& language_;
  int failed_ = 0;
  const Lexis& lexis_;
  const ExpressionForm& form_;
  std::string_view source_;
  std::size_t at_ = 0;
  std::size_t start_ = 0;
  std::size_t comment_ = 0;  // the first in this statement; 0: there is none
  std::size_t comment_end_ = 0;
  int depth_ = 0;
  std::vector<Span> out_;
};

}  // namespace

std::vector<Span> statements_of(const LanguageFacts& language, std::string_view source,
                                std::size_t from) {
  const ExpressionForm* form = language.expressions;
  if (form == nullptr || form->ends.empty()) return {{from, source.size()}};
  return Splitter(language, source).split(from);
}

const Dialect* chain_dialect(const LanguageFacts& language, std::string_view statement) {
  if (language.expressions != nullptr && locale_step_of(*language.expressions, statement))
    return nullptr;
  std::size_t end = 0;
  while (end < statement.size() && (is_word_part(statement[end]) || statement[end] == ':')) ++end;
  const std::string_view path = statement.substr(0, end);
  const std::size_t next = std::min(statement.find_first_not_of(blanks, end), statement.size());
  const std::string_view rest = statement.substr(next);
  if (path.empty() || (!rest.starts_with("<<") && !rest.starts_with('.'))) return nullptr;
  for (const CallFact& call : language.calls) {
    if (call.shape == CallShape::insertions && is_called(call.name, path, language.expressions))
      return find_dialect(call.dialect);
  }
  return nullptr;
}

namespace {

// n += 2, n -= 2, n++, --n
std::optional<Declaration> change_of(const LanguageFacts& language, std::string_view statement) {
  const std::size_t from = std::min(statement.find_first_not_of(blanks), statement.size());
  const std::string_view prefix = language.expressions->grammar == nullptr
                                      ? std::string_view()
                                      : language.expressions->grammar->prefix_of_names;
  std::size_t at = from;
  const auto is_step = [&](std::size_t place) {
    const std::string_view two = statement.substr(std::min(place, statement.size()), 2);
    return language.expressions->counts && (two == "++" || two == "--");
  };
  const bool before = is_step(at);
  std::size_t sign = at;
  if (before) at += 2;
  if (statement.substr(std::min(at, statement.size())).starts_with(prefix)) at += prefix.size();
  const std::size_t name_from = at;
  while (at < statement.size() && is_word_part(statement[at])) ++at;
  Declaration out;
  out.name = statement.substr(name_from, at - name_from);
  if (out.name.empty() || !is_word_start(out.name[0])) return std::nullopt;
  out.changes = out.combines = true;
  at = std::min(statement.find_first_not_of(blanks, at), statement.size());
  if (!before) sign = at;
  const std::string name = std::string(prefix) + out.name;
  out.span = {from, statement.size()};
  if (before ? at == statement.size() : is_step(at) && at + 2 == statement.size()) {
    out.steps = true;
    out.expression = name + " " + statement[sign] + " 1";
    return out;
  }
  if (before) return std::nullopt;
  // The longest operator that an equals sign is behind.
  for (const std::string_view operation :
       {"**", "//", "<<", ">>", "+", "-", "*", "/", "%", "&", "|", "^", "."}) {
    const std::string_view rest = statement.substr(at);
    if (!rest.starts_with(operation) || rest.size() <= operation.size() + 1 ||
        rest[operation.size()] != '=' || rest[operation.size() + 1] == '=')
      continue;
    const std::string_view by = rest.substr(operation.size() + 1);
    out.operand = by;
    out.expression = name + " " + std::string(operation) + " (" + std::string(by) + ")";
    return out;
  }
  return std::nullopt;
}

}  // namespace

std::optional<Declaration> declaration_of(const LanguageFacts& language,
                                          std::string_view statement) {
  const ExpressionForm& form = *language.expressions;
  if (form.read_declarations != nullptr) {
    auto own = form.read_declarations(statement);
    if (own.size() == 1) return std::move(own[0]);
    if (!own.empty()) return std::nullopt;
  }
  if (form.read_declaration != nullptr) {
    if (auto own = form.read_declaration(statement)) return own;
  }
  if (auto changed = change_of(language, statement)) return changed;
  const std::size_t behind = behind_assignment(statement);
  if (behind == 0 || statement.starts_with("return ")) return std::nullopt;
  // "n = ", "n <- ": neither "n += " nor "n .= ".
  const bool is_arrow = statement[behind - 1] == '-';
  const std::size_t sign = behind - (is_arrow ? 2 : 1);
  if (sign == 0 || is_in(statement[sign - 1], "+-.*/%")) return std::nullopt;
  std::string_view before = statement.substr(0, sign);
  const auto trim = [](std::string_view& text) {
    text.remove_prefix(std::min(text.find_first_not_of(blanks), text.size()));
    text = text.substr(0, text.find_last_not_of(blanks) + 1);
  };
  trim(before);
  std::string_view type;
  // name: type
  if (const std::size_t colon = before.rfind(':');
      colon != std::string_view::npos && (colon == 0 || before[colon - 1] != ':')) {
    type = before.substr(colon + 1);
    before = before.substr(0, colon);
    trim(before);
    trim(type);
  }
  std::size_t from = before.size();
  while (from > 0 && is_word_part(before[from - 1])) --from;
  Declaration out;
  out.name = before.substr(from);
  if (out.name.empty() || !is_word_start(out.name[0])) return std::nullopt;
  // A member of something is no name, and neither is what a pointer points to.
  if (from > 0 && before[from - 1] == '.') return std::nullopt;
  if (form.declares_types && trimmed(before.substr(0, from)).starts_with('*')) return std::nullopt;
  out.is_reference = form.declares_types && from > 0 &&
                     before.substr(0, from).find('&') != std::string_view::npos &&
                     before.substr(0, from).find("const") == std::string_view::npos;
  std::string_view words = before.substr(0, from);
  std::string named_type(type);
  bool is_pointer = false;
  while (!words.empty()) {
    trim(words);
    const std::size_t size = std::min(words.find_first_of(" \t*&$[]<>,"), words.size());
    const std::string_view word = words.substr(0, size);
    if (!word.empty() && !has_word(form.modifiers, word))
      (named_type += named_type.empty() ? "" : " ") += word;
    is_pointer = is_pointer || (size < words.size() && is_in(words[size], "*&[<"));
    words.remove_prefix(std::min(size + 1, words.size()));
  }
  const std::size_t begin = std::min(statement.find_first_not_of(blanks, behind), statement.size());
  out.span = {begin, statement.size()};
  out.expression = statement.substr(begin);
  out.before = before.substr(0, from);
  out.changes = out.before.find_first_not_of(" \t\r\n$") == std::string::npos && type.empty();
  const std::string first_word = named_type.substr(0, named_type.find_first_of(" :"));
  const bool converts = form.declares_types && !named_type.empty() && !is_pointer &&
                        !named_type.starts_with('&') && !has_word(form.plain_types, first_word);
  if (!converts) return out;
  out.type = named_type;
  return out;
}

std::vector<Declaration> own_declarations(const ExpressionForm& form, std::string_view statement) {
  return form.read_declarations == nullptr ? std::vector<Declaration>()
                                           : form.read_declarations(statement);
}

std::optional<Declaration> change_by_method(std::string_view statement, std::string_view methods) {
  std::size_t at = 0;
  const auto read_word = [&] {
    const std::size_t from = at;
    while (at < statement.size() && is_word_part(statement[at])) ++at;
    return statement.substr(from, at - from);
  };
  Declaration out;
  out.name = read_word();
  if (out.name.empty() || !is_word_start(out.name[0]) || !statement.substr(at).starts_with('.'))
    return std::nullopt;
  ++at;
  const std::string_view method = read_word();
  const bool is_call = statement.substr(at).starts_with('(') && statement.ends_with(')');
  if (method.empty() || !has_word(methods, method) || !is_call) return std::nullopt;
  out.expression = statement;
  out.changes = out.in_place = true;
  out.span = {0, statement.size()};
  return out;
}

std::string cast_to(const ExpressionForm& form, const std::string& type,
                    const std::string& expression) {
  const std::string_view cast_word = form.grammar == nullptr ? "" : form.grammar->cast_word;
  return cast_word.empty() ? "(" + type + ")(" + expression + ")"
                           : "(" + expression + ") " + std::string(cast_word) + " " + type;
}

}  // namespace inky::inline v1
