// The Persian calendar, as ICU and .NET count it.
#pragma once

#include <cstdint>
#include <optional>

namespace inky::inline v1 {

struct PersianDate {
  int year = 1;
  int month = 1;  // from 1: Farvardin
  int day = 1;
};

// Of a day counted from 1970-01-01. Nothing before March 1800 and after March 2100, where what the
// runtimes count is not known here.
std::optional<PersianDate> persian_date(std::int64_t day);

}  // namespace inky::inline v1
