// Lines of C++ as people paste them. The texts are those that the program of g++ 12 printed of the same lines.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PrintingCall;
using support::value;

TEST_CASE("chains of C++ print what the compiled program prints") {
  const std::vector<PrintingCall> calls = {
      {"cout << name << \": \" << n << endl;", {value("n=7"), value("name=ink")}, "ink: 7\n"},
      {"cout << fixed << setprecision(2) << x << '\\n';", {value("x=9.55")}, "9.55\n"},
      {"cout << setw(8) << n << \"|\" << left << setw(8) << name << \"|\\n\";",
       {value("n=7"), value("name=ink")},
       "       7|ink     |\n"},
      {"cout << \"Total: \" << x * n << \"\\n\";",
       {value("n=7"), value("x=9.55")},
       "Total: 66.85\n"},
      {"cout << hex << 255 << \" \" << uppercase << 255 << dec << \" \" << n << \"\\n\";",
       {value("n=7")},
       "ff FF 7\n"},
      {"cout << showbase << hex << n << oct << n << \"\\n\";", {value("n=7")}, "0x707\n"},
      {"cout << setfill('0') << setw(5) << n << \"\\n\";", {value("n=7")}, "00007\n"},
      {"cout << boolalpha << flag << \" \" << (n > 5) << \"\\n\";",
       {value("n=7"), value("flag=true:truth")},
       "true true\n"},
      {"cout << scientific << total << \" \" << setprecision(3) << total << \"\\n\";",
       {value("total=1234567.891")},
       "1.234568e+06 1.235e+06\n"},
      {"cout << n / 2 << \" \" << n / 2.0 << \" \" << n % 4 << \"\\n\";",
       {value("n=7")},
       "3 3.5 3\n"},
      {"cout << (n > 5 ? \"many\" : \"few\") << \"\\n\";", {value("n=7")}, "many\n"},
      {"cout << name.size() << \" \" << name.length() << \" \" << name[0] << \"\\n\";",
       {value("name=ink")},
       "3 3 i\n"},
      {"cout << name + \"!\" << \"\\n\";", {value("name=ink")}, "ink!\n"},
      {"cout << name.substr(1) << name.substr(0, 2) << \"\\n\";", {value("name=ink")}, "nkin\n"},
      {"cout << static_cast<int>(x) << \" \" << (int)x << \" \" << int(x) << \"\\n\";",
       {value("x=9.55")},
       "9 9 9\n"},
      {"cout << static_cast<double>(n) / 2 << \"\\n\";", {value("n=7")}, "3.5\n"},
      {"cout << showpos << n << noshowpos << n << \"\\n\";", {value("n=7")}, "+77\n"},
      {"cout << 1e10 << \" \" << 1e5 << \" \" << 123456789.0 << \" \" << 0.0001 << \" \" << "
       "0.00001 << \"\\n\";",
       {},
       "1e+10 100000 1.23457e+08 0.0001 1e-05\n"},
      {"cout << 0.1 + 0.2 << \" \" << 1.0 / 3 << \" \" << 100.0 << \"\\n\";",
       {},
       "0.3 0.333333 100\n"},
      {"cout << setprecision(17) << 0.1 << \"\\n\";", {}, "0.10000000000000001\n"},
      {"cout << bitset<8>(n) << \"\\n\";", {value("n=7")}, "00000111\n"},
      {"cout << to_string(n) << \" \" << to_string(x) << \"\\n\";",
       {value("n=7"), value("x=9.55")},
       "7 9.550000\n"},
      {"cout << string(10, '-') << \"\\n\";", {}, "----------\n"},
      {"cout << 'a' << ' ' << 'a' + 1 << ' ' << char('a' + 1) << \"\\n\";", {}, "a 98 b\n"},
      {"cout << true << false << \"\\n\";", {}, "10\n"},
      {"cout << sqrt(2.0) << \" \" << pow(2, 10) << \" \" << abs(neg) << \" \" << round(x) << "
       "\"\\n\";",
       {value("x=9.55"), value("neg=-7")},
       "1.41421 1024 7 10\n"},
      {"cout << max(n, 9) << min(x, 1.5) << \"\\n\";", {value("n=7"), value("x=9.55")}, "91.5\n"},
      {"cout << big << \" \" << n * 2 << \" \" << -n << \"\\n\";",
       {value("n=7"), value("big=9876543210:i64")},
       "9876543210 14 -7\n"},
      {"cout << quoted(name) << \"\\n\";", {value("name=ink")}, "\"ink\"\n"},
      {"cout << right << setw(10) << fixed << setprecision(1) << x << \"%\\n\";",
       {value("x=9.55")},
       "       9.6%\n"},
      {"cout << internal << setw(8) << neg << \"\\n\";", {value("neg=-7")}, "-      7\n"},
      {"cout << defaultfloat << x << \" \" << total << \"\\n\";",
       {value("x=9.55"), value("total=1234567.891")},
       "9.55 1.23457e+06\n"},
      {"cout << fixed << total << defaultfloat << \" \" << total << \"\\n\";",
       {value("total=1234567.891")},
       "1234567.891000 1.23457e+06\n"},
      {"cout << setw(5) << \"ab\" << setw(5) << 'c' << \"\\n\";", {}, "   ab    c\n"},
      {"cout << left << setfill('.') << setw(10) << name << right << setw(6) << n << \"\\n\";",
       {value("n=7"), value("name=ink")},
       "ink............7\n"},
      {"cout << \"tab\\t\" << \"q\\\"uote\" << \"\\\\\\n\";", {}, "tab\tq\"uote\\\n"},
      {"cout << n << '/' << n + 1 << '\\n';", {value("n=7")}, "7/8\n"},
      {"cout << (n & 3) << (n | 8) << (n ^ 1) << (n << 2) << (n >> 1) << ~n << \"\\n\";",
       {value("n=7")},
       "3156283-8\n"},
      {"cout << (n == 7 && flag) << (n != 7 || !flag) << \"\\n\";",
       {value("n=7"), value("flag=true:truth")},
       "10\n"},
      {"cout << 5 / 2 * 2.0 << \" \" << 7 % 3 << \" \" << -7 / 2 << \"\\n\";", {}, "4 1 -3\n"},
      {"cout << 3.0f << \" \" << 3.14159265358979 << \" \" << 2.50 << \"\\n\";",
       {},
       "3 3.14159 2.5\n"},
      {"cout << floor(x) << ceil(x) << trunc(-x) << \"\\n\";", {value("x=9.55")}, "910-9\n"},
      {"cout << name << endl << n << endl;", {value("n=7"), value("name=ink")}, "ink\n7\n"},
      {"std::cout << std::fixed << std::setprecision(3) << x << std::endl;",
       {value("x=9.55")},
       "9.550\n"},
      {"std::cout << std::setw(6) << std::setfill('*') << n << std::setfill(' ') << std::setw(6) "
       "<< n << \"\\n\";",
       {value("n=7")},
       "*****7     7\n"},
      {"std::cout << std::hex << std::showbase << 255 << std::endl;", {}, "0xff\n"},
      {"std::cout << \"[\" << std::left << std::setw(10) << \"left\" << \"]\" << std::endl;",
       {},
       "[left      ]\n"},
      {"cout << 1'000'000 << \" \" << 0b101 << \" \" << 0xff << \" \" << 017 << \"\\n\";",
       {},
       "1000000 5 255 15\n"},
      {"cout << x << \" \" << n << \" \" << name << \" \" << flag << \"\\n\";",
       {value("n=7"), value("x=9.55"), value("name=ink"), value("flag=true:truth")},
       "9.55 7 ink 1\n"},
      {"cout << -0.0 << \" \" << 1.0 / 0.0 << \"\\n\";", {}, "-0 inf\n"},
      {"cout << (float)1 / 3 << \" \" << 1.f / 3 << \"\\n\";", {}, "0.333333 0.333333\n"},
      {"cout << 10u - 11 << \"\\n\";", {}, "4294967295\n"},
      {"cout << sizeof(int) << \"\\n\";", {}, "4\n"},
  };
  for (const PrintingCall& one : calls) {
    INFO(one.source);
    const support::Answer answer =
        support::answer(*find_dialect("cpp-stream"), one.source, one.values, {});
    CHECK(answer.text == one.text);
    CHECK(answer.outcome.prints());
  }
}

TEST_CASE("pasted lines of C++ print what the compiled program prints") {
  const std::vector<PrintingCall> calls = {
      {"printf(\"%s %d\\n\", name.c_str(), n);", {value("n=7"), value("name=ink")}, "ink 7\n"},
  };
  support::check_calls("cpp-format", calls);
}
