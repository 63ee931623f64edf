#include "check_files.hpp"

#include <algorithm>
#include <cerrno>
#include <cstdio>
#include <cstring>
#include <filesystem>
#include <memory>

#include "call_checker.hpp"
#include "command.hpp"
#include "contract/names.hpp"
#include "terminal.hpp"
#include "text/escape.hpp"
#include "text/nearest_name.hpp"

namespace inky::cli {

namespace {

namespace fs = std::filesystem;

struct FileToScan {
  std::string path;
  std::string name;  // in what is reported
  const SourceLanguage* language;
};

std::optional<Error> check_file(const FileToScan& file, const CallTable& table,
                                CallChecker& checker) {
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
  checker.check(file.name, *file.language, table.calls_of(*file.language), source);
  if (wide)
    return Error{Code::bad_source, in_quotes(file.name) + " is UTF-16", {}, "Convert it to UTF-8."};
  if (std::ferror(stream) != 0)
    return Error{Code::unreadable_file,
                 "cannot read " + in_quotes(file.name) + ": " + std::strerror(errno),
                 {},
                 "Check the path and its permissions."};
  return std::nullopt;
}

// The files of a folder whose names show their languages, in order; hidden ones are left out.
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
      out.push_back({path.string(), path.string(), language});
  }
}

Result<std::vector<FileToScan>> files_of(const CheckFilesRequest& request) {
  const SourceLanguage* named = nullptr;
  if (!request.language.empty()) {
    named = find_language(request.language);
    if (named == nullptr) {
      std::vector<std::string_view> ids;
      for (const SourceLanguage& one : all_languages()) ids.push_back(one.id);
      return Error{Code::bad_option,
                   in_quotes(request.language) + " is not a language here",
                   {},
                   choices_for(request.language, ids)};
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
                   "the language of " + in_quotes(path) + " cannot be known from its name",
                   {},
                   "Name it: --language c."};
    out.push_back({path, path == "-" ? "stdin" : path, language});
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

void notice_path(const std::string& source) {
  std::error_code ignored;
  if (source.find_first_of("./") == std::string::npos || !fs::is_regular_file(source, ignored))
    return;
  const bool is_source = language_of_file(source) != nullptr;
  write_error("inky: " + in_quotes(source) +
              " is a file here, and is read as a template. To read the file, run inky " +
              (is_source ? "check " : "proof ") + in_quotes(source) + ".\n");
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
  const FindingForm form = request.sarif  ? FindingForm::sarif
                           : request.json ? FindingForm::json
                                          : FindingForm::lines;
  const std::unique_ptr<Findings> findings = make_findings(form, write_out);
  CallChecker checker(request.demands, request.unchecked, *findings);
  int status = done;
  for (const FileToScan& file : *files) {
    if (const auto error = check_file(file, table, checker)) {
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
