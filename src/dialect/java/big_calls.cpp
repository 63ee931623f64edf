// BigDecimal and BigInteger in expressions: the Java SE 17 API, java.math.

#include <algorithm>

#include "../computed/objects.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"
#include "number/decimal_arithmetic.hpp"
#include "text/escape.hpp"
#include "time_objects.hpp"
#include "values.hpp"

namespace inky::inline v1::java_language {

namespace {

using computed::Node;

constexpr std::int64_t most_scale = most_zeros;

struct Mode {
  std::string_view name;
  Rounding rounding;
  bool may_round = true;
};
constexpr Mode modes[] = {{"HALF_UP", Rounding::half_away},
                          {"HALF_EVEN", Rounding::half_even},
                          {"HALF_DOWN", Rounding::half_toward},
                          {"UP", Rounding::away},
                          {"DOWN", Rounding::toward},
                          {"CEILING", Rounding::up},
                          {"FLOOR", Rounding::down},
                          {"UNNECESSARY", Rounding::toward, false}};

// A mode is its name.
const Mode* mode_of(const Value& value) {
  if (!value.is(Type::text)) return nullptr;
  const auto found = std::find_if(std::begin(modes), std::end(modes),
                                  [&](const Mode& one) { return one.name == value.as_text(); });
  return found == std::end(modes) ? nullptr : found;
}

bool is_int(const Value& value) {
  return value.is(Type::i32) || value.is(Type::i16) || value.is(Type::i8);
}

bool is_big(const Value& value) {
  return value.is(Type::big) || value.is(Type::i128) || value.is(Type::u128) || value.is(Type::u64);
}

Value big_of(const Integer& number) {
  return computed::wrapped(Type::big, number);
}

}  // namespace

bool Expressions::give_decimal(const Node& node, Decimal number, Value& out) {
  if (std::abs(number.exponent) > most_scale || std::abs(number.adjusted_exponent()) > most_scale)
    return over_limit("a BigDecimal this large or small is over the limit", node);
  // There is no negative zero.
  if (number.is_zero()) number.negative = false;
  out = Value::decimal(std::move(number));
  return true;
}

std::optional<bool> Expressions::call_big_function(const Node& node, std::string_view path,
                                                   const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  if (path == "BigInteger" || path == "BigInteger.valueOf") {
    if (count != 1) return not_yet("BigInteger with these arguments is", node);
    const Value& given = arguments[0];
    if (is_number(given) && !is_real(given.type()) && path != "BigInteger") {
      out = big_of(computed::whole_of(given));
      return true;
    }
    const std::string text = given.is(Type::text) ? std::string(given.as_text()) : std::string();
    const std::size_t sign = text.starts_with('-') || text.starts_with('+') ? 1 : 0;
    if (path != "BigInteger" || !given.is(Type::text))
      return refuse("no suitable constructor or method", node);
    if (sign == text.size() || text.find_first_not_of("0123456789", sign) != std::string::npos)
      return fail(computed::Trouble::When::run, "NumberFormatException",
                  in_quotes(text) + " is no BigInteger", node);
    const auto number = read_whole(text[0] == '+' ? std::string_view(text).substr(1) : text);
    if (!number) return over_limit("a number with this many digits is over the limit", node);
    out = big_of(integer_of(*number));
    return true;
  }
  if (path != "BigDecimal" && path != "BigDecimal.valueOf") return std::nullopt;
  const bool constructs = path == "BigDecimal";
  if (count == 2 && !constructs && is_number(arguments[0]) && !is_real(arguments[0].type()) &&
      is_int(arguments[1]))
    return give_decimal(node,
                        decimal_of(computed::whole_of(arguments[0]),
                                   -static_cast<std::int64_t>(arguments[1].as_whole())),
                        out);
  if (count != 1) return not_yet("BigDecimal with these arguments is", node);
  const Value& given = arguments[0];
  if (is_real(given.type())) {
    // The constructor takes all that is stored, valueOf the digits of Double.toString.
    const BinaryReal real = nearest_f64(given);
    if (!real.is_finite())
      return fail(computed::Trouble::When::run, "NumberFormatException", "infinite or NaN", node);
    if (!constructs) {
      const Value plain = computed::real_of(Type::f64, given);
      return give_decimal(node, *read_decimal(to_string(plain)), out);
    }
    const ExactDecimal exact = exact_decimal(real);
    Decimal made;
    made.negative = real.negative;
    if (!exact.is_zero()) {
      made.coefficient = exact.digits;
      made.exponent = exact.point - static_cast<std::int64_t>(exact.digits.size());
      if (made.exponent > 0) made = rescaled(made, 0, Rounding::toward);
    }
    return give_decimal(node, std::move(made), out);
  }
  if (is_number(given) || (constructs && is_big(given)))
    return give_decimal(node, decimal_of(computed::whole_of(given), 0), out);
  if (!constructs || !given.is(Type::text))
    return refuse("no suitable constructor or method", node);
  const std::string_view text = given.as_text();
  const auto read = read_decimal(text);
  if (!read || !read->is_finite())
    return fail(computed::Trouble::When::run, "NumberFormatException",
                in_quotes(text) + " is no BigDecimal", node);
  return give_decimal(node, *read, out);
}

std::optional<Value> Expressions::big_constant(std::string_view path) {
  if (path.starts_with("java.math.")) path.remove_prefix(10);
  for (const std::string_view type : {"BigDecimal.", "BigInteger."}) {
    if (!path.starts_with(type)) continue;
    const std::string_view name = path.substr(type.size());
    const int number = name == "ZERO"  ? 0
                       : name == "ONE" ? 1
                       : name == "TWO" ? 2
                       : name == "TEN" ? 10
                                       : -1;
    // BigDecimal.TWO came later.
    if (number < 0 || (number == 2 && type == "BigDecimal.")) return std::nullopt;
    return type == "BigInteger." ? big_of(number) : Value::decimal(decimal_of(number, 0));
  }
  if (!path.starts_with("RoundingMode.")) return std::nullopt;
  const Value name = Value::text(std::string(path.substr(13)));
  return mode_of(name) != nullptr ? std::optional(name) : std::nullopt;
}

std::optional<Rounding> Expressions::rounding_mode(const Value& mode) {
  const Mode* known = mode_of(mode);
  return known == nullptr || !known->may_round ? std::nullopt : std::optional(known->rounding);
}

bool Expressions::round_to_scale(const Node& node, const Rational& exact, std::int64_t scale,
                                 const Value* mode, Value& out) {
  const Mode* known = mode == nullptr ? &modes[std::size(modes) - 1] : mode_of(*mode);
  if (known == nullptr) return not_yet("this way of rounding is", node);
  if (std::abs(scale) > most_scale) return over_limit("a scale this large is over the limit", node);
  const Rational scaled = exact * power(10, static_cast<int>(scale));
  const Integer whole = round_whole(scaled, known->rounding);
  if (!known->may_round && Rational(whole) != scaled)
    return fail(computed::Trouble::When::run, "ArithmeticException", "Rounding necessary", node);
  return give_decimal(node, decimal_of(whole, -scale), out);
}

bool Expressions::give_in_context(const Node& node, const Decimal& number, const Value& context,
                                  Value& out) {
  const auto precision = static_cast<std::int64_t>(computed::object_part(context, 0).as_whole());
  const auto rounding = rounding_mode(computed::object_part(context, 1));
  if (precision == 0) return give_decimal(node, number, out);
  if (!rounding) return not_yet("this way of rounding is", node);
  return give_decimal(node, cut_to(number, precision, *rounding), out);
}

// round(context), add(x, context)
std::optional<bool> Expressions::combine_in_context(const Node& node, std::string_view name,
                                                    const Decimal& a, const Arguments& arguments,
                                                    Value& out) {
  const std::size_t count = arguments.size();
  if (count == 0 || !computed::is_object(arguments[count - 1], context_object)) return std::nullopt;
  const Value& context = arguments[count - 1];
  if (name == "round" && count == 1) return give_in_context(node, a, context, out);
  if (count != 2 || !arguments[0].is(Type::decimal)) return std::nullopt;
  Decimal b = big_decimal(arguments[0]);
  if (name == "multiply") return give_in_context(node, product(a, b), context, out);
  if (name != "add" && name != "subtract") return std::nullopt;
  // A zero beside another number gives digits that only the context asks for.
  if (a.is_zero() || b.is_zero()) return not_yet("a zero here is", node);
  if (name == "subtract") b.negative = !b.negative;
  return give_in_context(node, sum(a, b), context, out);
}

namespace {

// BigDecimal.toEngineeringString(): an exponent that is a multiple of three.
std::string engineering_text(const Decimal& number) {
  const auto size = static_cast<std::int64_t>(number.coefficient.size());
  const std::int64_t adjusted = number.exponent + size - 1;
  if (number.exponent <= 0 && adjusted >= -6)
    return to_text(exact_decimal(number), std::max<std::int64_t>(-number.exponent, 0));
  std::int64_t exponent = adjusted;
  std::int64_t whole = exponent % 3;
  if (whole < 0) whole += 3;
  exponent -= whole;
  ++whole;
  std::string out = number.negative ? "-" : "";
  if (number.is_zero()) {
    constexpr std::string_view zeros[] = {"0", "0.00", "0.0"};
    out += zeros[whole - 1];
    if (whole > 1) exponent += 3;
  } else if (whole >= size) {
    out += number.coefficient + std::string(static_cast<std::size_t>(whole - size), '0');
  } else {
    const auto point = static_cast<std::size_t>(whole);
    out += number.coefficient.substr(0, point) + "." + number.coefficient.substr(point);
  }
  if (exponent != 0) out += (exponent > 0 ? "E+" : "E") + std::to_string(exponent);
  return out;
}

}  // namespace

bool Expressions::divide_decimals(const Node& node, const Decimal& a, const Decimal& b,
                                  const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  if (b.is_zero())
    return fail(computed::Trouble::When::run, "ArithmeticException",
                a.is_zero() ? "Division undefined" : "Division by zero", node);
  const Rational exact = rational_of(a) / rational_of(b);
  if (count == 2 && computed::is_object(arguments[1], context_object)) {
    const Value& context = arguments[1];
    const auto precision = static_cast<std::int64_t>(computed::object_part(context, 0).as_whole());
    const auto rounding = rounding_mode(computed::object_part(context, 1));
    if (precision > 0 && rounding)
      return give_decimal(node, quotient(a, b, precision, *rounding), out);
  }
  if (count == 3 && is_int(arguments[1]))
    return round_to_scale(node, exact, static_cast<std::int64_t>(arguments[1].as_whole()),
                          &arguments[2], out);
  if (count == 2 && arguments[1].is(Type::text))
    return round_to_scale(node, exact, -a.exponent, &arguments[1], out);
  if (count != 1) return not_yet("divide() with these arguments is", node);
  const std::int64_t digits = static_cast<std::int64_t>(a.coefficient.size()) +
                              (10 * static_cast<std::int64_t>(b.coefficient.size()) + 2) / 3;
  const Decimal result = quotient(a, b, std::max<std::int64_t>(digits, 1), Rounding::toward);
  if (rational_of(result) != exact)
    return fail(computed::Trouble::When::run, "ArithmeticException",
                "Non-terminating decimal expansion; no exact representable decimal result.", node);
  return give_decimal(node, result, out);
}

bool Expressions::call_on_decimal(const Node& node, const Value& of, const Arguments& arguments,
                                  Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  const Decimal a = big_decimal(of);
  const auto give_int = [&](std::int64_t number) {
    out = Value::whole(Type::i32, number);
    return true;
  };
  if (const auto done = combine_in_context(node, name, a, arguments, out)) return *done;
  if (name == "toEngineeringString" && count == 0) {
    out = Value::text(engineering_text(a));
    return true;
  }
  if (name == "setScale" && (count == 1 || count == 2) && is_int(arguments[0]))
    return round_to_scale(node, rational_of(a), static_cast<std::int64_t>(arguments[0].as_whole()),
                          count == 2 ? &arguments[1] : nullptr, out);
  if (count == 1 && is_int(arguments[0])) {
    const auto by = static_cast<std::int64_t>(arguments[0].as_whole());
    if (name == "pow") {
      constexpr int most_power = 1000;
      if (by < 0)
        return fail(computed::Trouble::When::run, "ArithmeticException", "Invalid operation", node);
      if (by > most_power) return over_limit("a power this high is over the limit", node);
      Decimal result = decimal_of(1, 0);
      for (std::int64_t i = 0; i < by; ++i) result = product(result, a);
      return give_decimal(node, std::move(result), out);
    }
    if ((name == "movePointLeft" || name == "movePointRight") && std::abs(by) <= most_scale) {
      Decimal moved = a;
      if (by != 0) {
        moved.exponent += name == "movePointLeft" ? -by : by;
        if (moved.exponent > 0) moved = rescaled(moved, 0, Rounding::toward);
      }
      return give_decimal(node, std::move(moved), out);
    }
    if (name == "scaleByPowerOfTen") {
      Decimal moved = a;
      moved.exponent += by;
      return give_decimal(node, std::move(moved), out);
    }
  }
  if (count >= 1 && arguments[0].is(Type::decimal)) {
    Decimal b = big_decimal(arguments[0]);
    if (name == "divide") return divide_decimals(node, a, b, arguments, out);
    if (count == 1) {
      if (name == "add") return give_decimal(node, sum(a, b), out);
      if (name == "multiply") return give_decimal(node, product(a, b), out);
      if (name == "subtract") {
        b.negative = !b.negative;
        return give_decimal(node, sum(a, b), out);
      }
      const std::strong_ordering order = compare(a, b);
      if (name == "compareTo") return give_int(std::is_lt(order) ? -1 : std::is_gt(order) ? 1 : 0);
      if (name == "equals") {
        out = Value::truth(a == b);
        return true;
      }
      if (name == "max" || name == "min")
        return give_decimal(
            node, (name == "max" ? std::is_gteq(order) : std::is_lteq(order)) ? a : b, out);
      if (name == "remainder" && !b.is_zero()) {
        const Integer whole = round_whole(rational_of(a) / rational_of(b), Rounding::toward);
        Decimal taken = product(decimal_of(whole, 0), b);
        taken.negative = !taken.negative;
        // The quotient has its own preferred scale, which may lengthen the rest.
        return give_decimal(node, sum(a, taken), out);
      }
    }
  }
  if (count != 0) return not_yet("the method " + name + " with these arguments is", node);
  Decimal changed = a;
  if (name == "negate") {
    changed.negative = !changed.negative;
    return give_decimal(node, std::move(changed), out);
  }
  if (name == "abs") {
    changed.negative = false;
    return give_decimal(node, std::move(changed), out);
  }
  if (name == "stripTrailingZeros") {
    if (changed.is_zero()) changed.exponent = 0;
    while (!changed.is_zero() && changed.coefficient.back() == '0') {
      changed.coefficient.pop_back();
      ++changed.exponent;
    }
    return give_decimal(node, std::move(changed), out);
  }
  if (name == "signum") return give_int(a.is_zero() ? 0 : a.negative ? -1 : 1);
  if (name == "scale") return give_int(-a.exponent);
  if (name == "precision") return give_int(static_cast<std::int64_t>(a.coefficient.size()));
  if (name == "hashCode") return give_int(static_cast<std::int32_t>(hash_code(of)));
  if (name == "unscaledValue") {
    out = big_of(coefficient_of(a));
    return true;
  }
  if (name == "toString") return shown(node, of, out);
  if (name == "toPlainString") {
    out = Value::text(to_text(exact_decimal(a), std::max<std::int64_t>(-a.exponent, 0)));
    return true;
  }
  if (name == "doubleValue" || name == "floatValue") {
    const Type type = name == "doubleValue" ? Type::f64 : Type::f32;
    out = *read_typed(type, to_text(a));
    return true;
  }
  if (name == "intValue" || name == "longValue" || name == "toBigInteger") {
    const Integer whole = coefficient_of(rescaled(a, 0, Rounding::toward));
    out = name == "toBigInteger"
              ? big_of(whole)
              : computed::wrapped(name == "intValue" ? Type::i32 : Type::i64, whole);
    return true;
  }
  return not_yet("the method " + name + " is", node);
}

bool Expressions::call_on_big(const Node& node, const Value& of, const Arguments& arguments,
                              Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  const Integer a = computed::whole_of(of);
  const auto give = [&](const Integer& number) {
    constexpr int most_bits = 20'000;
    if (bit_length(number < 0 ? Integer(-number) : number) > most_bits)
      return over_limit("a BigInteger this large is over the limit", node);
    out = big_of(number);
    return true;
  };
  const auto give_int = [&](int number) {
    out = Value::whole(Type::i32, number);
    return true;
  };
  if (name == "pow" && count == 1 && is_int(arguments[0])) {
    const int128 by = arguments[0].as_whole();
    if (by < 0)
      return fail(computed::Trouble::When::run, "ArithmeticException", "Negative exponent", node);
    const int bits = bit_length(a < 0 ? Integer(-a) : a);
    constexpr int most_bits = 20'000;
    if (bits > 1 && by * (bits - 1) > most_bits)
      return over_limit("a power this high is over the limit", node);
    if (bits <= 1) return give(by == 0 ? Integer(1) : a < 0 && by % 2 == 0 ? Integer(1) : a);
    return give(computed::power_of(a, static_cast<int>(by)));
  }
  if (count == 1 && is_big(arguments[0])) {
    const Integer b = computed::whole_of(arguments[0]);
    if (name == "add") return give(a + b);
    if (name == "subtract") return give(a - b);
    if (name == "multiply") return give(a * b);
    if (name == "compareTo") return give_int(a < b ? -1 : a > b ? 1 : 0);
    if (name == "gcd") return give(gcd(a, b));
    if (name == "max" || name == "min") return give((a > b) == (name == "max") ? a : b);
    if (name == "equals") {
      out = Value::truth(a == b);
      return true;
    }
    if (name == "divide" || name == "remainder" || name == "mod") {
      if (b == 0 || (name == "mod" && b < 0))
        return fail(computed::Trouble::When::run, "ArithmeticException",
                    "BigInteger divide by zero, or a modulus that is not positive", node);
      if (name == "divide") return give(a / b);
      const Integer rest = a % b;
      return give(name == "mod" && rest < 0 ? Integer(rest + b) : rest);
    }
  }
  if (count != 0) return not_yet("the method " + name + " with these arguments is", node);
  if (name == "negate") return give(-a);
  if (name == "abs") return give(a < 0 ? Integer(-a) : a);
  if (name == "signum") return give_int(a < 0 ? -1 : a > 0 ? 1 : 0);
  if (name == "bitLength") return give_int(bit_length(a < 0 ? Integer(-a - 1) : a));
  if (name == "toString") return shown(node, big_of(a), out);
  if (name == "hashCode") return give_int(static_cast<std::int32_t>(hash_code(big_of(a))));
  if (name == "intValue" || name == "longValue") {
    out = computed::wrapped(name == "intValue" ? Type::i32 : Type::i64, a);
    return true;
  }
  if (name == "doubleValue") {
    out = computed::real_of(Type::f64, of);
    return true;
  }
  return not_yet("the method " + name + " is", node);
}

}  // namespace inky::inline v1::java_language
