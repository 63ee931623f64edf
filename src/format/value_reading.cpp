// Values as they are written on the command line.

#include <algorithm>
#include <array>
#include <bit>
#include <cstdlib>
#include <vector>

#include "fraction_value.hpp"
#include "inky_margin/format/value.hpp"
#include "inky_margin/number/decimal.hpp"
#include "number/number_type.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "text/nearest_name.hpp"
#include "text/utf8.hpp"
#include "type_names.hpp"
#include "zones.hpp"

namespace inky::inline v1 {

namespace {

const NumberType& number_type(const TypeFact& fact) {
  return number_types[static_cast<std::size_t>(fact.type)];
}

Error bad_value(Code code, std::string message, std::string_view text, std::string remedy) {
  return {code, std::move(message), {0, text.size()}, std::move(remedy)};
}

// "0 to 255", "-128 to 127".
std::string range_text(const TypeFact& fact) {
  return lowest_whole(number_type(fact)) + " to " + highest_whole(number_type(fact));
}

Result<Value> read_typed_whole(const TypeFact& fact, std::string_view payload) {
  const std::optional<SignedNatural> number = read_whole(payload);
  if (!number) {
    return bad_value(Code::bad_value, in_quotes(payload) + " is not a whole number", payload,
                     "Write digits, with 0x, 0o or 0b in front for another base.");
  }
  if (fact.type == Type::big) return Value::big(*number);
  if (!fits(*number, number_type(fact))) {
    return bad_value(Code::value_out_of_range,
                     visible(payload) + " does not fit " + std::string(fact.name), payload,
                     std::string(fact.name) + " holds " + range_text(fact) + ".");
  }
  const uint128 magnitude = number->magnitude.low_bits();
  return Value::whole(fact.type,
                      static_cast<int128>(number->negative ? uint128{0} - magnitude : magnitude));
}

Result<Value> read_typed_real(const TypeFact& fact, std::string_view payload) {
  const std::optional<uint128> bits = read_real(*fact.format, payload);
  if (!bits) {
    return bad_value(Code::bad_value, in_quotes(payload) + " is not a number", payload,
                     "Write a decimal, a hexadecimal real such as 0x1.8p+1, inf or nan.");
  }
  Value value = Value::real(fact.type, *bits);
  if (!scan_decimal(payload)) value.set_given_in_bits();
  return value;
}

Result<Value> read_typed_character(std::string_view payload) {
  std::string_view inner = payload;
  if (inner.size() >= 3 && inner.front() == '\'' && inner.back() == '\'') {
    inner = inner.substr(1, inner.size() - 2);
  }
  const auto point = first_code_point(inner);
  if (!point || static_cast<std::size_t>(point->bytes) != inner.size()) {
    return bad_value(Code::bad_value, in_quotes(payload) + " is not one character", payload,
                     "Write a single code point, as in 'K':char.");
  }
  return Value::character(point->value);
}

std::string_view without_quotes(std::string_view text) {
  if (text.size() >= 2 && text.front() == '"' && text.back() == '"') {
    return text.substr(1, text.size() - 2);
  }
  return text;
}

bool is_name(std::string_view text) {
  return !text.empty() && is_word_start(text[0]) &&
         std::all_of(text.begin(), text.end(), is_word_part);
}

// A number without a type, or nothing.
std::optional<Value> read_plain_number(std::string_view text) {
  const std::optional<DecimalText> decimal = scan_decimal(text);
  if (!decimal) return std::nullopt;
  const bool has_real_mark = text.find_first_of(".eE") != std::string_view::npos;
  if (has_real_mark) return Value::real(Type::f64, nearest(binary64, *decimal));
  const std::optional<SignedNatural> number = read_whole(text);
  if (!number) return std::nullopt;
  for (const Type type : {Type::i32, Type::i64}) {
    if (fits(*number, number_type(fact_of(type)))) return *read_typed(type, text);
  }
  return Value::big(*number);
}

Result<Value> read_unnamed(std::string_view text, int depth = 0);

// The brackets that hold values; a closing one is at the place of its opening one.
constexpr std::string_view opening = "[({";
constexpr std::string_view closing = "])}";

// The first of `marks`, or of the closing brackets, from `at` on that is in no quotes and no
// inner brackets; npos where there is none.
std::size_t find_outside(std::string_view text, std::size_t at, std::string_view marks) {
  int open = 0;
  char quote = 0;
  for (; at < text.size(); ++at) {
    const char c = text[at];
    if (quote != 0) {
      if (c == quote) quote = 0;
    } else if (c == '"' || c == '\'') {
      quote = c;
    } else if (open == 0 && (marks.find(c) != std::string_view::npos ||
                             closing.find(c) != std::string_view::npos)) {
      return at;
    } else if (opening.find(c) != std::string_view::npos) {
      ++open;
    } else if (closing.find(c) != std::string_view::npos) {
      --open;
    }
  }
  return std::string_view::npos;
}

Result<Value> moved(Result<Value> value, std::size_t by) {
  if (!value) {
    value.error().span.from += by;
    value.error().span.to += by;
  }
  return value;
}

// `name: VALUE`.
Result<Value> read_record_field(std::string_view text, int depth) {
  const std::size_t colon = std::min(text.find(':'), text.size());
  const std::string_view name = text.substr(0, colon);
  const std::size_t start = text.find_first_not_of(' ', colon + 1);
  if (!is_name(name) || start == std::string_view::npos) {
    return bad_value(Code::bad_value, "a field of a record needs a name, a colon and a value", text,
                     "Write {batch: \"K-7\", mass: 12.5}, or add :text for a text in braces.");
  }
  Result<Value> value = moved(read_unnamed(text.substr(start), depth), start);
  if (value) value->set_name(std::string(name));
  return value;
}

std::optional<Error> name_twice(const std::vector<Value>& fields, const Value& next, Span span) {
  for (const Value& field : fields) {
    if (field.is_named() && field.name() == next.name())
      return Error{Code::duplicate_key, "the record has two fields " + in_quotes(next.name()), span,
                   "Give each field a name of its own."};
  }
  return std::nullopt;
}

// `[1, 2.5, "x"]`, `(1, 2.5)` or `{mass: 12.5}`, from its first bracket to its last. The span of an
// error is in `text`.
Result<Value> read_compound(std::string_view text, int depth) {
  if (depth == most_value_depth) {
    return Error{Code::over_limit,
                 "lists nest more than " + std::to_string(most_value_depth) + " deep",
                 {0, text.size()},
                 "Use fewer brackets."};
  }
  const bool is_record = text[0] == '{';
  const char last = closing[opening.find(text[0])];
  std::vector<Value> items;
  std::size_t at = text.find_first_not_of(' ', 1);
  while (at < text.size() && text[at] != last) {
    const std::size_t end = find_outside(text, at, ",");
    if (end == std::string_view::npos || (text[end] != ',' && text[end] != last)) break;
    const std::string_view item = text.substr(at, text.find_last_not_of(' ', end - 1) + 1 - at);
    Result<Value> value = item.empty() ? bad_value(Code::bad_value, "an item is missing", " ",
                                                   "Write a value, or nil:nil.")
                          : is_record  ? read_record_field(item, depth + 1)
                                       : read_unnamed(item, depth + 1);
    if (!value) return moved(std::move(value), at);
    if (is_record) {
      if (auto error = name_twice(items, *value, {at, at + item.size()})) return std::move(*error);
    }
    items.push_back(std::move(*value));
    at = text[end] == ',' ? text.find_first_not_of(' ', end + 1) : end;
  }
  if (at + 1 == text.size() && text[at] == last) {
    return is_record     ? Value::record(std::move(items))
           : last == ')' ? Value::tuple(std::move(items))
                         : Value::list(std::move(items));
  }
  const std::string_view kind = is_record ? "record" : last == ')' ? "tuple" : "list";
  return Error{Code::bad_value,
               "a " + std::string(kind) + " needs a comma between items and a bracket at its end",
               {std::min(at, text.size() - 1), text.size()},
               "Write [1, 2.5, \"x\"], or add :text for a text that begins with a bracket."};
}

// A text in round brackets is a tuple where it has a comma, or nothing.
bool is_compound_text(std::string_view text) {
  if (text.size() < 2 || opening.find(text[0]) == std::string_view::npos ||
      text.back() != closing[opening.find(text[0])])
    return false;
  if (text[0] == '[') return true;
  if (text[0] == '(')
    return text == "()" || text[std::min(find_outside(text, 1, ","), text.size() - 1)] == ',';
  const std::size_t name = text.find_first_not_of(' ', 1);
  return text[name] == '}' ||
         is_name(text.substr(name, std::min(text.find(':'), text.size()) - name));
}

// "3-5i", "2.5i", "4": the parts, cut at the last sign that belongs to no exponent.
Result<Value> read_complex(std::string_view payload) {
  std::string_view real = payload;
  std::string_view imaginary = "0";
  if (payload.ends_with('i')) {
    std::size_t sign = payload.size();
    while (sign > 0) {
      --sign;
      const char c = payload[sign];
      const char before = sign > 0 ? payload[sign - 1] : ' ';
      if ((c == '+' || c == '-') && before != 'e' && before != 'E' && before != 'p') break;
    }
    imaginary = payload.substr(sign, payload.size() - 1 - sign);
    real = sign == 0 ? "0" : payload.substr(0, sign);
  }
  if (imaginary.starts_with('+')) imaginary.remove_prefix(1);
  const auto first = read_real(binary64, real);
  const auto second = read_real(binary64, imaginary);
  if (!first || !second) {
    return bad_value(Code::bad_value, in_quotes(payload) + " is not a complex number", payload,
                     "Write a real part and an imaginary one, as in 3-5i.");
  }
  return Value::complex(std::bit_cast<double>(low_half(*first)),
                        std::bit_cast<double>(low_half(*second)));
}

Result<Value> read_typed_moment(std::string_view payload) {
  if (const auto moment = read_moment(payload)) return Value::moment(*moment);
  const std::size_t open = payload.find('[');
  if (open != std::string_view::npos && payload.ends_with(']')) {
    const std::string_view zone = payload.substr(open + 1, payload.size() - open - 2);
    if (!zone_named(zone))
      return bad_value(Code::bad_value, "no time zone is called " + in_quotes(zone), payload,
                       "Write a name of tzdata, as in [Europe/Berlin].");
    if (read_moment(payload.substr(0, open)))
      return bad_value(
          Code::bad_value, "no clock of " + std::string(zone) + " shows this time", payload,
          "Write a time from 1970 on that clocks do not skip there, and the offset that "
          "they have then, or none.");
  }
  return bad_value(Code::bad_value, in_quotes(payload) + " is not a moment", payload,
                   "Write an existing day from the years 1 to 9999 and a time, as in "
                   "2031-05-09T14:05:00.25 or 2031-05-09T14:05+02:00.");
}

// A date, a time or a duration.
Result<Value> read_typed_part(Type type, std::string_view payload) {
  if (type == Type::duration) {
    if (const auto read = read_duration(payload)) return Value::duration(*read);
    return bad_value(Code::bad_value, in_quotes(payload) + " is not a duration", payload,
                     "Write days, hours, minutes and seconds, as in P1DT2H30M or -PT0.5S, up to " +
                         std::to_string(most_days) + " days.");
  }
  if (type == Type::date) {
    if (const auto read = read_date(payload)) return Value::date(*read);
    return bad_value(Code::bad_value, in_quotes(payload) + " is not a date", payload,
                     "Write an existing day from the years 1 to 9999, as in 2031-05-09.");
  }
  if (const auto read = read_time(payload)) return Value::time(*read);
  return bad_value(Code::bad_value, in_quotes(payload) + " is not a time", payload,
                   "Write hours, minutes and seconds, as in 14:05 or 14:05:07.25.");
}

Result<Value> read_typed_decimal(std::string_view payload) {
  std::optional<Decimal> decimal = read_decimal(payload);
  if (!decimal) {
    return bad_value(Code::bad_value, in_quotes(payload) + " is not a decimal", payload,
                     "Write digits, with a point where it is needed, as in 1.10, or inf or nan.");
  }
  const std::int64_t furthest = std::max(decimal->exponent, -decimal->exponent);
  if (decimal->is_finite() &&
      (furthest > most_zeros || std::abs(decimal->adjusted_exponent()) > most_zeros)) {
    return bad_value(Code::over_limit,
                     "a digit of this decimal is more than " + std::to_string(most_zeros) +
                         " places from the point",
                     payload, "Give one whose digits are nearer to the point.");
  }
  return Value::decimal(std::move(*decimal));
}

Result<Value> read_typed_fraction(std::string_view payload) {
  if (payload.size() > most_zeros)
    return bad_value(Code::over_limit,
                     "a fraction of more than " + std::to_string(most_zeros) + " digits", payload,
                     "Give one with fewer.");
  const std::size_t bar = payload.find('/');
  const bool has_bar = bar != std::string_view::npos;
  const auto above = read_whole(payload.substr(0, bar));
  const auto below = has_bar ? read_whole(payload.substr(bar + 1)) : read_whole("1");
  if (!above || !below || below->negative || below->magnitude.is_zero())
    return bad_value(Code::bad_value, in_quotes(payload) + " is not a fraction", payload,
                     "Write two whole numbers, the second above zero, as in 1/3 or -22/7.");
  return fraction_value(Rational(integer_of(*above), integer_of(*below)));
}

// "some(5)"
bool is_option_text(std::string_view text) {
  return text.starts_with("some(") && text.ends_with(')') &&
         find_outside(text, 5, ")") == text.size() - 1;
}

Result<Value> read_option(std::string_view text, int depth) {
  constexpr std::size_t from = 5;
  const std::string_view held = text.substr(from, text.size() - from - 1);
  if (depth >= most_value_depth) {
    return Error{Code::over_limit,
                 "options, lists, tuples and records nest at most " +
                     std::to_string(most_value_depth) + " deep",
                 {0, text.size()},
                 "Give fewer of them in each other."};
  }
  if (held.empty())
    return bad_value(Code::bad_value, "an option holds a value", text,
                     "Write some(5), nil for one that holds none, or add :text for a text.");
  Result<Value> value = moved(read_unnamed(held, depth + 1), from);
  if (!value) return value;
  return Value::some(std::move(*value));
}

Result<Value> read_unnamed(std::string_view text, int depth) {
  if (is_option_text(text)) return read_option(text, depth);
  if (is_compound_text(text)) return read_compound(text, depth);
  // In a list, quotes make a text, or one character.
  if (depth != 0 && text.size() >= 2 && text.front() == text.back()) {
    if (text.front() == '"') return Value::text(std::string(text.substr(1, text.size() - 2)));
    if (text.front() == '\'') return read_typed_character(text);
  }
  if (depth != 0 && (text == "true" || text == "false")) return Value::truth(text == "true");
  if (depth != 0 && text == "nil") return Value();
  const std::size_t colon = text.rfind(':');
  if (colon != std::string_view::npos) {
    const std::string_view suffix = text.substr(colon + 1);
    if (const auto type = type_named(suffix)) return read_typed(*type, text.substr(0, colon));
    if (looks_like_type(suffix) && scan_decimal(text.substr(0, colon))) {
      return Error{Code::unknown_type,
                   in_quotes(suffix) + " is not a type",
                   {colon + 1, text.size()},
                   choices_for(suffix, type_names()) + " For text, add :text."};
    }
  }
  if (auto number = read_plain_number(text)) return std::move(*number);
  return Value::text(std::string(text));
}

}  // namespace

Result<Value> read_typed(Type type, std::string_view payload) {
  const TypeFact& fact = fact_of(type);
  if (is_whole(type)) return read_typed_whole(fact, payload);
  if (is_real(type)) return read_typed_real(fact, payload);
  switch (type) {
    case Type::text:
      return Value::text(std::string(without_quotes(payload)));
    case Type::character:
      return read_typed_character(payload);
    case Type::truth:
      if (payload == "true" || payload == "false") return Value::truth(payload == "true");
      return bad_value(Code::bad_value, in_quotes(payload) + " is not a truth value", payload,
                       "Write true or false.");
    case Type::nil:
      if (payload.empty() || payload == "nil") return Value();
      return bad_value(Code::bad_value, in_quotes(payload) + " is not nil", payload,
                       "Write nil:nil.");
    case Type::complex:
      return read_complex(payload);
    case Type::moment:
      return read_typed_moment(payload);
    case Type::date:
    case Type::time:
    case Type::duration:
      return read_typed_part(type, payload);
    case Type::decimal:
      return read_typed_decimal(payload);
    case Type::fraction:
      return read_typed_fraction(payload);
    case Type::some: {
      Result<Value> held = read_unnamed(payload);
      if (!held) return held;
      return Value::some(std::move(*held));
    }
    case Type::list:
    case Type::tuple:
    case Type::record: {
      Result<Value> value = read_unnamed(payload);
      if (!value || value->is(type)) return value;
      return bad_value(Code::bad_value, in_quotes(payload) + " is not a " + std::string(fact.name),
                       payload, "Write [1, 2.5], (1, 2.5) or {mass: 12.5}.");
    }
    default:
      return bad_value(Code::not_supported_yet,
                       "values of type " + std::string(fact.name) + " are not supported yet",
                       payload, "Use text for now: add :text.");
  }
}

Result<Value> read_value(std::string_view text) {
  if (const std::size_t bad = first_invalid_utf8(text); bad != std::string_view::npos) {
    return Error{
        Code::not_utf8, "the value is not UTF-8", {bad, bad + 1}, "Values are given in UTF-8."};
  }
  const std::size_t equals = text.find('=');
  if (equals == std::string_view::npos || !is_name(text.substr(0, equals)))
    return read_unnamed(text);
  Result<Value> value = moved(read_unnamed(text.substr(equals + 1)), equals + 1);
  if (value) value->set_name(std::string(text.substr(0, equals)));
  return value;
}

}  // namespace inky::inline v1
