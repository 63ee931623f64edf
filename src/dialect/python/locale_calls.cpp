// The functions of Python's module locale: format_string, currency and str. They work on the texts
// that % makes, as the module's own source does.

#include <algorithm>

#include "../family/glibc_locales.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "inky_margin/text/columns.hpp"
#include "text/ascii.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

using computed::Node;
using glibc::Locale;

struct Marks {
  std::string_view point;
  std::string_view group;
  std::string_view sizes;  // "3,2"; "0" for none
};

Marks marks_of(const Locale& locale, bool of_money) {
  if (of_money)
    return {locale[Locale::currency_point], locale[Locale::currency_group],
            locale[Locale::currency_group_sizes]};
  return {locale[Locale::point], locale[Locale::group], locale[Locale::group_sizes]};
}

// The whole part of a number in groups, from its end on; `marks` counts those written, in characters.
std::string grouped_text(std::string_view text, const Marks& marks, std::size_t& written) {
  if (marks.sizes == "0") return std::string(text);
  std::string spaces;
  while (text.ends_with(' ')) {
    spaces += ' ';
    text.remove_suffix(1);
  }
  std::string out;
  std::size_t count = 0;
  for (std::size_t at = 0; !text.empty(); at = at + 2 < marks.sizes.size() ? at + 2 : at) {
    const auto size = static_cast<std::size_t>(marks.sizes[at] - '0');
    // Of a sign and spaces alone there is no group.
    if (size > 0 && !is_digit(text.back())) {
      out.insert(0, text);
      text = {};
      break;
    }
    const std::size_t taken = size == 0 ? text.size() : std::min(size, text.size());
    if (count++ > 0) out.insert(0, marks.group);
    out.insert(0, text.substr(text.size() - taken));
    text.remove_suffix(taken);
  }
  written = count > 0 ? measure(marks.group, WidthUnit::code_points) * (count - 1) : 0;
  return out + spaces;
}

bool is_real_number(const Value& value) {
  return is_int(value) || is_real(value.type()) || value.is(Type::decimal);
}

bool is_below_zero(const Value& value) {
  if (is_real(value.type())) return value.as_real().negative && !value.as_real().is_zero();
  if (value.is(Type::decimal)) return value.as_decimal().negative && !value.as_decimal().is_zero();
  bool negative = false;
  (void)whole_digits(value, 10, Letters::lower, negative);
  return negative;
}

// Padding gives way to the marks.
std::string without_padding(std::string text, std::size_t amount) {
  while (amount > 0 && text.starts_with(' ')) {
    text.erase(0, 1);
    --amount;
  }
  while (amount > 0 && text.ends_with(' ')) {
    text.pop_back();
    --amount;
  }
  return text;
}

std::string localized(std::string_view text, const Marks& marks, bool grouping) {
  const std::size_t point = text.find('.');
  const std::string_view whole = text.substr(0, point);
  std::size_t written = 0;
  std::string out = grouping ? grouped_text(whole, marks, written) : std::string(whole);
  if (point != std::string_view::npos) {
    out += marks.point;
    out += text.substr(point + 1);
  }
  return without_padding(std::move(out), written);
}

}  // namespace

bool Expressions::take_flags(const Node& node, const Arguments& arguments, std::size_t from,
                             std::span<const std::string_view> names, std::span<bool> out) {
  for (std::size_t i = 0; i < names.size(); ++i) {
    const Value* given =
        from + i < arguments.size() ? &arguments[from + i] : arguments.find(names[i]);
    if (given == nullptr) continue;
    if (!given->is(Type::truth)) return not_yet("this argument is", node);
    out[i] = given->as_whole() != 0;
  }
  const bool all_known =
      std::all_of(arguments.named.begin(), arguments.named.end(), [&](const Arguments::Named& one) {
        return std::find(names.begin(), names.end(), one.name) != names.end();
      });
  return all_known || not_yet("an argument of this name is", node);
}

bool Expressions::localize_field(const Node& node, std::string_view field, const Value& value,
                                 bool grouping, bool of_money, std::string& out) {
  Value made;
  if (!fill(node, *python_percent_dialect(), field, {&value, 1}, made)) return false;
  constexpr std::string_view numbers = "eEfFgGdiu";
  const std::string text(made.as_text());
  out += numbers.find(field.back()) == std::string_view::npos
             ? text
             : localized(text, marks_of(glibc::locale_or_c(locale()), of_money), grouping);
  return true;
}

// locale.format_string("%.2f", total, grouping=True)
bool Expressions::format_by_locale(const Node& node, const Arguments& arguments, Value& out) {
  constexpr std::string_view flag_names[] = {"grouping", "monetary"};
  bool chosen[] = {false, false};
  if (arguments.size() < 2 || !arguments[0].is(Type::text))
    return not_yet("format_string of these is", node);
  if (!take_flags(node, arguments, 2, flag_names, chosen)) return false;
  std::span<const Value> values{&arguments[1], 1};
  if (arguments[1].is(Type::tuple)) values = arguments[1].as_list();
  const std::string_view form = arguments[0].as_text();
  std::string text;
  std::size_t next = 0;
  for (std::size_t at = 0; at < form.size();) {
    if (form[at] != '%') {
      text += form[at++];
      continue;
    }
    const std::size_t letter =
        std::min(form.find_first_not_of("-#0123456789 +.hlL", at + 1), form.size());
    constexpr std::string_view known = "eEfFgGdiouxXcrs%";
    if (letter == form.size() || known.find(form[letter]) == std::string_view::npos)
      return not_yet("such a field of format_string is", node);
    const std::string_view field = form.substr(at, letter + 1 - at);
    at = letter + 1;
    if (field.back() == '%') {
      text += '%';
      continue;
    }
    if (next == values.size()) return raise("IndexError", "tuple index out of range", node);
    if (!localize_field(node, field, values[next++], chosen[0], chosen[1], text)) return false;
  }
  if (next < values.size())
    return raise("TypeError", "not all arguments converted during string formatting", node);
  out = Value::text(std::move(text));
  return true;
}

// locale.currency(total, grouping=True)
bool Expressions::show_currency(const Node& node, const Arguments& arguments, Value& out) {
  constexpr std::string_view flag_names[] = {"symbol", "grouping", "international"};
  bool chosen[] = {true, false, false};
  if (arguments.size() == 0 || !is_real_number(arguments[0]))
    return not_yet("currency of this is", node);
  if (!take_flags(node, arguments, 1, flag_names, chosen)) return false;
  const auto [symbol, grouping, international] = chosen;
  const Locale locale = glibc::locale_or_c(this->locale());
  const int places = locale.digit(international ? Locale::code_places : Locale::currency_places);
  constexpr int not_said = 9;
  if (places == not_said)
    return raise("ValueError", "Currency formatting is not possible using the 'C' locale.", node);
  Value made;
  const std::string field = "%." + std::to_string(places) + "f";
  if (!fill(node, *python_percent_dialect(), field, {&arguments[0], 1}, made)) return false;
  std::string_view magnitude = made.as_text();
  const bool below_zero = is_below_zero(arguments[0]);
  if (magnitude.starts_with('-')) magnitude.remove_prefix(1);
  const std::string number = localized(magnitude, marks_of(locale, true), grouping);
  std::string before;
  std::string behind;
  if (symbol) {
    std::string_view name = locale[international ? Locale::currency_code : Locale::currency];
    const bool precedes =
        locale.digit(below_zero ? Locale::minus_precedes : Locale::plus_precedes) != 0;
    const bool spaced = locale.digit(below_zero ? Locale::minus_space : Locale::plus_space) != 0;
    if (!precedes && international && name.ends_with(' ')) name.remove_suffix(1);
    if (precedes)
      before = std::string(name) + (spaced ? " " : "");
    else
      behind = (spaced ? " " : "") + std::string(name);
  }
  const std::string sign(locale[below_zero ? Locale::minus : Locale::plus]);
  std::string text;
  switch (locale.digit(below_zero ? Locale::minus_place : Locale::plus_place)) {
    case 0:
      text = "(" + before + number + behind + ")";
      break;
    case 2:
      text = before + number + behind + sign;
      break;
    case 3:
      text = before + sign + number + behind;
      break;
    case 4:
      text = before + number + sign + behind;
      break;
    default:
      text = sign + before + number + behind;
  }
  out = Value::text(std::move(text));
  return true;
}

std::optional<bool> Expressions::call_locale(const Node& node, std::string_view path,
                                             const Arguments& arguments, Value& out) {
  if (path == "locale.format_string") return format_by_locale(node, arguments, out);
  if (path == "locale.currency") return show_currency(node, arguments, out);
  if (path == "locale.str" && arguments.size() == 1 && arguments.named.empty()) {
    std::string text;
    if (!localize_field(node, "%.12g", arguments[0], false, false, text)) return false;
    out = Value::text(std::move(text));
    return true;
  }
  return std::nullopt;
}

}  // namespace inky::inline v1::python
