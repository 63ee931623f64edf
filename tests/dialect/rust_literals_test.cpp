// Whole numbers of Rust beyond an i32, which take the type of what they meet. The texts are those that
// programs of rustc 1.95 printed of the same lines.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("a literal beyond an i32 has the type that its name or the other side has") {
  const std::vector<PastedLine> lines = {
      {"println!(\"{}\", 5_000_000_000 as u64);", "5000000000\n"},
      {"println!(\"{}\", -5_000_000_000 as i64);", "-5000000000\n"},
      {"let x = 7u64; println!(\"{}\", x + 5_000_000_000);", "5000000007\n"},
      {"let x = 7u64; println!(\"{}\", 5_000_000_000 - x);", "4999999993\n"},
      {"let x = 7i64; println!(\"{}\", x < 5_000_000_000);", "true\n"},
      {"let x = 7u64; println!(\"{}\", x.max(5_000_000_000));", "5000000000\n"},
      {"let x: u64 = 7; let y = x * 5_000_000_000 + 1; println!(\"{y}\");", "35000000001\n"},
      {"let x: u128 = 340_282_366_920_938_463_463_374_607_431_768_211_455; println!(\"{}\", x);",
       "340282366920938463463374607431768211455\n"},
      {"let x: i64 = -9_223_372_036_854_775_808; println!(\"{}\", x);", "-9223372036854775808\n"},
      {"const N: u64 = 10_000_000_000; println!(\"{}\", N);", "10000000000\n"},
      {"let x: u64 = 0xFF_FFFF_FFFF; println!(\"{:#x}\", x);", "0xffffffffff\n"},
      {"let x: u32 = 0xDEAD_BEEF; println!(\"{:#X}\", x);", "0xDEADBEEF\n"},
      {"let x: u32 = 4_000_000_000; println!(\"{:>15}\", x);", "     4000000000\n"},
      {"let x: u64 = 5_000_000_000; println!(\"{:>15} {:e} {:#b}\", x, x, x);",
       "     5000000000 5e9 0b100101010000001011111001000000000\n"},
      {"println!(\"{:?}\", std::time::Duration::from_nanos(5_000_000_000));", "5s\n"},
      {"let x: u64 = 18_446_744_073_709_551_615; println!(\"{:#x} {}\", x, x);",
       "0xffffffffffffffff 18446744073709551615\n"},
      {"let n: i64 = 1_700_000_000_000; println!(\"{}\", n / 1000);", "1700000000\n"},
      {"let bytes: u64 = 5_368_709_120; println!(\"{:.2} GiB\", bytes as f64 / (1024.0 * 1024.0 * "
       "1024.0));",
       "5.00 GiB\n"},
      {"let population: u64 = 7_900_000_000; if population > 7_000_000_000 { "
       "println!(\"{population} is more\"); }",
       "7900000000 is more\n"},
      {"let x: u64 = 3; println!(\"{}\", if x == 3 { x * 10_000_000_000 } else { x });",
       "30000000000\n"},
      {"println!(\"{} {}\", -128i8, -2_147_483_648);", "-128 -2147483648\n"},
  };
  support::check_lines("rust", lines);
  for (const PastedLine& line : lines) support::check_beginnings("rust", line.source, {});
}

TEST_CASE("a literal beyond its type prints nothing") {
  // rustc refuses each of them, but for the last two.
  for (const char* source :
       {"println!(\"{}\", 5_000_000_000);", "println!(\"{}\", (5_000_000_000 / 7) as u64);",
        "println!(\"{}\", 5_000_000_000 as f64);", "println!(\"{}\", 5_000_000_000 < 7);",
        "let x = 5_000_000_000; println!(\"{}\", x);",
        "println!(\"{}\", format!(\"{}\", 5_000_000_000));",
        "println!(\"{}\", 5_000_000_000.to_string());", "println!(\"{}\", 5_000_000_000 >> 3);",
        "println!(\"{:?}\", (1, 5_000_000_000));", "println!(\"{}\", 2_147_483_648);",
        "println!(\"{}\", 128i8);", "println!(\"{}\", 128i8 as u8);",
        "let x: i32 = 5_000_000_000; println!(\"{}\", x);",
        "let x: f64 = 5_000_000_000; println!(\"{}\", x);",
        "let x: u64 = 5_000_000_000 / 1000; println!(\"{}\", x);",
        "let v: Vec<u64> = vec![5_000_000_000, 1]; println!(\"{:?}\", v);"}) {
    INFO(source);
    CHECK(support::is_not_supported("rust", source));
  }
}

TEST_CASE("a whole number with digit marks that fits no type is not supported, and is a number") {
  CHECK(support::is_not_supported("java", "System.out.println(5_000_000_000);"));
  CHECK_FALSE(support::is_not_supported("java", "System.out.println(5_000_);"));
}
