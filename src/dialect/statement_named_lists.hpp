// The names of arrays and lists among statements, and what is known of each.
#pragma once

#include <functional>
#include <map>
#include <set>
#include <string>
#include <string_view>

#include "dialect/statement_arrays.hpp"
#include "dialect/statement_sizes.hpp"

namespace inky::inline v1 {

class NamedLists {
 public:
  explicit NamedLists(const LanguageFacts& language) : language_(language) {}

  struct List {
    std::string item_type;
    bool is_array = true;
    bool is_fixed = false;
    bool never_changes = false;
  };

  void add(const ArrayDeclaration& array);
  // char line[80]; which has no value yet. False where a statement is no such declaration.
  bool add_open(std::string_view statement);
  // `is_looped`: a loop goes through it. REQUIRES: the name is one of a list.
  bool may_change(const NamedChange& change, bool is_looped) const;
  // Null where a name is none of a list.
  const List* find(std::string_view name) const;
  // Another name gets the value of a list, where an expression is nothing but that: b = a.
  void copy(std::string_view expression, const std::string& name);
  // Whether a declaration shows an array, or one of two names that may share a value changes: b = a.
  bool is_unsure(const Declaration& declared) const;
  // Whether an expression is nothing but such a name, so that it gives the list away: b = a.
  bool is_list(std::string_view expression) const;
  // Whether an array is used as a whole: what that shows is not what a list shows.
  bool shows_array(const computed::Node& node) const;
  // The same of an expression as it is written.
  bool shows_array_in(const std::string& expression) const;
  // Whether a chain of a stream has the name of one, and not only of a part of it.
  bool names_array(std::string_view chain) const;
  void put_sizes_into(std::string& source, std::size_t from, std::size_t to) const {
    sizes_.put_into(source, from, to);
  }

 private:
  const LanguageFacts& language_;
  std::map<std::string, List, std::less<>> lists_;
  std::set<std::string, std::less<>> shared_;
  ArraySizes sizes_;
};

// Whether some statements give one of these names another value.
bool changes_any(std::span<const StatementStep> steps, std::span<const std::string> names);

}  // namespace inky::inline v1
