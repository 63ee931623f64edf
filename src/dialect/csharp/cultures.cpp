#include "cultures.hpp"

#include <array>
#include <cstdint>

namespace inky::inline v1::csharp {

namespace {

#include "cultures.inc"

Culture culture_at(std::size_t place) {
  return Culture({locale_tags_here[place], locale_texts, locale_parts[place]});
}

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
  const std::ptrdiff_t place = locale_place(locale_tags_here, tag);
  if (place < 0) return std::nullopt;
  return culture_at(static_cast<std::size_t>(place));
}

Culture invariant_culture() {
  return culture_at(0);
}

}  // namespace inky::inline v1::csharp
