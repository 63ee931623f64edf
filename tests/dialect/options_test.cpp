// Options: values that hold a value, or none. The texts are those of rustc 1.95 and of F# of the
// .NET SDK 10.0.401 for the same values.

#include <catch2/catch.hpp>
#include <string>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/answers.hpp"
#include "support/edges.hpp"
#include "support/statements.hpp"

using namespace inky;
using support::value;

TEST_CASE("options, as Rust prints them") {
  support::check_edges(
      *find_dialect("rust"),
      {
          {"{:?}", {value("some(5)")}, "Some(5)"},
          {"{:5?}", {value("some(5)")}, "Some(    5)"},
          {"{:08.2?}", {value("some(2.5)")}, "Some(00002.50)"},
          {"{:+?}", {value("some(5)")}, "Some(+5)"},
          {"{:x?}|{:#x?}",
           {value("some(255)"), value("some(255)")},
           "Some(ff)|Some(\n    0xff,\n)"},
          {"{:#?}", {value("some(some(5))")}, "Some(\n    Some(\n        5,\n    ),\n)"},
          {"{:?}", {value("some(\"ink\")")}, "Some(\"ink\")"},
          {"{:*^9?}", {value("some(\"ink\")")}, "Some(\"ink\")"},
          {"{:?}", {value("[some(1), nil]")}, "[Some(1), None]"},
          {"{:?}", {value("some([1, 2])")}, "Some([1, 2])"},
          {"{:?}", {value("some('k')")}, "Some('k')"},
          {"{:?}", {value("some(nil)")}, "Some(None)"},
          {"{:#?}", {value("some((1, 2.5))")}, "Some(\n    (\n        1,\n        2.5,\n    ),\n)"},
          {"{:8?}|", {value("nil:nil")}, "None|"},
      });
}

TEST_CASE("options, as F# prints them") {
  support::check_edges(
      *find_dialect("fsharp"),
      {
          {"%A|%O", {value("some(5)"), value("some(5)")}, "Some 5|Some(5)"},
          {"%A", {value("some(some(5))")}, "Some (Some 5)"},
          {"%O", {value("some(some(5))")}, "Some(Some(5))"},
          {"%A|%O", {value("some(\"ink\")"), value("some(\"ink\")")}, "Some \"ink\"|Some(ink)"},
          {"%A|%O", {value("some(-5)"), value("some(-5)")}, "Some -5|Some(-5)"},
          {"%A|%O",
           {value("[some(1), nil]"), value("[some(1), nil]")},
           "[Some 1; None]|[Some(1); null]"},
          {"%A", {value("some([1, 2])")}, "Some [1; 2]"},
          {"%O", {value("some([1, 2])")}, "Some([1; 2])"},
          {"%A|%O", {value("some(true)"), value("some(true)")}, "Some true|Some(True)"},
          {"%A", {value("some(5:i64)")}, "Some 5L"},
          {"%A", {value("some(1e21)")}, "Some 1e+21"},
          {"%A", {value("some(1.0:f32)")}, "Some 1.0f"},
          {"%10A|", {value("some(5)")}, "Some 5|"},
          {"%10O|%-10O|", {value("some(5)"), value("some(5)")}, "   Some(5)|Some(5)   |"},
          {"%A|%O", {value("some(nil)"), value("some(nil)")}, "Some None|Some(null)"},
          {"%.3A", {value("some(5)")}, "Some 5"},
      });
}

TEST_CASE("options in calls") {
  const auto text = [](const char* dialect, const char* source) {
    return support::show(dialect, source, {value("n=5"), value("o=some(2.5)")}).text;
  };
  CHECK(text("rust", "println!(\"{:?} {:?} {:?}\", Some(n + 1), None, o);") ==
        "Some(6) None Some(2.5)\n");
  CHECK(text("fsharp", "printfn \"%A %O\" (Some (n + 1)) o") == "Some 6 Some(2.5)\n");
  CHECK(text("fsharp", "$\"{Some n}|{o}|\"") == "Some(5)|Some(2.5)|");
  const support::Shown shown = support::show("rust", "println!(\"{}\", Some(5));", {});
  CHECK(shown.outcome.failure_name() == "E0277");
}

TEST_CASE("no other language has options") {
  for (const Dialect* dialect : all_dialects()) {
    INFO(dialect->facts().id);
    const std::string_view id = dialect->facts().id;
    if (dialect->facts().options) {
      CHECK((id == "rust" || id == "fsharp"));
      continue;
    }
    const char* source = id == "cpp-stream"       ? "cout << x"
                         : id == "javascript"     ? "${x}"
                         : id == "octave-display" ? "x"
                         : id == "r-format"       ? "format(x)"
                                                  : "{0} %s ~a 0";
    for (const char* given : {"x=some(5)", "x=[1, some(2)]", "x=(nil, (some(2), 1))"}) {
      const auto parsed = dialect->parse(source);
      REQUIRE(parsed.ok());
      TextBuffer out;
      const std::vector<Value> values = {value(given)};
      const Outcome outcome = dialect->render(*parsed, values, out);
      CHECK(outcome.kind() == Outcome::Kind::error);
      CHECK(outcome.as_error().code == Code::not_supported_yet);
      CHECK(out.string().empty());
      CHECK(dialect->print_plainly(values[0], out).kind() == Outcome::Kind::error);
      CHECK(out.string().empty());
    }
  }
}
