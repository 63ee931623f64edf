// What the locales of the GNU C library have for numbers, money, dates and times: what localeconv()
// and nl_langinfo() say of them. Streams of C++, printf of PHP and the letter n of Python read the
// same.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>

#include "locale_table.hpp"

namespace inky::inline v1::glibc {

// A list has bars between its names; days begin with Sunday.
class Locale {
 public:
  // Of those that tools/record/glibc_locale_table.py asks for, in its order.
  enum Part : unsigned char {
    point,
    group,
    group_sizes,
    currency_code,  // "EUR ", its last character stands between it and the number
    currency,
    currency_point,
    currency_group,
    currency_group_sizes,
    plus,
    minus,
    currency_places,  // 9 of all that follow here: not said
    code_places,      // the same beside the code
    plus_precedes,    // whether the currency stands before a number above zero
    plus_space,       // whether a space is between the two
    plus_place,       // where its sign is
    minus_precedes,
    minus_space,
    minus_place,
    months,  // beside a day
    short_months,
    lone_months,
    lone_short_months,
    days,
    short_days,
    halves,
    date_and_time,
    date,
    time,
    twelve_hours,
    eras,               // as POSIX writes them; empty: it has none
    era_date_and_time,  // what the codes stand for behind E; empty: the same as without
    era_date,
    era_time,
    numbers,  // from 0 to 99, behind O; an empty one is in the usual digits, and so are all of an empty list
    // As plus_precedes and those behind it, beside the code.
    code_plus_precedes,
    code_plus_space,
    code_plus_place,
    code_minus_precedes,
    code_minus_space,
    code_minus_place,
    parts
  };

  explicit Locale(const LocaleParts<parts>& has) : has_(has) {}

  std::string_view tag() const { return has_.tag(); }
  std::string_view operator[](Part part) const { return has_.text(part); }
  int digit(Part part) const { return has_.digit(part); }
  std::string_view name(Part list, int place) const {
    return listed_name(has_.text(list), static_cast<std::size_t>(place));
  }
  Grouping grouping() const { return Grouping((*this)[group_sizes]); }
  Grouping currency_grouping() const { return Grouping((*this)[currency_group_sizes]); }

 private:
  LocaleParts<parts> has_;
};

// The tags alone, for the facts: as setlocale() takes them.
std::span<const std::string_view> locale_tags();
// Of those, some that between them show all that a locale changes.
std::span<const std::string_view> telling_locales();
// That of C where the tag is none, or empty.
Locale locale_or_c(std::string_view tag);
std::optional<Locale> locale_tagged(std::string_view tag);
// Whether the locale is one in which numbers are written as in C.
bool is_plain_locale(std::string_view tag);
// Whether characters beyond ASCII are printed in UTF-8.
bool is_utf8_locale(std::string_view tag);

// The digits of a whole number with the marks of a grouping between them, and zeros in front until
// there are `least` characters.
std::string grouped_digits(std::string_view digits, std::string_view mark, const Grouping& sizes,
                           std::int64_t least = 0);

}  // namespace inky::inline v1::glibc
