// What the helpers of a composed text do to it: the same in every language.
#pragma once

#include <cstddef>
#include <cstdint>
#include <string>
#include <string_view>

#include "inky_margin/format/spec.hpp"
#include "inky_margin/text/columns.hpp"

namespace inky::inline v1::changes {

// Zeros in front of a number, up to `count` digits.
std::string with_zeros(std::string text, std::size_t count);
// A mark between thousands, and a decimal mark.
std::string with_marks(std::string text, std::string_view group, std::string_view point);
// `plus` in front of a number, or `open` and `close` for the minus.
std::string with_sign(const std::string& text, std::string_view plus, std::string_view open,
                      std::string_view close);
// A prefix behind the sign of a number, and what fills it up to a width.
std::string fill_inside(std::string text, std::string_view prefix, std::size_t width,
                        std::string_view fill, WidthUnit unit);
std::string pad(const std::string& text, Align align, std::size_t width, std::string_view fill,
                WidthUnit unit);
// The point moves two places, and a percent sign follows.
std::string percent(const std::string& text);
// d.ddde+xx with an exponent in steps of three.
std::string engineering(const std::string& text);
// Of a number with some places, with one more and with two more: the one that leaves these places
// behind the point, once its exponent is in steps of three.
std::string for_thousands(const std::string& none, const std::string& one, const std::string& two);
// d.ddde+xx without an exponent.
std::string plain(const std::string& text);
// d.ddde+xx of `count` digits in compact notation.
std::string compact(const std::string& text, int count, bool keeps_zeros);
std::string upper(std::string text);

}  // namespace inky::inline v1::changes
