// Statements of Java with arrays, lists, counts and choices, as people paste them. The texts are those
// that Java 17 printed of the same lines; where there is none, its compiler or the program failed.

#include <catch2/catch.hpp>

#include "support/statements.hpp"

using namespace inky;

namespace {

constexpr support::PastedLine lines[] = {
    {"int[] q = {3, 1, 2}; Arrays.sort(q); System.out.println(Arrays.toString(q) + q.length + "
     "q[0]);",
     "[1, 2, 3]31\n"},
    {"int[] q = {1, 2}; q[0] = 5; q[1] += 3; q[0]++; System.out.println(q[0] + \" \" + q[1]);",
     "6 5\n"},
    {"double[] d = new double[3]; d[1] = 2; System.out.println(Arrays.toString(d));",
     "[0.0, 2.0, 0.0]\n"},
    {"List<Integer> l = new ArrayList<>(); for (int i = 0; i < 3; i++) l.add(i * i); "
     "System.out.println(l + \" \" + l.size() + \" \" + l.get(2) + l.contains(4) + l.indexOf(1));",
     "[0, 1, 4] 3 4true1\n"},
    {"List<String> l = List.of(\"b\", \"a\"); System.out.println(String.join(\"-\", l) + "
     "l.stream().map(s -> s.toUpperCase()).toList() + "
     "l.stream().sorted().collect(Collectors.joining(\", \")));",
     "b-a[B, A]a, b\n"},
    {"System.out.println(IntStream.rangeClosed(1, 5).filter(n -> n % 2 == 1).sum() + \" \" + "
     "Stream.of(1, 2, 3).reduce(0, (p, r) -> p + r) + \" \" + IntStream.of(1, "
     "2).average().getAsDouble());",
     "9 6 1.5\n"},
    {"StringBuilder sb = new StringBuilder(); for (int i = 0; i < 3; i++) { "
     "sb.append(i).append(','); } sb.setLength(sb.length() - 1); sb.insert(0, \"[\"); "
     "sb.append(']'); System.out.println(sb + \" \" + sb.length());",
     "[0,1,2] 7\n"},
    {"StringBuilder sb = new StringBuilder(\"abc\"); sb.reverse(); sb.deleteCharAt(0); "
     "System.out.println(sb.toString() + 'x' + 1.5f);",
     "bax1.5\n"},
    {"int k = 3; switch (k) { case 1: System.out.println(\"one\"); case 3: "
     "System.out.println(\"three\"); case 4: System.out.println(\"four\"); break; default: "
     "System.out.println(\"?\"); }",
     "three\nfour\n"},
    {"String t = \"nib\"; switch (t) { case \"ink\": System.out.println(1); break; case \"nib\": "
     "System.out.println(2); }",
     "2\n"},
    {"int n = 0; do { n += 2; } while (n < 5); System.out.println(n); int z = 5; "
     "System.out.println(z--); System.out.println(--z);",
     "6\n5\n3\n"},
    {"System.out.println(\"a,b,,\".split(\",\").length + \" \" + "
     "Arrays.toString(\"a|b\".split(\"\\\\|\")) + \"apple\".compareTo(\"apricot\") + "
     "\"Abc\".equalsIgnoreCase(\"aBC\"));",
     "2 [a, b]-2true\n"},
    {"int[] q = {1, 2}; int i = 5; i = 0; while (i < q.length) System.out.print(q[i++] + \" \"); "
     "System.out.println(i);",
     "1 2 2\n"},
    {"byte[] bs = {1, 2}; long[] ls = {1L, 2}; float[] fs = {1.5f, 2}; System.out.println(bs[0] + "
     "ls[1] + fs[1]); char[] cs = {'a', 'b'}; System.out.println(cs[0] + \"\" + cs[1]);",
     "5.0\nab\n"},
    {"double avg = 7 / 2; System.out.println(avg); int x = (int) 3.7; long y = 5; y = y * x; "
     "System.out.println(y); int[] w = {1}; System.out.println(w[1]);",
     nullptr},
    {"for (int i = 0, j = 5; i < j; i++, j--) System.out.print(i + \":\" + j + \" \"); "
     "System.out.println();",
     "0:5 1:4 2:3 \n"},
    {"String name = \"ink\"; double price = 9.55; int qty = 3; "
     "System.out.printf(\"%-10s|%8.2f|%5d%n\", name, price * qty, qty);",
     "ink       |   28.65|    3\n"},
    {"double total = 1234.5; System.out.println(String.format(\"Total: %,.2f\", total));",
     "Total: 1,234.50\n"},
    {"System.out.println(\"Name: \" + \"ink\" + \", price: \" + 9.55 + \", qty: \" + 3);",
     "Name: ink, price: 9.55, qty: 3\n"},
    {"System.out.println(1 + 2 + \"3\" + 4 + 5);", "3345\n"},
    {"System.out.println('a' + 1); System.out.println(\"\" + 'a' + 1); System.out.println((char) "
     "('a' + 1));",
     "98\na1\nb\n"},
    {"System.out.println(7 / 2); System.out.println(7 / 2.0); System.out.println(-7 / 2); "
     "System.out.println(-7 % 3);",
     "3\n3.5\n-3\n-1\n"},
    {"System.out.println(Math.round(2.5) + \" \" + Math.round(-2.5) + \" \" + Math.floor(-2.5) + "
     "\" \" + Math.sqrt(2));",
     "3 -2 -3.0 1.4142135623730951\n"},
    {"System.out.println(Integer.toHexString(255) + \" \" + Integer.toBinaryString(10) + \" \" + "
     "Integer.toOctalString(8) + \" \" + Integer.MAX_VALUE);",
     "ff 1010 10 2147483647\n"},
    {"System.out.println(Integer.parseInt(\"42\") + 1); "
     "System.out.println(Double.parseDouble(\"3.14\") * 2);",
     "43\n6.28\n"},
    {"System.out.println(String.valueOf(3.0f) + String.valueOf(100L) + String.valueOf(true));",
     "3.0100true\n"},
    {"String s = \"Hello\"; System.out.println(s.substring(1, 3) + s.charAt(0) + s.length() + "
     "s.indexOf(\"l\") + s.toUpperCase());",
     "elH52HELLO\n"},
    {"System.out.println(String.join(\", \", \"a\", \"b\", \"c\")); "
     "System.out.println(\"ab\".repeat(3)); System.out.println(\"  x \".trim() + \"|\" + \" y "
     "\".strip() + \"|\");",
     "a, b, c\nababab\nx|y|\n"},
    {"System.out.println(\"a,b,c\".split(\",\").length); System.out.println(\"hello\".replace('l', "
     "'L')); System.out.println(\"x\".equals(\"x\"));",
     "3\nheLLo\ntrue\n"},
    {"System.out.printf(\"%5.1f%%%n\", 45.678); System.out.printf(\"%x %X %o %e%n\", 255, 255, 8, "
     "12345.678);",
     " 45.7%\nff FF 10 1.234568e+04\n"},
    {"long big = 1L << 40; System.out.println(big); int i = Integer.MAX_VALUE; i++; "
     "System.out.println(i); System.out.println(1e10); System.out.println(100.0f / 3);",
     "1099511627776\n-2147483648\n1.0E10\n33.333332\n"},
    {"String[] names = {\"ink\", \"nib\"}; for (int i = 0; i < names.length; i++) "
     "System.out.printf(\"%d: %-6s|%n\", i + 1, names[i]);",
     "1: ink   |\n2: nib   |\n"},
    {"double[] xs = {1.5, 2.25}; double sum = 0; for (double d : xs) sum += d; "
     "System.out.printf(\"%.3f %.2f%n\", sum, sum / xs.length);",
     "3.750 1.88\n"},
    {"System.out.println(Objects.toString(null) + \" \" + null); boolean b = 1 < 2; "
     "System.out.println(b && !false || false);",
     "null null\ntrue\n"},
    {"System.out.println(0.1 + 0.2); System.out.println(0.1f + 0.2f); System.out.println((float) "
     "0.1 + 0.2); System.out.println((int) 3.99 + (int) 'A');",
     "0.30000000000000004\n0.3\n0.30000000149011613\n68\n"},
    {"System.out.println(\"%d items at %.2f\".formatted(3, 9.55)); "
     "System.out.println(String.format(\"%08.3f|%+d|%(d\", 3.14159, 5, -5));",
     "3 items at 9.55\n0003.142|+5|(5)\n"},
    {"System.out.println(Arrays.toString(new int[]{1, 2, 3})); "
     "System.out.println(Arrays.asList(\"a\", \"b\")); System.out.println(List.of(1, 2.5, \"x\"));",
     "[1, 2, 3]\n[a, b]\n[1, 2.5, x]\n"},
    {"var n = 42; System.out.println(\"Answer: \" + n); System.out.print(\"a\" + \"\\t\" + "
     "\"b\\n\"); System.out.println();",
     "Answer: 42\na\tb\n\n"},
    {"char c = 'x'; c++; System.out.println(c); byte bt = (byte) 200; System.out.println(bt); "
     "short sh = (short) 70000; System.out.println(sh); System.out.println(5 & 3 | 4 ^ 1); "
     "System.out.println(-16 >> 2); System.out.println(-16 >>> 28);",
     "y\n-56\n4464\n5\n-4\n15\n"},
    {"System.out.println(Math.max(3, 7) + Math.min(1.5, 2) + Math.abs(-4) + Math.pow(2, 10)); "
     "System.out.println(Math.PI); System.out.println(Double.MAX_VALUE + \" \" + "
     "Double.MIN_VALUE);",
     "1036.5\n3.141592653589793\n1.7976931348623157E308 4.9E-324\n"},
    {"System.out.println(Character.isDigit('5') + \" \" + Character.toUpperCase('a') + \" \" + "
     "(int) 'a' + \" \" + Character.getNumericValue('7'));",
     "true A 97 7\n"},
    {"int[] xs = {3, 1, 2}; for (int x : xs) { System.out.printf(\"%3d%n\", x); }",
     "  3\n  1\n  2\n"},
    {"List<String> names = List.of(\"ink\", \"nib\"); for (String n : names) "
     "System.out.println(n.toUpperCase());",
     "INK\nNIB\n"},
    {"double total = 0; double[] p = {9.55, 2.0}; for (double x : p) total += x; "
     "System.out.printf(\"%.2f%n\", total);",
     "11.55\n"},
    {"String s = String.format(\"%-10s|%8.2f|\", \"ink\", 9.55); System.out.println(s);",
     "ink       |    9.55|\n"},
    {"System.out.println(\"a\" + 1 + 2 + 'c' + 1.0 + true);", "a12c1.0true\n"},
    {"System.out.println(1 + 2 + \"a\"); System.out.println('a' + 1);", "3a\n98\n"},
    {"System.out.println(String.join(\", \", \"a\", \"b\")); System.out.println(\"x\".repeat(3));",
     "a, b\nxxx\n"},
    {"System.out.println(Math.round(2.5) + \" \" + Math.floor(-1.5) + \" \" + Math.pow(2, 10) + \" "
     "\" + Math.sqrt(2));",
     "3 -2.0 1024.0 1.4142135623730951\n"},
    {"StringBuilder sb = new StringBuilder(); for (int i = 0; i < 3; i++) "
     "sb.append(i).append(','); System.out.println(sb);",
     "0,1,2,\n"},
    {"List<Integer> l = new ArrayList<>(); l.add(1); l.add(2); System.out.println(l);", "[1, 2]\n"},
    {"var x = 5; System.out.println(x > 3 ? \"big\" : \"small\");", "big\n"},
    {"System.out.println(Arrays.toString(new int[]{1, 2, 3}));", "[1, 2, 3]\n"},
    {"String name = \"ink\"; System.out.println(name.length() + name.charAt(0) + "
     "name.substring(1));",
     "108nk\n"},
    {"System.out.printf(\"%s %d %x %o %e %b %c%n\", \"a\", 42, 255, 8, 12345.678, true, 'z');",
     "a 42 ff 10 1.234568e+04 true z\n"},
    {"long big = 1L << 40; System.out.println(big); System.out.println(Integer.MAX_VALUE + 1);",
     "1099511627776\n-2147483648\n"},
    {"System.out.println(0.1 + 0.2); System.out.println(1.0f / 3); System.out.println(100.0 / "
     "3.0);",
     "0.30000000000000004\n0.33333334\n33.333333333333336\n"},
    {"System.out.println(\"%d items\".formatted(3)); System.out.println(String.valueOf(3.0));",
     "3 items\n3.0\n"},
    {"for (int i = 1; i <= 3; i++) { for (int j = 1; j <= 3; j++) { System.out.printf(\"%4d\", i * "
     "j); } System.out.println(); }",
     "   1   2   3\n   2   4   6\n   3   6   9\n"},
    {"System.out.println(Integer.toBinaryString(10) + \" \" + Integer.toHexString(255) + \" \" + "
     "Integer.parseInt(\"42\"));",
     "1010 ff 42\n"},
    {"char c = 'a'; c++; System.out.println(c); System.out.println((int) c); "
     "System.out.println((char) (c + 1));",
     "b\n98\nc\n"},
    {"switch (2) { case 1: System.out.println(\"one\"); break; default: "
     "System.out.println(\"other\"); }",
     "other\n"},
    {"System.out.println(Stream.of(1, 2, 3).map(x -> x * 2).toList());", "[2, 4, 6]\n"},
    {"int n = 0; do { n++; } while (n < 3); System.out.println(n);", "3\n"},
    {"final double RATE = 0.075; System.out.printf(\"%.1f%%%n\", RATE * 100);", "7.5%\n"},
    {"int n = 7; n += 0.9; System.out.println(n); long m = n; System.out.println(m); byte b = 5; "
     "System.out.println(b);",
     "7\n7\n5\n"},
    {"int sum = 0; for (int i = 1; i <= 10; i++) { sum += i; } System.out.println(\"Sum: \" + "
     "sum);",
     "Sum: 55\n"},
    {"int n = 5; if (n > 3) { System.out.println(\"big\"); } else { System.out.println(\"small\"); "
     "}",
     "big\n"},
    {"String[] names = {\"ink\", \"pen\"}; for (String s : names) { System.out.printf(\"%-6s|%n\", "
     "s); }",
     "ink   |\npen   |\n"},
};

}  // namespace

TEST_CASE("statements of Java with arrays, lists and choices print what the runtime prints") {
  support::check_lines("java", lines);
}
