// The constants of C and C++: ISO C17, 6.4.4; ISO C++20, [lex.icon], [lex.fcon], [lex.string].

#include <algorithm>
#include <limits>

#include "c.hpp"
#include "expressions.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"

namespace inky::inline v1::c_language {

namespace {

std::optional<Value> real_number(const std::string& text, const std::string& suffix) {
  const Type type = suffix == "f" ? Type::f32 : suffix == "l" ? Type::f80 : Type::f64;
  if (suffix.size() > 1) return std::nullopt;
  auto value = read_typed(type, text);
  if (!value || !value->as_real().is_finite()) return std::nullopt;
  return std::move(*value);
}

// The first type that holds it: int, or wider; unsigned ones too where it is not decimal.
std::optional<Value> whole_number(std::string text, const std::string& suffix) {
  const bool octal = text.size() > 1 && text[0] == '0' && is_digit(text[1]);
  if (octal) text = "0o" + text.substr(1);
  const bool decimal = text[0] != '0' || text.size() == 1;
  const auto number = read_typed(Type::u64, text);
  constexpr std::string_view known[] = {"", "u", "l", "ul", "lu", "ll", "ull", "llu"};
  if (!number || std::find(std::begin(known), std::end(known), suffix) == std::end(known))
    return std::nullopt;
  const uint128 magnitude = number->bits();
  const bool is_unsigned = suffix.find('u') != std::string::npos;
  const bool is_long = suffix.find('l') != std::string::npos;
  struct Step {
    Type type;
    uint128 most;
    bool allowed;
  };
  const Step steps[] = {
      {Type::i32, 0x7FFFFFFF, !is_unsigned && !is_long},
      {Type::u32, 0xFFFFFFFF, !is_long && (is_unsigned || !decimal)},
      {Type::i64, std::numeric_limits<std::int64_t>::max(), !is_unsigned},
      {Type::u64, std::numeric_limits<std::uint64_t>::max(), is_unsigned || !decimal},
  };
  for (const Step& step : steps) {
    if (step.allowed && magnitude <= step.most)
      return Value::whole(step.type, static_cast<int128>(magnitude));
  }
  return std::nullopt;
}

}  // namespace

std::optional<Value> number_of(Edition edition, std::string_view source) {
  if (edition == Edition::c && source.find('\'') != std::string_view::npos) return std::nullopt;
  std::string text(source);
  text.erase(std::remove(text.begin(), text.end(), '\''), text.end());
  const bool hexadecimal = text.starts_with("0x") || text.starts_with("0X");
  const bool real = text.find('.') != std::string::npos ||
                    text.find_first_of(hexadecimal ? "pP" : "eE") != std::string::npos;
  const std::size_t suffix_at =
      real ? text.find_last_not_of("fFlL") + 1 : text.find_last_not_of("uUlLzZ") + 1;
  std::string suffix = text.substr(suffix_at);
  if (real && hexadecimal && text.find_first_of("pP") == std::string::npos) return std::nullopt;
  text.resize(suffix_at);
  std::transform(suffix.begin(), suffix.end(), suffix.begin(), small_letter);
  return real ? real_number(text, suffix) : whole_number(text, suffix);
}

// ISO C++20, [numeric.limits].
std::optional<bool> ExpressionReader::read_limit(computed::Node& node) {
  const std::size_t start = at_;
  if (starts_with("std::")) at_ += 5;
  constexpr std::string_view begin = "numeric_limits<";
  if (!starts_with(begin)) {
    at_ = start;
    return std::nullopt;
  }
  at_ += begin.size();
  const auto type = type_of_name(read_type());
  if (!type || !starts_with(">::")) return not_yet("this type is", start);
  at_ += 3;
  const std::string_view name = read_word();
  const bool is_call = starts_with("()");
  if (is_call) at_ += 2;
  node.kind = computed::Node::Kind::constant;
  const bool is_lowest = name == "min" || name == "lowest";
  if (is_call && is_whole(*type) && (is_lowest || name == "max")) {
    const TypeFact& fact = fact_of(*type);
    const int bits = fact.is_signed ? fact.width - 1 : fact.width;
    const int128 one = 1;
    node.value = Value::whole(*type, name == "max"    ? (one << bits) - 1
                                     : fact.is_signed ? -(one << bits)
                                                      : 0);
    return true;
  }
  if (is_call && *type == Type::f64) {
    const std::pair<std::string_view, double> known[] = {
        {"max", std::numeric_limits<double>::max()},
        {"lowest", std::numeric_limits<double>::lowest()},
        {"min", std::numeric_limits<double>::min()},
        {"epsilon", std::numeric_limits<double>::epsilon()},
        {"infinity", std::numeric_limits<double>::infinity()},
        {"quiet_NaN", std::numeric_limits<double>::quiet_NaN()}};
    for (const auto& [word, value] : known) {
      if (word != name) continue;
      node.value = Value::real(value);
      return true;
    }
  }
  const std::pair<std::string_view, int> digits[] = {
      {"digits10", 15}, {"max_digits10", 17}, {"digits", 53}};
  for (const auto& [word, value] : digits) {
    if (word != name || *type != Type::f64 || is_call) continue;
    node.value = Value::whole(Type::i32, value);
    return true;
  }
  return not_yet("this limit is", start);
}

// R"mark(...)mark": [lex.string].
bool ExpressionReader::read_raw(std::string& text, computed::Node& node) {
  const std::size_t start = at_;
  at_ += 2;
  const std::size_t open = source_.find('(', at_);
  constexpr std::size_t longest_mark = 16;
  if (open == std::string_view::npos || open - at_ > longest_mark)
    return syntax_error("a ( is missing in the raw literal", start);
  const std::string end = ")" + std::string(source_.substr(at_, open - at_)) + "\"";
  const std::size_t close = source_.find(end, open);
  if (close == std::string_view::npos) return syntax_error("the raw literal has no end", start);
  text += source_.substr(open + 1, close - open - 1);
  node.texts.push_back({open + 1, close});
  at_ = close + end.size();
  return true;
}

// Literals side by side are one.
bool ExpressionReader::read_texts(computed::Node& node) {
  node.kind = computed::Node::Kind::constant;
  std::string text;
  for (;;) {
    const bool raw = edition_ == Edition::cpp && starts_with("R\"");
    const std::size_t from = at_ + 1;
    if (raw) {
      node.is_raw = true;
      if (!read_raw(text, node)) return false;
    } else {
      if (!read_quoted('"', text)) return false;
      node.texts.push_back({from, at_ - 1});
    }
    const std::size_t end = at_;
    skip_blanks();
    if (starts_with("PRI")) return not_yet("macros of <inttypes.h> in a template are", at_);
    if (peek() != '"' && !(edition_ == Edition::cpp && starts_with("R\""))) {
      at_ = end;
      break;
    }
  }
  node.value = Value::text(std::move(text));
  return true;
}

std::optional<Value> character_of(Edition edition, const std::string& text) {
  if (text.size() != 1) return std::nullopt;
  // A constant of C is an int; any byte is a char of C++.
  const auto byte = static_cast<signed char>(text[0]);
  return edition == Edition::c ? Value::whole(Type::i32, byte)
         : byte >= 0           ? Value::character(static_cast<char32_t>(byte))
                               : Value::whole(Type::i8, byte);
}

}  // namespace inky::inline v1::c_language
