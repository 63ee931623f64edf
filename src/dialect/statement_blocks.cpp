#include "dialect/statement_blocks.hpp"

#include <algorithm>

#include "dialect/lexis.hpp"
#include "dialect/statement_lines.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

namespace {

constexpr std::string_view control_words = "for while if foreach";

std::string_view trimmed(std::string_view text) {
  text.remove_prefix(std::min(text.find_first_not_of(statement_blanks), text.size()));
  return text.substr(0, text.find_last_not_of(statement_blanks) + 1);
}

// A walk over source that steps over comments and literals.
class Walk {
 public:
  Walk(const LanguageFacts& language, std::string_view source, std::size_t at)
      : lexis_(*language.lexis), form_(*language.expressions), source_(source), at_(at) {}

  std::size_t at() const { return at_; }
  bool at_end() const { return at_ >= source_.size(); }
  char peek() const { return at_end() ? '\0' : source_[at_]; }
  std::string_view rest() const { return source_.substr(std::min(at_, source_.size())); }

  void skip_blanks() {
    for (;;) {
      while (!at_end() && is_in(peek(), statement_blanks)) ++at_;
      if (!skip_comment()) return;
    }
  }
  std::string_view word() const {
    std::size_t end = at_;
    while (end < source_.size() && is_word_part(source_[end])) ++end;
    return source_.substr(at_, end - at_);
  }
  void move(std::size_t count) { at_ += count; }

  // One character, comment or literal.
  void step() {
    if (skip_comment()) return;
    const char c = source_[at_++];
    const bool is_quote = std::any_of(lexis_.quotes.begin(), lexis_.quotes.end(),
                                      [&](const QuoteFact& fact) { return fact.quote == c; });
    if (!is_quote) return;
    while (!at_end() && peek() != c) at_ += peek() == '\\' ? 2 : 1;
    at_ = std::min(at_ + 1, source_.size());
  }

  // Behind the bracket that closes the one here; false where none does.
  bool skip_brackets() {
    int depth = 0;
    do {
      if (is_in(peek(), "([{")) ++depth;
      if (is_in(peek(), ")]}")) --depth;
      step();
    } while (depth > 0 && !at_end());
    return depth == 0;
  }

  // Up to one of these outside of brackets; false where there is none.
  bool skip_to(std::string_view ends) {
    int depth = 0;
    while (!at_end()) {
      if (depth == 0 && is_in(peek(), ends)) return true;
      if (is_in(peek(), "([{")) ++depth;
      if (is_in(peek(), ")]}")) --depth;
      step();
    }
    return false;
  }

  bool skip_header(bool is_indented) {
    skip_blanks();
    if (is_indented) return skip_to(":\n") && peek() == ':';
    if (peek() == '(') return skip_brackets();
    return skip_to("{;\n") && peek() == '{';
  }

  // A block, another loop or condition, or one simple statement.
  bool skip_body(Span& body) {
    skip_blanks();
    if (peek() == ':') return false;
    if (peek() == '{') {
      body.from = at_ + 1;
      if (!skip_brackets()) return false;
      body.to = at_ - 1;
      return true;
    }
    body.from = at_;
    if (has_word(control_words, word())) {
      if (!skip_control()) return false;
    } else {
      while (!at_end() && !is_in(peek(), form_.ends) && peek() != '}') {
        const bool is_word = at_ > 0 && !is_word_part(source_[at_ - 1]);
        if (is_word && word() == "else") break;
        if (is_in(peek(), "([{")) {
          if (!skip_brackets()) return false;
        } else {
          step();
        }
      }
      // What ends it belongs to it, but for the end of a line before "else".
      if (peek() == ';') ++at_;
    }
    body.to = at_;
    return true;
  }

  // if (n > 1) { ... } else { ... }
  bool skip_control() {
    // One more than may be: that is reported when it is read.
    if (++depth_ > most_blocks + 1) return false;
    const bool good = skip_parts();
    --depth_;
    return good;
  }
  bool skip_parts() {
    const bool is_branch = word() == "if";
    move(word().size());
    Span body;
    if (!skip_header(false) || !skip_body(body)) return false;
    return !is_branch || skip_other(body);
  }
  bool skip_other(Span& other) {
    const std::size_t end = at_;
    skip_blanks();
    if (word() != "else") {
      at_ = end;
      other = {end, end};
      return true;
    }
    move(4);
    return skip_body(other);
  }

  // ---- Blocks by their indentation ----

  std::size_t indentation_at(std::size_t place) const {
    const std::size_t line = place == 0 ? std::string_view::npos : source_.rfind('\n', place - 1);
    return place - (line == std::string_view::npos ? 0 : line + 1);
  }

  // Behind the colon: the rest of the line, or the lines that stand further in.
  void skip_indented(std::size_t indentation, Span& body) {
    body.from = at_;
    const std::size_t line_end = std::min(source_.find('\n', at_), source_.size());
    const std::string_view line = trimmed(source_.substr(at_, line_end - at_));
    at_ = line_end;
    if (line.empty() || line.starts_with(lexis_.line_comments)) {
      while (!at_end()) {
        const std::size_t first = source_.find_first_not_of(" \t\r\n", at_);
        if (first == std::string_view::npos || indentation_at(first) <= indentation) break;
        at_ = std::min(source_.find('\n', first), source_.size());
      }
    }
    body.to = at_;
  }

 private:
  bool skip_comment() {
    if (!lexis_.block_open.empty() && rest().starts_with(lexis_.block_open)) {
      const std::size_t close = source_.find(lexis_.block_close, at_ + lexis_.block_open.size());
      at_ = close == std::string_view::npos ? source_.size() : close + lexis_.block_close.size();
      return true;
    }
    const std::string_view all = lexis_.line_comments;
    const std::string_view first = all.substr(0, std::min(all.find(' '), all.size()));
    if (first.empty() || !rest().starts_with(first)) return false;
    at_ = std::min(source_.find('\n', at_), source_.size());
    return true;
  }

  const Lexis& lexis_;
  const ExpressionForm& form_;
  std::string_view source_;
  std::size_t at_;
  int depth_ = 0;
};

// A form with an expression in the place of each {}.
std::string with_items(std::string_view form, std::string_view expression) {
  std::string out;
  for (std::size_t at = 0; at < form.size();) {
    const bool is_place = form.substr(at, 2) == "{}";
    if (is_place)
      out += expression;
    else
      out += form[at];
    at += is_place ? 2 : 1;
  }
  return out;
}

// The names in a pattern, [key, value] or {name, price}, and the items as what each of them gets.
// False where the language has no such patterns.
bool take_pattern(const ExpressionForm& form, std::string_view pattern, Control& out) {
  if (form.item_parts.empty()) return false;
  out.names.clear();
  for (std::size_t at = 0; at < pattern.size();) {
    std::size_t end = at;
    while (end < pattern.size() && (is_word_part(pattern[end]) || pattern[end] == '$')) ++end;
    if (end == at) {
      // Only plain names: no others by another name, none with a default.
      if (!is_in(pattern[at], "[]{}, \t\n")) return false;
      ++at;
      continue;
    }
    out.names.emplace_back(pattern.substr(at, end - at));
    at = end;
  }
  if (out.names.empty()) return false;
  std::string names;
  for (const std::string& name : out.names) (names += names.empty() ? "" : ", ") += name;
  if (out.names.size() > 1) names = "[" + names + "]";
  std::string items(form.item_parts);
  const auto put = [&](std::string_view sign, std::string_view text) {
    items.replace(items.find(sign), sign.size(), text);
  };
  put("{names}", names);
  put("{pattern}", pattern);
  put("{}", out.items);
  out.items = std::move(items);
  return true;
}

// "int i : items", "const x of items", "i in items", "$items as $x"
bool read_each(const ExpressionForm& form, std::string_view header, Control& out) {
  for (const std::string_view sign : {" in ", " of ", " as ", ":"}) {
    const std::size_t at = header.find(sign);
    const bool doubled = sign == ":" && at != std::string_view::npos && at + 1 < header.size() &&
                         header[at + 1] == ':';
    if (at == std::string_view::npos || doubled) continue;
    std::string_view name = trimmed(header.substr(0, at));
    std::string_view items = trimmed(header.substr(at + sign.size()));
    if (sign == " as ") std::swap(name, items);
    if (const std::size_t open = name.find('{'); sign == " of " && open != std::string_view::npos) {
      out.kind = Control::Kind::each;
      out.items = items;
      return take_pattern(form, name.substr(open), out);
    }
    // foreach ($prices as $name => $price)
    if (const std::size_t arrow = name.find("=>");
        sign == " as " && arrow != std::string_view::npos) {
      std::string_view key = trimmed(name.substr(0, arrow));
      if (key.starts_with('$')) key.remove_prefix(1);
      if (key.empty() || !std::all_of(key.begin(), key.end(), is_word_part)) return false;
      out.names.emplace_back(key);
      out.with_keys = true;
      name = trimmed(name.substr(arrow + 2));
    }
    // for (const [k, v] of entries)
    if (const std::size_t open = name.find('['); sign == " of " && open != std::string_view::npos) {
      if (!name.ends_with(']')) return false;
      name = name.substr(open + 1, name.size() - open - 2);
    }
    // for i, name in enumerate(names)
    while ((sign == " in " || sign == " of ") && name.find(',') != std::string_view::npos) {
      const std::size_t comma = name.find(',');
      out.names.emplace_back(trimmed(name.substr(0, comma)));
      name = trimmed(name.substr(comma + 1));
    }
    const bool are_words =
        std::all_of(out.names.begin(), out.names.end(), [](const std::string& one) {
          return !one.empty() && std::all_of(one.begin(), one.end(), is_word_part);
        });
    if (!are_words) return false;
    std::size_t from = name.size();
    while (from > 0 && is_word_part(name[from - 1])) --from;
    // Several names, or none.
    const bool is_plain =
        from < name.size() && name.find_first_of(",()=>") == std::string_view::npos;
    if (!is_plain) return false;
    out.kind = Control::Kind::each;
    out.names.emplace_back(name.substr(from));
    out.items = items;
    out.of_keys = sign == " in ";
    return !items.empty();
  }
  return false;
}

// items.forEach(x => ...): a loop, too. Nothing where it is none, or takes more than the item.
std::optional<Control> each_method_of(const LanguageFacts& language, std::string_view source,
                                      Span statement) {
  const std::string_view method =
      language.expressions == nullptr ? std::string_view() : language.expressions->each_method;
  if (method.empty()) return std::nullopt;
  Walk walk(language, source, statement.from);
  while (!walk.at_end() && !walk.rest().starts_with(method)) {
    if (is_in(walk.peek(), "([{")) {
      if (!walk.skip_brackets()) return std::nullopt;
    } else {
      walk.step();
    }
  }
  if (walk.at_end()) return std::nullopt;
  Control out;
  out.kind = Control::Kind::each;
  out.header = {statement.from, walk.at() + method.size()};
  out.items = trimmed(source.substr(statement.from, walk.at() - statement.from));
  Walk end = walk;
  end.move(method.size() - 1);
  if (!end.skip_brackets() || !trimmed(end.rest()).empty()) return std::nullopt;
  const std::size_t close = end.at() - 1;
  walk.move(method.size());
  walk.skip_blanks();
  const bool enclosed = walk.peek() == '(';
  if (enclosed) walk.move(1);
  if (enclosed && is_in(walk.peek(), "[{")) {
    const std::size_t from = walk.at();
    if (!walk.skip_brackets() ||
        !take_pattern(*language.expressions, source.substr(from, walk.at() - from), out))
      return std::nullopt;
  } else {
    out.names.emplace_back(walk.word());
    walk.move(walk.word().size());
  }
  walk.skip_blanks();
  // (item, place)
  const std::string_view pairs = language.expressions->item_pairs;
  if (enclosed && walk.peek() == ',' && !pairs.empty() && out.names.size() == 1) {
    walk.move(1);
    walk.skip_blanks();
    out.names.emplace_back(walk.word());
    walk.move(walk.word().size());
    walk.skip_blanks();
    out.items = with_items(pairs, out.items);
  } else if (out.names.size() == 1 && !language.expressions->each_items.empty()) {
    out.items = with_items(language.expressions->each_items, out.items);
  }
  if (enclosed && walk.peek() != ')') return std::nullopt;
  if (enclosed) walk.move(1);
  walk.skip_blanks();
  if (out.names.back().empty() || out.names[0].empty() || !walk.rest().starts_with("=>"))
    return std::nullopt;
  walk.move(2);
  walk.skip_blanks();
  out.body = {walk.at(), close};
  if (walk.peek() != '{') return out;
  Walk block = walk;
  if (!block.skip_brackets() || block.at() > close) return std::nullopt;
  out.body = {walk.at() + 1, block.at() - 1};
  return out;
}

}  // namespace

bool begins_control(const LanguageFacts& language, std::string_view source, std::size_t at) {
  const ExpressionForm* form = language.expressions;
  if (form == nullptr || form->blocks == Blocks::none) return false;
  const Walk walk(language, source, at);
  // Where names have a sign of their own, no other word is one.
  const bool has_signs = form->grammar != nullptr && !form->grammar->prefix_of_names.empty();
  return has_word(control_words, walk.word()) &&
         (has_signs || has_word(language.reserved, walk.word()));
}

std::optional<std::size_t> behind_control(const LanguageFacts& language, std::string_view source,
                                          std::size_t at) {
  if (!begins_control(language, source, at)) return std::nullopt;
  Walk walk(language, source, at);
  if (language.expressions->blocks == Blocks::braces)
    return walk.skip_control() ? std::optional(walk.at()) : std::nullopt;
  const std::size_t indentation = walk.indentation_at(at);
  for (;;) {
    const bool is_branch = walk.word() == "if" || walk.word() == "elif";
    walk.move(walk.word().size());
    if (!walk.skip_header(true)) return std::nullopt;
    walk.move(1);
    Span body;
    walk.skip_indented(indentation, body);
    const std::size_t end = walk.at();
    if (!is_branch) return end;
    walk.skip_blanks();
    const bool goes_on = (walk.word() == "elif" || walk.word() == "else") &&
                         walk.indentation_at(walk.at()) == indentation;
    if (!goes_on) return end;
  }
}

std::optional<std::size_t> behind_definition(const LanguageFacts& language, std::string_view source,
                                             std::size_t at) {
  Walk walk(language, source, at);
  const std::string_view word = walk.word();
  if (word.empty() || !has_word(language.expressions->block_words, word)) return std::nullopt;
  const std::size_t indentation = walk.indentation_at(at);
  walk.move(word.size());
  walk.skip_blanks();
  if (walk.word().empty()) return std::nullopt;
  if (language.expressions->blocks == Blocks::indented) {
    if (!walk.skip_header(true)) return std::nullopt;
    walk.move(1);
    Span body;
    walk.skip_indented(indentation, body);
    return walk.at();
  }
  const bool ends = walk.skip_to("{;") && walk.peek() == '{' && walk.skip_brackets();
  return ends ? std::optional(walk.at()) : std::nullopt;
}

std::optional<Control> control_of(const LanguageFacts& language, std::string_view source,
                                  Span statement) {
  source = source.substr(0, statement.to);
  if (auto each = each_method_of(language, source, statement)) return each;
  Walk walk(language, source, statement.from);
  const bool follows = walk.word() == "elif";
  if (!follows && !begins_control(language, source, statement.from)) return std::nullopt;
  const std::string_view word = walk.word();
  const bool is_indented = language.expressions->blocks == Blocks::indented;
  const std::size_t indentation = walk.indentation_at(statement.from);
  Control out;
  walk.move(word.size());
  walk.skip_blanks();
  const bool in_brackets = !is_indented && walk.peek() == '(';
  const std::size_t from = walk.at() + (in_brackets ? 1 : 0);
  if (!walk.skip_header(is_indented)) return std::nullopt;
  const std::string_view header =
      trimmed(source.substr(from, walk.at() - from - (in_brackets ? 1 : 0)));
  out.header = {statement.from, walk.at()};
  if (is_indented) {
    walk.move(1);
    walk.skip_indented(indentation, out.body);
  } else if (!walk.skip_body(out.body)) {
    return std::nullopt;
  }
  if (word == "while" || word == "if" || word == "elif") {
    out.kind = word == "while" ? Control::Kind::loop : Control::Kind::branch;
    out.condition = header;
    if (word == "while") return out;
    Span other;
    if (!is_indented) {
      if (!walk.skip_other(other)) return std::nullopt;
      if (other.to > other.from) out.other = other;
      return out;
    }
    walk.skip_blanks();
    if (walk.at_end() || walk.indentation_at(walk.at()) != indentation) return out;
    if (walk.word() == "elif") {
      out.other = Span{walk.at(), statement.to};
    } else if (walk.word() == "else") {
      walk.move(4);
      if (!walk.skip_header(true)) return std::nullopt;
      walk.move(1);
      walk.skip_indented(indentation, other);
      out.other = other;
    }
    return out;
  }
  // for (before; condition; after)
  std::vector<std::string_view> parts;
  Walk inner(language, header, 0);
  std::size_t start = 0;
  while (inner.skip_to(";")) {
    parts.push_back(trimmed(header.substr(start, inner.at() - start)));
    inner.move(1);
    start = inner.at();
  }
  if (parts.empty())
    return read_each(*language.expressions, header, out) ? std::optional(out) : std::nullopt;
  if (parts.size() != 2) return std::nullopt;
  out.kind = Control::Kind::loop;
  out.before = parts[0];
  out.condition = parts[1];
  out.after = trimmed(header.substr(start));
  return out;
}

}  // namespace inky::inline v1
