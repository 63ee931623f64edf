// Which files `inky check` reads: those that are named, and the sources in the folders that are.
#pragma once

#include <string>
#include <vector>

#include "inky_margin/dialect/language.hpp"
#include "inky_margin/format/note.hpp"
#include "path_patterns.hpp"

namespace inky::cli {

struct SourceFile {
  std::string path;  // "-" is standard input
  std::string name;  // in what is reported
  const SourceLanguage* language = nullptr;
  std::size_t number = 0;  // in the order of the list
};

// Patterns of paths below a folder.
struct Exclusion {
  std::string base;  // the folder; empty: the current one
  PathPatterns patterns;
};

struct SourceRequest {
  std::vector<std::string> paths;   // files and folders; "-" is standard input
  std::vector<std::string> listed;  // the same from a list: what is of no known language is skipped
  const SourceLanguage* language = nullptr;  // of files that are named; null: each name shows
  std::vector<Exclusion> exclusions;
  bool reads_ignored = false;  // what .gitignore names too
};

struct SourceList {
  std::vector<SourceFile> files;  // each once: in the order of the request, sorted in a folder
  std::vector<Error> troubles;    // a path that is not there, a folder without sources, ...
  std::size_t skipped = 0;        // files of no known language
  std::size_t excluded = 0;       // files that an exclusion names
};

// In a folder what begins with a point, symbolic links, and what its .gitignore files and those
// above it in the same work tree name are left out.
SourceList list_sources(const SourceRequest& request);

// The lines of a list of paths: apart by NUL bytes where there are any, else by new lines.
std::vector<std::string> paths_listed(std::string_view text);

}  // namespace inky::cli
