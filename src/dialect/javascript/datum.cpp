// Values of JavaScript, and as text.

#include <algorithm>
#include <bit>
#include <cmath>

#include "../family/values.hpp"
#include "dates.hpp"
#include "evaluation.hpp"
#include "json.hpp"
#include "numbers.hpp"

namespace inky::inline v1::javascript {

Datum Datum::of_number(double number) {
  Datum out;
  out.kind = DatumKind::number;
  out.number = number;
  return out;
}

Datum Datum::of_text(std::string text) {
  Datum out;
  out.kind = DatumKind::text;
  out.text = std::move(text);
  return out;
}

Datum Datum::of_truth(bool truth) {
  Datum out;
  out.kind = DatumKind::boolean;
  out.truth = truth;
  return out;
}

Datum Datum::of_kind(Kind kind) {
  Datum out;
  out.kind = kind;
  return out;
}

std::size_t item_count(const Datum& array) {
  return array.items.size() - (array.kind == DatumKind::array ? array.keys.size() : 0);
}

std::optional<Datum> datum_of(const Value& value) {
  Datum out;
  switch (value.type()) {
    case Type::i128:
    case Type::u128:
    case Type::big:
      out.kind = DatumKind::big;
      out.big = natural_of(value);
      return out;
    case Type::text:
    case Type::character:
      return Datum::of_text(text_of(value));
    case Type::truth:
      out.kind = DatumKind::boolean;
      out.truth = value.as_whole() != 0;
      return out;
    case Type::nil:
      out.kind = DatumKind::null;
      return out;
    case Type::complex:
    case Type::decimal:
    case Type::date:
    case Type::time:
    case Type::duration:
      return std::nullopt;
    case Type::moment: {
      constexpr double minute = 60'000;
      const Moment moment = value.as_moment();
      out.kind = DatumKind::date;
      out.number = time_of(moment) - minute * moment.offset.value_or(0);
      return out;
    }
    case Type::list:
    case Type::tuple:
    case Type::record:
      out.kind = value.is(Type::record) ? DatumKind::object : DatumKind::array;
      for (const Value& item : value.as_list()) {
        auto part = datum_of(item);
        if (!part) return std::nullopt;
        if (value.is(Type::record)) out.keys.emplace_back(item.name());
        out.items.push_back(std::move(*part));
      }
      return out;
    default:
      return Datum::of_number(std::bit_cast<double>(low_half(pack(binary64, nearest_f64(value)))));
  }
}

void append_text(const Datum& datum, std::string& out) {
  switch (datum.kind) {
    case DatumKind::hole:
    case DatumKind::undefined:
      out += "undefined";
      return;
    case DatumKind::null:
      out += "null";
      return;
    case DatumKind::boolean:
      out += datum.truth ? "true" : "false";
      return;
    case DatumKind::number:
      return append_number(datum.number, out);
    case DatumKind::big:
      if (datum.big.negative) out += '-';
      return append_whole(datum.big.magnitude, 10, Letters::lower, out);
    case DatumKind::text:
      out += datum.text;
      return;
    case DatumKind::array:
      for (std::size_t i = 0; i < item_count(datum); ++i) {
        if (i > 0) out += ',';
        if (datum.items[i].kind > DatumKind::null) append_text(datum.items[i], out);
      }
      return;
    case DatumKind::object:
      out += "[object Object]";
      return;
    case DatumKind::function:
      out += datum.function->written ? datum.function->written->text
                                     : "function " + datum.function->path + "() { [native code] }";
      return;
    case DatumKind::pattern:
      (((out += '/') += datum.text) += '/') += datum.keys[0];
      return;
    case DatumKind::date:
      out += date_text(datum.number);
      return;
    case DatumKind::map:
      out += "[object Map]";
      return;
    case DatumKind::set:
      out += "[object Set]";
      return;
    case DatumKind::iterator:
      ((out += "[object ") += datum.text) += " Iterator]";
      return;
    case DatumKind::error:
      out += datum.keys[0];
      if (!datum.text.empty()) (out += ": ") += datum.text;
      return;
    case DatumKind::formatter:
      ((out += "[object Intl.") += datum.text) += ']';
  }
}

namespace {

bool append_source(const Datum& datum, std::string& out);

// The names around it are those of a function around that.
bool append_function(const Function& function, std::string& out) {
  std::string names;
  std::string values;
  for (std::size_t i = 0; i < function.around.size(); ++i) {
    const std::string& name = function.around[i].first;
    const auto later = function.around.begin() + static_cast<std::ptrdiff_t>(i) + 1;
    const bool is_hidden = std::any_of(later, function.around.end(),
                                       [&](const auto& other) { return other.first == name; });
    if (is_hidden) continue;
    (names += names.empty() ? "" : ", ") += name;
    values += values.empty() ? "" : ", ";
    if (!append_source(function.around[i].second, values)) return false;
  }
  if (names.empty()) {
    ((out += '(') += function.written->text) += ')';
    return true;
  }
  ((((out += "((") += names) += ") => (") += function.written->text) += "))(";
  (out += values) += ')';
  return true;
}

// A function in another value: its names would be those of where it is used, and in a loop these are
// others by then.
bool has_names(const Datum& datum) {
  if (datum.kind != DatumKind::function || !datum.function->written) return false;
  const std::vector<std::string> names = names_in(*datum.function->written);
  return std::any_of(names.begin(), names.end(), [&](const std::string& name) {
    const auto& around = datum.function->around;
    return !is_global(name) && std::none_of(around.begin(), around.end(),
                                            [&](const auto& own) { return own.first == name; });
  });
}

bool append_sources(const Datum& datum, std::string& out) {
  const bool is_object = datum.kind == DatumKind::object;
  out += is_object ? '{' : '[';
  for (std::size_t i = 0; i < datum.items.size(); ++i) {
    if (i > 0) out += ", ";
    if (is_object) (out += json_text(datum.keys[i])) += ": ";
    if (has_names(datum.items[i]) || !append_source(datum.items[i], out)) return false;
  }
  out += is_object ? '}' : ']';
  return true;
}

bool append_source(const Datum& datum, std::string& out) {
  switch (datum.kind) {
    case DatumKind::text:
      out += json_text(datum.text);
      return true;
    case DatumKind::number:
      if (datum.number == 0 && std::signbit(datum.number)) out += '-';
      append_number(datum.number, out);
      return true;
    case DatumKind::big:
      append_text(datum, out);
      out += 'n';
      return true;
    case DatumKind::function:
      if (!datum.function->written) {
        out += datum.function->path;
        return true;
      }
      return append_function(*datum.function, out);
    case DatumKind::array:
      return datum.keys.empty() && append_sources(datum, out);
    case DatumKind::object:
      return append_sources(datum, out);
    case DatumKind::map:
    case DatumKind::set:
      out += datum.kind == DatumKind::map ? "new Map(" : "new Set(";
      if (!append_sources(datum, out)) return false;
      out += ')';
      return true;
    case DatumKind::date:
      out += "new Date(";
      append_number(datum.number, out);
      out += ')';
      return true;
    case DatumKind::error:
      (((out += "new ") += datum.keys[0]) += '(') += json_text(datum.text);
      out += ')';
      return true;
    case DatumKind::formatter: {
      ((out += "new Intl.") += datum.text) += '(';
      for (std::size_t i = 0; i < datum.items.size(); ++i) {
        if (i > 0) out += ", ";
        if (!append_source(datum.items[i], out)) return false;
      }
      out += ')';
      return true;
    }
    case DatumKind::hole:
    case DatumKind::iterator:
      return false;
    default:
      append_text(datum, out);
      return true;
  }
}

}  // namespace

std::optional<std::string> source_of(const Datum& datum) {
  std::string out;
  return append_source(datum, out) ? std::optional(std::move(out)) : std::nullopt;
}

}  // namespace inky::inline v1::javascript
