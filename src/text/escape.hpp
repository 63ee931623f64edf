// Text made safe to look at: what cannot be seen is shown by a name.
//
//   visible("tab\there")        // "tab\there" with the two characters \t
//   in_quotes("say \"ink\"")       // "say \"ink\"" with its quotes escaped, inside quotes
#pragma once

#include <string>
#include <string_view>

namespace inky::inline v1 {

// Control characters as \n, \t, \x1b; bytes that are not UTF-8 as \xff; direction marks and other
// invisible format characters as \u{202e}. Everything else stays.
std::string visible(std::string_view text);

// The same between double quotes, with quotes and backslashes escaped.
std::string in_quotes(std::string_view text);

// Whether a character shows as itself: no control or format character, no separator but the space,
// none that is private or not assigned (by the Unicode version of utf8proc).
bool is_printable(char32_t value);

// Whether a code point extends the one before it: the property Grapheme_Extend of the Unicode
// Standard.
bool extends_another(char32_t value);

// Bytes as lower-case hexadecimal pairs.
std::string to_hexadecimal(std::string_view bytes);

}  // namespace inky::inline v1
