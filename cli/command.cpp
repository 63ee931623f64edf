#include "command.hpp"

#include <unistd.h>

#include <algorithm>
#include <cerrno>
#include <cstdio>
#include <cstring>
#include <fstream>
#include <memory>

#include "contract/answers.hpp"
#include "screen.hpp"
#include "text/escape.hpp"

namespace inky::cli {

namespace {

// No argument of a person begins with this control character.
constexpr char guard = '\x1f';

Error unreadable(const std::string& path, const char* why) {
  const bool may_be_template = path.find_first_of("%{}~") != std::string::npos;
  return {Code::unreadable_file,
          "cannot read " + in_quotes(path) + ": " + why,
          {},
          may_be_template
              ? "A file is read here. For a template, run inky show " + in_quotes(path) + "."
              : "Check the path and its permissions; - is standard input."};
}

Result<std::string> read_stream(std::FILE* stream, const std::string& path) {
  std::string out;
  char room[65536];
  errno = 0;
  for (std::size_t size = 0; (size = std::fread(room, 1, sizeof room, stream)) > 0;) {
    out.append(room, size);
    if (out.size() > most_whole_file)
      return Error{Code::over_limit,
                   in_quotes(path) + " is over the limit of " + std::to_string(most_whole_file) +
                       " bytes for what is read whole",
                   {},
                   "Give less at a time. CSV may be of any size where it is printed with --bare."};
  }
  if (std::ferror(stream) != 0) return unreadable(path, std::strerror(errno));
  return out;
}

}  // namespace

int fail(const Error& error, std::string_view source) {
  write_error(error_text(error, source, look_of(stderr, false)));
  return bad_request;
}

int fail_in_file(Error error, const std::string& path, std::string_view text) {
  std::string place = path == "-" ? "standard input" : visible(path);
  const bool points = error.span.to + error.span.from > 0;
  // Some messages about data name their lines themselves.
  if (points && error.message.find("line ") == std::string::npos) {
    const std::size_t end = std::min(error.span.from, text.size());
    place += ", line " +
             std::to_string(1 + std::count(text.begin(),
                                           text.begin() + static_cast<std::ptrdiff_t>(end), '\n'));
  }
  error.message = place + ": " + error.message;
  return fail(error, text);
}

Result<std::string> read_file(const std::string& path) {
  if (path == "-") return read_stream(stdin, "standard input");
  errno = 0;
  const std::unique_ptr<std::FILE, int (*)(std::FILE*)> file(std::fopen(path.c_str(), "rb"),
                                                             std::fclose);
  if (!file) return unreadable(path, std::strerror(errno));
  return read_stream(file.get(), path);
}

std::optional<Error> write_file(const std::string& path, std::string_view text) {
  const std::string part = path + ".part";
  const auto refused = [&](int number) {
    std::remove(part.c_str());
    return Error{Code::output_failed,
                 "cannot write " + in_quotes(path) + ": " + std::strerror(number),
                 {},
                 "Check the folder and its permissions. What was there is as it was."};
  };
  errno = 0;
  std::ofstream file(part, std::ios::binary | std::ios::trunc);
  file << text;
  file.close();
  if (!file) return refused(errno);
  if (std::rename(part.c_str(), path.c_str()) != 0) return refused(errno);
  return std::nullopt;
}

std::optional<std::string_view> Lines::next(bool& over) {
  over = false;
  while (true) {
    const std::size_t end = waiting_.find('\n', searched_);
    if (end != std::string::npos) {
      std::string_view line(waiting_.data() + at_, end - at_);
      at_ = searched_ = end + 1;
      over = std::exchange(dropping_, false) || line.size() > most_request;
      if (!line.empty() && line.back() == '\r') line.remove_suffix(1);
      return line;
    }
    searched_ = waiting_.size();
    if (searched_ - at_ > most_request) {
      dropping_ = true;
      at_ = searched_;
    }
    if (!fill()) break;
  }
  if (at_ == waiting_.size() && !dropping_) return std::nullopt;
  over = std::exchange(dropping_, false);
  const std::string_view line(waiting_.data() + at_, waiting_.size() - at_);
  at_ = waiting_.size();
  return line;
}

bool Lines::fill() {
  waiting_.erase(0, at_);
  searched_ -= at_;
  at_ = 0;
  constexpr std::size_t room = 65536;
  const std::size_t kept = waiting_.size();
  waiting_.resize(kept + room);
  ssize_t size = 0;
  do {
    size = read(STDIN_FILENO, waiting_.data() + kept, room);
  } while (size < 0 && errno == EINTR);
  if (size < 0) failed_ = errno;
  waiting_.resize(kept + static_cast<std::size_t>(std::max<ssize_t>(size, 0)));
  return size > 0;
}

bool write_json(const JsonWriter& out) {
  return write_out(out.string() + "\n");
}

int answer_lines(std::string_view command) {
  constexpr std::size_t most_unwritten = 65536;
  Lines lines;
  std::string unwritten;
  bool over = false;
  while (const auto line = lines.next(over)) {
    unwritten += over ? too_long_line() : answer_request(command, *line);
    unwritten += '\n';
    // Whoever waits for an answer gets it: nothing is kept back while there is nothing to read.
    if (lines.has_another() && unwritten.size() < most_unwritten) continue;
    if (!write_out(unwritten)) return bad_request;
    unwritten.clear();
  }
  if (lines.failed() != 0) return fail(unreadable("standard input", std::strerror(lines.failed())));
  return done;
}

std::string guarded(std::string argument) {
  const std::string_view rest = std::string_view(argument).substr(argument.empty() ? 0 : 1);
  const bool minus = !argument.empty() && argument[0] == '-';
  const bool number = !rest.empty() && (std::isdigit(static_cast<unsigned char>(rest[0])) != 0 ||
                                        rest[0] == '.' || rest[0] == '(');
  const bool list = argument.starts_with('[');
  if (list || (minus && (number || rest.starts_with("inf") || rest.starts_with("nan"))))
    argument.insert(0, 1, guard);
  return argument;
}

std::string unguarded(const std::string& argument) {
  return !argument.empty() && argument[0] == guard ? argument.substr(1) : argument;
}

}  // namespace inky::cli
