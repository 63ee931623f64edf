// inky dialects: the list, and one dialect's guide page, written from the facts the code runs on.

#include <algorithm>
#include <memory>

#include "command.hpp"
#include "contract/names.hpp"
#include "inky_margin/text/columns.hpp"
#include "screen.hpp"
#include "text/escape.hpp"
#include "toolchain/programs.hpp"

namespace inky::cli {

namespace {

constexpr const char* dialects_examples = R"(Examples:
  inky dialects                          all dialects, and the toolchains found here
  inky dialects python-percent           its guide page
  inky dialects c --markdown > c.md      the same to keep
  inky dialects --json)";

struct DialectsOptions {
  std::string id;
  bool markdown = false;
  bool json = false;
  bool ascii = false;
};

std::string found_here(const DialectFacts& facts) {
  const auto path = toolchain::find_program(facts.program);
  if (!path) return std::string(facts.program) + " is not on this machine";
  return toolchain::version_of(*path).value_or(*path + ", which reports no version");
}

// ---- The guide page, before it is laid out ----

struct PageRow {
  std::string term;
  std::string text;
};
struct PageSection {
  std::string title;
  std::vector<PageRow> rows;
};

// What a template prints for a value, asked when the page is made; empty where it prints nothing.
std::string printed(const Dialect& dialect, const std::string& source, const Value& value) {
  const Result<Template> parsed = dialect.parse(source);
  TextBuffer out;
  if (!parsed || !dialect.render(*parsed, {&value, 1}, out).prints()) return {};
  return in_quotes(out.view());
}

// A form of the facts, with `mark` filled in.
std::string filled(std::string_view form, char mark, std::string_view with) {
  std::string out(form);
  if (const std::size_t at = out.find(mark); at != std::string::npos) out.replace(at, 1, with);
  return out;
}

Value sample_of(Kind kind) {
  switch (kind) {
    case Kind::whole:
      return Value::whole(Type::i32, -42);
    case Kind::real:
      return Value::real(2.675);
    case Kind::character:
      return Value::character(U'K');
    case Kind::text:
      return Value::text("ink");
    case Kind::truth:
      return Value::truth(true);
    case Kind::moment:
      return Value::moment({2031, 5, 9, 14, 5, 7});
    default:
      return {};
  }
}

PageSection letters(const Dialect& dialect, Kind kind, std::string title) {
  PageSection out{std::move(title), {}};
  for (const ConversionFact& fact : dialect.facts().conversions) {
    if (fact.kind != kind) continue;
    const std::string source =
        filled(dialect.facts().letter_form, '@', std::string_view(&fact.letter, 1));
    Value value = sample_of(kind);
    std::string text = printed(dialect, source, value);
    // A negative number in base 2 would not fit the page.
    constexpr std::size_t most_shown = 48;
    if (text.size() > most_shown) {
      value = Value::whole(Type::i32, 42);
      text = printed(dialect, source, value);
    }
    // Where letters for characters take wholes, that is more useful.
    if (const Value code = Value::whole(Type::i32, 'K'); kind == Kind::character) {
      const std::string from_code = printed(dialect, source, code);
      if (!from_code.empty()) value = code;
      if (!from_code.empty()) text = from_code;
    }
    out.rows.push_back({source, std::string(fact.meaning)});
    if (!text.empty()) out.rows.back().text += "; of " + describe(value) + ": " + text;
  }
  return out;
}

PageSection rounding(const Dialect& dialect) {
  const DialectFacts& facts = dialect.facts();
  if (facts.rounding.basis.empty()) return {};
  PageSection out{"Rounding",
                  {{"rule", std::string(name_of(facts.rounding.rule)) + ", on " +
                                std::string(facts.rounding.basis)}}};
  struct Sample {
    const char* places;
    double value;
  };
  if (facts.places_form.empty()) return out;
  for (const Sample& sample : {Sample{"2", 2.675}, Sample{"2", 0.125}, Sample{"1", 1.45},
                               Sample{"0", 2.5}, Sample{"1", 1e23}}) {
    const Value value = Value::real(sample.value);
    const int places = sample.places[0] - '0';
    const std::string zeros =
        std::string(places > 0 ? 1 : 0, '.') + std::string(static_cast<std::size_t>(places), '0');
    const std::string source = filled(filled(facts.places_form, 'N', sample.places), '~', zeros);
    out.rows.push_back({source, "of " + describe(value) + ": " + printed(dialect, source, value)});
  }
  return out;
}

PageSection plain(const Dialect& dialect) {
  PageSection out{"Printed plainly, without a format", {}};
  for (const Value& value :
       {Value::real(0.1), Value::real(100), Value::real(1e16), Value::real(1e-5),
        Value::whole(Type::i32, -42), Value::text("ink"), Value::truth(true), Value()}) {
    TextBuffer text;
    const Outcome outcome = dialect.print_plainly(value, text);
    if (!outcome.prints()) {
      out.rows.push_back({"", outcome.why()});
      break;
    }
    out.rows.push_back({describe(value), in_quotes(text.view())});
  }
  return out;
}

PageSection settings(const Dialect& dialect) {
  PageSection out{"Settings of the caller", {}};
  for (const SettingFact& fact : dialect.facts().settings) {
    std::string values;
    for (const std::string_view value : fact.telling.empty() ? fact.values : fact.telling)
      values += (values.empty() ? "" : ", ") + std::string(value);
    if (!fact.telling.empty())
      values += ", and others: --json lists all " + std::to_string(fact.values.size());
    out.rows.push_back(
        {std::string(fact.name),
         std::string(fact.meaning) + "; " + std::string(fact.usual) + " when left out: " + values});
  }
  return out;
}

std::vector<PageSection> guide(const Dialect& dialect) {
  const DialectFacts& facts = dialect.facts();
  std::vector<PageSection> out;
  out.push_back({"What it is",
                 {{"language", std::string(facts.language)},
                  {"facility", std::string(facts.facility)},
                  {"defined by", std::string(facts.standard)},
                  {"recorded from", std::string(facts.toolchain)},
                  {"found here", found_here(facts)}}});
  out.push_back(letters(dialect, Kind::whole, "Letters for whole numbers"));
  out.push_back(letters(dialect, Kind::real, "Letters for reals"));
  out.push_back(letters(dialect, Kind::character, "Letters for characters"));
  out.push_back(letters(dialect, Kind::text, "Letters for text"));
  out.push_back(letters(dialect, Kind::truth, "Letters for truth values"));
  out.push_back(letters(dialect, Kind::moment, "Letters for moments"));
  out.push_back(letters(dialect, Kind::any, "Other letters"));
  PageSection flags{"Flags", {}};
  for (const FlagFact& fact : facts.flags)
    flags.rows.push_back({"\"" + std::string(1, fact.flag) + "\"", std::string(fact.meaning)});
  out.push_back(std::move(flags));
  PageSection modifiers{std::string(facts.modifiers_are), {}};
  for (const ModifierFact& fact : facts.modifiers) {
    if (!fact.text.empty())
      modifiers.rows.push_back({std::string(fact.text), std::string(fact.meaning)});
  }
  out.push_back(std::move(modifiers));
  if (!facts.modified_letters.empty()) {
    PageSection letters{"Letters behind them", {}};
    for (const ConversionFact& fact : facts.modified_letters)
      letters.rows.push_back({std::string(1, fact.letter), std::string(fact.meaning)});
    out.push_back(std::move(letters));
  }
  const std::string unit(name_of(facts.width_unit));
  const bool wholes_too =
      std::any_of(facts.conversions.begin(), facts.conversions.end(),
                  [](const auto& fact) { return fact.kind == Kind::whole && fact.precision; });
  const bool reals_too =
      std::any_of(facts.conversions.begin(), facts.conversions.end(),
                  [](const auto& fact) { return fact.kind == Kind::real && fact.precision; });
  PageSection counts{"Width and precision",
                     {{"width", "at least N " + unit + "; a longer value is never cut"}}};
  // Where nothing but moments has letters, none has a precision.
  const bool texts_too = std::any_of(facts.conversions.begin(), facts.conversions.end(),
                                     [](const auto& fact) { return fact.kind != Kind::moment; });
  if (texts_too) {
    counts.rows.push_back(
        {"precision",
         "of text: up to N " + unit + (wholes_too ? "; of a whole number: at least N digits" : "") +
             (reals_too ? "; of a real: digits after the point, or significant ones with g" : "")});
  }
  out.push_back(std::move(counts));
  out.push_back(rounding(dialect));
  out.push_back(settings(dialect));
  out.push_back(plain(dialect));
  PageSection escapes{"Escapes", {}};
  for (const EscapeFact& fact : facts.escapes)
    escapes.rows.push_back({std::string(fact.written), std::string(fact.meaning)});
  out.push_back(std::move(escapes));
  PageSection failures{"What fails, and how", {}};
  for (const FailureFact& fact : facts.failures)
    failures.rows.push_back({std::string(fact.what), std::string(fact.how)});
  out.push_back(std::move(failures));
  std::erase_if(out, [](const PageSection& section) { return section.rows.empty(); });
  return out;
}

// ---- Laid out ----

constexpr std::size_t page_width = 80;
constexpr std::size_t term_width = 18;

// Lines of at most `width` columns; a longer word stands alone.
std::vector<std::string> broken(std::string_view text, std::size_t width) {
  std::vector<std::string> out(1);
  while (!text.empty()) {
    const std::size_t end = std::min(text.find(' '), text.size());
    const std::string word(text.substr(0, end));
    const std::size_t used = measure(out.back(), WidthUnit::columns);
    if (used != 0 && used + 1 + measure(word, WidthUnit::columns) > width) out.emplace_back();
    if (!out.back().empty()) out.back() += ' ';
    out.back() += word;
    text.remove_prefix(std::min(end + 1, text.size()));
  }
  return out;
}

void put_guide(Screen& screen, const DialectFacts& facts,
               const std::vector<PageSection>& sections) {
  screen.tinted(Tint::strong, std::string(facts.id));
  screen.line();
  for (const PageSection& section : sections) {
    screen.line();
    screen.tinted(Tint::strong, section.title);
    screen.line();
    for (const PageRow& row : section.rows) {
      const bool beside = measure(row.term, WidthUnit::columns) + 4 <= term_width;
      screen.put("  ");
      screen.tinted(Tint::good, row.term);
      if (!beside) screen.line();
      std::size_t column = beside ? 2 + measure(row.term, WidthUnit::columns) : 0;
      for (const std::string& line : broken(row.text, page_width - term_width)) {
        screen.line(std::string(term_width - column, ' ') + line);
        column = 0;
      }
    }
  }
}

std::string markdown(const DialectFacts& facts, const std::vector<PageSection>& sections) {
  const auto cell = [](const std::string& text, bool code) {
    std::string out;
    for (const char c : text) out += c == '|' ? std::string("\\|") : std::string(1, c);
    return code && !out.empty() ? "`" + out + "`" : out;
  };
  std::string out = "# " + std::string(facts.id) + "\n";
  for (const PageSection& section : sections) {
    out += "\n## " + section.title + "\n\n| | |\n|---|---|\n";
    for (const PageRow& row : section.rows)
      out += "| " + cell(row.term, true) + " | " + cell(row.text, false) + " |\n";
  }
  return out;
}

int print_json(std::span<const Dialect* const> dialects) {
  JsonWriter out(JsonWriter::Form::spread);
  out.open_list();
  for (const Dialect* dialect : dialects) {
    const DialectFacts& facts = dialect->facts();
    const auto path = toolchain::find_program(facts.program);
    const auto version = path ? toolchain::version_of(*path) : std::nullopt;
    out.open_object();
    out.member("id", facts.id);
    out.member("language", facts.language);
    out.member("facility", facts.facility);
    out.member("defined_by", facts.standard);
    out.member("recorded_from", facts.toolchain);
    out.member("width_counts", name_of(facts.width_unit));
    out.member_or_null("rounding",
                       facts.rounding.basis.empty() ? "" : name_of(facts.rounding.rule));
    out.open_list("settings");
    for (const SettingFact& fact : facts.settings) {
      out.open_object();
      out.member("name", fact.name);
      out.member("usual", fact.usual);
      out.open_list("values");
      for (const std::string_view value : fact.values) out.text(value);
      out.close_list();
      out.close_object();
    }
    out.close_list();
    out.member_or_null("found", version.value_or(""));
    out.close_object();
  }
  out.close_list();
  return write_json(out) ? done : bad_request;
}

int run_dialects(const DialectsOptions& options) {
  std::vector<const Dialect*> chosen(all_dialects().begin(), all_dialects().end());
  if (!options.id.empty()) {
    const Result<const Dialect*> dialect = dialect_named(options.id);
    if (!dialect) return fail(dialect.error());
    chosen = {*dialect};
  }
  if (options.json) return print_json(chosen);
  Screen screen(look_of(stdout, options.ascii));
  if (!options.id.empty()) {
    const DialectFacts& facts = chosen[0]->facts();
    const std::vector<PageSection> sections = guide(*chosen[0]);
    if (options.markdown) return write_out(markdown(facts, sections)) ? done : bad_request;
    put_guide(screen, facts, sections);
  } else {
    for (const Dialect* dialect : chosen) {
      const DialectFacts& facts = dialect->facts();
      screen.tinted(Tint::strong, std::string(facts.id));
      screen.line(": " + std::string(facts.language) + ", " + std::string(facts.facility));
      screen.label("recorded");
      screen.paragraph(facts.toolchain);
      screen.label("found");
      screen.paragraph(found_here(facts));
    }
  }
  return write_out(screen.text()) ? done : bad_request;
}

}  // namespace

Action add_dialects(Command& tool) {
  auto options = std::make_shared<DialectsOptions>();
  Command command = tool.command("dialects", "The dialects there are, or one dialect's guide page",
                                 dialects_examples);
  command.takes("id", options->id, "A dialect's id", "DIALECT");
  command.flag("--markdown", options->markdown, "The guide page as Markdown");
  command.flag("--json", options->json, "The list as JSON");
  command.ascii_flag(options->ascii);
  return [options] {
    if (options->markdown && options->id.empty()) {
      return fail({Code::bad_option,
                   "--markdown is for a guide page",
                   {},
                   "Name a dialect: inky dialects c --markdown."});
    }
    return run_dialects(*options);
  };
}

}  // namespace inky::cli
