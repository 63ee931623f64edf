#include "toolchain/witness.hpp"

#include <algorithm>
#include <csignal>
#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <vector>

#include "confined_process.hpp"
#include "environment.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "toolchain/programs.hpp"
#include "work_folder.hpp"

namespace inky::toolchain {

namespace {

namespace fs = std::filesystem;

std::string contents_of(const fs::path& path, std::size_t most) {
  std::ifstream in(path, std::ios::binary);
  std::string out(most, '\0');
  in.read(out.data(), static_cast<std::streamsize>(most));
  out.resize(static_cast<std::size_t>(in.gcount()));
  return out;
}

// The words of a line; @ is the program with its own words.
std::vector<std::string> words_of(std::string_view line, std::span<const std::string> program) {
  std::vector<std::string> out;
  while (!line.empty()) {
    const std::size_t end = std::min(line.find(' '), line.size());
    const std::string_view word = line.substr(0, end);
    if (word == "@")
      out.insert(out.end(), program.begin(), program.end());
    else if (!word.empty())
      out.emplace_back(word);
    line.remove_prefix(std::min(end + 1, line.size()));
  }
  return out;
}

bool write_file(const fs::path& path, std::string_view text) {
  std::ofstream out(path, std::ios::binary);
  out << text;
  out.close();
  return !out.fail();
}

// What compilers print when it is not the program that they cannot cope with, but the machine.
bool blames_the_machine(std::string_view messages) {
  constexpr std::string_view complaints[] = {"terminated with signal",
                                             "Terminated",
                                             "Killed",
                                             "No space left on device",
                                             "Disk quota exceeded",
                                             "File size limit exceeded",
                                             "File too large",
                                             "Cannot allocate memory",
                                             "cannot allocate memory",
                                             "out of memory",
                                             "Out of memory",
                                             "OutOfMemoryException",
                                             "OutOfMemoryError",
                                             "virtual memory exhausted",
                                             "memory allocation of",
                                             "Resource temporarily unavailable",
                                             "Too many open files",
                                             "Read-only file system",
                                             "could not be created; error=",
                                             "Failed to create CoreCLR",
                                             "GC heap initialization failed"};
  return std::any_of(std::begin(complaints), std::end(complaints), [&](std::string_view one) {
    return messages.find(one) != std::string_view::npos;
  });
}

class Running {
 public:
  Running(const fs::path& folder, std::span<const std::string> program, const RunForm& form,
          const RunLimits& limits)
      : folder_(folder), program_(program), form_(form), limits_(limits) {}

  // False where it did not end well; the stage and the messages state how. `failed` is the stage of
  // a program that ends with another status than 0.
  bool run(std::string_view line, Witness::Stage failed, Witness& out) {
    Command command;
    command.words = words_of(line, program_);
    // "./main" is in the folder.
    if (command.words[0].starts_with("./"))
      command.words[0] = (folder_ / command.words[0].substr(2)).string();
    command.environment = witness_environment(program_[0], folder_.string(), form_);
    command.folder = folder_.string();
    command.output = (folder_ / "standard-output").string();
    command.messages = (folder_ / "standard-error").string();
    const Ended ended = run_confined(command, limits_);
    constexpr std::size_t most_messages = 4096;
    out.confinement = ended.confinement;
    out.status = ended.status;
    out.messages = contents_of(command.messages, most_messages);
    out.output = contents_of(command.output, limits_.output);
    switch (ended.how) {
      case Ended::How::not_started:
        out.messages = ended.why;
        out.stage = Witness::Stage::not_asked;
        return false;
      case Ended::How::interrupted:
        out.stage = Witness::Stage::interrupted;
        return false;
      case Ended::How::over_limit:
        out.messages = ended.why;
        out.stage = Witness::Stage::stopped;
        return false;
      case Ended::How::killed:
        out.stage = signal_is_its_own(ended.status) ? failed : Witness::Stage::not_asked;
        if (out.messages.empty()) out.messages = "signal " + std::to_string(ended.status);
        return false;
      case Ended::How::exited:
        break;
    }
    out.stage = ended.status == 0 ? Witness::Stage::printed : failed;
    if (ended.status != 0 && blames_the_machine(out.messages))
      out.stage = Witness::Stage::not_asked;
    return ended.status == 0;
  }

 private:
  // A program kills itself by these; by the others somebody else does.
  static bool signal_is_its_own(int number) {
    return number == SIGSEGV || number == SIGABRT || number == SIGFPE || number == SIGILL ||
           number == SIGBUS || number == SIGTRAP || number == SIGPIPE;
  }

  fs::path folder_;
  std::span<const std::string> program_;
  const RunForm& form_;
  const RunLimits& limits_;
};

}  // namespace

std::span<const Toolchain> all_toolchains() {
  static const std::vector<Toolchain> toolchains = [] {
    std::vector<Toolchain> out;
    for (const Dialect* dialect : all_dialects()) {
      if (dialect->facts().forms.run != nullptr)
        out.push_back({dialect->facts().id, *dialect->facts().forms.run});
    }
    return out;
  }();
  return toolchains;
}

const Toolchain* toolchain_of(std::string_view dialect) {
  const auto all = all_toolchains();
  const auto found = std::find_if(all.begin(), all.end(),
                                  [&](const Toolchain& one) { return one.dialect == dialect; });
  return found == all.end() ? nullptr : &*found;
}

std::optional<std::vector<std::string>> find_toolchain(const Toolchain& toolchain) {
  if (!toolchain.form.variable.empty()) {
    const char* named = std::getenv(std::string(toolchain.form.variable).c_str());
    std::vector<std::string> words = words_of(named == nullptr ? "" : named, {});
    if (!words.empty()) {
      const auto path = find_program(words[0]);
      if (!path) return std::nullopt;
      words[0] = *path;
      return words;
    }
  }
  for (const std::string& name : words_of(toolchain.form.programs, {})) {
    if (auto path = find_program(name)) return std::vector<std::string>{*path};
  }
  return std::nullopt;
}

Witness run_program(const Toolchain& toolchain, std::string_view source, const RunLimits& limits) {
  Witness out;
  const auto program = find_toolchain(toolchain);
  if (!program) return out;
  out.program = program->front();
  if (limits.stop != nullptr && limits.stop->load()) {
    out.stage = Witness::Stage::interrupted;
    return out;
  }
  const WorkFolder folder;
  out.stage = Witness::Stage::not_asked;
  if (folder.path().empty()) {
    out.messages = folder.why();
    return out;
  }
  if (!write_file(fs::path(folder.path()) / toolchain.form.file, source)) {
    out.messages = "the program could not be written to " + folder.path();
    return out;
  }
  Running running(folder.path(), *program, toolchain.form, limits);
  if (!toolchain.form.build.empty() &&
      !running.run(toolchain.form.build, Witness::Stage::refused, out))
    return out;
  running.run(toolchain.form.run, Witness::Stage::failed, out);
  return out;
}

}  // namespace inky::toolchain
