#include "inky_margin/write/program.hpp"

#include <algorithm>
#include <vector>

#include "inky_margin/number/digits.hpp"
#include "inky_margin/number/whole.hpp"
#include "inky_margin/text/utf8.hpp"

namespace inky {

namespace {

// `form` with what stands for @, or for @ and a letter.
std::string filled(std::string_view form, std::string_view mark, std::string_view text) {
  std::string out;
  while (!form.empty()) {
    const std::size_t at = form.find(mark);
    out += form.substr(0, at);
    if (at == std::string_view::npos) return out;
    out += text;
    form.remove_prefix(at + mark.size());
  }
  return out;
}

void append_control(ControlEscape form, unsigned char byte, std::string& out) {
  if (form != ControlEscape::itself && (byte == '\n' || byte == '\t')) {
    out += byte == '\n' ? "\\n" : "\\t";
    return;
  }
  constexpr std::string_view digits = "0123456789abcdef";
  const auto high = static_cast<std::size_t>(byte >> 4U);
  const auto low = static_cast<std::size_t>(byte & 15U);
  switch (form) {
    case ControlEscape::octal:
      // Three digits always, so that a digit behind them is none of them.
      out += '\\';
      for (const int shift : {6, 3, 0})
        out += static_cast<char>('0' + ((static_cast<unsigned>(byte) >> shift) & 7U));
      return;
    case ControlEscape::hexadecimal:
      out += "\\x";
      break;
    case ControlEscape::unicode:
      out += "\\u00";
      break;
    case ControlEscape::braces:
      out += "\\u{";
      break;
    case ControlEscape::itself:
      out += static_cast<char>(byte);
      return;
  }
  out += digits[high];
  out += digits[low];
  if (form == ControlEscape::braces) out += '}';
}

// Unicode 15: Bidi_Control, and the separators that end a line of source in some languages.
bool is_escaped_point(char32_t point) {
  return point == 0x85 || point == 0x2028 || point == 0x2029 || point == 0x61C || point == 0x200E ||
         point == 0x200F || (0x202A <= point && point <= 0x202E) ||
         (0x2066 <= point && point <= 0x2069);
}

void append_direction(DirectionEscape form, std::string_view character, char32_t point,
                      std::string& out) {
  if (form == DirectionEscape::itself) {
    out += character;
    return;
  }
  if (form == DirectionEscape::bytes) {
    for (const char byte : character)
      append_control(ControlEscape::octal, static_cast<unsigned char>(byte), out);
    return;
  }
  std::string digits;
  append_whole(Natural(static_cast<std::uint64_t>(point)), 16, Letters::lower, digits);
  if (digits.size() < 4) digits.insert(0, 4 - digits.size(), '0');
  out += form == DirectionEscape::braces ? "\\u{" + digits + "}" : "\\u" + digits;
}

std::string in_literal(const ProgramForm& form, std::string_view text) {
  std::string out;
  while (!text.empty()) {
    const auto point = first_code_point(text);
    if (point && is_escaped_point(point->value)) {
      const auto size = static_cast<std::size_t>(point->bytes);
      append_direction(form.direction, text.substr(0, size), point->value, out);
      text.remove_prefix(size);
      continue;
    }
    const char byte = text.front();
    text.remove_prefix(1);
    const auto unit = static_cast<unsigned char>(byte);
    if (form.escaped.find(byte) != std::string_view::npos) {
      out += '\\';
      out += byte;
    } else if (unit < 0x20 || unit == 0x7F) {
      append_control(form.control, unit, out);
    } else {
      out += byte;
    }
  }
  return out;
}

Error not_yet(const Dialect& dialect, const std::string& what) {
  return {
      Code::not_supported_yet,
      what + " in a program of " + std::string(dialect.facts().language) + " is not supported yet",
      {},
      "Give another type, or show it without a program."};
}

// The digits of a real, so that they are one for the language.
std::string real_digits(const ProgramForm& form, const Value& value) {
  std::string out = describe(value);
  const std::size_t exponent = out.find('e');
  if (exponent != std::string::npos) {
    out[exponent] = form.exponent;
    return out;
  }
  if (out.find('.') == std::string::npos) out += ".0";
  return out + std::string(form.real_end);
}

}  // namespace

Result<std::string> write_value(const Dialect& dialect, const Value& value) {
  const ProgramForm& form = dialect.facts().program_form;
  const auto found = std::find_if(form.types.begin(), form.types.end(),
                                  [&](const TypeForm& one) { return one.type == value.type(); });
  if (found == form.types.end())
    return not_yet(dialect, "a value of type " + std::string(name_of(value.type())));
  const TypeForm& type = *found;
  if (value.is(Type::text)) {
    if (!is_utf8(value.as_text())) return not_yet(dialect, "a text that is not UTF-8");
    const bool has_zero = value.as_text().find('\0') != std::string_view::npos;
    if (has_zero && form.control == ControlEscape::itself)
      return not_yet(dialect, "a text with a NUL");
    return filled(type.literal, "@", '"' + in_literal(form, value.as_text()) + '"');
  }
  if (value.is(Type::character)) {
    constexpr char32_t first = 0x20;
    constexpr char32_t last = 0x7E;
    if (value.as_character() < first || value.as_character() > last)
      return not_yet(dialect, "a character beyond ASCII");
    std::string one(1, static_cast<char>(value.as_character()));
    if (one == "'" || one == "\\") one.insert(0, "\\");
    return filled(type.literal, "@", one);
  }
  if (value.is(Type::truth))
    return std::string(value.as_whole() != 0 ? form.truth : form.falsehood);
  if (is_real(value.type())) {
    const BinaryReal real = value.as_real();
    if (real.kind == RealClass::infinite || real.kind == RealClass::not_a_number) {
      const std::string_view name = real.kind == RealClass::not_a_number ? form.not_a_number
                                    : real.negative                      ? form.negative_infinity
                                                                         : form.infinity;
      if (name.empty() || !value.is(Type::f64)) return not_yet(dialect, describe(value));
      const bool minus = real.kind == RealClass::not_a_number && real.negative;
      return (minus ? "-" : "") + std::string(name);
    }
    return filled(type.literal, "@", real_digits(form, value));
  }
  constexpr int128 least = -(int128{1} << 63);
  if (value.is(Type::i64) && value.as_whole() == least && !form.least_i64.empty())
    return std::string(form.least_i64);
  return filled(type.literal, "@", describe(value));
}

namespace {

std::string_view type_name(const ProgramForm& form, Type type) {
  const auto found = std::find_if(form.types.begin(), form.types.end(),
                                  [&](const TypeForm& one) { return one.type == type; });
  return found == form.types.end() ? std::string_view() : found->name;
}

}  // namespace

Result<std::string> write_program(const Dialect& dialect, const Template& parsed,
                                  std::span<const Value> values) {
  const ProgramForm& form = dialect.facts().program_form;
  if (form.declaration.empty())
    return Error{Code::not_supported_yet,
                 "a program of " + std::string(dialect.facts().id) + " is not supported yet",
                 {0, parsed.source.size()},
                 "The other languages have one."};
  std::string out(form.before);
  std::vector<std::string> names;
  for (const Value& value : values) {
    names.push_back(value.is_named() ? std::string(value.name())
                                     : "v" + std::to_string(names.size() + 1));
    const Result<std::string> literal = write_value(dialect, value);
    if (!literal) return literal.error();
    std::string declaration = filled(form.declaration, "@T", type_name(form, value.type()));
    declaration = filled(declaration, "@N", names.back());
    out += filled(declaration, "@V", *literal);
  }
  out += filled(form.statement, "@S", dialect.write_statement(parsed.source, names));
  return out + std::string(form.after);
}

}  // namespace inky
