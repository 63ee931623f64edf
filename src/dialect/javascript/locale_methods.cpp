// toLocaleString of numbers: ECMA-402, 15.

#include <algorithm>
#include <cmath>
#include <string>

#include "evaluation.hpp"
#include "evaluator.hpp"
#include "locales.hpp"
#include "numbers.hpp"
#include "text/escape.hpp"

namespace inky::inline v1::javascript {

// The locale of an argument: a tag, or the first of a list that there are data of.
bool Evaluator::take_locale(const Node& node, const std::vector<Datum>& arguments,
                            std::optional<Locale>& out) {
  std::vector<std::string_view> tags;
  if (!arguments.empty() && arguments[0].kind == DatumKind::array) {
    for (const Datum& one : arguments[0].items) {
      if (one.kind != DatumKind::text) return not_yet("such a locale is", node);
      tags.push_back(one.text);
    }
  } else if (!arguments.empty() && arguments[0].kind != DatumKind::undefined) {
    if (arguments[0].kind != DatumKind::text) return not_yet("such a locale is", node);
    tags.push_back(arguments[0].text);
  }
  for (const std::string_view tag : tags) {
    using State = LocaleLookup::State;
    const LocaleLookup found = locale_tagged(tag);
    if (found.state == State::invalid)
      return fail("RangeError", "Incorrect locale information provided", node);
    if (found.state == State::not_supported_yet)
      return not_yet("the locale " + in_quotes(tag) + " is", node);
    if (!out && found.state == State::found) out = found.locale;
  }
  if (out) return true;
  out = known_locale("en-US");
  if (!locale_.empty()) out = locale_tagged(locale_).locale;
  if (!out) return not_yet("the locale " + in_quotes(locale_) + " is", node);
  if (notes_ != nullptr && locale_.empty()) {
    const std::string why =
        tags.empty() ? "" : "Node.js has no data of " + in_quotes(tags[0]) + ": ";
    notes_->push_back({Code::implementation_defined,
                       why + "the locale is the machine's own; this is en-US: name one, as in "
                             "toLocaleString(\"en-US\")",
                       node.span});
  }
  return true;
}

bool Evaluator::take_places(const Datum& datum, const Node& node, std::string_view key,
                            double least, double most, int& out) {
  double number = 0;
  if (!to_number(datum, node, number)) return false;
  if (!(number >= least && number <= most))
    return fail("RangeError", std::string(key) + " value is out of range.", node);
  out = static_cast<int>(std::floor(number));
  return true;
}

namespace {

// The place of a word in a list; nothing where it is not in it.
std::optional<int> word_place(std::initializer_list<std::string_view> words, const Datum& value) {
  if (value.kind != DatumKind::text) return std::nullopt;
  const auto* found = std::find(words.begin(), words.end(), value.text);
  if (found == words.end()) return std::nullopt;
  return static_cast<int>(found - words.begin());
}

// An option whose value is one of some words. False where it is none of these, or the word is none.
bool take_word(std::string_view key, const Datum& value, LocaleOptions& out, int& display_of_money,
               int& display_of_unit) {
  const auto take = [&](std::initializer_list<std::string_view> words, auto& into) {
    const auto place = word_place(words, value);
    if (place) into = static_cast<std::remove_reference_t<decltype(into)>>(*place);
    return place.has_value();
  };
  if (key == "style") return take({"decimal", "percent", "currency", "unit"}, out.style);
  if (key == "notation")
    return take({"standard", "scientific", "engineering", "compact"}, out.notation);
  if (key == "signDisplay")
    return take({"auto", "always", "never", "exceptZero", "negative"}, out.sign);
  if (key == "currencyDisplay")
    return take({"symbol", "narrowSymbol", "code", "name"}, display_of_money);
  if (key == "unitDisplay") return take({"short", "long", "narrow"}, display_of_unit);
  if (key == "currencySign") return take({"standard", "accounting"}, out.accounts);
  if (key == "compactDisplay") return take({"short", "long"}, out.is_long);
  return false;
}

// true, false, "always", "auto", "min2"
bool take_grouping(const Datum& value, LocaleOptions& out) {
  constexpr int smallest = 4;
  if (value.kind == DatumKind::boolean) {
    out.groups = value.truth;
    if (value.truth) out.least_grouped = smallest;
    return true;
  }
  const auto place = word_place({"always", "auto", "min2"}, value);
  if (!place) return false;
  out.least_grouped = *place == 0 ? smallest : *place == 1 ? 0 : smallest + 1;
  return true;
}

}  // namespace

bool Evaluator::take_options(const Node& node, const Datum& given, Locale& locale,
                             LocaleOptions& out) {
  constexpr int most_fraction_digits = 20;  // of V8 in Node.js 20
  constexpr int most_digits = 21;
  int least = unset;
  int most = unset;
  int least_significant = unset;
  int most_significant = unset;
  int display_of_money = 0;
  int display_of_unit = 0;
  std::string currency;
  std::string unit;
  for (std::size_t i = 0; i < given.keys.size(); ++i) {
    const std::string& key = given.keys[i];
    const Datum& value = given.items[i];
    if (value.kind == DatumKind::undefined) continue;
    bool known = true;
    if (key == "minimumFractionDigits") {
      if (!take_places(value, node, key, 0, most_fraction_digits, least)) return false;
    } else if (key == "maximumFractionDigits") {
      if (!take_places(value, node, key, 0, most_fraction_digits, most)) return false;
    } else if (key == "minimumIntegerDigits") {
      if (!take_places(value, node, key, 1, most_digits, out.least_whole)) return false;
    } else if (key == "minimumSignificantDigits") {
      if (!take_places(value, node, key, 1, most_digits, least_significant)) return false;
    } else if (key == "maximumSignificantDigits") {
      if (!take_places(value, node, key, 1, most_digits, most_significant)) return false;
    } else if (key == "useGrouping") {
      known = take_grouping(value, out);
    } else if (key == "numberingSystem") {
      known = value.kind == DatumKind::text && take_numbering(value.text, locale);
    } else if (key == "currency" || key == "unit") {
      append_text(value, key == "unit" ? unit : currency);
    } else {
      known = take_word(key, value, out, display_of_money, display_of_unit);
    }
    if (!known)
      return not_yet("the option " + key + " of toLocaleString, with this value, is", node);
  }
  const bool is_money = out.style == LocaleOptions::Style::currency;
  int usual_least = 0;
  int usual_most = out.style == LocaleOptions::Style::percent ? 0 : 3;
  if (is_money || out.style == LocaleOptions::Style::unit) {
    out.name = is_money ? currency : unit;
    out.display = is_money ? display_of_money : display_of_unit;
    if (out.name.empty())
      return fail("TypeError",
                  is_money ? "Currency code is required with currency style."
                           : "Unit is required with unit style.",
                  node);
    if (is_money) {
      for (char& c : out.name) c = static_cast<char>(c >= 'a' && c <= 'z' ? c - 0x20 : c);
      const auto found = locale.patterns.currency(out.name, out.display);
      if (!found) return not_yet("the currency " + in_quotes(out.name) + " is", node);
      usual_least = usual_most = found->places;
    } else if (!locale.patterns.unit(out.name, out.display)) {
      return not_yet("the unit " + in_quotes(out.name) + " is", node);
    }
    if (out.notation != LocaleOptions::Notation::standard)
      return not_yet("such a notation with a style is", node);
  }
  const bool counts_places = least_significant == unset && most_significant == unset;
  if (counts_places && least != unset && most != unset && least > most)
    return fail("RangeError", "maximumFractionDigits value is out of range.", node);
  if (least_significant != unset && most_significant != unset &&
      least_significant > most_significant)
    return fail("RangeError", "maximumSignificantDigits value is out of range.", node);
  out.least_places = least != unset  ? least
                     : most == unset ? usual_least
                                     : std::min(usual_least, most);
  out.most_places = most != unset ? most : std::max(usual_most, out.least_places);
  if (least_significant != unset || most_significant != unset) {
    out.least_significant = least_significant == unset ? 1 : least_significant;
    out.most_significant = most_significant == unset ? most_digits : most_significant;
  }
  out.has_digits = least != unset || most != unset || out.most_significant > 0;
  constexpr int of_two = 5;
  if (out.notation == LocaleOptions::Notation::compact && out.least_grouped == 0)
    out.least_grouped = of_two;
  return true;
}

bool Evaluator::call_locale(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                            Datum& out) {
  std::optional<Locale> locale;
  LocaleOptions options;
  if (!take_locale(node, arguments, locale)) return false;
  if (arguments.size() > 1 && arguments[1].kind != DatumKind::undefined) {
    if (arguments[1].kind != DatumKind::object) return not_yet("such options are", node);
    if (!take_options(node, arguments[1], *locale, options)) return false;
  }
  Digits digits;
  bool negative = false;
  out.kind = DatumKind::text;
  std::optional<std::string> text;
  if (of.kind == DatumKind::number && !std::isfinite(of.number)) {
    negative = std::signbit(of.number) && !std::isnan(of.number);
    text = locale_text(std::isnan(of.number) ? "NaN" : "\xe2\x88\x9e", negative, options, *locale);
  } else {
    if (of.kind == DatumKind::big) {
      const std::string whole = digits_of(of.big, 10);
      negative = of.big.negative;
      if (whole != "0") {
        std::copy(whole.begin(), whole.end(), digits.room(static_cast<int>(whole.size())));
        digits.set(static_cast<int>(whole.size()), static_cast<int>(whole.size()));
      }
    } else {
      negative = std::signbit(of.number);
      shortest_digits(binary64, real_of(of.number), digits);
    }
    if (notes_ != nullptr && of.kind == DatumKind::number) note_decimal(node, of, digits, options);
    text = locale_text(digits, negative, options, *locale);
  }
  if (!text) return not_yet("a number such as this in this locale is", node);
  out.text = std::move(*text);
  return true;
}

void Evaluator::note_decimal(const Node& node, const Datum& of, const Digits& digits,
                             const LocaleOptions& options) {
  const int keep = digits.point() + options.most_places;
  const bool is_plain = options.style != LocaleOptions::Style::percent &&
                        options.most_significant == 0 &&
                        options.notation == LocaleOptions::Notation::standard;
  if (!is_plain || tail_after(digits, keep) != Tail::half) return;
  Digits exact;
  exact_digits(real_of(of.number), exact);
  if (tail_after(exact, exact.point() + options.most_places) != Tail::below_half) return;
  notes_->push_back({Code::decimal_rounded,
                     "toLocaleString rounds the shortest digits, " + plain_text(digits) +
                         ", half away from zero; toFixed rounds what is stored",
                     node.span});
}

}  // namespace inky::inline v1::javascript
