// Scenarios, each beside its yardstick in the same run: names end in /ours, /snprintf or /to_chars.
// scripts/benchmark runs them and writes docs/benchmarks.md. Before anything is timed, every
// contender's answers are compared: a fast wrong one ends the run.

#include <benchmark/benchmark.h>

#include "scenarios.hpp"

int main(int argc, char** argv) {
  benchmark::Initialize(&argc, argv);
  if (!bench::register_render_scenarios() || !bench::register_digit_scenarios() ||
      !bench::register_number_line_scenarios())
    return 1;
  benchmark::RunSpecifiedBenchmarks();
}
