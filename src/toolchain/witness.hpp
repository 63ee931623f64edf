// A program built and run by the real toolchain of its language, and what it printed.
//
//   const Toolchain* toolchain = toolchain_of(dialect_id);
//   const Witness witness = run_program(*toolchain, source, {});
//   witness.stage, witness.output                       // Stage::printed, ""
//
//   toolchain_of(dialect_id)                            // null: no program is run for it
//
// It runs in a fresh folder that is gone afterwards, also where this process is killed. It has no
// shell, no network, an environment made from a list, and nothing that it could write to but its
// folder, as far as the kernel allows (Confinement). Past its limits all of its processes are
// killed.
#pragma once

#include <atomic>
#include <chrono>
#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "dialect/run_form.hpp"

namespace inky::toolchain {

// How the programs of a dialect are built and run.
struct Toolchain {
  std::string_view dialect;
  RunForm form;
};

std::span<const Toolchain> all_toolchains();
// Null where there is none for this dialect.
const Toolchain* toolchain_of(std::string_view dialect);

// The program itself, by its absolute path, and the words that it is always given: those of the
// variable ("gcc -O2"), or the first that is found. Nothing where neither is.
std::optional<std::vector<std::string>> find_toolchain(const Toolchain& toolchain);

struct RunLimits {
  std::chrono::milliseconds time{60000};               // of building, and of running
  std::size_t output = std::size_t{16} * 1024 * 1024;  // bytes of standard output and of error
  std::size_t memory = std::size_t{1} << 32;           // bytes resident, of all its processes
  std::size_t processes = 256;                         // at the same time
  // Becomes true where it is to be stopped at once; may be null.
  const std::atomic<bool>* stop = nullptr;
};

// What a program was kept from. The kernel may refuse some of it.
struct Confinement {
  bool rights = false;     // it had none that its user does not have
  bool network = false;    // it had none
  bool files = false;      // it could write to its folder only
  bool processes = false;  // it saw its own only, and none outlives it
  bool whole() const { return rights && network && files && processes; }
};

struct Witness {
  enum class Stage : std::uint8_t {
    missing,      // there is no such toolchain here
    not_asked,    // the machine could not do its part: no folder, no memory, a killed compiler
    interrupted,  // RunLimits::stop
    stopped,      // it took more time, output, memory or processes than the limits allow
    refused,      // it was not built
    failed,       // it ran, and ended with another status than 0
    printed,      // it ran to its end
  };
  Stage stage = Stage::missing;
  std::string program;   // the path of the compiler or interpreter
  std::string output;    // standard output, of what ran
  std::string messages;  // standard error, of what ran last; or why it was not asked, or stopped
  int status = 0;        // the exit status of what ran last; of a signal, its number
  Confinement confinement;
  bool kept = false;  // it ran earlier, and this was kept of it
};

Witness run_program(const Toolchain& toolchain, std::string_view source, const RunLimits& limits);

}  // namespace inky::toolchain
