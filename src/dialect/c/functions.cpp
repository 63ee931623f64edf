// The functions that expressions of C and C++ may call: ISO C17, 7.12, 7.22.6, 7.24.6.3; ISO C++20,
// [alg.min.max], [string.conversions], [basic.string], [bitset].

#include <algorithm>
#include <cmath>
#include <utility>

#include "../computed/elementary.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "format/layout.hpp"

namespace inky::inline v1::c_language {

using computed::Node;
using computed::Operation;

bool Expressions::absolute(const Node& node, const Value& value, Value& out) {
  const Value number = promoted(value);
  if (is_real(number.type())) {
    out = number.as_real().negative ? computed::negated_real(number) : number;
    return true;
  }
  if (!fact_of(number.type()).is_signed) {
    if (edition_ == Edition::cpp) return refuse("abs of an unsigned number is ambiguous", node);
    out = number;
    return true;
  }
  const Integer whole = computed::whole_of(number);
  return keep(node, number.type(), whole < 0 ? Integer(-whole) : whole, out);
}

// A function of one number that is exact, or rounded as IEEE 754 has it.
bool Expressions::call_number(const Node& node, std::string_view name,
                              const computed::Arguments& arguments, Value& out) {
  if (arguments.size() != 1) return refuse(std::string(name) + " takes one argument", node);
  if (!is_number(arguments[0])) return refuse(std::string(name) + " needs a number", node);
  const Value given = promoted(arguments[0]);
  if (name == "abs" && (edition_ == Edition::cpp || !is_real(given.type())))
    return absolute(node, given, out);
  if (name == "abs" || name == "labs" || name == "llabs") {
    // The int of C: a real is converted first.
    Value whole;
    return convert(node, name == "abs" ? Type::i32 : Type::i64, given, whole) &&
           absolute(node, whole, out);
  }
  // C has doubles here, and C++ an overload for each real type.
  const Type type = edition_ == Edition::cpp && is_real(given.type()) ? given.type() : Type::f64;
  const Value real = computed::real_of(type, given);
  if (name == "fabs") return absolute(node, real, out);
  if (name == "lround" || name == "llround")
    return convert(node, Type::i64, computed::rounded_real(real, Rounding::half_away), out);
  constexpr std::pair<std::string_view, Rounding> roundings[] = {
      {"floor", Rounding::down},     {"ceil", Rounding::up},
      {"trunc", Rounding::toward},   {"round", Rounding::half_away},
      {"rint", Rounding::half_even}, {"nearbyint", Rounding::half_even}};
  for (const auto& [known, rounding] : roundings) {
    if (name != known) continue;
    out = computed::rounded_real(real, rounding);
    return true;
  }
  if (type != Type::f64) return not_yet(std::string(name) + " of this type is", node);
  const auto result = computed::elementary(name, computed::double_of(real));
  if (!result) return not_yet(std::string(name) + " of this number is", node);
  out = Value::real(*result);
  return true;
}

bool Expressions::call_two(const Node& node, std::string_view name,
                           const computed::Arguments& arguments, Value& out) {
  if (arguments.size() != 2) return refuse(std::string(name) + " takes two arguments", node);
  const Value& left = arguments[0];
  const Value& right = arguments[1];
  if (name == "max" || name == "min") {
    if (left.type() != right.type())
      return refuse(std::string(name) + " needs two values of one type", node);
    bool less = false;
    if (left.is(Type::text))
      less = (name == "max" ? left : right).as_text() < (name == "max" ? right : left).as_text();
    else if (is_number(left))
      less =
          std::is_lt(computed::compare(name == "max" ? left : right, name == "max" ? right : left));
    else
      return refuse("these cannot be compared", node);
    out = less ? right : left;
    return true;
  }
  if (!is_number(left) || !is_number(right))
    return refuse(std::string(name) + " needs numbers", node);
  const Value a = computed::real_of(Type::f64, promoted(left));
  const Value b = computed::real_of(Type::f64, promoted(right));
  const bool narrow = left.is(Type::f32) && right.is(Type::f32) && edition_ == Edition::cpp;
  if (narrow || left.is(Type::f80) || right.is(Type::f80))
    return not_yet(std::string(name) + " of these types is", node);
  const double x = computed::double_of(a);
  const double y = computed::double_of(b);
  if (name == "fmod") {
    out = computed::combine_reals(Operation::remainder, Type::f64, a, b);
  } else if (name == "fmax" || name == "fmin") {
    if (std::isnan(x) || std::isnan(y))
      out = std::isnan(x) ? b : a;
    else if (x == 0 && y == 0 && std::signbit(x) != std::signbit(y))
      return not_yet(std::string(name) + " of zeros with different signs is", node);
    else
      out = (name == "fmax") == (x < y) ? b : a;
  } else {
    out = Value::real(computed::power(x, y));
  }
  return true;
}

bool Expressions::make_text(const Node& node, std::string_view name,
                            const computed::Arguments& arguments, Value& out) {
  if (name == "to_string") {
    if (arguments.size() != 1 || !is_number(arguments[0]))
      return refuse("to_string takes a number", node);
    const Value number = promoted(arguments[0]);
    if (!is_real(number.type())) {
      out = Value::text(whole_text(number));
      return true;
    }
    // As %f of a double or a long double.
    Spec spec;
    spec.kind = Kind::real;
    spec.notation = Notation::fixed;
    spec.places = 6;
    TextBuffer text;
    const BinaryFormat& format = number.is(Type::f80) ? extended80 : binary64;
    lay_out_real(spec, format, number.is(Type::f80) ? number.as_real() : nearest_f64(number),
                 NumberStyle{}, text);
    out = Value::text(text.string());
    return true;
  }
  if (name == "string" && arguments.size() == 2 && is_number(arguments[0]) &&
      is_number(arguments[1]) && !is_real(arguments[1].type())) {
    const Integer count = computed::whole_of(promoted(arguments[0]));
    if (count < 0 || count > most_output)
      return over_limit("a text of " + count.str() + " characters is over the limit", node);
    const char c = static_cast<char>(promoted(arguments[1]).bits() & 0xFF);
    out = Value::text(std::string(count.convert_to<std::size_t>(), c));
    return true;
  }
  if (name == "string" && arguments.size() == 1 && arguments[0].is(Type::text)) {
    out = arguments[0];
    return true;
  }
  // bitset<8>(x)
  const std::size_t open = name.find('<');
  const auto bits = read_typed(Type::u16, name.substr(open + 1, name.size() - open - 2));
  constexpr int most_bits = 4096;
  if (open == std::string_view::npos || arguments.size() != 1 || !is_number(arguments[0]) ||
      is_real(arguments[0].type()) || !bits || bits->as_whole() > most_bits)
    return not_yet("the function " + std::string(name) + " with these arguments is", node);
  Value number;
  if (!convert(node, Type::u64, promoted(arguments[0]), number)) return false;
  std::string digits;
  for (int i = static_cast<int>(bits->as_whole()) - 1; i >= 0; --i)
    digits += i < 64 && (number.bits() >> i & 1) != 0 ? '1' : '0';
  out = Value::text(std::move(digits));
  return true;
}

// The text of sprintf("%d", n) and snprintf(20, "%d", n), as their first argument gets it; of
// snprintf(NULL, 0, "%d", n) its length.
bool Expressions::print_into(const Node& node, std::string_view name,
                             const computed::Arguments& arguments, Value& out) {
  const bool is_bounded = name == "snprintf";
  const bool counts = is_bounded && arguments.size() > 2 && arguments[0].is(Type::nil);
  const std::size_t at = (is_bounded ? 1 : 0) + (counts ? 1 : 0);
  if (arguments.size() <= at || !arguments[at].is(Type::text))
    return not_yet("the function " + std::string(name) + " with these arguments is", node);
  if (!fill(node, *c_dialect(), arguments[at].as_text(),
            std::span<const Value>(arguments.values).subspan(at + 1), out,
            edition_ == Edition::cpp ? std::optional(std::string_view())
                                     : std::optional<std::string_view>()))
    return false;
  std::string text(out.as_text());
  if (counts) {
    out = Value::whole(Type::i32, static_cast<int128>(text.size()));
    return true;
  }
  if (is_bounded) {
    if (!is_whole(arguments[0].type())) return not_yet("a size such as this is", node);
    const Integer size = computed::whole_of(arguments[0]);
    if (size < 1) return not_yet("a size such as this is", node);
    if (size <= text.size()) text.resize(size.convert_to<std::size_t>() - 1);
  }
  out = Value::text(text.substr(0, text.find('\0')));
  return true;
}

bool Expressions::call(const Node& node, const std::string& path,
                       const computed::Arguments& arguments, Value& out) {
  const std::string_view name = without_std(path);
  const auto is_among = [&](std::initializer_list<std::string_view> names) {
    return std::find(names.begin(), names.end(), name) != names.end();
  };
  const bool cpp = edition_ == Edition::cpp;
  if (is_among({"fmod", "fmax", "fmin", "pow"}) || (cpp && is_among({"max", "min"})))
    return call_two(node, name, arguments, out);
  if (cpp && (is_among({"to_string", "string"}) || name.starts_with("bitset<")))
    return make_text(node, name, arguments, out);
  if (name == "strcpy" && arguments.size() == 1 && arguments[0].is(Type::text)) {
    out = arguments[0];
    return true;
  }
  if (name == "sprintf" || name == "snprintf") return print_into(node, name, arguments, out);
  if (name == "strlen" && arguments.size() == 1 && arguments[0].is(Type::text)) {
    const std::string_view text = arguments[0].as_text();
    out = Value::whole(Type::u64, static_cast<int128>(std::min(text.find('\0'), text.size())));
    return true;
  }
  if ((name == "toupper" || name == "tolower") && arguments.size() == 1 &&
      is_number(arguments[0]) && !is_real(arguments[0].type())) {
    const Integer code = computed::whole_of(promoted(arguments[0]));
    const char first = name == "toupper" ? 'a' : 'A';
    const int step = name == "toupper" ? 'A' - 'a' : 'a' - 'A';
    const bool changes = first <= code && code <= first + 25;
    return keep(node, Type::i32, changes ? Integer(code + step) : code, out);
  }
  if (is_among({"abs",   "labs",      "llabs",  "fabs",    "floor", "ceil", "trunc", "round",
                "rint",  "nearbyint", "lround", "llround", "sqrt",  "cbrt", "exp",   "log",
                "log10", "log2",      "sin",    "cos",     "tan",   "atan"}))
    return call_number(node, name, arguments, out);
  return Evaluator::call(node, path, arguments, out);
}

bool Expressions::call_method(const Node& node, const Value& of,
                              const computed::Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  const bool is_string = edition_ == Edition::cpp && of.is(Type::text) &&
                         node.parts[0].parts[0].kind != Node::Kind::constant;
  if (!is_string) return Evaluator::call_method(node, of, arguments, out);
  const std::string_view text = of.as_text();
  const auto size = [](std::size_t count) {
    return Value::whole(Type::u64, static_cast<int128>(count));
  };
  const auto character = [](char c) {
    const auto byte = static_cast<signed char>(c);
    return byte >= 0 ? Value::character(static_cast<char32_t>(byte)) : Value::whole(Type::i8, byte);
  };
  if ((name == "size" || name == "length") && arguments.size() == 0) {
    out = size(text.size());
  } else if (name == "empty" && arguments.size() == 0) {
    out = Value::truth(text.empty());
  } else if ((name == "c_str" || name == "data") && arguments.size() == 0) {
    out = Value::text(std::string(text.substr(0, text.find('\0'))));
  } else if ((name == "front" || name == "back") && arguments.size() == 0 && !text.empty()) {
    out = character(name == "front" ? text.front() : text.back());
  } else if (name == "at" && arguments.size() == 1 && is_number(arguments[0])) {
    const Integer index = computed::whole_of(promoted(arguments[0]));
    if (index < 0 || index >= text.size())
      return fail(computed::Trouble::When::run, "std::out_of_range", "the index is beyond the end",
                  node);
    out = character(text[index.convert_to<std::size_t>()]);
  } else if (name == "substr" && (arguments.size() == 1 || arguments.size() == 2)) {
    Integer counts[2] = {0, most_output};
    for (std::size_t i = 0; i < arguments.size(); ++i) {
      if (!is_number(arguments[i]) || is_real(arguments[i].type()))
        return refuse("substr takes whole numbers", node);
      counts[i] = computed::whole_of(promoted(arguments[i]));
    }
    if (counts[0] < 0 || counts[0] > text.size())
      return fail(computed::Trouble::When::run, "std::out_of_range",
                  "the part begins beyond the end", node);
    const bool all = counts[1] < 0 || counts[1] > text.size();
    out = Value::text(std::string(
        text.substr(counts[0].convert_to<std::size_t>(),
                    all ? std::string_view::npos : counts[1].convert_to<std::size_t>())));
  } else {
    return Evaluator::call_method(node, of, arguments, out);
  }
  return true;
}

}  // namespace inky::inline v1::c_language
