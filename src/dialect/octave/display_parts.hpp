// What displays of real and of complex arrays share.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "arrays.hpp"
#include "inky_margin/format/spec.hpp"

namespace inky::inline v1::octave {

// The digits before the point; zero and less count the zeros behind it. Octave takes them from the
// C library's logarithm, whose rounding shows just below a power of ten: 999999999999999 has 16.
int digits_before_point(double magnitude);

struct Parts {
  int before = 1;
  int after = 0;
};
// The digits before and behind the point of an element that has `digits` before it.
Parts parts_of(int digits, int precision, bool in_matrix);

// A number as the spec has it; zero is "0".
std::string real_text(const Spec& spec, double value);

std::string right_aligned(std::string_view text, std::size_t width);

// Texts as a table. Columns that fit the screen together are shown together; `separation` is
// reckoned between them.
std::string table(const Array& array, const std::vector<std::string>& texts, int element_width,
                  int separation, bool compact);

// What a complex array shows, without a name; nothing where its display is not known.
std::optional<std::string> complex_elements(const Array& array, const Settings& settings);

}  // namespace inky::inline v1::octave
