// What `inky check` found in source files, in one of its forms. Each is written as it comes: what
// is kept in memory does not grow with what is found.
#pragma once

#include <functional>
#include <map>
#include <memory>
#include <string>
#include <string_view>
#include <utility>
#include <vector>

#include "inky_margin/check/check.hpp"
#include "inky_margin/scan/scan.hpp"
#include "screen.hpp"

namespace inky::cli {

// One fault at its place in a file.
struct FileFinding {
  const std::string* file = nullptr;
  const SourceLanguage* language = nullptr;
  Position from;
  Position to;
  std::string call;  // the name of it; empty: none
  std::shared_ptr<const Fault> fault;
  bool stands_verbatim = false;  // its span in the template is in the file as it is
  std::uint64_t fingerprint = 0;

  // What would be right in its place; empty: there is no telling.
  std::string_view repair() const {
    return stands_verbatim ? std::string_view(fault->repair) : std::string_view();
  }
  // A call that was not checked is no fault.
  bool is_fault() const { return fault->code != Code::not_checked; }
};

// Of a whole run.
struct CheckTotals {
  std::size_t files = 0;
  std::size_t calls = 0;
  std::size_t errors = 0;  // faults by severity
  std::size_t warnings = 0;
  std::size_t not_checked = 0;  // calls
  std::size_t accepted = 0;     // faults that a remark accepts
  std::size_t known = 0;        // faults that the file of known faults has
  std::size_t not_shown = 0;    // faults over the most that are shown
  std::size_t skipped = 0;      // files of no known language
  std::size_t excluded = 0;     // files
  std::map<std::pair<std::string_view, Code>, std::size_t> counts;  // faults by language and code
  std::vector<Error> troubles;                                      // what could not be read

  std::size_t faults() const { return errors + warnings; }
};

// Where the text goes. False where it cannot be written; the sink reports why.
using TextSink = std::function<bool(std::string_view)>;

// Each call returns false where something could not be written.
class Findings {
 public:
  virtual ~Findings() = default;
  virtual bool take(const FileFinding& finding) = 0;
  // All of a file's findings were taken.
  virtual bool end_file(const std::string& name) {
    (void)name;
    return true;
  }
  virtual bool finish(const CheckTotals& totals) = 0;
};

enum class FindingForm : std::uint8_t { lines, counts, json, sarif, annotations, junit };
inline constexpr std::size_t form_count = 6;

// `look`: of lines and counts.
std::unique_ptr<Findings> make_findings(FindingForm form, const Look& look, TextSink sink);

// ---- What they are made of ----

// "%d reads an int; compiles, and anything may be printed; write %g"
std::string message_of(const FileFinding& finding);

// Text that is handed to a sink when it has become long.
class TextInPieces {
 public:
  explicit TextInPieces(TextSink sink) : sink_(std::move(sink)) {}
  bool put(std::string_view text) {
    held_ += text;
    return held_.size() < enough || flush();
  }
  bool flush() {
    good_ = good_ && (held_.empty() || sink_(held_));
    held_.clear();
    return good_;
  }

 private:
  static constexpr std::size_t enough = std::size_t{1} << 16;
  TextSink sink_;
  std::string held_;
  bool good_ = true;
};

std::unique_ptr<Findings> make_sarif(TextSink sink);
std::unique_ptr<Findings> make_annotations(TextSink sink);
std::unique_ptr<Findings> make_junit(TextSink sink);

}  // namespace inky::cli
