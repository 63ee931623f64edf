// What a witnessed program is kept from: namespaces, limits and rights of Linux, taken away in the
// process that becomes it. Everything here runs between fork and exec, so nothing here allocates.
#pragma once

#include <sys/types.h>

#include <cstddef>

#include "toolchain/witness.hpp"

namespace inky::toolchain {

// All that the child needs, made ready before it is forked.
struct Child {
  char* const* arguments = nullptr;    // the first is the path of the program
  char* const* environment = nullptr;  // "NAME=value"
  const char* folder = nullptr;        // where it runs, and all that it may write to
  bool hides_tmp = false;              // an empty /tmp of its own
  const char* output = nullptr;        // the files of its standard output and standard error
  const char* messages = nullptr;
  char user_map[32] = {};  // "1000 1000 1"
  char group_map[32] = {};
  std::size_t seconds = 0;  // of processor time
  std::size_t memory = 0;   // bytes of one process
  std::size_t processes = 0;
};

// Makes this process the keeper of a new world of namespaces, as far as the kernel lets it. Its
// next child is the first process of that world.
Confinement enter_new_world(const Child& child);

// Becomes the program. Returns only where that fails.
void become_program(const Child& child, const Confinement& confinement);

}  // namespace inky::toolchain
