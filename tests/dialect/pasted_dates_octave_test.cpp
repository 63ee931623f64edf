// Lines with dates, as people paste them. The texts are those that the runtime
// printed of the same lines: GNU Octave 7.3.0.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("lines with dates in Octave print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"disp(datestr(datenum(2031,5,9,14,5,7), 0))", "09-May-2031 14:05:07\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 1))", "09-May-2031\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 2))", "05/09/31\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 3))", "May\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 4))", "M\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 5))", "05\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 6))", "05/09\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 7))", "09\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 8))", "Fri\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 9))", "F\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 10))", "2031\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 11))", "31\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 12))", "May31\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 13))", "14:05:07\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 14))", " 2:05:07 PM\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 15))", "14:05\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 16))", " 2:05 PM\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 17))", "Q2-31\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 18))", "Q2\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 19))", "09/05\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 20))", "09/05/31\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 21))", "May.09,2031 14:05:07\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 22))", "May.09,2031\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 23))", "05/09/2031\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 24))", "09/05/2031\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 25))", "31/05/09\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 26))", "2031/05/09\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 27))", "Q2-2031\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 28))", "May2031\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 29))", "2031-05-09\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 30))", "20310509T140507\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), 31))", "2031-05-09 14:05:07\n"},
      {"disp(datestr(datenum(2031,5,9)))", "09-May-2031\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7)))", "09-May-2031 14:05:07\n"},
      {"disp(datestr([2031 5 9 14 5 7]))", "09-May-2031 14:05:07\n"},
      {"disp(datestr([2031 5 9 0 0 0]))", "09-May-2031\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7), \"yyyy-mm-dd HH:MM:SS\"))", "2031-05-09 14:05:07\n"},
      {"disp(datestr(datenum(2031,5,9,14,5,7.25), \"HH:MM:SS.FFF\"))", "14:05:07.250\n"},
      {"disp(datestr(datenum(2031,5,9,0,5,7), \"HH:MM PM\"))", "12:05 AM\n"},
      {"disp(datestr(datenum(2031,5,9), \"dddd, dd mmmm yyyy\"))", "Friday, 09 May 2031\n"},
      {"disp(datestr(datenum(2031,5,9), \"ddd d mmm m yy\"))", "Fri F May M 31\n"},
      {"printf(\"%s\\n\", datestr(datenum(2031,5,9), \"dd/mm/yyyy\"))", "09/05/2031\n"},
      {"fprintf(\"Due: %s\\n\", datestr(datenum(2031,5,9) + 14, 1))", "Due: 23-May-2031\n"},
      {"disp(datenum(2031,5,9))", "741937\n"},
      {"printf(\"%d\\n\", datenum([2031 5 9]))", "741937\n"},
      {"printf(\"%.6f\\n\", datenum(2031,5,9,14,5,7))", "741937.586887\n"},
      {"printf(\"%d days\\n\", datenum(2031,12,31) - datenum(2031,5,9))", "236 days\n"},
      {"disp(weekday(datenum(2031,5,9)))", "6\n"},
      {"disp(datevec(\"2031-05-09 14:05:07\"))", "   2031      5      9     14      5      7\n"},
      {"disp(datevec(datenum(2031,5,9,14,5,7)))", "   2031      5      9     14      5      7\n"},
      {"disp(eomday(2032, 2))", "29\n"},
      {"disp(is_leap_year(2032))", "1\n"},
      {"printf(\"%s\\n\", strftime(\"%Y-%m-%d %H:%M:%S\", gmtime(1936108507)))",
       "2031-05-09 15:55:07\n"},
      {"printf(\"%s\\n\", strftime(\"%A %d %B %Y %Z\", localtime(0)))",
       "Thursday 01 January 1970 UTC\n"},
      {"printf(\"%s\\n\", strftime(\"%d.%m.%Y %j %U %z\", gmtime(1e9)))",
       "09.09.2001 252 36 +0000\n"},
      {"printf(\"%s\", asctime(gmtime(0)))", "Thu Jan 01 00:00:00 1970\n"},
      {"printf(\"%s\", ctime(1936108507))", "Fri May 09 15:55:07 2031\n"},
      {"disp(datestr(\"2031-05-09\", \"dd.mm.yyyy\"))", "09.05.2031\n"},
      {"disp(datestr(\"2031-05-09 14:05:07\", 0))", "09-May-2031 14:05:07\n"},
      {"d = datenum(2031,5,9); printf(\"%s\\n\", datestr(d + 30, \"yyyy-mm-dd\"))", "2031-06-08\n"},
      {"d = datenum(\"2031-05-09\", \"yyyy-mm-dd\"); disp(datestr(d))", "09-May-2031\n"},
      {"disp(datestr(datenum(2031,5,9,23,59,59.9999), 0))", "10-May-2031 00:00:00\n"},
      {"disp(datestr(741937.5868))", "09-May-2031 14:04:59\n"},
      {"disp(datestr(741937.999999))", "09-May-2031 23:59:59\n"},
      {"x = datenum(2031,5,9):datenum(2031,5,11); disp(x)", "   741937   741938   741939\n"},
  };
  support::check_lines("octave", lines);
  for (const PastedLine& line : lines) support::check_beginnings("octave", line.source, {});
}
