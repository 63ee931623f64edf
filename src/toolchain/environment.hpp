// The environment of a witness: made from a list, never from what happens to be set.
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace inky::toolchain {

// "NAME=value", for a program that is found at this absolute path and works in this folder.
std::vector<std::string> witness_environment(const std::string& program, const std::string& folder);

}  // namespace inky::toolchain
