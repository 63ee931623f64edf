// The methods of fdlibm, which V8 has: arguments are reduced to a small range, where a polynomial is
// near enough. The order of each operation decides the last bit, so it is kept.
//
// ====================================================
// Copyright (C) 1993 by Sun Microsystems, Inc. All rights reserved.
//
// Developed at SunSoft, a Sun Microsystems, Inc. business.
// Permission to use, copy, modify, and distribute this
// software is freely granted, provided that this notice
// is preserved.
// ====================================================

#include "elementary.hpp"

#include <bit>
#include <cmath>
#include <cstdint>
#include <limits>

namespace inky::inline v1::javascript {

namespace {

std::uint64_t bits(double x) {
  return std::bit_cast<std::uint64_t>(x);
}
std::int32_t high_word(double x) {
  return static_cast<std::int32_t>(bits(x) >> 32U);
}
std::uint32_t low_word(double x) {
  return static_cast<std::uint32_t>(bits(x));
}
double from_words(std::int32_t high, std::uint32_t low) {
  return std::bit_cast<double>(
      (static_cast<std::uint64_t>(static_cast<std::uint32_t>(high)) << 32U) | low);
}
double with_high(double x, std::int32_t high) {
  return from_words(high, low_word(x));
}
double with_low(double x, std::uint32_t low) {
  return from_words(high_word(x), low);
}

constexpr double nan = std::numeric_limits<double>::quiet_NaN();
constexpr double two54 = 0x1p54;
constexpr double ln2_high = 6.93147180369123816490e-01;
constexpr double ln2_low = 1.90821492927058770002e-10;

double natural_exponential(double x) {
  constexpr double half[] = {0.5, -0.5};
  constexpr double ln2_highs[] = {ln2_high, -ln2_high};
  constexpr double ln2_lows[] = {ln2_low, -ln2_low};
  constexpr double inverse_ln2 = 1.44269504088896338700e+00;
  constexpr double p1 = 1.66666666666666019037e-01;
  constexpr double p2 = -2.77777777770155933842e-03;
  constexpr double p3 = 6.61375632143793436117e-05;
  constexpr double p4 = -1.65339022054652515390e-06;
  constexpr double p5 = 4.13813679705723846039e-08;
  constexpr double e = 2.718281828459045;
  constexpr double two1023 = 0x1p1023;
  double hi = 0.0;
  double lo = 0.0;
  int k = 0;
  auto hx = static_cast<std::uint32_t>(high_word(x));
  const auto sign = static_cast<int>((hx >> 31U) & 1U);
  hx &= 0x7fffffffU;
  if (hx >= 0x40862e42) {
    if (std::isnan(x)) return x;
    if (std::isinf(x)) return sign == 0 ? x : 0.0;
    if (x > 7.09782712893383973096e+02) return HUGE_VAL;
    if (x < -7.45133219101941108420e+02) return 0.0;
  }
  if (hx > 0x3fd62e42) {
    if (hx < 0x3ff0a2b2) {
      if (x == 1.0) return e;
      hi = x - ln2_highs[sign];
      lo = ln2_lows[sign];
      k = 1 - sign - sign;
    } else {
      k = static_cast<int>(inverse_ln2 * x + half[sign]);
      const double t = k;
      hi = x - t * ln2_highs[0];
      lo = t * ln2_lows[0];
    }
    x = hi - lo;
  } else if (hx < 0x3e300000) {
    return 1.0 + x;
  }
  const double t = x * x;
  double two_k = 0;
  if (k >= -1021)
    two_k = from_words(
        static_cast<std::int32_t>(0x3ff00000U + (static_cast<std::uint32_t>(k) << 20U)), 0);
  else
    two_k = from_words(
        static_cast<std::int32_t>(0x3ff00000U + (static_cast<std::uint32_t>(k + 1000) << 20U)), 0);
  const double c = x - t * (p1 + t * (p2 + t * (p3 + t * (p4 + t * p5))));
  if (k == 0) return 1.0 - ((x * c) / (c - 2.0) - x);
  const double y = 1.0 - ((lo - (x * c) / (2.0 - c)) - hi);
  if (k >= -1021) return k == 1024 ? y * 2.0 * two1023 : y * two_k;
  return y * two_k * 9.33263618503218878990e-302;
}

constexpr double lg1 = 6.666666666666735130e-01;
constexpr double lg2 = 3.999999999940941908e-01;
constexpr double lg3 = 2.857142874366239149e-01;
constexpr double lg4 = 2.222219843214978396e-01;
constexpr double lg5 = 1.818357216161805012e-01;
constexpr double lg6 = 1.531383769920937332e-01;
constexpr double lg7 = 1.479819860511658591e-01;

// The logarithm of what is not above zero or not finite; nothing of other numbers, of which those
// that are subnormal are scaled, and `power` says by how many bits.
std::optional<double> logarithm_at_edge(double& x, std::int32_t& power) {
  if (x == 0) return -HUGE_VAL;
  if (x < 0) return nan;
  if (!std::isfinite(x)) return x + x;
  constexpr std::int32_t least_normal = 0x00100000;
  if (high_word(x) < least_normal) {
    power = -54;
    x *= two54;
  }
  return std::nullopt;
}

double natural_logarithm(double x) {
  std::int32_t k = 0;
  if (const auto known = logarithm_at_edge(x, k)) return *known;
  std::int32_t hx = high_word(x);
  k += (hx >> 20) - 1023;
  hx &= 0x000fffff;
  const std::int32_t i = (hx + 0x95f64) & 0x100000;
  x = with_high(x, hx | (i ^ 0x3ff00000));
  k += i >> 20;
  const double f = x - 1.0;
  const double dk = k;
  if ((0x000fffff & (2 + hx)) < 3) {
    if (f == 0) return k == 0 ? 0.0 : dk * ln2_high + dk * ln2_low;
    const double r = f * f * (0.5 - 0.33333333333333333 * f);
    return k == 0 ? f - r : dk * ln2_high - ((r - dk * ln2_low) - f);
  }
  const double s = f / (2.0 + f);
  const double z = s * s;
  const double w = z * z;
  const double t1 = w * (lg2 + w * (lg4 + w * lg6));
  const double t2 = z * (lg1 + w * (lg3 + w * (lg5 + w * lg7)));
  const double r = t2 + t1;
  if (((hx - 0x6147a) | (0x6b851 - hx)) > 0) {
    const double h = 0.5 * f * f;
    if (k == 0) return f - (h - s * (h + r));
    return dk * ln2_high - ((h - (s * (h + r) + dk * ln2_low)) - f);
  }
  if (k == 0) return f - s * (f - r);
  return dk * ln2_high - ((s * (f - r) - dk * ln2_low) - f);
}

// log(1 + f) - f, for 1 + f in sqrt(2) / 2 to sqrt(2).
double logarithm_rest(double f) {
  const double s = f / (2.0 + f);
  const double z = s * s;
  const double w = z * z;
  const double t1 = w * (lg2 + w * (lg4 + w * lg6));
  const double t2 = z * (lg1 + w * (lg3 + w * (lg5 + w * lg7)));
  return s * (0.5 * f * f + (t2 + t1));
}

double binary_logarithm(double x) {
  constexpr double inverse_high = 1.44269504072144627571e+00;
  constexpr double inverse_low = 1.67517131648865118353e-10;
  std::int32_t k = 0;
  if (const auto known = logarithm_at_edge(x, k)) return *known;
  std::int32_t hx = high_word(x);
  if (hx == 0x3ff00000 && low_word(x) == 0) return 0.0;
  k += (hx >> 20) - 1023;
  hx &= 0x000fffff;
  const std::int32_t i = (hx + 0x95f64) & 0x100000;
  x = with_high(x, hx | (i ^ 0x3ff00000));
  k += i >> 20;
  const double y = k;
  const double f = x - 1.0;
  const double half_square = 0.5 * f * f;
  const double r = logarithm_rest(f);
  const double hi = with_low(f - half_square, 0);
  const double lo = (f - hi) - half_square + r;
  double val_hi = hi * inverse_high;
  double val_lo = (lo + hi) * inverse_low + lo * inverse_high;
  const double w = y + val_hi;
  val_lo += (y - w) + val_hi;
  val_hi = w;
  return val_lo + val_hi;
}

double decimal_logarithm(double x) {
  constexpr double inverse_ln10 = 4.34294481903251816668e-01;
  constexpr double log10_2_high = 3.01029995663611771306e-01;
  constexpr double log10_2_low = 3.69423907715893078616e-13;
  std::int32_t k = 0;
  if (const auto known = logarithm_at_edge(x, k)) return *known;
  std::int32_t hx = high_word(x);
  if (hx == 0x3ff00000 && low_word(x) == 0) return 0.0;
  k += (hx >> 20) - 1023;
  const std::int32_t i = k < 0 ? 1 : 0;
  hx = (hx & 0x000fffff) | ((0x3ff - i) << 20);
  const double y = k + i;
  x = with_high(x, hx);
  const double z = y * log10_2_low + inverse_ln10 * natural_logarithm(x);
  return z + y * log10_2_high;
}

double cube_root(double x) {
  constexpr std::uint32_t b1 = 715094163;
  constexpr std::uint32_t b2 = 696219795;
  constexpr double p0 = 1.87595182427177009643;
  constexpr double p1 = -1.88497979543377169875;
  constexpr double p2 = 1.621429720105354466140;
  constexpr double p3 = -0.758397934778766047437;
  constexpr double p4 = 0.145996192886612446982;
  auto hx = static_cast<std::uint32_t>(high_word(x));
  const std::uint32_t sign = hx & 0x80000000U;
  hx ^= sign;
  if (hx >= 0x7ff00000) return x + x;
  double t = 0;
  if (hx < 0x00100000) {
    if ((hx | low_word(x)) == 0) return x;
    t = x * two54;
    const std::uint32_t high = static_cast<std::uint32_t>(high_word(t)) & 0x7fffffffU;
    t = from_words(static_cast<std::int32_t>(sign | (high / 3 + b2)), 0);
  } else {
    t = from_words(static_cast<std::int32_t>(sign | (hx / 3 + b1)), 0);
  }
  double r = (t * t) * (t / x);
  t = t * ((p0 + r * (p1 + r * p2)) + ((r * r) * r) * (p3 + r * p4));
  // To 23 bits, away from zero.
  t = std::bit_cast<double>((bits(t) + 0x80000000U) & 0xffffffffc0000000ULL);
  const double s = t * t;
  r = x / s;
  const double w = t + t;
  r = (r - t) / (w + r);
  return t + t * r;
}

double sine_near_zero(double x, double y, bool has_tail) {
  constexpr double s1 = -1.66666666666666324348e-01;
  constexpr double s2 = 8.33333333332248946124e-03;
  constexpr double s3 = -1.98412698298579493134e-04;
  constexpr double s4 = 2.75573137070700676789e-06;
  constexpr double s5 = -2.50507602534068634195e-08;
  constexpr double s6 = 1.58969099521155010221e-10;
  const std::int32_t ix = high_word(x) & 0x7fffffff;
  if (ix < 0x3e400000) return x;
  const double z = x * x;
  const double v = z * x;
  const double r = s2 + z * (s3 + z * (s4 + z * (s5 + z * s6)));
  if (!has_tail) return x + v * (s1 + z * r);
  return x - ((z * (0.5 * y - v * r) - y) - v * s1);
}

double cosine_near_zero(double x, double y) {
  constexpr double c1 = 4.16666666666666019037e-02;
  constexpr double c2 = -1.38888888888741095749e-03;
  constexpr double c3 = 2.48015872894767294178e-05;
  constexpr double c4 = -2.75573143513906633035e-07;
  constexpr double c5 = 2.08757232129817482790e-09;
  constexpr double c6 = -1.13596475577881948265e-11;
  const std::int32_t ix = high_word(x) & 0x7fffffff;
  if (ix < 0x3e400000) return 1.0;
  const double z = x * x;
  const double r = z * (c1 + z * (c2 + z * (c3 + z * (c4 + z * (c5 + z * c6)))));
  if (ix < 0x3fd33333) return 1.0 - (0.5 * z - (z * r - x * y));
  double qx = 0.28125;
  if (ix <= 0x3fe90000) qx = from_words(ix - 0x00200000, 0);
  const double iz = 0.5 * z - qx;
  const double a = 1.0 - qx;
  return a - (iz - (z * r - x * y));
}

double tangent_near_zero(double x, double y, int iy) {
  constexpr double t[] = {
      3.33333333333334091986e-01, 1.33333333333201242699e-01, 5.39682539762260521377e-02,
      2.18694882948595424599e-02, 8.86323982359930005737e-03, 3.59207910759131235356e-03,
      1.45620945432529025516e-03, 5.88041240820264096874e-04, 2.46463134818469906812e-04,
      7.81794442939557092300e-05, 7.14072491382608190305e-05, -1.85586374855275456654e-05,
      2.59073051863633712884e-05};
  constexpr double pio4 = 7.85398163397448278999e-01;
  constexpr double pio4_low = 3.06161699786838301793e-17;
  const std::int32_t hx = high_word(x);
  const std::int32_t ix = hx & 0x7fffffff;
  if (ix < 0x3e300000) {
    if (static_cast<int>(x) == 0) {
      if (((static_cast<std::uint32_t>(ix) | low_word(x)) | static_cast<std::uint32_t>(iy + 1)) ==
          0)
        return 1.0 / std::fabs(x);
      if (iy == 1) return x;
      const double sum = x + y;
      const double z = with_low(sum, 0);
      const double v = y - (z - x);
      const double a = -1.0 / sum;
      const double ta = with_low(a, 0);
      const double s = 1.0 + ta * z;
      return ta + a * (s + ta * v);
    }
  }
  if (ix >= 0x3fe59428) {
    if (x < 0) {
      x = -x;
      y = -y;
    }
    const double z = pio4 - x;
    const double w = pio4_low - y;
    x = z + w;
    y = 0.0;
  }
  const double z = x * x;
  const double w = z * z;
  double r = t[1] + w * (t[3] + w * (t[5] + w * (t[7] + w * (t[9] + w * t[11]))));
  const double v = z * (t[2] + w * (t[4] + w * (t[6] + w * (t[8] + w * (t[10] + w * t[12])))));
  double s = z * x;
  r = y + z * (s * (r + v) + y);
  r += t[0] * s;
  const double sum = x + r;
  if (ix >= 0x3fe59428) {
    const double q = iy;
    return (1 - ((hx >> 30) & 2)) * (q - 2.0 * (x - (sum * sum / (sum + q) - r)));
  }
  if (iy == 1) return sum;
  const double head = with_low(sum, 0);
  const double tail = r - (head - x);
  const double a = -1.0 / sum;
  const double ta = with_low(a, 0);
  s = 1.0 + ta * head;
  return ta + a * (s + ta * tail);
}

// What is left of a multiple of pi / 2, in two parts; which multiple. Nothing for an angle beyond
// 2^19 times pi / 2.
std::optional<int> reduce_angle(double x, double (&y)[2]) {
  constexpr double inverse = 6.36619772367581382433e-01;
  constexpr double first = 1.57079632673412561417e+00;
  constexpr double first_tail = 6.07710050650619224932e-11;
  constexpr double second = 6.07710050630396597660e-11;
  constexpr double second_tail = 2.02226624879595063154e-21;
  constexpr double third = 2.02226624871116645580e-21;
  constexpr double third_tail = 8.47842766036889956997e-32;
  const std::int32_t hx = high_word(x);
  const std::int32_t ix = hx & 0x7fffffff;
  if (ix < 0x4002d97c) {
    // Below 3 pi / 4 the multiple is one.
    const double sign = hx > 0 ? 1.0 : -1.0;
    double z = x - sign * first;
    const bool is_near = ix == 0x3ff921fb;
    double tail = first_tail;
    if (is_near) {
      z -= sign * second;
      tail = second_tail;
    }
    y[0] = z - sign * tail;
    y[1] = (z - y[0]) - sign * tail;
    return hx > 0 ? 1 : -1;
  }
  if (ix > 0x413921fb) return std::nullopt;
  double t = std::fabs(x);
  const int n = static_cast<int>(std::floor(t * inverse + 0.5));
  const double fn = n;
  double r = t - fn * first;
  double w = fn * first_tail;
  const std::int32_t j = ix >> 20;
  y[0] = r - w;
  if (j - ((high_word(y[0]) >> 20) & 0x7ff) > 16) {
    t = r;
    w = fn * second;
    r = t - w;
    w = fn * second_tail - ((t - r) - w);
    y[0] = r - w;
    if (j - ((high_word(y[0]) >> 20) & 0x7ff) > 49) {
      t = r;
      w = fn * third;
      r = t - w;
      w = fn * third_tail - ((t - r) - w);
      y[0] = r - w;
    }
  }
  y[1] = (r - y[0]) - w;
  if (hx >= 0) return n;
  y[0] = -y[0];
  y[1] = -y[1];
  return -n;
}

enum class Ratio : unsigned char { sine, cosine, tangent };

std::optional<double> of_angle(Ratio ratio, double x) {
  const std::int32_t ix = high_word(x) & 0x7fffffff;
  if (ix >= 0x7ff00000) return x - x;
  double y[2] = {x, 0};
  int n = 0;
  const bool is_small = ix <= 0x3fe921fb;
  if (!is_small) {
    const auto reduced = reduce_angle(x, y);
    if (!reduced) return std::nullopt;
    n = *reduced;
  }
  if (ratio == Ratio::tangent) return tangent_near_zero(y[0], y[1], 1 - ((n & 1) << 1));
  const int quarter = (n + (ratio == Ratio::cosine ? 1 : 0)) & 3;
  const double part =
      quarter % 2 == 0 ? sine_near_zero(y[0], y[1], !is_small) : cosine_near_zero(y[0], y[1]);
  return quarter < 2 ? part : -part;
}

double arc_tangent(double x) {
  constexpr double high[] = {4.63647609000806093515e-01, 7.85398163397448278999e-01,
                             9.82793723247329054082e-01, 1.57079632679489655800e+00};
  constexpr double low[] = {2.26987774529616870924e-17, 3.06161699786838301793e-17,
                            1.39033110312309984516e-17, 6.12323399573676603587e-17};
  constexpr double a[] = {
      3.33333333333329318027e-01,  -1.99999999998764832476e-01, 1.42857142725034663711e-01,
      -1.11111104054623557880e-01, 9.09088713343650656196e-02,  -7.69187620504482999495e-02,
      6.66107313738753120669e-02,  -5.83357013379057348645e-02, 4.97687799461593236017e-02,
      -3.65315727442169155270e-02, 1.62858201153657823623e-02};
  const std::int32_t hx = high_word(x);
  const std::int32_t ix = hx & 0x7fffffff;
  int id = -1;
  if (ix >= 0x44100000) {
    if (std::isnan(x)) return x + x;
    return hx > 0 ? high[3] + low[3] : -high[3] - low[3];
  }
  if (ix < 0x3fdc0000) {
    if (ix < 0x3e400000) return x;
  } else {
    x = std::fabs(x);
    if (ix < 0x3ff30000) {
      if (ix < 0x3fe60000) {
        id = 0;
        x = (2.0 * x - 1.0) / (2.0 + x);
      } else {
        id = 1;
        x = (x - 1.0) / (x + 1.0);
      }
    } else if (ix < 0x40038000) {
      id = 2;
      x = (x - 1.5) / (1.0 + 1.5 * x);
    } else {
      id = 3;
      x = -1.0 / x;
    }
  }
  const double z = x * x;
  const double w = z * z;
  const double s1 = z * (a[0] + w * (a[2] + w * (a[4] + w * (a[6] + w * (a[8] + w * a[10])))));
  const double s2 = w * (a[1] + w * (a[3] + w * (a[5] + w * (a[7] + w * a[9]))));
  if (id < 0) return x - x * (s1 + s2);
  const double out = high[id] - ((x * (s1 + s2) - low[id]) - x);
  return hx < 0 ? -out : out;
}

}  // namespace

std::optional<double> elementary(std::string_view name, double x) {
  if (name == "exp") return natural_exponential(x);
  if (name == "log") return natural_logarithm(x);
  if (name == "log2") return binary_logarithm(x);
  if (name == "log10") return decimal_logarithm(x);
  if (name == "cbrt") return cube_root(x);
  if (name == "sin") return of_angle(Ratio::sine, x);
  if (name == "cos") return of_angle(Ratio::cosine, x);
  if (name == "tan") return of_angle(Ratio::tangent, x);
  if (name == "atan") return arc_tangent(x);
  return std::nullopt;
}

}  // namespace inky::inline v1::javascript
