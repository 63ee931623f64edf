// Statements of Rust with arrays, lists, counts and choices, as people paste them. The texts are those
// that rustc printed of the same lines; where there is none, its compiler or the program failed.

#include <catch2/catch.hpp>

#include "support/statements.hpp"

using namespace inky;

namespace {

constexpr support::PastedLine lines[] = {
    {"let v = vec![3, 1, 2]; println!(\"{:?} {} {:?} {:?}\", v, v.len(), v.first(), "
     "v.iter().max()); println!(\"{}\", v.iter().sum::<i32>()); println!(\"{:?}\", &v[1..]);",
     "[3, 1, 2] 3 Some(3) Some(3)\n6\n[1, 2]\n"},
    {"let mut v = vec![1, 2]; v.push(5); v[0] = 9; v[1] += 3; println!(\"{:?} {}\", v, v[2]); "
     "v.sort(); v.reverse(); println!(\"{:?}\", v); v.pop(); println!(\"{:?} {}\", v, "
     "v.is_empty());",
     "[9, 5, 5] 5\n[9, 5, 5]\n[9, 5] false\n"},
    {"let v: Vec<f64> = vec![1.5, 2.5]; let mean = v.iter().sum::<f64>() / v.len() as f64; "
     "println!(\"{:.2}\", mean); let w: Vec<String> = v.iter().map(|x| format!(\"{:.1}\", "
     "x)).collect(); println!(\"{}\", w.join(\", \"));",
     "2.00\n1.5, 2.5\n"},
    {"let mut s = String::from(\"ab\"); s.push_str(\"cd\"); s.push('e'); println!(\"{} {} {}\", s, "
     "s.len(), &s[..2]); let t = s.chars().rev().collect::<String>(); println!(\"{t}\");",
     "abcde 5 ab\nedcba\n"},
    {"for (i, w) in [\"a\", \"b\"].iter().enumerate() { println!(\"{i}: {w}\"); } for (name, "
     "price) in [(\"ink\", 9.55), (\"nib\", 120.0)] { println!(\"{name:<6}{price:>8.2}\"); } for c "
     "in \"abc\".chars() { print!(\"{c}-\"); } println!();",
     "0: a\n1: b\nink       9.55\nnib     120.00\na-b-c-\n"},
    {"let x = 5; let m = if x > 3 { \"big\" } else if x > 1 { \"mid\" } else { \"small\" }; "
     "println!(\"{m} {}\", match x { 1 => \"one\", 2..=5 => \"few\", _ => \"many\" });",
     "big few\n"},
    {"match 3 { 1 => println!(\"one\"), 2 | 3 => { println!(\"few\"); } _ => println!(\"other\"), "
     "} let mut n = 0; loop { n += 1; if n == 3 { break; } } println!(\"{n}\"); while n > 0 { n -= "
     "1; } println!(\"{n}\");",
     "few\n3\n0\n"},
    {"println!(\"{} {} {} {}\", i32::MAX, u8::MAX, i64::MIN, f64::EPSILON); println!(\"{} {}\", "
     "std::f64::consts::PI, f64::MAX); println!(\"{:?}\", (1..4).map(|x| x * "
     "x).collect::<Vec<i32>>());",
     "2147483647 255 -9223372036854775808 0.0000000000000002220446049250313\n3.141592653589793 "
     "179769313486231570000000000000000000000000000000000000000000000000000000000000000000000000000"
     "000000000000000000000000000000000000000000000000000000000000000000000000000000000000000000000"
     "000000000000000000000000000000000000000000000000000000000000000000000000000000000000000000000"
     "000000000000000000000000000000\n[1, 4, 9]\n"},
    {"println!(\"{} {}\", (1..=5).filter(|x| x % 2 == 1).sum::<i32>(), (1..=4).fold(1, |a, x| a * "
     "x)); println!(\"{}\", \"a,b,c\".split(',').count()); println!(\"{:?}\", \"a "
     "b\".split_whitespace().collect::<Vec<_>>());",
     "9 24\n3\n[\"a\", \"b\"]\n"},
    {"let n: i32 = \"42\".parse().unwrap(); println!(\"{}\", n + 1); println!(\"{}\", "
     "\"3.5\".parse::<f64>().unwrap() * 2.0); let o: Option<i32> = None; println!(\"{:?} {}\", o, "
     "o.unwrap_or(7)); println!(\"{}\", Some(5).unwrap());",
     "43\n7\nNone 7\n5\n"},
    {"println!(\"{} {:.3} {}\", 2_i32.pow(10), 2.0_f64.powi(-2), (2.0_f64).sqrt()); "
     "println!(\"{}\", std::cmp::max(3, 7)); println!(\"{} {}\", 7i32.abs(), "
     "(-7i32).rem_euclid(3)); println!(\"{}\", f64::sqrt(16.0));",
     "1024 0.250 1.4142135623730951\n7\n7 2\n4\n"},
    {"let v = vec![0; 3]; println!(\"{:?}\", v); let names = vec![\"ink\", \"nib\"]; for name in "
     "&names { println!(\"{:>5}\", name); } println!(\"{}\", names.join(\"+\")); println!(\"{}\", "
     "names.contains(&\"nib\"));",
     "[0, 0, 0]\n  ink\n  nib\nink+nib\ntrue\n"},
    {"let v = vec![1, 2, 3]; let total: i32 = v.iter().sum(); let big: Vec<i32> = v.iter().map(|x| "
     "x * 10).filter(|x| *x > 10).collect(); println!(\"{} {:?} {}\", total, big, "
     "v.iter().any(|&x| x == 2)); println!(\"{:?}\", v.iter().rev().take(2).collect::<Vec<_>>());",
     "6 [20, 30] true\n[3, 2]\n"},
    {"let name = \"ink\"; let price = 9.55; let qty = 3; println!(\"{:<10}|{:>8.2}|{:>5}\", name, "
     "price * qty as f64, qty);",
     "ink       |   28.65|    3\n"},
    {"let x = 5; println!(\"{x} {x:>4} {x:04} {:?}\", x * 2); println!(\"{0} {1} {0}\", \"a\", "
     "\"b\"); println!(\"{:#x} {:#b} {:o} {:e}\", 255, 5, 8, 1234.5);",
     "5    5 0005 10\na b a\n0xff 0b101 10 1.2345e3\n"},
    {"println!(\"{}\", 7 / 2); println!(\"{}\", 7.0 / 2.0); println!(\"{}\", -7 % 3); "
     "println!(\"{}\", 1.0 / 3.0); println!(\"{}\", 0.1 + 0.2); println!(\"{}\", 0.1_f32 + "
     "0.2_f32);",
     "3\n3.5\n-1\n0.3333333333333333\n0.30000000000000004\n0.3\n"},
    {"println!(\"{:?}\", vec![1, 2, 3]); println!(\"{:?}\", [1.0, 2.5]); println!(\"{:#?}\", (1, "
     "\"a\")); println!(\"{:?}\", Some(\"x\")); println!(\"{:?}\", \"a\\tb\");",
     "[1, 2, 3]\n[1.0, 2.5]\n(\n    1,\n    \"a\",\n)\nSome(\"x\")\n\"a\\tb\"\n"},
    {"let s = String::from(\"Hello\"); println!(\"{} {} {}\", s.len(), s.to_uppercase(), "
     "&s[1..3]); println!(\"{}\", s.chars().rev().collect::<String>());",
     "5 HELLO el\nolleH\n"},
    {"let v = vec![1.5, 2.25]; let sum: f64 = v.iter().sum(); println!(\"{:.3} {}\", sum, "
     "v.len()); println!(\"{}\", v[0]);",
     "3.750 2\n1.5\n"},
    {"for i in 0..3 { print!(\"{} \", i); } println!(); for i in (1..=3).rev() { print!(\"{i} \"); "
     "} println!();",
     "0 1 2 \n3 2 1 \n"},
    {"let x = 5; let s = if x > 3 { \"big\" } else { \"small\" }; println!(\"{s}\"); "
     "println!(\"{}\", if x > 3 { 1 } else { 0 });",
     "big\n1\n"},
    {"println!(\"{}\", \"a,b,c\".split(',').count()); println!(\"{}\", \"hello\".replace(\"l\", "
     "\"L\")); println!(\"{}\", vec![\"a\", \"b\"].join(\"-\")); println!(\"{}\", "
     "\"ab\".repeat(3));",
     "3\nheLLo\na-b\nababab\n"},
    {"println!(\"{}\", i32::MAX); println!(\"{}\", u8::MAX); println!(\"{}\", f64::EPSILON); "
     "println!(\"{}\", std::f64::consts::PI); println!(\"{}\", 2_i32.pow(10)); println!(\"{}\", "
     "2.0_f64.powi(3)); println!(\"{}\", (2.0_f64).sqrt());",
     "2147483647\n255\n0.0000000000000002220446049250313\n3.141592653589793\n1024\n8\n1."
     "4142135623730951\n"},
    {"let n: i32 = \"42\".parse().unwrap(); println!(\"{}\", n + 1); let f: f64 = "
     "\"3.14\".parse().unwrap(); println!(\"{}\", f * 2.0);",
     "43\n6.28\n"},
    {"let t = (1, \"a\", 2.5); println!(\"{} {} {}\", t.0, t.1, t.2); let (a, b) = (3, 4); "
     "println!(\"{}\", a + b);",
     "1 a 2.5\n7\n"},
    {"let items = [(\"ink\", 9.55), (\"nib\", 120.0)]; for (name, price) in items.iter() { "
     "println!(\"{:<6}{:>8.2}\", name, price); }",
     "ink       9.55\nnib     120.00\n"},
    {"let items = vec![(\"ink\", 9.55), (\"nib\", 120.0)]; for (name, price) in &items { "
     "println!(\"{name:<6}{price:>8.2}\"); }",
     "ink       9.55\nnib     120.00\n"},
    {"for (i, w) in [\"a\", \"b\"].iter().enumerate() { println!(\"{i}: {w}\"); } let w = 8; "
     "println!(\"{:>w$}|{:>1$}|{:.*}\", 5, 6, 2, 3.14159);",
     "0: a\n1: b\n       5|     6|3.14\n"},
    {"let v: Vec<i32> = (1..4).map(|x| x * x).collect(); println!(\"{:?} {}\", v, "
     "v.iter().sum::<i32>()); println!(\"{:?}\", v.iter().max());",
     "[1, 4, 9] 14\nSome(9)\n"},
    {"let mut total = 0.0; for p in [1.5, 2.5] { total += p; } println!(\"Total: {total:.2}\"); "
     "let mut s = String::new(); s.push_str(\"ab\"); s.push('c'); println!(\"{s}\");",
     "Total: 4.00\nabc\n"},
    {"let x: f32 = 1.0 / 3.0; println!(\"{}\", x); let y = 10i64; println!(\"{}\", y.pow(3) - 1); "
     "println!(\"{}\", (7 as f64 / 2.0).round()); println!(\"{}\", 5 & 3 | 4 ^ 1); "
     "println!(\"{}\", !5); println!(\"{}\", true && !false);",
     "0.33333334\n999\n4\n5\n-6\ntrue\n"},
    {"let mut v = Vec::new(); v.push(3); v.push(1); v.sort(); println!(\"{:?} {}\", v, v.len()); "
     "const N: usize = 3; println!(\"{}\", N * 2); let o: Option<i32> = None; println!(\"{:?} "
     "{}\", o, o.unwrap_or(7));",
     "[1, 3] 2\n6\nNone 7\n"},
    {"match 2 { 1 => println!(\"one\"), 2 => println!(\"two\"), _ => println!(\"other\") } let n = "
     "3; match n { 1..=3 => println!(\"low\"), _ => println!(\"high\") }",
     "two\nlow\n"},
    {"println!(\"{}\", std::cmp::max(3, 7)); println!(\"{}\", 7i32.abs()); println!(\"{}\", "
     "(-7i32).rem_euclid(3)); println!(\"{:?}\", \"a b "
     "c\".split_whitespace().collect::<Vec<_>>()); println!(\"{}\", 5 == 5);",
     "7\n7\n2\n[\"a\", \"b\", \"c\"]\ntrue\n"},
    {"let xs = vec![1, 2, 3]; for x in &xs { println!(\"{:>5}\", x); }", "    1\n    2\n    3\n"},
    {"let name = \"ink\"; let qty = 3; println!(\"{name} has {qty} items, {:.2}\", 9.555);",
     "ink has 3 items, 9.55\n"},
    {"let mut total = 0.0; for p in [9.55, 2.0] { total += p; } println!(\"{total:.2}\");",
     "11.55\n"},
    {"println!(\"{:?} {:?} {:?}\", vec![1, 2], \"a\", Some(5));", "[1, 2] \"a\" Some(5)\n"},
    {"for (i, w) in [\"a\", \"b\"].iter().enumerate() { println!(\"{i}: {w}\"); }", "0: a\n1: b\n"},
    {"let a = 7; let b = 2; println!(\"{} {} {}\", a / b, a % b, a as f64 / b as f64);",
     "3 1 3.5\n"},
    {"println!(\"{:#x} {:08b} {:e} {:+}\", 255, 5, 1234.5, 3);", "0xff 00000101 1.2345e3 +3\n"},
    {"let s = String::from(\"ink\"); println!(\"{} {} {}\", s.to_uppercase(), s.len(), "
     "s.repeat(2));",
     "INK 3 inkink\n"},
    {"let xs = [3, 1, 2]; println!(\"{} {:?}\", xs.iter().sum::<i32>(), xs.iter().max());",
     "6 Some(3)\n"},
    {"for i in (1..4).rev() { print!(\"{} \", i); } println!();", "3 2 1 \n"},
    {"let v: Vec<i32> = (1..4).map(|x| x * x).collect(); println!(\"{:?}\", v);", "[1, 4, 9]\n"},
    {"println!(\"{0:<10}|{1:>8.2}|\", \"ink\", 9.55);", "ink       |    9.55|\n"},
    {"let t = (1, \"a\", 2.5); println!(\"{:?} {}\", t, t.0);", "(1, \"a\", 2.5) 1\n"},
    {"let x = 5; let m = if x > 3 { \"big\" } else { \"small\" }; println!(\"{m}\");", "big\n"},
    {"println!(\"{}\", f64::sqrt(2.0)); println!(\"{:.3}\", 2.0_f64.powi(10)); println!(\"{}\", "
     "i32::MAX);",
     "1.4142135623730951\n1024.000\n2147483647\n"},
    {"let mut n = 0; while n < 3 { n += 1; println!(\"{n}\"); }", "1\n2\n3\n"},
    {"let w = 10; println!(\"{:>w$}|{:>1$}|\", \"a\", 5); println!(\"{:>width$}\", 3, width = 6);",
     "         a|    5|\n     3\n"},
    {"println!(\"{}\", vec![\"a\", \"b\"].join(\"-\")); println!(\"{:?}\", "
     "\"a,b\".split(',').collect::<Vec<_>>());",
     "a-b\n[\"a\", \"b\"]\n"},
    {"let mut v = Vec::new(); v.push(1); v.push(2); println!(\"{:?} {}\", v, v.len());",
     "[1, 2] 2\n"},
    {"let v = vec![1, 2, 3]; for x in &v { println!(\"{}\", x); }", "1\n2\n3\n"},
    {"for i in (0..3).rev() { println!(\"{}\", i); }", "2\n1\n0\n"},
};

}  // namespace

TEST_CASE("statements of Rust with arrays, lists and choices print what the runtime prints") {
  support::check_lines("rust", lines);
}
