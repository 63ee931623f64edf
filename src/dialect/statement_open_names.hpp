// Names that are declared without a value, and get one later: int i, n;
#pragma once

#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "dialect/language_facts.hpp"

namespace inky::inline v1 {

class OpenNames {
 public:
  explicit OpenNames(const LanguageFacts& language) : language_(language) {}

  // Whether a statement is nothing but such names, which are kept then.
  bool add(std::string_view statement);
  // int i, n = 3: what is behind the names without a value, as a declaration by itself.
  std::string behind(std::string_view statement);
  // The type of a name; null where it is none of these.
  const std::string* type_of(std::string_view name) const;

 private:
  const LanguageFacts& language_;
  std::vector<std::pair<std::string, std::string>> types_;
};

}  // namespace inky::inline v1
