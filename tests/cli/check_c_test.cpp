// What is known of the values of a call in C: each call is put before gcc, too.

#include <catch2/catch.hpp>
#include <fstream>

#include "support/check_in.hpp"

using support::check_in;
using support::Folder;

namespace {

constexpr const char* headers =
    "#define _GNU_SOURCE\n#include <stdio.h>\n#include <stdlib.h>\n#include <string.h>\n"
    "#include <time.h>\n#include <sys/types.h>\n#include <stdint.h>\n#include <inttypes.h>\n"
    "#include <math.h>\n#include <errno.h>\n#include <unistd.h>\n#include <stddef.h>\n"
    "#include <stdarg.h>\n#include <libintl.h>\n#include <wchar.h>\n#include <limits.h>\n"
    "#define _(text) gettext(text)\nenum color { RED, BLUE };\nstruct room;\n";

}  // namespace

TEST_CASE("check of C finds what gcc finds, of fields, pointers, arithmetic and functions") {
  const Folder folder;
  std::ifstream rows(INKY_SOURCE_DIR "/tests/cli/c_source_calls.txt");
  const bool has_gcc = support::shell("gcc --version | grep -q ' 12'").status == 0;
  if (!has_gcc) WARN("gcc 12 is not asked anew: it is not here");
  std::size_t count = 0;
  for (std::string line; std::getline(rows, line);) {
    if (line.starts_with('#')) continue;
    const std::size_t tab = line.find('\t');
    const bool warns = line.starts_with("yes");
    const bool has_fault = !line.starts_with("no");
    std::string source = line.substr(tab + 1) + "\n";
    for (char& byte : source) {
      if (byte == '~') byte = '\n';
    }
    INFO(source);
    folder.put("a.c", headers + source);
    const support::Ran ran = check_in(folder, "a.c");
    CHECK(ran.out.empty() == !has_fault);
    // A message has the words of the source, not a value that stands for it.
    CHECK(ran.out.find("2.675") == std::string::npos);
    ++count;
    if (!has_gcc) continue;
    const support::Ran gcc = support::shell(
        "gcc -std=gnu17 -fsyntax-only -Wformat -Wno-implicit-function-declaration '" +
        (folder.path / "a.c").string() + "'");
    CHECK(gcc.err.find("error:") == std::string::npos);
    CHECK((gcc.err.find("[-Wformat") != std::string::npos) == warns);
  }
  CHECK(count >= 125);
}

TEST_CASE("check: names of types and results of functions are those of gcc and Java, asked anew") {
  for (const auto& [language, runtime] :
       {std::pair("c", "gcc --version | grep -q ' 12'"), std::pair("java", "java --version")}) {
    if (support::shell(runtime).status != 0) {
      WARN("skipped: nothing answers to " << runtime);
      continue;
    }
    const support::Ran ran = support::shell(
        "python3 " INKY_SOURCE_DIR "/tools/compilers/named_types.py " + std::string(language));
    INFO(ran.out << ran.err);
    CHECK(ran.status == 0);
  }
}

TEST_CASE("check of C: what other names stand for") {
  struct Row {
    const char* source;
    const char* found;
  };
  const Row rows[] = {
      // Names that many programs have for themselves are calls where their header is included.
      {"#include <err.h>\nvoid f(void) { err(1, \"%d\", \"x\"); warnx(\"%d\"); }\n", "a.c:2 a.c:2"},
      {"#include \"error.h\"\nvoid f(void) { error(1, 0, \"%d\", \"x\"); }\n", "a.c:2"},
      {"#include <syslog.h>\nvoid f(void) { syslog(LOG_ERR, \"%d %m\", \"x\"); }\n", "a.c:2"},
      {"void f(void) { err(1, \"%d\", \"x\"); warn(\"100%\"); error(1, 0, \"%d\"); }\n", ""},
      // A macro of several values, and one that is another text on the other side of an #if.
      {"#define PAIR(x) (x) & 255, (x) >> 8\nvoid f(int n) { printf(\"%d %d %d\", PAIR(n), 1); }\n",
       ""},
      {"void f(int n) { printf(\"%d %d %d\", 1, QUARTET(n)); printf(\"%d %d\", NAME); }\n",
       "a.c:1"},
      {"#define ONE(x) g(x, 1)\nvoid f(int n) { printf(\"%d %d\", ONE(n)); }\n", "a.c:2"},
      {"#ifdef X\n#define A \"%d\"\n#else\n#define A \"%s\"\n#endif\n"
       "void f(void) { printf(A, \"x\"); }\n",
       ""},
      // What glibc and Windows have besides is not C's, and no fault.
      {"void f(int n) { printf(\"%m\\n\"); printf(\"%I64u\", n); printf(\"%Id\", n); }\n", ""},
      // A type that is stated twice is not known.
      {"#ifdef X\ntypedef long word;\n#else\ntypedef int word;\n#endif\n"
       "void f(word w) { printf(\"%s\", w); }\n",
       ""},
      {"struct a { int x; };\nstruct b { char *x; };\n"
       "void f(struct a *a, struct b *b) { printf(\"%d %s\", a->x, b->x); }\n",
       ""},
      {"#define A printf(\"%d\", \"x\")\n", "a.c:1"},
  };
  const Folder folder;
  for (const Row& row : rows) {
    INFO(row.source);
    folder.put("a.c", row.source);
    CHECK(support::places_of(check_in(folder, "a.c").out) == row.found);
  }
}

TEST_CASE("check of C learns the calls of the program from all of its files") {
  const Folder folder;
  folder.put(
      "log.h",
      "void told(const char *f, ...) __attribute__((format(printf, 1, 2)));\n"
      "extern void put(char *b, const char *f, ...) G_GNUC_PRINTF (2, 3);\n"
      "__attribute__((__format__(__printf__, 1, 0))) void listed(const char *f, va_list a);\n"
      "void read(const char *f, ...) __attribute__((format(scanf, 1, 2)));\n"
      "EXPORT (say, int, (const char *f, ...)) __attribute__((format(printf, 1, 2)));\n");
  folder.put("log.c",
             "static void vlog(const char *fmt, va_list l) { vfprintf(stderr, fmt, l); }\n"
             "void say(int n, const char *fmt, ...) {\n"
             "  va_list a; va_start(a, fmt); vlog(fmt, a); va_end(a);\n}\n"
             "void say_twice(const char *fmt, ...) {\n"
             "  va_list a; va_start(a, fmt); if (fmt) { vlog(fmt, a); } va_end(a);\n}\n"
             "int plain(const char *f, ...) { return f != 0; }\n"
             "#define SAY(...) say(1, __VA_ARGS__)\n");
  folder.put("room.c",
             "void f(void) {\n  say(1, \"%d\", 2.5);\n  say_twice(\"%d\");\n  told(\"%s\", 1);\n"
             "  put(b, \"%d\", 2.5);\n  listed(\"%q\", a);\n  plain(\"%d\", 2.5);\n"
             "  vlog(\"%q\", a);\n  read(\"%d\", 2.5);\n  say(1, \"%d\", 2);\n}\n");
  const support::Ran found = check_in(folder, "room.c log.c log.h");
  CHECK(support::places_of(found.out) == "room.c:2 room.c:3 room.c:4 room.c:5 room.c:6");
  // What is learned of other files is not known without them.
  CHECK(check_in(folder, "room.c").out.empty());
  const support::Ran listed = check_in(folder, ". --list-takers");
  CHECK(listed.status == 0);
  CHECK(listed.out ==
        "./log.c:1:13: vlog takes a template as argument 1, without the values, in this file, by "
        "vfprintf\n"
        "./log.c:2:6: say takes a template as argument 2, by vlog\n"
        "./log.c:5:6: say_twice takes a template as argument 1, by vlog\n"
        "./log.h:1:6: told takes a template as argument 1, by its declaration\n"
        "./log.h:2:13: put takes a template as argument 2, by its declaration\n"
        "./log.h:3:52: listed takes a template as argument 1, without the values, by its "
        "declaration\n");
  // A message about a count has the words of the source, too.
  folder.put("count.c", "void f(size_t n, char *s) { printf(\"%.*s\", n, s); }\n");
  CHECK(support::has(check_in(folder, "count.c").out, "the * of %s reads an int, and n is passed"));
}
