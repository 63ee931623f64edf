// A compile database, compile_commands.json, as CMake and other builds write it: in which folders
// the headers of a source are.
#pragma once

#include <map>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/format/note.hpp"

namespace inky::cli {

class CompileCommands {
 public:
  // `path`: of the file, for folders that are written without one. The span of an error is in
  // `text`.
  static Result<CompileCommands> read(std::string_view text, const std::string& path);

  // The folders that -I, -iquote and -isystem name for this source, an absolute path, in their
  // order; null where the database does not have it.
  const std::vector<std::string>* folders_of(const std::string& source) const;

 private:
  std::map<std::string, std::vector<std::string>> by_source_;
};

// compile_commands.json in this folder or the nearest one above, or in a folder build/ there;
// empty: there is none.
std::string compile_commands_above(const std::string& folder);

}  // namespace inky::cli
