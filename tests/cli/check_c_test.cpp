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
    "#include <stdarg.h>\n#include <libintl.h>\n#define _(text) gettext(text)\n";

}  // namespace

TEST_CASE("check of C finds what gcc finds, of fields, pointers, arithmetic and functions") {
  const Folder folder;
  std::ifstream rows(INKY_SOURCE_DIR "/tests/vectors/c_source_calls.txt");
  const bool has_gcc = support::shell("gcc --version | grep -q ' 12'").status == 0;
  if (!has_gcc) WARN("gcc 12 is not asked anew: it is not here");
  std::size_t count = 0;
  for (std::string line; std::getline(rows, line);) {
    if (line.starts_with('#')) continue;
    const std::size_t tab = line.find('\t');
    const bool warns = line.substr(0, tab) == "yes";
    std::string source = line.substr(tab + 1) + "\n";
    for (char& byte : source) {
      if (byte == '~') byte = '\n';
    }
    INFO(source);
    folder.put("a.c", headers + source);
    const support::Ran ran = check_in(folder, "a.c");
    CHECK(ran.out.empty() == !warns);
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
  CHECK(count >= 70);
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
