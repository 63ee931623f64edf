#include "moments.hpp"

#include <algorithm>
#include <array>

namespace inky::inline v1::csharp {

namespace {

constexpr std::string_view days[] = {"Sunday",   "Monday", "Tuesday", "Wednesday",
                                     "Thursday", "Friday", "Saturday"};
constexpr std::string_view months[] = {"January",   "February", "March",    "April",
                                       "May",       "June",     "July",     "August",
                                       "September", "October",  "November", "December"};

struct Standard {
  char letter;
  std::string_view pattern;
};
// DateTimeFormatInfo.InvariantInfo.
constexpr auto standards = std::to_array<Standard>({
    {'d', "MM/dd/yyyy"},
    {'D', "dddd, dd MMMM yyyy"},
    {'f', "dddd, dd MMMM yyyy HH:mm"},
    {'F', "dddd, dd MMMM yyyy HH:mm:ss"},
    {'g', "MM/dd/yyyy HH:mm"},
    {'G', "MM/dd/yyyy HH:mm:ss"},
    {'m', "MMMM dd"},
    {'M', "MMMM dd"},
    {'o', "yyyy'-'MM'-'dd'T'HH':'mm':'ss'.'fffffff"},
    {'O', "yyyy'-'MM'-'dd'T'HH':'mm':'ss'.'fffffff"},
    {'r', "ddd, dd MMM yyyy HH':'mm':'ss 'GMT'"},
    {'R', "ddd, dd MMM yyyy HH':'mm':'ss 'GMT'"},
    {'s', "yyyy'-'MM'-'dd'T'HH':'mm':'ss"},
    {'t', "HH:mm"},
    {'T', "HH:mm:ss"},
    {'u', "yyyy'-'MM'-'dd HH':'mm':'ss'Z'"},
    {'U', "dddd, dd MMMM yyyy HH:mm:ss"},
    {'y', "yyyy MMMM"},
    {'Y', "yyyy MMMM"},
});

void append_digits(int number, std::size_t least, std::string& out) {
  const std::string digits = std::to_string(number);
  out.append(digits.size() < least ? least - digits.size() : 0, '0');
  out += digits;
}

// A pattern being filled.
class MomentFilling {
 public:
  MomentFilling(const Moment& moment, std::string& out, std::string& why)
      : moment_(moment), start_(out.size()), out_(out), why_(why) {}

  bool fill(std::string_view pattern) {
    for (std::size_t at = 0; at < pattern.size();) {
      const char c = pattern[at];
      const std::size_t end = std::min(pattern.find_first_not_of(c, at), pattern.size());
      switch (c) {
        case '\'':
        case '"':
          if (!put_quoted(pattern, at)) return false;
          break;
        case '%':
          if (at + 1 >= pattern.size() || pattern[at + 1] == '%')
            return refuse("% needs one code after it");
          if (!fill(pattern.substr(at + 1, 1))) return false;
          at += 2;
          break;
        case '\\':
          if (at + 1 >= pattern.size()) return refuse("a backslash ends the pattern");
          out_ += pattern[at + 1];
          at += 2;
          break;
        default:
          if (std::string_view("gGhHmsfFtdMyzK").find(c) == std::string_view::npos || c == 'G') {
            out_ += c;
            ++at;
          } else {
            if (!put_code(c, end - at)) return false;
            at = c == 'K' ? at + 1 : end;
          }
      }
    }
    return true;
  }

 private:
  bool refuse(std::string why) {
    why_ = std::move(why);
    return false;
  }

  bool put_quoted(std::string_view pattern, std::size_t& at) {
    const char quote = pattern[at++];
    for (; at < pattern.size() && pattern[at] != quote; ++at) {
      if (pattern[at] == '\\' && ++at == pattern.size()) break;
      out_ += pattern[at];
    }
    if (at >= pattern.size()) return refuse("a closing quote is missing");
    ++at;
    return true;
  }

  bool put_code(char code, std::size_t count) {
    switch (code) {
      case 'g':
        out_ += "A.D.";
        return true;
      case 'h':
        append_digits((moment_.hour + 11) % 12 + 1, std::min<std::size_t>(count, 2), out_);
        return true;
      case 'H':
        append_digits(moment_.hour, std::min<std::size_t>(count, 2), out_);
        return true;
      case 'm':
        append_digits(moment_.minute, std::min<std::size_t>(count, 2), out_);
        return true;
      case 's':
        append_digits(moment_.second, std::min<std::size_t>(count, 2), out_);
        return true;
      case 'f':
      case 'F':
        return put_fraction(code, count);
      case 't':
        out_ += std::string_view(moment_.hour < 12 ? "AM" : "PM").substr(0, count);
        return true;
      case 'd':
        put_number_or_name(moment_.day, days[weekday(moment_)], count);
        return true;
      case 'M':
        put_number_or_name(moment_.month, months[moment_.month - 1], count);
        return true;
      case 'y':
        append_digits(count <= 2 ? moment_.year % 100 : moment_.year, count, out_);
        return true;
      case 'z':
        put_offset(moment_.offset.value_or(0), count);
        return true;
      default:  // K: nothing where there is no time zone
        if (moment_.offset) put_offset(*moment_.offset, 3);
        return true;
    }
  }

  void put_offset(int minutes, std::size_t count) {
    const std::string full = offset_text(minutes);
    if (count >= 3)
      out_ += full;
    else
      out_ += count == 2 || full[1] != '0' ? full.substr(0, 3) : full.substr(0, 1) + full[2];
  }

  void put_number_or_name(int number, std::string_view name, std::size_t count) {
    if (count <= 2)
      append_digits(number, count, out_);
    else
      out_ += name.substr(0, count == 3 ? 3 : name.size());
  }

  bool put_fraction(char code, std::size_t count) {
    constexpr std::size_t most = 7;
    if (count > most) return refuse("a fraction of a second has seven places at most");
    std::string digits;
    append_digits(moment_.nanosecond / 100, most, digits);
    digits.resize(count);
    if (code == 'F') {
      digits.resize(digits.find_last_not_of('0') + 1);
      // Without a fraction there is no point either.
      if (digits.empty() && out_.size() > start_ && out_.back() == '.') out_.pop_back();
    }
    out_ += digits;
    return true;
  }

  const Moment& moment_;
  std::size_t start_;
  std::string& out_;
  std::string& why_;
};

// The same moment in UTC, which has no year 0 and no year 10000.
std::optional<Moment> in_utc(const Moment& moment) {
  constexpr std::int64_t first = -62'135'596'800;
  constexpr std::int64_t last = 253'402'300'799;
  const std::int64_t seconds = seconds_since_1970(moment) - *moment.offset * 60;
  if (seconds < first || seconds > last) return std::nullopt;
  Moment out = moment_of_seconds(seconds);
  out.nanosecond = moment.nanosecond;
  return out;
}

// The pattern that a format means; nothing where one letter means none.
std::string_view pattern_of(std::string_view format) {
  if (format.empty()) format = "G";
  if (format.size() > 1) return format;
  const auto found =
      std::find_if(standards.begin(), standards.end(),
                   [&](const Standard& standard) { return standard.letter == format[0]; });
  return found == standards.end() ? std::string_view() : found->pattern;
}

// DateTimeOffset: r and u show UTC, and U is no format of it.
bool append_with_offset(const Moment& moment, std::string_view format, std::string& out,
                        std::string& why) {
  std::string_view pattern = pattern_of(format);
  if (format.empty()) pattern = "MM/dd/yyyy HH:mm:ss zzz";
  if (format == "o" || format == "O") pattern = "yyyy'-'MM'-'dd'T'HH':'mm':'ss'.'fffffffzzz";
  if (pattern.empty() || format == "U") {
    why = "no DateTimeOffset has the format " + std::string(format);
    return false;
  }
  Moment shown = moment;
  if (format == "r" || format == "R" || format == "u") {
    const auto utc = in_utc(moment);
    if (utc) shown = *utc;
  }
  return MomentFilling(shown, out, why).fill(pattern);
}

}  // namespace

bool append_moment(const Moment& moment, std::string_view format, std::string& out,
                   std::string& why) {
  if (moment.offset) return append_with_offset(moment, format, out, why);
  const std::string_view pattern = pattern_of(format);
  if (pattern.empty()) {
    why = "no date and time has the format " + std::string(format);
    return false;
  }
  return MomentFilling(moment, out, why).fill(pattern);
}

bool depends_on_time_zone(std::string_view format) {
  return format == "U" || (format.size() > 1 && format.find('z') != std::string_view::npos);
}

}  // namespace inky::inline v1::csharp
