// A program built and run by the real toolchain of its language, and what it printed.
//
//   const Toolchain* c = toolchain_of("c");
//   const Witness witness = run_program(*c, "int main(void) { return 0; }\n", {});
//   witness.stage, witness.output                       // Stage::printed, ""
//
//   toolchain_of("octave-display")                      // null: no program is run for it
//
// It runs in a fresh folder that is gone afterwards, without a shell, in a pinned environment, and
// no longer than its limits allow: then all of its processes are killed.
#pragma once

#include <chrono>
#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <string_view>

namespace inky::toolchain {

struct Toolchain {
  std::string_view dialect;   // whose programs it runs
  std::string_view programs;  // names to look for in PATH, the best first
  std::string_view variable;  // of the environment, that names another; empty: none is usual
  std::string_view package;   // of Debian, that brings it
  std::string_view file;      // what the program is called
  // Words between blanks; @ is the program found. No build: the file is run as it is.
  std::string_view build;
  std::string_view run;
};

std::span<const Toolchain> all_toolchains();
// Null where there is none for this dialect.
const Toolchain* toolchain_of(std::string_view dialect);

// The program itself: that of the variable, or the first that is found; nothing where neither is.
std::optional<std::string> find_toolchain(const Toolchain& toolchain);

struct RunLimits {
  std::chrono::milliseconds time{60000};               // of building, and of running
  std::size_t output = std::size_t{16} * 1024 * 1024;  // bytes of standard output and of error
};

struct Witness {
  enum class Stage : std::uint8_t {
    missing,  // there is no such toolchain here
    stopped,  // it took longer, or printed more, than the limits allow
    refused,  // it was not built
    failed,   // it ran, and ended with another status than 0
    printed,  // it ran to its end
  };
  Stage stage = Stage::missing;
  std::string program;   // the path of the compiler or interpreter
  std::string output;    // standard output, of what ran
  std::string messages;  // standard error, of what ran last
};

Witness run_program(const Toolchain& toolchain, std::string_view source, const RunLimits& limits);

}  // namespace inky::toolchain
