// The values that a call gives its template.

#include <algorithm>
#include <string>
#include <utility>

#include "arguments.hpp"
#include "finder.hpp"
#include "inky_margin/scan/scan.hpp"
#include "lexer.hpp"
#include "literal.hpp"

namespace inky::inline v1 {

// {"a": 1, "b": 2}, where every key is a text. Of a template without keys it is one value.
void Finder::give_entries(FoundCall& call, const Frame& frame) const {
  if (!call.source || call.source->find("%(") == std::string::npos) return;
  std::vector<Given> values;
  for (const Argument& argument : frame.arguments) {
    if (argument.empty()) continue;
    const bool has_key = argument.size() > 2 && argument[0].kind == Item::Kind::text &&
                         argument[1].is_sign(":") && argument[0].literal.whole &&
                         argument[0].literal.body.find('\\') == std::string::npos;
    if (!has_key) return;
    values.push_back(given_by(lexis_, Argument(argument.begin() + 2, argument.end()), declared_));
    values.back().name = argument[0].literal.body;
  }
  call.given.values = std::move(values);
}

void Finder::give(FoundCall& call, const Frame& frame, std::size_t from,
                  const CallForm& form) const {
  call.given.names_from_scope = lexis_.names_from_scope;
  call.given.spare = frame.one_of_several;
  // (line-up-last x (format nil "~d")): a macro puts a value there.
  if (has_lists_ && is_threaded()) call.given.more_may_follow = call.given.names_from_scope = true;
  std::vector<Given> values;
  for (std::size_t i = from; i < frame.arguments.size(); ++i) {
    const Argument& argument = frame.arguments[i];
    if (argument.empty()) continue;
    // #+feature value: read on some machines.
    if (has_lists_ && argument.size() > 1 && argument[0].is_sign("#") &&
        (argument[1].text.starts_with('+') || argument[1].text.starts_with('-'))) {
      call.given.more_may_follow = call.given.names_from_scope = true;
      break;
    }
    if (!lexis_.spread.empty() &&
        (argument[0].is_sign(lexis_.spread) || argument.back().is_sign(lexis_.spread) ||
         argument[0].is_word("__VA_ARGS__"))) {
      call.given.more_may_follow = call.given.names_from_scope = true;
      continue;
    }
    if (may_be_several(argument)) {
      call.given.more_may_follow = call.given.names_from_scope = true;
      continue;
    }
    const bool by_name = behind_name(lexis_, argument) > 0;
    if ((call.given.more_may_follow && !by_name) || (form.names_options && by_name)) continue;
    values.push_back(given_by(lexis_, argument, declared_));
  }
  const bool untold = std::any_of(values.begin(), values.end(), [](const Given& given) {
    return !given.type && given.name.empty();
  });
  if (lexis_.names_from_scope && call.source) give_captured(*call.source, values);
  if (untold && (lexis_.many == Lexis::Many::each ||
                 ((lexis_.many == Lexis::Many::alone || form.names_options) && values.size() == 1)))
    return;
  call.given.values = std::move(values);
}

// [1, 2] and array(1, 2) where the values of a template are a list: how many there are.
void Finder::give_elements(FoundCall& call, const Argument& list) {
  const bool is_list =
      list.size() == 1 && list[0].kind == Item::Kind::group && list[0].bracket == '[';
  const bool is_array =
      list.size() == 2 && list[0].is_word("array") && list[1].kind == Item::Kind::group;
  if ((!is_list && !is_array) || list.back().spreads) return;
  call.given.values = std::vector<Given>(list.back().elements);
}

bool Finder::is_threaded() const {
  if (frames_.empty() || frames_.back().arguments.empty() || frames_.back().arguments[0].empty())
    return false;
  const Item& head = frames_.back().arguments[0][0];
  return head.kind == Item::Kind::word &&
         (head.text.find("->") != std::string::npos || head.text.starts_with("line-up-"));
}

bool Finder::takes_parts(std::string_view source) {
  for (std::size_t at = source.find('{'); at != std::string_view::npos;
       at = source.find('{', at + 1)) {
    const std::size_t end = std::min(source.find_first_of(":}!{", at + 1), source.size());
    if (source.substr(at + 1, end - at - 1).find_first_of(".[") != std::string_view::npos)
      return true;
  }
  return false;
}

void Finder::give_captured(std::string_view source, std::vector<Given>& values) const {
  for (std::size_t at = source.find('{'); at != std::string_view::npos; at = source.find('{', at)) {
    ++at;
    if (source.substr(at, 1) == "{") {
      ++at;
      continue;
    }
    const std::size_t end = std::min(source.find_first_of(":}", at), source.size());
    const std::string name(source.substr(at, end - at));
    const bool given = std::any_of(values.begin(), values.end(),
                                   [&](const Given& one) { return one.name == name; });
    Given variable = given_by(lexis_, {word_item(name)}, declared_);
    if (given || name.empty() || !variable.type) continue;
    variable.name = name;
    values.push_back(std::move(variable));
  }
}

// ("a", "b")[i] and ("a", "b").index: the operand goes on behind the parentheses.
bool Finder::operand_goes_on() {
  std::size_t ahead = 0;
  while (is_blank(static_cast<char>(reader_.peek(ahead)))) ++ahead;
  return reader_.peek(ahead) == '[' || reader_.peek(ahead) == '.' || reader_.peek(ahead) == '(';
}

bool Finder::may_be_several(const Argument& argument) const {
  if (!lexis_.format_macros || argument[0].kind != Item::Kind::word) return false;
  const std::string& name = argument[0].text;
  if (macros_.gives_several(name)) return true;
  const bool is_call = argument.size() == 2 && argument[1].kind == Item::Kind::group;
  const auto is_capital = [](char c) {
    return (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9') || c == '_';
  };
  return is_call && name.size() > 1 && !macros_.is_defined(name) &&
         std::all_of(name.begin(), name.end(), is_capital);
}

}  // namespace inky::inline v1
