// Templates, values, names, headings and cells that want out of the literal they are put into. What
// becomes a program is run here without any confinement, so that it would show: each tries to make
// a file.

#include <catch2/catch.hpp>
#include <filesystem>
#include <map>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/emit/table_program.hpp"
#include "inky_margin/write/program.hpp"
#include "sheet/quick_sheet.hpp"
#include "support/process.hpp"
#include "support/random_values.hpp"
#include "toolchain/witness.hpp"

using namespace inky;
using inky::toolchain::Toolchain;

namespace {

std::string canary() {
  return support::scratch() + "/canary";
}

std::string replaced(std::string text, std::string_view from, std::string_view to) {
  for (std::size_t at = text.find(from); at != std::string::npos; at = text.find(from, at)) {
    text.replace(at, from.size(), to);
    at += to.size();
  }
  return text;
}

struct Attacked {
  const char* dialect;
  const char* payload;  // an expression that makes the file CANARY
  const char* text;     // a field that shows a text
  const char* around;   // what is pasted around a literal, @; empty: nothing
};
const Attacked all_attacked[] = {
    {"c", "system(\"touch CANARY\")", "%s", ""},
    {"cpp-format", "system(\"touch CANARY\")", "{}", ""},
    {"cpp-stream", "system(\"touch CANARY\")", "", "cout << \"@\""},
    {"csharp", "System.IO.File.WriteAllText(\"CANARY\", \"\")", "{0}", ""},
    {"fsharp", "System.IO.File.WriteAllText(\"CANARY\", \"\")", "%s", ""},
    {"java", "new java.io.File(\"CANARY\").mkdir()", "%s", ""},
    {"java-pattern", "new java.io.File(\"CANARY\").mkdir()", "", ""},
    {"javascript", "require(\"fs\").writeFileSync(\"CANARY\", \"\")", "", ""},
    {"lisp", "(open \"CANARY\" :direction :output)", "~A", ""},
    {"octave", "system(\"touch CANARY\")", "%s", ""},
    {"php", "touch(\"CANARY\")", "%s", ""},
    {"python", "open(\"CANARY\", \"w\")", "{}", ""},
    {"python-percent", "open(\"CANARY\", \"w\")", "%s", ""},
    {"r", "file.create(\"CANARY\")", "%s", ""},
    {"r-format", "file.create(\"CANARY\")", "", "format(\"@\")"},
    {"rust", "std::fs::write(\"CANARY\", \"\")", "{}", ""},
    {"shell", "touch CANARY", "%s", ""},
};

// P is the payload.
const char* const ways_out[] = {
    "x\"); P; y(\"",
    "x\" + P + \"y",
    "x\", P, \"y",
    "x\" . P . \"y",
    "x\") P (y \"",
    "x\\\"); P; y(\\\"",
    "x\\\\\"); P; y(\\\\\"",
    "x\\",
    "x\\\\\\",
    "x\\\\\\\"); P; //",
    "x'); P; y('",
    "x`); P; y(`",
    "${P}",
    "{P}",
    "{{P}}",
    "#{P}",
    "{$P}",
    "{${P}}",
    "{${'P'}}",
    "$P",
    "%{P}",
    "`P`",
    "\\`); P; (\\`",
    "\\${P}",
    "\\\\${P}",
    "x\n\"); P; //",
    "x\r\"); P; //",
    "x\\\n\"); P; //",
    "x\\u0022); P; y(\\u0022",
    "x\\uu0022); P; y(\\uuu0022",
    "x\\\\u0022); P; y(\\\\u0022",
    "x\\u005c\"); P; y(\\u005c\"",
    "x\\u000a); P; y(",
    "x\\x22); P; y(\\x22",
    "x\\42); P; y(\\42",
    "x\\042); P; y(\\042",
    "x\\u{22}); P; y(\\u{22}",
    "x\\U00000022); P; y(\\U00000022",
    "x\\N{QUOTATION MARK}); P; y(",
    "x\?\?/\"); P; y(\?\?/\"",
    "x\?\?/",
    "*/ P /*",
    "// P",
    "# P",
    "x\" \"y\"; P; \"",
    "\"\"\"); P; (\"\"\"",
    "'''); P; ('''",
    ")\"; P; R\"(",
    "x\xE2\x80\xA8P\xE2\x80\xA8y",
    "x\xC2\x85P",
    "x\xE2\x80\xAE\"P\"",
    "?> <?php P; ?>",
    "|# P #|",
    "#.P",
    "~/P/",
    "{0:\" + P + \"}",
    "{x.__class__.__init__}",
    "{x!r:\"}; P; {\"",
    "%s\"); P; (\"%s",
    "%'\"); P; ('",
    "\\0\"); P; //",
    "\\c\"); P; //",
    "\\\"\"); P; (\"\\\"",
    "\"\"; P; \"\"",
    "@\"; P; \"",
    "$\"{P}\"",
    "f\"{P}\"",
    "f'{P}'",
    "f\"{x:{P}}\"",
    "f\"{x[\"P\"]}\"",
    "f\"{x['\\\"P']}\"",
};

std::vector<std::string> hostile_contents(const Attacked& one) {
  std::vector<std::string> out;
  const std::string payload = replaced(one.payload, "CANARY", canary());
  // As it is, and as it would have to be in quotes.
  for (const std::string& spelled :
       {payload, replaced(payload, "\"", "\\\""), replaced(payload, "\"", "'")}) {
    for (const char* way : ways_out) {
      std::string text = replaced(way, "P", spelled);
      if (*one.around != '\0') text = replaced(one.around, "@", text);
      out.push_back(std::move(text));
    }
  }
  // Pasted whole, they are code from the start.
  const std::string id = one.dialect;
  if (id == "cpp-stream" || id == "r-format") {
    for (const char* whole : {"cout << P",
                              "cout << \"a\"; P",
                              "P; cout << 1",
                              "cout << setw(P) << 1",
                              "cout << (P, 1)",
                              "cout << 1 /* */ ; P;",
                              "cout << x\n; P",
                              "cout << setfill(P) << 1",
                              "cout << 'P'",
                              "cout << 1 << \\\nP",
                              "cout << L\"a\" << P",
                              "format(P)",
                              "format(1, width = P)",
                              "format(1); P",
                              "format(c(1, P))",
                              "format(`P`)",
                              "format(\"a\", P = 1)",
                              "format(x = 1, \"b\" = P)",
                              "(P)",
                              "format(1)\nP",
                              "P(1)"})
      out.push_back(replaced(whole, "P", payload));
  }
  if (id == "shell") {
    for (const char* word :
         {"$(P)",       "x'; P; '",     "x'\nP\n'",    "x' P 'y",         "x'$(P)'y",
          "x'`P`'y",    "'; P #",       "\\'; P; \\'", "\\047; P; \\047", "x\";P;\"",
          "${x:-$(P)}", "x' && P || '", "x' | P | '",  "x'&P&'",          "\\\nP",
          "x'>CANARY'", "<(P)",         "$((P))",      "-v x; P",         "--; P",
          "%s$(P)",     "%s'; P; '"})
      out.push_back(replaced(word, "P", payload));
  }
  if (id == "javascript") {
    for (const char* slot :
         {"${P}", "${x.y(P)}", "${[P][0]}", "${{a: P}.a}", "${`${P}`}", "${(P, x)}", "${x}${P}",
          "${x /* } */ + P}", "${x\n;P}", "${x['constructor']['constructor']('P')()}",
          "${x.constructor.constructor(\"P\")()}", "${String.constructor('P')()}",
          "${Math.max.constructor('P')()}", "${x.toString.call(P)}", "${eval('P')}"})
      out.push_back(replaced(slot, "P", payload));
  }
  return out;
}

// Without confinement: what it does to the machine shows.
support::Ran run_openly(const Toolchain& toolchain, const std::string& source) {
  const std::string folder = support::scratch() + "/open";
  std::filesystem::remove_all(folder);
  std::filesystem::create_directories(folder);
  support::write_file(folder + "/" + std::string(toolchain.form.file), source);
  const std::string program = toolchain::find_toolchain(toolchain)->front();
  std::string line = "cd " + folder + " && ";
  if (!toolchain.form.build.empty())
    line += replaced(std::string(toolchain.form.build), "@", program) + " && ";
  line += replaced(std::string(toolchain.form.run), "@", program);
  return support::shell("env LC_ALL=C.UTF-8 DOTNET_SYSTEM_GLOBALIZATION_INVARIANT=1 sh -c '" +
                        line + "'");
}

bool is_here(const char* dialect) {
  if (toolchain::find_toolchain(*toolchain::toolchain_of(dialect))) return true;
  WARN("skipped: there is no toolchain of " << dialect);
  return false;
}

// Those take seconds to start: what they are given is in one template.
bool is_slow(std::string_view id) {
  return id == "csharp" || id == "fsharp" || id == "cpp-format";
}

void check_run(const Attacked& one, const std::string& content,
               const std::vector<Value>& values = {}) {
  INFO(one.dialect << ": " << content);
  const Dialect& dialect = *find_dialect(one.dialect);
  const Result<Template> parsed = dialect.parse(content);
  REQUIRE(parsed.ok());
  const Result<std::string> program = write_program(dialect, *parsed, values);
  REQUIRE(program.ok());
  TextBuffer out;
  const Outcome outcome = dialect.render(*parsed, values, out);
  const support::Ran ran = run_openly(*toolchain::toolchain_of(one.dialect), *program);
  INFO(*program << ran.err);
  CHECK_FALSE(std::filesystem::remove(canary()));
  if (!outcome.prints() || ran.out == out.view()) return;
  const auto at =
      std::mismatch(ran.out.begin(), ran.out.end(), out.view().begin(), out.view().end());
  const auto from = static_cast<std::size_t>(at.second - out.view().begin());
  FAIL_CHECK("they part at byte " << from << ": " << out.view().substr(from, 40));
}

}  // namespace

TEST_CASE("no template leaves its literal, asked anew") {
  const std::uint64_t seed = support::seed(20310512);
  INFO("seed " << seed);
  // Some templates need a program of their own. No more of them are run; another seed takes others.
  constexpr std::size_t most_alone = 40;
  for (const Attacked& one : all_attacked) {
    const std::vector<std::string> contents = hostile_contents(one);
    CHECK(contents.size() >= 40);
    const Dialect& dialect = *find_dialect(one.dialect);
    std::string together;
    std::size_t programs = 0;
    std::vector<std::string> alone;
    for (const std::string& content : contents) {
      const Result<Template> parsed = dialect.parse(content);
      const auto program = parsed ? write_program(dialect, *parsed, {}) : parsed.error();
      if (!program.ok()) {
        INFO(one.dialect << ": " << content);
        CHECK_FALSE(program.error().message.empty());
        continue;
      }
      ++programs;
      TextBuffer out;
      const bool joins = parsed->fields().empty() && *one.around == '\0' && !parsed->refusal() &&
                         dialect.render(*parsed, {}, out).prints() && content.front() != '`' &&
                         content.front() != 'f';
      if (joins)
        together += content + "|";
      else
        alone.push_back(content);
    }
    INFO(one.dialect << ": " << programs << " programs");
    CHECK(programs >= (std::string_view(one.dialect) == "java-pattern" ? 0U : 2U));
    if (!is_here(one.dialect)) continue;
    if (!together.empty()) check_run(one, together);
    if (is_slow(one.dialect)) continue;
    support::RandomValues random(seed);
    while (alone.size() > most_alone)
      alone.erase(alone.begin() + random.below(static_cast<int>(alone.size())));
    for (const std::string& content : alone) check_run(one, content);
  }
}

TEST_CASE("no value leaves its literal, asked anew") {
  for (const Attacked& one : all_attacked) {
    if (*one.text == '\0' || !is_here(one.dialect)) continue;
    const std::string id = one.dialect;
    std::vector<std::string> texts = hostile_contents(one);
    texts.resize(60);
    std::string content;
    std::vector<Value> values;
    for (const std::string& text : texts) {
      content += id == "csharp" ? "{" + std::to_string(values.size()) + "}" : one.text;
      content += "|";
      values.push_back(Value::text(text));
    }
    check_run(one, content, values);
  }
}

// A table whose headings and cells all want out; sixty columns, as some languages take no more.
TEST_CASE("no heading and no cell leaves its literal, asked anew") {
  for (const Attacked& one : all_attacked) {
    const Dialect& dialect = *find_dialect(one.dialect);
    if (dialect.facts().forms.table == nullptr || !is_here(one.dialect)) continue;
    const std::vector<std::string> contents = hostile_contents(one);
    Table table;
    TableRow row{2, {}};
    for (std::size_t i = 0; i < 60; ++i) {
      table.names.push_back(contents[i]);
      row.cells.emplace_back(contents[(i + 7) % 60]);
    }
    table.rows.push_back(std::move(row));
    const auto program = write_table_program(dialect, sheet_of(table), table, {});
    INFO(one.dialect << " " << (program ? program->source : program.error().message));
    REQUIRE(program.ok());
    const support::Ran ran = run_openly(*toolchain::toolchain_of(one.dialect), program->source);
    CHECK_FALSE(std::filesystem::remove(canary()));
    CHECK(ran.out == program->text());
  }
}

TEST_CASE("a name that is more than a name is not put into a program") {
  const char* const names[] = {"x; touch()",
                               "x)",
                               "x\n",
                               "x=1",
                               "",
                               "1x",
                               "x y",
                               "x\";",
                               "$x",
                               "x'",
                               "`x`",
                               "x.y",
                               "x-y",
                               "x/*",
                               "\xE2\x80\xA8",
                               "x,y",
                               "x{}",
                               "#x",
                               "x\\",
                               "x\"",
                               "x(system)",
                               "__import__('os')"};
  for (const Attacked& one : all_attacked) {
    const Dialect& dialect = *find_dialect(one.dialect);
    for (const char* name : names) {
      Value value = Value::text("ink");
      value.set_name(name);
      const bool pasted = *one.around != '\0';
      const auto parsed = dialect.parse(pasted ? replaced(one.around, "@", "a") : "a");
      REQUIRE(parsed.ok());
      const Value values[] = {std::move(value)};
      INFO(one.dialect << ": " << name);
      CHECK_FALSE(write_program(dialect, *parsed, values).ok());
    }
  }
}

TEST_CASE("show says what ends a literal, and runs nothing") {
  const std::string made = canary();
  const support::Ran ran =
      support::shell(INKY_BUILD_DIR "/cli/inky show --witness --no-cache 'x\"); system(\"touch " +
                     made + "\"); printf(\"y'");
  CHECK(ran.status == 2);
  CHECK(ran.err.find("the quote \" ends the literal of C here") != std::string::npos);
  const support::Ran php = support::shell(
      INKY_BUILD_DIR "/cli/inky show --in php --witness --no-cache '{${touch(\"" + made + "\")}}'");
  CHECK(php.status == 2);
  CHECK_FALSE(std::filesystem::exists(made));
}
