// Patterns of moments in the letters of a language, and back.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>

#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::family {

// How a language shows a part of a moment.
struct TimeLetter {
  std::string_view part;     // of time_parts()
  std::string_view letters;  // "%m", "MM"
};

// The codes of strftime(): those of the standard first, and those of the GNU C library behind them.
std::span<const TimeLetter> strftime_letters();
std::span<const TimeLetter> standard_strftime_letters();

// A pattern in these letters. `put` appends a text that stands for itself; false where it cannot.
// Nothing, and a note, where a part has no letters there.
std::optional<std::string> write_time(std::string_view language,
                                      std::span<const TimeLetter> letters,
                                      const TimePattern& pattern,
                                      bool (*put)(std::string_view text, std::string& out),
                                      Notes& notes);

// The pattern of codes such as %d.%m.%Y; nothing where one of them has no such part.
std::optional<TimePattern> read_strftime(std::string_view codes,
                                         std::span<const TimeLetter> letters);
// The pattern of runs of letters such as dd.MM.yyyy, with texts in quotes; nothing where a run of
// letters has no such part.
std::optional<TimePattern> read_letter_runs(std::string_view runs,
                                            std::span<const TimeLetter> letters);

// The wish of a field that shows it.
Spec time_wish(const TimePattern& pattern);

// Says that the field is not written: the wish names no parts, or pads the text.
bool note_time_wish(std::string_view language, const FieldWish& wish, Notes& notes);

// Codes with a percent sign in a literal in double quotes: of a language, or those of the standard, or of the GNU C
// library, too.
std::optional<std::string> write_codes(std::string_view language,
                                       std::span<const TimeLetter> letters, const FieldWish& wish,
                                       Notes& notes);
std::optional<std::string> write_strftime(const FieldWish& wish, Notes& notes);
std::optional<std::string> write_standard_strftime(const FieldWish& wish, Notes& notes);

// A percent sign is written twice in codes.
bool put_strftime_text(std::string_view text, std::string& out);

}  // namespace inky::inline v1::family
