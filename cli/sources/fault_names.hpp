// Codes of faults as they are typed: in options, in settings and in remarks.
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/check/check.hpp"

namespace inky::cli {

// Every code that inky check may report of source files.
std::span<const Code> reported_codes();

// Whether faults of this code are reported only where they are asked for. A chain that leaves its
// settings on, or gives the next value no width, is mostly meant so; and a program may choose a
// locale that groups.
bool is_on_request(Code code);

// Nothing where no code has this name.
std::optional<Code> reported_code(std::string_view name);

// What to do about a name that is none.
std::string choices_of_codes(std::string_view typed);

// Which codes are reported. What is switched by name beats what is switched by "all".
class CodeChoice {
 public:
  // A list apart by commas or blanks, of codes, "all" and "signedness". An error names what it is
  // not; its span is in the list.
  std::optional<Error> enable(std::string_view names);
  std::optional<Error> disable(std::string_view names);

  // But where it is switched off by name, or by "all".
  void turn_on(Code code);

  // Those of `over` beat these.
  void merge(const CodeChoice& over);

  bool reports(Code code) const;
  // Switched on by name.
  bool asks_for(Code code) const;
  bool asks_for_signedness() const { return signedness_ == Way::on; }

 private:
  enum class Way : std::uint8_t { unsaid, off, on };
  std::optional<Error> set(std::string_view names, Way way);

  std::vector<std::pair<Code, Way>> named_;
  Way all_ = Way::unsaid;
  Way signedness_ = Way::unsaid;
};

}  // namespace inky::cli
