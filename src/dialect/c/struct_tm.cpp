#include "struct_tm.hpp"

#include <algorithm>

#include "text/ascii.hpp"

namespace inky::inline v1::c_language {

namespace {

constexpr std::string_view member_names[] = {"tm_sec", "tm_min",  "tm_hour", "tm_mday",
                                             "tm_mon", "tm_year", "tm_wday", "tm_yday"};
enum Member : std::uint8_t { second, minute, hour, day, month, year, week_day, year_day };

constexpr std::string_view kind = "struct tm";

// What a text goes on with behind a word and blanks; unchanged where it does not begin so.
bool take_word(std::string_view& text, std::string_view word) {
  const bool begins =
      text.starts_with(word) && (text.size() == word.size() || !is_word_part(text[word.size()]));
  if (begins) text = trimmed(text.substr(word.size()));
  return begins;
}

// Behind "struct tm", "const struct tm", "std::tm"; false where the statement begins otherwise.
bool take_type(std::string_view& text) {
  take_word(text, "const");
  if (take_word(text, "std::tm")) return true;
  if (!take_word(text, "struct")) return false;
  return take_word(text, "tm") || take_word(text, "std::tm");
}

std::string call(std::string_view function, std::initializer_list<std::string_view> arguments) {
  std::string out(function);
  out += '(';
  for (const std::string_view one : arguments) (out += out.back() == '(' ? "" : ", ") += one;
  return out + ")";
}

// What is between braces: .tm_year = 131, .tm_mon = 4, or 0, or nothing.
std::optional<std::string> initialised(std::string_view inside) {
  std::string out = call(no_members, {});
  inside = trimmed(inside);
  if (inside == "0" || inside.empty()) return out;
  while (!inside.empty()) {
    const std::size_t comma = std::min(comma_in(inside), inside.size());
    const std::string_view one = trimmed(inside.substr(0, comma));
    inside = comma < inside.size() ? trimmed(inside.substr(comma + 1)) : std::string_view();
    const std::size_t sign = one.find('=');
    if (!one.starts_with('.') || sign == std::string_view::npos) return std::nullopt;
    const std::string_view name = trimmed(one.substr(1, sign - 1));
    if (name == "tm_isdst") continue;
    const auto place = time_member(name);
    if (!place) return std::nullopt;
    out = call(changed_member,
               {out, std::to_string(*place), "(" + std::string(one.substr(sign + 1)) + ")"});
  }
  return out;
}

Declaration declared(std::string_view name, std::string expression, bool changes) {
  Declaration out;
  out.name = name;
  out.expression = std::move(expression);
  out.changes = changes;
  return out;
}

std::optional<Declaration> read_declared(std::string_view text) {
  if (!take_type(text)) return std::nullopt;
  const bool is_pointer = text.starts_with('*');
  if (is_pointer) text = trimmed(text.substr(1));
  const std::size_t size = static_cast<std::size_t>(
      std::find_if_not(text.begin(), text.end(), is_word_part) - text.begin());
  const std::string_view name = text.substr(0, size);
  text = trimmed(text.substr(size));
  const bool has_sign = text.starts_with('=');
  if (has_sign) text = trimmed(text.substr(1));
  if (!is_word(name) || text.empty()) return std::nullopt;
  if (!text.starts_with('{'))
    return has_sign ? std::optional(declared(name, std::string(text), false)) : std::nullopt;
  if (is_pointer || !text.ends_with('}')) return std::nullopt;
  auto made = initialised(text.substr(1, text.size() - 2));
  if (!made) return std::nullopt;
  return declared(name, std::move(*made), false);
}

// t.tm_mon = 4 and t->tm_mon = 4
std::optional<Declaration> read_changed(std::string_view text) {
  const std::size_t size = static_cast<std::size_t>(
      std::find_if_not(text.begin(), text.end(), is_word_part) - text.begin());
  const std::string_view name = text.substr(0, size);
  std::string_view rest = text.substr(size);
  if (!is_word(name)) return std::nullopt;
  const std::size_t mark = rest.starts_with("->") ? 2 : rest.starts_with(".") ? 1 : 0;
  if (mark == 0) return std::nullopt;
  rest.remove_prefix(mark);
  const std::size_t end = static_cast<std::size_t>(
      std::find_if_not(rest.begin(), rest.end(), is_word_part) - rest.begin());
  const std::string_view member = rest.substr(0, end);
  rest = trimmed(rest.substr(end));
  const bool combines = rest.size() > 1 && (rest[0] == '+' || rest[0] == '-') && rest[1] == '=';
  if (!combines && (!rest.starts_with('=') || rest.starts_with("=="))) return std::nullopt;
  if (member == "tm_isdst" && !combines) return declared(name, std::string(name), true);
  const auto place = time_member(member);
  if (!place) return std::nullopt;
  std::string value = "(" + std::string(trimmed(rest.substr(combines ? 2 : 1))) + ")";
  if (combines) value = std::string(name) + "." + std::string(member) + " " + rest[0] + " " + value;
  return declared(name, call(changed_member, {name, std::to_string(*place), value}), true);
}

// mktime(&t), and gmtime_r(&now, &t)
std::optional<Declaration> read_settled(std::string_view text) {
  for (const std::string_view prefix : {"", "std::"}) {
    const std::string begin = std::string(prefix) + "mktime(&";
    if (!text.starts_with(begin) || !text.ends_with(')')) continue;
    const std::string_view name =
        trimmed(text.substr(begin.size(), text.size() - begin.size() - 1));
    if (is_word(name)) return declared(name, call(settled_time, {name}), true);
  }
  for (const std::string_view function : {"gmtime", "localtime"}) {
    const std::string begin = std::string(function) + "_r(";
    if (!text.starts_with(begin) || !text.ends_with(')')) continue;
    const std::string_view inside = text.substr(begin.size(), text.size() - begin.size() - 1);
    const std::size_t comma = comma_in(inside);
    if (comma == std::string_view::npos) return std::nullopt;
    std::string_view name = trimmed(inside.substr(comma + 1));
    if (!name.starts_with('&')) return std::nullopt;
    name.remove_prefix(1);
    if (is_word(name)) return declared(name, call(function, {inside.substr(0, comma)}), false);
  }
  return std::nullopt;
}

}  // namespace

std::optional<std::size_t> time_member(std::string_view name) {
  const auto found = std::find(std::begin(member_names), std::end(member_names), name);
  if (found == std::end(member_names)) return std::nullopt;
  return static_cast<std::size_t>(found - std::begin(member_names));
}

Value object_of(const TimeMembers& members) {
  std::vector<Value> parts;
  for (const std::int64_t one : members) parts.push_back(Value::whole(Type::i64, one));
  return computed::object_of(kind, std::move(parts));
}

TimeMembers members_of(const Moment& moment) {
  return {moment.second,    moment.minute,      moment.hour,     moment.day,
          moment.month - 1, moment.year - 1900, weekday(moment), day_of_year(moment) - 1};
}

std::optional<TimeMembers> members_of(const Value& value) {
  if (value.is(Type::moment) || value.is(Type::date)) return members_of(value.as_moment());
  if (!computed::is_object(value, kind)) return std::nullopt;
  TimeMembers out{};
  for (std::size_t i = 0; i < out.size(); ++i)
    out[i] = static_cast<std::int64_t>(computed::object_part(value, i).as_whole());
  return out;
}

std::optional<Moment> settled(const TimeMembers& members) {
  const std::int64_t months = (members[year] + 1900) * 12 + members[month];
  constexpr std::int64_t first = 12;
  constexpr std::int64_t last = 10'000 * 12 - 1;
  if (months < first || months > last) return std::nullopt;
  const Moment begin{static_cast<int>(months / 12), static_cast<int>(months % 12) + 1, 1};
  const std::int64_t seconds = seconds_since_1970(begin) + (members[day] - 1) * 86'400 +
                               members[hour] * 3600 + members[minute] * 60 + members[second];
  constexpr std::int64_t least = -62'135'596'800;
  constexpr std::int64_t most = 253'402'300'799;
  if (seconds < least || seconds > most) return std::nullopt;
  return moment_of_seconds(seconds);
}

std::optional<Declaration> read_struct_tm(std::string_view statement) {
  std::optional<Declaration> out = read_declared(statement);
  if (!out) out = read_changed(statement);
  if (!out) out = read_settled(statement);
  return out;
}

bool declares_struct_tm(std::string_view statement) {
  std::string_view text = trimmed(statement);
  return take_type(text) && is_word(text);
}

}  // namespace inky::inline v1::c_language
