// Comments that accept a fault: // inky: accept CODE, CODE: why it is right here
//
// At the end of a line it is about the faults of that line; alone on its line, about those of the
// line below, or below the next such remark.
#pragma once

#include <string>
#include <vector>

#include "fault_names.hpp"
#include "findings.hpp"

namespace inky::cli {

inline constexpr std::string_view remark_mark = "inky:";

class AcceptedFaults {
 public:
  // Keeps what accepts a fault, and is silent about what begins with the mark by chance.
  void add(const Remark& remark);

  // Whether a remark accepts this one; the remark is used then.
  bool accept(std::size_t line, Code code);

  // Faults of the remarks themselves: what is not complete, and what has accepted nothing though
  // `reports` says that its code is reported.
  std::vector<FileFinding> faults(const std::string& file, const CodeChoice& codes) const;

  bool empty() const { return remarks_.empty(); }

 private:
  struct Accepting {
    Position at;
    Position end;
    std::size_t line = 0;  // of the faults
    std::vector<Code> codes;
    std::vector<bool> used;
    std::string trouble;  // why it accepts nothing
  };
  // By line.
  std::vector<Accepting> remarks_;
};

}  // namespace inky::cli
