// Wishes for moments as formats of DateTimeInterface::format(): the PHP manual.

#include "../family/time_letters.hpp"
#include "dates.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::php {

namespace {

constexpr family::TimeLetter date_letters[] = {
    {"year", "Y"},         {"year:2", "y"},        {"month", "m"},  {"month:1", "n"},
    {"month:name", "F"},   {"month:short", "M"},   {"day", "d"},    {"day:1", "j"},
    {"weekday", "l"},      {"weekday:short", "D"}, {"hour", "H"},   {"hour:1", "G"},
    {"hour12", "h"},       {"hour12:1", "g"},      {"minute", "i"}, {"second", "s"},
    {"fraction:3", "v"},   {"fraction:6", "u"},    {"half", "A"},   {"half:lower", "a"},
    {"offset:basic", "O"}, {"offset", "P"},
};

// A letter that stands for itself has a backslash before it; so has a quote in the literal.
bool put_between(std::string_view text, std::string& out) {
  for (const char c : text) {
    if (c == '\\')
      out += R"(\\\)";
    else if (c == '\'' || is_word_start(c))
      out += '\\';
    out += c;
  }
  return true;
}

}  // namespace

std::optional<std::string> write_date_letters(const FieldWish& wish, Notes& notes) {
  if (family::note_time_wish("PHP", wish, notes)) return std::nullopt;
  return family::write_time("PHP", date_letters, wish.spec.moment, put_between, notes);
}

}  // namespace inky::inline v1::php
