// One request of the contract for machines, read member by member. docs/contract.md.
#pragma once

#include <initializer_list>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "json_reader.hpp"

namespace inky::inline v1 {

// The first fault stays; after it nothing is read any more, so that a command reads all it wants
// and looks for the fault once. A member that is not there leaves its target as it was.
class RequestReader {
 public:
  // `keys` are all that such a request may have, `form` is an example of one. Both outlive this.
  RequestReader(std::string_view line, std::span<const std::string_view> keys,
                std::string_view form);

  const std::optional<Error>& fault() const { return fault_; }
  void fail(Error error);

  // Null where it is not there, or something failed.
  const Json* find(std::string_view key) const;
  // All of them, as they came.
  const std::vector<JsonMember>& members() const { return json_.members; }
  void needs(std::initializer_list<std::string_view> keys);
  void text(std::string_view key, std::string& to);
  void texts(std::string_view key, std::vector<std::string>& to);
  // An object of strings: names, and the text in place of them.
  void texts_by_name(std::string_view key, std::vector<std::pair<std::string, std::string>>& to);
  void values(std::string_view key, std::vector<Value>& to);
  void types(std::string_view key, std::vector<Type>& to);
  void dialect(std::string_view key, const Dialect*& to);

  // The fault of a member that is not `kind`: "a string".
  void wrong_kind(std::string_view key, std::string_view kind);

 private:
  void read(std::string_view line, std::span<const std::string_view> keys);

  std::string_view form_;
  Json json_;
  std::optional<Error> fault_;
};

}  // namespace inky::inline v1
