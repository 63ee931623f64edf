#include "terminal.hpp"

#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <cstdio>
#include <cstring>

#include "screen.hpp"
#include "text/escape.hpp"

namespace inky::cli {

namespace {

// ECMA-48, 8.3.117: select graphic rendition. Its bytes, or 0 where it is something else.
std::size_t colour_size(std::string_view text) {
  if (!text.starts_with("\x1b[")) return 0;
  const std::size_t end = std::min(text.find_first_not_of("0123456789;", 2), text.size());
  return end < text.size() && text[end] == 'm' ? end + 1 : 0;
}

bool is_terminal() {
  static const bool is_one = isatty(STDOUT_FILENO) != 0;
  return is_one;
}

bool put(std::string_view text, std::FILE* stream) {
  return std::fwrite(text.data(), 1, text.size(), stream) == text.size();
}

}  // namespace

std::string for_terminal(std::string_view text) {
  std::string out;
  while (!text.empty()) {
    if (const std::size_t size = colour_size(text); size != 0) {
      out += text.substr(0, size);
      text.remove_prefix(size);
      continue;
    }
    if (text[0] == '\n' || text[0] == '\t') {
      out += text[0];
      text.remove_prefix(1);
      continue;
    }
    // Up to the next of them, or of what may be a colour.
    const std::size_t size = std::min(text.find_first_of("\n\t\x1b", 1), text.size());
    out += visible(text.substr(0, size));
    text.remove_prefix(size);
  }
  return out;
}

bool write_piece(std::string_view text) {
  return is_terminal() ? put(for_terminal(text), stdout) : put(text, stdout);
}

bool flush_out() {
  return std::fflush(stdout) == 0;
}

bool write_out(std::string_view text) {
  errno = 0;
  if (write_piece(text) && flush_out()) return true;
  const Error error{Code::output_failed,
                    std::string("the output could not be written: ") + std::strerror(errno),
                    {},
                    "What was printed so far is not complete."};
  write_error(error_text(error, {}, look_of(stderr, false)));
  return false;
}

void clear_screen() {
  if (is_terminal()) put("\x1b[H\x1b[2J", stdout);
}

void write_error(std::string_view text) {
  put(for_terminal(text), stderr);
}

void write_progress(std::string_view text) {
  put("\r" + visible(text) + "\x1b[K", stderr);
}

}  // namespace inky::cli
