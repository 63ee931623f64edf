// The functions of R that are called with dates, by their names.

#include <algorithm>
#include <cmath>
#include <utility>

#include "../computed/arithmetic.hpp"
#include "date_differences.hpp"
#include "dates.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"

namespace inky::inline v1::r_language {

namespace {

using computed::Node;
using computed::Operation;

// Whether one of the arguments is a date, a vector of dates, or a difftime.
bool has_dates(const computed::Arguments& arguments) {
  return std::any_of(arguments.values.begin(), arguments.values.end(),
                     [](const Value& value) { return are_dates(value) || is_difference(value); });
}

// The same day, some months later. Where that month has no such day, it is counted on into the next
// one, as R does.
std::optional<Value> months_later(const Value& date, std::int64_t count) {
  Moment moment = date.as_moment();
  const std::int64_t months = moment.year * std::int64_t{12} + moment.month - 1 + count;
  if (months < 12 || months >= 10'000 * 12) return std::nullopt;
  const int day = moment.day;
  moment.year = static_cast<int>(months / 12);
  moment.month = static_cast<int>(months % 12) + 1;
  moment.day = 1;
  const TimeZone zone = zone_of(moment);
  moment.offset.reset();
  moment.zone = 0;
  const bool is_day = date.is(Type::date);
  const Value first = is_day ? Value::date(moment) : Value::moment(moment);
  auto made = date_of(number_of(first) + (day - 1) * (is_day ? 1 : seconds_of_day), first);
  if (!made || is_day) return made;
  const auto settled = settled_in(made->as_moment(), zone);
  return settled ? std::optional(Value::moment(*settled)) : std::nullopt;
}

}  // namespace

// ---- Sequences and choices ----

// seq(from, to, by = "month", length.out = 3)
bool Expressions::sequence_of_dates(const Node& node, const Arguments& arguments, Value& out) {
  const Value* to = arguments.size() > 1 ? &arguments[1] : arguments.find("to");
  const Value* by = arguments.size() > 2 ? &arguments[2] : arguments.find("by");
  const Value* length = arguments.find("length.out");
  if (length == nullptr) length = arguments.find("length");
  for (const auto& [key, value] : arguments.named) {
    if (!has_word("to by length.out length", key))
      return not_yet("the argument " + key + " is", node);
  }
  const Value from = arguments[0];
  if (!is_date(from) || by == nullptr || (to == nullptr) == (length == nullptr) ||
      (to != nullptr && to->type() != from.type()))
    return not_yet("seq of dates with these arguments is", node);
  std::int64_t step = 1;
  bool by_months = false;
  const std::int64_t day = from.is(Type::date) ? 1 : seconds_of_day;
  if (by->is(Type::text)) {
    std::string_view word = by->as_text();
    if (const std::size_t space = word.find(' '); space != std::string_view::npos) {
      const auto count = read_typed(Type::i32, word.substr(0, space));
      if (!count) return not_yet("this step is", node);
      step = static_cast<std::int64_t>(count->as_whole());
      word.remove_prefix(space + 1);
    }
    if (word.ends_with('s')) word.remove_suffix(1);
    by_months = word == "month" || word == "quarter" || word == "year";
    if (word == "DSTday" && from.is(Type::moment) && from.as_moment().zone != 0)
      return not_yet("this step in a zone is", node);
    const std::int64_t size = word == "day" || word == "DSTday" ? day
                              : word == "week"                  ? 7 * day
                              : word == "month"                 ? 1
                              : word == "quarter"               ? 3
                              : word == "year"                  ? 12
                              : word == "hour" && day != 1      ? 3600
                              : word == "min" && day != 1       ? 60
                              : word == "sec" && day != 1       ? 1
                                                                : 0;
    if (size == 0) return not_yet("this step is", node);
    step *= size;
  } else {
    Value steps = *by;
    if (is_difference(steps)) return not_yet("this step is", node);
    if (!take_seconds(node, steps, step)) return false;
  }
  if (step == 0) return not_yet("a step of nothing is", node);
  constexpr std::int64_t most = 100'000;
  std::int64_t count = most + 1;
  if (length != nullptr && !take_whole(node, *length, count)) return false;
  if (length != nullptr && (count < 1 || count > most))
    return not_yet("a sequence of this length is", node);
  Items made;
  for (std::int64_t i = 0; i < count; ++i) {
    if (i == most) return not_yet("a sequence of this length is", node);
    const auto next =
        by_months ? months_later(from, i * step) : date_of(number_of(from) + i * step, from);
    const bool is_behind =
        next && to != nullptr &&
        (step > 0 ? number_of(*next) > number_of(*to) : number_of(*next) < number_of(*to));
    if (is_behind) break;
    if (!next)
      return not_yet(
          "a date beyond the years 1 to 9999, or that clocks of its zone do not show once, is",
          node);
    made.push_back(*next);
  }
  if (made.empty()) return not_yet("a sequence of nothing is", node);
  out = vector_of(std::move(made));
  return true;
}

// min, max, range, sort, rev, diff, unique, head, tail and c of dates.
bool Expressions::choose_dates(const Node& node, std::string_view name, const Arguments& arguments,
                               Value& out) {
  Items all;
  for (const Value& value : arguments.values) {
    const Items items = items_of(value);
    all.insert(all.end(), items.begin(), items.end());
    if (!has_word("c min max range", name)) break;
  }
  const bool all_known =
      are_dates(Value::list(all)) &&
      std::none_of(all.begin(), all.end(), [](const Value& item) { return item.is(Type::nil); });
  if (!all_known && name != "c" && name != "rev")
    return not_yet(std::string(name) + " of these dates is", node);
  if (!are_dates(Value::list(all))) return not_yet("dates and other values together are", node);
  // Of several zones, together they are in UTC, or in the first one with a warning.
  const auto zone_in = [](const Value& item) {
    return item.is(Type::moment) ? zone_of(item.as_moment()) : TimeZone{};
  };
  const auto is_other = [&](const Value& item) {
    if (item.is(Type::nil)) return false;
    const TimeZone a = zone_in(item);
    const TimeZone b = zone_in(all.front());
    return a.zone != b.zone || (a.zone == 0 && a != b);
  };
  if (std::any_of(all.begin(), all.end(), is_other)) {
    if (name != "c") return not_yet("times of several zones together are", node);
    for (Value& item : all) item = in_utc(item);
  }
  if (!arguments.named.empty() && name != "sort")
    return not_yet(std::string(name) + " of dates with these arguments is", node);
  const auto before = [](const Value& x, const Value& y) { return number_of(x) < number_of(y); };
  if (name == "c") {
    out = vector_of(std::move(all));
    return true;
  }
  if (name == "rev") {
    std::reverse(all.begin(), all.end());
  } else if (name == "diff") {
    if (all.size() < 2 || arguments.size() > 1) return not_yet("diff of these dates is", node);
    const Items last(all.begin() + 1, all.end());
    all.pop_back();
    return subtract_dates(node, vector_of(last), vector_of(std::move(all)), {}, out);
  } else {
    const Value* down = arguments.find("decreasing");
    std::stable_sort(all.begin(), all.end(), before);
    if (name == "mean") {
      std::int64_t sum = 0;
      for (const Value& one : all) sum += number_of(one);
      const auto count = static_cast<std::int64_t>(all.size());
      const auto middle = sum % count == 0 ? date_of(sum / count, all[0]) : std::nullopt;
      if (!middle) return not_yet("parts of days or seconds are", node);
      all = {*middle};
    }
    if (name == "min" || name == "max") all = {name == "min" ? all.front() : all.back()};
    if (name == "range") all = {all.front(), all.back()};
    if (down != nullptr && down->is(Type::truth) && down->as_whole() != 0)
      std::reverse(all.begin(), all.end());
    if (name == "unique") return not_yet("unique of dates is", node);
  }
  out = vector_of(std::move(all));
  return true;
}

// What calls do with dates; nothing where the call has none to do with.
std::optional<bool> Expressions::call_dates(const Node& node, std::string_view name,
                                            const Arguments& arguments, Value& out) {
  if (has_word("as.Date as.POSIXct as.POSIXlt strptime", name))
    return make_date(node, name, arguments, out);
  if (name == "ISOdate" || name == "ISOdatetime") return make_iso_date(node, name, arguments, out);
  if (has_word("Sys.Date Sys.time date", name)) return not_yet("the time of now is", node);
  if (name == "difftime") {
    std::string unit;
    const Value* given = arguments.find("units");
    if (arguments.size() != 2 || (given != nullptr && !take_text(node, *given, unit)))
      return not_yet("difftime with these arguments is", node);
    Value sides[] = {arguments[0], arguments[1]};
    for (Value& side : sides) {
      // Both become moments, of which a date is midnight.
      Arguments one;
      one.values.push_back(side);
      if (!make_date(node, "as.POSIXct", one, side)) return false;
    }
    return subtract_dates(node, sides[0], sides[1], unit, out);
  }
  if (has_word("weekdays months quarters", name)) return name_dates(node, name, arguments, out);
  if (!has_dates(arguments)) {
    if (name != "unclass" || arguments.size() != 1 || !arguments.named.empty()) return std::nullopt;
    out = arguments[0];
    return true;
  }
  const Value& first = arguments[0];
  const bool is_span = is_difference(first);
  if (name == "strftime" || name == "format" || name == "as.character") {
    if (!is_span) return format_dates(node, arguments, out);
    std::string text;
    if (name != "format" || arguments.size() != 1 || !arguments.named.empty())
      return not_yet(std::string(name) + " of a difference is", node);
    if (!format_difference(node, first, text)) return false;
    out = Value::text(std::move(text));
    return true;
  }
  if (has_word("as.numeric as.integer as.double unclass", name)) {
    if (is_span) {
      const Value* given = arguments.find("units");
      std::string unit = unit_of(first);
      if (given != nullptr && !take_text(node, *given, unit)) return false;
      const DifferenceUnit* from = difference_unit(unit_of(first));
      const DifferenceUnit* to = difference_unit(unit);
      if (to == nullptr) return raise("invalid units specified", node);
      Items numbers = items_of(numbers_of(first));
      for (Value& number : numbers) {
        if (number.is(Type::nil) || from == to) continue;
        number = Value::real(double_in(number) * (from->seconds / to->seconds));
      }
      Arguments one;
      one.values.push_back(vector_of(std::move(numbers)));
      if (name == "as.integer") return convert(node, name, one, out);
      out = one.values[0];
      return true;
    }
    Items numbers;
    for (const Value& item : items_of(first)) {
      if (!item.is(Type::nil) && item.as_moment().nanosecond != 0)
        return not_yet("a time with parts of a second as a number is", node);
      const bool is_whole = name == "as.integer";
      if (item.is(Type::nil))
        numbers.emplace_back();
      else if (is_whole && std::abs(number_of(item)) < 2147483648)
        numbers.push_back(Value::whole(Type::i32, number_of(item)));
      else if (is_whole)
        return not_yet("a time that no integer holds is", node);
      else
        numbers.push_back(Value::real(static_cast<double>(number_of(item))));
    }
    out = vector_of(std::move(numbers));
    return true;
  }
  if (name == "units" && is_span) {
    out = Value::text(unit_of(first));
    return true;
  }
  if (name == "round" && is_span) {
    Arguments plain = arguments;
    plain.values[0] = numbers_of(first);
    Value made;
    if (!round(node, name, plain, made)) return false;
    out = difference_of(items_of(made), unit_of(first));
    return true;
  }
  if (has_word("min max range mean sort rev diff c", name) && !is_span)
    return choose_dates(node, name, arguments, out);
  if (name == "seq") return sequence_of_dates(node, arguments, out);
  if (name == "length" && !is_span && arguments.size() == 1) {
    out = Value::whole(Type::i32, static_cast<int128>(items_of(first).size()));
    return true;
  }
  if (name == "class" && arguments.size() == 1) {
    const bool is_day = !is_span && items_of(first)[0].is(Type::date);
    if (is_span || is_day)
      out = Value::text(is_span ? "difftime" : "Date");
    else
      out = Value::list({Value::text(has_known_parts(items_of(first)[0]) ? "POSIXlt" : "POSIXct"),
                         Value::text("POSIXt")});
    return true;
  }
  if (name == "is.na" && !is_span) {
    Items made;
    for (const Value& item : items_of(first)) made.push_back(Value::truth(item.is(Type::nil)));
    out = vector_of(std::move(made));
    return true;
  }
  if (has_word("paste paste0 sprintf message toupper tolower nchar cat print", name))
    return call_with_texts(node, name, arguments, out);
  return not_yet("the function " + std::string(name) + " of dates is", node);
}

// Functions that take a date for its text, or cat, which takes it for its number.
bool Expressions::call_with_texts(const Node& node, std::string_view name,
                                  const Arguments& arguments, Value& out) {
  if (name == "print") {
    if (arguments.size() != 1 || !arguments.named.empty())
      return not_yet("print of dates with these arguments is", node);
    std::string text;
    if (!print_dates(node, arguments[0], text)) return false;
    out = Value::text(std::move(text));
    return true;
  }
  Arguments plain = arguments;
  for (Value& value : plain.values) {
    const bool is_span = is_difference(value);
    if (is_span) {
      value = Value(numbers_of(value));
      continue;
    }
    if (!are_dates(value)) continue;
    Arguments one;
    one.values.push_back(value);
    const bool as_number = name == "cat" || name == "nchar";
    if (as_number ? !*call_dates(node, "as.numeric", one, value) : !format_dates(node, one, value))
      return false;
    const bool is_text = value.is(Type::text) || as_number;
    const bool has_na =
        value.is(Type::list) && std::any_of(value.as_list().begin(), value.as_list().end(),
                                            [](const Value& item) { return item.is(Type::nil); });
    if ((!is_text && !value.is(Type::list)) || has_na) return not_yet("NA among dates is", node);
  }
  return call_plain(node, std::string(name), plain, out);
}

}  // namespace inky::inline v1::r_language
