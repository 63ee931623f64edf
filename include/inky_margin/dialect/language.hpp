// The source languages that a scanner knows, and which calls of each take a template.
//
//   const SourceLanguage* java = language_of_file("InkRoom.java");
//   java->calls[0].name, java->calls[0].dialect, java->calls[0].template_at
//                                     // "String.format", "java", 0
//   language_of_file("notes.txt")     // null: no language's ending
#pragma once

#include <cstdint>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/format/note.hpp"

namespace inky::inline v1 {

// How the template and the values of a call are written.
enum class CallShape : std::uint8_t {
  arguments,      // name(template, value, value)
  receiver,       // "template".name(value, value)
  juxtaposed,     // name template value value
  list,           // (name template value value)
  insertions,     // name << value << value
  template_only,  // name(template): the values come from elsewhere
  specification,  // value.name(specification) of argument 0, name(value, specification) of others
};

// How the holes of a template are written that a logger or a library fills in. Which of them get a
// value is checked (check/holes.hpp); no dialect shows what is printed.
enum class HoleRule : std::uint8_t {
  none,           // the template is one of a dialect
  braces,         // "{} of {}"
  braces_if_any,  // the same, where there is at least one
  names,          // "{Count} of {Total}", in the order of the values
  numbers,        // "{0} of {1}"
  letters,        // "%d of %d", without width and places
};

// A call that takes a template.
struct CallForm {
  std::string name;     // as written in source: "printf", "std::format", "println!"
  std::string dialect;  // the id; empty where there is a rule for holes
  int template_at = 0;  // which argument, from 0; of the shapes that have arguments
  CallShape shape = CallShape::arguments;
  bool needs_values = false;   // without any, its argument is printed as it is
  bool names_locale = false;   // an argument before the template is a locale
  bool names_options = false;  // arguments by name are no values of the template
  std::string header = {};     // the call is one only where this is included; empty: anywhere
  bool alone = false;          // nothing stands before its name
  // The name before the last point may be part of a longer one, in any case: what logger.info
  // says is true of appLogger.info and _LOGGER.info.
  bool ends_receiver = false;
  bool options_first = false;  // arguments by name before the template are no values of it
  bool names_id = false;       // the argument before the template is an identifier: "a:b"
  HoleRule holes = HoleRule::none;
};

struct Lexis;

// The prefixes of whole numbers in base 2, 8 and 16: "0b", "0o", "0x". A prefix is empty where the
// language has no such literal.
struct BasePrefixes {
  std::string_view binary;
  std::string_view octal;
  std::string_view hexadecimal;

  bool operator==(const BasePrefixes&) const = default;
};

struct SourceLanguage {
  std::string_view id;
  std::string_view name;
  std::string_view endings;       // of file names, separated by spaces
  std::string_view interpreters;  // in the first line of a script; the same
  std::string_view dialect;       // of most of its calls
  std::vector<CallForm> calls;
  const Lexis* lexis;  // its comments, literals and names
  BasePrefixes prefixes;
};

std::span<const SourceLanguage> all_languages();
// Null where there is none.
const SourceLanguage* find_language(std::string_view id);
// By the ending of its name; a name without one by the first line of the text, #!/usr/bin/python3.
// `begins`: how the text begins, at least to the end of its first line; may be left out. An ending
// that two languages have, as .inc, is the one's whose code the text begins with: <?php.
const SourceLanguage* language_of_file(std::string_view file_name, std::string_view begins = {});

}  // namespace inky::inline v1
