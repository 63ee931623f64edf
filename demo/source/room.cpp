// Prints the batches of the ink room. Some of its calls are wrong.
#include <cstdio>
#include <format>
#include <iomanip>
#include <iostream>
#include <string>

int main() {
  const std::string code = "K-07";
  const double mass = 12.5;
  std::cout << std::setw(8) << std::left << code << '|' << std::hex << 1'031 << '\n';
  std::cout << std::format("{:>8}|{:d}|{}\n", code, mass, code.size());
  std::printf(R"x(%s says "(%d)")x", code.c_str(), mass);
  std::printf("%zu %s\n", code.size(), code);
}
