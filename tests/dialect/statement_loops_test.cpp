// Loops, conditions and names that change, as people paste them. The texts are those that the real
// compilers and runtimes of each language printed; without one, the compiler refuses the program.

#include <catch2/catch.hpp>
#include <string>

#include "support/statements.hpp"

using namespace inky;

namespace {

struct Pasted {
  const char* dialect;
  const char* source;
  const char* text;
};
constexpr Pasted pasted[] = {
    {"c", "for (int i = 0; i < 3; i++) { printf(\"%d\\n\", i); }", "0\n1\n2\n"},
    {"c", "int n = 5; n += 2; printf(\"%d\\n\", n); n++; printf(\"%d\\n\", n);", "7\n8\n"},
    {"c", "int n = 7; n = n * 1.5; printf(\"%d\\n\", n);", "10\n"},
    {"c", "int n = 7; n *= 1.5; printf(\"%d\\n\", n);", "10\n"},
    {"c", "unsigned char b = 250; b += 10; printf(\"%d\\n\", b);", "4\n"},
    {"c", "int a = 1, b = 2; printf(\"%d\\n\", a + b);", "3\n"},
    {"c",
     "double price = 9.55; int count = 3; double total = price * count; printf(\"%.2f\\n\", "
     "total);",
     "28.65\n"},
    {"c", "int n = 3; while (n > 0) { printf(\"%d \", n); n--; } printf(\"\\n\");", "3 2 1 \n"},
    {"c", "int n = 3; if (n > 2) puts(\"big\"); else puts(\"small\");", "big\n"},
    {"c",
     "int n = 1; if (n > 2) puts(\"big\"); else if (n > 0) puts(\"mid\"); else puts(\"small\");",
     "mid\n"},
    {"c", "for (int i = 1; i <= 3; i++) for (int j = 1; j <= 3; j++) printf(\"%3d\", i * j);",
     "  1  2  3  2  4  6  3  6  9"},
    {"c",
     "for (int i = 1; i <= 2; i++) {\n  for (int j = 1; j <= 3; j++) printf(\"%4d\", i * j);\n  "
     "printf(\"\\n\");\n}",
     "   1   2   3\n   2   4   6\n"},
    {"c",
     "for (int i = 0; i < 5; i++) { if (i % 2 == 0) printf(\"%d even\\n\", i); else printf(\"%d "
     "odd\\n\", i); }",
     "0 even\n1 odd\n2 even\n3 odd\n4 even\n"},
    {"c", "int sum = 0; for (int i = 1; i <= 10; i++) sum += i; printf(\"%d\\n\", sum);", "55\n"},
    {"c", "for (int i = 10; i > 0; i -= 3) printf(\"%d \", i); /* down */ puts(\"\");",
     "10 7 4 1 \n"},
    {"c", "int i; for (i = 0; i < 2; i++) printf(\"%d\\n\", i);", "0\n1\n"},
    {"c", "double x = 1; for (int i = 0; i < 3; i++) { x /= 3; printf(\"%.4f %e\\n\", x, x); }",
     "0.3333 3.333333e-01\n0.1111 1.111111e-01\n0.0370 3.703704e-02\n"},
    {"cpp-stream", "for (int i = 0; i < 3; ++i) cout << setw(4) << i * i << endl;",
     "   0\n   1\n   4\n"},
    {"cpp-stream", "int n = 5; cout << n << endl; n += 2; cout << n << \"\\n\";", "5\n7\n"},
    {"cpp-stream", "for (int i = 1; i <= 3; i++) { cout << i << \": \"; cout << i * 1.5 << endl; }",
     "1: 1.5\n2: 3\n3: 4.5\n"},
    {"cpp-stream", "for (int i = 0; i < 3; i++) printf(\"%d\\n\", i);", "0\n1\n2\n"},
    {"cpp-stream",
     "int a = 7, b = 2; cout << a / b << \" \" << a % b << \" \" << (double)a / b << endl;",
     "3 1 3.5\n"},
    {"cpp-stream", "bool ok = true; if (ok) cout << \"yes\" << endl; else cout << \"no\" << endl;",
     "yes\n"},
    {"java", "for (int i = 0; i < 3; i++) System.out.printf(\"%d: %.2f%n\", i, i * 1.5);",
     "0: 0.00\n1: 1.50\n2: 3.00\n"},
    {"java", "int n = 7.9; System.out.println(n);", nullptr},
    {"java",
     "int n = 7; n += 0.9; System.out.println(n); long m = n; System.out.println(m); byte b = 5; "
     "System.out.println(b);",
     "7\n7\n5\n"},
    {"java", "float f = 1.5; System.out.println(f);", nullptr},
    {"java", "byte b = 200; System.out.println(b);", nullptr},
    {"java", "int n = 7; long m = 5; n = m; System.out.println(n);", nullptr},
    {"java", "double d = 5; System.out.println(d); float f = 7; System.out.println(f);",
     "5.0\n7.0\n"},
    {"java", "char c = 65; System.out.println(c); int k = 'a'; System.out.println(k);", "A\n97\n"},
    {"java",
     "int sum = 0; for (int i = 1; i <= 10; i++) { sum += i; } System.out.println(\"Sum: \" + "
     "sum);",
     "Sum: 55\n"},
    {"java", "int n = 3; while (n > 0) { System.out.println(n); n--; }", "3\n2\n1\n"},
    {"java",
     "int n = 5; if (n > 3) { System.out.println(\"big\"); } else { System.out.println(\"small\"); "
     "}",
     "big\n"},
    {"java", "String s = \"\"; for (int i = 0; i < 3; i++) { s += i; } System.out.println(s);",
     "012\n"},
    {"java", "int x = 5, y = 3; System.out.println(x + y); System.out.println(x + \"\" + y);",
     "8\n53\n"},
    {"csharp", "for (int i = 0; i < 3; i++) { Console.WriteLine($\"{i}: {i * 1.5:F2}\"); }",
     "0: 0.00\n1: 1.50\n2: 3.00\n"},
    {"csharp", "int n = 7.9; Console.WriteLine(n);", nullptr},
    {"csharp", "int n = 7; n += 2; Console.WriteLine(n);", "9\n"},
    {"csharp", "int n = 7; n += 0.5; Console.WriteLine(n);", nullptr},
    {"csharp",
     "byte b = 200; Console.WriteLine(b); long m = 5; Console.WriteLine(m); float f = 7; "
     "Console.WriteLine(f);",
     "200\n5\n7\n"},
    {"csharp", "byte b = 300; Console.WriteLine(b);", nullptr},
    {"csharp", "float f = 1.5; Console.WriteLine(f);", nullptr},
    {"csharp", "int n = 3; while (n > 0) { Console.WriteLine(n); n--; }", "3\n2\n1\n"},
    {"csharp", "string s = \"\"; for (int i = 0; i < 3; i++) s += i; Console.WriteLine(s);",
     "012\n"},
    {"csharp",
     "int n = 5; if (n > 3) Console.WriteLine(\"big\"); else Console.WriteLine(\"small\");",
     "big\n"},
    {"rust", "let n: i32 = 7.9; println!(\"{}\", n);", nullptr},
    {"rust", "let mut n = 5; n += 2; println!(\"{n}\");", "7\n"},
    {"rust", "let x: f32 = 2.5; let k: u8 = 7; println!(\"{x} {k}\");", "2.5 7\n"},
    {"rust", "let mut n = 3; while n > 0 { println!(\"{}\", n); n -= 1; }", "3\n2\n1\n"},
    {"rust", "let n = 5; if n > 3 { println!(\"big\"); } else { println!(\"small\"); }", "big\n"},
    {"rust", "let x: f64 = 5; println!(\"{}\", x);", nullptr},
    {"php", "for ($i = 0; $i < 3; $i++) { echo $i, \"\\n\"; }", "0\n1\n2\n"},
    {"php", "foreach ([1, 2, 3] as $x) { printf(\"%d \", $x); }", "1 2 3 "},
    {"php", "$n = 5; $n += 2; $n .= \"x\"; echo $n;", "7x"},
    {"php", "$i = 0; while ($i < 3) { echo $i; $i++; } echo \"\\n\";", "012\n"},
    {"php", "$n = 5; if ($n > 3) { echo \"big\"; } else { echo \"small\"; }", "big"},
    {"php", "$names = [\"ink\", \"pen\"]; foreach ($names as $name) { echo \"$name\\n\"; }",
     "ink\npen\n"},
    {"php",
     "$total = 0; foreach ([9.5, 2.25] as $p) { $total += $p; } printf(\"%.2f\\n\", $total);",
     "11.75\n"},
    {"python", "for i in range(3): print(i, i ** 2)", "0 0\n1 1\n2 4\n"},
    {"python", "for name in [\"ink\", \"pen\"]:\n    print(f\"{name:>6}\")\nprint(\"done\")",
     "   ink\n   pen\ndone\n"},
    {"python",
     "n = 5\nn += 2\nif n > 6:\n    print(\"big\")\nelif n > 3:\n    print(\"mid\")\nelse:\n    "
     "print(\"small\")",
     "big\n"},
    {"python",
     "n = 5\nif n > 6:\n    print(\"big\")\nelif n > 3:\n    print(\"mid\")\nelse:\n    "
     "print(\"small\")",
     "mid\n"},
    {"python", "n = 1\nif n > 6: print(\"big\")\nelse: print(\"small\")\nprint(\"end\")",
     "small\nend\n"},
    {"python", "i = 0\nwhile i < 3:\n    print(i)\n    i += 1", "0\n1\n2\n"},
    {"python", "total = 0\nfor x in [1.5, 2.25]:\n    total += x\nprint(f\"{total:.2f}\")",
     "3.75\n"},
    {"python",
     "for i in range(1, 4):\n    for j in range(1, 4):\n        print(i * j, end=\" \")\n    "
     "print()",
     "1 2 3 \n2 4 6 \n3 6 9 \n"},
    {"python", "for i, name in enumerate([\"a\", \"b\"]):\n    print(i, name)", "0 a\n1 b\n"},
    {"python", "n = 10\nn //= 3\nn **= 2\nprint(n)", "9\n"},
    {"python", "s = \"a\"\ns *= 3\ns += \"b\"\nprint(s)", "aaab\n"},
    {"python", "for c in \"ink\": print(c)", "i\nn\nk\n"},
    {"python", "for k in {\"a\": 1, \"b\": 2}: print(k)", "a\nb\n"},
    {"python", "x = 5; y = 3; print(x + y)", "8\n"},
    {"javascript", "for (let i = 0; i < 3; i++) console.log(i)", "0\n1\n2\n"},
    {"javascript", "for (const x of [1, 2, 3]) { console.log(x * 2) }", "2\n4\n6\n"},
    {"javascript",
     "const user = {name: \"Anna\", age: 5}; console.log(`${user.name} is ${user.age}`)",
     "Anna is 5\n"},
    {"javascript", "let s = \"\"; s += \"a\"; s += \"b\"; console.log(s)", "ab\n"},
    {"javascript", "let n = 5; n **= 2; n++; console.log(n)", "26\n"},
    {"javascript", "const p = 9.55, q = 3; console.log((p * q).toFixed(2))", "28.65\n"},
    {"javascript", "let i = 0; while (i < 3) { console.log(i); i++; }", "0\n1\n2\n"},
    {"javascript", "if (5 > 3) console.log(\"yes\"); else console.log(\"no\")", "yes\n"},
    {"javascript",
     "let total = 0; for (const p of [9.5, 2.25]) { total += p } console.log(total.toFixed(2))",
     "11.75\n"},
    {"javascript",
     "const items = [{name: \"ink\", price: 9.5}, {name: \"pen\", price: 1.25}]; for (const it of "
     "items) { console.log(`${it.name.padEnd(8)}${it.price.toFixed(2).padStart(8)}`) }",
     "ink         9.50\npen         1.25\n"},
    {"javascript", "for (const c of \"ink\") console.log(c)", "i\nn\nk\n"},
    {"r", "for (i in 1:3) cat(i, \"\\n\")", "1 \n2 \n3 \n"},
    {"r", "x <- 5; if (x > 3) print(\"yes\") else print(\"no\")", "[1] \"yes\"\n"},
    {"r", "i <- 0; while (i < 3) { i <- i + 1; cat(i, \"\") }", "1 2 3 "},
    {"r", "for (x in c(\"a\",\"b\")) {\n  cat(\"item:\", x, \"\\n\")\n}", "item: a \nitem: b \n"},
    {"r", "total <- 0\nfor (x in c(1.5, 2.25)) {\n  total <- total + x\n}\nprint(total)",
     "[1] 3.75\n"},
    {"r", "for (i in 1:3) print(i^2)", "[1] 1\n[1] 4\n[1] 9\n"},
    {"r", "x <- c(5, 3); for (i in seq_along(x)) cat(i, x[i], \"\\n\")", "1 5 \n2 3 \n"},
    {"python", "print()", "\n"},
    {"python", "for i in range(2):\n    print(i)\n    print()", "0\n\n1\n\n"},
    {"java", "System.out.println(\"a\"); System.out.println(); System.out.println(\"b\");",
     "a\n\nb\n"},
    {"csharp", "Console.WriteLine(\"a\"); Console.WriteLine(); Console.WriteLine(\"b\");",
     "a\n\nb\n"},
    {"rust", "println!(\"a\"); println!(); println!(\"b\");", "a\n\nb\n"},
    {"php", "echo \"a\"; echo PHP_EOL; print \"b\\n\"; print(\"c\");", "a\nb\nc"},
    {"javascript", "console.log(\"a\"); console.log(); console.log(\"b\");", "a\n\nb\n"},
    {"cpp-stream", "std::cout << \"a\" << std::endl; std::cout << std::endl;", "a\n\n"},
    {"c",
     "int i, n = 3; double x; x = 1.5; for (i = 0; i < n; i++) printf(\"%d %.1f\\n\", i, x * i);",
     "0 0.0\n1 1.5\n2 3.0\n"},
    {"c", "int n; n = 7.9; printf(\"%d\\n\", n);", "7\n"},
    {"java", "int i; for (i = 0; i < 2; i++) { System.out.println(i); }", "0\n1\n"},
    {"c", "char name[] = \"ink\"; printf(\"%s\\n\", name);", "ink\n"},
    {"c", "const char *name = \"ink\"; int n = 3; printf(\"%-6s|%3d\\n\", name, n);",
     "ink   |  3\n"},
    {"c", "int a[] = {1, 2, 3}; for (int i = 0; i < 3; i++) printf(\"%d\\n\", a[i]);", "1\n2\n3\n"},
    {"java",
     "String[] names = {\"ink\", \"pen\"}; for (String s : names) { System.out.printf(\"%-6s|%n\", "
     "s); }",
     "ink   |\npen   |\n"},
    {"cpp-stream", "vector<int> v = {1, 2, 3}; for (int x : v) cout << x << \" \";", "1 2 3 "},
    {"cpp-stream",
     "string s = \"ink\"; for (char c : s) cout << c << \"-\"; cout << s.size() << endl;",
     "i-n-k-3\n"},
    {"cpp-stream", "for (auto x : {1.5, 2.25}) cout << fixed << setprecision(2) << x << \"\\n\";",
     "1.50\n2.25\n"},
    {"cpp-stream",
     "double x = 3.14159; cout << fixed << setprecision(2); cout << x << endl; cout << x * 2 << "
     "endl;",
     "3.14\n6.28\n"},
    {"csharp", "int[] a = {1, 2, 3}; foreach (var x in a) Console.WriteLine(x);", "1\n2\n3\n"},
    {"rust", "for i in 0..3 { println!(\"{}\", i); }", "0\n1\n2\n"},
    {"rust", "for i in 1..=3 { println!(\"{:>4}\", i * i); }", "   1\n   4\n   9\n"},
    {"rust", "for x in [1.5, 2.25] { println!(\"{:.2}\", x); }", "1.50\n2.25\n"},
    {"javascript", "[1, 2].forEach(x => console.log(x))", "1\n2\n"},
    {"javascript", "for (const [k, v] of Object.entries({a: 1})) console.log(k, v)", "a 1\n"},
    {"javascript", "for (const k in {a: 1, b: 2}) console.log(k)", "a\nb\n"},
    {"python",
     "names = [\"ink\", \"pen\"]\nprices = [9.5, 1.25]\nfor n, p in zip(names, prices):\n    "
     "print(f\"{n:<8}{p:>8.2f}\")",
     "ink         9.50\npen         1.25\n"},
    {"python", "for k, v in {\"a\": 1}.items():\n    print(k, v)", "a 1\n"},
    {"python",
     "rows = [(\"ink\", 9.5), (\"pen\", 1.25)]\nfor name, price in rows:\n    print(\"%-8s%8.2f\" "
     "% (name, price))",
     "ink         9.50\npen         1.25\n"},
    {"python", "print(*[1, 2, 3])", "1 2 3\n"},
    {"python", "print(*[1, 2, 3], sep=\", \")", "1, 2, 3\n"},
    {"python", "print(\"a\", \"b\", sep=\"\")", "ab\n"},
    {"python", "x = [i * i for i in range(4)]\nprint(x, sum(x))", "[0, 1, 4, 9] 14\n"},
    {"cpp-stream",
     "cout << fixed << setprecision(2); for (int i = 1; i <= 2; i++) cout << setw(8) << i * 1.234 "
     "<< endl;",
     "    1.23\n    2.47\n"},
    {"cpp-stream",
     "double x = 3.14159; cout << fixed << setprecision(3) << x << endl; int n = 255; cout << hex "
     "<< n << \" \" << x << endl; cout << dec << n << endl;",
     "3.142\nff 3.142\n255\n"},
    {"cpp-stream",
     "cout << hex; for (int i = 8; i < 12; i++) { cout << i << \" \"; } cout << endl;",
     "8 9 a b \n"},
    {"cpp-stream",
     "cout << left << setfill('.'); int n = 7; cout << setw(6) << n << \"|\" << endl; n = 12; cout "
     "<< setw(6) << n << \"|\";",
     "7.....|\n12....|"},
    {"c", "int a[3] = {4, 5, 6}; printf(\"%d %d\\n\", a[0], a[2]);", "4 6\n"},
    {"c", "double v[] = {1, 2.5}; for (int i = 0; i < 2; i++) printf(\"%.1f\\n\", v[i]);",
     "1.0\n2.5\n"},
    {"c", "char s[] = \"ink\"; for (int i = 0; s[i]; i++) printf(\"%c-\", s[i]);", "i-n-k-"},
    {"csharp", "double[] a = {1, 2.5}; foreach (double x in a) Console.Write($\"{x:F1} \");",
     "1.0 2.5 "},
    {"rust", "let n = 3; for i in 0..n { print!(\"{} \", i * n); } println!();", "0 3 6 \n"},
    {"python", "for i in range(3, 0, -1): print(i, end=\", \")", "3, 2, 1, "},
    {"python", "print(*\"abc\", sep=\"-\")", "a-b-c\n"},
    {"python", "x = 3\nprint(\"odd\" if x % 2 else \"even\")\nif x: print(\"yes\")", "odd\nyes\n"},
    {"javascript", "for (const k in {a: 1, b: 2}) console.log(k)", "a\nb\n"},
    {"python", "for i in range(5):\n    if i == 3: break\n    print(i)", "0\n1\n2\n"},
    {"python",
     "for i in range(4):\n    if i % 2 == 0:\n        continue\n    print(i)\n    "
     "pass\nprint(\"end\")",
     "1\n3\nend\n"},
    {"c",
     "for (int i = 0; i < 5; i++) { if (i == 1) continue; if (i == 4) break; printf(\"%d\\n\", i); "
     "}",
     "0\n2\n3\n"},
    {"c", "int n = 0; while (1) { n++; if (n > 3) break; printf(\"%d \", n); }", "1 2 3 "},
    {"c",
     "for (int i = 0; i < 2; i++) { for (int j = 0; j < 5; j++) { if (j > i) break; printf(\"%d%d "
     "\", i, j); } puts(\"\"); }",
     "00 \n10 11 \n"},
    {"java", "for (int i = 0; i < 4; i++) { if (i % 2 == 0) continue; System.out.println(i); }",
     "1\n3\n"},
    {"javascript", "for (const x of [1, 2, 3]) { if (x === 2) continue; console.log(x) }",
     "1\n3\n"},
    {"r", "for (i in 1:4) { if (i == 2) next; cat(i, \"\") }", "1 3 4 "},
    {"php", "for ($i = 0; $i < 5; $i++) { if ($i == 2) continue; echo $i; }", "0134"},
    {"rust", "let mut n = 0; while true { n += 1; if n > 3 { break; } println!(\"{}\", n); }",
     "1\n2\n3\n"},
    {"csharp", "foreach (var c in \"ink\") { if (c == 'n') continue; Console.Write(c); }", "ik"},
    {"cpp-stream",
     "for (int i = 0; i < 3; i++) { if (i == 1) continue; cout << setw(3) << i << '\\n'; }",
     "  0\n  2\n"},
};

}  // namespace

TEST_CASE("statements with loops print what the runtime prints") {
  for (const Pasted& one : pasted) {
    INFO(one.dialect << ": " << one.source);
    const support::Shown shown = support::show(one.dialect, one.source, {});
    if (one.text == nullptr) {
      CHECK(shown.outcome.kind() == Outcome::Kind::fails_compile);
      continue;
    }
    CHECK(shown.outcome.prints());
    CHECK(shown.text == one.text);
  }
}

// Whatever is left out at the end, nothing is read behind it and nothing hangs.
TEST_CASE("any beginning of statements with loops is answered") {
  for (const Pasted& one : pasted) {
    INFO(one.source);
    const std::string_view source = one.source;
    for (std::size_t size = 0; size < source.size(); ++size) {
      const auto cut = parse_statement(*find_dialect(one.dialect), source.substr(0, size));
      if (!cut) {
        CHECK(cut.error().span.to <= size);
        continue;
      }
      TextBuffer out;
      const Outcome outcome = cut->dialect().render(*cut, {}, out);
      if (!outcome.prints()) CHECK(outcome.span().to <= size);
    }
  }
}

// What is nested deeper than a stack holds, and what never ends, is answered as soon as anything else.
TEST_CASE("endless and deep beginnings of loops are answered") {
  for (const char* part :
       {"if(a)", "for(", "for(;;){", "while(1)for(;;)", "for\n", "for x in y:\n ", "if (",
        "else if(a)", "for (x in y) ", "x.forEach(y=>", "if a {", "int a, "}) {
    std::string source;
    while (source.size() < 60'000) source += part;
    for (const char* id : {"c", "cpp-stream", "python", "java", "csharp", "php", "javascript",
                           "rust", "r", "octave"}) {
      INFO(id << " " << part);
      const Dialect& dialect = *find_dialect(id);
      (void)is_statement(dialect, source);
      const auto read = parse_statement(dialect, source);
      CHECK((read.ok() || read.error().span.to <= source.size()));
    }
  }
}

TEST_CASE("loops have limits, and say so") {
  const struct {
    const char* dialect;
    const char* source;
    const char* why;
  } faults[] = {
      {"c", "while (1) { printf(\"x\"); }", "more than 10000 steps"},
      {"c", "int n = 0; while (n < 1) { } printf(\"x\");", "more than 10000 steps"},
      {"python", "for i in range(20000): print(i)", "more than 10000 steps"},
      {"rust", "for i in 0..20000 { println!(\"{}\", i); }", "more than 10000 numbers"},
      {"c", "for (;;) puts(\"x\");", "more than 10000 steps"},
  };
  for (const auto& one : faults) {
    INFO(one.source);
    const support::Shown shown = support::show(one.dialect, one.source, {});
    REQUIRE(shown.outcome.kind() == Outcome::Kind::error);
    CHECK(shown.outcome.as_error().code == Code::over_limit);
    CHECK(shown.outcome.as_error().message.find(one.why) != std::string::npos);
  }
}

TEST_CASE("a stream keeps what a chain has set, and nothing is guessed of it") {
  for (const char* source :
       {"for (int i = 0; i < 2; i++) cout << i << hex << endl;",
        "if (true) cout << hex << 10; cout << 10;",
        "int p = 2; cout << setprecision(p) << 2.345; p = 3; cout << 2.345;",
        "for (int i = 0; i < 2; i++) { cout << i; int k = i; cout << hex << k; }",
        "for (int i = 0; i < 0; i++) cout << hex << i; int n = 10; cout << n;",
        "cout.width(5); for (int i = 0; i < 2; i++) { int n = i; cout << n; }",
        "cout.precision(2); int n = 1; cout << 2.345; n = 2; cout << n;"}) {
    INFO(source);
    const auto read = parse_statement(*find_dialect("cpp-stream"), source);
    REQUIRE_FALSE(read.ok());
    CHECK(read.error().code == Code::not_supported_yet);
  }
}

TEST_CASE("a name that hides another one in a block is not guessed") {
  const std::pair<const char*, const char*> hiding[] = {
      {"c", "int i = 5; for (int i = 0; i < 3; i++) puts(\"x\"); printf(\"%d\", i);"},
      {"c", "for (int i = 0; i < 3; i++) { int i = 7; printf(\"%d\", i); }"},
      {"javascript", "let x = 1; for (const x of [2, 3]) console.log(x); console.log(x)"},
      {"javascript", "let x = 1; if (x) { let x = 2; console.log(x) } console.log(x)"},
      {"rust", "let n = 1; while n < 2 { let n = 3; println!(\"{}\", n); }"},
  };
  for (const auto& [dialect, source] : hiding) {
    INFO(source);
    const auto read = parse_statement(*find_dialect(dialect), source);
    REQUIRE_FALSE(read.ok());
    CHECK(read.error().code == Code::not_supported_yet);
  }
  // One behind the other they do not meet.
  const support::Shown shown = support::show("c",
                                             "for (int i = 0; i < 2; i++) printf(\"%d\", i); for "
                                             "(int i = 5; i < 7; i++) printf(\"%d\", i);",
                                             {});
  CHECK(shown.text == "0156");
}

TEST_CASE("the fields of a loop are placed once for each round") {
  const support::Shown shown =
      support::show("c", "for (int i = 0; i < 3; i++) printf(\"%2d\\n\", i);", {});
  REQUIRE(shown.report.fields.size() == 3);
  for (std::size_t i = 0; i < 3; ++i) {
    CHECK(shown.report.fields[i].field == 0);
    CHECK(shown.report.fields[i].output == Span{3 * i, 3 * i + 2});
  }
}
