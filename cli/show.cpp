// inky show: a template in words, or what it prints.

#include <algorithm>
#include <memory>

#include "beside.hpp"
#include "command.hpp"
#include "contract/answers.hpp"
#include "contract/names.hpp"
#include "inky_margin/dialect/language.hpp"
#include "inky_margin/dialect/statement.hpp"
#include "scan/tokens.hpp"
#include "show_json.hpp"
#include "show_screen.hpp"
#include "sources/check_files.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "witness.hpp"

namespace inky::cli {

namespace {

constexpr const char* show_examples = R"(Examples:
  inky show '%+08.2f|%-6s|'                   in words
  inky show '%+08.2f|%-6s|' 2.675 ink         rendered, over a ruler
  inky show 'printf("%.2f\n", price * 0.76);' price=9.55   a whole call
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
{mass: 12.5} a record, mass=2.5 a named value. =9.55*0.76 is what the language
makes of an expression, mass==2.5*3 one with a name.
Exit status: 0 printed; 1 the language fails or leaves it undefined; 2 bad request.)";

struct ShowOptions {
  std::string source;
  std::vector<std::string> values;
  std::string dialect;  // empty: c, or the language that has such a call
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

// "=9.55*0.76" and "price==9.55*0.76": where the expression in a value begins; 0: it is none.
std::size_t expression_in(std::string_view text) {
  std::size_t at = 0;
  while (at < text.size() && is_word_part(text[at])) ++at;
  if (at > 0 && (!is_word_start(text[0]) || text.substr(at, 1) != "=")) return 0;
  if (at > 0) ++at;
  return text.substr(at, 1) == "=" ? at + 1 : 0;
}

// The value texts, read; or the error printed. Expressions know the values by name, and what the
// expressions before them came to.
std::optional<std::vector<Value>> read_values(const Dialect& dialect,
                                              const std::vector<std::string>& texts) {
  std::vector<Value> out(texts.size());
  std::vector<Value> known;
  for (const bool computes : {false, true}) {
    for (std::size_t i = 0; i < texts.size(); ++i) {
      const std::string text = unguarded(texts[i]);
      const std::size_t from = expression_in(text);
      if ((from != 0) != computes) continue;
      Result<Value> value = computes ? compute(dialect, std::string_view(text).substr(from), known)
                                     : read_value(text);
      if (!value) {
        Error error = value.error();
        error.span = {error.span.from + from, error.span.to + from};
        fail(error, text);
        return std::nullopt;
      }
      if (from > 1) value->set_name(text.substr(0, from - 2));
      if (value->is_named()) known.push_back(*value);
      out[i] = std::move(*value);
    }
  }
  return out;
}

int show_screen(const ShowRequest& request, const Template& parsed, const Outcome& outcome,
                std::string_view text, const Report& report, const Look& look,
                const Witnessed* witnessed) {
  Screen screen(look);
  put_shown(screen, request, parsed, outcome, text, report);
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
  const auto values = read_values(dialect, texts);
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
    Screen screen(look_of(stdout, options.ascii));
    put_plain(screen, dialect, outcome, out.view());
    if (!write_out(screen.text())) return bad_request;
  }
  return outcome.prints_cleanly() ? done : answer_is_no;
}

// A dialect of the language itself; null for the language of the usual one.
const Dialect* own_dialect(const SourceLanguage& language, const Dialect* usual) {
  if (&language == language_of_dialect(*usual)) return nullptr;
  const Dialect* dialect = find_dialect(language.dialect);
  if (dialect != usual) return dialect;
  for (const CallForm& call : language.calls) {
    dialect = find_dialect(call.dialect);
    if (dialect != nullptr && language_of_dialect(*dialect) == &language) return dialect;
  }
  return nullptr;
}

// The dialect of a chain that a source begins with: cout << x. Null where it begins with none.
const Dialect* dialect_of_chain(std::string_view source) {
  source.remove_prefix(std::min(source.find_first_not_of(" \t\r\n"), source.size()));
  for (const SourceLanguage& language : all_languages()) {
    for (const CallForm& call : language.calls) {
      std::string_view rest = source;
      const std::size_t end = std::min(rest.find_first_of(" \t\r\n<.("), rest.size());
      const std::string_view name = rest.substr(0, end);
      const bool is_called = name == call.name || name.ends_with("::" + call.name);
      if (call.shape != CallShape::insertions || !is_called) continue;
      rest.remove_prefix(end);
      rest.remove_prefix(std::min(rest.find_first_not_of(" \t\r\n"), rest.size()));
      if (rest.starts_with("<<")) return find_dialect(call.dialect);
    }
  }
  return nullptr;
}

// The language of a call that is pasted whole: C's where it can be, or the only other one that has
// such a call and can read it. Without a call, C's.
Result<const Dialect*> dialect_guessed(std::string_view source) {
  const Dialect* usual = find_dialect("c");
  const auto reads = [&](const Dialect* dialect) {
    return bool(parse_statement(*dialect, source));
  };
  const Dialect* chain = dialect_of_chain(source);
  if (chain != nullptr && chain->parse(source)) return chain;
  const bool may_be_usual = is_statement(*usual, source);
  if (may_be_usual && reads(usual)) return usual;
  std::vector<const Dialect*> found;
  std::vector<const Dialect*> with_method;
  for (const SourceLanguage& language : all_languages()) {
    const Dialect* dialect = own_dialect(language, usual);
    if (dialect == nullptr) continue;
    if (is_statement(*dialect, source, false)) found.push_back(dialect);
    if (is_method_call(*dialect, source)) with_method.push_back(dialect);
  }
  // An expression alone, which no language has as a call that prints.
  if (found.empty() && !may_be_usual) found = std::move(with_method);
  if (found.size() > 1 || may_be_usual)
    std::erase_if(found, [&](const Dialect* dialect) { return !reads(dialect); });
  if (found.empty()) return usual;
  if (found.size() == 1) return found[0];
  std::string ids;
  for (const Dialect* dialect : found)
    ids += (ids.empty() ? "" : ", ") + std::string(dialect->facts().id);
  return Error{Code::bad_option,
               "several languages have such a call",
               {},
               "Choose one with --in: " + ids + "."};
}

int run_show(const ShowOptions& options) {
  if (options.jsonl) return answer_lines("show");
  ShowRequest request;
  request.source = unguarded(options.source);
  notice_path(request.source);
  const Result<const Dialect*> dialect =
      options.dialect.empty() ? dialect_guessed(request.source) : dialect_named(options.dialect);
  if (!dialect) return fail(dialect.error(), request.source);
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
  auto values = read_values(**dialect, options.values);
  if (!values) return bad_request;
  request.values = std::move(*values);
  request.is_statement = is_statement(*request.dialect, request.source);
  request.asked_locale = options.locale;
  for (const std::string& given : options.settings) {
    if (given.starts_with("locale=")) request.asked_locale = given.substr(7);
  }
  const Result<Template> parsed = request.is_statement
                                      ? parse_statement(*request.dialect, request.source)
                                      : request.dialect->parse(request.source);
  if (!parsed) return fail(parsed.error(), request.source);
  request.dialect = &parsed->dialect();
  if (options.program) return show_program(request, *parsed);
  if (!options.beside.empty()) {
    const auto others = dialects_listed(options.beside, request.dialect);
    if (!others) return fail(others.error());
    Result<EvaluatedCall> call = evaluate_call(*parsed, request.values);
    if (!call) return fail(call.error(), request.source);
    request.values = std::move(call->values);
    request.source = call->inner.source();
    return show_beside(request, call->inner, *others, look_of(stdout, options.ascii), options.json);
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
  command.takes("template", options->source,
                "The format string, or the whole call, as you write it in source");
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
