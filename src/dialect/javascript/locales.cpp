#include "locales.hpp"

#include <algorithm>
#include <array>
#include <iterator>
#include <span>
#include <utility>

#include "evaluation.hpp"

namespace inky::inline v1::javascript {

namespace {

constexpr Locale locales[] = {
#include "locale_marks.inc"
};

constexpr auto tags = [] {
  std::array<std::string_view, std::size(locales)> out{};
  std::transform(std::begin(locales), std::end(locales), out.begin(),
                 [](const Locale& locale) { return locale.tag; });
  return out;
}();

}  // namespace

namespace {

// What a language alone has: Intl.Locale's maximize(), and asked of numbers, currencies and dates:
// Node.js 20.
constexpr std::string_view usual_tags =
    " en-US de-DE es-ES fr-FR it-IT ja-JP nl-NL pl-PL pt-BR sv-SE bg-BG ca-ES cs-CZ da-DK el-GR "
    "et-EE fi-FI fil-PH ga-IE he-IL hi-IN hr-HR hu-HU id-ID is-IS ko-KR lt-LT lv-LV ms-MY "
    "nb-NO ro-RO ru-RU sk-SK sl-SI sr-RS ta-IN te-IN th-TH tr-TR uk-UA vi-VN zh-CN ";

}  // namespace

const Locale* locale_tagged(std::string_view asked) {
  std::string_view tag = asked;
  if (asked.find('-') == std::string_view::npos) {
    const std::size_t at = usual_tags.find(" " + std::string(asked) + "-");
    if (at == std::string_view::npos) return nullptr;
    tag = usual_tags.substr(at + 1, usual_tags.find(' ', at + 1) - at - 1);
  }
  const auto found = std::find_if(std::begin(locales), std::end(locales),
                                  [&](const Locale& locale) { return locale.tag == tag; });
  return found == std::end(locales) ? nullptr : &*found;
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
  constexpr int by_name = 3;
  const bool as_accounts =
      options.accounts && options.sign != LocaleOptions::Sign::never && options.display != by_name;
  const bool is_money = options.style == LocaleOptions::Style::currency;
  const bool is_percent = options.style == LocaleOptions::Style::percent;
  const bool by_two = as_accounts  ? locale.accounts_of_two
                      : is_percent ? locale.percent_of_two
                                   : locale.groups_of_two;
  const bool grouped =
      options.groups &&
      whole >= (options.least_grouped > 0 ? options.least_grouped : locale.least_grouped);
  for (int left = whole; left > 0; --left) {
    const bool ends = left == 3 || (left > 3 && (left - 3) % (by_two ? 2 : 3) == 0);
    if (grouped && left < whole && ends) out += is_money ? locale.money_group : locale.group;
    out += digit(point - left);
  }
  const int places = std::clamp(digits.size() - point, options.least_places, options.most_places);
  if (places > 0) out += is_money ? locale.money_point : locale.point;
  for (int i = 0; i < places; ++i) out += digit(point + i);
}

}  // namespace inky::inline v1::javascript
