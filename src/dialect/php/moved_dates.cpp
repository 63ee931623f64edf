// Texts that name a date, and dates that are moved: the PHP manual, Date and Time Formats, Relative
// Formats, and DateInterval.

#include <algorithm>
#include <array>
#include <cstdlib>
#include <vector>

#include "dates.hpp"
#include "text/ascii.hpp"
#include "text/lower_case.hpp"

namespace inky::inline v1::php {

namespace {

constexpr std::int64_t first_second = -62'135'596'800;
constexpr std::int64_t last_second = 253'402'300'799;

// With months beyond the year and days beyond the month, which go on into the next.
std::optional<Moment> settled(std::int64_t year, std::int64_t month, std::int64_t day,
                              std::int64_t seconds, const Moment& like) {
  const std::int64_t months = year * 12 + month - 1;
  if (months < 12 || months >= 120'000) return std::nullopt;
  const Moment first{static_cast<int>(months / 12), static_cast<int>(months % 12) + 1, 1};
  const std::int64_t at = seconds_since_1970(first) + (day - 1) * seconds_of_day + seconds;
  if (at < first_second || at > last_second) return std::nullopt;
  Moment out = moment_of_seconds(at);
  out.nanosecond = like.nanosecond;
  out.offset = like.offset;
  out.zone = like.zone;
  return out;
}

int clock_of(const Moment& moment) {
  return moment.hour * 3'600 + moment.minute * 60 + moment.second;
}

std::vector<std::string> words_of(std::string_view text) {
  std::vector<std::string> out;
  std::string word;
  const auto end = [&] {
    if (!word.empty()) out.push_back(lower_case(word));
    word.clear();
  };
  for (const char c : text) {
    if (c == ' ' || c == '\t') {
      end();
      continue;
    }
    // "+1day": a number ends where letters begin.
    if (!word.empty() && is_digit(word.back()) && is_word_start(c)) end();
    word += c;
  }
  end();
  return out;
}

// The place of the part of an interval that a unit is of, and how many of it; nothing: no unit.
struct Unit {
  int part = 0;
  int times = 1;
};
std::optional<Unit> unit_named(std::string_view word) {
  if (word.size() > 3 && word.ends_with('s')) word.remove_suffix(1);
  constexpr std::pair<std::string_view, Unit> units[] = {
      {"year", {0, 1}},   {"month", {1, 1}},     {"day", {2, 1}},    {"hour", {3, 1}},
      {"minute", {4, 1}}, {"min", {4, 1}},       {"second", {5, 1}}, {"sec", {5, 1}},
      {"week", {2, 7}},   {"fortnight", {2, 14}}};
  for (const auto& [name, unit] : units) {
    if (name == word) return unit;
  }
  return std::nullopt;
}

std::optional<int> weekday_named(std::string_view word) {
  constexpr std::array<std::string_view, 7> names = {"sunday",   "monday", "tuesday", "wednesday",
                                                     "thursday", "friday", "saturday"};
  for (int i = 0; i < 7; ++i) {
    const std::string_view name = names[static_cast<std::size_t>(i)];
    if (word == name || word == name.substr(0, 3)) return i;
  }
  return std::nullopt;
}

std::optional<int> count_named(std::string_view word) {
  if (word == "next") return 1;
  if (word == "last" || word == "previous") return -1;
  if (word == "this") return 0;
  const std::size_t sign = word.starts_with('+') || word.starts_with('-') ? 1 : 0;
  constexpr std::size_t most_digits = 6;
  const std::string_view digits = word.substr(sign);
  if (digits.empty() || digits.size() > most_digits ||
      digits.find_first_not_of("0123456789") != std::string_view::npos)
    return std::nullopt;
  const int number = std::atoi(std::string(digits).c_str());
  return word[0] == '-' ? -number : number;
}

std::optional<Moment> moved_by_words(const Moment& base, const std::vector<std::string>& words) {
  Interval by;
  Moment from = base;
  enum class Day : std::uint8_t { same, first, last };
  Day day = Day::same;
  std::optional<int> weekday_after;  // nothing of the day itself
  bool counts_itself = true;
  // What comes last sets the time of day.
  const auto set_hour = [&](int hour) {
    from.hour = hour;
    from.minute = from.second = from.nanosecond = 0;
  };
  for (std::size_t i = 0; i < words.size(); ++i) {
    const std::string& word = words[i];
    const std::string next = i + 1 < words.size() ? words[i + 1] : std::string();
    if (word == "midnight" || word == "today") {
      set_hour(0);
    } else if (word == "noon") {
      set_hour(12);
    } else if (word == "tomorrow" || word == "yesterday") {
      by.parts[2] += word == "tomorrow" ? 1 : -1;
      set_hour(0);
    } else if ((word == "first" || word == "last") && next == "day" && i + 2 < words.size() &&
               words[i + 2] == "of") {
      day = word == "first" ? Day::first : Day::last;
      i += 2;
    } else if (const auto of_week = weekday_named(word)) {
      weekday_after = of_week;
      set_hour(0);
    } else if (const auto count = count_named(word)) {
      const auto unit = unit_named(next);
      if (!unit && weekday_named(next) && (word == "next" || word == "last")) {
        weekday_after = weekday_named(next);
        counts_itself = false;
        set_hour(0);
        if (word == "last") by.parts[2] -= 7;
        ++i;
        // The last Friday may be the one before this day: not counted here where it is the same day.
        if (word == "last" && weekday(from) == *weekday_after) return std::nullopt;
        continue;
      }
      if (!unit) return std::nullopt;
      // "next week" and its like go by the day of the week.
      const bool is_back = i + 2 < words.size() && words[i + 2] == "ago";
      by.parts[unit->part] += *count * unit->times * (is_back ? -1 : 1);
      i += is_back ? 2 : 1;
    } else {
      return std::nullopt;
    }
  }
  if (day != Day::same) {
    from.day = 1;
    by.parts[1] += day == Day::last ? 1 : 0;
    by.parts[2] += day == Day::last ? -1 : 0;
  }
  auto out = moved(from, by, false);
  if (!out || !weekday_after) return out;
  int ahead = (*weekday_after - weekday(*out) + 7) % 7;
  if (ahead == 0 && !counts_itself) ahead = 7;
  return settled(out->year, out->month, out->day + ahead, clock_of(*out), *out);
}

// 2031-05-09, 2031/05/09, with 14:05 or 14:05:07.25 behind a space or a T, and an offset; 09.05.2031,
// 5/9/2031; @1935930307.
std::optional<Moment> absolute(std::string_view text) {
  if (text.starts_with('@')) {
    const std::string_view digits = text.substr(1);
    const std::size_t sign = digits.starts_with('-') ? 1 : 0;
    constexpr std::size_t most_digits = 13;
    if (digits.size() <= sign || digits.size() > most_digits ||
        digits.find_first_not_of("0123456789", sign) != std::string_view::npos)
      return std::nullopt;
    const std::int64_t seconds = std::atoll(std::string(digits).c_str());
    if (seconds < first_second || seconds > last_second) return std::nullopt;
    Moment out = moment_of_seconds(seconds);
    out.offset = 0;
    return out;
  }
  std::string iso(text);
  constexpr std::size_t date_size = 10;
  if (iso.size() >= date_size && iso[4] == '/' && iso[7] == '/') iso[4] = iso[7] = '-';
  const bool points = iso.size() >= date_size && iso[2] == '.' && iso[5] == '.';
  const bool bars = iso.size() >= date_size && iso[2] == '/' && iso[5] == '/';
  const bool dashes = iso.size() >= date_size && iso[2] == '-' && iso[5] == '-';
  if (points || bars || dashes) {
    const std::string day = bars ? iso.substr(3, 2) : iso.substr(0, 2);
    const std::string month = bars ? iso.substr(0, 2) : iso.substr(3, 2);
    iso = iso.substr(6, 4) + "-" + month + "-" + day + iso.substr(date_size);
  }
  if (iso.size() > date_size && iso[date_size] == ' ') iso[date_size] = 'T';
  return iso.size() < date_size ? std::nullopt : read_plain_moment(iso);
}

}  // namespace

std::optional<Moment> moved(const Moment& moment, const Interval& by, bool subtracts) {
  const int sign = subtracts != by.inverted ? -1 : 1;
  // Months first, then days and the clock, each into the next where it is more than there are.
  const std::int64_t clock =
      clock_of(moment) +
      sign * (by.parts[3] * std::int64_t{3'600} + by.parts[4] * 60 + std::int64_t{by.parts[5]});
  return settled(moment.year + sign * std::int64_t{by.parts[0]},
                 moment.month + sign * std::int64_t{by.parts[1]},
                 moment.day + sign * std::int64_t{by.parts[2]}, clock, moment);
}

std::optional<Moment> moment_named(std::string_view text, const Moment* base) {
  if (const auto read = absolute(text)) return read;
  // "2031-05-09 +1 week"
  constexpr std::size_t date_size = 10;
  if (text.size() > date_size + 1 && text[date_size] == ' ') {
    if (const auto day = absolute(text.substr(0, date_size)))
      return moved_by_words(*day, words_of(text.substr(date_size)));
  }
  const std::vector<std::string> words = words_of(text);
  if (base == nullptr || words.empty()) return std::nullopt;
  return moved_by_words(*base, words);
}

std::optional<Interval> read_interval(std::string_view text) {
  if (!text.starts_with('P') || text.size() < 3) return std::nullopt;
  Interval out;
  bool in_time = false;
  for (std::size_t at = 1; at < text.size();) {
    if (text[at] == 'T' && !in_time) {
      in_time = true;
      ++at;
      continue;
    }
    std::size_t end = at;
    int number = 0;
    constexpr std::size_t most_digits = 7;
    while (end < text.size() && is_digit(text[end]) && end - at < most_digits)
      number = number * 10 + (text[end++] - '0');
    if (end == at || end == text.size()) return std::nullopt;
    const std::size_t letter = std::string_view(in_time ? "   HMS" : "YMD   ").find(text[end]);
    const bool is_week = !in_time && text[end] == 'W';
    if (!is_week && letter == std::string_view::npos) return std::nullopt;
    out.parts[is_week ? 2 : letter] += is_week ? number * 7 : number;
    at = end + 1;
  }
  return text.ends_with('T') ? std::nullopt : std::optional(out);
}

Interval between(const Moment& from, const Moment& to) {
  const auto at = [](const Moment& moment) {
    return seconds_since_1970(moment) - std::int64_t{moment.offset.value_or(0)} * 60;
  };
  Interval out;
  const bool is_back = at(to) < at(from);
  Moment a = moment_of_seconds(at(is_back ? to : from));
  Moment b = moment_of_seconds(at(is_back ? from : to));
  out.inverted = is_back;
  out.days = static_cast<int>((at(is_back ? from : to) - at(is_back ? to : from)) / seconds_of_day);
  int months = (b.year - a.year) * 12 + b.month - a.month;
  int days = b.day - a.day;
  int clock = clock_of(b) - clock_of(a);
  if (clock < 0) {
    clock += seconds_of_day;
    --days;
  }
  if (days < 0) {
    --months;
    // Of the month before that of the later one; back, of that of the earlier one.
    const int month = b.month == 1 ? 12 : b.month - 1;
    days += is_back ? days_of_month(a.year, a.month)
                    : days_of_month(b.month == 1 ? b.year - 1 : b.year, month);
  }
  const int parts[] = {months / 12, months % 12, days, clock / 3'600, clock / 60 % 60, clock % 60};
  std::copy(std::begin(parts), std::end(parts), std::begin(out.parts));
  return out;
}

std::optional<std::string> shown_interval(std::string_view format, const Interval& interval) {
  std::string out;
  for (std::size_t i = 0; i < format.size(); ++i) {
    if (format[i] != '%' || i + 1 == format.size()) {
      out += format[i];
      continue;
    }
    const char code = format[++i];
    constexpr std::string_view small = "ymdhis";
    constexpr std::string_view large = "YMDHIS";
    if (const std::size_t part = small.find(code); part != std::string_view::npos) {
      out += std::to_string(interval.parts[part]);
    } else if (const std::size_t wide = large.find(code); wide != std::string_view::npos) {
      const std::string digits = std::to_string(interval.parts[wide]);
      const std::size_t width = wide == 0 ? 4 : 2;
      out += std::string(digits.size() < width ? width - digits.size() : 0, '0') + digits;
    } else if (code == 'a') {
      out += interval.days ? std::to_string(*interval.days) : "(unknown)";
    } else if (code == 'R' || code == 'r') {
      out += interval.inverted ? "-" : code == 'R' ? "+" : "";
    } else if (code == '%') {
      out += '%';
    } else {
      return std::nullopt;
    }
  }
  return out;
}

}  // namespace inky::inline v1::php
