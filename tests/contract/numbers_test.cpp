// weigh and round: the contract for machines, and what a person sees.

#include <catch2/catch.hpp>
#include <cmath>
#include <cstdio>
#include <nlohmann/json.hpp>
#include <string>

#include "contract/round_answer.hpp"
#include "contract/weigh_answer.hpp"
#include "support/process.hpp"
#include "support/random_values.hpp"

using inky::answer_round_line;
using inky::answer_weigh_line;
using nlohmann::json;

namespace {

std::string c_text(const char* form, double value) {
  char room[1500];
  return {room, static_cast<std::size_t>(std::snprintf(room, sizeof room, form, value))};
}

// Without the zeros that a fixed number of places leaves.
std::string without_zeros(std::string text) {
  if (text.find('.') == std::string::npos) return text;
  text.erase(text.find_last_not_of('0') + 1);
  if (text.back() == '.') text.pop_back();
  return text;
}

}  // namespace

TEST_CASE("a weighed f64 is what the C library says of it") {
  const std::uint64_t seed = support::seed(1074);
  INFO("seed " << seed);
  support::RandomValues random(seed);
  for (int i = 0; i < support::cases(20'000); ++i) {
    const double value = random.real();
    char typed[64];
    std::snprintf(typed, sizeof typed, "%.*e", random.below(25), value);
    const double stored = std::strtod(typed, nullptr);
    if (std::isinf(stored)) continue;
    const json answer =
        json::parse(answer_weigh_line("{\"number\":\"" + std::string(typed) + "\"}"));
    INFO(typed);
    REQUIRE(answer["exact"] == without_zeros(c_text("%.1074f", stored)));
    REQUIRE(answer["hexfloat"] == c_text("%a", stored));
    char bits[32];
    std::snprintf(bits, sizeof bits, "0x%016lx", inky::bits_of(stored));
    REQUIRE(answer["bits"] == bits);
    REQUIRE(std::strtod(answer["shortest"].get<std::string>().c_str(), nullptr) == stored);
    REQUIRE(std::strtod(answer["below"].get<std::string>().c_str(), nullptr) ==
            std::nextafter(stored, -INFINITY));
    REQUIRE(std::strtod(answer["above"].get<std::string>().c_str(), nullptr) ==
            std::nextafter(stored, INFINITY));
    REQUIRE(std::fabs(std::strtod(answer["error_ulps"].get<std::string>().c_str(), nullptr)) <=
            0.5);
    // typed = stored - error, so reading it back from the error's side gives the same bits.
    if (answer["error"] == "0") REQUIRE(answer["error_ulps"] == "0");
  }
}

TEST_CASE("known numbers, whole answers") {
  CHECK(
      answer_weigh_line(R"({"number":"2.675","as":"f64"})") ==
      R"({"typed":"2.675","format":"f64","exact":"2.67499999999999982236431605997495353221893310546875","bits":"0x4005666666666666","sign":"+","exponent":1,"fraction":"0x5666666666666","class":"normal","hexfloat":"0x1.5666666666666p+1","shortest":"2.675","below":"2.6749999999999994","above":"2.6750000000000003","ulp":"4.440892098500626e-16","error":"-0.00000000000000017763568394002504646778106689453125","error_ulps":"-0.4"})");
  const json largest = json::parse(answer_weigh_line(R"({"number":65504,"as":"f16"})"));
  CHECK(largest["bits"] == "0x7bff");
  CHECK(largest["above"] == "inf");
  CHECK(largest["error"] == "0");
  const json over = json::parse(answer_weigh_line(R"({"number":"-1e400"})"));
  CHECK(over["class"] == "infinite");
  CHECK(over["exact"] == "-inf");
  CHECK(over["error"] == nullptr);
  CHECK(over["below"] == nullptr);
  const json lowest = json::parse(answer_weigh_line(R"({"number":"1e-1000000000"})"));
  CHECK(lowest["class"] == "zero");
  CHECK(lowest["error"] == "-1e-1000000000");
  CHECK(json::parse(answer_weigh_line(R"({"number":"0x1.8p+1"})"))["error"] == "0");
  CHECK(json::parse(answer_weigh_line(R"({"number":"nan"})"))["class"] == "nan");
}

TEST_CASE("round: the modes on the stored value and on the typed decimal") {
  const json answer = json::parse(answer_round_line(R"({"number":"2.675","places":2})"));
  CHECK(
      answer["stored"] ==
      json::parse(
          R"({"half-even":"2.67","half-away":"2.67","half-toward":"2.67","up":"2.68","down":"2.67","away":"2.68","toward":"2.67","tie":"below"})"));
  CHECK(
      answer["decimal"] ==
      json::parse(
          R"({"half-even":"2.68","half-away":"2.68","half-toward":"2.67","up":"2.68","down":"2.67","away":"2.68","toward":"2.67","tie":"on"})"));
  const json carry = json::parse(answer_round_line(R"({"number":"-99.96","significant":3})"));
  CHECK(carry["decimal"]["half-even"] == "-100");
  CHECK(carry["decimal"]["up"] == "-99.9");
  const json tens = json::parse(answer_round_line(R"({"number":"12350","places":-2})"));
  CHECK(tens["decimal"]["half-even"] == "12400");
  CHECK(tens["decimal"]["half-toward"] == "12300");
  CHECK(json::parse(answer_round_line(
            R"({"number":"-0.001","places":2})"))["stored"]["half-even"] == "-0.00");
  support::RandomValues random(support::seed(2));
  for (int i = 0; i < support::cases(20'000); ++i) {
    const double value = random.real();
    const int places = random.below(12);
    const std::string typed = c_text("%.17g", value);
    char expected[400];
    std::snprintf(expected, sizeof expected, "%.*f", places, value);
    const json got = json::parse(answer_round_line(
        "{\"number\":\"" + typed + "\",\"places\":" + std::to_string(places) + "}"));
    if (got["stored"]["half-even"] != expected)
      FAIL(typed << " at " << places << ": " << got["stored"]["half-even"]);
  }
}

TEST_CASE("round: a decimal holds what is typed") {
  support::RandomValues random(support::seed(7));
  for (int i = 0; i < support::cases(500); ++i) {
    const std::string typed = c_text("%.6f", random.below(2'000'000) / 8.0 - 100'000);
    const std::string cut = ",\"places\":" + std::to_string(random.below(8) - 2) + "}";
    const json of_real = json::parse(answer_round_line("{\"number\":\"" + typed + "\"" + cut));
    const json behind_colon =
        json::parse(answer_round_line("{\"number\":\"" + typed + ":decimal\"" + cut));
    const json as_key =
        json::parse(answer_round_line("{\"as\":\"decimal\",\"number\":\"" + typed + "\"" + cut));
    INFO(typed << cut);
    REQUIRE(behind_colon["format"] == "decimal");
    REQUIRE(behind_colon["decimal"] == of_real["decimal"]);
    REQUIRE(behind_colon["stored"] == of_real["decimal"]);
    REQUIRE(as_key["stored"] == of_real["decimal"]);
  }
  CHECK(json::parse(answer_round_line(R"({"number":"2.675:f32","places":2})"))["format"] == "f32");
  const support::Ran screen = support::run_tool("round 2.675:decimal --places 2");
  CHECK(screen.status == 0);
  CHECK(screen.out.find("  decimal   2.675\n") != std::string::npos);
  CHECK(screen.out.find("half-even    2.68        to the nearest") != std::string::npos);
  // C has no decimals, and prints the f64 next to it.
  CHECK(screen.out.find("  prints    2.68\n  in        csharp, fsharp, java") != std::string::npos);
  CHECK(screen.out.find("the nearest f64: no decimals there") != std::string::npos);
  json weighed = json::parse(answer_weigh_line(R"({"number":"2.675:decimal"})"));
  CHECK(weighed["typed"] == "2.675:decimal");
  weighed["typed"] = "2.675";
  CHECK(weighed == json::parse(answer_weigh_line(R"({"number":"2.675","as":"decimal"})")));
}

TEST_CASE("requests about numbers that cannot be answered") {
  struct Case {
    std::string (*answer)(std::string_view);
    const char* request;
    const char* code;
    const char* message;
  };
  const Case cases[] = {
      {answer_weigh_line, R"({"number":"2,675"})", "bad-value", "a comma is not a decimal point"},
      {answer_weigh_line, R"({"number":"mass*2"})", "bad-value", "the name \"mass\" has no value"},
      {answer_weigh_line, R"({"number":"((1"})", "bad-value", "this parenthesis is not closed"},
      {answer_round_line, R"({"number":"1","places":2,"as":"u8"})", "bad-value",
       "\"u8\" is not a binary format"},
      {answer_round_line, R"({"number":"1","step":"0"})", "bad-value", "\"0\" is not a step"},
      {answer_weigh_line, R"({"number":"1","as":"f63"})", "bad-value",
       "\"f63\" is not a type of number"},
      {answer_weigh_line, R"({"nmber":"1"})", "unknown-key", "the key \"nmber\" is unknown"},
      {answer_weigh_line, R"({"number":[1]})", "wrong-kind",
       "the key \"number\" must be a string or a number"},
      {answer_weigh_line, R"({})", "missing-key", "the key \"number\" is missing"},
      {answer_weigh_line, R"(2.675)", "bad-json", "a request is a JSON object"},
      {answer_round_line, R"({"number":"1"})", "contradiction",
       "give one of \"places\", \"significant\" and \"step\""},
      {answer_round_line, R"({"number":"1","places":1,"significant":1})", "contradiction",
       "give one of \"places\", \"significant\" and \"step\""},
      {answer_round_line, R"({"number":"1","places":99999})", "bad-value",
       "\"99999\" is not a count of digits"},
      {answer_round_line, R"({"number":"1","places":"2"})", "wrong-kind",
       "the key \"places\" must be a number"},
      {answer_round_line, R"({"number":"inf","places":2})", "bad-value",
       "\"inf\" cannot be rounded"},
      {answer_round_line, R"({"number":"inf:decimal","places":2})", "bad-value",
       "\"inf\" cannot be rounded"},
      {answer_round_line, R"({"number":"x:decimal","places":2})", "bad-value",
       "\"x\" is not a number"},
      {answer_round_line, R"({"number":"1e30000:decimal","places":2})", "over-limit",
       "a digit of this number is more than 20000 places from the point"},
  };
  for (const Case& c : cases) {
    INFO(c.request);
    const json answer = json::parse(c.answer(c.request));
    REQUIRE(answer.contains("error"));
    CHECK(answer["error"]["code"] == c.code);
    CHECK(answer["error"]["message"] == c.message);
  }
}

TEST_CASE("weigh and round on the screen, and what they refuse") {
  const support::Ran weighed = support::run_tool("weigh 2.675");
  CHECK(weighed.status == 0);
  CHECK(weighed.out.find("  as f64    2.67499999999999982236431605997495353221893310546875\n") !=
        std::string::npos);
  CHECK(weighed.out.find("-0.4 units of the last place; stored below what was typed\n") !=
        std::string::npos);
  CHECK(weighed.out.find(
            "  bits      0 10000000000 0101011001100110011001100110011001100110011001100110\n") !=
        std::string::npos);
  const support::Ran compared = support::run_tool("weigh -0.1 --as f16,f32,f128");
  CHECK(compared.out.find("  f32       -0.100000001490116119384765625\n") != std::string::npos);
  const support::Ran rounded = support::run_tool("round 2.675 --places 2");
  CHECK(rounded.out.find(
            "half-even    2.67      2.68      * to the nearest; a tie to the even digit\n") !=
        std::string::npos);
  CHECK(support::run_tool("round 12350 --places -2").out.find("half-even    12400") !=
        std::string::npos);
  CHECK(support::run_tool("weigh zebra").status == 2);
  CHECK(
      support::run_tool("round 1").err ==
      "inky: round needs a number and one of --places, --significant and --step\n      Write inky "
      "round 2.675 --places 2, or see inky round --help.\n");
  CHECK(support::run_tool("round 1 --places x").err ==
        "inky: \"x\" is not a count of digits\n            x\n            ▔\n      It is a whole "
        "number from -20000 to 20000.\n");
  CHECK(support::run_tool("weigh --jsonl", "{\"number\":1}\n\n{\"number\":\"0.5\"}\n")
            .out.find("\"error\":{\"code\":\"bad-json\"") != std::string::npos);
}

TEST_CASE("expressions, whole types and places by JSON") {
  const json sum = json::parse(answer_weigh_line(R"({"number":"0.1+0.2"})"));
  CHECK(sum["shortest"] == "0.30000000000000004");
  CHECK(sum["bits"] == "0x3fd3333333333334");
  CHECK(sum["unrounded"] == "0.3");
  REQUIRE(sum["steps"].size() == 1);
  CHECK(sum["steps"][0]["exact"] == "0.3000000000000000166533453693773481063544750213623046875");
  CHECK(sum["steps"][0]["stored"] == "0.30000000000000004");
  const json same = json::parse(answer_weigh_line(R"({"number":"0.1+0.2==0.3"})"));
  CHECK(same["holds"] == false);
  CHECK(same["ulps_apart"] == "1");
  CHECK(same["holds_as_typed"] == true);
  const json narrow = json::parse(answer_weigh_line(R"({"number":"300","as":"u8"})"));
  CHECK(narrow["exact"] == "44");
  CHECK(narrow["bits"] == "0x2c");
  const json whole = json::parse(answer_weigh_line(R"({"number":"7/2"})"));
  CHECK(whole["format"] == "i32");
  CHECK(whole["exact"] == "3");
  const json places = json::parse(answer_weigh_line(R"({"number":"2.675","places":2})"))["places"];
  CHECK(places["shows"] == "2.67");
  CHECK(places["halfway"] == "2.675");
  CHECK(places["side"] == "below");
  const json named = json::parse(support::run_tool("weigh 'mass*3' mass=1.1:f32 --json").out);
  CHECK(named["shortest"] == "3.3000002");
  const json both = json::parse(support::run_tool("weigh 0.1 --as f32,u8 --json").out);
  CHECK(both[0]["shortest"] == "0.1");
  CHECK(both[1]["exact"] == "0");
  const json all = json::parse(support::run_tool("weigh 13000000000000.5 --json").out);
  CHECK(all["magnitude"]["words"] == "13 trillion");
  CHECK(all["typed_digits"] == 15);
  CHECK(all["surviving_digits"] == 15);
  CHECK(all["fractions"].size() == 2);
  CHECK(all["bases"].is_null());
  const json whole_bases = json::parse(support::run_tool("weigh --json -- -213").out)["bases"];
  CHECK(whole_bases == json{{"2", "-11010101"}, {"8", "-325"}, {"16", "-d5"}});
  const std::string bases = support::run_tool("weigh 213").out;
  CHECK(bases.find("  base 2    1101 0101\n  base 8    325\n  base 10   213\n  base 16   d5\n") !=
        std::string::npos);
  CHECK(support::run_tool("weigh 0xfffe --as i16").out.find("\n  base 16   fffe\n") !=
        std::string::npos);
  const json step = json::parse(answer_round_line(R"({"number":"1.12","step":"0.05"})"));
  CHECK(step["decimal"]["half-even"] == "1.10");
  CHECK(step["decimal"]["up"] == "1.15");
  CHECK(support::run_tool("round 1.12 --step 0.05").out.find("half-even    1.10      1.10") !=
        std::string::npos);
}

TEST_CASE("expressions on the screen") {
  const support::Ran compared = support::run_tool("weigh '0.1 + 0.2 == 0.3'");
  CHECK(compared.status == 0);
  CHECK(compared.out.find("0.30000000000000004 == 0.3 does not hold, in f64\n") !=
        std::string::npos);
  CHECK(compared.out.find("as typed, without any rounding, it holds\n") != std::string::npos);
  CHECK(compared.out.find("absolute 8e-17") != std::string::npos);
  const support::Ran open = support::run_tool("weigh '1 + (2'");
  CHECK(open.status == 2);
  CHECK(open.err ==
        "inky: this parenthesis is not closed\n            1 + (2\n                ▔\n      Add a "
        "\")\".\n");
  const support::Ran zero = support::run_tool("weigh 1/0");
  CHECK(zero.status == 2);
  CHECK(zero.err.find("division by zero") != std::string::npos);
  CHECK(support::run_tool("weigh 300 --as u8,i8").out.find("does not fit u8: wraps to 44") !=
        std::string::npos);
  CHECK(support::run_tool("weigh 1 --overflow never").status == 2);
  CHECK(support::run_tool("weigh 1 --base 99").status == 2);
  CHECK(support::run_tool("weigh ff --base 16").out.find("255 i32") != std::string::npos);
  // The same line in characters, with the halfway point of two places.
  const std::string line = support::run_tool("weigh 2.675 --places 2 --ascii").out;
  CHECK(line.find("^ halfway 2.675") != std::string::npos);
  CHECK(line.find("v typed 2.675") != std::string::npos);
}

TEST_CASE("pictures are whole files, or an error") {
  const std::string png = support::scratch() + "/line.png";
  const std::string svg = support::scratch() + "/line.svg";
  CHECK(support::run_tool("weigh 2.675 --places 2 --picture " + png).status == 0);
  CHECK(support::run_tool("weigh '0.1+0.2' --picture " + svg).status == 0);
  const std::string image = support::read_file(png);
  CHECK(image.substr(1, 3) == "PNG");
  CHECK(image.size() > 10'000);
  CHECK(image.find("IEND") != std::string::npos);
  const std::string drawing = support::read_file(svg);
  CHECK(drawing.find("<svg") != std::string::npos);
  CHECK(drawing.find("</svg>") != std::string::npos);
  CHECK(support::run_tool("weigh 2.675 --picture line.gif").err.find("a .svg or a .png file") !=
        std::string::npos);
  CHECK(support::run_tool("weigh 2.675 --picture /no/such/place.png").status == 2);
  CHECK(support::run_tool("weigh inf --picture " + png).status == 2);
  CHECK(support::run_tool("weigh 7/2 --picture " + png).status == 2);
}
