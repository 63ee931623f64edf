#include "locale_records.hpp"

#include <algorithm>
#include <array>
#include <iterator>
#include <utility>

namespace inky::inline v1::javascript {

namespace {

using namespace std::string_view_literals;

#include "locale_table.inc"

// One of the texts that stand one behind the other in a few literals. An end is the number of its
// literal, and the place in it.
std::string_view text_at(std::span<const std::string_view> letters,
                         std::span<const std::uint32_t> ends, std::size_t number) {
  constexpr std::uint32_t place = 0xffff;
  constexpr unsigned bits = 16;
  const std::uint32_t end = ends[number];
  const std::uint32_t before = number == 0 ? 0 : ends[number - 1];
  const std::uint32_t begin = before >> bits == end >> bits ? before & place : 0;
  return letters[end >> bits].substr(begin, (end & place) - begin);
}

constexpr bool is_plain_tag(std::string_view tag) {
  return tag.find("-u-") == std::string_view::npos;
}
constexpr std::string_view usual_tag = "en-US";
constexpr std::size_t plain_tags = static_cast<std::size_t>(
    std::count_if(std::begin(locale_tags_here), std::end(locale_tags_here), is_plain_tag));
// The tags without an extension, the usual one first.
constexpr auto usual_first = [] {
  std::array<std::string_view, plain_tags> out{usual_tag};
  std::copy_if(std::begin(locale_tags_here), std::end(locale_tags_here), out.begin() + 1,
               [](std::string_view tag) { return is_plain_tag(tag) && tag != usual_tag; });
  return out;
}();

// Two letters of base 91, from '#', without the backslash.
constexpr std::size_t letter_count = 91;
constexpr std::size_t value_of(char letter) {
  constexpr char first = '#';
  return static_cast<std::size_t>(letter - first) - (letter > '\\' ? 1 : 0);
}

}  // namespace

std::optional<LocaleRecord> LocaleRecord::of(std::string_view tag) {
  const auto* found =
      std::lower_bound(std::begin(locale_tags_here), std::end(locale_tags_here), tag);
  if (found == std::end(locale_tags_here) || *found != tag) return std::nullopt;
  return LocaleRecord(static_cast<std::size_t>(found - std::begin(locale_tags_here)));
}

LocaleRecord::LocaleRecord(std::size_t place) : place_(place), record_(locale_records[place]) {}

std::string_view LocaleRecord::tag() const {
  return locale_tags_here[place_];
}

std::string_view LocaleRecord::text(LocalePart part) const {
  return text_at(text_letters, text_ends, record_parts[record_][static_cast<std::size_t>(part)]);
}

std::size_t LocaleRecord::number_in(std::string_view packed, std::size_t place) {
  return value_of(packed[2 * place]) * letter_count + value_of(packed[2 * place + 1]);
}

std::string_view LocaleRecord::money_row(std::size_t number) {
  return text_at(money_row_letters, money_row_ends, number);
}
std::string_view LocaleRecord::money_pattern(std::string_view row, std::size_t place) {
  return text_at(money_pattern_letters, money_pattern_ends, number_in(row, place));
}

std::string_view LocaleRecord::word_row(std::size_t number) {
  return text_at(word_row_letters, word_row_ends, number);
}
std::string_view LocaleRecord::word_pattern(std::string_view row, std::size_t place) {
  return text_at(word_pattern_letters, word_pattern_ends, number_in(row, place));
}

std::size_t LocaleRecord::number(LocalePart part, std::size_t row) const {
  return number_in(text(part), row);
}

std::optional<std::string_view> LocaleRecord::date_pattern(LocalePart part, std::size_t row,
                                                           std::size_t place) const {
  const std::string_view packed = text_at(date_row_letters, date_row_ends, number(part, row));
  const std::string_view found =
      text_at(date_pattern_letters, date_pattern_ends, number_in(packed, place));
  constexpr std::string_view none("\0", 1);
  return found == none ? std::nullopt : std::optional(found);
}

int places_of_currency(std::size_t currency) {
  return currency_places[currency] - '0';
}

std::string_view renamed_language(std::string_view code) {
  const auto* found = std::find_if(std::begin(renamed_languages), std::end(renamed_languages),
                                   [&](const auto& one) { return one.first == code; });
  return found == std::end(renamed_languages) ? std::string_view() : found->second;
}

bool is_left_out(std::string_view tag) {
  return std::find(std::begin(left_out_tags), std::end(left_out_tags), tag) !=
         std::end(left_out_tags);
}

std::span<const std::string_view> locale_tags() {
  return usual_first;
}

std::span<const std::string_view> telling_locales() {
  static constexpr std::string_view tags[] = {
      "en-US", "ar-EG", "bn-BD", "cs-CZ", "da-DK", "de-AT", "de-CH", "de-DE", "el-GR",
      "en-AU", "en-GB", "en-IN", "es-ES", "es-MX", "fa-IR", "fi-FI", "fr-CA", "fr-CH",
      "fr-FR", "he-IL", "hi-IN", "hu-HU", "it-IT", "ja-JP", "ko-KR", "nl-NL", "pl-PL",
      "pt-BR", "pt-PT", "ru-RU", "sv-SE", "th-TH", "tr-TR", "uk-UA", "vi-VN", "zh-CN"};
  return tags;
}

}  // namespace inky::inline v1::javascript
