// What programs do with regular expressions: ECMA-262, 22.2 and 22.1.3.

#include <algorithm>

#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "evaluator.hpp"
#include "patterns.hpp"
#include "text/ascii.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::javascript {

namespace {

using Groups = std::vector<std::optional<Group>>;

Datum group_text(std::string_view text, const std::optional<Group>& group) {
  return group ? Datum::of_text(std::string(text.substr(group->from, group->to - group->from)))
               : Datum();
}

}  // namespace

bool Evaluator::construct_pattern(const Node& node, const std::vector<Datum>& arguments,
                                  Datum& out) {
  out = Datum::of_kind(DatumKind::pattern);
  const bool is_text = !arguments.empty() && arguments[0].kind == DatumKind::text;
  if (!is_text || arguments[0].text.empty()) return not_yet("such a RegExp is", node);
  out.text = arguments[0].text;
  // Its source is shown with these escaped.
  if (out.text.find_first_of("/\n") != std::string::npos) return not_yet("such a RegExp is", node);
  out.keys.emplace_back();
  if (arguments.size() > 1) append_text(arguments[1], out.keys[0]);
  return check_pattern(node, out);
}

bool Evaluator::check_pattern(const Node& node, const Datum& pattern) {
  PatternFault fault;
  if (read_pattern(pattern.text, pattern.keys[0], fault)) return true;
  return fault.is_syntax ? fail("SyntaxError", "Invalid regular expression: " + fault.why, node)
                         : not_yet("in a regular expression, " + fault.why + ", is", node);
}

namespace {

// Whether a copy of the text for each match is within the limit.
bool may_repeat(std::string_view text, std::size_t matches) {
  constexpr std::size_t most = 4 << 20;
  return text.size() * matches <= most;
}

// Whether the two could see a text differently.
bool is_unsure(const Pattern& pattern, std::string_view text) {
  const bool has_pairs = std::any_of(text.begin(), text.end(),
                                     [](char c) { return static_cast<unsigned char>(c) >= 0xF0; });
  if (has_pairs) return true;
  if (pattern.ignores_case && (!pattern.is_plain || !is_ascii(text))) return true;
  return pattern.has_lines && (text.find('\r') != std::string_view::npos || !is_ascii(text));
}

}  // namespace

// All matches, or the first.
bool Evaluator::find_matches(const Node& node, const Datum& of, std::string_view text, bool all,
                             std::vector<Groups>& out,
                             std::vector<std::pair<std::string, std::size_t>>* names) {
  PatternFault fault;
  const auto pattern = read_pattern(of.text, of.keys[0], fault);
  if (!pattern) return check_pattern(node, of);
  if (is_unsure(*pattern, text)) return not_yet("a regular expression in such a text is", node);
  if (names != nullptr) *names = pattern->expression.names();
  constexpr std::size_t most_matches = 10'000;
  for (std::size_t at = 0; at <= text.size();) {
    Groups groups;
    const auto found = pattern->expression.find(text, at, groups);
    if (found == RegularExpression::Found::over_limit)
      return over_limit("a match of more than 1,000,000 steps", node);
    if (found == RegularExpression::Found::no) break;
    const Group whole = *groups[0];
    out.push_back(std::move(groups));
    if (!all) break;
    if (out.size() > most_matches) return over_limit("more than 10,000 matches", node);
    at = whole.to;
    // Behind a match of nothing it goes on one character further.
    if (whole.from == whole.to)
      at +=
          at < text.size() ? static_cast<std::size_t>(first_code_point(text.substr(at))->bytes) : 1;
  }
  return true;
}

// Those that have names, in the order in which they stand in the pattern; undefined where none has.
Datum Evaluator::named_groups(std::string_view text, const MatchGroups& groups,
                              const MatchNames& names) {
  Datum named;
  if (names.empty()) return named;
  std::vector<std::pair<std::size_t, std::string>> order;
  order.reserve(names.size());
  for (const auto& [name, number] : names) order.emplace_back(number, name);
  std::sort(order.begin(), order.end());
  named = Datum::of_kind(DatumKind::object);
  for (const auto& [number, name] : order) {
    named.keys.push_back(name);
    named.items.push_back(group_text(text, groups[number]));
  }
  named.text = "null";  // what it is made from, which its text shows
  return named;
}

// What match() returns: the groups as items, and the members index, input and groups.
Datum Evaluator::match_of(std::string_view text, const MatchGroups& groups,
                          const MatchNames& names) {
  Datum out = Datum::of_kind(DatumKind::array);
  for (const auto& group : groups) out.items.push_back(group_text(text, group));
  const auto units = utf16_of(std::string(text.substr(0, groups[0]->from))).size();
  out.keys = {"index", "input", "groups"};
  out.items.push_back(Datum::of_number(static_cast<double>(units)));
  out.items.push_back(Datum::of_text(std::string(text)));
  out.items.push_back(named_groups(text, groups, names));
  return out;
}

bool Evaluator::call_on_pattern(const Node& node, Datum& of, const std::vector<Datum>& arguments,
                                Datum& out) {
  const std::string& name = node.parts[0].text;
  out = {};
  if (name == "toString") {
    out.kind = DatumKind::text;
    append_text(of, out.text);
    return true;
  }
  if (name != "test" && name != "exec") return missing(node, is_method(name));
  // With the flag g each call goes on behind the last.
  const bool is_global = of.keys[0].find('g') != std::string::npos;
  if (is_global && node.parts[0].parts[0].kind != Node::Kind::pattern)
    return not_yet("a pattern that goes on where it ended is", node);
  std::string text;
  append_text(arguments.empty() ? Datum() : arguments[0], text);
  std::vector<Groups> found;
  std::vector<std::pair<std::string, std::size_t>> names;
  if (!find_matches(node, of, text, false, found, &names)) return false;
  if (name == "test")
    out = Datum::of_truth(!found.empty());
  else
    out = found.empty() ? Datum::of_kind(DatumKind::null) : match_of(text, found[0], names);
  return true;
}

// match, matchAll and search
bool Evaluator::match(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                      Datum& out) {
  const std::string& name = node.parts[0].text;
  Datum pattern = arguments.empty() ? Datum() : arguments[0];
  out = {};
  if (pattern.kind != DatumKind::pattern) {
    if (pattern.kind != DatumKind::text || pattern.text.empty())
      return not_yet(name + " of this is", node);
    pattern.kind = DatumKind::pattern;
    pattern.keys = {name == "matchAll" ? "g" : ""};
  }
  const bool is_global = pattern.keys[0].find('g') != std::string::npos;
  if (name == "matchAll" && !is_global)
    return fail("TypeError", "String.prototype.matchAll called with a non-global RegExp argument",
                node);
  std::vector<Groups> found;
  std::vector<std::pair<std::string, std::size_t>> names;
  const bool all = is_global && name != "search";
  if (!find_matches(node, pattern, of.text, all, found, &names)) return false;
  if (name == "search") {
    const auto place = [&] { return utf16_of(of.text.substr(0, found[0][0]->from)).size(); };
    out = Datum::of_number(found.empty() ? -1 : static_cast<double>(place()));
  } else if (name == "matchAll") {
    out = Datum::of_kind(DatumKind::iterator);
    out.text = "RegExp String";
    if (!may_repeat(of.text, found.size())) return over_limit("the texts of these matches", node);
    for (const Groups& groups : found) out.items.push_back(match_of(of.text, groups, names));
  } else if (found.empty()) {
    out = Datum::of_kind(DatumKind::null);
  } else if (is_global) {
    out.kind = DatumKind::array;
    for (const Groups& groups : found) out.items.push_back(group_text(of.text, groups[0]));
  } else {
    out = match_of(of.text, found[0], names);
  }
  return true;
}

// What $1, $<name>, $& and their like stand for in a replacement: ECMA-262, 22.1.3.19.1.
std::string Evaluator::substituted(std::string_view with, std::string_view text,
                                   const std::vector<Datum>& groups, std::size_t from,
                                   std::size_t to, const Datum& named) {
  std::string out;
  const auto add = [&](const Datum& group) {
    if (group.kind == DatumKind::text) out += group.text;
  };
  for (std::size_t i = 0; i < with.size(); ++i) {
    const char next = with[i] == '$' && i + 1 < with.size() ? with[i + 1] : '\0';
    const auto digit = [&](std::size_t at) -> std::size_t {
      return at < with.size() && is_digit(with[at]) ? static_cast<std::size_t>(with[at] - '0') : 10;
    };
    const std::size_t first = digit(i + 1);
    const std::size_t two = first < 10 && digit(i + 2) < 10 ? first * 10 + digit(i + 2) : 0;
    const std::size_t name_end = with.find('>', i);
    if (next == '$') {
      out += '$';
      ++i;
    } else if (next == '&') {
      add(groups[0]);
      ++i;
    } else if (next == '`') {
      out += text.substr(0, from);
      ++i;
    } else if (next == '\'') {
      out += text.substr(to);
      ++i;
    } else if (next != '\0' && two > 0 && two < groups.size()) {
      add(groups[two]);
      i += 2;
    } else if (next != '\0' && first > 0 && first < groups.size()) {
      add(groups[first]);
      ++i;
    } else if (next == '<' && named.kind == DatumKind::object &&
               name_end != std::string_view::npos) {
      const std::string_view name = with.substr(i + 2, name_end - i - 2);
      const auto known = std::find(named.keys.begin(), named.keys.end(), name);
      if (known != named.keys.end())
        add(named.items[static_cast<std::size_t>(known - named.keys.begin())]);
      i = name_end;
    } else {
      out += with[i];
    }
  }
  return out;
}

// One part that is replaced: by a text, or by what a function makes of it.
bool Evaluator::append_replacement(const Node& node, std::string_view text,
                                   const MatchGroups& groups, const MatchNames& names,
                                   const Datum& with, std::string& out) {
  std::vector<Datum> parts;
  parts.reserve(groups.size() + 3);
  for (const auto& group : groups) parts.push_back(group_text(text, group));
  Datum named = named_groups(text, groups, names);
  if (with.kind == DatumKind::function) {
    const auto units = utf16_of(std::string(text.substr(0, groups[0]->from))).size();
    parts.push_back(Datum::of_number(static_cast<double>(units)));
    parts.push_back(Datum::of_text(std::string(text)));
    if (named.kind == DatumKind::object) parts.push_back(std::move(named));
    Datum made;
    if (!call_value(with, std::move(parts), node, made)) return false;
    append_text(made, out);
  } else {
    std::string form;
    append_text(with, form);
    out += substituted(form, text, parts, groups[0]->from, groups[0]->to, named);
  }
  return out.size() <= most_output ||
         over_limit("values of more than " + std::to_string(most_output) + " bytes", node);
}

bool Evaluator::replace(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                        Datum& out) {
  const bool everywhere = node.parts[0].text == "replaceAll";
  const Datum sought = arguments.empty() ? Datum() : arguments[0];
  const Datum with = arguments.size() < 2 ? Datum() : arguments[1];
  std::vector<Groups> found;
  std::vector<std::pair<std::string, std::size_t>> names;
  if (sought.kind == DatumKind::pattern) {
    const bool is_global = sought.keys[0].find('g') != std::string::npos;
    if (everywhere && !is_global)
      return fail("TypeError", "replaceAll must be called with a global RegExp", node);
    if (!find_matches(node, sought, of.text, is_global, found, &names)) return false;
  } else {
    std::string part;
    append_text(sought, part);
    if (everywhere && part.empty()) return not_yet("replacing an empty text is", node);
    for (std::size_t at = of.text.find(part); at != std::string::npos;
         at = of.text.find(part, at + part.size())) {
      found.push_back({Group{at, at + part.size()}});
      constexpr std::size_t most_parts = 100'000;
      if (found.size() > most_parts) return over_limit("more than 100,000 parts", node);
      if (!everywhere) break;
    }
  }
  if (with.kind == DatumKind::function && !may_repeat(of.text, found.size()))
    return over_limit("the texts of these matches", node);
  std::string text;
  std::size_t at = 0;
  for (const Groups& groups : found) {
    text.append(of.text, at, groups[0]->from - at);
    if (!append_replacement(node, of.text, groups, names, with, text)) return false;
    at = groups[0]->to;
  }
  text.append(of.text, at);
  out = Datum::of_text(std::move(text));
  return true;
}

// The parts between matches, and what groups found in these.
bool Evaluator::split_by_pattern(const Node& node, const Datum& of, const Datum& pattern,
                                 Datum& out) {
  Datum global = pattern;
  if (global.keys[0].find('g') == std::string::npos) global.keys[0] += 'g';
  std::vector<Groups> found;
  if (!find_matches(node, global, of.text, true, found, nullptr)) return false;
  if (of.text.empty()) {
    if (found.empty()) out.items.push_back(of);
    return true;
  }
  std::size_t at = 0;
  for (const Groups& groups : found) {
    // A match of nothing at an end, or where the last one ended, splits nothing.
    const Group whole = *groups[0];
    if (whole.to == at || whole.from >= of.text.size()) continue;
    out.items.push_back(Datum::of_text(of.text.substr(at, whole.from - at)));
    for (std::size_t i = 1; i < groups.size(); ++i)
      out.items.push_back(group_text(of.text, groups[i]));
    at = whole.to;
  }
  out.items.push_back(Datum::of_text(of.text.substr(at)));
  return true;
}

}  // namespace inky::inline v1::javascript
