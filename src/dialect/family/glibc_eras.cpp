#include "glibc_eras.hpp"

#include <array>
#include <limits>

namespace inky::inline v1::glibc {

namespace {

// A year, a month and a day, each before the next where it is less.
using Day = std::array<std::int64_t, 3>;

constexpr std::int64_t no_end = std::numeric_limits<std::int64_t>::max();

// The text before a mark, which is taken away with it.
std::string_view take_until(std::string_view& rest, char mark) {
  const std::size_t at = rest.find(mark);
  const std::string_view out = rest.substr(0, at);
  rest.remove_prefix(at == std::string_view::npos ? rest.size() : at + 1);
  return out;
}

std::int64_t number_in(std::string_view text) {
  const bool is_negative = text.starts_with('-');
  std::int64_t out = 0;
  for (const char c : text.substr(is_negative ? 1 : 0)) out = out * 10 + (c - '0');
  return is_negative ? -out : out;
}

// "1989/01/08"; "-*" and "+*" stand for the beginning and the end of time. The year before 1 is -1.
Day day_in(std::string_view text) {
  if (text == "-*") return {-no_end, 0, 0};
  if (text == "+*") return {no_end, 0, 0};
  Day out{};
  for (std::int64_t& part : out) part = number_in(take_until(text, '/'));
  if (out[0] < 0) ++out[0];
  return out;
}

}  // namespace

std::optional<Era> find_era(const Locale& locale, const Moment& moment) {
  const Day day{moment.year, moment.month, moment.day};
  for (std::string_view eras = locale[Locale::eras]; !eras.empty();) {
    // Direction, offset, start, end, name and format.
    std::string_view rest = take_until(eras, '|');
    const bool counts_from_start = take_until(rest, ':') == "+";
    const std::int64_t offset = number_in(take_until(rest, ':'));
    const Day start = day_in(take_until(rest, ':'));
    const Day end = day_in(take_until(rest, ':'));
    const bool goes_on = start <= end;
    if (goes_on ? day < start || day > end : day > start || day < end) continue;
    const std::int64_t years = moment.year - start[0];
    Era out;
    out.name = take_until(rest, ':');
    out.format = rest;
    out.year = offset + (goes_on == counts_from_start ? years : -years);
    return out;
  }
  return std::nullopt;
}

std::string_view number_text(const Locale& locale, std::int64_t number) {
  const std::string_view numbers = locale[Locale::numbers];
  constexpr std::int64_t most = 99;
  if (numbers.empty() || number < 0 || number > most) return {};
  return listed_name(numbers, static_cast<std::size_t>(number));
}

}  // namespace inky::inline v1::glibc
