#include "strftime.hpp"

#include <algorithm>

#include "inky_margin/format/spec.hpp"

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

// ---- The whole of glibc ----

struct TimeField {
  char pad = 0;  // _, - or 0
  bool upper = false;
  bool other_case = false;
  int width = 0;
  char modifier = 0;  // E or O
  char code = 0;
};

// The field at `at` (a percent sign); its end.
std::size_t read_time_field(std::string_view codes, std::size_t at, TimeField& field) {
  for (++at; at < codes.size(); ++at) {
    const char c = codes[at];
    if (c == '_' || c == '-' || c == '0')
      field.pad = c;
    else if (c == '^')
      field.upper = true;
    else if (c == '#')
      field.other_case = true;
    else
      break;
  }
  for (; at < codes.size() && codes[at] >= '0' && codes[at] <= '9'; ++at)
    field.width = std::min(field.width * 10 + (codes[at] - '0'), most_width);
  if (at < codes.size() && (codes[at] == 'E' || codes[at] == 'O')) field.modifier = codes[at++];
  if (at < codes.size()) field.code = codes[at++];
  return at;
}

// Whether the code has the alternative form that is asked for, which is the usual one in this
// locale.
bool has_form(const TimeField& field) {
  constexpr std::string_view after_e = "cCnpPrRstTuxXyYzZ%";
  constexpr std::string_view after_o = "bBCdegGhHIjklmMnpPrRsStTuUVwWyzZ%";
  if (field.modifier == 0) return true;
  return (field.modifier == 'E' ? after_e : after_o).find(field.code) != std::string_view::npos;
}

void append_aligned(const std::string& text, const TimeField& field, std::string& out) {
  const auto size = static_cast<int>(text.size());
  if (size < field.width)
    out.append(static_cast<std::size_t>(field.width - size), field.pad == '0' ? '0' : ' ');
  out += text;
}

bool append_number(const Moment& moment, const TimeField& field, std::string& out) {
  if (field.code == 'f') return false;
  std::int64_t number = 0;
  int digits = 1;
  char pad = '0';
  if (field.code == 's') {
    number = seconds_since_1970(moment);
  } else {
    const auto found = std::find_if(std::begin(numbers), std::end(numbers),
                                    [&](const NumberCode& one) { return one.code == field.code; });
    if (found == std::end(numbers)) return false;
    number = found->number(moment);
    digits = found->digits;
    pad = found->pad;
  }
  if (field.pad != 0) pad = field.pad == '_' ? ' ' : field.pad;
  std::string text = std::to_string(number);
  if (pad != '-') {
    // A width fills with what the digits are filled with.
    const int least = std::max(digits, field.width);
    const int missing = least - static_cast<int>(text.size());
    const bool behind_sign = pad == '0' && text[0] == '-';
    if (missing > 0) text.insert(behind_sign ? 1 : 0, static_cast<std::size_t>(missing), pad);
  }
  append_aligned(text, field, out);
  return true;
}

std::string in_case(std::string_view text, bool upper, bool lower) {
  std::string out(text);
  for (char& c : out) {
    if (upper && c >= 'a' && c <= 'z') c = static_cast<char>(c - 'a' + 'A');
    if (lower && c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
  }
  return out;
}

// False: there is no such code.
bool append_time_field(const Moment& moment, const TimeField& field, std::string& out) {
  if (!has_form(field)) return false;
  if (append_number(moment, field, out)) return true;
  if (const std::string_view name = name_in(moment, field.code); !name.empty()) {
    const bool lower = field.code == 'P' || (field.code == 'p' && field.other_case);
    const bool upper = !lower && (field.upper || field.other_case);
    append_aligned(in_case(name, upper, lower), field, out);
    return true;
  }
  if (field.code == '%') {
    append_aligned("%", field, out);
    return true;
  }
  const auto found = std::find_if(std::begin(composed), std::end(composed),
                                  [&](const ComposedCode& one) { return one.code == field.code; });
  if (found == std::end(composed)) return false;
  std::string text;
  append_strftime(moment, found->parts, text);
  append_aligned(in_case(text, field.upper, false), field, out);
  return true;
}

}  // namespace

void append_glibc_time(const Moment& moment, std::string_view codes, OwnTimeCode own,
                       std::string& out) {
  for (std::size_t at = 0; at < codes.size();) {
    if (codes[at] != '%') {
      out += codes[at++];
      continue;
    }
    if (at + 1 < codes.size() && own != nullptr && own(moment, codes[at + 1], out)) {
      at += 2;
      continue;
    }
    TimeField field;
    const std::size_t end = read_time_field(codes, at, field);
    if (field.code == 0 || !append_time_field(moment, field, out))
      append_aligned(std::string(codes.substr(at, end - at)), field, out);
    at = end;
  }
}

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
