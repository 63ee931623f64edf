// The one way of what this tool prints. A test sees to it that there is no other.
#pragma once

#include <string>
#include <string_view>

namespace inky::cli {

// Writes all of it to standard output and flushes; false, with a message, when it cannot. On a
// terminal, what could act on it is shown by name.
bool write_out(std::string_view text);

// The same without saying so, and without flushing: for output in pieces.
bool write_piece(std::string_view text);
bool flush_out();

// Where standard output is a terminal.
void clear_screen();

// To standard error, shown by name wherever that goes.
void write_error(std::string_view text);

// A line of standard error that the next one takes the place of; empty: it is taken away.
void write_progress(std::string_view text);

// Text with nothing in it that acts on a terminal, but for line ends, tabs and colours.
std::string for_terminal(std::string_view text);

}  // namespace inky::cli
