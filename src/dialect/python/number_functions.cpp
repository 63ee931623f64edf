// Numbers that functions of Python make of others and of texts: round(), int(), float(), and the
// Library Reference, "math".

#include <algorithm>
#include <cmath>

#include "../computed/elementary.hpp"
#include "../family/values.hpp"
#include "expressions.hpp"
#include "format/fraction_value.hpp"
#include "inky_margin/number/decimal.hpp"
#include "number/decimal_arithmetic.hpp"
#include "text/ascii.hpp"
#include "text/utf8.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

constexpr std::string_view blanks = " \t\n\r\f\v\x1c\x1d\x1e\x1f";

std::string_view without_blanks(std::string_view text) {
  const std::size_t from = text.find_first_not_of(blanks);
  if (from == std::string_view::npos) return {};
  return text.substr(from, text.find_last_not_of(blanks) - from + 1);
}

// Digits with single underscores between them, dropped; nothing for anything else.
std::optional<std::string> without_marks(std::string_view text) {
  std::string out;
  for (std::size_t i = 0; i < text.size(); ++i) {
    if (text[i] != '_') {
      out += text[i];
      continue;
    }
    const bool between = i > 0 && i + 1 < text.size() && is_word_part(text[i - 1]) &&
                         text[i - 1] != '_' && is_word_part(text[i + 1]) && text[i + 1] != '_';
    if (!between) return std::nullopt;
  }
  return out;
}

// Whether there is a character that may be a digit of another script: all but those of the Latin,
// Greek, Cyrillic, Armenian and Hebrew blocks, and of Chinese, Japanese and Yi.
bool may_have_other_digits(std::string_view text) {
  for (const std::string_view character : characters_of(text)) {
    const char32_t point = first_code_point(character)->value;
    const bool known = point < 0x600 || (0x3000 <= point && point < 0xA4D0);
    if (!known) return true;
  }
  return false;
}

}  // namespace

// Objects/floatobject.c, float___round___impl: the decimal that is nearest to what is stored, ties
// to the even digit, and the float nearest to that.
bool Expressions::round(const Node& node, const Arguments& arguments, Value& out) {
  if (!takes(node, "round", arguments, 1, 2)) return false;
  const Value* places = arguments.size() == 2 ? &arguments[1] : arguments.find("ndigits");
  if (arguments.named.size() > (places == arguments.find("ndigits") && places != nullptr ? 1U : 0U))
    return raise("TypeError", "round() got an unexpected keyword argument", node);
  const Value& value = arguments[0];
  if (value.is(Type::decimal)) return round_decimal(node, value.as_decimal(), places, out);
  if (value.is(Type::fraction)) return round_fraction(node, value, places, out);
  if (!is_simple_number(value))
    return raise("TypeError",
                 "type " + std::string(type_name(value)) + " doesn't define __round__ method",
                 node);
  std::int64_t count = 0;
  const bool counted = places != nullptr && !places->is(Type::nil);
  if (counted && !take_whole(node, *places, count)) return false;
  if (is_int(value)) {
    const Integer number = computed::whole_of(value);
    if (count >= 0) return keep(node, number, out);
    constexpr std::int64_t most_digits = 7000;  // of a whole number within the limit
    if (count < -most_digits) return keep(node, 0, out);
    const Rational unit = inky::power(10, static_cast<int>(-count));
    const Integer kept = round_whole(Rational(number) / unit, Rounding::half_even);
    return keep(node, kept * inky::floor(unit), out);
  }
  const Value real = computed::real_of(Type::f64, value);
  const BinaryReal stored_value = real.as_real();
  if (!counted) {
    if (!stored_value.is_finite())
      return raise(stored_value.kind == RealClass::infinite ? "OverflowError" : "ValueError",
                   "cannot convert float infinity or NaN to integer", node);
    return keep(node, round_whole(rational_of(stored_value), Rounding::half_even), out);
  }
  out = real;
  // No float has digits so far down, and none reaches so far up.
  if (!stored_value.is_finite() || stored_value.is_zero() || count > 323) return true;
  if (count < -308) {
    out = float_value(std::copysign(0.0, computed::double_of(real)));
    return true;
  }
  const Rational unit = inky::power(10, static_cast<int>(-count));
  const Integer kept = round_whole(rational_of(stored_value) / unit, Rounding::half_even);
  out = Value::real(Type::f64, stored(binary64, Rational(kept) * unit, stored_value.negative));
  if (std::isinf(computed::double_of(out)))
    return raise("OverflowError", "rounded value too large to represent", node);
  return true;
}

bool Expressions::to_int(const Node& node, const Value& value, Value& out) {
  if (is_int(value)) return keep(node, computed::whole_of(value), out);
  if (is_real(value.type())) {
    const auto whole = computed::cut(computed::real_of(Type::f64, value));
    if (whole) return keep(node, *whole, out);
    return raise(value.as_real().kind == RealClass::infinite ? "OverflowError" : "ValueError",
                 "cannot convert float infinity or NaN to integer", node);
  }
  if (value.is(Type::fraction))
    return keep(node, round_whole(rational_of(value), Rounding::toward), out);
  if (value.is(Type::decimal)) {
    const Decimal& decimal = value.as_decimal();
    if (decimal.is_finite())
      return keep(node, coefficient_of(rescaled(decimal, 0, Rounding::toward)), out);
    return raise(decimal.kind == Decimal::Kind::infinite ? "OverflowError" : "ValueError",
                 "cannot convert Infinity or NaN to integer", node);
  }
  if (!is_text_or_character(value))
    return raise("TypeError",
                 "int() argument must be a string, a bytes-like object or a real number, not '" +
                     std::string(type_name(value)) + "'",
                 node);
  const std::string text = text_of(value);
  if (may_have_other_digits(text)) return not_yet("digits beyond ASCII are", node);
  const auto digits = without_marks(without_blanks(text));
  const std::size_t sign = digits && digits->find_first_of("+-") == 0 ? 1 : 0;
  if (!digits || digits->size() == sign ||
      digits->find_first_not_of("0123456789", sign) != std::string::npos)
    return raise("ValueError", "invalid literal for int() with base 10: " + quoted(text, false),
                 node);
  const auto number = read_whole(*digits);
  if (!number) return over_limit("a number with this many digits is over the limit", node);
  return keep(node, integer_of(*number), out);
}

bool Expressions::read_float(const Node& node, const Value& value, Value& out) {
  const std::string text = text_of(value);
  if (may_have_other_digits(text)) return not_yet("digits beyond ASCII are", node);
  auto digits = without_marks(without_blanks(text));
  const auto wrong = [&] {
    return raise("ValueError", "could not convert string to float: " + quoted(text, false), node);
  };
  if (!digits || digits->empty()) return wrong();
  std::string small = *digits;
  for (char& c : small) c = small_letter(c);
  const bool negative = small[0] == '-';
  if (small[0] == '-' || small[0] == '+') small.erase(0, 1);
  if (small == "inf" || small == "infinity" || small == "nan") {
    const double special = small == "nan" ? std::nan("") : HUGE_VAL;
    out = float_value(negative ? -special : special);
    return true;
  }
  if (!scan_decimal(small)) return wrong();
  out = Value::real(Type::f64, *read_real(binary64, *digits));
  return true;
}

bool Expressions::call_math(const Node& node, std::string_view name, const Arguments& arguments,
                            Value& out) {
  const auto is_among = [&](std::initializer_list<std::string_view> names) {
    return std::find(names.begin(), names.end(), name) != names.end();
  };
  for (const Value& value : arguments.values) {
    if (value.is(Type::decimal))
      return not_yet("math." + std::string(name) + " of a Decimal is", node);
    if (!is_simple_number(value))
      return raise("TypeError", "must be real number, not " + std::string(type_name(value)), node);
  }
  if (name == "log" && arguments.size() == 2) {
    Value above;
    Value below;
    Arguments one;
    one.values = {arguments[0]};
    if (!call_math(node, name, one, above)) return false;
    one.values = {arguments[1]};
    return call_math(node, name, one, below) && combine(node, Operation::divide, above, below, out);
  }
  const bool two = is_among({"pow", "fmod", "hypot", "copysign", "atan2"});
  if (!takes(node, "math." + std::string(name), arguments, two ? 2 : 1, two ? 2 : 1)) return false;
  if (is_among({"floor", "ceil", "trunc"})) {
    if (is_int(arguments[0])) return to_int(node, arguments[0], out);
    const Value real = computed::real_of(Type::f64, arguments[0]);
    return to_int(node,
                  computed::rounded_real(real, name == "floor"  ? Rounding::down
                                               : name == "ceil" ? Rounding::up
                                                                : Rounding::toward),
                  out);
  }
  double x = 0;
  double y = 0;
  if (!to_float(node, arguments[0], x) || (two && !to_float(node, arguments[1], y))) return false;
  if (is_among({"isnan", "isinf", "isfinite"})) {
    out = Value::truth(name == "isnan"   ? std::isnan(x)
                       : name == "isinf" ? std::isinf(x)
                                         : std::isfinite(x));
    return true;
  }
  double result = 0;
  if (name == "fabs") {
    result = std::fabs(x);
  } else if (name == "degrees" || name == "radians") {
    constexpr double pi = 0x1.921fb54442d18p+1;
    result = name == "degrees" ? x * (180.0 / pi) : x * (pi / 180.0);
  } else if (two) {
    if (name == "pow" && x == 0 && y < 0 && std::isfinite(y))
      return raise("ValueError", "math domain error", node);
    result = name == "pow"     ? computed::power(x, y)
             : name == "fmod"  ? std::fmod(x, y)
             : name == "hypot" ? std::hypot(x, y)
             : name == "atan2" ? std::atan2(x, y)
                               : std::copysign(x, y);
  } else {
    const bool logarithm = name.starts_with("log");
    if (logarithm && (x < 0 || x == 0)) return raise("ValueError", "math domain error", node);
    const auto known = computed::elementary(name, x);
    if (!known) return not_yet("the function math." + std::string(name) + " is", node);
    result = *known;
  }
  const bool finite = std::isfinite(x) && std::isfinite(y);
  if (std::isnan(result) && !std::isnan(x) && !std::isnan(y))
    return raise("ValueError", "math domain error", node);
  if (std::isinf(result) && finite) return raise("OverflowError", "math range error", node);
  out = float_value(result);
  return true;
}

}  // namespace inky::inline v1::python
