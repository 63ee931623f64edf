#include "numbers.hpp"

#include <algorithm>
#include <cmath>

#include "text/ascii.hpp"

namespace inky::inline v1::r_language {

namespace {

// R_pow_di, arithmetic.c of R 4.2: by squaring.
double power_of_ten(int exponent) {
  double out = 1;
  for (double power = 10; exponent > 0; exponent >>= 1, power *= power) {
    if ((exponent & 1) != 0) out *= power;
  }
  return out;
}

}  // namespace

// R_strtod, arithmetic.c of R 4.2: the digits and the power of ten are 80-bit numbers, so a few
// numbers of many digits are one bit away from the nearest.
std::optional<double> number_in(std::string_view text) {
  std::size_t at = 0;
  long double number = 0;
  int exponent = 0;
  int digits = 0;
  const auto take_digits = [&](int step) {
    for (; at < text.size() && is_digit(text[at]); ++at, ++digits, exponent += step)
      number = 10 * number + static_cast<long double>(text[at] - '0');
  };
  take_digits(0);
  if (at < text.size() && text[at] == '.') {
    ++at;
    take_digits(-1);
  }
  if (digits == 0) return std::nullopt;
  if (at < text.size() && (text[at] | 0x20) == 'e') {
    ++at;
    const bool negative = at < text.size() && text[at] == '-';
    if (at < text.size() && (text[at] == '-' || text[at] == '+')) ++at;
    if (at == text.size()) return std::nullopt;
    int power = 0;
    constexpr int most_power = 4'000;
    for (; at < text.size() && is_digit(text[at]) && power < most_power; ++at)
      power = power * 10 + (text[at] - '0');
    exponent += negative ? -power : power;
  }
  constexpr int most_exponent = 4'000;
  if (at != text.size() || std::abs(exponent) > most_exponent) return std::nullopt;
  // The digits first, where the power alone would be too small.
  constexpr int small = -300;
  if (exponent + digits < small) {
    for (int i = 0; i < digits; ++i) number /= 10;
    exponent += digits;
  }
  long double scale = 1;
  long double power = 10;
  for (int rest = std::abs(exponent); rest > 0; rest >>= 1, power *= power) {
    if ((rest & 1) != 0) scale *= power;
  }
  return static_cast<double>(exponent < 0 ? number / scale : number * scale);
}

// R 4.0, fround.c: of the two candidates with this many digits the nearer one, and of two as near
// the even one.
double rounded(double x, int digits) {
  if (!std::isfinite(x) || x == 0) return x;
  if (x < 0) return -rounded(-x, digits);
  if (digits == 0) return std::nearbyint(x);
  constexpr int precise = 15;
  const int above = static_cast<int>(std::floor(std::log10(x))) + 1;
  if (digits + above > precise) return x;
  const double factor = std::pow(10.0, std::abs(digits));
  const double scaled = digits > 0 ? x * factor : x / factor;
  const double floor = std::floor(scaled);
  const auto back = [&](double number) { return digits > 0 ? number / factor : number * factor; };
  const double down = back(floor);
  const double up = back(std::ceil(scaled));
  const double to_up = up - x;
  const double to_down = x - down;
  return to_down < to_up || (to_down == to_up && std::fmod(floor, 2.0) == 0) ? down : up;
}

// fprec.c of R 4.2.
std::optional<double> with_digits(double x, int digits) {
  constexpr int most_digits = 22;
  if (!std::isfinite(x) || x == 0 || digits > most_digits) return x;
  if (x < 0) {
    const auto below = with_digits(-x, digits);
    return below ? std::optional(-*below) : std::nullopt;
  }
  const int shift = std::max(digits, 1) - 1 - static_cast<int>(std::floor(std::log10(x)));
  constexpr int most_shift = 300;
  if (std::abs(shift) > most_shift) return std::nullopt;
  const double power = power_of_ten(std::abs(shift));
  return shift > 0 ? std::nearbyint(x * power) / power : std::nearbyint(x / power) * power;
}

}  // namespace inky::inline v1::r_language
