#include "number/number_line.hpp"

#include <algorithm>

#include "rational.hpp"

namespace inky::inline v1 {

namespace {

// Room at both ends, in parts of the distance between the outermost points.
const Rational margin(1, 16);

// A stretch of the line, and where numbers stand on it.
class LineScale {
 public:
  LineScale(const Rational& low, const Rational& high)
      : start_(low - (high - low) * margin), length_((high - low) * (1 + 2 * margin)) {}
  double at(const Rational& x) const { return static_cast<double>((x - start_) / length_); }

 private:
  Rational start_;
  Rational length_;
};

bool is_comparable(const ExactDecimal& x) {
  return x.digits.size() < 5000 && std::abs(x.point) < 5000;
}

std::optional<Rational> typed_value(const Weighing& weighing) {
  if (!weighing.typed || !is_comparable(*weighing.typed)) return std::nullopt;
  return rational_of(*weighing.typed);
}

// A label is short: what has more digits is cut, and reports it.
constexpr int most_digits = 20;
std::string label(const Rational& x) {
  const std::string text = rounded_text(x, most_digits);
  const std::string more = rounded_text(x, most_digits + 1);
  return text == more ? text : text + "...";
}
std::string label(const Rational& x, int places) {
  const auto text = ending_decimal(x, most_digits);
  if (!text || places <= 0) return label(x);
  return to_text(exact_decimal(*scan_decimal(*text)), places);
}

void sort(NumberLine& line) {
  std::stable_sort(line.points.begin(), line.points.end(),
                   [](const LinePoint& a, const LinePoint& b) { return a.at < b.at; });
}

}  // namespace

bool has_finite_neighbours(const Weighing& weighing) {
  if (!weighing.stored) return false;
  const BinaryFormat& format = *weighing.format;
  return unpack(format, *next_below(format, weighing.bits)).is_finite() &&
         unpack(format, *next_above(format, weighing.bits)).is_finite();
}

NumberLine line_of_neighbours(const Weighing& weighing, std::optional<int> places) {
  using Kind = LinePoint::Kind;
  const BinaryFormat& format = *weighing.format;
  const uint128 below_bits = *next_below(format, weighing.bits);
  const uint128 above_bits = *next_above(format, weighing.bits);
  const Rational below = rational_of(unpack(format, below_bits));
  const Rational above = rational_of(unpack(format, above_bits));
  const Rational stored = rational_of(weighing.real);
  const LineScale scale(below, above);
  NumberLine line;
  line.unit = "1 ulp = " + shortest_text(format, convert(weighing.ulp(), format));
  const auto add = [&](Kind kind, const Rational& x, std::string label) {
    line.points.push_back({kind, scale.at(x), std::move(label)});
  };
  add(Kind::neighbour, below, shortest_text(format, below_bits));
  add(Kind::middle, (below + stored) / 2, {});
  add(Kind::stored, stored, shortest_text(format, weighing.bits));
  add(Kind::middle, (stored + above) / 2, {});
  add(Kind::neighbour, above, shortest_text(format, above_bits));
  if (const auto typed = typed_value(weighing)) add(Kind::typed, *typed, label(*typed));
  if (places) {
    const PlacesView view = view_at(*weighing.stored, *places);
    const Rational halfway = rational_of(view.halfway);
    const Rational unit = power(10, -*places);
    // Where the numbers of the format lie farther apart than what can be printed, there is a
    // printable number next to each, and nothing to see.
    constexpr int most_printable = 24;
    if (above - below <= unit * most_printable) {
      if (halfway < below || halfway > above)
        line.halfway_beyond = halfway < below ? -1 : 1;
      else
        add(Kind::halfway, halfway, label(halfway));
      Integer at = round_whole(below / unit, Rounding::up);
      for (; Rational(at) * unit <= above; ++at)
        add(Kind::printable, Rational(at) * unit, label(Rational(at) * unit, *places));
    }
  }
  sort(line);
  return line;
}

std::optional<NumberLine> line_of_places(const Weighing& weighing, int places) {
  using Kind = LinePoint::Kind;
  const Rational stored = rational_of(weighing.real);
  const Rational unit = power(10, -places);
  const Rational ulp = rational_of(weighing.ulp());
  if (unit <= 2 * ulp) return std::nullopt;
  Rational low = Rational(floor(stored / unit)) * unit;
  // A number that needs no rounding is in the middle.
  if (low == stored) low -= unit;
  const Rational high = low == stored - unit ? Rational(stored + unit) : Rational(low + unit);
  const LineScale scale(low, high);
  NumberLine line;
  line.unit = "1 unit of the last printed place = " + label(unit);
  const PlacesView view = view_at(*weighing.stored, places);
  for (Rational x = low; x <= high; x += unit) {
    line.points.push_back({Kind::printable, scale.at(x), label(x, places)});
  }
  const Rational halfway = rational_of(view.halfway);
  line.points.push_back({Kind::halfway, scale.at(halfway), label(halfway)});
  line.points.push_back(
      {Kind::stored, scale.at(stored), shortest_text(*weighing.format, weighing.bits)});
  if (const auto typed = typed_value(weighing); typed && low <= *typed && *typed <= high)
    line.points.push_back({Kind::typed, scale.at(*typed), label(*typed)});
  sort(line);
  return line;
}

}  // namespace inky::inline v1
