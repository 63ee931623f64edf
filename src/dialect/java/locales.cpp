#include "locales.hpp"

#include <algorithm>
#include <array>

namespace inky::inline v1::java_language {

namespace {

// Asked of DecimalFormatSymbols, OpenJDK 17.0.15. All of them group by three.
constexpr auto locales = std::to_array<JavaLocale>({
    {"root", ".", ",", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xc2\xa4",
     "XXX", ".", ","},
    {"ar-EG", "\xd9\xab", "\xd9\xac", U'\u0660', "\xd8\x9c-", "\xd9\xaa\xd8\x9c", "\xd8\x89",
     "\xd8\xa7\xd8\xb3", "\xe2\x88\x9e", "\xd9\x84\xd9\x8a\xd8\xb3\xc2\xa0\xd8\xb1\xd9\x82\xd9\x85",
     "\xd8\xac.\xd9\x85.\xe2\x80\x8f", "EGP", "\xd9\xab", "\xd9\xac"},
    {"bn-BD", ".", ",", U'\u09e6', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN",
     "\xe0\xa7\xb3", "BDT", ".", ","},
    {"cs-CZ", ",", "\xc2\xa0", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN",
     "K\xc4\x8d", "CZK", ",", "\xc2\xa0"},
    {"da-DK", ",", ".", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "kr.", "DKK",
     ",", "."},
    {"de", ",", ".", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xc2\xa4", "XXX",
     ",", "."},
    {"de-AT", ",", "\xc2\xa0", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN",
     "\xe2\x82\xac", "EUR", ",", "."},
    {"de-CH", ".", "\xe2\x80\x99", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN",
     "CHF", "CHF", ".", "\xe2\x80\x99"},
    {"de-DE", ",", ".", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xe2\x82\xac",
     "EUR", ",", "."},
    {"el-GR", ",", ".", U'0', "-", "%", "\xe2\x80\xb0", "e", "\xe2\x88\x9e", "NaN", "\xe2\x82\xac",
     "EUR", ",", "."},
    {"en", ".", ",", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xc2\xa4", "XXX",
     ".", ","},
    {"en-AU", ".", ",", U'0', "-", "%", "\xe2\x80\xb0", "e", "\xe2\x88\x9e", "NaN", "$", "AUD", ".",
     ","},
    {"en-GB", ".", ",", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xc2\xa3",
     "GBP", ".", ","},
    {"en-IN", ".", ",", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xe2\x82\xb9",
     "INR", ".", ","},
    {"en-US", ".", ",", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "$", "USD", ".",
     ","},
    {"es", ",", ".", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xc2\xa4", "XXX",
     ",", "."},
    {"es-ES", ",", ".", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xe2\x82\xac",
     "EUR", ",", "."},
    {"es-MX", ".", ",", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "$", "MXN", ".",
     ","},
    {"fa-IR", "\xd9\xab", "\xd9\xac", U'\u06f0', "\xe2\x80\x8e\xe2\x88\x92", "\xd9\xaa", "\xd8\x89",
     "\xc3\x97\xdb\xb1\xdb\xb0^", "\xe2\x88\x9e", "\xd9\x86\xd8\xa7\xd8\xb9\xd8\xaf\xd8\xaf",
     "\xd8\xb1\xdb\x8c\xd8\xa7\xd9\x84", "IRR", "\xd9\xab", "\xd9\xac"},
    {"fi-FI", ",", "\xc2\xa0", U'0', "\xe2\x88\x92", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e",
     "ep\xc3\xa4luku", "\xe2\x82\xac", "EUR", ",", "\xc2\xa0"},
    {"fr", ",", "\xe2\x80\xaf", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN",
     "\xc2\xa4", "XXX", ",", "\xe2\x80\xaf"},
    {"fr-CA", ",", "\xc2\xa0", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN",
     "$\xc2\xa0"
     "CA",
     "CAD", ",", "\xc2\xa0"},
    {"fr-CH", ",", "\xe2\x80\xaf", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN",
     "CHF", "CHF", ".", "\xe2\x80\xaf"},
    {"fr-FR", ",", "\xe2\x80\xaf", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN",
     "\xe2\x82\xac", "EUR", ",", "\xe2\x80\xaf"},
    {"he-IL", ".", ",", U'0', "\xe2\x80\x8e-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN",
     "\xe2\x82\xaa", "ILS", ".", ","},
    {"hi-IN", ".", ",", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xe2\x82\xb9",
     "INR", ".", ","},
    {"hu-HU", ",", "\xc2\xa0", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "Ft",
     "HUF", ",", "\xc2\xa0"},
    {"it-IT", ",", ".", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xe2\x82\xac",
     "EUR", ",", "."},
    {"ja-JP", ".", ",", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xef\xbf\xa5",
     "JPY", ".", ","},
    {"ko-KR", ".", ",", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xe2\x82\xa9",
     "KRW", ".", ","},
    {"nb-NO", ",", "\xc2\xa0", U'0', "\xe2\x88\x92", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e",
     "NaN", "kr", "NOK", ",", "\xc2\xa0"},
    {"nl-NL", ",", ".", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xe2\x82\xac",
     "EUR", ",", "."},
    {"pl-PL", ",", "\xc2\xa0", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN",
     "z\xc5\x82", "PLN", ",", "\xc2\xa0"},
    {"pt-BR", ",", ".", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "R$", "BRL",
     ",", "."},
    {"pt-PT", ",", "\xc2\xa0", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN",
     "\xe2\x82\xac", "EUR", ",", "\xc2\xa0"},
    {"ru-RU", ",", "\xc2\xa0", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e",
     "\xd0\xbd\xd0\xb5\xc2\xa0\xd1\x87\xd0\xb8\xd1\x81\xd0\xbb\xd0\xbe", "\xe2\x82\xbd", "RUB", ",",
     "\xc2\xa0"},
    {"sv-SE", ",", "\xc2\xa0", U'0', "\xe2\x88\x92", "%", "\xe2\x80\xb0",
     "\xc3\x97"
     "10^",
     "\xe2\x88\x9e", "NaN", "kr", "SEK", ",", "\xc2\xa0"},
    {"th-TH", ".", ",", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xe0\xb8\xbf",
     "THB", ".", ","},
    {"tr-TR", ",", ".", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xe2\x82\xba",
     "TRY", ",", "."},
    {"uk-UA", ",", "\xc2\xa0", U'0', "-", "%", "\xe2\x80\xb0", "\xd0\x95", "\xe2\x88\x9e", "NaN",
     "\xe2\x82\xb4", "UAH", ",", "\xc2\xa0"},
    {"vi-VN", ",", ".", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xe2\x82\xab",
     "VND", ",", "."},
    {"zh-CN", ".", ",", U'0', "-", "%", "\xe2\x80\xb0", "E", "\xe2\x88\x9e", "NaN", "\xc2\xa5",
     "CNY", ".", ","},
});

constexpr auto tags = [] {
  std::array<std::string_view, locales.size()> out{};
  std::transform(locales.begin(), locales.end(), out.begin(),
                 [](const JavaLocale& locale) { return locale.tag; });
  return out;
}();

}  // namespace

std::span<const std::string_view> locale_tags() {
  return tags;
}

const JavaLocale* locale_tagged(std::string_view tag) {
  if (tag.empty()) tag = "root";
  const auto found = std::find_if(locales.begin(), locales.end(),
                                  [&](const JavaLocale& locale) { return locale.tag == tag; });
  return found == locales.end() ? nullptr : &*found;
}

}  // namespace inky::inline v1::java_language
