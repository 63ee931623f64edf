// SARIF 2.1.0, the OASIS standard: 3.13 a log, 3.14 a run, 3.20 an invocation, 3.27 a result,
// 3.49 a rule, 3.55 a fix.

#include <unistd.h>

#include <algorithm>
#include <filesystem>
#include <unordered_map>

#include "contract/json_writer.hpp"
#include "fault_names.hpp"
#include "findings.hpp"
#include "known_faults.hpp"
#include "version.hpp"

namespace inky::cli {

namespace {

namespace fs = std::filesystem;

constexpr const char* base_id = "SOURCES";

// A path within a URI: RFC 3986, 2.1.
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

class Sarif final : public Findings {
 public:
  explicit Sarif(TextSink sink) : out_(std::move(sink)) {
    std::error_code failed;
    folder_ = fs::current_path(failed);
    json_.open_object();
    json_.member("$schema", "https://json.schemastore.org/sarif-2.1.0.json");
    json_.member("version", "2.1.0");
    json_.open_list("runs");
    json_.open_object();
    json_.open_object("tool");
    write_driver();
    json_.close_object();
    json_.member("columnKind", "unicodeCodePoints");
    json_.open_object("originalUriBaseIds");
    json_.open_object(base_id);
    json_.member("uri", folder_uri());
    json_.close_object();
    json_.close_object();
    json_.open_list("results");
  }

  bool take(const FileFinding& finding) override {
    const Fault& fault = *finding.fault;
    const auto rules = reported_codes();
    const auto rule = std::find(rules.begin(), rules.end(), fault.code);
    json_.open_object();
    json_.member("ruleId", name_of(fault.code));
    if (rule != rules.end())
      json_.member_number("ruleIndex", static_cast<std::size_t>(rule - rules.begin()));
    json_.member("level", level_of(fault.code, fault.severity));
    if (!finding.is_fault()) json_.member("kind", "open");
    write_message("message",
                  fault.effect.empty() ? fault.message : fault.message + "; " + fault.effect);
    json_.open_list("locations");
    json_.open_object();
    json_.open_object("physicalLocation");
    write_artifact(finding);
    write_region("region", finding);
    json_.close_object();
    json_.close_object();
    json_.close_list();
    // Of faults that are alike in one file, each has its number.
    if (finding.file != file_) {
      file_ = finding.file;
      seen_.clear();
    }
    json_.open_object("partialFingerprints");
    json_.member("call/v1", fingerprint_text(finding.fingerprint) + ":" +
                                std::to_string(++seen_[finding.fingerprint]));
    json_.close_object();
    if (!finding.repair().empty()) write_fix(finding);
    json_.close_object();
    return out_.put(json_.taken());
  }

  bool finish(const CheckTotals& totals) override {
    json_.close_list();
    json_.open_list("invocations");
    json_.open_object();
    json_.member_truth("executionSuccessful", totals.troubles.empty());
    json_.open_object("workingDirectory");
    json_.member("uri", folder_uri());
    json_.close_object();
    json_.open_list("toolExecutionNotifications");
    for (const Error& error : totals.troubles) {
      json_.open_object();
      json_.open_object("descriptor");
      json_.member("id", name_of(error.code));
      json_.close_object();
      json_.member("level", "error");
      write_message("message", error.message);
      json_.close_object();
    }
    json_.close_list();
    json_.close_object();
    json_.close_list();
    json_.close_object();
    json_.close_list();
    json_.close_object();
    return out_.put(json_.taken()) && out_.put("\n") && out_.flush();
  }

 private:
  static const char* level_of(Code code, Severity severity) {
    if (code == Code::not_checked) return "none";
    return severity == Severity::error ? "error" : "warning";
  }

  std::string folder_uri() const { return "file://" + uri_of(folder_.generic_string() + "/"); }

  void write_driver() {
    json_.open_object("driver");
    json_.member("name", "inky");
    json_.member("version", INKY_VERSION);
    json_.member("semanticVersion", INKY_VERSION);
    json_.open_list("rules");
    for (const Code code : reported_codes()) {
      json_.open_object();
      json_.member("id", name_of(code));
      write_message("shortDescription", sentence_of(code));
      const auto codes = all_codes();
      const auto fact = std::find_if(codes.begin(), codes.end(),
                                     [&](const CodeFact& one) { return one.code == code; });
      const std::string advice(fact->advice);
      write_message("fullDescription", std::string(fact->sentence) + " " + advice);
      json_.open_object("help");
      json_.member("text", advice);
      json_.member("markdown", advice);
      json_.close_object();
      json_.member("helpUri", std::string(INKY_CODES_URI "#") + std::string(name_of(code)));
      json_.open_object("defaultConfiguration");
      json_.member("level", level_of(code, usual_severity(code)));
      json_.member_truth("enabled", !is_on_request(code));
      json_.close_object();
      json_.close_object();
    }
    json_.close_list();
    json_.close_object();
  }

  void write_fix(const FileFinding& finding) {
    const std::string repair(finding.repair());
    json_.open_list("fixes");
    json_.open_object();
    write_message("description", "write " + repair);
    json_.open_list("artifactChanges");
    json_.open_object();
    write_artifact(finding);
    json_.open_list("replacements");
    json_.open_object();
    write_region("deletedRegion", finding);
    write_message("insertedContent", repair);
    json_.close_object();
    json_.close_list();
    json_.close_object();
    json_.close_list();
    json_.close_object();
    json_.close_list();
  }

  void write_message(std::string_view name, std::string_view text) {
    json_.open_object(name);
    json_.member("text", text);
    json_.close_object();
  }
  // Relative to the folder of the run where the file is below it, else absolute.
  void write_artifact(const FileFinding& finding) {
    if (finding.file != named_) {
      named_ = finding.file;
      const fs::path whole = (folder_ / *finding.file).lexically_normal();
      const std::string below = whole.lexically_relative(folder_).generic_string();
      is_below_ = !below.empty() && below != ".." && !below.starts_with("../");
      uri_ = is_below_ ? uri_of(below) : "file://" + uri_of(whole.generic_string());
    }
    json_.open_object("artifactLocation");
    json_.member("uri", uri_);
    if (is_below_) json_.member("uriBaseId", base_id);
    json_.close_object();
  }
  void write_region(std::string_view name, const FileFinding& finding) {
    json_.open_object(name);
    json_.member_number("startLine", finding.from.line);
    json_.member_number("startColumn", finding.from.column);
    json_.member_number("endLine", finding.to.line);
    json_.member_number("endColumn", finding.to.column);
    json_.close_object();
  }

  JsonWriter json_{JsonWriter::Form::spread};
  TextInPieces out_;
  fs::path folder_;
  const std::string* file_ = nullptr;  // that the fingerprints seen are of
  std::unordered_map<std::uint64_t, std::size_t> seen_;
  const std::string* named_ = nullptr;  // the file whose URI is kept
  std::string uri_;
  bool is_below_ = false;
};

}  // namespace

std::unique_ptr<Findings> make_sarif(TextSink sink) {
  return std::make_unique<Sarif>(std::move(sink));
}

}  // namespace inky::cli
