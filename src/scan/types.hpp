// What a source states of its own types, where declarations begin with a type: names that it gives
// to types, the fields of its structures, and what its functions return.
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

#include "dialect/lexis.hpp"

namespace inky::inline v1 {

class Types {
 public:
  explicit Types(const Lexis& lexis) : lexis_(lexis) {}

  // What is stated twice, and not alike, as on both sides of an #if, is known no more.
  void name_type(const std::string& name, const std::string& type) { add(named_, name, type); }
  void add_field(const std::string& structure, const std::string& name, const std::string& type) {
    add(fields_, without_keyword(structure) + "." + name, type);
  }
  void add_result(const std::string& function, const std::string& type) {
    add(results_, function, type);
  }

  // struct room, union room
  void add_tag(const std::string& name) { add(tags_, name, name); }

  // Those of sources that this one includes.
  void include(const Types& other) { included_.push_back(&other); }

  // A type by the name that Lexis::types has, with a * for each pointer: "time_t" is "long". Empty
  // where it is not known.
  std::string resolved(std::string_view type) const;
  std::string field(std::string_view structure, std::string_view name) const;
  std::string result(std::string_view function) const;
  // Whether it is the name of a type, of the language or of this source.
  bool is_type(std::string_view name) const;

 private:
  using Table = std::unordered_map<std::string, std::string>;
  static constexpr std::size_t most_entries = 20000;  // of each table

  static void add(Table& table, const std::string& name, const std::string& type);
  static std::string without_keyword(std::string_view type);
  // What this source says, or all that it includes say alike; null where nobody says anything.
  const std::string* find(Table Types::*table, const std::string& name) const;
  bool is_of_language(std::string_view type) const;

  const Lexis& lexis_;
  Table named_;
  Table fields_;
  Table results_;
  Table tags_;
  std::vector<const Types*> included_;
};

}  // namespace inky::inline v1
