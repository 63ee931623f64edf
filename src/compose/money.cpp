#include "compose/money.hpp"

#include <algorithm>

#include "compose/statement_form.hpp"
#include "dialect/composing_form.hpp"
#include "dialect/family/glibc_locales.hpp"

namespace inky::inline v1 {

namespace {

// What the C library says of the currency of a locale; nothing where it has none of this name.
std::optional<glibc::Locale> currency_locale(std::string_view name) {
  const SettingFact fact{"locale", "", "C", glibc::locale_tags(), glibc::telling_locales()};
  const auto tag = find_value(fact, name);
  return tag ? glibc::locale_tagged(*tag) : std::nullopt;
}

}  // namespace

Result<WrittenStatements> write_money(const Dialect& dialect, const Spec& wish, const Value& value,
                                      std::string_view name) {
  const DialectFacts& facts = dialect.facts();
  const ComposingForm* composing = facts.forms.composing;
  if (composing == nullptr || composing->money.empty() || composing->carrier != facts.id)
    return language_cannot(dialect, "has no facility of its own for money here",
                           "Write the number with its marks, and the currency beside it.");
  const SettingFact* setting = find_setting(facts, "locale");
  const auto tag = setting == nullptr ? std::nullopt : find_value(*setting, wish.locale.text());
  if (!tag)
    return language_cannot(dialect, "has no locale " + std::string(wish.locale.text()),
                           "See inky dialects " + std::string(facts.id) + ".");
  const std::string_view form = composing->money;
  const auto own = currency_locale(wish.locale.text());
  const std::string_view code =
      own ? (*own)[glibc::Locale::currency_code].substr(0, 3) : std::string_view();
  const bool names_currency = form.find("@C") != std::string_view::npos;
  if (!names_currency && code != wish.currency.text())
    return language_cannot(dialect,
                           code.empty()
                               ? "shows the currency of the locale, which is not known here"
                               : "shows the currency of the locale, which is " + std::string(code),
                           "Name a locale of that currency.");
  const int usual =
      own && code == wish.currency.text() ? own->digit(glibc::Locale::currency_places) : 2;
  const int places = wish.places == unset ? usual : wish.places;
  if (form.find("@P") == std::string_view::npos && places != usual)
    return language_cannot(dialect,
                           "shows as many places as the locale has, " + std::to_string(usual),
                           "Leave the places out.");
  std::string statements = with_filled(form, 'L', *tag);
  statements = with_filled(statements, 'C', wish.currency.text());
  statements = with_filled(statements, 'P', std::to_string(places));
  return with_text(dialect, with_filled(statements, 'V', name), value, name);
}

}  // namespace inky::inline v1
