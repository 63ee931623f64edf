// Whole templates of the dialect c, read once and rendered many times, beside snprintf.

#include <benchmark/benchmark.h>

#include <cstdio>
#include <iostream>
#include <string>

#include "inky_margin/dialect/dialect.hpp"
#include "scenarios.hpp"

namespace bench {

namespace {

using namespace inky;

constexpr std::size_t room_size = 512;

// The values of one call, for us and for the library.
template <typename... Arguments>
struct Call {
  std::string source;
  std::vector<std::array<Value, sizeof...(Arguments)>> values;
  std::vector<std::tuple<Arguments...>> arguments;
};

template <typename... Arguments>
std::string_view by_library(const std::string& source, const std::tuple<Arguments...>& arguments,
                            char* room) {
  const int size = std::apply(
      [&](auto... a) { return std::snprintf(room, room_size, source.c_str(), a...); }, arguments);
  return {room, static_cast<std::size_t>(size)};
}

std::string_view by_us(const Dialect& c, const Template& parsed, std::span<const Value> values,
                       TextBuffer& out) {
  out.clear();
  const Outcome outcome = c.render(parsed, values, out);
  benchmark::DoNotOptimize(outcome.prints());
  return out.view();
}

template <typename... Arguments>
void add_yardstick(const std::string& name, const Call<Arguments...>& call) {
  benchmark::RegisterBenchmark((name + "/snprintf").c_str(), [=](benchmark::State& state) {
    char space[room_size];
    std::size_t i = 0;
    for (auto _ : state)
      benchmark::DoNotOptimize(
          by_library(call.source, call.arguments[i++ % data_size], space).data());
  });
}

template <typename... Arguments>
bool add(const std::string& name, Call<Arguments...> call) {
  const Dialect& c = *find_dialect("c");
  const Template parsed = *c.parse(call.source);
  TextBuffer out;
  char room[room_size];
  for (std::size_t i = 0; i < data_size; ++i) {
    if (by_us(c, parsed, call.values[i], out) == by_library(call.source, call.arguments[i], room))
      continue;
    std::cerr << "contenders disagree: " << call.source << " gives " << out.view() << "\n";
    return false;
  }
  benchmark::RegisterBenchmark((name + "/ours").c_str(), [=, &c](benchmark::State& state) {
    TextBuffer buffer;
    std::size_t i = 0;
    for (auto _ : state)
      benchmark::DoNotOptimize(by_us(c, parsed, call.values[i++ % data_size], buffer).data());
  });
  add_yardstick(name, call);
  return true;
}

// A dialect beside c, where both print the same; `own` is the template in its own words.
template <typename... Arguments>
bool add_beside_c(const std::string& id, const std::string& name, Call<Arguments...> call,
                  const std::string& own) {
  const Dialect& ours = *find_dialect(id);
  const Dialect& c = *find_dialect("c");
  TextBuffer out;
  // Some round ties in another way; those stay in the data.
  const bool rounds_alike = ours.facts().rounding.rule == c.facts().rounding.rule &&
                            ours.facts().rounding.basis == c.facts().rounding.basis;
  std::size_t may_differ = rounds_alike ? 0 : data_size / 10;
  for (std::size_t i = 0; i < data_size; ++i) {
    const std::string text(by_us(ours, *ours.parse(own), call.values[i], out));
    if (text == by_us(c, *c.parse(call.source), call.values[i], out)) continue;
    if (may_differ-- > 0) continue;
    std::cerr << "contenders disagree: " << id << ", " << call.source << " gives " << text << "\n";
    return false;
  }
  for (const Dialect* dialect : {&ours, &c}) {
    const Template parsed = *dialect->parse(dialect == &c ? call.source : own);
    const std::string contender = dialect == &c ? "/c" : "/ours";
    benchmark::RegisterBenchmark(
        (id + ", " + name + contender).c_str(), [=](benchmark::State& state) {
          TextBuffer buffer;
          std::size_t i = 0;
          for (auto _ : state)
            benchmark::DoNotOptimize(
                by_us(*dialect, parsed, call.values[i++ % data_size], buffer).data());
        });
  }
  return true;
}

Call<double> reals(std::string source, const std::vector<double>& values) {
  Call<double> call{std::move(source), {}, {}};
  for (const double value : values) {
    call.values.push_back({Value::real(value)});
    call.arguments.emplace_back(value);
  }
  return call;
}

Call<int> ints(std::string source) {
  Call<int> call{std::move(source), {}, {}};
  for (const int value : wholes()) {
    call.values.push_back({Value::whole(Type::i32, value)});
    call.arguments.emplace_back(value);
  }
  return call;
}

const char* const pigments[] = {"Ocker", "Umbra",  "Krapplack", "Chromoxid",
                                "Siena", "Indigo", "Smaragd",   "Zyan"};

Call<const char*> texts(std::string source) {
  Call<const char*> call{std::move(source), {}, {}};
  for (std::size_t i = 0; i < data_size; ++i) {
    call.values.push_back({Value::text_view(pigments[i % 8])});
    call.arguments.emplace_back(pigments[i % 8]);
  }
  return call;
}

Call<const char*, int> labels() {
  Call<const char*, int> call{"%-12s|%5d", {}, {}};
  const auto lots = wholes();
  for (std::size_t i = 0; i < data_size; ++i) {
    call.values.push_back({Value::text_view(pigments[i % 8]), Value::whole(Type::i32, lots[i])});
    call.arguments.emplace_back(pigments[i % 8], lots[i]);
  }
  return call;
}

Call<const char*, double, double, int> rows() {
  Call<const char*, double, double, int> call{"%-12s|%10.2f|%+8.3f|%#06x\n", {}, {}};
  const auto mass = amounts();
  const auto lots = wholes();
  for (std::size_t i = 0; i < data_size; ++i) {
    const double shade = mass[data_size - 1 - i] / 1000;
    const int lot = std::max(std::abs(lots[i]), 1);  // of 0, # differs
    call.values.push_back({Value::text_view(pigments[i % 8]), Value::real(mass[i]),
                           Value::real(shade), Value::whole(Type::i32, lot)});
    call.arguments.emplace_back(pigments[i % 8], mass[i], shade, lot);
  }
  return call;
}

}  // namespace

namespace {

// Each language of the family on what it prints as c does.
bool add_family() {
  const auto beside = [](const char* id, auto call) {
    const std::string source = call.source;
    return add_beside_c(id, source, std::move(call), source);
  };
  for (const char* id : {"fsharp", "java", "octave", "php", "python-percent", "r"}) {
    const bool added = add_beside_c(id, "%.2f, amounts", reals("%.2f", amounts()), "%.2f") &&
                       beside(id, ints("%d")) && beside(id, texts("%s")) &&
                       beside(id, reals("%8.3f", amounts())) && beside(id, labels());
    if (!added) return false;
  }
  // Their exponents are C's.
  for (const char* id : {"java", "octave", "python-percent", "r"}) {
    if (!add_beside_c(id, "%e, any real", reals("%e", any_reals()), "%e")) return false;
  }
  return add_beside_c("python-percent", "a row of four", rows(), rows().source) &&
         add_beside_c("r", "a row of four", rows(), rows().source);
}

// The others, each in its own words; null where it has none, or prints differently than c.
struct Wording {
  const char* id;
  const char* places;
  const char* whole;
  const char* text;
  const char* label;
};
constexpr Wording wordings[] = {
    {"python", "{:.2f}", "{}", "{}", "{:<12}|{:5}"},
    {"cpp-format", "{:.2f}", "{}", "{}", "{:<12}|{:5}"},
    {"rust", "{:.2}", "{}", "{}", "{:<12}|{:5}"},
    {"cpp-stream", "o << fixed << setprecision(2) << x", "o << x", "o << x",
     "o << left << setw(12) << x << '|' << right << setw(5) << y"},
    {"csharp", "{0:F2}", "{0}", "{0}", "{0,-12}|{1,5}"},
    {"javascript", "${x.toFixed(2)}", "${x}", "${x}", "${x.padEnd(12)}|${String(y).padStart(5)}"},
    {"java-pattern", "0.00", "0", nullptr, nullptr},
    {"lisp", nullptr, "~D", "~A", "~12A|~5D"},
    {"r-format", "formatC(x, digits = 2, width = 1, format = \"f\")", "formatC(x)", "format(x)",
     nullptr},
};

bool add_others() {
  for (const Wording& in : wordings) {
    const bool added =
        (in.places == nullptr ||
         add_beside_c(in.id, "%.2f, amounts", reals("%.2f", amounts()), in.places)) &&
        (in.whole == nullptr || add_beside_c(in.id, "%d", ints("%d"), in.whole)) &&
        (in.text == nullptr || add_beside_c(in.id, "%s", texts("%s"), in.text)) &&
        (in.label == nullptr || add_beside_c(in.id, "%-12s|%5d", labels(), in.label));
    if (!added) return false;
  }
  return true;
}

}  // namespace

// As a program calls it: the values are made from its own for each row.
bool register_values_made_anew() {
  const auto call = rows();
  const Dialect& c = *find_dialect("c");
  const Template parsed = *c.parse(call.source);
  const auto rendered = [=, &c](std::size_t row, TextBuffer& out) {
    const auto& [pigment, mass, shade, lot] = call.arguments[row];
    const Value values[] = {pigment, mass, shade, lot};
    return by_us(c, parsed, values, out);
  };
  TextBuffer out;
  char room[room_size];
  for (std::size_t i = 0; i < data_size; ++i) {
    if (rendered(i, out) != by_library(call.source, call.arguments[i], room)) return false;
  }
  benchmark::RegisterBenchmark(
      "a row of four, values made anew/ours", [=](benchmark::State& state) {
        TextBuffer buffer;
        std::size_t i = 0;
        for (auto _ : state) benchmark::DoNotOptimize(rendered(i++ % data_size, buffer).data());
      });
  add_yardstick("a row of four, values made anew", call);
  return true;
}

bool register_render_scenarios() {
  return add("%.2f, amounts", reals("%.2f", amounts())) &&
         add("%.6f, amounts", reals("%.6f", amounts())) &&
         add("%e, any real", reals("%e", any_reals())) &&
         add("%.17g, any real", reals("%.17g", any_reals())) && add("%d", ints("%d")) &&
         add("%x", ints("%x")) && add("%s", texts("%s")) && add("a row of four", rows()) &&
         register_values_made_anew() && add_family() && add_others();
}

}  // namespace bench
