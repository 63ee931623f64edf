#include "inky_margin/format/value.hpp"

#include <array>

namespace inky::inline v1 {

namespace {

constexpr int limits[] = {10000, 13, 32, 24, 60, 60, 1'000'000'000};

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

// ".25" and no more, as nanoseconds.
std::optional<int> take_fraction(std::string_view& text) {
  if (!take_mark(text, '.')) return 0;
  constexpr std::size_t most = 9;
  const std::size_t count = text.size();
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
  const int parts[] = {year, month, day, hour, minute, second, nanosecond};
  for (std::size_t i = 0; i < std::size(parts); ++i)
    out = out * static_cast<unsigned>(limits[i]) + static_cast<unsigned>(parts[i]);
  return out;
}

Moment Moment::unpacked(uint128 number) {
  std::array<int, std::size(limits)> parts{};
  for (std::size_t i = parts.size(); i-- > 0; number /= static_cast<unsigned>(limits[i]))
    parts[i] = static_cast<int>(low_half(number % static_cast<unsigned>(limits[i])));
  return {parts[0], parts[1], parts[2], parts[3], parts[4], parts[5], parts[6]};
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

std::optional<Moment> read_moment(std::string_view text) {
  Moment out;
  const auto number = [&](int& part, std::size_t count, int least, int most) {
    const auto read = take_digits(text, count);
    part = read.value_or(-1);
    return read && part >= least && part <= most;
  };
  if (!number(out.year, 4, 1, 9999) || !take_mark(text, '-') || !number(out.month, 2, 1, 12) ||
      !take_mark(text, '-') || !number(out.day, 2, 1, days_of_month(out.year, out.month)))
    return std::nullopt;
  if (text.empty()) return out;
  if (!take_mark(text, 'T') && !take_mark(text, ' ')) return std::nullopt;
  if (!number(out.hour, 2, 0, 23) || !take_mark(text, ':') || !number(out.minute, 2, 0, 59))
    return std::nullopt;
  if (text.empty()) return out;
  if (!take_mark(text, ':') || !number(out.second, 2, 0, 59)) return std::nullopt;
  const auto fraction = take_fraction(text);
  if (!fraction || !text.empty()) return std::nullopt;
  out.nanosecond = *fraction;
  return out;
}

std::string moment_text(const Moment& moment) {
  std::string out;
  append_digits(moment.year, 4, out);
  append_digits(moment.month, 2, out += '-');
  append_digits(moment.day, 2, out += '-');
  append_digits(moment.hour, 2, out += 'T');
  append_digits(moment.minute, 2, out += ':');
  append_digits(moment.second, 2, out += ':');
  int places = 9;
  int fraction = moment.nanosecond;
  for (; places > 0 && fraction % 1000 == 0; places -= 3) fraction /= 1000;
  if (places > 0) append_digits(fraction, places, out += '.');
  return out;
}

}  // namespace inky::inline v1
