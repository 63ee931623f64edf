#include <algorithm>
#include <array>
#include <vector>

#include "dialect/language_facts.hpp"

namespace inky::inline v1 {

#define LANGUAGE(name) const LanguageFacts& name##_language_facts();
#include "languages.inc"
#undef LANGUAGE

std::span<const LanguageFacts* const> all_language_facts() {
  static const std::array languages = {
#define LANGUAGE(name) &name##_language_facts(),
#include "languages.inc"
#undef LANGUAGE
  };
  return languages;
}

const LanguageFacts* language_facts_of(const Dialect& dialect) {
  const auto all = all_language_facts();
  const auto has_it = [&](const LanguageFacts* one) {
    return std::find(one->dialects.begin(), one->dialects.end(), &dialect) != one->dialects.end();
  };
  const auto found = std::find_if(all.begin(), all.end(), has_it);
  return found == all.end() ? nullptr : *found;
}

std::span<const Dialect* const> all_dialects() {
  static const std::vector<const Dialect*> dialects = [] {
    std::vector<const Dialect*> out;
    for (const LanguageFacts* language : all_language_facts())
      out.insert(out.end(), language->dialects.begin(), language->dialects.end());
    std::sort(out.begin(), out.end(),
              [](const Dialect* a, const Dialect* b) { return a->facts().id < b->facts().id; });
    return out;
  }();
  return dialects;
}

const Dialect* find_dialect(std::string_view id) {
  for (const Dialect* dialect : all_dialects()) {
    if (dialect->facts().id == id) return dialect;
  }
  return nullptr;
}

std::span<const SourceLanguage> all_languages() {
  static const std::vector<SourceLanguage> languages = [] {
    std::vector<SourceLanguage> out;
    for (const LanguageFacts* facts : all_language_facts()) {
      SourceLanguage one{facts->id,      facts->name, facts->endings, facts->interpreters,
                         facts->dialect, {},          facts->lexis,   facts->prefixes};
      for (const CallFact& call : facts->calls) {
        one.calls.push_back({std::string(call.name), std::string(call.dialect), call.template_at,
                             call.shape, call.needs_values, call.names_locale, call.names_options,
                             std::string(call.header), call.alone, call.ends_receiver,
                             call.options_first, call.names_id, call.holes});
      }
      out.push_back(std::move(one));
    }
    return out;
  }();
  return languages;
}

const SourceLanguage* find_language(std::string_view id) {
  for (const SourceLanguage& one : all_languages()) {
    if (one.id == id) return &one;
  }
  return nullptr;
}

namespace {

std::string_view ending_of(std::string_view file_name) {
  const std::size_t dot = file_name.rfind('.');
  if (dot == std::string_view::npos || file_name.find('/', dot) != std::string_view::npos)
    return {};
  return file_name.substr(dot);
}

// "#!/usr/bin/env -S python3 -u" and "#!/usr/bin/python3.11": python3
std::string_view interpreter_of(std::string_view begins) {
  if (!begins.starts_with("#!")) return {};
  std::string_view line = begins.substr(2, begins.find('\n') - 2);
  while (!line.empty()) {
    line.remove_prefix(std::min(line.find_first_not_of(" \t\r"), line.size()));
    std::string_view word = line.substr(0, line.find_first_of(" \t\r"));
    line.remove_prefix(word.size());
    word.remove_prefix(word.rfind('/') + 1);
    if (word == "env" || word.starts_with('-')) continue;
    return word.substr(0, word.find('.'));
  }
  return {};
}

}  // namespace

const SourceLanguage* language_of_file(std::string_view file_name, std::string_view begins) {
  const std::string_view ending = ending_of(file_name);
  const std::string_view interpreter = interpreter_of(begins);
  const SourceLanguage* out = nullptr;
  for (const SourceLanguage& language : all_languages()) {
    const bool has_ending = !ending.empty() && has_word(language.endings, ending);
    if (!has_ending && (!ending.empty() || !has_word(language.interpreters, interpreter))) continue;
    // Of two languages with one ending, a text that begins as one of them is of that one.
    const std::string_view opening = language.lexis->code_open;
    if (!opening.empty() && begins.starts_with(opening)) return &language;
    if (out == nullptr || !out->lexis->code_open.empty()) out = &language;
  }
  return out;
}

}  // namespace inky::inline v1
