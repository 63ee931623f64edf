// The environment of a witness: made from a list, never from what happens to be set.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "dialect/run_form.hpp"

namespace inky::toolchain {

// "NAME=value", for a program that is found at this absolute path and works in this folder.
std::vector<std::string> witness_environment(const std::string& program, const std::string& folder,
                                             const RunForm& form);

// Whether the C library finds a locale of this name on the machine.
bool has_c_locale(const std::string& name);
// Whether .NET finds the library that holds its cultures; it does not start without it, unless it is
// told to have none but the invariant one.
bool has_cultures();

}  // namespace inky::toolchain
