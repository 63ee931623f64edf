#include "glibc_locales.hpp"

#include <array>
#include <cstdint>

namespace inky::inline v1::glibc {

namespace {

#include "glibc_locales.inc"

constexpr LocaleTable<Locale, Locale::parts> table{locale_tags_here, locale_texts, locale_parts};

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

std::optional<Locale> locale_tagged(std::string_view tag) {
  return table.find(tag);
}

Locale locale_or_c(std::string_view tag) {
  return table.find_or_usual(tag);
}

bool is_plain_locale(std::string_view tag) {
  return tag.empty() || tag == "C" || tag == "POSIX" || tag == "C.UTF-8";
}

bool is_utf8_locale(std::string_view tag) {
  return !tag.empty() && tag != "C" && tag != "POSIX";
}

std::string grouped_digits(std::string_view given, std::string_view mark, const Grouping& sizes,
                           std::int64_t least) {
  std::string digits(given);
  const auto marks = [&](std::size_t size) {
    std::int64_t out = 0;
    for (std::size_t left = 1; left < size; ++left)
      out += sizes.ends(static_cast<int>(left)) ? 1 : 0;
    return out;
  };
  // A mark never stands first, so that there may be one zero more than fits.
  auto size = static_cast<std::int64_t>(digits.size()) + marks(digits.size());
  while (size < least) {
    size += sizes.ends(static_cast<int>(digits.size())) ? 2 : 1;
    digits.insert(0, 1, '0');
  }
  std::string out;
  for (std::size_t i = 0; i < digits.size(); ++i) {
    if (i > 0 && sizes.ends(static_cast<int>(digits.size() - i))) out += mark;
    out += digits[i];
  }
  return out;
}

}  // namespace inky::inline v1::glibc
