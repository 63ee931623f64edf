// What a command takes at the command line. Only arguments.cpp and run.cpp know the parser, whose
// header takes longer to compile than most commands do.
#pragma once

#include <cstddef>
#include <functional>
#include <string>
#include <vector>

namespace CLI {
class App;
class Option;
}  // namespace CLI

namespace inky::cli {

class Command {
 public:
  explicit Command(CLI::App& app) : app_(&app) {}

  // A command of this one; `examples` stand below its help.
  Command command(const char* name, const char* what, const char* examples);

  // An option (--name) or an argument of its place (name). `holds` is what help calls its value.
  void takes(const std::string& name, std::string& to, const char* what, const char* holds = "");
  void takes(const std::string& name, std::size_t& to, const char* what, const char* holds = "");
  // All that follow, and those of each time it is given.
  void takes(const std::string& name, std::vector<std::string>& to, const char* what,
             const char* holds = "");
  // One each time it is given.
  void takes_one_each(const std::string& name, std::vector<std::string>& to, const char* what,
                      const char* holds);
  void takes(const std::string& name, const std::function<void(const std::string&)>& to,
             const char* what, const char* holds);
  void flag(const char* name, bool& to, const char* what);
  // What means the same in every command that has it.
  void json_flag(bool& to) { flag("--json", to, "The answer as one JSON object"); }
  void jsonl_flag(bool& to) {
    flag("--jsonl", to, "Answers requests from standard input, one a line");
  }
  void ascii_flag(bool& to) { flag("--ascii", to, "No characters beyond ASCII in the frame"); }

  // Whether it was given, once the arguments are read.
  bool has(const char* name) const;

 private:
  CLI::App* app_;
};

}  // namespace inky::cli
