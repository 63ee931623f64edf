// The functions of R that look for texts in texts: sub, gsub, grepl, strsplit. A pattern is one
// whose characters stand for themselves; others are not supported yet.

#include <algorithm>

#include "dialect/lexis.hpp"
#include "expressions.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::r_language {

namespace {

using computed::Node;

// What the pattern looks for; nothing where it has more than plain characters, or escaped ones.
std::optional<std::string> plain_pattern(std::string_view pattern, bool fixed) {
  if (fixed) return std::string(pattern);
  std::string out;
  for (std::size_t at = 0; at < pattern.size(); ++at) {
    if (pattern[at] == '\\' && at + 1 < pattern.size() &&
        std::string_view(".[](){}*+?^$|\\").find(pattern[at + 1]) != std::string_view::npos) {
      out += pattern[++at];
      continue;
    }
    if (std::string_view(".[](){}*+?^$|\\").find(pattern[at]) != std::string_view::npos)
      return std::nullopt;
    out += pattern[at];
  }
  return out;
}

// The same of the text that comes in its place: a backslash refers to what was found.
std::optional<std::string> plain_replacement(std::string_view text, bool fixed) {
  if (!fixed && text.find('\\') != std::string_view::npos) return std::nullopt;
  return std::string(text);
}

bool is_fixed(const computed::Arguments& arguments, bool& known) {
  known = true;
  bool fixed = false;
  for (const auto& [key, value] : arguments.named) {
    if (key == "fixed" && value.is(Type::truth))
      fixed = value.as_whole() != 0;
    else
      known = false;
  }
  return fixed;
}

}  // namespace

bool Expressions::replace(const Node& node, std::string_view name, const Arguments& arguments,
                          Value& out) {
  const std::string called(name);
  const bool asks = name == "grepl";
  const bool begins = name == "startsWith" || name == "endsWith";
  bool known = false;
  const bool fixed = is_fixed(arguments, known) || begins;
  if (!known || arguments.size() != (asks || begins ? 2U : 3U))
    return not_yet(called + " with these arguments is", node);
  std::string pattern;
  std::string by;
  if (!take_text(node, arguments[begins ? 1 : 0], pattern)) return false;
  if (!asks && !begins && !take_text(node, arguments[1], by)) return false;
  const auto what = plain_pattern(pattern, fixed);
  const auto with = plain_replacement(by, fixed);
  if (!what || !with || what->empty()) return not_yet("a pattern such as this is", node);
  Items items;
  Mode mode = Mode::unknown;
  const Value& of = arguments[begins ? 0 : asks ? 1 : 2];
  if (!take_items(node, of, items, mode)) return false;
  for (Value& item : items) {
    if (item.is(Type::nil)) return not_yet(called + " of NA is", node);
    std::string text = as_character(item, mode);
    if (asks) {
      item = Value::truth(text.find(*what) != std::string::npos);
      continue;
    }
    if (begins) {
      item = Value::truth(name == "startsWith" ? text.starts_with(*what) : text.ends_with(*what));
      continue;
    }
    for (std::size_t at = text.find(*what); at != std::string::npos;
         at = text.find(*what, at + with->size())) {
      text.replace(at, what->size(), *with);
      if (text.size() > most_output) return over_limit("a text this long is over the limit", node);
      if (name == "sub") break;
    }
    item = Value::text(std::move(text));
  }
  out = vector_of(std::move(items));
  return true;
}

// strsplit(x, pattern), of one text: its parts.
bool Expressions::split(const Node& node, const Arguments& arguments, Items& out) {
  bool known = false;
  const bool fixed = is_fixed(arguments, known);
  std::string text;
  std::string pattern;
  if (!known || arguments.size() != 2) return not_yet("strsplit with these arguments is", node);
  if (!take_text(node, arguments[0], text) || !take_text(node, arguments[1], pattern)) return false;
  const auto what = plain_pattern(pattern, fixed);
  if (!what) return not_yet("a pattern such as this is", node);
  std::string_view rest = text;
  while (what->empty() && !rest.empty()) {
    const auto size = static_cast<std::size_t>(first_code_point(rest)->bytes);
    out.push_back(Value::text(std::string(rest.substr(0, size))));
    rest.remove_prefix(size);
  }
  while (!rest.empty()) {
    const std::size_t at = rest.find(*what);
    out.push_back(Value::text(std::string(rest.substr(0, at))));
    rest.remove_prefix(
        std::min(at == std::string_view::npos ? at : at + what->size(), rest.size()));
  }
  if (out.empty()) return not_yet("strsplit of nothing is", node);
  return true;
}

}  // namespace inky::inline v1::r_language
