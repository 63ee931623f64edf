#include "printer.hpp"

#include <algorithm>
#include <array>
#include <string>

#include "../computed/arithmetic.hpp"
#include "../family/values.hpp"
#include "control.hpp"
#include "dialect/program_form.hpp"
#include "floats.hpp"
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

Float single_of(const Value& value) {
  if (value.is(Type::fraction)) return float_of(computed::real_of(Type::f32, value));
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
