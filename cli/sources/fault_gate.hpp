// Decides which findings are reported: those that are asked for, accepted by no remark, on changed
// lines, and not known before.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "call_checker.hpp"
#include "changed_lines.hpp"
#include "fault_names.hpp"
#include "known_faults.hpp"

namespace inky::cli {

struct FaultGate {
  CodeChoice codes;
  std::optional<ChangedLines> changed;
  std::optional<KnownFaults> known;
  std::size_t most_shown = 0;  // 0: all

  // Hands on what is reported of a file, in the order of its lines, and counts in `totals`. Kept
  // are the entries of a new file of known faults, where `entries` is not null. False where
  // something could not be written.
  bool pass(CheckedFile& checked, const std::string& name, const SourceLanguage& language,
            Findings& findings, CheckTotals& totals, std::vector<KnownFaults::Entry>* entries);

 private:
  std::size_t shown_ = 0;
};

}  // namespace inky::cli
