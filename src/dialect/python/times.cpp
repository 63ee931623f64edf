#include "times.hpp"

#include "../family/writing.hpp"

#include <vector>

#include "../family/strftime.hpp"

namespace inky::inline v1::python {

namespace {

constexpr int128 microsecond = 1000;
constexpr int128 day_microseconds = int128{86'400} * 1'000'000;

// Days, seconds and microseconds, of which the last two are never negative.
struct Delta {
  std::int64_t days = 0;
  std::int64_t seconds = 0;
  std::int64_t microseconds = 0;
};

Delta delta_of(int128 nanoseconds) {
  int128 all = nanoseconds / microsecond;
  if (nanoseconds % microsecond < 0) --all;
  int128 days = all / day_microseconds;
  int128 rest = all % day_microseconds;
  if (rest < 0) {
    rest += day_microseconds;
    --days;
  }
  return {static_cast<std::int64_t>(days), static_cast<std::int64_t>(rest / 1'000'000),
          static_cast<std::int64_t>(rest % 1'000'000)};
}

std::string delta_repr(const Delta& delta) {
  std::string parts;
  const auto add = [&](std::string_view name, std::int64_t number) {
    if (number == 0) return;
    parts += parts.empty() ? "" : ", ";
    (parts += name) += std::to_string(number);
  };
  add("days=", delta.days);
  add("seconds=", delta.seconds);
  add("microseconds=", delta.microseconds);
  return "datetime.timedelta(" + (parts.empty() ? "0" : parts) + ")";
}

std::string delta_str(const Delta& delta) {
  std::string out;
  if (delta.days != 0) {
    const bool one = delta.days == 1 || delta.days == -1;
    out = std::to_string(delta.days) + (one ? " day, " : " days, ");
  }
  const auto two = [](std::int64_t number) {
    return (number < 10 ? "0" : "") + std::to_string(number);
  };
  out += std::to_string(delta.seconds / 3600) + ":" + two(delta.seconds % 3600 / 60) + ":" +
         two(delta.seconds % 60);
  if (delta.microseconds == 0) return out;
  const std::string digits = std::to_string(delta.microseconds);
  return out + "." + std::string(6 - digits.size(), '0') + digits;
}

// "datetime.datetime(2031, 5, 9, 14, 5)"
std::string moment_repr(const Value& value) {
  const Moment moment = value.as_moment();
  const int micro = moment.nanosecond / 1000;
  const int parts[] = {moment.year,   moment.month,  moment.day, moment.hour,
                       moment.minute, moment.second, micro};
  const bool is_time = value.is(Type::time);
  // Seconds stay away where they are nothing, and so do microseconds.
  const std::size_t last = value.is(Type::date) ? 3 : micro != 0 ? 7 : moment.second != 0 ? 6 : 5;
  std::string out = std::string(time_type_name(value)) + "(";
  for (std::size_t i = is_time ? 3 : 0; i < last; ++i) {
    if (out.back() != '(') out += ", ";
    out += std::to_string(parts[i]);
  }
  if (value.is(Type::moment) && is_second(moment)) out += ", fold=1";
  if (moment.offset && value.is(Type::moment)) out += ", tzinfo=" + zone_repr(zone_of(moment));
  return out + ")";
}

// Microseconds are six digits where there are any.
std::string clock_text(Moment moment) {
  moment.nanosecond -= moment.nanosecond % 1000;
  std::string out = time_text(moment);
  if (const std::size_t point = out.find('.'); point != std::string::npos)
    out.resize(point + 7, '0');
  return out;
}

bool append_own_code(const Moment& moment, char code, std::string& out) {
  if (code == 'f') {
    const std::string digits = std::to_string(moment.nanosecond / 1000);
    out.append(6 - digits.size(), '0');
    out += digits;
    return true;
  }
  if (code == 'z') {
    if (moment.offset) out += offset_text(*moment.offset, "");
    return true;
  }
  if (code != 'Z') return false;
  if (moment.zone != 0)
    out += zone_letters(moment);
  else if (moment.offset)
    out += *moment.offset == 0 ? "UTC" : "UTC" + offset_text(*moment.offset);
  return true;
}

}  // namespace

bool is_second(const Moment& moment) {
  if (moment.zone == 0) return false;
  const auto clocks = clocks_showing(moment.zone, seconds_since_1970(moment));
  return clocks && clocks->earlier.seconds != clocks->later.seconds &&
         clocks->later.seconds == *moment.offset * 60;
}

std::string zone_repr(const TimeZone& zone) {
  if (zone.zone != 0) return "zoneinfo.ZoneInfo(key='" + std::string(zone_name(zone.zone)) + "')";
  if (*zone.offset == 0) return "datetime.timezone.utc";
  return "datetime.timezone(" + delta_repr(delta_of(int128{*zone.offset} * 60 * 1'000'000'000)) +
         ")";
}

std::span<const family::TimeLetter> time_letters() {
  static const std::vector<family::TimeLetter> letters = [] {
    const auto shared = family::strftime_letters();
    std::vector<family::TimeLetter> out(shared.begin(), shared.end());
    out.push_back({"fraction:6", "%f"});
    return out;
  }();
  return letters;
}

bool is_time_value(const Value& value) {
  return value.is(Type::moment) || value.type() >= Type::date;
}

bool takes_codes(const Value& value) {
  return is_time_value(value) && !value.is(Type::duration);
}

std::string_view time_type_name(const Value& value) {
  return value.is(Type::moment) ? "datetime.datetime"
         : value.is(Type::date) ? "datetime.date"
         : value.is(Type::time) ? "datetime.time"
                                : "datetime.timedelta";
}

std::string iso_text(const Value& value) {
  const Moment moment = value.as_moment();
  if (value.is(Type::date)) return date_text(moment);
  if (value.is(Type::time)) return clock_text(moment);
  std::string out = date_text(moment) + "T" + clock_text(moment);
  if (moment.offset) out += offset_text(*moment.offset);
  return out;
}

std::string time_value_text(const Value& value, bool as_str) {
  if (value.is(Type::duration)) {
    const Delta delta = delta_of(value.as_duration());
    return as_str ? delta_str(delta) : delta_repr(delta);
  }
  if (!as_str) return moment_repr(value);
  std::string out = iso_text(value);
  if (value.is(Type::moment)) out[out.find('T')] = ' ';
  return out;
}

std::string_view append_time_by_codes(const Value& value, std::string_view codes,
                                      std::string_view locale, std::string& out) {
  Moment moment = value.as_moment();
  if (value.is(Type::time)) {
    // The day that a time alone has.
    moment.year = 1900;
    moment.month = 1;
    moment.day = 1;
  }
  const TimeStyle style{.locale = glibc::locale_or_c(locale), .own = append_own_code};
  return append_glibc_time(moment, codes, style, out);
}

std::optional<std::string> write_strftime_call(const FieldWish& wish, Notes& notes) {
  return family::write_codes("Python", time_letters(), wish, notes);
}

}  // namespace inky::inline v1::python
