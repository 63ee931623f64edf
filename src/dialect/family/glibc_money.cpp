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
                                                  bool below_zero, bool international) {
  std::string before;
  std::string behind;
  if (!name.empty()) {
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
  switch (locale.digit(below_zero ? Locale::minus_place : Locale::plus_place)) {
    case 0:
      return {"(" + before, behind + ")"};
    case 2:
      return {before, behind + sign};
    case 3:
      return {before + sign, behind};
    case 4:
      return {before, sign + behind};
    default:
      return {sign + before, behind};
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
  // A blank follows the code where the locale has none of its own.
  const std::string code = std::string(currency) + " ";
  const std::string_view shown = has_symbol ? (*locale)[Locale::currency] : std::string_view(code);
  MoneyForm out;
  out.point = (*locale)[Locale::currency_point];
  out.group = (*locale)[Locale::currency_group];
  out.sizes = locale->currency_grouping();
  out.places = is_own ? locale->digit(Locale::currency_places) : places_of(currency);
  if (out.places == not_said) out.places = 2;
  for (const bool below : {false, true}) {
    auto [before, behind] = around_amount(*locale, shown, below && !in_brackets, !has_symbol);
    const std::size_t at = below ? 1 : 0;
    // The code brings its own blank, and stands behind one where it comes last.
    if (!has_symbol) {
      const std::size_t twice = before.find("  ");
      if (twice != std::string::npos) before.erase(twice, 1);
      if (behind.starts_with(currency)) behind.insert(0, " ");
    }
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
