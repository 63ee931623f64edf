// inky check FILE...: the format calls of source files, each checked where it stands.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "inky_margin/check/check.hpp"

namespace inky::cli {

struct CheckFilesRequest {
  std::vector<std::string> paths;  // files and folders; "-" is standard input
  std::string language;            // empty: each file's name shows
  std::string calls;               // a table of more calls; empty: none
  Demands demands;
  bool unchecked = false;  // lists the calls that could not be looked at
  bool json = false;
  bool sarif = false;
};

// Whether an argument is a source file or a folder of them, not a template.
bool is_source_path(const std::string& argument);

// Says on standard error that a template is the path of a file that is there, and what reads it.
void notice_path(const std::string& source);

// The exit status.
int check_files(const CheckFilesRequest& request);

}  // namespace inky::cli
