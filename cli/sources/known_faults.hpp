// Faults that are known and do not count: a file that inky check --write-baseline writes and
// --baseline reads.
//
// A line is FINGERPRINT CODE FILE, sorted by file, once for each fault; a line that begins with #
// is a comment. The path is relative to the folder of the baseline. A fault keeps its fingerprint
// when its line moves: it is of the call's name, its template, the code and the message.
#pragma once

#include <cstdint>
#include <map>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/check/check.hpp"

namespace inky::cli {

std::uint64_t fingerprint_of(std::string_view call, std::string_view source, const Fault& fault);
// 16 digits of base 16.
std::string fingerprint_text(std::uint64_t fingerprint);

class KnownFaults {
 public:
  // The span of an error is in `text`. `path`: of the baseline.
  static Result<KnownFaults> read(std::string_view text, const std::string& path);

  // Whether it is known; each line answers for one fault.
  bool take(const std::string& file, std::uint64_t fingerprint);
  // How many no fault has met.
  std::size_t left_over() const;

  // The text of a baseline at `path`.
  struct Entry {
    std::string file;
    std::uint64_t fingerprint = 0;
    Code code{};
  };
  static std::string written(std::vector<Entry> entries, const std::string& path);

 private:
  std::string folder_;
  std::string file_;  // the last one, and its name here
  std::string name_;
  std::map<std::string, std::size_t> counts_;  // by fingerprint and file
};

}  // namespace inky::cli
