#include "check_files.hpp"

#include <algorithm>
#include <atomic>
#include <cerrno>
#include <condition_variable>
#include <cstdio>
#include <cstring>
#include <filesystem>
#include <memory>
#include <mutex>
#include <thread>
#include <unordered_set>

#include "call_checker.hpp"
#include "command.hpp"
#include "contract/names.hpp"
#include "fault_gate.hpp"
#include "included_headers.hpp"
#include "opened_source.hpp"
#include "source_files.hpp"
#include "source_text.hpp"
#include "terminal.hpp"
#include "text/escape.hpp"
#include "text/nearest_name.hpp"

namespace inky::cli {

namespace {

namespace fs = std::filesystem;

// Files that are checked before the one that is reported next: what waits stays small.
constexpr std::size_t most_ahead = 64;
constexpr std::size_t most_jobs = 256;
// Each remembers the calls that it has seen.
constexpr unsigned usual_jobs = 8;

Error unreadable(const std::string& path) {
  return {Code::unreadable_file,
          "cannot read " + in_quotes(path) + ": " + std::strerror(errno),
          {},
          "Check the path and its permissions."};
}

struct FileResult {
  CheckedFile checked;
  std::optional<Error> trouble;
  bool is_ready = false;
};

// The calls that are looked for.
struct KnownCalls {
  CallTable table;
  CallLearner learner;
  IncludedHeaders headers;
  std::vector<std::vector<const SourceFacts*>> included;  // of each file, by its number
  SourceOpener opener;

  std::vector<CallForm> of(const SourceFile& file) const {
    std::vector<CallForm> out = table.calls_of(*file.language);
    std::vector<CallForm> learned = learner.forms(*file.language, file.number);
    out.insert(out.end(), std::make_move_iterator(learned.begin()),
               std::make_move_iterator(learned.end()));
    return out;
  }
};

void check_file(const SourceFile& file, KnownCalls& calls, CallChecker& checker, FileResult& out) {
  const SourceOpener::Stream stream = calls.opener.open(file);
  if (!stream) {
    out.trouble = unreadable(file.name);
    return;
  }
  SourceText text(stream.get());
  errno = 0;
  out.checked =
      checker.check(file.name, *file.language, calls.of(file), calls.included[file.number],
                    [&](char* into, std::size_t most) { return text.read(into, most); });
  if (std::ferror(stream.get()) != 0) out.trouble = unreadable(file.name);
}

// Files checked by several threads, and taken in their order.
class Workers {
 public:
  Workers(const std::vector<SourceFile>& files, KnownCalls& calls, const Demands& demands,
          bool lists_unchecked, std::size_t jobs)
      : files_(files), calls_(calls), results_(files.size()) {
    for (std::size_t i = 0; i < std::min(jobs, files.size()); ++i)
      threads_.emplace_back([this, demands, lists_unchecked] {
        CallChecker checker(demands, lists_unchecked);
        work(checker);
      });
  }
  Workers(const Workers&) = delete;
  Workers& operator=(const Workers&) = delete;
  ~Workers() {
    {
      const std::lock_guard lock(mutex_);
      stops_ = true;
    }
    changed_.notify_all();
    for (std::thread& one : threads_) one.join();
  }

  FileResult take(std::size_t file) {
    std::unique_lock lock(mutex_);
    changed_.wait(lock, [&] { return results_[file].is_ready; });
    FileResult out = std::move(results_[file]);
    results_[file] = {};
    taken_ = file + 1;
    changed_.notify_all();
    return out;
  }

 private:
  void work(CallChecker& checker) {
    while (true) {
      std::size_t file = 0;
      {
        std::unique_lock lock(mutex_);
        changed_.wait(lock, [&] { return stops_ || next_ < taken_ + most_ahead; });
        if (stops_ || next_ == files_.size()) return;
        file = next_++;
      }
      FileResult result;
      check_file(files_[file], calls_, checker, result);
      result.is_ready = true;
      const std::lock_guard lock(mutex_);
      results_[file] = std::move(result);
      changed_.notify_all();
    }
  }

  const std::vector<SourceFile>& files_;
  KnownCalls& calls_;
  std::mutex mutex_;
  std::condition_variable changed_;
  std::vector<FileResult> results_;
  std::size_t next_ = 0;   // that nobody checks yet
  std::size_t taken_ = 0;  // how many were
  bool stops_ = false;
  std::vector<std::thread> threads_;
};

std::string counted(std::size_t count, std::string_view what) {
  return std::to_string(count) + " " + std::string(what) + (count == 1 ? "" : "s");
}

std::string summary_of(const CheckTotals& totals, bool lists_unchecked) {
  std::string out = "inky: " + counted(totals.files, "file") + ", " +
                    counted(totals.calls, "call") + ", " + counted(totals.faults(), "fault");
  if (totals.not_checked > 0)
    out += "; " + counted(totals.not_checked, "call") + " not checked" +
           (lists_unchecked ? "" : " (--unchecked lists them)");
  out += "\n";
  if (totals.not_shown > 0)
    out += "inky: " + std::to_string(totals.not_shown) + " more are not shown (--max-faults)\n";
  if (totals.accepted > 0)
    out += "inky: " + counted(totals.accepted, "fault") + " accepted by remarks\n";
  if (totals.known > 0) out += "inky: " + counted(totals.known, "fault") + " known before\n";
  if (totals.excluded > 0) out += "inky: " + counted(totals.excluded, "file") + " excluded\n";
  if (totals.skipped > 0)
    out += "inky: " + counted(totals.skipped, "file") + " of no known language skipped\n";
  return out;
}

// room.h, room.hpp
bool is_header(const std::string& path) {
  const std::string ending = fs::path(path).extension().string();
  return ending.starts_with(".h") || ending.starts_with(".H") || ending == ".inl";
}

// One run: the request, what inky.toml adds to it, and what comes out.
class Run {
 public:
  explicit Run(const CheckFilesRequest& request) : request_(request) {}

  int go() {
    int status = done;
    for (const auto step :
         {&Run::read_settings, &Run::read_codes, &Run::read_database, &Run::read_inputs}) {
      status = (this->*step)();
      if (status != done) return status;
    }
    return check();
  }

 private:
  // The folder that the settings are looked for in, and git is asked in.
  std::string folder() const {
    for (const std::string& path : request_.paths) {
      std::error_code ignored;
      if (path == "-") continue;
      if (fs::is_directory(path, ignored)) return path;
      std::string above = fs::path(path).parent_path().string();
      if (above.empty()) return ".";
      if (fs::is_directory(above, ignored)) return above;
    }
    return ".";
  }

  int read_settings() {
    std::string path = request_.settings;
    if (path.empty() && !request_.no_settings) path = settings_above(folder());
    if (path.empty()) return done;
    const Result<std::string> text = read_file(path);
    if (!text) return fail(text.error());
    Result<CheckSettings> read = read_check_settings(*text, path);
    if (!read) return fail_in_file(read.error(), path, *text);
    settings_ = std::move(*read);
    return done;
  }

  int read_codes() {
    CodeChoice typed;
    for (const auto& [names, is_on] :
         {std::pair(&request_.enable, true), std::pair(&request_.disable, false)}) {
      if (const auto error = is_on ? typed.enable(*names) : typed.disable(*names))
        return fail(*error, *names);
    }
    gate_.codes = settings_.codes;
    gate_.codes.merge(typed);
    demands_ = request_.demands;
    demands_.signedness = demands_.signedness || gate_.codes.asks_for_signedness();
    demands_.same_everywhere = demands_.same_everywhere || settings_.for_machine ||
                               gate_.codes.asks_for(Code::locale_left_open);
    if (demands_.most_columns == 0) demands_.most_columns = settings_.line_limit;
    if (gate_.codes.asks_for(Code::line_too_long) && demands_.most_columns == 0)
      return fail({Code::bad_option,
                   "line-too-long needs a limit",
                   {},
                   "Write --line-limit COLUMNS, or line_limit in inky.toml."});
    // What was asked for by its own option is reported.
    for (const auto& [code, is_asked] :
         {std::pair(Code::locale_left_open, demands_.same_everywhere),
          std::pair(Code::line_too_long, demands_.most_columns > 0),
          std::pair(Code::not_checked, request_.unchecked)}) {
      if (is_asked) gate_.codes.turn_on(code);
    }
    lists_unchecked_ = request_.unchecked || gate_.codes.asks_for(Code::not_checked);
    if (!request_.fail_on.empty()) {
      settings_.fail_on = fail_on_of(request_.fail_on);
      if (!settings_.fail_on)
        return fail({Code::bad_option,
                     in_quotes(request_.fail_on) + " is nothing to fail on",
                     {},
                     "Choose one of: error, warning, nothing."});
    }
    return done;
  }

  int read_database() {
    std::string path =
        request_.compile_commands.empty() ? settings_.compile_commands : request_.compile_commands;
    const bool is_asked = !path.empty();
    if (!is_asked) path = compile_commands_above(folder());
    if (path.empty()) return done;
    const Result<std::string> text = read_file(path);
    if (!text) return fail(text.error());
    Result<CompileCommands> read = CompileCommands::read(*text, path);
    if (!read && is_asked) return fail_in_file(read.error(), path, *text);
    if (!read) {
      write_error("inky: " + in_quotes(path) + " is not used: " + read.error().message + "\n");
      return done;
    }
    calls_.headers.commands = std::move(*read);
    return done;
  }

  int read_inputs() {
    const std::string& calls = request_.calls.empty() ? settings_.calls : request_.calls;
    if (!calls.empty()) {
      const Result<std::string> text = read_file(calls);
      if (!text) return fail(text.error());
      Result<CallTable> read = read_call_table(*text);
      if (!read) return fail_in_file(read.error(), calls, *text);
      calls_.table = std::move(*read);
    }
    const std::string& known = request_.baseline.empty() ? settings_.baseline : request_.baseline;
    // A file that is written anew need not be there.
    if (!known.empty() && request_.write_baseline.empty()) {
      const Result<std::string> text = read_file(known);
      if (!text) return fail(text.error());
      Result<KnownFaults> read = KnownFaults::read(*text, known);
      if (!read) return fail_in_file(read.error(), known, *text);
      gate_.known = std::move(*read);
    }
    if (!request_.changed_since.empty()) {
      Result<ChangedLines> read = lines_changed_since(request_.changed_since, folder());
      if (!read) return fail(read.error());
      gate_.changed = std::move(*read);
    }
    gate_.most_shown = request_.most_shown;
    return list_files();
  }

  int list_files() {
    SourceRequest sources;
    sources.paths = request_.paths;
    sources.reads_ignored = request_.reads_ignored;
    if (!request_.language.empty()) {
      sources.language = find_language(request_.language);
      if (sources.language == nullptr) {
        std::vector<std::string_view> ids;
        for (const SourceLanguage& one : all_languages()) ids.push_back(one.id);
        return fail({Code::bad_option,
                     in_quotes(request_.language) + " is not a language here",
                     {},
                     choices_for(request_.language, ids)});
      }
    }
    if (!request_.files_from.empty()) {
      const Result<std::string> text = read_file(request_.files_from);
      if (!text) return fail(text.error());
      sources.listed = paths_listed(*text);
    }
    Exclusion typed;
    for (const std::string& pattern : request_.exclude) typed.patterns.add_pattern(pattern);
    if (typed.patterns.size() > 0) sources.exclusions.push_back(std::move(typed));
    if (settings_.exclude.size() > 0)
      sources.exclusions.push_back({settings_.folder, settings_.exclude});
    list_ = list_sources(sources);
    for (std::size_t i = 0; i < list_.files.size(); ++i) list_.files[i].number = i;
    learn();
    // Of a file that did not change nothing can be reported.
    if (gate_.changed && !request_.lists_takers) {
      std::erase_if(list_.files, [&](const SourceFile& file) {
        std::error_code failed;
        return !gate_.changed->has_file(fs::weakly_canonical(file.path, failed).string());
      });
    }
    return done;
  }

  // The check that follows reports files that cannot be read.
  void learn() {
    std::vector<CallForm> known;
    calls_.included.resize(list_.files.size());
    std::unordered_set<std::string> listed;
    for (const SourceFile& file : list_.files)
      listed.insert(fs::absolute(file.path).lexically_normal().string());
    for (const SourceFile& file : list_.files) {
      if (!CallLearner::learns(*file.language)) continue;
      if (known.empty()) known = calls_.table.calls_of(*file.language);
      const std::vector<Include> includes = learn(file);
      // A header that is not among the files is learned from as well.
      const auto read_first = [&](const std::string& header) {
        if (listed.contains(header)) return;
        SourceFile one = file;
        one.path = header;
        learn(one);
      };
      calls_.included[file.number] =
          calls_.headers.facts_of(*file.language, file.path, includes, read_first);
    }
    calls_.learner.finish(known);
  }

  std::vector<Include> learn(const SourceFile& file) {
    const SourceOpener::Stream stream = calls_.opener.open(file);
    if (!stream) return {};
    SourceText text(stream.get());
    return calls_.learner.read(
        *file.language, file.number,
        [&](char* into, std::size_t most) { return text.read(into, most); }, is_header(file.path));
  }

  int list_takers() const {
    std::vector<std::string> lines;
    for (const LearnedCall& one : calls_.learner.calls()) {
      const SourceFile& file = list_.files[one.file];
      lines.push_back(visible(file.name) + ":" + std::to_string(one.at.line) + ":" +
                      std::to_string(one.at.column) + ": " + visible(one.name) +
                      " takes a template as argument " + std::to_string(one.template_at + 1) +
                      (one.has_values ? "" : ", without the values") +
                      (one.is_local ? ", in this file" : "") + ", by " + visible(one.through) +
                      "\n");
    }
    std::sort(lines.begin(), lines.end());
    std::string out;
    for (const std::string& line : lines) out += line;
    for (const Error& error : list_.troubles) fail(error);
    if (!write_out(out)) return bad_request;
    return list_.troubles.empty() ? done : bad_request;
  }

  int check() {
    if (request_.lists_takers) return list_takers();
    const Look look = look_of(stdout, request_.ascii);
    const std::unique_ptr<Findings> findings = make_findings(request_.form, look, write_out);
    CheckTotals totals;
    totals.skipped = list_.skipped;
    totals.excluded = list_.excluded;
    for (const Error& error : list_.troubles) trouble(error, totals);
    std::size_t jobs = request_.jobs;
    if (jobs == 0) jobs = std::clamp(std::thread::hardware_concurrency(), 1U, usual_jobs);
    std::vector<KnownFaults::Entry> entries;
    const bool writes_known = !request_.write_baseline.empty();
    {
      Workers workers(list_.files, calls_, demands_, lists_unchecked_, std::min(jobs, most_jobs));
      for (std::size_t i = 0; i < list_.files.size(); ++i) {
        FileResult result = workers.take(i);
        if (result.trouble) trouble(*result.trouble, totals);
        const SourceFile& file = list_.files[i];
        if (!gate_.pass(result.checked, file.name, *file.language, *findings, totals,
                        writes_known ? &entries : nullptr))
          return bad_request;
      }
    }
    if (!findings->finish(totals)) return bad_request;
    if (writes_known) return write_known(std::move(entries), totals);
    if (request_.form == FindingForm::lines || request_.form == FindingForm::counts)
      write_error(summary_of(totals, lists_unchecked_));
    if (gate_.known && !gate_.changed && totals.troubles.empty() && gate_.known->left_over() > 0)
      write_error("inky: " + counted(gate_.known->left_over(), "known fault") +
                  " not met; write the file anew to take them out: --write-baseline\n");
    if (!totals.troubles.empty()) return bad_request;
    const FailOn fail_on = settings_.fail_on.value_or(FailOn::warning);
    const bool fails = (fail_on != FailOn::nothing && totals.errors > 0) ||
                       (fail_on == FailOn::warning && totals.warnings > 0);
    return fails ? answer_is_no : done;
  }

  static void trouble(const Error& error, CheckTotals& totals) {
    fail(error);
    totals.troubles.push_back(error);
  }

  int write_known(std::vector<KnownFaults::Entry> entries, const CheckTotals& totals) const {
    if (!totals.troubles.empty()) {
      write_error("inky: " + in_quotes(request_.write_baseline) + " was not written\n");
      return bad_request;
    }
    const std::size_t count = entries.size();
    const std::string text = KnownFaults::written(std::move(entries), request_.write_baseline);
    if (const auto error = write_file(request_.write_baseline, text)) return fail(*error);
    write_error("inky: " + counted(count, "known fault") + " written to " +
                in_quotes(request_.write_baseline) + "\n");
    return done;
  }

  const CheckFilesRequest& request_;
  CheckSettings settings_;
  Demands demands_;
  KnownCalls calls_;
  FaultGate gate_;
  SourceList list_;
  bool lists_unchecked_ = false;
};

// Bytes that no path has in practice, and templates do.
constexpr std::string_view marks_of_templates = "%{}~$#\\ \"'<>|*?\n\t";

// "room.zig"
bool has_ending(const std::string& name) {
  const std::size_t point = name.rfind('.');
  if (point == std::string::npos || point + 1 == name.size()) return false;
  const auto is_letter = [](char c) { return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z'); };
  return is_letter(name[point + 1]) &&
         std::all_of(name.begin() + static_cast<std::ptrdiff_t>(point) + 1, name.end(),
                     [&](char c) { return is_letter(c) || (c >= '0' && c <= '9'); });
}

}  // namespace

bool is_source_path(const std::string& argument) {
  std::error_code ignored;
  if (argument == "-" || fs::exists(argument, ignored)) return true;
  if (argument.find_first_of(marks_of_templates) != std::string::npos) return false;
  return argument.find('/') != std::string::npos || has_ending(argument);
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
  return Run(request).go();
}

}  // namespace inky::cli
