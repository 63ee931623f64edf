#include "check_files.hpp"

#include <algorithm>
#include <cerrno>
#include <cstdio>
#include <cstring>
#include <filesystem>
#include <memory>
#include <unordered_map>

#include "command.hpp"
#include "contract.hpp"
#include "inky_margin/scan/scan.hpp"
#include "inky_margin/text/escape.hpp"
#include "inky_margin/text/utf8.hpp"
#include "version.hpp"

namespace inky::cli {

namespace {

namespace fs = std::filesystem;

// One fault at its place in a file.
struct Finding {
  const std::string* file = nullptr;
  Position from;
  Position to;
  std::string call;
  Fault fault;
};

std::string message_of(const Finding& finding) {
  std::string out = finding.fault.message;
  // A warning is of something that prints: there is no more to say about that.
  if (finding.fault.severity == Severity::error && !finding.fault.effect.empty())
    out += "; " + finding.fault.effect;
  if (!finding.fault.repair.empty()) out += "; write " + finding.fault.repair;
  return visible(out);
}

// ---- Where findings go ----

class Findings {
 public:
  virtual ~Findings() = default;
  virtual void take(const Finding& finding) = 0;
  // False where something could not be written; that was said.
  virtual bool finish() = 0;
};

class FindingLines final : public Findings {
 public:
  void take(const Finding& finding) override {
    out_ += visible(*finding.file) + ":" + std::to_string(finding.from.line) + ":" +
            std::to_string(finding.from.column) + ": " +
            std::string(name_of(finding.fault.severity)) + ": " + message_of(finding) + " [" +
            std::string(name_of(finding.fault.code)) + "]\n";
    constexpr std::size_t enough = std::size_t{1} << 16;
    if (out_.size() > enough) finish();
  }
  bool finish() override {
    is_written_ = is_written_ && write_out(out_);
    out_.clear();
    return is_written_;
  }

 private:
  bool is_written_ = true;
  std::string out_;
};

class JsonFindings final : public Findings {
 public:
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
  bool finish() override {
    return write_out(spread({{"ok", ok_}, {"faults", std::move(faults_)}}));
  }

 private:
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
    return write_out(spread(log));
  }

 private:
  JsonOut results_ = JsonOut::array();
  std::vector<Code> rules_;
};

// ---- Files ----

struct FileToScan {
  std::string path;
  const SourceLanguage* language;
};

class FileChecker {
 public:
  FileChecker(const CheckFilesRequest& request, const CallTable& table, Findings& findings)
      : request_(request), table_(table), findings_(findings) {}

  std::optional<Error> check_file(const FileToScan& file) {
    std::FILE* stream = stdin;
    std::unique_ptr<std::FILE, int (*)(std::FILE*)> owned(nullptr, std::fclose);
    if (file.path != "-") {
      errno = 0;
      owned.reset(std::fopen(file.path.c_str(), "rb"));
      if (!owned)
        return Error{Code::unreadable_file,
                     "cannot read " + in_quotes(file.path) + ": " + std::strerror(errno),
                     {},
                     "Check the path and its permissions."};
      stream = owned.get();
    }
    name_ = file.path == "-" ? "stdin" : file.path;
    bool wide = false;
    bool begun = false;
    const ByteSource source = [&](char* into, std::size_t most) -> std::size_t {
      if (wide) return 0;
      const std::size_t came = std::fread(into, 1, most, stream);
      // UTF-16 begins with its mark.
      wide = !begun && came >= 2 &&
             (std::memcmp(into, "\xFF\xFE", 2) == 0 || std::memcmp(into, "\xFE\xFF", 2) == 0);
      begun = true;
      return wide ? 0 : came;
    };
    const std::vector<CallForm> calls = table_.calls_of(*file.language);
    scan(*file.language, calls, source, [&](const FoundCall& call) { take(call); });
    ++files_;
    if (wide)
      return Error{Code::bad_source, in_quotes(name_) + " is UTF-16", {}, "Convert it to UTF-8."};
    if (std::ferror(stream) != 0)
      return Error{Code::unreadable_file,
                   "cannot read " + in_quotes(name_) + ": " + std::strerror(errno),
                   {},
                   "Check the path and its permissions."};
    return std::nullopt;
  }

  std::size_t faults() const { return faults_; }
  std::string summary() const {
    const auto counted = [](std::size_t count, std::string_view what) {
      return std::to_string(count) + " " + std::string(what) + (count == 1 ? "" : "s");
    };
    std::string out =
        counted(files_, "file") + ", " + counted(calls_, "call") + ", " + counted(faults_, "fault");
    if (unchecked_ > 0)
      out += "; " + counted(unchecked_, "call") + " not checked" +
             (request_.unchecked ? "" : " (--unchecked lists them)");
    return out;
  }

 private:
  // The same call is often written again: what was found is kept.
  static constexpr std::size_t most_kept = 20000;
  struct Known {
    std::vector<Fault> faults;
    std::string why_not;
  };

  void take(const FoundCall& call) {
    ++calls_;
    if (!call.source) {
      leave(call, call.why_not);
      return;
    }
    const Known& known = look(call);
    if (!known.why_not.empty()) {
      leave(call, known.why_not);
      return;
    }
    for (const Fault& fault : known.faults) {
      Finding finding;
      finding.file = &name_;
      finding.from = call.place(fault.span.from);
      finding.to = call.end_place(fault.span.to);
      if (finding.to.offset < finding.from.offset) finding.to = finding.from;
      finding.call = call.name;
      finding.fault = fault;
      // A repair of what is not there as it stands would repair something else.
      if (!call.stands_verbatim(fault.span)) finding.fault.repair.clear();
      findings_.take(finding);
      ++faults_;
    }
  }

  void leave(const FoundCall& call, std::string_view why) {
    ++unchecked_;
    if (!request_.unchecked) return;
    Finding finding;
    finding.file = &name_;
    finding.from = finding.to = call.at;
    finding.call = call.name;
    finding.fault = {Code::not_checked,
                     Severity::warning,
                     "this " + call.name + " is not checked: " + std::string(why),
                     {},
                     {},
                     {}};
    findings_.take(finding);
  }

  const Known& look(const FoundCall& call) {
    std::string key(call.dialect);
    key += '\0';
    key += *call.source;
    key += call.given.more_may_follow ? "\1" : "\2";
    key += call.given.names_from_scope ? "\1" : "\2";
    key += call.names_locale ? "\1" : "\2";
    if (call.given.values) {
      for (const Given& given : *call.given.values) {
        key += '\0' + given.name + '\1';
        // Messages name the value as it is written, and a type's name says more than the type.
        key += given.written + '\1' + given.type_name + '\1';
        if (given.type) key += name_of(*given.type);
        if (given.value) key += '\2' + describe(*given.value);
      }
    } else {
      key += '\3';
    }
    const auto found = known_.find(key);
    if (found != known_.end()) return found->second;
    if (known_.size() == most_kept) known_.clear();
    return known_.emplace(std::move(key), checked(call)).first->second;
  }

  Known checked(const FoundCall& call) const {
    Known out;
    const Dialect* dialect = find_dialect(call.dialect);
    Demands demands = request_.demands;
    demands.same_everywhere = demands.same_everywhere && !call.names_locale;
    Result<Checked> result = check(*dialect, *call.source, call.given, demands);
    if (!result) {
      out.why_not = result.error().message;
      return out;
    }
    for (Fault& fault : result->faults) {
      if (fault.code == Code::not_supported_yet || fault.code == Code::over_limit) {
        out.why_not = fault.message;
        out.faults.clear();
        return out;
      }
      out.faults.push_back(std::move(fault));
    }
    return out;
  }

  const CheckFilesRequest& request_;
  const CallTable& table_;
  Findings& findings_;
  std::string name_;
  std::unordered_map<std::string, Known> known_;
  std::size_t files_ = 0;
  std::size_t calls_ = 0;
  std::size_t faults_ = 0;
  std::size_t unchecked_ = 0;
};

// The files of a folder whose names tell their languages, in order; hidden ones are left out.
void add_folder(const fs::path& folder, std::vector<FileToScan>& out) {
  std::vector<fs::path> found;
  std::error_code failed;
  for (fs::recursive_directory_iterator at(folder, fs::directory_options::skip_permission_denied,
                                           failed);
       !failed && at != fs::recursive_directory_iterator(); at.increment(failed)) {
    const std::string name = at->path().filename().string();
    std::error_code ignored;
    if (at->is_directory(ignored)) {
      if (name.front() == '.') at.disable_recursion_pending();
    } else if (at->is_regular_file(ignored) && !at->is_symlink(ignored) && name.front() != '.') {
      found.push_back(at->path());
    }
  }
  std::sort(found.begin(), found.end());
  for (const fs::path& path : found) {
    if (const SourceLanguage* language = language_of_file(path.string()))
      out.push_back({path.string(), language});
  }
}

Result<std::vector<FileToScan>> files_of(const CheckFilesRequest& request) {
  const SourceLanguage* named = nullptr;
  if (!request.language.empty()) {
    named = find_language(request.language);
    if (named == nullptr) {
      std::string remedy = "There are:";
      for (const SourceLanguage& one : all_languages()) remedy += " " + std::string(one.id);
      return Error{Code::bad_option,
                   in_quotes(request.language) + " is not a language here",
                   {},
                   remedy + "."};
    }
  }
  std::vector<FileToScan> out;
  for (const std::string& path : request.paths) {
    std::error_code ignored;
    if (path != "-" && fs::is_directory(path, ignored)) {
      add_folder(path, out);
      continue;
    }
    const SourceLanguage* language = named != nullptr ? named : language_of_file(path);
    if (language == nullptr)
      return Error{Code::bad_source,
                   "the language of " + in_quotes(path) + " cannot be told from its name",
                   {},
                   "Name it: --language c."};
    out.push_back({path, language});
  }
  return out;
}

}  // namespace

bool is_source_path(const std::string& argument) {
  if (argument == "-") return true;
  std::error_code ignored;
  if (fs::is_directory(argument, ignored)) return true;
  if (language_of_file(argument) == nullptr) return false;
  // A name that only looks like a file's may be a template: %s.c
  return fs::exists(argument, ignored) || argument.find_first_of("%{}~$ \\") == std::string::npos;
}

int check_files(const CheckFilesRequest& request) {
  CallTable table;
  if (!request.calls.empty()) {
    const Result<std::string> text = read_file(request.calls);
    if (!text) return fail(text.error());
    Result<CallTable> read = read_call_table(*text);
    if (!read) return fail_in_file(read.error(), request.calls, *text);
    table = std::move(*read);
  }
  const Result<std::vector<FileToScan>> files = files_of(request);
  if (!files) return fail(files.error());
  std::unique_ptr<Findings> findings;
  if (request.sarif)
    findings = std::make_unique<Sarif>();
  else if (request.json)
    findings = std::make_unique<JsonFindings>();
  else
    findings = std::make_unique<FindingLines>();
  FileChecker checker(request, table, *findings);
  int status = done;
  for (const FileToScan& file : *files) {
    if (const auto error = checker.check_file(file)) {
      fail(*error);
      status = bad_request;
    }
  }
  if (!findings->finish()) return bad_request;
  if (!request.json && !request.sarif) write_error("inky: " + checker.summary() + "\n");
  if (status != done) return status;
  return checker.faults() == 0 ? done : answer_is_no;
}

}  // namespace inky::cli
