// inky check: a template against the types of its values, before it is run.

#include "inky_margin/check/check.hpp"

#include <array>
#include <memory>

#include "command.hpp"
#include "contract/check_answer.hpp"
#include "contract/names.hpp"
#include "screen.hpp"
#include "sources/check_files.hpp"
#include "text/escape.hpp"

namespace inky::cli {

namespace {

constexpr const char* check_examples = R"(Examples:
  inky check '%d of %s' f64 text               a letter that does not fit its value
  inky check '%-08.2f' 2.5                     values give their types
  inky check '{:d}' f64 --in python --fix      the template, fixed
  inky check '%.2f' f64 --in java --for-machine   a locale that is left open
  inky check src/room.c scripts                the format calls of files and folders
  inky check src --changed-since main          only what is new on this branch
  inky check src --write-baseline known.txt    what is there today is known;
  inky check src --baseline known.txt          only what is new fails
  inky check src --sarif > faults.sarif        for code review
  inky check --jsonl < requests.jsonl          for machines; docs/contract.md

Every type is tried with its awkward values. A fault of some of them only says so.
In files, literals, casts and declarations give the types of values; other values are unknown.
A comment on the line of a fault accepts it: // inky: accept CODE: why. inky.toml holds what a team
agrees on. An argument is a file if it is there or looks like a path, but never with --in.
Exit status: 0 nothing found, 1 something is, 2 bad request, or a path that cannot be checked.)";

struct FormFlag {
  const char* name;
  FindingForm form;
  const char* what;
};
constexpr FormFlag form_flags[] = {
    {"--summary", FindingForm::counts, "Only how many faults there are, by language and code"},
    {"--sarif", FindingForm::sarif, "What is found in files, as SARIF 2.1.0"},
    {"--annotations", FindingForm::annotations, "The same as annotations of a GitHub workflow"},
    {"--junit", FindingForm::junit, "The same as a JUnit report, in XML"},
};
// What is of source files, and not of one template.
constexpr const char* file_options[] = {
    "--files-from",     "--exclude",    "--ignored",     "--changed-since",
    "--enable",         "--disable",    "--fail-on",     "--baseline",
    "--write-baseline", "--settings",   "--no-settings", "--calls",
    "--jobs",           "--max-faults", "--unchecked",   "--compile-commands",
    "--list-takers",    "--summary",    "--sarif",       "--annotations",
    "--junit"};

struct CheckOptions {
  std::string source;
  std::vector<std::string> types;
  std::string dialect = "c";
  CheckFilesRequest files;
  Demands demands;
  std::array<bool, form_count> forms{};
  bool fix = false;
  bool json = false;
  bool jsonl = false;
  bool ascii = false;
};

void put_fault(Screen& screen, const Fault& fault, std::string_view source) {
  screen.underlined(source, fault.span, "");
  screen.label(name_of(fault.severity),
               fault.severity == Severity::error ? Tint::warm : Tint::plain);
  screen.paragraph(fault.message + " [" + std::string(name_of(fault.code)) + "]");
  if (!fault.effect.empty()) {
    screen.label("effect");
    screen.paragraph(fault.effect);
  }
  if (!fault.repair.empty()) {
    screen.label("write");
    screen.tinted(Tint::good, visible(fault.repair));
    screen.line();
  }
  screen.line();
}

int run_check(const CheckOptions& options) {
  if (options.jsonl) return answer_lines("check");
  const Result<const Dialect*> dialect = dialect_named(options.dialect);
  if (!dialect) return fail(dialect.error());
  const std::string source = unguarded(options.source);
  std::vector<Type> types;
  for (const std::string& text : options.types) {
    const Result<Type> type = value_type_given(unguarded(text));
    if (!type) return fail(type.error(), unguarded(text));
    types.push_back(*type);
  }
  const Result<Checked> checked =
      types.empty() ? check(**dialect, source, std::nullopt, options.demands)
                    : check(**dialect, source, std::span<const Type>(types), options.demands);
  if (!checked) return fail(checked.error(), source);
  if (options.fix) {
    if (!checked->repaired) {
      return fail({Code::wish_not_expressible,
                   "one of the faults has no known repair",
                   {0, source.size()},
                   "See inky check without --fix, and write what is meant."},
                  source);
    }
    return write_out(*checked->repaired + "\n") ? done : bad_request;
  }
  const int status = checked->faults.empty() ? done : answer_is_no;
  if (options.json) {
    JsonWriter out(JsonWriter::Form::spread);
    write_checked(*checked, out);
    return write_json(out) ? status : bad_request;
  }
  Screen screen(look_of(stdout, options.ascii));
  screen.label((*dialect)->facts().id);
  screen.tinted(Tint::field, visible(source));
  screen.line();
  screen.line();
  for (const Fault& fault : checked->faults) put_fault(screen, fault, source);
  if (checked->faults.empty()) {
    screen.label("check");
    screen.tinted(Tint::good, "nothing found");
    screen.line();
  } else if (checked->repaired && *checked->repaired != source) {
    screen.label("fixed");
    screen.tinted(Tint::good, visible(*checked->repaired));
    screen.line();
  }
  return write_out(screen.text()) ? status : bad_request;
}

}  // namespace

Action add_check(Command& tool) {
  auto options = std::make_shared<CheckOptions>();
  Command command =
      tool.command("check", "A template against the types of its values", check_examples);
  command.takes("template", options->source,
                "The template, as you write it in source; or a source file or folder");
  command.takes("types", options->types,
                "The types of its values, or values of them; or more files");
  command.takes("--in", options->dialect, "The dialect of the template", "DIALECT");
  CheckFilesRequest& files = options->files;
  command.takes("--files-from", files.files_from, "A list of more files; - is standard input",
                "FILE");
  command.takes("--language", files.language,
                "The language of source files whose names do not show it", "LANGUAGE");
  command.takes_one_each("--exclude", files.exclude,
                         "Leaves out what matches, written as in .gitignore", "PATTERN");
  command.flag("--ignored", files.reads_ignored, "Reads what .gitignore leaves out, too");
  command.takes("--changed-since", files.changed_since,
                "Only faults on lines that differ from this revision of git", "REVISION");
  command.takes("--enable", files.enable, "Codes to report: signedness, not-checked, ...", "CODES");
  command.takes("--disable", files.disable, "Codes not to report; all", "CODES");
  command.takes("--fail-on", files.fail_on,
                "What makes the exit status 1: error, warning (as without it), nothing",
                "SEVERITY");
  command.takes("--baseline", files.baseline, "Faults in this file are known, and do not count",
                "FILE");
  command.takes("--write-baseline", files.write_baseline, "Writes the faults of today to it",
                "FILE");
  command.takes("--settings", files.settings, "Settings, in place of the nearest inky.toml",
                "FILE");
  command.flag("--no-settings", files.no_settings, "Without inky.toml");
  command.takes("--calls", files.calls, "A table of more format calls, in TOML", "FILE");
  command.takes("--compile-commands", files.compile_commands,
                "A compile database, in place of the nearest compile_commands.json", "FILE");
  command.takes("--jobs", files.jobs, "Files at the same time", "COUNT");
  command.takes("--max-faults", files.most_shown, "Shows no more than this; all are counted",
                "COUNT");
  command.flag("--list-takers", files.lists_takers,
               "Lists the functions of the program that were found to take templates");
  command.flag("--unchecked", files.unchecked, "Also lists the calls that could not be checked");
  for (const FormFlag& one : form_flags) {
    command.flag(one.name, options->forms[static_cast<std::size_t>(one.form)], one.what);
  }
  command.flag("--for-machine", options->demands.same_everywhere,
               "The text is for a machine: no locale may be left open");
  command.flag("--signedness", options->demands.signedness,
               "In files: whole numbers are read with the sign that they have");
  command.flag("--whole-line", options->demands.ends_line, "The template prints a whole line");
  command.takes("--line-limit", options->demands.most_columns,
                "The most columns of a template in source", "COLUMNS");
  command.flag("--fix", options->fix, "The fixed template and nothing else");
  command.json_flag(options->json);
  command.jsonl_flag(options->jsonl);
  command.ascii_flag(options->ascii);
  return [options, command] {
    if (!options->jsonl && !command.has("template") && options->files.files_from.empty()) {
      return fail({Code::bad_option,
                   "check needs a template, or a file",
                   {},
                   "Write inky check '%d' f64 or inky check src, or see inky check --help."});
    }
    const std::string first = unguarded(options->source);
    const bool names_files = !options->files.language.empty() ||
                             !options->files.files_from.empty() ||
                             (!command.has("--in") && is_source_path(first));
    if (options->jsonl || !names_files) {
      for (const char* name : file_options) {
        if (command.has(name))
          return fail({Code::bad_option,
                       std::string(name) + " is for source files",
                       {},
                       "Write inky check src/room.c " + std::string(name) + "."});
      }
      return run_check(*options);
    }
    if (options->fix)
      return fail({Code::bad_option,
                   "--fix is for one template",
                   {},
                   "--sarif has the repairs of files, for a program that makes them."});
    if (options->demands.ends_line)
      return fail({Code::bad_option,
                   "--whole-line is for one template",
                   {},
                   "Many calls of a file print a part of a line, and some end it themselves."});
    CheckFilesRequest request = options->files;
    request.form = options->json ? FindingForm::json : FindingForm::lines;
    int forms = options->json ? 1 : 0;
    for (const FormFlag& one : form_flags) {
      if (!options->forms[static_cast<std::size_t>(one.form)]) continue;
      request.form = one.form;
      ++forms;
    }
    if (forms > 1)
      return fail({Code::contradiction,
                   "two forms of the report are asked for",
                   {},
                   "Choose one of: --json, --summary, --sarif, --annotations, --junit."});
    if (command.has("template")) request.paths = {first};
    for (const std::string& more : options->types) request.paths.push_back(unguarded(more));
    request.demands = options->demands;
    request.ascii = options->ascii;
    return check_files(request);
  };
}

}  // namespace inky::cli
