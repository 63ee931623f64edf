// Requests for a proof: a table previewed, by a sheet, by columns in words, or of data alone.

#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>

#include "inky_margin/contract/contract.hpp"

using namespace inky;
using Json = nlohmann::json;

namespace {

constexpr const char* csv = "code,mass\nK-07,2.675\nK-08,12.5\n";

Json asked(const Json& request) {
  return Json::parse(answer_request("proof", request.dump()));
}

std::vector<std::string> lines_of(const Json& answer) {
  std::vector<std::string> out;
  for (const Json& line : answer.at("lines")) out.push_back(line.at("text"));
  return out;
}

}  // namespace

TEST_CASE("proof requests: data alone shows every column, points in line") {
  const Json answer = asked({{"data", csv}});
  CHECK(lines_of(answer) ==
        std::vector<std::string>{"code    mass", "----  ------", "K-07   2.675", "K-08  12.5  "});
  CHECK(answer.at("columns")[1].at("heading") == "mass");
  CHECK(answer.at("columns")[1].at("start") == 6);
  CHECK(answer.at("findings").empty());
  CHECK(!answer.contains("text"));
}

TEST_CASE("proof requests: JSON Lines, columns in words, keys of a sheet, and a style") {
  const Json data = "{\"code\":\"K-07\",\"mass\":2.675}\n";
  CHECK(lines_of(asked({{"data", data}, {"columns", {"mass kind=real places=1 width=6"}}})) ==
        std::vector<std::string>{"  mass", "------", "   2.7"});
  CHECK(lines_of(asked({{"data", csv}, {"columns", {"code", "mass places=2"}}, {"set", {"gap=|"}}}))
            .at(2) == "K-07| 2.67");
  CHECK(asked({{"data", csv}, {"style", "markdown"}}).at("text") ==
        "| code |   mass |\n| :--- | -----: |\n| K-07 |  2.675 |\n| K-08 | 12.5   |\n");
  CHECK(asked({{"data", csv}, {"style", "csv"}}).at("text") == csv);
}

TEST_CASE("proof requests: a sheet lays the data out, and what is wrong with it is a finding") {
  const std::string sheet =
      "overflow = \"cut\"\n[[column]]\nfrom = \"code\"\nwidth = 3\n[[column]]\nfrom = \"lot\"\n";
  const Json answer = asked({{"data", csv}, {"sheet", sheet}});
  CHECK(answer.at("findings").size() >= 2);
  CHECK(answer.at("findings")[0].at("message").get<std::string>().find("no column") !=
        std::string::npos);
}

TEST_CASE("proof requests: what cannot be read is one error") {
  const struct {
    Json request;
    const char* code;
    const char* part;
  } refused[] = {
      {Json::object(), "missing-key", "data"},
      {{{"data", csv}, {"style", "markdwn"}}, "bad-option", "not a style"},
      {{{"data", csv}, {"sheet", "["}}, "bad-sheet", ""},
      {{{"data", csv}, {"sheet", "gap = \"|\""}, {"columns", {"code"}}},
       "contradiction",
       "a sheet"},
      {{{"data", csv}, {"columns", {"mass places=x"}}}, "bad-value", ""},
      {{{"data", csv}, {"shet", ""}}, "unknown-key", "shet"},
      {{{"data", 7}}, "wrong-kind", "data"},
  };
  for (const auto& one : refused) {
    CAPTURE(one.request.dump());
    const Json answer = asked(one.request);
    REQUIRE(answer.contains("error"));
    CHECK(answer.at("error").at("code") == one.code);
    CHECK(answer.at("error").at("message").get<std::string>().find(one.part) != std::string::npos);
  }
  CHECK(asked({{"data", csv}, {"style", "markdwn"}}).at("error").at("remedy") ==
        "Did you mean markdown? Choose one of: plain, markdown, boxed, tsv, csv, html, json.");
}
