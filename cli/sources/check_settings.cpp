#include "check_settings.hpp"

#include <toml++/toml.h>

#include <algorithm>
#include <filesystem>

#include "text/escape.hpp"
#include "text/nearest_name.hpp"
#include "text/places.hpp"

namespace inky::cli {

namespace {

namespace fs = std::filesystem;

constexpr std::string_view keys[] = {"enable",     "disable",     "fail_on",
                                     "exclude",    "baseline",    "calls",
                                     "line_limit", "for_machine", "compile_commands"};
constexpr std::int64_t most_line_limit = 1'000'000;

class SettingsReader {
 public:
  SettingsReader(std::string_view text, const std::string& path) : text_(text) {
    std::error_code failed;
    out_.folder = fs::absolute(path, failed).parent_path().string();
  }

  Result<CheckSettings> read(const toml::table& table) {
    for (const auto& [key, node] : table) {
      if (key.str() != "check")
        return at(key.source(), Code::unknown_key,
                  in_quotes(key.str()) + " is no table of the settings", "Write [check].");
      const toml::table* check = node.as_table();
      if (check == nullptr)
        return at(node.source(), Code::wrong_kind, "\"check\" is a table", "Write [check].");
      for (const auto& [name, value] : *check) {
        if (auto error = read_key(name, value)) return std::move(*error);
      }
    }
    return std::move(out_);
  }

 private:
  Error at(const toml::source_region& region, Code code, std::string message,
           std::string remedy) const {
    const std::size_t from = offset_of(text_, region.begin.line, region.begin.column);
    const std::size_t to = offset_of(text_, region.end.line, region.end.column);
    return {code, std::move(message), {from, std::max(from, to)}, std::move(remedy)};
  }

  std::optional<Error> read_key(const toml::key& key, const toml::node& node) {
    const std::string_view name = key.str();
    if (std::find(std::begin(keys), std::end(keys), name) == std::end(keys))
      return at(key.source(), Code::unknown_key, in_quotes(name) + " is not a key of [check]",
                choices_for(name, keys));
    if (name == "enable" || name == "disable" || name == "exclude") return read_list(name, node);
    if (name == "for_machine") {
      const auto truth = node.value_exact<bool>();
      if (!truth)
        return at(node.source(), Code::wrong_kind, "\"for_machine\" is true or false", "");
      out_.for_machine = *truth;
      return std::nullopt;
    }
    if (name == "line_limit") {
      const auto number = node.value_exact<std::int64_t>();
      if (!number || *number < 1 || *number > most_line_limit)
        return at(node.source(), Code::wrong_kind, "\"line_limit\" is a number from 1 to 1000000",
                  "It counts the columns of a template in source.");
      out_.line_limit = static_cast<std::size_t>(*number);
      return std::nullopt;
    }
    const auto text = node.value_exact<std::string>();
    if (!text || text->empty())
      return at(node.source(), Code::wrong_kind, in_quotes(name) + " is a text",
                "Write it in quotes.");
    if (name == "fail_on") {
      out_.fail_on = fail_on_of(*text);
      if (!out_.fail_on)
        return at(node.source(), Code::wrong_kind, in_quotes(*text) + " is nothing to fail on",
                  "Choose one of: error, warning, nothing.");
      return std::nullopt;
    }
    const std::string path = (fs::path(out_.folder) / *text).lexically_normal().string();
    (name == "calls"              ? out_.calls
     : name == "compile_commands" ? out_.compile_commands
                                  : out_.baseline) = path;
    return std::nullopt;
  }

  std::optional<Error> read_list(std::string_view name, const toml::node& node) {
    const toml::array* list = node.as_array();
    if (list == nullptr)
      return at(node.source(), Code::wrong_kind, in_quotes(name) + " is a list",
                "Write " + std::string(name) + " = [\"...\"].");
    for (const toml::node& item : *list) {
      const auto text = item.value_exact<std::string>();
      if (!text)
        return at(item.source(), Code::wrong_kind, "an item of " + in_quotes(name) + " is a text",
                  "Write it in quotes.");
      if (name == "exclude") {
        out_.exclude.add_pattern(*text);
        continue;
      }
      if (auto error = name == "enable" ? out_.codes.enable(*text) : out_.codes.disable(*text))
        return at(item.source(), error->code, error->message, error->remedy);
    }
    return std::nullopt;
  }

  std::string_view text_;
  CheckSettings out_;
};

}  // namespace

std::optional<FailOn> fail_on_of(std::string_view name) {
  if (name == "error") return FailOn::error;
  if (name == "warning") return FailOn::warning;
  if (name == "nothing") return FailOn::nothing;
  return std::nullopt;
}

Result<CheckSettings> read_check_settings(std::string_view text, const std::string& path) {
  try {
    return SettingsReader(text, path).read(toml::parse(text));
  } catch (const toml::parse_error& error) {
    const auto& region = error.source();
    const std::size_t from = offset_of(text, region.begin.line, region.begin.column);
    return Error{Code::bad_settings,
                 "the settings are not valid TOML: " + std::string(error.description()),
                 {from, from},
                 "Mend the marked place."};
  }
}

std::string settings_above(const std::string& folder) {
  std::error_code failed;
  fs::path at = fs::weakly_canonical(folder.empty() ? fs::path(".") : fs::path(folder), failed);
  if (failed) return {};
  while (true) {
    const fs::path file = at / "inky.toml";
    if (fs::is_regular_file(file, failed)) return file.string();
    // A work tree has settings of its own.
    if (fs::exists(at / ".git", failed) || at == at.parent_path()) return {};
    at = at.parent_path();
  }
}

}  // namespace inky::cli
