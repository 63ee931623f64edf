// The forms of calls, by their names.
#pragma once

#include <functional>
#include <map>
#include <span>
#include <string>
#include <string_view>
#include <unordered_set>
#include <vector>

#include "inky_margin/scan/scan.hpp"

namespace inky::inline v1 {

using FormList = std::vector<const CallForm*>;

class Forms {
 public:
  explicit Forms(std::span<const CallForm> calls);
  // Those of a path, in the order of the table.
  std::vector<const CallForm*> find(std::string_view path) const;
  // Whether a form is a method of what this call returns: "getLogger().info".
  bool has_called(std::string_view path) const;

 private:
  struct Entry {
    std::string path;
    const CallForm* form;
  };
  std::multimap<std::string, Entry, std::less<>> by_name_;
  std::unordered_set<std::string> called_;
};

}  // namespace inky::inline v1
