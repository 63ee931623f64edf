// Checks the format calls of source files, and finds each fault where it stands.
#pragma once

#include <memory>
#include <span>
#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

#include "findings.hpp"
#include "remarks.hpp"

namespace inky::cli {

// Of one file.
struct CheckedFile {
  std::vector<FileFinding> findings;  // in the order of the calls
  AcceptedFaults accepted;
  std::size_t calls = 0;
  std::size_t not_checked = 0;
};

class CallChecker {
 public:
  // `lists_unchecked`: a call that cannot be checked is a finding too.
  CallChecker(const Demands& demands, bool lists_unchecked)
      : demands_(demands), lists_unchecked_(lists_unchecked) {}

  // The name of the file must outlive the findings.
  CheckedFile check(const std::string& name, const SourceLanguage& language,
                    std::span<const CallForm> calls, std::span<const SourceFacts* const> included,
                    const ByteSource& source);

 private:
  struct Known {
    std::vector<std::shared_ptr<const Fault>> faults;
    std::shared_ptr<const Fault> not_checked;  // null: the call was checked
  };

  void take(const FoundCall& call);
  void leave(const FoundCall& call, std::shared_ptr<const Fault> why);
  const Known& look(const FoundCall& call);
  Known checked(const FoundCall& call) const;
  FileFinding finding_of(const FoundCall& call, std::shared_ptr<const Fault> fault) const;

  Demands demands_;
  bool lists_unchecked_;
  const std::string* name_ = nullptr;
  const SourceLanguage* language_ = nullptr;
  std::unordered_map<std::string, Known> known_;
  CheckedFile out_;
};

}  // namespace inky::cli
