// Notes that belong to a value and a spec, whatever the language: they teach where people go wrong.
#pragma once

#include <string_view>

#include "inky_margin/format/outcome.hpp"
#include "inky_margin/format/spec.hpp"
#include "inky_margin/number/binary_format.hpp"
#include "inky_margin/text/columns.hpp"

namespace inky::inline v1 {

// Why the last digit went the way it did, where that may surprise; digits beyond the precision.
void note_rounding(const Spec& spec, const BinaryFormat& format, const BinaryReal& value, Span span,
                   Notes& notes);

// A text cut, or cut inside a character; a width that does not count terminal columns.
void note_text(const Spec& spec, std::string_view text, WidthUnit unit, Span span, Notes& notes);

}  // namespace inky::inline v1
