// What check finds in the source of each language: constants, loggers, dictionaries, expressions,
// texts over several lines, headers; and what it does not take for a fault.

#include <catch2/catch.hpp>
#include <fstream>

#include "support/check_in.hpp"
#include "support/random_values.hpp"

using support::check_in;
using support::Folder;
using support::has;

TEST_CASE("check of each language: the calls of a table, with a fault and without") {
  std::ifstream rows(INKY_SOURCE_DIR "/tests/cli/source_calls.txt");
  std::size_t count = 0;
  for (std::string line; std::getline(rows, line);) {
    if (line.starts_with('#')) continue;
    const std::size_t tab = line.find('\t');
    const std::size_t second = line.find('\t', tab + 1);
    const std::string language = line.substr(0, tab);
    const bool has_fault = line.substr(tab + 1, second - tab - 1) == "yes";
    std::string source = line.substr(second + 1) + "\n";
    for (char& byte : source) {
      if (byte == '~' && language != "lisp") byte = '\n';
    }
    INFO(line);
    const support::Ran ran =
        support::run_tool("check - --no-settings --language " + language, source);
    CHECK(ran.out.empty() == !has_fault);
    // A message has the words of the source, not a value that stands for it.
    CHECK(ran.out.find("ink\"") == std::string::npos);
    ++count;
  }
  CHECK(count >= 351);
}

TEST_CASE("check: a fault in a text of several lines is pointed at where it stands") {
  const Folder folder;
  folder.put(
      "A.java",
      "class A {\n  void f() {\n    String.format(\"\"\"\n        ink %d  \n          of %y\n"
      "        \"\"\", 1, 2);\n  }\n}\n");
  folder.put("a.php", "<?php\nprintf(<<<T\n    ink %d\n    of %y\n    T, 1, 2);\n");
  folder.put("a.cs",
             "class A { void f() {\n  string.Format(\"\"\"\n    ink {0}\n    of {1\n"
             "    \"\"\", 1, 2);\n} }\n");
  CHECK(support::places_of(check_in(folder, "A.java").out) == "A.java:5");
  CHECK(has(check_in(folder, "A.java").out, "A.java:5:14: error"));
  CHECK(has(check_in(folder, "a.php").out, "a.php:4:8: error"));
  CHECK(has(check_in(folder, "a.cs").out, "a.cs:4:8: error"));
}

TEST_CASE("check: a fault in a constant is reported where the constant is used") {
  const Folder folder;
  folder.put("a.py", "LINE = '%d of %d'\n\nprint(LINE % (1,))\n");
  CHECK(has(check_in(folder, "a.py").out, "a.py:3:7: error: not enough arguments"));
  folder.put("a.c", "const char line[] = \"%d of %s\";\nvoid f(void) { printf(line, 1, 2); }\n");
  CHECK(has(check_in(folder, "a.c").out, "a.c:2:16: error: %s reads a char*, and 2 is passed"));
}

TEST_CASE("check of C: headers beside the source and those of a compile database are read") {
  const Folder folder;
  folder.put("src/lot.h",
             "#include \"mass.h\"\nstruct lot { mass_t mass; };\nlong tins(void);\n"
             "#define LINE \"%d\\n\"\n");
  folder.put("include/mass.h",
             "typedef double mass_t;\nextern unsigned long total;\n"
             "void say(const char *line, ...) __attribute__((format(printf, 1, 2)));\n");
  folder.put("src/a.c",
             "#include \"lot.h\"\n#include <stdio.h>\nvoid f(struct lot *p) {\n"
             "  printf(\"%d\", p->mass);\n  printf(\"%d\", tins());\n  printf(\"%d\", total);\n"
             "  printf(LINE, 2.5);\n  say(\"%d\", 2.5);\n}\n");
  // The header beside the source is found, and what that includes is not.
  const support::Ran beside = check_in(folder, "src/a.c --no-settings");
  CHECK(support::places_of(beside.out) == "src/a.c:5 src/a.c:7");
  folder.put(
      "build/compile_commands.json",
      R"([{"directory": "..", "file": "src/a.c", "command": "gcc -c '-Iinclude' src/a.c"}])");
  const support::Ran all = check_in(folder, "src/a.c --no-settings");
  CHECK(support::places_of(all.out) == "src/a.c:4 src/a.c:5 src/a.c:6 src/a.c:7 src/a.c:8");
  CHECK(has(all.out, "p->mass is passed as a double"));
  // Where there is one, it need not be asked for; asked for, it must be one.
  folder.put("other.json", R"([{"directory": ".", "file": "src/a.c",
    "arguments": ["gcc", "-I", "nowhere", "src/a.c"]}])");
  CHECK(support::places_of(
            check_in(folder, "src/a.c --no-settings --compile-commands other.json").out) ==
        "src/a.c:5 src/a.c:7");
  folder.put("inky.toml", "[check]\ncompile_commands = \"other.json\"\n");
  CHECK(support::places_of(check_in(folder, "src/a.c").out) == "src/a.c:5 src/a.c:7");
  folder.put("bad.json", "{}");
  const support::Ran bad = check_in(folder, "src/a.c --compile-commands bad.json");
  CHECK(bad.status == 2);
  CHECK(has(bad.err, "bad.json"));
  CHECK(has(bad.err, "a compile database is a list of objects"));
  folder.put("build/compile_commands.json", "{}");
  const support::Ran unused = check_in(folder, "src/a.c --no-settings");
  CHECK(has(unused.err, "is not used"));
  CHECK(support::places_of(unused.out) == "src/a.c:5 src/a.c:7");
}

TEST_CASE("check of C: two headers that say different things say nothing") {
  const Folder folder;
  folder.put("a.h", "typedef long word;\nint many(void);\n");
  folder.put("b.h", "typedef double word;\nint many(void);\n#include \"a.h\"\n#include \"b.h\"\n");
  folder.put("a.c",
             "#include \"a.h\"\n#include \"b.h\"\nvoid f(word w) { printf(\"%s\", w); "
             "printf(\"%s\", many()); }\n");
  const support::Ran ran = check_in(folder, "a.c");
  CHECK(ran.err == "inky: 1 file, 2 calls, 1 fault\n");
  CHECK(has(ran.out, "many() is passed as an int"));
}

TEST_CASE("check of C: standard input is learned from, and macros are no functions") {
  const std::string source =
      "#define _(text) gettext(text)\n"
      "void say(int n, const char *line, ...) { va_list l; va_start(l, line); vprintf(line, l); }\n"
      "void g(void) { say(1, \"%d\", 2.5); }\n";
  const support::Ran ran = support::run_tool("check - --language c", source);
  CHECK(has(ran.out, "stdin:3:24: error"));
}

TEST_CASE("check says of holes what the libraries print, asked anew") {
  const std::string seed = std::to_string(support::seed(20310509));
  for (const char* library : {"node", "java", "slf4j", "dotnet"}) {
    const std::string runtime = library == std::string("slf4j") ? "java" : library;
    const support::Ran ran =
        support::shell(runtime +
                       " --version >/dev/null 2>&1 || exit 77; python3 " INKY_SOURCE_DIR
                       "/tools/compilers/holes.py " INKY_BUILD_DIR "/cli/inky " +
                       library + " 500 " + seed);
    INFO(library << ran.out << ran.err);
    if (ran.status == 77)
      WARN("skipped: " << library << " is not here");
    else
      CHECK(ran.status == 0);
  }
}
