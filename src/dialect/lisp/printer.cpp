#include "printer.hpp"

#include <algorithm>
#include <array>
#include <string>

#include "../computed/arithmetic.hpp"
#include "../family/values.hpp"
#include "control.hpp"
#include "dialect/program_form.hpp"
#include "expressions.hpp"
#include "floats.hpp"
#include "format/fraction_value.hpp"
#include "inky_margin/number/decimal.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::lisp {

bool is_null(const Value& value) {
  switch (value.type()) {
    case Type::nil:
      return true;
    case Type::truth:
      return value.as_whole() == 0;
    case Type::list:
    case Type::tuple:
      return value.as_list().empty();
    default:
      return false;
  }
}
bool is_list(const Value& value) {
  return is_null(value) || value.is(Type::list) || value.is(Type::tuple);
}
std::span<const Value> items_of(const Value& value) {
  return value.is(Type::list) || value.is(Type::tuple) ? value.as_list() : std::span<const Value>();
}

bool is_known(const Value& value) {
  switch (value.type()) {
    case Type::bf16:
    case Type::f80:
    case Type::f128:
    case Type::decimal:
    case Type::moment:
    case Type::record:
      return false;
    case Type::list:
    case Type::tuple: {
      const auto items = value.as_list();
      return std::all_of(items.begin(), items.end(), is_known);
    }
    default:
      return true;
  }
}

bool may_break(const Value& value) {
  const auto items = items_of(value);
  return items.size() > 1 || std::any_of(items.begin(), items.end(), may_break);
}
bool holds_new_line(const Value& value) {
  if (is_text_or_character(value)) return text_of(value).find('\n') != std::string::npos;
  const auto items = items_of(value);
  return std::any_of(items.begin(), items.end(), holds_new_line);
}

Float float_of(const Value& value) {
  if (value.is(Type::f64)) return {&binary64, value.as_real()};
  return {&binary32, unpack(binary32, convert(value.as_real(), binary32))};
}

bool is_ratio(const Value& value) {
  return value.is(Type::fraction) && describe(value.as_list()[1]) != "1";
}

Value float_value_of(Type type, const Value& value) {
  if (!value.is(Type::fraction)) return computed::real_of(type, value);
  const Rational exact = rational_of(value);
  if (exact == 0) return computed::real_of(type, Value::whole(Type::i32, 0));
  const BinaryFormat& format = *fact_of(type).format;
  const int digits = type == Type::f32 ? 24 : 53;
  const bool negative = exact < 0;
  Integer above = numerator(exact);
  if (negative) above = -above;
  Integer below = denominator(exact);
  // A power of two below goes into the scale.
  int scale = 0;
  while (below % 2 == 0) {
    below /= 2;
    --scale;
  }
  const int apart = bit_length(below) - bit_length(above);
  const int shift = apart + digits + 1;
  above = shift >= 0 ? Integer(above << shift) : Integer(above >> -shift);
  scale -= apart;
  // One bit more than there are digits; each step to the right loses one.
  for (;; above >>= 1, ++scale) {
    Integer bits = above / below;
    const bool is_exact = above % below == 0;
    if (bit_length(bits) - digits != 1) continue;
    const bool rounds_up = bits % 2 != 0 && (!is_exact || bits % 4 == 3);
    if (rounds_up) ++bits;
    bits >>= 1;
    const int by = scale - digits;
    const Rational made = Rational(bits) * inky::power(2, by);
    return Value::real(type, stored(format, negative ? Rational(-made) : made, false));
  }
}

Value without_ones(const Value& value) {
  if (value.is(Type::fraction)) return is_ratio(value) ? value : whole_or_ratio(rational_of(value));
  if (!value.is(Type::list) && !value.is(Type::tuple)) return value;
  std::vector<Value> items;
  for (const Value& item : value.as_list()) items.push_back(without_ones(item));
  return value.is(Type::list) ? Value::list(std::move(items)) : Value::tuple(std::move(items));
}

Float single_of(const Value& value) {
  if (value.is(Type::fraction)) return float_of(float_value_of(Type::f32, value));
  bool negative = false;
  const std::string digits = whole_digits(value, 10, Letters::lower, negative);
  Float out{&binary32, unpack(binary32, nearest(binary32, *scan_decimal(digits)))};
  out.real.negative = negative && !out.real.is_zero();
  return out;
}

namespace {

// The names of the characters that show no other way, from code 0 on.
constexpr auto character_names = std::to_array<std::string_view>(
    {"Nul", "Soh",  "Stx",    "Etx", "Eot", "Enq", "Ack", "Bel", "Backspace", "Tab", "Newline",
     "Vt",  "Page", "Return", "So",  "Si",  "Dle", "Dc1", "Dc2", "Dc3",       "Dc4", "Nak",
     "Syn", "Etb",  "Can",    "Em",  "Sub", "Esc", "Fs",  "Gs",  "Rs",        "Us",  "Space"});

}  // namespace

std::string_view name_of_control(char32_t c) {
  return character_names[c];
}

bool Printer::print(const Value& value) {
  switch (value.type()) {
    case Type::text:
      return print_text(value.as_text());
    case Type::character:
      return print_character(value.as_character());
    case Type::truth:
      out_ += value.as_whole() != 0 ? "T" : "NIL";
      return true;
    case Type::nil:
      out_ += "NIL";
      return true;
    case Type::complex:
      out_ += "#C(";
      if (!print(value.as_list()[0])) return false;
      out_ += ' ';
      if (!print(value.as_list()[1])) return false;
      out_ += ')';
      return true;
    case Type::fraction:
      // A ratio of something to one is a whole number.
      if (!print_whole(value.as_list()[0])) return false;
      if (is_ratio(value)) {
        out_ += '/';
        return print_whole(value.as_list()[1]);
      }
      return true;
    case Type::list:
    case Type::tuple:
      return print_list(value.as_list());
    default:
      if (is_real(value.type())) {
        out_ += float_text(float_of(value));
        return true;
      }
      return print_whole(value);
  }
}

bool Printer::print_whole(const Value& value) {
  bool negative = false;
  const std::string digits = whole_digits(value, base_, Letters::upper, negative);
  if (negative) out_ += '-';
  out_ += digits;
  return true;
}

bool Printer::print_text(std::string_view text) {
  if (!escapes_) {
    out_ += text;
    return true;
  }
  out_ += '"';
  for (const char c : text) {
    if (c == '"' || c == '\\') out_ += '\\';
    out_ += c;
  }
  out_ += '"';
  return true;
}

bool Printer::print_character(char32_t c) {
  if (!escapes_) {
    append_utf8(c, out_);
    return true;
  }
  // Beyond ASCII, characters have names of their own.
  if (c >= 0x80) return false;
  out_ += "#\\";
  if (c < 0x20)
    out_ += character_names[c];
  else if (c == 0x7F)
    out_ += "Rubout";
  else
    out_ += static_cast<char>(c);
  return true;
}

bool Printer::print_list(std::span<const Value> items) {
  if (items.empty()) {
    out_ += "NIL";
    return true;
  }
  out_ += '(';
  for (std::size_t i = 0; i < items.size(); ++i) {
    if (i > 0) out_ += ' ';
    if (!print(items[i])) return false;
  }
  out_ += ')';
  return true;
}

}  // namespace inky::inline v1::lisp
