// The directives that hold others, skip values or leave.

#include <algorithm>
#include <string>

#include "../family/rendering.hpp"
#include "../family/values.hpp"
#include "../family/writing.hpp"
#include "control.hpp"
#include "printer.hpp"
#include "rendering.hpp"
#include "text/simple_case.hpp"

namespace inky::inline v1::lisp {

Flow Rendering::run_skip(const Directive& directive, Arguments& arguments) {
  int count = directive.at ? 0 : 1;
  if (directive.at && directive.colon)
    return fail("FORMAT-ERROR", "~* has either : or @", directive);
  if (!take_parameters(directive, 1, arguments) || !number(directive, 0, count)) return Flow::fails;
  const auto at = static_cast<int>(arguments.at);
  const int wanted = directive.at ? count : directive.colon ? at - count : at + std::max(count, 0);
  if (wanted < 0 || wanted > static_cast<int>(arguments.all.size()))
    return fail("FORMAT-ERROR", "there is no value there", directive);
  arguments.at = static_cast<std::size_t>(wanted);
  return Flow::goes_on;
}

Flow Rendering::run_leave(const Directive& directive, Arguments& arguments) {
  if (!check_modifiers(directive, true, false)) return Flow::fails;
  if (directive.colon && !inside_lists_)
    return fail("FORMAT-ERROR", "~:^ stands outside of ~:{ ~}", directive);
  if (!take_parameters(directive, 3, arguments)) return Flow::fails;
  const auto is = [&](std::size_t i) { return given_[i].kind != Given::Kind::nothing; };
  for (const Given& given : given_) {
    if (given.kind == Given::Kind::character) return not_yet("a character before ~^ is", directive);
  }
  bool leaves = false;
  if (is(2)) {
    if (!is(0) || !is(1)) return fail("TYPE-ERROR", "~^ compares numbers", directive);
    leaves = given_[0].number <= given_[1].number && given_[1].number <= given_[2].number;
  } else if (is(1)) {
    leaves = is(0) && given_[0].number == given_[1].number;
  } else if (is(0)) {
    leaves = given_[0].number == 0;
  } else {
    leaves = directive.colon ? outside_empty_ : arguments.empty();
  }
  if (!leaves) return Flow::goes_on;
  return directive.colon ? Flow::leaves_all : Flow::leaves;
}

Flow Rendering::run_case(const Directive& directive, Arguments& arguments, std::string& out) {
  if (!take_parameters(directive, 0, arguments)) return Flow::fails;
  const std::size_t from = out.size();
  const Flow flow = run_tokens(directive.sections[0], arguments, out);
  if (flow == Flow::fails) return flow;
  const std::string text = out.substr(from);
  out.resize(from);
  out += simple_case(text, directive.colon && directive.at ? Capitals::all
                           : directive.colon               ? Capitals::each_word
                           : directive.at                  ? Capitals::first_word
                                                           : Capitals::none);
  return flow;
}

Flow Rendering::run_choice(const Directive& directive, Arguments& arguments, std::string& out) {
  if (directive.colon && directive.at)
    return fail("FORMAT-ERROR", "~[ has either : or @", directive);
  const auto& sections = directive.sections;
  if (!take_parameters(directive, directive.colon || directive.at ? 0 : 1, arguments))
    return Flow::fails;
  if (directive.at) {
    if (sections.size() != 1) return fail("FORMAT-ERROR", "~@[ has one section", directive);
    const Value* value = next(directive, arguments);
    if (value == nullptr) return Flow::fails;
    if (is_null(*value)) return Flow::goes_on;
    arguments.tested = std::max(arguments.tested, arguments.at);
    --arguments.at;
    return run_tokens(sections[0], arguments, out);
  }
  if (directive.colon) {
    if (sections.size() != 2) return fail("FORMAT-ERROR", "~:[ has two sections", directive);
    const Value* value = next(directive, arguments);
    if (value == nullptr) return Flow::fails;
    return run_tokens(sections[is_null(*value) ? 0 : 1], arguments, out);
  }
  int index = 0;
  if (given_[0].kind != Given::Kind::nothing) {
    if (!number(directive, 0, index)) return Flow::fails;
  } else if (!take_index(directive, arguments, index)) {
    return Flow::fails;
  }
  const int count = static_cast<int>(sections.size()) - (directive.last_is_default ? 1 : 0);
  if (index >= 0 && index < count)
    return run_tokens(sections[static_cast<std::size_t>(index)], arguments, out);
  return directive.last_is_default ? run_tokens(sections.back(), arguments, out) : Flow::goes_on;
}

bool Rendering::take_index(const Directive& directive, Arguments& arguments, int& index) {
  const Value* value = next(directive, arguments);
  if (value == nullptr) return false;
  if (!is_whole(value->type())) {
    (void)fail("FORMAT-ERROR", describe(*value) + " is no whole number", directive);
    return false;
  }
  const auto small = small_whole(*value);
  index = small && *small >= 0 && *small < most_width ? static_cast<int>(*small) : -1;
  return true;
}

Flow Rendering::run_iteration(const Directive& directive, Arguments& arguments, std::string& out) {
  int most = unset;
  if (!take_parameters(directive, 1, arguments) || !number(directive, 0, most)) return Flow::fails;
  const bool limited = given_[0].kind != Given::Kind::nothing;
  Arguments items;
  if (!directive.at && !take_list(directive, arguments, items)) return Flow::fails;
  Arguments& used = directive.at ? arguments : items;
  for (int turn = 0;; ++turn) {
    constexpr int most_turns = 1'000'000;
    if (!directive.close_colon && used.empty()) break;
    if (limited && turn >= most) break;
    if (turn > most_turns || out.size() > most_output)
      return over_limit("the text grows over the limit, or never ends", directive);
    const Flow flow = directive.colon ? run_sublist(directive, used, out)
                                      : run_tokens(directive.sections[0], used, out);
    if (flow == Flow::fails) return flow;
    if (flow == Flow::leaves_all && !directive.colon) return flow;
    if (flow == Flow::leaves_all || (flow == Flow::leaves && !directive.colon)) break;
    if (directive.close_colon && used.empty()) break;
  }
  return Flow::goes_on;
}

bool Rendering::take_list(const Directive& directive, Arguments& arguments, Arguments& out) {
  const Value* value = next(directive, arguments);
  if (value == nullptr) return false;
  out = {items_of(*value), 0, is_list(*value) ? nullptr : value};
  return true;
}

Flow Rendering::run_sublist(const Directive& directive, Arguments& arguments, std::string& out) {
  Arguments items;
  if (!take_list(directive, arguments, items)) return Flow::fails;
  const bool inside_before = std::exchange(inside_lists_, true);
  const bool empty_before = std::exchange(outside_empty_, arguments.empty());
  const Flow flow = run_tokens(directive.sections[0], items, out);
  inside_lists_ = inside_before;
  outside_empty_ = empty_before;
  return flow;
}

Flow Rendering::run_justification(const Directive& directive, Arguments& arguments,
                                  std::string& out) {
  Padding padding;
  if (!take_parameters(directive, 4, arguments) || !number(directive, 0, padding.least) ||
      !number(directive, 1, padding.step) || !number(directive, 2, padding.least_padding) ||
      !character(directive, 3, padding.character))
    return Flow::fails;
  if (directive.close_at) return fail("FORMAT-ERROR", "~> has no @", directive);
  if (std::any_of(directive.sections.begin(), directive.sections.end(), writes))
    return fail("FORMAT-ERROR", "~W has no place inside ~< ~>", directive);
  if (padding.step <= 0) return not_yet("a step of nothing is", directive);
  std::vector<std::string> texts;
  for (const Tokens& section : directive.sections) {
    measured_ = {nullptr, 0, 0};
    std::string text;
    const Flow flow = run_tokens(section, arguments, text);
    if (flow == Flow::fails || flow == Flow::leaves_all) return flow;
    if (flow == Flow::leaves) break;
    texts.push_back(std::move(text));
  }
  justify(texts, padding, directive, out);
  return Flow::goes_on;
}

bool Rendering::writes(const Tokens& tokens) {
  return std::any_of(tokens.begin(), tokens.end(), [](const Token& token) {
    return token.directive &&
           (token.directive->letter == 'W' || std::any_of(token.directive->sections.begin(),
                                                          token.directive->sections.end(), writes));
  });
}

void Rendering::justify(const std::vector<std::string>& texts, const Padding& padding,
                        const Directive& directive, std::string& out) const {
  int gaps =
      static_cast<int>(texts.size()) - 1 + (directive.colon ? 1 : 0) + (directive.at ? 1 : 0);
  int length = gaps * padding.least_padding;
  int left = length;
  for (const std::string& text : texts) length += length_of(text);
  int wanted = padding.least;
  if (length > wanted) wanted += (length - wanted + padding.step - 1) / padding.step * padding.step;
  left += wanted - length;
  const auto pad = [&] {
    const int now = gaps == 0 ? left : left / gaps;
    left -= now;
    --gaps;
    append_times(padding.character, now, out);
  };
  if (directive.colon || (!directive.at && texts.size() < 2)) pad();
  for (std::size_t i = 0; i < texts.size(); ++i) {
    if (i > 0) pad();
    out += texts[i];
  }
  if (directive.at) pad();
}

}  // namespace inky::inline v1::lisp
