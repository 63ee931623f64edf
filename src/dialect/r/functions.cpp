// The functions of numbers and vectors that expressions of R may call.

#include <algorithm>
#include <cmath>

#include "../computed/arithmetic.hpp"
#include "../computed/elementary.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"
#include "numbers.hpp"

namespace inky::inline v1::r_language {

namespace {

using computed::Node;

double double_in(const Value& value) {
  return computed::double_of(computed::real_of(Type::f64, value));
}

}  // namespace

// round(x, 2) and signif(x, 3)
bool Expressions::round(const Node& node, std::string_view name, const Arguments& arguments,
                        Value& out) {
  Items items;
  Mode mode = Mode::unknown;
  const bool of_digits = name == "signif";
  std::int64_t digits = of_digits ? 6 : 0;
  const Value* named = arguments.find("digits");
  const Value* given = named != nullptr ? named : arguments.size() > 1 ? &arguments[1] : nullptr;
  if (arguments.size() == 0 || !take_numbers(node, arguments[0], items, mode)) return false;
  if (given != nullptr && !take_whole(node, *given, digits)) return false;
  constexpr int most_digits = 22;
  if (std::abs(digits) > most_digits) return not_yet("this number of digits is", node);
  for (Value& item : items) {
    if (item.is(Type::nil)) continue;
    const auto made = of_digits ? with_digits(double_in(item), static_cast<int>(digits))
                                : rounded(double_in(item), static_cast<int>(digits));
    if (!made) return not_yet("signif of such a number is", node);
    item = Value::real(*made);
  }
  out = vector_of(std::move(items));
  return true;
}

bool Expressions::call_on_numbers(const Node& node, std::string_view name,
                                  const Arguments& arguments, Value& out) {
  Items items;
  Mode mode = Mode::unknown;
  if (arguments.size() != 1 || !arguments.named.empty())
    return not_yet(std::string(name) + " with these arguments is", node);
  if (!take_numbers(node, arguments[0], items, mode)) return false;
  for (Value& item : items) {
    if (item.is(Type::nil)) continue;
    if (name == "abs" && !is_real(item.type())) {
      const Integer whole = computed::whole_of(item);
      item = computed::wrapped(Type::i32, whole < 0 ? Integer(-whole) : whole);
      continue;
    }
    const Value real = computed::real_of(Type::f64, item);
    if (name == "abs") {
      item = real.as_real().negative ? computed::negated_real(real) : real;
    } else if (name == "floor" || name == "ceiling" || name == "trunc") {
      if (!is_real(item.type())) continue;
      item = computed::rounded_real(real, name == "floor"     ? Rounding::down
                                          : name == "ceiling" ? Rounding::up
                                                              : Rounding::toward);
    } else {
      const double number = computed::double_of(real);
      if (number < 0 && name != "exp") return not_yet(std::string(name) + " of this is", node);
      item = Value::real(*computed::elementary(name, number));
    }
  }
  out = vector_of(std::move(items));
  return true;
}

// sum, mean, min, max and prod of all that is given. R adds in a wider type.
bool Expressions::sum_up(const Node& node, std::string_view name, const Arguments& arguments,
                         Value& out) {
  Items items;
  Mode mode = Mode::unknown;
  if (!arguments.named.empty()) return not_yet("named arguments here are", node);
  for (const Value& argument : arguments.values) {
    Mode own = Mode::unknown;
    if (!take_numbers(node, argument, items, own)) return false;
    mode = std::max(mode, own);
  }
  if (items.empty()) return not_yet(std::string(name) + " of nothing is", node);
  const bool has_na =
      std::any_of(items.begin(), items.end(), [](const Value& item) { return item.is(Type::nil); });
  if (has_na) {
    out = Value();
    return true;
  }
  if (name == "min" || name == "max") {
    out = mode == Mode::real ? Value::real(double_in(items[0])) : items[0];
    for (const Value& item : items) {
      const Value next = mode == Mode::real ? Value::real(double_in(item)) : item;
      out = computed::extreme(name == "max", out, next);
    }
    return true;
  }
  long double total = name == "prod" ? 1 : 0;
  for (const Value& item : items) {
    const long double number = double_in(item);
    total = name == "prod" ? total * number : total + number;
  }
  if (name == "mean") {
    // A second pass takes the error of the first.
    const auto count = static_cast<long double>(items.size());
    long double mean = total / count;
    if (mode == Mode::real) {
      long double rest = 0;
      for (const Value& item : items) rest += static_cast<long double>(double_in(item)) - mean;
      mean += rest / count;
    }
    out = Value::real(static_cast<double>(mean));
    return true;
  }
  if (name == "sum" && mode != Mode::real) {
    // What 32 bits do not hold is a double.
    out = std::fabs(total) > 2147483647 ? Value::real(static_cast<double>(total))
                                        : Value::whole(Type::i32, static_cast<int128>(total));
    return true;
  }
  out = Value::real(static_cast<double>(total));
  return true;
}

// c, rev, rep, seq_len, length, ifelse, is.na.
bool Expressions::make_vector(const Node& node, std::string_view name, const Arguments& arguments,
                              Value& out) {
  Items items;
  Mode mode = Mode::unknown;
  std::int64_t count = 0;
  constexpr std::int64_t most_items = 100'000;
  if (!arguments.named.empty()) return not_yet("named arguments here are", node);
  if (name == "c") {
    for (const Value& argument : arguments.values) {
      Items more;
      Mode own = Mode::unknown;
      if (!take_items(node, argument, more, own)) return false;
      mode = std::max(mode, own);
      items.insert(items.end(), more.begin(), more.end());
    }
    // All become the last of the modes that one of them has.
    for (Value& item : items) {
      if (item.is(Type::nil)) continue;
      if (mode == Mode::character)
        item = Value::text(as_character(item, mode_of(item)));
      else if (mode == Mode::real)
        item = Value::real(Type::f64, pack(binary64, nearest_f64(item)));
      else if (mode == Mode::integer)
        item = computed::wrapped(Type::i32, computed::whole_of(item));
    }
    out = vector_of(std::move(items));
    return true;
  }
  if (name == "seq_len" && arguments.size() == 1) {
    if (!take_whole(node, arguments[0], count) || count < 0 || count > most_items)
      return not_yet("such a length is", node);
    for (std::int64_t i = 1; i <= count; ++i) items.push_back(Value::whole(Type::i32, i));
    out = vector_of(std::move(items));
    return true;
  }
  if (name == "ifelse" && arguments.size() == 3) {
    Items parts[3];
    for (std::size_t i = 0; i < 3; ++i) {
      if (!take_items(node, arguments[i], parts[i], mode)) return false;
    }
    if (parts[1].empty() || parts[2].empty()) return not_yet("ifelse of nothing is", node);
    for (std::size_t i = 0; i < parts[0].size(); ++i) {
      bool test = false;
      if (!holds(node, parts[0][i], test)) return false;
      const Items& chosen = parts[test ? 1 : 2];
      items.push_back(chosen[i % chosen.size()]);
    }
    out = vector_of(std::move(items));
    return true;
  }
  if (arguments.size() == 0 || !take_items(node, arguments[0], items, mode))
    return not_yet(std::string(name) + " without a value is", node);
  if (name == "length" && arguments.size() == 1) {
    out = Value::whole(Type::i32, static_cast<int128>(items.size()));
    return true;
  }
  if (name == "rev" && arguments.size() == 1) {
    std::reverse(items.begin(), items.end());
  } else if (name == "is.na" && arguments.size() == 1) {
    for (Value& item : items) {
      const bool is_nan = is_real(item.type()) && item.as_real().kind == RealClass::not_a_number;
      item = Value::truth(item.is(Type::nil) || is_nan);
    }
  } else if (name == "rep" && arguments.size() == 2) {
    if (!take_whole(node, arguments[1], count) || count < 0 ||
        count * static_cast<std::int64_t>(items.size() + 1) > most_items)
      return not_yet("such a count is", node);
    const Items once = items;
    items.clear();
    for (std::int64_t i = 0; i < count; ++i) items.insert(items.end(), once.begin(), once.end());
  } else {
    return not_yet(std::string(name) + " with these arguments is", node);
  }
  out = vector_of(std::move(items));
  return true;
}

bool Expressions::convert(const Node& node, std::string_view name, const Arguments& arguments,
                          Value& out) {
  Items items;
  Mode mode = Mode::unknown;
  if (arguments.size() != 1 || !take_items(node, arguments[0], items, mode))
    return not_yet(std::string(name) + " with these arguments is", node);
  for (Value& item : items) {
    if (item.is(Type::nil)) continue;
    if (name == "as.character") {
      item = Value::text(as_character(item, mode_of(item)));
      continue;
    }
    if (item.is(Type::text)) {
      const auto number = number_in(item.as_text());
      if (!number) return not_yet("this text as a number is", node);
      item = Value::real(*number);
    }
    if (name == "as.numeric") {
      item = Value::real(Type::f64, pack(binary64, nearest_f64(item)));
      continue;
    }
    const auto whole =
        is_real(item.type()) ? computed::cut(item) : std::optional(computed::whole_of(item));
    // R warns, and makes NA of what 32 bits do not hold.
    const bool fits = whole && computed::fits(Type::i32, *whole) && *whole != -Integer(2147483648);
    item = fits ? computed::wrapped(Type::i32, *whole) : Value();
  }
  out = vector_of(std::move(items));
  return true;
}

bool Expressions::call(const Node& node, const std::string& path, const Arguments& arguments,
                       Value& out) {
  if (path == "round" || path == "signif") return round(node, path, arguments, out);
  constexpr std::string_view of_numbers = "abs floor ceiling trunc sqrt exp log log10 log2";
  if (has_word(of_numbers, path)) return call_on_numbers(node, path, arguments, out);
  if (has_word("sum mean min max prod", path)) return sum_up(node, path, arguments, out);
  if (has_word("c rev rep seq_len length ifelse is.na", path))
    return make_vector(node, path, arguments, out);
  if (has_word("as.integer as.numeric as.character", path))
    return convert(node, path, arguments, out);
  if (has_word("format formatC prettyNum sprintf", path))
    return call_facility(node, path, arguments, out);
  if (path == "paste" || path == "paste0") return paste(node, path, arguments, out);
  if (path == "cat" || path == "writeLines" || path == "message") return cat(node, arguments, out);
  if (path == "print" && arguments.size() == 1 && arguments.named.empty())
    return print(node, arguments[0], out);
  return call_on_texts(node, path, arguments, out);
}

}  // namespace inky::inline v1::r_language
