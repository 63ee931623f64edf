// strftime() of the C library, in the C locale. An offset from UTC does not count.
//
// Defined by ISO C, 7.29.3.5; the letters that it leaves open are as glibc 2.36 prints them.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

// The function whole, with the flags, the widths and the alternative forms that glibc knows:
// %[_-0^#][width][E or O]code. What it does not know stays as it is. `own` may write a code that has
// none of these itself, and then gives true.
using OwnTimeCode = bool (*)(const Moment& moment, char code, std::string& out);
void append_glibc_time(const Moment& moment, std::string_view codes, OwnTimeCode own,
                       std::string& out);

// Codes alone. Appends what they stand for. Returns the code that is not known, or nothing. %f is Python's own:
// microseconds.
std::string_view append_strftime(const Moment& moment, std::string_view codes, std::string& out);

}  // namespace inky::inline v1
