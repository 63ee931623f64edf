// The methods of texts that expressions of Python may call: the Library Reference, "Text Sequence
// Type".

#include <algorithm>

#include "../family/values.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "text/ascii.hpp"
#include "text/case_folding.hpp"
#include "text/lower_case.hpp"
#include "text/upper_case.hpp"
#include "text/utf8.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

// What str.isspace() is true of: Unicode, Bidi_Class WS, B and S, and Zs.
bool is_blank_point(char32_t c) {
  return (9 <= c && c <= 13) || (0x1C <= c && c <= 0x20) || c == 0x85 || c == 0xA0 || c == 0x1680 ||
         (0x2000 <= c && c <= 0x200A) || c == 0x2028 || c == 0x2029 || c == 0x202F || c == 0x205F ||
         c == 0x3000;
}

// Letters whose case is more than one capital and one small letter: digraphs, letters of Greek with
// an iota, Georgian; sharp s, micro sign and final sigma.
bool has_odd_case(char32_t point) {
  return (0x1C4 <= point && point <= 0x1CC) || (0x1F1 <= point && point <= 0x1F3) ||
         (0x1F80 <= point && point <= 0x1FFC) || (0x10A0 <= point && point <= 0x10FF) ||
         point == 0xDF || point == 0xB5 || point == 0x3C2 || point == 0x3A3 || point == 0x17F;
}

// capitalize(), title() and swapcase() beyond ASCII. False where a letter has a capital
// of several letters, or an odd case.
bool changed_letters(std::string_view text, std::string_view name, std::string& out) {
  bool in_word = false;
  for (const std::string_view character : characters_of(text)) {
    const std::string capital = upper_case(character);
    const std::string small = lower_case(character);
    const char32_t point = first_code_point(character)->value;
    const bool follows = in_word && (name == "capitalize" || name == "title");
    const bool is_odd =
        follows ? point == 0x3A3 : has_odd_case(point) || characters_of(capital).size() != 1;
    if (is_odd || characters_of(small).size() != 1) return false;
    const bool has_case = capital != character || small != character;
    const bool stays_small = follows || (name == "swapcase" && small != character);
    out += stays_small ? small : capital;
    in_word = name == "capitalize" || has_case;
  }
  return true;
}

}  // namespace

// Each character of a text.
std::vector<std::string_view> characters_of(std::string_view text) {
  std::vector<std::string_view> out;
  while (const auto point = first_code_point(text)) {
    const auto size = static_cast<std::size_t>(point->bytes);
    out.push_back(text.substr(0, size));
    text.remove_prefix(size);
  }
  return out;
}

bool Expressions::call_on_text(const Node& node, std::string_view text, const Arguments& arguments,
                               Value& out) {
  const std::string& name = node.parts[0].text;
  const auto is_among = [&](std::initializer_list<std::string_view> names) {
    return std::find(names.begin(), names.end(), name) != names.end();
  };
  const bool bare = is_among({"upper", "lower", "casefold", "capitalize", "title", "swapcase"});
  if (bare) return takes(node, name, arguments, 0, 0) && change_case(node, text, out);
  if (name.starts_with("is"))
    return takes(node, name, arguments, 0, 0) && test_characters(node, text, out);
  if (is_among({"center", "ljust", "rjust", "zfill"})) return pad(node, text, arguments, out);
  if (is_among({"strip", "lstrip", "rstrip"})) return strip(node, text, arguments, out);
  if (is_among({"find", "rfind", "index", "rindex", "count", "startswith", "endswith"}))
    return search(node, text, arguments, out);
  if (is_among({"split", "splitlines", "partition", "rpartition"}))
    return split(node, text, arguments, out);
  if (name == "join") return join(node, text, arguments, out);
  if (name == "replace") return replace(node, text, arguments, out);
  if (is_among({"removeprefix", "removesuffix"})) {
    if (!takes(node, name, arguments, 1, 1)) return false;
    if (!is_text_or_character(arguments[0]))
      return raise("TypeError", name + "() argument must be str", node);
    const std::string part = text_of(arguments[0]);
    if (name == "removeprefix" && text.starts_with(part)) text.remove_prefix(part.size());
    if (name == "removesuffix" && text.ends_with(part)) text.remove_suffix(part.size());
    out = Value::text(std::string(text));
    return true;
  }
  return not_yet("the method " + name + " is", node);
}

bool Expressions::change_case(const Node& node, std::string_view text, Value& out) {
  const std::string& name = node.parts[0].text;
  if (!is_utf8(text)) return not_yet("the case of what is not UTF-8 is", node);
  if (name == "upper") {
    out = Value::text(upper_case(text));
    return true;
  }
  if (name == "lower") {
    out = Value::text(lower_case(text));
    return true;
  }
  if (name == "casefold") {
    out = Value::text(folded_case(text));
    return true;
  }
  if (!is_ascii(text)) {
    std::string made;
    if (!changed_letters(text, name, made)) return not_yet(name + "() of these letters is", node);
    out = Value::text(std::move(made));
    return true;
  }
  std::string made(text);
  bool in_word = false;
  for (char& c : made) {
    const bool letter = is_letter(c);
    if (name == "swapcase")
      c = is_small_letter(c) ? capital_letter(c) : small_letter(c);
    else
      c = in_word ? small_letter(c) : capital_letter(c);
    in_word = name == "capitalize" || letter;
  }
  out = Value::text(std::move(made));
  return true;
}

bool Expressions::test_characters(const Node& node, std::string_view text, Value& out) {
  const std::string& name = node.parts[0].text;
  if (name == "isascii") {
    out = Value::truth(is_ascii(text));
    return true;
  }
  if (!is_ascii(text)) return not_yet(name + "() of characters beyond ASCII is", node);
  const auto all = [&](auto test) { return std::all_of(text.begin(), text.end(), test); };
  const auto any = [&](auto test) { return std::any_of(text.begin(), text.end(), test); };
  bool truth = false;
  if (name == "isdigit" || name == "isdecimal" || name == "isnumeric") {
    truth = !text.empty() && all(is_digit);
  } else if (name == "isalpha") {
    truth = !text.empty() && all(is_letter);
  } else if (name == "isalnum") {
    truth = !text.empty() && all([](char c) { return is_letter(c) || is_digit(c); });
  } else if (name == "isspace") {
    truth =
        !text.empty() && all([](char c) { return is_blank_point(static_cast<unsigned char>(c)); });
  } else if (name == "isupper") {
    truth = any(is_capital_letter) && !any(is_small_letter);
  } else if (name == "islower") {
    truth = any(is_small_letter) && !any(is_capital_letter);
  } else if (name == "isidentifier") {
    truth = !text.empty() && is_word_start(text[0]) && all(is_word_part);
  } else if (name == "isprintable") {
    truth = all([](char c) { return 0x20 <= c && c < 0x7F; });
  } else if (name == "istitle") {
    bool before = false;
    truth = any(is_letter);
    for (const char c : text) {
      if ((is_capital_letter(c) && before) || (is_small_letter(c) && !before)) truth = false;
      before = is_letter(c);
    }
  } else {
    return not_yet("the method " + name + " is", node);
  }
  out = Value::truth(truth);
  return true;
}

bool Expressions::pad(const Node& node, std::string_view text, const Arguments& arguments,
                      Value& out) {
  const std::string& name = node.parts[0].text;
  if (!takes(node, name, arguments, 1, name == "zfill" ? 1 : 2)) return false;
  std::int64_t width = 0;
  if (!take_whole(node, arguments[0], width)) return false;
  std::string fill = " ";
  if (arguments.size() == 2) {
    fill = is_text_or_character(arguments[1]) ? text_of(arguments[1]) : std::string();
    const auto point = first_code_point(fill);
    if (!point || static_cast<std::size_t>(point->bytes) != fill.size())
      return raise("TypeError", "The fill character must be exactly one character long", node);
  }
  const auto size = static_cast<std::int64_t>(measure(text, WidthUnit::code_points));
  if (width > static_cast<std::int64_t>(most_output) / 4)
    return over_limit("a width of " + std::to_string(width) + " is over the limit", node);
  const std::int64_t room = std::max<std::int64_t>(width - size, 0);
  const auto filled = [&](std::int64_t count) {
    std::string made;
    for (std::int64_t i = 0; i < count; ++i) made += fill;
    return made;
  };
  if (name == "zfill") {
    fill = "0";
    const bool has_sign = !text.empty() && (text[0] == '-' || text[0] == '+');
    out = Value::text(std::string(text.substr(0, has_sign ? 1 : 0)) + filled(room) +
                      std::string(text.substr(has_sign ? 1 : 0)));
    return true;
  }
  // Objects/unicodeobject.c, unicode_center_impl: the odd one goes left where the width is odd.
  const std::int64_t left = name == "rjust"   ? room
                            : name == "ljust" ? 0
                                              : room / 2 + (room & width & 1);
  out = Value::text(filled(left) + std::string(text) + filled(room - left));
  return true;
}

bool Expressions::strip(const Node& node, std::string_view text, const Arguments& arguments,
                        Value& out) {
  const std::string& name = node.parts[0].text;
  if (!takes(node, name, arguments, 0, 1)) return false;
  const bool given = arguments.size() == 1 && !arguments[0].is(Type::nil);
  if (given && !is_text_or_character(arguments[0]))
    return raise("TypeError", name + " arg must be None or str", node);
  const std::string set = given ? text_of(arguments[0]) : std::string();
  const std::vector<std::string_view> marks = characters_of(set);
  const auto goes = [&](std::string_view character) {
    if (!given) return is_blank_point(first_code_point(character)->value);
    return std::find(marks.begin(), marks.end(), character) != marks.end();
  };
  const std::vector<std::string_view> characters = characters_of(text);
  std::size_t from = 0;
  std::size_t to = characters.size();
  while (name != "rstrip" && from < to && goes(characters[from])) ++from;
  while (name != "lstrip" && to > from && goes(characters[to - 1])) --to;
  std::string made;
  for (std::size_t i = from; i < to; ++i) made += characters[i];
  out = Value::text(std::move(made));
  return true;
}

bool Expressions::search(const Node& node, std::string_view text, const Arguments& arguments,
                         Value& out) {
  const std::string& name = node.parts[0].text;
  if (!takes(node, name, arguments, 1, 3)) return false;
  if (arguments.size() > 1) return not_yet("a place to begin is", node);
  const bool ends = name == "startswith" || name == "endswith";
  const auto matches = [&](const Value& part) {
    return is_text_or_character(part) &&
           (name == "startswith" ? text.starts_with(text_of(part)) : text.ends_with(text_of(part)));
  };
  if (ends && arguments[0].is(Type::tuple)) {
    const auto parts = arguments[0].as_list();
    out = Value::truth(std::any_of(parts.begin(), parts.end(), matches));
    return true;
  }
  if (!is_text_or_character(arguments[0]))
    return raise("TypeError", "must be str, not " + std::string(type_name(arguments[0])), node);
  if (ends) {
    out = Value::truth(matches(arguments[0]));
    return true;
  }
  const std::string part = text_of(arguments[0]);
  const auto points = [](std::string_view before) {
    return Integer(measure(before, WidthUnit::code_points));
  };
  if (name == "count") {
    if (part.empty()) return keep(node, points(text) + 1, out);
    std::size_t count = 0;
    for (std::size_t at = text.find(part); at != std::string_view::npos;
         at = text.find(part, at + part.size()))
      ++count;
    return keep(node, Integer(count), out);
  }
  const bool last = name[0] == 'r';
  const std::size_t at = last ? text.rfind(part) : text.find(part);
  if (at != std::string_view::npos) return keep(node, points(text.substr(0, at)), out);
  if (name.ends_with("index")) return raise("ValueError", "substring not found", node);
  return keep(node, -1, out);
}

bool Expressions::split(const Node& node, std::string_view text, const Arguments& arguments,
                        Value& out) {
  const std::string& name = node.parts[0].text;
  std::vector<Value> items;
  const auto add = [&](std::string_view part) { items.push_back(Value::text(std::string(part))); };
  if (name == "splitlines") {
    if (!takes(node, name, arguments, 0, 0)) return false;
    if (!is_ascii(text)) return not_yet("splitlines() of text beyond ASCII is", node);
    while (!text.empty()) {
      const std::size_t end = std::min(text.find_first_of("\n\r\v\f\x1c\x1d\x1e"), text.size());
      add(text.substr(0, end));
      const bool pair = text.substr(end, 2) == "\r\n";
      text.remove_prefix(std::min(end + (pair ? 2 : 1), text.size()));
    }
    out = Value::list(std::move(items));
    return true;
  }
  const bool partitions = name.ends_with("partition");
  if (!takes(node, name, arguments, partitions ? 1 : 0, partitions ? 1 : 2)) return false;
  std::int64_t most = -1;
  if (arguments.size() == 2 && !take_whole(node, arguments[1], most)) return false;
  const bool given = arguments.size() > 0 && !arguments[0].is(Type::nil);
  if (given && !is_text_or_character(arguments[0]))
    return raise("TypeError", "must be str or None, not " + std::string(type_name(arguments[0])),
                 node);
  const std::string mark = given ? text_of(arguments[0]) : std::string();
  if (given && mark.empty()) return raise("ValueError", "empty separator", node);
  if (partitions) {
    const std::size_t at = name[0] == 'r' ? text.rfind(mark) : text.find(mark);
    const bool found = at != std::string_view::npos;
    if (!found && name[0] == 'r') add(""), add("");
    add(found ? text.substr(0, at) : text);
    if (found) add(mark), add(text.substr(at + mark.size()));
    if (!found && name[0] != 'r') add(""), add("");
    out = Value::tuple(std::move(items));
    return true;
  }
  if (!given) {
    // Runs of blanks part words, and none is empty.
    const std::vector<std::string_view> characters = characters_of(text);
    std::size_t i = 0;
    const auto blank = [&] { return is_blank_point(first_code_point(characters[i])->value); };
    for (;;) {
      while (i < characters.size() && blank()) ++i;
      if (i == characters.size()) break;
      std::string word;
      const bool rest = most >= 0 && static_cast<std::int64_t>(items.size()) >= most;
      while (i < characters.size() && (rest || !blank())) word += characters[i++];
      if (rest) {
        while (!word.empty() && is_blank_point(static_cast<unsigned char>(word.back())))
          word.pop_back();
      }
      items.push_back(Value::text(std::move(word)));
    }
  } else {
    for (;;) {
      const bool rest = most >= 0 && static_cast<std::int64_t>(items.size()) >= most;
      const std::size_t at = rest ? std::string_view::npos : text.find(mark);
      add(text.substr(0, at));
      if (at == std::string_view::npos) break;
      text.remove_prefix(at + mark.size());
    }
  }
  out = Value::list(std::move(items));
  return true;
}

bool Expressions::join(const Node& node, std::string_view text, const Arguments& arguments,
                       Value& out) {
  if (!takes(node, "join", arguments, 1, 1)) return false;
  std::vector<Value> items;
  if (!items_of(node, arguments[0], items)) return false;
  std::string made;
  for (std::size_t i = 0; i < items.size(); ++i) {
    if (!is_text_or_character(items[i]))
      return raise("TypeError",
                   "sequence item " + std::to_string(i) + ": expected str instance, " +
                       std::string(type_name(items[i])) + " found",
                   node);
    if (i > 0) made += text;
    made += text_of(items[i]);
    if (made.size() > most_output) return over_limit("a text as long as this", node);
  }
  out = Value::text(std::move(made));
  return true;
}

bool Expressions::replace(const Node& node, std::string_view text, const Arguments& arguments,
                          Value& out) {
  if (!takes(node, "replace", arguments, 2, 3)) return false;
  if (!is_text_or_character(arguments[0]) || !is_text_or_character(arguments[1]))
    return raise("TypeError", "replace() arguments must be str", node);
  std::int64_t most = -1;
  if (arguments.size() == 3 && !take_whole(node, arguments[2], most)) return false;
  const std::string old = text_of(arguments[0]);
  const std::string now = text_of(arguments[1]);
  std::string made;
  const auto more = [&] { return most != 0 && made.size() <= most_output; };
  if (old.empty()) {
    for (const std::string_view character : characters_of(text)) {
      if (more()) made += now, --most;
      made += character;
    }
    if (more()) made += now;
  } else {
    for (std::size_t at = text.find(old); at != std::string_view::npos && more();
         at = text.find(old)) {
      (made += text.substr(0, at)) += now;
      text.remove_prefix(at + old.size());
      --most;
    }
    made += text;
  }
  if (made.size() > most_output) return over_limit("a text as long as this", node);
  out = Value::text(std::move(made));
  return true;
}

// "{:.2f}".format(x), as the dialect of such templates has it.
bool Expressions::format_braces(const Node& node, const Value& form, const Arguments& arguments,
                                Value& out) {
  std::vector<Value> given = arguments.values;
  for (const Arguments::Named& named : arguments.named) {
    given.push_back(named.value);
    given.back().set_name(named.name);
  }
  add_context(given);
  return fill(node, *python_dialect(), text_of(form), given, out);
}

}  // namespace inky::inline v1::python
