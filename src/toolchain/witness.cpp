#include "inky_margin/toolchain/witness.hpp"

#include <unistd.h>

#include <algorithm>
#include <boost/process/args.hpp>
#include <boost/process/child.hpp>
#include <boost/process/group.hpp>
#include <boost/process/io.hpp>
#include <boost/process/start_dir.hpp>
#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <sstream>
#include <thread>
#include <vector>

#include "inky_margin/toolchain/programs.hpp"

namespace inky::toolchain {

namespace {

namespace fs = std::filesystem;
namespace process = boost::process;

constexpr Toolchain toolchains[] = {
    {"c", "gcc cc clang", "CC", "gcc", "main.c", "@ -std=gnu17 -w -o main main.c -lm", "./main"},
    {"cpp-format", "clang++-16", "", "clang-16 libc++-16-dev libc++abi-16-dev", "main.cpp",
     "@ -std=c++20 -stdlib=libc++ -fexperimental-library -w -o main main.cpp", "./main"},
    {"cpp-stream", "g++ c++ clang++", "CXX", "g++", "main.cpp", "@ -std=c++20 -w -o main main.cpp",
     "./main"},
    {"csharp", "dotnet", "", "dotnet-sdk-10.0 of Microsoft's own archive", "main.cs", "",
     // Compiled ahead of time it would ask the network for a compiler.
     "@ run -p:PublishAot=false -p:NuGetAudit=false main.cs"},
    {"fsharp", "dotnet", "", "dotnet-sdk-10.0 of Microsoft's own archive", "main.fsx", "",
     "@ fsi --quiet --nologo --nowarn:25,3376 main.fsx"},
    {"java", "java", "JAVA", "default-jdk-headless", "Main.java", "",
     "@ -Dfile.encoding=UTF-8 -Dstdout.encoding=UTF-8 Main.java"},
    {"java-pattern", "java", "JAVA", "default-jdk-headless", "Main.java", "",
     "@ -Dfile.encoding=UTF-8 -Dstdout.encoding=UTF-8 Main.java"},
    {"javascript", "node nodejs", "NODE", "nodejs", "main.js", "", "@ main.js"},
    {"lisp", "sbcl", "", "sbcl", "main.lisp", "", "@ --script main.lisp"},
    {"octave", "octave-cli", "", "octave", "main.m", "", "@ --norc --quiet --no-history main.m"},
    {"php", "php", "", "php-cli", "main.php", "", "@ -n -d display_errors=stderr main.php"},
    {"python", "python3", "PYTHON", "python3", "main.py", "", "@ -I -B main.py"},
    {"python-percent", "python3", "PYTHON", "python3", "main.py", "", "@ -I -B main.py"},
    {"r", "Rscript", "", "r-base-core", "main.R", "", "@ --vanilla main.R"},
    {"r-format", "Rscript", "", "r-base-core", "main.R", "", "@ --vanilla main.R"},
    {"rust", "rustc", "RUSTC", "rustc", "main.rs", "@ --edition 2021 -A warnings -o main main.rs",
     "./main"},
};

// A folder of its own, gone with everything in it.
class Folder {
 public:
  Folder() {
    std::string pattern = (fs::temp_directory_path() / "inky-witness-XXXXXX").string();
    if (::mkdtemp(pattern.data()) != nullptr) path_ = pattern;
  }
  Folder(const Folder&) = delete;
  Folder& operator=(const Folder&) = delete;
  ~Folder() {
    std::error_code ignored;
    if (!path_.empty()) fs::remove_all(path_, ignored);
  }
  const fs::path& path() const { return path_; }

 private:
  fs::path path_;
};

std::string contents_of(const fs::path& path, std::size_t most) {
  std::ifstream in(path, std::ios::binary);
  std::string out(most, '\0');
  in.read(out.data(), static_cast<std::streamsize>(most));
  out.resize(static_cast<std::size_t>(in.gcount()));
  return out;
}

std::size_t size_of(const fs::path& path) {
  std::error_code failed;
  const std::uintmax_t size = fs::file_size(path, failed);
  return failed ? 0 : static_cast<std::size_t>(size);
}

std::vector<std::string> words_of(std::string_view line, const std::string& program) {
  std::vector<std::string> out;
  std::istringstream in{std::string(line)};
  for (std::string word; in >> word;) out.push_back(word == "@" ? program : word);
  return out;
}

// What every toolchain is given, so that a machine's settings change nothing: arguments of env(1),
// which starts the program. It needs no memory of ours between fork and exec.
std::vector<std::string> pinned_environment(const fs::path& folder) {
  std::vector<std::string> out;
  for (const char* name :
       {"LANGUAGE", "LC_NUMERIC", "PYTHONPATH", "NODE_OPTIONS", "JAVA_TOOL_OPTIONS", "RUSTFLAGS",
        "R_PROFILE", "OCTAVE_PATH", "CFLAGS", "CXXFLAGS"}) {
    out.emplace_back("-u");
    out.emplace_back(name);
  }
  for (const char* setting :
       {"LANG=C.UTF-8", "LC_ALL=C.UTF-8", "TZ=UTC", "DOTNET_NOLOGO=1",
        "DOTNET_CLI_TELEMETRY_OPTOUT=1", "DOTNET_SYSTEM_GLOBALIZATION_INVARIANT=1"})
    out.emplace_back(setting);
  // What they keep for another time, they keep in the folder.
  for (const char* name :
       {"TMPDIR", "XDG_DATA_HOME", "XDG_CACHE_HOME", "XDG_CONFIG_HOME", "DOTNET_CLI_HOME"})
    out.push_back(std::string(name) + "=" + folder.string());
  return out;
}

struct Ran {
  bool stopped = false;
  int status = -1;
};

class Running {
 public:
  Running(const fs::path& folder, const RunLimits& limits) : folder_(folder), limits_(limits) {}

  // Whether it ends is watched, and how much it prints: both outputs are files of the folder.
  Ran run(std::string_view line, const std::string& program) {
    std::vector<std::string> words = pinned_environment(folder_);
    for (std::string& word : words_of(line, program)) words.push_back(std::move(word));
    Ran out;
    const auto executable = find_program("env");
    if (!executable) return out;
    try {
      process::group group;
      process::child child(*executable, process::args(words), group,
                           process::start_dir(folder_.string()),
                           process::std_in<process::null, process::std_out>(output().string()),
                           process::std_err > messages().string());
      const auto end = std::chrono::steady_clock::now() + limits_.time;
      std::error_code failed;
      auto pause = std::chrono::milliseconds(1);
      while (child.running(failed)) {
        if (std::chrono::steady_clock::now() > end || size_of(output()) > limits_.output ||
            size_of(messages()) > limits_.output) {
          out.stopped = true;
          break;
        }
        std::this_thread::sleep_for(pause);
        pause = std::min(pause * 2, std::chrono::milliseconds(20));
      }
      // What it started and left running goes too.
      group.terminate(failed);
      child.wait(failed);
      out.status = child.exit_code();
      if (size_of(output()) > limits_.output) out.stopped = true;
    } catch (const process::process_error&) {
      out.status = -1;
    }
    return out;
  }

  fs::path output() const { return folder_ / "standard-output"; }
  fs::path messages() const { return folder_ / "standard-error"; }

 private:
  fs::path folder_;
  const RunLimits& limits_;
};

}  // namespace

std::span<const Toolchain> all_toolchains() {
  return toolchains;
}

const Toolchain* toolchain_of(std::string_view dialect) {
  const auto found = std::find_if(std::begin(toolchains), std::end(toolchains),
                                  [&](const Toolchain& one) { return one.dialect == dialect; });
  return found == std::end(toolchains) ? nullptr : &*found;
}

std::optional<std::string> find_toolchain(const Toolchain& toolchain) {
  if (!toolchain.variable.empty()) {
    const char* named = std::getenv(std::string(toolchain.variable).c_str());
    if (named != nullptr && *named != '\0') {
      const std::string name = named;
      return name.find('/') == std::string::npos ? find_program(name) : std::optional(name);
    }
  }
  for (const std::string& name : words_of(toolchain.programs, {})) {
    if (auto path = find_program(name)) return path;
  }
  return std::nullopt;
}

Witness run_program(const Toolchain& toolchain, std::string_view source, const RunLimits& limits) {
  Witness out;
  const auto program = find_toolchain(toolchain);
  if (!program) return out;
  out.program = *program;
  const Folder folder;
  if (folder.path().empty()) {
    out.stage = Witness::Stage::refused;
    out.messages = "there is no temporary folder to build in";
    return out;
  }
  std::ofstream(folder.path() / toolchain.file, std::ios::binary) << source;
  Running running(folder.path(), limits);
  constexpr std::size_t most_messages = 4096;
  if (!toolchain.build.empty()) {
    const Ran built = running.run(toolchain.build, *program);
    out.messages = contents_of(running.messages(), most_messages);
    if (built.stopped || built.status != 0) {
      out.stage = built.stopped ? Witness::Stage::stopped : Witness::Stage::refused;
      return out;
    }
  }
  const Ran ran = running.run(toolchain.run, *program);
  out.output = contents_of(running.output(), limits.output);
  out.messages = contents_of(running.messages(), most_messages);
  out.stage = ran.stopped       ? Witness::Stage::stopped
              : ran.status != 0 ? Witness::Stage::failed
                                : Witness::Stage::printed;
  return out;
}

}  // namespace inky::toolchain
