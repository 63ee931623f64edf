// Completions for bash, zsh and fish.
#include "command_table.hpp"

namespace inky::cli {

namespace {

std::string joined(const std::vector<std::string>& words, const char* between) {
  std::string out;
  for (const std::string& word : words) out += (out.empty() ? "" : between) + word;
  return out;
}

// In single quotes of a shell of the POSIX kind.
std::string in_single_quotes(std::string_view text) {
  std::string out = "'";
  for (const char c : text) {
    if (c == '\'')
      out += "'\\''";
    else
      out += c;
  }
  return out + "'";
}

std::vector<std::string> names_of(const std::vector<CommandFact>& commands) {
  std::vector<std::string> out;
  out.reserve(commands.size());
  for (const CommandFact& command : commands) out.push_back(command.name);
  return out;
}

// "shows a text: what" would end a description of zsh.
std::string zsh_text(std::string_view text) {
  std::string out;
  for (const char c : text) {
    if (c == '[' || c == ']' || c == ':' || c == '\\') out += '\\';
    out += c;
  }
  return out;
}

bool takes_files(const CommandFact& command) {
  for (const OptionFact& option : command.options)
    if (option.is_argument() && option.is_file) return true;
  return false;
}

}  // namespace

std::string bash_completion(const std::vector<CommandFact>& commands) {
  std::string out = R"(# Completion of inky for bash.
_inky() {
  local word="${COMP_WORDS[COMP_CWORD]}" before="${COMP_WORDS[COMP_CWORD - 1]}" command="${COMP_WORDS[1]}"
  COMPREPLY=()
  if [ "$COMP_CWORD" -eq 1 ]; then
    mapfile -t COMPREPLY < <(compgen -W ')" +
                    joined(names_of(commands), " ") + R"( --help --version' -- "$word")
    return
  fi
  # Of a list between commas, the last one.
  local done_part=""
  case "$word" in *,*) done_part="${word%,*}," ;; esac
  case "$command $before" in
)";
  for (const CommandFact& command : commands) {
    for (const OptionFact& option : command.options) {
      if (option.is_argument() || (option.values.empty() && !option.is_file)) continue;
      out += "    " + in_single_quotes(command.name + " " + option.name) + ")\n";
      if (option.is_file)
        out += "      mapfile -t COMPREPLY < <(compgen -f -- \"$word\")\n";
      else if (option.list)
        out += "      mapfile -t COMPREPLY < <(compgen -P \"$done_part\" -W " +
               in_single_quotes(joined(option.values, " ")) + " -- \"${word##*,}\")\n";
      else
        out += "      mapfile -t COMPREPLY < <(compgen -W " +
               in_single_quotes(joined(option.values, " ")) + " -- \"$word\")\n";
      out += "      return ;;\n";
    }
  }
  out += "  esac\n  case \"$command\" in\n";
  for (const CommandFact& command : commands) {
    std::vector<std::string> options;
    std::vector<std::string> values;
    for (const OptionFact& option : command.options) {
      if (option.is_argument())
        values.insert(values.end(), option.values.begin(), option.values.end());
      else
        options.push_back(option.name);
    }
    out += "    " + command.name +
           ")\n      case \"$word\" in\n        -*) mapfile -t COMPREPLY < <(compgen -W " +
           in_single_quotes(joined(options, " ")) + " -- \"$word\") ;;\n";
    if (!values.empty())
      out += "        *) mapfile -t COMPREPLY < <(compgen -W " +
             in_single_quotes(joined(values, " ")) + " -- \"$word\") ;;\n";
    else if (takes_files(command))
      out += "        *) mapfile -t COMPREPLY < <(compgen -f -- \"$word\") ;;\n";
    out += "      esac ;;\n";
  }
  return out + "  esac\n}\ncomplete -o filenames -F _inky inky\n";
}

std::string zsh_completion(const std::vector<CommandFact>& commands) {
  std::string out =
      "#compdef inky\n# Completion of inky for zsh.\n_inky() {\n  local -a commands\n  "
      "commands=(\n";
  for (const CommandFact& command : commands)
    out += "    " + in_single_quotes(command.name + ":" + zsh_text(command.what)) + "\n";
  out += R"(  )
  if (( CURRENT == 2 )); then
    _describe command commands
    return
  fi
  local command="$words[2]"
  shift words
  (( CURRENT-- ))
  case "$command" in
)";
  for (const CommandFact& command : commands) {
    out += "    " + command.name + ")\n      _arguments";
    std::size_t place = 0;
    for (const OptionFact& option : command.options) {
      std::string spec;
      std::string values = option.is_file          ? "_files"
                           : option.values.empty() ? " "
                           : option.list ? "_sequence compadd - " + joined(option.values, " ")
                                         : "(" + joined(option.values, " ") + ")";
      if (option.is_argument()) {
        spec = std::to_string(++place) + ":" + zsh_text(option.name) + ":" + values;
      } else {
        spec = option.name + "[" + zsh_text(option.what) + "]";
        if (!option.holds.empty()) spec += ":" + zsh_text(option.holds) + ":" + values;
      }
      out += " \\\n        " + in_single_quotes(spec);
    }
    out += " ;;\n";
  }
  return out + "  esac\n}\n_inky \"$@\"\n";
}

std::string fish_completion(const std::vector<CommandFact>& commands) {
  // Of fish, a backslash in single quotes escapes too.
  const auto fish_quoted = [](std::string_view text) {
    std::string out = "'";
    for (const char c : text) {
      if (c == '\'' || c == '\\') out += '\\';
      out += c;
    }
    return out + "'";
  };
  std::string out =
      "# Completion of inky for fish.\n"
      "function __inky_list\n"
      "    set -l done (string replace -r '[^,]*$' '' -- (commandline -ct))\n"
      "    for one in $argv\n"
      "        echo $done$one\n"
      "    end\n"
      "end\n"
      "complete -c inky -f\n";
  for (const CommandFact& command : commands) {
    out += "complete -c inky -n __fish_use_subcommand -a " + command.name + " -d " +
           fish_quoted(command.what) + "\n";
    const std::string here =
        "complete -c inky -n '__fish_seen_subcommand_from " + command.name + "'";
    if (takes_files(command)) out += here + " -F\n";
    for (const OptionFact& option : command.options) {
      if (option.is_argument()) {
        if (!option.values.empty())
          out += here + " -a " + fish_quoted(joined(option.values, " ")) + "\n";
        continue;
      }
      out += here + " -l " + option.name.substr(2) + " -d " + fish_quoted(option.what);
      if (option.is_file)
        out += " -rF";
      else if (option.list && !option.values.empty())
        out += " -x -a " + fish_quoted("(__inky_list " + joined(option.values, " ") + ")");
      else if (!option.values.empty())
        out += " -x -a " + fish_quoted(joined(option.values, " "));
      else if (!option.holds.empty())
        out += " -x";
      out += "\n";
    }
  }
  return out;
}

}  // namespace inky::cli
