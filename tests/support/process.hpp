// Runs the built tool as a person would: through the shell, with everything it prints collected.
#pragma once

#include <sys/wait.h>

#include <cstdio>
#include <cstdlib>
#include <fstream>
#include <iterator>
#include <string>

namespace support {

struct Ran {
  int status = -1;
  std::string out;
  std::string err;
};

inline std::string read_file(const std::string& path) {
  std::ifstream stream(path, std::ios::binary);
  return {std::istreambuf_iterator<char>(stream), {}};
}

inline void write_file(const std::string& path, const std::string& text) {
  std::ofstream(path, std::ios::binary) << text;
}

// A folder of this test program's own, for files that come and go.
inline const std::string& scratch() {
  static const std::string folder = [] {
    std::string name = INKY_BUILD_DIR "/scratch.XXXXXX";
    if (mkdtemp(name.data()) == nullptr) std::abort();
    return name;
  }();
  return folder;
}

inline Ran shell(const std::string& command, const std::string& input = {}) {
  const std::string base = scratch() + "/run";
  write_file(base + ".in", input);
  const int status = std::system(
      ("(" + command + ") < " + base + ".in > " + base + ".out 2> " + base + ".err").c_str());
  return {WIFEXITED(status) ? WEXITSTATUS(status) : 128, read_file(base + ".out"),
          read_file(base + ".err")};
}

inline Ran run_tool(const std::string& arguments, const std::string& input = {}) {
  return shell(INKY_BUILD_DIR "/cli/inky " + arguments, input);
}

}  // namespace support
