// inky demo: a walk through the commands, each shown as it is typed and then really run.

#include <array>
#include <filesystem>
#include <memory>

#include "command.hpp"
#include "screen.hpp"
#include "text/escape.hpp"
#include "version.hpp"

namespace inky::cli {

namespace {

struct DemoStep {
  std::string_view why;
  std::vector<std::string> command;  // "@" in front of a word: a file of the demo data
};

std::vector<DemoStep> steps() {
  return {
      {"The ink room weighs pigment K-07 and prints its mass with two decimals. What was typed "
       "ends in a 5, "
       "so it should go up. It does not, and the note says why: a tie is judged on what is stored.",
       {"show", "%+08.2f|%-6s|", "2.675", "ink"}},
      {"The same template and values in other languages: a last digit, and the room that an accent "
       "takes. What differs is marked, each with its reason.",
       {"show", "%+08.2f|%-6s|", "2.675", "naïve", "--beside", "java,python,php"}},
      {"Carried elsewhere, a template is tried on awkward values before anything is promised: the "
       "same, the same for a range, or an example where it differs.",
       {"carry", "%-8s|%8.2f g", "--to", "rust,javascript,fsharp"}},
      {"A wish without any language, written in some of them.",
       {"write", "--places", "2", "--width", "10", "--group", ",", "1234.5", "--to",
        "python,java,csharp,lisp"}},
      {"What f64 stores for 2.675, to the last digit, and how far that is from what was typed.",
       {"weigh", "2.675"}},
      {"And every way of rounding it, on what is stored and on what was typed. A star marks where "
       "the two differ.",
       {"round", "2.675", "--places", "2"}},
      {"The same template without values, in words: what each character asks for.",
       {"show", "%+08.2f|%-6s|"}},
      {"Width is a minimum and never cuts; on text, the precision is a maximum, and in C both "
       "count bytes. "
       "An accent takes two of them.",
       {"show", "%-12s|%.5s|%3d", "Rußschwarz", "Rußschwarz", "12500"}},
      {"Lot numbers are printed in hexadecimal. A negative one is accepted: its bits are read as "
       "an unsigned number.",
       {"show", "lot %#06x, shade %u", "41905", "-7"}},
      {"A value of the wrong type is not an error in C, it is undefined: anything may be printed. "
       "A "
       "check says so before the program is run, and what to write.",
       {"check", "mass %d g of %s", "f64", "text"}},
      {"The same for the format calls of whole source files, in twelve languages.",
       {"check", "@source/room.py"}},
      {"Now the whole batch list: a sheet lays it out in display columns, so accents and wide "
       "characters "
       "line up. The last lines give the C format string of a row, and where C would pad "
       "differently.",
       {"proof", "@batches.toml"}},
      {"Real data has holes. Every cell that is missing, unreadable or too wide is reported, with "
       "its line.",
       {"proof", "@batches.toml", "@broken.csv"}},
      {"The same batches by pigment: groups with totals, points in line, a mark where the shade is "
       "off. What is too wide is cut.",
       {"proof", "@groups.toml", "--style", "boxed"}},
      {"The same table as C prints it, and where Java's digits are others.",
       {"proof", "@groups.toml", "--beside", "c,java"}},
      {"The program that prints it, whole, in the language of your choice.",
       {"proof", "@labels.toml", "--emit", "python"}},
      {"Do not take our word for it: the real compiler, if it is installed, builds the program and "
       "runs it.",
       {"show", "%+08.2f|%-6s|", "2.675", "ink", "--witness"}},
      {"And the whole batch list, in every language that is installed: each program is built, run, "
       "and "
       "compared with the preview, byte for byte.",
       {"proof", "@batches.toml", "--witness"}},
  };
}

// Where the demo data is: as asked, here, with the source, or where it was installed.
std::string find_data(const std::string& asked) {
  if (!asked.empty()) return asked;
  // Of an installed tool: ../share, from the folder of the program.
  std::error_code ignored;
  const auto program = std::filesystem::read_symlink("/proc/self/exe", ignored);
  const std::string installed = program.parent_path().parent_path() / INKY_INSTALLED_DEMO_DIR;
  for (const std::string& place : {std::string("demo"), std::string(INKY_DEMO_DIR), installed}) {
    if (std::filesystem::exists(std::filesystem::path(place) / "batches.toml", ignored))
      return place;
  }
  return "demo";
}

std::string in_shell(const std::string& word) {
  const bool plain = word.find_first_of(" '\"%|#$*?&;()<>`\\") == std::string::npos;
  return plain ? word : "'" + word + "'";
}

bool introduce(const DemoStep& step, const std::vector<std::string>& words, std::size_t number,
               const Look& look) {
  Screen screen(look);
  if (number > 1) screen.line();
  screen.tinted(Tint::strong, std::to_string(number) + ". ");
  screen.wrapped(step.why, 3, 3);
  screen.line();
  std::string typed = "inky";
  for (const std::string& word : words) typed += " " + in_shell(word);
  screen.put("   ");
  screen.tinted(Tint::good, "$ " + typed);
  screen.line();
  screen.line();
  return write_out(screen.text());
}

int walk(const std::string& asked, bool ascii) {
  const std::string data = find_data(asked);
  const Look look = look_of(stdout, ascii);
  std::size_t number = 0;
  for (const DemoStep& step : steps()) {
    std::vector<std::string> words;
    for (const std::string& word : step.command) {
      const bool file = word[0] == '@';
      words.push_back(file ? (std::filesystem::path(data) / word.substr(1)).string() : word);
    }
    if (!introduce(step, words, ++number, look)) return bad_request;
    if (ascii) words.emplace_back("--ascii");
    if (run(words) == bad_request) return bad_request;
  }
  return done;
}

}  // namespace

Action add_demo(Command& tool) {
  struct DemoOptions {
    std::string data;
    bool ascii = false;
  };
  auto options = std::make_shared<DemoOptions>();
  Command command = tool.command("demo", "A walk through every command, on the data of an ink room",
                                 "Examples:\n  inky demo\n  inky demo --ascii | less");
  command.takes("--data", options->data, "The folder with the demo data", "FOLDER");
  command.ascii_flag(options->ascii);
  return [options] { return walk(options->data, options->ascii); };
}

}  // namespace inky::cli
