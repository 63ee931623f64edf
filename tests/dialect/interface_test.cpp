// The public interface: what is pleasant to use, and what happens when it is used wrongly.

#include <sys/wait.h>
#include <unistd.h>
#include <catch2/catch.hpp>
#include <csignal>
#include <functional>
#include <string>

#include "inky_margin/inky_margin.hpp"
#include "support/small_shell.hpp"

using namespace inky;

TEST_CASE("one call makes text of a template and plain values") {
  CHECK(format("c", "%-6s|%8.2f", "K-07", 2.675).value() == "K-07  |    2.67");
  CHECK(format("c", "100%%").value() == "100%");
  CHECK(format("python", "{:>4}|{}|{!r}", -7, true, std::string("ink")).value() ==
        "  -7|True|'ink'");
  CHECK(format("rust", "{:?} {}", 'K', std::string_view("Ω")).value() == "'K' Ω");
}

TEST_CASE("one call that cannot make text has an error with a place") {
  const auto unknown = format("phyton", "{}", 1);
  REQUIRE(!unknown);
  CHECK(unknown.error().code == Code::unknown_dialect);
  CHECK(unknown.error().remedy.find("Did you mean python?") == 0);
  const auto undefined = format("c", "ink %d", "ink");
  REQUIRE(!undefined);
  CHECK(undefined.error().code == Code::template_fails);
  CHECK(undefined.error().message.find("in c this is undefined: ") == 0);
  CHECK(undefined.error().span == Span{4, 6});
  const auto fails = format("python", "{:d}", 2.5);
  REQUIRE(!fails);
  CHECK(fails.error().message.find("in python this fails: ValueError: ") == 0);
  CHECK(format("c", std::string(most_template + 1, 'x')).error().code == Code::over_limit);
}

TEST_CASE("a value is made of what a program holds") {
  const auto type = [](const Value& value) { return name_of(value.type()); };
  CHECK(type(1) == "i32");
  CHECK(type(1L) == "i64");
  CHECK(type(std::uint8_t{255}) == "u8");
  CHECK(type(static_cast<signed char>(-1)) == "i8");
  CHECK(type(1ULL) == "u64");
  CHECK(type(2.5F) == "f32");
  CHECK(type(2.5) == "f64");
  CHECK(type(true) == "truth");
  CHECK(type('K') == "char");
  CHECK(type(U'Ω') == "char");
  CHECK(type("ink") == "text");
  CHECK(Value(-7).as_whole() == -7);
  CHECK(Value(~0ULL).bits() == ~0ULL);
  // A text is the value's own.
  std::string text = "ink";
  const Value owned(text);
  text = "???";
  CHECK(owned.as_text() == "ink");
}

TEST_CASE("a dialect has settings of its own, by name") {
  const support::SmallShell shell;
  const Template lines = shell.parse("ink\n").value();
  const Setting windows{"platform", "windows"};
  CHECK_FALSE(find_fault(shell.facts(), windows));
  TextBuffer out;
  CHECK(shell.render(lines, {}, {{&windows, 1}}, out, nullptr).prints());
  CHECK(out.view() == "ink\r\n");
  out.clear();
  CHECK(shell.render(lines, {}, out).prints());
  CHECK(out.view() == "ink\n");

  const auto no_value = find_fault(shell.facts(), {"platform", "press"});
  REQUIRE(no_value);
  CHECK(no_value->message == "the platform \"press\" is not supported yet");
  CHECK(no_value->remedy == "Choose one of: unix, windows.");
  const auto no_setting = find_fault(shell.facts(), {"locale", "de-DE"});
  REQUIRE(no_setting);
  CHECK(no_setting->message == "small-shell has no setting \"locale\"");
  CHECK(no_setting->remedy == "Choose one of: platform.");
  const auto none_at_all = find_fault(find_dialect("rust")->facts(), {"locale", "de-DE"});
  REQUIRE(none_at_all);
  CHECK(none_at_all->remedy == "Leave it out: it has no settings.");
}

TEST_CASE("every setting's usual value is one of its values, and changes nothing") {
  const Value values[] = {Value::real(-1234.5)};
  for (const Dialect* dialect : all_dialects()) {
    for (const SettingFact& fact : dialect->facts().settings) {
      INFO(dialect->facts().id << ", " << fact.name);
      CHECK_FALSE(find_fault(dialect->facts(), {fact.name, fact.usual}));
      const std::string source = dialect->writer().write_literal("ink ").value_or("");
      const WrittenField field =
          dialect->writer().write({.kind = Kind::real, .notation = Notation::fixed, .places = 2});
      if (field.source.empty() || dialect->writer().placing() == Placing::names) continue;
      const Result<Template> parsed = dialect->parse(source + field.source);
      REQUIRE(parsed);
      TextBuffer without;
      TextBuffer with;
      const Setting usual{fact.name, fact.usual};
      CHECK(dialect->render(*parsed, values, without).prints());
      CHECK(dialect->render(*parsed, values, {{&usual, 1}}, with, nullptr).prints());
      CHECK(without.view() == with.view());
    }
  }
}

TEST_CASE("a dialect without a writer says so, and invents nothing") {
  class Reader final : public Dialect {
   public:
    const DialectFacts& facts() const override { return find_dialect("c")->facts(); }

   protected:
    Result<TemplateContent> do_parse(std::string_view) const override { return TemplateContent{}; }
    Outcome do_render(const TemplateContent&, std::span<const Value>, const RenderOptions&, Output&,
                      Report*) const override {
      return {};
    }
    std::vector<Words> do_explain(const TemplateContent&) const override { return {}; }
  };
  const Reader reader;
  const WrittenField field = reader.writer().write({.kind = Kind::whole});
  CHECK(field.source.empty());
  REQUIRE(field.notes.size() == 1);
  CHECK(field.notes[0].code == Code::not_supported_yet);
  const TemplatePart ink{"ink", {}};
  CHECK_FALSE(reader.writer().write_template({&ink, 1}).source);
}

TEST_CASE("a template belongs to the dialect that read it") {
  const Dialect& c = *find_dialect("c");
  const Template parsed = c.parse("%d").value();
  CHECK(&parsed.dialect() == &c);
  const Value value = 42;
  for (const Dialect* other : all_dialects()) {
    if (other == &c) continue;
    TextBuffer out;
    out.append("kept");
    const Outcome outcome = other->render(parsed, {&value, 1}, out);
    REQUIRE(outcome.kind() == Outcome::Kind::error);
    CHECK(outcome.as_error().code == Code::other_dialect);
    CHECK(outcome.why() ==
          "a template of c is rendered as one of " + std::string(other->facts().id));
    CHECK(out.view() == "kept");
  }
}

TEST_CASE("a result without a value throws when it is asked for one") {
  const Result<Value> bad = read_value("300:u8");
  REQUIRE(!bad);
  try {
    (void)bad.value();
    FAIL("nothing was thrown");
  } catch (const ResultError& error) {
    CHECK(error.error().code == bad.error().code);
    CHECK(std::string(error.what()) == bad.error().message);
  }
  CHECK(read_value("255:u8").value().as_whole() == 255);
}

#ifndef NDEBUG
namespace {

// Whether this ends the program by assert: tried in a process of its own.
bool asserts(const std::function<void()>& misuse) {
  const pid_t child = fork();
  if (child == 0) {
    std::signal(SIGABRT, SIG_DFL);
    (void)!freopen("/dev/null", "w", stderr);
    misuse();
    _exit(0);
  }
  int status = 0;
  waitpid(child, &status, 0);
  return WIFSIGNALED(status) && WTERMSIG(status) == SIGABRT;
}

}  // namespace

TEST_CASE("misuse ends a debug build at the spot") {
  CHECK(!asserts([] {}));
  CHECK(asserts([] { (void)*Result<int>(Error{}); }));
  CHECK(asserts([] { (void)Result<std::string>(Error{})->size(); }));
  CHECK(asserts([] { (void)Result<int>(1).error(); }));
  CHECK(asserts([] { (void)Outcome().why(); }));
  CHECK(asserts([] { (void)Value("ink").as_whole(); }));
  CHECK(asserts([] { (void)Value(1).as_text(); }));
  CHECK(asserts([] { (void)Value(1).as_list(); }));
  CHECK(asserts([] { (void)Mark(std::string_view("eight bytes")); }));
  CHECK(asserts([] { TextBuffer().cut_back(1); }));
  CHECK(
      asserts([] { (void)find_dialect("rust")->explain(find_dialect("c")->parse("%d").value()); }));
}
#else
TEST_CASE("a mark never writes past its seven bytes") {
  CHECK(Mark(std::string_view("eight bytes")).text() == "eight b");
}
#endif
