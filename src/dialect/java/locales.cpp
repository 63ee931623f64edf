#include "locales.hpp"

#include <algorithm>
#include <array>

namespace inky::java_language {

namespace {

// Asked of DecimalFormatSymbols, OpenJDK 17.0.15. All of them group by three.
constexpr auto locales = std::to_array<JavaLocale>({
    {"root", ".", ",", U'0'},
    {"ar-EG", "\xd9\xab", "\xd9\xac", U'\u0660'},
    {"bn-BD", ".", ",", U'\u09e6'},
    {"cs-CZ", ",", "\xc2\xa0", U'0'},
    {"da-DK", ",", ".", U'0'},
    {"de", ",", ".", U'0'},
    {"de-AT", ",", "\xc2\xa0", U'0'},
    {"de-CH", ".", "\xe2\x80\x99", U'0'},
    {"de-DE", ",", ".", U'0'},
    {"el-GR", ",", ".", U'0'},
    {"en", ".", ",", U'0'},
    {"en-AU", ".", ",", U'0'},
    {"en-GB", ".", ",", U'0'},
    {"en-IN", ".", ",", U'0'},
    {"en-US", ".", ",", U'0'},
    {"es", ",", ".", U'0'},
    {"es-ES", ",", ".", U'0'},
    {"es-MX", ".", ",", U'0'},
    {"fa-IR", "\xd9\xab", "\xd9\xac", U'\u06f0'},
    {"fi-FI", ",", "\xc2\xa0", U'0'},
    {"fr", ",", "\xe2\x80\xaf", U'0'},
    {"fr-CA", ",", "\xc2\xa0", U'0'},
    {"fr-CH", ",", "\xe2\x80\xaf", U'0'},
    {"fr-FR", ",", "\xe2\x80\xaf", U'0'},
    {"he-IL", ".", ",", U'0'},
    {"hi-IN", ".", ",", U'0'},
    {"hu-HU", ",", "\xc2\xa0", U'0'},
    {"it-IT", ",", ".", U'0'},
    {"ja-JP", ".", ",", U'0'},
    {"ko-KR", ".", ",", U'0'},
    {"nb-NO", ",", "\xc2\xa0", U'0'},
    {"nl-NL", ",", ".", U'0'},
    {"pl-PL", ",", "\xc2\xa0", U'0'},
    {"pt-BR", ",", ".", U'0'},
    {"pt-PT", ",", "\xc2\xa0", U'0'},
    {"ru-RU", ",", "\xc2\xa0", U'0'},
    {"sv-SE", ",", "\xc2\xa0", U'0'},
    {"th-TH", ".", ",", U'0'},
    {"tr-TR", ",", ".", U'0'},
    {"uk-UA", ",", "\xc2\xa0", U'0'},
    {"vi-VN", ",", ".", U'0'},
    {"zh-CN", ".", ",", U'0'},
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

}  // namespace inky::java_language
