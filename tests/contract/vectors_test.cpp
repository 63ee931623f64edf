// Every recorded vector file, replayed through the contract for machines.

#include <catch2/catch.hpp>
#include <cstdio>
#include <filesystem>
#include <fstream>
#include <nlohmann/json.hpp>
#include <sstream>
#include <string>

#include "contract/show_answer.hpp"
#include "support/process.hpp"
#include "support/random_values.hpp"

using nlohmann::json;

namespace {

// The answer without what a recording does not hold.
json comparable(const std::string& line) {
  json answer = json::parse(line);
  answer.erase("notes");
  answer.erase("dialect");
  for (const char* key : {"fails", "undefined"}) {
    if (answer.contains(key)) answer[key].erase("why");
  }
  if (answer.contains("complaints")) {
    for (json& complaint : answer["complaints"]) {
      complaint.erase("message");
      complaint.erase("span");
    }
  }
  return answer;
}

// Replays every case; returns how many. The first line is the header.
int replay(std::istream& vectors) {
  std::string line;
  REQUIRE(std::getline(vectors, line));
  const json header = json::parse(line);
  CHECK(header.contains("runtime"));
  INFO("recorded from " << header["runtime"] << ", seed " << header["seed"]);
  int cases = 0;
  for (; std::getline(vectors, line); ++cases) {
    if (!support::in_sample(static_cast<unsigned>(cases))) continue;
    // The fields of a record have an order.
    const auto recorded = nlohmann::ordered_json::parse(line);
    nlohmann::ordered_json request = {{"dialect", std::string(header["dialect"])}};
    json expected = json::parse(line);
    for (const char* key : {"template", "statement", "values", "locale", "rounding"}) {
      if (!recorded.contains(key)) continue;
      request[key] = recorded[key];
      expected.erase(key);
    }
    const json got = comparable(inky::answer_show_line(request.dump()));
    if (got != expected) FAIL(line << "\n but: " << got.dump());
  }
  return cases;
}

}  // namespace

TEST_CASE("recorded vectors replay without a disagreement") {
  for (const inky::Dialect* dialect : inky::all_dialects()) {
    INFO(dialect->facts().id);
    CHECK(std::filesystem::exists(INKY_SOURCE_DIR "/tests/vectors/" +
                                  std::string(dialect->facts().id) + ".jsonl"));
  }
  for (const auto& entry : std::filesystem::directory_iterator(INKY_SOURCE_DIR "/tests/vectors")) {
    INFO(entry.path().filename().string());
    std::ifstream file(entry.path());
    const int cases = replay(file);
    CHECK(cases >= 5000);
  }
}

// A runtime that is on this machine is asked again, and the answers of the recorder are replayed.
TEST_CASE("the runtimes on this machine agree, asked anew") {
  // Not the seed of the recordings, and the same one in every run.
  const std::uint64_t seed = support::seed(20261125);
  int asked = 0;
  for (const auto& entry : std::filesystem::directory_iterator(INKY_SOURCE_DIR "/tools/record")) {
    const std::string recorder = entry.path().filename().string();
    // What the recorders share is none itself.
    if (entry.path().extension() != ".py" || recorder == "recording.py" ||
        recorder.ends_with("expressions.py") || recorder.ends_with("calls.py") ||
        recorder.ends_with("table.py"))
      continue;
    INFO(recorder << " --live " << seed);
    const support::Ran ran =
        support::shell("python3 " + entry.path().string() + " --live " + std::to_string(seed));
    constexpr int no_runtime = 77;
    if (ran.status == no_runtime) {
      WARN("skipped: " << recorder << ": " << ran.err);
      continue;
    }
    REQUIRE(ran.status == 0);
    std::istringstream vectors(ran.out);
    const int cases = replay(vectors);
    CHECK(cases >= 1000);
    ++asked;
  }
  CHECK(asked > 0);
}
