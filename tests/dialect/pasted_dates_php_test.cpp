// Lines with dates, as people paste them. The texts are those that the runtimes
// printed of the same lines: PHP 8.2.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("lines with dates in PHP print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"$d = new DateTime(\"2031-05-09\"); echo $d->format(\"d.m.Y\");", "09.05.2031"},
      {"echo (new DateTime(\"2031-05-09 14:05:07\"))->format(\"H:i\");", "14:05"},
      {"echo date(\"d.m.Y\", strtotime(\"2031-05-09\"));", "09.05.2031"},
      {"echo date_create(\"2031-05-09\")->format(\"l jS F Y\");", "Friday 9th May 2031"},
      {"echo date(\"Y-m-d\", mktime(0, 0, 0, 5, 9, 2031));", "2031-05-09"},
      {"echo date(\"Y-m-d\", mktime(0, 0, 0, 14, 0, 2031)), \" \", mktime(25, 61, 61, 0, 32, "
       "2030);",
       "2032-01-31 1893549721"},
      {"$d = new DateTimeImmutable(\"2031-05-09T14:05:07+02:00\"); echo $d->format(DATE_ATOM);",
       "2031-05-09T14:05:07+02:00"},
      {"echo date_format(date_create(\"2031-05-09 14:05\"), \"g:i A\");", "2:05 PM"},
      {"$d = new DateTime(\"2031-05-09 14:05:07.25\"); echo $d->format(\"Y-m-d H:i:s.u v\"), \" "
       "\", $d->getTimestamp();",
       "2031-05-09 14:05:07.250000 250 1936101907"},
      {"$d = new DateTime(\"2031-05-09T14:05:07-05:30\"); echo $d->format(\"c|r|e|T|O|P|p|Z|U\");",
       "2031-05-09T14:05:07-05:30|Fri, 09 May 2031 14:05:07 "
       "-0530|-05:30|GMT-0530|-0530|-05:30|-05:30|-19800|1936121707"},
      {"$d = new DateTime(\"2031-05-09T14:05:07Z\"); echo $d->format(\"e T P p\");",
       "Z Z +00:00 Z"},
      {"echo strtotime(\"2031-05-09 14:05:07\"), \"\\n\", "
       "strtotime(\"2031-05-09T00:00:00+02:00\");",
       "1936101907\n1936044000"},
      {"printf(\"%s %05.1f\", date(\"D, d M Y\", strtotime(\"2024-02-29\")), 2.25);",
       "Thu, 29 Feb 2024 002.2"},
      {"$when = new DateTime(\"2031-12-29\"); echo \"Week {$when->format('W')} of \" . "
       "$when->format(\"o\");",
       "Week 01 of 2032"},
      {"echo \"Due: \" . (new DateTime(\"2031-05-09\"))->format(\"M j, Y\") . \"\\n\";",
       "Due: May 9, 2031\n"},
      {"$date = new DateTime('2031-05-09'); echo $date->format('N jS z t L');", "5 9th 128 31 0"},
      {"$date = new DateTime('2031-05-09'); echo $date->format('\\T\\o\\d\\a\\y \\i\\s l');",
       "Today is Friday"},
      {"echo gmdate(DATE_COOKIE, 0);", "Thursday, 01-Jan-1970 00:00:00 GMT"},
      {"echo date(\"N\", mktime(12, 0, 0, 5, 9, 2031)) + 1;", "6"},
  };
  support::check_lines("php", lines);
  for (const PastedLine& line : lines) support::check_beginnings("php", line.source, {});
}
