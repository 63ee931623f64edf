// A command run for a witness, watched, and gone with everything that it started.
#pragma once

#include <string>
#include <vector>

#include "toolchain/witness.hpp"

namespace inky::toolchain {

struct Command {
  std::vector<std::string> words;        // the first is an absolute path
  std::vector<std::string> environment;  // "NAME=value", and nothing else
  std::string folder;                    // where it runs
  std::string output;                    // the files that get standard output and standard error
  std::string messages;
};

struct Ended {
  enum class How : std::uint8_t {
    not_started,  // the machine could not: `why` states what failed
    exited,       // with `status`
    killed,       // by the signal `status`, which was not ours
    over_limit,   // of time, output, memory or processes: `why` states which
    interrupted,  // RunLimits::stop asked for it
  };
  How how = How::not_started;
  int status = 0;
  std::string why;
  Confinement confinement;
};

// Any number of threads may run commands at the same time.
Ended run_confined(const Command& command, const RunLimits& limits);

}  // namespace inky::toolchain
