// Moments in Python: datetime.datetime without a time zone.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/format/value.hpp"

namespace inky::inline v1::python {

// Appends strftime(codes), in the C locale. Returns the code that is not supported yet, or nothing.
std::string_view append_moment(const Moment& moment, std::string_view codes, std::string& out);

}  // namespace inky::inline v1::python
