#include "dates.hpp"

#include <algorithm>
#include <cmath>
#include <limits>

#include "../family/strftime.hpp"

namespace inky::inline v1::octave {

namespace {

constexpr double hours_of_day = 24;
constexpr double seconds_of_day = 86'400;
// The serial number of the first day of 1970.
constexpr double first_of_1970 = 719'529;

std::int64_t days_since_1970(int year, int month, int day) {
  const Moment midnight{year, month, day};
  const std::int64_t seconds = seconds_since_1970(midnight);
  return seconds / static_cast<std::int64_t>(seconds_of_day);
}

Moment moment_of(const DateParts& parts) {
  Moment out;
  out.year = static_cast<int>(parts[0]);
  out.month = static_cast<int>(parts[1]);
  out.day = static_cast<int>(parts[2]);
  out.hour = static_cast<int>(parts[3]);
  out.minute = static_cast<int>(parts[4]);
  out.second = static_cast<int>(parts[5]);
  return out;
}

}  // namespace

namespace {

bool is_date(const Value& value) {
  return value.is(Type::date) || (value.is(Type::moment) && !value.as_moment().offset);
}

}  // namespace

bool has_dates(std::span<const Value> values) {
  return std::any_of(values.begin(), values.end(), is_date);
}

std::vector<Value> serial_numbers(std::span<const Value> values) {
  std::vector<Value> out;
  for (const Value& value : values) {
    out.push_back(is_date(value) ? Value::real(serial_number(value.as_moment())) : value);
    if (value.is_named()) out.back().set_name(std::string(value.name()));
  }
  return out;
}

void note_serial_numbers(std::span<const Value> values, const TemplateContent& parsed,
                         Notes& notes) {
  for (const Value& value : values) {
    if (!is_date(value)) continue;
    notes.push_back({Code::type_converted,
                     "Octave has no dates: " + describe(value) + " is its serial number " +
                         describe(Value::real(serial_number(value.as_moment()))),
                     {0, parsed.source.size()}});
  }
}

double serial_of_parts(const DateParts& parts) {
  const double days = first_of_1970 + static_cast<double>(days_since_1970(
                                          static_cast<int>(parts[0]), static_cast<int>(parts[1]),
                                          static_cast<int>(parts[2])));
  return days + (parts[3] + (parts[4] + parts[5] / 60) / 60) / hours_of_day;
}

double serial_number(const Moment& moment) {
  const double second =
      static_cast<double>(moment.second) + static_cast<double>(moment.nanosecond) / 1e9;
  return serial_of_parts({static_cast<double>(moment.year), static_cast<double>(moment.month),
                          static_cast<double>(moment.day), static_cast<double>(moment.hour),
                          static_cast<double>(moment.minute), second});
}

DateParts parts_of_serial(double number) {
  const double day = std::floor(number);
  // The seconds are rounded to a power of two that the number can tell apart.
  const double known = std::fabs(std::numeric_limits<double>::epsilon() * seconds_of_day * number);
  const double steps = std::exp2(std::floor(-std::log2(known == 0 ? 1 : known)));
  double seconds = std::round(seconds_of_day * (number - day) * steps) / steps;
  const double hours = std::floor(seconds / 3600);
  seconds -= 3600 * hours;
  const double minutes = std::floor(seconds / 60);
  seconds -= 60 * minutes;
  constexpr double last_of_9999 = 3'652'424;
  if (!(day >= 367 && day <= last_of_9999)) return {0, 0, 0, 0, 0, 0};
  const Moment moment =
      moment_of_seconds(static_cast<std::int64_t>((day - first_of_1970) * seconds_of_day));
  return {static_cast<double>(moment.year),
          static_cast<double>(moment.month),
          static_cast<double>(moment.day),
          hours,
          minutes,
          seconds};
}

bool are_of_calendar(const DateParts& parts) {
  const auto whole = [](double x) { return x == std::floor(x); };
  const bool in_range = whole(parts[0]) && parts[0] >= 1 && parts[0] <= 9999 && whole(parts[1]) &&
                        parts[1] >= 1 && parts[1] <= 12 && whole(parts[2]) && parts[2] >= 1;
  return in_range &&
         parts[2] <= days_of_month(static_cast<int>(parts[0]), static_cast<int>(parts[1])) &&
         whole(parts[3]) && parts[3] >= 0 && parts[3] < hours_of_day && whole(parts[4]) &&
         parts[4] >= 0 && parts[4] < 60 && parts[5] >= 0 && parts[5] < 60;
}

std::string_view date_format(double number) {
  static constexpr std::string_view formats[] = {"dd-mmm-yyyy HH:MM:SS",
                                                 "dd-mmm-yyyy",
                                                 "mm/dd/yy",
                                                 "mmm",
                                                 "m",
                                                 "mm",
                                                 "mm/dd",
                                                 "dd",
                                                 "ddd",
                                                 "d",
                                                 "yyyy",
                                                 "yy",
                                                 "mmmyy",
                                                 "HH:MM:SS",
                                                 "HH:MM:SS PM",
                                                 "HH:MM",
                                                 "HH:MM PM",
                                                 "QQ-YY",
                                                 "QQ",
                                                 "dd/mm",
                                                 "dd/mm/yy",
                                                 "mmm.dd,yyyy HH:MM:SS",
                                                 "mmm.dd,yyyy",
                                                 "mm/dd/yyyy",
                                                 "dd/mm/yyyy",
                                                 "yy/mm/dd",
                                                 "yyyy/mm/dd",
                                                 "QQ-YYYY",
                                                 "mmmyyyy",
                                                 "yyyy-mm-dd",
                                                 "yyyymmddTHHMMSS",
                                                 "yyyy-mm-dd HH:MM:SS"};
  const bool exists = number >= 0 && number < static_cast<double>(std::size(formats)) &&
                      number == std::floor(number);
  return exists ? formats[static_cast<std::size_t>(number)] : std::string_view();
}

namespace {

// The length of the run of one letter that a text begins with, in either case.
std::size_t run_of(std::string_view text, char small) {
  std::size_t size = 0;
  while (size < text.size() && (text[size] == small || text[size] == small - 'a' + 'A')) ++size;
  return size;
}

}  // namespace

std::string_view append_date(const DateParts& parts, std::string_view format, std::string& out) {
  const Moment moment = moment_of(parts);
  const bool has_half =
      format.find("AM") != std::string_view::npos || format.find("PM") != std::string_view::npos;
  const auto add = [&](std::string_view codes) { append_glibc_time(moment, codes, {}, out); };
  const auto padded = [&](int number, std::size_t size, char fill) {
    const std::string digits = std::to_string(number);
    out.append(size - std::min(size, digits.size()), fill);
    out += digits;
  };
  while (!format.empty()) {
    const char c = format[0];
    std::size_t size = 1;
    if (c == '%') return "a percent sign";
    if (const std::size_t run = run_of(format, 'y'); run > 0) {
      if (run != 2 && run != 4) return "a year of other than 2 or 4 letters";
      if (run == 4)
        padded(moment.year, 4, '0');
      else
        add("%y");
      size = run;
    } else if (const std::size_t days = run_of(format, 'd'); days > 0) {
      if (days > 4) return "a day of more than 4 letters";
      constexpr std::string_view codes[] = {"%d", "%a", "%A"};
      if (days == 1)
        out += "SMTWTFS"[weekday(moment)];
      else
        add(codes[days - 2]);
      size = days;
    } else if (c == 'm') {
      size = std::min(format.find_first_not_of('m'), format.size());
      if (size > 4) return "a month of more than 4 letters";
      constexpr std::string_view codes[] = {"%m", "%b", "%B"};
      if (size == 1)
        out += "JFMAMJJASOND"[moment.month - 1];
      else
        add(codes[size - 2]);
    } else if (format.starts_with("AM") || format.starts_with("PM")) {
      add("%p");
      size = 2;
    } else if (format.starts_with("HH")) {
      if (has_half)
        padded((moment.hour + 11) % 12 + 1, 2, ' ');
      else
        add("%H");
      size = 2;
    } else if (format.starts_with("MM")) {
      add("%M");
      size = 2;
    } else if (run_of(format, 's') > 1) {
      add("%S");
      size = 2;
    } else if (format.starts_with("FFF")) {
      padded(static_cast<int>(std::round(1000 * (parts[5] - std::trunc(parts[5])))), 3, '0');
      size = 3;
    } else if (format.starts_with("QQ")) {
      out += "Q" + std::to_string((moment.month + 2) / 3);
      size = 2;
    } else {
      out += c;
    }
    format.remove_prefix(size);
  }
  return {};
}

}  // namespace inky::inline v1::octave
