#include "locales.hpp"

#include <array>
#include <cstdint>

namespace inky::inline v1::java_language {

namespace {

#include "locales.inc"

constexpr LocaleTable<JavaLocale, JavaLocale::parts> table{locale_tags_here, locale_texts,
                                                           locale_parts};

}  // namespace

std::span<const std::string_view> locale_tags() {
  return locale_tags_here;
}

std::span<const std::string_view> telling_locales() {
  static constexpr std::string_view tags[] = {
      "root",  "ar-EG", "bn-BD", "cs-CZ", "da-DK", "de-AT", "de-CH", "de-DE", "el-GR", "en-AU",
      "en-GB", "en-IN", "en-US", "es-ES", "es-MX", "fa-IR", "fi-FI", "fr-CA", "fr-CH", "fr-FR",
      "he-IL", "hi-IN", "hu-HU", "it-IT", "ja-JP", "ko-KR", "nb-NO", "nl-NL", "pl-PL", "pt-BR",
      "pt-PT", "ru-RU", "sv-SE", "th-TH", "tr-TR", "uk-UA", "vi-VN", "zh-CN"};
  return tags;
}

std::optional<JavaLocale> locale_tagged(std::string_view tag) {
  return table.find(tag);
}

JavaLocale locale_or_root(std::string_view tag) {
  return table.find_or_usual(tag);
}

}  // namespace inky::inline v1::java_language
