#include "locales.hpp"

#include <array>
#include <cstdint>

namespace inky::inline v1::c_language {

namespace {

#include "locales.inc"

CLocale locale_at(std::size_t place) {
  return CLocale({locale_tags_here[place], locale_texts, locale_parts[place]});
}

}  // namespace

std::span<const std::string_view> locale_tags() {
  return locale_tags_here;
}

std::span<const std::string_view> telling_locales() {
  static constexpr std::string_view tags[] = {
      "C",           "POSIX",       "C.UTF-8",     "ar_EG.UTF-8", "cs_CZ.UTF-8", "da_DK.UTF-8",
      "de_AT.UTF-8", "de_CH.UTF-8", "de_DE.UTF-8", "en_GB.UTF-8", "en_IN",       "en_US.UTF-8",
      "es_ES.UTF-8", "fa_IR",       "fi_FI.UTF-8", "fr_FR.UTF-8", "he_IL.UTF-8", "hi_IN",
      "it_IT.UTF-8", "ja_JP.UTF-8", "nb_NO.UTF-8", "nl_NL.UTF-8", "pl_PL.UTF-8", "pt_BR.UTF-8",
      "ru_RU.UTF-8", "sv_SE.UTF-8", "th_TH.UTF-8", "tr_TR.UTF-8", "uk_UA.UTF-8", "zh_CN.UTF-8"};
  return tags;
}

std::optional<CLocale> locale_tagged(std::string_view tag) {
  const std::ptrdiff_t place = locale_place(locale_tags_here, tag);
  if (place < 0) return std::nullopt;
  return locale_at(static_cast<std::size_t>(place));
}

CLocale locale_or_c(std::string_view tag) {
  const auto found = locale_tagged(tag);
  return found ? *found : locale_at(0);
}

bool is_plain_locale(std::string_view tag) {
  return tag.empty() || tag == "C" || tag == "POSIX" || tag == "C.UTF-8";
}

bool is_utf8_locale(std::string_view tag) {
  return !tag.empty() && tag != "C" && tag != "POSIX";
}

std::string grouped_digits(std::string_view digits, std::string_view mark, const Grouping& sizes) {
  std::string out;
  for (std::size_t i = 0; i < digits.size(); ++i) {
    if (i > 0 && sizes.ends(static_cast<int>(digits.size() - i))) out += mark;
    out += digits[i];
  }
  return out;
}

}  // namespace inky::inline v1::c_language
