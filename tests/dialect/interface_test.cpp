// The public interface: what is pleasant to use, and what happens when it is used wrongly.

#include <sys/wait.h>
#include <unistd.h>
#include <catch2/catch.hpp>
#include <csignal>
#include <functional>
#include <string>

#include "inky_margin/inky_margin.hpp"

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
