// Checks the format calls of source files, and reports each fault where it stands.
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

#include "findings.hpp"

namespace inky::cli {

class CallChecker {
 public:
  // `lists_unchecked`: a call that cannot be checked is reported too.
  CallChecker(const Demands& demands, bool lists_unchecked, Findings& findings)
      : demands_(demands), lists_unchecked_(lists_unchecked), findings_(findings) {}

  // The name of the file must outlive the findings.
  void check(const std::string& name, const SourceLanguage& language,
             std::span<const CallForm> calls, const ByteSource& source);

  std::size_t faults() const { return faults_; }
  // "2 files, 17 calls, 3 faults".
  std::string summary() const;

 private:
  struct Known {
    std::vector<Fault> faults;
    std::string why_not;  // empty: the call was checked
  };

  void take(const FoundCall& call);
  void leave(const FoundCall& call, std::string_view why);
  const Known& look(const FoundCall& call);
  Known checked(const FoundCall& call) const;

  Demands demands_;
  bool lists_unchecked_;
  Findings& findings_;
  const std::string* name_ = nullptr;
  std::unordered_map<std::string, Known> known_;
  std::size_t files_ = 0;
  std::size_t calls_ = 0;
  std::size_t faults_ = 0;
  std::size_t unchecked_ = 0;
};

}  // namespace inky::cli
