// What every command is made of. One file a command: it adds itself to the parser and returns the
// exit status: 0 done, 1 the answer is no, 2 the request was bad.
#pragma once

#include <functional>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "arguments.hpp"
#include "contract/json_writer.hpp"
#include "inky_margin/contract/contract.hpp"
#include "inky_margin/format/note.hpp"
#include "terminal.hpp"

namespace inky::cli {

inline constexpr int done = 0;
inline constexpr int answer_is_no = 1;
inline constexpr int bad_request = 2;

// The whole tool, given its arguments without its own name.
int run(const std::vector<std::string>& arguments);

using Action = std::function<int()>;

// Each returns what runs when the parser has chosen it.
Action add_show(Command& tool);
Action add_weigh(Command& tool);
Action add_round(Command& tool);
Action add_write(Command& tool);
Action add_carry(Command& tool);
Action add_check(Command& tool);
Action add_proof(Command& tool);
Action add_dialects(Command& tool);
Action add_demo(Command& tool);
Action add_help(Command& tool);

// All of them, in the order of the help text.
std::vector<Action> add_commands(Command& tool);

// Prints the error on standard error and returns bad_request.
int fail(const Error& error, std::string_view source = {});

// The same for an error in a file: its name goes in front, and the line where the span points.
int fail_in_file(Error error, const std::string& path, std::string_view text);

// A whole file, or standard input for "-", up to this size.
inline constexpr std::size_t most_whole_file = std::size_t{1} << 26;
Result<std::string> read_file(const std::string& path);

// The whole file, or what was there before.
std::optional<Error> write_file(const std::string& path, std::string_view text);

// The lines of standard input.
class Lines {
 public:
  // The next line without its end, valid until the next call; nothing at the end of the input. Of a
  // line over the limit some of the end is left, and `over` is set.
  std::optional<std::string_view> next(bool& over);
  // The errno of what ended the reading; 0: the end of the input did.
  int failed() const { return failed_; }
  // Whether a whole line is here already, so that reading it cannot wait.
  bool has_another() const { return waiting_.find('\n', at_) != std::string::npos; }

 private:
  bool fill();

  std::string waiting_;
  std::size_t at_ = 0;        // the next line begins here
  std::size_t searched_ = 0;  // no line end between here and at_
  int failed_ = 0;
  bool dropping_ = false;  // the line is over the limit already
};

// Answers every line of standard input by the contract's command of this name, in order, flushing
// before it waits for more.
int answer_lines(std::string_view command);

// One JSON object, over lines.
bool write_json(const JsonWriter& out);

// An argument such as -7 is a value, not an option: hidden from the parser, and shown again.
std::string guarded(std::string argument);
std::string unguarded(const std::string& argument);

}  // namespace inky::cli
