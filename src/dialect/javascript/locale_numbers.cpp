// Numbers as a locale writes them: with a currency, a unit, a short word, a power of ten.

#include <algorithm>
#include <utility>

#include "inky_margin/number/digits.hpp"
#include "locale_patterns.hpp"
#include "locales.hpp"

namespace inky::inline v1::javascript {

namespace {

// Rounds as the options ask; the places that are shown at least stay in them.
void round_as_asked(Digits& digits, LocaleOptions& options, bool negative) {
  const int before = digits.point();
  if (options.most_significant > 0) {
    if (!digits.is_zero())
      round_digits(digits, options.most_significant, negative, Rounding::half_away);
    digits.strip_trailing_zeros();
    const int whole = digits.is_zero() ? 1 : digits.point();
    options.most_places = std::max(options.most_significant - whole, 0);
    options.least_places = std::max(options.least_significant - whole, 0);
    return;
  }
  round_digits(digits, before + options.most_places, negative, Rounding::half_away);
  digits.strip_trailing_zeros();
}

// The digits that are shown, with a point: "1", "1.50".
std::string shown_digits(const Digits& digits, const LocaleOptions& options) {
  const int point = digits.is_zero() ? 0 : digits.point();
  std::string out;
  for (int left = std::max(point, options.least_whole); left > 0; --left)
    out += digit_at(digits, point - left);
  const int places = std::clamp(digits.size() - point, options.least_places, options.most_places);
  if (places > 0) out += '.';
  for (int i = 0; i < places; ++i) out += digit_at(digits, point + i);
  return out;
}

std::string_view sign_of(const LocaleOptions& options, const Locale& locale, bool negative,
                         bool is_zero) {
  const bool shows_minus = negative && options.sign != LocaleOptions::Sign::never &&
                           !(is_zero && (options.sign == LocaleOptions::Sign::but_for_zero ||
                                         options.sign == LocaleOptions::Sign::below_zero));
  if (shows_minus) return locale.minus;
  const bool shows_plus =
      !negative && (options.sign == LocaleOptions::Sign::always ||
                    (options.sign == LocaleOptions::Sign::but_for_zero && !is_zero));
  return shows_plus ? locale.plus : std::string_view();
}

// A sign before a plain number.
std::string led(std::string_view sign, const Locale& locale) {
  if (sign.empty()) return {};
  const bool is_plus = sign == locale.plus;
  std::string out(is_plus ? locale.before_plus : locale.before_minus);
  out += sign;
  return out += is_plus ? locale.after_plus : locale.after_minus;
}

// A sign in a pattern, which has what is beside a minus.
std::string placed(std::string_view sign, const Locale& locale) {
  const bool is_other_plus = sign == locale.plus && locale.before_plus != locale.before_minus;
  return is_other_plus ? led(sign, locale) : std::string(sign);
}

// The pattern with what it stands around.
// `is_accounted`: the pattern says by itself that the number is below zero.
std::string filled(std::string_view pattern, std::string_view number, std::string_view sign,
                   bool is_accounted = false, std::string_view symbol = {}) {
  constexpr std::string_view currency_mark = "¤";
  std::string out;
  const bool has_place = pattern.find('~') != std::string_view::npos;
  bool has_number = false;
  while (!pattern.empty()) {
    const char c = pattern[0];
    std::size_t taken = 1;
    if (c == '~') {
      out += sign;
    } else if (c == '#' && !std::exchange(has_number, true)) {
      if (!has_place && !is_accounted) out += sign;
      out += number;
    } else if (pattern.starts_with(currency_mark)) {
      out += symbol;
      taken = currency_mark.size();
    } else {
      out += c;
    }
    pattern.remove_prefix(taken);
  }
  return out;
}

// `shown`: the digits, or a word.
std::optional<std::string> with_style(const std::string& number, std::string_view shown,
                                      std::string_view sign, const LocaleOptions& options,
                                      const Locale& locale) {
  const LocalePatterns& patterns = locale.patterns;
  switch (options.style) {
    case LocaleOptions::Style::decimal:
      return led(sign, locale) + number;
    case LocaleOptions::Style::percent:
      return filled(sign.empty() ? locale.percent : locale.negative_percent, number,
                    placed(sign, locale));
    case LocaleOptions::Style::unit: {
      constexpr int in_words = 1;
      if (options.name == "percent" && options.display != in_words)
        return filled(sign.empty() ? locale.percent : locale.negative_percent, number,
                      placed(sign, locale));
      const auto words = *patterns.unit(options.name, options.display);
      return filled(words[static_cast<std::size_t>(plural_of(locale.tag, shown))], number,
                    led(sign, locale));
    }
    case LocaleOptions::Style::currency:
      break;
  }
  const auto money = *patterns.currency(options.name, options.display);
  constexpr int by_name = 3;
  // These digits are letters: whether a space parts them from a currency goes by the digit.
  constexpr std::string_view chinese_zero = "〇";
  if (locale.digits.starts_with(chinese_zero)) return std::nullopt;
  if (options.display == by_name && !patterns.has_words()) return std::nullopt;
  if (options.display == by_name && money.named[0].empty()) return std::nullopt;
  if (options.display == by_name)
    return filled(money.named[static_cast<std::size_t>(plural_of(locale.tag, shown))], number,
                  led(sign, locale));
  if (sign.empty())
    return filled(options.accounts && options.sign != LocaleOptions::Sign::never
                      ? money.accounted_positive
                      : money.positive,
                  number, sign, false, money.symbol);
  const bool as_accounts = options.accounts && sign == locale.minus;
  if (options.accounts && !as_accounts)
    return filled(money.accounted_plus, number, sign, false, money.symbol);
  return filled(as_accounts ? money.accounted : money.negative, number, placed(sign, locale),
                as_accounts, money.symbol);
}

std::optional<std::string> with_power(Digits& digits, bool negative, LocaleOptions options,
                                      const Locale& locale) {
  const LocalePatterns& patterns = locale.patterns;
  // Node.js cuts an exponent of such digits in two.
  constexpr std::size_t size_beyond_utf16 = 4 * 10;
  if (locale.digits.size() == size_beyond_utf16) return std::nullopt;
  const bool by_three = options.notation == LocaleOptions::Notation::engineering;
  int power = 0;
  for (int round = 0; round < 2; ++round) {
    // Rounding may give it one more digit.
    const int exact = digits.is_zero() ? 0 : digits.point() - 1 + power;
    const int next = by_three ? (exact >= 0 ? exact / 3 : (exact - 2) / 3) * 3 : exact;
    digits.set(digits.size(), digits.point() + power - next);
    power = next;
    if (round == 0) round_as_asked(digits, options, negative);
  }
  std::string out = led(sign_of(options, locale, negative, digits.is_zero()), locale);
  append_grouped(digits, options, locale, out);
  out += patterns.exponent();
  if (power < 0) out += led(locale.minus, locale);
  return out + with_digits(std::to_string(power < 0 ? -power : power), locale.digits);
}

std::optional<std::string> in_short(const Digits& exact, bool negative,
                                    const LocaleOptions& options, const Locale& locale) {
  const LocalePatterns& patterns = locale.patterns;
  if (!patterns.has_words()) return std::nullopt;
  constexpr int least_power = 3;
  constexpr int most_power = 14;
  int power = exact.is_zero() ? 0 : exact.point() - 1;
  Digits digits;
  LocaleOptions shown = options;
  LocalePatterns::Compact form;
  for (int round = 0; round < 2; ++round) {
    const int known = std::min(power, most_power);
    form = {};
    int shift = 0;
    if (known >= least_power) {
      form = patterns.short_form(options.is_long, known);
      shift = known - form.digits + 1;
    }
    std::copy_n(exact.text().data(), exact.size(), digits.room(exact.size()));
    digits.set(exact.size(), exact.point() - (exact.is_zero() ? 0 : shift));
    shown = options;
    if (!options.has_digits) {
      // Two digits, or whole numbers where these have more.
      shown.most_places = 0;
      if (digits.is_zero() || digits.point() <= 1) {
        shown.most_significant = 2;
        shown.least_significant = 1;
      }
    }
    round_as_asked(digits, shown, negative);
    const int after = digits.is_zero() ? power : digits.point() - 1 + shift;
    if (after == power) break;
    power = after;
  }
  const std::string_view sign = sign_of(options, locale, negative, digits.is_zero());
  std::string number;
  append_grouped(digits, shown, locale, number);
  if (form.one.empty()) return led(sign, locale) + number;
  const std::string plain = shown_digits(digits, shown);
  // One, ten or a hundred exactly. A word without a number holds for 1.0, too.
  const bool has_number = form.one.find('#') != std::string_view::npos;
  const bool is_one = !digits.is_zero() && digits.size() == 1 && digits.text()[0] == '1' &&
                      (plain.find('.') == std::string::npos || !has_number);
  const std::string_view pattern =
      is_one ? form.one : form.words[static_cast<std::size_t>(plural_of(locale.tag, plain))];
  // Where the word stands before the number, or without one, languages differ in where a sign is.
  if (!sign.empty() && !pattern.starts_with('#')) return std::nullopt;
  return filled(pattern, number, led(sign, locale));
}

}  // namespace

std::optional<std::string> locale_text(Digits& digits, bool negative, const LocaleOptions& options,
                                       const Locale& locale) {
  if (options.style == LocaleOptions::Style::percent && !digits.is_zero())
    digits.set(digits.size(), digits.point() + 2);
  if (options.notation == LocaleOptions::Notation::compact) {
    // A percentage is short in no form that was asked for.
    if (options.style != LocaleOptions::Style::decimal) return std::nullopt;
    return in_short(digits, negative, options, locale);
  }
  if (options.notation != LocaleOptions::Notation::standard) {
    if (options.style != LocaleOptions::Style::decimal) return std::nullopt;
    return with_power(digits, negative, options, locale);
  }
  LocaleOptions shown = options;
  round_as_asked(digits, shown, negative);
  std::string number;
  append_grouped(digits, shown, locale, number);
  return with_style(number, shown_digits(digits, shown),
                    sign_of(options, locale, negative, digits.is_zero()), options, locale);
}

std::optional<std::string> locale_text(std::string_view word, bool negative,
                                       const LocaleOptions& options, const Locale& locale) {
  const bool is_nan = word == "NaN";
  const std::string_view sign = sign_of(
      options, locale, negative, is_nan && options.sign == LocaleOptions::Sign::but_for_zero);
  // A word goes with no number.
  const bool has_words = options.style == LocaleOptions::Style::unit ||
                         (options.style == LocaleOptions::Style::currency && options.display == 3);
  if (has_words || options.notation != LocaleOptions::Notation::standard) return std::nullopt;
  return with_style(std::string(is_nan ? locale.not_a_number : word), "0", sign, options, locale);
}

}  // namespace inky::inline v1::javascript
