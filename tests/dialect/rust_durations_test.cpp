// Durations of Rust. The texts are those that a program of rustc 1.95 printed of the same lines.

#include <catch2/catch.hpp>
#include <string>
#include <utility>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("lines of Rust with durations print what the program prints") {
  const std::vector<PastedLine> lines = {
      {"use std::time::Duration; let d = Duration::from_millis(1500); println!(\"{:?} [{:>10?}] "
       "[{:*^12.3?}] {:.0?} {:+?}\", d, d, d, d, d);",
       "1.5s [      1.5s] [***1.500s***] 2s +1.5s\n"},
      {"use std::time::Duration; println!(\"{:.2?}\", Duration::from_micros(999_999));",
       "1000.00ms\n"},
      {"let d = std::time::Duration::new(5, 30); println!(\"{} {} {:?}\", d.as_secs(), "
       "d.subsec_nanos(), d);",
       "5 30 5.00000003s\n"},
      {"use std::time::Duration; println!(\"took {:.3} s\", "
       "Duration::from_millis(1234).as_secs_f64());",
       "took 1.234 s\n"},
      {"use std::time::Duration; println!(\"{:?} {:?}\", Duration::from_secs(90) / 4, "
       "Duration::from_millis(250) * 3);",
       "22.5s 750ms\n"},
      {"use std::time::Duration; println!(\"{:?}\", Duration::from_secs_f64(2.7) + "
       "Duration::from_secs(1));",
       "3.7s\n"},
      {"use std::time::Duration; println!(\"{:?}\", Duration::from_secs_f64(0.1) * 3u32);",
       "300ms\n"},
      {"use std::time::Duration; let total = Duration::from_secs(3725); "
       "println!(\"{:02}:{:02}:{:02}\", total.as_secs() / 3600, total.as_secs() % 3600 / 60, "
       "total.as_secs() % 60);",
       "01:02:05\n"},
      {"use std::time::Duration; println!(\"{:?}\", vec![Duration::from_secs(1), "
       "Duration::from_millis(20)]);",
       "[1s, 20ms]\n"},
      {"use std::time::Duration; println!(\"{:?} {:?}\", Some(Duration::from_micros(15)), "
       "Duration::from_secs(1).checked_sub(Duration::from_secs(2)));",
       "Some(15µs) None\n"},
      {"use std::time::Duration; println!(\"{} ms\", Duration::from_secs(2).as_millis());",
       "2000 ms\n"},
      {"use std::time::Duration; println!(\"{:?} {:?}\", Duration::ZERO, Duration::MAX);",
       "0ns 18446744073709551615.999999999s\n"},
      {"use std::time::Duration; println!(\"{}\", Duration::from_secs(2) > "
       "Duration::from_millis(1999));",
       "true\n"},
      {"use std::time::Duration; println!(\"{:?}\", Duration::from_secs(10).mul_f64(0.33));",
       "3.3s\n"},
      {"use std::time::Duration; println!(\"{:#?} {:010?}\", Duration::from_nanos(1_234_567), "
       "Duration::from_nanos(12));",
       "1.234567ms 12ns      \n"},
      {"use std::time::Duration; println!(\"{:?}\", Duration::from_secs_f64(1e-9 * 2.5));",
       "3ns\n"},
      {"use std::time::Duration; println!(\"{:.12?} {:.1?}\", Duration::from_millis(1500), "
       "Duration::from_millis(1250));",
       "1.500000000000s 1.2s\n"},
      {"use std::time::Duration; let times = [Duration::from_millis(12), "
       "Duration::from_millis(30)]; for t in times.iter() { println!(\"{:>8.1?}\", t); }",
       "  12.0ms\n  30.0ms\n"},
      {"use std::time::Duration; let times = vec![Duration::from_millis(12), "
       "Duration::from_millis(30)]; let sum: Duration = times.iter().sum(); println!(\"{:?}\", "
       "sum);",
       "42ms\n"},
      {"use std::time::Duration; println!(\"{:?}\", Duration::from_millis(2_569).subsec_millis());",
       "569\n"},
      {"use std::time::Duration; println!(\"{:.2?} {:5}|\", Duration::from_secs(61), "
       "Duration::from_secs(61).as_secs());",
       "61.00s    61|\n"},
      {"use std::time::Duration; let d: Duration = Duration::from_secs(1); println!(\"{:?}\", d);",
       "1s\n"},
      {"use std::time::Duration; println!(\"{:?}\", "
       "Duration::from_secs(1).saturating_sub(Duration::from_secs(2)));",
       "0ns\n"},
  };
  support::check_lines("rust", lines);
  for (const PastedLine& line : lines) support::check_beginnings("rust", line.source, {});
}

TEST_CASE("an operator that a duration of Rust has not is refused as the compiler refuses it") {
  // Each was given to rustc 1.95 as a program of its own.
  const std::vector<std::pair<const char*, const char*>> refused = {
      {"d * 2u64", "E0308"},     {"d * 1.5", "E0308"},
      {"d * true", "E0308"},     {"d * \"x\"", "E0308"},
      {"d / 2u64", "E0308"},     {"d / 1.5", "E0308"},
      {"d / d", "E0308"},        {"d % 2", "E0369"},
      {"d % d", "E0369"},        {"d + 5", "E0308"},
      {"d - 5", "E0308"},        {"d + \"x\"", "E0308"},
      {"d & 1", "E0369"},        {"d | d", "E0369"},
      {"d << 1", "E0369"},       {"d < 5", "E0308"},
      {"d == 5", "E0308"},       {"d == \"x\"", "E0308"},
      {"5 < d", "E0277"},        {"5 == d", "E0277"},
      {"2u64 * d", "E0277"},     {"2.0 * d", "E0277"},
      {"\"x\" * d", "E0369"},    {"true * d", "E0369"},
      {"2 / d", "E0277"},        {"2 + d", "E0277"},
      {"2u64 + d", "E0277"},     {"2 % d", "E0277"},
      {"2u32 / d", "E0277"},     {"2u32 + d", "E0277"},
      {"\"x\" + d", "E0369"},    {"d * d", "E0308"},
      {"!d", "E0600"},           {"-d", "E0600"},
      {"d * -1", "E0600"},       {"d / -1", "E0600"},
      {"-1 * d", "E0277"},       {"d && true", "E0308"},
      {"d * 2i32", "E0308"},     {"2i32 * d", "E0277"},
      {"1 << d", "E0277"},       {"1u32 & d", "E0277"},
      {"\"x\" == d", "E0277"},   {"true < d", "E0308"},
      {"'c' * d", "E0369"},      {"'c' == d", "E0308"},
      {"d == Some(1)", "E0308"}, {"d + Some(1)", "E0308"},
      {"d * -1i32", "E0308"},    {"d * -5_000_000_000", "E0600"},
      {"2.0 % d", "E0277"},      {"2.0 & d", "E0369"},
      {"2.0 << d", "E0369"},     {"true & d", "E0277"},
      {"'c' + d", "E0369"},      {"'c' << d", "E0369"},
      {"\"x\" < d", "E0308"},    {"\"x\" & d", "E0369"},
      {"d * 'c'", "E0308"},      {"d < true", "E0308"},
      {"d ^ true", "E0369"},
  };
  for (const auto& [expression, code] : refused) {
    INFO(expression);
    const std::string source =
        "let d = Duration::from_secs(1); println!(\"{:?}\", " + std::string(expression) + ");";
    CHECK(support::show("rust", source, {}).outcome.failure_name() == code);
  }
}

TEST_CASE("a duration of Rust is shown by {:?} alone, and is not below zero") {
  const auto failure = [](const char* source) {
    return std::string(support::show("rust", source, {}).outcome.failure_name());
  };
  // Asked of rustc 1.95: two errors of the compiler, and five panics.
  CHECK(failure("println!(\"{}\", Duration::from_secs(1));") == "E0277");
  CHECK(failure("println!(\"{:?}\", Duration::from_secs(1.5));") == "E0308");
  CHECK(failure("println!(\"{:?}\", Duration::from_secs(1) - Duration::from_secs(2));") == "panic");
  CHECK(failure("println!(\"{:?}\", Duration::from_secs_f64(-1.0));") == "panic");
  CHECK(failure("println!(\"{:?}\", Duration::from_secs_f64(-1e-12));") == "panic");
  CHECK(failure("println!(\"{:?}\", Duration::MAX * 2);") == "panic");
  CHECK(failure("println!(\"{:?}\", Duration::from_secs(1) / 0);") == "panic");
  CHECK(support::is_not_supported(
      "rust", "println!(\"{:?}\", Duration::from_secs(1).div_duration_f64(Duration::ZERO));"));
}
