#include "values.hpp"

#include <algorithm>
#include <limits>

#include "../family/escapes.hpp"
#include "../family/values.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/digits.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::r_language {

namespace {

constexpr EscapeRules escape_rules = {.simple = "n\nt\t\"\"''``\\\\a\ab\bf\fr\rv\v  ",
                                      .most_octal_digits = 3,
                                      .least_hexadecimal_digits = 1,
                                      .most_hexadecimal_digits = 2,
                                      .bytes = true};

// "\u3a9", "\u{3a9}", "\U1f5a8"; 0 where there are no digits, or they name no character.
std::size_t read_code_point(std::string_view rest, std::string& out) {
  const std::size_t most = rest[1] == 'u' ? 4 : 8;
  const bool braces = rest.size() > 2 && rest[2] == '{';
  const std::size_t start = braces ? 3 : 2;
  const std::size_t end = std::min(
      {rest.find_first_not_of("0123456789abcdefABCDEF", start), start + most, rest.size()});
  if (end <= start || (braces && (end >= rest.size() || rest[end] != '}'))) return 0;
  const auto number = read_whole("0x" + std::string(rest.substr(start, end - start)));
  const auto point = static_cast<char32_t>(low_half(number->magnitude.low_bits()));
  if (point == 0 || point > 0x10FFFF || (point >= 0xD800 && point < 0xE000)) return 0;
  append_utf8(point, out);
  return end + (braces ? 1 : 0);
}

}  // namespace

std::size_t read_escape(std::size_t at, TemplateContent& out) {
  const std::string_view rest = std::string_view(out.source).substr(at);
  const Span span{at, std::min(at + 2, out.source.size())};
  const bool named = rest.size() > 1 && (rest[1] == 'u' || rest[1] == 'U');
  const std::size_t before = out.literals.size();
  const std::size_t size = named ? read_code_point(rest, out.literals)
                                 : read_backslash(escape_rules, out.source, at, out.literals);
  const bool nul = size != 0 && out.literals.size() > before && out.literals.back() == '\0';
  if (size != 0 && !nul) {
    if (named || static_cast<unsigned char>(out.literals.back()) < 0x80) return size;
    if (!out.refusal) {
      out.refusal = {Refusal::When::not_supported_yet, "Write the character itself, or \\u.",
                     "a byte beyond ASCII, by its number, is not supported yet", span};
    }
    return size;
  }
  if (!out.refusal) {
    out.refusal = {Refusal::When::compile, "parse error",
                   nul ? "nul character not allowed"
                       : "an unrecognized escape in character string; a backslash itself is "
                         "written \\\\",
                   span};
  }
  return 1;
}

bool is_integer(const Value& value) {
  if (!is_whole(value.type())) return false;
  const auto number = small_whole(value);
  return number && *number <= std::numeric_limits<std::int32_t>::max() &&
         *number > std::numeric_limits<std::int32_t>::min();
}

Mode mode_of(const Value& value) {
  if (value.is(Type::nil) || value.is(Type::truth)) return Mode::logical;
  if (is_text_or_character(value)) return Mode::character;
  if (value.is(Type::list)) {
    Mode mode = Mode::logical;
    for (const Value& item : value.as_list()) mode = std::max(mode, mode_of(item));
    return mode;
  }
  const bool small = value.is(Type::i8) || value.is(Type::i16) || value.is(Type::i32) ||
                     value.is(Type::u8) || value.is(Type::u16);
  return small && is_integer(value) ? Mode::integer : Mode::real;
}

bool is_whole_double(const Value& value) {
  if (value.is(Type::list)) {
    const auto items = value.as_list();
    return std::all_of(items.begin(), items.end(), is_whole_double);
  }
  if (value.is(Type::nil)) return true;
  if (!is_real(value.type())) {
    const auto number = small_whole(value);
    return number && *number == static_cast<std::int32_t>(*number);
  }
  const BinaryReal real = nearest_f64(value);
  if (real.is_zero()) return true;
  if (!is_whole_number(real)) return false;
  // The lowest of 32 bits is not NA yet here; it becomes it.
  const bool power = (real.significand & (real.significand - 1)) == 0;
  return real.leading_exponent() < 31 || (real.leading_exponent() == 31 && real.negative && power);
}

std::int64_t integer_of(const Value& value) {
  if (!is_real(value.type())) return static_cast<std::int64_t>(*small_whole(value));
  const BinaryReal real = nearest_f64(value);
  if (real.is_zero() || real.leading_exponent() < 0) return 0;
  const uint128 magnitude =
      real.exponent >= 0 ? real.significand << real.exponent : real.significand >> -real.exponent;
  const auto whole = static_cast<std::int64_t>(low_half(magnitude));
  return real.negative ? -whole : whole;
}

std::string real_text(const BinaryReal& real, int most) {
  if (real.kind == RealClass::not_a_number) return "NaN";
  if (real.kind == RealClass::infinite) return real.negative ? "-Inf" : "Inf";
  if (real.is_zero()) return "0";
  Digits digits;
  digits_to_significant(real, most, Rounding::half_even, digits);
  digits.strip_trailing_zeros();
  const int exponent = digits.point() - 1;
  const int places = std::max(0, digits.size() - exponent - 1);
  const int fixed_width = std::max(exponent + 1, 1) + (places > 0 ? places + 1 : 0);
  const int scientific_width =
      (digits.size() > 1 ? digits.size() + 1 : 1) + (exponent >= 100 || exponent <= -100 ? 5 : 4);
  Spec spec;
  spec.kind = Kind::real;
  spec.notation = fixed_width <= scientific_width ? Notation::fixed : Notation::scientific;
  spec.places = spec.notation == Notation::fixed ? places : digits.size() - 1;
  TextBuffer out;
  lay_out_real(spec, binary64, real, number_style, out);
  return out.string();
}

std::string as_character(const Value& value, Mode mode) {
  constexpr int significant_digits = 15;
  if (value.is(Type::nil)) return "NA";
  if (is_text_or_character(value)) return text_of(value);
  // c() made text of each by itself.
  if (mode == Mode::unknown || mode == Mode::character) mode = mode_of(value);
  if (mode == Mode::real) return real_text(nearest_f64(value), significant_digits);
  if (mode == Mode::logical) return value.as_whole() != 0 ? "TRUE" : "FALSE";
  return std::to_string(integer_of(value));
}

std::string printed_quoted(std::string_view text) {
  constexpr std::string_view named = "\a7\bb\ff\nn\rr\tt\vv\"\"\\\\";
  std::string out = "\"";
  while (const auto point = first_code_point(text)) {
    const auto size = static_cast<std::size_t>(point->bytes);
    const char32_t c = point->value;
    std::size_t name = std::string_view::npos;
    for (std::size_t i = 0; c < 0x80 && i < named.size(); i += 2) {
      if (static_cast<unsigned char>(named[i]) == c) name = i;
    }
    if (name != std::string_view::npos) {
      out += '\\';
      out += c == '\a' ? 'a' : named[name + 1];
    } else if (c < 0x20 || c == 0x7F) {
      out += '\\';
      for (const unsigned shift : {6U, 3U, 0U}) out += static_cast<char>('0' + (c >> shift & 7));
    } else if (c < 0x7F || is_printable(c)) {
      out += text.substr(0, size);
    } else {
      WholeRoom room;
      const std::string_view hexadecimal = write_whole(c, 16, Letters::lower, room);
      const std::size_t digits = c > 0xFFFF ? 8 : 4;
      out += digits == 8 ? "\\U" : "\\u";
      out.append(digits - hexadecimal.size(), '0');
      out += hexadecimal;
    }
    text.remove_prefix(size);
  }
  return out + '"';
}

}  // namespace inky::inline v1::r_language
