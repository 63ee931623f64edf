// What a person sees, piece by piece, and JSON as it is read.

#include <catch2/catch.hpp>
#include <string>

#include "contract/json_reader.hpp"
#include "screen.hpp"

using namespace inky;
using namespace inky::cli;

namespace {

constexpr Look plain{false, true};
constexpr Look ascii{false, false};

std::string drawn(const Look& look, void (*draw)(Screen&)) {
  Screen screen(look);
  draw(screen);
  return screen.text();
}

}  // namespace

TEST_CASE("spaces and line ends are made visible") {
  CHECK(with_visible_spaces("a b\n", plain) == "a·b⏎");
  CHECK(with_visible_spaces("  \t\x01", plain) == "··\\t\\x01");
  CHECK(with_visible_spaces("a b\n", ascii) == "a_b$");
  CHECK(with_visible_spaces("", plain).empty());
}

TEST_CASE("edges stand under their fields, however narrow") {
  const auto stretches = [](Screen& screen) {
    screen.block(
        {{{{"1", 0}, {"|", -1}, {"22", 1}, {"333", 2}, {"墨汁", 3}, {"", 4}, {"1234567890", 10}},
          ""}});
  };
  CHECK(drawn(plain, stretches) ==
        "            ────┴────1────┴────2─\n"
        "            1|22333墨汁1234567890\n"
        "            1 └2└3┘└4─┘└───11───┘\n");
  CHECK(drawn(ascii, stretches).ends_with("            1 \\2\\3/\\4-/\\---11---/\n"));
}

TEST_CASE("lines stand under one ruler, with edges where fields begin and end") {
  const auto lines = [](Screen& screen) {
    screen.block({{{{"ab", 0}, {"⏎", -1}}, "text 1"},
                  {{{"cd", 0}, {"⏎", -1}}, "text 2"},
                  {{{"one⏎", 1, true, false}}, ""},
                  {{{"two⏎", 1, false, false}}, ""},
                  {{{"three", 1, false, true}}, ""},
                  {{{"end⏎", -1}}, ""}});
  };
  CHECK(drawn(plain, lines) ==
        "            ────┴\n"
        "  text 1    ab⏎\n"
        "  text 2    cd⏎\n"
        "            └1 \n"
        "            one⏎\n"
        "            └2──\n"
        "            two⏎\n"
        "            three\n"
        "            ──2─┘\n"
        "            end⏎\n");
  // A line of nothing but its end needs no ruler.
  CHECK(drawn(plain, [](Screen& screen) {
          screen.block({{{{"⏎", -1}}, ""}});
        }) == "            ⏎\n");
}

TEST_CASE("a span is underlined where it stands, in columns, on its own line") {
  CHECK(drawn(plain, [](Screen& screen) {
          screen.underlined("墨汁 %d", {7, 9}, "");
        }) == "            墨汁 %d\n                 ▔▔\n");
  CHECK(drawn(plain, [](Screen& screen) {
          screen.underlined("one\ntwo\nthree", {4, 7}, "x");
        }) == "  x         two\n            ▔▔▔\n");
  CHECK(drawn(ascii, [](Screen& screen) {
          screen.underlined("ab\x01 %", {2, 3}, "");
        }) == "            ab\\x01 %\n              ^^^^\n");
  // At the very end, where nothing stands, one mark still points.
  CHECK(drawn(ascii, [](Screen& screen) {
          screen.underlined("ab", {2, 2}, "");
        }) == "            ab\n              ^\n");
}

TEST_CASE("paragraphs wrap between words, and a word too long stands alone") {
  const std::string text = drawn(plain, [](Screen& screen) {
    screen.label("note");
    screen.paragraph(
        "one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen");
    screen.label("");
    screen.paragraph(std::string(100, 'x') + " y");
  });
  CHECK(text ==
        "  note      one two three four five six seven eight nine ten eleven twelve thirteen "
        "fourteen\n"
        "            fifteen\n"
        "            " +
            std::string(100, 'x') + "\n            y\n");
}

TEST_CASE("errors say what is wrong, where, and what to do") {
  const Error error{Code::bad_value, "\"x\" is not a number", {2, 3}, "Write digits."};
  CHECK(error_text(error, "a=x", plain) ==
        "inky: \"x\" is not a number\n            a=x\n              ▔\n      Write digits.\n");
  CHECK(error_text({Code::bad_value, "wrong", {}, {}}, "a=x", plain) == "inky: wrong\n");
  const Look colour{true, true};
  CHECK(error_text(error, {}, colour).find("\x1b[1m\"x\" is not a number\x1b[0m") !=
        std::string::npos);
}

TEST_CASE("JSON is read as it was typed") {
  const Result<Json> json =
      read_json(R"({"a": [1, -2.50, 1e40, "x", true, null], "b": {"c": 12345678901234567890123}})");
  REQUIRE(json.ok());
  const auto& items = json->find("a")->items;
  REQUIRE(items.size() == 6);
  CHECK(items[0].text == "1");
  CHECK(items[1].text == "-2.50");
  CHECK(items[2].text == "1e40");
  CHECK(items[3].kind == Json::Kind::text);
  CHECK(items[4].truth);
  CHECK(items[5].kind == Json::Kind::null);
  CHECK(json->find("b")->find("c")->text == "12345678901234567890123");
  CHECK(json->find("d") == nullptr);
}

TEST_CASE("JSON that is not, or not once, says where") {
  struct Case {
    const char* text;
    Code code;
    std::size_t from;
  };
  const Case cases[] = {
      {"{\"a\": 1,}", Code::bad_json, 8},  {"{\"a\" 1}", Code::bad_json, 5},
      {"{\"a\": nan}", Code::bad_json, 7}, {"{\"a\": 1, \"a\": 2}", Code::duplicate_key, 0},
      {"[1] 2", Code::bad_json, 4},        {"[1e400]", Code::value_out_of_range, 1},
      {"\"\xff\"", Code::bad_json, 1},
  };
  for (const Case& c : cases) {
    INFO(c.text);
    const Result<Json> json = read_json(c.text);
    REQUIRE_FALSE(json.ok());
    CHECK(json.error().code == c.code);
    CHECK(json.error().span.from == c.from);
  }
  const std::string deepest = std::string(most_json_depth, '[') + std::string(most_json_depth, ']');
  CHECK(read_json(deepest).ok());
  CHECK_FALSE(read_json("[" + deepest + "]").ok());
}

TEST_CASE("values in JSON have the types of the contract") {
  const auto type_of = [](std::string_view text) -> std::string {
    const Result<Json> json = read_json(text);
    if (!json) return "no JSON";
    const Result<Value> value = value_of(*json);
    return value ? std::string(name_of(value->type())) + " " + describe(*value)
                 : std::string(name_of(value.error().code));
  };
  CHECK(type_of("42") == "i32 42");
  CHECK(type_of("-2147483649") == "i64 -2147483649");
  CHECK(type_of("9223372036854775808") == "big 9223372036854775808");
  CHECK(type_of("2.675") == "f64 2.675");
  CHECK(type_of("1E3") == "f64 1000");
  CHECK(type_of("\"1e400\"") == "text \"1e400\"");
  CHECK(type_of("{\"f64\": \"1e400\"}") == "f64 inf");
  CHECK(type_of("\"2.675\"") == "text \"2.675\"");
  CHECK(type_of("{\"text\": \"\\\"quoted\\\"\"}") == "text \"\\\"quoted\\\"\"");
  CHECK(type_of("{\"f32\": 0.1}") == "f32 0.1");
  CHECK(type_of("{\"f128\": \"0x1p-16494\"}") == "f128 6e-4966");
  CHECK(type_of("{\"big\": \"-123456789012345678901234567890\"}") ==
        "big -123456789012345678901234567890");
  CHECK(type_of("{\"truth\": false}") == "truth false");
  CHECK(type_of("{\"nil\": null}") == "nil nil");
  CHECK(type_of("{\"named\": [\"mass\", {\"u8\": 7}]}") == "u8 7");
  CHECK(type_of("{\"named\": [\"mass\"]}") == "wrong-kind");
  CHECK(type_of("{\"u8\": 1, \"u16\": 2}") == "wrong-kind");
  CHECK(type_of("{\"moment\": \"2031-05-09T14:05:00\"}") == "moment 2031-05-09T14:05:00");
  CHECK(type_of("{\"complex\": \"3-5i\"}") == "complex 3-5i");
  CHECK(type_of("{\"tuple\": [1, \"ink\"]}") == "tuple (1, \"ink\")");
  CHECK(type_of("{\"tuple\": \"(1, 2)\"}") == "tuple (1, 2)");
  CHECK(type_of("{\"tuple\": {}}") == "wrong-kind");
  CHECK(type_of("{\"decimal\": \"1.50\"}") == "decimal 1.50");
  CHECK(type_of("{\"list\": [1, \"ink\"]}") == "list [1, \"ink\"]");
  CHECK(type_of("[1, [true]]") == "list [1, [true]]");
  CHECK(type_of("{\"record\": {}}") == "record {}");
  CHECK(type_of("{\"record\": {\"mass\": 12.5, \"lots\": [1]}}") ==
        "record {mass: 12.5, lots: [1]}");
  CHECK(type_of("{\"record\": {\"mass\": 1, \"mass\": 2}}") == "no JSON");
  CHECK(type_of("{\"char\": \"\"}") == "bad-value");
}
