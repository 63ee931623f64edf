// The methods of texts that go by UTF-16 units: ECMA-262, 22.1.3.

#include <algorithm>
#include <cmath>

#include "../family/values.hpp"
#include "evaluator.hpp"
#include "numbers.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::javascript {

namespace {

bool is_first_half(char16_t unit) {
  return unit >= 0xD800 && unit < 0xDC00;
}
bool is_second_half(char16_t unit) {
  return unit >= 0xDC00 && unit < 0xE000;
}

// The text that units are; nothing where half of a pair is among them.
std::optional<std::string> text_of(std::u16string_view units) {
  std::string out;
  for (std::size_t i = 0; i < units.size(); ++i) {
    char32_t point = units[i];
    if (is_second_half(units[i])) return std::nullopt;
    if (is_first_half(units[i])) {
      if (i + 1 == units.size() || !is_second_half(units[i + 1])) return std::nullopt;
      point = 0x10000 + ((static_cast<char32_t>(units[i]) - 0xD800) << 10U) +
              (static_cast<char32_t>(units[i + 1]) - 0xDC00);
      ++i;
    }
    append_utf8(point, out);
  }
  return out;
}

}  // namespace

bool Evaluator::text_of_units(const Node& node, std::u16string_view units, Datum& out) {
  auto text = text_of(units);
  if (!text) return not_yet("half of a surrogate pair is", node);
  out = Datum::of_text(std::move(*text));
  return true;
}

bool Evaluator::take_place(const std::vector<Datum>& arguments, std::size_t which, const Node& node,
                           double usual, std::size_t size, std::size_t& out) {
  double place = 0;
  if (!take_integer(arguments, which, node, usual, place)) return false;
  const auto count = static_cast<double>(size);
  out = static_cast<std::size_t>(place < 0 ? std::max(count + place, 0.0) : std::min(place, count));
  return true;
}

bool Evaluator::call_units(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                           Datum& out) {
  const std::string& name = node.parts[0].text;
  const std::u16string units = utf16_of(of.text);
  const std::size_t size = units.size();
  if (name == "slice" || name == "substring") {
    std::size_t from = 0;
    std::size_t to = 0;
    const auto end = static_cast<double>(size);
    if (name == "slice") {
      if (!take_place(arguments, 0, node, 0, size, from) ||
          !take_place(arguments, 1, node, end, size, to))
        return false;
    } else {
      double first = 0;
      double last = end;
      if (!take_integer(arguments, 0, node, 0, first) ||
          !take_integer(arguments, 1, node, end, last))
        return false;
      from = static_cast<std::size_t>(std::clamp(std::min(first, last), 0.0, end));
      to = static_cast<std::size_t>(std::clamp(std::max(first, last), 0.0, end));
    }
    return text_of_units(node, std::u16string_view(units).substr(from, std::max(to, from) - from),
                         out);
  }
  double place = 0;
  if (!take_integer(arguments, 0, node, 0, place)) return false;
  if (name == "at" && place < 0) place += static_cast<double>(size);
  const bool inside = place >= 0 && place < static_cast<double>(size);
  out = {};
  if (!inside) {
    if (name == "charAt") out = Datum::of_text({});
    if (name == "charCodeAt") out = Datum::of_number(std::nan(""));
    return true;
  }
  const auto at = static_cast<std::size_t>(place);
  if (name == "charAt" || name == "at")
    return text_of_units(node, std::u16string_view(units).substr(at, 1), out);
  double number = units[at];
  const bool is_pair = is_first_half(units[at]) && at + 1 < size && is_second_half(units[at + 1]);
  if (name == "codePointAt" && is_pair)
    number = 0x10000 + (number - 0xD800) * 0x400 + (units[at + 1] - 0xDC00);
  out = Datum::of_number(number);
  return true;
}

// includes, startsWith, endsWith, indexOf, lastIndexOf
bool Evaluator::find_text(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                          Datum& out) {
  const std::string& name = node.parts[0].text;
  std::string sought;
  append_text(arguments.empty() ? Datum() : arguments[0], sought);
  const std::u16string units = utf16_of(of.text);
  const std::u16string part = utf16_of(sought);
  const auto size = static_cast<double>(units.size());
  double place = 0;
  if (!take_integer(arguments, 1, node, name == "endsWith" ? size : 0, place)) return false;
  if (name == "lastIndexOf" && arguments.size() > 1) return not_yet("such a place is", node);
  const auto from = static_cast<std::size_t>(std::clamp(place, 0.0, size));
  if (name == "indexOf" || name == "lastIndexOf") {
    const std::size_t found = name == "indexOf" ? units.find(part, from) : units.rfind(part);
    out = Datum::of_number(found == std::u16string::npos ? -1 : static_cast<double>(found));
    return true;
  }
  const std::u16string_view all = units;
  out = {};
  out.kind = DatumKind::boolean;
  out.truth = name == "includes"     ? units.find(part, from) != std::u16string::npos
              : name == "startsWith" ? all.substr(from).starts_with(part)
                                     : all.substr(0, from).ends_with(part);
  return true;
}

bool Evaluator::split(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                      Datum& out) {
  out = {};
  out.kind = DatumKind::array;
  if (arguments.empty() || arguments[0].kind == DatumKind::undefined) {
    out.items.push_back(of);
    return true;
  }
  if (arguments[0].kind == DatumKind::pattern)
    return split_by_pattern(node, of, arguments[0], out) && cut_parts(node, arguments, out);
  std::string between;
  append_text(arguments[0], between);
  constexpr std::size_t most_parts = 100'000;
  if (between.empty()) {
    const std::u16string units = utf16_of(of.text);
    if (units.size() > most_parts) return over_limit("more than 100,000 parts", node);
    for (const char16_t& unit : units) {
      out.items.emplace_back();
      if (!text_of_units(node, {&unit, 1}, out.items.back())) return false;
    }
    return cut_parts(node, arguments, out);
  }
  for (std::size_t at = 0;;) {
    const std::size_t found = of.text.find(between, at);
    out.items.push_back(Datum::of_text(of.text.substr(at, found - at)));
    if (out.items.size() > most_parts) return over_limit("more than 100,000 parts", node);
    if (found == std::string::npos) return cut_parts(node, arguments, out);
    at = found + between.size();
  }
}

// The second argument of split: the most parts that stay.
bool Evaluator::cut_parts(const Node& node, const std::vector<Datum>& arguments, Datum& out) {
  if (arguments.size() < 2 || arguments[1].kind == DatumKind::undefined) return true;
  double most = 0;
  if (!take_integer(arguments, 1, node, 0, most)) return false;
  if (most < 0) return not_yet("such a limit of split is", node);
  if (most < static_cast<double>(out.items.size()))
    out.items.resize(static_cast<std::size_t>(most));
  return true;
}

}  // namespace inky::inline v1::javascript
