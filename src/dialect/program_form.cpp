#include "dialect/program_form.hpp"

#include <algorithm>

#include "inky_margin/number/digits.hpp"
#include "inky_margin/number/whole.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

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

}  // namespace

const SettingForm* find_setting_form(const DialectFacts& facts, std::string_view name) {
  const std::span<const SettingForm> forms = program_form_of(facts).settings;
  const auto found = std::find_if(forms.begin(), forms.end(),
                                  [&](const SettingForm& form) { return form.name == name; });
  return found == forms.end() ? nullptr : &*found;
}

void append_literal_character(const ProgramForm& form, std::string_view character,
                              std::string& out) {
  const auto point = first_code_point(character);
  if (point && is_escaped_point(point->value))
    return append_direction(form.direction, character, point->value, out);
  const auto unit = static_cast<unsigned char>(character.front());
  // A byte that is no UTF-8 is named, so that the program is UTF-8 all the same.
  const bool is_stray = !point && unit >= 0x80 && form.control == ControlEscape::octal;
  if (unit < 0x20 || unit == 0x7F || is_stray) return append_control(form.control, unit, out);
  if (form.escaped.find(character.front()) != std::string_view::npos) out += '\\';
  out += character;
}

std::string literal_text(const ProgramForm& form, std::string_view text) {
  std::string out;
  while (!text.empty()) {
    const auto point = first_code_point(text);
    const std::size_t size = point ? static_cast<std::size_t>(point->bytes) : 1;
    append_literal_character(form, text.substr(0, size), out);
    text.remove_prefix(size);
  }
  return out;
}

}  // namespace inky::inline v1
