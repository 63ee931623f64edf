#include "dialect/statement_open_names.hpp"

#include <algorithm>

#include "dialect/lexis.hpp"
#include "dialect/statement_lines.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

std::string OpenNames::behind(std::string_view statement) {
  if (!language_.expressions->declares_types) return {};
  const std::size_t sign = statement.find('=');
  const std::string_view before = statement.substr(0, std::min(sign, statement.size()));
  const std::size_t comma = before.rfind(',');
  if (sign == std::string_view::npos || comma == std::string_view::npos) return {};
  const std::size_t known = types_.size();
  if (!add(before.substr(0, comma))) return {};
  return types_[known].second + " " + std::string(statement.substr(comma + 1));
}

bool OpenNames::add(std::string_view statement) {
  if (!language_.expressions->declares_types) return false;
  const std::size_t blank = statement.find_first_of(" \t");
  if (blank == std::string_view::npos ||
      statement.find_first_of("=(<\"'!.:") != std::string_view::npos)
    return false;
  // These begin statements of other kinds.
  constexpr std::string_view others =
      "goto throw delete yield assert new else case default typedef struct class enum union";
  if (has_word(others, statement.substr(0, blank))) return false;
  const auto declared = declaration_of(language_, std::string(statement) + " = 0");
  if (!declared || declared->type.empty()) return false;
  // Of several names the last is what this reads; those before it are in its type.
  const std::size_t comma = statement.find(',');
  const std::string_view first = statement.substr(0, comma);
  const auto alone = declaration_of(language_, std::string(first) + " = 0");
  if (!alone || alone->type.empty()) return false;
  std::string_view rest = first.substr(first.rfind(alone->name));
  if (comma != std::string_view::npos) rest = statement.substr(first.rfind(alone->name));
  while (!rest.empty()) {
    const std::size_t end = std::min(rest.find(','), rest.size());
    std::string_view name = rest.substr(0, end);
    while (!name.empty() && is_in(name.front(), statement_blanks)) name.remove_prefix(1);
    while (!name.empty() && is_in(name.back(), statement_blanks)) name.remove_suffix(1);
    if (name.empty() || !std::all_of(name.begin(), name.end(), is_word_part)) return false;
    types_.emplace_back(name, alone->type);
    rest.remove_prefix(std::min(end + 1, rest.size()));
  }
  return true;
}

const std::string* OpenNames::type_of(std::string_view name) const {
  const auto found = std::find_if(types_.begin(), types_.end(),
                                  [&](const auto& one) { return one.first == name; });
  return found == types_.end() ? nullptr : &found->second;
}

}  // namespace inky::inline v1
