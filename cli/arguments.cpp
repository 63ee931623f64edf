#include "arguments.hpp"

#include <CLI/CLI.hpp>

#include "command.hpp"
#include "inky_margin/number/whole.hpp"
#include "text/escape.hpp"

namespace inky::cli {

namespace {

void named(CLI::Option* option, const char* holds) {
  if (*holds != '\0') option->type_name(holds);
}

}  // namespace

Command Command::command(const char* name, const char* what, const char* examples) {
  CLI::App* out = app_->add_subcommand(name, what);
  out->footer(examples);
  return Command(*out);
}

void Command::takes(const std::string& name, std::string& to, const char* what, const char* holds) {
  named(app_->add_option(name, to, what), holds);
}

void Command::takes(const std::string& name, std::size_t& to, const char* what, const char* holds) {
  const auto read = [name, &to](const std::string& text) {
    const auto number = read_whole(text);
    if (!number || number->negative || number->magnitude.bit_length() > 32)
      throw CLI::ValidationError(name + " takes a whole number, not " + in_quotes(unguarded(text)));
    to = static_cast<std::size_t>(number->magnitude.low_bits());
  };
  takes(name, read, what, holds);
}

void Command::takes(const std::string& name, std::vector<std::string>& to, const char* what,
                    const char* holds) {
  named(app_->add_option(name, to, what), holds);
}

void Command::takes_one_each(const std::string& name, std::vector<std::string>& to,
                             const char* what, const char* holds) {
  named(app_->add_option(name, to, what)->allow_extra_args(false), holds);
}

void Command::takes(const std::string& name, const std::function<void(const std::string&)>& to,
                    const char* what, const char* holds) {
  named(app_->add_option_function<std::string>(name, to, what), holds);
}

void Command::flag(const char* name, bool& to, const char* what) {
  app_->add_flag(name, to, what);
}

bool Command::has(const char* name) const {
  return app_->get_option(name)->count() > 0;
}

}  // namespace inky::cli
