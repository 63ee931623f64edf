// Defined by the Python 3.11 library reference, "strftime() and strptime() Format Codes", which
// leaves most codes to the C library: these are as glibc 2.36 prints them.
#include "moments.hpp"

namespace inky::inline v1::python {

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

// The year and week of ISO 8601-1: week 1 has the year's first Thursday.
void iso_week(const Moment& moment, int& year, int& week) {
  const int monday_first = (weekday(moment) + 6) % 7;
  year = moment.year;
  const int thursday = day_of_year(moment) - monday_first + 3;
  const int days_in_year = is_leap_year(year) ? 366 : 365;
  if (thursday < 1) {
    --year;
    week = (thursday + (is_leap_year(year) ? 366 : 365) - 1) / 7 + 1;
  } else if (thursday > days_in_year) {
    ++year;
    week = 1;
  } else {
    week = (thursday - 1) / 7 + 1;
  }
}

// Weeks from the first `first` (0: Sunday, 1: Monday) of the year on; the days before it are week
// 0.
int week_of_year(const Moment& moment, int first) {
  return (day_of_year(moment) - 1 + 7 - (weekday(moment) + 7 - first) % 7) / 7;
}

bool append_code(const Moment& moment, char code, std::string& out);

void append_codes(const Moment& moment, std::string_view codes, std::string& out) {
  for (const char c : codes) {
    if (c >= 'A')
      append_code(moment, c, out);
    else
      out += c;
  }
}

bool append_code(const Moment& moment, char code, std::string& out) {
  const int twelve = (moment.hour + 11) % 12 + 1;
  const auto two = [&](int number, char pad = '0') { append_padded(number, 2, pad, out); };
  int year = 0;
  int week = 0;
  iso_week(moment, year, week);
  switch (code) {
    case 'a':
      out += days[weekday(moment)].substr(0, 3);
      break;
    case 'A':
      out += days[weekday(moment)];
      break;
    case 'b':
    case 'h':
      out += months[moment.month - 1].substr(0, 3);
      break;
    case 'B':
      out += months[moment.month - 1];
      break;
    case 'c':
      append_codes(moment, "a b e H:M:S Y", out);
      break;
    case 'C':
      append_padded(moment.year / 100, 0, '0', out);
      break;
    case 'd':
      two(moment.day);
      break;
    case 'D':
    case 'x':
      append_codes(moment, "m/d/y", out);
      break;
    case 'e':
      two(moment.day, ' ');
      break;
    case 'f':
      append_padded(moment.nanosecond / 1000, 6, '0', out);
      break;
    case 'F':
      append_codes(moment, "Y-m-d", out);
      break;
    case 'g':
      two(year % 100);
      break;
    case 'G':
      append_padded(year, 0, '0', out);
      break;
    case 'H':
      two(moment.hour);
      break;
    case 'I':
      two(twelve);
      break;
    case 'j':
      append_padded(day_of_year(moment), 3, '0', out);
      break;
    case 'k':
      two(moment.hour, ' ');
      break;
    case 'l':
      two(twelve, ' ');
      break;
    case 'm':
      two(moment.month);
      break;
    case 'M':
      two(moment.minute);
      break;
    case 'n':
      out += '\n';
      break;
    case 'p':
      out += moment.hour < 12 ? "AM" : "PM";
      break;
    case 'P':
      out += moment.hour < 12 ? "am" : "pm";
      break;
    case 'r':
      append_codes(moment, "I:M:S p", out);
      break;
    case 'R':
      append_codes(moment, "H:M", out);
      break;
    case 'S':
      two(moment.second);
      break;
    case 't':
      out += '\t';
      break;
    case 'T':
    case 'X':
      append_codes(moment, "H:M:S", out);
      break;
    case 'u':
      out += static_cast<char>('0' + (weekday(moment) + 6) % 7 + 1);
      break;
    case 'U':
      two(week_of_year(moment, 0));
      break;
    case 'V':
      two(week);
      break;
    case 'w':
      out += static_cast<char>('0' + weekday(moment));
      break;
    case 'W':
      two(week_of_year(moment, 1));
      break;
    case 'y':
      two(moment.year % 100);
      break;
    case 'Y':
      append_padded(moment.year, 0, '0', out);
      break;
    case 'z':
    case 'Z':  // there is no time zone
      break;
    case '%':
      out += '%';
      break;
    default:
      return false;
  }
  return true;
}

}  // namespace

std::string_view append_moment(const Moment& moment, std::string_view codes, std::string& out) {
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

}  // namespace inky::inline v1::python
