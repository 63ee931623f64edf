#include "inky_margin/toolchain/programs.hpp"

#include <unistd.h>

#include <boost/process/child.hpp>
#include <boost/process/io.hpp>
#include <cstdlib>
#include <filesystem>

namespace inky::toolchain {

namespace {

bool is_program(const std::filesystem::path& path) {
  std::error_code error;
  return std::filesystem::is_regular_file(path, error) && access(path.c_str(), X_OK) == 0;
}

}  // namespace

std::optional<std::string> find_program(std::string_view name) {
  const char* folders = std::getenv("PATH");
  std::string_view rest = folders == nullptr ? "/usr/bin:/bin" : folders;
  while (!rest.empty()) {
    const std::size_t end = std::min(rest.find(':'), rest.size());
    const std::filesystem::path path = std::filesystem::path(rest.substr(0, end)) / name;
    if (end != 0 && is_program(path)) return path.string();
    rest.remove_prefix(std::min(end + 1, rest.size()));
  }
  return std::nullopt;
}

std::optional<std::string> version_of(const std::string& path) {
  namespace process = boost::process;
  try {
    process::ipstream output;
    process::child child(path, "--version", process::std_in<process::null, process::std_out> output,
                         process::std_err > process::null);
    std::string line;
    std::getline(output, line);
    child.wait();
    if (child.exit_code() == 0 && !line.empty()) return line;
  } catch (const process::process_error&) {
    // It could not be started: there is no version to tell.
  }
  return std::nullopt;
}

}  // namespace inky::toolchain
