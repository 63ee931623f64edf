#include "decimals.hpp"

#include <algorithm>
#include <limits>
#include <string>

#include "format/layout.hpp"
#include "number/decimal_arithmetic.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::python {

namespace {

struct DecimalSpec : braces::Lead {
  bool no_negative_zero = false;
  std::int64_t width = unset;
  bool groups = false;
  std::int64_t precision = unset;
  char type = 0;  // in lower case; 0: left out
  bool upper = true;
};

// Nothing where the module finds no format in it.
std::optional<DecimalSpec> read_decimal_spec(std::string_view text) {
  constexpr std::int64_t too_large = std::numeric_limits<std::int64_t>::max();
  DecimalSpec spec;
  braces::SpecReader reader(text);
  reader.read_fill_and_align("<>=^", spec);
  reader.read_sign(" +-", spec);
  spec.no_negative_zero = reader.take('z');
  spec.zero = reader.take('0');
  if (spec.zero && (spec.align != 0 || reader.peek() == '0')) return std::nullopt;
  if (!reader.read_number(too_large, spec.width)) spec.width = unset;
  spec.groups = reader.take(',');
  if (reader.take('.') && !reader.read_number(too_large, spec.precision)) return std::nullopt;
  if (spec.width == too_large || spec.precision == too_large) return std::nullopt;
  if (!reader.at_end()) {
    const char letter = reader.peek();
    if (std::string_view("eEfFgGnN%").find(letter) == std::string_view::npos) return std::nullopt;
    reader.skip(1);
    spec.upper = letter >= 'A' && letter <= 'Z';
    spec.type = static_cast<char>(letter | 0x20);
    if (letter == '%') spec.type = '%';
    if (spec.type == 'n' && spec.groups) return std::nullopt;
  }
  return reader.at_end() ? std::optional(spec) : std::nullopt;
}

std::string with_exponent(std::string digits, std::int64_t exponent, char letter) {
  return std::move(digits) + letter + (exponent < 0 ? "-" : "+") +
         std::to_string(std::max(exponent, -exponent));
}

// Digits, a point where it is needed, and the rest. Rounded already.
std::string plain_digits(const Decimal& value) {
  std::string digits = value.coefficient;
  if (value.exponent > 0 && !value.is_zero())
    return digits.append(static_cast<std::size_t>(value.exponent), '0');
  if (value.exponent >= 0) return digits;
  const auto places = static_cast<std::size_t>(-value.exponent);
  if (digits.size() <= places) digits.insert(0, places + 1 - digits.size(), '0');
  return digits.insert(digits.size() - places, ".");
}

std::string scientific_digits(Decimal value, std::int64_t places, Rounding rounding, char letter) {
  if (value.is_zero()) {
    // A zero keeps its exponent, whatever digits are shown of it.
    if (places == unset) return with_exponent("0", value.exponent, letter);
    std::string zeros = "0";
    if (places > 0) zeros += "." + std::string(static_cast<std::size_t>(places), '0');
    return with_exponent(zeros, value.exponent + places, letter);
  }
  if (places != unset) {
    const auto missing = places + 1 - static_cast<std::int64_t>(value.coefficient.size());
    value = missing > 0 ? rescaled(value, value.exponent - missing, rounding)
                        : cut_to(value, places + 1, rounding);
  }
  const std::int64_t exponent = value.adjusted_exponent();
  std::string digits = value.coefficient;
  if (digits.size() > 1) digits.insert(1, ".");
  return with_exponent(std::move(digits), exponent, letter);
}

// The magnitude as the type shows it; the value is what was rounded to.
std::string digits_of(const DecimalSpec& spec, Rounding rounding, Decimal& value) {
  const char letter = spec.upper ? 'E' : 'e';
  switch (spec.type) {
    case 'e':
      return scientific_digits(value, spec.precision, rounding, letter);
    case '%':
      value.exponent += 2;
      [[fallthrough]];
    case 'f':
      if (spec.precision != unset) value = rescaled(value, -spec.precision, rounding);
      return plain_digits(value);
    default:
      if (spec.precision != unset && !value.is_zero())
        value = cut_to(value, std::max<std::int64_t>(spec.precision, 1), rounding);
      constexpr int least_exponent = -6;
      if (value.exponent <= 0 && value.adjusted_exponent() >= least_exponent)
        return plain_digits(value);
      if (value.is_zero()) return with_exponent("0", value.exponent, letter);
      return scientific_digits(value, unset, rounding, letter);
  }
}

}  // namespace

std::string decimal_text(const Value& value, bool as_repr) {
  const std::string text = to_text(value.as_decimal());
  return as_repr ? "Decimal('" + text + "')" : text;
}

Trouble format_decimal(std::string_view text, const Value& value, WidthUnit unit, Rounding rounding,
                       Output& out) {
  const std::optional<DecimalSpec> spec = read_decimal_spec(text);
  if (!spec) return Trouble::raises("ValueError", "invalid format string");
  for (const std::int64_t number : {spec->width, spec->precision}) {
    if (number > most_width) return Trouble::over_limit(number);
  }
  Decimal shown = value.as_decimal();
  const bool finite = shown.is_finite();
  std::string digits;
  if (finite) {
    digits = digits_of(*spec, rounding, shown);
  } else {
    digits = shown.kind == Decimal::Kind::infinite ? "Infinity" : "NaN";
    if (spec->type == '%') digits += '%';
  }
  if (finite && spec->type == '%') digits += '%';
  bool negative = shown.negative;
  if (spec->no_negative_zero && shown.is_zero()) negative = false;
  const std::string sign = negative ? "-" : spec->sign == '+' ? "+" : spec->sign == ' ' ? " " : "";
  const std::size_t whole = std::min(digits.find_first_not_of("0123456789"), digits.size());
  std::string rest = digits.substr(whole);
  digits.resize(whole);
  const bool zeros = spec->zero && finite;
  const std::int64_t width = std::max<std::int64_t>(spec->width, 0);
  if (spec->groups && finite) {
    const std::int64_t others = static_cast<std::int64_t>(sign.size() + rest.size());
    digits = grouped(digits, zeros ? width - others : 0, ',', 3);
  }
  Spec padding;
  padding.width = static_cast<int>(width);
  padding.fill = zeros ? Mark("0") : spec->fill.empty() ? Mark(" ") : spec->fill;
  const char align = zeros ? '=' : spec->align == 0 ? '>' : spec->align;
  padding.align = align == '<' ? Align::left : align == '^' ? Align::center : Align::right;
  if (align != '=') {
    lay_out_text(padding, sign + digits + rest, unit, out);
    return {};
  }
  out.append(sign);
  padding.width = std::max(padding.width - static_cast<int>(sign.size()), 0);
  lay_out_text(padding, digits + rest, unit, out);
  return {};
}

}  // namespace inky::inline v1::python
