#include "findings.hpp"

#include <algorithm>
#include <vector>

#include "contract.hpp"
#include "inky_margin/text/escape.hpp"
#include "version.hpp"

namespace inky::cli {

namespace {

std::string message_of(const Finding& finding) {
  std::string out = finding.fault.message;
  // A warning is of something that prints: there is no more to say about that.
  if (finding.fault.severity == Severity::error && !finding.fault.effect.empty())
    out += "; " + finding.fault.effect;
  if (!finding.fault.repair.empty()) out += "; write " + finding.fault.repair;
  return visible(out);
}

class FindingLines final : public Findings {
 public:
  explicit FindingLines(TextSink sink) : sink_(std::move(sink)) {}
  void take(const Finding& finding) override {
    out_ += visible(*finding.file) + ":" + std::to_string(finding.from.line) + ":" +
            std::to_string(finding.from.column) + ": " +
            std::string(name_of(finding.fault.severity)) + ": " + message_of(finding) + " [" +
            std::string(name_of(finding.fault.code)) + "]\n";
    constexpr std::size_t enough = std::size_t{1} << 16;
    if (out_.size() > enough) finish();
  }
  bool finish() override {
    is_written_ = is_written_ && sink_(out_);
    out_.clear();
    return is_written_;
  }

 private:
  TextSink sink_;
  bool is_written_ = true;
  std::string out_;
};

class JsonFindings final : public Findings {
 public:
  explicit JsonFindings(TextSink sink) : sink_(std::move(sink)) {}
  void take(const Finding& finding) override {
    const Fault& fault = finding.fault;
    faults_.push_back(
        {{"file", *finding.file},
         {"line", finding.from.line},
         {"column", finding.from.column},
         {"to_line", finding.to.line},
         {"to_column", finding.to.column},
         {"call", finding.call},
         {"code", name_of(fault.code)},
         {"severity", name_of(fault.severity)},
         {"message", fault.message},
         {"effect", fault.effect},
         {"repair", fault.repair.empty() ? JsonOut(nullptr) : JsonOut(fault.repair)}});
  }
  bool finish() override { return sink_(spread({{"ok", ok_}, {"faults", std::move(faults_)}})); }

 private:
  TextSink sink_;
  JsonOut faults_ = JsonOut::array();
  bool ok_ = true;  // a call that was not checked is no fault
};

// A file name as a relative URI: RFC 3986, 2.1.
std::string uri_of(std::string_view path) {
  constexpr std::string_view digits = "0123456789ABCDEF";
  std::string out;
  for (const char byte : path) {
    const bool plain = (byte >= 'a' && byte <= 'z') || (byte >= 'A' && byte <= 'Z') ||
                       (byte >= '0' && byte <= '9') ||
                       std::string_view("-._~/").find(byte) != std::string_view::npos;
    if (plain) {
      out += byte;
    } else {
      const auto unit = static_cast<unsigned char>(byte);
      out += '%';
      out += digits[unit >> 4U];
      out += digits[unit & 15U];
    }
  }
  return out;
}

// SARIF 2.1.0, the OASIS standard: 3.13 a log, 3.14 a run, 3.27 a result, 3.55 a fix.
class Sarif final : public Findings {
 public:
  explicit Sarif(TextSink sink) : sink_(std::move(sink)) {}
  void take(const Finding& finding) override {
    const Fault& fault = finding.fault;
    const JsonOut region = {{"startLine", finding.from.line},
                            {"startColumn", finding.from.column},
                            {"endLine", finding.to.line},
                            {"endColumn", finding.to.column}};
    const JsonOut artifact = {{"uri", uri_of(*finding.file)}};
    JsonOut location = JsonOut::object();
    location["physicalLocation"] = {{"artifactLocation", artifact}, {"region", region}};
    JsonOut result = {{"ruleId", name_of(fault.code)},
                      {"level", fault.severity == Severity::error ? "error" : "warning"}};
    std::string message = fault.message;
    if (!fault.effect.empty()) message += "; " + fault.effect;
    result["message"] = {{"text", std::move(message)}};
    result["locations"] = JsonOut::array({std::move(location)});
    if (!fault.repair.empty()) {
      JsonOut replacement = JsonOut::object();
      replacement["deletedRegion"] = region;
      replacement["insertedContent"] = {{"text", fault.repair}};
      JsonOut change = JsonOut::object();
      change["artifactLocation"] = artifact;
      change["replacements"] = JsonOut::array({std::move(replacement)});
      JsonOut fix = JsonOut::object();
      fix["description"] = {{"text", "write " + fault.repair}};
      fix["artifactChanges"] = JsonOut::array({std::move(change)});
      result["fixes"] = JsonOut::array({std::move(fix)});
    }
    results_.push_back(std::move(result));
    if (std::find(rules_.begin(), rules_.end(), fault.code) == rules_.end())
      rules_.push_back(fault.code);
  }
  bool finish() override {
    JsonOut rules = JsonOut::array();
    for (const Code code : rules_) {
      JsonOut rule = {{"id", name_of(code)}};
      rule["shortDescription"] = {{"text", sentence_of(code)}};
      rules.push_back(std::move(rule));
    }
    JsonOut driver = {{"name", "inky"}, {"version", INKY_VERSION}};
    driver["rules"] = std::move(rules);
    JsonOut run = JsonOut::object();
    run["tool"] = {{"driver", std::move(driver)}};
    run["columnKind"] = "unicodeCodePoints";
    run["results"] = std::move(results_);
    JsonOut log = {{"$schema", "https://json.schemastore.org/sarif-2.1.0.json"},
                   {"version", "2.1.0"}};
    log["runs"] = JsonOut::array({std::move(run)});
    return sink_(spread(log));
  }

 private:
  TextSink sink_;
  JsonOut results_ = JsonOut::array();
  std::vector<Code> rules_;
};

}  // namespace

std::unique_ptr<Findings> make_findings(FindingForm form, TextSink sink) {
  switch (form) {
    case FindingForm::json:
      return std::make_unique<JsonFindings>(std::move(sink));
    case FindingForm::sarif:
      return std::make_unique<Sarif>(std::move(sink));
    default:
      return std::make_unique<FindingLines>(std::move(sink));
  }
}

}  // namespace inky::cli
