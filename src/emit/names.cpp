#include "names.hpp"

#include <algorithm>
#include <string_view>

#include "dialect/language_facts.hpp"
#include "text/ascii.hpp"
#include "vocabulary.hpp"

namespace inky::inline v1 {

namespace {

void append_word(std::string_view word, NameCase name_case, std::string& out) {
  if (out.empty()) {
    out = word;
    return;
  }
  switch (name_case) {
    case NameCase::snake:
      out += '_';
      break;
    case NameCase::kebab:
      out += '-';
      break;
    case NameCase::camel:
      out += capital_letter(word.front());
      word.remove_prefix(1);
      break;
  }
  out += word;
}

std::string name_of(std::string_view text, NameCase name_case) {
  constexpr std::size_t most = 30;
  std::string out;
  std::string word;
  const auto end_word = [&] {
    if (!word.empty()) append_word(word, name_case, out);
    word.clear();
  };
  for (const char c : text) {
    if (is_letter(c) || is_digit(c))
      word += small_letter(c);
    else
      end_word();
    if (out.size() + word.size() >= most) break;
  }
  end_word();
  if (out.empty() || is_digit(out.front())) {
    std::string numbered = "cell";
    if (!out.empty()) append_word(out, name_case, numbered);
    out = std::move(numbered);
  }
  return out;
}

}  // namespace

std::string joined(const std::string& name, const char* word, NameCase name_case) {
  std::string out = name;
  append_word(word, name_case, out);
  return out;
}

std::vector<std::string> names_of(const Sheet& sheet, const Dialect& dialect) {
  const TableForm& form = *dialect.facts().forms.table;
  const NameCase name_case = form.names;
  const LanguageFacts* language = language_facts_of(dialect);
  const std::string_view reserved = language == nullptr ? std::string_view() : language->reserved;
  const Vocabulary own(dialect);
  const auto is_taken = [&](const std::string& name) {
    return has_word(reserved, name) || own.has(name) || own.has(with_name(form.cell_name, name)) ||
           name == joined("row", "mark", name_case);
  };
  std::vector<std::string> out;
  const auto is_there = [&](const std::string& name) {
    return std::any_of(out.begin(), out.end(), [&](const std::string& one) {
      return one == name || joined(one, "columns", name_case) == name ||
             joined(name, "columns", name_case) == one;
    });
  };
  for (const SheetColumn& column : sheet.columns) {
    std::string first = name_of(column.from, name_case);
    if (is_taken(first)) append_word("cell", name_case, first);
    std::string name = first;
    for (int count = 2; is_there(name) || is_taken(name); ++count)
      name = joined(first, std::to_string(count).c_str(), name_case);
    out.push_back(std::move(name));
  }
  return out;
}

}  // namespace inky::inline v1
