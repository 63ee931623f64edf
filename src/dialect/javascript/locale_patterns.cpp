#include "locale_patterns.hpp"

#include <algorithm>
#include <cstdint>

namespace inky::inline v1::javascript {

namespace {

using namespace std::string_view_literals;

constexpr LocalePatterns all_patterns[] = {
#include "locale_patterns.inc"
};

// In the order of the recorder.
constexpr std::string_view currencies =
    "USD EUR GBP JPY CHF CAD AUD NZD CNY INR BRL MXN SEK NOK DKK PLN CZK HUF TRY KRW ZAR SGD HKD "
    "THB "
    "ILS KWD ISK RUB UAH RON PHP IDR VND CLP COP ARS";
constexpr std::string_view unit_names =
    "percent kilometer meter centimeter millimeter mile foot inch yard kilogram gram ounce pound "
    "liter milliliter gallon celsius fahrenheit degree hour minute second millisecond day week "
    "month "
    "year byte kilobyte megabyte gigabyte terabyte bit kilometer-per-hour mile-per-hour hectare "
    "acre";

std::string_view part_at(std::string_view list, char separator, std::size_t place) {
  for (; place > 0; --place) list.remove_prefix(std::min(list.find(separator) + 1, list.size()));
  return list.substr(0, list.find(separator));
}

std::optional<std::size_t> place_among(std::string_view list, std::string_view word) {
  std::size_t place = 0;
  while (!list.empty()) {
    const std::size_t end = std::min(list.find(' '), list.size());
    if (list.substr(0, end) == word) return place;
    list.remove_prefix(std::min(end + 1, list.size()));
    ++place;
  }
  return std::nullopt;
}

std::size_t time_place(const std::array<int, 3>& widths, int twelve) {
  const int place = ((widths[0] * 3 + widths[1]) * 3 + widths[2]) * 3 + twelve;
  return static_cast<std::size_t>(place);
}

std::size_t date_place(const std::array<int, 4>& widths) {
  std::size_t out = 0;
  constexpr int counts[] = {4, 3, 6, 3};
  for (std::size_t i = 0; i < widths.size(); ++i)
    out = out * static_cast<std::size_t>(counts[i]) + static_cast<std::size_t>(widths[i]);
  return out;
}

}  // namespace

const LocalePatterns* LocalePatterns::of(std::string_view tag) {
  const auto* found = std::find_if(std::begin(all_patterns), std::end(all_patterns),
                                   [&](const LocalePatterns& one) { return one.tag == tag; });
  return found == std::end(all_patterns) ? nullptr : found;
}

std::string_view LocalePatterns::name(std::size_t list, std::size_t place) const {
  return part_at(part_at(names, '\n', list), '|', place);
}

std::size_t LocalePatterns::number_in(std::string_view table, std::size_t index) const {
  constexpr std::size_t base = 57;
  constexpr char first = '#';
  return static_cast<std::size_t>(table[2 * index] - first) * base +
         static_cast<std::size_t>(table[2 * index + 1] - first);
}

std::string_view LocalePatterns::pattern(std::size_t number) const {
  return part_at(patterns, '\n', number);
}

std::optional<std::string_view> LocalePatterns::found(std::string_view table,
                                                      std::size_t index) const {
  const std::size_t number = number_in(table, index);
  return number == 0 ? std::nullopt : std::optional(pattern(number));
}

std::optional<std::string_view> LocalePatterns::date(const std::array<int, 4>& widths) const {
  return found(dates, date_place(widths));
}

std::optional<std::string_view> LocalePatterns::time(const std::array<int, 3>& widths,
                                                     int twelve) const {
  return found(times, time_place(widths, twelve));
}

std::optional<std::string_view> LocalePatterns::week_time(int weekday,
                                                          const std::array<int, 3>& widths,
                                                          int twelve) const {
  constexpr std::size_t count = 81;
  return found(week, static_cast<std::size_t>(weekday - 1) * count + time_place(widths, twelve));
}

std::optional<std::string_view> LocalePatterns::between_date(
    const std::array<int, 4>& widths) const {
  return found(between, date_place(widths));
}

std::optional<std::string_view> LocalePatterns::style(int date, int time) const {
  const int place = date * 5 + time;
  return found(styles, static_cast<std::size_t>(place));
}

std::optional<LocalePatterns::Money> LocalePatterns::currency(std::string_view code,
                                                              int display) const {
  const auto place = place_among(currencies, code);
  if (!place) return std::nullopt;
  constexpr std::size_t per_display = 5;
  constexpr std::size_t per_currency = 1 + 3 * per_display + 4;
  const std::size_t begin = *place * per_currency;
  const auto at = [&](std::size_t index) { return pattern(number_in(money, begin + index)); };
  Money out;
  out.places = static_cast<int>(number_in(money, begin));
  for (std::size_t i = 0; i < out.named.size(); ++i) out.named[i] = at(1 + 3 * per_display + i);
  const auto which = static_cast<std::size_t>(std::min(display, 2));
  const std::size_t first = 1 + which * per_display;
  out.positive = at(first);
  out.negative = at(first + 1);
  out.accounted = at(first + 2);
  out.accounted_plus = at(first + 3);
  out.accounted_positive = at(first + 4);
  return out;
}

std::optional<std::array<std::string_view, 4>> LocalePatterns::unit(std::string_view name,
                                                                    int display) const {
  const auto place = place_among(unit_names, name);
  if (!place || !has_words()) return std::nullopt;
  std::array<std::string_view, 4> out;
  for (std::size_t i = 0; i < out.size(); ++i)
    out[i] = pattern(number_in(units, (*place * 3 + static_cast<std::size_t>(display)) * 4 + i));
  return out;
}

LocalePatterns::Compact LocalePatterns::short_form(bool is_long, int power) const {
  constexpr std::size_t per_power = 6;
  const auto begin = ((is_long ? 12U : 0U) + static_cast<std::size_t>(power - 3)) * per_power;
  Compact out;
  out.digits = static_cast<int>(number_in(compact, begin));
  for (std::size_t i = 0; i < out.patterns.size(); ++i)
    out.patterns[i] = pattern(number_in(compact, begin + 1 + i));
  return out;
}

// Unicode CLDR's rules for these languages.
Plural plural_of(std::string_view tag, std::string_view shown) {
  const std::string_view language = tag.substr(0, 2);
  const std::size_t point = shown.find('.');
  std::string_view whole = shown.substr(0, point);
  while (whole.size() > 1 && whole[0] == '0') whole.remove_prefix(1);
  const bool has_places = point != std::string_view::npos;
  const bool is_zero_behind =
      has_places && shown.find_first_not_of('0', point + 1) == std::string_view::npos;
  const bool is_one = whole == "1";
  if (language == "ja") return Plural::other;
  const bool is_millions =
      !has_places && whole.size() > 6 && whole.substr(whole.size() - 6) == "000000";
  if (language == "fr" || language == "pt") {
    if (is_one || whole == "0") return Plural::one;
    return is_millions ? Plural::many : Plural::other;
  }
  if (language == "es") {
    if (is_one && (!has_places || is_zero_behind)) return Plural::one;
    return is_millions ? Plural::many : Plural::other;
  }
  if (is_one && !has_places) return Plural::one;
  if (language == "it") return is_millions ? Plural::many : Plural::other;
  if (language != "pl" || has_places) return Plural::other;
  const char last = whole.back();
  const bool is_teen = whole.size() > 1 && whole[whole.size() - 2] == '1';
  return last >= '2' && last <= '4' && !is_teen ? Plural::few : Plural::many;
}

}  // namespace inky::inline v1::javascript
