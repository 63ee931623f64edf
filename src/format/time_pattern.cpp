#include "inky_margin/format/time_pattern.hpp"

#include <algorithm>

#include "text/escape.hpp"
#include "text/nearest_name.hpp"

namespace inky::inline v1 {

namespace {

constexpr TimePartFact parts[] = {
    {"year", "the year"},
    {"year:2", "its last two digits"},
    {"month", "01 to 12"},
    {"month:1", "1 to 12"},
    {"month:name", "January"},
    {"month:short", "Jan"},
    {"day", "01 to 31"},
    {"day:1", "1 to 31"},
    {"day:space", "1 to 31, a space before one digit"},
    {"weekday", "Sunday"},
    {"weekday:short", "Sun"},
    {"yearday", "the day of the year, 001 to 366"},
    {"hour", "00 to 23"},
    {"hour:1", "0 to 23"},
    {"hour12", "01 to 12"},
    {"hour12:1", "1 to 12"},
    {"minute", "00 to 59"},
    {"second", "00 to 59"},
    {"fraction:1", "tenths of a second, cut"},
    {"fraction:2", "hundredths"},
    {"fraction:3", "thousandths"},
    {"fraction:6", "millionths"},
    {"fraction:7", "ten millionths"},
    {"fraction:9", "billionths"},
    {"half", "AM or PM"},
    {"half:lower", "am or pm"},
    {"offset", "+02:00"},
    {"offset:basic", "+0200"},
};

const TimePartFact* part_named(std::string_view name) {
  const auto found = std::find_if(std::begin(parts), std::end(parts),
                                  [&](const TimePartFact& one) { return one.name == name; });
  return found == std::end(parts) ? nullptr : found;
}

Error unknown_part(std::string_view name, Span span) {
  std::vector<std::string_view> names;
  for (const TimePartFact& one : parts) names.push_back(one.name);
  return {Code::bad_value, "a moment has no part " + in_quotes(name), span,
          choices_for(name, names)};
}

}  // namespace

std::span<const TimePartFact> time_parts() {
  return parts;
}

Result<std::vector<TimePart>> read_time_pattern(std::string_view text) {
  std::vector<TimePart> out;
  const auto add = [&](char c) {
    if (out.empty() || !out.back().name.empty()) out.push_back({});
    out.back().text += c;
  };
  for (std::size_t at = 0; at < text.size(); ++at) {
    const char c = text[at];
    if (c != '{' && c != '}') {
      add(c);
      continue;
    }
    if (at + 1 < text.size() && text[at + 1] == c) {
      add(c);
      ++at;
      continue;
    }
    const std::size_t end = text.find('}', at);
    if (c == '}' || end == std::string_view::npos)
      return Error{Code::bad_value,
                   c == '}' ? "a } stands alone" : "a part is not closed",
                   {at, c == '}' ? at + 1 : text.size()},
                   "Parts are as {month}; a brace as text is written twice."};
    const std::string_view name = text.substr(at + 1, end - at - 1);
    const TimePartFact* part = part_named(name);
    if (part == nullptr) return unknown_part(name, {at, end + 1});
    out.push_back({part->name, {}});
    at = end;
  }
  return out;
}

std::string time_pattern_text(std::span<const TimePart> given) {
  std::string out;
  for (const TimePart& part : given) {
    if (!part.name.empty()) {
      ((out += '{') += part.name) += '}';
      continue;
    }
    for (const char c : part.text) {
      if (c == '{' || c == '}') out += c;
      out += c;
    }
  }
  return out;
}

}  // namespace inky::inline v1
