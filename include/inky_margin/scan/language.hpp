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
};

// A call that takes a template.
struct CallForm {
  std::string name;     // as it stands in source: "printf", "std::format", "println!"
  std::string dialect;  // the id
  int template_at = 0;  // which argument, from 0; of the shapes that have arguments
  CallShape shape = CallShape::arguments;
  bool needs_values = false;   // without any, its argument is printed as it is
  bool names_locale = false;   // an argument before the template is a locale
  bool names_options = false;  // arguments by name are no values of the template
};

struct Lexis;

struct SourceLanguage {
  std::string_view id;
  std::string_view name;
  std::string_view endings;  // of file names, separated by spaces
  std::string_view dialect;  // of most of its calls
  std::span<const CallForm> calls;
  const Lexis* lexis;  // its comments, literals and names
};

std::span<const SourceLanguage> all_languages();
// Null where there is none.
const SourceLanguage* find_language(std::string_view id);
const SourceLanguage* language_of_file(std::string_view file_name);

// More calls of a language, from a table in TOML:
//
//   [[call]]
//   language = "c"         # the id of a language
//   name = "log_line"      # as it stands in source, with its path where it has to have one
//   template = 1           # which argument is the template, from 0; 0 where it is left out
//   dialect = "c"          # left out: the usual one of the language
//   values = "elsewhere"   # left out: they follow the template
//
// An error points into `text`.
struct CallTable {
  struct Entry {
    const SourceLanguage* language;
    CallForm form;
  };
  std::vector<Entry> entries;

  // The calls of a language, those of the table first.
  std::vector<CallForm> calls_of(const SourceLanguage& language) const;
};
Result<CallTable> read_call_table(std::string_view text);

}  // namespace inky::inline v1
