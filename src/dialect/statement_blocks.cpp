#include "dialect/statement_blocks.hpp"

#include <algorithm>

#include "dialect/lexis.hpp"
#include "dialect/statement_lines.hpp"
#include "dialect/statement_walk.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

namespace {

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
    // for (auto& x : items), foreach ($items as &$x)
    out.by_reference = sign != " in " && name.find('&') != std::string_view::npos &&
                       name.find("const") == std::string_view::npos;
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
    // foreach (var (name, price) in items), for (name, price) in &items, for &x in &items
    const std::size_t open = name.find('(');
    if (sign == " in " && open != std::string_view::npos && name.ends_with(')')) {
      const std::string_view before = trimmed(name.substr(0, open));
      if (before == "var" || before.empty() || before == "&")
        name = name.substr(open + 1, name.size() - open - 2);
    } else if (sign == " in " && name.starts_with('&')) {
      name = trimmed(name.substr(1));
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

// case 1: ... break;    default: ...    case 2 -> ...;
bool read_cases(const LanguageFacts& language, std::string_view source, Control& out) {
  Walk walk(language, source.substr(0, out.body.to), out.body.from);
  for (walk.skip_blanks(); !walk.at_end(); walk.skip_blanks()) {
    const bool is_case = walk.word() == "case";
    if (!is_case && walk.word() != "default") return false;
    Control::Case one;
    walk.move(walk.word().size());
    const std::size_t from = walk.at();
    // A colon that is no part of "::", or an arrow.
    for (bool found = false; !found;) {
      if (!walk.skip_to(":-?") || walk.peek() == '?') return false;
      const bool is_path = walk.rest().starts_with("::");
      found = walk.rest().starts_with("->") || (walk.peek() == ':' && !is_path);
      if (!found) walk.move(is_path ? 2 : 1);
    }
    one.falls_through = walk.peek() == ':';
    std::string_view values = trimmed(source.substr(from, walk.at() - from));
    if (is_case == values.empty()) return false;
    while (is_case) {
      const std::size_t comma = std::min(comma_in(values), values.size());
      one.values.emplace_back(trimmed(values.substr(0, comma)));
      if (comma == values.size()) break;
      values.remove_prefix(comma + 1);
    }
    walk.move(one.falls_through ? 1 : 2);
    if (!one.falls_through) {
      if (!walk.skip_body(one.body)) return false;
    } else {
      // Up to the next label, which is a word of this block.
      one.body.from = walk.at();
      for (walk.skip_blanks(); !walk.at_end(); walk.skip_blanks()) {
        if (walk.word() == "case" || walk.word() == "default") break;
        if (is_in(walk.peek(), "([{")) {
          if (!walk.skip_brackets()) return false;
        } else if (!walk.word().empty()) {
          walk.move(walk.word().size());
        } else {
          walk.step();
        }
      }
      one.body.to = walk.at();
    }
    out.cases.push_back(std::move(one));
    if (out.cases.size() > most_cases) return false;
  }
  return !out.cases.empty();
}

// 1 => ..., 2 | 3 => { ... } _ => ...,
bool read_arms(const LanguageFacts& language, std::string_view source, Control& out) {
  Walk walk(language, source.substr(0, out.body.to), out.body.from);
  for (walk.skip_blanks(); !walk.at_end(); walk.skip_blanks()) {
    Control::Case one;
    one.falls_through = false;
    const std::size_t from = walk.at();
    for (bool found = false; !found;) {
      if (!walk.skip_to("=")) return false;
      found = walk.rest().starts_with("=>");
      if (!found) walk.move(1);
    }
    std::string_view values = trimmed(source.substr(from, walk.at() - from));
    while (values != "_") {
      const std::size_t bar = std::min(values.find('|'), values.size());
      one.values.emplace_back(trimmed(values.substr(0, bar)));
      if (one.values.back().find_first_of("({& ") != std::string::npos) return false;
      if (bar == values.size()) break;
      values.remove_prefix(bar + 1);
    }
    walk.move(2);
    walk.skip_blanks();
    if (walk.peek() == '{') {
      one.body.from = walk.at() + 1;
      if (!walk.skip_brackets()) return false;
      one.body.to = walk.at() - 1;
      walk.skip_blanks();
    } else {
      one.body.from = walk.at();
      walk.skip_to(",");
      one.body.to = walk.at();
    }
    if (walk.peek() == ',') walk.move(1);
    out.cases.push_back(std::move(one));
    if (out.cases.size() > most_cases) return false;
  }
  return !out.cases.empty();
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
  if (word == "loop") {
    out.kind = Control::Kind::loop;
    out.header = {statement.from, walk.at()};
    return walk.skip_body(out.body) ? std::optional(out) : std::nullopt;
  }
  if (word == "do") {
    out.kind = Control::Kind::loop;
    out.runs_first = true;
    if (!walk.skip_body(out.body)) return std::nullopt;
    walk.skip_blanks();
    out.header.from = walk.at();
    walk.move(walk.word().size());
    walk.skip_blanks();
    const std::size_t open = walk.at() + 1;
    if (walk.peek() != '(' || !walk.skip_brackets()) return std::nullopt;
    out.header.to = walk.at();
    out.condition = trimmed(source.substr(open, walk.at() - 1 - open));
    return out;
  }
  const bool in_brackets = !is_indented && walk.is_enclosed();
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
  if (word == "match") {
    out.kind = Control::Kind::choice;
    out.condition = header;
    return read_arms(language, source, out) ? std::optional(out) : std::nullopt;
  }
  if (word == "switch") {
    out.kind = Control::Kind::choice;
    out.condition = header;
    return read_cases(language, source, out) ? std::optional(out) : std::nullopt;
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
