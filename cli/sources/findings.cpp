#include "findings.hpp"

#include <algorithm>

#include "contract/json_writer.hpp"
#include "text/escape.hpp"

namespace inky::cli {

std::string message_of(const FileFinding& finding) {
  const Fault& fault = *finding.fault;
  std::string out = fault.message;
  // A warning is of something that prints: there is no more to say about that.
  if (fault.severity == Severity::error && !fault.effect.empty()) out += "; " + fault.effect;
  if (const std::string_view repair = finding.repair(); !repair.empty())
    out += "; write " + std::string(repair);
  return visible(out);
}

namespace {

// As gcc prints what it finds, which editors read.
class FindingLines final : public Findings {
 public:
  FindingLines(const Look& look, TextSink sink) : look_(look), out_(std::move(sink)) {}
  bool take(const FileFinding& finding) override {
    const Fault& fault = *finding.fault;
    Screen line(look_);
    line.tinted(Tint::strong, visible(*finding.file) + ":" + std::to_string(finding.from.line) +
                                  ":" + std::to_string(finding.from.column) + ":");
    line.put(" ");
    const bool is_error = fault.severity == Severity::error;
    line.tinted(is_error ? Tint::warm : Tint::field, std::string(name_of(fault.severity)) + ":");
    line.put(" " + message_of(finding) + " ");
    line.tinted(Tint::dim, "[" + std::string(name_of(fault.code)) + "]");
    return out_.put(line.text() + "\n");
  }
  bool finish(const CheckTotals&) override { return out_.flush(); }

 private:
  Look look_;
  TextInPieces out_;
};

// How many there are, by language and code, the most first.
class FindingCounts final : public Findings {
 public:
  FindingCounts(const Look& look, TextSink sink) : look_(look), sink_(std::move(sink)) {}
  bool take(const FileFinding&) override { return true; }
  bool finish(const CheckTotals& totals) override {
    using Count = std::pair<std::pair<std::string_view, Code>, std::size_t>;
    std::vector<Count> counts(totals.counts.begin(), totals.counts.end());
    std::stable_sort(counts.begin(), counts.end(),
                     [](const Count& a, const Count& b) { return a.second > b.second; });
    std::size_t digits = 1;
    std::size_t language = 0;
    for (const Count& one : counts) {
      digits = std::max(digits, std::to_string(one.second).size());
      language = std::max(language, one.first.first.size());
    }
    Screen screen(look_);
    for (const auto& [what, count] : counts) {
      const std::string number = std::to_string(count);
      screen.put(std::string(digits - number.size(), ' ') + number + "  " +
                 std::string(what.first) + std::string(language - what.first.size(), ' ') + "  ");
      screen.line(std::string(name_of(what.second)));
    }
    return sink_(screen.text());
  }

 private:
  Look look_;
  TextSink sink_;
};

class JsonFindings final : public Findings {
 public:
  explicit JsonFindings(TextSink sink) : out_(std::move(sink)) {
    json_.open_object();
    json_.open_list("faults");
  }
  bool take(const FileFinding& finding) override {
    const Fault& fault = *finding.fault;
    json_.open_object();
    json_.member("file", *finding.file);
    json_.member_number("line", finding.from.line);
    json_.member_number("column", finding.from.column);
    json_.member_number("to_line", finding.to.line);
    json_.member_number("to_column", finding.to.column);
    json_.member("call", finding.call);
    json_.member("code", name_of(fault.code));
    json_.member("severity", name_of(fault.severity));
    json_.member("message", fault.message);
    json_.member("effect", fault.effect);
    json_.member_or_null("repair", finding.repair());
    json_.close_object();
    return out_.put(json_.taken());
  }
  bool finish(const CheckTotals& totals) override {
    json_.close_list();
    json_.member_truth("ok", totals.faults() == 0 && totals.troubles.empty());
    json_.open_object("summary");
    json_.member_number("files", totals.files);
    json_.member_number("calls", totals.calls);
    json_.member_number("errors", totals.errors);
    json_.member_number("warnings", totals.warnings);
    json_.member_number("not_checked", totals.not_checked);
    json_.member_number("accepted", totals.accepted);
    json_.member_number("known", totals.known);
    json_.member_number("not_shown", totals.not_shown);
    json_.member_number("skipped", totals.skipped);
    json_.member_number("excluded", totals.excluded);
    json_.open_list("counts");
    for (const auto& [what, count] : totals.counts) {
      json_.open_object();
      json_.member("language", what.first);
      json_.member("code", name_of(what.second));
      json_.member_number("count", count);
      json_.close_object();
    }
    json_.close_list();
    json_.close_object();
    json_.open_list("errors");
    for (const Error& error : totals.troubles) {
      json_.open_object();
      json_.member("code", name_of(error.code));
      json_.member("message", error.message);
      json_.member("remedy", error.remedy);
      json_.close_object();
    }
    json_.close_list();
    json_.close_object();
    return out_.put(json_.taken()) && out_.put("\n") && out_.flush();
  }

 private:
  JsonWriter json_{JsonWriter::Form::spread};
  TextInPieces out_;
};

}  // namespace

std::unique_ptr<Findings> make_findings(FindingForm form, const Look& look, TextSink sink) {
  switch (form) {
    case FindingForm::counts:
      return std::make_unique<FindingCounts>(look, std::move(sink));
    case FindingForm::json:
      return std::make_unique<JsonFindings>(std::move(sink));
    case FindingForm::sarif:
      return make_sarif(std::move(sink));
    case FindingForm::annotations:
      return make_annotations(std::move(sink));
    case FindingForm::junit:
      return make_junit(std::move(sink));
    default:
      return std::make_unique<FindingLines>(look, std::move(sink));
  }
}

}  // namespace inky::cli
