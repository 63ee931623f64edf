// The number line of a weighed number as a picture, 1280 x 800, SVG or PNG by the file's name.
#pragma once

#include <optional>
#include <string>

#include "inky_margin/format/note.hpp"
#include "inky_margin/number/weighing.hpp"

namespace inky::cli {

// Nothing when the file was written. REQUIRES: has_finite_neighbours(number).
std::optional<Error> draw_picture(const Weighing& number, const std::string& typed,
                                  std::optional<int> places, const std::string& path);

}  // namespace inky::cli
