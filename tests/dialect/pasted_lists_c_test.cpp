// Statements of C with arrays, lists, counts and choices, as people paste them. The texts are those
// that gcc 12 printed of the same lines; where there is none, its compiler or the program failed.

#include <catch2/catch.hpp>

#include "support/statements.hpp"

using namespace inky;

namespace {

constexpr support::PastedLine lines[] = {
    {"int xs[] = {3, 1, 2}; int n = sizeof(xs) / sizeof(xs[0]); for (int i = 0; i < n; i++) "
     "printf(\"%d \", xs[i]); xs[1] = 7; xs[0] += 2; xs[2]++; printf(\"%d %d %d %zu\\n\", xs[0], "
     "xs[1], xs[2], sizeof(xs));",
     "3 1 2 5 7 3 12\n"},
    {"char *names[] = {\"ink\", \"nib\"}; double p[] = {9.55, 120}; for (int i = 0; i < 2; i++) "
     "printf(\"%-6s%8.2f\\n\", names[i], p[i]); const char *c[2] = {\"a\", \"b\"}; puts(c[1]); "
     "printf(\"%c%c\\n\", names[0][1], *names[1]);",
     "ink       9.55\nnib     120.00\nb\nnn\n"},
    {"char buf[8]; snprintf(buf, sizeof(buf), \"%s-%d\", \"inkwell\", 42); puts(buf); sprintf(buf, "
     "\"%03d\", 7); printf(\"[%s] %zu\\n\", buf, strlen(buf)); char line[20]; strcpy(line, "
     "\"nib\"); puts(line);",
     "inkwell\n[007] 3\nnib\n"},
    {"int m[2][3] = {{1, 2, 3}, {4, 5, 6}}; for (int i = 0; i < 2; i++) { for (int j = 0; j < 3; "
     "j++) printf(\"%3d\", m[i][j]); printf(\"\\n\"); } float f[2] = {0.1f, 2}; printf(\"%.10f "
     "%g\\n\", f[0], f[1]);",
     "  1  2  3\n  4  5  6\n0.1000000015 2\n"},
    {"int i = 0; do { printf(\"%d \", i++); } while (i < 3); printf(\"%d\\n\", i); int n = 3; "
     "while (n--) printf(\"%d\", n); printf(\"%d\\n\", n); for (int a = 0, b = 10; a < b; a += 3, "
     "b--) printf(\"%d %d;\", a, b); puts(\"\");",
     "0 1 2 3\n210-1\n0 10;3 9;6 8;\n"},
    {"#define W 10\n#define NAME \"ink\"\nprintf(\"%*d|%-*d|\\n\", W, 42, W, 7); printf(\"%s\\n\", "
     "NAME); switch (W) { case 5: puts(\"five\"); break; case 10: puts(\"ten\"); default: "
     "puts(\"more\"); }",
     "        42|7         |\nink\nten\nmore\n"},
    {"int a = 5; printf(\"%d\\n\", a++ * 2); printf(\"%d\\n\", a); int b = a-- - 1; printf(\"%d "
     "%d\\n\", a, b); int z[5] = {1, 2}; printf(\"%d %d\\n\", z[3], z[1]);",
     "10\n6\n5 5\n0 2\n"},
    {"char name[] = \"ink\"; double price = 9.55; int qty = 3; printf(\"%-10s|%8.2f|%5d\\n\", "
     "name, price * qty, qty);",
     "ink       |   28.65|    3\n"},
    {"const char *name = \"ink\"; printf(\"%s has %zu letters, first %c\\n\", name, strlen(name), "
     "name[0]); printf(\"%.*s|%*d\\n\", 2, name, 6, 42);",
     "ink has 3 letters, first i\nin|    42\n"},
    {"printf(\"%d %f %d\\n\", 7 / 2, 7 / 2.0, -7 % 3); printf(\"%c %d\\n\", 'a' + 1, 'a'); "
     "printf(\"%x %X %#x %o\\n\", 255, 255, 255, 8); printf(\"%e %g %g\\n\", 12345.678, 1e10, "
     "0.0001);",
     "3 3.500000 -1\nb 97\nff FF 0xff 10\n1.234568e+04 1e+10 0.0001\n"},
    {"int x = 5; printf(\"%s\\n\", x > 3 ? \"big\" : \"small\"); x++; printf(\"%d\\n\", x); "
     "printf(\"%d\\n\", x++); printf(\"%d\\n\", x); printf(\"%d %d\\n\", x & 3, x << 2);",
     "big\n6\n6\n7\n3 28\n"},
    {"int arr[] = {1, 2, 3}; for (int i = 0; i < 3; i++) printf(\"%4d\", arr[i]); printf(\"\\n\"); "
     "int sum = 0; for (int i = 0; i < 3; i++) { sum += arr[i]; } printf(\"avg %.2f\\n\", sum / "
     "3.0);",
     "   1   2   3\navg 2.00\n"},
    {"char *names[] = {\"ink\", \"nib\"}; double prices[] = {9.55, 120}; for (int i = 0; i < 2; "
     "i++) printf(\"%-10s%8.2f\\n\", names[i], prices[i]);",
     "ink           9.55\nnib         120.00\n"},
    {"unsigned u = 5; printf(\"%u %d\\n\", u - 6, (int)3.99); long long big = 1LL << 40; "
     "printf(\"%lld %ld\\n\", big, 100000L * 100000L); printf(\"%5.1f%%\\n\", 45.678); "
     "printf(\"%zu\\n\", sizeof(int));",
     "4294967295 3\n1099511627776 10000000000\n 45.7%\n4\n"},
    {"char buf[50]; sprintf(buf, \"%05.1f\", 3.14159); printf(\"%s|\\n\", buf); snprintf(buf, "
     "sizeof(buf), \"%d-%s\", 42, \"x\"); puts(buf); int n = snprintf(NULL, 0, \"%d\", 12345); "
     "printf(\"%d\\n\", n);",
     "003.1|\n42-x\n5\n"},
    {"float f = 0.1f; printf(\"%.10f %.20f\\n\", f, 0.1); printf(\"%f\\n\", 1.0 / 3); "
     "printf(\"%.0f %.0f\\n\", 2.5, 3.5); printf(\"%g\\n\", 100000.0); printf(\"%g\\n\", "
     "1000000.0); double d = 1e300; printf(\"%g\\n\", d * 1e10);",
     "0.1000000015 0.10000000000000000555\n0.333333\n2 4\n100000\n1e+06\ninf\n"},
    {"int i = 0; while (i < 3) { printf(\"%d \", i); i++; } putchar('\\n'); do { printf(\"%d \", "
     "i--); } while (i > 0); printf(\"\\n\"); for (int a = 0, b = 10; a < b; a += 3, b--) "
     "printf(\"%d %d;\", a, b);",
     "0 1 2 \n3 2 1 \n0 10;3 9;6 8;"},
    {"printf(\"%s\\n\", \"a\" \"b\"); printf(\"Hello, World!\\n\"); puts(\"done\"); "
     "printf(\"%5s|%-5s|%05d|%+d|% d\\n\", \"ab\", \"ab\", 42, 42, 42); printf(\"%hhd %hu\\n\", "
     "300, 70000); printf(\"%3d.\\n\", 7);",
     "ab\nHello, World!\ndone\n   ab|ab   |00042|+42| 42\n44 4464\n  7.\n"},
    {"#define W 10\nconst int n = 3; printf(\"%*d|%-*d|\\n\", W, n, W, n); printf(\"%d\\n\", "
     "abs(-4)); printf(\"%.2f %.2f %.2f\\n\", sqrt(2), pow(2, 10), floor(-2.5)); switch (n) { case "
     "3: printf(\"three\\n\"); break; default: printf(\"?\\n\"); }",
     "         3|3         |\n4\n1.41 1024.00 -3.00\nthree\n"},
    {"int xs[] = {3, 1, 2}; int n = sizeof(xs) / sizeof(xs[0]); for (int i = 0; i < n; i++) "
     "printf(\"%d \", xs[i]); printf(\"\\n\");",
     "3 1 2 \n"},
    {"double total = 0; double p[] = {9.55, 2.0}; for (int i = 0; i < 2; i++) total += p[i]; "
     "printf(\"%.2f\\n\", total);",
     "11.55\n"},
    {"char *names[] = {\"ink\", \"nib\"}; for (int i = 0; i < 2; i++) printf(\"%-10s|\\n\", "
     "names[i]);",
     "ink       |\nnib       |\n"},
    {"int a = 7, b = 2; printf(\"%d %d %f\\n\", a / b, a % b, (double)a / b);", "3 1 3.500000\n"},
    {"char buf[32]; snprintf(buf, sizeof buf, \"%05d\", 42); puts(buf);", "00042\n"},
    {"for (int i = 1; i <= 3; i++) { for (int j = 1; j <= 3; j++) printf(\"%4d\", i * j); "
     "printf(\"\\n\"); }",
     "   1   2   3\n   2   4   6\n   3   6   9\n"},
    {"printf(\"%s\\n\", 3 > 2 ? \"yes\" : \"no\"); putchar('x'); putchar('\\n');", "yes\nx\n"},
    {"unsigned int u = 255; printf(\"%x %X %o %#x %u\\n\", u, u, u, u, u);",
     "ff FF 377 0xff 255\n"},
    {"char c = 'a'; printf(\"%c %d %c\\n\", c, c, c + 1); printf(\"%5.1f%%\\n\", 45.678);",
     "a 97 b\n 45.7%\n"},
    {"const char *s = \"hello\"; printf(\"%.3s|%10s|%-10s|\\n\", s, s, s); printf(\"%zu\\n\", "
     "strlen(s));",
     "hel|     hello|hello     |\n5\n"},
    {"int i = 0; do { printf(\"%d \", i); i++; } while (i < 3); printf(\"\\n\");", "0 1 2 \n"},
    {"switch (2) { case 1: printf(\"one\\n\"); break; case 2: printf(\"two\\n\"); break; }",
     "two\n"},
    {"long long big = 1LL << 40; printf(\"%lld %ld\\n\", big, 5L); printf(\"%f %e %g\\n\", 1.0 / "
     "3, 12345.678, 1e10);",
     "1099511627776 5\n0.333333 1.234568e+04 1e+10\n"},
    {"float f = 0.1f; printf(\"%.10f %.2f\\n\", f, f * 3); printf(\"%d\\n\", (int)3.9);",
     "0.1000000015 0.30\n3\n"},
    {"int m[2][2] = {{1, 2}, {3, 4}}; printf(\"%d\\n\", m[1][0]);", "3\n"},
    {"printf(\"Name: %s\\nAge: %d\\n\", \"Ann\", 30); printf(\"%3d|%-3d|%03d\\n\", 5, 5, 5);",
     "Name: Ann\nAge: 30\n  5|5  |005\n"},
    {"double price = 9.55; int count = 3; double total = price * count; printf(\"%.2f\\n\", "
     "total);",
     "28.65\n"},
    {"for (int i = 1; i <= 2; i++) {\n  for (int j = 1; j <= 3; j++) printf(\"%4d\", i * j);\n  "
     "printf(\"\\n\");\n}",
     "   1   2   3\n   2   4   6\n"},
    {"for (int i = 0; i < 5; i++) { if (i % 2 == 0) printf(\"%d even\\n\", i); else printf(\"%d "
     "odd\\n\", i); }",
     "0 even\n1 odd\n2 even\n3 odd\n4 even\n"},
    {"printf(\"a\\n\"); printf(\"\\n\"); putchar('x'); puts(\"\");", "a\n\nx\n"},
    {"int a[5] = {1, 2}; printf(\"%d\\n\", a[3]);", "0\n"},
    {"for (int i = 0; i < 5; i++) { if (i == 1) continue; if (i == 4) break; printf(\"%d\\n\", i); "
     "}",
     "0\n2\n3\n"},
    {"for (int i = 0; i < 2; i++) { for (int j = 0; j < 5; j++) { if (j > i) break; printf(\"%d%d "
     "\", i, j); } puts(\"\"); }",
     "00 \n10 11 \n"},
};

}  // namespace

TEST_CASE("statements of C with arrays, lists and choices print what the runtime prints") {
  support::check_lines("c", lines);
}
