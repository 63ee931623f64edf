// The literals by which languages write a whole number, read by their own compilers and runtimes.

#include "contract/language_literals.hpp"

#include <catch2/catch.hpp>
#include <string>

#include "toolchain/witness.hpp"

using namespace inky;

namespace {

// A program that prints a whole number; @ stands for its literal.
struct Printer {
  const char* language;
  const char* dialect;
  const char* source;
};

constexpr Printer printers[] = {
    {"c", "c", "#include <stdio.h>\nint main(void) { printf(\"%d\", @); return 0; }\n"},
    {"cpp", "cpp-stream", "#include <iostream>\nint main() { std::cout << @; }\n"},
    {"csharp", "csharp", "class Program { static void Main() { System.Console.Write(@); } }\n"},
    {"fsharp", "fsharp", "printf \"%d\" @\n"},
    {"java", "java",
     "class Main { public static void main(String[] a) { System.out.print(@); } }\n"},
    {"javascript", "javascript", "process.stdout.write(String(@));\n"},
    {"lisp", "lisp", "(format t \"~D\" @)\n"},
    {"octave", "octave", "printf(\"%d\", @);\n"},
    {"php", "php", "<?php echo @;\n"},
    {"python", "python", "print(@, end=\"\")\n"},
    {"r", "r", "cat(@)\n"},
    {"rust", "rust", "fn main() { print!(\"{}\", @); }\n"},
    {"shell", "shell", "printf '%d' @\n"},
};

std::string program_of(std::string source, const std::string& literal) {
  return source.replace(source.find('@'), 1, literal);
}

}  // namespace

TEST_CASE("languages that write their literals alike stand together, each of them once") {
  std::size_t count = 0;
  for (const WrittenAlike& one : literals_of(213)) {
    CHECK_FALSE(one.languages.empty());
    count += one.languages.size();
  }
  CHECK(count == std::size(printers));
  for (const Printer& printer : printers) {
    bool found = false;
    for (const WrittenAlike& one : literals_of(0)) {
      for (const std::string_view id : one.languages) found = found || id == printer.language;
    }
    CHECK(found);
  }
}

TEST_CASE("a literal is read as the number that it was made of, asked anew") {
  constexpr int number = 213;
  for (const WrittenAlike& one : literals_of(number)) {
    for (const std::string_view id : one.languages) {
      for (const Printer& printer : printers) {
        if (id != printer.language) continue;
        const toolchain::Toolchain* known = toolchain::toolchain_of(printer.dialect);
        REQUIRE(known != nullptr);
        if (!toolchain::find_toolchain(*known)) continue;
        for (const std::string* literal : {&one.binary, &one.octal, &one.hexadecimal}) {
          if (literal->empty()) continue;
          INFO(printer.language << ": " << *literal);
          const toolchain::Witness witness =
              toolchain::run_program(*known, program_of(printer.source, *literal), {});
          INFO(witness.messages);
          CHECK(witness.output == std::to_string(number));
        }
      }
    }
  }
}
