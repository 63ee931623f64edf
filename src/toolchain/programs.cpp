#include "toolchain/programs.hpp"

#include <unistd.h>

#include <cstdlib>
#include <filesystem>
#include <fstream>

#include "confined_process.hpp"
#include "environment.hpp"
#include "work_folder.hpp"

namespace inky::toolchain {

namespace {

namespace fs = std::filesystem;

std::optional<std::string> program_at(const fs::path& path) {
  std::error_code failed;
  if (!fs::is_regular_file(path, failed) || access(path.c_str(), X_OK) != 0) return std::nullopt;
  const fs::path whole = fs::absolute(path, failed);
  if (failed) return std::nullopt;
  return whole.lexically_normal().string();
}

}  // namespace

std::optional<std::string> find_program(std::string_view name) {
  if (name.find('/') != std::string_view::npos) return program_at(name);
  const char* folders = std::getenv("PATH");
  std::string_view rest = folders == nullptr ? "/usr/bin:/bin" : folders;
  while (!rest.empty()) {
    const std::size_t end = std::min(rest.find(':'), rest.size());
    const std::string_view folder = rest.substr(0, end);
    if (folder.starts_with('/')) {
      if (auto found = program_at(fs::path(folder) / name)) return found;
    }
    rest.remove_prefix(std::min(end + 1, rest.size()));
  }
  return std::nullopt;
}

std::optional<std::string> version_of(const std::string& path) {
  const WorkFolder folder;
  if (folder.path().empty()) return std::nullopt;
  Command command;
  command.words = {path, "--version"};
  command.environment = witness_environment(path, folder.path(), {});
  command.folder = folder.path();
  command.output = folder.path() + "/standard-output";
  command.messages = folder.path() + "/standard-error";
  RunLimits limits;
  limits.time = std::chrono::milliseconds(10000);
  const Ended ended = run_confined(command, limits);
  if (ended.how != Ended::How::exited || ended.status != 0) return std::nullopt;
  std::ifstream output(command.output, std::ios::binary);
  std::string line;
  std::getline(output, line);
  if (line.empty()) return std::nullopt;
  return line;
}

}  // namespace inky::toolchain
