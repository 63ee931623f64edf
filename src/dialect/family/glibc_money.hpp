// Amounts of money as locales of the GNU C library have them: what localeconv() says of the currency,
// put together as strfmon() does it: POSIX.1-2017, strfmon, and 7.3.3 LC_MONETARY.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <utility>

#include "glibc_locales.hpp"
#include "inky_margin/number/exact_decimal.hpp"
#include "inky_margin/number/rounding.hpp"

namespace inky::inline v1::glibc {

// The currency and the sign, as they stand before and behind the digits of an amount. A code always
// has a blank beside it.
std::pair<std::string, std::string> around_amount(const Locale& locale, std::string_view name,
                                                  bool is_code, bool below_zero);

// How an amount is written.
struct MoneyForm {
  std::string point;
  std::string group;
  Grouping sizes = Grouping({});
  int places = 2;
  std::string before[2];  // above zero, and below
  std::string behind[2];

  // Rounded to places.
  std::string text(const Decimal& amount, Rounding rounding) const;
};

// By the symbol where the currency is the locale's own and `by_code` is false, else by its code.
// `in_brackets`: amounts below zero, in place of a sign. Nothing where there is no such locale, or it
// has no money.
std::optional<MoneyForm> money_form(std::string_view locale, std::string_view currency,
                                    bool by_code, bool in_brackets);

}  // namespace inky::inline v1::glibc
