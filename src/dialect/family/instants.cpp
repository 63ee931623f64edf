#include "instants.hpp"

#include <algorithm>

namespace inky::inline v1 {

int128 instant_of(const Moment& moment) {
  const int128 seconds = int128{seconds_since_1970(moment)} - moment.offset.value_or(0) * 60;
  return seconds * nanoseconds_per_second + moment.nanosecond;
}

std::optional<Moment> moment_at(int128 local, std::optional<int> offset) {
  constexpr int128 first_second = -62'135'596'800;
  constexpr int128 last_second = 253'402'300'799;
  int128 seconds = local / nanoseconds_per_second;
  int128 rest = local % nanoseconds_per_second;
  if (rest < 0) {
    rest += nanoseconds_per_second;
    --seconds;
  }
  if (seconds < first_second || seconds > last_second) return std::nullopt;
  Moment out = moment_of_seconds(static_cast<std::int64_t>(seconds));
  out.nanosecond = static_cast<int>(rest);
  out.offset = offset;
  return out;
}

std::optional<Moment> read_plain_moment(std::string_view text) {
  const auto read = read_moment(text);
  return read && read->zone == 0 ? read : std::nullopt;
}

std::optional<Moment> months_later(const Moment& moment, std::int64_t months) {
  constexpr std::int64_t first_month = 12;  // of the year 1
  constexpr std::int64_t behind_last = 120'000;
  const std::int64_t all = std::int64_t{moment.year} * 12 + moment.month - 1 + months;
  if (all < first_month || all >= behind_last) return std::nullopt;
  Moment out = moment;
  out.year = static_cast<int>(all / 12);
  out.month = static_cast<int>(all % 12) + 1;
  out.day = std::min(moment.day, days_of_month(out.year, out.month));
  return out;
}

}  // namespace inky::inline v1
