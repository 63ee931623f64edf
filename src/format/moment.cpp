#include "inky_margin/format/value.hpp"

#include <algorithm>
#include <array>
#include <cstdlib>

#include "zones.hpp"

namespace inky::inline v1 {

namespace {

constexpr int most_offset = 1439;
// The last two are the offset, and 0 where there is none, and the zone.
constexpr int limits[] = {10000, 13, 32, 24, 60, 60, 1'000'000'000, 2 * most_offset + 2, 65'536};

// Exactly `count` digits at the start of `text`, which they are then taken from.
std::optional<int> take_digits(std::string_view& text, std::size_t count) {
  if (text.size() < count) return std::nullopt;
  int out = 0;
  for (const char c : text.substr(0, count)) {
    if (c < '0' || c > '9') return std::nullopt;
    out = out * 10 + (c - '0');
  }
  text.remove_prefix(count);
  return out;
}

bool take_mark(std::string_view& text, char mark) {
  if (!text.starts_with(mark)) return false;
  text.remove_prefix(1);
  return true;
}

// ".25", as nanoseconds.
std::optional<int> take_fraction(std::string_view& text) {
  if (!take_mark(text, '.')) return 0;
  constexpr std::size_t most = 9;
  const std::size_t count = std::min(text.find_first_not_of("0123456789"), text.size());
  if (count == 0 || count > most) return std::nullopt;
  std::optional<int> out = take_digits(text, count);
  for (std::size_t i = count; out && i < most; ++i) *out *= 10;
  return out;
}

void append_digits(int number, int count, std::string& out) {
  std::string digits;
  for (; count > 0; --count, number /= 10) digits += static_cast<char>('0' + number % 10);
  out.append(digits.rbegin(), digits.rend());
}

}  // namespace

uint128 Moment::packed() const {
  uint128 out = 0;
  // Only what has an offset is in a zone, and only in one that there is.
  const bool has_zone = offset && !zone_name(zone).empty();
  const int parts[] = {year,
                       month,
                       day,
                       hour,
                       minute,
                       second,
                       nanosecond,
                       offset ? *offset + most_offset + 1 : 0,
                       has_zone ? int{zone} : 0};
  for (std::size_t i = 0; i < std::size(parts); ++i)
    out = out * static_cast<unsigned>(limits[i]) + static_cast<unsigned>(parts[i]);
  return out;
}

Moment Moment::unpacked(uint128 number) {
  std::array<int, std::size(limits)> parts{};
  for (std::size_t i = parts.size(); i-- > 0; number /= static_cast<unsigned>(limits[i]))
    parts[i] = static_cast<int>(low_half(number % static_cast<unsigned>(limits[i])));
  Moment out{parts[0], parts[1], parts[2], parts[3], parts[4], parts[5], parts[6]};
  if (parts[7] != 0) out.offset = parts[7] - most_offset - 1;
  out.zone = static_cast<Zone>(parts[8]);
  return out;
}

bool is_leap_year(int year) {
  return year % 4 == 0 && (year % 100 != 0 || year % 400 == 0);
}

int days_of_month(int year, int month) {
  constexpr int days[] = {31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31};
  return month == 2 && is_leap_year(year) ? 29 : days[month - 1];
}

int day_of_year(const Moment& moment) {
  int out = moment.day;
  for (int month = 1; month < moment.month; ++month) out += days_of_month(moment.year, month);
  return out;
}

int weekday(const Moment& moment) {
  const int before = moment.year - 1;
  // 1 January of the year 1 was a Monday.
  return (before * 365 + before / 4 - before / 100 + before / 400 + day_of_year(moment)) % 7;
}

namespace {

// What is read from the front of a text.
class MomentReader {
 public:
  explicit MomentReader(std::string_view text) : text_(text) {}

  bool at_end() const { return text_.empty(); }
  bool take(char mark) { return take_mark(text_, mark); }

  bool read_date(Moment& out) {
    return number(out.year, 4, 1, 9999) && take('-') && number(out.month, 2, 1, 12) && take('-') &&
           number(out.day, 2, 1, days_of_month(out.year, out.month));
  }
  bool read_time(Moment& out) {
    if (!number(out.hour, 2, 0, 23) || !take(':') || !number(out.minute, 2, 0, 59)) return false;
    if (!take(':')) return true;
    if (!number(out.second, 2, 0, 59)) return false;
    const auto fraction = take_fraction(text_);
    out.nanosecond = fraction.value_or(0);
    return fraction.has_value();
  }
  // Z, +02:00, -0530.
  bool read_offset(Moment& out) {
    if (take('Z')) {
      out.offset = 0;
      return true;
    }
    const bool west = text_.starts_with('-');
    if (!take('+') && !take('-')) return false;
    int hours = 0;
    int minutes = 0;
    if (!number(hours, 2, 0, 23)) return false;
    take(':');
    if (!number(minutes, 2, 0, 59)) return false;
    out.offset = (west ? -1 : 1) * (hours * 60 + minutes);
    return true;
  }
  bool is_zone() const { return text_.starts_with('['); }
  // [Europe/Berlin], where the offset, if there is one, is one that its clocks have then.
  bool read_zone(Moment& out) {
    if (!take('[') || !text_.ends_with(']')) return false;
    const auto zone = zone_named(text_.substr(0, text_.size() - 1));
    if (!zone) return false;
    const auto clocks = clocks_showing(*zone, seconds_since_1970(out));
    if (!clocks || clocks->skipped) return false;
    const int offset = out.offset ? *out.offset * 60 : clocks->earlier.seconds;
    if (offset % 60 != 0 || (offset != clocks->earlier.seconds && offset != clocks->later.seconds))
      return false;
    out.offset = offset / 60;
    out.zone = *zone;
    text_ = {};
    return true;
  }

 private:
  bool number(int& part, std::size_t count, int least, int most) {
    const auto read = take_digits(text_, count);
    part = read.value_or(-1);
    return read && part >= least && part <= most;
  }

  std::string_view text_;
};

// Digits, and a fraction where there is one, in nanoseconds of a second.
std::optional<int128> take_amount(std::string_view& text, bool& has_fraction) {
  constexpr std::size_t most_digits = 18;
  std::size_t count = std::min(text.find_first_not_of("0123456789"), text.size());
  if (count == 0 || count > most_digits) return std::nullopt;
  int128 out = 0;
  for (const char c : text.substr(0, count)) out = out * 10 + (c - '0');
  text.remove_prefix(count);
  has_fraction = text.starts_with('.');
  const auto fraction = take_fraction(text);
  if (!fraction) return std::nullopt;
  return out * 1'000'000'000 + *fraction;
}

}  // namespace

std::optional<Moment> read_moment(std::string_view text) {
  Moment out;
  MomentReader reader(text);
  if (!reader.read_date(out)) return std::nullopt;
  if (reader.at_end()) return out;
  if ((!reader.take('T') && !reader.take(' ')) || !reader.read_time(out)) return std::nullopt;
  if (reader.at_end()) return out;
  if (!reader.read_offset(out) && !reader.is_zone()) return std::nullopt;
  if (!reader.at_end() && !reader.read_zone(out)) return std::nullopt;
  return reader.at_end() ? std::optional(out) : std::nullopt;
}

std::optional<Moment> read_date(std::string_view text) {
  Moment out;
  MomentReader reader(text);
  return reader.read_date(out) && reader.at_end() ? std::optional(out) : std::nullopt;
}

std::optional<Moment> read_time(std::string_view text) {
  Moment out;
  MomentReader reader(text);
  return reader.read_time(out) && reader.at_end() ? std::optional(out) : std::nullopt;
}

std::optional<int128> read_duration(std::string_view text) {
  const bool negative = take_mark(text, '-');
  if (!take_mark(text, 'P') || text.empty()) return std::nullopt;
  struct Unit {
    char letter;
    bool of_day;
    int seconds;
  };
  constexpr Unit units[] = {{'W', false, 604'800},
                            {'D', false, 86'400},
                            {'H', true, 3'600},
                            {'M', true, 60},
                            {'S', true, 1}};
  int128 out = 0;
  bool in_time = false;
  std::size_t next = 0;  // the units come in this order, each once
  bool any = false;
  while (!text.empty()) {
    if (!in_time && take_mark(text, 'T')) {
      in_time = true;
      if (text.empty()) return std::nullopt;
    }
    bool has_fraction = false;
    const auto amount = take_amount(text, has_fraction);
    if (!amount || text.empty()) return std::nullopt;
    while (next < std::size(units) &&
           (units[next].letter != text[0] || units[next].of_day != in_time))
      ++next;
    if (next == std::size(units)) return std::nullopt;
    if (has_fraction && units[next].letter != 'S') return std::nullopt;
    out += *amount * units[next].seconds;
    text.remove_prefix(1);
    ++next;
    any = true;
  }
  const int128 most = int128{most_days} * 86'400 * 1'000'000'000;
  if (!any || out > most) return std::nullopt;
  return negative ? -out : out;
}

std::string date_text(const Moment& moment) {
  std::string out;
  append_digits(moment.year, 4, out);
  append_digits(moment.month, 2, out += '-');
  append_digits(moment.day, 2, out += '-');
  return out;
}

std::string time_text(const Moment& moment) {
  std::string out;
  append_digits(moment.hour, 2, out);
  append_digits(moment.minute, 2, out += ':');
  append_digits(moment.second, 2, out += ':');
  int places = 9;
  int fraction = moment.nanosecond;
  for (; places > 0 && fraction % 1000 == 0; places -= 3) fraction /= 1000;
  if (places > 0) append_digits(fraction, places, out += '.');
  return out;
}

std::string offset_text(int minutes, std::string_view mark) {
  std::string out(minutes < 0 ? "-" : "+");
  append_digits(std::abs(minutes) / 60, 2, out);
  out += mark;
  append_digits(std::abs(minutes) % 60, 2, out);
  return out;
}

std::string moment_text(const Moment& moment) {
  std::string out = date_text(moment) + "T" + time_text(moment);
  if (moment.offset) out += *moment.offset == 0 ? "Z" : offset_text(*moment.offset);
  if (const std::string_view zone = zone_name(moment.zone); !zone.empty())
    ((out += '[') += zone) += ']';
  return out;
}

std::string duration_text(int128 nanoseconds) {
  std::string out(nanoseconds < 0 ? "-P" : "P");
  uint128 rest = nanoseconds < 0 ? uint128{0} - static_cast<uint128>(nanoseconds)
                                 : static_cast<uint128>(nanoseconds);
  constexpr unsigned billion = 1'000'000'000;
  const auto fraction = static_cast<int>(low_half(rest % billion));
  const std::uint64_t seconds = low_half(rest / billion);
  if (seconds >= 86'400) out += std::to_string(seconds / 86'400) + "D";
  const std::uint64_t of_day = seconds % 86'400;
  if (of_day == 0 && fraction == 0) return out.back() == 'P' ? out + "T0S" : out;
  out += 'T';
  if (of_day >= 3'600) out += std::to_string(of_day / 3'600) + "H";
  if (of_day % 3'600 >= 60) out += std::to_string(of_day % 3'600 / 60) + "M";
  if (of_day % 60 == 0 && fraction == 0) return out;
  out += std::to_string(of_day % 60);
  if (fraction != 0) {
    append_digits(fraction, 9, out += '.');
    out.erase(out.find_last_not_of('0') + 1);
  }
  return out + "S";
}

namespace {

// Days from 1 January of the year 1 on, which is day 0.
std::int64_t days_before(int year) {
  const std::int64_t before = year - 1;
  return before * 365 + before / 4 - before / 100 + before / 400;
}
constexpr std::int64_t days_to_1970 = 719'162;
constexpr std::int64_t day_seconds = 86'400;

}  // namespace

std::int64_t seconds_since_1970(const Moment& moment) {
  const std::int64_t days = days_before(moment.year) + day_of_year(moment) - 1 - days_to_1970;
  return days * day_seconds + moment.hour * 3'600 + moment.minute * 60 + moment.second;
}

Moment moment_of_seconds(std::int64_t seconds) {
  std::int64_t days = seconds / day_seconds;
  std::int64_t of_day = seconds % day_seconds;
  if (of_day < 0) {
    of_day += day_seconds;
    --days;
  }
  days += days_to_1970;
  Moment out;
  out.year = static_cast<int>(days / 366) + 1;
  while (days_before(out.year + 1) <= days) ++out.year;
  auto left = static_cast<int>(days - days_before(out.year));
  while (left >= days_of_month(out.year, out.month)) left -= days_of_month(out.year, out.month++);
  out.day = left + 1;
  out.hour = static_cast<int>(of_day / 3'600);
  out.minute = static_cast<int>(of_day % 3'600 / 60);
  out.second = static_cast<int>(of_day % 60);
  return out;
}

}  // namespace inky::inline v1
