// Statements of C# with arrays, lists, counts and choices, as people paste them. The texts are those
// that .NET printed of the same lines; where there is none, its compiler or the program failed.

#include <catch2/catch.hpp>

#include "support/statements.hpp"

using namespace inky;

namespace {

constexpr support::PastedLine lines[] = {
    {"var l = new List<int>(); for (int i = 0; i < 3; i++) l.Add(i * i); "
     "Console.WriteLine(string.Join(\" \", l)); Console.WriteLine($\"{l.Count} {l[2]} {l.Sum()} "
     "{l.Average():F2} {l.Max()} {l.Contains(4)}\");",
     "0 1 4\n3 4 5 1.67 4 True\n"},
    {"var l = new List<string> { \"b\", \"a\" }; l.Sort(); Console.WriteLine(string.Join(\"-\", "
     "l.Select(s => s.ToUpper()))); Console.WriteLine(l.First() + l.Last() + l.Any(s => s == "
     "\"a\") + l.Count(s => s.Length == 1));",
     "A-B\nabTrue2\n"},
    {"Console.WriteLine(Enumerable.Range(1, 5).Where(n => n % 2 == 1).Sum()); "
     "Console.WriteLine(new[] { 1.5, 2.5 }.Average()); Console.WriteLine(new[] { 3, 1, 2 "
     "}.OrderByDescending(x => x).First()); Console.WriteLine(Enumerable.Range(1, 4).Aggregate((x, "
     "y) => x * y));",
     "9\n2\n3\n24\n"},
    {"var sb = new StringBuilder(); for (int i = 0; i < 3; i++) { sb.Append(i).Append(','); } "
     "sb.Insert(0, \"[\"); sb.AppendLine(\"]\"); sb.AppendFormat(\"{0:F1}\", 2.25); "
     "Console.WriteLine(sb); Console.WriteLine(sb.ToString().Length);",
     "[0,1,2,]\n2.2\n12\n"},
    {"int k = 3; switch (k) { case 1: case 2: Console.WriteLine(\"few\"); break; case 3: "
     "Console.WriteLine(\"three\"); break; default: Console.WriteLine(\"?\"); break; }",
     "three\n"},
    {"var items = new[] { (\"ink\", 9.55), (\"nib\", 120.0) }; foreach (var (name, price) in "
     "items) Console.WriteLine($\"{name,-6}{price,8:F2}\"); foreach (var t in items) "
     "Console.WriteLine(t.Item1 + t);",
     "ink       9.55\nnib     120.00\nink(ink, 9.55)\nnib(nib, 120)\n"},
    {"var items = new[] { new { Name = \"ink\", Price = 9.55 }, new { Name = \"nib\", Price = 2.0 "
     "} }; foreach (var i in items) Console.WriteLine($\"{i.Name,-5}|{i.Price,6:F2}\"); "
     "Console.WriteLine(items.Sum(i => i.Price));",
     "ink  |  9.55\nnib  |  2.00\n11.55\n"},
    {"Console.WriteLine(new DateTime(2031, 5, 9, 14, 5, 7).ToString(\"yyyy-MM-dd HH:mm:ss\")); var "
     "d = new DateTime(2031, 5, 9); Console.WriteLine($\"{d:dd/MM/yyyy} {d.Year} {d.Month}\"); "
     "Console.WriteLine(\"a b c\".Split(' ')[1] + \"a,b\".Split(\",\").Length);",
     "2031-05-09 14:05:07\n09/05/2031 2031 5\nb2\n"},
    {"Console.WriteLine(Math.Round(2.5) + \" \" + Math.Round(2.5, MidpointRounding.AwayFromZero) + "
     "\" \" + Math.Round(-2.345, 2, MidpointRounding.AwayFromZero) + \" \" + Math.Round(3.14159, "
     "2)); Console.WriteLine(double.Parse(\"3.25\") * 2 + int.Parse(\"4\"));",
     "2 3 -2.35 3.14\n10.5\n"},
    {"int n = 0; do { n += 2; } while (n < 5); Console.WriteLine(n); int z = 5; "
     "Console.WriteLine(z--); Console.WriteLine(--z); for (int a = 0, b = 10; a < b; a += 3, b--) "
     "Console.Write($\"{a},{b};\"); Console.WriteLine();",
     "6\n5\n3\n0,10;3,9;6,8;\n"},
    {"string s = null; Console.WriteLine(s == null); Console.WriteLine(s ?? \"none\"); double x = "
     "7 / 2; Console.WriteLine(x); Console.WriteLine(double.NaN + \" \" + double.PositiveInfinity "
     "+ \" \" + double.MaxValue);",
     "True\nnone\n3\nNaN Infinity 1.7976931348623157E+308\n"},
    {"string name = \"ink\"; double price = 9.55; int qty = 3; "
     "Console.WriteLine(\"{0,-10}|{1,8:F2}|{2,5}\", name, price * qty, qty);",
     "ink       |   28.65|    3\n"},
    {"string name = \"ink\"; double price = 9.55; Console.WriteLine($\"{name,-10}|{price * "
     "3,8:F2}|{(price > 5 ? \"dear\" : \"cheap\")}\");",
     "ink       |   28.65|dear\n"},
    {"Console.WriteLine(\"Name: \" + \"ink\" + \", price: \" + 9.55 + \", qty: \" + 3); "
     "Console.WriteLine(1 + 2 + \"3\" + 4 + 5);",
     "Name: ink, price: 9.55, qty: 3\n3345\n"},
    {"Console.WriteLine(7 / 2); Console.WriteLine(7 / 2.0); Console.WriteLine(-7 % 3); "
     "Console.WriteLine(1.0 / 3); Console.WriteLine(0.1f + 0.2f); Console.WriteLine(0.1 + 0.2);",
     "3\n3.5\n-1\n0.3333333333333333\n0.3\n0.30000000000000004\n"},
    {"Console.WriteLine((1234567.891).ToString(\"N2\")); Console.WriteLine(255.ToString(\"X4\")); "
     "Console.WriteLine(0.456.ToString(\"P1\")); Console.WriteLine(42.ToString(\"D6\"));",
     "1,234,567.89\n00FF\n45.6 %\n000042\n"},
    {"Console.WriteLine(Math.Round(2.5)); Console.WriteLine(Math.Round(2.675, 2)); "
     "Console.WriteLine(Math.Round(2.5, MidpointRounding.AwayFromZero)); "
     "Console.WriteLine(Math.Sqrt(2)); Console.WriteLine(Math.Pow(2, 10)); "
     "Console.WriteLine(Math.PI);",
     "2\n2.68\n3\n1.4142135623730951\n1024\n3.141592653589793\n"},
    {"string s = \"Hello\"; Console.WriteLine(s.Substring(1, 3) + s[0] + s.Length + "
     "s.IndexOf(\"l\") + s.ToUpper()); Console.WriteLine(s.PadLeft(8, '.') + s.PadRight(8) + "
     "\"|\");",
     "ellH52HELLO\n...HelloHello   |\n"},
    {"Console.WriteLine(string.Join(\", \", new[] { 1, 2, 3 })); "
     "Console.WriteLine(string.Concat(\"a\", 1, true)); Console.WriteLine(new string('-', 10));",
     "1, 2, 3\na1True\n----------\n"},
    {"Console.WriteLine(\"a,b,c\".Split(',').Length); Console.WriteLine(\"hello\".Replace('l', "
     "'L')); Console.WriteLine(\"x\" == \"x\"); Console.WriteLine(string.IsNullOrEmpty(\"\")); "
     "Console.WriteLine(\"abc\".Contains(\"b\"));",
     "3\nheLLo\nTrue\nTrue\nTrue\n"},
    {"Console.WriteLine(int.Parse(\"42\") + 1); Console.WriteLine(double.Parse(\"3.14\") * 2); "
     "Console.WriteLine(Convert.ToInt32(\"7\")); Console.WriteLine(int.MaxValue); "
     "Console.WriteLine(Convert.ToString(10, 2));",
     "43\n6.28\n7\n2147483647\n1010\n"},
    {"string[] names = { \"ink\", \"nib\" }; for (int i = 0; i < names.Length; i++) "
     "Console.WriteLine($\"{i + 1}: {names[i],-6}|\");",
     "1: ink   |\n2: nib   |\n"},
    {"var xs = new List<double> { 1.5, 2.25 }; Console.WriteLine(xs.Sum()); "
     "Console.WriteLine(xs.Average()); Console.WriteLine(xs.Count); Console.WriteLine(xs.Max());",
     "3.75\n1.875\n2\n2.25\n"},
    {"char c = 'a'; Console.WriteLine(c + 1); Console.WriteLine((char)(c + 1)); "
     "Console.WriteLine((int)3.99); Console.WriteLine((int)'A'); Console.WriteLine(true); "
     "Console.WriteLine(null == null);",
     "98\nb\n3\n65\nTrue\nTrue\n"},
    {"Console.Write(\"a\\tb\\n\"); Console.WriteLine(@\"C:\\temp\"); Console.WriteLine($@\"x\\{1 + "
     "1}\"); Console.WriteLine(\"\"\"raw \"text\" \"\"\");",
     "a\tb\nC:\\temp\nx\\2\nraw \"text\" \n"},
    {"long big = 1L << 40; Console.WriteLine(big); Console.WriteLine(1e10); "
     "Console.WriteLine(1e20); Console.WriteLine(100.0f / 3); Console.WriteLine(double.NaN); "
     "Console.WriteLine(1 / 0.0); Console.WriteLine(5 & 3 | 4 ^ 1);",
     "1099511627776\n10000000000\n1E+20\n33.333332\nNaN\nInfinity\n5\n"},
    {"Console.WriteLine(string.Format(\"{0:0.00} {1:#,##0} {2:000}\", 3.14159, 1234567, 7)); "
     "Console.WriteLine(\"{0:yyyy-MM-dd}\", new DateTime(2031, 5, 9));",
     "3.14 1,234,567 007\n2031-05-09\n"},
    {"var sb = new StringBuilder(); sb.Append(\"ink\").Append(' ').AppendFormat(\"{0:F2}\", "
     "9.555); Console.WriteLine(sb);",
     "ink 9.55\n"},
    {"foreach (var n in Enumerable.Range(1, 3)) Console.Write(n + \" \"); Console.WriteLine(); "
     "Console.WriteLine(string.Join(\",\", Enumerable.Range(1, 5).Where(x => x % 2 == 1).Select(x "
     "=> x * x)));",
     "1 2 3 \n1,9,25\n"},
    {"var items = new[] { 1, 2, 3 }; foreach (var x in items) Console.WriteLine($\"{x,5}\");",
     "    1\n    2\n    3\n"},
    {"Console.WriteLine($\"{\"ink\",-10}|{9.55,8:F2}|\");", "ink       |    9.55|\n"},
    {"var xs = new List<int> { 3, 1, 2 }; xs.Sort(); Console.WriteLine(string.Join(\", \", xs));",
     "1, 2, 3\n"},
    {"double total = 0; foreach (var p in new[] { 9.55, 2.0 }) total += p; "
     "Console.WriteLine($\"{total:N2}\");",
     "11.55\n"},
    {"int a = 7, b = 2; Console.WriteLine(a / b + \" \" + a % b + \" \" + (double)a / b);",
     "3 1 3.5\n"},
    {"Console.WriteLine(\"a\" + 1 + 2 + 'c' + 1.5 + true);", "a12c1.5True\n"},
    {"string s = \"ink\"; Console.WriteLine(s.ToUpper() + s.Length + s[0] + s.Substring(1));",
     "INK3ink\n"},
    {"Console.WriteLine(Math.Round(2.5) + \" \" + Math.Floor(-1.5) + \" \" + Math.Pow(2, 10) + \" "
     "\" + Math.Sqrt(2));",
     "2 -2 1024 1.4142135623730951\n"},
    {"for (int i = 1; i <= 3; i++) { for (int j = 1; j <= 3; j++) Console.Write($\"{i * j,4}\"); "
     "Console.WriteLine(); }",
     "   1   2   3\n   2   4   6\n   3   6   9\n"},
    {"int n = 5; Console.WriteLine(n > 3 ? \"big\" : \"small\"); "
     "Console.WriteLine(n.ToString(\"D4\"));",
     "big\n0005\n"},
    {"Console.WriteLine(\"{0,-8}{1:C}\", \"ink\", 9.5);", "ink     ¤9.50\n"},
    {"Console.WriteLine(string.Format(\"{0:X4} {1:e3} {2:P1}\", 255, 12345.678, 0.256));",
     "00FF 1.235e+004 25.6 %\n"},
    {"Console.WriteLine(\"x\".PadLeft(5, '.') + \"y\".PadRight(3) + \"|\"); Console.WriteLine(new "
     "string('-', 10));",
     "....xy  |\n----------\n"},
    {"var name = \"ink\"; var qty = 3; Console.WriteLine($\"{name} has {qty} item{(qty == 1 ? \"\" "
     ": \"s\")}\");",
     "ink has 3 items\n"},
    {"var sb = new StringBuilder(); sb.Append(\"a\").Append(1); Console.WriteLine(sb.ToString());",
     "a1\n"},
    {"int[] xs = { 1, 2, 3 }; Console.WriteLine(xs.Sum() + \" \" + xs.Max() + \" \" + "
     "xs.Average());",
     "6 3 2\n"},
    {"Console.WriteLine(1_000_000.ToString(\"N0\") + \" \" + 0xFF + \" \" + 0b101);",
     "1,000,000 255 5\n"},
    {"char c = 'a'; c++; Console.WriteLine(c); Console.WriteLine((int)c);", "b\n98\n"},
    {"Console.WriteLine(string.Join(\"|\", \"a,b,c\".Split(',')));", "a|b|c\n"},
    {"Console.WriteLine($\"{DateTime.Parse(\"2031-05-09\"):yyyy-MM-dd}\");", "2031-05-09\n"},
    {"byte b = 200; Console.WriteLine(b); long m = 5; Console.WriteLine(m); float f = 7; "
     "Console.WriteLine(f);",
     "200\n5\n7\n"},
    {"foreach (var s in new[] {\"ink\", \"pen\"}) Console.WriteLine($\"{s,-6}|\");",
     "ink   |\npen   |\n"},
};

}  // namespace

TEST_CASE("statements of C# with arrays, lists and choices print what the runtime prints") {
  support::check_lines("csharp", lines);
}
