// The functions that expressions of PHP may call.

#include <algorithm>
#include <cmath>

#include "../computed/arithmetic.hpp"
#include "../computed/elementary.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "format/layout.hpp"
#include "values.hpp"

namespace inky::inline v1::php {

namespace {

using computed::Node;
using computed::Operation;

double power_of_ten(int power) {
  constexpr double powers[] = {1e0,  1e1,  1e2,  1e3,  1e4,  1e5,  1e6,  1e7,
                               1e8,  1e9,  1e10, 1e11, 1e12, 1e13, 1e14, 1e15,
                               1e16, 1e17, 1e18, 1e19, 1e20, 1e21, 1e22};
  return power < 0 || power > 22 ? std::pow(10.0, power) : powers[power];
}

// Half away from zero, of a double.
double rounded_half(double value) {
  return value >= 0 ? std::floor(value + 0.5) : std::ceil(value - 0.5);
}

std::string changed(std::string_view text, char first, char last, int step) {
  std::string out(text);
  for (char& c : out) c = first <= c && c <= last ? static_cast<char>(c + step) : c;
  return out;
}

std::string_view trimmed_bytes(std::string_view text, bool at_start, bool at_end) {
  constexpr std::string_view blanks(" \n\r\t\v\0", 6);
  const auto is_blank = [&](char c) { return blanks.find(c) != std::string_view::npos; };
  while (at_start && !text.empty() && is_blank(text.front())) text.remove_prefix(1);
  while (at_end && !text.empty() && is_blank(text.back())) text.remove_suffix(1);
  return text;
}

}  // namespace

double rounded_float(double value, int places) {
  if (!std::isfinite(value) || value == 0) return value;
  constexpr int digits = 15;
  const int precision = digits - 1 - static_cast<int>(std::floor(std::log10(std::fabs(value))));
  const double factor = power_of_ten(std::abs(places));
  double scaled = 0;
  if (precision > places && precision - digits < places) {
    const int used = std::max(precision, -4 * digits);
    scaled = used >= 0 ? value * power_of_ten(used) : value / power_of_ten(-used);
    scaled = rounded_half(scaled);
    const int rest = std::max(places - used, -4 * digits);
    scaled = scaled / power_of_ten(std::abs(rest));
  } else {
    scaled = places >= 0 ? value * factor : value / factor;
    if (std::fabs(scaled) >= 1e15) return value;
  }
  if (std::fabs(scaled) >= 1e15) return value;
  scaled = rounded_half(scaled);
  return places > 0 ? scaled / factor : scaled * factor;
}

// number_format(x, places, point, mark): the float is rounded as round() has it.
bool Expressions::format_number(const Node& node, const Arguments& arguments, Value& out) {
  Value number;
  std::int64_t places = 0;
  if (arguments.size() == 0 || !take_number(node, arguments[0], number)) return false;
  if (arguments.size() > 1 && !take_int(node, arguments[1], places)) return false;
  constexpr int most_places = 20;
  if (places < 0 || places > most_places) return not_yet("this number of places is", node);
  std::string marks[] = {".", ","};
  for (std::size_t i = 2; i < arguments.size() && i < 4; ++i) {
    if (!arguments[i].is(Type::text)) return not_yet("a mark that is no text is", node);
    marks[i - 2] = arguments[i].as_text();
  }
  const double rounded = rounded_float(computed::double_of(computed::real_of(Type::f64, number)),
                                       static_cast<int>(places));
  if (!std::isfinite(rounded)) {
    out = Value::text(std::isnan(rounded) ? "nan" : "inf");
    return true;
  }
  Spec spec;
  spec.kind = Kind::real;
  spec.notation = Notation::fixed;
  spec.places = static_cast<int>(places);
  TextBuffer text;
  lay_out_real(spec, binary64, Value::real(std::fabs(rounded)).as_real(), NumberStyle{}, text);
  const std::string digits = text.string();
  const std::size_t point = std::min(digits.find('.'), digits.size());
  const bool is_zero = digits.find_first_not_of("0.") == std::string::npos;
  std::string shown = rounded < 0 && !is_zero ? "-" : "";
  for (std::size_t i = 0; i < point; ++i) {
    if (i > 0 && (point - i) % 3 == 0) shown += marks[1];
    shown += digits[i];
  }
  if (point < digits.size()) (shown += marks[0]) += digits.substr(point + 1);
  out = Value::text(std::move(shown));
  return true;
}

bool Expressions::call_on_numbers(const Node& node, std::string_view name,
                                  const Arguments& arguments, Value& out) {
  std::vector<Value> numbers;
  std::span<const Value> given(arguments.values);
  const bool of_list = name == "max" || name == "min" || name == "array_sum";
  const bool has_items =
      given.size() == 1 && (given[0].is(Type::list) || given[0].is(Type::record));
  if (of_list && has_items) given = given[0].as_list();
  for (const Value& value : given) {
    numbers.emplace_back();
    if (!take_number(node, value, numbers.back())) return false;
  }
  if (numbers.empty()) return not_yet("the function " + std::string(name) + " of nothing is", node);
  const auto real = [](const Value& value) {
    return computed::double_of(computed::real_of(Type::f64, value));
  };
  const Value& first = numbers[0];
  if (name == "array_sum") {
    out = Value::whole(Type::i64, 0);
    for (const Value& number : numbers) {
      Value sum;
      if (!combine(node, Operation::add, out, number, sum)) return false;
      out = std::move(sum);
    }
    return true;
  }
  if (name == "max" || name == "min") {
    if (numbers.size() < 2 && !of_list) return not_yet("this is", node);
    // Not-a-number is more than all others, and less than none.
    const bool largest = name == "max";
    out = first;
    for (const Value& number : numbers) {
      Value test;
      if (!compare(node, largest ? Operation::at_most : Operation::less, number, out, test))
        return false;
      if ((test.as_whole() != 0) != largest) out = number;
    }
    return true;
  }
  if (name == "round" && numbers.size() <= 2) {
    if (numbers.size() == 2 && !numbers[1].is(Type::i64)) return not_yet("this is", node);
    const int128 places = numbers.size() == 2 ? numbers[1].as_whole() : 0;
    constexpr int most_places = 300;
    if (places < -most_places || places > most_places)
      return not_yet("this number of places is", node);
    // In 8.2 an int is a float then, too.
    out = Value::real(first.is(Type::i64) && places >= 0
                          ? real(first)
                          : rounded_float(real(first), static_cast<int>(places)));
    return true;
  }
  if (numbers.size() == 1) {
    if (name == "abs") {
      if (is_real(first.type())) {
        out = first.as_real().negative ? computed::negated_real(first) : first;
        return true;
      }
      const Integer whole = computed::whole_of(first);
      return combine_wholes(node, Operation::multiply, whole, whole < 0 ? Integer(-1) : Integer(1),
                            out);
    }
    if (name == "floor" || name == "ceil") {
      out = computed::rounded_real(computed::real_of(Type::f64, first),
                                   name == "floor" ? Rounding::down : Rounding::up);
      return true;
    }
    const bool is_known = name == "sqrt" || name == "exp" || name == "log" || name == "log10" ||
                          name == "sin" || name == "cos" || name == "tan";
    const auto result =
        is_known ? computed::elementary(name, real(first)) : std::optional<double>();
    if (result) {
      out = Value::real(*result);
      return true;
    }
  }
  if (numbers.size() == 2) {
    if (name == "pow") return power(node, first, numbers[1], out);
    if (name == "fmod") {
      out = Value::real(std::fmod(real(first), real(numbers[1])));
      return true;
    }
    if (name == "intdiv" && first.is(Type::i64) && numbers[1].is(Type::i64)) {
      const Integer right = computed::whole_of(numbers[1]);
      if (right == 0) return raise("DivisionByZeroError", "Division by zero", node);
      const Integer quotient = computed::whole_of(first) / right;
      if (!computed::fits(Type::i64, quotient))
        return raise("ArithmeticError", "the quotient is no int", node);
      out = computed::wrapped(Type::i64, quotient);
      return true;
    }
  }
  return not_yet("the function " + std::string(name) + " with these arguments is", node);
}

// str_pad(text, width, filler, STR_PAD_LEFT): the width counts bytes.
bool Expressions::pad(const Node& node, const Arguments& arguments, Value& out) {
  std::string text;
  std::int64_t width = 0;
  std::int64_t side = 1;
  std::string filler = " ";
  if (arguments.size() < 2 || arguments.size() > 4)
    return raise("ArgumentCountError", "str_pad takes two to four arguments", node);
  if (!take_text(node, arguments[0], text) || !take_int(node, arguments[1], width)) return false;
  if (arguments.size() > 2 && !take_text(node, arguments[2], filler)) return false;
  if (arguments.size() > 3 && !take_int(node, arguments[3], side)) return false;
  if (filler.empty()) return raise("ValueError", "the filler is empty", node);
  if (side < 0 || side > 2) return raise("ValueError", "no such side", node);
  if (width > static_cast<std::int64_t>(most_output))
    return over_limit("a text of this size is over the limit", node);
  const auto size = static_cast<std::int64_t>(text.size());
  const std::int64_t room = std::max<std::int64_t>(0, width - size);
  const std::int64_t before = side == 0 ? room : side == 1 ? 0 : room / 2;
  const auto filled = [&](std::int64_t count) {
    std::string made;
    for (std::int64_t i = 0; i < count; ++i)
      made += filler[static_cast<std::size_t>(i) % filler.size()];
    return made;
  };
  out = Value::text(filled(before) + text + filled(room - before));
  return true;
}

bool Expressions::call_on_text(const Node& node, std::string_view name, const Arguments& arguments,
                               Value& out) {
  const std::size_t count = arguments.size();
  std::string text;
  if (count == 0) return not_yet("the function " + std::string(name) + " is", node);
  if ((name == "implode" || name == "join") && count == 2 && arguments[1].is(Type::list)) {
    std::string separator;
    std::string joined;
    if (!take_text(node, arguments[0], separator)) return false;
    for (const Value& item : arguments[1].as_list()) {
      if (!take_text(node, item, text)) return false;
      (joined += &item == arguments[1].as_list().data() ? "" : separator) += text;
    }
    out = Value::text(std::move(joined));
    return true;
  }
  if (name == "range" && (count == 2 || count == 3)) {
    std::int64_t ends[3] = {0, 0, 1};
    for (std::size_t i = 0; i < count; ++i) {
      if (!is_whole(arguments[i].type()) || !take_int(node, arguments[i], ends[i]))
        return not_yet("such a range is", node);
    }
    const std::int64_t step = ends[2] < 0 ? -ends[2] : ends[2];
    constexpr std::int64_t most = 100'000;
    if (step == 0 || (ends[1] - ends[0]) / step > most || (ends[0] - ends[1]) / step > most)
      return not_yet("such a range is", node);
    std::vector<Value> items;
    if (ends[0] <= ends[1]) {
      for (std::int64_t i = ends[0]; i <= ends[1]; i += step)
        items.push_back(Value::whole(Type::i64, i));
    } else {
      for (std::int64_t i = ends[0]; i >= ends[1]; i -= step)
        items.push_back(Value::whole(Type::i64, i));
    }
    out = Value::list(std::move(items));
    return true;
  }
  const bool lists = name == "array_keys" || name == "array_values";
  if (lists && count == 1 && arguments[0].is(Type::record)) {
    std::vector<Value> items;
    for (const Value& field : arguments[0].as_list()) {
      items.push_back(name == "array_keys" ? Value::text(std::string(field.name())) : field);
      items.back().drop_name();
    }
    out = Value::list(std::move(items));
    return true;
  }
  if (name == "count" && count == 1 && is_compound(arguments[0].type())) {
    out = Value::whole(Type::i64, static_cast<int128>(arguments[0].as_list().size()));
    return true;
  }
  if (!take_text(node, arguments[0], text)) return false;
  if (count == 1) {
    if (name == "strlen") {
      out = Value::whole(Type::i64, static_cast<int128>(text.size()));
      return true;
    }
    constexpr int step = 'a' - 'A';
    std::string made;
    if (name == "strtoupper") {
      made = changed(text, 'a', 'z', -step);
    } else if (name == "strtolower") {
      made = changed(text, 'A', 'Z', step);
    } else if (name == "lcfirst") {
      made = text;
      if (!made.empty()) made[0] = changed(made.substr(0, 1), 'A', 'Z', step)[0];
    } else if (name == "ord") {
      out = Value::whole(Type::i64, text.empty() ? 0 : static_cast<unsigned char>(text[0]));
      return true;
    } else if (name == "ucfirst" || name == "ucwords") {
      made = text;
      bool begins = true;
      for (char& c : made) {
        if (begins) c = changed({&c, 1}, 'a', 'z', -step)[0];
        begins =
            name == "ucwords" && std::string_view(" \t\r\n\f\v").find(c) != std::string_view::npos;
      }
    } else if (name == "trim" || name == "ltrim" || name == "rtrim") {
      made = trimmed_bytes(text, name != "rtrim", name != "ltrim");
    } else if (name == "strval") {
      made = text;
    } else if (name == "strrev") {
      made = text;
      std::reverse(made.begin(), made.end());
    } else {
      return not_yet("the function " + std::string(name) + " is", node);
    }
    out = Value::text(std::move(made));
    return true;
  }
  std::int64_t number = 0;
  if (name == "str_repeat" && count == 2) {
    if (!take_int(node, arguments[1], number)) return false;
    if (number < 0) return raise("ValueError", "str_repeat takes no negative number", node);
    if (static_cast<std::uint64_t>(number) > most_output / (text.size() + 1))
      return over_limit("a text of this size is over the limit", node);
    std::string made;
    for (std::int64_t i = 0; i < number; ++i) made += text;
    out = Value::text(std::move(made));
    return true;
  }
  if (name == "substr" && count <= 3) {
    const auto size = static_cast<std::int64_t>(text.size());
    std::int64_t length = size;
    if (!take_int(node, arguments[1], number)) return false;
    if (count == 3 && !arguments[2].is(Type::nil) && !take_int(node, arguments[2], length))
      return false;
    const std::int64_t from =
        number < 0 ? std::max<std::int64_t>(0, size + number) : std::min(number, size);
    const std::int64_t most = size - from;
    const std::int64_t taken =
        length < 0 ? std::max<std::int64_t>(0, most + length) : std::min(length, most);
    out = Value::text(text.substr(static_cast<std::size_t>(from), static_cast<std::size_t>(taken)));
    return true;
  }
  if (name == "str_replace" && count == 3) {
    std::string to;
    std::string of;
    if (!take_text(node, arguments[1], to) || !take_text(node, arguments[2], of)) return false;
    std::string made;
    std::size_t at = 0;
    for (std::size_t found = 0; !text.empty() && found != std::string::npos;) {
      found = of.find(text, at);
      if (found == std::string::npos) break;
      (made += of.substr(at, found - at)) += to;
      at = found + text.size();
    }
    out = Value::text(made + of.substr(at));
    return true;
  }
  if (name == "strpos" && count == 2) {
    std::string part;
    if (!take_text(node, arguments[1], part)) return false;
    const std::size_t found = text.find(part);
    out = found == std::string::npos ? Value::truth(false)
                                     : Value::whole(Type::i64, static_cast<int128>(found));
    return true;
  }
  return not_yet("the function " + std::string(name) + " with these arguments is", node);
}

// is_numeric and its like, and gettype.
bool Expressions::ask_type(const Node& node, const std::string& name, const Arguments& arguments,
                           Value& out) {
  if (arguments.size() != 1) return not_yet("this is", node);
  const Value& of = arguments[0];
  const bool is_array = of.is(Type::list) || of.is(Type::record);
  const bool is_whole_number = is_whole(of.type()) && is_int(of);
  const bool is_float = is_real(of.type());
  if (name == "gettype") {
    const char* found = is_array             ? "array"
                        : is_whole_number    ? "integer"
                        : is_float           ? "double"
                        : of.is(Type::text)  ? "string"
                        : of.is(Type::truth) ? "boolean"
                        : of.is(Type::nil)   ? "NULL"
                                             : nullptr;
    if (found == nullptr) return not_yet("the type of this is", node);
    out = Value::text(found);
    return true;
  }
  if (name == "is_numeric" && of.is(Type::text)) {
    const std::string_view text = of.as_text();
    const bool is_plain =
        !text.empty() && text.find_first_not_of("0123456789") == std::string::npos;
    const bool has_letters =
        !text.empty() && (('a' <= text[0] && text[0] <= 'z') || ('A' <= text[0] && text[0] <= 'Z'));
    if (!is_plain && !has_letters) return not_yet("is_numeric of this text is", node);
    out = Value::truth(is_plain);
    return true;
  }
  const bool known = name == "is_array" || name == "is_int" || name == "is_integer" ||
                     name == "is_float" || name == "is_string" || name == "is_bool" ||
                     name == "is_null" || name == "is_numeric";
  if (!known) return not_yet("the function " + name + " is", node);
  out = Value::truth(name == "is_array"     ? is_array
                     : name == "is_float"   ? is_float
                     : name == "is_string"  ? of.is(Type::text)
                     : name == "is_bool"    ? of.is(Type::truth)
                     : name == "is_null"    ? of.is(Type::nil)
                     : name == "is_numeric" ? is_whole_number || is_float
                                            : is_whole_number);
  return true;
}

bool Expressions::call(const Node& node, const std::string& path, const Arguments& arguments,
                       Value& out) {
  const std::size_t count = arguments.size();
  if (const Value* known = find(path); known != nullptr && known->is_expression())
    return call_kept(*known, node, arguments.values, out);
  if (const auto made = make_moment(node, path, arguments, out)) return *made;
  if (const auto date = format_date(node, path, arguments, out)) return *date;
  if (computed::has_object(arguments.values))
    return not_yet("an object as an argument of " + path + " is", node);
  if (const auto done = call_on_array(node, path, arguments, out)) return *done;
  if (const auto shown = show_value(node, path, arguments, out)) return *shown;
  if (path.starts_with("is_") || path == "gettype") return ask_type(node, path, arguments, out);
  if (path == "sprintf" && count > 0 && arguments[0].is(Type::text))
    return fill(node, *php_dialect(), arguments[0].as_text(),
                std::span<const Value>(arguments.values).subspan(1), out);
  if (path == "number_format") return format_number(node, arguments, out);
  if (path == "str_pad") return pad(node, arguments, out);
  if (path == "pi" && count == 0) {
    out = Value::real(0x1.921fb54442d18p+1);
    return true;
  }
  if ((path == "intval" || path == "floatval") && count == 1) {
    if (is_compound(arguments[0].type()) || find_rare(arguments.values) != nullptr)
      return not_yet("this is", node);
    out = path == "intval" ? Value::whole(Type::i64, int_of(arguments[0]))
                           : Value::real(Type::f64, pack(binary64, float_of(arguments[0])));
    return true;
  }
  const int base = path == "dechex" ? 16 : path == "decbin" ? 2 : path == "decoct" ? 8 : 0;
  if (base != 0 && count == 1) {
    std::int64_t number = 0;
    bool negative = false;
    if (!take_int(node, arguments[0], number)) return false;
    out = Value::text(whole_digits(computed::wrapped(Type::u64, Integer(number)), base,
                                   Letters::lower, negative));
    return true;
  }
  const int from_base = path == "hexdec" ? 16 : path == "bindec" ? 2 : path == "octdec" ? 8 : 0;
  if (from_base != 0 && count == 1) {
    std::string digits;
    if (!take_text(node, arguments[0], digits)) return false;
    const auto number = read_whole((from_base == 16  ? "0x"
                                    : from_base == 2 ? "0b"
                                                     : "0o") +
                                   digits);
    if (!number || !computed::fits(Type::i64, integer_of(*number)))
      return not_yet("this text as a number is", node);
    out = computed::wrapped(Type::i64, integer_of(*number));
    return true;
  }
  if (path == "chr" && count == 1) {
    std::int64_t number = 0;
    if (!take_int(node, arguments[0], number)) return false;
    out = Value::text(std::string(1, static_cast<char>(((number % 256) + 256) % 256)));
    return true;
  }
  constexpr std::string_view on_numbers =
      "round abs floor ceil sqrt pow intdiv fmod max min array_sum exp log log10 sin cos tan";
  if (has_word(on_numbers, path)) return call_on_numbers(node, path, arguments, out);
  return call_on_text(node, path, arguments, out);
}

}  // namespace inky::inline v1::php
