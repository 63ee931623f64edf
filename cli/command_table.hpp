// Every command with what it takes, as data: man pages and completions are made from it, and so
// they say the same as the help texts.
#pragma once

#include <string>
#include <vector>

namespace inky::cli {

struct OptionFact {
  std::string name;   // "--in", or "template" of an argument by place
  std::string holds;  // "DIALECT"; empty: it is a flag
  std::string what;
  std::vector<std::string> values;  // all that it can be, where that is known
  bool list = false;                // several of them between commas
  bool is_file = false;

  bool is_argument() const { return name[0] != '-'; }
};

struct CommandFact {
  std::string name;
  std::string what;
  std::string footer;  // the examples, and what the exit status means
  std::vector<OptionFact> options;
};

// In the order of the help text.
std::vector<CommandFact> command_table();
// The examples below the help text of the whole tool.
const char* tool_examples();
inline constexpr const char* tool_description =
    "Inky Margin: exactly what a format specifier will print, and why.";

// ---- Made from it ----

// A page for man(1), section 1: of the whole tool, and of one command.
std::string man_page(const std::vector<CommandFact>& commands);
std::string man_page(const CommandFact& command);

// Scripts that complete commands, options and their values in a shell.
std::string bash_completion(const std::vector<CommandFact>& commands);
std::string zsh_completion(const std::vector<CommandFact>& commands);
std::string fish_completion(const std::vector<CommandFact>& commands);

}  // namespace inky::cli
