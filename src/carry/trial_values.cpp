#include <bit>
#include <cmath>
#include <string>

#include "trial_values.hpp"

namespace inky::inline v1 {

namespace {

// A fixed sequence, the same on every machine.
class Sequence {
 public:
  std::uint64_t next() {
    state_ = state_ * 6364136223846793005U + 1442695040888963407U;
    return state_ ^ (state_ >> 33);
  }

 private:
  std::uint64_t state_ = 20310509;
};

constexpr double usual_reals[] = {
    2.675,
    0.125,
    2.5,
    1.5,
    0.5,
    -0.5,
    1.45,
    1.005,
    0.1,
    1.0,
    0.0,
    -0.0,
    -1.0,
    12.5,
    -2.675,
    3.14159,
    99.995,
    9.995,
    0.045,
    1e5,
    123456,
    1234567.891,
    1e15,
    1e16,
    1e17,
    1e20,
    1e21,
    1e22,
    1e23,
    1e-3,
    1e-4,
    1e-5,
    1e-6,
    1e-7,
    1.5e-7,
    999999.5,
    9999995,
    0.001,
    -0.001,
    1.0 / 3,
    2.0 / 3,
    -1e15,
    4503599627370497.5,
    1e100,
    1e-100,
    5e-324,
    1.7976931348623157e308,
    2.2250738585072014e-308,
    100.0,
    1000.0,
    -1000.5,
    0.3,
    0.7,
    1e300,
    65536.0,
    0.15,
    0.25,
    0.35,
    1.25,
    1.35,
    10.0,
    9.5,
    99.5,
    0.05,
    0.005,
    0.0005,
    8.5,
    -3.5,
};

void add_reals(Type type, std::vector<Value>& out) {
  const BinaryFormat& format = *fact_of(type).format;
  const auto add = [&](double value) {
    out.push_back(Value::real(type, convert(unpack(binary64, bits_of(value)), format)));
  };
  for (const double value : usual_reals) add(value);
  Sequence sequence;
  for (int i = 0; i < 40; ++i) {
    // Money, halves of the last place, and any bits.
    const auto n =
        static_cast<double>(static_cast<std::int64_t>(sequence.next() % 20'000'000) - 10'000'000);
    add(n / 1000);
    add((n + 0.5) / 64);
    const double any = std::bit_cast<double>(sequence.next());
    if (any == any && any - any == 0) add(any);
  }
  // The edges of what is stored: neighbours of powers of ten and of two, and the smallest numbers.
  for (int exponent = -22; exponent <= 23; exponent += 3) {
    const double power = std::pow(10.0, exponent);
    add(std::nextafter(power, 0.0));
    add(-std::nextafter(power, 1e300));
  }
  for (int exponent = -1070; exponent <= 1020; exponent += 55) {
    add(std::ldexp(1.0, exponent));
    add(std::bit_cast<double>(sequence.next() >> (13 + sequence.next() % 50)));
  }
  out.push_back(Value::real(type, infinity_bits(format, false)));
  out.push_back(Value::real(type, infinity_bits(format, true)));
  out.push_back(Value::real(type, quiet_nan_bits(format, false)));
  out.push_back(Value::real(type, quiet_nan_bits(format, true)));
}

void add_wholes(Type type, std::vector<Value>& out) {
  const TypeFact& fact = fact_of(type);
  const int width = fact.width == 0 ? 128 : fact.width;
  const auto add = [&](int128 value) {
    const int128 fitted = fact.is_signed || type == Type::big
                              ? wrap_signed(static_cast<uint128>(value), width)
                              : static_cast<int128>(wrap_unsigned(value, width));
    if (type == Type::big)
      out.push_back(Value::big({fitted < 0, Natural(magnitude_of(fitted))}));
    else
      out.push_back(Value::whole(type, fitted));
  };
  for (const int value : {42, 0, 1, -1, 7, -7, 10, 255, 256, 1000, 1234567, -1234567, 9, 99, 8, 16,
                          -42, 65535, 100000})
    add(value);
  for (int bit = 1; bit < width && bit < 127; ++bit) {
    for (const int near : {-1, 0, 1}) add((int128{1} << bit) + near);
    if (fact.is_signed) add(-(int128{1} << bit));
  }
  Sequence sequence;
  for (int i = 0; i < 40; ++i)
    add(static_cast<int128>(sequence.next() >> (sequence.next() % 60)) * (i % 2 == 0 ? 1 : -1));
}

// Money, ties, zeros that are kept, and what doubles cannot hold.
constexpr const char* usual_decimals[] = {"12.50",
                                          "2.675",
                                          "0.125",
                                          "1.10",
                                          "2.5",
                                          "-2.675",
                                          "0",
                                          "0.00",
                                          "1.005",
                                          "19.99",
                                          "-0.005",
                                          "0.1",
                                          "1",
                                          "100",
                                          "1E+3",
                                          "-1",
                                          "99.995",
                                          "0.045",
                                          "1.45",
                                          "1.0",
                                          "0.50",
                                          "-0.50",
                                          "1234567.891",
                                          "999999.995",
                                          "0.001",
                                          "0.0001",
                                          "0.00001",
                                          "1E-7",
                                          "12345678901234567890",
                                          "0.1234567890123456789",
                                          "1234567890123.45",
                                          "9007199254740993",
                                          "0.30000000000000000001",
                                          "7.005",
                                          "8.325",
                                          "-1234.5",
                                          "10.00",
                                          "65536",
                                          "0.9995",
                                          "-0.4",
                                          "3.14159265358979323846",
                                          "5E+10"};

void add_decimals(std::vector<Value>& out) {
  for (const char* text : usual_decimals) out.push_back(*read_typed(Type::decimal, text));
  Sequence sequence;
  for (int i = 0; i < 30; ++i) {
    // Prices, and prices with a digit too many.
    const std::string digits = std::to_string(100 + sequence.next() % 100'000);
    const std::size_t places = i % 3 == 0 ? 1 : 2;
    const std::string text = digits.substr(0, digits.size() - places) + "." +
                             digits.substr(digits.size() - places) + (i % 2 == 0 ? "5" : "");
    out.push_back(*read_typed(Type::decimal, (i % 5 == 4 ? "-" : "") + text));
  }
}

// New year, leap days, noon and midnight, the first and the last year, and offsets.
constexpr const char* usual_moments[] = {"2031-05-09T14:05:07.25",  "2031-01-01T00:00:00",
                                         "2031-12-31T23:59:59.999", "2032-02-29T12:00:00",
                                         "0001-01-01T00:00:00",     "9999-12-31T23:59:59",
                                         "1970-01-01T00:00:00",     "1999-11-30T09:08:07.001",
                                         "2026-12-27T13:00:01",     "0987-06-05T11:59:59.5"};

constexpr const char* moments_beside_utc[] = {
    "2031-05-09T14:05:07.25+02:00", "2031-01-01T00:30:00-05:30", "2031-12-31T23:59:59.999+14:00",
    "2032-02-29T12:00:00Z",         "0987-06-05T00:00:00-12:00", "1999-11-30T09:08:07.001+05:45",
    "9999-12-30T23:59:59-03:30",    "0001-01-02T00:00:00+00:30"};

std::vector<Value> made_times(Type type) {
  std::vector<Value> out;
  if (type == Type::duration) {
    for (const char* text : {"P1DT2H30M", "PT0S", "PT0.5S", "-PT0.5S", "PT59S", "PT1M", "PT1H",
                             "P1D", "-P1DT1S", "P10D", "P365DT23H59M59.999S", "-PT1H1M1S"})
      out.push_back(*read_typed(type, text));
    return out;
  }
  for (const std::string_view text : usual_moments)
    out.push_back(*read_typed(type, type == Type::moment ? text
                                    : type == Type::date ? text.substr(0, 10)
                                                         : text.substr(11)));
  return out;
}

constexpr const char* texts[] = {
    "ink",         "",
    "K-07",        "a longer run of ink",
    "Zinkweiß",    "墨",
    "Ω Ω",         "🖨 press",
    "e\u0301tude", "two\nlines",
    "tab\there",   "50%",
    "{brace}",     "back\\slash",
    "say \"ink\"", "~tilde",
    "$5",          " ",
    "x",           "naïve café",
    "ТЕКСТ",       "very long text that goes past every width there is, and then some more"};

std::vector<Value> made(Type type) {
  std::vector<Value> out;
  if (is_real(type)) {
    add_reals(type, out);
  } else if (is_whole(type)) {
    add_wholes(type, out);
  } else if (type == Type::text) {
    for (const char* text : texts) out.push_back(Value::text_view(text));
  } else if (type == Type::character) {
    for (const char32_t c : U"Kk09 ~%{\"\\'Ωß墨🖨") {
      if (c != 0) out.push_back(Value::character(c));
    }
  } else if (type == Type::truth) {
    out = {Value::truth(true), Value::truth(false)};
  } else if (type == Type::nil) {
    out = {Value()};
  } else if (type == Type::decimal) {
    add_decimals(out);
  } else if (type == Type::moment || type >= Type::date) {
    out = made_times(type);
  }
  return out;
}

// A tie at these places, and the numbers just beside it.
void add_decimal_ties(int places, std::vector<Value>& out) {
  Sequence sequence;
  for (int i = 0; i < 12; ++i) {
    const std::string digits = std::to_string(sequence.next() % (i < 4 ? 10 : 100'000));
    for (const char* tail : {"5", "4999999999", "5000000001"}) {
      std::string text = digits + tail;
      text += "e-" + std::to_string(places + static_cast<int>(std::string_view(tail).size()));
      out.push_back(*read_typed(Type::decimal, (i % 3 == 2 ? "-" : "") + text));
    }
  }
}

// A number half-way between two results of N places or digits, and what lies just beside it.
void add_around(double tie, const BinaryFormat& format, Type type, std::vector<Value>& out) {
  if (!(std::fabs(tie) < 1e300)) return;
  double below = tie;
  double above = tie;
  const auto add = [&](double value) {
    out.push_back(Value::real(type, convert(unpack(binary64, bits_of(value)), format)));
  };
  add(tie);
  for (int step = 0; step < 3; ++step) {
    below = std::nextafter(below, -1e301);
    above = std::nextafter(above, 1e301);
    add(below);
    add(above);
  }
}

}  // namespace

std::vector<Value> values_at_ties(const Spec& spec, Type type) {
  std::vector<Value> out;
  const int count = spec.places != unset ? spec.places : spec.significant;
  constexpr int most_digits = 15;
  if (type == Type::decimal && spec.places != unset && spec.places <= most_digits)
    add_decimal_ties(spec.places + (spec.notation == Notation::percent ? 2 : 0), out);
  if (!is_real(type) || count == unset || count > most_digits) return out;
  const BinaryFormat& format = *fact_of(type).format;
  const bool scientific =
      spec.notation == Notation::scientific || spec.notation == Notation::compact;
  const int digits = spec.notation == Notation::compact || spec.places == unset ? count : count + 1;
  Sequence sequence;
  for (int i = 0; i < 24; ++i) {
    const double sign = i % 3 == 2 ? -1 : 1;
    if (!scientific) {
      const int shift = spec.notation == Notation::percent ? count + 2 : count;
      const auto n = static_cast<double>(sequence.next() % (i < 8 ? 10 : 100'000));
      add_around(sign * (n + 0.5) / std::pow(10.0, shift), format, type, out);
      continue;
    }
    constexpr int decades[] = {0, 1, 2, 5, -1, -3, -5, 10, 20, -20, 100, -100, -320, -322};
    const double scale = std::pow(10.0, digits - 1);
    const double n =
        scale + static_cast<double>(sequence.next() % static_cast<std::uint64_t>(9 * scale));
    const int decade = decades[static_cast<std::size_t>(i) % std::size(decades)] - digits + 1;
    const double tie = decade < -300 ? (n + 0.5) * 1e-300 * std::pow(10.0, decade + 300)
                                     : (n + 0.5) * std::pow(10.0, decade);
    add_around(sign * tie, format, type, out);
  }
  return out;
}

std::span<const Value> moments_with_offsets() {
  static const std::vector<Value> all = [] {
    std::vector<Value> out;
    for (const char* text : moments_beside_utc) out.push_back(*read_typed(Type::moment, text));
    return out;
  }();
  return all;
}

std::span<const Value> trial_values(Type type) {
  static const std::vector<std::vector<Value>> sets = [] {
    std::vector<std::vector<Value>> all(all_types().size());
    for (const TypeFact& fact : all_types())
      all[static_cast<std::size_t>(fact.type)] = made(fact.type);
    return all;
  }();
  return sets[static_cast<std::size_t>(type)];
}

}  // namespace inky::inline v1
