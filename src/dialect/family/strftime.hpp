// strftime() of the C library.
//
// Defined by ISO C, 7.29.3.5; the letters that it leaves open, the flags and the widths are as the
// GNU C library 2.36 has them, and so are the names of its locales.
#pragma once

#include <string>
#include <string_view>

#include "glibc_locales.hpp"
#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

// Writes a code that has no flag and no width by itself, and then gives true.
using OwnTimeCode = bool (*)(const Moment& moment, char code, std::string& out);

struct TimeStyle {
  glibc::Locale locale = glibc::locale_or_c({});
  OwnTimeCode own = nullptr;
  // Whether %z and %Z show the zone: that of the moment, or UTC where it has none. They show nothing
  // otherwise, as of a time whose zone the C library does not know.
  bool zones = false;
};

// Appends what the codes stand for: %[_-0^#][width][E or O]code. What is no code stays as it is.
// Returns what is in it that is not supported yet; empty: nothing.
std::string_view append_glibc_time(const Moment& moment, std::string_view codes,
                                   const TimeStyle& style, std::string& out);

// Whether there is such a code, behind E or O or, with 0, behind none.
bool has_time_code(char modifier, char code);

}  // namespace inky::inline v1
