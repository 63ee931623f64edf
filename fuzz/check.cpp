// Any bytes as a source file that `inky check` reads in pieces: the report is UTF-8, its JSON is
// JSON to another reader too, and no fault stands outside of the file. The first byte chooses the
// language, the second the demands and the form of the report.

#include <algorithm>
#include <cstdlib>
#include <cstring>
#include <nlohmann/json.hpp>

#include "sources/call_checker.hpp"
#include "sources/fault_gate.hpp"
#include "text/utf8.hpp"

namespace {

using namespace inky;
using namespace inky::cli;

// Passes findings on, after a look at their places.
class Watched final : public Findings {
 public:
  Watched(Findings& behind, std::size_t size) : behind_(behind), size_(size) {}
  bool take(const FileFinding& finding) override {
    if (finding.from.offset > finding.to.offset || finding.to.offset > size_) std::abort();
    return behind_.take(finding);
  }
  bool end_file(const std::string& name) override { return behind_.end_file(name); }
  bool finish(const CheckTotals& totals) override { return behind_.finish(totals); }

 private:
  Findings& behind_;
  std::size_t size_;
};

}  // namespace

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
  if (size < 2) return 0;
  const auto languages = all_languages();
  const SourceLanguage& language = languages[data[0] % languages.size()];
  const unsigned choice = data[1];
  const std::string_view text(reinterpret_cast<const char*>(data) + 2, size - 2);
  const auto form = static_cast<FindingForm>((choice & 3U) + ((choice & 128U) != 0 ? 2U : 0U));
  std::string report;
  const auto findings = make_findings(form, {}, [&](std::string_view piece) {
    report += piece;
    return true;
  });
  Watched watched(*findings, text.size());
  Demands demands;
  demands.same_everywhere = (choice & 4U) != 0;
  demands.ends_line = (choice & 8U) != 0;
  demands.most_columns = (choice & 16U) != 0 ? 40 : 0;
  CallChecker checker(demands, (choice & 32U) != 0);
  std::size_t at = 0;
  const std::size_t piece = (choice & 64U) != 0 ? 7 : text.size() + 1;
  const std::string name = "seed";
  const ByteSource source = [&](char* into, std::size_t most) {
    const std::size_t count = std::min({piece, most, text.size() - at});
    std::memcpy(into, text.data() + at, count);
    at += count;
    return count;
  };
  CheckedFile checked = checker.check(name, language, language.calls, {}, source);
  FaultGate gate;
  CheckTotals totals;
  if (!gate.pass(checked, name, language, watched, totals, nullptr)) std::abort();
  if (!watched.finish(totals)) std::abort();
  if (!is_utf8(report)) std::abort();
  const bool is_json = form == FindingForm::json || form == FindingForm::sarif;
  if (is_json && !nlohmann::json::accept(report)) std::abort();
  return 0;
}
