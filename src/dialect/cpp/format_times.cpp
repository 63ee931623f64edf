#include "format_times.hpp"

#include <algorithm>

#include "../family/strftime.hpp"

namespace inky::inline v1::cpp_format {

namespace {

// Gives `plain` each character between codes, and `code` the modifier of each code, or 0, and its
// letter. Stops when `code` gives false.
template <typename Plain, typename Code>
bool walk(std::string_view codes, Plain plain, Code code) {
  for (std::size_t at = 0; at < codes.size(); ++at) {
    if (codes[at] != '%') {
      plain(codes[at]);
      continue;
    }
    ++at;
    char modifier = 0;
    if (at < codes.size() && (codes[at] == 'E' || codes[at] == 'O')) modifier = codes[at++];
    if (!code(modifier, at < codes.size() ? codes[at] : '\0')) return false;
  }
  return true;
}

bool is_among(std::string_view letters, char letter) {
  return letter != '\0' && letters.find(letter) != std::string_view::npos;
}

constexpr std::string_view all_letters = "aAbBcCdDeFgGhHIjmMnpqQrRStTuUVwWxXyYzZ%";
constexpr std::string_view with_e = "cCxXyYz";
constexpr std::string_view with_o = "deHImMSuUVwWyz";
constexpr std::string_view of_dates = "aAbBCdDeFgGhjmuUVwWxyYnt%";
constexpr std::string_view of_durations = "HIjMnpqQrRStTX%";

std::string padded(std::int64_t number, std::size_t width) {
  std::string out = std::to_string(number);
  out.insert(0, width - std::min(width, out.size()), '0');
  return out;
}

void append_by_glibc(const Moment& moment, char modifier, char letter, std::string& out) {
  const char codes[] = {'%', modifier == 0 ? letter : modifier, letter};
  (void)append_glibc_time(moment, {codes, modifier == 0 ? 2U : 3U}, TimeStyle{}, out);
}

// The usual codes have a year of four digits, which the C library's have not.
void append_date(const Moment& date, char modifier, char letter, std::string& out) {
  const bool is_own = modifier == 0 && is_among("YFC", letter);
  if (!is_own) return append_by_glibc(date, modifier, letter, out);
  out += letter == 'C' ? padded(date.year / 100, 2) : padded(date.year, 4);
  if (letter == 'F') out += "-" + padded(date.month, 2) + "-" + padded(date.day, 2);
}

struct Unit {
  std::string_view name;
  std::int64_t nanoseconds;
  std::size_t places;
};
constexpr Unit units[] = {
    {"s", 1'000'000'000, 0}, {"ms", 1'000'000, 3}, {"µs", 1'000, 6}, {"ns", 1, 9}};

class Duration {
 public:
  explicit Duration(int128 nanoseconds)
      : negative_(nanoseconds < 0), nanoseconds_(nanoseconds < 0 ? -nanoseconds : nanoseconds) {
    unit_ = std::find_if(std::begin(units), std::end(units),
                         [&](const Unit& one) { return nanoseconds_ % one.nanoseconds == 0; });
    const auto seconds = static_cast<std::int64_t>(nanoseconds_ / units[0].nanoseconds);
    days_ = seconds / 86'400;
    clock_.hour = static_cast<int>(seconds % 86'400 / 3'600);
    clock_.minute = static_cast<int>(seconds % 3'600 / 60);
    clock_.second = static_cast<int>(seconds % 60);
  }

  bool is_negative() const { return negative_; }

  void append(char modifier, char letter, std::string& out) const {
    switch (letter) {
      case 'Q':
        out += std::to_string(static_cast<std::int64_t>(nanoseconds_ / unit_->nanoseconds));
        return;
      case 'q':
        out += unit_->name;
        return;
      case 'j':
        out += std::to_string(days_);
        return;
      default:
        append_by_glibc(clock_, modifier, letter, out);
        if (letter == 'S' || letter == 'T') append_fraction(out);
    }
  }

 private:
  void append_fraction(std::string& out) const {
    if (unit_->places == 0) return;
    const auto rest = static_cast<std::int64_t>(nanoseconds_ % units[0].nanoseconds);
    out += "." + padded(rest / unit_->nanoseconds, unit_->places);
  }

  bool negative_;
  int128 nanoseconds_;
  const Unit* unit_;
  std::int64_t days_ = 0;
  Moment clock_;
};

}  // namespace

std::size_t time_codes_size(std::string_view spec) {
  if (!spec.starts_with('%')) return 0;
  return std::min(spec.find('}'), spec.size());
}

std::string_view defect_of_codes(std::string_view codes) {
  if (codes.find('{') != std::string_view::npos) return "a brace stands among the codes of a time";
  const bool good = walk(
      codes, [](char) {},
      [](char modifier, char letter) {
        return is_among(modifier == 'E' ? with_e : modifier == 'O' ? with_o : all_letters, letter);
      });
  return good ? std::string_view() : "there is no such code of a time";
}

std::string_view defect_of_codes(std::string_view codes, Type type) {
  const std::string_view letters = type == Type::date ? of_dates : of_durations;
  const bool good = walk(
      codes, [](char) {}, [&](char, char letter) { return is_among(letters, letter); });
  if (good) return {};
  return type == Type::date ? "a date has no part for one of these codes"
                            : "a duration has no part for one of these codes";
}

std::string time_text_by(const Value& value, std::string_view codes) {
  std::string out;
  const bool is_date = value.is(Type::date);
  if (codes.empty()) codes = is_date ? "%F" : "%Q%q";
  const Moment date = is_date ? value.as_moment() : Moment{};
  const Duration duration(is_date ? 0 : value.as_duration());
  if (duration.is_negative()) out += '-';
  walk(
      codes, [&](char c) { out += c; },
      [&](char modifier, char letter) {
        if (letter == 'n' || letter == 't' || letter == '%')
          out += letter == 'n' ? '\n' : letter == 't' ? '\t' : '%';
        else if (is_date)
          append_date(date, modifier, letter, out);
        else
          duration.append(modifier, letter, out);
        return true;
      });
  return out;
}

}  // namespace inky::inline v1::cpp_format
