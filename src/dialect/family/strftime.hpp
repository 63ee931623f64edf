// strftime() of the C library, in the C locale, for a moment without a time zone.
//
// Defined by ISO C, 7.29.3.5; the letters that it leaves open are as glibc 2.36 prints them.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1 {

// Appends what the codes stand for. Returns the code that is not known, or nothing. %f is Python's own:
// microseconds.
std::string_view append_strftime(const Moment& moment, std::string_view codes, std::string& out);

}  // namespace inky::inline v1
