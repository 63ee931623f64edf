// Lines with objects of dates in PHP, as people paste them. The texts are those that the runtime
// printed of the same lines: PHP 8.2.36, TZ=UTC.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("lines with objects of dates in PHP print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"echo date('Y-m-d', 1935930307);", "2031-05-07"},
      {"echo date('D, d M Y H:i:s', strtotime('2031-05-09 14:05:07'));",
       "Fri, 09 May 2031 14:05:07"},
      {"echo date('jS F Y', mktime(0, 0, 0, 5, 9, 2031));", "9th May 2031"},
      {"echo (new DateTime('2031-05-09'))->format('d/m/Y');", "09/05/2031"},
      {"echo (new \\DateTime('2031-05-09 14:05'))->format('D, d M Y H:i');",
       "Fri, 09 May 2031 14:05"},
      {"$d = new DateTime('2031-05-09'); $d->modify('+1 month'); echo $d->format('Y-m-d');",
       "2031-06-09"},
      {"$d = new DateTimeImmutable('2031-01-31'); echo $d->add(new "
       "DateInterval('P1M'))->format('Y-m-d');",
       "2031-03-03"},
      {"$d = new DateTime('2031-05-09'); echo $d->diff(new DateTime('2031-12-24'))->days;", "229"},
      {"$d = new DateTime('2031-05-09'); echo $d->diff(new DateTime('2031-12-24'))->format('%m "
       "months %d days');",
       "7 months 15 days"},
      {"echo DateTime::createFromFormat('d/m/Y', '09/05/2031')->format('Y-m-d');", "2031-05-09"},
      {"echo (new DateTime('@1935930307'))->format(DATE_ATOM);", "2031-05-07T14:25:07+00:00"},
      {"echo date(DATE_RFC2822, 0);", "Thu, 01 Jan 1970 00:00:00 +0000"},
      {"echo gmdate('H:i:s', 3725);", "01:02:05"},
      {"echo number_format(1234567.891, 2, ',', '.');", "1.234.567,89"},
      {"echo number_format(1234567.891);", "1,234,568"},
      {"echo number_format(0.5);", "1"},
      {"echo round(2.675, 2), \"\\n\", round(1234.5678, -2);", "2.68\n1200"},
      {"setlocale(LC_ALL, 'de_DE.UTF-8'); echo sprintf('%.2f', 1234.5);", "1234,50"},
      {"echo '$' . number_format(1234.5, 2);", "$1,234.50"},
      {"printf(\"%s: %'.10d|%+d\\n\", 'Total', 42, 7);", "Total: ........42|+7\n"},
      {"printf(\"%05.1f|%x|%b|%e\\n\", 3.14159, 255, 5, 12345.678);", "003.1|ff|101|1.234568e+4\n"},
      {"echo checkdate(2, 30, 2031) ? 'ok' : 'bad';", "bad"},
      {"echo date('N', strtotime('2031-05-09'));", "5"},
      {"echo date('L', mktime(0, 0, 0, 1, 1, 2032)) ? 'leap' : 'no';", "leap"},
      {"echo json_encode(['price' => 9.99, 'date' => '2031-05-09']);",
       "{\"price\":9.99,\"date\":\"2031-05-09\"}"},
      {"$total = 1234.5; echo \"Total: {$total} EUR\\n\";", "Total: 1234.5 EUR\n"},
      {"echo str_pad(number_format(9.5, 2), 10, ' ', STR_PAD_LEFT);", "      9.50"},
      {"echo date('Y-m-d', strtotime('+1 week', 0));", "1970-01-08"},
      {"echo idate('Y', 0);", "1970"},
      {"echo date('Y-m-d H:i:s', strtotime('+1 week 2 days', 1269008550));", "2010-03-28 14:22:30"},
      {"echo (new DateTimeImmutable('1993-09-17 07:49'))->modify('+1 month')->format('Y-m-d H:i:s "
       "l');",
       "1993-10-17 07:49:00 Sunday"},
      {"echo DateTimeImmutable::createFromFormat('!d-m-Y', '06-08-2025')->format(DATE_RFC2822);",
       "Wed, 06 Aug 2025 00:00:00 +0000"},
      {"echo date('Y-m-d H:i:s', strtotime('-1 month', 1765866888));", "2025-11-16 06:34:48"},
      {"$d = new DateTime('2025-12-31'); $d->modify(\"+1 month\"); echo $d->format('D, d M Y "
       "H:i');",
       "Sat, 31 Jan 2026 00:00"},
      {"echo (new DateTimeImmutable('2017-06-10 16:57'))->modify('+1 fortnight')->format('Y-m-d "
       "H:i:s l');",
       "2017-06-24 16:57:00 Saturday"},
      {"$d = new DateTime('2039-05-05 02:58'); $d->setDate(2031, 2, 3); echo $d->format('D, d M Y "
       "H:i');",
       "Mon, 03 Feb 2031 02:58"},
      {"echo (new DateTimeImmutable('2008-11-07'))->modify('next friday')->format('Y-m-d H:i:s "
       "l');",
       "2008-11-14 00:00:00 Friday"},
      {"$d = new DateTime('2016-01-21 02:49'); $d->setDate(2031, 2, 3); echo $d->format('D, d M Y "
       "H:i');",
       "Mon, 03 Feb 2031 02:49"},
      {"$d = new DateTime('2028-09-11 21:06'); $d->modify(\"+1 month\"); echo $d->format('D, d M Y "
       "H:i');",
       "Wed, 11 Oct 2028 21:06"},
      {"$d = new DateTime('1994-02-01 11:16'); $d->setDate(2031, 2, 3); echo $d->format('D, d M Y "
       "H:i');",
       "Mon, 03 Feb 2031 11:16"},
      {"echo (new DateTimeImmutable('1991-08-25 12:56'))->modify('today')->format('Y-m-d H:i:s "
       "l');",
       "1991-08-25 00:00:00 Sunday"},
      {"echo (new DateTime('2008-03-07'))->sub(new DateInterval('P1DT12H30M'))->format('Y-m-d "
       "H:i');",
       "2008-03-05 11:30"},
      {"echo (new DateTimeImmutable('2007-03-12 15:40'))->modify('+2 weeks')->format('Y-m-d H:i:s "
       "l');",
       "2007-03-26 15:40:00 Monday"},
      {"echo (new DateTimeImmutable('1990-03-16 15:15:12'))->modify('+1 fortnight')->format('Y-m-d "
       "H:i:s l');",
       "1990-03-30 15:15:12 Friday"},
      {"echo (new DateTime('2022-11-13 23:50:47'))->sub(new DateInterval('P2W'))->format('Y-m-d "
       "H:i');",
       "2022-10-30 23:50"},
      {"echo (new DateTime('1996-09-03'))->add(new DateInterval('P1M'))->format('Y-m-d H:i');",
       "1996-10-03 00:00"},
      {"echo date('Y-m-d H:i:s', strtotime('last day of previous month', 1320371691));",
       "2011-10-31 01:54:51"},
      {"echo date('Y-m-d H:i:s', strtotime('last day of previous month', 665825656));",
       "1991-01-31 07:34:16"},
      {"echo date('Y-m-d H:i:s', strtotime('+1 month', 1377923301));", "2013-10-01 04:28:21"},
      {"$d = new DateTime('1999-12-20 19:46:34'); $d->setDate(2031, 2, 3); echo $d->format('D, d M "
       "Y H:i');",
       "Mon, 03 Feb 2031 19:46"},
      {"$d = new DateTime('2023-07-07 06:04:54'); $d->setTime(9, 30); echo $d->format('D, d M Y "
       "H:i');",
       "Fri, 07 Jul 2023 09:30"},
      {"echo date('Y-m-d H:i:s', strtotime('saturday', 1870504977));", "2029-04-14 00:00:00"},
      {"echo (new DateTime('1991-01-15 10:10:23'))->sub(new DateInterval('PT36H'))->format('Y-m-d "
       "H:i');",
       "1991-01-13 22:10"},
      {"echo (new DateTime('1995-04-23 03:43'))->add(new DateInterval('P2W'))->format('Y-m-d "
       "H:i');",
       "1995-05-07 03:43"},
      {"echo (new DateTime('2031-06-26 23:24'))->add(new DateInterval('P2W'))->format('Y-m-d "
       "H:i');",
       "2031-07-10 23:24"},
      {"$d = new DateTime('2040-11-21 12:06'); $d->setTime(9, 30); echo $d->format('D, d M Y "
       "H:i');",
       "Wed, 21 Nov 2040 09:30"},
      {"echo DateTimeImmutable::createFromFormat('!d-m-Y', '06-03-2000')->format(DATE_RFC2822);",
       "Mon, 06 Mar 2000 00:00:00 +0000"},
      {"echo (new DateTime('2020-12-02'))->diff(new DateTime('1999-10-08'))->format('%R%y-%m-%d "
       "%h:%i:%s %a');",
       "-21-1-25 0:0:0 7726"},
      {"echo (new DateTime('2036-11-28'))->diff(new DateTime('2023-03-13'))->format('%R%y-%m-%d "
       "%h:%i:%s %a');",
       "-13-8-15 0:0:0 5009"},
      {"echo DateTime::createFromFormat('d/m/Y H:i', '19/04/2006 10:39')->format('c');",
       "2006-04-19T10:39:00+00:00"},
      {"echo DateTime::createFromFormat('d/m/Y H:i', '01/07/1993 16:40')->format('c');",
       "1993-07-01T16:40:00+00:00"},
      {"echo DateTimeImmutable::createFromFormat('!d-m-Y', '04-04-2018')->format(DATE_RFC2822);",
       "Wed, 04 Apr 2018 00:00:00 +0000"},
      {"echo (new DateTime('2025-02-01 11:52:07'))->diff(new DateTime('2033-09-23 "
       "19:19:23'))->format('%R%y-%m-%d %h:%i:%s %a');",
       "+8-7-22 7:27:16 3156"},
      {"echo DateTime::createFromFormat('d/m/Y H:i', '30/01/2025 09:02')->format('c');",
       "2025-01-30T09:02:00+00:00"},
      {"echo (new DateTime('2018-06-16'))->sub(new DateInterval('P1DT12H30M'))->format('Y-m-d "
       "H:i');",
       "2018-06-14 11:30"},
      {"echo (new DateTime('2005-12-24 19:02'))->add(new DateInterval('P2W'))->format('Y-m-d "
       "H:i');",
       "2006-01-07 19:02"},
      {"$d = new DateTime('2018-06-11'); $d->setDate(2031, 2, 3); echo $d->format('D, d M Y H:i');",
       "Mon, 03 Feb 2031 00:00"},
      {"echo (new DateTimeImmutable('2040-03-03'))->modify('monday')->format('Y-m-d H:i:s l');",
       "2040-03-05 00:00:00 Monday"},
      {"echo (new DateTime('2002-07-02 11:35'))->add(new DateInterval('P2W'))->format('Y-m-d "
       "H:i');",
       "2002-07-16 11:35"},
      {"echo (new DateTime('2011-09-22'))->diff(new DateTime('2008-09-19'))->format('%R%y-%m-%d "
       "%h:%i:%s %a');",
       "-3-0-3 0:0:0 1098"},
      {"$d = new DateTime('1995-05-16'); $d->setDate(2031, 2, 3); echo $d->format('D, d M Y H:i');",
       "Mon, 03 Feb 2031 00:00"},
      {"echo (new DateTime('2015-03-18 19:32:13'))->diff(new DateTime('2022-10-20 "
       "18:00:29'))->format('%R%y-%m-%d %h:%i:%s %a');",
       "+7-7-1 22:28:16 2772"},
      {"echo date('Y-m-d H:i:s', strtotime('+1 month', 1170139231));", "2007-03-02 06:40:31"},
      {"echo date('Y-m-d H:i:s', strtotime('-3 days', 1867628063));", "2029-03-05 01:34:23"},
      {"echo (new DateTime('2001-04-14'))->add(new DateInterval('PT36H'))->format('Y-m-d H:i');",
       "2001-04-15 12:00"},
      {"echo DateTime::createFromFormat('d/m/Y H:i', '03/12/1996 23:40')->format('c');",
       "1996-12-03T23:40:00+00:00"},
      {"echo (new DateTime('2004-06-24 07:13'))->diff(new DateTime('2035-11-22 "
       "05:05:13'))->format('%R%y-%m-%d %h:%i:%s %a');",
       "+31-4-28 21:52:13 11472"},
      {"echo (new DateTime('1998-01-08'))->diff(new DateTime('2030-05-11'))->format('%R%y-%m-%d "
       "%h:%i:%s %a');",
       "+32-4-3 0:0:0 11811"},
      {"echo (new DateTime('2032-07-14'))->diff(new DateTime('2032-05-24 "
       "21:48:03'))->format('%R%y-%m-%d %h:%i:%s %a');",
       "-0-1-20 2:11:57 50"},
      {"echo date('Y-m-d H:i:s', strtotime('-90 minutes', 1554443048));", "2019-04-05 04:14:08"},
      {"echo date('Y-m-d H:i:s', strtotime('last day of this month', 1273108515));",
       "2010-05-31 01:15:15"},
      {"echo (new DateTime('1995-09-01'))->diff(new DateTime('2022-12-02'))->format('%R%y-%m-%d "
       "%h:%i:%s %a');",
       "+27-3-1 0:0:0 9954"},
      {"echo date('Y-m-d H:i:s', strtotime('midnight', 1139980456));", "2006-02-15 00:00:00"},
      {"echo date('Y-m-d H:i:s', strtotime('saturday', 1903748673));", "2030-05-04 00:00:00"},
      {"$d = new DateTime('2021-03-18'); $d->modify(\"+1 month\"); echo $d->format('D, d M Y "
       "H:i');",
       "Sun, 18 Apr 2021 00:00"},
      {"$d = new DateTime('2030-08-08 18:24:22'); $d->modify(\"+1 month\"); echo $d->format('D, d "
       "M Y H:i');",
       "Sun, 08 Sep 2030 18:24"},
      {"$d = new DateTime('2035-12-16'); $d->setDate(2031, 2, 3); echo $d->format('D, d M Y H:i');",
       "Mon, 03 Feb 2031 00:00"},
      {"echo (new DateTime('1996-07-11'))->sub(new DateInterval('P1M'))->format('Y-m-d H:i');",
       "1996-06-11 00:00"},
      {"echo date('Y-m-d H:i:s', strtotime('first day of this month midnight', 1549390725));",
       "2019-02-01 00:00:00"},
      {"echo (new DateTime('1994-05-16 08:32:53'))->sub(new DateInterval('P1M'))->format('Y-m-d "
       "H:i');",
       "1994-04-16 08:32"},
      {"echo (new DateTime('2020-12-16 10:27:39'))->diff(new "
       "DateTime('2039-01-24'))->format('%R%y-%m-%d %h:%i:%s %a');",
       "+18-1-7 13:32:21 6612"},
      {"echo (new DateTime('2028-03-16 12:04:46'))->diff(new "
       "DateTime('2006-11-30'))->format('%R%y-%m-%d %h:%i:%s %a');",
       "-21-3-16 12:4:46 7777"},
      {"$d = new DateTime('2020-02-01 17:41:14'); $d->setDate(2031, 2, 3); echo $d->format('D, d M "
       "Y H:i');",
       "Mon, 03 Feb 2031 17:41"},
  };
  support::check_lines("php", lines);
  for (const PastedLine& line : lines) support::check_beginnings("php", line.source, {});
}
