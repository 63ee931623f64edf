// Seeded values of every class that number code gets wrong. The seed of a run is printed by the
// test that uses it; INKY_TEST_SEED in the environment replaces it.
#pragma once

#include <bit>
#include <cmath>
#include <cstdint>
#include <cstdlib>
#include <limits>
#include <random>

namespace support {

inline std::uint64_t seed(std::uint64_t usual) {
  const char* given = std::getenv("INKY_TEST_SEED");
  return given != nullptr ? std::strtoull(given, nullptr, 10) : usual;
}

// Sanitized builds run ten times slower and look for other faults: a tenth of the cases.
constexpr int cases(int usual) {
#ifdef INKY_SANITIZED
  return usual / 10;
#else
  return usual;
#endif
}

// Of what is walked through whole, sanitized builds look at an eighth: stretches of 128, so that
// neighbours are seen.
constexpr bool in_sample([[maybe_unused]] unsigned index) {
#ifdef INKY_SANITIZED
  return index % 1024 < 128;
#else
  return true;
#endif
}

class RandomValues {
 public:
  explicit RandomValues(std::uint64_t seed) : engine_(seed) {}

  std::uint64_t bits() { return engine_(); }
  // 0 to count - 1.
  int below(int count) { return static_cast<int>(engine_() % static_cast<std::uint64_t>(count)); }
  bool one_in(int count) { return below(count) == 0; }
  template <typename Choices>
  auto pick(const Choices& choices) {
    return choices[static_cast<std::size_t>(below(static_cast<int>(std::size(choices))))];
  }
  template <typename Choice>
  Choice pick(std::initializer_list<Choice> choices) {
    return choices.begin()[below(static_cast<int>(choices.size()))];
  }

  // A whole number of any size up to 64 bits: as often short as long, and near powers of two.
  std::uint64_t whole() {
    const std::uint64_t value = bits() >> below(64);
    switch (below(4)) {
      case 0:
        return (std::uint64_t{1} << below(64)) + static_cast<std::uint64_t>(below(3)) - 1;
      case 1:
        return std::uint64_t{0} - value;
      default:
        return value;
    }
  }

  // A finite f64.
  double real() {
    const double value = magnitude();
    return one_in(2) ? -value : value;
  }
  // The same, with infinities and not-a-numbers among them.
  double any_real() {
    if (!one_in(12)) return real();
    const double special[] = {std::numeric_limits<double>::infinity(),
                              std::numeric_limits<double>::quiet_NaN(), 0.0};
    return std::copysign(pick(special), one_in(2) ? -1.0 : 1.0);
  }

  // Finite, of random bits, above zero.
  double any_bits() {
    for (;;) {
      const double value = std::fabs(std::bit_cast<double>(bits()));
      if (std::isfinite(value)) return value;
    }
  }
  // The value, or the one next to it on either side.
  double neighbour(double value) {
    switch (below(3)) {
      case 0:
        return std::nextafter(value, 0.0);
      case 1:
        return std::nextafter(value, 1e300);
      default:
        return value;
    }
  }

 private:
  double magnitude() {
    switch (below(8)) {
      case 0:
        return any_bits();
      // A decimal with few digits: what people type.
      case 1:
        return static_cast<double>(below(100000)) / std::pow(10.0, below(6));
      // A tie at some place: an odd multiple of a power of a half.
      case 2:
        return (below(4096) + 0.5) / std::ldexp(1.0, below(10));
      // A typed tie: stored just off it.
      case 3:
        return (below(2000) * 10 + 5) / std::pow(10.0, 1 + below(5));
      case 4:
        return neighbour(static_cast<double>(below(1000)) / 8);
      case 5:
        return std::bit_cast<double>(bits() >> (12 + below(52)));  // subnormal
      case 6:
        return neighbour(std::pow(10.0, below(617) - 308));
      default:
        return neighbour(std::ldexp(1.0, below(2098) - 1074));
    }
  }

  std::mt19937_64 engine_;
};

}  // namespace support
