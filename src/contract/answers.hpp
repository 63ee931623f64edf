// What the answers of the contract have in common. docs/contract.md.
#pragma once

#include <string>
#include <string_view>

#include "contract/json_writer.hpp"
#include "inky_margin/format/note.hpp"
#include "inky_margin/format/outcome.hpp"

namespace inky::inline v1 {

// [from, to]
void write_span(const Span& span, JsonWriter& out);
// {"code", "message", "span", "remedy"}
void write_error(const Error& error, JsonWriter& out);
// The member "error".
void write_error_member(const Error& error, JsonWriter& out);
// The member "notes".
void write_notes(const Notes& notes, JsonWriter& out);
// {"error": ...}
void write_error_answer(const Error& error, JsonWriter& out);
// The same: the answer to a line that cannot be answered, without the line end.
std::string error_line(const Error& error);
// The answer to a line above most_request.
std::string too_long_line();
// The members complaints and status, or fails, undefined or error; none where it prints.
void write_trouble(const Outcome& outcome, JsonWriter& out);
// The members text, texts or bytes, with complaints and status where there are any; or fails,
// undefined or error; then notes.
void write_outcome(const Outcome& outcome, std::string_view text, const Report& report,
                   JsonWriter& out);
// A text where it is UTF-8, and else the member "bytes" with its bytes in base 16.
void write_text_or_bytes(std::string_view text, JsonWriter& out);

}  // namespace inky::inline v1
