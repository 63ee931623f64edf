#include "compose/money.hpp"

#include <algorithm>

#include "dialect/composing_form.hpp"
#include "dialect/family/glibc_locales.hpp"
#include "inky_margin/dialect/statement.hpp"

namespace inky::inline v1 {

namespace {

Error cannot(const Dialect& dialect, std::string what, std::string remedy) {
  return {Code::not_supported_yet,
          std::string(dialect.facts().language) + " " + std::move(what),
          {},
          std::move(remedy)};
}

std::string filled(std::string_view form, char mark, std::string_view text) {
  std::string out;
  for (std::size_t at = 0; at < form.size(); ++at) {
    if (form[at] == '@' && at + 1 < form.size() && form[at + 1] == mark) {
      out += text;
      ++at;
    } else {
      out += form[at];
    }
  }
  return out;
}

// What the C library says of the currency of a locale; nothing where it has none of this name.
std::optional<glibc::Locale> currency_locale(std::string_view name) {
  const SettingFact fact{"locale", "", "C", glibc::locale_tags(), glibc::telling_locales()};
  const auto tag = find_value(fact, name);
  return tag ? glibc::locale_tagged(*tag) : std::nullopt;
}

}  // namespace

Result<WrittenMoney> write_money(const Dialect& dialect, const Spec& wish, const Value& value,
                                 std::string_view name) {
  const DialectFacts& facts = dialect.facts();
  const ComposingForm* composing = facts.forms.composing;
  if (composing == nullptr || composing->money.empty() || composing->carrier != facts.id)
    return cannot(dialect, "has no facility of its own for money here",
                  "Write the number with its marks, and the currency beside it.");
  const SettingFact* setting = find_setting(facts, "locale");
  const auto tag = setting == nullptr ? std::nullopt : find_value(*setting, wish.locale.text());
  if (!tag)
    return cannot(dialect, "has no locale " + std::string(wish.locale.text()),
                  "See inky dialects " + std::string(facts.id) + ".");
  const std::string_view form = composing->money;
  const auto own = currency_locale(wish.locale.text());
  const std::string_view code =
      own ? (*own)[glibc::Locale::currency_code].substr(0, 3) : std::string_view();
  const bool names_currency = form.find("@C") != std::string_view::npos;
  if (!names_currency && code != wish.currency.text())
    return cannot(dialect,
                  code.empty() ? "shows the currency of the locale, which is not known here"
                               : "shows the currency of the locale, which is " + std::string(code),
                  "Name a locale of that currency.");
  const int usual =
      own && code == wish.currency.text() ? own->digit(glibc::Locale::currency_places) : 2;
  const int places = wish.places == unset ? usual : wish.places;
  if (form.find("@P") == std::string_view::npos && places != usual)
    return cannot(dialect, "shows as many places as the locale has, " + std::to_string(usual),
                  "Leave the places out.");
  WrittenMoney out;
  out.statements = filled(form, 'L', *tag);
  out.statements = filled(out.statements, 'C', wish.currency.text());
  out.statements = filled(out.statements, 'P', std::to_string(places));
  out.statements = filled(out.statements, 'V', name);
  const Result<Template> parsed = parse_statement(dialect, out.statements);
  if (!parsed) return parsed.error();
  Value named = value;
  named.set_name(std::string(name));
  TextBuffer text;
  const Outcome outcome = parsed->dialect().render(*parsed, {&named, 1}, text);
  if (!outcome.prints())
    return cannot(dialect, "prints nothing of this: " + outcome.why(), "Give another value.");
  out.text = text.string();
  return out;
}

}  // namespace inky::inline v1
