#include "chain_of_source.hpp"

#include <algorithm>

#include "stream_facts.hpp"

namespace inky::inline v1::cpp_stream {

namespace {

constexpr std::string_view unknown_name = "v_";

bool is_blank(char c) {
  return c == ' ' || c == '\t' || c == '\r' || c == '\n';
}
bool is_decimal(char c) {
  return c >= '0' && c <= '9';
}
bool is_word(char c) {
  return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || c == '_' || is_decimal(c);
}

// The byte behind a literal in quotes that begins here.
std::size_t end_of_literal(std::string_view text, std::size_t at) {
  const char quote = text[at];
  if (at > 0 && text[at - 1] == 'R' && quote == '"') {
    const std::size_t open = text.find('(', at);
    if (open == std::string_view::npos) return text.size();
    const std::string close = ")" + std::string(text.substr(at + 1, open - at - 1)) + "\"";
    const std::size_t end = text.find(close, open);
    return end == std::string_view::npos ? text.size() : end + close.size();
  }
  for (++at; at < text.size(); ++at) {
    if (text[at] == '\\') {
      ++at;
    } else if (text[at] == quote) {
      return at + 1;
    }
  }
  return text.size();
}

// A comment, or `at` where none begins here.
std::size_t end_of_comment(std::string_view text, std::size_t at) {
  const std::string_view mark = text.substr(at, 2);
  if (mark == "//") return std::min(text.find('\n', at), text.size());
  if (mark != "/*") return at;
  const std::size_t end = text.find("*/", at + 2);
  return end == std::string_view::npos ? text.size() : end + 2;
}

// Where the operand that begins here ends: before << outside of all brackets.
std::size_t end_of_operand(std::string_view text, std::size_t at) {
  std::size_t depth = 0;
  while (at < text.size()) {
    const char c = text[at];
    if (const std::size_t end = end_of_comment(text, at); end != at) {
      at = end;
    } else if (c == '"' || (c == '\'' && (at == 0 || !is_word(text[at - 1])))) {
      at = end_of_literal(text, at);
    } else if (depth == 0 && text.substr(at, 2) == "<<") {
      return at;
    } else {
      if (c == '(' || c == '[' || c == '{') ++depth;
      if ((c == ')' || c == ']' || c == '}') && depth > 0) --depth;
      ++at;
    }
  }
  return at;
}

// std::setw
bool is_name(std::string_view text) {
  if (text.empty() || is_decimal(text[0])) return false;
  for (std::size_t at = 0; at < text.size();) {
    if (text.substr(at, 2) == "::" && at + 2 < text.size()) {
      at += 2;
    } else if (is_word(text[at])) {
      ++at;
    } else {
      return false;
    }
  }
  return true;
}

bool is_number(std::string_view text) {
  if (text.starts_with('-') || text.starts_with('+')) text.remove_prefix(1);
  if (text.empty() || !(is_decimal(text[0]) || text[0] == '.')) return false;
  for (std::size_t at = 0; at < text.size(); ++at) {
    const bool is_sign = (text[at] == '-' || text[at] == '+') && at > 0 &&
                         std::string_view("eEpP").find(text[at - 1]) != std::string_view::npos;
    // A suffix of the program's own begins with a low line.
    if (text[at] == '_' || !(is_word(text[at]) || text[at] == '.' || text[at] == '\'' || is_sign))
      return false;
  }
  return true;
}

// Literals that stand one behind the other, none with a suffix.
bool is_literals(std::string_view text) {
  bool has_one = false;
  for (std::size_t at = 0; at < text.size();) {
    if (is_blank(text[at])) {
      ++at;
      continue;
    }
    if (const std::size_t end = end_of_comment(text, at); end != at) {
      at = end;
      continue;
    }
    std::size_t quote = at;
    while (quote < text.size() && is_word(text[quote])) ++quote;
    const std::string_view prefix = text.substr(at, quote - at);
    const bool is_prefix = prefix.empty() || prefix == "R" || prefix == "u8" || prefix == "L" ||
                           prefix == "u" || prefix == "U" || prefix == "LR" || prefix == "u8R" ||
                           prefix == "uR" || prefix == "UR";
    if (!is_prefix || quote == text.size() || (text[quote] != '"' && text[quote] != '\''))
      return false;
    at = end_of_literal(text, quote);
    if (at < text.size() && is_word(text[at])) {
      const std::string_view rest = text.substr(at);
      const bool is_next = rest[0] == 'R' || rest[0] == 'u' || rest[0] == 'L' || rest[0] == 'U';
      if (!is_next || rest.find_first_of("\"'") == std::string_view::npos) return false;
    }
    has_one = true;
  }
  return has_one;
}

void replace(std::string& out, std::size_t from, std::size_t to, std::vector<Span>& replaced) {
  replaced.push_back({from, to});
  for (std::size_t at = from; at < to; ++at) {
    if (out[at] != '\n') out[at] = ' ';
  }
  out.replace(from, unknown_name.size(), unknown_name);
}

std::string_view last_name(std::string_view name) {
  const std::size_t colons = name.rfind("::");
  return colons == std::string_view::npos ? name : name.substr(colons + 2);
}

const Manipulator* find_manipulator(std::string_view name) {
  const auto* const found =
      std::find_if(manipulators.begin(), manipulators.end(),
                   [&](const Manipulator& one) { return one.name == last_name(name); });
  return found == manipulators.end() ? nullptr : found;
}

void make_neutral(std::string& out, std::size_t from, std::size_t to, std::vector<Span>& replaced) {
  const std::string_view text = std::string_view(out).substr(from, to - from);
  if (is_name(text) || is_number(text) || is_literals(text)) return;
  const std::size_t open = text.find('(');
  const std::string_view name = text.substr(0, std::min(open, text.size()));
  const Manipulator* manipulator = is_name(name) ? find_manipulator(name) : nullptr;
  if (manipulator == nullptr || !manipulator->takes_argument || !text.ends_with(')')) {
    if (to - from >= unknown_name.size()) replace(out, from, to, replaced);
    return;
  }
  if (manipulator->takes_flags) return;
  const std::string_view argument = text.substr(open + 1, text.size() - open - 2);
  const bool is_known = is_name(argument) || is_number(argument) || is_literals(argument);
  if (!is_known && argument.size() >= unknown_name.size())
    replace(out, from + open + 1, to - 1, replaced);
}

}  // namespace

std::string chain_of_source(std::string_view chain, std::vector<Span>& replaced) {
  std::string out(chain);
  // The stream itself comes first.
  std::size_t at = end_of_operand(chain, 0);
  while (at < out.size()) {
    std::size_t from = at + 2;
    const std::size_t next = end_of_operand(out, std::min(from, out.size()));
    while (from < next) {
      const std::size_t end = end_of_comment(out, from);
      if (end == from && !is_blank(out[from])) break;
      from = std::max(end, from + 1);
    }
    std::size_t to = next;
    while (to > from && is_blank(out[to - 1])) --to;
    if (from < to) make_neutral(out, from, to, replaced);
    at = next;
  }
  return out;
}

}  // namespace inky::inline v1::cpp_stream
