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
      const bool has_none = name == "sqrt" || name == "log" || name == "log10" || name == "log2";
      const bool is_outside = (number < 0 && has_none) ||
                              (std::fabs(number) > 1 && (name == "asin" || name == "acos")) ||
                              (name == "log1p" && number < -1);
      const bool turns = name == "sin" || name == "cos" || name == "tan";
      if (is_outside || (turns && !std::isfinite(number)))
        return not_yet(std::string(name) + " of this is", node);
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
  bool drops_na = false;
  for (const auto& [key, value] : arguments.named) {
    if (key != "na.rm" || !value.is(Type::truth))
      return not_yet("the argument " + key + " is", node);
    drops_na = value.as_whole() != 0;
  }
  for (const Value& argument : arguments.values) {
    Mode own = Mode::unknown;
    const Value flat = is_matrix(argument) ? Value::list(matrix_of(argument).items) : argument;
    if (!take_numbers(node, flat, items, own)) return false;
    mode = std::max(mode, own);
  }
  if (drops_na) {
    std::erase_if(items, [](const Value& item) {
      return item.is(Type::nil) ||
             (is_real(item.type()) && item.as_real().kind == RealClass::not_a_number);
    });
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

bool Expressions::convert(const Node& node, std::string_view name, const Arguments& arguments,
                          Value& out) {
  Items items;
  Mode mode = Mode::unknown;
  if (arguments.size() != 1 || !take_items(node, arguments[0], items, mode))
    return not_yet(std::string(name) + " with these arguments is", node);
  for (Value& item : items) {
    if (item.is(Type::nil)) continue;
    if (name == "as.logical") {
      if (item.is(Type::text)) {
        const std::string_view text = item.as_text();
        const bool yes = has_word("TRUE true True T", text);
        item = yes || has_word("FALSE false False F", text) ? Value::truth(yes) : Value();
      } else {
        item =
            Value::truth(is_real(item.type()) ? !item.as_real().is_zero() : item.as_whole() != 0);
      }
      continue;
    }
    if (name == "as.character") {
      item = Value::text(as_character(item, mode_of(item)));
      continue;
    }
    if (item.is(Type::text)) {
      const auto number = number_in(item.as_text());
      if (!number) return not_yet("this text as a number is", node);
      item = Value::real(*number);
    }
    if (name == "as.numeric" || name == "as.double") {
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

bool Expressions::call_plain(const Node& node, const std::string& path, const Arguments& arguments,
                             Value& out) {
  using Function = bool (Expressions::*)(const Node&, std::string_view, const Arguments&, Value&);
  struct Group {
    std::string_view names;
    Function function;
  };
  static constexpr Group groups[] = {
      {"round signif", &Expressions::round},
      {"abs floor ceiling trunc sqrt exp log log10 log2 log1p expm1 sin cos tan asin acos atan "
       "sinh "
       "cosh tanh",
       &Expressions::call_on_numbers},
      {"sum mean min max prod", &Expressions::sum_up},
      {"as.integer as.numeric as.double as.character as.logical", &Expressions::convert},
      {"rev seq_len seq_along length ifelse is.na numeric character logical integer vector rep_len",
       &Expressions::make_vector},
      {"head tail", &Expressions::cut},
      {"sort order unique duplicated", &Expressions::order},
      {"cumsum cumprod cummax cummin median sd var range which which.max which.min any all diff",
       &Expressions::statistic},
      {"factorial choose bitwAnd bitwOr bitwXor strtoi", &Expressions::of_wholes},
      {"identical is.numeric is.character is.logical is.null class typeof mode names unname unlist "
       "list invisible isTRUE xor",
       &Expressions::ask},
      {"t dim nrow ncol outer rowSums colSums rowMeans colMeans", &Expressions::of_matrix},
      {"sub gsub grepl startsWith endsWith", &Expressions::replace},
      {"format formatC prettyNum sprintf", &Expressions::call_facility},
      {"paste paste0", &Expressions::paste},
  };
  if (has_word("complex as.complex Re Im Mod Conj Arg", path) ||
      (path == "sqrt" && arguments.size() == 1 && arguments[0].is(Type::complex)))
    return of_complex(node, path, arguments, out);
  if (const auto made = call_dates(node, path, arguments, out)) return *made;
  if (path == "c") return join(node, arguments, out);
  if (path == "rep") return repeat(node, arguments, out);
  if (path == "seq") return sequence(node, arguments, out);
  if (path == "matrix") return make_matrix(node, arguments, out);
  if (path == "cat" || path == "writeLines" || path == "message") return cat(node, arguments, out);
  if (path == "print") return print(node, arguments, out);
  for (const Group& group : groups) {
    if (has_word(group.names, path)) return (this->*group.function)(node, path, arguments, out);
  }
  return call_on_texts(node, path, arguments, out);
}

// The names of elements: some functions keep them, and the result of others has none.
bool Expressions::call(const Node& node, const std::string& path, const Arguments& arguments,
                       Value& out) {
  const bool has_names = std::any_of(arguments.values.begin(), arguments.values.end(),
                                     [](const Value& value) { return !names_of(value).empty(); });
  constexpr std::string_view keeping =
      "round signif abs floor ceiling trunc sqrt exp log log10 log2 is.na cumsum cumprod nchar "
      "toupper tolower";
  constexpr std::string_view without =
      "sum mean min max prod length paste paste0 cat writeLines message median sd var any all "
      "as.integer as.numeric as.double as.character unname sprintf order is.numeric is.character "
      "class typeof mode range seq_along";
  constexpr std::string_view knowing =
      "c rev head tail sort names print which list unlist invisible which.max which.min";
  if (has_names && !has_word(keeping, path) && !has_word(without, path) && !has_word(knowing, path))
    return not_yet(path + " of elements with names is", node);
  if (!call_plain(node, path, arguments, out)) return false;
  if (has_names && has_word(keeping, path)) out = with_names(std::move(out), arguments[0]);
  return true;
}

}  // namespace inky::inline v1::r_language
