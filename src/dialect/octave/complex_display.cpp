// How complex arrays are displayed: both parts share one width and one number of decimals.
// Observed on GNU Octave 7.3.0.

#include <algorithm>
#include <cmath>

#include "display_parts.hpp"

namespace inky::inline v1::octave {

namespace {

struct Extents {
  int most = 0;
  int least = 0;
  bool is_whole = true;
  bool is_finite = true;
};

Extents extents_of(const Array& array) {
  Extents out;
  int most[2] = {0, 0};
  int least[2] = {0, 0};
  for (int part = 0; part < 2; ++part) {
    double largest = 0;
    double smallest = 0;
    bool found = false;
    for (const double value : part == 0 ? array.reals : array.imaginaries) {
      out.is_finite = out.is_finite && std::isfinite(value);
      if (!std::isfinite(value)) continue;
      out.is_whole = out.is_whole && std::floor(value + 0.5) == value;
      const double magnitude = std::fabs(value);
      largest = found ? std::max(largest, magnitude) : magnitude;
      smallest = found ? std::min(smallest, magnitude) : magnitude;
      found = true;
    }
    most[part] = largest == 0 ? 0 : digits_before_point(largest);
    least[part] = smallest == 0 ? 0 : digits_before_point(smallest);
  }
  out.most = std::max(most[0], most[1]);
  // Of a scalar, the smaller part; of a matrix, the larger of the smallest real and imaginary ones.
  out.least = array.is_scalar() ? std::min(most[0], most[1]) : std::max(least[0], least[1]);
  return out;
}

// How one part is written, and how wide it is without the sign of the real part.
std::optional<Spec> spec_of(const Array& array, const Settings& settings) {
  const Extents extents = extents_of(array);
  const int precision = settings.precision;
  const bool in_matrix = !array.is_scalar();
  Spec spec;
  spec.kind = Kind::real;
  bool scientific = settings.mode == Mode::scientific;
  if (settings.mode == Mode::general) {
    spec.notation = Notation::compact;
    spec.significant = precision;
    spec.width = precision + 6;
    return spec;
  }
  if (settings.mode != Mode::plain && !scientific) return std::nullopt;
  if (extents.is_whole && (extents.is_finite || in_matrix)) {
    const int digits = std::max(extents.most, 1);
    spec.notation = Notation::fixed;
    spec.places = 0;
    spec.width = extents.is_finite ? digits : std::max(digits, 3);
    scientific = scientific || 2 * (digits + (in_matrix ? 1 : 0)) > 3 * precision;
  } else {
    // Of one number with an infinite part the digits are of another rule.
    if (!extents.is_finite && !in_matrix && !extents.is_whole) return std::nullopt;
    const Parts largest = parts_of(extents.most, precision, true);
    const Parts smallest = parts_of(extents.least, precision, true);
    const int before = std::max(largest.before, smallest.before);
    spec.notation = Notation::fixed;
    spec.places = std::max(largest.after, smallest.after);
    spec.width = before + 1 + spec.places;
    if (extents.is_whole) {
      spec.places = 0;
      spec.width = std::max(std::max(extents.most, 1), 3);
    } else {
      scientific =
          scientific || 2 * (before + spec.places) > std::min(3 * precision, 2 * most_precision);
    }
  }
  if (scientific) {
    if (!extents.is_finite) return std::nullopt;
    spec.notation = Notation::scientific;
    spec.places = precision - 1;
    spec.width = precision + 5;
    if (extents.most > 100 || extents.least < -100) return std::nullopt;
  }
  return spec;
}

// format bank leaves the imaginary parts out.
std::optional<std::string> real_parts(const Array& array, const Settings& settings) {
  double largest = 0;
  for (const double value : array.reals) {
    if (!std::isfinite(value)) return std::nullopt;
    largest = std::max(largest, std::fabs(value));
  }
  Spec spec;
  spec.kind = Kind::real;
  spec.notation = Notation::fixed;
  spec.places = 2;
  constexpr int sign_point_and_places = 4;
  const int width =
      std::max(largest == 0 ? 0 : digits_before_point(largest), 1) + sign_point_and_places;
  std::vector<std::string> texts;
  for (const double value : array.reals)
    texts.push_back(right_aligned(real_text(spec, value), static_cast<std::size_t>(width)));
  constexpr int between = 2;
  return array.is_scalar() ? texts[0] : table(array, texts, width, between, settings.compact);
}

}  // namespace

std::optional<std::string> complex_elements(const Array& array, const Settings& settings) {
  if (settings.scaled || array.type != Type::f64) return std::nullopt;
  if (settings.mode == Mode::bank) return real_parts(array, settings);
  const std::optional<Spec> spec = spec_of(array, settings);
  if (!spec) return std::nullopt;
  // In the general form there is no column for the sign.
  const int width = spec->width;
  const int sign = settings.mode == Mode::general ? 0 : 1;
  const auto room = static_cast<std::size_t>(width);
  const auto room_with_sign = room + static_cast<std::size_t>(sign);
  std::vector<std::string> texts;
  for (std::size_t i = 0; i < array.reals.size(); ++i) {
    const double imaginary = array.imaginaries[i];
    const bool is_negative = std::signbit(imaginary) && !std::isnan(imaginary);
    texts.push_back(right_aligned(real_text(*spec, array.reals[i]), room_with_sign) +
                    (is_negative ? " - " : " + ") +
                    right_aligned(real_text(*spec, std::fabs(imaginary)), room) + "i");
  }
  if (array.is_scalar()) return texts[0];
  constexpr int signs = 4;  // " + " and "i"
  constexpr int between = 2;
  return table(array, texts, 2 * width + sign + signs, between, settings.compact);
}

}  // namespace inky::inline v1::octave
