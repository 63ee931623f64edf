// The lines of a work tree that are new since a revision, as git tells them.
#pragma once

#include <cstddef>
#include <map>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/format/note.hpp"

namespace inky::cli {

struct LineRange {
  std::size_t from = 1;
  std::size_t to = 0;  // with it
};

class ChangedLines {
 public:
  // Of all lines of a file.
  void add_file(const std::string& path) { files_[path].is_whole = true; }
  void add(const std::string& path, LineRange lines) { files_[path].lines.push_back(lines); }

  // A path is absolute, without links in it.
  bool has_file(const std::string& path) const { return files_.contains(path); }
  bool touches(const std::string& path, LineRange lines) const;

 private:
  struct File {
    bool is_whole = false;
    std::vector<LineRange> lines;
  };
  std::map<std::string, File> files_;
};

// What `git diff --unified=0` printed: its paths are below `root`.
void read_changes(std::string_view diff, const std::string& root, ChangedLines& out);

// Lines that differ from `revision`, committed or not, and the files that git does not know and
// does not ignore, in the work tree that `folder` is in. Runs git, without the hooks, the external
// programs and the monitor that a repository may name.
Result<ChangedLines> lines_changed_since(const std::string& revision, const std::string& folder);

}  // namespace inky::cli
