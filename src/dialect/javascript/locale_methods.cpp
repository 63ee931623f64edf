// toLocaleString.

#include <algorithm>
#include <cmath>
#include <string>

#include "evaluation.hpp"
#include "evaluator.hpp"
#include "numbers.hpp"
#include "text/escape.hpp"

namespace inky::inline v1::javascript {

bool Evaluator::take_locale(const Node& node, const std::vector<Datum>& arguments,
                            const Locale*& out) {
  const bool given = !arguments.empty() && arguments[0].kind != DatumKind::undefined;
  out = locale_tagged(locale_.empty() ? "en-US" : locale_);
  if (!given) {
    if (notes_ != nullptr && locale_.empty()) {
      notes_->push_back({Code::implementation_defined,
                         "the locale is the machine's own; this is en-US: name one, as in "
                         "toLocaleString(\"en-US\")",
                         node.span});
    }
    return true;
  }
  if (arguments[0].kind != DatumKind::text) return not_yet("such a locale is", node);
  const std::string& tag = arguments[0].text;
  out = locale_tagged(tag);
  if (out != nullptr) return true;
  if (tag.empty() || tag.find_first_of("_ ") != std::string::npos)
    return fail("RangeError", "Incorrect locale information provided", node);
  return not_yet("the locale " + in_quotes(tag) + " is", node);
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

bool Evaluator::take_options(const Node& node, const Datum& given, LocaleOptions& out) {
  constexpr int most_fraction_digits = 20;  // of V8 in Node.js 20
  int least = unset;
  int most = unset;
  for (std::size_t i = 0; i < given.keys.size(); ++i) {
    const std::string& key = given.keys[i];
    const Datum& value = given.items[i];
    if (value.kind == DatumKind::undefined) continue;
    if (key == "minimumFractionDigits") {
      if (!take_places(value, node, key, 0, most_fraction_digits, least)) return false;
    } else if (key == "maximumFractionDigits") {
      if (!take_places(value, node, key, 0, most_fraction_digits, most)) return false;
    } else if (key == "minimumIntegerDigits") {
      if (!take_places(value, node, key, 1, 21, out.least_whole)) return false;
    } else if (key == "useGrouping" && value.kind == DatumKind::boolean) {
      out.groups = out.groups_always = value.truth;
    } else if (key == "style" && value.kind == DatumKind::text &&
               (value.text == "percent" || value.text == "decimal")) {
      out.percent = value.text == "percent";
    } else {
      return not_yet("the option " + key + " of toLocaleString, with this value, is", node);
    }
  }
  const int usual = out.percent ? 0 : 3;
  if (least != unset && most != unset && least > most)
    return fail("RangeError", "maximumFractionDigits value is out of range.", node);
  out.least_places = least != unset ? least : most == unset ? 0 : std::min(0, most);
  out.most_places = most != unset ? most : std::max(usual, out.least_places);
  return true;
}

bool Evaluator::call_locale(const Node& node, const Datum& of, const std::vector<Datum>& arguments,
                            Datum& out) {
  const Locale* locale = nullptr;
  LocaleOptions options;
  if (!take_locale(node, arguments, locale)) return false;
  if (arguments.size() > 1 && arguments[1].kind != DatumKind::undefined) {
    if (arguments[1].kind != DatumKind::object) return not_yet("such options are", node);
    if (!take_options(node, arguments[1], options)) return false;
  }
  Digits digits;
  bool negative = false;
  out.kind = DatumKind::text;
  if (of.kind == DatumKind::big) {
    const std::string text = digits_of(of.big, 10);
    negative = of.big.negative;
    if (text != "0") {
      std::copy(text.begin(), text.end(), digits.room(static_cast<int>(text.size())));
      digits.set(static_cast<int>(text.size()), static_cast<int>(text.size()));
    }
  } else {
    negative = std::signbit(of.number) && !std::isnan(of.number);
    if (!std::isfinite(of.number)) {
      out.text = std::string(negative ? locale->minus : "") +
                 (std::isnan(of.number) ? "NaN" : "\xe2\x88\x9e") +
                 std::string(options.percent ? locale->percent : "");
      return true;
    }
    shortest_digits(binary64, real_of(of.number), digits);
  }
  if (options.percent && !digits.is_zero()) digits.set(digits.size(), digits.point() + 2);
  if (notes_ != nullptr && of.kind == DatumKind::number) note_decimal(node, of, digits, options);
  round_digits(digits, digits.point() + options.most_places, negative, Rounding::half_away);
  digits.strip_trailing_zeros();
  if (negative) out.text += locale->minus;
  append_grouped(digits, options, *locale, out.text);
  if (options.percent) out.text += locale->percent;
  return true;
}

void Evaluator::note_decimal(const Node& node, const Datum& of, const Digits& digits,
                             const LocaleOptions& options) {
  const int keep = digits.point() + options.most_places;
  if (tail_after(digits, keep) != Tail::half || options.percent) return;
  Digits exact;
  exact_digits(real_of(of.number), exact);
  if (tail_after(exact, exact.point() + options.most_places) != Tail::below_half) return;
  notes_->push_back({Code::decimal_rounded,
                     "toLocaleString rounds the shortest digits, " + plain_text(digits) +
                         ", half away from zero; toFixed rounds what is stored",
                     node.span});
}

}  // namespace inky::inline v1::javascript
