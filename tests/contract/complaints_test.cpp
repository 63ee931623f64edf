// A language that prints, and complains: what every part of the library makes of it.

#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>

#include "contract/answers.hpp"
#include "contract/carry_answer.hpp"
#include "contract/check_answer.hpp"
#include "inky_margin/carry/carry.hpp"
#include "inky_margin/check/check.hpp"
#include "support/small_shell.hpp"

using namespace inky;
using nlohmann::json;

namespace {

const support::SmallShell shell;

struct Rendered {
  Outcome outcome;
  std::string text;
  json answer;
};
Rendered render(std::string_view source, std::vector<Value> values) {
  TextBuffer out;
  Report report;
  const Result<Template> parsed = shell.parse(source);
  Outcome outcome = shell.render(parsed.value(), values, {}, out, &report);
  JsonWriter answer;
  answer.open_object();
  write_outcome(outcome, out.view(), report, answer);
  answer.close_object();
  return {std::move(outcome), out.string(), json::parse(answer.view())};
}

}  // namespace

TEST_CASE("complaints: the text is printed, and what is said of it is told") {
  const Rendered fine = render("%d of %s", {42, "ink"});
  CHECK(fine.outcome.prints_cleanly());
  CHECK(fine.outcome.complaints().empty());
  CHECK_FALSE(fine.outcome.status());
  CHECK(fine.answer == json({{"text", "42 of ink"}, {"notes", json::array()}}));

  const Rendered got = render("%d and %d", {"K-07", std::int64_t{1} << 40});
  CHECK(got.outcome.kind() == Outcome::Kind::complains);
  CHECK(got.outcome.prints());
  CHECK_FALSE(got.outcome.prints_cleanly());
  CHECK(got.text == "0 and 2147483647");
  CHECK(got.outcome.status() == 1);
  REQUIRE(got.outcome.complaints().size() == 2);
  CHECK(got.outcome.complaints()[1].as == "Result too large");
  // The calls of the other outcomes tell the first.
  CHECK(got.outcome.failure_name() == "expected numeric value");
  CHECK(got.outcome.why() == "the value is no whole number");
  CHECK(got.outcome.span().to == 2);
  CHECK(got.answer["text"] == "0 and 2147483647");
  CHECK(got.answer["status"] == 1);
  CHECK(got.answer["complaints"] == json::parse(R"([
    {"as": "expected numeric value", "message": "the value is no whole number", "span": [0, 2]},
    {"as": "Result too large", "message": "the value does not fit 32 bits", "span": [7, 9]}])"));
  CHECK(got.answer["notes"].empty());

  // A status is reported only where the language decides one.
  const Outcome warned = Outcome::complains({{"warning", "why", {0, 1}}});
  CHECK_FALSE(warned.status());
  JsonWriter out;
  out.open_object();
  write_outcome(warned, "x", {}, out);
  out.close_object();
  CHECK_FALSE(json::parse(out.view()).contains("status"));
}

TEST_CASE("complaints: check takes one for a fault, by its name") {
  const Type text[] = {Type::text};
  const Checked checked = check(shell, "at %d", std::span<const Type>(text)).value();
  REQUIRE(checked.faults.size() == 1);
  const Fault& fault = checked.faults[0];
  CHECK(fault.code == Code::language_complains);
  CHECK(fault.severity == Severity::error);
  CHECK(fault.span.from == 3);
  CHECK(fault.span.to == 5);
  CHECK(fault.effect == "prints, and is complained of: expected numeric value");
  const Type whole[] = {Type::i32};
  CHECK(check(shell, "at %d", std::span<const Type>(whole)).value().faults.empty());
}

TEST_CASE("complaints: a text that is complained of there is not the same as here") {
  const Dialect& c = *find_dialect("c");
  const Result<Template> parsed = c.parse("%ld|");
  const Type types[] = {Type::i64};
  const Cargo cargo = Cargo::make(c, parsed.value(), types).value();
  const Carried carried = cargo.to(shell);
  CHECK(carried.source == "%d|");
  CHECK(carried.verdict != Verdict::same);
  if (carried.verdict == Verdict::differs) {
    REQUIRE(carried.example);
    CHECK_FALSE(carried.example->there_fails);
    CHECK(carried.example->reason ==
          "complained of, as Result too large: the value does not fit 32 bits");
  } else {
    CHECK(carried.verdict == Verdict::same_for);
  }
  const Type small[] = {Type::i16};
  CHECK(Cargo::make(c, c.parse("%hd").value(), small).value().to(shell).verdict == Verdict::same);
}

TEST_CASE("complaints: nothing is carried from where it is complained of already") {
  const Result<Template> parsed = shell.parse("%d");
  const Type types[] = {Type::text};
  const Result<Cargo> cargo = Cargo::make(shell, parsed.value(), types);
  REQUIRE_FALSE(cargo);
  CHECK(cargo.error().code == Code::template_fails);
  CHECK(cargo.error().message ==
        "in small-shell this is complained of: the value is no whole number");
}
