// show --witness and --program: the real toolchains, where they are here.

#include <catch2/catch.hpp>
#include <cmath>
#include <filesystem>
#include <nlohmann/json.hpp>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/write/program.hpp"
#include "support/hostile_texts.hpp"
#include "support/process.hpp"
#include "support/random_values.hpp"
#include "toolchain/witness.hpp"

using json = nlohmann::json;
using namespace inky;
using inky::toolchain::run_program;
using inky::toolchain::RunLimits;
using inky::toolchain::Toolchain;
using inky::toolchain::Witness;

namespace {

constexpr Toolchain shell = {"c", {"sh", "", "dash", "main.sh", "", "@ main.sh"}};

}  // namespace

TEST_CASE("a program is run in a folder of its own, within its limits") {
  // Other tests run programs at the same time.
  const std::string temporary = support::scratch() + "/witnesses";
  std::filesystem::create_directory(temporary);
  ::setenv("TMPDIR", temporary.c_str(), 1);
  const Witness said = run_program(shell, "printf 'ink\\n'; echo no >&2; pwd > where", {});
  CHECK(said.stage == Witness::Stage::printed);
  CHECK(said.output == "ink\n");
  CHECK(said.messages == "no\n");
  CHECK(run_program(shell, "exit 3", {}).stage == Witness::Stage::failed);
  CHECK(run_program(shell, "echo $LC_ALL $TZ", {}).output == "C.UTF-8 UTC\n");

  RunLimits limits;
  limits.time = std::chrono::milliseconds(300);
  // What it starts is stopped with it.
  const Witness late = run_program(shell, "sleep 61 & sleep 61", limits);
  CHECK(late.stage == Witness::Stage::stopped);
  limits.time = std::chrono::milliseconds(20000);
  limits.output = 1000;
  const Witness long_one = run_program(shell, "while :; do echo ink; done", limits);
  CHECK(long_one.stage == Witness::Stage::stopped);
  CHECK(long_one.output.size() <= 1000);
  CHECK(run_program({"c", {"no-such-program", "", "", "x", "", "@ x"}}, "", {}).stage ==
        Witness::Stage::missing);
  CHECK(run_program({"c", {"false", "", "", "x", "@ x", "./x"}}, "", {}).stage ==
        Witness::Stage::refused);
  CHECK(std::filesystem::is_empty(temporary));
  ::unsetenv("TMPDIR");
  CHECK(support::shell("pgrep -f '^sleep 61$'").status != 0);
}

TEST_CASE("show --witness: the same, different, refused, missing, undefined") {
  if (!toolchain::find_toolchain(*toolchain::toolchain_of("c"))) {
    WARN("skipped: there is no compiler of C");
    return;
  }
  const support::Ran same = support::run_tool("show '%+08.2f|%s' 2.675 ink --witness");
  CHECK(same.status == 0);
  CHECK(same.out.find("printed 12 bytes, the same") != std::string::npos);
  const json answer = json::parse(support::run_tool("show '%d' 2.5 --witness --json").out);
  CHECK(answer["witness"]["verdict"] == "incomparable");
  // A compiler that makes something else: it is reported where they part.
  const support::Ran other =
      support::shell("CC=" INKY_SOURCE_DIR "/tests/support/other_compiler.sh " INKY_BUILD_DIR
                     "/cli/inky show '%.2f' 2.5 --witness");
  CHECK(other.status == 1);
  CHECK(other.out.find("they part at byte 3") != std::string::npos);
  const support::Ran missing =
      support::shell("CC=no-such-compiler " INKY_BUILD_DIR "/cli/inky show '%d' 1 --witness");
  CHECK(missing.status == 0);
  CHECK(missing.out.find("Debian has it in gcc.") != std::string::npos);
  CHECK(support::shell("CC=no-such-compiler " INKY_BUILD_DIR
                       "/cli/inky show '%d' 1 --witness --require")
            .status == 1);
  CHECK(support::run_tool("show --in octave-display 'x' x=1 --witness").status == 2);
  CHECK(support::run_tool("show '%d' 1:i128 --witness").status == 2);
  CHECK(support::run_tool("show '%d' 1 --witness --plain").status == 2);
  CHECK(support::run_tool("show '%s\\n' ink --program").out ==
        "#include <stdio.h>\n\nint main(void) {\n  const char *v1 = \"ink\";\n"
        "  printf(\"%s\\n\", v1);\n  return 0;\n}\n");
}

// A field that shows a text, and one that shows all digits of a real.
struct Shown {
  const char* dialect;
  const char* text;
  const char* real;  // null: it has none
};
const Shown shown[] = {
    {"c", "%s", "%.17g"},   {"cpp-format", "{}", "{}"}, {"cpp-stream", "", ""},
    {"csharp", "", ""},     {"fsharp", "%s", "%.17g"},  {"java", "%s", "%s"},
    {"javascript", "", ""}, {"lisp", "~A", "~A"},       {"octave", "%s", "%.17g"},
    {"php", "%s", "%.17e"}, {"python", "{}", "{}"},     {"python-percent", "%s", "%r"},
    {"r", "%s", "%.17g"},   {"rust", "{}", "{:e}"},     {"shell", "%s", nullptr}};

// The template that shows each of the values, a bar behind it; they are given names where it takes
// them by name.
std::string template_for(std::string_view id, std::string_view field, std::vector<Value>& values) {
  std::string out = id == "cpp-stream" ? "cout << setprecision(17)" : id == "javascript" ? "`" : "";
  for (std::size_t i = 0; i < values.size(); ++i) {
    const std::string name = "v" + std::to_string(i + 1);
    if (id == "cpp-stream" || id == "javascript") values[i].set_name(name);
    if (id == "cpp-stream")
      out += " << " + name + " << '|'";
    else if (id == "javascript")
      out += "${" + name + "}|";
    else if (id == "csharp")
      out += "{" + std::to_string(i) + "}|";
    else
      out += std::string(field) + "|";
  }
  return id == "javascript" ? out + "`" : out;
}

void check_program(const Shown& one, std::string_view field, std::vector<Value> values,
                   const std::optional<std::string>& text) {
  const Toolchain& toolchain = *toolchain::toolchain_of(one.dialect);
  if (!toolchain::find_toolchain(toolchain)) {
    WARN("skipped: there is no toolchain of " << one.dialect);
    return;
  }
  const Dialect& dialect = *find_dialect(one.dialect);
  const Result<Template> parsed = dialect.parse(template_for(one.dialect, field, values));
  REQUIRE(parsed.ok());
  std::string expected = text.value_or("");
  if (!text) {
    // By place where the template has no names.
    const std::string_view id = one.dialect;
    if (id != "javascript" && id != "cpp-stream") {
      std::vector<Value> plain;
      plain.reserve(values.size());
      for (const Value& value : values) plain.push_back(Value::real(value.type(), value.bits()));
      values = std::move(plain);
    }
    TextBuffer out;
    const Outcome outcome = dialect.render(*parsed, values, out);
    INFO(one.dialect << " " << (outcome.prints() ? std::string() : outcome.why()));
    REQUIRE(outcome.prints());
    expected = out.string();
  }
  const Result<std::string> program = write_program(dialect, *parsed, values);
  REQUIRE(program.ok());
  const Witness witness = run_program(toolchain, *program, {});
  INFO(one.dialect << "\n" << witness.messages << "\n" << *program);
  CHECK(witness.stage == Witness::Stage::printed);
  CHECK(witness.output == expected);
}

// Every hostile text in programs of each language, and reals of every class in another.
TEST_CASE("literals come back from the real toolchains as they were, asked anew") {
  const std::uint64_t seed = support::seed(20310511);
  INFO("seed " << seed);
  const std::vector<std::string> hostile = support::hostile_texts();
  REQUIRE(hostile.size() >= 300);
  // As many as the statements of every language can take.
  constexpr std::size_t at_once = 60;
  for (const Shown& one : shown) {
    for (std::size_t from = 0; from < hostile.size(); from += at_once) {
      std::vector<Value> texts;
      texts.reserve(at_once);
      std::string expected;
      for (std::size_t i = from; i < std::min(from + at_once, hostile.size()); ++i) {
        texts.push_back(Value::text(hostile[i]));
        expected += hostile[i] + "|";
      }
      check_program(one, one.text, std::move(texts), expected);
    }

    if (one.real == nullptr) continue;
    support::RandomValues random(seed);
    std::vector<Value> reals;
    while (reals.size() < 60) {
      const double number = random.any_real();
      // Lisp has no literal of what is not finite, and traps what is too small.
      const bool usual = std::isnormal(number) || number == 0;
      if (usual || one.dialect != std::string_view("lisp")) reals.push_back(Value::real(number));
    }
    check_program(one, one.real, std::move(reals), std::nullopt);
  }
}

TEST_CASE("a program in a chosen locale prints what was said, asked anew") {
  // The locales of the C library, made in a folder of the test's own.
  const std::string folder = support::scratch() + "/locales";
  std::filesystem::create_directories(folder);
  for (const char* name : {"de_DE", "hi_IN", "fr_CH", "ja_JP", "th_TH"})
    support::shell(std::string("localedef --no-archive -c -i ") + name + " -f UTF-8 " + folder +
                   "/" + name + ".UTF-8");
  const bool has_locales = std::filesystem::exists(folder + "/fr_CH.UTF-8/LC_NUMERIC");
  if (!has_locales) WARN("skipped: the C library's locales: there is no localedef");
  struct Case {
    const char* arguments;
    bool of_c_library;
  };
  for (const auto& [arguments, of_c_library] : {
           Case{"c --locale de_DE.UTF-8 \"%'.2f %d\" 1234567.5 -42", true},
           {"c --locale fr_CH.UTF-8 \"%'15.3f|%+'d\" -1234567.5 1234567", true},
           {"strftime --locale de_DE.UTF-8 '%A, %d. %B %Y|%x|%X|%r' 2031-05-09T14:05:07:moment",
            true},
           {"strftime --locale fr_CH.UTF-8 '%a %b %c' 2031-05-09T14:05:07:moment", true},
           {"strftime --locale ja_JP.UTF-8 '%EY %Ex|%Od' 2019-05-01:date", true},
           {"python --locale th_TH.UTF-8 '{:%Ex|%x|%EC %Ey}' 2031-05-09:date", true},
           {"cpp-stream --locale de_DE.UTF-8 'cout << fixed << x << 1234567' x=1234567.5", true},
           {"python --locale de_DE.UTF-8 '{:n}|{:.10n}' 1234567 1234.5", true},
           {"r-format --locale de_DE.UTF-8 'format(x, \"%A, %d. %B %Y\")' x=2031-05-09:date", true},
           {"php --locale de_DE.UTF-8 '%.2f|%e' 1234.5 1234.5", true},
           {"java --locale de-DE '%,.2f|%tA' 1234.5 2031-05-09T14:05:07:moment", false},
           {"java --locale ar-EG '%,d|%.3e' 1234567 0.5", false},
           {"java-pattern --locale fr-CH '#,##0.00' 1234567.5", false},
           {"java-pattern --locale hi-IN '¤#,##,##0.00' 1234567.5", false},
           {"csharp --locale de-DE '{0:N2}|{0:C}|{1:D}' 1234.5 2031-05-09T14:05:07:moment", false},
           {"csharp --locale invariant '{0:C}' 1234.5", false},
           {"javascript --locale de-DE '${x.toLocaleString()}' x=1234567.5", false},
           {"javascript --locale hi-IN '${x.toLocaleString()}' x=1234567.5", false},
       }) {
    if (of_c_library && !has_locales) continue;
    INFO(arguments);
    ::setenv("LOCPATH", folder.c_str(), 1);
    const support::Ran ran =
        support::run_tool(std::string("show --witness --no-cache --in ") + arguments);
    ::unsetenv("LOCPATH");
    INFO(ran.out << ran.err);
    CHECK((ran.out.find(", the same") != std::string::npos ||
           ran.out.find("there is no ") != std::string::npos));
    CHECK(ran.status == 0);
  }
  // What the machine lacks is said, and nothing is run.
  ::setenv("LOCPATH", "/nonexistent", 1);
  const support::Ran lacking =
      support::run_tool("show --witness --in c --locale sv_SE.UTF-8 %.1f 2.5");
  ::unsetenv("LOCPATH");
  CHECK_THAT(lacking.out, Catch::Contains("could not be asked"));
  const support::Ran rounding =
      support::run_tool("show --witness --in java-pattern --setting rounding=up '#.0' 2.55");
  CHECK(rounding.status == 2);
  CHECK_THAT(rounding.err,
             Catch::Contains("a chosen rounding in a program of java-pattern is not"));
}
