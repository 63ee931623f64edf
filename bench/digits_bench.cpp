// Digits alone: shortest and 17 significant, beside std::to_chars.

#include <benchmark/benchmark.h>

#include <charconv>
#include <cstring>
#include <iostream>
#include <string>

#include "format/layout.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/number/digits.hpp"
#include "scenarios.hpp"
#include "support/random_values.hpp"

namespace bench {

namespace {

using namespace inky;

// Both write "d.ddde+xx": the same work, so that the texts can be compared.
// The spec is settled before, as a parsed template would have it.
Spec scientific(int significant) {
  Spec spec;
  spec.kind = Kind::real;
  spec.notation = Notation::scientific;
  spec.significant = significant;
  return spec;
}

std::string_view ours(double value, const Spec& spec, TextBuffer& out) {
  out.clear();
  static constexpr NumberStyle style;
  lay_out_real(spec, binary64, unpack(binary64, bits_of(value)), style, out);
  return out.view();
}

std::string_view library(double value, int significant, char (&room)[64]) {
  const auto end =
      significant == unset
          ? std::to_chars(room, room + 64, value, std::chars_format::scientific)
          : std::to_chars(room, room + 64, value, std::chars_format::scientific, significant - 1);
  return {room, static_cast<std::size_t>(end.ptr - room)};
}

void add(const std::string& name, const std::vector<double>& values, int significant) {
  benchmark::RegisterBenchmark((name + "/ours").c_str(), [=](benchmark::State& state) {
    TextBuffer out;
    const Spec spec = scientific(significant);
    std::size_t i = 0;
    for (auto _ : state) benchmark::DoNotOptimize(ours(values[i++ % data_size], spec, out).data());
  });
  benchmark::RegisterBenchmark((name + "/to_chars").c_str(), [=](benchmark::State& state) {
    char room[64];
    std::size_t i = 0;
    for (auto _ : state)
      benchmark::DoNotOptimize(library(values[i++ % data_size], significant, room).data());
  });
}

bool agree(const std::vector<double>& values, int significant) {
  TextBuffer out;
  const Spec spec = scientific(significant);
  char room[64];
  for (const double value : values) {
    if (ours(value, spec, out) == library(value, significant, room)) continue;
    std::cerr << "contenders disagree on " << value << "\n";
    return false;
  }
  return true;
}

}  // namespace

std::vector<double> amounts() {
  support::RandomValues random(1);
  std::vector<double> out(data_size);
  const double units[] = {100, 1000, 10000};
  for (double& value : out) value = random.below(1'000'000'000) / 10000 / random.pick(units);
  return out;
}

std::vector<double> any_reals() {
  support::RandomValues random(2);
  std::vector<double> out;
  while (out.size() < data_size) {
    const double value = std::fabs(std::bit_cast<double>(random.bits()));
    if (std::isfinite(value)) out.push_back(value);
  }
  return out;
}

std::vector<double> ordinary_reals() {
  support::RandomValues random(4);
  std::vector<double> out(data_size);
  for (double& value : out) {
    value = (1 + random.below(1'000'000'000) / 1e9) * std::pow(10.0, random.below(19) - 9);
  }
  return out;
}

std::vector<int> wholes() {
  support::RandomValues random(3);
  std::vector<int> out(data_size);
  for (int& value : out) value = static_cast<int>(random.whole() & 0xFFFFFFFF) >> random.below(31);
  return out;
}

bool register_digit_scenarios() {
  for (const auto& values : {amounts(), any_reals()}) {
    if (!agree(values, unset) || !agree(values, 17)) return false;
  }
  add("shortest, amounts", amounts(), unset);
  add("shortest, any real", any_reals(), unset);
  add("17 digits, amounts", amounts(), 17);
  add("17 digits, any real", any_reals(), 17);
  return true;
}

}  // namespace bench
