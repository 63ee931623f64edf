// Defined by the Python 3.11 library reference, "Format Specification Mini-Language"; what that
// leaves open is as CPython 3.11 prints it.
#include "spec.hpp"

#include <algorithm>
#include <bit>
#include <limits>
#include <optional>

#include "../family/glibc_locales.hpp"
#include "../family/values.hpp"
#include "format/layout.hpp"
#include "inky_margin/number/digits.hpp"
#include "text/utf8.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

// What no width or precision reaches, as CPython counts them in 64 bits.
constexpr std::int64_t too_large = std::numeric_limits<std::int64_t>::max();

// "'x'", as messages of CPython quote a code.
std::string code_of(char32_t type) {
  std::string out = "'";
  append_utf8(type, out);
  return out + "'";
}

bool is_one_of(char32_t c, std::string_view set) {
  return c < 0x80 && set.find(static_cast<char>(c)) != std::string_view::npos;
}

std::string check_group(const FormatSpec& spec) {
  if (spec.group == 0 || spec.type == 0 || is_one_of(spec.type, "defgEG%F")) return {};
  if (spec.group == '_' && is_one_of(spec.type, "boxX")) return {};
  return "Cannot specify '" + std::string(1, spec.group) + "' with " + code_of(spec.type) + ".";
}

// What a value of this type takes where the spec states nothing.
char align_of(const FormatSpec& spec, bool number) {
  if (spec.align != 0) return spec.align;
  return !number ? '<' : spec.zero && spec.fill.empty() ? '=' : '>';
}
Mark fill_of(const FormatSpec& spec) {
  return !spec.fill.empty() ? spec.fill : spec.zero ? Mark("0") : Mark(" ");
}

Align neutral_align(char align) {
  switch (align) {
    case '<':
      return Align::left;
    case '^':
      return Align::center;
    case '=':
      return Align::inner;
    default:
      return Align::right;
  }
}

int count_of(std::int64_t count) {
  return static_cast<int>(std::min<std::int64_t>(count, most_width));
}

// ---- Numbers whose digits are grouped, or whose zero has no sign ----

// A number as text, before padding.
struct Parts {
  char sign = 0;
  std::string_view prefix;
  std::string_view digits;  // before the point
  std::string_view rest;    // the point and what follows; inf and nan
};

bool goes_by_locale(const FormatSpec& spec) {
  return spec.type == U'n' && !glibc::is_plain_locale(spec.locale);
}

void put_parts(const FormatSpec& spec, const Parts& parts, WidthUnit unit, Output& out) {
  const char align = align_of(spec, true);
  const Mark fill = fill_of(spec);
  const std::string sign(parts.sign == 0 ? 0 : 1, parts.sign);
  std::string rest(parts.rest);
  const auto others = static_cast<std::int64_t>(sign.size() + parts.prefix.size() + rest.size());
  std::string digits(parts.digits);
  const bool zeros = fill == Mark("0") && align == '=';
  if (goes_by_locale(spec) && !digits.empty()) {
    const glibc::Locale locale = glibc::locale_or_c(spec.locale);
    digits = glibc::grouped_digits(digits, locale[glibc::Locale::group], locale.grouping(),
                                   zeros ? spec.width - others : 0);
    if (rest.starts_with('.')) rest.replace(0, 1, locale[glibc::Locale::point]);
  } else if (spec.group != 0 && !digits.empty()) {
    const int size = is_one_of(spec.type, "boxX") ? 4 : 3;
    digits = grouped(digits, zeros ? spec.width - others : 0, spec.group, size);
  }
  const std::string head = sign + std::string(parts.prefix);
  const std::string body = digits + rest;
  Spec padding;
  padding.fill = fill;
  padding.width = std::max(count_of(spec.width), 0);
  padding.align = neutral_align(align);
  if (padding.align != Align::inner) return lay_out_text(padding, head + body, unit, out);
  out.append(head);
  padding.align = Align::right;
  padding.width = std::max(padding.width - static_cast<int>(head.size()), 0);
  lay_out_text(padding, body, unit, out);
}

char sign_of(const FormatSpec& spec, bool negative) {
  return negative ? '-' : spec.sign == '+' ? '+' : spec.sign == ' ' ? ' ' : '\0';
}

// ---- Wholes ----

Trouble put_character(const FormatSpec& spec, const Value& value, WidthUnit unit, Output& out) {
  if (spec.sign != 0)
    return Trouble::raises("ValueError", "Sign not allowed with integer format specifier 'c'");
  if (spec.alternate) {
    return Trouble::raises("ValueError",
                           "Alternate form (#) not allowed with integer format specifier 'c'");
  }
  const auto number = small_whole(value);
  if (!number || *number != static_cast<std::int64_t>(*number))
    return Trouble::raises("OverflowError", "Python int too large to convert to C long");
  constexpr int highest = 0x10FFFF;
  if (*number < 0 || *number > highest)
    return Trouble::raises("OverflowError", "%c arg not in range(0x110000)");
  if (*number >= 0xD800 && *number <= 0xDFFF)
    return Trouble::not_yet("a text with half of a surrogate pair is not supported yet");
  std::string text;
  append_utf8(static_cast<char32_t>(*number), text);
  // No digits: zeros stand where any fill would.
  put_parts(spec, {0, {}, {}, text}, unit, out);
  return {};
}

Trouble put_real(const FormatSpec& spec, const BinaryReal& real, WidthUnit unit, Output& out);

Trouble put_whole(const FormatSpec& spec, const Value& value, WidthUnit unit, Output& out) {
  if (is_one_of(spec.type, "eEfFgG%")) {
    const BinaryReal real = nearest_f64(value);
    if (!real.is_finite())
      return Trouble::raises("OverflowError", "int too large to convert to float");
    return put_real(spec, real, unit, out);
  }
  if (spec.type != 0 && !is_one_of(spec.type, "bcdoxXn")) {
    return Trouble::raises(
        "ValueError", "Unknown format code " + code_of(spec.type) + " for object of type 'int'");
  }
  if (spec.precision != unset)
    return Trouble::raises("ValueError", "Precision not allowed in integer format specifier");
  if (spec.no_negative_zero)
    return Trouble::raises("ValueError",
                           "Negative zero coercion (z) not allowed in integer format specifier");
  if (spec.type == U'c') return put_character(spec, value, unit, out);
  const Spec neutral_spec = neutral(spec, Kind::whole);
  bool negative = false;
  const bool is_plain = spec.group == 0 && !goes_by_locale(spec);
  if (neutral_spec.base == 10 && is_plain && !value.is(Type::big) && !value.is(Type::u128)) {
    const uint128 magnitude = magnitude_of(value.as_whole());
    if (high_half(magnitude) == 0) {
      lay_out_decimal(neutral_spec, value.as_whole() < 0, low_half(magnitude), out);
      return {};
    }
  }
  const std::string digits = whole_digits(value, neutral_spec.base, neutral_spec.letters, negative);
  const std::string_view prefix = !spec.alternate     ? ""
                                  : spec.type == U'b' ? "0b"
                                  : spec.type == U'o' ? "0o"
                                  : spec.type == U'x' ? "0x"
                                  : spec.type == U'X' ? "0X"
                                                      : "";
  if (is_plain)
    lay_out_whole(neutral_spec, negative, digits, prefix, out);
  else
    put_parts(spec, {sign_of(spec, negative), prefix, digits, {}}, unit, out);
  return {};
}

// ---- Reals ----

// The digits where no type is given: the shortest, or as g has them. With `point`, as a float has
// it, fixed notation keeps at least one place.
void lay_out_general(Spec spec, const FormatSpec& asked, const BinaryReal& real, bool point,
                     Output& out) {
  constexpr int shortest_limit = 16;
  Digits digits;
  int limit = shortest_limit;
  int kept = 0;  // digits shown even where they are zeros
  if (asked.precision == unset) {
    shortest_digits(binary64, real, digits);
  } else {
    const int count = std::max(count_of(asked.precision), 1);
    digits_to_significant(real, count, Rounding::half_even, digits);
    digits.strip_trailing_zeros();
    limit = point ? count - 1 : count;
    if (asked.alternate) kept = count;
  }
  const int before = digits.is_zero() ? 1 : digits.point();
  const int shown = std::max({digits.size(), kept, 1});
  spec.keep_point = asked.alternate;
  spec.significant = unset;
  if (before <= -4 || before > limit) {
    spec.notation = Notation::scientific;
    spec.places = shown - 1;
  } else {
    spec.notation = Notation::fixed;
    spec.places = std::max(shown - before, point ? 1 : 0);
  }
  lay_out_digits(spec, real.negative, digits, number_style, out);
}

void lay_out_number(const Spec& spec, const FormatSpec& asked, const BinaryReal& real, bool point,
                    Output& out) {
  if (asked.type == 0 && real.is_finite()) return lay_out_general(spec, asked, real, point, out);
  lay_out_real(spec, binary64, real, number_style, out);
}

BinaryReal times_hundred(const BinaryReal& real) {
  const double value = std::bit_cast<double>(low_half(pack(binary64, real)));
  return unpack(binary64, bits_of(value * 100));
}

// Sign, digits and all, without padding: for what is grouped, and for the parts of a complex
// number. `text` holds what the parts show.
void put_bare_real(const FormatSpec& spec, const BinaryReal& real, bool point, std::string& text,
                   Parts& parts) {
  Spec bare = neutral(spec, Kind::real);
  bare.width = 0;
  bare.sign = Sign::minus;
  bare.group = "";
  TextBuffer made;
  BinaryReal magnitude = real;
  magnitude.negative = false;
  lay_out_number(bare, spec, magnitude, point, made);
  text = made.string();
  bool negative = real.negative && real.kind != RealClass::not_a_number;
  if (spec.no_negative_zero && real.is_finite() &&
      text.substr(0, text.find_first_of("eE")).find_first_of("123456789") == std::string::npos)
    negative = false;
  parts.sign = sign_of(spec, negative);
  const std::size_t whole = std::min(text.find_first_not_of("0123456789"), text.size());
  parts.digits = std::string_view(text).substr(0, whole);
  parts.rest = std::string_view(text).substr(whole);
}

Trouble put_real(const FormatSpec& spec, const BinaryReal& real, WidthUnit unit, Output& out) {
  if (spec.type != 0 && !is_one_of(spec.type, "eEfFgGn%")) {
    return Trouble::raises(
        "ValueError", "Unknown format code " + code_of(spec.type) + " for object of type 'float'");
  }
  const bool percent = spec.type == U'%';
  const BinaryReal shown = percent ? times_hundred(real) : real;
  if (!percent && spec.group == 0 && !spec.no_negative_zero && !goes_by_locale(spec)) {
    lay_out_number(neutral(spec, Kind::real), spec, shown, true, out);
    return {};
  }
  std::string text;
  Parts parts;
  put_bare_real(spec, shown, true, text, parts);
  const std::string rest = std::string(parts.rest) + (percent ? "%" : "");
  parts.rest = rest;
  put_parts(spec, parts, unit, out);
  return {};
}

// ---- Complex numbers ----

Trouble put_complex(const FormatSpec& spec, const Value& value, WidthUnit unit, Output& out) {
  if (spec.type != 0 && !is_one_of(spec.type, "eEfFgGn")) {
    return Trouble::raises("ValueError", "Unknown format code " + code_of(spec.type) +
                                             " for object of type 'complex'");
  }
  if (fill_of(spec) == Mark("0"))
    return Trouble::raises("ValueError", "Zero padding is not allowed in complex format specifier");
  if (spec.align == '=')
    return Trouble::raises("ValueError",
                           "'=' alignment flag is not allowed in complex format specifier");
  const BinaryReal real = value.as_list()[0].as_real();
  const BinaryReal imaginary = value.as_list()[1].as_real();
  const bool skips_real = spec.type == 0 && real.is_zero() && !real.negative;
  FormatSpec part = spec;
  part.width = 0;
  std::string whole;
  const auto put = [&](const BinaryReal& number) {
    std::string text;
    Parts parts;
    put_bare_real(part, number, false, text, parts);
    TextBuffer made;
    put_parts(part, parts, unit, made);
    whole += made.view();
  };
  if (!skips_real) {
    put(real);
    part.sign = '+';
  }
  put(imaginary);
  whole += 'j';
  if (spec.type == 0 && !skips_real) whole = "(" + whole + ")";
  Spec padding;
  padding.fill = fill_of(spec);
  padding.width = std::max(count_of(spec.width), 0);
  padding.align = neutral_align(align_of(spec, true));
  lay_out_text(padding, whole, unit, out);
  return {};
}

// ---- Text ----

Trouble put_text(const FormatSpec& spec, std::string_view text, WidthUnit unit, Output& out) {
  const auto refuse = [](std::string why) { return Trouble::raises("ValueError", std::move(why)); };
  if (spec.type != 0 && spec.type != U's')
    return refuse("Unknown format code " + code_of(spec.type) + " for object of type 'str'");
  if (spec.sign != 0) {
    return refuse(std::string(spec.sign == ' ' ? "Space" : "Sign") +
                  " not allowed in string format specifier");
  }
  if (spec.no_negative_zero)
    return refuse("Negative zero coercion (z) not allowed in string format specifier");
  if (spec.alternate) return refuse("Alternate form (#) not allowed in string format specifier");
  if (spec.group != 0)
    return refuse("Cannot specify '" + std::string(1, spec.group) + "' with 's'.");
  if (spec.align == '=') return refuse("'=' alignment not allowed in string format specifier");
  lay_out_text(neutral(spec, Kind::text), text, unit, out);
  return {};
}

}  // namespace

std::string grouped(std::string_view digits, std::int64_t least, char mark, int size) {
  std::string backwards;
  int in_group = 0;
  const auto put = [&](char c) {
    if (in_group == size) {
      backwards += mark;
      in_group = 0;
    }
    backwards += c;
    ++in_group;
  };
  for (auto at = digits.rbegin(); at != digits.rend(); ++at) put(*at);
  // A mark never stands first, so that there may be one zero more than fits.
  while (static_cast<std::int64_t>(backwards.size()) < least) put('0');
  return {backwards.rbegin(), backwards.rend()};
}

FormatSpec read_spec(std::string_view text) {
  FormatSpec spec;
  braces::SpecReader reader(text);
  std::size_t part = 0;
  const auto begin = [&] { spec.starts[part++] = reader.at(); };
  begin();
  reader.read_fill_and_align("<>=^", spec);
  begin();
  reader.read_sign(" +-", spec);
  begin();
  spec.no_negative_zero = reader.take('z');
  begin();
  spec.alternate = reader.take('#');
  begin();
  spec.zero = spec.fill.empty() && reader.take('0');
  begin();
  const auto finished = [&] {
    for (; part <= FormatSpec::part_count; ++part) spec.starts[part] = reader.at();
    spec.starts[FormatSpec::part_count] = text.size();
    return spec;
  };
  const auto refuse = [&](std::string why) {
    spec.defect = std::move(why);
    return finished();
  };
  constexpr const char* too_many = "Too many decimal digits in format string";
  if (!reader.read_number(too_large, spec.width)) spec.width = unset;
  if (spec.width == too_large) return refuse(too_many);
  begin();
  if (reader.take(',')) spec.group = ',';
  if (reader.peek() == '_') {
    if (spec.group != 0) return refuse("Cannot specify both ',' and '_'.");
    reader.take('_');
    spec.group = '_';
  }
  if (reader.peek() == ',' && spec.group == '_') return refuse("Cannot specify both ',' and '_'.");
  begin();
  if (reader.take('.')) {
    if (!reader.read_number(too_large, spec.precision))
      return refuse("Format specifier missing precision");
    if (spec.precision == too_large) return refuse(too_many);
  }
  begin();
  if (const auto point = first_code_point(reader.rest())) {
    reader.skip(static_cast<std::size_t>(point->bytes));
    spec.type = point->value;
  }
  if (!reader.at_end()) return refuse("Invalid format specifier: it continues after its end");
  if (std::string why = check_group(spec); !why.empty()) return refuse(std::move(why));
  return finished();
}

Spec neutral(const FormatSpec& spec, Kind kind) {
  Spec out;
  const bool number = kind != Kind::text;
  out.kind = kind;
  out.align = neutral_align(align_of(spec, number));
  out.fill = fill_of(spec);
  out.width = std::max(count_of(spec.width), 0);
  if (!number) {
    out.limit = spec.precision == unset ? unset : count_of(spec.precision);
    return out;
  }
  out.sign = spec.sign == '+' ? Sign::always : spec.sign == ' ' ? Sign::space : Sign::minus;
  if (spec.group != 0) out.group = Mark(std::string_view(&spec.group, 1));
  if (is_one_of(spec.type, "XEFG")) out.letters = Letters::upper;
  if (kind == Kind::whole) {
    out.base = spec.type == U'b' ? 2 : spec.type == U'o' ? 8 : is_one_of(spec.type, "xX") ? 16 : 10;
    out.prefix = spec.alternate;
    return out;
  }
  const int precision = spec.precision == unset ? 6 : count_of(spec.precision);
  out.keep_point = spec.alternate;
  if (spec.type == 0 || is_one_of(spec.type, "gGn")) {
    out.notation =
        spec.type == 0 && spec.precision == unset ? Notation::shortest : Notation::compact;
    if (out.notation == Notation::compact) out.significant = std::max(precision, 1);
  } else {
    out.notation = is_one_of(spec.type, "eE") ? Notation::scientific : Notation::fixed;
    out.places = precision;
  }
  return out;
}

Trouble format_value(const FormatSpec& spec, const Value& value, WidthUnit unit, Output& out) {
  if (is_real(value.type())) return put_real(spec, nearest_f64(value), unit, out);
  if (is_int(value)) return put_whole(spec, value, unit, out);
  if (value.is(Type::complex)) return put_complex(spec, value, unit, out);
  if (value.is(Type::text)) return put_text(spec, value.as_text(), unit, out);
  return put_text(spec, text_of(value), unit, out);
}

}  // namespace inky::inline v1::python
