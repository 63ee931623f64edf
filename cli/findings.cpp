#include "findings.hpp"

#include <algorithm>
#include <vector>

#include "contract/json_writer.hpp"
#include "text/escape.hpp"
#include "version.hpp"

namespace inky::cli {

namespace {

std::string message_of(const FileFinding& finding) {
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
  void take(const FileFinding& finding) override {
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

// These reports begin with facts about all findings, so findings are kept until the end.
class GatheredFindings : public Findings {
 public:
  explicit GatheredFindings(TextSink sink) : sink_(std::move(sink)) {}
  void take(const FileFinding& finding) override { findings_.push_back(finding); }
  bool finish() override {
    JsonWriter out(JsonWriter::Form::spread);
    write(findings_, out);
    return sink_(out.string() + "\n");
  }

 private:
  virtual void write(const std::vector<FileFinding>& findings, JsonWriter& out) const = 0;

  TextSink sink_;
  std::vector<FileFinding> findings_;
};

class JsonFindings final : public GatheredFindings {
 public:
  using GatheredFindings::GatheredFindings;

 private:
  void write(const std::vector<FileFinding>& findings, JsonWriter& out) const override {
    // A call that was not checked is no fault.
    const auto is_fault = [](const FileFinding& one) {
      return one.fault.code != Code::not_checked;
    };
    out.open_object();
    out.member_truth("ok", std::none_of(findings.begin(), findings.end(), is_fault));
    out.open_list("faults");
    for (const FileFinding& finding : findings) write_one(finding, out);
    out.close_list();
    out.close_object();
  }
  static void write_one(const FileFinding& finding, JsonWriter& out) {
    const Fault& fault = finding.fault;
    out.open_object();
    out.member("file", *finding.file);
    out.member_number("line", finding.from.line);
    out.member_number("column", finding.from.column);
    out.member_number("to_line", finding.to.line);
    out.member_number("to_column", finding.to.column);
    out.member("call", finding.call);
    out.member("code", name_of(fault.code));
    out.member("severity", name_of(fault.severity));
    out.member("message", fault.message);
    out.member("effect", fault.effect);
    out.member_or_null("repair", fault.repair);
    out.close_object();
  }
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
class Sarif final : public GatheredFindings {
 public:
  using GatheredFindings::GatheredFindings;

 private:
  void write(const std::vector<FileFinding>& findings, JsonWriter& out) const override {
    out.open_object();
    out.member("$schema", "https://json.schemastore.org/sarif-2.1.0.json");
    out.member("version", "2.1.0");
    out.open_list("runs");
    out.open_object();
    out.open_object("tool");
    write_driver(findings, out);
    out.close_object();
    out.member("columnKind", "unicodeCodePoints");
    out.open_list("results");
    for (const FileFinding& finding : findings) write_result(finding, out);
    out.close_list();
    out.close_object();
    out.close_list();
    out.close_object();
  }

  static void write_driver(const std::vector<FileFinding>& findings, JsonWriter& out) {
    std::vector<Code> rules;
    for (const FileFinding& finding : findings) {
      if (std::find(rules.begin(), rules.end(), finding.fault.code) == rules.end())
        rules.push_back(finding.fault.code);
    }
    out.open_object("driver");
    out.member("name", "inky");
    out.member("version", INKY_VERSION);
    out.open_list("rules");
    for (const Code code : rules) {
      out.open_object();
      out.member("id", name_of(code));
      write_message("shortDescription", sentence_of(code), out);
      out.close_object();
    }
    out.close_list();
    out.close_object();
  }

  static void write_result(const FileFinding& finding, JsonWriter& out) {
    const Fault& fault = finding.fault;
    out.open_object();
    out.member("ruleId", name_of(fault.code));
    out.member("level", fault.severity == Severity::error ? "error" : "warning");
    write_message("message",
                  fault.effect.empty() ? fault.message : fault.message + "; " + fault.effect, out);
    out.open_list("locations");
    out.open_object();
    out.open_object("physicalLocation");
    write_artifact(finding, out);
    write_region("region", finding, out);
    out.close_object();
    out.close_object();
    out.close_list();
    if (!fault.repair.empty()) write_fix(finding, out);
    out.close_object();
  }

  static void write_fix(const FileFinding& finding, JsonWriter& out) {
    out.open_list("fixes");
    out.open_object();
    write_message("description", "write " + finding.fault.repair, out);
    out.open_list("artifactChanges");
    out.open_object();
    write_artifact(finding, out);
    out.open_list("replacements");
    out.open_object();
    write_region("deletedRegion", finding, out);
    write_message("insertedContent", finding.fault.repair, out);
    out.close_object();
    out.close_list();
    out.close_object();
    out.close_list();
    out.close_object();
    out.close_list();
  }

  static void write_message(std::string_view name, std::string_view text, JsonWriter& out) {
    out.open_object(name);
    out.member("text", text);
    out.close_object();
  }
  static void write_artifact(const FileFinding& finding, JsonWriter& out) {
    out.open_object("artifactLocation");
    out.member("uri", uri_of(*finding.file));
    out.close_object();
  }
  static void write_region(std::string_view name, const FileFinding& finding, JsonWriter& out) {
    out.open_object(name);
    out.member_number("startLine", finding.from.line);
    out.member_number("startColumn", finding.from.column);
    out.member_number("endLine", finding.to.line);
    out.member_number("endColumn", finding.to.column);
    out.close_object();
  }
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
