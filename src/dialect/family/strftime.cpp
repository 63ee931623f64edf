#include "strftime.hpp"

#include <algorithm>
#include <optional>

#include "glibc_eras.hpp"
#include "inky_margin/format/spec.hpp"
#include "text/ascii.hpp"
#include "time_zones.hpp"

namespace inky::inline v1 {

namespace {

using glibc::Locale;

int twelve_hour(const Moment& moment) {
  return (moment.hour + 11) % 12 + 1;
}
int monday_first(const Moment& moment) {
  return (weekday(moment) + 6) % 7;
}
int days_of_year(int year) {
  return is_leap_year(year) ? 366 : 365;
}

// ISO 8601-1: a week belongs to the year of its Thursday, which is counted from this year's first
// day.
int thursday_of_week(const Moment& moment) {
  return day_of_year(moment) - monday_first(moment) + 3;
}
int iso_year(const Moment& moment) {
  const int thursday = thursday_of_week(moment);
  return moment.year - (thursday < 1 ? 1 : 0) + (thursday > days_of_year(moment.year) ? 1 : 0);
}
int iso_week(const Moment& moment) {
  int thursday = thursday_of_week(moment);
  if (thursday < 1)
    thursday += days_of_year(moment.year - 1);
  else if (thursday > days_of_year(moment.year))
    thursday -= days_of_year(moment.year);
  return (thursday - 1) / 7 + 1;
}

// Weeks from the first `first` (0: Sunday, 1: Monday) of the year on; the days before it are week
// 0.
int week_of_year(const Moment& moment, int first) {
  return (day_of_year(moment) - 1 + 7 - (weekday(moment) + 7 - first) % 7) / 7;
}

struct NumberCode {
  char code;
  int digits;  // at least so wide, filled with pad
  char pad;
  int (*number)(const Moment&);
};

constexpr NumberCode numbers[] = {
    {'C', 0, '0', [](const Moment& m) { return m.year / 100; }},
    {'d', 2, '0', [](const Moment& m) { return m.day; }},
    {'e', 2, ' ', [](const Moment& m) { return m.day; }},
    {'g', 2, '0', [](const Moment& m) { return iso_year(m) % 100; }},
    {'G', 0, '0', iso_year},
    {'H', 2, '0', [](const Moment& m) { return m.hour; }},
    {'I', 2, '0', twelve_hour},
    {'j', 3, '0', day_of_year},
    {'k', 2, ' ', [](const Moment& m) { return m.hour; }},
    {'l', 2, ' ', twelve_hour},
    {'m', 2, '0', [](const Moment& m) { return m.month; }},
    {'M', 2, '0', [](const Moment& m) { return m.minute; }},
    {'S', 2, '0', [](const Moment& m) { return m.second; }},
    {'u', 0, '0', [](const Moment& m) { return monday_first(m) + 1; }},
    {'U', 2, '0', [](const Moment& m) { return week_of_year(m, 0); }},
    {'V', 2, '0', iso_week},
    {'w', 0, '0', weekday},
    {'W', 2, '0', [](const Moment& m) { return week_of_year(m, 1); }},
    {'y', 2, '0', [](const Moment& m) { return m.year % 100; }},
    {'Y', 0, '0', [](const Moment& m) { return m.year; }},
};

// Codes that are short for a text of other codes.
struct ComposedCode {
  char code;
  std::string_view parts;
};

constexpr ComposedCode composed[] = {
    {'D', "%m/%d/%y"}, {'F', "%Y-%m-%d"}, {'R', "%H:%M"},
    {'T', "%H:%M:%S"}, {'n', "\n"},       {'t', "\t"},
};
// Of those, what a locale has for them.
struct ComposedPart {
  char code;
  Locale::Part part;
};
constexpr ComposedPart composed_parts[] = {{'c', Locale::date_and_time},
                                           {'x', Locale::date},
                                           {'X', Locale::time},
                                           {'r', Locale::twelve_hours}};
constexpr ComposedPart era_parts[] = {
    {'c', Locale::era_date_and_time}, {'x', Locale::era_date}, {'X', Locale::era_time}};

// ---- The whole of glibc ----

struct TimeField {
  char pad = 0;  // _, - or 0
  bool upper = false;
  bool other_case = false;
  int width = 0;
  char modifier = 0;  // E or O
  char code = 0;
};

// The names of days and months, and of the halves of a day; nothing where the code has none.
std::optional<std::string_view> name_in(const Moment& moment, const TimeField& field,
                                        const Locale& locale) {
  const bool alone = field.modifier == 'O';
  switch (field.code) {
    case 'a':
      return locale.name(Locale::short_days, weekday(moment));
    case 'A':
      return locale.name(Locale::days, weekday(moment));
    case 'b':
    case 'h':
      return locale.name(alone ? Locale::lone_short_months : Locale::short_months,
                         moment.month - 1);
    case 'B':
      return locale.name(alone ? Locale::lone_months : Locale::months, moment.month - 1);
    case 'p':
    case 'P':
      return locale.name(Locale::halves, moment.hour < 12 ? 0 : 1);
    default:
      return std::nullopt;
  }
}

// The field at `at` (a percent sign); its end.
std::size_t read_time_field(std::string_view codes, std::size_t at, TimeField& field) {
  for (++at; at < codes.size(); ++at) {
    const char c = codes[at];
    if (c == '_' || c == '-' || c == '0')
      field.pad = c;
    else if (c == '^')
      field.upper = true;
    else if (c == '#')
      field.other_case = true;
    else
      break;
  }
  for (; at < codes.size() && codes[at] >= '0' && codes[at] <= '9'; ++at)
    field.width = std::min(field.width * 10 + (codes[at] - '0'), most_width);
  if (at < codes.size() && (codes[at] == 'E' || codes[at] == 'O')) field.modifier = codes[at++];
  if (at < codes.size()) field.code = codes[at++];
  return at;
}

// Whether there is such a code behind E or O, in any locale.
bool has_form(const TimeField& field) {
  constexpr std::string_view after_e = "cCnpPrRstTuxXyYzZ%";
  constexpr std::string_view after_o = "bBCdegGhHIjklmMnpPrRsStTuUVwWyzZ%";
  if (field.modifier == 0) return true;
  return (field.modifier == 'E' ? after_e : after_o).find(field.code) != std::string_view::npos;
}

void append_aligned(const std::string& text, const TimeField& field, std::string& out) {
  const auto size = static_cast<int>(text.size());
  if (size < field.width)
    out.append(static_cast<std::size_t>(field.width - size), field.pad == '0' ? '0' : ' ');
  out += text;
}

// A number with as many digits as asked for, or filled up to the width.
void append_filled(std::int64_t number, int digits, char pad, const TimeField& field,
                   std::string& out) {
  if (field.pad != 0) pad = field.pad == '_' ? ' ' : field.pad;
  std::string text = std::to_string(number);
  if (pad != '-') {
    // A width fills with what the digits are filled with.
    const int least = std::max(digits, field.width);
    const int missing = least - static_cast<int>(text.size());
    const bool behind_sign = pad == '0' && text[0] == '-';
    if (missing > 0) text.insert(behind_sign ? 1 : 0, static_cast<std::size_t>(missing), pad);
  }
  append_aligned(text, field, out);
}

std::string in_case(std::string_view text, bool upper, bool lower) {
  std::string out(text);
  for (char& c : out) {
    if (upper) c = capital_letter(c);
    if (lower) c = small_letter(c);
  }
  return out;
}

bool append_number(const Moment& moment, const TimeField& field, const Locale& locale,
                   std::string& out) {
  if (field.code == 's') {
    // A width fills it as a text.
    append_aligned(std::to_string(seconds_since_1970(moment)), field, out);
    return true;
  }
  const auto found = std::find_if(std::begin(numbers), std::end(numbers),
                                  [&](const NumberCode& one) { return one.code == field.code; });
  if (found == std::end(numbers)) return false;
  const std::int64_t number = found->number(moment);
  if (const std::string_view text = glibc::number_text(locale, number);
      field.modifier == 'O' && !text.empty()) {
    append_aligned(in_case(text, field.upper, false), field, out);
    return true;
  }
  append_filled(number, found->digits, found->pad, field, out);
  return true;
}

// The offset from UTC: the width is that of its sign, and of its number.
void append_offset(const Moment& moment, const TimeField& field, std::string& out) {
  const int minutes = moment.offset.value_or(0);
  append_aligned(minutes < 0 ? "-" : "+", field, out);
  const int size = minutes < 0 ? -minutes : minutes;
  append_filled(size / 60 * 100 + size % 60, 4, '0', field, out);
}

class TimeWriter {
 public:
  TimeWriter(const Moment& moment, const TimeStyle& style) : moment_(moment), style_(style) {}

  void write(std::string_view codes, std::string& out) {
    for (std::size_t at = 0; at < codes.size();) {
      if (codes[at] != '%') {
        out += codes[at++];
        continue;
      }
      if (at + 1 < codes.size() && style_.own != nullptr && depth_ == 0 &&
          style_.own(moment_, codes[at + 1], out)) {
        at += 2;
        continue;
      }
      TimeField field;
      const std::size_t end = read_time_field(codes, at, field);
      if (field.code == 0 || !append(field, out))
        append_aligned(std::string(codes.substr(at, end - at)), field, out);
      at = end;
    }
  }
  std::string_view unknown() const { return unknown_; }

 private:
  // False: there is no such code.
  bool append(const TimeField& field, std::string& out) {
    if (!has_form(field)) return false;
    if (field.modifier == 'E' && append_by_era(field, out)) return true;
    if (append_number(moment_, field, style_.locale, out)) return true;
    if (const auto name = name_in(moment_, field, style_.locale)) {
      const bool lower = field.code == 'P' || (field.code == 'p' && field.other_case);
      const bool upper = !lower && (field.upper || field.other_case);
      append_aligned(in_case(*name, upper, lower), field, out);
      return true;
    }
    if (field.code == '%') {
      append_aligned("%", field, out);
      return true;
    }
    if (field.code == 'z' || field.code == 'Z') {
      append_zone(field, out);
      return true;
    }
    const auto parts = parts_of(field.code);
    return parts && append_composed(*parts, field, out);
  }

  bool append_composed(std::string_view parts, const TimeField& field, std::string& out) {
    // One that names itself within itself is of no locale that there is.
    if (depth_ == most_depth) return false;
    std::string text;
    const char pad = pad_of_years_;
    ++depth_;
    write(parts, text);
    --depth_;
    pad_of_years_ = pad;
    append_aligned(in_case(text, field.upper, false), field, out);
    return true;
  }

  // False: the locale has nothing of its own for it.
  bool append_by_era(TimeField field, std::string& out) {
    const Locale& locale = style_.locale;
    for (const ComposedPart& one : era_parts) {
      if (one.code == field.code)
        return !locale[one.part].empty() && append_composed(locale[one.part], field, out);
    }
    if (std::string_view("CyY").find(field.code) == std::string_view::npos) return false;
    const auto era = glibc::find_era(locale, moment_);
    if (!era) return false;
    if (field.code == 'C') {
      append_aligned(in_case(era->name, field.upper, false), field, out);
      return true;
    }
    if (field.code == 'Y') {
      // It is for the years of eras behind it, too.
      if (field.pad != 0) pad_of_years_ = field.pad;
      return append_composed(era->format, field, out);
    }
    if (pad_of_years_ != 0) field.pad = pad_of_years_;
    append_filled(era->year, 2, '0', field, out);
    return true;
  }

  void append_zone(const TimeField& field, std::string& out) {
    if (!style_.zones) {
      append_aligned("", field, out);
    } else if (field.code == 'z') {
      append_offset(moment_, field, out);
    } else {
      if (moment_.zone != 0) {
        append_aligned(
            in_case(zone_letters(moment_), field.upper && !field.other_case, field.other_case),
            field, out);
        return;
      }
      if (moment_.offset.value_or(0) != 0) unknown_ = "the name of a zone with this offset";
      append_aligned(in_case(moment_.offset ? "GMT" : "UTC", field.upper && !field.other_case,
                             field.other_case),
                     field, out);
    }
  }

  std::optional<std::string_view> parts_of(char code) const {
    for (const ComposedCode& one : composed) {
      if (one.code == code) return one.parts;
    }
    for (const ComposedPart& one : composed_parts) {
      if (one.code != code) continue;
      const std::string_view parts = style_.locale[one.part];
      return parts.empty() ? std::string_view("%I:%M:%S %p") : parts;
    }
    return std::nullopt;
  }

  const Moment& moment_;
  const TimeStyle& style_;
  std::string_view unknown_;
  static constexpr int most_depth = 8;
  int depth_ = 0;
  char pad_of_years_ = 0;  // of eras; 0: the usual one
};

}  // namespace

std::string_view append_glibc_time(const Moment& moment, std::string_view codes,
                                   const TimeStyle& style, std::string& out) {
  TimeWriter writer(moment, style);
  writer.write(codes, out);
  return writer.unknown();
}

bool has_time_code(char modifier, char code) {
  TimeField field;
  field.modifier = modifier;
  field.code = code;
  constexpr std::string_view codes = "aAbBcCdDeFgGhHIjklmMnpPrRsStTuUVwWxXyYzZ%";
  return code != 0 && codes.find(code) != std::string_view::npos && has_form(field);
}

}  // namespace inky::inline v1
