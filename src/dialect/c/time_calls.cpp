// The functions of <time.h> in expressions of C and C++: ISO C17, 7.27; ISO C++20, [ext.manip]. A
// moment is a struct tm, and the zone of the machine is UTC.

#include <algorithm>
#include <utility>

#include "../family/strftime.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "struct_tm.hpp"

namespace inky::inline v1::c_language {

using computed::Node;
using computed::Operation;

namespace {

constexpr std::string_view time_functions[] = {"localtime", "gmtime",  "mktime",
                                               "timegm",    "asctime", "ctime"};

// Whether codes show the weekday or the day of the year.
bool shows_weekday(std::string_view codes) {
  for (std::size_t at = codes.find('%'); at != std::string_view::npos; at = codes.find('%', at)) {
    at = codes.find_first_not_of("_-0^#123456789EO", at + 1);
    if (at == std::string_view::npos) return false;
    if (std::string_view("aAuwUWVGgjcxXr+").find(codes[at]) != std::string_view::npos) return true;
    ++at;
  }
  return false;
}

// The name of the function that is called; empty where the node is no call of a name.
std::string_view called(const Node& node) {
  if (node.kind != Node::Kind::call || node.parts.empty()) return {};
  if (node.parts[0].kind != Node::Kind::name) return {};
  return without_std(node.parts[0].text);
}

}  // namespace

std::optional<bool> Expressions::evaluate_own(const Node& node, Value& out) {
  const std::string_view name = called(node);
  if (name == "strftime") return format_time(node, out);
  if (name == changed_member || name == no_members || name == settled_time)
    return change_time(node, out);
  if (name == "difftime" && node.parts.size() == 3) {
    Value ends[2];
    for (std::size_t i = 0; i < 2; ++i) {
      if (!evaluate_again(node.parts[i + 1], ends[i])) return false;
      if (!is_number(ends[i]) || is_real(ends[i].type()))
        return not_yet("difftime of these is", node);
    }
    const Integer seconds = computed::whole_of(ends[0]) - computed::whole_of(ends[1]);
    out = computed::real_of(Type::f64, Value::whole(Type::i64, seconds.convert_to<std::int64_t>()));
    return true;
  }
  if (std::find(std::begin(time_functions), std::end(time_functions), name) ==
      std::end(time_functions))
    return std::nullopt;
  return call_time(node, name, out);
}

// An argument of a function that takes an address, by &name or by the name of a pointer.
bool Expressions::time_given(const Node& node, std::size_t at, Value& out) {
  if (at >= node.parts.size())
    return refuse(std::string(called(node)) + " takes more arguments", node);
  const Node& part = node.parts[at];
  const bool is_address = part.kind == Node::Kind::unary && part.operation == Operation::address;
  return evaluate_again(is_address ? part.parts[0] : part, out);
}

// tm_year and its like, of a struct tm or of what a pointer points to.
bool Expressions::member(const Node& node, const Value& of, Value& out) {
  const auto members = members_of(of);
  const auto place = time_member(node.text);
  if (!members || (!place && node.text != "tm_isdst")) return Typed::member(node, of, out);
  out = Value::whole(Type::i32, place ? (*members)[*place] : 0);
  return true;
}

// What statements make of a struct tm.
bool Expressions::change_time(const Node& node, Value& out) {
  const std::string_view name = called(node);
  if (name == no_members) {
    out = object_of(TimeMembers{});
    return true;
  }
  Value given;
  if (node.parts.size() < 2 || !evaluate_again(node.parts[1], given)) return false;
  auto members = members_of(given);
  if (!members) return not_yet("this as a struct tm is", node);
  if (name == settled_time) {
    const auto moment = settled(*members);
    if (!moment) return not_yet("a time beyond the years 1 to 9999 is", node);
    out = object_of(members_of(*moment));
    return true;
  }
  Value place;
  Value number;
  if (node.parts.size() != 4 || !evaluate_again(node.parts[2], place) ||
      !evaluate_again(node.parts[3], number) || !is_number(number))
    return not_yet("this as a struct tm is", node);
  Value whole;
  if (!convert(node, Type::i32, number, whole)) return false;
  (*members)[static_cast<std::size_t>(place.as_whole())] =
      static_cast<std::int64_t>(whole.as_whole());
  out = object_of(*members);
  return true;
}

bool Expressions::settle_time(const Node& node, std::string_view codes, Value& value) {
  if (value.is(Type::moment) || !computed::is_object(value)) return true;
  const auto members = members_of(value);
  const auto moment = members ? settled(*members) : std::nullopt;
  if (!moment) return not_yet("this as a time is", node);
  // What strftime() shows is the members as they are.
  const TimeMembers would_be = members_of(*moment);
  const bool in_calendar = std::equal(members->begin(), members->begin() + 6, would_be.begin());
  if (!in_calendar) return not_yet("a struct tm with members beyond the calendar is", node);
  if (shows_weekday(codes) && *members != would_be)
    return not_yet("the weekday of a struct tm that mktime() has not settled is", node);
  value = Value::moment(*moment);
  return true;
}

bool Expressions::call_time(const Node& node, std::string_view name, Value& out) {
  Value given;
  if (node.parts.size() != 2) return refuse(std::string(name) + " takes one argument", node);
  if (!time_given(node, 1, given)) return false;
  const bool makes_seconds = name == "mktime" || name == "timegm";
  if (makes_seconds && computed::is_object(given)) {
    const auto members = members_of(given);
    const auto moment = members ? settled(*members) : std::nullopt;
    if (!moment) return not_yet("this as a time is", node);
    given = Value::moment(*moment);
  }
  if (name == "asctime" && !settle_time(node, "%a", given)) return false;
  const bool takes_seconds = name == "localtime" || name == "gmtime" || name == "ctime";
  if (takes_seconds ? !is_whole(given.type()) || given.is(Type::big) : !given.is(Type::moment))
    return not_yet(std::string(name) + " of this is", node);
  Moment moment;
  if (takes_seconds) {
    // The years 1 to 9999.
    constexpr int128 first = -62'135'596'800;
    constexpr int128 last = 253'402'300'799;
    if (given.as_whole() < first || given.as_whole() > last)
      return not_yet("a time beyond the years 1 to 9999 is", node);
    moment = moment_of_seconds(static_cast<std::int64_t>(given.as_whole()));
    if (name == "gmtime") moment.offset = 0;
  } else {
    moment = given.as_moment();
  }
  if (name == "mktime" || name == "timegm") {
    out = Value::whole(Type::i64, seconds_since_1970(moment));
  } else if (name == "localtime" || name == "gmtime") {
    out = Value::moment(moment);
  } else {
    std::string text;
    append_glibc_time(moment, "%a %b %e %H:%M:%S %Y\n", {}, text);
    out = Value::text(std::move(text));
  }
  return true;
}

// strftime(20, "%F", &t): the text that its first argument gets, which is left out here.
bool Expressions::format_time(const Node& node, Value& out) {
  Value size;
  Value codes;
  Value moment;
  if (node.parts.size() != 4) return refuse("strftime takes four arguments", node);
  if (!evaluate_again(node.parts[1], size) || !evaluate_again(node.parts[2], codes) ||
      !time_given(node, 3, moment))
    return false;
  if (!codes.is(Type::text) || !is_whole(size.type()))
    return not_yet("strftime with these arguments is", node);
  if (!settle_time(node, codes.as_text(), moment)) return false;
  // The locale of a stream is not the program's.
  const auto of_program = edition_ == Edition::cpp ? std::optional(std::string_view())
                                                   : std::optional<std::string_view>();
  if (!fill(node, *strftime_dialect(), codes.as_text(), std::span(&moment, 1), out, of_program))
    return false;
  const std::string_view text = out.as_text();
  const std::size_t end = std::min(text.find('\0'), text.size());
  if (computed::whole_of(size) <= end)
    return fail(computed::Trouble::When::undefined, {},
                "the text and its final zero byte do not fit: what is in the array then is "
                "undefined",
                node);
  out = Value::text(std::string(text.substr(0, end)));
  return true;
}

// Each code by itself, with nothing between it and the percent sign but E or O.
bool Expressions::put_time(const Node& node, Value& out) {
  Value moment;
  Value codes;
  if (node.parts.size() != 3) return refuse("put_time takes two arguments", node);
  if (!time_given(node, 1, moment) || !evaluate_again(node.parts[2], codes)) return false;
  if (codes.is(Type::text) && !settle_time(node, codes.as_text(), moment)) return false;
  // A date is at midnight.
  if (moment.is(Type::date)) moment = Value::moment(moment.as_moment());
  if (!moment.is(Type::moment) || !codes.is(Type::text))
    return not_yet("put_time of anything but a moment is", node);
  const std::string_view format = codes.as_text();
  const TimeStyle style{.locale = glibc::locale_or_c(locale()), .zones = true};
  std::string text;
  for (std::size_t at = 0; at < format.size(); ++at) {
    if (format[at] != '%') {
      text += format[at];
      continue;
    }
    const bool is_modified =
        at + 1 < format.size() && (format[at + 1] == 'E' || format[at + 1] == 'O');
    const std::size_t size = is_modified ? 3 : 2;
    // What breaks off prints nothing.
    if (at + size > format.size()) break;
    const std::string_view unknown =
        append_glibc_time(moment.as_moment(), format.substr(at, size), style, text);
    if (!unknown.empty()) return not_yet(std::string(unknown) + " is", node);
    at += size - 1;
  }
  out = Value::text(std::move(text));
  return true;
}

}  // namespace inky::inline v1::c_language
