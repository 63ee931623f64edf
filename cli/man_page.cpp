// Pages for man(1), in the macros of man(7).
#include <algorithm>

#include "command_table.hpp"
#include "version.hpp"

namespace inky::cli {

namespace {

// Text of roff: backslashes and minus signs are themselves, and no line begins a macro.
std::string roff(std::string_view text) {
  std::string out;
  bool at_line_start = true;
  for (const char c : text) {
    if (at_line_start && (c == '.' || c == '\'')) out += "\\&";
    if (c == '\\')
      out += "\\e";
    else if (c == '-')
      out += "\\-";
    else
      out += c;
    at_line_start = c == '\n';
  }
  return out;
}

std::string in_upper_case(std::string text) {
  std::transform(text.begin(), text.end(), text.begin(), [](char c) {
    return 'a' <= c && c <= 'z' ? static_cast<char>(c - 'a' + 'A') : c;
  });
  return text;
}

std::string heading(const std::string& name) {
  return ".TH " + in_upper_case(name) +
         " 1 \"\" \"Inky Margin " INKY_VERSION "\" \"User Commands\"\n";
}

std::string footer(const std::string& text) {
  const std::size_t end = text.find("\n\n");
  std::string out = ".SH EXAMPLES\n.nf\n";
  out += roff(
      text.substr(text.find('\n') + 1, end == std::string::npos ? end : end - text.find('\n') - 1));
  out += "\n.fi\n";
  if (end != std::string::npos) out += ".SH NOTES\n.nf\n" + roff(text.substr(end + 2)) + "\n.fi\n";
  return out;
}

}  // namespace

std::string man_page(const std::vector<CommandFact>& commands) {
  std::string out =
      heading("inky") + ".SH NAME\ninky \\- " + roff(tool_description) +
      "\n.SH SYNOPSIS\n.B inky\n.I COMMAND\n[\\fIARGUMENTS\\fR] [\\fIOPTIONS\\fR]\n.SH COMMANDS\n";
  for (const CommandFact& command : commands)
    out += ".TP\n.BR inky\\-" + roff(command.name) + " (1)\n" + roff(command.what) + "\n";
  out +=
      ".SH OPTIONS\n.TP\n.B \\-\\-help\nPrints the commands.\n.TP\n.B \\-\\-version\nPrints the "
      "version.\n";
  out += footer(tool_examples());
  return out +=
         ".SH EXIT STATUS\n.TP\n.B 0\nDone.\n.TP\n.B 1\nThe answer is no.\n.TP\n.B 2\nThe request "
         "was bad.\n";
}

std::string man_page(const CommandFact& command) {
  std::string out = heading("inky-" + command.name) + ".SH NAME\ninky\\-" + roff(command.name) +
                    " \\- " + roff(command.what) + "\n.SH SYNOPSIS\n.B inky " + roff(command.name) +
                    "\n";
  for (const OptionFact& option : command.options)
    if (option.is_argument()) out += "[\\fI" + roff(option.name) + "\\fR]\n";
  out += "[\\fIOPTIONS\\fR]\n.SH ARGUMENTS AND OPTIONS\n";
  for (const OptionFact& option : command.options) {
    out += ".TP\n\\fB" + roff(option.name) + "\\fR";
    if (!option.is_argument() && !option.holds.empty())
      out += " \\fI" + roff(option.holds) + "\\fR";
    out += "\n" + roff(option.what) + "\n";
  }
  return out + footer(command.footer) + ".SH SEE ALSO\n.BR inky (1)\n";
}

}  // namespace inky::cli
