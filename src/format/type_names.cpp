#include "type_names.hpp"

#include <algorithm>

#include "inky_margin/format/value.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

std::vector<std::string_view> type_names() {
  std::vector<std::string_view> out;
  out.reserve(all_types().size());
  for (const TypeFact& fact : all_types()) out.push_back(fact.name);
  return out;
}

bool looks_like_type(std::string_view text) {
  const std::size_t letters = text.starts_with("bf") ? 2 : 1;
  if (text.size() <= letters || std::string_view("iufb").find(text[0]) == std::string_view::npos)
    return false;
  return std::all_of(text.begin() + static_cast<std::ptrdiff_t>(letters), text.end(), is_digit);
}

}  // namespace inky::inline v1
