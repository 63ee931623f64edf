// Statements of C++ with arrays, lists, counts and choices, as people paste them. The texts are those
// that g++ 12 printed of the same lines; where there is none, its compiler or the program failed.

#include <catch2/catch.hpp>

#include "support/statements.hpp"

using namespace inky;

namespace {

constexpr support::PastedLine lines[] = {
    {"vector<int> v; for (int i = 0; i < 3; i++) v.push_back(i * i); v[0] = 7; v[1] += 2; cout << "
     "v.size() << v[0] << v.back() << v.front() << v.at(1) << v.empty() << endl; v.pop_back(); "
     "cout << v.size() << endl;",
     "374730\n2\n"},
    {"vector<double> v; v.push_back(1); cout << v[0] / 2 << endl; vector<int> w(3); w[1] = 5; for "
     "(int x : w) cout << x << \" \"; vector<int> u(2, 7); cout << u[1] << endl; auto t = w; t[0] "
     "= 9; cout << w[0] << t[0] << endl;",
     "0.5\n0 5 0 7\n09\n"},
    {"vector<int> v = {3, 1, 2}; sort(v.begin(), v.end()); reverse(v.begin(), v.end()); cout << "
     "v[0] << *max_element(v.begin(), v.end()) << accumulate(v.begin(), v.end(), 0) << "
     "accumulate(v.begin(), v.end(), 0.5) << count(v.begin(), v.end(), 2) << endl;",
     "3366.51\n"},
    {"int n = 3; while (n--) cout << n << \" \"; cout << n << endl; int i = 0; cout << i++ << "
     "endl; cout << ++i << endl; do { i--; } while (i > 0); cout << i << endl; for (int a = 0, b = "
     "3; a < b; a++, b--) cout << a << b; cout << endl;",
     "2 1 0 -1\n0\n2\n0\n0312\n"},
    {"cout << INT_MAX << \" \" << numeric_limits<int>::min() << \" \" << "
     "numeric_limits<double>::max() << \" \" << numeric_limits<long long>::max() << endl; cout << "
     "stoi(\"42\") + 1 << \" \" << stod(\"2.5\") * 2 << \" \" << sizeof(int) << endl;",
     "2147483647 -2147483648 1.79769e+308 9223372036854775807\n43 5 4\n"},
    {"string s = \"hello\"; cout << s.find(\"l\") << \" \" << s.rfind('l') << \" \" << s.substr(1, "
     "3) << \" \" << (s.find(\"z\") == string::npos) << endl; char buf[20]; sprintf(buf, "
     "\"%05.1f\", 3.14159); cout << buf << strlen(buf) << endl;",
     "2 3 ell 1\n003.15\n"},
    {"switch (2) { case 1: cout << \"one\"; break; case 2: cout << \"two\"; case 3: cout << "
     "\"three\" << endl; break; default: cout << \"?\"; } int x = 4; switch (x % 3) { case 0: cout "
     "<< \"zero\"; break; default: cout << \"rest\" << endl; }",
     "twothree\nrest\n"},
    {"vector<int> v = {1, 2}; for (const auto& x : v) cout << x * 2 << \" \"; for (auto& x : v) "
     "cout << x << endl;",
     "2 4 1\n2\n"},
    {"string name = \"ink\"; double price = 9.55; int qty = 3; cout << left << setw(10) << name << "
     "\"|\" << right << setw(8) << fixed << setprecision(2) << price * qty << \"|\" << setw(5) << "
     "qty << endl;",
     "ink       |   28.65|    3\n"},
    {"string name = \"ink\"; double price = 9.55; printf(\"%-10s|%8.2f\\n\", name.c_str(), price); "
     "printf(\"%s %d\\n\", name.c_str(), (int)name.size());",
     "ink       |    9.55\nink 3\n"},
    {"cout << 7 / 2 << \" \" << 7 / 2.0 << \" \" << -7 % 3 << \" \" << 1.0 / 3 << \" \" << 0.1 + "
     "0.2 << \" \" << 0.1f + 0.2f << endl;",
     "3 3.5 -1 0.333333 0.3 0.3\n"},
    {"cout << hex << 255 << \" \" << oct << 8 << dec << \" \" << showbase << hex << 255 << endl; "
     "cout << boolalpha << true << \" \" << (1 < 2) << noboolalpha << true << endl;",
     "ff 10 0xff\ntrue true0x1\n"},
    {"vector<int> v{1, 2, 3}; for (auto x : v) cout << x << \", \"; cout << \"size \" << v.size() "
     "<< endl; cout << v[0] + v.back() << endl;",
     "1, 2, 3, size 3\n4\n"},
    {"vector<double> v = {1.5, 2.25}; double sum = 0; for (size_t i = 0; i < v.size(); ++i) sum += "
     "v[i]; cout << fixed << setprecision(3) << sum / v.size() << \"\\n\";",
     "1.875\n"},
    {"string s = \"Hello\"; cout << s.substr(1, 3) << s[0] << s.length() << s.find(\"l\") << s + "
     "\" world\" << endl; s += \"!\"; cout << s << endl;",
     "ellH52Hello world\nHello!\n"},
    {"cout << to_string(42) + \"x\" << stoi(\"42\") + 1 << stod(\"3.5\") * 2 << endl; cout << "
     "string(5, '-') << endl; cout << setfill('0') << setw(5) << 42 << endl;",
     "42x437\n-----\n00042\n"},
    {"cout << (int)3.99 << static_cast<int>('A') << (char)66 << char('a' + 1) << 'a' + 1 << endl; "
     "cout << sqrt(2) << \" \" << pow(2, 10) << \" \" << floor(-2.5) << \" \" << round(2.5) << \" "
     "\" << abs(-4) << endl;",
     "365Bb98\n1.41421 1024 -3 3 4\n"},
    {"int x = 5; cout << (x > 3 ? \"big\" : \"small\") << endl; x++; cout << x << endl; cout << "
     "x++ << endl; cout << x << endl;",
     "big\n6\n6\n7\n"},
    {"cout << 1e10 << \" \" << 123456789.0 << \" \" << 1e-5 << \" \" << 100.0 << \" \" << "
     "1234567.0f << endl; cout << scientific << 12345.678 << endl; cout << setprecision(3) << "
     "3.14159 << endl;",
     "1e+10 1.23457e+08 1e-05 100 1.23457e+06\n1.234568e+04\n3.142e+00\n"},
    {"long long big = 1LL << 40; cout << big << endl; cout << INT_MAX << \" \" << "
     "numeric_limits<int>::max() << \" \" << numeric_limits<double>::epsilon() << endl; cout << "
     "sizeof(int) << endl;",
     "1099511627776\n2147483647 2147483647 2.22045e-16\n4\n"},
    {"int arr[] = {1, 2, 3}; for (int i = 0; i < 3; i++) cout << setw(4) << arr[i]; cout << endl; "
     "int m[2][2] = {{1, 2}, {3, 4}}; cout << m[1][0] << endl;",
     "   1   2   3\n3\n"},
    {"char buf[50]; sprintf(buf, \"%05.1f\", 3.14159); cout << buf << endl; char c = 'x'; cout << "
     "c << (int)c << endl; const char* s = \"abc\"; cout << s << strlen(s) << endl;",
     "003.1\nx120\nabc3\n"},
    {"for (int i = 0; i < 3; i++) { for (int j = 0; j <= i; j++) cout << \"*\"; cout << \"\\n\"; } "
     "int n = 3; while (n-- > 0) cout << n; cout << endl; do { n++; cout << n; } while (n < 2); "
     "cout << endl;",
     "*\n**\n***\n210\n012\n"},
    {"cout << true << false << nullptr << endl; cout << 5 / 2 * 2.0 << \" \" << (5 & 3) << \" \" "
     "<< (1 << 4) << \" \" << \n5 << \" \" << !5 << endl; unsigned u = 5; cout << u - 6 << endl; "
     "cout << \"a\\tb\" \"c\" << '\\n';",
     "10nullptr\n4 1 16 5 0\n4294967295\na\tbc\n"},
    {"vector<int> v = {3, 1, 2}; sort(v.begin(), v.end()); for (int x : v) cout << x << \" \"; "
     "cout << endl;",
     "1 2 3 \n"},
    {"double total = 0; for (double p : {9.55, 2.0}) total += p; printf(\"%.2f\\n\", total);",
     "11.55\n"},
    {"string s = \"ink\"; s += \"!\"; cout << s << s.size() << s.substr(1) << endl;", "ink!4nk!\n"},
    {"for (int i = 1; i <= 3; ++i) { for (int j = 1; j <= 3; ++j) cout << setw(4) << i * j; cout "
     "<< '\\n'; }",
     "   1   2   3\n   2   4   6\n   3   6   9\n"},
    {"cout << boolalpha << true << \" \" << (3 > 2) << noboolalpha << false << endl;",
     "true true0\n"},
    {"cout << left << setw(10) << \"ink\" << right << setw(8) << fixed << setprecision(2) << 9.555 "
     "<< endl;",
     "ink           9.55\n"},
    {"vector<int> v; v.push_back(1); v.push_back(2); cout << v.size() << v[0] << v.back() << endl;",
     "212\n"},
    {"cout << sqrt(2.0) << \" \" << pow(2, 10) << \" \" << floor(-1.5) << \" \" << round(2.5) << "
     "endl;",
     "1.41421 1024 -2 3\n"},
    {"char c = 'a'; c++; cout << c << int(c) << char(c + 1) << endl;", "b98c\n"},
    {"cout << hex << 255 << \" \" << oct << 8 << dec << 10 << showbase << hex << 255 << endl;",
     "ff 10100xff\n"},
    {"int n = 3; while (n--) cout << n << \" \"; cout << endl;", "2 1 0 \n"},
    {"cout << to_string(3.5) + \"x\" << stoi(\"42\") + 1 << endl;", "3.500000x43\n"},
    {"cout << 1e6 << \" \" << 123456789.0 << \" \" << 0.1 + 0.2 << \" \" << 1.0 / 3 << endl;",
     "1e+06 1.23457e+08 0.3 0.333333\n"},
    {"string name = \"ink\"; cout << \"Name: \" << name << \", qty: \" << 3 << \"\\n\";",
     "Name: ink, qty: 3\n"},
    {"unsigned u = -1; cout << u << \" \" << INT_MAX << \" \" << sizeof(int) << endl;",
     "4294967295 2147483647 4\n"},
    {"int n = 3; while (n--) cout << n << ' '; cout << endl;", "2 1 0 \n"},
    {"double x = 3.14159; cout << fixed << setprecision(2); cout << x << endl; cout << x * 2 << "
     "endl;",
     "3.14\n6.28\n"},
    {"cout << fixed << setprecision(2); for (int i = 1; i <= 2; i++) cout << setw(8) << i * 1.234 "
     "<< endl;",
     "    1.23\n    2.47\n"},
    {"double x = 3.14159; cout << fixed << setprecision(3) << x << endl; int n = 255; cout << hex "
     "<< n << \" \" << x << endl; cout << dec << n << endl;",
     "3.142\nff 3.142\n255\n"},
    {"cout << left << setfill('.'); int n = 7; cout << setw(6) << n << \"|\" << endl; n = 12; cout "
     "<< setw(6) << n << \"|\";",
     "7.....|\n12....|"},
};

}  // namespace

TEST_CASE("statements of C++ with arrays, lists and choices print what the runtime prints") {
  support::check_lines("cpp-stream", lines);
}
