#include "changed_lines.hpp"

#include <fcntl.h>
#include <spawn.h>
#include <sys/wait.h>
#include <unistd.h>

#include <algorithm>
#include <array>
#include <cerrno>
#include <cstring>
#include <filesystem>
#include <optional>

#include "text/escape.hpp"
#include "toolchain/programs.hpp"

namespace inky::cli {

namespace {

struct Printed {
  int status = 0;
  std::string out;
};

// What git prints of a comparison, at most.
constexpr std::size_t most_printed = std::size_t{1} << 28;

std::string all_of(int descriptor) {
  std::string out;
  std::array<char, 1 << 16> piece{};
  while (true) {
    const ssize_t came = read(descriptor, piece.data(), piece.size());
    if (came < 0 && errno == EINTR) continue;
    if (came <= 0 || out.size() > most_printed) return out;
    out.append(piece.data(), static_cast<std::size_t>(came));
  }
}

class Git {
 public:
  Git(std::string program, std::string folder)
      : program_(std::move(program)), folder_(std::move(folder)) {}

  std::optional<Printed> run(const std::vector<std::string>& arguments) const {
    // What a repository's own settings could run is turned off.
    std::vector<std::string> words = {program_,
                                      "-C",
                                      folder_,
                                      "-c",
                                      "core.fsmonitor=false",
                                      "-c",
                                      "core.hooksPath=/dev/null",
                                      "-c",
                                      "core.quotePath=false"};
    words.insert(words.end(), arguments.begin(), arguments.end());
    std::vector<char*> pointers;
    pointers.reserve(words.size() + 1);
    for (std::string& word : words) pointers.push_back(word.data());
    pointers.push_back(nullptr);
    std::array<int, 2> output{};
    if (pipe2(output.data(), O_CLOEXEC) != 0) return std::nullopt;
    posix_spawn_file_actions_t actions;
    posix_spawn_file_actions_init(&actions);
    posix_spawn_file_actions_addopen(&actions, STDIN_FILENO, "/dev/null", O_RDONLY, 0);
    posix_spawn_file_actions_adddup2(&actions, output[1], STDOUT_FILENO);
    posix_spawn_file_actions_addopen(&actions, STDERR_FILENO, "/dev/null", O_WRONLY, 0);
    pid_t child = 0;
    const int failed =
        posix_spawn(&child, program_.c_str(), &actions, nullptr, pointers.data(), environ);
    posix_spawn_file_actions_destroy(&actions);
    close(output[1]);
    Printed out;
    if (failed == 0) out.out = all_of(output[0]);
    close(output[0]);
    if (failed != 0) return std::nullopt;
    int status = 0;
    while (waitpid(child, &status, 0) < 0 && errno == EINTR) {
    }
    out.status = WIFEXITED(status) ? WEXITSTATUS(status) : -1;
    return out;
  }

 private:
  std::string program_;
  std::string folder_;
};

// A path as git writes it: in quotes with the escapes of C where it has to.
std::string path_written(std::string_view text) {
  if (!text.starts_with('"')) {
    // A tab ends a path with spaces in it.
    return std::string(text.substr(0, text.find('\t')));
  }
  std::string out;
  for (std::size_t at = 1; at < text.size() && text[at] != '"'; ++at) {
    if (text[at] != '\\' || at + 1 == text.size()) {
      out += text[at];
      continue;
    }
    ++at;
    constexpr std::string_view letters = "abtnvfr";
    constexpr std::string_view bytes = "\a\b\t\n\v\f\r";
    if (const std::size_t letter = letters.find(text[at]); letter != std::string_view::npos) {
      out += bytes[letter];
    } else if (text[at] >= '0' && text[at] <= '3' && at + 2 < text.size()) {
      out += static_cast<char>((text[at] - '0') * 64 + (text[at + 1] - '0') * 8 +
                               (text[at + 2] - '0'));
      at += 2;
    } else {
      out += text[at];
    }
  }
  return out;
}

std::size_t number_at(std::string_view& text) {
  std::size_t out = 0;
  while (!text.empty() && text[0] >= '0' && text[0] <= '9') {
    out = out * 10 + static_cast<std::size_t>(text[0] - '0');
    text.remove_prefix(1);
  }
  return out;
}

// "@@ -10,2 +12,3 @@": 12 to 14. Nothing where lines only went.
std::optional<LineRange> lines_of(std::string_view hunk) {
  const std::size_t plus = hunk.find(" +");
  if (plus == std::string_view::npos) return std::nullopt;
  hunk.remove_prefix(plus + 2);
  const std::size_t from = number_at(hunk);
  std::size_t count = 1;
  if (hunk.starts_with(',')) {
    hunk.remove_prefix(1);
    count = number_at(hunk);
  }
  if (count == 0) return std::nullopt;
  return LineRange{from, from + count - 1};
}

Error no_git(const std::string& what) {
  return {Code::machine_failed, what, {}, "--changed-since asks git. Install it, or leave it out."};
}

}  // namespace

bool ChangedLines::touches(const std::string& path, LineRange lines) const {
  const auto found = files_.find(path);
  if (found == files_.end()) return false;
  if (found->second.is_whole) return true;
  // In order, as git prints them.
  const std::vector<LineRange>& ranges = found->second.lines;
  const auto first =
      std::lower_bound(ranges.begin(), ranges.end(), lines.from,
                       [](const LineRange& one, std::size_t line) { return one.to < line; });
  return first != ranges.end() && first->from <= lines.to;
}

void read_changes(std::string_view diff, const std::string& root, ChangedLines& out) {
  const std::string above = root + "/";
  std::string path;
  std::size_t left = 0;  // lines of a hunk that are still to come, which may look like headers
  while (!diff.empty()) {
    const std::size_t end = std::min(diff.find('\n'), diff.size());
    const std::string_view line = diff.substr(0, end);
    diff.remove_prefix(std::min(end + 1, diff.size()));
    if (left > 0 && (line.starts_with('+') || line.starts_with('-'))) {
      --left;
    } else if (line.starts_with("+++ ")) {
      path = path_written(line.substr(4));
      if (path == "/dev/null")
        path.clear();
      else
        path.insert(0, above);
    } else if (line.starts_with("@@ ") && !path.empty()) {
      const auto lines = lines_of(line);
      if (lines) out.add(path, *lines);
      std::string_view old = line.substr(4);
      number_at(old);
      left = 1;
      if (old.starts_with(',')) {
        old.remove_prefix(1);
        left = number_at(old);
      }
      left += lines ? lines->to - lines->from + 1 : 0;
    }
  }
}

Result<ChangedLines> lines_changed_since(const std::string& revision, const std::string& folder) {
  const auto program = toolchain::find_program("git");
  if (!program) return no_git("git is not on this machine");
  const auto line_of = [](std::string text) {
    while (text.ends_with('\n')) text.pop_back();
    return text;
  };
  const Git here(*program, folder);
  const auto top = here.run({"rev-parse", "--show-toplevel"});
  if (!top) return no_git("git cannot be run");
  if (top->status != 0)
    return Error{Code::bad_option,
                 in_quotes(folder) + " is in no work tree of git",
                 {},
                 "--changed-since compares with a revision of git. Leave it out."};
  const std::string root = line_of(top->out);
  const auto commit =
      here.run({"rev-parse", "--verify", "--quiet", "--end-of-options", revision + "^{commit}"});
  if (!commit || commit->status != 0)
    return Error{Code::bad_option,
                 in_quotes(revision) + " is no revision of " + in_quotes(root),
                 {},
                 "Write a branch, a tag or a commit: --changed-since main."};
  const Git above(*program, root);
  const auto diff = above.run({"diff", "--no-ext-diff", "--no-textconv", "--no-color",
                               "--unified=0", "--no-renames", "--ignore-submodules", "--no-prefix",
                               "--no-relative", line_of(commit->out), "--"});
  const auto unknown = above.run({"ls-files", "--others", "--exclude-standard", "-z"});
  const auto failed_to = [](const std::optional<Printed>& one) {
    return !one || (one->status != 0 && one->out.size() <= most_printed);
  };
  if (failed_to(diff) || failed_to(unknown))
    return no_git("git could not compare " + in_quotes(root) + " with " + in_quotes(revision));
  if (diff->out.size() > most_printed || unknown->out.size() > most_printed)
    return Error{Code::over_limit,
                 "git prints more than 256 MiB of what changed since " + in_quotes(revision),
                 {},
                 "Compare with a later revision, or check without --changed-since."};
  ChangedLines out;
  std::error_code failed;
  const std::string real = std::filesystem::canonical(root, failed).string();
  const std::string& base = failed ? root : real;
  read_changes(diff->out, base, out);
  const std::string folder_above = base + "/";
  std::string_view rest = unknown->out;
  while (!rest.empty()) {
    const std::size_t end = std::min(rest.find('\0'), rest.size());
    out.add_file(folder_above + std::string(rest.substr(0, end)));
    rest.remove_prefix(std::min(end + 1, rest.size()));
  }
  return out;
}

}  // namespace inky::cli
