// Declarations of arrays and vectors.

#include <algorithm>

#include "dialect/statement_lines.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

// The first comma outside of brackets and quotes.
std::size_t comma_in(std::string_view expression) {
  int depth = 0;
  char quote = 0;
  for (std::size_t at = 0; at < expression.size(); ++at) {
    const char c = expression[at];
    if (quote != 0) {
      if (c == '\\') ++at;
      if (c == quote) quote = 0;
      continue;
    }
    if (c == '"' || c == '\'' || c == '`') quote = c;
    if (c == '(' || c == '[' || c == '{') ++depth;
    if (c == ')' || c == ']' || c == '}') --depth;
    if (c == ',' && depth == 0) return at;
  }
  return std::string_view::npos;
}

std::optional<Declaration> array_of(const LanguageFacts& language, std::string_view statement) {
  const ExpressionForm& form = *language.expressions;
  const std::size_t sign = statement.find('=');
  if (!form.declares_types || sign == std::string_view::npos) return std::nullopt;
  std::string_view given = statement.substr(sign + 1);
  while (!given.empty() && is_in(given.front(), statement_blanks)) given.remove_prefix(1);
  const bool is_text = given.starts_with('"');
  if (!is_text && !(given.starts_with('{') && given.ends_with('}'))) return std::nullopt;
  // The type is what is left without brackets and modifiers; the name is the last word.
  std::string size;  // that the declaration names
  std::string words(statement.substr(0, sign));
  const std::size_t open = words.find('[');
  const std::size_t close = words.find(']');
  const bool has_brackets = open != std::string::npos && close != std::string::npos && open < close;
  const std::size_t angle = words.find('<');
  if (has_brackets) {
    const std::string inside = words.substr(open + 1, close - open - 1);
    if (inside.find_first_not_of(" 0123456789") != std::string::npos) return std::nullopt;
    size = inside;
    words.erase(open, close - open + 1);
  } else if (angle != std::string::npos && words.find('>') != std::string::npos) {
    words = words.substr(angle + 1);
    words.erase(words.find('>'), 1);
  } else {
    return std::nullopt;
  }
  if (words.find_first_of("[]<>,*&") != std::string::npos) return std::nullopt;
  const auto plain = declaration_of(language, words + " = 0");
  if (!plain || (is_text && plain->type != "char")) return std::nullopt;
  Declaration out = *plain;
  out.type.clear();
  out.changes = false;
  out.span = {0, statement.size()};
  if (is_text) {
    if (size.find_first_of("0123456789") != std::string::npos) return std::nullopt;
    out.expression = given;
    return out;
  }
  const bool converts = !plain->type.empty();
  out.expression = "{";
  std::size_t count = 0;
  std::string rest(given.substr(1, given.size() - 2));
  while (!rest.empty()) {
    const std::size_t comma = std::min(comma_in(rest), rest.size());
    const std::string item = rest.substr(0, comma);
    if (item.find_first_not_of(statement_blanks) == std::string::npos) break;
    if (++count > 1) out.expression += ", ";
    out.expression += converts ? cast_to(form, plain->type, item) : item;
    rest.erase(0, std::min(comma + 1, rest.size()));
  }
  out.expression += "}";
  // What is left over would be zeros.
  const std::size_t digit = size.find_first_of("0123456789");
  if (digit != std::string::npos &&
      size.substr(digit, size.find(' ', digit)) != std::to_string(count))
    return std::nullopt;
  return out;
}

}  // namespace inky::inline v1
