#include "json.hpp"

#include <algorithm>
#include <cmath>

#include "dates.hpp"
#include "dialect/lexis.hpp"
#include "evaluator.hpp"
#include "numbers.hpp"
#include "text/ascii.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::javascript {

std::string json_text(std::string_view text) {
  std::string out = "\"";
  for (const char c : text) {
    constexpr std::string_view special = "\"\\\b\t\n\f\r";
    constexpr std::string_view letters = "\"\\btnfr";
    const std::size_t which = special.find(c);
    const auto byte = static_cast<unsigned char>(c);
    if (which != std::string_view::npos) {
      out += '\\';
      out += letters[which];
    } else if (byte < 0x20) {
      constexpr std::string_view digits = "0123456789abcdef";
      out += "\\u00";
      out += digits[byte >> 4U];
      out += digits[byte & 15U];
    } else {
      out += c;
    }
  }
  return out + '"';
}

namespace {

// The deepest that arrays and objects nest.
constexpr int most_depth_of_json = 64;

class JsonReader {
 public:
  explicit JsonReader(std::string_view text) : text_(text) {}

  std::optional<Datum> read() {
    Datum out;
    if (!read_value(out)) return std::nullopt;
    skip_blanks();
    return at_ == text_.size() ? std::optional(std::move(out)) : std::nullopt;
  }

 private:
  char peek() const { return at_ < text_.size() ? text_[at_] : '\0'; }
  void skip_blanks() {
    while (at_ < text_.size() && is_in(text_[at_], " \t\n\r")) ++at_;
  }
  static bool is_in(char c, std::string_view set) { return set.find(c) != std::string_view::npos; }
  bool take(char c) {
    skip_blanks();
    if (peek() != c || at_ == text_.size()) return false;
    ++at_;
    return true;
  }
  bool take_word(std::string_view word) {
    if (!text_.substr(at_).starts_with(word)) return false;
    at_ += word.size();
    return true;
  }

  bool read_value(Datum& out) {
    skip_blanks();
    const char c = peek();
    if (c == '"') {
      out.kind = DatumKind::text;
      return read_text(out.text);
    }
    if (c == '[' || c == '{') return read_items(out);
    if (take_word("true") || take_word("false")) {
      out = Datum::of_truth(text_[at_ - 2] == 'u');
      return true;
    }
    if (take_word("null")) {
      out = Datum::of_kind(DatumKind::null);
      return true;
    }
    return read_number_of(out);
  }

  bool read_number_of(Datum& out) {
    const std::size_t from = at_;
    const auto digits = [&] {
      const std::size_t begin = at_;
      while (is_digit(peek())) ++at_;
      return at_ - begin;
    };
    if (peek() == '-') ++at_;
    const bool has_zero = peek() == '0';
    const std::size_t whole = digits();
    if (whole == 0 || (has_zero && whole > 1)) return false;
    if (peek() == '.') {
      ++at_;
      if (digits() == 0) return false;
    }
    if (peek() == 'e' || peek() == 'E') {
      ++at_;
      if (peek() == '+' || peek() == '-') ++at_;
      if (digits() == 0) return false;
    }
    out = Datum::of_number(read_number(text_.substr(from, at_ - from)));
    return true;
  }

  bool read_items(Datum& out) {
    if (++depth_ > most_depth_of_json) return false;
    const bool is_array = text_[at_++] == '[';
    const char close = is_array ? ']' : '}';
    out.kind = is_array ? DatumKind::array : DatumKind::object;
    for (bool is_first = true; !take(close); is_first = false) {
      if (!is_first && !take(',')) return false;
      skip_blanks();
      if (!is_array && (peek() != '"' || !read_text(out.keys.emplace_back()) || !take(':')))
        return false;
      if (!read_value(out.items.emplace_back())) return false;
    }
    --depth_;
    return true;
  }

  bool read_text(std::string& out) {
    ++at_;
    while (at_ < text_.size() && text_[at_] != '"') {
      const char c = text_[at_++];
      if (static_cast<unsigned char>(c) < 0x20) return false;
      if (c != '\\') {
        out += c;
        continue;
      }
      constexpr std::string_view letters = "\"\\/bfnrt";
      constexpr std::string_view meant = "\"\\/\b\f\n\r\t";
      const std::size_t which = letters.find(peek());
      if (at_ < text_.size() && which != std::string_view::npos) {
        out += meant[which];
        ++at_;
      } else if (!read_code(out)) {
        return false;
      }
    }
    return at_++ < text_.size();
  }

  // \u03a9, and pairs of halves.
  bool read_code(std::string& out) {
    char32_t unit = 0;
    if (!read_unit(unit)) return false;
    if (unit >= 0xD800 && unit < 0xDC00) {
      char32_t second = 0;
      if (!take_word("\\") || !read_unit(second) || second < 0xDC00 || second > 0xDFFF)
        return false;
      unit = 0x10000 + ((unit - 0xD800) << 10U) + (second - 0xDC00);
    }
    if (unit >= 0xDC00 && unit < 0xE000) return false;
    append_utf8(unit, out);
    return true;
  }
  bool read_unit(char32_t& out) {
    constexpr std::size_t size = 4;
    if (peek() != 'u' || at_ + size >= text_.size()) return false;
    for (std::size_t i = 1; i <= size; ++i) {
      const char c = text_[at_ + i];
      const char letter = static_cast<char>(c | 0x20);
      if (!is_digit(c) && !(letter >= 'a' && letter <= 'f')) return false;
      out = out * 16 + static_cast<char32_t>(is_digit(c) ? c - '0' : letter - 'a' + 10);
    }
    at_ += size + 1;
    return true;
  }

  std::string_view text_;
  std::size_t at_ = 0;
  int depth_ = 0;
};

}  // namespace

std::optional<Datum> read_json(std::string_view text) {
  return JsonReader(text).read();
}

// JSON.stringify: ECMA-262, 25.5.2.
bool Evaluator::append_json(const Node& node, const Datum& datum, const std::string& indent,
                            const std::string& before, std::string& out) {
  if (out.size() > most_output)
    return over_limit("values of more than " + std::to_string(most_output) + " bytes", node);
  const std::string inside = before + indent;
  const std::string line = indent.empty() ? std::string() : "\n" + inside;
  switch (datum.kind) {
    case DatumKind::big:
      return fail("TypeError", "Do not know how to serialize a BigInt", node);
    case DatumKind::hole:
    case DatumKind::undefined:
    case DatumKind::null:
    case DatumKind::function:
      out += "null";
      return true;
    case DatumKind::number:
      out += std::isfinite(datum.number) ? number_text(datum.number) : "null";
      return true;
    case DatumKind::text:
      out += json_text(datum.text);
      return true;
    case DatumKind::boolean:
      out += datum.truth ? "true" : "false";
      return true;
    default:
      break;
  }
  if (datum.kind == DatumKind::date) {
    out += std::isnan(datum.number) ? "null" : json_text(iso_text(datum.number));
    return true;
  }
  // What they hold are no properties.
  if (datum.kind > DatumKind::object) {
    out += "{}";
    return true;
  }
  const bool is_array = datum.kind == DatumKind::array;
  out += is_array ? '[' : '{';
  bool is_empty = true;
  for (std::size_t i = 0; i < item_count(datum); ++i) {
    const bool is_left_out =
        datum.items[i].kind == DatumKind::undefined || datum.items[i].kind == DatumKind::function;
    if (!is_array && is_left_out) continue;
    if (!is_empty) out += ',';
    is_empty = false;
    out += line;
    if (!is_array) out += json_text(datum.keys[i]) + (indent.empty() ? ":" : ": ");
    if (!append_json(node, datum.items[i], indent, inside, out)) return false;
  }
  if (!is_empty && !indent.empty()) out += "\n" + before;
  out += is_array ? ']' : '}';
  return true;
}

// An array as the second argument names the properties that are shown.
bool Evaluator::keep_properties(const std::vector<Datum>& names, Datum& datum) {
  if (datum.kind != DatumKind::array && datum.kind != DatumKind::object) return true;
  if (datum.kind == DatumKind::object) {
    Datum kept = Datum::of_kind(DatumKind::object);
    for (const Datum& name : names) {
      std::string key;
      append_text(name, key);
      const auto found = std::find(datum.keys.begin(), datum.keys.end(), key);
      if (found == datum.keys.end()) continue;
      kept.items.push_back(datum.items[static_cast<std::size_t>(found - datum.keys.begin())]);
      kept.keys.push_back(std::move(key));
    }
    datum = std::move(kept);
  }
  return std::all_of(datum.items.begin(), datum.items.end(),
                     [&](Datum& item) { return keep_properties(names, item); });
}

bool Evaluator::call_json(const Node& node, const std::vector<Datum>& arguments, Datum& out) {
  const std::string& name = node.parts[0].text;
  Datum given = arguments.empty() ? Datum() : arguments[0];
  out = {};
  if (name == "parse") {
    if (arguments.size() > 1) return not_yet("a second argument of JSON.parse is", node);
    std::string text;
    append_text(given, text);
    auto read = read_json(text);
    if (!read) {
      // What we do not read may be JSON that nests deeper, or holds half of a pair.
      const bool is_unsure = text.find("\\u") != std::string::npos || text.size() > 10'000;
      return is_unsure ? not_yet("a text such as this is", node)
                       : fail("SyntaxError", "the text is not valid JSON", node);
    }
    settle_all(*read);
    out = std::move(*read);
    return true;
  }
  if (name != "stringify") return not_yet("JSON." + name + " is", node.parts[0]);
  if (arguments.size() > 1 && arguments[1].kind > DatumKind::null) {
    if (arguments[1].kind != DatumKind::array)
      return not_yet("such a second argument of JSON.stringify is", node);
    keep_properties(arguments[1].items, given);
  }
  std::string indent;
  if (arguments.size() > 2 && arguments[2].kind == DatumKind::number) {
    double count = 0;
    if (!take_integer(arguments, 2, node, 0, count)) return false;
    indent.assign(static_cast<std::size_t>(std::clamp(count, 0.0, 10.0)), ' ');
  } else if (arguments.size() > 2 && arguments[2].kind == DatumKind::text) {
    constexpr std::size_t most_of_text = 10;
    indent = arguments[2].text;
    if (indent.size() > most_of_text) return not_yet("such an indent is", node);
  } else if (arguments.size() > 2 && arguments[2].kind > DatumKind::null) {
    return not_yet("such an indent is", node);
  }
  if (given.kind == DatumKind::undefined || given.kind == DatumKind::function) return true;
  std::string text;
  if (!append_json(node, given, indent, {}, text)) return false;
  out = Datum::of_text(std::move(text));
  return true;
}

}  // namespace inky::inline v1::javascript
