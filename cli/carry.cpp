// inky carry: a template in other languages, and whether it prints the same there.

#include "inky_margin/carry/carry.hpp"

#include <algorithm>
#include <memory>

#include "command.hpp"
#include "contract/answers.hpp"
#include "contract/carry_answer.hpp"
#include "contract/names.hpp"
#include "screen.hpp"
#include "sources/check_files.hpp"
#include "text/escape.hpp"

namespace inky::cli {

namespace {

constexpr const char* carry_examples = R"(Examples:
  inky carry '%-8s|%8.2f' --to rust,java          from C, unless --from names another
  inky carry '{mass:>8.2f}' --from python --to all
  inky carry '{}' u64 --from rust --to php        the type of a value, or a value
  inky carry "$long" --to c --line-limit 80        the statement over several lines
  inky carry --jsonl < requests.jsonl             for machines; docs/contract.md

A verdict comes from rendering a fixed set of awkward values of each type: "same" printed
the same for all of them, "same for" names the range in which it did, "differs"
shows an example, "cannot" says why.
Exit status: 0 the same everywhere, in a range at least; 1 it is not; 2 bad request.)";

struct CarryOptions {
  std::string source;
  std::vector<std::string> types;
  std::string from = "c";
  std::string to = "all";
  std::size_t line_limit = 0;
  bool json = false;
  bool jsonl = false;
  bool ascii = false;
};

bool is_same(const Carried& carried) {
  return carried.verdict == Verdict::same || carried.verdict == Verdict::same_for;
}

Tint tint_of(Verdict verdict) {
  return verdict == Verdict::same ? Tint::good : Tint::warm;
}

std::string said(const Carried& carried) {
  switch (carried.verdict) {
    case Verdict::same:
      return "prints the same";
    case Verdict::same_for:
      return "prints the same for " + carried.range;
    case Verdict::differs:
      return "differs";
    default:
      return "cannot be carried";
  }
}

void put_example(Screen& screen, const CarryExample& example) {
  std::string values;
  for (const Value& value : example.values)
    values += (values.empty() ? "" : ", ") + visible(describe(value));
  screen.dialect_label("");
  screen.tinted(Tint::dim, values.empty() ? "here " : "of " + values + " here ");
  screen.put(in_quotes(example.here));
  screen.tinted(Tint::dim, example.there_fails ? ", there nothing: " : ", there ");
  screen.put(example.there_fails ? visible(example.there) : in_quotes(example.there));
  screen.line();
  if (example.reason.empty()) return;
  screen.dialect_label("");
  screen.dialect_paragraph(example.reason);
}

void put_carried(Screen& screen, const Carried& carried) {
  screen.dialect_label(carried.dialect->facts().id, Tint::plain);
  if (carried.source) {
    screen.tinted(Tint::field, visible(*carried.source));
    screen.line();
    screen.dialect_label("");
  }
  if (carried.verdict == Verdict::same_for) {
    screen.dialect_paragraph(said(carried));
  } else {
    screen.tinted(tint_of(carried.verdict), said(carried));
    screen.line();
  }
  if (carried.source && !carried.statement.starts_with(*carried.source)) {
    // Over several lines it is shown as it is pasted.
    std::string_view rest = carried.statement;
    while (!rest.empty()) {
      const std::size_t end = std::min(rest.find('\n'), rest.size());
      screen.dialect_label("");
      screen.line(visible(rest.substr(0, end)));
      rest.remove_prefix(std::min(end + 1, rest.size()));
    }
  }
  if (carried.example) put_example(screen, *carried.example);
  for (const Note& note : carried.notes) screen.dialect_note(note);
  screen.line();
}

int show_carried(const CarryOptions& options, const CarryRequest& request) {
  const Result<Template> parsed = request.from->parse(request.source);
  if (!parsed) return fail(parsed.error(), request.source);
  const Result<Cargo> cargo = Cargo::make(*request.from, *parsed, request.types);
  if (!cargo) return fail(cargo.error(), request.source);
  Screen screen(look_of(stdout, options.ascii));
  screen.dialect_label(request.from->facts().id, Tint::dim);
  screen.tinted(Tint::strong, visible(request.source));
  screen.line();
  std::string values;
  for (std::size_t i = 0; i < cargo->names().size(); ++i)
    values +=
        (i == 0 ? "" : ", ") + cargo->names()[i] + " " + std::string(name_of(cargo->types()[i]));
  if (!values.empty()) {
    screen.dialect_label("values", Tint::dim);
    screen.dialect_paragraph(values);
  }
  screen.line();
  bool all = true;
  for (const Dialect* other : request.to) {
    const Carried carried = carry_to(*cargo, *other, request.line_limit);
    put_carried(screen, carried);
    all &= is_same(carried);
  }
  if (!write_out(screen.text())) return bad_request;
  return all ? done : answer_is_no;
}

int run_carry(const CarryOptions& options) {
  if (options.jsonl) return answer_lines("carry");
  CarryRequest request;
  const Result<const Dialect*> from = dialect_named(options.from);
  if (!from) return fail(from.error());
  request.from = *from;
  request.source = unguarded(options.source);
  notice_path(request.source);
  for (const std::string& text : options.types) {
    const Result<Type> type = value_type_given(unguarded(text));
    if (!type) return fail(type.error(), unguarded(text));
    request.types.push_back(*type);
  }
  auto to = dialects_listed(options.to, *from);
  if (!to) return fail(to.error());
  request.to = std::move(*to);
  request.line_limit = options.line_limit;
  if (!options.json) return show_carried(options, request);
  const Result<std::vector<Carried>> all = carry_all(request);
  JsonWriter out(JsonWriter::Form::spread);
  if (!all) {
    write_error_answer(all.error(), out);
    write_json(out);
    return bad_request;
  }
  write_carried(*all, out);
  if (!write_json(out)) return bad_request;
  return std::all_of(all->begin(), all->end(), is_same) ? done : answer_is_no;
}

}  // namespace

Action add_carry(Command& tool) {
  auto options = std::make_shared<CarryOptions>();
  Command command =
      tool.command("carry", "A template in other languages, and whether it prints the same there",
                   carry_examples);
  command.takes("template", options->source, "The template, as you write it in source");
  command.takes("types", options->types, "The types of its values, or values of them");
  command.takes("--from", options->from, "The dialect it is written in", "DIALECT");
  command.takes("--to", options->to, "The dialects it goes to: ids between commas, or all",
                "DIALECTS");
  command.takes("--line-limit", options->line_limit,
                "The statement on lines of up to COLUMNS columns", "COLUMNS");
  command.json_flag(options->json);
  command.jsonl_flag(options->jsonl);
  command.ascii_flag(options->ascii);
  return [options, command] {
    if (!options->jsonl && !command.has("template")) {
      return fail({Code::bad_option,
                   "carry needs a template",
                   {},
                   "Write inky carry '%8.2f' --to rust, or see inky carry --help."});
    }
    if (command.has("--line-limit")) {
      if (const auto error = refuse_line_limit(options->line_limit)) return fail(*error);
    }
    return run_carry(*options);
  };
}

}  // namespace inky::cli
