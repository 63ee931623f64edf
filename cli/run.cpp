#include <CLI/CLI.hpp>
#include <new>
#include <vector>

#include "command.hpp"
#include "command_table.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "screen.hpp"
#include "text/escape.hpp"
#include "text/nearest_name.hpp"
#include "version.hpp"

namespace inky::cli {

namespace {

constexpr const char* run_examples = R"(Examples:
  inky show '%+08.2f|%-6s|' 2.675 ink      what C prints, and why
  inky show '%+08.2f|%-6s|'                what each character means
  inky weigh 2.675                         what is stored for it
  inky round 2.675 --places 2              rounded every way
  inky write --places 2 --width 10         a wish in every language
  inky carry '%8.2f g' --to rust,java      the same template elsewhere
  inky check '%d g' f64                    faults, and repairs
  inky proof demo/batches.toml             a table previewed
  inky dialects                            the languages there are
  inky demo                                a walk through all of them
  inky help align decimals                 the page of the guide that answers a question)";

// Says what is wrong in one sentence of our own, and which known name is near.
int refuse(const CLI::App& app, const CLI::ParseError& error) {
  Error out{Code::bad_option, error.what(), {}, "Run inky --help, or inky COMMAND --help."};
  const CLI::App* command = app.get_subcommands().empty() ? &app : app.get_subcommands()[0];
  std::vector<std::string> names;
  for (const CLI::Option* option : command->get_options()) {
    for (const std::string& name : option->get_lnames()) names.push_back("--" + name);
  }
  for (const CLI::App* sub : command->get_subcommands([](const CLI::App*) { return true; }))
    names.push_back(sub->get_name());
  const std::vector<std::string_view> known(names.begin(), names.end());
  // It prints "--option: 1 required NAME missing", or what it received.
  if (dynamic_cast<const CLI::ArgumentMismatch*>(&error) != nullptr) {
    const std::string said = error.what();
    const std::string name = said.substr(0, said.find(':'));
    out.message = name + (said.find("received") == std::string::npos ? " needs a value after it"
                                                                     : " is given more than once");
  }
  const std::vector<std::string> left = app.remaining(true);
  if (!left.empty()) {
    out.message = in_quotes(unguarded(left[0])) + " is not understood here";
    const std::string_view near = nearest_name(left[0], known);
    if (!near.empty()) out.remedy = "Did you mean " + std::string(near) + "? " + out.remedy;
  }
  return fail(out);
}

}  // namespace

std::vector<Action> add_commands(Command& tool) {
  return {add_show(tool),  add_weigh(tool), add_round(tool),    add_write(tool), add_carry(tool),
          add_check(tool), add_proof(tool), add_dialects(tool), add_demo(tool),  add_help(tool)};
}

const char* tool_examples() {
  return run_examples;
}

namespace {

// The version, the commit it was built from, and the runtimes that each dialect was recorded from.
std::string version_text() {
  std::string out = "inky " INKY_VERSION;
  if (*build_commit != '\0') out += std::string(", commit ") + build_commit;
  for (const Dialect* dialect : all_dialects()) {
    const DialectFacts& facts = dialect->facts();
    out += "\n  " + std::string(facts.id) +
           std::string(dialect_label_width - 2 - facts.id.size(), ' ') +
           std::string(facts.toolchain);
  }
  return out;
}

int run_command(const std::vector<std::string>& given) {
  CLI::App app(tool_description, "inky");
  app.set_version_flag("--version", version_text);
  app.footer(tool_examples());
  app.require_subcommand(1);
  Command tool(app);
  const std::vector<Action> actions = add_commands(tool);
  std::vector<std::string> arguments;
  // The parser takes its arguments from the back.
  for (std::size_t i = given.size(); i-- > 0;) arguments.push_back(guarded(given[i]));
  if (arguments.empty()) arguments.emplace_back("--help");
  try {
    app.parse(arguments);
  } catch (const CLI::Success& answer) {
    // --help, of the command that was named, and --version.
    const bool version = dynamic_cast<const CLI::CallForVersion*>(&answer) != nullptr;
    const std::string text = version ? std::string(answer.what()) + "\n" : app.help();
    return write_out(text) ? done : bad_request;
  } catch (const CLI::ParseError& error) {
    return refuse(app, error);
  }
  const CLI::App* chosen = app.get_subcommands()[0];
  const auto all = app.get_subcommands([](const CLI::App*) { return true; });
  for (std::size_t i = 0; i < all.size(); ++i) {
    if (all[i] == chosen) return actions[i]();
  }
  return bad_request;
}

int fail_of_machine(const std::string& why) {
  return fail({Code::machine_failed,
               "the machine could not do its part: " + why,
               {},
               "Nothing was decided about the request; try again when there is more room."});
}

}  // namespace

int run(const std::vector<std::string>& given) {
  try {
    return run_command(given);
  } catch (const std::bad_alloc&) {
    return fail_of_machine("memory ran out");
  } catch (const std::exception& error) {
    return fail_of_machine(error.what());
  }
}

}  // namespace inky::cli
