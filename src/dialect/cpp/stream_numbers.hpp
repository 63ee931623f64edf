// Numbers of a stream, in the C locale and in one that imbue() gave it: ISO C++20,
// [facet.num.put.virtuals], as libstdc++ of g++ 12 does it over the GNU C library 2.36.
#pragma once

#include <string>
#include <string_view>

#include "../family/glibc_locales.hpp"
#include "format/layout.hpp"
#include "stream_state.hpp"

namespace inky::inline v1::cpp_stream {

// A real as a stream of the C locale shows it.
void lay_out(Spec asked, const BinaryFormat& format, const BinaryReal& real, Output& out);

// The byte that libstdc++ makes of a mark; empty where it makes none, and groups nothing.
std::string_view narrowed_mark(std::string_view mark);

// A number as the C locale has it, without padding, with the marks of another. libstdc++ knows marks
// of one byte alone. The 0 in front of octal digits is none of them.
std::string localized(std::string_view plain, bool has_octal_prefix, const glibc::Locale& locale);

// Appends the number, padded as the stream is set; padding within goes behind a sign or 0x.
void put_padded(const Spec& spec, std::string_view number, Output& out);

}  // namespace inky::inline v1::cpp_stream
