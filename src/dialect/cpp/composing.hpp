// Helpers in C++ that change a text.
// They are text for a program of the reader: none of it runs here.
#pragma once

#include "dialect/composing_form.hpp"
#include "dialect/family/time_letters.hpp"

namespace inky::inline v1 {

inline constexpr std::string_view cpp_pad_source =
    R"code(// Fills a text up to a width: `halves` of what is missing go before it.
std::string pad(std::string_view text, std::size_t width, std::string_view fill,
                std::size_t halves) {
  const std::size_t missing = width - std::min(width, text.size());
  const std::size_t before = missing * halves / 2;
  return std::string(before, fill[0]) + std::string(text) + std::string(missing - before, fill[0]);
}
)code";

constexpr ComposingForm cpp_composing(std::string_view carrier, std::string_view template_open,
                                      std::string_view text_of, std::string_view before) {
  return {
      .carrier = carrier,
      .unit = WidthUnit::bytes,
      .template_open = template_open,
      .text_of = text_of,
      .print = "std::cout << @T;",
      .before = before,
      .zeros = {"with_zeros(@T, @D)", R"code(// Zeros in front of a number, up to `count` digits.
std::string with_zeros(std::string text, std::size_t count) {
  const std::size_t sign = text[0] == '-' ? 1 : 0;
  while (text.size() < sign + count) text.insert(sign, "0");
  return text;
}
)code"},
      .marks = {"with_marks(@T, @G, @P)", R"code(// A mark between thousands, and a decimal mark.
std::string with_marks(std::string text, std::string_view group, std::string_view point) {
  const std::size_t first = text[0] == '-' ? 1 : 0;
  const std::size_t end = std::min(text.find_first_not_of("0123456789", first), text.size());
  if (end < text.size() && text[end] == '.') text.replace(end, 1, point);
  for (std::size_t at = end; at > first + 3; at -= 3) text.insert(at - 3, group);
  return text;
}
)code"},
      .sign = {"with_sign(@T, @U, @O, @C)",
               R"code(// `plus` in front of a number, or `open` and `close` for the minus.
std::string with_sign(std::string_view text, std::string_view plus, std::string_view open,
                      std::string_view close) {
  if (!text.starts_with('-')) return std::string(plus) + std::string(text);
  return std::string(open) + std::string(text.substr(1)) + std::string(close);
}
)code"},
      .behind = {"@T + @G"},
      .inside = {"fill_inside(@T, @X, @D, @F)",
                 R"code(// A prefix behind the sign of a number, and what fills it up to a width.
std::string fill_inside(std::string text, std::string_view prefix, std::size_t width,
                        std::string_view fill) {
  const std::size_t sign = std::string_view("-+ (").find(text[0]) < 4 ? 1 : 0;
  text.insert(sign, prefix);
  while (text.size() < width) text.insert(sign + prefix.size(), fill);
  return text;
}
)code"},
      .pad_left = {"pad(@T, @D, @F, 2)", cpp_pad_source},
      .pad_right = {"pad(@T, @D, @F, 0)", cpp_pad_source},
      .pad_center = {"pad(@T, @D, @F, 1)", cpp_pad_source},
      .cut = {"@T.substr(0, @D)"},
      .percent = {"percent(@T)",
                  R"code(// Moves the point of a number two places, and adds a percent sign.
std::string percent(std::string text) {
  const std::size_t point = text.find('.');
  if (point == std::string::npos) return text;
  text.erase(point, 1).insert(point + 2, ".");
  if (text.back() == '.') text.pop_back();
  const std::size_t first = text[0] == '-' ? 1 : 0;
  while (text[first] == '0' && text.find_first_of("0123456789", first + 1) == first + 1)
    text.erase(first, 1);
  return text + "%";
}
)code"},
      .engineering = {"engineering(@T)", R"code(// d.ddde+xx with an exponent in steps of three.
std::string engineering(std::string text) {
  const std::size_t mark = text.find_first_of("eE");
  if (mark == std::string::npos) return text;
  const int exponent = std::stoi(text.substr(mark + 1));
  const int lead = (exponent % 3 + 3) % 3;
  const int left = exponent - lead;
  const std::string tail = text.substr(mark, 1) + (left < 0 ? "-" : "+") +
                           (std::abs(left) < 10 ? "0" : "") + std::to_string(std::abs(left));
  text.erase(mark);
  if (const std::size_t point = text.find('.'); point < text.size()) text.erase(point, 1);
  const std::size_t behind = (text[0] == '-' ? 2 : 1) + lead;
  while (text.size() < behind) text += "0";
  if (text.size() > behind) text.insert(behind, ".");
  return text + tail;
}
)code"},
      .thousands =
          {"for_thousands(@T, @1, @2)",
           R"code(// Of a number with some places, one more and two more: what engineering() keeps these of.
std::string for_thousands(const std::string& none, const std::string& one, const std::string& two) {
  const auto size = [](const std::string& text) {
    const std::size_t mark = text.find_first_of("eE");
    return mark == std::string::npos ? 0 : std::stoi(text.substr(mark + 1));
  };
  const int lead = (size(two) % 3 + 3) % 3;
  std::string text = lead == 0 ? none : lead == 1 ? one : two;
  if (size(text) == size(two)) return text;
  if (lead == 2) return none;
  if (text.find('.') != std::string::npos) text.insert(text.find_first_of("eE"), "0");
  return text;
}
)code"},
      .plain = {"plain(@T)", R"code(// d.ddde+xx without an exponent.
std::string plain(std::string text) {
  const std::size_t mark = text.find_first_of("eE");
  if (mark == std::string::npos) return text;
  int exponent = std::stoi(text.substr(mark + 1));
  text.erase(mark);
  if (const std::size_t point = text.find('.'); point < text.size()) text.erase(point, 1);
  const std::size_t first = text[0] == '-' ? 1 : 0;
  for (; exponent < 0; ++exponent) text.insert(first, "0");
  const std::size_t behind = first + 1 + exponent;
  while (text.size() < behind) text += "0";
  if (text.size() > behind) text.insert(behind, ".");
  return text;
}
)code"},
      .in_base = {"in_base(@V, @D)", R"code(// A whole number in a base from 2 to 36.
std::string in_base(long long value, unsigned base) {
  unsigned long long rest = value;
  if (value < 0) rest = 0 - rest;
  std::string text;
  do {
    text.insert(0, 1, "0123456789abcdefghijklmnopqrstuvwxyz"[rest % base]);
    rest /= base;
  } while (rest != 0);
  return value < 0 ? "-" + text : text;
}
)code"},
      // Text for a program of the reader, which calls what its language has.
      .shortest =
          {"shortest(@V)",
           R"code(// The fewest digits that read back, without an exponent where that is short.
std::string shortest(double value) {
  char text[400];
  std::snprintf(text, sizeof text, "%f", value);
  for (int digits = 0; std::isfinite(value) && digits < 17; ++digits) {
    std::snprintf(text, sizeof text, "%.*e", digits, value);
    if (std::strtod(text, nullptr) != value) continue;
    const int exponent = std::atoi(std::strchr(text, 'e') + 1);
    if (exponent >= -5 && exponent < 17)
      std::snprintf(text, sizeof text, "%.*f", std::max(digits - exponent, 0), value);
    break;
  }
  return text;
}
)code"},
      .moment = "std::cout << std::put_time(&@V, \"@M\");",
      .moment_letters = family::write_standard_strftime,
      .upper = {"upper(@T)", R"code(std::string upper(std::string text) {
  for (char& c : text) c = static_cast<char>(std::toupper(static_cast<unsigned char>(c)));
  return text;
}
)code"},
      .truth = {"std::string(@V ? \"true\" : \"false\")"},
  };
}

}  // namespace inky::inline v1
