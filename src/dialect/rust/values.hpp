// Values, as Rust has them.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/format/spec.hpp"
#include "inky_margin/format/value.hpp"
#include "inky_margin/text/output.hpp"

namespace inky::inline v1::rust {

bool has_format(const Value& value, char form);
// Types that Rust lacks, or that no value is written in.
bool is_known(const Value& value);
std::string debug_quoted(std::string_view text, char quote);

}  // namespace inky::inline v1::rust
