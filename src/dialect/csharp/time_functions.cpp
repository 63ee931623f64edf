// Functions of System's times, days of the week, what a culture calls them, and interpolated strings
// as parts of an expression: the .NET API.

#include <algorithm>

#include "../family/instants.hpp"
#include "../family/time_reading.hpp"
#include "../family/values.hpp"
#include "cultures.hpp"
#include "dialect/lexis.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "interpolated.hpp"

namespace inky::inline v1::csharp {

namespace {

using computed::Node;
using computed::Operation;

int number_of_weekday(std::string_view name) {
  for (int i = 0; i < 7; ++i) {
    if (english_weekday(i) == name) return i;
  }
  return unset;
}

int number_of_kind(std::string_view name) {
  return name == "Utc" ? 1 : 0;
}

// The steps of a custom pattern, read by the invariant culture; nothing: it has a part that is not
// known here. The .NET documentation, custom date and time format strings.
std::optional<std::vector<TimeStep>> steps_of(std::string_view pattern) {
  using What = TimeStep::What;
  std::vector<TimeStep> out;
  for (std::size_t at = 0; at < pattern.size();) {
    const char c = pattern[at];
    std::size_t behind = std::min(pattern.find_first_not_of(c, at), pattern.size());
    const int run = static_cast<int>(behind - at);
    const auto number = [&](What what) { out.push_back({what, run == 1 ? 1 : 2, 2}); };
    switch (c) {
      case 'y':
        if (run != 2 && run != 4) return std::nullopt;
        out.push_back({run == 4 ? What::year : What::year_of_century, run, run});
        break;
      case 'M':
        if (run <= 2)
          number(What::month);
        else
          out.push_back({run == 3 ? What::short_month_name : What::month_name});
        break;
      case 'd':
        if (run <= 2)
          number(What::day);
        else
          out.push_back({run == 3 ? What::short_weekday_name : What::weekday_name});
        break;
      case 'H':
        number(What::hour);
        break;
      case 'h':
        number(What::hour_of_half);
        break;
      case 'm':
        number(What::minute);
        break;
      case 's':
        number(What::second);
        break;
      case 'f':
        if (run > 7) return std::nullopt;
        out.push_back({What::fraction, run, run});
        break;
      case 't':
        if (run != 2) return std::nullopt;
        out.push_back({What::half});
        break;
      case '\'':
      case '"': {
        const std::size_t close = pattern.find(c, at + 1);
        if (close == std::string_view::npos) return std::nullopt;
        out.push_back({What::literal, 0, 0, std::string(pattern.substr(at + 1, close - at - 1))});
        behind = close + 1;
        break;
      }
      case '\\':
        if (at + 1 == pattern.size()) return std::nullopt;
        out.push_back({What::literal, 0, 0, std::string(1, pattern[at + 1])});
        behind = at + 2;
        break;
      case 'F':
      case 'g':
      case 'K':
      case 'z':
      case '%':
        return std::nullopt;
      default:
        out.push_back({What::literal, 0, 0, std::string(pattern.substr(at, behind - at))});
    }
    at = behind;
  }
  return out;
}

constexpr int first_year_of_1900 = 50;  // Calendar.TwoDigitYearMax is 2049

}  // namespace

// ---- Interpolated strings ----

std::optional<bool> ExpressionReader::read_own(Node& node) {
  const bool begins = starts_with("$\"") || starts_with("$@\"") || starts_with("@$\"");
  if (!begins) return CodeReader::read_own(node);
  const std::size_t start = at_;
  StatementParts parts;
  parts.text = source_;
  const std::optional<std::size_t> end = read_interpolated(parts, at_, out_, make_reader_);
  if (!end) {
    const Refusal refusal = out_.refusal.value_or(Refusal{});
    out_.refusal.reset();
    return refuse(refusal.when, refusal.as, refusal.why, start);
  }
  at_ = *end;
  node.kind = Node::Kind::filled;
  node.text = source_.substr(start, at_ - start);
  // The template first, and what fills it.
  node.parts.resize(1);
  node.parts[0].kind = Node::Kind::constant;
  node.parts[0].value = Value::text(parts.inner);
  for (Node& argument : parts.arguments) node.parts.push_back(std::move(argument));
  return true;
}

bool Expressions::evaluate_filled(const Node& node, std::optional<std::string_view> culture,
                                  Value& out) {
  std::vector<Value> values(node.parts.size() - 1);
  for (std::size_t i = 0; i < values.size(); ++i) {
    if (!evaluate_again(node.parts[i + 1], values[i])) return false;
    values[i] = as_argument(std::move(values[i]));
  }
  return fill_template(node, *csharp_dialect(), node.parts[0].value.as_text(), values, out,
                       culture);
}

// string.Create(culture, $"..."), FormattableString.Invariant($"...")
std::optional<bool> Expressions::evaluate_filled_by(const Node& node, Value& out) {
  if (node.kind != Node::Kind::call || node.parts.size() < 2 ||
      node.parts.back().kind != Node::Kind::filled)
    return std::nullopt;
  const std::string path = computed::path_of(node.parts[0]);
  const Node& text = node.parts.back();
  if (path == "FormattableString.Invariant" && node.parts.size() == 2)
    return evaluate_filled(text, "invariant", out);
  const bool creates = path == "string.Create" || path == "String.Create";
  if (!creates || node.parts.size() != 3) return std::nullopt;
  Value culture;
  if (!evaluate_again(node.parts[1], culture)) return false;
  if (!computed::is_object(culture, culture_object)) return not_yet("this culture is", node);
  return evaluate_filled(text, computed::object_part(culture, 0).as_text(), out);
}

// ---- Enumerations ----

Value Expressions::enumeration_number(const Value& value) {
  const std::string_view name = computed::object_part(value, 0).as_text();
  return Value::whole(Type::i32,
                      is_weekday(value) ? number_of_weekday(name) : number_of_kind(name));
}

std::optional<Value> Expressions::weekday_named(std::string_view path) {
  constexpr std::string_view type = "DayOfWeek.";
  if (!path.starts_with(type) || number_of_weekday(path.substr(type.size())) == unset)
    return std::nullopt;
  return computed::object_of(weekday_object, {Value::text(std::string(path.substr(type.size())))});
}

bool Expressions::combine_enumerations(const Node& node, Operation operation, const Value& left,
                                       const Value& right, Value& out) {
  const bool are_same =
      is_enumeration(left) && is_enumeration(right) && is_weekday(left) == is_weekday(right);
  if (are_same && computed::is_comparison(operation)) {
    const auto order = enumeration_number(left).as_whole() <=> enumeration_number(right).as_whole();
    out = Value::truth(computed::relates(operation, order));
    return true;
  }
  const auto named = [](const Value& value) {
    return is_enumeration(value) ? Value(computed::object_part(value, 0)) : value;
  };
  const bool joins = operation == Operation::add && (left.is(Type::text) || right.is(Type::text));
  if (!joins) return not_yet("this operator of an enumeration is", node);
  return combine(node, operation, named(left), named(right), out);
}

Value Expressions::as_argument(Value value) const {
  if (!is_enumeration(value)) return value;
  Value out(computed::object_part(value, 0));
  out.set_expression();
  return out;
}

// ---- Functions of times ----

// DateTime.ParseExact("09.05.2031", "dd.MM.yyyy", CultureInfo.InvariantCulture)
bool Expressions::read_time_exactly(const Node& node, std::string_view type,
                                    const Arguments& arguments, Value& out) {
  const std::size_t count = arguments.size();
  const bool good = (count == 2 || count == 3) && arguments[0].is(Type::text) &&
                    arguments[1].is(Type::text) && (count == 2 || is_invariant(arguments[2]));
  if (!good) return not_yet("ParseExact with these arguments is", node);
  const bool names_culture = count == 3 && !arguments[2].is(Type::nil);
  const bool is_usual = locale().empty() || locale() == "invariant";
  if (!names_culture && !is_usual) return not_yet("reading by this culture is", node);
  const std::string_view pattern = arguments[1].as_text();
  const auto steps = steps_of(pattern);
  // A letter alone is a standard format.
  if (pattern.size() < 2 || !steps) return not_yet("reading by this pattern is", node);
  const auto parts = read_time_parts(arguments[0].as_text(), *steps, true);
  const Moment midnight{1, 1, 1};
  const auto read = parts ? moment_of(*parts, midnight, first_year_of_1900) : std::nullopt;
  const bool has_date = parts && (parts->year || parts->year_of_century);
  const bool is_time = type == "TimeOnly";
  if (read && !is_time && !has_date) return not_yet("a date of this year is", node);
  const bool weekday_differs = read && parts->weekday && *parts->weekday != inky::weekday(*read);
  if (!read || weekday_differs || (is_time && has_date) ||
      (type == "DateOnly" && parts->has_clock()))
    return raise("FormatException",
                 "String '" + std::string(arguments[0].as_text()) +
                     "' was not recognized as a valid " + std::string(type) + ".",
                 node,
                 is_time              ? Value::time(midnight)
                 : type == "DateOnly" ? Value::date(midnight)
                                      : Value::moment(midnight),
                 out);
  out = is_time              ? Value::time(*read)
        : type == "DateOnly" ? Value::date(*read)
                             : Value::moment(*read);
  return true;
}

std::optional<bool> Expressions::call_time_function(const Node& node, std::string_view path,
                                                    const Arguments& arguments, Value& out) {
  const std::size_t point = path.find('.');
  if (point == std::string_view::npos) return std::nullopt;
  const std::string_view type = path.substr(0, point);
  const std::string_view name = path.substr(point + 1);
  if (!has_word("DateTime DateTimeOffset DateOnly TimeOnly", type)) return std::nullopt;
  const std::size_t count = arguments.size();
  if (name == "ParseExact" && type != "DateTimeOffset")
    return read_time_exactly(node, type, arguments, out);
  const bool culture_follows = count == 2 && is_invariant(arguments[1]);
  if (name == "Parse" && (count == 1 || culture_follows) && arguments[0].is(Type::text)) {
    const std::string_view text = arguments[0].as_text();
    const auto read = type == "DateOnly"   ? read_date(text)
                      : type == "TimeOnly" ? read_time(text)
                                           : read_plain_moment(text);
    // A text with an offset becomes one of the machine's zone, and one without has it.
    if (!read || (type != "DateTimeOffset" && read->offset) ||
        (type == "DateTimeOffset" && !read->offset))
      return not_yet("reading this text is", node);
    out = type == "DateOnly"   ? Value::date(*read)
          : type == "TimeOnly" ? Value::time(*read)
                               : Value::moment(*read);
    return true;
  }
  if (type == "DateTime" && name == "IsLeapYear" && count == 1) {
    std::int64_t year = 0;
    if (!take_int(node, arguments[0], year)) return false;
    if (year < 1 || year > 9999)
      return raise("ArgumentOutOfRangeException", "there is no such year", node,
                   Value::truth(false), out);
    out = Value::truth(is_leap_year(static_cast<int>(year)));
    return true;
  }
  if (type == "DateTime" && name == "DaysInMonth" && count == 2) {
    std::int64_t year = 0;
    std::int64_t month = 0;
    if (!take_int(node, arguments[0], year) || !take_int(node, arguments[1], month)) return false;
    if (year < 1 || year > 9999 || month < 1 || month > 12)
      return raise("ArgumentOutOfRangeException", "there is no such month", node,
                   Value::whole(Type::i32, 28), out);
    out = Value::whole(Type::i32, days_of_month(static_cast<int>(year), static_cast<int>(month)));
    return true;
  }
  if (name == "FromDateTime" && count == 1 && arguments[0].is(Type::moment) &&
      !arguments[0].as_moment().offset) {
    const Moment moment = arguments[0].as_moment();
    if (type == "DateOnly")
      out = Value::date({moment.year, moment.month, moment.day});
    else
      out = Value::time({1, 1, 1, moment.hour, moment.minute, moment.second, moment.nanosecond});
    return true;
  }
  const bool in_milliseconds = name == "FromUnixTimeMilliseconds";
  if (type == "DateTimeOffset" && count == 1 &&
      (in_milliseconds || name == "FromUnixTimeSeconds")) {
    if (!is_whole(arguments[0].type())) return not_yet("FromUnixTimeSeconds of this is", node);
    const int128 given = arguments[0].as_whole();
    const int128 unit = in_milliseconds ? 1'000'000 : 1'000'000'000;
    const Value epoch = Value::moment({1970, 1, 1, 0, 0, 0, 0, 0});
    constexpr int128 most = int128{1} << 60;
    if (given > most || given < -most) return not_yet("so long a time is", node);
    return give_time(node, epoch, given * unit, out);
  }
  return std::nullopt;
}

// ---- What a culture calls them ----

// culture.DateTimeFormat.GetMonthName(5)
std::optional<bool> Expressions::call_on_culture(const Node& node, const Value& of,
                                                 const Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  if (!computed::is_object(of, culture_object)) return std::nullopt;
  const Culture culture = culture_or_invariant(computed::object_part(of, 0).as_text());
  if (arguments.size() != 1) return std::nullopt;
  const bool is_month = name == "GetMonthName" || name == "GetAbbreviatedMonthName";
  const bool is_short = name.starts_with("GetAbbreviated");
  if (is_month) {
    std::int64_t month = 0;
    if (!take_int(node, arguments[0], month)) return false;
    if (month < 1 || month > 12) return not_yet("the name of this month is", node);
    out = Value::text(std::string(culture.name(is_short ? Culture::short_months : Culture::months,
                                               static_cast<std::size_t>(month - 1))));
    return true;
  }
  if ((name != "GetDayName" && name != "GetAbbreviatedDayName") || !is_weekday(arguments[0]))
    return std::nullopt;
  out = Value::text(std::string(
      culture.name(is_short ? Culture::short_days : Culture::days,
                   static_cast<std::size_t>(enumeration_number(arguments[0]).as_whole()))));
  return true;
}

std::optional<bool> Expressions::member_of_culture(const Node& node, const Value& of, Value& out) {
  if (!computed::is_object(of, culture_object)) return std::nullopt;
  if (node.text == "DateTimeFormat" || node.text == "NumberFormat") {
    out = of;
    return true;
  }
  const std::string_view tag = computed::object_part(of, 0).as_text();
  if (node.text == "Name") {
    out = Value::text(tag == "invariant" ? std::string() : std::string(tag));
    return true;
  }
  const Culture culture = culture_or_invariant(tag);
  constexpr std::pair<std::string_view, Culture::Part> parts[] = {
      {"CurrencySymbol", Culture::currency},
      {"NumberDecimalSeparator", Culture::point},
      {"NumberGroupSeparator", Culture::group},
      {"CurrencyDecimalSeparator", Culture::currency_point},
      {"CurrencyGroupSeparator", Culture::currency_group},
      {"NegativeSign", Culture::minus},
      {"PercentSymbol", Culture::percent},
      {"ShortDatePattern", Culture::short_date},
      {"LongDatePattern", Culture::long_date},
      {"ShortTimePattern", Culture::short_time},
      {"LongTimePattern", Culture::long_time},
      {"AMDesignator", Culture::morning},
      {"PMDesignator", Culture::afternoon}};
  for (const auto& [name, part] : parts) {
    if (name != node.text) continue;
    out = Value::text(std::string(culture[part]));
    return true;
  }
  return std::nullopt;
}

}  // namespace inky::inline v1::csharp
