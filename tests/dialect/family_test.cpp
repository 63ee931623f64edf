// What holds for every dialect, whatever it prints.

#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>
#include <string>
#include <thread>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/answers.hpp"
#include "support/random_values.hpp"

using namespace inky;
using support::value;

namespace {

std::string random_source(support::RandomValues& random) {
  constexpr std::string_view percent[] = {"%", "(",   "key", ")", "-", "+", " ",  "#",  "0", "'x",
                                          "5", "*",   ".",   "2", "l", "d", "s",  "x",  "f", "%",
                                          "|", "\\n", "y",   "Ω", ",", "<", "1$", "\\", "c", "A"};
  constexpr std::string_view braces[] = {
      "{", "}", "{}", "{:", "{0", "}", ":",    "!r", "[0]", ".real", "{{", "}}", "5",  "0", ".2",
      "f", "x", "?",  "*",  "<",  "=", "{:5}", "1$", "墨",  "\\n",   "%",  "s",  "{x", " ", "|"};
  constexpr std::string_view lisp[] = {"~",  "~A", "~{", "~}", "~^", "~[", "~;", "~]",   "~(",
                                       "~)", "~<", "~>", ":",  "@",  ",",  "'",  "5",    "v",
                                       "#",  "F",  "R",  "x",  "~%", "~:", "墨", "~\n  "};
  constexpr std::string_view calls[] = {
      "${",      "}",        "x",          ".toFixed(2)", ".padStart(5)",
      "(",       ")",        "[0]",        "'a'",         "`",
      "format(", "formatC(", "digits = 3", ",",           "c(",
      "1.5",     "\"ink\"",  "-",          " + ",         "\\n",
      "0",       "#",        ".",          ";",           "E",
      "%",       "{0",       ":F2",        ",8",          "width = 8"};
  constexpr std::string_view chain[] = {"cout", " << ",  " << ", "x",     "setw(", "5",
                                        ")",    "fixed", "hex",  "\"a\"", "'b'",   "endl",
                                        ";",    "-",     "y",    "std::", " ",     "2.5",
                                        "0x1F", "\\n",   "\"",   "//",    "\n",    "("};
  // An f-string in every fourth of those in braces.
  const int kind = random.below(5);
  const bool f_string = kind == 1 && random.one_in(4);
  std::string out = f_string ? "f'" : "";
  for (int k = random.below(12); k >= 0; --k)
    out += kind == 0   ? random.pick(percent)
           : kind == 1 ? random.pick(braces)
           : kind == 2 ? random.pick(chain)
           : kind == 3 ? random.pick(lisp)
                       : random.pick(calls);
  return f_string ? out + "'" : out;
}

Value random_value(support::RandomValues& random) {
  switch (random.below(11)) {
    case 7:
      return Value::tuple({value("1"), value("ink")});
    case 8:
      return value("{mass: 12.5, real: [1]}");
    case 9:
      return Value::complex(random.any_real(), random.any_real());
    case 10:
      return value("2031-05-09T14:05:00.25:moment");
    case 0:
      return Value::real(random.any_real());
    case 1:
      return Value::whole(Type::i32, static_cast<std::int32_t>(random.whole()));
    case 2:
      return Value::whole(Type::u64,
                          static_cast<int128>(static_cast<std::uint64_t>(random.whole())));
    case 3:
      return value("墨 ink");
    case 4:
      return Value::truth(random.one_in(2));
    case 5:
      return Value::list({value("1"), value("2.5"), Value()});
    default:
      return {};
  }
}

}  // namespace

TEST_CASE("the words of a template cover every character of it, in every dialect") {
  support::RandomValues random(support::seed(31));
  for (int i = 0; i < support::cases(20'000); ++i) {
    const std::string source = random_source(random);
    for (const Dialect* dialect : all_dialects()) {
      INFO(dialect->facts().id << " " << source);
      const Result<Template> parsed = dialect->parse(source);
      if (!parsed) continue;
      std::size_t last = 0;
      for (const Words& words : dialect->explain(*parsed)) {
        REQUIRE_FALSE(words.meaning.empty());
        // Its defect stands after a field's parts.
        if (words.role == "fails" || words.role == "undefined") continue;
        REQUIRE(words.span.from == last);
        REQUIRE(words.span.to <= source.size());
        last = words.span.to;
      }
      REQUIRE(last == source.size());
    }
  }
}

TEST_CASE("whatever is asked of a dialect, it answers, and keeps its promises") {
  support::RandomValues random(support::seed(47));
  for (int i = 0; i < support::cases(20'000); ++i) {
    const std::string source = random_source(random);
    std::vector<Value> values;
    for (int k = random.below(4); k > 0; --k) values.push_back(random_value(random));
    for (const Dialect* dialect : all_dialects()) {
      INFO(dialect->facts().id << " " << source);
      const Result<Template> parsed = dialect->parse(source);
      if (!parsed) {
        REQUIRE_FALSE(parsed.error().message.empty());
        continue;
      }
      TextBuffer told;
      Report report;
      const Outcome outcome = dialect->render(*parsed, values, {}, told, &report);
      TextBuffer untold;
      const Outcome again = dialect->render(*parsed, values, untold);
      // A report changes nothing.
      REQUIRE(outcome.kind() == again.kind());
      REQUIRE(told.view() == untold.view());
      if (!outcome.prints()) {
        REQUIRE(told.view().empty());
        REQUIRE_FALSE(outcome.why().empty());
        REQUIRE(outcome.span().to <= source.size());
        continue;
      }
      for (const PlacedField& placed : report.fields) {
        REQUIRE(placed.output.from <= placed.output.to);
        REQUIRE(placed.output.to <= told.view().size());
      }
      for (const Note& note : report.notes) REQUIRE(note.span.to <= source.size());
    }
  }
}

// What the whole family has in common: signs, sides and zeros of small wholes, and reals far from a
// tie, to which no rule of rounding matters.
TEST_CASE("where the languages of the family mean the same, they print the same") {
  const Dialect& c = *find_dialect("c");
  const std::uint64_t seed = support::seed(1991);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(20'000); ++i) {
    std::string source = "%";
    const bool left = random.one_in(3);
    if (left) source += '-';
    if (!left && random.one_in(3)) source += '0';
    if (random.one_in(3)) source += '+';
    source += std::to_string(1 + random.below(20));
    const bool real = random.one_in(2);
    // A third of a whole number is far from every tie.
    const int whole = 1 + random.below(1'000'000) * 3;
    const Value number = real ? Value::real(whole / 3.0) : Value::whole(Type::i32, -whole);
    source += real ? "." + std::to_string(1 + random.below(6)) + "f" : "d";
    TextBuffer expected;
    REQUIRE(c.render(*c.parse(source), {&number, 1}, expected).prints());
    for (const Dialect* dialect : all_dialects()) {
      const auto letters = dialect->facts().conversions;
      const bool has_letter = std::any_of(letters.begin(), letters.end(), [&](const auto& fact) {
        return fact.letter == source.back() && fact.kind != Kind::moment;
      });
      if (dialect->facts().style != TemplateStyle::percent || !has_letter) continue;
      INFO(dialect->facts().id << " " << source << " of " << describe(number));
      TextBuffer out;
      REQUIRE(dialect->render(*dialect->parse(source), {&number, 1}, out).prints());
      REQUIRE(out.view() == expected.view());
    }
  }
}

// The same of those in braces: sides, signs and zeros before whole numbers and places.
TEST_CASE("where the languages with braces mean the same, they print the same") {
  const std::uint64_t seed = support::seed(2008);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  const Dialect* const dialects[] = {find_dialect("cpp-format"), find_dialect("python"),
                                     find_dialect("rust")};
  for (int i = 0; i < support::cases(20'000); ++i) {
    std::string lead;
    const bool aligned = random.one_in(2);
    if (aligned) lead += random.pick({"*<", "->", "x^", ">"});
    if (random.one_in(3)) lead += '+';
    if (!aligned && random.one_in(3)) lead += '0';
    lead += std::to_string(1 + random.below(20));
    const bool real = random.one_in(2);
    const int whole = 1 + random.below(1'000'000) * 3;
    const Value number = real ? Value::real(whole / 3.0) : Value::whole(Type::i32, -whole);
    std::string expected;
    for (const Dialect* dialect : dialects) {
      const bool letterless = dialect->facts().id == "rust";
      const std::string places = "." + std::to_string(1 + i % 6) + (letterless ? "" : "f");
      const std::string source = "{:" + lead + (real ? places : "") + "}";
      INFO(dialect->facts().id << " " << source << " of " << describe(number));
      TextBuffer out;
      REQUIRE(dialect->render(*dialect->parse(source), {&number, 1}, out).prints());
      if (expected.empty()) expected = out.view();
      REQUIRE(out.view() == expected);
    }
  }
}

// A field of C for a real: any flags, width and precision.
std::string real_field(support::RandomValues& random, std::string_view letters) {
  std::string source = "%";
  for (const char flag : {'-', '+', ' ', '#', '0'}) {
    if (random.one_in(4)) source += flag;
  }
  if (random.one_in(2)) source += std::to_string(1 + random.below(30));
  if (random.one_in(2)) source += "." + std::to_string(random.below(20));
  return source + letters[static_cast<std::size_t>(random.below(static_cast<int>(letters.size())))];
}

TEST_CASE("R and Octave print reals through the C library, so as c does") {
  const Dialect& c = *find_dialect("c");
  const std::uint64_t seed = support::seed(422);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(40'000); ++i) {
    double any = random.any_real();
    if (!std::isfinite(any)) any = 2.5;
    const Value number = Value::real(any);
    for (const auto& [id, letters] : {std::pair("r", "eEfgGaA"), std::pair("octave", "eEfgG")}) {
      const Dialect& dialect = *find_dialect(id);
      const std::string source = real_field(random, letters);
      INFO(id << " " << source << " of " << describe(number));
      TextBuffer expected;
      REQUIRE(c.render(*c.parse(source), {&number, 1}, expected).prints());
      TextBuffer out;
      REQUIRE(dialect.render(*dialect.parse(source), {&number, 1}, out).prints());
      REQUIRE(out.view() == expected.view());
    }
  }
}

TEST_CASE("R and Octave print small wholes as c does, with any flags") {
  const Dialect& c = *find_dialect("c");
  const std::uint64_t seed = support::seed(73);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(40'000); ++i) {
    const Value number = Value::whole(Type::i32, static_cast<int>(random.whole() & 0x7FFFFFFF));
    const bool decimal = random.one_in(2);
    std::string source = "%";
    for (const char flag : {'-', '0', decimal ? '+' : '#'}) {
      if (random.one_in(3)) source += flag;
    }
    if (random.one_in(2)) source += std::to_string(1 + random.below(30));
    if (random.one_in(2)) source += "." + std::to_string(random.below(20));
    source += decimal ? random.pick({'d', 'i'}) : random.pick({'o', 'x', 'X'});
    TextBuffer expected;
    REQUIRE(c.render(*c.parse(source), {&number, 1}, expected).prints());
    for (const char* id : {"r", "octave"}) {
      const Dialect& dialect = *find_dialect(id);
      INFO(id << " " << source << " of " << describe(number));
      TextBuffer out;
      REQUIRE(dialect.render(*dialect.parse(source), {&number, 1}, out).prints());
      REQUIRE(out.view() == expected.view());
    }
  }
}

TEST_CASE("F# prints f and g as c does, but for their zeros on the right") {
  const Dialect& c = *find_dialect("c");
  const Dialect& fsharp = *find_dialect("fsharp");
  const std::uint64_t seed = support::seed(741);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(40'000); ++i) {
    double any = random.any_real();
    if (!std::isfinite(any) || any == 0) any = 2.5;
    const Value number = Value::real(any);
    std::string source = "%";
    source += random.pick({'-', '0', '+', ' '});
    source += std::to_string(1 + random.below(30));
    source += "." + std::to_string(1 + random.below(20)) + random.pick({'f', 'g', 'G'});
    INFO(source << " of " << describe(number));
    TextBuffer expected;
    REQUIRE(c.render(*c.parse(source), {&number, 1}, expected).prints());
    TextBuffer out;
    REQUIRE(fsharp.render(*fsharp.parse(source), {&number, 1}, out).prints());
    REQUIRE(out.view() == expected.view());
  }
}

TEST_CASE("a whole number of any size has the same digits in Java and Python") {
  const Dialect& java = *find_dialect("java");
  const Dialect& python = *find_dialect("python-percent");
  support::RandomValues random(support::seed(128));
  for (int i = 0; i < support::cases(20'000); ++i) {
    std::string digits = random.one_in(2) ? "-" : "";
    digits += static_cast<char>('1' + random.below(9));
    for (int k = random.below(60); k > 0; --k) digits += static_cast<char>('0' + random.below(10));
    const Value number = *read_typed(Type::big, digits);
    for (const char* source : {"%d", "%x", "%X", "%o", "%70d", "%+d", "%070d", "%s"}) {
      TextBuffer a;
      REQUIRE(java.render(*java.parse(source), {&number, 1}, a).prints());
      TextBuffer b;
      REQUIRE(python.render(*python.parse(source), {&number, 1}, b).prints());
      INFO(source << " of " << digits);
      REQUIRE(a.view() == b.view());
    }
    // And grouped by three, only marks are added.
    TextBuffer grouped;
    REQUIRE(java.render(*java.parse("%,d"), {&number, 1}, grouped).prints());
    std::string without = grouped.string();
    const std::size_t marks = (digits.size() - (digits[0] == '-' ? 1 : 0) - 1) / 3;
    CHECK(static_cast<std::size_t>(std::count(without.begin(), without.end(), ',')) == marks);
    std::erase(without, ',');
    REQUIRE(without == digits);
  }
}

TEST_CASE("every dialect states its facts in full") {
  for (const Dialect* dialect : all_dialects()) {
    const DialectFacts& facts = dialect->facts();
    INFO(facts.id);
    for (const std::string_view fact :
         {facts.id, facts.language, facts.facility, facts.standard, facts.toolchain, facts.program})
      CHECK_FALSE(fact.empty());
    // What shows no reals rounds none.
    Spec real;
    real.kind = Kind::real;
    real.places = 2;
    if (facts.rounding.basis.empty()) CHECK(dialect->writer().write(real).source.empty());
    CHECK(facts.conversions.size() + facts.modifiers.size() >= 8);
    CHECK(facts.flags.size() + facts.modifiers.size() >= 4);
    CHECK(facts.escapes.size() >= 5);
    CHECK(find_dialect(facts.id) == dialect);
    for (const ConversionFact& conversion : facts.conversions) {
      for (const char flag : conversion.flags) {
        CHECK(std::any_of(facts.flags.begin(), facts.flags.end(),
                          [&](const FlagFact& fact) { return fact.flag == flag; }));
      }
    }
  }
  CHECK(std::is_sorted(
      all_dialects().begin(), all_dialects().end(),
      [](const Dialect* a, const Dialect* b) { return a->facts().id < b->facts().id; }));
}

TEST_CASE("every dialect writes into a caller's buffer, and cuts what does not fit") {
  // The same in each language: "ink and paper", and a wide character in four columns.
  struct Sample {
    std::string_view id;
    const char* pair;
    const char* padded;
    std::string_view tail = "";  // what it cannot but print behind them
  };
  constexpr Sample samples[] = {
      {"cpp-stream", "o << x << \" and \" << y", "o << setw(4) << x << '|'"},
      {"csharp", "{0} and {1}", "{0,4}|"},
      {"java-pattern", "'ink and paper'0", "'  \xe5\xa2\xa8|'0", "0"},
      {"javascript", "${x} and ${y}", "${x.padStart(4)}|"},
      {"lisp", "~A and ~A", "~4@A|"},
      {"octave-display", "disp('ink and paper')", "disp('  \xe5\xa2\xa8|')", "\n"},
      {"strftime", "ink and paper", "  \xe5\xa2\xa8|"},
      {"r-format", "format(\"ink and paper\")", "format(c(\"  \xe5\xa2\xa8|\"))"},
  };
  for (const Dialect* dialect : all_dialects()) {
    INFO(dialect->facts().id);
    const bool percent = dialect->facts().style == TemplateStyle::percent;
    Sample sample = percent ? Sample{"", "%s and %s", "%4s|"} : Sample{"", "{} and {}", "{:>4}|"};
    for (const Sample& own : samples) {
      if (own.id == dialect->facts().id) sample = own;
    }
    // A pattern formats numbers only.
    const bool is_pattern = sample.id == "java-pattern";
    const Value values[] = {is_pattern ? value("0") : Value::text("ink"), Value::text("paper")};
    char room[6];
    FixedOutput fixed(room);
    CHECK(dialect->render(*dialect->parse(sample.pair), values, fixed).prints());
    CHECK(fixed.view() == "ink an");
    CHECK(fixed.needed() == 13 + sample.tail.size());
    RenderOptions columns;
    columns.width_of = WidthUnit::columns;
    const Value shown = is_pattern ? value("0") : value("墨");
    CHECK(support::answer(*dialect, sample.padded, {shown}, columns).text ==
          "  墨|" + std::string(sample.tail));
    if (!percent) continue;
    const Result<Template> wide = dialect->parse("%2000000d");
    REQUIRE_FALSE(wide.ok());
    CHECK(wide.error().code == Code::over_limit);
  }
}

// Values that only some languages know yet: the others report it, and never print something else.
TEST_CASE("a decimal is the nearest f64 where a language has none, and a note says so") {
  for (const Dialect* dialect : all_dialects()) {
    const DialectFacts& facts = dialect->facts();
    if (facts.style == TemplateStyle::own) continue;
    const std::string source = facts.style == TemplateStyle::percent ? "%s"
                               : facts.id == "csharp"                ? "{0}"
                                                                     : "{}";
    INFO(facts.id << " " << source);
    const support::Answer told = support::answer(*dialect, source, {value("2.675:decimal")}, {});
    const bool noted =
        std::any_of(told.report.notes.begin(), told.report.notes.end(), [](const Note& note) {
          return note.code == Code::type_converted &&
                 note.message.find("2.67499999999999982236431605997495353221893310546875") !=
                     std::string::npos;
        });
    CHECK(noted == (facts.decimals == Decimals::none));
    // A copy of what is given: the values themselves stay as they were.
    const Value given = value("1.10:decimal");
    TextBuffer out;
    (void)dialect->render(*dialect->parse(source), {&given, 1}, out);
    CHECK(describe(given) == "1.10");
    const support::Answer special = support::answer(*dialect, source, {value("nan:decimal")}, {});
    if (facts.decimals == Decimals::finite || facts.decimals == Decimals::of_96_bits)
      CHECK(special.outcome.as_error().code == Code::value_out_of_range);
    TextBuffer plain;
    (void)dialect->print_plainly(given, plain);
    for (const char* text :
         {"2031-05-09:date", "14:05:time", "PT1S:duration", "2031-05-09T14:05+02:00:moment"}) {
      if (facts.times) continue;
      INFO(text);
      const support::Answer refused = support::answer(*dialect, source, {value(text)}, {});
      REQUIRE(refused.outcome.kind() == Outcome::Kind::error);
      CHECK(refused.outcome.as_error().code == Code::not_supported_yet);
      const support::Answer inside =
          support::answer(*dialect, source, {Value::list({value(text)})}, {});
      CHECK(inside.outcome.kind() == Outcome::Kind::error);
    }
  }
}

TEST_CASE("a value that a dialect does not know yet is refused, whatever the letter") {
  const Value rare[] = {value("3-5i:complex"), value("2031-05-09T14:05:moment"), value("(1, 2)"),
                        value("{mass: 12.5}"), Value::list({value("1"), value("(1, 2)")})};
  for (const Dialect* dialect : all_dialects()) {
    const DialectFacts& facts = dialect->facts();
    if (facts.style != TemplateStyle::percent || facts.id == "python-percent") continue;
    for (const Value& one : rare) {
      if (facts.times && one.is(Type::moment)) continue;
      for (const ConversionFact& conversion : facts.conversions) {
        // Java's line end and percent sign show no value.
        if (conversion.letter == 'n' || conversion.letter == '%') continue;
        const std::string source = std::string("%") + conversion.letter;
        INFO(facts.id << " " << source << " of " << describe(one));
        const support::Answer told = support::answer(*dialect, source, {one}, {});
        REQUIRE(told.outcome.kind() == Outcome::Kind::error);
        CHECK(told.outcome.as_error().code == Code::not_supported_yet);
        TextBuffer untold;
        CHECK_FALSE(dialect->render(*dialect->parse(source), {&one, 1}, untold).prints());
      }
      // Octave has complex numbers, and disp() shows them.
      if (facts.id == "octave" && one.is(Type::complex)) continue;
      TextBuffer plain;
      INFO(facts.id << " prints " << describe(one));
      CHECK_FALSE(dialect->print_plainly(one, plain).prints());
      CHECK(plain.view().empty());
    }
  }
}
