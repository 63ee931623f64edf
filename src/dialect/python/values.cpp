#include "values.hpp"

#include <algorithm>

#include "../family/escapes.hpp"
#include "../family/values.hpp"
#include "character_names.hpp"
#include "decimals.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/digits.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"
#include "times.hpp"

namespace inky::inline v1::python {

namespace {

constexpr EscapeRules escape_rules = {.simple = "n\nt\t\"\"''\\\\a\ab\bf\fr\rv\v",
                                      .most_octal_digits = 3,
                                      .least_hexadecimal_digits = 2,
                                      .most_hexadecimal_digits = 2,
                                      .bytes = false};

// The shortest digits, fixed from 1e-4 to below 1e16; with a point, or not.
std::string float_text(const BinaryReal& real, bool point) {
  constexpr int lowest_fixed = -4;
  constexpr int highest_fixed = 15;
  if (real.kind == RealClass::not_a_number) return "nan";
  if (real.kind == RealClass::infinite) return real.negative ? "-inf" : "inf";
  Digits digits;
  shortest_digits(binary64, real, digits);
  const int exponent = digits.is_zero() ? 0 : digits.point() - 1;
  Spec spec;
  spec.kind = Kind::real;
  const bool fixed = lowest_fixed <= exponent && exponent <= highest_fixed;
  spec.notation = fixed ? Notation::fixed : Notation::scientific;
  if (fixed && digits.size() <= exponent + 1) spec.places = point ? 1 : 0;
  TextBuffer out;
  lay_out_real(spec, binary64, real, number_style, out);
  return out.string();
}

// The real part stays away where it is 0.0.
std::string complex_text(std::span<const Value> parts) {
  const BinaryReal real = parts[0].as_real();
  std::string imaginary = float_text(parts[1].as_real(), false) + "j";
  if (real.is_zero() && !real.negative) return imaginary;
  return "(" + float_text(real, false) + (imaginary[0] == '-' ? "" : "+") + imaginary + ")";
}

void append_hexadecimal_escape(char32_t value, std::string& out) {
  const int digits = value > 0xFFFF ? 8 : value > 0xFF ? 4 : 2;
  out += digits == 8 ? "\\U" : digits == 4 ? "\\u" : "\\x";
  for (int shift = 4 * digits - 4; shift >= 0; shift -= 4)
    out += "0123456789abcdef"[value >> shift & 15];
}

std::string compound_text(const Value& value, bool ascii) {
  const bool is_tuple = value.is(Type::tuple);
  const bool is_record = value.is(Type::record);
  std::string out = is_record ? "{" : is_tuple ? "(" : "[";
  for (const Value& item : value.as_list()) {
    if (out.size() > 1) out += ", ";
    if (is_record) out += quoted(item.name(), ascii) + ": ";
    out += text_of_any(item, ascii ? Conversion::ascii : Conversion::repr);
  }
  if (is_tuple && value.as_list().size() == 1) out += ',';
  return out + (is_record ? "}" : is_tuple ? ")" : "]");
}

// \N{BULLET}
std::size_t read_named(std::size_t at, TemplateContent& out) {
  const std::string_view source = out.source;
  const std::size_t close = source.find('}', at);
  const bool is_whole =
      source.substr(at).starts_with("\\N{") && close != std::string_view::npos && close > at + 3;
  const std::size_t size = is_whole ? close + 1 - at : std::min<std::size_t>(2, source.size() - at);
  const auto named =
      is_whole ? character_named(source.substr(at + 3, close - at - 3)) : std::nullopt;
  if (named)
    append_utf8(*named, out.literals);
  else if (!out.refusal)
    out.refusal = {Refusal::When::compile, "SyntaxError",
                   is_whole ? "(unicode error) no character has this name"
                            : "(unicode error) a name in braces follows \\N: \\N{BULLET}",
                   Span{at, at + size}};
  return size;
}

}  // namespace

std::size_t read_escape(std::size_t at, TemplateContent& out) {
  const std::string_view source = out.source;
  if (const std::size_t size = read_backslash(escape_rules, source, at, out.literals); size != 0)
    return size;
  const std::string_view rest = source.substr(at);
  // A backslash at the end of a line joins it to the next.
  if (rest.starts_with("\\\n")) return 2;
  const Span span{at, std::min(at + 2, source.size())};
  if (rest.size() == 1 || std::string_view("xuU").find(rest[1]) != std::string_view::npos) {
    if (!out.refusal) {
      out.refusal = {Refusal::When::compile, "SyntaxError",
                     rest.size() == 1
                         ? "a backslash at the end escapes the quote that closes the text"
                         : "this escape has too few digits, or names no character",
                     span};
    }
  } else if (rest[1] == 'N') {
    return read_named(at, out);
  } else {
    out.notes.push_back({Code::unknown_escape,
                         "Python defines no such escape, and keeps the backslash; it is itself "
                         "written \\\\",
                         span});
  }
  out.literals += '\\';
  return 1;
}

bool is_int(const Value& value) {
  return is_whole(value.type()) || value.is(Type::truth);
}

std::string_view type_name(const Value& value) {
  if (is_whole(value.type())) return "int";
  if (is_real(value.type())) return "float";
  switch (value.type()) {
    case Type::text:
    case Type::character:
      return "str";
    case Type::truth:
      return "bool";
    case Type::list:
      return "list";
    case Type::tuple:
      return "tuple";
    case Type::record:
      return "dict";
    case Type::complex:
      return "complex";
    case Type::moment:
    case Type::date:
    case Type::time:
    case Type::duration:
      return time_type_name(value);
    case Type::decimal:
      return "decimal.Decimal";
    case Type::fraction:
      return "Fraction";
    default:
      return "NoneType";
  }
}

std::string quoted(std::string_view text, bool ascii) {
  const bool single = text.find('\'') != std::string_view::npos;
  const bool twice = text.find('"') != std::string_view::npos;
  const char quote = single && !twice ? '"' : '\'';
  std::string out(1, quote);
  while (const auto point = first_code_point(text)) {
    const auto size = static_cast<std::size_t>(point->bytes);
    const char32_t c = point->value;
    constexpr std::string_view named = "\tt\nn\rr";
    const std::size_t name = c < 0x80 ? named.find(static_cast<char>(c)) : std::string_view::npos;
    if (c == static_cast<unsigned char>(quote) || c == '\\')
      (out += '\\') += static_cast<char>(c);
    else if (name != std::string_view::npos && name % 2 == 0)
      (out += '\\') += named[name + 1];
    else if (ascii ? c >= 0x20 && c < 0x7F : is_printable(c))
      out += text.substr(0, size);
    else
      append_hexadecimal_escape(c, out);
    text.remove_prefix(size);
  }
  return out += quote;
}

namespace {

// "1/3", and "Fraction(1, 3)"; str() leaves a denominator of 1 out.
std::string fraction_text_of(const Value& value, bool str) {
  const std::string above = describe(value.as_list()[0]);
  const std::string below = describe(value.as_list()[1]);
  if (!str) return "Fraction(" + above + ", " + below + ")";
  return below == "1" ? above : above + "/" + below;
}

}  // namespace

std::string text_of_any(const Value& value, Conversion conversion) {
  const bool str = conversion == Conversion::str;
  const bool ascii = conversion == Conversion::ascii;
  if (is_text_or_character(value)) return str ? text_of(value) : quoted(text_of(value), ascii);
  if (is_real(value.type())) return float_text(nearest_f64(value), true);
  if (is_compound(value.type())) return compound_text(value, ascii);
  switch (value.type()) {
    case Type::truth:
      return value.as_whole() != 0 ? "True" : "False";
    case Type::nil:
      return "None";
    case Type::complex:
      return complex_text(value.as_list());
    case Type::decimal:
      return decimal_text(value, !str);
    case Type::fraction:
      return fraction_text_of(value, str);
    case Type::moment:
    case Type::date:
    case Type::time:
    case Type::duration:
      return time_value_text(value, str);
    default:
      return whole_text(value);
  }
}

}  // namespace inky::inline v1::python
