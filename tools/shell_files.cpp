// Writes man pages and completions into a folder: part of the build, not of what is installed.
#include <filesystem>
#include <fstream>
#include <iostream>

#include "command_table.hpp"

namespace {

bool write(const std::filesystem::path& path, const std::string& text) {
  std::filesystem::create_directories(path.parent_path());
  std::ofstream out(path, std::ios::binary);
  out << text;
  out.close();
  if (!out) std::cerr << "shell_files: cannot write " << path << "\n";
  return static_cast<bool>(out);
}

}  // namespace

int main(int argc, char** argv) {
  using namespace inky::cli;
  if (argc != 2) {
    std::cerr << "Usage: inky_shell_files FOLDER\n";
    return 2;
  }
  const std::filesystem::path folder = argv[1];
  const std::vector<CommandFact> commands = command_table();
  bool written = write(folder / "man1/inky.1", man_page(commands)) &&
                 write(folder / "bash/inky", bash_completion(commands)) &&
                 write(folder / "zsh/_inky", zsh_completion(commands)) &&
                 write(folder / "fish/inky.fish", fish_completion(commands));
  for (const CommandFact& command : commands)
    written = written && write(folder / ("man1/inky-" + command.name + ".1"), man_page(command));
  return written ? 0 : 1;
}
