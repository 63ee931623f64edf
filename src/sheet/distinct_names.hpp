// Names of columns, of which no two may be alike: a later one gets its number behind it.
#pragma once

#include <string>
#include <unordered_map>
#include <unordered_set>

namespace inky::inline v1 {

class DistinctNames {
 public:
  // "mass", then "mass (2)", "mass (3)".
  std::string take(const std::string& name) {
    std::string out = name;
    while (!known_.insert(out).second)
      out = name + " (" + std::to_string(++counts_.try_emplace(name, 1).first->second) + ")";
    return out;
  }

 private:
  std::unordered_set<std::string> known_;
  std::unordered_map<std::string, int> counts_;  // how far the numbers of a name have got
};

}  // namespace inky::inline v1
