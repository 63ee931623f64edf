// What a dialect makes of one template, with everything it shows.
#pragma once

#include <catch2/catch.hpp>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"

namespace support {

struct Answer {
  std::string text;
  inky::Outcome outcome;
  inky::Report report;
  std::string codes;  // of the notes, separated by spaces
};

// Into an output that already holds something, which must stay.
inline Answer answer(const inky::Dialect& dialect, std::string_view source,
                     const std::vector<inky::Value>& values, const inky::RenderOptions& options) {
  const inky::Result<inky::Template> parsed = dialect.parse(source);
  REQUIRE(parsed.ok());
  inky::TextBuffer out;
  out.append("before|");
  Answer made;
  made.outcome = dialect.render(*parsed, values, options, out, &made.report);
  made.text = out.string().substr(7);
  for (const inky::Note& note : made.report.notes) {
    if (!made.codes.empty()) made.codes += ' ';
    made.codes += name_of(note.code);
  }
  return made;
}

// A value as on the command line. REQUIRES: one that can be read.
inline inky::Value value(const char* text) {
  return *inky::read_value(text);
}

}  // namespace support
