#include "source_files.hpp"

#include <algorithm>
#include <cerrno>
#include <cstring>
#include <filesystem>
#include <fstream>
#include <optional>
#include <unordered_set>

#include "dialect/lexis.hpp"
#include "text/escape.hpp"

namespace inky::cli {

namespace {

namespace fs = std::filesystem;

// What the language of a file is known by, besides its name: its first line, as a rule.
constexpr std::size_t looked_at = 256;
// More than any file of patterns has that is written by hand.
constexpr std::uintmax_t most_patterns = std::uintmax_t{1} << 22;

std::string beginning_of(const fs::path& path) {
  std::ifstream file(path, std::ios::binary);
  std::string out(looked_at, '\0');
  file.read(out.data(), static_cast<std::streamsize>(out.size()));
  out.resize(static_cast<std::size_t>(std::max<std::streamsize>(file.gcount(), 0)));
  return out;
}

const SourceLanguage* language_at(const fs::path& path) {
  const std::string name = path.filename().string();
  // Most names say it, and their files are not opened for it.
  const std::size_t dot = name.rfind('.');
  const std::string_view ending =
      dot == std::string::npos ? std::string_view() : std::string_view(name).substr(dot);
  std::size_t count = 0;
  for (const SourceLanguage& language : all_languages())
    count += ending.empty() || !has_word(language.endings, ending) ? 0 : 1;
  if (!ending.empty() && count < 2) return language_of_file(name);
  return language_of_file(name, beginning_of(path));
}

std::string relative_to(const fs::path& path, const fs::path& base) {
  std::string out = path.lexically_relative(base).generic_string();
  while (out.starts_with("../")) out.erase(0, 3);
  return out;
}

fs::path whole_path(const fs::path& path) {
  std::error_code failed;
  fs::path out = fs::weakly_canonical(path, failed);
  return failed ? fs::absolute(path, failed).lexically_normal() : out;
}

class Lister {
 public:
  explicit Lister(const SourceRequest& request) : request_(request) {
    for (const Exclusion& one : request.exclusions)
      bases_.push_back(whole_path(one.base.empty() ? fs::path(".") : fs::path(one.base)));
  }

  void add(const std::string& path, bool is_listed) {
    if (path == "-") {
      if (request_.language == nullptr)
        trouble("the language of standard input cannot be known", "Name it: --language c.");
      else
        out_.files.push_back({path, "stdin", request_.language});
      return;
    }
    std::error_code failed;
    const fs::file_status status = fs::status(path, failed);
    if (!fs::exists(status)) {
      const int number = failed ? failed.value() : ENOENT;
      out_.troubles.push_back({Code::unreadable_file,
                               "cannot read " + in_quotes(path) + ": " + std::strerror(number),
                               {},
                               "Check the path and its permissions."});
      return;
    }
    if (is_excluded(path, fs::is_directory(status))) return;
    if (fs::is_directory(status)) {
      add_folder(path);
      return;
    }
    const SourceLanguage* language =
        request_.language != nullptr ? request_.language : language_at(path);
    if (language != nullptr) {
      add_file(path, language);
    } else if (is_listed) {
      ++out_.skipped;
    } else {
      trouble("the language of " + in_quotes(path) + " cannot be known from its name",
              "Name it: --language c.");
    }
  }

  SourceList out() { return std::move(out_); }

 private:
  void trouble(std::string message, std::string remedy) {
    out_.troubles.push_back({Code::bad_source, std::move(message), {}, std::move(remedy)});
  }

  void add_file(const fs::path& path, const SourceLanguage* language) {
    if (seen_.insert(whole_path(path).string()).second)
      out_.files.push_back({path.string(), path.string(), language});
  }

  // A path, or a folder that it is in.
  bool is_excluded(const fs::path& path, bool is_folder) {
    if (request_.exclusions.empty()) return false;
    const fs::path whole = whole_path(path);
    for (std::size_t i = 0; i < bases_.size(); ++i) {
      const std::string name = relative_to(whole, bases_[i]);
      const PathPatterns& patterns = request_.exclusions[i].patterns;
      bool is_out = patterns.excludes(name, is_folder);
      for (std::size_t at = name.find('/'); !is_out && at != std::string::npos;
           at = name.find('/', at + 1))
        is_out = patterns.excludes(std::string_view(name).substr(0, at), true);
      if (!is_out) continue;
      if (!is_folder) ++out_.excluded;
      return true;
    }
    return false;
  }

  static void add_patterns(const fs::path& file, const std::string& folder, PathPatterns& to) {
    std::error_code failed;
    const std::uintmax_t size = fs::file_size(file, failed);
    if (failed || size > most_patterns || !fs::is_regular_file(file, failed)) return;
    std::ifstream in(file, std::ios::binary);
    to.add(folder, std::string(std::istreambuf_iterator<char>(in), {}));
  }

  // The patterns of the work tree that a folder is in, down to the folder.
  PathPatterns patterns_above(const fs::path& folder, fs::path& root) const {
    PathPatterns out;
    root = folder;
    std::error_code failed;
    fs::path top = folder;
    while (!fs::exists(top / ".git", failed)) {
      if (top == top.parent_path()) return out;
      top = top.parent_path();
    }
    root = top;
    add_patterns(root / ".git" / "info" / "exclude", "", out);
    fs::path at = root;
    const fs::path below = folder.lexically_relative(root);
    for (const fs::path& part : below) {
      if (part == ".") break;
      const fs::path name = at.lexically_relative(root);
      add_patterns(at / ".gitignore", name == "." ? "" : name.generic_string(), out);
      at /= part;
    }
    return out;
  }

  void add_folder(const fs::path& folder) {
    const std::size_t before = out_.excluded;
    found_ = 0;
    const fs::path whole = whole_path(folder);
    fs::path root;
    PathPatterns patterns;
    if (request_.reads_ignored)
      root = whole;
    else
      patterns = patterns_above(whole, root);
    const fs::path below = whole.lexically_relative(root);
    walk(folder, below == "." ? "" : below.generic_string(), patterns);
    if (found_ == 0 && out_.excluded == before)
      trouble("no source file is in " + in_quotes(folder.string()),
              "Check the path. What begins with a point and what .gitignore names is left out.");
  }

  void walk(const fs::path& folder, const std::string& name, PathPatterns& patterns) {
    const std::size_t above = patterns.size();
    if (!request_.reads_ignored) add_patterns(folder / ".gitignore", name, patterns);
    std::vector<fs::directory_entry> entries;
    std::error_code failed;
    for (fs::directory_iterator at(folder, failed); !failed && at != fs::directory_iterator();
         at.increment(failed))
      entries.push_back(*at);
    if (failed) {
      out_.troubles.push_back(
          {Code::unreadable_file,
           "cannot read the folder " + in_quotes(folder.string()) + ": " + failed.message(),
           {},
           "Check its permissions, or leave it out: --exclude."});
      patterns.cut(above);
      return;
    }
    std::sort(entries.begin(), entries.end());
    for (const fs::directory_entry& entry : entries) {
      std::error_code ignored;
      const std::string last = entry.path().filename().string();
      if (last.starts_with('.') || entry.is_symlink(ignored)) continue;
      const bool is_folder = entry.is_directory(ignored);
      if (!is_folder && !entry.is_regular_file(ignored)) continue;
      std::string path = name;
      if (!path.empty()) path += '/';
      path += last;
      if (patterns.excludes(path, is_folder)) continue;
      if (is_folder) {
        if (!is_excluded(entry.path(), true)) walk(entry.path(), path, patterns);
        continue;
      }
      const SourceLanguage* language = language_at(entry.path());
      if (language == nullptr) {
        ++out_.skipped;
      } else if (!is_excluded(entry.path(), false)) {
        ++found_;
        add_file(entry.path(), language);
      }
    }
    patterns.cut(above);
  }

  const SourceRequest& request_;
  std::vector<fs::path> bases_;  // of the exclusions
  SourceList out_;
  std::unordered_set<std::string> seen_;
  std::size_t found_ = 0;  // sources in the folder that is walked
};

}  // namespace

SourceList list_sources(const SourceRequest& request) {
  Lister lister(request);
  for (const std::string& path : request.paths) lister.add(path, false);
  for (const std::string& path : request.listed) lister.add(path, true);
  return lister.out();
}

std::vector<std::string> paths_listed(std::string_view text) {
  const char apart = text.find('\0') == std::string_view::npos ? '\n' : '\0';
  std::vector<std::string> out;
  while (!text.empty()) {
    const std::size_t end = std::min(text.find(apart), text.size());
    std::string_view line = text.substr(0, end);
    text.remove_prefix(std::min(end + 1, text.size()));
    if (apart == '\n' && line.ends_with('\r')) line.remove_suffix(1);
    if (!line.empty()) out.emplace_back(line);
  }
  return out;
}

}  // namespace inky::cli
