// Statements of C that give a name a value in another way than by an equals sign.

#include <algorithm>

#include "dialect/statement_lines.hpp"
#include "expressions.hpp"
#include "struct_tm.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::c_language {

namespace {

// #define WIDTH 10: a constant, whose text is its value wherever it stands.
std::optional<Declaration> read_macro(std::string_view rest) {
  rest = trimmed(rest);
  const std::size_t end = std::min(rest.find_first_of(statement_blanks), rest.size());
  const std::string_view value = trimmed(rest.substr(end));
  const bool is_number =
      !value.empty() && (is_digit(value[0]) || value[0] == '.') &&
      std::all_of(value.begin(), value.end(), [](char c) { return is_word_part(c) || c == '.'; });
  const bool is_text = value.size() > 1 && value.starts_with('"') &&
                       value.find('"', 1) == value.size() - 1 &&
                       value.find('\\') == std::string_view::npos;
  if (!is_word(rest.substr(0, end)) || (!is_number && !is_text)) return std::nullopt;
  Declaration out;
  out.name = rest.substr(0, end);
  out.expression = value;
  out.before = "const";
  return out;
}

// sprintf(line, "%d", n), snprintf(line, size, "%d", n), strftime(line, size, "%F", &t)
std::optional<Declaration> read_printed(std::string_view name, std::string_view arguments) {
  if (!arguments.ends_with(')')) return std::nullopt;
  arguments.remove_suffix(1);
  const std::size_t comma = comma_in(arguments);
  const std::string_view target = trimmed(arguments.substr(0, std::min(comma, arguments.size())));
  if (comma == std::string_view::npos || !is_word(target) || target == "NULL") return std::nullopt;
  Declaration out;
  out.name = target;
  out.expression = std::string(name) + "(" + std::string(arguments.substr(comma + 1)) + ")";
  return out;
}

}  // namespace

std::optional<Declaration> read_definition(std::string_view statement) {
  std::optional<Declaration> out;
  if (statement.starts_with("#define ")) out = read_macro(statement.substr(8));
  for (const std::string_view name : {"sprintf", "snprintf", "strcpy", "strftime"}) {
    for (const std::string_view prefix : {"", "std::"}) {
      const std::string begin = std::string(prefix) + std::string(name) + "(";
      if (statement.starts_with(begin)) out = read_printed(name, statement.substr(begin.size()));
    }
  }
  if (!out) out = read_struct_tm(statement);
  if (out) out->span = {0, statement.size()};
  return out;
}

}  // namespace inky::inline v1::c_language
