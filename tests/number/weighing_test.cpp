// Numbers weighed: against the C library, the machine's long double, libquadmath, and rationals.

#include "inky_margin/number/weighing.hpp"

#include <catch2/catch.hpp>
#include <cmath>
#include <cstdio>
#include <string>

#if __has_include(<quadmath.h>) && defined(INKY_HAS_QUADMATH)
#include <quadmath.h>
#endif

#include "inky_margin/number/decimal.hpp"
#include "number/fractions.hpp"
#include "number/magnitude.hpp"
#include "number/multiples.hpp"
#include "number/number_line.hpp"
#include "number/number_type.hpp"
#include "support/random_values.hpp"
#include "support/rational.hpp"

using namespace inky;
using support::Rational;

namespace {

ExactDecimal decimal(const std::string& text) {
  return exact_decimal(*scan_decimal(text));
}

Rational value_of(const ExactDecimal& x) {
  if (x.is_zero()) return 0;
  const Rational digits(support::Integer(x.digits));
  const Rational magnitude =
      digits * support::power(10, static_cast<int>(x.point) - static_cast<int>(x.digits.size()));
  return x.negative ? Rational(-magnitude) : magnitude;
}

// The text of the exact value of a number or a midpoint; those of these formats are short.
std::string exact_text(const Rational& x) {
  const Rational magnitude = abs(x);
  const support::Integer whole = support::floor(magnitude);
  std::string out = whole.str() + ".";
  for (Rational rest = magnitude - Rational(whole); rest != 0;) {
    rest *= 10;
    const support::Integer digit = support::floor(rest);
    out += digit.str();
    rest -= Rational(digit);
  }
  return (x < 0 ? "-" : "") + out;
}

}  // namespace

TEST_CASE("f16 and bf16: every number and every midpoint read back as rationals say") {
  for (const BinaryFormat& format : {binary16, bfloat16}) {
    const unsigned infinity = static_cast<unsigned>(infinity_bits(format, false));
    Rational last = 0;
    for (unsigned bits = 0; bits < infinity; ++bits) {
      // The value by the definition: (1 + fraction) x 2^exponent, or a subnormal.
      const int fraction_bits = format.precision - 1;
      const unsigned fraction = bits & ((1U << fraction_bits) - 1);
      const int biased = static_cast<int>(bits >> fraction_bits);
      const Rational unit = support::power(2, format.lowest_exponent() + std::max(biased - 1, 0));
      const Rational value = unit * Rational(fraction + (biased == 0 ? 0 : 1U << fraction_bits));
      if (!support::in_sample(bits)) {
        last = value;
        continue;
      }
      const std::string text = exact_text(value);
      if (read_real(format, text) != uint128{bits}) FAIL(format.name << " " << text);
      const ExactDecimal stored = *weigh_stored(format, bits).stored;
      if (value_of(stored) != value) FAIL(format.name << " " << bits);
      if (read_real(format, "-" + text) != (uint128{bits} | uint128{1} << (format.width() - 1)))
        FAIL(format.name << " -" << text);
      if (bits > 0) {
        const std::string middle = exact_text((value + last) / 2);
        const unsigned even = (bits & 1) == 0 ? bits : bits - 1;
        if (read_real(format, middle) != uint128{even}) FAIL(format.name << " tie " << middle);
        if (read_real(format, middle + "0001") != uint128{bits}) FAIL(format.name << " " << middle);
      }
      last = value;
    }
    for (unsigned bits = infinity; bits < infinity + 3; ++bits)
      CHECK_FALSE(weigh_stored(format, bits).stored.has_value());
  }
}

TEST_CASE("f32: a dense walk, and the neighbourhood of every binade and subnormal boundary") {
  const auto check = [](std::uint32_t bits) {
    const float value = std::bit_cast<float>(bits);
    char text[200];
    std::snprintf(text, sizeof text, "%.170g", static_cast<double>(value));
    const Weighing w = *weigh(text, binary32);
    if (w.bits != bits || !w.error->is_zero()) FAIL("f32 " << text);
    char hexadecimal[40];
    std::snprintf(hexadecimal, sizeof hexadecimal, "%.9g", static_cast<double>(value));
    if (weigh(hexadecimal, binary32)->bits != bits) FAIL("f32 by nine digits " << hexadecimal);
  };
  for (std::uint64_t bits = 0; bits < 0x7F800000; bits += 9973)
    check(static_cast<std::uint32_t>(bits));
  for (std::uint32_t binade = 0; binade < 255; ++binade) {
    for (std::uint32_t around = 0; around < 6; ++around) {
      const std::uint32_t bits = (binade << 23) + around;
      check(bits);
      if (bits >= 3) check(bits - 3);
    }
  }
  for (std::uint32_t shift = 0; shift < 23; ++shift) {
    check(1U << shift);
    check((1U << shift) - 1);
    check((1U << shift) + 1);
  }
}

TEST_CASE("f64: a million numbers as strtod, %a, %.*f and nextafter have them") {
  const std::uint64_t seed = support::seed(1'000'000);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  char text[1500];
  for (int i = 0; i < support::cases(1'000'000); ++i) {
    const double value = random.one_in(2) ? random.real() : random.any_bits();
    std::snprintf(text, sizeof text, "%.*e", random.below(22), value);
    const double read = std::strtod(text, nullptr);
    const uint128 bits = *read_real(binary64, text);
    if (bits != uint128{bits_of(read)}) FAIL("strtod " << text);
    if (std::isinf(read)) continue;
    std::snprintf(text, sizeof text, "%a", read);
    if (hexadecimal_number(binary64, bits).view() != text) FAIL("%a " << text);
    if (next_above(binary64, bits) != uint128{bits_of(std::nextafter(read, INFINITY))} ||
        next_below(binary64, bits) != uint128{bits_of(std::nextafter(read, -INFINITY))})
      FAIL("nextafter " << text);
    if (i % 8 != 0) continue;
    const int places = random.below(25);
    std::snprintf(text, sizeof text, "%.*f", places, read);
    const PlacesView view = view_at(exact_decimal(unpack(binary64, bits)), places);
    // A zero that was rounded to keeps its sign in C, and has none as a decimal.
    if (view.shows != text && "-" + view.shows != text) FAIL("%." << places << "f " << text);
    // The side of the halfway point, by exact rationals.
    const Rational distance =
        abs(support::exact(unpack(binary64, bits))) - abs(value_of(view.halfway));
    const int side = view.side == Tail::above_half ? 1 : view.side == Tail::half ? 0 : -1;
    if (view.side != Tail::exact && distance.sign() != side) FAIL("halfway of " << text);
  }
}

TEST_CASE("f80 is the machine's long double") {
  const std::uint64_t seed = support::seed(80);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  char text[100];
  for (int i = 0; i < support::cases(100'000); ++i) {
    const long double value =
        std::ldexp(static_cast<long double>(random.bits()), random.below(600) - 300) +
        static_cast<long double>(random.real());
    if (!std::isfinite(value)) continue;
    std::snprintf(text, sizeof text, "%.*Le", 10 + random.below(25), value);
    const long double read = std::strtold(text, nullptr);
    const uint128 bits = *read_real(extended80, text);
    std::uint64_t words[2] = {0, 0};
    std::memcpy(words, &read, 10);
    if (bits != join_halves(words[1], words[0])) FAIL("strtold " << text);
    std::snprintf(text, sizeof text, "%La", read);
    if (hexadecimal_number(extended80, bits).view() != text) FAIL("%La " << text);
  }
}

#ifdef INKY_HAS_QUADMATH
TEST_CASE("f128 is what libquadmath has") {
  const std::uint64_t seed = support::seed(128);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  char text[200];
  for (int i = 0; i < support::cases(20'000); ++i) {
    const uint128 encoding = join_halves(random.bits(), random.bits());
    __float128 value = 0;
    std::memcpy(&value, &encoding, 16);
    // Far from one, writing takes both of us a while.
    int exponent = 0;
    if (!random.one_in(20)) value = ldexpq(frexpq(value, &exponent), random.below(400) - 200);
    if (finiteq(value) == 0) continue;
    quadmath_snprintf(text, sizeof text, "%.*Qe", 5 + random.below(40), value);
    const __float128 read = strtoflt128(text, nullptr);
    uint128 expected = 0;
    std::memcpy(&expected, &read, 16);
    const uint128 bits = *read_real(binary128, text);
    if (bits != expected) FAIL("strtoflt128 " << text);
    char exact[200];
    quadmath_snprintf(exact, sizeof exact, "%.35Qe", read);
    Digits digits;
    digits_to_significant(unpack(binary128, bits), 36, Rounding::half_even, digits);
    std::string ours(digits.text());
    ours.resize(36, '0');
    std::string theirs(exact);
    theirs = theirs.substr(theirs[0] == '-' ? 1 : 0);
    theirs.erase(1, 1);
    if (ours != theirs.substr(0, 36)) FAIL("36 digits of " << exact);
    // The shortest text reads back, there too.
    const __float128 back = strtoflt128(shortest_text(binary128, bits).c_str(), nullptr);
    if (std::memcmp(&back, &read, 16) != 0) FAIL("shortest of " << exact);
  }
}
#endif

TEST_CASE("typed digits survive as far as both round alike") {
  struct Case {
    const char* text;
    const BinaryFormat* format;
    std::size_t typed;
    std::size_t kept;
  };
  const Case cases[] = {
      {"0.1", &binary64, 1, 1},
      {"2.675", &binary64, 4, 4},
      {"0.1234567890123456789", &binary64, 19, 17},
      {"16777217", &binary32, 8, 7},
      {"3.14159265358979", &binary16, 15, 3},
      {"1000000", &binary32, 1, 1},
      {"0", &binary64, 0, 0},
  };
  for (const Case& c : cases) {
    INFO(c.text);
    const SurvivingDigits digits = surviving_digits(*weigh(c.text, *c.format));
    CHECK(digits.typed == c.typed);
    CHECK(digits.kept == c.kept);
  }
  // What is promised of each format, by the definition.
  support::RandomValues random(support::seed(15));
  for (const BinaryFormat* format : {&binary16, &bfloat16, &binary32, &binary64}) {
    for (int i = 0; i < 2000; ++i) {
      std::string text = std::to_string(1 + random.below(9)) + ".";
      for (int k = 1; k < digits_always_kept(*format); ++k)
        text += std::to_string(random.below(10));
      const SurvivingDigits digits = surviving_digits(*weigh(text, *format));
      REQUIRE(digits.kept == digits.typed);
    }
  }
  CHECK(digits_always_kept(binary64) == 15);
  CHECK(digits_always_enough(binary64) == 17);
  CHECK(digits_always_kept(binary32) == 6);
  CHECK(digits_always_enough(binary32) == 9);
  CHECK(digits_always_kept(extended80) == 18);
  CHECK(digits_always_enough(extended80) == 21);
  CHECK(digits_always_kept(binary128) == 33);
  CHECK(digits_always_enough(binary128) == 36);
}

TEST_CASE("the best fractions") {
  const auto run = [](const char* text) {
    std::string out;
    for (const Fraction& f : best_fractions(*weigh(text, binary64)))
      out += f.numerator + "/" + f.denominator + (f.exact ? "! " : f.as_typed ? "= " : " ");
    return out;
  };
  CHECK(run("2.675") == "2/1 3/1 8/3 107/40= ");
  CHECK(run("0.125") == "0/1 1/8! ");
  CHECK(run("-0.75") == "-1/1 -3/4! ");
  CHECK(run("3.141592653589793") ==
        "3/1 22/7 333/106 355/113 103993/33102 104348/33215 208341/66317 312689/99532 "
        "833719/265381 1146408/364913 4272943/1360120 5419351/1725033 80143857/25510582 "
        "245850922/78256779 ");
  CHECK(run("0") == "0/1! ");
  CHECK(run("1e300").empty());
  // Each is closer than every fraction of a smaller denominator.
  support::RandomValues random(support::seed(3));
  for (int i = 0; i < 200; ++i) {
    const std::string text =
        std::to_string(random.below(1000)) + "." + std::to_string(random.bits() % 100000);
    const Weighing w = *weigh(text, binary64);
    const Rational value = support::exact(w.real);
    for (const Fraction& f : best_fractions(w)) {
      const support::Integer below(f.denominator);
      if (below > 300) break;
      const Rational error = abs(Rational(support::Integer(f.numerator), below) - value);
      for (support::Integer d = 1; d < below; ++d) {
        const Rational nearest(support::round_whole(value * Rational(d), Rounding::half_even), d);
        REQUIRE(abs(nearest - value) > error);
      }
    }
  }
}

TEST_CASE("magnitudes in words") {
  struct Case {
    const char* text;
    const char* words;
    const char* prefixed;
    bool about;
  };
  const Case cases[] = {
      {"13000000000000", "13 trillion", "13 T", false},
      {"12345678", "12.3 million", "12.3 M", true},
      {"999999", "1 million", "1 M", true},
      {"1000", "1 thousand", "1 k", false},
      {"0.000001", "1 millionth", "1 u", false},
      {"0.000045", "45 millionths", "45 u", false},
      {"-0.00000000125", "-1.25 billionths", "-1.25 n", false},
      {"1e30", "1 nonillion", "1 Q", false},
      {"1e33", "1 times 10^33", "", false},
      {"999.9", "", "", false},
      {"0.5", "", "", false},
      {"0", "", "", false},
  };
  for (const Case& c : cases) {
    INFO(c.text);
    const Magnitude got = magnitude_of(decimal(c.text));
    CHECK(got.words == c.words);
    CHECK(got.prefixed == c.prefixed);
    if (!got.words.empty()) CHECK(got.about == c.about);
  }
}

TEST_CASE("rounding to a multiple agrees with rationals") {
  const std::uint64_t seed = support::seed(5);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(20'000); ++i) {
    const std::string step =
        random.pick({"0.05", "0.25", "1", "20", "0.3", "0.125", "7", "1e-6", "2.5e3"});
    std::string text =
        std::to_string(random.below(20000) - 10000) + "." + std::to_string(random.below(10000));
    if (random.one_in(4)) text = std::to_string(random.below(4000)) + "e-3";
    const Rational value = value_of(decimal(text));
    const Rational unit = value_of(decimal(step));
    for (const Rounding rounding : all_roundings) {
      const Rational expected = Rational(support::round_whole(value / unit, rounding)) * unit;
      if (value_of(rounded_to_multiple(decimal(text), decimal(step), rounding)) != expected)
        FAIL(text << " to multiples of " << step << ", " << name_of(rounding));
    }
  }
}

TEST_CASE("whole types: what fits, and what becomes of the rest") {
  support::RandomValues random(support::seed(128));
  for (const NumberType& type : number_types) {
    if (type.width == 0) continue;
    const support::Integer size = support::Integer(1) << static_cast<unsigned>(type.width);
    const support::Integer low =
        type.is_signed ? support::Integer(-(size / 2)) : support::Integer(0);
    const support::Integer high = low + size - 1;
    CHECK(lowest_whole(type) == low.str());
    CHECK(highest_whole(type) == high.str());
    for (int i = 0; i < 2000; ++i) {
      support::Integer value =
          (support::Integer(random.bits()) << 80) * random.below(3) + random.bits();
      value >>= static_cast<unsigned>(random.below(144));
      if (random.one_in(3))
        value = random.one_in(2) ? high + random.below(3) : low - random.below(3);
      if (random.one_in(2)) value = -value;
      const StoredWhole got = store_whole(*read_whole(value.str()), type);
      support::Integer wrapped = (value - low) % size;
      if (wrapped < 0) wrapped += size;
      wrapped += low;
      INFO(value.str() << " in " << type.name);
      REQUIRE(got.fits == (low <= value && value <= high));
      REQUIRE(got.wrapped == wrapped.str());
      REQUIRE(got.saturated == (value < low ? low : value > high ? high : value).str());
    }
  }
}

TEST_CASE("number lines are to scale, and agree with the table on every side") {
  using Kind = LinePoint::Kind;
  const std::uint64_t seed = support::seed(66);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  const auto at = [](const NumberLine& line, Kind kind) {
    for (const LinePoint& point : line.points) {
      if (point.kind == kind) return point.at;
    }
    return std::nan("");
  };
  int ties_seen = 0;
  for (int i = 0; i < support::cases(3'000); ++i) {
    const int places = random.below(4);
    // Often what looks like a tie.
    const std::string text =
        std::to_string(random.below(400) - 200) + "." +
        std::to_string(random.below(1000)).substr(0, static_cast<std::size_t>(places)) +
        (random.one_in(3) ? std::to_string(random.below(100000)) : "5");
    const BinaryFormat* format = random.pick({&binary64, &binary32, &binary16, &bfloat16});
    const Weighing w = *weigh(text, *format);
    if (!has_finite_neighbours(w)) continue;
    const PlacesView view = view_at(*w.stored, places);
    const NumberLine close = line_of_neighbours(w, places);
    const double stored = at(close, Kind::stored);
    const double typed = at(close, Kind::typed);
    INFO(text << " as " << format->name << " at " << places);
    for (std::size_t k = 1; k < close.points.size(); ++k)
      REQUIRE(close.points[k - 1].at <= close.points[k].at);
    REQUIRE((w.error->is_zero() ? typed == stored : (typed < stored) != w.error->negative));
    // By value, not by magnitude.
    const int side = view.side == Tail::half                              ? 0
                     : (view.side == Tail::above_half) != w.real.negative ? 1
                                                                          : -1;
    const double halfway = at(close, Kind::halfway);
    if (view.side != Tail::exact && !std::isnan(halfway)) {
      ties_seen += 1;
      REQUIRE((stored > halfway) - (stored < halfway) == side);
    }
    if (view.side != Tail::exact && close.halfway_beyond != 0)
      REQUIRE(close.halfway_beyond == -side);
    const std::optional<NumberLine> wide = line_of_places(w, places);
    if (wide && view.side != Tail::exact) {
      const double seen = at(*wide, Kind::stored) - at(*wide, Kind::halfway);
      // Closer than a double can distinguish counts as level.
      REQUIRE((std::fabs(seen) < 1e-12 || (seen > 0 ? 1 : -1) == side));
      REQUIRE(at(*wide, Kind::halfway) == Approx(0.5));
    }
  }
  REQUIRE(ties_seen > 0);
}
