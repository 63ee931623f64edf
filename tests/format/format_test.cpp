#include <catch2/catch.hpp>
#include <chrono>
#include <cmath>
#include <fstream>
#include <iterator>
#include <set>
#include <sstream>
#include <string>

#include "format/layout.hpp"
#include "inky_margin/format/spec.hpp"
#include "inky_margin/format/value.hpp"
#include "support/random_values.hpp"
#include "support/rational.hpp"

using namespace inky;

namespace {

std::string text_of(const Spec& spec, double value) {
  TextBuffer out;
  lay_out_real(spec, binary64, unpack(binary64, bits_of(value)), NumberStyle{}, out);
  return out.string();
}

std::string whole_of(const Spec& spec, long value, std::string_view prefix = {}) {
  WholeRoom room;
  TextBuffer out;
  const std::string_view digits = write_whole(magnitude_of(value), spec.base, spec.letters, room);
  lay_out_whole(spec, value < 0, digits, prefix, out);
  return out.string();
}

Spec spec_of(std::initializer_list<std::pair<const char*, const char*>> wishes) {
  Spec spec;
  for (const auto& [key, value] : wishes) {
    const auto error = set_wish(spec, key, value);
    if (error) FAIL(error->message);
  }
  return spec;
}

}  // namespace

TEST_CASE("values as written on the command line") {
  struct Case {
    const char* written;
    const char* type;
    const char* shown;
  };
  const Case cases[] = {
      {"42", "i32", "42"},
      {"-7", "i32", "-7"},
      {"2147483647", "i32", "2147483647"},
      {"2147483648", "i64", "2147483648"},
      {"-2147483649", "i64", "-2147483649"},
      {"9223372036854775808", "big", "9223372036854775808"},
      {"4.5", "f64", "4.5"},
      {"1e5", "f64", "100000"},
      {".5", "f64", "0.5"},
      {"2.675", "f64", "2.675"},
      {"1e23", "f64", "1e+23"},
      {"ink", "text", "\"ink\""},
      {"", "text", "\"\""},
      {"0x10", "text", "\"0x10\""},
      {"inf", "text", "\"inf\""},
      {"a:b", "text", "\"a:b\""},
      {"42:i64", "i64", "42"},
      {"255:u8", "u8", "255"},
      {"0xff:u8", "u8", "255"},
      {"-128:i8", "i8", "-128"},
      {"1.1:f32", "f32", "1.1"},
      {"1e-8:f16", "f16", "0"},
      {"-inf:f64", "f64", "-inf"},
      {"nan:f80", "f80", "nan"},
      {"'Ω':char", "char", "'Ω'"},
      {"K:char", "char", "'K'"},
      {"true:truth", "truth", "true"},
      {"nil:nil", "nil", "nil"},
      {"\"4.5\":text", "text", "\"4.5\""},
      {"4.5:text", "text", "\"4.5\""},
      {"170141183460469231731687303715884105727:i128", "i128",
       "170141183460469231731687303715884105727"},
      {"340282366920938463463374607431768211455:u128", "u128",
       "340282366920938463463374607431768211455"},
  };
  for (const Case& c : cases) {
    INFO(c.written);
    const Result<Value> value = read_value(c.written);
    REQUIRE(value.ok());
    CHECK(name_of(value->type()) == c.type);
    CHECK(describe(*value) == c.shown);
  }
  const Result<Value> named = read_value("x=2.5");
  REQUIRE(named.ok());
  CHECK(named->name() == "x");
  CHECK(describe(*named) == "2.5");
  Value text = Value::text("a text too long to be stored inside a string object");
  text.set_name("t");
  CHECK(text.as_text() == "a text too long to be stored inside a string object");
}

TEST_CASE("values that cannot be, with the reason and the place") {
  struct Case {
    const char* written;
    Code code;
    const char* message;
    Span span;
  };
  const Case cases[] = {
      {"300:u8", Code::value_out_of_range, "300 does not fit u8", {0, 3}},
      {"-1:u64", Code::value_out_of_range, "-1 does not fit u64", {0, 2}},
      {"128:i8", Code::value_out_of_range, "128 does not fit i8", {0, 3}},
      {"1.5:i32", Code::bad_value, "\"1.5\" is not a whole number", {0, 3}},
      {"x=much:f64", Code::bad_value, "\"much\" is not a number", {2, 6}},
      {"42:i46", Code::unknown_type, "\"i46\" is not a type", {3, 6}},
      {"KK:char", Code::bad_value, "\"KK\" is not one character", {0, 2}},
      {"yes:truth", Code::bad_value, "\"yes\" is not a truth value", {0, 3}},
      {"3,5:decimal", Code::bad_value, "\"3,5\" is not a decimal", {0, 3}},
      {"1e30000:decimal",
       Code::over_limit,
       "a digit of this decimal is more than 20000 places from the point",
       {0, 7}},
      {"2031-02-29:date", Code::bad_value, "\"2031-02-29\" is not a date", {0, 10}},
      {"24:00:time", Code::bad_value, "\"24:00\" is not a time", {0, 5}},
      {"14:05+02:00:time", Code::bad_value, "\"14:05+02:00\" is not a time", {0, 11}},
      {"P1Y:duration", Code::bad_value, "\"P1Y\" is not a duration", {0, 3}},
      {"PT:duration", Code::bad_value, "\"PT\" is not a duration", {0, 2}},
      {"P1DT:duration", Code::bad_value, "\"P1DT\" is not a duration", {0, 4}},
      {"PT1.5H:duration", Code::bad_value, "\"PT1.5H\" is not a duration", {0, 6}},
      {"P10000001D:duration", Code::bad_value, "\"P10000001D\" is not a duration", {0, 10}},
      {"2031-05-09T14:05+24:00:moment",
       Code::bad_value,
       "\"2031-05-09T14:05+24:00\" is not a moment",
       {0, 22}},
      {"3-5j:complex", Code::bad_value, "\"3-5j\" is not a complex number", {0, 4}},
      {"2031-02-29:moment", Code::bad_value, "\"2031-02-29\" is not a moment", {0, 10}},
      {"[1]:record", Code::bad_value, "\"[1]\" is not a record", {0, 3}},
      {"\xff", Code::not_utf8, "the value is not UTF-8", {0, 1}},
  };
  for (const Case& c : cases) {
    INFO(c.written);
    const Result<Value> value = read_value(c.written);
    REQUIRE_FALSE(value.ok());
    CHECK(value.error().code == c.code);
    CHECK(value.error().message == c.message);
    CHECK(value.error().span == c.span);
    CHECK_FALSE(value.error().remedy.empty());
  }
}

TEST_CASE("lists, as written and as described") {
  struct Case {
    const char* text;
    const char* described;
  };
  const Case cases[] = {
      {"[]", "[]"},
      {"[ ]", "[]"},
      {"[1, 2.5, \"x\"]", "[1, 2.5, \"x\"]"},
      {"[1,2 , 3]", "[1, 2, 3]"},
      {"[[1, 2], []]", "[[1, 2], []]"},
      {"['K', true, nil, ink, 7:u8]", "['K', true, nil, \"ink\", 7]"},
      {"[\"a, ]b\", -inf:f64]", "[\"a, ]b\", -inf]"},
  };
  for (const Case& c : cases) {
    INFO(c.text);
    const Result<Value> value = read_value(c.text);
    REQUIRE(value.ok());
    CHECK(value->is(Type::list));
    CHECK(describe(*value) == c.described);
  }
  const Value named = *read_value("lots=[1, 2]");
  CHECK(named.name() == "lots");
  CHECK(named.as_list().size() == 2);
  // An open bracket alone is text; a list that goes wrong is reported where.
  CHECK(read_value("[1, 2")->is(Type::text));
  const std::pair<const char*, Span> broken[] = {
      {"[1, 300:u8]", {4, 7}}, {"[1,, 2]", {3, 4}}, {"[1] 2]", {2, 6}}, {"[\"a]", {1, 4}}};
  for (const auto& [text, span] : broken) {
    INFO(text);
    const Result<Value> value = read_value(text);
    REQUIRE_FALSE(value.ok());
    CHECK(value.error().span == span);
  }
  const Result<Value> deep = read_value(std::string(40, '[') + std::string(40, ']'));
  REQUIRE_FALSE(deep.ok());
  CHECK(deep.error().code == Code::over_limit);
}

TEST_CASE("tuples, records, complex numbers and moments, as written and as described") {
  struct Case {
    const char* text;
    Type type;
    const char* described;
  };
  const Case cases[] = {
      {"()", Type::tuple, "()"},
      {"(1, 2.5)", Type::tuple, "(1, 2.5)"},
      {"(1,)", Type::tuple, "(1,)"},
      {"([1, 2], (\"a, )b\",))", Type::tuple, "([1, 2], (\"a, )b\",))"},
      {"(ink)", Type::text, "\"(ink)\""},
      {"{}", Type::record, "{}"},
      {"{batch: \"K-7\", mass: 12.5}", Type::record, "{batch: \"K-7\", mass: 12.5}"},
      {"{a:{b:(1,)}}", Type::record, "{a: {b: (1,)}}"},
      {"{ink}", Type::text, "\"{ink}\""},
      {"some(5)", Type::some, "some(5)"},
      {"some(some(\"a)b\"))", Type::some, "some(some(\"a)b\"))"},
      {"[some(1), nil]", Type::list, "[some(1), nil]"},
      {"some(5):text", Type::text, "\"some(5)\""},
      {"some(5) and more", Type::text, "\"some(5) and more\""},
      {"{lot: 255:u8}", Type::record, "{lot: 255}"},
      {"3-5i:complex", Type::complex, "3-5i"},
      {"3:complex", Type::complex, "3+0i"},
      {"-2.5i:complex", Type::complex, "0-2.5i"},
      {"1e5-1e-5i:complex", Type::complex, "100000-0.00001i"},
      {"-inf+nani:complex", Type::complex, "-inf+nani"},
      {"2031-05-09:moment", Type::moment, "2031-05-09T00:00:00"},
      {"2031-05-09T14:05:moment", Type::moment, "2031-05-09T14:05:00"},
      {"2031-05-09T14:05:00.25:moment", Type::moment, "2031-05-09T14:05:00.250"},
      {"9999-12-31 23:59:59.000000001:moment", Type::moment, "9999-12-31T23:59:59.000000001"},
      {"2031-05-09T14:05+02:00:moment", Type::moment, "2031-05-09T14:05:00+02:00"},
      {"2031-05-09T14:05:07.25-0530:moment", Type::moment, "2031-05-09T14:05:07.250-05:30"},
      {"2031-05-09T14:05Z:moment", Type::moment, "2031-05-09T14:05:00Z"},
      {"2031-05-09:date", Type::date, "2031-05-09"},
      {"14:05:time", Type::time, "14:05:00"},
      {"14:05:07.000001:time", Type::time, "14:05:07.000001"},
      {"P1DT2H30M:duration", Type::duration, "P1DT2H30M"},
      {"PT26H30M:duration", Type::duration, "P1DT2H30M"},
      {"-PT0.5S:duration", Type::duration, "-PT0.5S"},
      {"P2W:duration", Type::duration, "P14D"},
      {"PT0S:duration", Type::duration, "PT0S"},
      {"x=1.10:decimal", Type::decimal, "1.10"},
      {"-0.00:decimal", Type::decimal, "-0.00"},
      {"00120:decimal", Type::decimal, "120"},
      {"1.50e3:decimal", Type::decimal, "1.50E+3"},
      {"0.0000001:decimal", Type::decimal, "1E-7"},
      {"-inf:decimal", Type::decimal, "-Infinity"},
      {"nan:decimal", Type::decimal, "NaN"},
  };
  for (const Case& c : cases) {
    INFO(c.text);
    const Result<Value> value = read_value(c.text);
    REQUIRE(value.ok());
    CHECK(value->type() == c.type);
    CHECK(describe(*value) == c.described);
  }
  const std::pair<const char*, Span> broken[] = {
      {"(1, 300:u8)", {4, 7}},   {"(1,, 2)", {3, 4}},      {"{a: 1, b: 300:u8}", {10, 13}},
      {"{a: 1, a: 2}", {7, 11}}, {"{a: 1, 2}", {7, 8}},    {"{a: }", {1, 3}},
      {"some()", {0, 6}},        {"some(300:u8)", {5, 8}}, {"[(1, 2]", {6, 7}},
      {"{a: [1}", {6, 7}}};
  for (const auto& [text, span] : broken) {
    INFO(text);
    const Result<Value> value = read_value(text);
    REQUIRE_FALSE(value.ok());
    CHECK(value.error().span.from <= span.from);
    CHECK(value.error().span.to >= span.to);
    CHECK_FALSE(value.error().remedy.empty());
  }
}

TEST_CASE("days that do not exist are no moments") {
  for (const char* text : {"2031-02-29", "1900-02-29", "2031-13-01", "2031-00-01", "2031-04-31",
                           "0000-01-01", "10000-01-01", "2031-05-09T24:00", "2031-05-09T14:60",
                           "2031-05-09T14:05:60", "2031-05-09T14", "2031-05-09T14:05:00.",
                           "2031-05-09T14:05:00.1234567890", "2031-5-9", "", "2031-05-09Z"}) {
    INFO(text);
    CHECK_FALSE(read_moment(text).has_value());
  }
  CHECK(read_moment("2024-02-29").has_value());
  CHECK(read_moment("2000-02-29").has_value());
}

// The calendar of the library this test is built with is asked.
TEST_CASE("every day has its weekday, its place in the year, and its text") {
  using std::chrono::days;
  using std::chrono::sys_days;
  using std::chrono::year_month_day;
  using namespace std::chrono_literals;
  for (sys_days day = 1583y / 1 / 1; day < sys_days(2400y / 1 / 1); day += days(1)) {
    const year_month_day date(day);
    const Moment moment{int(date.year()), int(unsigned(date.month())), int(unsigned(date.day()))};
    REQUIRE(inky::weekday(moment) == int(std::chrono::weekday(day).c_encoding()));
    REQUIRE(day_of_year(moment) == (day - sys_days(date.year() / 1 / 1)).count() + 1);
    REQUIRE(Moment::unpacked(moment.packed()) == moment);
    REQUIRE(read_moment(moment_text(moment)) == moment);
  }
}

TEST_CASE("wishes laid out") {
  // By hand, from the meaning of each wish and the stored values (0.0125 is stored above its tie).
  CHECK(text_of(spec_of({{"notation", "fixed"}, {"places", "2"}, {"group", ","}}), 1234567.891) ==
        "1,234,567.89");
  CHECK(text_of(spec_of({{"notation", "fixed"}, {"places", "1"}, {"group", "."}, {"point", ","}}),
                -1234.56) == "-1.234,6");
  CHECK(text_of(spec_of({{"notation", "fixed"}, {"places", "2"}, {"sign", "brackets"}}), -2.5) ==
        "(2.50)");
  CHECK(text_of(spec_of({{"notation", "fixed"}, {"significant", "3"}}), 0.0012345) == "0.00123");
  CHECK(text_of(spec_of({{"notation", "fixed"}, {"significant", "3"}}), 98765) == "98800");
  CHECK(text_of(spec_of({{"notation", "fixed"}}), 0.1) == "0.1");
  CHECK(text_of(spec_of({{"notation", "fixed"}}), 1e21) == "1000000000000000000000");
  CHECK(text_of(spec_of({{"notation", "percent"}, {"places", "1"}}), 0.9375) == "93.8%");
  CHECK(text_of(spec_of({{"notation", "percent"}}), 0.07) == "7%");
  CHECK(text_of(spec_of({{"notation", "engineering"}, {"significant", "3"}}), 12345) == "12.3e+03");
  CHECK(text_of(spec_of({{"notation", "engineering"}, {"places", "1"}}), 999.96) == "1.0e+03");
  CHECK(text_of(spec_of({{"notation", "engineering"}, {"places", "0"}}), 0.0125) == "13e-03");
  CHECK(text_of(spec_of({{"notation", "scientific"}}), 2.675) == "2.675e+00");
  CHECK(text_of(
            spec_of(
                {{"notation", "scientific"}, {"width", "12"}, {"align", "center"}, {"fill", "·"}}),
            250) == "··2.5e+02···");
  CHECK(text_of(spec_of({}), 1e16) == "1e+16");
  CHECK(text_of(spec_of({}), 123456789012345680) == "1.2345678901234568e+17");
  CHECK(text_of(spec_of({}), 0.00001) == "0.00001");
  CHECK(text_of(spec_of({{"width", "8"}, {"align", "inner"}, {"fill", "0"}}), -INFINITY) ==
        "    -inf");
  CHECK(text_of(spec_of({{"notation", "fixed"},
                         {"places", "1"},
                         {"width", "8"},
                         {"align", "inner"},
                         {"fill", "*"}}),
                -2.5) == "-****2.5");
  CHECK(whole_of(spec_of({{"group", "\u2009"}}), -1234567) == "-1\u2009234\u2009567");
  CHECK(whole_of(spec_of({{"least_digits", "6"}, {"group", ","}}), 42) == "000,042");
  CHECK(whole_of(spec_of({{"base", "36"}, {"letters", "upper"}}), 123456) == "2N9C");
  CHECK(whole_of(spec_of({{"base", "2"}, {"width", "12"}, {"align", "inner"}, {"fill", "0"}}), -10,
                 "0b") == "-0b000001010");
}

TEST_CASE("the direct way of laying out decimals is the general way") {
  const std::uint64_t seed = support::seed(23);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  const char* const aligns[] = {"natural", "left", "right", "inner", "center"};
  const char* const signs[] = {"minus", "always", "space", "brackets"};
  for (int i = 0; i < support::cases(200'000); ++i) {
    Spec spec;
    (void)set_wish(spec, "align", random.pick(aligns));
    (void)set_wish(spec, "sign", random.pick(signs));
    if (random.one_in(2)) spec.width = random.below(20);
    if (random.one_in(3)) spec.fill = "0";
    if (random.one_in(3)) spec.least_digits = random.below(14);
    const std::uint64_t magnitude = random.one_in(8) ? 0 : random.whole();
    const bool negative = random.one_in(2);
    WholeRoom room;
    std::string_view digits = write_whole(magnitude, 10, spec.letters, room);
    if (magnitude == 0 && spec.least_digits == 0) digits = {};
    TextBuffer general;
    TextBuffer direct;
    lay_out_whole(spec, negative, digits, {}, general);
    lay_out_decimal(spec, negative, magnitude, direct);
    if (general.view() != direct.view()) FAIL(general.view() << " but " << direct.view());
    // A mark of two bytes takes the general way for reals; the same digits must come of it.
    spec.notation = random.one_in(2) ? Notation::fixed : Notation::scientific;
    spec.places = random.below(20);
    const double value = random.real();
    const std::string plain = text_of(spec, value);
    spec.point = "·";
    std::string marked = text_of(spec, value);
    if (const auto at = marked.find("·"); at != std::string::npos) marked.replace(at, 2, ".");
    if (plain != marked) FAIL(plain << " but " << marked);
  }
}

TEST_CASE("digits laid out as they are, and reals laid out by their digits, are the same") {
  const std::uint64_t seed = support::seed(77);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(60'000); ++i) {
    double any = random.any_real();
    if (!std::isfinite(any)) any = -2.5;
    const BinaryReal real = unpack(binary64, bits_of(any));
    Spec spec;
    spec.kind = Kind::real;
    spec.notation = random.one_in(2) ? Notation::fixed : Notation::scientific;
    spec.places = random.below(20);
    spec.width = random.below(40);
    spec.align = random.pick({Align::left, Align::right, Align::inner, Align::center});
    spec.sign = random.pick({Sign::minus, Sign::always, Sign::space, Sign::brackets});
    spec.group = random.one_in(4) ? "," : "";
    spec.point = random.one_in(4) ? "·" : ".";
    spec.keep_point = random.one_in(4);
    spec.letters = random.pick({Letters::lower, Letters::upper});
    NumberStyle style;
    style.least_exponent_digits = 1 + random.below(3);
    Digits digits;
    if (spec.notation == Notation::fixed)
      digits_to_places(real, spec.places, Rounding::half_even, digits);
    else
      digits_to_significant(real, spec.places + 1, Rounding::half_even, digits);
    TextBuffer by_digits;
    lay_out_digits(spec, real.negative, digits, style, by_digits);
    TextBuffer by_value;
    lay_out_real(spec, binary64, real, style, by_value);
    REQUIRE(by_digits.view() == by_value.view());
  }
}

TEST_CASE("every wish is read back as it is written") {
  support::RandomValues random(support::seed(99));
  const Spec defaults;
  CHECK(wish_entries(defaults).empty());
  for (int i = 0; i < support::cases(20'000); ++i) {
    Spec spec;
    for (const std::string_view key : wish_keys()) {
      const char* const candidates[] = {"text", "whole", "real",  "left",   "inner",     "*",
                                        "é",    "12",    "3",     "always", "fixed",     "percent",
                                        "true", "16",    "upper", ",",      "half-away", "0"};
      if (random.one_in(2)) (void)set_wish(spec, key, random.pick(candidates));
    }
    Spec again;
    for (const WishEntry& entry : wish_entries(spec))
      REQUIRE_FALSE(set_wish(again, entry.key, entry.value));
    REQUIRE(again == spec);
  }
}

TEST_CASE("wishes that cannot be, or contradict each other") {
  Spec spec;
  const auto message = [&](std::string_view key, std::string_view value) {
    const auto error = set_wish(spec, key, value);
    return error ? error->message : "accepted";
  };
  CHECK(message("width", "1000001") == "width cannot be \"1000001\"");
  CHECK(message("width", "-1") == "width cannot be \"-1\"");
  CHECK(message("significant", "0") == "significant cannot be \"0\"");
  CHECK(message("base", "37") == "base cannot be \"37\"");
  CHECK(message("fill", "ab") == "fill cannot be \"ab\"");
  CHECK(message("fill", "") == "fill cannot be \"\"");
  CHECK(message("align", "middle") == "align cannot be \"middle\"");
  CHECK(message("colour", "red") == "\"colour\" is not a wish");
  CHECK(message("group", "") == "accepted");
  const std::initializer_list<std::initializer_list<std::pair<const char*, const char*>>>
      contradictions = {
          {{"places", "2"}, {"significant", "3"}}, {{"kind", "text"}, {"places", "2"}},
          {{"kind", "text"}, {"align", "inner"}},  {{"kind", "real"}, {"base", "16"}},
          {{"kind", "whole"}, {"limit", "3"}},     {{"group", "."}}};
  for (const auto& wishes : contradictions) {
    Spec contradicting;
    for (const auto& [key, value] : wishes) REQUIRE_FALSE(set_wish(contradicting, key, value));
    CHECK(find_contradiction(contradicting));
  }
}

TEST_CASE("codes are unique, and each has a sentence and advice") {
  std::set<std::string_view> names;
  Code before = Code{};
  for (const CodeFact& fact : all_codes()) {
    INFO(fact.name);
    CHECK(names.insert(fact.name).second);
    CHECK(fact.sentence.ends_with('.'));
    CHECK(!fact.advice.empty());
    CHECK(fact.advice.find('\n') == std::string_view::npos);
    CHECK(name_of(fact.code) == fact.name);
    CHECK(sentence_of(fact.code) == fact.sentence);
    // The page of codes has those of errors first.
    if (before >= Code::too_many_values) CHECK(fact.code >= Code::too_many_values);
    before = fact.code;
  }
  CHECK(names.size() == 65);
}

TEST_CASE("what a wish is said to be able to be, it can be, and nothing else") {
  for (const std::string_view key : wish_keys()) {
    const std::string meaning = wish_meaning(key);
    INFO(meaning);
    const std::size_t list = meaning.find(": ");
    REQUIRE(list != std::string::npos);
    const std::string said = meaning.substr(list + 2);
    std::vector<std::string> good, bad = {"ink room"};
    if (const std::size_t to = said.find(" to "); to != std::string::npos) {
      const int least = std::stoi(said), most = std::stoi(said.substr(to + 4));
      good = {std::to_string(least), std::to_string(most)};
      bad.push_back(std::to_string(least - 1));
      bad.push_back(std::to_string(most + 1));
    } else if (said.starts_with("a character")) {
      good = {"-", "\u00b7"};
      (said.ends_with("none") ? good : bad).emplace_back();
    } else {
      std::istringstream names(said);
      for (std::string name; std::getline(names >> std::ws, name, ',');) good.push_back(name);
      REQUIRE(good.size() >= 2);
    }
    for (const std::string& value : good) {
      Spec spec;
      CHECK(!set_wish(spec, key, value));
      // What is set is reported, unless it is what holds anyway.
      const auto entries = wish_entries(spec);
      CHECK(entries.size() == (spec == Spec{} ? 0 : 1));
      if (!entries.empty()) CHECK(entries[0].value == value);
    }
    for (const std::string& value : bad) {
      Spec spec;
      CHECK(set_wish(spec, key, value));
    }
  }
  CHECK(wish_meaning("colour").empty());
}
