#include "strftime.hpp"

#include <algorithm>

namespace inky::inline v1 {

namespace {

constexpr std::string_view days[] = {"Sunday",   "Monday", "Tuesday", "Wednesday",
                                     "Thursday", "Friday", "Saturday"};
constexpr std::string_view months[] = {"January",   "February", "March",    "April",
                                       "May",       "June",     "July",     "August",
                                       "September", "October",  "November", "December"};

void append_padded(int number, int digits, char pad, std::string& out) {
  const std::string text = std::to_string(number);
  out.append(static_cast<std::size_t>(std::max(digits - static_cast<int>(text.size()), 0)), pad);
  out += text;
}

int twelve_hour(const Moment& moment) {
  return (moment.hour + 11) % 12 + 1;
}
int monday_first(const Moment& moment) {
  return (weekday(moment) + 6) % 7;
}
int days_of_year(int year) {
  return is_leap_year(year) ? 366 : 365;
}

// ISO 8601-1: a week belongs to the year of its Thursday, which is counted from this year's first
// day.
int thursday_of_week(const Moment& moment) {
  return day_of_year(moment) - monday_first(moment) + 3;
}
int iso_year(const Moment& moment) {
  const int thursday = thursday_of_week(moment);
  return moment.year - (thursday < 1 ? 1 : 0) + (thursday > days_of_year(moment.year) ? 1 : 0);
}
int iso_week(const Moment& moment) {
  int thursday = thursday_of_week(moment);
  if (thursday < 1)
    thursday += days_of_year(moment.year - 1);
  else if (thursday > days_of_year(moment.year))
    thursday -= days_of_year(moment.year);
  return (thursday - 1) / 7 + 1;
}

// Weeks from the first `first` (0: Sunday, 1: Monday) of the year on; the days before it are week
// 0.
int week_of_year(const Moment& moment, int first) {
  return (day_of_year(moment) - 1 + 7 - (weekday(moment) + 7 - first) % 7) / 7;
}

struct NumberCode {
  char code;
  int digits;  // at least so wide, filled with pad
  char pad;
  int (*number)(const Moment&);
};

constexpr NumberCode numbers[] = {
    {'C', 0, '0', [](const Moment& m) { return m.year / 100; }},
    {'d', 2, '0', [](const Moment& m) { return m.day; }},
    {'e', 2, ' ', [](const Moment& m) { return m.day; }},
    {'f', 6, '0', [](const Moment& m) { return m.nanosecond / 1000; }},
    {'g', 2, '0', [](const Moment& m) { return iso_year(m) % 100; }},
    {'G', 0, '0', iso_year},
    {'H', 2, '0', [](const Moment& m) { return m.hour; }},
    {'I', 2, '0', twelve_hour},
    {'j', 3, '0', day_of_year},
    {'k', 2, ' ', [](const Moment& m) { return m.hour; }},
    {'l', 2, ' ', twelve_hour},
    {'m', 2, '0', [](const Moment& m) { return m.month; }},
    {'M', 2, '0', [](const Moment& m) { return m.minute; }},
    {'S', 2, '0', [](const Moment& m) { return m.second; }},
    {'u', 0, '0', [](const Moment& m) { return monday_first(m) + 1; }},
    {'U', 2, '0', [](const Moment& m) { return week_of_year(m, 0); }},
    {'V', 2, '0', iso_week},
    {'w', 0, '0', weekday},
    {'W', 2, '0', [](const Moment& m) { return week_of_year(m, 1); }},
    {'y', 2, '0', [](const Moment& m) { return m.year % 100; }},
    {'Y', 0, '0', [](const Moment& m) { return m.year; }},
};

// Codes that are short for a text of other codes.
struct ComposedCode {
  char code;
  std::string_view parts;
};

constexpr ComposedCode composed[] = {
    {'c', "%a %b %e %H:%M:%S %Y"},
    {'D', "%m/%d/%y"},
    {'F', "%Y-%m-%d"},
    {'r', "%I:%M:%S %p"},
    {'R', "%H:%M"},
    {'T', "%H:%M:%S"},
    {'x', "%m/%d/%y"},
    {'X', "%H:%M:%S"},
    {'n', "\n"},
    {'t', "\t"},
    {'z', ""},
    {'Z', ""},  // no time zone
};

// The names of days and months, and of the halves of a day.
std::string_view name_in(const Moment& moment, char code) {
  switch (code) {
    case 'a':
      return days[weekday(moment)].substr(0, 3);
    case 'A':
      return days[weekday(moment)];
    case 'b':
    case 'h':
      return months[moment.month - 1].substr(0, 3);
    case 'B':
      return months[moment.month - 1];
    case 'p':
      return moment.hour < 12 ? "AM" : "PM";
    case 'P':
      return moment.hour < 12 ? "am" : "pm";
    default:
      return {};
  }
}

bool append_code(const Moment& moment, char code, std::string& out) {
  if (code == '%') {
    out += code;
    return true;
  }
  if (const std::string_view name = name_in(moment, code); !name.empty()) {
    out += name;
    return true;
  }
  for (const NumberCode& one : numbers) {
    if (one.code != code) continue;
    append_padded(one.number(moment), one.digits, one.pad, out);
    return true;
  }
  for (const ComposedCode& one : composed) {
    if (one.code != code) continue;
    append_strftime(moment, one.parts, out);
    return true;
  }
  return false;
}

}  // namespace

std::string_view append_strftime(const Moment& moment, std::string_view codes, std::string& out) {
  for (std::size_t at = 0; at < codes.size(); ++at) {
    // A percent sign at the end is itself.
    if (codes[at] != '%' || at + 1 == codes.size()) {
      out += codes[at];
      continue;
    }
    if (!append_code(moment, codes[at + 1], out)) return codes.substr(at, 2);
    ++at;
  }
  return {};
}

}  // namespace inky::inline v1
