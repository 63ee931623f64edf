#include "fault_gate.hpp"

#include <algorithm>
#include <filesystem>

namespace inky::cli {

bool FaultGate::pass(CheckedFile& checked, const std::string& name, const SourceLanguage& language,
                     Findings& findings, CheckTotals& totals,
                     std::vector<KnownFaults::Entry>* entries) {
  ++totals.files;
  totals.calls += checked.calls;
  totals.not_checked += checked.not_checked;
  std::vector<FileFinding>& found = checked.findings;
  std::erase_if(found, [&](const FileFinding& one) {
    if (!codes.reports(one.fault->code)) return true;
    const bool is_accepted = checked.accepted.accept(one.from.line, one.fault->code);
    totals.accepted += is_accepted && one.is_fault() ? 1 : 0;
    return is_accepted;
  });
  if (!checked.accepted.empty()) {
    for (FileFinding& one : checked.accepted.faults(name, codes)) {
      one.language = &language;
      found.push_back(std::move(one));
    }
    std::stable_sort(found.begin(), found.end(), [](const FileFinding& a, const FileFinding& b) {
      return a.from.offset < b.from.offset;
    });
  }
  std::string path;
  if (changed) {
    std::error_code failed;
    path = std::filesystem::weakly_canonical(name, failed).string();
  }
  for (const FileFinding& one : found) {
    if (changed && !changed->touches(path, {one.from.line, one.to.line})) continue;
    if (one.is_fault()) {
      if (entries != nullptr) {
        entries->push_back({name, one.fingerprint, one.fault->code});
        continue;
      }
      if (known && known->take(name, one.fingerprint)) {
        ++totals.known;
        continue;
      }
      ++(one.fault->severity == Severity::error ? totals.errors : totals.warnings);
      ++totals.counts[{language.id, one.fault->code}];
    }
    if (most_shown != 0 && shown_ == most_shown) {
      ++totals.not_shown;
      continue;
    }
    ++shown_;
    if (!findings.take(one)) return false;
  }
  return findings.end_file(name);
}

}  // namespace inky::cli
