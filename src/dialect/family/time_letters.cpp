#include "time_letters.hpp"

#include <algorithm>

#include "text/ascii.hpp"
#include "writing.hpp"

namespace inky::inline v1::family {

namespace {

constexpr TimeLetter of_strftime[] = {
    {"year", "%Y"},          {"year:2", "%y"},  {"month", "%m"},     {"month:name", "%B"},
    {"month:short", "%b"},   {"day", "%d"},     {"day:space", "%e"}, {"weekday", "%A"},
    {"weekday:short", "%a"}, {"yearday", "%j"}, {"hour", "%H"},      {"hour12", "%I"},
    {"minute", "%M"},        {"second", "%S"},  {"half", "%p"},      {"offset:basic", "%z"},
    {"month:1", "%-m"},      {"day:1", "%-d"},  {"hour:1", "%-H"},   {"hour12:1", "%-I"},
    {"half:lower", "%P"},
};
constexpr std::size_t standard_codes = 16;

// Codes that are short for others: ISO C17, 7.27.3.5.
struct ShortCode {
  std::string_view code;
  std::string_view pattern;
};
constexpr ShortCode short_codes[] = {
    {"%F", "{year}-{month}-{day}"}, {"%T", "{hour}:{minute}:{second}"},
    {"%R", "{hour}:{minute}"},      {"%D", "{month}/{day}/{year:2}"},
    {"%h", "{month:short}"},        {"%%", "%"},
};

void add_text(std::string_view text, std::vector<TimePart>& out) {
  if (text.empty()) return;
  if (out.empty() || !out.back().name.empty()) out.push_back({});
  out.back().text += text;
}

}  // namespace

std::span<const TimeLetter> strftime_letters() {
  return of_strftime;
}

std::span<const TimeLetter> standard_strftime_letters() {
  return std::span(of_strftime).first(standard_codes);
}

bool put_strftime_text(std::string_view text, std::string& out) {
  for (const char c : text) {
    if (c == '%') out += c;
    out += c;
  }
  return true;
}

std::optional<std::string> write_time(std::string_view language,
                                      std::span<const TimeLetter> letters,
                                      const TimePattern& pattern,
                                      bool (*put)(std::string_view text, std::string& out),
                                      Notes& notes) {
  const auto parts = read_time_pattern(pattern.text());
  if (!parts) {
    notes.push_back({Code::wish_not_expressible, parts.error().message, {}});
    return std::nullopt;
  }
  std::string out;
  for (const TimePart& part : *parts) {
    if (part.name.empty()) {
      if (put(part.text, out)) continue;
      writing::cannot(
          std::string(language) + " cannot have this text between the parts of a moment", notes);
      return std::nullopt;
    }
    const auto found = std::find_if(letters.begin(), letters.end(),
                                    [&](const TimeLetter& one) { return one.part == part.name; });
    if (found == letters.end()) {
      writing::cannot(std::string(language) + " has no letters for the part " +
                          std::string(part.name) + " of a moment",
                      notes);
      return std::nullopt;
    }
    out += found->letters;
  }
  return out;
}

std::optional<TimePattern> read_strftime(std::string_view codes,
                                         std::span<const TimeLetter> letters) {
  std::vector<TimePart> out;
  while (!codes.empty()) {
    const std::size_t at = std::min(codes.find('%'), codes.size());
    add_text(codes.substr(0, at), out);
    codes.remove_prefix(at);
    if (codes.empty()) break;
    const auto found = std::find_if(letters.begin(), letters.end(), [&](const TimeLetter& one) {
      return codes.starts_with(one.letters);
    });
    if (found != letters.end()) {
      out.push_back({found->part, {}});
      codes.remove_prefix(found->letters.size());
      continue;
    }
    const auto shorter =
        std::find_if(std::begin(short_codes), std::end(short_codes),
                     [&](const ShortCode& one) { return codes.starts_with(one.code); });
    if (shorter == std::end(short_codes)) return std::nullopt;
    const auto longer = read_time_pattern(shorter->pattern);
    for (const TimePart& part : *longer) {
      if (part.name.empty())
        add_text(part.text, out);
      else
        out.push_back(part);
    }
    codes.remove_prefix(shorter->code.size());
  }
  return TimePattern(time_pattern_text(out));
}

std::optional<TimePattern> read_letter_runs(std::string_view runs,
                                            std::span<const TimeLetter> letters) {
  std::vector<TimePart> out;
  while (!runs.empty()) {
    const char c = runs[0];
    if (c == '\'' || c == '"') {
      const std::size_t end = runs.find(c, 1);
      if (end == std::string_view::npos) return std::nullopt;
      add_text(runs.substr(1, end - 1), out);
      runs.remove_prefix(end + 1);
      continue;
    }
    if (c == '\\' || c == '%') return std::nullopt;
    if (!is_word_start(c) || c == '_') {
      add_text(runs.substr(0, 1), out);
      runs.remove_prefix(1);
      continue;
    }
    const std::size_t size = std::min(runs.find_first_not_of(c), runs.size());
    const auto found = std::find_if(letters.begin(), letters.end(), [&](const TimeLetter& one) {
      return one.letters == runs.substr(0, size);
    });
    if (found == letters.end()) return std::nullopt;
    out.push_back({found->part, {}});
    runs.remove_prefix(size);
  }
  return TimePattern(time_pattern_text(out));
}

Spec time_wish(const TimePattern& pattern) {
  Spec out;
  out.kind = Kind::moment;
  out.moment = pattern;
  return out;
}

bool note_time_wish(std::string_view language, const FieldWish& wish, Notes& notes) {
  if (wish.spec.moment.empty()) {
    writing::cannot("say which parts of the moment are shown: moment = {year}-{month}-{day}",
                    notes);
    return true;
  }
  if (wish.spec.width == 0) return false;
  writing::cannot(std::string(language) + " has no width for a moment in a field", notes);
  return true;
}

namespace {

bool put_in_literal(std::string_view text, std::string& out) {
  const auto written = writing::literal({}, text);
  return written && put_strftime_text(*written, out);
}

}  // namespace

std::optional<std::string> write_codes(std::string_view language,
                                       std::span<const TimeLetter> letters, const FieldWish& wish,
                                       Notes& notes) {
  if (note_time_wish(language, wish, notes)) return std::nullopt;
  return write_time(language, letters, wish.spec.moment, put_in_literal, notes);
}

std::optional<std::string> write_strftime(const FieldWish& wish, Notes& notes) {
  return write_codes("strftime", strftime_letters(), wish, notes);
}

std::optional<std::string> write_standard_strftime(const FieldWish& wish, Notes& notes) {
  return write_codes("strftime", standard_strftime_letters(), wish, notes);
}

}  // namespace inky::inline v1::family
