#include "values.hpp"

#include <algorithm>
#include <array>

#include "../csharp/times.hpp"
#include "../family/dotnet_decimal.hpp"
#include "../family/dotnet_digits.hpp"
#include "../family/utf16.hpp"
#include "../family/values.hpp"
#include "facts.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/weighing.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::fsharp {

bool is_integer(const Value& value) {
  return is_whole(value.type()) && !value.is(Type::i128) && !value.is(Type::u128) &&
         !value.is(Type::big);
}

bool is_single(const Value& value) {
  return value.is(Type::f32) || value.is(Type::f16) || value.is(Type::bf16);
}

bool is_char(const Value& value) {
  return value.is(Type::character) && value.as_character() <= 0xFFFF;
}

bool is_string(const Value& value) {
  return is_text_or_character(value) && !is_char(value);
}

std::string_view type_name(const Value& value) {
  constexpr std::array<std::string_view, 10> wholes = {
      "sbyte", "int16", "int", "int64", "bigint", "byte", "uint16", "uint32", "uint64", "bigint"};
  if (is_integer(value)) return wholes[static_cast<std::size_t>(value.type())];
  if (is_whole(value.type())) return "bigint";
  if (is_real(value.type())) return is_single(value) ? "float32" : "float";
  if (value.is(Type::decimal)) return "decimal";
  if (value.is(Type::moment)) return value.as_moment().offset ? "DateTimeOffset" : "DateTime";
  if (value.is(Type::date)) return "DateOnly";
  if (value.is(Type::time)) return "TimeOnly";
  if (value.is(Type::duration)) return "TimeSpan";
  if (value.is(Type::truth)) return "bool";
  if (value.is(Type::list)) return "list";
  if (value.is(Type::some)) return "option";
  if (value.is(Type::nil)) return "null";
  return is_char(value) ? "char" : "string";
}

BinaryReal real_of(const Value& value) {
  if (value.is(Type::f64)) return value.as_real();
  const BinaryFormat& format = is_single(value) ? binary32 : binary64;
  return unpack(format, convert(value.as_real(), format));
}

void lay_out_shortest(const Spec& given, const BinaryFormat& format, const BinaryReal& real,
                      Output& out) {
  Spec spec = given;
  Digits digits;
  dotnet_digits(format, real, digits);
  const int point = digits.is_zero() ? 1 : digits.point();
  const bool fixed = point > -4 && point <= digits_always_enough(format);
  spec.notation = fixed ? Notation::fixed : Notation::scientific;
  spec.places = unset;
  spec.significant = unset;
  lay_out_digits(spec, real.negative, digits, numbers, out);
}

namespace {

// ToString() of a real.
std::string real_text(const Value& value) {
  const BinaryReal real = real_of(value);
  if (real.kind == RealClass::not_a_number) return "NaN";
  if (real.kind == RealClass::infinite) return real.negative ? "-Infinity" : "Infinity";
  Spec spec;
  spec.letters = Letters::upper;
  TextBuffer out;
  lay_out_shortest(spec, is_single(value) ? binary32 : binary64, real, out);
  return out.string();
}

// Within another value. None is null to .NET.
std::string held_text(const Value& value) {
  return value.is(Type::nil) ? "null" : to_string(value);
}

// Three items at most.
std::string list_text(std::span<const Value> items) {
  constexpr std::size_t most_items = 3;
  std::string out = "[";
  for (const Value& item : items.first(std::min(items.size(), most_items)))
    out += (out.size() > 1 ? "; " : "") + held_text(item);
  return out + (items.size() > most_items ? "; ... ]" : "]");
}

}  // namespace

std::string to_string(const Value& value) {
  if (is_text_or_character(value)) return text_of(value);
  if (is_real(value.type())) return real_text(value);
  if (csharp::is_time_value(value)) {
    std::string out;
    std::string why;
    (void)csharp::append_time_value(value, {}, csharp::invariant_culture(), out, why);
    return out;
  }
  if (value.is(Type::decimal)) return dotnet_text(*decimal96(value.as_decimal()));
  if (value.is(Type::truth)) return value.as_whole() != 0 ? "True" : "False";
  if (value.is(Type::nil)) return {};
  if (value.is(Type::list)) return list_text(value.as_list());
  if (value.is(Type::some)) return "Some(" + held_text(value.as_list()[0]) + ")";
  return whole_text(value);
}

namespace {

// A real to ten significant digits, marked as one.
std::string written_real(const Value& value) {
  constexpr int significant_digits = 10;
  const BinaryReal real = real_of(value);
  const std::string_view mark = is_single(value) ? "f" : "";
  if (real.kind == RealClass::not_a_number) return "nan" + std::string(mark);
  if (real.kind == RealClass::infinite)
    return (real.negative ? "-infinity" : "infinity") + std::string(mark);
  Spec spec;
  spec.kind = Kind::real;
  spec.notation = Notation::compact;
  spec.significant = significant_digits;
  TextBuffer out;
  lay_out_real(spec, binary64, real, numbers, out);
  std::string text = out.string();
  if (text.find_first_of(".e") == std::string::npos) text += ".0";
  return text.append(mark);
}

}  // namespace

std::string written(const Value& value) {
  constexpr std::array<std::string_view, 9> marks = {"y", "s", "", "L", "", "uy", "us", "u", "UL"};
  if (is_integer(value))
    return whole_text(value).append(marks[static_cast<std::size_t>(value.type())]);
  if (is_whole(value.type())) return whole_text(value);
  if (is_real(value.type())) return written_real(value);
  if (value.is(Type::decimal)) return to_string(value) + "M";
  if (csharp::is_time_value(value)) return to_string(value);
  if (value.is(Type::truth)) return value.as_whole() != 0 ? "true" : "false";
  if (value.is(Type::nil)) return "<null>";
  if (value.is(Type::list)) {
    std::string out = "[";
    const std::span<const Value> items = value.as_list();
    const bool options = std::any_of(items.begin(), items.end(),
                                     [](const Value& item) { return item.is(Type::some); });
    for (const Value& item : items) {
      out += out.size() > 1 ? "; " : "";
      out += options && item.is(Type::nil) ? "None" : written(item);
    }
    return out + "]";
  }
  if (value.is(Type::some)) {
    const Value& held = value.as_list()[0];
    const std::string text = held.is(Type::nil) ? "None" : written(held);
    return held.is(Type::some) ? "Some (" + text + ")" : "Some " + text;
  }
  return is_char(value) ? "'" + text_of(value) + "'" : '"' + text_of(value) + '"';
}

}  // namespace inky::inline v1::fsharp
