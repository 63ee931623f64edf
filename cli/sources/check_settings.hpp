// inky.toml: what a team agrees on for inky check.
//
//   [check]
//   enable = ["signedness"]
//   disable = ["flag-without-effect"]
//   fail_on = "error"
//   exclude = ["generated/", "*.pb.c"]
//   baseline = "known-faults.txt"
//   calls = "calls.toml"
//   compile_commands = "build/compile_commands.json"
//   line_limit = 100
//   for_machine = false
//
// docs/check.schema.json is its schema.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "fault_names.hpp"
#include "path_patterns.hpp"

namespace inky::cli {

// What makes the exit status 1.
enum class FailOn : std::uint8_t { error, warning, nothing };
std::optional<FailOn> fail_on_of(std::string_view name);

struct CheckSettings {
  std::string folder;  // that the file is in: its paths and patterns are below it
  CodeChoice codes;
  std::optional<FailOn> fail_on;
  PathPatterns exclude;
  std::string baseline;  // paths of files; empty: none
  std::string calls;
  std::string compile_commands;
  std::size_t line_limit = 0;
  bool for_machine = false;
};

// The span of an error is in `text`.
Result<CheckSettings> read_check_settings(std::string_view text, const std::string& path);

// inky.toml in this folder or the nearest one above; empty: there is none.
std::string settings_above(const std::string& folder);

}  // namespace inky::cli
