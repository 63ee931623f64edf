// What programs printed, kept between runs of the tool.
//
//   const WitnessCache cache(*usual_cache_folder());       // ~/.cache/inky-margin/witness
//   run_program(*toolchain, source, {}, &cache)            // runs it once
//
// An entry counts for one program, one toolchain with its size and time of change, and one way of
// building and running it. What was stopped or missing is not kept. A folder that cannot be written
// to keeps nothing, and that is no failure.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "toolchain/witness.hpp"

namespace inky::toolchain {

// By the XDG Base Directory Specification 0.8; nothing where neither XDG_CACHE_HOME nor HOME names
// a folder.
std::optional<std::string> usual_cache_folder();

class WitnessCache {
 public:
  explicit WitnessCache(std::string folder) : folder_(std::move(folder)) {}

  // `program` is what find_toolchain() found.
  std::optional<Witness> find(const Toolchain& toolchain, const std::vector<std::string>& program,
                              std::string_view source) const;
  void keep(const Toolchain& toolchain, const std::vector<std::string>& program,
            std::string_view source, const Witness& witness) const;

 private:
  std::string folder_;
};

// run_program(), or what the cache has of it; a null cache has nothing.
Witness run_program(const Toolchain& toolchain, std::string_view source, const RunLimits& limits,
                    const WitnessCache* cache);

}  // namespace inky::toolchain
