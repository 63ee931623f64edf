// Wishes for moments as formats of datestr(): the Octave manual, Timing Utilities.

#include "../family/time_letters.hpp"
#include "dates.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::octave {

namespace {

constexpr family::TimeLetter date_letters[] = {
    {"year", "yyyy"},       {"year:2", "yy"}, {"month", "mm"},     {"month:name", "mmmm"},
    {"month:short", "mmm"}, {"day", "dd"},    {"weekday", "dddd"}, {"weekday:short", "ddd"},
    {"hour", "HH"},         {"minute", "MM"}, {"second", "SS"},    {"fraction:3", "FFF"},
};

// There is no way to have a letter stand for itself.
bool put_between(std::string_view text, std::string& out) {
  for (const char c : text) {
    const bool is_plain = c >= ' ' && static_cast<unsigned char>(c) < 0x80 && !is_word_start(c) &&
                          std::string_view("\"\\%'").find(c) == std::string_view::npos;
    if (!is_plain) return false;
    out += c;
  }
  return true;
}

}  // namespace

std::optional<std::string> write_datestr(const FieldWish& wish, Notes& notes) {
  if (family::note_time_wish("datestr of GNU Octave", wish, notes)) return std::nullopt;
  return family::write_time("datestr of GNU Octave", date_letters, wish.spec.moment, put_between,
                            notes);
}

}  // namespace inky::inline v1::octave
