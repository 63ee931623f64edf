// The functions of Octave for texts: the GNU Octave manual, Strings.

#include <algorithm>
#include <cmath>

#include "../family/values.hpp"
#include "expressions.hpp"
#include "text/ascii.hpp"
#include "text/lower_case.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::octave {

namespace {

using computed::Node;

// Octave 7.3 takes these for blanks.
constexpr std::string_view number_blanks = " \t\n\v\f\r";

std::string replaced(std::string_view text, std::string_view what, std::string_view with) {
  std::string out;
  for (std::size_t at = 0; at < text.size();) {
    if (!what.empty() && text.substr(at).starts_with(what)) {
      out += with;
      at += what.size();
    } else {
      out += text[at++];
    }
  }
  return out;
}

// A number as one writes it, with nothing else but blanks around; nothing where it is another one.
std::optional<double> plain_number(std::string_view text) {
  const std::size_t from = std::min(text.find_first_not_of(number_blanks), text.size());
  text = text.substr(from, text.find_last_not_of(number_blanks) + 1 - from);
  std::string plain(text);
  const std::size_t sign = !plain.empty() && (plain[0] == '-' || plain[0] == '+') ? 1 : 0;
  if (plain.size() == sign || !is_digit(plain[sign]) || !is_digit(plain.back()))
    return std::nullopt;
  if (plain.find_first_not_of("0123456789.eE+-") != std::string::npos) return std::nullopt;
  if (plain[0] == '+') plain.erase(0, 1);
  const auto value = read_typed(Type::f64, plain);
  if (!value) return std::nullopt;
  return std::bit_cast<double>(low_half(value->bits()));
}

}  // namespace

bool Expressions::of_texts(const Node& node, std::string_view name, const Arguments& arguments,
                           Value& out) {
  const std::string called(name);
  const std::size_t count = arguments.size();
  const auto unknown = [&] { return not_yet(called + " with these arguments is", node); };
  if (count == 0) return unknown();
  if (name == "blanks") {
    int size = 0;
    if (count != 1 || !take_count(node, arguments[0], size)) return unknown();
    out = Value::text(std::string(static_cast<std::size_t>(std::max(size, 0)), ' '));
    return true;
  }
  if (name == "dec2bin" || name == "dec2hex") {
    Array array;
    int least = 1;
    if (count > 2 || !take_double(node, arguments[0], array)) return unknown();
    if (count == 2 && !take_count(node, arguments[1], least)) return false;
    const double x = array.is_scalar() ? real_at(array, 0) : -1;
    if (!(x >= 0 && x < 0x1p53 && x == std::floor(x)) || least > 64) return unknown();
    const unsigned base = name == "dec2bin" ? 2 : 16;
    std::string digits;
    for (auto left = static_cast<std::uint64_t>(x); left != 0; left /= base)
      digits.insert(digits.begin(), "0123456789ABCDEF"[left % base]);
    if (static_cast<int>(digits.size()) < std::max(least, 1))
      digits.insert(0, static_cast<std::size_t>(std::max(least, 1)) - digits.size(), '0');
    out = Value::text(std::move(digits));
    return true;
  }
  if (name == "int2str" || name == "char") {
    Array array;
    if (count == 1 && !arguments[0].is(Type::text)) {
      if (!take_double(node, arguments[0], array)) return false;
      if (name == "int2str") {
        Value rounded;
        Value text;
        if (!map(node, "round", arguments[0], rounded)) return false;
        return number_as_text(node, {{rounded}, {}}, out);
      }
      std::string text;
      for (std::size_t i = 0; i < count_of(array); ++i) {
        const double code = real_at(array, i);
        constexpr double most_of_ascii = 127;
        if (!(code >= 0 && code <= most_of_ascii && code == std::floor(code)) || array.rows != 1)
          return not_yet("char of this is", node);
        text += static_cast<char>(code);
      }
      out = Value::text(std::move(text));
      return true;
    }
    if (name == "int2str") return unknown();
    // Rows, all as long as the longest.
    std::size_t longest = 0;
    std::vector<Value> rows;
    for (const Value& argument : arguments.values) {
      if (!argument.is(Type::text)) return unknown();
      longest = std::max(longest, argument.as_text().size());
    }
    for (const Value& argument : arguments.values) {
      std::string row(argument.as_text());
      row.resize(longest, ' ');
      rows.push_back(Value::text(std::move(row)));
    }
    out = count == 1 ? arguments[0] : Value::list(std::move(rows));
    return true;
  }
  // All else is of texts alone.
  std::vector<std::string> texts;
  for (std::size_t i = 0; i < count; ++i) {
    const bool is_count = name == "strncmp" && i == 2;
    const bool compares = name == "strcmp" || name == "strcmpi" || name == "strncmp";
    texts.emplace_back();
    if (is_count) continue;
    if (compares && !arguments[i].is(Type::text)) {
      out = Value::truth(false);
      return true;
    }
    if (!take_text(node, arguments[i], texts.back())) return false;
  }
  if (name == "strcat") {
    std::string all;
    for (std::string& text : texts) {
      text.resize(text.find_last_not_of(" \t") + 1);
      all += text;
    }
    out = Value::text(std::move(all));
  } else if (name == "strrep") {
    if (count != 3) return unknown();
    out = Value::text(replaced(texts[0], texts[1], texts[2]));
  } else if (name == "strtrim") {
    if (count != 1) return unknown();
    constexpr std::string_view all(" \t\n\v\f\r\0", 7);
    const std::size_t from = std::min(texts[0].find_first_not_of(all), texts[0].size());
    out = Value::text(texts[0].substr(from, texts[0].find_last_not_of(all) + 1 - from));
  } else if (name == "strcmp" || name == "strcmpi") {
    if (count != 2) return unknown();
    const bool folds = name == "strcmpi";
    if (folds && !(is_ascii(texts[0]) && is_ascii(texts[1]))) return unknown();
    out = Value::truth(folds ? lower_case(texts[0]) == lower_case(texts[1]) : texts[0] == texts[1]);
  } else if (name == "strncmp") {
    int size = 0;
    if (count != 3 || !take_count(node, arguments[2], size) || size < 1) return unknown();
    const auto most = static_cast<std::size_t>(size);
    out = Value::truth(texts[0].size() >= most && texts[1].size() >= most &&
                       texts[0].substr(0, most) == texts[1].substr(0, most));
  } else if (name == "strfind") {
    if (count != 2 || texts[1].empty()) return unknown();
    std::vector<double> found;
    for (std::size_t at = texts[0].find(texts[1]); at != std::string::npos;
         at = texts[0].find(texts[1], at + 1))
      found.push_back(static_cast<double>(at + 1));
    if (found.empty()) return not_yet("strfind of a text that is not there is", node);
    out = value_of(row_of(std::move(found)));
  } else if (name == "bin2dec" || name == "hex2dec") {
    const unsigned base = name == "bin2dec" ? 2 : 16;
    double value = 0;
    for (const char c : texts[0]) {
      const std::size_t digit =
          std::string_view("0123456789ABCDEF")
              .find(static_cast<char>(c >= 'a' && c <= 'f' ? c - 'a' + 'A' : c));
      if (digit >= base) return not_yet(called + " of this is", node);
      value = value * base + static_cast<double>(digit);
    }
    constexpr std::size_t most_digits = 13;
    if (count != 1 || texts[0].empty() || texts[0].size() > most_digits) return unknown();
    out = Value::real(value);
  } else {
    const auto value = plain_number(texts[0]);
    if (count != 1 || !value) return unknown();
    out = Value::real(*value);
  }
  return true;
}

}  // namespace inky::inline v1::octave
