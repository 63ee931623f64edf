// DateTimeFormatter in expressions.

#include <algorithm>

#include "../computed/objects.hpp"
#include "expressions.hpp"
#include "number_formats.hpp"
#include "time_objects.hpp"
#include "time_patterns.hpp"
#include "times.hpp"
#include "zones.hpp"

namespace inky::inline v1::java_language {

namespace {

using computed::Node;

// A formatter is its pattern, or what is to be looked up in its locale; the locale; and the zone that
// it shows instants in, or nil.
Value formatter_of(std::string_view pattern, std::string_view locale) {
  return computed::object_of(time_format_object, {Value::text(std::string(pattern)),
                                                  Value::text(std::string(locale)), Value()});
}

// Two digits for the styles of the date and the time behind this; 4 is none.
constexpr char styles_mark = '\x01';

struct Iso {
  std::string_view name;
  std::string_view pattern;
};
constexpr Iso iso_formatters[] = {
    {"ISO_LOCAL_DATE", "uuuu-MM-dd"},
    {"ISO_DATE", "uuuu-MM-dd[XXX]"},
    {"ISO_LOCAL_TIME", "HH:mm:ss\x02"},
    {"ISO_TIME", "HH:mm:ss\x02[XXX]"},
    {"ISO_LOCAL_DATE_TIME", "uuuu-MM-dd'T'HH:mm:ss\x02"},
    {"ISO_DATE_TIME", "uuuu-MM-dd'T'HH:mm:ss\x02[XXX['['VV']']]"},
    {"ISO_OFFSET_DATE_TIME", "uuuu-MM-dd'T'HH:mm:ss\x02XXX"},
    {"ISO_INSTANT", "\x04"},
    {"RFC_1123_DATE_TIME", "EEE, d MMM uuuu HH:mm:ss \x03"},
    {"BASIC_ISO_DATE", "uuuuMMdd[XX]"},
    {"ISO_ZONED_DATE_TIME", "uuuu-MM-dd'T'HH:mm:ss\x02XXX['['VV']']"},
};

std::optional<int> style_of(const Value& value) {
  constexpr std::string_view names[] = {"FULL", "LONG", "MEDIUM", "SHORT"};
  for (int i = 0; i < 4; ++i) {
    if (value.is(Type::text) && value.as_text() == names[i]) return i;
  }
  return std::nullopt;
}

std::string pattern_in(const Value& formatter, const JavaLocale& locale) {
  const std::string_view text = computed::object_part(formatter, 0).as_text();
  if (!text.starts_with(styles_mark)) return std::string(text);
  const auto style = [&](std::size_t at) { return text[at] == '4' ? -1 : text[at] - '0'; };
  return localized_pattern(style(1), style(2), locale);
}

}  // namespace

std::optional<bool> Expressions::make_time_format(const Node& node, std::string_view name,
                                                  const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  const auto give = [&](std::string_view pattern, std::size_t locale_at) {
    std::string tag;
    if (!take_locale(node, arguments, locale_at, tag)) return false;
    out = formatter_of(pattern, tag);
    return true;
  };
  if (name == "ofPattern" && count > 0 && arguments[0].is(Type::text)) {
    std::string ignored;
    const Value any = Value::moment({});
    const std::string_view pattern = arguments[0].as_text();
    if (append_by_pattern(any, pattern, locale_or_root(""), ignored) == PatternFault::bad_pattern)
      return fail(computed::Trouble::When::run, "IllegalArgumentException",
                  "the pattern cannot be read", node);
    return give(pattern, 1);
  }
  const bool date = name == "ofLocalizedDate";
  const bool time = name == "ofLocalizedTime";
  const bool both = name == "ofLocalizedDateTime";
  if ((!date && !time && !both) || count == 0) return std::nullopt;
  const auto first = style_of(arguments[0]);
  const auto second = both && count == 2 ? style_of(arguments[1]) : first;
  if (!first || !second || count > (both ? 2U : 1U)) return std::nullopt;
  std::string styles(1, styles_mark);
  styles += time ? '4' : static_cast<char>('0' + *first);
  styles += date ? '4' : static_cast<char>('0' + *second);
  return give(styles, count);
}

// What a formatter with a zone shows: an instant is in that zone there.
std::optional<bool> Expressions::in_formatter_zone(const Node& node, const Value& of,
                                                   const Value& formatter, Value& out) {
  const bool is_instant = computed::is_object(of, instant_object);
  const auto zone = zone_in(computed::object_part(formatter, 2));
  const Value& held = is_instant ? computed::object_part(of, 0) : of;
  if (!zone) {
    const bool shows_instants =
        computed::object_part(formatter, 0).as_text() == std::string_view(&instant_mark, 1);
    if (is_instant && !shows_instants)
      return fail(computed::Trouble::When::run, "UnsupportedTemporalTypeException",
                  "the pattern asks for a part that an Instant has not", node);
    out = held;
    return true;
  }
  if (!held.is(Type::moment) || !held.as_moment().offset) return std::nullopt;
  return give_zoned(node, moment_at(instant_of(held.as_moment()), *zone), out);
}

bool Expressions::show_by(const Node& node, const Value& given, const Value& formatter,
                          Value& out) {
  std::string text;
  Value of;
  const auto done = in_formatter_zone(node, given, formatter, of);
  if (!done || !*done)
    return done ? false : not_yet("what has no offset, by a formatter with a zone, is", node);
  // The names of RFC 1123 are English, whatever the locale.
  const bool is_english = computed::object_part(formatter, 0).as_text().ends_with(greenwich_mark);
  const JavaLocale locale =
      locale_or_root(is_english ? "en" : computed::object_part(formatter, 1).as_text());
  switch (append_by_pattern(of, pattern_in(formatter, locale), locale, text)) {
    case PatternFault::none:
      out = Value::text(std::move(text));
      return true;
    case PatternFault::lacks_part:
      return fail(computed::Trouble::When::run, "UnsupportedTemporalTypeException",
                  "the pattern asks for a part that " + describe(of) + " has not", node);
    default:
      return not_yet("this pattern is", node);
  }
}

std::optional<Value> Expressions::time_constant(std::string_view path) const {
  for (const std::string_view prefix : {"FormatStyle.", "TextStyle."}) {
    // By its name.
    if (path.starts_with(prefix)) return Value::text(std::string(path.substr(prefix.size())));
  }
  constexpr std::string_view formatter = "DateTimeFormatter.";
  if (!path.starts_with(formatter)) return std::nullopt;
  for (const Iso& one : iso_formatters) {
    if (one.name == path.substr(formatter.size()))
      return formatter_of(one.pattern, locale().empty() ? "root" : locale());
  }
  return std::nullopt;
}

// formatter.format(moment), formatter.withLocale(Locale.US), formatter.withZone(zone)
std::optional<bool> Expressions::call_on_formatter(const Node& node, const Value& of,
                                                   const Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  if (!computed::is_object(of, time_format_object) || arguments.size() != 1) return std::nullopt;
  const Value& given = arguments[0];
  if (name == "format" && (given.is(Type::moment) || given.is(Type::date) || given.is(Type::time) ||
                           computed::is_object(given, instant_object)))
    return show_by(node, given, of, out);
  const bool with_locale = name == "withLocale" && computed::is_object(given, locale_object);
  if (!with_locale && (name != "withZone" || !zone_in(given))) return std::nullopt;
  out = computed::object_of(
      time_format_object,
      {Value(computed::object_part(of, 0)),
       Value(with_locale ? computed::object_part(given, 0) : computed::object_part(of, 1)),
       Value(with_locale ? computed::object_part(of, 2) : given)});
  return true;
}

}  // namespace inky::inline v1::java_language
