#include "cultures.hpp"

#include <array>
#include <cstdint>

namespace inky::inline v1::csharp {

namespace {

#include "cultures.inc"

constexpr LocaleTable<Culture, Culture::parts> table{locale_tags_here, locale_texts, locale_parts};

}  // namespace

std::span<const std::string_view> culture_tags() {
  return locale_tags_here;
}

std::span<const std::string_view> telling_cultures() {
  static constexpr std::string_view tags[] = {
      "invariant", "ar-EG", "de-AT", "de-CH", "de-DE", "en-AU", "en-GB", "en-IN", "en-US", "es-ES",
      "fi-FI",     "fr-CA", "fr-CH", "fr-FR", "he-IL", "hi-IN", "it-IT", "ja-JP", "nb-NO", "nl-NL",
      "pl-PL",     "pt-BR", "ru-RU", "sv-SE", "th-TH", "tr-TR", "uk-UA", "zh-CN"};
  return tags;
}

std::optional<Culture> culture_tagged(std::string_view tag) {
  return table.find(tag);
}

Culture culture_or_invariant(std::string_view tag) {
  return table.find_or_usual(tag);
}

Culture invariant_culture() {
  return table.usual();
}

}  // namespace inky::inline v1::csharp
