// Answers of weigh --jsonl, a line each: reading the request, weighing, and writing JSON. There is
// no yardstick beside them; the promise is 3 microseconds a line.

#include <benchmark/benchmark.h>

#include <charconv>
#include <string>

#include "inky_margin/contract/contract.hpp"
#include "scenarios.hpp"

namespace bench {

namespace {

std::vector<std::string> requests(const std::vector<double>& values) {
  std::vector<std::string> out;
  for (const double value : values) {
    char room[32];
    const auto end = std::to_chars(room, room + sizeof room, value);
    out.push_back("{\"number\":\"" + std::string(room, end.ptr) + "\",\"as\":\"f64\"}");
  }
  return out;
}

void add(const std::string& name, const std::vector<double>& values) {
  const std::vector<std::string> lines = requests(values);
  benchmark::RegisterBenchmark((name + "/ours").c_str(), [=](benchmark::State& state) {
    std::size_t i = 0;
    for (auto _ : state)
      benchmark::DoNotOptimize(inky::answer_request("weigh", lines[i++ % data_size]).data());
  });
}

}  // namespace

bool register_number_line_scenarios() {
  add("weigh line, amounts", amounts());
  add("weigh line, 1e-9 to 1e9", ordinary_reals());
  return true;
}

}  // namespace bench
