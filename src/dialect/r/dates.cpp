#include "dates.hpp"

#include <algorithm>
#include <utility>

#include "../family/strftime.hpp"
#include "text/ascii.hpp"
#include "text/lower_case.hpp"

namespace inky::inline v1::r_language {

bool are_dates(const Value& value) {
  if (!value.is(Type::list)) return is_date(value);
  std::optional<Type> type;
  for (const Value& item : value.as_list()) {
    if (item.is(Type::nil)) continue;
    if (!is_date(item) || (type && *type != item.type())) return false;
    type = item.type();
  }
  return type.has_value();
}

Value in_utc(const Value& value) {
  if (!value.is(Type::moment) || !value.as_moment().offset) return value;
  Moment moment = value.as_moment();
  Moment out = moment_of_seconds(seconds_since_1970(moment) - *moment.offset * std::int64_t{60});
  out.nanosecond = moment.nanosecond;
  return Value::moment(out);
}

std::optional<TimeZone> zone_named_by(std::string_view name) {
  if (name.empty() || name == "UTC") return TimeZone{};
  if (name == "GMT") return TimeZone{0, 0};
  const auto zone = inky::zone_named(name);
  return zone ? std::optional(TimeZone{std::nullopt, *zone}) : std::nullopt;
}

std::optional<Moment> settled_in(const Moment& local, const TimeZone& zone) {
  if (zone.zone == 0) return moment_on(local, zone);
  const auto clocks = clocks_showing(zone.zone, seconds_since_1970(local));
  const bool is_one = clocks && clocks->earlier.seconds == clocks->later.seconds;
  return is_one ? moment_on(local, zone) : std::nullopt;
}

std::optional<Moment> seen_in(const Moment& moment, const TimeZone& zone) {
  return moment_at(instant_of(moment), zone);
}

std::int64_t number_of(const Value& date) {
  const std::int64_t seconds =
      seconds_since_1970(date.as_moment()) - std::int64_t{date.as_moment().offset.value_or(0)} * 60;
  if (!date.is(Type::date)) return seconds;
  return seconds >= 0 ? seconds / seconds_of_day : -((-seconds) / seconds_of_day);
}

std::optional<Value> date_of(std::int64_t number, const Value& like) {
  // The days of the years 1 to 9999.
  constexpr std::int64_t first = -719'162;
  constexpr std::int64_t last = 2'932'896;
  const bool is_day = like.is(Type::date);
  const std::int64_t unit = is_day ? 1 : seconds_of_day;
  if (number < first * unit || number > (last + 1) * unit - 1) return std::nullopt;
  Moment out = moment_of_seconds(is_day ? number * seconds_of_day : number);
  if (is_day) return Value::date(out);
  const Moment from = like.as_moment();
  out.nanosecond = from.nanosecond;
  if (from.zone != 0) {
    const auto seen = seen_in(out, zone_of(from));
    return seen ? std::optional(Value::moment(*seen)) : std::nullopt;
  }
  out.offset = from.offset;
  return Value::moment(out);
}

namespace {

// %OS3: the seconds with so many places, cut. Nothing where a double does not hold the fraction.
std::optional<std::string> seconds_text(const Moment& moment, int places) {
  // Eighths of a second are exact.
  if (moment.nanosecond % 125'000'000 != 0) return std::nullopt;
  std::string out = std::to_string(moment.second);
  out.insert(0, 2 - std::min<std::size_t>(out.size(), 2), '0');
  if (places == 0) return out;
  std::string digits = std::to_string(moment.nanosecond);
  digits.insert(0, 9 - digits.size(), '0');
  return out + "." + digits.substr(0, static_cast<std::size_t>(places));
}

// %Z of a moment with a time zone.
bool append_zone_letters(const Moment& moment, char code, std::string& out) {
  if (code != 'Z' || moment.zone == 0) return false;
  out += zone_letters(moment);
  return true;
}

std::optional<std::string> text_by(const Value& value, std::string_view codes,
                                   std::string_view locale, std::string& unknown) {
  const Moment moment = value.as_moment();
  const TimeStyle style{
      .locale = glibc::locale_or_c(locale), .own = append_zone_letters, .zones = true};
  std::string out;
  for (std::size_t at = 0; at < codes.size();) {
    const std::size_t next = codes.find("%OS", at);
    const std::string_view reason =
        append_glibc_time(moment, codes.substr(at, std::min(next, codes.size()) - at), style, out);
    if (!reason.empty()) {
      unknown = reason;
      return std::nullopt;
    }
    if (next == std::string_view::npos) return out;
    at = next + 3;
    const bool has_places = at < codes.size() && is_digit(codes[at]);
    const int places = has_places ? codes[at] - '0' : 0;
    if (has_places) ++at;
    const auto seconds = places <= 6 ? seconds_text(moment, places) : std::nullopt;
    if (!seconds) {
      unknown = "these places of a second";
      return std::nullopt;
    }
    out += *seconds;
  }
  return out;
}

}  // namespace

// Text for the reader, whose own program calls Sys.setlocale(). Nothing here does.
SettingFact locale_setting() {
  return {"locale", "what Sys.setlocale(\"LC_TIME\") names: the words and forms of dates", "C",
          glibc::locale_tags(), glibc::telling_locales()};
}

std::optional<std::vector<std::string>> date_texts(std::span<const Value> items,
                                                   const DateFormat& format, std::string& unknown) {
  std::string_view codes = format.codes;
  const Value* first = nullptr;
  bool has_clock = false;
  for (const Value& item : items) {
    if (item.is(Type::nil)) continue;
    if (first == nullptr) first = &item;
    const Moment moment = item.as_moment();
    has_clock = has_clock || moment.hour != 0 || moment.minute != 0 || moment.second != 0 ||
                moment.nanosecond != 0;
  }
  if (codes.empty())
    codes =
        first != nullptr && first->is(Type::moment) && has_clock ? "%Y-%m-%d %H:%M:%S" : "%Y-%m-%d";
  std::vector<std::string> out;
  for (const Value& item : items) {
    if (item.is(Type::nil)) {
      out.emplace_back("NA");
      continue;
    }
    auto text = text_by(item, codes, format.locale, unknown);
    if (!text) return std::nullopt;
    // strptime() leaves its offset unknown, as.POSIXlt() does not.
    if (has_known_parts(item) && item.as_moment().zone != 0 &&
        codes.find("%z") != std::string_view::npos) {
      unknown = "the offset of a POSIXlt";
      return std::nullopt;
    }
    if (format.has_zone && item.is(Type::moment)) {
      const Moment moment = item.as_moment();
      *text += ' ';
      *text += moment.zone != 0 ? zone_letters(moment) : moment.offset ? "GMT" : "UTC";
    }
    out.push_back(std::move(*text));
  }
  return out;
}

std::optional<Value> plain_dates(const Value& dates, bool as_text) {
  std::vector<Value> items{dates};
  const bool is_list = dates.is(Type::list);
  if (is_list) items.assign(dates.as_list().begin(), dates.as_list().end());
  for (Value& item : items) item = in_utc(item);
  std::string unknown;
  const auto texts = date_texts(items, {}, unknown);
  if (!texts) return std::nullopt;
  for (std::size_t i = 0; i < items.size(); ++i) {
    if (items[i].is(Type::nil)) continue;
    if (!as_text && items[i].as_moment().nanosecond != 0) return std::nullopt;
    items[i] =
        as_text ? Value::text((*texts)[i]) : Value::real(static_cast<double>(number_of(items[i])));
  }
  return is_list ? Value::list(std::move(items)) : std::move(items[0]);
}

// ---- strptime ----

namespace {

class TimeReader {
 public:
  explicit TimeReader(std::string_view text) : text_(text) {}

  bool read(std::string_view codes) {
    for (std::size_t at = 0; at < codes.size(); ++at) {
      const char c = codes[at];
      if (c == ' ' || c == '\t' || c == '\n') {
        skip_blanks();
      } else if (c != '%') {
        if (!take(c)) return false;
      } else if (++at == codes.size()) {
        return false;
      } else {
        char code = codes[at];
        if (code == 'O' && at + 1 < codes.size() && codes[at + 1] == 'S') {
          ++at;
          code = 'f';
        }
        if (!read_code(code)) return false;
      }
    }
    return true;
  }

  bool knows_codes() const { return knows_codes_; }

  std::optional<Moment> moment() const {
    Moment out;
    if (!year_ || !month_ || !day_) return std::nullopt;
    out.year = *year_;
    out.month = *month_;
    out.day = *day_;
    out.hour = hour_;
    // AM and PM count with an hour of twelve alone.
    if (is_twelve_hour_) out.hour = out.hour % 12 + (is_afternoon_ ? 12 : 0);
    out.minute = minute_;
    out.second = second_;
    out.nanosecond = nanosecond_;
    if (out.year < 1 || out.day > days_of_month(out.year, out.month)) return std::nullopt;
    return out;
  }

 private:
  void skip_blanks() {
    while (!text_.empty() && (text_[0] == ' ' || text_[0] == '\t')) text_.remove_prefix(1);
  }
  bool take(char c) {
    if (text_.empty() || text_[0] != c) return false;
    text_.remove_prefix(1);
    return true;
  }
  bool number(int least, int most, int digits, int& out) {
    skip_blanks();
    std::size_t size = 0;
    out = 0;
    while (size < text_.size() && size < static_cast<std::size_t>(digits) && is_digit(text_[size]))
      out = out * 10 + (text_[size++] - '0');
    text_.remove_prefix(size);
    return size > 0 && out >= least && out <= most;
  }
  // The place of the name that the text goes on with, whole or its first three letters.
  bool name(std::span<const std::string_view> names, int& out) {
    const std::string small = lower_case(text_.substr(0, 12));
    for (std::size_t i = 0; i < names.size(); ++i) {
      const std::string whole = lower_case(names[i]);
      const std::size_t size = small.starts_with(whole)                ? whole.size()
                               : small.starts_with(whole.substr(0, 3)) ? 3
                                                                       : 0;
      if (size == 0) continue;
      text_.remove_prefix(size);
      out = static_cast<int>(i);
      return true;
    }
    return false;
  }

  bool read_year_of_century() {
    int year = 0;
    if (!number(0, 99, 2, year)) return false;
    constexpr int first_of_1900 = 69;
    year_ = year + (year < first_of_1900 ? 2000 : 1900);
    return true;
  }

  bool read_fraction() {
    if (!number(0, 61, 2, second_)) return false;
    if (text_.empty() || text_[0] != '.') return true;
    std::size_t size = 1;
    int scale = 100'000'000;
    for (; size < text_.size() && is_digit(text_[size]); ++size, scale /= 10)
      nanosecond_ += (text_[size] - '0') * scale;
    text_.remove_prefix(size);
    return true;
  }

  bool read_half() {
    const std::string small = lower_case(text_.substr(0, 2));
    if (small != "am" && small != "pm") return false;
    is_afternoon_ = small == "pm";
    text_.remove_prefix(small.size());
    return true;
  }

  bool read_code(char code) {
    static constexpr std::string_view months[] = {"January",   "February", "March",    "April",
                                                  "May",       "June",     "July",     "August",
                                                  "September", "October",  "November", "December"};
    static constexpr std::string_view days[] = {"Sunday",   "Monday", "Tuesday", "Wednesday",
                                                "Thursday", "Friday", "Saturday"};
    int made = 0;
    bool good = true;
    switch (code) {
      case 'Y':
        good = number(0, 9999, 4, made);
        year_ = made;
        return good;
      case 'y':
        return read_year_of_century();
      case 'm':
        good = number(1, 12, 2, made);
        month_ = made;
        return good;
      case 'd':
      case 'e':
        good = number(1, 31, 2, made);
        day_ = made;
        return good;
      case 'B':
      case 'b':
      case 'h':
        good = name(months, made);
        month_ = made + 1;
        return good;
      case 'A':
      case 'a':
        return name(days, made);
      case 'H':
        is_twelve_hour_ = false;
        return number(0, 24, 2, hour_);
      case 'I':
        is_twelve_hour_ = true;
        return number(1, 12, 2, hour_);
      case 'M':
        return number(0, 59, 2, minute_);
      case 'S':
        return number(0, 61, 2, second_);
      case 'f':
        return read_fraction();
      case 'p':
        return read_half();
      case 'F':
        return read("%Y-%m-%d");
      case 'T':
        return read("%H:%M:%S");
      case 'R':
        return read("%H:%M");
      case 'D':
        return read("%m/%d/%y");
      case '%':
        return take('%');
      default:
        knows_codes_ = false;
        return false;
    }
  }

  std::string_view text_;
  bool knows_codes_ = true;
  std::optional<int> year_;
  std::optional<int> month_;
  std::optional<int> day_;
  int hour_ = 0;
  int minute_ = 0;
  int second_ = 0;
  int nanosecond_ = 0;
  bool is_twelve_hour_ = false;
  bool is_afternoon_ = false;
};

}  // namespace

ReadTime read_time_by(std::string_view text, std::string_view codes) {
  TimeReader reader(text);
  const bool good = reader.read(codes);
  if (!reader.knows_codes()) return {std::nullopt, false};
  if (!good) return {};
  const std::optional<Moment> out = reader.moment();
  // Hours of the 24th, leap seconds, and dates of which a part is missing are R's own to fill in.
  const bool has_time_only = !out && codes.find('Y') == std::string_view::npos &&
                             codes.find('y') == std::string_view::npos &&
                             codes.find('F') == std::string_view::npos;
  const bool is_odd = out && (out->hour > 23 || out->second > 59);
  return {is_odd ? std::nullopt : out, !has_time_only && !is_odd};
}

}  // namespace inky::inline v1::r_language
