// inky check FILE...: the format calls of source files, each checked where it stands.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "check_settings.hpp"
#include "findings.hpp"

namespace inky::cli {

// As it was typed; what is empty was left out, and inky.toml may say it.
struct CheckFilesRequest {
  std::vector<std::string> paths;  // files and folders; "-" is standard input
  std::string files_from;          // a list of more
  std::string language;            // of files that are named
  std::string calls;               // a table of more calls
  std::string compile_commands;    // a compile database
  std::string settings;            // a file of settings
  bool no_settings = false;        // inky.toml is not looked for
  std::string enable;              // lists of codes
  std::string disable;
  std::string fail_on;
  std::vector<std::string> exclude;  // patterns of paths
  bool reads_ignored = false;        // what .gitignore names too
  std::string baseline;              // a file of them
  std::string write_baseline;        // the same, to write
  std::string changed_since;         // a revision of git
  std::size_t most_shown = 0;        // faults; 0: all
  std::size_t jobs = 0;              // files at the same time; 0: as many as processors
  FindingForm form = FindingForm::lines;
  Demands demands;
  bool lists_takers = false;  // the program's own calls that were learned, and nothing else
  bool unchecked = false;     // lists the calls that could not be looked at
  bool ascii = false;
};

// Whether an argument names source files, not a template: it is "-", or a file or folder that is
// there, or it looks like a path. A template that looks like a path is given with --in.
bool is_source_path(const std::string& argument);

// Says on standard error that a template is the path of a file that is there, and what reads it.
void notice_path(const std::string& source);

// The exit status.
int check_files(const CheckFilesRequest& request);

}  // namespace inky::cli
