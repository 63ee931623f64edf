#include "glibc_money.hpp"

#include <algorithm>

#include "inky_margin/dialect/dialect.hpp"
#include "number/decimal_arithmetic.hpp"

namespace inky::inline v1::glibc {

namespace {

constexpr int not_said = 9;

std::string_view code_of(const Locale& locale) {
  return locale[Locale::currency_code].substr(0, 3);
}

// As the locale that has the currency says; 2 where none does.
int places_of(std::string_view currency) {
  for (const std::string_view tag : locale_tags()) {
    const auto locale = locale_tagged(tag);
    if (!locale || code_of(*locale) != currency) continue;
    const int places = locale->digit(Locale::currency_places);
    if (places != not_said) return places;
  }
  return 2;
}

}  // namespace

std::pair<std::string, std::string> around_amount(const Locale& locale, std::string_view name,
                                                  bool is_code, bool below_zero) {
  const bool precedes =
      locale.digit(below_zero ? Locale::minus_precedes : Locale::plus_precedes) != 0;
  const int space = locale.digit(below_zero ? Locale::minus_space : Locale::plus_space);
  const int place = locale.digit(below_zero ? Locale::minus_place : Locale::plus_place);
  const std::string sign(locale[below_zero ? Locale::minus : Locale::plus]);
  // 3 and 4: the sign is beside the name, before or behind it. A space of the kind 2 is between these
  // two, or else between the sign and the number.
  const bool is_beside = place == 3 || place == 4 || (precedes ? place == 1 : place == 2);
  const bool splits_name = space == 2 && is_beside && (place == 4 || !sign.empty());
  const std::string between = splits_name ? " " : "";
  std::string named(name);
  if (place == 3) named = sign + between + named;
  if (place == 4) named += between + sign;
  const bool has_gap = space == 1 || (is_code && !named.ends_with(' '));
  const std::string gap = has_gap && !named.empty() ? " " : "";
  std::string before = precedes ? named + gap : "";
  std::string behind = precedes ? "" : gap + named;
  switch (place) {
    case 0:
      return {"(" + before, behind + ")"};
    case 2:
      return {before, behind + (precedes ? "" : between) + sign};
    case 3:
    case 4:
      return {before, behind};
    default:
      return {sign + (precedes ? between : "") + before, behind};
  }
}

std::string MoneyForm::text(const Decimal& amount, Rounding rounding) const {
  const Decimal rounded = rescaled(amount, -std::int64_t{places}, rounding);
  std::string digits = rounded.coefficient;
  const auto count = static_cast<std::size_t>(places);
  if (digits.size() <= count) digits.insert(0, count + 1 - digits.size(), '0');
  const std::size_t whole = digits.size() - count;
  const bool below_zero = rounded.negative && !rounded.is_zero();
  std::string out = before[below_zero ? 1 : 0];
  out += grouped_digits(std::string_view(digits).substr(0, whole), group, sizes);
  if (count > 0) out += point + digits.substr(whole);
  return out + behind[below_zero ? 1 : 0];
}

std::optional<MoneyForm> money_form(std::string_view name, std::string_view currency, bool by_code,
                                    bool in_brackets) {
  const SettingFact fact{"locale", "", "C", locale_tags(), telling_locales()};
  const auto tag = find_value(fact, name);
  const auto locale = tag ? locale_tagged(*tag) : std::nullopt;
  if (!locale || locale->digit(Locale::currency_places) == not_said) return std::nullopt;
  const bool is_own = code_of(*locale) == currency;
  const bool has_symbol = is_own && !by_code && !(*locale)[Locale::currency].empty();
  const std::string_view shown = has_symbol ? (*locale)[Locale::currency] : currency;
  MoneyForm out;
  out.point = (*locale)[Locale::currency_point];
  out.group = (*locale)[Locale::currency_group];
  out.sizes = locale->currency_grouping();
  out.places = is_own ? locale->digit(Locale::currency_places) : places_of(currency);
  if (out.places == not_said) out.places = 2;
  for (const bool below : {false, true}) {
    auto [before, behind] = around_amount(*locale, shown, !has_symbol, below && !in_brackets);
    const std::size_t at = below ? 1 : 0;
    if (below && in_brackets) {
      before.insert(0, "(");
      behind += ")";
    }
    out.before[at] = std::move(before);
    out.behind[at] = std::move(behind);
  }
  return out;
}

}  // namespace inky::inline v1::glibc
