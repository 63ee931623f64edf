#include "arguments.hpp"

#include <algorithm>

#include "expression_types.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

bool ends_with(std::string_view text, std::string_view end) {
  return text.size() >= end.size() && text.substr(text.size() - end.size()) == end;
}

// C17, 6.4.4.1 p5: the type of a whole number that is marked.
std::string_view type_of_mark(std::string_view mark) {
  const bool is_unsigned = mark.find_first_of("uU") != std::string_view::npos;
  const bool is_long_long =
      mark.find("ll") != std::string_view::npos || mark.find("LL") != std::string_view::npos;
  if (is_long_long) return is_unsigned ? "unsigned long long" : "long long constant";
  if (mark.find_first_of("lL") != std::string_view::npos)
    return is_unsigned ? "unsigned long" : "long constant";
  return "unsigned int";
}

// A number as written in source: 0x1FUL, 1_000, 2.5f.
Given number_given(const Lexis& lexis, std::string_view text, bool negative) {
  Given out;
  const bool hexadecimal = text.size() > 2 && text[0] == '0' && (text[1] == 'x' || text[1] == 'X');
  const bool other_base =
      text.size() > 1 && text[0] == '0' && !hexadecimal && text[1] != '.' && text[1] != 'e';
  std::optional<Type> marked;
  std::string_view mark;
  for (const TypeNameFact& suffix : lexis.suffixes) {
    const bool fits = text.size() > suffix.name.size() && ends_with(text, suffix.name);
    // In hexadecimal f is a digit.
    if (!fits || (hexadecimal && is_real(suffix.type))) continue;
    marked = suffix.type;
    mark = suffix.name;
    text.remove_suffix(suffix.name.size());
    break;
  }
  std::string digits = negative ? "-" : "";
  for (const char byte : text) {
    if (byte != '_') digits += byte;
  }
  const bool is_real_number = hexadecimal ? digits.find_first_of("pP") != std::string::npos
                                          : digits.find_first_of(".eEdD") != std::string::npos;
  if (is_real_number) {
    // A d begins the exponent of a double of Lisp.
    const bool is_double = !hexadecimal && digits.find_first_of("dD") != std::string::npos;
    if (is_double)
      std::replace(digits.begin(), digits.end(), digits[digits.find_first_of("dD")], 'e');
    // The mark of the longest whole is that of the longest real.
    out.type = is_double                     ? Type::f64
               : marked && is_whole(*marked) ? Type::f80
                                             : marked.value_or(lexis.real_type);
  } else {
    out.type = marked.value_or(lexis.whole_type);
  }
  if (lexis.format_macros && is_whole(*out.type))
    out.type_name = marked ? type_of_mark(mark) : "int constant";
  if (other_base && !is_real_number) return out;
  Result<Value> value = read_typed(*out.type, digits);
  if (!value && !marked && !is_real_number) {
    out.type = lexis.wide_whole_type;
    if (lexis.format_macros) out.type_name = "long constant";
    value = read_typed(*out.type, digits);
  }
  if (value) out.value = *value;
  return out;
}

// What a name of a type shows; nothing where it is none that we know.
Given of_type(const Lexis& lexis, std::string name) {
  Given out;
  const auto found = std::find_if(lexis.types.begin(), lexis.types.end(),
                                  [&](const TypeNameFact& fact) { return fact.name == name; });
  if (found == lexis.types.end()) return out;
  out.type = found->type;
  out.type_name = std::move(name);
  // Of what holds other values nothing is known of these.
  if (out.type == Type::list) out.value = Value::list({});
  if (out.type == Type::tuple) out.value = Value::tuple({});
  if (out.type == Type::some) out.value = Value::some(Value::text("ink"));
  return out;
}

// The name that a type has which is written without one: that of [1, 2] is "[]".
std::string_view name_of_group(const Item& group) {
  switch (group.bracket) {
    case '[':
      return "[]";
    case '{':
      return "{}";
    default:
      return group.is_empty ? "()" : group.is_list ? "(,)" : "";
  }
}

Given text_given(const Literal& literal) {
  Given out;
  out.type = Type::text;
  if (literal.bytes) out.type.reset();
  const bool plain = !literal.bytes && literal.body.find('\\') == std::string::npos &&
                     !literal.fills && literal.whole && !literal.body.empty();
  if (plain) out.value = Value::text(literal.body);
  return out;
}

Given character_given(const Lexis& lexis, const Literal& literal) {
  Given out;
  out.type = lexis.character_type;
  if (lexis.character_type == Type::text) return text_given(literal);
  if (is_whole(lexis.character_type)) out.type_name = "int constant";
  if (literal.body.size() == 1 && literal.body[0] > 0) {
    out.value = lexis.character_type == Type::character
                    ? Value::character(static_cast<char32_t>(literal.body[0]))
                    : Value::whole(lexis.character_type, literal.body[0]);
  }
  return out;
}

bool is_constant(const Item& item, std::string_view one, std::string_view other,
                 std::string_view third) {
  return item.is_word(one) || item.is_word(other) || item.is_word(third);
}

}  // namespace

std::string written(std::span<const Item> argument) {
  constexpr std::size_t most = 40;
  std::string out;
  bool was_word = false;
  for (const Item& item : argument) {
    if (item.kind == Item::Kind::text || item.kind == Item::Kind::character) return {};
    const bool is_word = item.kind == Item::Kind::word || item.kind == Item::Kind::number;
    if (item.kind == Item::Kind::group) {
      if (item.shown.empty() && !item.is_empty) return {};
      out += item.bracket;
      out += item.shown;
      out += item.bracket == '[' ? ']' : item.bracket == '{' ? '}' : ')';
    } else {
      out += (is_word && was_word ? " " : "") + item.text;
    }
    was_word = is_word;
    if (out.size() > most) return out.substr(0, most) + "...";
  }
  return out;
}

std::string type_of_number(const Lexis& lexis, std::string_view text) {
  const Given given = number_given(lexis, text, false);
  if (!given.type) return {};
  if (is_real(*given.type))
    return *given.type == Type::f32 ? "float" : *given.type == Type::f80 ? "long double" : "double";
  if (given.type_name.empty()) {
    const auto found =
        std::find_if(lexis.types.begin(), lexis.types.end(),
                     [&](const TypeNameFact& fact) { return fact.type == *given.type; });
    return found == lexis.types.end() ? std::string() : std::string(found->name);
  }
  // "long constant" is a long.
  const std::size_t constant = given.type_name.find(" constant");
  return given.type_name.substr(0, constant);
}

std::size_t behind_name(const Lexis& lexis, const Argument& argument) {
  return !lexis.names_value.empty() && argument.size() > 2 &&
                 argument[0].kind == Item::Kind::word && argument[1].is_sign(lexis.names_value)
             ? 2
             : 0;
}

std::optional<std::string> format_macro(const Lexis& lexis, const Item& item) {
  if (!lexis.format_macros || item.kind != Item::Kind::word) return std::nullopt;
  // C17, 7.8.1: PRI, the conversion, and the type it is for. Their texts are those of LP64.
  std::string_view name = item.text;
  if (name.size() < 5 || name.substr(0, 3) != "PRI") return std::nullopt;
  const char letter = name[3];
  if (std::string_view("diouxX").find(letter) == std::string_view::npos) return std::nullopt;
  name.remove_prefix(4);
  const bool is_fast = name.substr(0, 4) == "FAST";
  if (is_fast)
    name.remove_prefix(4);
  else if (name.substr(0, 5) == "LEAST")
    name.remove_prefix(5);
  const bool is_small = name == "8" || name == "16" || name == "32";
  if (!is_small && name != "64" && name != "MAX" && name != "PTR") return std::nullopt;
  const bool is_long = !is_small || (is_fast && name != "8");
  return (is_long ? "l" : "") + std::string(1, letter);
}

bool all_texts(const Lexis& lexis, const Argument& argument, std::size_t from) {
  bool wants_text = true;
  for (std::size_t i = from; i < argument.size(); ++i) {
    const bool is_text =
        argument[i].kind == Item::Kind::text || format_macro(lexis, argument[i]).has_value();
    if (is_text && (wants_text || lexis.adjacent_texts_join)) {
      wants_text = false;
    } else if (!wants_text && !lexis.join.empty() && argument[i].is_sign(lexis.join)) {
      wants_text = true;
    } else {
      return false;
    }
  }
  return !wants_text;
}

Given given_by(const Lexis& lexis, const Argument& argument, const Declarations& declared) {
  const std::size_t from = behind_name(lexis, argument);
  const std::size_t size = argument.size() - from;
  const auto item = [&](std::size_t i) -> const Item& { return argument[from + i]; };
  const auto kind = [&](std::size_t i) { return item(i).kind; };
  Given out;
  if (all_texts(lexis, argument, from)) {
    if (size == 1) out = text_given(item(0).literal);
    if (!item(0).literal.bytes) out.type = Type::text;
    if (lexis.format_macros)
      out.type_name = std::any_of(argument.begin(), argument.end(),
                                  [](const Item& one) { return one.literal.wide; })
                          ? "wchar_t*"
                          : "char*";
  } else if (size == 1 && kind(0) == Item::Kind::number) {
    out = number_given(lexis, item(0).text, false);
  } else if (size == 2 && (item(0).is_sign("-") || item(0).is_sign("+")) &&
             kind(1) == Item::Kind::number) {
    out = number_given(lexis, item(1).text, item(0).is_sign("-"));
  } else if (size == 1 && kind(0) == Item::Kind::character) {
    out = character_given(lexis, item(0).literal);
  } else if (size == 1 && kind(0) == Item::Kind::word) {
    if (is_constant(item(0), "None", "nil", "null"))
      out = of_type(lexis, item(0).text);
    else if (is_constant(item(0), "true", "True", "TRUE") ||
             is_constant(item(0), "false", "False", "FALSE"))
      out.type = Type::truth;
    else
      out = of_type(lexis, declared.type_of(item(0).text));
  } else if (size == 1 && kind(0) == Item::Kind::group) {
    out = of_type(lexis, std::string(name_of_group(item(0))));
  } else if (size == 3 && item(1).is_sign("!") && kind(2) == Item::Kind::group) {
    out = of_type(lexis, item(0).text + "!");
  } else if (size >= 2 && kind(0) == Item::Kind::group && kind(1) != Item::Kind::sign &&
             lexis.types_come_first) {
    // (type) operand, where nothing weaker than a cast follows.
    bool binds = true;
    for (std::size_t i = 1; i < size; ++i)
      binds =
          binds && (kind(i) != Item::Kind::sign || item(i).is_sign(".") || item(i).is_sign("->"));
    if (binds) out = of_type(lexis, item(0).text);
  } else if (size == 5 && item(0).is_word("static_cast") && item(1).is_sign("<") &&
             item(3).is_sign(">")) {
    out = of_type(lexis, item(2).text);
  } else if (size == 2 && kind(0) == Item::Kind::word && kind(1) == Item::Kind::group &&
             item(1).bracket == '(') {
    // A conversion, or a function that we know.
    out = of_type(lexis, item(0).text + "()");
  } else if (size >= 3 && item(size - 2).is_word("as") && kind(size - 1) == Item::Kind::word) {
    out = of_type(lexis, item(size - 1).text);
  } else if (size >= 4 && kind(size - 1) == Item::Kind::group && item(size - 1).text.empty() &&
             kind(size - 2) == Item::Kind::word && item(size - 3).is_sign(".") &&
             std::none_of(argument.begin() + static_cast<std::ptrdiff_t>(from), argument.end(),
                          [](const Item& one) {
                            return one.kind == Item::Kind::sign && !one.is_sign(".") &&
                                   !one.is_sign("::") && !one.is_sign("->");
                          })) {
    out = of_type(lexis, "." + item(size - 2).text + "()");
  }
  if (!out.type && !out.value && !lexis.arithmetic.empty()) {
    const std::string type =
        type_of_expression(lexis, std::span<const Item>(argument).subspan(from), declared);
    out = of_type(lexis, type);
    // Any pointer is passed as one to a text is.
    const bool is_pointer =
        lexis.format_macros && type.ends_with('*') && declared.types().is_type(type);
    if (!out.type && is_pointer) {
      out.type = Type::text;
      out.type_name = type;
    }
  }
  if (from > 0) out.name = argument[0].text;
  if (out.type && (!out.value || is_compound(out.value->type()) || out.value->is(Type::some)))
    out.written = written(std::span<const Item>(argument).subspan(from));
  return out;
}

}  // namespace inky::inline v1
