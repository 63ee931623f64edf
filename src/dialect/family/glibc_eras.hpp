// The eras and the digits that locales of the GNU C library have for times: the codes of strftime()
// behind E and O. POSIX.1-2017, LC_TIME of XBD 7.3.5, says what the texts of an era mean.
#pragma once

#include <cstdint>
#include <optional>
#include <string_view>

#include "glibc_locales.hpp"
#include "inky_margin/format/value.hpp"

namespace inky::inline v1::glibc {

struct Era {
  std::string_view name;
  std::string_view format;  // of a year in it: codes of strftime()
  std::int64_t year = 0;    // the moment's, counted as the era counts
};

// The era that a moment is in; nothing where the locale has none for it.
std::optional<Era> find_era(const Locale& locale, const Moment& moment);

// How the locale writes a number behind O; empty: in the usual digits.
std::string_view number_text(const Locale& locale, std::int64_t number);

}  // namespace inky::inline v1::glibc
