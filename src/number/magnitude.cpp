#include "number/magnitude.hpp"

#include <array>
#include <string_view>

namespace inky::inline v1 {

namespace {

constexpr int shown_digits = 3;

struct Scale {
  std::string_view many;   // 10^(3n)
  std::string_view part;   // 10^(-3n)
  std::string_view large;  // their prefixes
  std::string_view small;
};
constexpr std::array scales = {
    Scale{"thousand", "thousandths", "k", "m"},
    Scale{"million", "millionths", "M", "u"},
    Scale{"billion", "billionths", "G", "n"},
    Scale{"trillion", "trillionths", "T", "p"},
    Scale{"quadrillion", "quadrillionths", "P", "f"},
    Scale{"quintillion", "quintillionths", "E", "a"},
    Scale{"sextillion", "sextillionths", "Z", "z"},
    Scale{"septillion", "septillionths", "Y", "y"},
    Scale{"octillion", "octillionths", "R", "r"},
    Scale{"nonillion", "nonillionths", "Q", "q"},
};

// The largest multiple of three not above.
std::int64_t floor_to_three(std::int64_t exponent) {
  return exponent - ((exponent % 3) + 3) % 3;
}

}  // namespace

Magnitude magnitude_of(const ExactDecimal& value) {
  Magnitude out;
  const bool plain = -3 < value.point && value.point <= 3;
  if (value.is_zero() || plain) return out;
  const std::int64_t places = shown_digits - value.point;
  out.about = tail_at(value, places) != Tail::exact;
  ExactDecimal kept = rounded(value, places, Rounding::half_even);
  const std::int64_t exponent = floor_to_three(kept.point - 1);
  const auto index = static_cast<std::size_t>((exponent < 0 ? -exponent : exponent) / 3 - 1);
  kept.point -= exponent;
  const std::string digits = to_text(kept);
  if (index >= scales.size()) {
    out.words = digits + " times 10^" + std::to_string(exponent);
    return out;
  }
  const Scale& scale = scales[index];
  out.words = digits + " " + std::string(exponent > 0 ? scale.many : scale.part);
  if (digits == "1" && exponent < 0) out.words.pop_back();
  out.prefixed = digits + " " + std::string(exponent > 0 ? scale.large : scale.small);
  return out;
}

}  // namespace inky::inline v1
