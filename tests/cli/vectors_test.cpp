// Every recorded vector file, replayed through the contract for machines.

#include <catch2/catch.hpp>
#include <filesystem>
#include <fstream>
#include <nlohmann/json.hpp>
#include <string>

#include "contract.hpp"

using nlohmann::json;

namespace {

// The answer without what a recording does not hold.
json comparable(const std::string& line) {
  json answer = json::parse(line);
  answer.erase("notes");
  if (answer.contains("fails")) answer["fails"].erase("why");
  return answer;
}

}  // namespace

TEST_CASE("recorded vectors replay without a disagreement") {
  int files = 0;
  for (const auto& entry : std::filesystem::directory_iterator(INKY_SOURCE_DIR "/tests/vectors")) {
    std::ifstream file(entry.path());
    std::string line;
    REQUIRE(std::getline(file, line));
    const json header = json::parse(line);
    CHECK(header.contains("runtime"));
    INFO(entry.path().filename().string() << ", recorded from " << header["runtime"]);
    int cases = 0;
    while (std::getline(file, line)) {
      json expected = json::parse(line);
      json request = {{"dialect", header["dialect"]}};
      for (const char* key : {"template", "values", "locale"}) {
        if (!expected.contains(key)) continue;
        request[key] = expected[key];
        expected.erase(key);
      }
      const json got = comparable(inky::cli::answer_show_line(request.dump()));
      if (got != expected) FAIL(line << "\n but: " << got.dump());
      ++cases;
    }
    CHECK(cases >= 3000);
    ++files;
  }
  CHECK(files >= 1);
}
