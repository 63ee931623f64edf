#include "moment_writing.hpp"

#include <algorithm>

#include "../family/time_letters.hpp"
#include "../family/writing.hpp"
#include "dialects.hpp"

namespace inky::inline v1::java_language {

namespace {

// java.util.Formatter, Date/Time Conversions. The percent sign stands where a field begins, and
// names the value.
constexpr family::TimeLetter field_letters[] = {
    {"year", "%tY"},          {"year:2", "%ty"},     {"month", "%tm"},      {"month:name", "%tB"},
    {"month:short", "%tb"},   {"day", "%td"},        {"day:1", "%te"},      {"weekday", "%tA"},
    {"weekday:short", "%ta"}, {"yearday", "%tj"},    {"hour", "%tH"},       {"hour:1", "%tk"},
    {"hour12", "%tI"},        {"hour12:1", "%tl"},   {"minute", "%tM"},     {"second", "%tS"},
    {"fraction:3", "%tL"},    {"fraction:9", "%tN"}, {"half:lower", "%tp"}, {"half", "%Tp"},
    {"offset:basic", "%tz"},
};

// A byte that no literal has where it begins a field: literals write it as an escape.
constexpr char field_mark = '\1';

bool put_text(std::string_view text, std::string& out) {
  const auto written = java_dialect()->writer().write_literal(text);
  if (written) out += *written;
  return written.has_value();
}

}  // namespace

WrittenField write_moment(const FieldWish& wish) {
  WrittenField out;
  if (family::note_time_wish("Java", wish, out.notes)) return out;
  std::vector<family::TimeLetter> marked;
  std::vector<std::string> kept;
  kept.reserve(std::size(field_letters));
  for (const family::TimeLetter& one : field_letters) {
    kept.push_back(field_mark + std::string(one.letters.substr(1)));
    marked.push_back({one.part, kept.back()});
  }
  const auto codes = family::write_time("Java", marked, wish.spec.moment, put_text, out.notes);
  if (!codes) return out;
  bool is_first = true;
  for (const char c : *codes) {
    if (c != field_mark) {
      out.source += c;
      continue;
    }
    out.source += '%';
    if (!is_first)
      out.source += '<';
    else if (wish.position != unset)
      out.source += std::to_string(wish.position) + "$";
    is_first = false;
  }
  return out;
}

std::optional<Spec> moment_wish(const Field& field, std::string_view source, Notes& notes) {
  std::string plain = "%";
  const std::size_t letter = source.size() - 2;
  plain += source.substr(letter);
  const auto pattern = family::read_strftime(plain, field_letters);
  constexpr std::string_view shorts[][2] = {{"%tF", "%tY-%tm-%td"},
                                            {"%tT", "%tH:%tM:%tS"},
                                            {"%tR", "%tH:%tM"},
                                            {"%tD", "%tm/%td/%ty"},
                                            {"%tr", "%tI:%tM:%tS %Tp"}};
  if (!field.width.given() && pattern) return family::time_wish(*pattern);
  for (const auto& [code, parts] : shorts) {
    if (plain != code || field.width.given()) continue;
    if (const auto longer = family::read_strftime(parts, field_letters))
      return family::time_wish(*longer);
  }
  writing::cannot("the field " + std::string(source) + " is Java's own", notes);
  return std::nullopt;
}

}  // namespace inky::inline v1::java_language
