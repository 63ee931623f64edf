#include "values.hpp"

#include <algorithm>

#include "inky_margin/number/decimal.hpp"
#include "number/decimal96.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

const Value* find_rare(std::span<const Value> values, bool options, bool decimals, bool times) {
  for (const Value& value : values) {
    const bool is_option = options && value.is(Type::some);
    const bool is_decimal = decimals && value.is(Type::decimal);
    const bool is_time = times && (value.is(Type::moment) || value.type() >= Type::date);
    if (is_rare(value.type()) && !is_option && !is_decimal && !is_time) return &value;
    if (!value.is(Type::list) && !is_option) continue;
    if (const Value* inner = find_rare(value.as_list(), options, decimals, times)) return inner;
  }
  return nullptr;
}

Outcome rare_value(const Value& value, std::string_view language) {
  return Outcome::error({Code::not_supported_yet,
                         "values of type " + std::string(name_of(value.type())) +
                             " are not supported yet in " + std::string(language),
                         {},
                         "Give a number or a text in its place."});
}

std::string text_of(const Value& value) {
  if (value.is(Type::text)) return std::string(value.as_text());
  std::string out;
  append_utf8(value.as_character(), out);
  return out;
}

SignedNatural natural_of(const Value& value) {
  if (value.is(Type::big)) return value.as_big();
  if (value.is(Type::u128)) return {false, Natural(value.bits())};
  return {value.as_whole() < 0, Natural(magnitude_of(value.as_whole()))};
}

std::string whole_digits(const Value& value, int base, Letters letters, bool& negative) {
  if (value.is(Type::big)) {
    std::string out;
    negative = value.as_big().negative;
    append_whole(value.as_big().magnitude, base, letters, out);
    return out;
  }
  const bool is_unsigned = value.is(Type::u128);
  negative = !is_unsigned && value.as_whole() < 0;
  WholeRoom room;
  return std::string(write_whole(is_unsigned ? value.bits() : magnitude_of(value.as_whole()), base,
                                 letters, room));
}

std::string whole_text(const Value& value) {
  bool negative = false;
  const std::string digits = whole_digits(value, 10, Letters::lower, negative);
  return negative ? "-" + digits : digits;
}

std::optional<int128> small_whole(const Value& value) {
  if (value.is(Type::u128)) {
    if (value.as_whole() < 0) return std::nullopt;
    return value.as_whole();
  }
  if (!value.is(Type::big)) return value.as_whole();
  const SignedNatural& big = value.as_big();
  if (big.magnitude.bit_length() > 127) return std::nullopt;
  const auto magnitude = static_cast<int128>(big.magnitude.low_bits());
  return big.negative ? -magnitude : magnitude;
}

BinaryReal nearest_f64(const Value& value) {
  if (value.is(Type::f64)) return value.as_real();
  if (is_real(value.type())) return unpack(binary64, convert(value.as_real(), binary64));
  if (value.is(Type::decimal))
    return unpack(binary64, *read_real(binary64, to_text(value.as_decimal())));
  bool negative = false;
  const std::string digits = whole_digits(value, 10, Letters::lower, negative);
  BinaryReal out = unpack(binary64, nearest(binary64, *scan_decimal(digits)));
  out.negative = negative;
  return out;
}

namespace {

// A copy in which `change` has replaced each decimal, also those in lists.
Value with_each_decimal(const Value& value, Value (*change)(const Value&)) {
  Value out = value;
  if (value.is(Type::decimal)) {
    out = change(value);
  } else if (is_compound(value.type()) || value.is(Type::some)) {
    std::vector<Value> items;
    for (const Value& item : value.as_list()) items.push_back(with_each_decimal(item, change));
    if (value.is(Type::some))
      out = Value::some(std::move(items[0]));
    else if (value.is(Type::list))
      out = Value::list(std::move(items));
    else
      out =
          value.is(Type::tuple) ? Value::tuple(std::move(items)) : Value::record(std::move(items));
  }
  if (value.is_named()) out.set_name(std::string(value.name()));
  return out;
}

}  // namespace

Value without_decimals(const Value& value) {
  return with_each_decimal(value, [](const Value& decimal) {
    return Value::real(Type::f64, pack(binary64, nearest_f64(decimal)));
  });
}

bool is_decimal96(const Decimal& decimal) {
  constexpr std::size_t sure_digits = 28;
  constexpr std::int64_t most_places = 28;
  const bool is_sure = decimal.is_finite() && decimal.coefficient.size() <= sure_digits &&
                       -most_places <= decimal.exponent && decimal.exponent <= 0;
  if (is_sure || !decimal.is_finite()) return is_sure;
  const std::optional<Decimal> held = decimal96(decimal);
  return held && held->exponent == decimal.exponent && held->coefficient == decimal.coefficient;
}

Value with_decimals96(const Value& value) {
  return with_each_decimal(value, [](const Value& decimal) {
    std::optional<Decimal> held = decimal96(decimal.as_decimal());
    return held ? Value::decimal(std::move(*held)) : decimal;
  });
}

std::string stored_text(const Value& value) {
  const BinaryReal real = value.as_real();
  return real.is_finite() ? to_text(exact_decimal(real)) : describe(value);
}

bool is_whole_number(const BinaryReal& real) {
  if (!real.is_finite() || real.is_zero() || real.exponent >= 0) return real.is_finite();
  const int shift = std::min(-real.exponent, 127);
  return real.significand >> shift << shift == real.significand;
}

std::u16string utf16_of(std::string_view text) {
  std::u16string out;
  out.reserve(text.size());
  while (const auto point = first_code_point(text)) {
    if (point->value > 0xFFFF) {
      out += static_cast<char16_t>(0xD7C0 + (point->value >> 10));
      out += static_cast<char16_t>(0xDC00 + (point->value & 0x3FF));
    } else {
      out += static_cast<char16_t>(point->value);
    }
    text.remove_prefix(static_cast<std::size_t>(point->bytes));
  }
  return out;
}

}  // namespace inky::inline v1
