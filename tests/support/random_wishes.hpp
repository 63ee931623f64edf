// Seeded wishes of the kinds that people have, and values to go with them.
#pragma once

#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "random_values.hpp"

namespace support {

class RandomWishes {
 public:
  explicit RandomWishes(std::uint64_t seed) : random(seed) {}

  inky::FieldWish wish() {
    inky::FieldWish out;
    switch (random.below(5)) {
      case 0:
        out.type = inky::Type::text;
        out.spec.kind = inky::Kind::text;
        break;
      case 1:
        out.type =
            random.pick({inky::Type::i32, inky::Type::i64, inky::Type::i32, inky::Type::u32});
        out.spec.kind = inky::Kind::whole;
        make_whole(out.spec);
        break;
      case 2:
        out.type = inky::Type::moment;
        out.spec.kind = inky::Kind::moment;
        out.spec.moment = pattern();
        return out;
      default:
        out.type = inky::Type::f64;
        out.spec.kind = inky::Kind::real;
        make_real(out.spec);
    }
    if (random.one_in(2)) pad(out.spec);
    return out;
  }

  inky::Value value(inky::Type type) {
    using inky::Value;
    switch (type) {
      case inky::Type::text: {
        constexpr const char* texts[] = {
            "ink", "", "K-07", "Zinkweiß", "墨", "50%", "a longer run of ink"};
        return Value::text_view(random.pick(texts));
      }
      case inky::Type::f64:
        return Value::real(random.any_real());
      case inky::Type::moment: {
        inky::Moment moment = inky::moment_of_seconds(
            static_cast<std::int64_t>(random.bits() % 315'537'897'600) - 62'135'596'800);
        if (random.one_in(2)) moment.nanosecond = random.below(1000) * 1'000'000;
        return Value::moment(moment);
      }
      default: {
        const inky::TypeFact& fact = inky::fact_of(type);
        const auto bits = static_cast<inky::int128>(random.whole());
        return Value::whole(type,
                            fact.is_signed
                                ? inky::wrap_signed(static_cast<inky::uint128>(bits), fact.width)
                                : static_cast<inky::int128>(inky::wrap_unsigned(bits, fact.width)));
      }
    }
  }

  // Whether the pattern of a moment may have several parts.
  bool joins_parts = false;
  RandomValues random;

 private:
  inky::TimePattern pattern() {
    const auto parts = inky::time_parts();
    std::vector<inky::TimePart> out;
    const int count = joins_parts ? 1 + random.below(4) : 1;
    for (int i = 0; i < count; ++i) {
      if (i > 0)
        out.push_back({{}, random.pick({".", "-", "/", " ", ":", " at ", "Ω", "T", ", "})});
      out.push_back({random.pick(parts).name, {}});
    }
    return inky::TimePattern(inky::time_pattern_text(out));
  }
  void make_whole(inky::Spec& spec) {
    if (random.one_in(3)) spec.base = random.pick({16, 8, 2, 16, 36});
    if (spec.base > 10 && random.one_in(2)) spec.letters = inky::Letters::upper;
    if (spec.base == 10 && random.one_in(4)) spec.sign = inky::Sign::always;
    if (spec.base == 10 && random.one_in(8)) spec.group = ",";
    if (spec.base != 10 && random.one_in(4)) spec.prefix = true;
  }
  void make_real(inky::Spec& spec) {
    switch (random.below(9)) {
      case 3:
        spec.notation = inky::Notation::hexfloat;
        break;
      case 0:
        spec.notation = inky::Notation::scientific;
        spec.places = random.below(8);
        break;
      case 1:
        spec.notation = inky::Notation::compact;
        spec.significant = 1 + random.below(15);
        break;
      case 2:
        spec.notation = inky::Notation::shortest;
        break;
      default:
        spec.notation = inky::Notation::fixed;
        spec.places = random.pick({0, 1, 2, 2, 2, 3, 4, 6});
        if (random.one_in(8)) spec.group = ",";
    }
    if (random.one_in(5)) spec.sign = random.pick({inky::Sign::always, inky::Sign::space});
  }
  void pad(inky::Spec& spec) {
    spec.width = 1 + random.below(14);
    const bool number = spec.kind != inky::Kind::text;
    spec.align = random.pick({inky::Align::left, inky::Align::right, inky::Align::right});
    if (number && random.one_in(4)) {
      spec.align = inky::Align::inner;
      spec.fill = "0";
    } else if (random.one_in(8)) {
      spec.align = inky::Align::center;
    }
    if (random.one_in(8) && spec.align != inky::Align::inner) spec.fill = "*";
  }
};

}  // namespace support
