// Findings for the steps of a build server: annotations of its workflow, and a report of tests.

#include "findings.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::cli {

namespace {

// "Workflow commands for GitHub Actions": ::error file=...,line=...::message
class Annotations final : public Findings {
 public:
  explicit Annotations(TextSink sink) : out_(std::move(sink)) {}
  bool take(const FileFinding& finding) override {
    const Fault& fault = *finding.fault;
    std::string line = fault.severity == Severity::error ? "::error " : "::warning ";
    line += "file=" + escaped(*finding.file, true);
    line += ",line=" + std::to_string(finding.from.line);
    line += ",endLine=" + std::to_string(finding.to.line);
    line += ",col=" + std::to_string(finding.from.column);
    line += ",endColumn=" + std::to_string(finding.to.column);
    line += ",title=" + escaped(name_of(fault.code), true);
    line += "::" + escaped(message_of(finding), false) + "\n";
    return out_.put(line);
  }
  bool finish(const CheckTotals&) override { return out_.flush(); }

 private:
  static std::string escaped(std::string_view text, bool is_property) {
    std::string out;
    for (const char byte : text) {
      switch (byte) {
        case '%':
          out += "%25";
          break;
        case '\r':
          out += "%0D";
          break;
        case '\n':
          out += "%0A";
          break;
        case ':':
          out += is_property ? "%3A" : ":";
          break;
        case ',':
          out += is_property ? "%2C" : ",";
          break;
        default:
          out += byte;
      }
    }
    return out;
  }

  TextInPieces out_;
};

// A suite for each file, and in it a case for each fault; of a file without any, one that passes.
class Junit final : public Findings {
 public:
  explicit Junit(TextSink sink) : out_(std::move(sink)) {
    out_.put("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<testsuites name=\"inky check\">\n");
  }
  bool take(const FileFinding& finding) override {
    const Fault& fault = *finding.fault;
    const std::string place =
        std::to_string(finding.from.line) + ":" + std::to_string(finding.from.column);
    const std::string code(name_of(fault.code));
    const std::string message = message_of(finding);
    ++tests_;
    cases_ += "    <testcase name=\"" + place + " " + code + "\" classname=\"" +
              escaped(*finding.file) + "\" file=\"" + escaped(*finding.file) + "\" line=\"" +
              std::to_string(finding.from.line) + "\">\n";
    if (finding.is_fault()) {
      ++failures_;
      cases_ += "      <failure type=\"" + std::string(name_of(fault.severity)) + "\" message=\"" +
                escaped(message) + "\">" +
                escaped(*finding.file + ":" + place + ": " + message + " [" + code + "]") +
                "</failure>\n";
    } else {
      cases_ += "      <skipped message=\"" + escaped(message) + "\"/>\n";
    }
    cases_ += "    </testcase>\n";
    return true;
  }
  bool end_file(const std::string& name) override {
    if (tests_ == 0) {
      tests_ = 1;
      cases_ = "    <testcase name=\"nothing found\" classname=\"" + escaped(name) + "\" file=\"" +
               escaped(name) + "\"/>\n";
    }
    const bool good = suite(name, "0");
    return good;
  }
  bool finish(const CheckTotals& totals) override {
    for (const Error& error : totals.troubles) {
      tests_ = 1;
      cases_ = "    <testcase name=\"" + std::string(name_of(error.code)) +
               "\" classname=\"inky check\">\n      <error type=\"" +
               std::string(name_of(error.code)) + "\" message=\"" +
               escaped(visible(error.message)) + "\"/>\n    </testcase>\n";
      suite("inky check", "1");
    }
    return out_.put("</testsuites>\n") && out_.flush();
  }

 private:
  bool suite(const std::string& name, const char* errors) {
    const bool good =
        out_.put("  <testsuite name=\"" + escaped(name) + "\" tests=\"" + std::to_string(tests_) +
                 "\" failures=\"" + std::to_string(failures_) + "\" errors=\"" + errors + "\">\n" +
                 cases_ + "  </testsuite>\n");
    tests_ = failures_ = 0;
    cases_.clear();
    return good;
  }

  // XML 1.0, 2.2 and 2.4: no control characters, and what is not UTF-8 shown by name.
  static std::string escaped(std::string_view text) {
    std::string out;
    for (const char byte : visible(text)) {
      switch (byte) {
        case '&':
          out += "&amp;";
          break;
        case '<':
          out += "&lt;";
          break;
        case '>':
          out += "&gt;";
          break;
        case '"':
          out += "&quot;";
          break;
        default:
          out += byte;
      }
    }
    return out;
  }

  TextInPieces out_;
  std::string cases_;  // of the file that is taken
  std::size_t tests_ = 0;
  std::size_t failures_ = 0;
};

}  // namespace

std::unique_ptr<Findings> make_annotations(TextSink sink) {
  return std::make_unique<Annotations>(std::move(sink));
}

std::unique_ptr<Findings> make_junit(TextSink sink) {
  return std::make_unique<Junit>(std::move(sink));
}

}  // namespace inky::cli
