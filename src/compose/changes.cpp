#include "changes.hpp"

#include <algorithm>
#include <optional>

#include "inky_margin/number/whole.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::changes {

namespace {

std::size_t minus_size(std::string_view text) {
  return text.starts_with('-') ? 1 : 0;
}

std::size_t digits_end(std::string_view text, std::size_t from) {
  while (from < text.size() && is_digit(text[from])) ++from;
  return from;
}

// d.ddde+xx, taken apart; nothing where a text is another.
struct Scientific {
  std::string sign;
  std::string digits;
  char letter = 'e';
  int exponent = 0;
};

std::optional<Scientific> taken_apart(std::string_view text) {
  const std::size_t mark = text.find_first_of("eE");
  Scientific out;
  out.sign = text.substr(0, minus_size(text));
  if (mark == std::string_view::npos || mark <= out.sign.size()) return std::nullopt;
  for (const char c : text.substr(out.sign.size(), mark - out.sign.size())) {
    if (is_digit(c)) out.digits += c;
  }
  if (out.digits.empty()) return std::nullopt;
  out.letter = text[mark];
  const std::string_view tail = text.substr(mark + 1);
  for (const char c : tail) {
    if (is_digit(c)) out.exponent = out.exponent * 10 + (c - '0');
  }
  if (tail.starts_with('-')) out.exponent = -out.exponent;
  return out;
}

// At least two digits, with a sign.
std::string exponent_text(char letter, int exponent) {
  std::string size;
  append_whole(Natural(static_cast<std::uint64_t>(exponent < 0 ? -exponent : exponent)), 10,
               Letters::lower, size);
  return letter + std::string(exponent < 0 ? "-" : "+") + (size.size() < 2 ? "0" : "") + size;
}

std::string with_point(std::string digits, std::size_t behind, bool keeps_point = false) {
  if (digits.size() < behind) digits.append(behind - digits.size(), '0');
  if (digits.size() > behind || keeps_point) digits.insert(behind, ".");
  return digits;
}

// All digits, with those zeros in front that a negative exponent asks for.
std::string all_digits(const Scientific& number) {
  return std::string(static_cast<std::size_t>(std::max(-number.exponent, 0)), '0') + number.digits;
}

std::size_t whole_digits(const Scientific& number) {
  return static_cast<std::size_t>(std::max(number.exponent, 0)) + 1;
}

}  // namespace

std::string with_zeros(std::string text, std::size_t count) {
  const std::size_t first = minus_size(text);
  const std::size_t digits = text.size() - first;
  if (digits < count) text.insert(first, count - digits, '0');
  return text;
}

std::string with_marks(std::string text, std::string_view group, std::string_view point) {
  const std::size_t first = minus_size(text);
  const std::size_t end = digits_end(text, first);
  const bool has_point = end < text.size() && text[end] == '.';
  if (has_point) text.replace(end, 1, point);
  // An exponent behind the digits, and no point: no digits of a whole number.
  if (!has_point && end < text.size()) return text;
  constexpr std::size_t size = 3;
  for (std::size_t at = end; at > first + size; at -= size) text.insert(at - size, group);
  return text;
}

std::string with_sign(const std::string& text, std::string_view plus, std::string_view open,
                      std::string_view close) {
  if (minus_size(text) == 0) return std::string(plus) + text;
  return std::string(open) + text.substr(1) + std::string(close);
}

std::string fill_inside(std::string text, std::string_view prefix, std::size_t width,
                        std::string_view fill, WidthUnit unit) {
  const std::size_t sign =
      !text.empty() && std::string_view("-+ (").find(text[0]) != std::string_view::npos ? 1 : 0;
  const std::size_t used = measure(text, unit) + prefix.size();
  std::string filled(prefix);
  for (std::size_t i = used; i < width; ++i) filled += fill;
  return text.insert(sign, filled);
}

std::string pad(const std::string& text, Align align, std::size_t width, std::string_view fill,
                WidthUnit unit) {
  const std::size_t used = measure(text, unit);
  const std::size_t missing = used < width ? width - used : 0;
  const std::size_t before = align == Align::right    ? missing
                             : align == Align::center ? missing / 2
                                                      : 0;
  std::string out;
  for (std::size_t i = 0; i < before; ++i) out += fill;
  out += text;
  for (std::size_t i = before; i < missing; ++i) out += fill;
  return out;
}

std::string percent(const std::string& text) {
  if (auto number = taken_apart(text)) {
    const std::size_t mark = text.find(number->letter);
    std::string size;
    append_whole(Natural(static_cast<std::uint64_t>(number->exponent + 2)), 10, Letters::lower,
                 size);
    return text.substr(0, mark + 2) + size + "%";
  }
  const std::size_t first = minus_size(text);
  const std::size_t point = digits_end(text, first);
  if (point + 2 >= text.size() || text[point] != '.') return text;
  std::string digits = text.substr(first, point - first) + text.substr(point + 1, 2);
  digits.erase(0, std::min(digits.find_first_not_of('0'), digits.size() - 1));
  const std::string rest = text.substr(point + 3);
  return text.substr(0, first) + digits + (rest.empty() ? "" : ".") + rest + "%";
}

std::string engineering(const std::string& text) {
  const auto number = taken_apart(text);
  if (!number) return text;
  constexpr int step = 3;
  const int lead = (number->exponent % step + step) % step;
  return number->sign + with_point(number->digits, static_cast<std::size_t>(lead) + 1) +
         exponent_text(number->letter, number->exponent - lead);
}

std::string for_thousands(const std::string& none, const std::string& one, const std::string& two) {
  const auto exponent_of = [](const std::string& text) {
    const auto number = taken_apart(text);
    return number ? number->exponent : 0;
  };
  constexpr int step = 3;
  const int exponent = exponent_of(two);
  const int lead = (exponent % step + step) % step;
  std::string text = lead == 0 ? none : lead == 1 ? one : two;
  if (exponent_of(text) == exponent) return text;
  // Rounded to fewer digits it is the next power of ten.
  if (lead == step - 1) return none;
  if (text.find('.') != std::string::npos) text.insert(text.find_first_of("eE"), "0");
  return text;
}

std::string plain(const std::string& text) {
  const auto number = taken_apart(text);
  if (!number) return text;
  return number->sign + with_point(all_digits(*number), whole_digits(*number));
}

std::string compact(const std::string& text, int count, bool keeps_zeros) {
  auto number = taken_apart(text);
  if (!number) return text;
  if (!keeps_zeros) {
    const std::size_t last = number->digits.find_last_not_of('0');
    number->digits.resize(last == std::string::npos ? 1 : last + 1);
  }
  constexpr int least_fixed = -4;
  if (number->exponent >= least_fixed && number->exponent < count)
    return number->sign + with_point(all_digits(*number), whole_digits(*number), keeps_zeros);
  return number->sign + with_point(number->digits, 1, keeps_zeros) +
         exponent_text(number->letter, number->exponent);
}

std::string upper(std::string text) {
  for (char& c : text) c = c >= 'a' && c <= 'z' ? static_cast<char>(c - 'a' + 'A') : c;
  return text;
}

}  // namespace inky::inline v1::changes
