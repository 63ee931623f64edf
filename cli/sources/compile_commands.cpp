#include "compile_commands.hpp"

#include <algorithm>
#include <filesystem>

#include "contract/json_reader.hpp"

namespace inky::cli {

namespace {

namespace fs = std::filesystem;

// The words of a command as a shell parts them: blanks, quotes and backslashes.
std::vector<std::string> words_of(std::string_view command) {
  std::vector<std::string> out;
  bool open = false;
  char quote = '\0';
  for (std::size_t i = 0; i < command.size(); ++i) {
    const char byte = command[i];
    if (quote == '\0' && (byte == ' ' || byte == '\t' || byte == '\n')) {
      open = false;
      continue;
    }
    if (!open) out.emplace_back();
    open = true;
    if (byte == quote)
      quote = '\0';
    else if (quote == '\0' && (byte == '"' || byte == '\''))
      quote = byte;
    else if (byte == '\\' && quote != '\'' && i + 1 < command.size())
      out.back() += command[++i];
    else
      out.back() += byte;
  }
  return out;
}

std::string text_of(const Json& entry, std::string_view key) {
  const Json* found = entry.find(key);
  return found != nullptr && found->kind == Json::Kind::text ? found->text : std::string();
}

std::string absolute(const fs::path& folder, const std::string& path) {
  return (folder / path).lexically_normal().string();
}

std::vector<std::string> folders_in(const std::vector<std::string>& words, const fs::path& folder) {
  std::vector<std::string> out;
  for (std::size_t i = 0; i < words.size(); ++i) {
    for (const std::string_view option : {"-I", "-iquote", "-isystem"}) {
      if (!words[i].starts_with(option)) continue;
      const std::string attached = words[i].substr(option.size());
      const std::string named = !attached.empty()      ? attached
                                : i + 1 < words.size() ? words[i + 1]
                                                       : std::string();
      if (!named.empty()) out.push_back(absolute(folder, named));
    }
  }
  return out;
}

}  // namespace

Result<CompileCommands> CompileCommands::read(std::string_view text, const std::string& path) {
  const Result<Json> json = read_json(text);
  if (!json) return json.error();
  const Error no_database{Code::bad_settings,
                          "a compile database is a list of objects with \"directory\" and \"file\"",
                          {0, text.size()},
                          "CMake writes one: cmake -DCMAKE_EXPORT_COMPILE_COMMANDS=ON."};
  if (json->kind != Json::Kind::list) return no_database;
  CompileCommands out;
  const fs::path above = fs::absolute(path).parent_path();
  for (const Json& entry : json->items) {
    const std::string file = text_of(entry, "file");
    if (entry.kind != Json::Kind::object || file.empty()) return no_database;
    const fs::path folder = absolute(above, text_of(entry, "directory"));
    std::vector<std::string> words = words_of(text_of(entry, "command"));
    if (const Json* arguments = entry.find("arguments")) {
      for (const Json& argument : arguments->items) words.push_back(argument.text);
    }
    // A source may be compiled for several programs.
    std::vector<std::string>& known = out.by_source_[absolute(folder, file)];
    for (std::string& one : folders_in(words, folder)) {
      if (std::find(known.begin(), known.end(), one) == known.end())
        known.push_back(std::move(one));
    }
  }
  return out;
}

const std::vector<std::string>* CompileCommands::folders_of(const std::string& source) const {
  const auto found = by_source_.find(source);
  return found == by_source_.end() ? nullptr : &found->second;
}

std::string compile_commands_above(const std::string& folder) {
  std::error_code failed;
  fs::path at = fs::weakly_canonical(folder.empty() ? fs::path(".") : fs::path(folder), failed);
  if (failed) return {};
  while (true) {
    for (const fs::path& file :
         {at / "compile_commands.json", at / "build" / "compile_commands.json"}) {
      if (fs::is_regular_file(file, failed)) return file.string();
    }
    if (fs::exists(at / ".git", failed) || at == at.parent_path()) return {};
    at = at.parent_path();
  }
}

}  // namespace inky::cli
