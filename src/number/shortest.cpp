// The shortest digits that identify a number.
//
// f16, bf16, f32, f64: after R. Giulietti, "The Schubfach way to render doubles" (2020). Three
// products with one 128-bit power of ten place the number and the two ends of its rounding interval
// on a decimal grid no coarser than the interval; what is left is to pick a grid point.
// f80, f128: the interval's ends are written out in full and compared as text.

#include <algorithm>
#include <cassert>
#include <string>

#include "inky_margin/number/digits.hpp"
#include "number/decimal_writing.hpp"
#include "powers_of_ten.hpp"

namespace inky::inline v1 {

namespace {

// The neighbour below a power of two is half as far away as the one above,
// except for the smallest normal number, whose neighbours are equally far.
bool lower_gap_is_half(const BinaryFormat& format, const BinaryReal& value) {
  return (value.significand & (value.significand - 1)) == 0 &&
         value.exponent > format.lowest_exponent();
}

// A number of 192 bits: the upper 128, and the lowest word.
struct Triple {
  uint128 upper;
  std::uint64_t lowest;

  friend Triple operator+(const Triple& a, const Triple& b) {
    const std::uint64_t low = a.lowest + b.lowest;
    return {a.upper + b.upper + (low < a.lowest ? 1 : 0), low};
  }
  friend Triple operator-(const Triple& a, const Triple& b) {
    return {a.upper - b.upper - (a.lowest < b.lowest ? 1 : 0), a.lowest - b.lowest};
  }
};

Triple multiply(uint128 g, std::uint64_t factor) {
  const uint128 low = multiply_wide(factor, low_half(g));
  return {multiply_wide(factor, high_half(g)) + high_half(low), low_half(low)};
}

// g x 2^shift. REQUIRES: 0 < shift < 64.
Triple shift_left(uint128 g, int shift) {
  return {join_halves(high_half(g) >> (64 - shift),
                      high_half(g) << shift | low_half(g) >> (64 - shift)),
          low_half(g) << shift};
}

// floor(product / 2^128), with the last bit set if anything was cut off ("round to odd"):
// enough to compare with any multiple of the last bit but one.
//
// g is at most one unit above the true power, so the product is at most 2^-64 above the true one in
// units of its last bit: a fraction word of 0 or 1 means an exact whole.
std::uint64_t to_odd(const Triple& product) {
  return high_half(product.upper) | (low_half(product.upper) > 1 ? 1 : 0);
}

struct Shortest {
  std::uint64_t digits;
  int exponent;
};

// The paper's names: c and q with value = c x 2^q, k the exponent of the decimal grid.
// All quantities below are in quarters of a grid unit.
Shortest shortest_by_table(std::uint64_t c, int q, bool half_gap_below) {
  const int k = half_gap_below ? powers::floor_log10_of_three_quarters(q)
                               : powers::floor_log10_of_power_of_two(q);
  const int h = q + powers::floor_log2_of_power(-k) + 1;
  const uint128 g = powers::significand(-k) + (powers::is_exact(-k) ? 0 : 1);
  // One product places the number; half a gap to each side are the ends of its interval.
  const Triple product = multiply(g, (4 * c) << h);
  const std::uint64_t here = to_odd(product);
  // Reading rounds ties to even, so the ends belong to the interval of an even significand only.
  const std::uint64_t open = c & 1;
  const Triple half_gap = shift_left(g, h + 1);
  const Triple gap_below = half_gap_below ? shift_left(g, h) : half_gap;
  const std::uint64_t lower = to_odd(product - gap_below) + open;
  const std::uint64_t upper = to_odd(product + half_gap) - open;

  const std::uint64_t s = here / 4;
  if (s >= 10) {
    // A grid ten times coarser has at most one point inside.
    const std::uint64_t tens = s / 10;
    const bool below_inside = lower <= 40 * tens;
    const bool above_inside = 40 * (tens + 1) <= upper;
    if (below_inside != above_inside) return {tens + (above_inside ? 1 : 0), k + 1};
  }
  const bool below = lower <= 4 * s;
  const bool above = 4 * (s + 1) <= upper;
  const std::uint64_t middle = 4 * s + 2;
  const bool nearer_above = here > middle || (here == middle && (s & 1) != 0);
  return {s + ((below != above ? above : nearer_above) ? 1 : 0), k};
}

// One step at a time, each with a divisor the compiler knows: a multiplication then.
template <std::uint64_t unit, int zeros>
bool strip_step(Shortest& x) {
  const std::uint64_t quotient = x.digits / unit;
  if (quotient * unit != x.digits) return false;
  x = {quotient, x.exponent + zeros};
  return true;
}

// At most 16 zeros: 17 digits, the first not zero.
void strip_zeros(Shortest& x) {
  if (!strip_step<10, 1>(x)) return;
  strip_step<100000000, 8>(x);
  strip_step<10000, 4>(x);
  strip_step<100, 2>(x);
  strip_step<10, 1>(x);
}

// Most numbers need 16 or 17 digits: one, and two words of eight, without a loop. The words stand
// where those who copy the digits after the first load them, which a processor does at once.
constexpr int room_for_many = 24;
int write_many(char* out, std::uint64_t digits) {
  constexpr std::uint64_t eight = 100'000'000;
  if (digits < eight * 10'000'000) return decimal_writing::write(out, digits);
  const bool sixteen = digits < eight * eight;
  if (sixteen) digits *= 10;
  const std::uint64_t top = digits / eight;
  const std::uint64_t first = top / eight;
  *out = static_cast<char>('0' + first);
  decimal_writing::write_eight(out + 1, static_cast<std::uint32_t>(top - first * eight));
  decimal_writing::write_eight(out + 9, static_cast<std::uint32_t>(digits - top * eight));
  return sixteen ? 16 : 17;
}

// Both exact decimals on one scale: `a` compared with `b`.
int compare(const Digits& a, const Digits& b) {
  if (a.point() != b.point()) return a.point() < b.point() ? -1 : 1;
  return a.text().compare(b.text());
}

void copy(const Digits& from, Digits& to) {
  std::copy_n(from.text().data(), from.size(), to.room(from.size()));
  to.set(from.size(), from.point());
}

// The rounding interval of a number, its ends written out in full.
class Interval {
 public:
  Interval(const BinaryFormat& format, const BinaryReal& value)
      : closed_((value.significand & 1) == 0) {
    BinaryReal end = value;
    end.significand = value.significand * 2 + 1;
    end.exponent = value.exponent - 1;
    exact_digits(end, upper_);
    const bool half_gap = lower_gap_is_half(format, value);
    end.significand = half_gap ? value.significand * 4 - 1 : value.significand * 2 - 1;
    end.exponent = value.exponent - (half_gap ? 2 : 1);
    exact_digits(end, lower_);
  }
  bool contains(const Digits& x) const {
    const int low = compare(lower_, x);
    const int high = compare(x, upper_);
    return closed_ ? low <= 0 && high <= 0 : low < 0 && high < 0;
  }

 private:
  bool closed_;
  Digits lower_;
  Digits upper_;
};

// Tries ever more digits. The nearest decimal of a length may lie outside a lopsided interval
// while its neighbour on the other side lies inside, so both sides are tried.
void shortest_by_text(const BinaryFormat& format, const BinaryReal& value, Digits& out) {
  const Interval interval(format, value);
  Digits exact;
  exact_digits(value, exact);
  for (int count = 1; count < exact.size(); ++count) {
    for (const Rounding side : {Rounding::half_even, Rounding::away, Rounding::toward}) {
      copy(exact, out);
      round_digits(out, count, false, side);
      if (interval.contains(out)) return;
    }
  }
  copy(exact, out);
}

}  // namespace

void shortest_digits(const BinaryFormat& format, const BinaryReal& value, Digits& out) {
  assert(value.is_finite());
  if (value.is_zero()) return out.set(0, 0);
  if (format.precision > binary64.precision) return shortest_by_text(format, value, out);
  Shortest shortest = shortest_by_table(low_half(value.significand), value.exponent,
                                        lower_gap_is_half(format, value));
  strip_zeros(shortest);
  const int count = write_many(out.room(room_for_many), shortest.digits);
  out.set(count, count + shortest.exponent);
}

}  // namespace inky::inline v1
