// Writing in every dialect and carrying between every two of them, on random wishes: what is
// written means the same when it is read back, and every verdict stands up to values that the
// search has not seen.

#include "inky_margin/carry/carry.hpp"

#include <algorithm>
#include <catch2/catch.hpp>
#include <cstdlib>
#include <string>

#include "support/random_values.hpp"
#include "support/random_wishes.hpp"

using namespace inky;

namespace {

std::string text_of(const Dialect& dialect, const Template& parsed,
                    const std::vector<Value>& values) {
  TextBuffer out;
  const Outcome outcome = dialect.render(parsed, values, out);
  return outcome.prints() ? "prints " + out.string() : "prints nothing";
}

// Names where the template takes its values by name.
std::vector<Value> given(const Dialect& dialect, const Template& parsed,
                         std::vector<Value> values) {
  if (dialect.writer().placing() != Placing::names && value_names(parsed).empty()) return values;
  for (std::size_t i = 0; i < values.size(); ++i) values[i].set_name("v" + std::to_string(i + 1));
  return values;
}

// One or two fields with text around them.
std::vector<TemplatePart> random_parts(support::RandomWishes& wishes, const Dialect& dialect,
                                       bool alone) {
  std::vector<TemplatePart> parts;
  const int fields = alone || wishes.random.one_in(2) ? 1 : 2;
  for (int i = 0; i < fields; ++i) {
    if (!alone && wishes.random.one_in(2))
      parts.push_back(
          {wishes.random.pick({"ink: ", "|", "100% ", "{", "~ ", "\"", "Ω\n"}), std::nullopt});
    FieldWish wish = wishes.wish();
    if (dialect.writer().placing() == Placing::names) wish.name = "v" + std::to_string(i + 1);
    parts.push_back({{}, std::move(wish)});
  }
  return parts;
}

std::vector<Type> types_of(const std::vector<TemplatePart>& parts) {
  std::vector<Type> out;
  for (const TemplatePart& part : parts) {
    if (part.field) out.push_back(part.field->type);
  }
  return out;
}

bool writes_one_field_alone(const Dialect& dialect) {
  return dialect.facts().id == "r-format";
}

}  // namespace

TEST_CASE("text between fields comes through every dialect's escapes") {
  constexpr std::string_view bits[] = {"%",
                                       "%%",
                                       "%d",
                                       "{",
                                       "}",
                                       "{{",
                                       "{0}",
                                       "${x}",
                                       "$x",
                                       "`",
                                       "\\",
                                       "\\n",
                                       "\"",
                                       "'",
                                       "~",
                                       "~A",
                                       "?"
                                       "?=",
                                       "*/",
                                       "</script>",
                                       "#{x}",
                                       "\n",
                                       "\t",
                                       "\r\n",
                                       "\x01",
                                       "\x1b[0m",
                                       "\x7f",
                                       "7",
                                       "Ω",
                                       "墨",
                                       "\u202e",
                                       "e\u0301",
                                       " ",
                                       "<<",
                                       ";",
                                       "''"};
  const Value number = Value::real(12.5);
  for (const Dialect* dialect : all_dialects()) {
    if (writes_one_field_alone(*dialect)) continue;
    FieldWish wish;
    wish.spec.kind = Kind::real;
    wish.spec.notation = Notation::fixed;
    wish.spec.places = 1;
    wish.name = dialect->writer().placing() == Placing::names ? "v1" : "";
    for (const std::string_view first : bits) {
      for (const std::string_view second : bits) {
        const std::string text = std::string(first) + std::string(second);
        const TemplatePart parts[] = {{text, std::nullopt}, {{}, wish}, {text, std::nullopt}};
        const WrittenTemplate written = dialect->writer().write_template(parts);
        // Some have no fields at all, or none of a real.
        if (dialect->writer().write_field(wish).source.empty()) {
          CHECK_FALSE(written.source);
          continue;
        }
        INFO(dialect->facts().id << " " << text << " as " << written.source.value_or("nothing"));
        REQUIRE(written.source);
        const Result<Template> parsed = dialect->parse(*written.source);
        REQUIRE(parsed.ok());
        REQUIRE(text_of(*dialect, *parsed, given(*dialect, *parsed, {number})) ==
                "prints " + text + "12.5" + text);
      }
    }
  }
}

TEST_CASE("a wish that was written without a note is read back, and written the same again") {
  const std::uint64_t seed = support::seed(2031);
  INFO("seed " << seed);
  for (const Dialect* dialect : all_dialects()) {
    support::RandomWishes wishes(seed);
    int kept = 0;
    for (int i = 0; i < support::cases(10'000); ++i) {
      FieldWish wish = wishes.wish();
      if (dialect->writer().placing() == Placing::names) wish.name = "v1";
      const TemplatePart part{{}, wish};
      const WrittenTemplate written = dialect->writer().write_template({&part, 1});
      if (!written.source || !written.notes.empty()) continue;
      INFO(dialect->facts().id << " " << *written.source);
      const Result<Template> parsed = dialect->parse(*written.source);
      REQUIRE(parsed.ok());
      REQUIRE_FALSE(parsed->refusal());
      REQUIRE(parsed->fields().size() == 1);
      Notes notes;
      const auto again = dialect->wish_of(*parsed, 0, wish.type, notes);
      if (!again) continue;
      ++kept;
      wish.spec = *again;
      const TemplatePart second{{}, wish};
      REQUIRE(dialect->writer().write_template({&second, 1}).source == written.source);
    }
    INFO(dialect->facts().id);
    // A session has no fields to write.
    CHECK((kept > support::cases(10'000) / 20) == (dialect->facts().id != "octave-display"));
  }
}

namespace {

// A random template of one dialect, carried to another: what the verdict promises is held against
// random values.
void carry_once(const Dialect& from, const Dialect& to, support::RandomWishes& wishes) {
  const auto parts = random_parts(wishes, from, writes_one_field_alone(from));
  const WrittenTemplate written = from.writer().write_template(parts);
  if (!written.source) return;
  INFO(from.facts().id << " " << *written.source);
  const Result<Template> parsed = from.parse(*written.source);
  REQUIRE(parsed.ok());
  const std::vector<Type> types = types_of(parts);
  const Result<Cargo> cargo = Cargo::make(from, *parsed, types);
  // Some refuse what they were asked to write: a whole number that is no double to it.
  if (!cargo) return;
  const Carried carried = cargo->to(to);
  INFO("to " << to.facts().id << " " << carried.source.value_or("nothing") << " "
             << name_of(carried.verdict) << " " << carried.range);
  REQUIRE(carried.source.has_value() == (carried.verdict != Verdict::cannot));
  if (!carried.source) {
    CHECK_FALSE(carried.notes.empty());
    return;
  }
  const Result<Template> there = to.parse(*carried.source);
  REQUIRE(there.ok());
  if (carried.example) {
    CHECK(text_of(from, *parsed, given(from, *parsed, carried.example->values)) ==
          "prints " + carried.example->here);
    CHECK(text_of(to, *there, given(to, *there, carried.example->values)) ==
          (carried.example->there_fails ? "prints nothing" : "prints " + carried.example->there));
    CHECK((carried.example->there_fails || carried.example->here != carried.example->there));
  }
  if (carried.verdict != Verdict::same) return;
  for (int k = 0; k < 200; ++k) {
    std::vector<Value> values;
    for (const Type type : types) values.push_back(wishes.value(type));
    const std::string here = text_of(from, *parsed, given(from, *parsed, values));
    if (here == "prints nothing") continue;
    INFO(describe(values[0]));
    REQUIRE(text_of(to, *there, given(to, *there, values)) == here);
  }
}

}  // namespace

// Pairs are drawn, so that another dialect makes the test no longer; INKY_TEST_PAIRS=all takes
// every pair, 60 times.
TEST_CASE("verdicts hold between every two dialects") {
  const std::uint64_t seed = support::seed(509);
  INFO("seed " << seed);
  support::RandomWishes wishes(seed);
  wishes.joins_parts = true;
  support::RandomValues random(seed);
  const auto dialects = all_dialects();
  const char* pairs = std::getenv("INKY_TEST_PAIRS");
  if (pairs != nullptr && std::string(pairs) == "all") {
    for (const Dialect* from : dialects) {
      for (const Dialect* to : dialects) {
        for (int i = 0; i < 60 && from != to; ++i) carry_once(*from, *to, wishes);
      }
    }
    return;
  }
  for (int i = 0; i < support::cases(6'000); ++i) {
    const Dialect* from = random.pick(dialects);
    const Dialect* to = random.pick(dialects);
    if (from != to) carry_once(*from, *to, wishes);
  }
}

TEST_CASE("order, repetition and names go where a language has them") {
  const Dialect& c = *find_dialect("c");
  const Result<Template> swapped = c.parse("%2$s %1$d %2$s");
  const Type types[] = {Type::i32, Type::text};
  const Result<Cargo> cargo = Cargo::make(c, *swapped, types);
  REQUIRE(cargo.ok());
  const Carried rust = cargo->to(*find_dialect("rust"));
  CHECK(rust.source == "{1} {0} {1}");
  CHECK(rust.statement == "print!(\"{1} {0} {1}\", v1, v2);");
  CHECK(rust.verdict == Verdict::same);
  const Carried fsharp = cargo->to(*find_dialect("fsharp"));
  CHECK(fsharp.source == "%s %d %s");
  CHECK(fsharp.arguments == std::vector<int>{1, 0, 1});
  CHECK(fsharp.statement == "printf \"%s %d %s\" v2 v1 v2");

  const Dialect& python = *find_dialect("python");
  const Result<Template> named = python.parse("{mass:.2f} g of {lot}");
  const Type masses[] = {Type::f64, Type::text};
  const Result<Cargo> loaded = Cargo::make(python, *named, masses);
  REQUIRE(loaded.ok());
  CHECK(loaded->to(c).statement == "printf(\"%.2f g of %s\", mass, lot);");
  CHECK(loaded->to(*find_dialect("rust")).statement == "print!(\"{mass:.2} g of {lot}\");");
  CHECK(loaded->to(*find_dialect("javascript")).source == "${mass.toFixed(2)} g of ${lot}");

  const Dialect& stream = *find_dialect("cpp-stream");
  const Result<Template> chain =
      stream.parse("cout << \"cost \" << fixed << setprecision(2) << setw(8) << cost << endl");
  const Type costs[] = {Type::f64};
  const Result<Cargo> carried = Cargo::make(stream, *chain, costs);
  REQUIRE(carried.ok());
  CHECK(carried->to(c).source == "cost %8.2f\\n");
}

TEST_CASE("patterns of dates are carried, and years with fewer digits tell them apart") {
  struct Case {
    const char* from;
    const char* source;
    const char* to;
    const char* carried;
    Verdict verdict;
  };
  constexpr Case cases[] = {
      {"strftime", "%d.%m.%Y %H:%M", "python", "{:%d.%m.%Y %H:%M}", Verdict::same},
      {"strftime", "%d.%m.%Y", "csharp", "{0:dd.MM.yyyy}", Verdict::same_for},
      {"strftime", "%F", "java", "%tY-%<tm-%<td", Verdict::same_for},
      {"strftime", "%F", "r-format", "format(v1, \"%Y-%m-%d\")", Verdict::same},
      {"strftime", "%A %e", "cpp-stream", "cout << std::put_time(&v1, \"%A %e\")", Verdict::same},
      {"python", "{:%I:%M %p}", "csharp", "{0:hh:mm tt}", Verdict::same},
      {"python", "{:%d}/{:%m}", "csharp", "{0:dd}/{1:MM}", Verdict::same},
      {"csharp", "{0:dddd d MMM 'at' H}", "strftime", "%A %-d %b at %-H", Verdict::same},
      {"csharp", "{0:yyyy}-{0:MM}", "java", "%tY-%<tm", Verdict::same},
      {"java", "%tH:%<tM", "python", "{:%H:%M}", Verdict::same},
      {"java", "%tB", "python", "{:%B}", Verdict::differs},
      {"java", "%1$td %1$tm %2$tY", "csharp", "{0:dd MM} {1:yyyy}", Verdict::same},
      {"r-format", "format(x, \"%d/%m\")", "python", "{x:%d/%m}", Verdict::same},
      {"python", "{:%d %s}", "csharp", nullptr, Verdict::cannot},
      {"csharp", "{0,12:dd.MM}", "python", nullptr, Verdict::cannot},
      {"csharp", "{0:zzz}", "python", nullptr, Verdict::cannot},
      {"python", "{:%d}{:%m}", "strftime", nullptr, Verdict::cannot},
  };
  for (const Case& one : cases) {
    INFO(one.from << " " << one.source << " to " << one.to);
    const Dialect& from = *find_dialect(one.from);
    const Result<Template> parsed = from.parse(one.source);
    REQUIRE(parsed.ok());
    const Type types[] = {Type::moment, Type::moment};
    const auto count = static_cast<std::size_t>(std::max(parsed->values_taken(), 1));
    const Result<Cargo> cargo = Cargo::make(from, *parsed, std::span(types).first(count));
    REQUIRE(cargo.ok());
    const Carried carried = cargo->to(*find_dialect(one.to));
    CHECK(carried.verdict == one.verdict);
    CHECK(carried.source.value_or("nothing") == (one.carried == nullptr ? "nothing" : one.carried));
    if (one.verdict == Verdict::same_for) CHECK(carried.range == "years from 1000 on");
  }
}

TEST_CASE("what is not carried, and why") {
  const Dialect& c = *find_dialect("c");
  const Result<Template> starred = c.parse("%*d");
  const Result<Cargo> cargo = Cargo::make(c, *starred, {});
  // The width is a value too, of no type that the field decides.
  if (cargo.ok()) {
    CHECK(cargo->to(*find_dialect("rust")).verdict == Verdict::cannot);
    CHECK(cargo->to(*find_dialect("rust")).notes.front().message.find("comes from a value") !=
          std::string::npos);
  }
  const Result<Template> bad = c.parse("%y");
  const Result<Cargo> none = Cargo::make(c, *bad, {});
  REQUIRE_FALSE(none.ok());
  CHECK(none.error().code == Code::template_fails);
  const Dialect& python = *find_dialect("python");
  const Result<Template> mixed = python.parse("{mass:>8.2f} {1:x}");
  REQUIRE_FALSE(Cargo::make(python, *mixed, {}).ok());
  CHECK(Cargo::make(python, *mixed, {}).error().code == Code::not_supported_yet);
  const Dialect& rust = *find_dialect("rust");
  const Result<Template> open = rust.parse("{");
  REQUIRE_FALSE(Cargo::make(rust, *open, {}).ok());
  CHECK(Cargo::make(rust, *open, {}).error().code == Code::template_fails);
}

TEST_CASE("reasons come from the facts") {
  const Dialect& c = *find_dialect("c");
  const Dialect& java = *find_dialect("java");
  CHECK(why_different(c, java, Value::real(2.675), "2.67", "2.68").find("half-away") !=
        std::string::npos);
  CHECK(why_different(c, java, Value::text("ß"), "ß ", "ß  ")
            .find("bytes in c, utf16-units in java") != std::string::npos);
  CHECK(why_different(c, java, Value::real(1e20), "1e+20", "100000000000000000000")
            .find("does not go to an exponent") != std::string::npos);
}
