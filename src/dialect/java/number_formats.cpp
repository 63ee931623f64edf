#include "number_formats.hpp"

#include <algorithm>

#include "../computed/objects.hpp"
#include "dialect/program_form.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "locales.hpp"
#include "text/escape.hpp"

namespace inky::inline v1::java_language {

namespace {

using computed::Node;

// Where the digits of a pattern are, from a place on.
std::size_t digits_from(std::string_view pattern, std::size_t from) {
  bool quoted = false;
  for (std::size_t at = from; at < pattern.size(); ++at) {
    if (pattern[at] == '\'') quoted = !quoted;
    if (!quoted && (pattern[at] == '#' || pattern[at] == '0' || pattern[at] == '.')) return at;
  }
  return std::string_view::npos;
}
std::size_t digits_end(std::string_view pattern, std::size_t from) {
  return std::min(pattern.find_first_not_of("#0,.", from), pattern.size());
}

Value number_format(std::string_view pattern, std::string_view locale, std::string_view rounding) {
  return computed::object_of(number_format_object,
                             {Value::text(std::string(pattern)), Value::text(std::string(locale)),
                              Value::text(std::string(rounding))});
}

}  // namespace

bool read_digits(std::string_view pattern, PatternDigits& out) {
  const std::size_t from = digits_from(pattern, 0);
  if (from == std::string_view::npos) return false;
  const std::string_view digits = pattern.substr(from, digits_end(pattern, from) - from);
  if (pattern.substr(from + digits.size()).starts_with('E')) return false;
  const std::size_t point = std::min(digits.find('.'), digits.size());
  const std::string_view whole = digits.substr(0, point);
  const std::string_view places = digits.substr(std::min(point + 1, digits.size()));
  const auto zeros = [](std::string_view text) {
    return static_cast<int>(std::count(text.begin(), text.end(), '0'));
  };
  out = {zeros(whole), zeros(places), static_cast<int>(places.size()),
         whole.find(',') != std::string_view::npos};
  return true;
}

std::string with_digits(std::string_view pattern, const PatternDigits& digits) {
  std::string whole(static_cast<std::size_t>(digits.least_whole), '0');
  if (digits.groups) {
    constexpr std::size_t group = 3;
    if (whole.size() <= group) whole.insert(0, group + 1 - whole.size(), '#');
    for (std::size_t at = whole.size(); at > group;) {
      at -= group;
      whole.insert(at, 1, ',');
    }
  } else if (whole.empty()) {
    whole = "#";
  }
  if (digits.most_places > 0) whole += '.';
  whole.append(static_cast<std::size_t>(digits.least_places), '0');
  whole.append(static_cast<std::size_t>(digits.most_places - digits.least_places), '#');
  std::string out;
  std::size_t at = 0;
  for (std::size_t from = digits_from(pattern, 0); from != std::string_view::npos;
       from = digits_from(pattern, at)) {
    out += pattern.substr(at, from - at);
    out += whole;
    at = digits_end(pattern, from);
    // The part for negative numbers begins behind a semicolon.
    const std::size_t semicolon = pattern.find(';', at);
    if (semicolon == std::string_view::npos) break;
    out += pattern.substr(at, semicolon - at);
    at = semicolon;
  }
  return out += pattern.substr(at);
}

std::optional<bool> Expressions::make_locale(const Node& node, std::string_view path,
                                             const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  const bool from_tag = path == "Locale.forLanguageTag" && count == 1;
  if (!from_tag && !(path == "Locale" && (count == 1 || count == 2))) return std::nullopt;
  std::string tag;
  for (const Value& part : arguments.values) {
    if (!part.is(Type::text)) return std::nullopt;
    tag += (tag.empty() ? "" : "-") + std::string(part.as_text());
  }
  if (tag.empty()) tag = "root";
  if (!locale_tagged(tag)) return not_yet("the locale " + in_quotes(tag) + " is", node);
  out = computed::object_of(locale_object, {Value::text(tag)});
  return true;
}

bool Expressions::take_locale(const Node& node, const Arguments& arguments, std::size_t at,
                              std::string& out) {
  if (at == arguments.size()) {
    out = locale();
    if (out.empty()) out = "root";
    return true;
  }
  if (at + 1 != arguments.size() || !computed::is_object(arguments[at], locale_object))
    return not_yet("these arguments are", node);
  out = computed::object_part(arguments[at], 0).as_text();
  return true;
}

// NumberFormat.getCurrencyInstance(Locale.US), new DecimalFormat("#,##0.00", symbols)
std::optional<bool> Expressions::make_number_format(const Node& node, std::string_view path,
                                                    const Arguments& arguments, Value& out) {
  constexpr std::pair<std::string_view, JavaLocale::Part> makers[] = {
      {"NumberFormat.getInstance", JavaLocale::number_pattern},
      {"NumberFormat.getNumberInstance", JavaLocale::number_pattern},
      {"NumberFormat.getIntegerInstance", JavaLocale::whole_pattern},
      {"NumberFormat.getPercentInstance", JavaLocale::percent_pattern},
      {"NumberFormat.getCurrencyInstance", JavaLocale::currency_pattern}};
  std::string tag;
  for (const auto& [known, part] : makers) {
    if (path != known) continue;
    if (!take_locale(node, arguments, 0, tag)) return false;
    if (part == JavaLocale::currency_pattern && arguments.size() == 0 && locale().empty())
      return not_yet("the currency of the machine's locale is", node);
    out = number_format(locale_or_root(tag)[part], tag, "half-even");
    return true;
  }
  if (path == "DecimalFormatSymbols" || path == "DecimalFormatSymbols.getInstance") {
    if (!take_locale(node, arguments, 0, tag)) return false;
    out = computed::object_of(symbols_object, {Value::text(tag)});
    return true;
  }
  if (path != "DecimalFormat" || arguments.size() > 2) return std::nullopt;
  if (arguments.size() == 2) {
    if (!computed::is_object(arguments[1], symbols_object))
      return not_yet("these arguments are", node);
    tag = computed::object_part(arguments[1], 0).as_text();
  } else {
    tag = locale().empty() ? "root" : locale();
  }
  if (arguments.size() == 0) {
    out = number_format(locale_or_root(tag)[JavaLocale::number_pattern], tag, "half-even");
    return true;
  }
  if (!arguments[0].is(Type::text)) return not_yet("this pattern is", node);
  const Dialect& dialect = *java_pattern_dialect();
  const auto parsed =
      dialect.parse(literal_text(program_form_of(dialect.facts()), arguments[0].as_text()));
  if (!parsed) return not_yet("this pattern is", node);
  if (const auto& refusal = parsed->refusal())
    return fail(computed::Trouble::When::run, refusal->as, refusal->why, node);
  out = number_format(arguments[0].as_text(), tag, "half-even");
  return true;
}

// format(x), and the methods that change it, which give the changed one.
std::optional<bool> Expressions::call_on_number_format(const Node& node, const Value& of,
                                                       const Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  const std::string pattern(computed::object_part(of, 0).as_text());
  const std::string tag(computed::object_part(of, 1).as_text());
  const std::string rounding(computed::object_part(of, 2).as_text());
  if (arguments.size() != 1) return std::nullopt;
  const Value& given = arguments[0];
  if (name == "format") {
    if (!is_number(given) && !given.is(Type::decimal) && !given.is(Type::big)) return std::nullopt;
    const Dialect& dialect = *java_pattern_dialect();
    const auto parsed = dialect.parse(literal_text(program_form_of(dialect.facts()), pattern));
    if (!parsed) return not_yet("this pattern is", node);
    const Setting settings[] = {{"locale", tag}, {"rounding", rounding}};
    TextBuffer text;
    const RenderOptions options{.settings = settings};
    if (!dialect.render(*parsed, {&given, 1}, options, text, nullptr).prints())
      return not_yet("this number in such a format is", node);
    out = Value::text(text.string());
    return true;
  }
  if (!may_change_) return std::nullopt;
  if (name == "setRoundingMode") {
    const auto mode = rounding_mode(given);
    if (!mode) return not_yet("this rounding is", node);
    out = number_format(pattern, tag, name_of(*mode));
    return true;
  }
  if (name == "setDecimalFormatSymbols" && computed::is_object(given, symbols_object)) {
    out = number_format(pattern, computed::object_part(given, 0).as_text(), rounding);
    return true;
  }
  PatternDigits digits;
  if (!read_digits(pattern, digits)) return not_yet("a change of such a pattern is", node);
  if (name == "setGroupingUsed" && given.is(Type::truth)) {
    digits.groups = given.as_whole() != 0;
  } else {
    std::int64_t number = 0;
    if (!take_int(node, given, number)) return false;
    constexpr std::int64_t most = 300;
    if (number > most) return not_yet("a number of digits this large is", node);
    const int wanted = static_cast<int>(std::max<std::int64_t>(number, 0));
    if (name == "setMaximumFractionDigits") {
      digits.most_places = wanted;
      digits.least_places = std::min(digits.least_places, wanted);
    } else if (name == "setMinimumFractionDigits") {
      digits.least_places = wanted;
      digits.most_places = std::max(digits.most_places, wanted);
    } else if (name == "setMinimumIntegerDigits") {
      digits.least_whole = wanted;
    } else {
      return std::nullopt;
    }
  }
  out = number_format(with_digits(pattern, digits), tag, rounding);
  return true;
}

}  // namespace inky::inline v1::java_language
