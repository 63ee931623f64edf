// The facts of a language besides its dialects: how its source is read, which of its calls
// take a template, which words it keeps. One in each folder; languages.inc lists them.
#pragma once

#include <algorithm>
#include <array>
#include <span>
#include <string_view>

#include "dialect/expression_form.hpp"
#include "dialect/lexis.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/dialect/language.hpp"

namespace inky::inline v1 {

// A CallForm as data.
struct CallFact {
  std::string_view name;
  std::string_view dialect;
  int template_at = 0;
  CallShape shape = CallShape::arguments;
  bool needs_values = false;
  bool names_locale = false;
  bool names_options = false;
  std::string_view header = {};  // a call of this name is one only where it is included
  bool alone = false;
  bool ends_receiver = false;
  bool options_first = false;
  bool names_id = false;
  HoleRule holes = HoleRule::none;
};

constexpr CallFact of_header(std::string_view header, CallFact call) {
  call.header = header;
  return call;
}

// Its template has holes of this rule, and needs values to have any.
constexpr CallFact with_holes(HoleRule rule, std::string_view name, int template_at) {
  return {
      .name = name, .dialect = {}, .template_at = template_at, .needs_values = true, .holes = rule};
}
constexpr CallFact alone(CallFact call) {
  call.alone = true;
  return call;
}
constexpr CallFact ends_receiver(CallFact call) {
  call.ends_receiver = true;
  return call;
}

constexpr CallFact call(std::string_view name, std::string_view dialect, int template_at) {
  return {name, dialect, template_at};
}
constexpr CallFact shaped(CallShape shape, std::string_view name, std::string_view dialect,
                          int template_at = 0) {
  return {name, dialect, template_at, shape};
}
// Without values its argument is no template.
constexpr CallFact with_values(std::string_view name, std::string_view dialect, int template_at) {
  return {.name = name, .dialect = dialect, .template_at = template_at, .needs_values = true};
}
// An argument before the template names a locale.
constexpr CallFact in_locale(std::string_view name, std::string_view dialect) {
  return {.name = name, .dialect = dialect, .template_at = 1, .names_locale = true};
}

// One table of calls behind another.
template <std::size_t A, std::size_t B>
constexpr auto joined(const std::array<CallFact, A>& first, const std::array<CallFact, B>& second) {
  std::array<CallFact, A + B> out{};
  std::copy(second.begin(), second.end(), std::copy(first.begin(), first.end(), out.begin()));
  return out;
}
// What `make` gives for each name and each number from 0 on, up to Count.
template <std::size_t Count, std::size_t Names, typename Make>
constexpr auto for_each_name(const std::array<std::string_view, Names>& names, Make make) {
  std::array<CallFact, Names * Count> out{};
  std::size_t size = 0;
  for (const std::string_view name : names) {
    for (std::size_t number = 0; number < Count; ++number)
      out[size++] = make(name, static_cast<int>(number));
  }
  return out;
}

struct LanguageFacts {
  std::string_view id;
  std::string_view name;
  std::string_view endings;            // of file names, separated by spaces
  std::string_view interpreters = {};  // in the first line of a script: #!/usr/bin/env python3
  std::string_view dialect;            // of most of its calls
  const Lexis* lexis = nullptr;
  std::span<const CallFact> calls = {};
  // Words that no variable and no part of a row may be called, separated by spaces, in small
  // letters where the language distinguishes those from capitals. What our programs use they say
  // themselves.
  std::string_view reserved = {};
  std::span<const Dialect* const> dialects = {};
  BasePrefixes prefixes = {};
  // Null: whole calls are not supported yet.
  const ExpressionForm* expressions = nullptr;
};

// All of them, in the order of their ids.
std::span<const LanguageFacts* const> all_language_facts();
// That of a dialect; null where it is of none of them.
const LanguageFacts* language_facts_of(const Dialect& dialect);

}  // namespace inky::inline v1
