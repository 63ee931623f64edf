// The forms of calls, by their names.
#pragma once

#include <functional>
#include <map>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/scan/scan.hpp"

namespace inky::inline v1 {

using FormList = std::vector<const CallForm*>;

class Forms {
 public:
  explicit Forms(std::span<const CallForm> calls);
  // Those of a path, in the order of the table.
  std::vector<const CallForm*> find(std::string_view path) const;

 private:
  struct Entry {
    std::string path;
    const CallForm* form;
  };
  std::multimap<std::string, Entry, std::less<>> by_name_;
};

}  // namespace inky::inline v1
