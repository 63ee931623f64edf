// Eight threads do everything that a dialect can at the same time, from the first call on: what is
// made on first use is made in a race. Each must see what one thread alone sees afterwards. The
// thread sanitizer runs this test too.

#include <array>
#include <catch2/catch.hpp>
#include <functional>
#include <latch>
#include <thread>

#include "inky_margin/carry/carry.hpp"
#include "inky_margin/check/check.hpp"
#include "inky_margin/number/evaluation.hpp"
#include "inky_margin/scan/scan.hpp"
#include "inky_margin/write/program.hpp"
#include "support/random_wishes.hpp"

using namespace inky;

namespace {

constexpr std::size_t thread_count = 8;

// The same work in every thread, begun at the same moment.
std::vector<std::string> together(const std::function<std::string()>& work) {
  std::vector<std::string> out(thread_count);
  std::latch begin(thread_count);
  std::vector<std::jthread> threads;
  for (std::string& text : out) {
    threads.emplace_back([&] {
      begin.arrive_and_wait();
      text = work();
    });
  }
  threads.clear();
  return out;
}

void need_same(const std::function<std::string()>& work) {
  const std::vector<std::string> seen = together(work);
  const std::string alone = work();
  REQUIRE(!alone.empty());
  for (const std::string& one : seen) CHECK(one == alone);
}

std::string shown(const Dialect& dialect, const Template& parsed, std::span<const Value> values) {
  TextBuffer out;
  Report report;
  const Outcome outcome = dialect.render(parsed, values, {}, out, &report);
  std::string text = outcome.prints() ? out.string() : outcome.why();
  for (const Note& note : report.notes) text += note.message;
  for (const Words& words : dialect.explain(parsed)) text += words.meaning;
  return text;
}

// Fields of random wishes, written, read, shown, checked, carried to another dialect, and put into
// a program.
std::string everything(const Dialect& dialect, const Dialect& other) {
  std::string out;
  support::RandomWishes wishes(48);
  for (int i = 0; i < 12; ++i) {
    FieldWish wish = wishes.wish();
    if (dialect.writer().placing() == Placing::names) wish.name = "v1";
    const WrittenTemplate written = dialect.writer().write_template(
        std::array{TemplatePart{"ink ", {}}, TemplatePart{{}, wish}});
    Value value = wishes.value(wish.type);
    TextBuffer plain;
    if (dialect.print_plainly(value, plain).prints()) out += plain.string();
    if (!written.source) continue;
    const Result<Template> parsed = dialect.parse(*written.source);
    if (!parsed) continue;
    if (!value_names(*parsed).empty()) value.set_name("v1");
    out += shown(dialect, *parsed, {&value, 1}) + "\n";
    const Type types[] = {wish.type};
    if (const auto checked = check(dialect, *written.source, types)) {
      for (const Fault& fault : checked->faults) out += fault.message;
    }
    if (const auto cargo = Cargo::make(dialect, *parsed, types))
      out += cargo->to(other).statement + "\n";
    if (const auto program = write_program(dialect, *parsed, {&value, 1})) out += *program;
  }
  return out;
}

}  // namespace

TEST_CASE("eight threads use every dialect, from the first call on") {
  const auto dialects = all_dialects();
  for (std::size_t i = 0; i < dialects.size(); ++i) {
    const Dialect& other = *dialects[(i + 5) % dialects.size()];
    INFO(dialects[i]->facts().id);
    need_same([&] { return everything(*dialects[i], other); });
  }
}

TEST_CASE("eight threads render one template of every dialect") {
  for (const Dialect* dialect : all_dialects()) {
    INFO(dialect->facts().id);
    Spec spec;
    spec.kind = Kind::real;
    spec.notation = Notation::fixed;
    spec.places = 2;
    FieldWish wish;
    wish.spec = spec;
    wish.type = Type::f64;
    if (dialect->writer().placing() == Placing::names) wish.name = "v1";
    const WrittenTemplate written =
        dialect->writer().write_template(std::array{TemplatePart{{}, wish}});
    if (!written.source) continue;
    const Template parsed = *dialect->parse(*written.source);
    const bool named = !value_names(parsed).empty();
    need_same([&] {
      support::RandomWishes wishes(49);
      std::string out;
      for (int i = 0; i < support::cases(500); ++i) {
        Value value = wishes.value(Type::f64);
        if (named) value.set_name("v1");
        out += shown(*dialect, parsed, {&value, 1});
      }
      return out;
    });
  }
}

TEST_CASE("eight threads scan every language, and reckon") {
  for (const SourceLanguage& language : all_languages()) {
    INFO(language.id);
    need_same([&] {
      std::string out(language.id);
      scan(language, language.calls, "printf(\"%d g\\n\", 2.675); print(f\"{x:.2f}\")\n",
           [&](const FoundCall& call) {
             out += call.name;
             if (call.source) out += *call.source;
           });
      return out;
    });
  }
  need_same([] { return evaluate("2.675 * 3 + 0x1p-3", {}).evaluation->result.text; });
}
