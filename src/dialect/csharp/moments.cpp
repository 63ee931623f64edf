#include "moments.hpp"

#include <algorithm>
#include <array>

#include "calendars.hpp"
#include "text/ascii.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::csharp {

namespace {

// A format that means the same in every culture: letters without a pattern of a culture's own.
struct Standard {
  char letter;
  std::string_view pattern;
};
constexpr auto standards = std::to_array<Standard>({
    {'o', "yyyy'-'MM'-'dd'T'HH':'mm':'ss'.'fffffff"},
    {'O', "yyyy'-'MM'-'dd'T'HH':'mm':'ss'.'fffffff"},
    {'r', "ddd, dd MMM yyyy HH':'mm':'ss 'GMT'"},
    {'R', "ddd, dd MMM yyyy HH':'mm':'ss 'GMT'"},
    {'s', "yyyy'-'MM'-'dd'T'HH':'mm':'ss"},
    {'u', "yyyy'-'MM'-'dd HH':'mm':'ss'Z'"},
});

void append_digits(int number, std::size_t least, std::string& out) {
  const std::string digits = std::to_string(number);
  out.append(digits.size() < least ? least - digits.size() : 0, '0');
  out += digits;
}

// A pattern being filled.
class MomentFilling {
 public:
  MomentFilling(const Moment& moment, bool is_utc, const Culture& culture, std::string& out,
                std::string& why)
      : moment_(moment),
        is_utc_(is_utc),
        culture_(culture),
        date_(date_in_calendar(culture[Culture::calendar], moment)
                  .value_or(CalendarDate{moment.year, moment.month, moment.day})),
        start_(out.size()),
        out_(out),
        why_(why) {}

  bool fill(std::string_view pattern) {
    pattern_ = pattern;
    return fill_part(pattern);
  }

 private:
  bool fill_part(std::string_view pattern) {
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
          if (!fill_part(pattern.substr(at + 1, 1))) return false;
          at += 2;
          break;
        case '\\':
          if (at + 1 >= pattern.size()) return refuse("a backslash ends the pattern");
          out_ += pattern[at + 1];
          at += 2;
          break;
        case '/':
        case ':':
          out_ += culture_[c == '/' ? Culture::date_separator : Culture::time_separator];
          ++at;
          break;
        default:
          if (std::string_view("ghHmsfFtdMyzK").find(c) == std::string_view::npos) {
            out_ += c;
            ++at;
          } else {
            if (!put_code(c, pattern.substr(at, end - at))) return false;
            at = c == 'K' ? at + 1 : end;
          }
      }
    }
    return true;
  }

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

  // The codes are a piece of the pattern.
  bool put_code(char code, std::string_view codes) {
    const std::size_t count = codes.size();
    switch (code) {
      case 'g':
        out_ += culture_[Culture::era];
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
        put_half_of_day(count);
        return true;
      case 'd':
        put_day(count);
        return true;
      case 'M':
        put_month(codes);
        return true;
      case 'y': {
        append_digits(count <= 2 ? date_.year % 100 : date_.year, count, out_);
        return true;
      }
      case 'z':
        put_offset(moment_.offset.value_or(0), count);
        return true;
      default:  // K: nothing where there is no time zone
        if (moment_.offset) put_offset(*moment_.offset, 3);
        if (is_utc_) out_ += 'Z';
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

  void put_half_of_day(std::size_t count) {
    const std::string_view half =
        culture_[moment_.hour < 12 ? Culture::morning : Culture::afternoon];
    if (count > 1) {
      out_ += half;
    } else if (const auto first = first_code_point(half)) {
      out_ += half.substr(0, static_cast<std::size_t>(first->bytes));
    }
  }

  void put_day(std::size_t count) {
    const auto day = static_cast<std::size_t>(weekday(moment_));
    if (count <= 2)
      append_digits(date_.day, count, out_);
    else
      out_ += culture_.name(count == 3 ? Culture::short_days : Culture::days, day);
  }

  void put_month(std::string_view codes) {
    const std::size_t count = codes.size();
    const auto month = static_cast<std::size_t>(date_.month - 1);
    if (count <= 2)
      append_digits(date_.month, count, out_);
    else if (is_beside_day(codes))
      out_ += culture_.name(
          count == 3 ? Culture::short_months_beside_days : Culture::months_beside_days, month);
    else
      out_ += culture_.name(count == 3 ? Culture::short_months : Culture::months, month);
  }

  // Whether the nearest d before these codes, or the next behind them, is one of one or two: then
  // the name of a month is in the genitive. A d in quotes counts too.
  bool is_beside_day(std::string_view codes) const {
    constexpr std::size_t npos = std::string_view::npos;
    constexpr std::size_t most = 2;
    const auto from = static_cast<std::size_t>(codes.data() - pattern_.data());
    const std::string_view before = pattern_.substr(0, from);
    if (const std::size_t last = before.rfind('d'); last != npos) {
      const std::size_t other = before.find_last_not_of('d', last);
      if (last - (other == npos ? 0 : other + 1) + 1 <= most) return true;
    }
    const std::size_t next = pattern_.find('d', from + codes.size());
    if (next == npos) return false;
    return std::min(pattern_.find_first_not_of('d', next), pattern_.size()) - next <= most;
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
  const bool is_utc_;  // of the kind Utc
  const Culture& culture_;
  const CalendarDate date_;   // REQUIRES: the calendar of the culture has it
  std::string_view pattern_;  // all of it
  std::size_t start_;
  std::string& out_;
  std::string& why_;
};

// The pattern of a letter that means the same in every culture; empty where it is none.
std::string_view standard_pattern(std::string_view format) {
  if (format.size() != 1) return {};
  const auto found = std::find_if(standards.begin(), standards.end(),
                                  [&](const Standard& one) { return one.letter == format[0]; });
  return found == standards.end() ? std::string_view() : found->pattern;
}

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
std::string pattern_of(std::string_view format, const Culture& culture) {
  const auto both = [&](Culture::Part date, Culture::Part time) {
    return std::string(culture[date]) + " " + std::string(culture[time]);
  };
  if (format.empty()) format = "G";
  if (format.size() > 1) return std::string(format);
  switch (format[0]) {
    case 'd':
      return std::string(culture[Culture::short_date]);
    case 'D':
      return std::string(culture[Culture::long_date]);
    case 'f':
      return both(Culture::long_date, Culture::short_time);
    case 'F':
    case 'U':
      return std::string(culture[Culture::full]);
    case 'g':
      return both(Culture::short_date, Culture::short_time);
    case 'G':
      return both(Culture::short_date, Culture::long_time);
    case 'm':
    case 'M':
      return std::string(culture[Culture::month_day]);
    case 't':
      return std::string(culture[Culture::short_time]);
    case 'T':
      return std::string(culture[Culture::long_time]);
    case 'y':
    case 'Y':
      return std::string(culture[Culture::year_month]);
    default:
      return std::string(standard_pattern(format));
  }
}

// DateTimeOffset: r and u show UTC, and U is no format of it.
bool append_with_offset(const Moment& moment, std::string_view format, const Culture& culture,
                        std::string& out, std::string& why) {
  std::string pattern = pattern_of(format, culture);
  if (format.empty()) pattern += " zzz";
  if (format == "o" || format == "O") pattern += "zzz";
  if (pattern.empty() || format == "U") {
    why = "no DateTimeOffset has the format " + std::string(format);
    return false;
  }
  Moment shown = moment;
  if (format == "r" || format == "R" || format == "u") {
    const auto utc = in_utc(moment);
    if (utc) shown = *utc;
  }
  return MomentFilling(shown, false, culture, out, why).fill(pattern);
}

}  // namespace

bool is_same_in_every_culture(std::string_view format) {
  return !standard_pattern(format).empty();
}

bool append_moment(const Moment& moment, bool is_utc, std::string_view format, const Culture& given,
                   std::string& out, std::string& why) {
  const Culture culture = is_same_in_every_culture(format) ? invariant_culture() : given;
  if (moment.offset) return append_with_offset(moment, format, culture, out, why);
  std::string pattern = pattern_of(format, culture);
  if (format == "o" || format == "O") pattern += 'K';
  if (pattern.empty()) {
    why = "no date and time has the format " + std::string(format);
    return false;
  }
  return MomentFilling(moment, is_utc, culture, out, why).fill(pattern);
}

bool depends_on_time_zone(std::string_view format) {
  return format == "U" || (format.size() > 1 && format.find('z') != std::string_view::npos);
}

}  // namespace inky::inline v1::csharp
