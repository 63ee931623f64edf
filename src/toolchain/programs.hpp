// The compilers and interpreters on this machine.
//
//   find_program("gcc")                 // "/usr/bin/gcc", or nothing
//   version_of("/usr/bin/gcc")          // the first line it prints for --version
//
// This floor asks the operating system, which the core does not.
#pragma once

#include <optional>
#include <string>
#include <string_view>

namespace inky::toolchain {

// The absolute path of a program: the first executable of this name in the folders of PATH, of
// which relative ones are passed over; or the name itself where it is a path.
std::optional<std::string> find_program(std::string_view name);

// Runs the program with --version; nothing where it fails or prints nothing.
std::optional<std::string> version_of(const std::string& path);

}  // namespace inky::toolchain
