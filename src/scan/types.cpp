#include "types.hpp"

#include <algorithm>

namespace inky::inline v1 {

namespace {

// A name for a name for a name.
constexpr int most_names_in_a_row = 8;

}  // namespace

void Types::add(Table& table, const std::string& name, const std::string& type) {
  const auto found = table.find(name);
  if (found == table.end()) {
    if (table.size() < most_entries) table.emplace(name, type);
  } else if (found->second != type) {
    found->second.clear();
  }
}

const std::string* Types::find(Table Types::*table, const std::string& name) const {
  const auto own = (this->*table).find(name);
  if (own != (this->*table).end()) return &own->second;
  static const std::string unknown;
  const std::string* out = nullptr;
  for (const Types* other : included_) {
    const auto found = (other->*table).find(name);
    if (found == (other->*table).end()) continue;
    if (out != nullptr && *out != found->second) return &unknown;
    out = &found->second;
  }
  return out;
}

std::string Types::without_keyword(std::string_view type) {
  for (const std::string_view keyword : {"struct ", "union ", "class "}) {
    if (type.starts_with(keyword)) type.remove_prefix(keyword.size());
  }
  return std::string(type);
}

bool Types::is_of_language(std::string_view type) const {
  return std::any_of(lexis_.types.begin(), lexis_.types.end(),
                     [&](const TypeNameFact& fact) { return fact.name == type; });
}

std::string Types::resolved(std::string_view type) const {
  constexpr std::string_view enumeration = "enum ";
  // gcc 12, where no constant of it is negative.
  constexpr std::string_view type_of_enumeration = "unsigned int";
  std::string base = without_keyword(type);
  std::string pointers;
  for (int i = 0; i < most_names_in_a_row; ++i) {
    while (base.ends_with('*')) {
      pointers += '*';
      base.pop_back();
    }
    if (base.starts_with(enumeration)) base = type_of_enumeration;
    if (base.empty() || is_of_language(base)) break;
    const auto* const fact = std::find_if(
        lexis_.named_types.data(), lexis_.named_types.data() + lexis_.named_types.size(),
        [&](const NamedTypeFact& one) { return one.name == base; });
    const std::string* const named = find(&Types::named_, base);
    std::string next = named == nullptr ? std::string() : *named;
    const bool is_fact = fact != lexis_.named_types.data() + lexis_.named_types.size();
    if (next.empty() && is_fact && named == nullptr) next = std::string(fact->type);
    if (next.empty()) {
      // What this source says twice is not known.
      if (named != nullptr) return {};
      break;
    }
    base = without_keyword(next);
  }
  return base.empty() ? std::string() : base + pointers;
}

std::string Types::field(std::string_view structure, std::string_view name) const {
  const std::string of = resolved(structure);
  const std::string* const found =
      of.empty() ? nullptr : find(&Types::fields_, of + "." + std::string(name));
  return found == nullptr ? std::string() : *found;
}

std::string Types::result(std::string_view function) const {
  if (const std::string* const found = find(&Types::results_, std::string(function))) return *found;
  for (const NamedTypeFact& fact : lexis_.named_types) {
    if (fact.name.ends_with("()") && fact.name.substr(0, fact.name.size() - 2) == function)
      return std::string(fact.type);
  }
  return {};
}

bool Types::is_type(std::string_view name) const {
  const std::string base(name.substr(0, name.find('*')));
  return is_of_language(base) || base == "void" || tags_.contains(base) ||
         named_.contains(without_keyword(base)) || without_keyword(base) != base ||
         std::any_of(lexis_.named_types.begin(), lexis_.named_types.end(),
                     [&](const NamedTypeFact& fact) { return fact.name == base; });
}

}  // namespace inky::inline v1
