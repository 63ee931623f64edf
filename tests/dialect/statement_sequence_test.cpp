// Several statements: declarations name values, and calls print, one after the other. The texts are
// those that gcc 12, javac 17, .NET 10, CPython 3.11, PHP 8.2, Node.js 20, rustc 1.95, R 4.2 and
// Octave 7.3 printed of the same lines.

#include <catch2/catch.hpp>
#include <string>
#include <vector>

#include "inky_margin/dialect/statement.hpp"
#include "support/statements.hpp"

using namespace inky;
using support::show;
using support::Shown;
using support::value;

TEST_CASE("several statements print one after the other") {
  struct Case {
    const char* dialect;
    const char* source;
    std::vector<Value> values;
    const char* text;
  };
  const std::vector<Case> cases = {
      {"c",
       "int n = 7;\ndouble x = 9.55;\nprintf(\"%d items\\n\", n);\nprintf(\"%.2f\\n\", x * n);",
       {},
       "7 items\n66.85\n"},
      {"c", "#include <stdio.h>\nfloat f = 0.1;\nprintf(\"%.10f\\n\", f);", {}, "0.1000000015\n"},
      {"c",
       "int n = 7.9; printf(\"%d\\n\", n); n = n / 2; printf(\"%d|%s\\n\", n, \"a;b\");",
       {},
       "7\n3|a;b\n"},
      {"c",
       "const char *name = \"ink\";\nunsigned long big = 5;\nprintf(\"%s %lu\\n\", name, big); // "
       "done; really\nputs(\"end\");",
       {},
       "ink 5\nend\n"},
      {"c", "char c = 'K'; printf(\"%c %d\\n\", c, c);", {}, "K 75\n"},
      {"c", "unsigned char b = 300; short s = 70000; printf(\"%d %d\\n\", b, s);", {}, "44 4464\n"},
      {"c",
       "double price = 19.99; int qty = 3; double total = price * qty;\nprintf(\"%-10s%8.2f\\n\", "
       "\"Total\", total);\nprintf(\"%-10s%8.2f\\n\", \"Tax\", total * 0.19);",
       {},
       "Total        59.97\nTax          11.39\n"},
      {"cpp-stream",
       "int n = 7;\ndouble x = 9.555;\ncout << fixed << setprecision(2);\ncout << setw(8) << x << "
       "n << endl;",
       {},
       "    9.557\n"},
      {"cpp-stream",
       "string name = \"ink\";\nint n = name.size();\ncout << name << \": \" << n / 2.0 << "
       "\"\\n\";\nprintf(\"%d\\n\", n);",
       {},
       "ink: 1.5\n3\n"},
      {"java",
       "int n = 7;\ndouble x = n / 2;\nSystem.out.println(\"x = \" + "
       "x);\nSystem.out.printf(\"%.2f%n\", x);",
       {},
       "x = 3.0\n3.00\n"},
      {"java",
       "String name = \"ink\";\nString line = String.format(\"%-6s|\", "
       "name);\nSystem.out.println(line);",
       {},
       "ink   |\n"},
      {"java",
       "long big = 5; float f = 1.1f; char c = 'K';\nSystem.out.println(big + "
       "f);\nSystem.out.println(c + 1);",
       {},
       "6.1\n76\n"},
      {"csharp",
       "var n = 7;\nvar total = n * 1.5;\nConsole.WriteLine($\"{n} "
       "{total:F2}\");\nConsole.WriteLine(\"{0}\", total);",
       {},
       "7 10.50\n10.5\n"},
      {"csharp",
       "double price = 5;\nstring name = \"ink\";\nstring line = string.Format(\"{0,-6}|{1:F1}\", "
       "name, price);\nConsole.WriteLine(line);",
       {},
       "ink   |5.0\n"},
      {"python",
       "n = 7\nname = \"ink\"\nprint(f\"{name}: {n}\")\nprint(\"%.2f\" % (n / 3))",
       {},
       "ink: 7\n2.33\n"},
      {"python",
       "import math\nr: float = 2\nprint(f\"{math.pi * r ** 2:.3f}\")  # area",
       {},
       "12.566\n"},
      {"python",
       "prices = [9.55, 2.5]\ntotal = sum(prices)\nprint(\"Total: {:8.2f}\".format(total))",
       {},
       "Total:    12.05\n"},
      {"python", "a = 1; b = 2\nprint(a,\n      b)", {}, "1 2\n"},
      {"php",
       "$n = 7;\n$price = 9.55;\nprintf(\"%d x %.2f\\n\", $n, $price);\necho $n * $price, \"\\n\";",
       {},
       "7 x 9.55\n66.85\n"},
      {"php",
       "$name = \"ink\";\n$line = sprintf(\"%-6s|\", $name);\necho \"$line\\n\";",
       {},
       "ink   |\n"},
      {"javascript",
       "const n = 7;\nlet total = n * 1.5;\nconsole.log(`n=${n}`);\nconsole.log(\"total\", "
       "total.toFixed(2));",
       {},
       "n=7\ntotal 10.50\n"},
      {"javascript",
       "const items = [\"a\", \"b\"]\nconst text = items.join(\", "
       "\")\nconsole.log(text)\nconsole.log(items.length)",
       {},
       "a, b\n2\n"},
      {"rust",
       "let n = 7;\nlet x: f64 = 9.55;\nprintln!(\"{} {:.1}\", n, x);\nprintln!(\"{n:>4}\");",
       {},
       "7 9.6\n   7\n"},
      {"rust",
       "let name = \"ink\";\nlet wide: i64 = 5;\nlet line = format!(\"{:<6}|\", "
       "name);\nprintln!(\"{} {}\", line, wide * 2);",
       {},
       "ink   | 10\n"},
      {"r",
       "x <- c(1.5, 2.25)\nn <- length(x)\ncat(sprintf(\"%.2f\\n\", x), sep = \"\")\nprint(n)",
       {},
       "1.50\n2.25\n[1] 2\n"},
      {"octave",
       "n = 7;\nx = [1 2; 3 4];\nprintf(\"%d\\n\", n);\nprintf(\"%d %d\\n\", x);",
       {},
       "7\n1 3\n2 4\n"},
      {"fsharp",
       "let n = 7\nlet x = 9.55\nprintfn \"%d %.1f\" n x\nprintfn $\"{n * 2}\"",
       {},
       "7 9.6\n14\n"},
      {"fsharp",
       "let name = \"ink\"\nlet line = sprintf \"%-6s|\" name\nprintfn \"%s\" line",
       {},
       "ink   |\n"},
      {"shell",
       "name=ink\nn=$((3 + 4)) # lots\nprintf '%s %d\\n' \"$name\" \"$n\"\necho \"$name-$n\"",
       {},
       "ink 7\nink-7\n"},
      {"shell", "x=\"$k\"'5'\nprintf '%.1f\\n' \"$x\"", {value("k=2")}, "25.0\n"},
      {"c", "int n = 7; /* one; two */ printf(\"%d\\n\", n); /* end; */", {}, "7\n"},
      {"shell", "n=a#b\nprintf '%s\\n' \"$n\"", {}, "a#b\n"},
      // Names that nothing declares are values.
      {"c",
       "int n = k + 1;\nprintf(\"%d %s\\n\", n, name);",
       {value("k=5"), value("name=ink")},
       "6 ink\n"},
      {"python", "n = 7\nprint(f\"{name}: {n}\")", {value("name=ink")}, "ink: 7\n"},
      {"python", "n = k * 2\nprint(n)\nprint(k)", {value("k=5")}, "10\n5\n"},
      {"javascript", "const y = x * 2;\nconsole.log(y);", {value("x=1.5")}, "3\n"},
      {"cpp-stream", "int n = k / 2;\ncout << n << endl;", {value("k=7")}, "3\n"},
  };
  for (const Case& one : cases) {
    INFO(one.dialect << ": " << one.source);
    CHECK(is_statement(*find_dialect(one.dialect), one.source));
    const Shown shown = show(one.dialect, one.source, one.values);
    CHECK(shown.text == one.text);
    CHECK(shown.outcome.prints());
    // Any beginning of it is answered without reaching behind its end.
    const std::string_view source = one.source;
    for (std::size_t size = 0; size < source.size(); ++size) {
      const auto cut = parse_statement(*find_dialect(one.dialect), source.substr(0, size));
      if (!cut) {
        CHECK(cut.error().span.to <= size);
        continue;
      }
      TextBuffer out;
      const Outcome outcome = cut->dialect().render(*cut, one.values, {}, out, nullptr);
      CHECK((outcome.prints() || outcome.span().to <= size));
    }
  }
}

TEST_CASE("what is shown of several statements is in the places of the source") {
  const char* source = "int n = 7;\nprintf(\"%d|\", n);\nprintf(\"%s %d\\n\", name, n * 2);";
  const std::vector<Value> values = {value("name=ink")};
  const Shown shown = show("c", source, values);
  REQUIRE(shown.text == "7|ink 14\n");
  const auto parsed = parse_statement(*find_dialect("c"), source);
  REQUIRE(parsed.ok());
  REQUIRE(shown.report.fields.size() == 3);
  const char* sources[] = {"%d", "%s", "%d"};
  const char* texts[] = {"7", "ink", "14"};
  for (std::size_t i = 0; i < 3; ++i) {
    const PlacedField& placed = shown.report.fields[i];
    CHECK(parsed->source_of(parsed->fields()[static_cast<std::size_t>(placed.field)]) ==
          sources[i]);
    CHECK(shown.text.substr(placed.output.from, placed.output.to - placed.output.from) == texts[i]);
  }
  // The first is declared, the second given, the third computed.
  CHECK(shown.report.fields[0].value == -1);
  CHECK(describe(*shown.report.fields[0].computed) == "7");
  CHECK(shown.report.fields[1].value == 0);
  CHECK(describe(*shown.report.fields[2].computed) == "14");
  // What is explained is in order, up to the end.
  std::size_t at = 0;
  for (const Words& words : parsed->dialect().explain(*parsed)) {
    CHECK(words.span.from >= at);
    at = words.span.to;
  }
  CHECK(at == std::string_view(source).size());
}

TEST_CASE("each kind of statement is explained by its own words") {
  struct Case {
    const char* dialect;
    const char* source;
    std::vector<std::string> meanings;  // in order, among others
  };
  const Case cases[] = {
      {"java",
       "double[] d = new double[3]; d[1] = 2; System.out.println(Arrays.toString(d));",
       {"the value of d", "a change of d"}},
      {"c",
       "int n = 2; switch (n) { case 2: printf(\"%d\", n); break; default: puts(\"c\"); }",
       {"the value of n", "a choice of cases", "value 1", "out of the innermost loop or choice"}},
      {"python", "for i, j in [(1, 2)]:\n    print(i + j)", {"a loop: each item is i, j"}},
      {"python",
       "n = 3\nwhile n > 0:\n    n -= 1\n    if n == 1:\n        continue\n    print(n)",
       {"a loop", "a condition", "on to the next round"}},
  };
  for (const Case& one : cases) {
    INFO(one.source);
    const auto parsed = parse_statement(*find_dialect(one.dialect), one.source);
    REQUIRE(parsed);
    auto wanted = one.meanings.begin();
    for (const Words& words : parsed->dialect().explain(*parsed)) {
      if (wanted != one.meanings.end() && words.meaning == *wanted) ++wanted;
    }
    CHECK((wanted == one.meanings.end() ? "all" : *wanted) == "all");
  }
}

TEST_CASE("several statements that are not understood are an error at their place") {
  struct Case {
    const char* dialect;
    const char* source;
    Code code;
    const char* at;
  };
  const Case cases[] = {
      {"c", "int n = 7;\nint m = 8;", Code::not_supported_yet, "int"},
      {"c", "int n = 7;\ngoto end; printf(\"%d\", n);", Code::not_supported_yet, "goto"},
      {"c", "for (;;) { break; } for (;;) { break; } struct lot { int n; } x; puts(\"a\");",
       Code::not_supported_yet, "struct"},
      {"c", "int n = 7;\nprintf(\"%d\", n;", Code::bad_template, "printf"},
      {"python", "n = 7\nbreak\nprint(n)", Code::not_supported_yet, "break"},
      {"cpp-stream", "cout.width(5); int n = 7; cout << n;", Code::not_supported_yet, "cout"},
      {"cpp-stream", "cout << setw(5); int n = 7; cout << n;", Code::not_supported_yet, "cout"},
  };
  for (const Case& one : cases) {
    INFO(one.source);
    const auto parsed = parse_statement(*find_dialect(one.dialect), one.source);
    REQUIRE(!parsed.ok());
    CHECK(parsed.error().code == one.code);
    CHECK(parsed.error().span.from >= std::string_view(one.source).find(one.at));
  }
}

TEST_CASE("more statements than the limit are an error") {
  const auto lines = [](std::size_t count) {
    std::string out;
    for (std::size_t i = 0; i < count; ++i) out += "puts(\"\");";
    return out;
  };
  CHECK(parse_statement(*find_dialect("c"), lines(most_statements)).ok());
  const auto more = parse_statement(*find_dialect("c"), lines(most_statements + 1));
  REQUIRE(!more.ok());
  CHECK(more.error().code == Code::over_limit);
}

TEST_CASE("a declaration whose value fails is an error at its expression") {
  const auto parsed = parse_statement(*find_dialect("python"), "n = 1 // 0\nprint(n)");
  REQUIRE(parsed.ok());
  TextBuffer out;
  const Outcome outcome = parsed->dialect().render(*parsed, {}, {}, out, nullptr);
  CHECK(outcome.kind() == Outcome::Kind::fails_run);
  CHECK(outcome.failure_name() == "ZeroDivisionError");
  CHECK(outcome.span() == Span{4, 10});
  CHECK(out.view().empty());
}

TEST_CASE("what takes one call says that it takes no more") {
  const auto parsed =
      parse_statement(*find_dialect("c"), "int n = 7; printf(\"%d\", n); printf(\"%d\", n);");
  REQUIRE(parsed.ok());
  const auto evaluated = evaluate_call(*parsed, {});
  REQUIRE(!evaluated.ok());
  CHECK(evaluated.error().code == Code::not_supported_yet);
  const auto written = parsed->dialect().write_call(*parsed, {});
  REQUIRE(!written.ok());
  CHECK(written.error().code == Code::not_supported_yet);
  Notes notes;
  CHECK_FALSE(parsed->dialect().wish_of(*parsed, 1, Type::i32, notes));
}

TEST_CASE("what another name may stand for, and arrays as a whole, are not guessed") {
  struct Refused {
    const char* dialect;
    const char* source;
  };
  const Refused cases[] = {
      {"c", "int n = 7; printf(\"%d\\n\", &n);"},
      {"c", "int n = 7; int *p = &n; *p = 5; printf(\"%d\\n\", n);"},
      {"cpp-stream", "int n = 1; int& r = n; r = 5; cout << n;"},
      {"cpp-stream", "string s = \"ab\"; string& t = s; t += \"c\"; cout << s;"},
      {"cpp-stream", "vector<int> v = {1, 2}; for (auto& x : v) x *= 2; cout << v[0];"},
      {"cpp-stream", "int a[] = {1, 2}; cout << a;"},
      {"java", "System.out.println(\"\" + new int[]{1, 2});"},
      {"java", "int[] q = {1}; String s = \"x\" + q; System.out.println(s);"},
      {"java", "int[] q = {1}; int[] r = q; r[0] = 2; System.out.println(q[0]);"},
      {"java",
       "int[] q = {1}; StringBuilder s = new StringBuilder(); s.append(q); System.out.println(s);"},
      {"java", "List<Integer> q = List.of(1, 2); q.add(3); System.out.println(q);"},
      {"java", "List<Integer> q = Arrays.asList(1, 2); q.add(3); System.out.println(q);"},
      {"java",
       "StringBuilder a = new StringBuilder(\"x\"); StringBuilder b = a; b.append(\"y\"); "
       "System.out.println(a);"},
      {"csharp",
       "var a = new StringBuilder(\"x\"); var b = a; b.Append(\"y\"); Console.WriteLine(a);"},
      {"csharp", "Console.WriteLine(new[] {1, 2});"},
      {"csharp", "var q = new List<int> { 1 }; var r = q; r.Add(2); Console.WriteLine(q.Count);"},
      {"php", "$a = [1, 2]; foreach ($a as &$x) { $x = 9; } echo $a[0];"},
      {"php", "print_r(array_filter([1, 0, 2]));"},
      {"rust", "let mut v = vec![1, 2]; for x in v.iter_mut() { *x *= 2; } println!(\"{:?}\", v);"},
      {"rust", "println!(\"{:?}\", (1..4).map(|x| x * x));"},
  };
  for (const Refused& one : cases) {
    INFO(one.source);
    const auto parsed = parse_statement(*find_dialect(one.dialect), one.source);
    if (!parsed) {
      CHECK(parsed.error().code == Code::not_supported_yet);
      continue;
    }
    TextBuffer text;
    const Outcome outcome = parsed->dialect().render(*parsed, {}, {}, text, nullptr);
    REQUIRE(outcome.kind() == Outcome::Kind::error);
    CHECK(outcome.as_error().code == Code::not_supported_yet);
  }
}
