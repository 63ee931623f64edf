// inky show: a template in words, or what it prints.

#include <algorithm>
#include <memory>

#include "beside.hpp"
#include "check_files.hpp"
#include "command.hpp"
#include "contract/answers.hpp"
#include "contract/names.hpp"
#include "inky_margin/text/columns.hpp"
#include "screen.hpp"
#include "show_json.hpp"
#include "text/escape.hpp"
#include "witness.hpp"

namespace inky::cli {

namespace {

constexpr const char* show_examples = R"(Examples:
  inky show '%+08.2f|%-6s|'                   in words
  inky show '%+08.2f|%-6s|' 2.675 ink         rendered, over a ruler
  inky show '%u' -7                           negative numbers need no care
  inky show '%.1Lf' 0.25:f80                  a type after a colon
  inky show --in python '{mass:8.2f}' mass=2.675   names are values by name
  inky show --in cpp-stream 'cout << setw(9) << x' 2.5
  inky show --in java --plain 1e10            printed without any format
  inky show '%.2f' 2.675 --beside java,rust   the same in other languages
  inky show --plain 1e10 --beside all         every language's default
  inky show '%.2f' 2.675 --witness             and what the real compiler's program prints
  inky show '%.2f' 2.675 --program             the whole program that prints it
  inky show --bare '%d\n' 42                  the bytes alone
  inky show --jsonl < requests.jsonl          for machines; docs/contract.md

Values: 42 (i32, or i64), 4.5 (f64), anything else text; a type after a colon
decides: 255:u8, 1.1:f32, 'K':char, true:truth, nil:nil, "4.5":text,
3-5i:complex, 2031-05-09T14:05:moment. [1, 2.5] is a list, (1, 2) a tuple,
{mass: 12.5} a record, mass=2.5 a named value.
Exit status: 0 printed; 1 the language fails or leaves it undefined; 2 bad request.)";

struct ShowOptions {
  std::string source;
  std::vector<std::string> values;
  std::string dialect = "c";
  std::string locale;
  std::vector<std::string> settings;
  std::string width_of;
  std::string rounding;
  std::string beside;
  bool witness = false;
  bool no_cache = false;
  bool require = false;
  bool program = false;
  bool plain = false;
  bool bare = false;
  bool json = false;
  bool jsonl = false;
  bool ascii = false;
};

// The value texts, read; or the error printed.
std::optional<std::vector<Value>> read_values(const std::vector<std::string>& texts) {
  std::vector<Value> out;
  for (const std::string& given : texts) {
    const std::string text = unguarded(given);
    Result<Value> value = read_value(text);
    if (!value) {
      fail(value.error(), text);
      return std::nullopt;
    }
    out.push_back(std::move(*value));
  }
  return out;
}

std::string unit_of(const Dialect& dialect, std::size_t count) {
  std::string unit(name_of(dialect.facts().width_unit));
  if (count == 1) unit.pop_back();
  return std::to_string(count) + " " + unit;
}

// The value that a field shows; null where it shows none, or all of them.
const Value* value_of_field(const Field& field, const PlacedField& placed,
                            const std::vector<Value>& values) {
  const int shown = placed.value == unset ? field.value_index : placed.value;
  const auto index = static_cast<std::size_t>(shown);
  const bool is_there = shown != unset && index < values.size();
  if (placed.value != unset) return is_there ? &values[index] : nullptr;
  if (field.key.empty()) return is_there && !values[index].is_named() ? &values[index] : nullptr;
  const auto found = std::find_if(values.rbegin(), values.rend(), [&](const Value& value) {
    return value.is_named() && value.name() == field.key_name();
  });
  return found == values.rend() ? nullptr : &*found;
}

void put_source(Screen& screen, const ShowRequest& request, const Template& parsed) {
  screen.label(request.dialect->facts().id);
  for (const Piece& piece : parsed.pieces()) {
    const std::string text =
        visible(std::string_view(parsed.source())
                    .substr(piece.source.from, piece.source.to - piece.source.from));
    screen.tinted(piece.field == unset ? Tint::plain : Tint::field, text, piece.field);
  }
  screen.line();
  screen.line();
}

void put_words(Screen& screen, const ShowRequest& request, const Template& parsed) {
  put_source(screen, request, parsed);
  int current = unset - 1;
  for (const Words& words : request.dialect->explain(parsed)) {
    const std::string part = visible(
        std::string_view(parsed.source()).substr(words.span.from, words.span.to - words.span.from));
    if (words.field != current && words.field != unset) {
      screen.label(std::to_string(words.field + 1));
      screen.tinted(
          Tint::field,
          visible(parsed.source_of(parsed.fields()[static_cast<std::size_t>(words.field)])),
          words.field);
      screen.line();
    }
    current = words.field;
    const bool defect = words.role == "undefined" || words.role == "fails";
    screen.label(words.field == unset ? words.role : "");
    const std::string head =
        (words.field == unset ? "" : "  ") + (defect ? std::string(words.role) : part);
    const std::size_t wide = measure(head, WidthUnit::columns);
    const std::size_t column = std::max<std::size_t>(wide + 2, 10);
    screen.tinted(defect ? Tint::warm : Tint::plain, head);
    screen.put(std::string(column - wide, ' '));
    screen.wrapped(words.meaning, label_width + column, label_width + 10);
  }
  screen.line();
  screen.label("takes");
  std::string names;
  for (const Field& field : parsed.fields()) {
    const std::string name = visible(field.key_name());
    if (field.key.empty() || (", " + names + ", ").find(", " + name + ", ") != std::string::npos)
      continue;
    names += (names.empty() ? "" : ", ") + name;
  }
  const int count = parsed.values_taken();
  if (!names.empty())
    screen.paragraph("values named " + names);
  else
    screen.line(count == 0 ? "no values"
                           : std::to_string(count) + (count == 1 ? " value" : " values"));
  for (const Note& note : parsed.notes()) screen.note(note, parsed.source());
}

// The output cut into stretches, and those into lines at each line end.
std::vector<std::vector<Stretch>> lines_of(std::string_view text, const Report& report,
                                           const Look& look) {
  std::vector<std::vector<Stretch>> lines(1);
  const auto add = [&](std::string_view part, int field) {
    while (!part.empty()) {
      const std::size_t end = std::min(part.find('\n'), part.size() - 1) + 1;
      lines.back().push_back({with_visible_spaces(part.substr(0, end), look), field});
      if (part[end - 1] == '\n') lines.emplace_back();
      part.remove_prefix(end);
    }
  };
  std::size_t at = 0;
  for (const PlacedField& placed : report.fields) {
    add(text.substr(at, placed.output.from - at), unset);
    add(text.substr(placed.output.from, placed.output.to - placed.output.from), placed.field);
    at = placed.output.to;
  }
  add(text.substr(at), unset);
  if (lines.size() > 1 && lines.back().empty()) lines.pop_back();
  return lines;
}

void put_fields(Screen& screen, const ShowRequest& request, const Template& parsed,
                std::string_view text, const Report& report) {
  std::size_t widest = 0;
  for (const Field& field : parsed.fields())
    widest = std::max(widest, measure(visible(parsed.source_of(field)), WidthUnit::columns));
  widest = std::min<std::size_t>(widest, 44);
  const auto told_of = [&](const PlacedField& placed) {
    const std::string_view made =
        text.substr(placed.output.from, placed.output.to - placed.output.from);
    return unit_of(*request.dialect, measure(made, request.dialect->facts().width_unit));
  };
  std::size_t longest = 10;
  for (const PlacedField& placed : report.fields)
    longest = std::max(longest, told_of(placed).size());
  for (const PlacedField& placed : report.fields) {
    const Field& field = parsed.fields()[static_cast<std::size_t>(placed.field)];
    const std::string source = visible(parsed.source_of(field));
    screen.label(std::to_string(placed.field + 1));
    screen.tinted(Tint::field, source, placed.field);
    const std::size_t wide = measure(source, WidthUnit::columns);
    screen.put(std::string(wide < widest + 2 ? widest + 2 - wide : 1, ' '));
    std::string told = told_of(placed);
    const Value* value = value_of_field(field, placed, request.values);
    if (value != nullptr) told.resize(longest, ' ');
    screen.put(told);
    if (value != nullptr) {
      screen.put("  from ");
      screen.put(visible(describe(*value)));
      screen.tinted(Tint::dim, " " + std::string(name_of(value->type())));
    }
    screen.line();
  }
}

void put_outcome(Screen& screen, const Outcome& outcome, const Template& parsed) {
  const bool undefined = outcome.kind() == Outcome::Kind::undefined;
  const bool compile = outcome.kind() == Outcome::Kind::fails_compile;
  screen.underlined(parsed.source(), outcome.span(), "");
  screen.line();
  screen.label(undefined ? "undefined" : "fails");
  std::string text;
  if (!undefined)
    text = "when the program " + std::string(compile ? "is compiled" : "runs") + ", as " +
           outcome.failure_name() + ": ";
  screen.paragraph(text + outcome.why());
}

void put_complaints(Screen& screen, const Outcome& outcome, const Template& parsed) {
  screen.line();
  for (const Complaint& complaint : outcome.complaints()) {
    screen.underlined(parsed.source(), complaint.span, "");
    screen.line();
    screen.label("complains");
    screen.paragraph("as " + complaint.as + ": " + complaint.message);
  }
  if (!outcome.status()) return;
  screen.label("exits");
  screen.paragraph("with status " + std::to_string(*outcome.status()));
}

// Several texts, each under its number; none is said.
void put_texts(Screen& screen, std::string_view text, const Report& report, const Look& look) {
  if (report.texts->empty()) {
    screen.label("prints");
    screen.line("no text at all: a vector among the values is empty");
  }
  int number = 0;
  for (const Span& span : *report.texts) {
    Report own;
    for (const PlacedField& placed : report.fields) {
      if (placed.output.from < span.from || placed.output.to > span.to) continue;
      own.fields.push_back(
          {placed.field, {placed.output.from - span.from, placed.output.to - span.from}});
    }
    screen.label("text");
    screen.line(std::to_string(++number));
    for (const auto& line : lines_of(text.substr(span.from, span.to - span.from), own, look))
      screen.stretches(line);
  }
  screen.line();
}

// A line of nothing but its end needs no ruler.
void put_line(Screen& screen, const std::vector<Stretch>& line, const Look& look) {
  if (line.size() != 1 || line[0].text != with_visible_spaces("\n", look))
    return screen.stretches(line);
  screen.label("");
  screen.tinted(line[0].field == unset ? Tint::plain : Tint::field, line[0].text, line[0].field);
  screen.line();
}

void put_printed(Screen& screen, const ShowRequest& request, const Template& parsed,
                 std::string_view text, const Report& report, const Look& look) {
  if (report.texts) {
    put_texts(screen, text, report, look);
  } else if (text.empty()) {
    screen.label("prints");
    screen.line("nothing");
    return;
  } else {
    for (const auto& line : lines_of(text, report, look)) put_line(screen, line, look);
    screen.line();
  }
  put_fields(screen, request, parsed, text, report);
}

int show_screen(const ShowRequest& request, const Template& parsed, const Outcome& outcome,
                std::string_view text, const Report& report, const Look& look,
                const Witnessed* witnessed) {
  Screen screen(look);
  put_source(screen, request, parsed);
  if (outcome.prints())
    put_printed(screen, request, parsed, text, report, look);
  else
    put_outcome(screen, outcome, parsed);
  if (outcome.kind() == Outcome::Kind::complains) put_complaints(screen, outcome, parsed);
  if (!report.notes.empty()) screen.line();
  for (const Note& note : report.notes) screen.note(note, parsed.source());
  if (witnessed != nullptr) put_witness(screen, *witnessed, text);
  if (!write_out(screen.text())) return bad_request;
  return outcome.prints_cleanly() ? done : answer_is_no;
}

int show_rendered(const ShowOptions& options, const ShowRequest& request, const Template& parsed) {
  TextBuffer out;
  Report report;
  const Outcome outcome =
      request.dialect->render(parsed, request.values, request.options(), out, &report);
  std::optional<Witnessed> witnessed;
  if (options.witness && outcome.kind() != Outcome::Kind::error) {
    const auto cache = options.no_cache ? std::nullopt : usual_cache();
    Result<Witnessed> asked =
        ask_witness(request, parsed, outcome, out.view(), report, cache ? &*cache : nullptr);
    if (!asked) return fail(asked.error(), parsed.source());
    witnessed = std::move(*asked);
  }
  const Witnessed* witness = witnessed ? &*witnessed : nullptr;
  const auto settled = [&](int status) {
    return witness == nullptr ? status : status_with(status, *witness, options.require);
  };
  if (options.json) {
    JsonWriter answer(JsonWriter::Form::spread);
    write_rendered(request, parsed, {outcome, out.view(), report, witness}, answer);
    return settled(!write_json(answer)                      ? bad_request
                   : outcome.prints_cleanly()               ? done
                   : outcome.kind() == Outcome::Kind::error ? bad_request
                                                            : answer_is_no);
  }
  if (outcome.kind() == Outcome::Kind::error) return fail(outcome.as_error(), parsed.source());
  const Look look = look_of(stdout, options.ascii);
  if (!options.bare)
    return settled(show_screen(request, parsed, outcome, out.view(), report, look, witness));
  if (outcome.prints() && !write_out(out.view())) return bad_request;
  if (outcome.prints_cleanly()) return done;
  write_error(error_text({Code{}, outcome.why(), outcome.span(), {}}, parsed.source(),
                         look_of(stderr, options.ascii)));
  return answer_is_no;
}

int show_program(const ShowRequest& request, const Template& parsed) {
  const Result<std::string> source = program_of(request, parsed);
  if (!source) return fail(source.error(), parsed.source());
  return write_out(*source) ? done : bad_request;
}

// One value, without a template.
int show_plain(const ShowOptions& options, const Dialect& dialect) {
  std::vector<std::string> texts = options.values;
  texts.insert(texts.begin(), options.source);
  if (texts.size() != 1) {
    return fail({Code::bad_option,
                 "--plain prints one value, and " + std::to_string(texts.size()) + " are given",
                 {},
                 "Give one value and no template."});
  }
  const auto values = read_values(texts);
  if (!values) return bad_request;
  if (!options.beside.empty()) {
    const auto others = dialects_listed(options.beside, &dialect);
    if (!others) return fail(others.error());
    return show_plain_beside(dialect, values->front(), *others, look_of(stdout, options.ascii),
                             options.json);
  }
  TextBuffer out;
  const Outcome outcome = dialect.print_plainly(values->front(), out);
  if (options.json) {
    JsonWriter answer(JsonWriter::Form::spread);
    answer.open_object();
    write_outcome(outcome, out.view(), {}, answer);
    answer.member("dialect", dialect.facts().id);
    answer.close_object();
    if (!write_json(answer)) return bad_request;
  } else if (outcome.prints() && options.bare) {
    if (!write_out(out.view())) return bad_request;
  } else if (outcome.kind() == Outcome::Kind::error) {
    return fail(outcome.as_error());
  } else {
    const Look look = look_of(stdout, options.ascii);
    Screen screen(look);
    screen.label(dialect.facts().id);
    screen.line("no format");
    screen.line();
    if (outcome.prints() && out.view().empty()) {
      screen.label("prints");
      screen.line("nothing");
    } else if (outcome.prints()) {
      for (const auto& line : lines_of(out.view(), {}, look)) screen.stretches(line);
    } else {
      screen.label("undefined");
      screen.paragraph(outcome.why());
    }
    if (!write_out(screen.text())) return bad_request;
  }
  return outcome.prints_cleanly() ? done : answer_is_no;
}

int run_show(const ShowOptions& options) {
  if (options.jsonl) return answer_lines("show");
  ShowRequest request;
  request.source = unguarded(options.source);
  notice_path(request.source);
  const Result<const Dialect*> dialect = dialect_named(options.dialect);
  if (!dialect) return fail(dialect.error());
  request.dialect = *dialect;
  if (options.plain) return show_plain(options, **dialect);
  const auto take = [&](const Result<Setting>& given) {
    if (given) request.settings.push_back(*given);
    return given ? done : fail(given.error());
  };
  for (const std::string& given : options.settings) {
    if (const int status = take(setting_given(**dialect, given)); status != done) return status;
  }
  if (!options.locale.empty()) {
    const int status = take(setting_given(**dialect, "locale", options.locale));
    if (status != done) return status;
  }
  if (!options.width_of.empty()) {
    const Result<WidthUnit> unit = width_unit_given(options.width_of);
    if (!unit) return fail(unit.error());
    request.width_of = *unit;
  }
  if (!options.rounding.empty()) {
    const int status = take(rounding_given(**dialect, options.rounding));
    if (status != done) return status;
  }
  auto values = read_values(options.values);
  if (!values) return bad_request;
  request.values = std::move(*values);
  const Result<Template> parsed = request.dialect->parse(request.source);
  if (!parsed) return fail(parsed.error(), request.source);
  if (options.program) return show_program(request, *parsed);
  if (!options.beside.empty()) {
    const auto others = dialects_listed(options.beside, request.dialect);
    if (!others) return fail(others.error());
    return show_beside(request, *parsed, *others, look_of(stdout, options.ascii), options.json);
  }
  const bool takes_some = parsed->values_taken() > 0 ||
                          std::any_of(parsed->fields().begin(), parsed->fields().end(),
                                      [](const Field& field) { return !field.key.empty(); });
  const bool in_words = request.values.empty() && takes_some && !options.bare;
  if (!in_words) return show_rendered(options, request, *parsed);
  if (options.json) {
    JsonWriter answer(JsonWriter::Form::spread);
    write_words(request, *parsed, answer);
    return write_json(answer) ? done : bad_request;
  }
  Screen screen(look_of(stdout, options.ascii));
  put_words(screen, request, *parsed);
  return write_out(screen.text()) ? done : bad_request;
}

}  // namespace

Action add_show(Command& tool) {
  auto options = std::make_shared<ShowOptions>();
  Command command =
      tool.command("show", "A template in words, or what it prints with values", show_examples);
  command.takes("template", options->source, "The format string, as you write it in source");
  command.takes("values", options->values, "The values it is given");
  command.takes("--in", options->dialect, "The dialect of the template", "DIALECT");
  command.takes("--locale", options->locale, "The locale; the dialect's own default when left out",
                "LOCALE");
  command.takes("--width-of", options->width_of,
                "What a width counts, instead of the dialect's own unit: bytes, code-points, "
                "utf16-units or columns",
                "UNIT");
  command.takes(
      "--rounding", options->rounding,
      "How numbers are cut, where the facility leaves that open (java-pattern): half-even, "
      "half-away, half-toward, up, down, away or toward",
      "MODE");
  command.takes_one_each("--setting", options->settings,
                         "Any setting of the dialect; inky dialects lists them", "NAME=VALUE");
  command.takes("--beside", options->beside,
                "The same in other dialects, ids between commas or all, with what differs",
                "DIALECTS");
  command.flag("--witness", options->witness,
               "Also builds and runs the program with the language's own toolchain");
  command.flag("--require", options->require, "The toolchain must be installed");
  command.flag("--no-cache", options->no_cache, "Runs the program again");
  command.flag("--program", options->program, "The whole program that prints it");
  command.flag("--plain", options->plain,
               "What the language prints for one value when no format is given");
  command.flag("--bare", options->bare, "The printed bytes and nothing else");
  command.json_flag(options->json);
  command.jsonl_flag(options->jsonl);
  command.ascii_flag(options->ascii);
  return [options, command] {
    if (!options->jsonl && !command.has("template")) {
      return fail({Code::bad_option,
                   "show needs a template",
                   {},
                   "Write inky show '%d' 42, or see inky show --help."});
    }
    const bool alone =
        options->plain || options->jsonl || !options->beside.empty() || options->bare;
    if ((options->witness || options->program) && alone) {
      return fail({Code::bad_option,
                   "--witness and --program are for one template and its values",
                   {},
                   "Leave --plain, --beside, --bare and --jsonl out."});
    }
    return run_show(*options);
  };
}

}  // namespace inky::cli
