// Lines with dates, as people paste them. The texts are those that the compiled
// programs printed: gcc 12.2, the GNU C library 2.36, TZ=UTC.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("lines with dates in C print what the programs print") {
  const std::vector<PastedLine> lines = {
      {"time_t now = 1936101907; char buf[32]; strftime(buf, sizeof buf, \"%Y-%m-%d %H:%M:%S\", "
       "gmtime(&now)); puts(buf);",
       "2031-05-09 14:05:07\n"},
      {"time_t now = 1936101907; struct tm *t = localtime(&now); char buf[64]; strftime(buf, "
       "sizeof(buf), \"%A, %d %B %Y\", t); printf(\"%s\\n\", buf);",
       "Friday, 09 May 2031\n"},
      {"time_t now = 1936101907; printf(\"%s\", ctime(&now));", "Fri May  9 14:05:07 2031\n"},
      {"time_t now = 1936101907; struct tm tm = *gmtime(&now); char buf[64]; strftime(buf, 64, "
       "\"%a %b %e %I:%M %p\", &tm); puts(buf);",
       "Fri May  9 02:05 PM\n"},
      {"time_t now = 1936101907; printf(\"%s\", asctime(localtime(&now)));",
       "Fri May  9 14:05:07 2031\n"},
      {"struct tm t = {.tm_year = 131, .tm_mon = 4, .tm_mday = 9}; char buf[64]; strftime(buf, "
       "sizeof buf, \"%d.%m.%Y\", &t); puts(buf);",
       "09.05.2031\n"},
      {"struct tm t = {0}; t.tm_year = 2031 - 1900; t.tm_mon = 4; t.tm_mday = 9; mktime(&t); char "
       "buf[64]; strftime(buf, sizeof buf, \"%A %F\", &t); puts(buf);",
       "Friday 2031-05-09\n"},
      {"time_t now = 1936101907; printf(\"%d\\n\", localtime(&now)->tm_year + 1900);", "2031\n"},
      {"time_t a = 1936101907; time_t b = 1936101000; printf(\"%.0f seconds\\n\", difftime(a, b));",
       "907 seconds\n"},
      {"struct tm t = {0}; t.tm_year = 131; t.tm_mon = 1; t.tm_mday = 31; mktime(&t); char "
       "buf[32]; strftime(buf, sizeof buf, \"%a %F %j\", &t); printf(\"[%s]\\n\", buf);",
       "[Mon 2031-03-03 062]\n"},
      {"struct tm t = {.tm_year = 2031 - 1900, .tm_mon = 5 - 1, .tm_mday = 9, .tm_hour = 14}; "
       "printf(\"%02d/%02d/%d %02d h\\n\", t.tm_mday, t.tm_mon + 1, t.tm_year + 1900, t.tm_hour);",
       "09/05/2031 14 h\n"},
      {"time_t now = 1936101907; struct tm t; gmtime_r(&now, &t); char line[40]; strftime(line, "
       "sizeof line, \"%U %V %G %u\", &t); puts(line);",
       "18 19 2031 5\n"},
      {"struct tm t = {.tm_year = 131, .tm_mon = 4, .tm_mday = 9}; t.tm_mday += 30; mktime(&t); "
       "char buf[16]; strftime(buf, sizeof buf, \"%F\", &t); puts(buf);",
       "2031-06-08\n"},
      {"struct tm t = {.tm_year = 131, .tm_mon = 4, .tm_mday = 9}; printf(\"%ld\\n\", mktime(&t));",
       "1936051200\n"},
      {"time_t t = 0; char s[64]; strftime(s, sizeof s, \"%Y-%m-%dT%H:%M:%SZ\", gmtime(&t)); "
       "printf(\"%s|%zu\\n\", s, strlen(s));",
       "1970-01-01T00:00:00Z|20\n"},
      {"time_t t = 1936101907; char s[64]; strftime(s, sizeof s, \"%c|%x|%X|%p|%Z|%z\", "
       "localtime(&t)); puts(s);",
       "Fri May  9 14:05:07 2031|05/09/31|14:05:07|PM|UTC|+0000\n"},
      {"time_t t = 1936101907; char s[64]; strftime(s, sizeof s, \"%-d.%-m.%y %k:%M%%\", "
       "localtime(&t)); puts(s);",
       "9.5.31 14:05%\n"},
  };
  support::check_lines("c", lines);
  for (const PastedLine& line : lines) support::check_beginnings("c", line.source, {});
}
