// The functions of R that take the elements of a vector together, and those that ask what a value
// is.

#include <algorithm>
#include <cmath>
#include <limits>

#include "../computed/arithmetic.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"

namespace inky::inline v1::r_language {

namespace {

using computed::Node;

// mean() of R: a second pass takes the error of the first.
long double mean_of(const std::vector<double>& numbers) {
  long double total = 0;
  for (const double number : numbers) total += number;
  const auto count = static_cast<long double>(numbers.size());
  const long double mean = total / count;
  long double rest = 0;
  for (const double number : numbers) rest += static_cast<long double>(number) - mean;
  return mean + rest / count;
}

double variance_of(const std::vector<double>& numbers) {
  const long double mean = mean_of(numbers);
  long double sum = 0;
  for (const double number : numbers) {
    const long double difference = static_cast<long double>(number) - mean;
    sum += difference * difference;
  }
  return static_cast<double>(sum / static_cast<long double>(numbers.size() - 1));
}

}  // namespace

bool Expressions::statistic(const Node& node, std::string_view name, const Arguments& arguments,
                            Value& out) {
  const std::string called(name);
  Items items;
  Mode mode = Mode::unknown;
  if (arguments.size() == 0 || !arguments.named.empty() ||
      (arguments.size() > 1 && name != "any" && name != "all" && name != "range"))
    return not_yet(called + " with these arguments is", node);
  for (const Value& argument : arguments.values) {
    Mode own = Mode::unknown;
    if (!take_numbers(node, argument, items, own)) return false;
    mode = std::max(mode, own);
  }
  const bool asks = name == "any" || name == "all";
  const bool has_na = std::any_of(items.begin(), items.end(), [](const Value& item) {
    return item.is(Type::nil) ||
           (is_real(item.type()) && item.as_real().kind == RealClass::not_a_number);
  });
  if (name == "which") {
    const bool is_logical = arguments[0].is(Type::truth) ||
                            (arguments[0].is(Type::list) && !arguments[0].as_list().empty() &&
                             mode_of(arguments[0]) == Mode::logical);
    if (!is_logical) return not_yet("which of these is", node);
    const std::vector<std::string> names = names_of(arguments[0]);
    Items found;
    for (std::size_t i = 0; i < items.size(); ++i) {
      if (items[i].is(Type::nil) || items[i].as_whole() == 0) continue;
      found.push_back(Value::whole(Type::i32, int128{i} + 1));
      if (!names.empty()) found.back().set_name(names[i]);
    }
    out = vector_of(std::move(found));
    return true;
  }
  if (has_na || items.empty()) return not_yet(called + " of these is", node);
  if (asks) {
    const auto holds_one = [](const Value& item) {
      return is_real(item.type()) ? !item.as_real().is_zero() : item.as_whole() != 0;
    };
    out = Value::truth(name == "any" ? std::any_of(items.begin(), items.end(), holds_one)
                                     : std::all_of(items.begin(), items.end(), holds_one));
    return true;
  }
  std::vector<double> numbers;
  for (const Value& item : items) numbers.push_back(double_in(item));
  if (name == "median" || name == "sd" || name == "var") {
    if (name == "median") {
      std::sort(numbers.begin(), numbers.end());
      const std::size_t half = numbers.size() / 2;
      const bool is_odd = numbers.size() % 2 == 1;
      // Of two in the middle it is mean(): of integers it stays one only where it stands alone.
      const double middle =
          is_odd ? numbers[half] : static_cast<double>(mean_of({numbers[half - 1], numbers[half]}));
      out = mode != Mode::real && is_odd ? Value::whole(Type::i32, static_cast<int128>(middle))
                                         : Value::real(middle);
      return true;
    }
    if (numbers.size() < 2) {
      out = Value();
      return true;
    }
    const double variance = variance_of(numbers);
    out = Value::real(name == "sd" ? std::sqrt(variance) : variance);
    return true;
  }
  const auto of_mode = [&](double number) {
    return mode == Mode::real ? Value::real(number)
                              : Value::whole(Type::i32, static_cast<int128>(number));
  };
  const auto most = std::max_element(numbers.begin(), numbers.end());
  const auto least = std::min_element(numbers.begin(), numbers.end());
  Items made;
  if (name == "range") {
    made = {of_mode(*least), of_mode(*most)};
  } else if (name == "which.max" || name == "which.min") {
    const auto place = (name == "which.max" ? most : least) - numbers.begin();
    made = {Value::whole(Type::i32, int128{place} + 1)};
    const std::vector<std::string> names = names_of(arguments[0]);
    if (!names.empty()) made[0].set_name(names[static_cast<std::size_t>(place)]);
  } else if (name == "diff") {
    for (std::size_t i = 1; i < numbers.size(); ++i)
      made.push_back(of_mode(numbers[i] - numbers[i - 1]));
  } else {
    // R adds and multiplies in a wider type.
    long double total = name == "cumprod" ? 1 : 0;
    double so_far = numbers[0];
    for (const double number : numbers) {
      total = name == "cumprod" ? total * static_cast<long double>(number)
                                : total + static_cast<long double>(number);
      so_far = name == "cummax" ? std::max(so_far, number) : std::min(so_far, number);
      const bool sums = name == "cumsum" || name == "cumprod";
      const double next = sums ? static_cast<double>(total) : so_far;
      if (mode != Mode::real && std::fabs(next) > std::numeric_limits<std::int32_t>::max() &&
          name == "cumsum")
        return not_yet("a sum of integers beyond 32 bits is", node);
      made.push_back(name == "cumprod" ? Value::real(next) : of_mode(next));
    }
  }
  out = vector_of(std::move(made));
  return true;
}

bool Expressions::of_wholes(const Node& node, std::string_view name, const Arguments& arguments,
                            Value& out) {
  const std::string called(name);
  if (name == "strtoi") {
    const Value* by = arguments.find("base");
    if (by == nullptr && arguments.size() > 1) by = &arguments[1];
    std::int64_t base = 10;
    std::string text;
    if (arguments.size() == 0 || !take_text(node, arguments[0], text)) return false;
    if (by != nullptr && !take_whole(node, *by, base)) return false;
    const bool is_known =
        by != nullptr && base >= 2 && base <= 36 && !text.empty() && text.size() < 31;
    if (!is_known) return not_yet("strtoi with these arguments is", node);
    std::int64_t value = 0;
    for (const char c : text) {
      const int digit = c >= '0' && c <= '9'   ? c - '0'
                        : c >= 'a' && c <= 'z' ? c - 'a' + 10
                        : c >= 'A' && c <= 'Z' ? c - 'A' + 10
                                               : 99;
      if (digit >= base && (c == '-' || c == '+' || c == ' ' || c == 'x' || c == 'X'))
        return not_yet("strtoi of this is", node);
      if (digit >= base) {
        out = Value();
        return true;
      }
      value = value * base + digit;
      if (value > std::numeric_limits<std::int32_t>::max()) {
        out = Value();
        return true;
      }
    }
    out = Value::whole(Type::i32, value);
    return true;
  }
  std::int64_t numbers[2] = {0, 0};
  const std::size_t count = name == "factorial" ? 1 : 2;
  if (arguments.size() != count || !arguments.named.empty())
    return not_yet(called + " with these arguments is", node);
  for (std::size_t i = 0; i < count; ++i) {
    if (!take_whole(node, arguments[i], numbers[i])) return false;
  }
  const auto [x, y] = numbers;
  if (name.starts_with("bitw")) {
    const std::int64_t made = name == "bitwAnd" ? x & y : name == "bitwOr" ? x | y : x ^ y;
    out = Value::whole(Type::i32, made);
    return true;
  }
  // As far as every product on the way is exact.
  constexpr std::int64_t most = 18;
  if (x < 0 || x > most || y < 0 || (count == 2 && y > x))
    return not_yet(called + " of these is", node);
  double result = 1;
  if (count == 1) {
    for (std::int64_t k = 2; k <= x; ++k) result *= static_cast<double>(k);
  } else {
    for (std::int64_t k = 1; k <= y; ++k)
      result = result * static_cast<double>(x - y + k) / static_cast<double>(k);
  }
  out = Value::real(result);
  return true;
}

// What a value is, and lists of values with names.
bool Expressions::ask(const Node& node, std::string_view name, const Arguments& arguments,
                      Value& out) {
  const std::string called(name);
  if (name == "list") {
    if (arguments.size() != 0 || arguments.named.empty())
      return not_yet("a list without names is", node);
    std::vector<Value> fields;
    for (const auto& [key, value] : arguments.named) {
      fields.push_back(value);
      fields.back().set_name(key);
    }
    out = Value::record(std::move(fields));
    return true;
  }
  if (!arguments.named.empty()) return not_yet(called + " with these arguments is", node);
  if ((name == "identical" || name == "xor") && arguments.size() == 2) {
    Items a;
    Items b;
    Mode first = Mode::unknown;
    Mode second = Mode::unknown;
    if (!take_items(node, arguments[0], a, first) || !take_items(node, arguments[1], b, second))
      return false;
    if (name == "xor") {
      bool left = false;
      bool right = false;
      if (!holds(node, arguments[0], left) || !holds(node, arguments[1], right)) return false;
      out = Value::truth(left != right);
      return true;
    }
    bool same = a.size() == b.size() && first == second;
    for (std::size_t i = 0; same && i < a.size(); ++i) {
      if (a[i].is(Type::nil) || b[i].is(Type::nil)) return not_yet("identical with NA is", node);
      same = first == Mode::character ? a[i].as_text() == b[i].as_text()
                                      : double_in(a[i]) == double_in(b[i]);
    }
    out = Value::truth(same);
    return true;
  }
  if (arguments.size() != 1) return not_yet(called + " with these arguments is", node);
  const Value& value = arguments[0];
  if (name == "invisible") return not_yet("a value that is not shown is", node);
  if (name == "unname" || name == "unlist") {
    if (value.is(Type::record)) {
      Items items;
      for (const Value& field : value.as_list()) {
        if (is_compound(field.type())) return not_yet("unlist of this is", node);
        items.push_back(field);
      }
      computed::Node call;
      call.span = node.span;
      call.kind = Node::Kind::call;
      call.parts.resize(items.size() + 1);
      std::vector<Arguments::Named> named;
      for (const Value& item : items) {
        call.keys.emplace_back(item.name());
        named.push_back({std::string(item.name()), item});
      }
      return join(call, {{}, std::move(named)}, out);
    }
    Items items;
    Mode mode = Mode::unknown;
    if (!take_items(node, value, items, mode)) return false;
    out = vector_of(std::move(items));
    return name == "unlist" ? (out = value, true) : true;
  }
  if (name == "names") {
    Items items;
    const auto fields =
        value.is(Type::list) || value.is(Type::record) ? value.as_list() : std::span<const Value>();
    bool has_any = false;
    for (const Value& field : fields) {
      has_any = has_any || field.is_named();
      items.push_back(Value::text(std::string(field.name())));
    }
    if (!has_any) return not_yet("the names of what has none are", node);
    out = vector_of(std::move(items));
    return true;
  }
  if (is_matrix(value) || value.is(Type::record)) return not_yet(called + " of this is", node);
  // NA has a mode that is not kept here.
  if (value.is(Type::nil)) return not_yet(called + " of NA is", node);
  const bool is_null = value.is(Type::list) && value.as_list().empty();
  const Mode mode = mode_of(value);
  if (name == "isTRUE") {
    out = Value::truth(value.is(Type::truth) && value.as_whole() != 0);
  } else if (name == "is.null") {
    out = Value::truth(is_null);
  } else if (is_null) {
    return not_yet(called + " of NULL is", node);
  } else if (name.starts_with("is.")) {
    out = Value::truth(name == "is.numeric"     ? mode == Mode::real || mode == Mode::integer
                       : name == "is.character" ? mode == Mode::character
                                                : mode == Mode::logical);
  } else {
    const std::string_view of_real = name == "typeof" ? "double" : "numeric";
    out = Value::text(std::string(mode == Mode::character ? "character"
                                  : mode == Mode::logical ? "logical"
                                  : mode == Mode::real    ? of_real
                                  : name == "mode"        ? "numeric"
                                                          : "integer"));
  }
  return true;
}

}  // namespace inky::inline v1::r_language
