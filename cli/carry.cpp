// inky carry: a template in other languages, and whether it prints the same there.

#include "inky_margin/carry/carry.hpp"

#include <algorithm>
#include <array>
#include <memory>

#include "command.hpp"
#include "contract.hpp"
#include "inky_margin/text/escape.hpp"
#include "inky_margin/text/utf8.hpp"
#include "request.hpp"
#include "screen.hpp"

namespace inky::cli {

namespace {

constexpr const char* examples = R"(Examples:
  inky carry '%-8s|%8.2f' --to rust,java          from C, where nothing is said
  inky carry '{mass:>8.2f}' --from python --to all
  inky carry '{}' u64 --from rust --to php        the type of a value, or a value
  inky carry "$long" --to c --line-limit 80        the statement over several lines
  inky carry --jsonl < requests.jsonl             for machines; docs/contract.md

A verdict is earned on a fixed set of awkward values of each type: "same" printed
the same for all of them, "same for" names the range in which it did, "differs"
shows an example, "cannot" says why.
Exit status: 0 the same everywhere, in a range at least; 1 it is not; 2 bad request.)";

struct Options {
  std::string source;
  std::vector<std::string> types;
  std::string from = "c";
  std::string to = "all";
  std::size_t line_limit = 0;
  bool json = false;
  bool jsonl = false;
  bool ascii = false;
};

struct Request {
  const Dialect* from = nullptr;
  std::string source;
  std::vector<Type> types;
  std::vector<const Dialect*> to;
  std::size_t line_limit = 0;  // of a statement, in columns; 0: none
};

// The least that a line may be limited to.
constexpr std::size_t least_line_limit = 20;

std::optional<Error> refuse_line_limit(std::size_t limit) {
  if (limit >= least_line_limit && limit <= most_template) return std::nullopt;
  return Error{Code::over_limit,
               "a line limit is a number of columns from " + std::to_string(least_line_limit),
               {},
               "80 and 100 are usual."};
}

Carried carry_to(const Cargo& cargo, const Dialect& other, std::size_t line_limit) {
  Carried out = cargo.to(other);
  if (line_limit == 0 || !out.source) return out;
  const Result<Template> parsed = other.parse(*out.source);
  if (parsed) out.statement = over_lines(other, *parsed, out.statement, line_limit);
  return out;
}

// ---- For machines ----

JsonOut value_json(const Value& value) {
  const std::string type(name_of(value.type()));
  switch (value.type()) {
    case Type::text:
      return JsonOut(std::string(value.as_text()));
    case Type::truth:
      return JsonOut(value.as_whole() != 0);
    case Type::nil:
      return JsonOut(nullptr);
    case Type::character: {
      std::string character;
      append_utf8(value.as_character(), character);
      return JsonOut{{type, std::move(character)}};
    }
    default:
      return JsonOut{{type, describe(value)}};
  }
}

JsonOut carried_json(const Carried& carried) {
  JsonOut out = {{"dialect", carried.dialect->facts().id}};
  out["template"] = carried.source ? JsonOut(*carried.source) : JsonOut(nullptr);
  out["call"] = carried.source ? JsonOut(carried.statement) : JsonOut(nullptr);
  out["verdict"] = name_of(carried.verdict);
  if (!carried.range.empty()) out["range"] = carried.range;
  out["example"] = nullptr;
  if (carried.example) {
    JsonOut values = JsonOut::array();
    for (const Value& value : carried.example->values) values.push_back(value_json(value));
    out["example"] = {{"values", std::move(values)}, {"here", carried.example->here}};
    if (!carried.example->reason.empty()) out["example"]["reason"] = carried.example->reason;
    out["example"][carried.example->there_fails ? "fails" : "there"] = carried.example->there;
  }
  if (carried.source) {
    JsonOut arguments = JsonOut::array();
    for (const int index : carried.arguments) arguments.push_back(index);
    out["arguments"] = std::move(arguments);
  }
  out["notes"] = to_json(carried.notes);
  return out;
}

JsonOut answer(const Request& request) {
  const Result<Template> parsed = request.from->parse(request.source);
  if (!parsed) return {{"error", to_json(parsed.error())}};
  const Result<Cargo> cargo = Cargo::make(*request.from, *parsed, request.types);
  if (!cargo) return {{"error", to_json(cargo.error())}};
  JsonOut results = JsonOut::array();
  for (const Dialect* other : request.to)
    results.push_back(carried_json(carry_to(*cargo, *other, request.line_limit)));
  return {{"results", std::move(results)}};
}

constexpr std::array<std::string_view, 5> request_keys = {"dialect", "template", "types", "to",
                                                          "line_limit"};
constexpr std::string_view request_form =
    R"({"dialect": "c", "template": "%8.2f", "types": ["f64"], "to": ["rust"]}.)";

Result<Request> read_request(std::string_view line) {
  Request out;
  std::vector<std::string> to;
  RequestReader in(line, request_keys, request_form);
  in.needs({"dialect", "template", "to"});
  in.dialect("dialect", out.from);
  in.text("template", out.source);
  in.types("types", out.types);
  in.texts("to", to);
  if (in.find("to") != nullptr && to.empty()) in.wrong_kind("to", "a list of dialects");
  if (const Json* limit = in.find("line_limit")) {
    if (limit->kind != Json::Kind::number) in.wrong_kind("line_limit", "a number");
    const Result<Value> columns = read_typed(Type::u32, limit->text);
    if (columns) out.line_limit = static_cast<std::size_t>(columns->as_whole());
    if (auto error = refuse_line_limit(out.line_limit)) in.fail(std::move(*error));
  }
  if (in.fault()) return *in.fault();
  auto dialects = dialects_named(to, out.from);
  if (!dialects) return dialects.error();
  out.to = std::move(*dialects);
  return out;
}

// ---- For people ----

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

int show_carried(const Options& options, const Request& request) {
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
    all &= carried.verdict == Verdict::same || carried.verdict == Verdict::same_for;
  }
  if (!write_out(screen.text())) return bad_request;
  return all ? done : answer_is_no;
}

int run(const Options& options) {
  if (options.jsonl) {
    return answer_lines([](std::string_view line) {
      const Result<Request> request = read_request(line);
      return request ? on_one_line(answer(*request)) : error_line(request.error());
    });
  }
  Request request;
  const Result<const Dialect*> from = dialect_named(options.from);
  if (!from) return fail(from.error());
  request.from = *from;
  request.source = unguarded(options.source);
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
  const JsonOut out = answer(request);
  if (!write_out(spread(out))) return bad_request;
  if (out.contains("error")) return bad_request;
  const bool all = std::all_of(
      out["results"].begin(), out["results"].end(),
      [](const JsonOut& one) { return one["verdict"] == "same" || one["verdict"] == "same-for"; });
  return all ? done : answer_is_no;
}

}  // namespace

Action add_carry(Command& tool) {
  auto options = std::make_shared<Options>();
  Command command = tool.command(
      "carry", "A template in other languages, and whether it prints the same there", examples);
  command.takes("template", options->source, "The template, as it stands in source");
  command.takes("types", options->types, "The types of its values, or values of them");
  command.takes("--from", options->from, "The dialect it is written in", "DIALECT");
  command.takes("--to", options->to, "The dialects it goes to: ids between commas, or all",
                "DIALECTS");
  command.takes("--line-limit", options->line_limit,
                "The statement over lines of at most so many columns", "COLUMNS");
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
    return run(*options);
  };
}

}  // namespace inky::cli
