#include "command_table.hpp"

#include <CLI/CLI.hpp>
#include <algorithm>

#include "command.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/dialect/language.hpp"

namespace inky::cli {

namespace {

std::vector<std::string> ids_of_dialects() {
  std::vector<std::string> out;
  for (const Dialect* dialect : all_dialects()) out.emplace_back(dialect->facts().id);
  return out;
}

std::vector<std::string> all_locales() {
  std::vector<std::string> out;
  for (const Dialect* dialect : all_dialects()) {
    for (const SettingFact& setting : dialect->facts().settings) {
      if (setting.name != "locale") continue;
      for (const std::string_view value :
           setting.telling.empty() ? setting.values : setting.telling)
        out.emplace_back(value);
    }
  }
  std::sort(out.begin(), out.end());
  out.erase(std::unique(out.begin(), out.end()), out.end());
  return out;
}

// "how a sign is shown: minus, always, space" lists three; "digits: 0 to 17" lists none.
std::vector<std::string> values_listed(const std::string& what) {
  const std::size_t begin = what.rfind(": ");
  if (begin == std::string::npos) return {};
  std::vector<std::string> out;
  std::string rest = what.substr(begin + 2) + ", ";
  for (std::size_t comma = rest.find(", "); comma != std::string::npos; comma = rest.find(", ")) {
    std::string one = rest.substr(0, comma);
    rest.erase(0, comma + 2);
    if (const std::size_t last = one.find(" or "); last != std::string::npos) {
      out.push_back(one.substr(0, last));
      one.erase(0, last + 4);
    }
    if (one.empty() || one.find(' ') != std::string::npos) return {};
    out.push_back(std::move(one));
  }
  if (out.size() < 2) out.clear();
  return out;
}

OptionFact fact_of(const CLI::Option& option) {
  OptionFact out;
  const bool is_argument = option.get_positional();
  out.name = is_argument ? option.get_name(true) : "--" + option.get_lnames().front();
  out.what = option.get_description();
  if (option.get_items_expected_max() > 0) out.holds = option.get_type_name();
  if (out.holds == "DIALECT" || out.holds == "DIALECTS")
    out.values = ids_of_dialects();
  else if (out.holds == "LOCALE")
    out.values = all_locales();
  else if (out.holds == "LANGUAGE")
    for (const SourceLanguage& language : all_languages()) out.values.emplace_back(language.id);
  else if (!out.holds.empty() && !is_argument)
    out.values = values_listed(out.what);
  out.list = out.holds == "DIALECTS" || out.holds == "TYPES";
  if (out.holds == "DIALECTS") out.values.emplace_back("all");
  out.is_file = out.holds == "FILE" || out.holds == "FOLDER";
  return out;
}

}  // namespace

std::vector<CommandFact> command_table() {
  CLI::App app;
  Command tool(app);
  add_commands(tool);
  std::vector<CommandFact> out;
  for (const CLI::App* command : app.get_subcommands([](const CLI::App*) { return true; })) {
    CommandFact fact{command->get_name(), command->get_description(), command->get_footer(), {}};
    for (const CLI::Option* option : command->get_options())
      fact.options.push_back(fact_of(*option));
    out.push_back(std::move(fact));
  }
  return out;
}

}  // namespace inky::cli
