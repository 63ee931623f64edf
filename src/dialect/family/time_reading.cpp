#include "time_reading.hpp"

#include <algorithm>

#include "text/ascii.hpp"
#include "text/lower_case.hpp"

namespace inky::inline v1 {

namespace {

constexpr std::string_view months[] = {"January",   "February", "March",    "April",
                                       "May",       "June",     "July",     "August",
                                       "September", "October",  "November", "December"};
constexpr std::string_view weekdays[] = {"Sunday",   "Monday", "Tuesday", "Wednesday",
                                         "Thursday", "Friday", "Saturday"};
constexpr std::size_t short_name = 3;

class TimeReader {
 public:
  TimeReader(std::string_view text, bool any_case) : text_(text), any_case_(any_case) {}

  bool take(const TimeStep& step) {
    using What = TimeStep::What;
    switch (step.what) {
      case What::literal:
        return take_text(step.text);
      case What::blanks:
        return take_blanks();
      case What::year:
        return take_number(step, 0, 9999, out.year);
      case What::year_of_century:
        return take_number(step, 0, 99, out.year_of_century);
      case What::month:
        return take_number(step, 1, 12, out.month);
      case What::day:
        return take_number(step, 1, 31, out.day);
      case What::day_of_year:
        return take_number(step, 1, 366, out.day_of_year);
      case What::hour:
        return take_number(step, 0, 23, out.hour);
      case What::hour_of_half:
        return take_number(step, 1, 12, out.hour_of_half);
      case What::minute:
        return take_number(step, 0, 59, out.minute);
      case What::second:
        return take_number(step, 0, 59, out.second);
      case What::fraction:
        return take_fraction(step);
      case What::month_name:
      case What::short_month_name:
        return take_name(months, step.what == What::short_month_name, 1, out.month);
      case What::weekday_name:
      case What::short_weekday_name:
        return take_name(weekdays, step.what == What::short_weekday_name, 0, out.weekday);
      case What::half:
        return take_half();
      case What::offset:
        return take_offset();
    }
    return false;
  }

  bool at_end() const { return text_.empty(); }

  TimeParts out;

 private:
  bool is_there(std::string_view expected) const {
    const std::string_view there = text_.substr(0, expected.size());
    return any_case_ ? lower_case(there) == lower_case(expected) : there == expected;
  }
  bool take_text(std::string_view expected) {
    if (!is_there(expected)) return false;
    text_.remove_prefix(expected.size());
    return true;
  }
  bool take_blanks() {
    const std::size_t size = std::min(text_.find_first_not_of(" \t"), text_.size());
    text_.remove_prefix(size);
    return size > 0;
  }

  bool take_digits(int least, int most, int& number, int& count) {
    number = count = 0;
    while (count < most && !text_.empty() && is_digit(text_[0])) {
      number = number * 10 + (text_[0] - '0');
      text_.remove_prefix(1);
      ++count;
    }
    return count >= least;
  }
  // A part that comes twice is the same both times.
  bool take_number(const TimeStep& step, int first, int last, std::optional<int>& target) {
    int number = 0;
    int count = 0;
    if (!take_digits(step.least, step.most, number, count)) return false;
    if (number < first || number > last || (target && *target != number)) return false;
    target = number;
    return true;
  }
  bool take_fraction(const TimeStep& step) {
    int number = 0;
    int count = 0;
    if (!take_digits(step.least, step.most, number, count)) return false;
    for (; count < 9; ++count) number *= 10;
    out.nanosecond = number;
    return true;
  }

  bool take_name(std::span<const std::string_view> names, bool is_short, int first,
                 std::optional<int>& target) {
    for (std::size_t i = 0; i < names.size(); ++i) {
      if (!take_text(is_short ? names[i].substr(0, short_name) : names[i])) continue;
      const int number = first + static_cast<int>(i);
      if (target && *target != number) return false;
      target = number;
      return true;
    }
    return false;
  }
  bool take_half() {
    if (!is_there("AM") && !is_there("PM")) return false;
    out.afternoon = is_there("PM");
    text_.remove_prefix(2);
    return true;
  }
  bool take_offset() {
    if (take_text("Z")) {
      out.offset = 0;
      return true;
    }
    if (text_.empty() || (text_[0] != '+' && text_[0] != '-')) return false;
    const bool negative = text_[0] == '-';
    text_.remove_prefix(1);
    int hours = 0;
    int minutes = 0;
    int count = 0;
    if (!take_digits(2, 2, hours, count)) return false;
    if (!text_.empty() && text_[0] == ':') text_.remove_prefix(1);
    if (!take_digits(2, 2, minutes, count) || hours > 23 || minutes > 59) return false;
    out.offset = (negative ? -1 : 1) * (hours * 60 + minutes);
    return true;
  }

  std::string_view text_;
  bool any_case_;
};

}  // namespace

int TimeParts::hour_of_day() const {
  if (hour_of_half) return *hour_of_half % 12 + (afternoon.value_or(false) ? 12 : 0);
  return hour.value_or(0);
}

std::optional<TimeParts> read_time_parts(std::string_view text, std::span<const TimeStep> steps,
                                         bool any_case) {
  TimeReader reader(text, any_case);
  for (const TimeStep& step : steps) {
    if (!reader.take(step)) return std::nullopt;
  }
  if (!reader.at_end()) return std::nullopt;
  return reader.out;
}

std::optional<Moment> moment_of(const TimeParts& parts, const Moment& usual, int first_of_1900) {
  Moment out = usual;
  if (parts.year_of_century)
    out.year = *parts.year_of_century + (*parts.year_of_century < first_of_1900 ? 2000 : 1900);
  out.year = parts.year.value_or(out.year);
  out.month = parts.month.value_or(out.month);
  out.day = parts.day.value_or(out.day);
  if (parts.day_of_year) {
    int rest = *parts.day_of_year;
    for (out.month = 1; out.month < 12 && rest > days_of_month(out.year, out.month); ++out.month)
      rest -= days_of_month(out.year, out.month);
    out.day = rest;
  }
  if (parts.has_clock()) {
    out.hour = parts.hour_of_day();
    out.minute = parts.minute.value_or(0);
    out.second = parts.second.value_or(0);
    out.nanosecond = parts.nanosecond.value_or(0);
  }
  out.offset = parts.offset;
  if (out.year < 1 || out.day > days_of_month(out.year, out.month)) return std::nullopt;
  return out;
}

std::string_view english_month(int month) {
  return months[static_cast<std::size_t>(month - 1)];
}

std::string_view english_weekday(int weekday) {
  return weekdays[static_cast<std::size_t>(weekday)];
}

}  // namespace inky::inline v1
