#include "locales.hpp"

#include <algorithm>
#include <array>
#include <span>
#include <utility>

#include "evaluation.hpp"

namespace inky::inline v1::javascript {

namespace {

// Asked of Intl.NumberFormat, Node.js 20 with ICU 78.
constexpr auto locales = std::to_array<Locale>({
    {"en-US", ".", ",", "-", "%"},
    {"de-CH", ".", "'", "-", "%"},
    {"de-DE", ",", ".", "-", "\xc2\xa0%"},
    {"en-GB", ".", ",", "-", "%"},
    {"en-IN", ".", ",", "-", "%", 4, true},
    {"es-ES", ",", ".", "-", "\xc2\xa0%", 5},
    {"fr-FR", ",", "\xe2\x80\xaf", "-", "\xc2\xa0%"},
    {"it-IT", ",", ".", "-", "%", 5},
    {"ja-JP", ".", ",", "-", "%"},
    {"nl-NL", ",", ".", "-", "%"},
    {"pl-PL", ",", "\xc2\xa0", "-", "%", 5},
    {"pt-BR", ",", ".", "-", "%"},
    {"sv-SE", ",", "\xc2\xa0", "\xe2\x88\x92", "\xc2\xa0%"},
});

constexpr auto tags = [] {
  std::array<std::string_view, locales.size()> out{};
  std::transform(locales.begin(), locales.end(), out.begin(),
                 [](const Locale& locale) { return locale.tag; });
  return out;
}();

}  // namespace

namespace {

// What a tag without a region has, asked of numbers, currencies, units and dates: Node.js 20.
constexpr std::pair<std::string_view, std::string_view> languages[] = {
    {"en", "en-US"}, {"de", "de-DE"}, {"es", "es-ES"}, {"fr", "fr-FR"}, {"it", "it-IT"},
    {"ja", "ja-JP"}, {"nl", "nl-NL"}, {"pl", "pl-PL"}, {"pt", "pt-BR"}, {"sv", "sv-SE"}};

}  // namespace

const Locale* locale_tagged(std::string_view asked) {
  std::string_view tag = asked;
  for (const auto& [language, usual] : languages) {
    if (asked == language) tag = usual;
  }
  const auto found = std::find_if(locales.begin(), locales.end(),
                                  [&](const Locale& locale) { return locale.tag == tag; });
  return found == locales.end() ? nullptr : &*found;
}

std::span<const std::string_view> locale_tags() {
  return tags;
}

void append_grouped(const Digits& digits, const LocaleOptions& options, const Locale& locale,
                    std::string& out) {
  const auto digit = [&](int at) {
    return at >= 0 && at < digits.size() ? digits.text()[static_cast<std::size_t>(at)] : '0';
  };
  const int point = digits.is_zero() ? 0 : digits.point();
  const int whole = std::max(point, options.least_whole);
  // Where amounts are written as accounts have them, all marks are between thousands.
  constexpr int by_name = 3;
  const bool as_accounts =
      options.accounts && options.sign != LocaleOptions::Sign::never && options.display != by_name;
  const bool by_two = locale.groups_of_two && !as_accounts;
  const bool grouped =
      options.groups &&
      whole >= (options.least_grouped > 0 ? options.least_grouped : locale.least_grouped);
  for (int left = whole; left > 0; --left) {
    const bool ends = left == 3 || (left > 3 && (left - 3) % (by_two ? 2 : 3) == 0);
    if (grouped && left < whole && ends) out += locale.group;
    out += digit(point - left);
  }
  const int places = std::clamp(digits.size() - point, options.least_places, options.most_places);
  if (places > 0) out += locale.point;
  for (int i = 0; i < places; ++i) out += digit(point + i);
}

}  // namespace inky::inline v1::javascript
