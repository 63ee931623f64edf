#include "values.hpp"

#include <algorithm>
#include <array>
#include <cmath>

#include "../family/values.hpp"
#include "decimal.hpp"
#include "facts.hpp"
#include "format/layout.hpp"
#include "number/hexadecimal_real.hpp"
#include "program.hpp"
#include "text/escape.hpp"
#include "text/upper_case.hpp"
#include "text/utf8.hpp"
#include "times.hpp"

namespace inky::inline v1::java_language {

constexpr std::array<std::string_view, 19> class_names = {"java.lang.Byte",
                                                          "java.lang.Short",
                                                          "java.lang.Integer",
                                                          "java.lang.Long",
                                                          "java.math.BigInteger",
                                                          "java.lang.Float",
                                                          "java.lang.Double",
                                                          "java.lang.String",
                                                          "java.lang.Character",
                                                          "java.lang.Boolean",
                                                          "null",
                                                          "java.util.Arrays$ArrayList",
                                                          "java.math.BigDecimal",
                                                          "java.time.LocalDateTime",
                                                          "java.time.OffsetDateTime",
                                                          "java.time.ZonedDateTime",
                                                          "java.time.LocalDate",
                                                          "java.time.LocalTime",
                                                          "java.time.Duration"};

// Unsigned wholes take the next wider class; a character beyond 16 bits is a String.
Class class_of(const Value& value) {
  switch (value.type()) {
    case Type::i8:
      return Class::byte_class;
    case Type::i16:
    case Type::u8:
      return Class::short_class;
    case Type::i32:
    case Type::u16:
      return Class::integer_class;
    case Type::i64:
    case Type::u32:
      return Class::long_class;
    case Type::f16:
    case Type::bf16:
    case Type::f32:
      return Class::float_class;
    case Type::f64:
    case Type::f80:
    case Type::f128:
      return Class::double_class;
    case Type::text:
      return Class::string_class;
    case Type::character:
      return value.as_character() > 0xFFFF ? Class::string_class : Class::character_class;
    case Type::truth:
      return Class::boolean_class;
    case Type::nil:
      return Class::null_class;
    case Type::list:
      return Class::list_class;
    case Type::decimal:
      return Class::decimal_class;
    case Type::moment:
      if (value.as_moment().zone != 0) return Class::zoned_date_time_class;
      return value.as_moment().offset ? Class::offset_date_time_class
                                      : Class::local_date_time_class;
    case Type::date:
      return Class::local_date_class;
    case Type::time:
      return Class::local_time_class;
    case Type::duration:
      return Class::duration_class;
    default:
      return Class::big_class;
  }
}

std::string_view class_name(const Value& value) {
  return class_names[static_cast<std::size_t>(class_of(value))];
}

bool is_whole_class(Class type) {
  return type <= Class::big_class;
}

bool is_real_class(Class type) {
  return type == Class::float_class || type == Class::double_class;
}

int width_of(Class type) {
  return 8 << static_cast<int>(type);
}

namespace {

BinaryReal as_float(const Value& value) {
  return unpack(binary32, convert(value.as_real(), binary32));
}

// Float.toString, Double.toString: fixed from 1e-3 to below 1e7.
std::string real_text(const Value& value) {
  const bool single = class_of(value) == Class::float_class;
  const BinaryReal real = single ? as_float(value) : nearest_f64(value);
  if (real.kind == RealClass::not_a_number) return "NaN";
  if (real.kind == RealClass::infinite) return real.negative ? "-Infinity" : "Infinity";
  Digits digits;
  java_digits(single ? binary32 : binary64, real, Purpose::plain, digits);
  Spec spec;
  const bool fixed = digits.is_zero() || (digits.point() > -3 && digits.point() < 8);
  spec.notation = fixed ? Notation::fixed : Notation::scientific;
  const int after_point = fixed ? digits.size() - digits.point() : digits.size() - 1;
  spec.places = std::max(after_point, 1);
  spec.letters = Letters::upper;
  constexpr NumberStyle style = {.least_exponent_digits = 1, .exponent_plus = false};
  TextBuffer out;
  lay_out_digits(spec, real.negative, digits, style, out);
  return out.string();
}

}  // namespace

Decimal big_decimal(const Value& value) {
  Decimal out = value.as_decimal();
  if (out.is_zero()) out.negative = false;
  return out;
}

std::string to_string(const Value& value) {
  const Class type = class_of(value);
  if (is_whole_class(type)) return whole_text(value);
  if (is_real_class(type)) return real_text(value);
  if (type == Class::decimal_class) return inky::to_text(big_decimal(value));
  if (type > Class::decimal_class) return time_to_string(value);
  if (type == Class::boolean_class) return value.as_whole() != 0 ? "true" : "false";
  if (type == Class::list_class) {
    std::string out = "[";
    for (const Value& item : value.as_list()) out += (out.size() > 1 ? ", " : "") + to_string(item);
    return out + "]";
  }
  return type == Class::null_class ? "null" : text_of(value);
}

namespace {

// BigInteger.hashCode().
std::uint32_t hash_of(const SignedNatural& number) {
  std::uint32_t hash = 0;
  const auto limbs = number.magnitude.limbs();
  for (std::size_t i = limbs.size(); i-- > 0;) {
    for (const int shift : {32, 0})
      hash = hash * 31 + static_cast<std::uint32_t>(limbs[i] >> shift);
  }
  return number.negative ? 0U - hash : hash;
}

std::uint32_t hash_of_64(std::uint64_t bits) {
  return static_cast<std::uint32_t>(bits ^ bits >> 32);
}

}  // namespace

std::uint32_t hash_code(const Value& value) {
  std::uint32_t hash = 0;
  switch (const Class type = class_of(value)) {
    case Class::long_class:
      return hash_of_64(low_half(value.bits()));
    case Class::big_class:
      return hash_of(natural_of(value));
    case Class::decimal_class: {
      const Decimal decimal = big_decimal(value);
      const SignedNatural coefficient{decimal.negative, read_whole(decimal.coefficient)->magnitude};
      return hash_of(coefficient) * 31 - static_cast<std::uint32_t>(decimal.exponent);
    }
    case Class::float_class: {
      const BinaryReal real = as_float(value);
      if (real.kind == RealClass::not_a_number) return 0x7FC00000;
      return static_cast<std::uint32_t>(low_half(pack(binary32, real)));
    }
    case Class::double_class: {
      const BinaryReal real = nearest_f64(value);
      if (real.kind == RealClass::not_a_number) return 0x7FF80000;
      return hash_of_64(low_half(pack(binary64, real)));
    }
    case Class::boolean_class:
      return value.as_whole() != 0 ? 1231 : 1237;
    case Class::local_date_time_class:
    case Class::offset_date_time_class:
    case Class::zoned_date_time_class:
    case Class::local_date_class:
    case Class::local_time_class:
    case Class::duration_class:
      return time_hash(value);
    case Class::string_class:
      for (const char16_t unit : utf16_of(text_of(value))) hash = hash * 31 + unit;
      return hash;
    case Class::character_class:
      return value.as_character();
    case Class::list_class:
      hash = 1;
      for (const Value& item : value.as_list()) hash = hash * 31 + hash_code(item);
      return hash;
    default:
      return is_whole_class(type) ? static_cast<std::uint32_t>(low_half(value.bits())) : 0;
  }
}

bool is_far_from_tie(const BinaryReal& real, int places) {
  constexpr std::array<double, 23> powers = {1e0,  1e1,  1e2,  1e3,  1e4,  1e5,  1e6,  1e7,
                                             1e8,  1e9,  1e10, 1e11, 1e12, 1e13, 1e14, 1e15,
                                             1e16, 1e17, 1e18, 1e19, 1e20, 1e21, 1e22};
  constexpr double largest = 1e12;
  constexpr double margin = 1e-3;
  if (places < -22 || places > 22 || real.kind != RealClass::normal) return false;
  const double value =
      std::bit_cast<double>((low_half(real.significand) & ((std::uint64_t{1} << 52) - 1)) |
                            static_cast<std::uint64_t>(real.exponent + 1075) << 52);
  const double scaled = places >= 0 ? value * powers[static_cast<std::size_t>(places)]
                                    : value / powers[static_cast<std::size_t>(-places)];
  if (!(scaled < largest)) return false;
  const double rest = scaled - static_cast<double>(static_cast<std::int64_t>(scaled));
  return rest < 0.5 - margin || rest > 0.5 + margin;
}

bool round_far_from_tie(const BinaryReal& real, int count, Digits& digits) {
  constexpr int more = 3;
  constexpr int most_certain = 12;  // a unit of the last place is less than a thousandth of a digit
  if (count > most_certain || real.kind != RealClass::normal) return false;
  digits_to_significant(real, count + more, Rounding::toward, digits);
  char* const text = digits.room(count + more);
  for (int i = digits.size(); i < count + more; ++i) text[i] = '0';
  const int tail =
      (text[count] - '0') * 100 + (text[count + 1] - '0') * 10 + (text[count + 2] - '0');
  if (tail == 499 || tail == 500) return false;
  int point = digits.point();
  if (tail > 500) {
    int at = count - 1;
    for (; at >= 0 && text[at] == '9'; --at) text[at] = '0';
    if (at >= 0) {
      ++text[at];
    } else {
      text[0] = '1';
      ++point;
    }
  }
  digits.set(count, point);
  return true;
}

}  // namespace inky::inline v1::java_language
