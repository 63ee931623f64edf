// toLocaleString of dates and its like, and Intl.DateTimeFormat: ECMA-402, 11 and 20.4.

#include <algorithm>
#include <cmath>

#include "dates.hpp"
#include "evaluator.hpp"
#include "locales.hpp"
#include "zones.hpp"

namespace inky::inline v1::javascript {

namespace {

int width_named(std::string_view words, std::string_view word) {
  int place = 1;
  while (!words.empty()) {
    const std::size_t end = std::min(words.find(' '), words.size());
    if (words.substr(0, end) == word) return place;
    words.remove_prefix(std::min(end + 1, words.size()));
    ++place;
  }
  return 0;
}

constexpr std::string_view date_words[] = {"weekday", "year", "month", "day"};
constexpr std::string_view date_widths[] = {"short long narrow", "numeric 2-digit",
                                            "numeric 2-digit short long narrow", "numeric 2-digit"};
constexpr std::string_view time_words[] = {"hour", "minute", "second"};
constexpr std::string_view zone_words = "short long shortOffset longOffset";
constexpr std::string_view style_words = "full long medium short";

// Sets what an option asks. Nothing where it is not known; 0 of a width is one that there is not.
std::optional<int> take_width(std::string_view key, std::string_view value, DateWidths& out) {
  for (std::size_t i = 0; i < out.date.size(); ++i) {
    if (key == date_words[i]) return out.date[i] = width_named(date_widths[i], value);
  }
  for (std::size_t i = 0; i < out.time.size(); ++i) {
    if (key == time_words[i]) return out.time[i] = width_named("numeric 2-digit", value);
  }
  if (key == "dateStyle") return out.date_style = width_named(style_words, value);
  if (key == "timeZoneName") return out.zone_name = width_named(zone_words, value);
  if (key == "timeStyle") return out.time_style = width_named(style_words, value);
  return std::nullopt;
}

}  // namespace

bool Evaluator::format_date(const Node& node, double time, const std::vector<Datum>& arguments,
                            DateParts parts, Datum& out) {
  std::optional<Locale> locale;
  if (!take_locale(node, arguments, locale)) return false;
  DateWidths widths;
  Zone zone = 0;
  if (arguments.size() > 1 && arguments[1].kind != DatumKind::undefined) {
    const Datum& given = arguments[1];
    if (given.kind != DatumKind::object) return not_yet("such options are", node);
    for (std::size_t i = 0; i < given.keys.size(); ++i) {
      const std::string& key = given.keys[i];
      const Datum& value = given.items[i];
      if (value.kind == DatumKind::undefined) continue;
      if (key == "hour12") {
        widths.twelve = holds(value) ? 1 : 2;
        continue;
      }
      std::string text;
      append_text(value, text);
      if (key == "numberingSystem") {
        if (!take_numbering(text, *locale)) return not_yet("such digits are", node);
        continue;
      }
      if (key == "timeZone") {
        const auto named = zone_named_in_any_case(text);
        if (!named) return fail("RangeError", "Invalid time zone specified: " + text, node);
        // The machine's zone is taken to be UTC, too.
        zone = zone_name(*named) == "UTC" ? Zone{0} : *named;
        continue;
      }
      const auto width = take_width(key, text, widths);
      if (!width) return not_yet("the option " + key + " of dates, with this value, is", node);
      if (*width == 0)
        return fail(
            "RangeError",
            std::string("Value ").append(text) + " out of range for options property " + key, node);
    }
  }
  const bool has_style = widths.date_style != 0 || widths.time_style != 0;
  if (has_style && (widths.has_date() || widths.has_time()))
    return fail("TypeError", "a style and a part of a date are not asked together", node);
  if ((parts == DateParts::date && widths.time_style != 0) ||
      (parts == DateParts::time && widths.date_style != 0))
    return fail("TypeError", "Invalid option", node);
  const bool has_own = has_style || (widths.has_date() && parts != DateParts::time) ||
                       (widths.has_time() && parts != DateParts::date);
  if (!has_own && parts != DateParts::time) widths.date = {0, 1, 1, 1};
  if (!has_own && (parts == DateParts::all || parts == DateParts::time)) widths.time = {1, 1, 1};
  if (has_style && widths.twelve != 0) return not_yet("a style with hour12 is", node);
  out.kind = DatumKind::text;
  out.text = "Invalid Date";
  if (std::isnan(time)) return true;
  ZoneClock clock{time, 0};
  if (zone != 0) {
    const auto shown = clock_in_zone(zone, time);
    if (!shown) return not_yet("a time in a zone before 1970, or after 9999, is", node);
    clock = *shown;
  }
  const DateFields fields = fields_of(clock.time);
  if (fields.year < 1 || fields.year > 9999) return not_yet("a date of such a year is", node);
  // Before 1582 these go by another calendar.
  constexpr int first_year = 1583;
  if (fields.year < first_year) return not_yet("a date as early as this is", node);
  const LocalePatterns& patterns = locale->patterns;
  std::string pattern;
  const auto add = [&](const auto& part) {
    if (part) pattern += *part;
    return part.has_value();
  };
  bool known = true;
  const bool has_weekday_alone =
      widths.date[0] != 0 && widths.date[1] + widths.date[2] + widths.date[3] == 0;
  if (has_weekday_alone && widths.has_time()) {
    known = add(patterns.week_time(widths.date[0], widths.time, widths.twelve));
  } else if (has_style) {
    known = add(patterns.style(widths.date_style, widths.time_style));
  } else {
    const auto date = patterns.date(widths.date);
    const auto of_time = patterns.time(widths.time, widths.twelve);
    const bool has_both = widths.has_date() && widths.has_time();
    const auto together = has_both ? patterns.between_date(widths.date) : std::nullopt;
    known = (date || !widths.has_date()) && (of_time || !widths.has_time()) &&
            (!has_both || (together && widths.time[0] != 0));
    if (known)
      pattern = has_both            ? LocalePatterns::joined(*together, *date, *of_time)
                : widths.has_date() ? std::string(*date)
                                    : std::string(*of_time);
  }
  if (!known) return not_yet("a date of these parts in this locale is", node);
  const bool has_hour_alone = widths.time[0] != 0 && widths.time[1] + widths.time[2] == 0;
  if (widths.zone_name != 0 && has_hour_alone && widths.twelve == 2)
    return not_yet("an hour alone of 24 with the name of a zone is", node);
  if (widths.zone_name != 0 && has_weekday_alone)
    return not_yet("a day of the week alone with the name of a zone is", node);
  if (widths.zone_name != 0 && !widths.has_time() && !add(patterns.between_date(widths.date)))
    return not_yet("a date of these parts with the name of a zone is", node);
  if (!put_zone_name(node, zone, clock, widths, *locale, pattern)) return false;
  auto text = patterns.filled(pattern, fields, widths.date, locale->digits);
  if (!text) return not_yet("a date such as this in this locale is", node);
  out.text = std::move(*text);
  return true;
}

// Puts the name of the zone behind a pattern, or in the place of that of UTC, which a style has.
bool Evaluator::put_zone_name(const Node& node, Zone zone, const ZoneClock& clock,
                              const DateWidths& widths, const Locale& locale,
                              std::string& pattern) {
  // The styles full and long of a time.
  const bool in_style = widths.time_style == 1 || widths.time_style == 2;
  if (widths.zone_name == 0 && (!in_style || zone == 0)) return true;
  const auto form = in_style ? (widths.time_style == 1 ? ZoneName::in_long : ZoneName::in_short)
                             : static_cast<ZoneName>(widths.zone_name);
  const auto name = zone_name_text(zone, clock, form);
  if (!name || (locale.tag != "en-US" && locale.tag != "en"))
    return not_yet("the name of this zone here is", node);
  if (in_style) {
    const std::string_view of_utc =
        form == ZoneName::in_long ? "Coordinated Universal Time" : "UTC";
    pattern.replace(pattern.rfind(of_utc), of_utc.size(), *name);
  } else {
    if (widths.has_time()) pattern += ' ';
    pattern += *name;
  }
  return true;
}

}  // namespace inky::inline v1::javascript
