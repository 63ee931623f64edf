// Lines with dates, as people paste them. The texts are those that the compiled
// programs printed: gcc 12.2, the GNU C library 2.36, TZ=UTC.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("lines with dates in C++ print what the programs print") {
  const std::vector<PastedLine> lines = {
      {"time_t now = 1936101907; cout << put_time(gmtime(&now), \"%Y-%m-%d %H:%M:%S\") << endl;",
       "2031-05-09 14:05:07\n"},
      {"std::time_t now = 1936101907; std::cout << std::put_time(std::localtime(&now), \"%A, %d %B "
       "%Y\") << '\\n';",
       "Friday, 09 May 2031\n"},
      {"std::time_t now = 1936101907; std::tm tm = *std::gmtime(&now); std::cout << "
       "std::put_time(&tm, \"%c %Z\") << \"\\n\";",
       "Fri May  9 14:05:07 2031 GMT\n"},
      {"std::tm t{}; t.tm_year = 131; t.tm_mon = 4; t.tm_mday = 9; std::mktime(&t); std::cout << "
       "std::put_time(&t, \"%a %F\") << \"\\n\";",
       "Fri 2031-05-09\n"},
      {"std::time_t now = 1936101907; std::cout << std::ctime(&now);",
       "Fri May  9 14:05:07 2031\n"},
      {"std::time_t now = 1936101907; std::cout << std::setw(12) << "
       "std::put_time(std::gmtime(&now), \"%H:%M\") << \"|\\n\";",
       "14:05          |\n"},
      {"std::time_t now = 1936101907; std::cout << std::put_time(std::gmtime(&now), \"%-d %q %%\") "
       "<< \"|\\n\";",
       "%-d %q %|\n"},
      {"std::time_t a = 1936101907, b = 1936101000; std::cout << std::difftime(a, b) << \" s\\n\";",
       "907 s\n"},
      {"std::time_t now = 1936101907; char buf[32]; std::strftime(buf, sizeof(buf), \"%d/%m/%Y\", "
       "std::localtime(&now)); std::cout << buf << std::endl;",
       "09/05/2031\n"},
      {"std::time_t now = 1936101907; std::cout << std::localtime(&now)->tm_year + 1900 << "
       "\"\\n\";",
       "2031\n"},
  };
  support::check_lines("cpp-stream", lines);
  for (const PastedLine& line : lines) support::check_beginnings("cpp-stream", line.source, {});
}
