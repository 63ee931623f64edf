// Lines with zones, read dates and fractions in Python, as people paste them. The texts are those that the runtime
// printed of the same lines: CPython 3.11.7, TZ=UTC.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("lines with zones, read dates and fractions in Python print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"print(datetime(2031, 5, 9, 14, 5, tzinfo=timezone.utc).isoformat())",
       "2031-05-09T14:05:00+00:00\n"},
      {"print(datetime(2031, 5, 9, 14, 5).astimezone(timezone.utc))",
       "2031-05-09 14:05:00+00:00\n"},
      {"print(datetime.fromisoformat('2031-05-09T14:05:07+02:00').astimezone(timezone.utc))",
       "2031-05-09 12:05:07+00:00\n"},
      {"print(datetime.strptime('09/05/2031', '%d/%m/%Y').date())", "2031-05-09\n"},
      {"print(date(2031, 5, 9) - date(2030, 12, 24))", "136 days, 0:00:00\n"},
      {"print((date(2031, 5, 9) - date(2030, 12, 24)).days)", "136\n"},
      {"print(timedelta(seconds=3725))", "1:02:05\n"},
      {"print(str(timedelta(seconds=3725)).split('.')[0])", "1:02:05\n"},
      {"print(date(2031, 5, 9).isocalendar().week)", "19\n"},
      {"print(f\"{date(2031, 5, 9):%A, %d %B %Y}\")", "Friday, 09 May 2031\n"},
      {"print(f\"{datetime(2031, 5, 9, 14, 5):%I:%M %p}\")", "02:05 PM\n"},
      {"print(\"{:%Y-%m-%d}\".format(date(2031, 5, 9)))", "2031-05-09\n"},
      {"print(date(2031, 5, 9).strftime(\"%-d.%-m.%Y\"))", "9.5.2031\n"},
      {"print(repr(datetime(2031, 5, 9)))", "datetime.datetime(2031, 5, 9, 0, 0)\n"},
      {"print([date(2031, 5, 9), date(2031, 5, 10)])",
       "[datetime.date(2031, 5, 9), datetime.date(2031, 5, 10)]\n"},
      {"print(datetime.fromtimestamp(1935930307, tz=timezone.utc))", "2031-05-07 14:25:07+00:00\n"},
      {"print(datetime.utcfromtimestamp(1935930307))", "2031-05-07 14:25:07\n"},
      {"print(datetime(2031, 5, 9).timestamp())", "1936051200.0\n"},
      {"print(calendar.month_name[5])", "May\n"},
      {"print(calendar.monthrange(2031, 2))", "(5, 28)\n"},
      {"print(time.strftime('%Y-%m-%d', time.gmtime(1935930307)))", "2031-05-07\n"},
      {"print(Decimal('19.99') * 3)", "59.97\n"},
      {"print(Decimal('10') / Decimal('3'))", "3.333333333333333333333333333\n"},
      {"print(round(Decimal('2.675'), 2))", "2.68\n"},
      {"print(f\"{Decimal('1234567.891'):,.2f}\")", "1,234,567.89\n"},
      {"print(Decimal(0.1))", "0.1000000000000000055511151231257827021181583404541015625\n"},
      {"print(repr(Decimal('1.10')))", "Decimal('1.10')\n"},
      {"print(Decimal('1.10').normalize())", "1.1\n"},
      {"print(Decimal('2.675').quantize(Decimal('.01'), rounding=ROUND_HALF_UP))", "2.68\n"},
      {"print(sum([Decimal('0.1')] * 10))", "1.0\n"},
      {"print(Decimal('1E+3'))", "1E+3\n"},
      {"print(Decimal('-0'))", "-0\n"},
      {"print(Fraction(3, 4) + Fraction(1, 6))", "11/12\n"},
      {"print(Fraction('0.125'))", "1/8\n"},
      {"print(Fraction(0.5))", "1/2\n"},
      {"print(f\"{Fraction(1, 3)}\")", "1/3\n"},
      {"print(float(Fraction(1, 3)))", "0.3333333333333333\n"},
      {"print(repr(Fraction(1, 3)))", "Fraction(1, 3)\n"},
      {"print(Fraction(22, 7).limit_denominator(5))", "16/5\n"},
      {"print(\"%s\" % Fraction(1, 3))", "1/3\n"},
      {"print(f\"{float(Fraction(2, 3)):.3f}\")", "0.667\n"},
      {"locale.setlocale(locale.LC_ALL, 'de_DE.UTF-8'); print(locale.format_string('%.2f', "
       "1234567.891, grouping=True))",
       "1.234.567,89\n"},
      {"locale.setlocale(locale.LC_ALL, 'de_DE.UTF-8'); print(locale.currency(1234.5, "
       "grouping=True))",
       "1.234,50 €\n"},
      {"locale.setlocale(locale.LC_ALL, 'en_US.UTF-8'); print(f\"{1234567:n}\")", "1,234,567\n"},
      {"import datetime; print(datetime.date(2031, 5, 9).strftime('%d.%m.%Y'))", "09.05.2031\n"},
      {"import datetime as dt; print(dt.datetime(2031, 5, 9, 14, 5).strftime('%H:%M'))", "14:05\n"},
      {"from decimal import Decimal, ROUND_HALF_UP; "
       "print(Decimal('0.125').quantize(Decimal('0.01'), ROUND_HALF_UP))",
       "0.13\n"},
      {"from datetime import datetime, timedelta; print((datetime(2031, 5, 9) + "
       "timedelta(days=30)).strftime('%b %d, %Y'))",
       "Jun 08, 2031\n"},
      {"d = date(2031, 5, 9); print(f\"{d.day:02d}/{d.month:02d}/{d.year}\")", "09/05/2031\n"},
      {"d = date(2031, 5, 9); print(d.replace(day=1) - timedelta(days=1))", "2031-04-30\n"},
      {"print(datetime(2031, 5, 9, 14, 5, 7, 250000).isoformat(timespec='milliseconds'))",
       "2031-05-09T14:05:07.250\n"},
      {"print(datetime(2031, 5, 9).weekday(), datetime(2031, 5, 9).isoweekday())", "4 5\n"},
      {"print(time(14, 5).strftime('%H:%M'))", "14:05\n"},
      {"print(datetime.combine(date(2031, 5, 9), time(14, 5)))", "2031-05-09 14:05:00\n"},
      {"print(date.fromisoformat('2031-05-09').toordinal())", "741571\n"},
      {"print(datetime(2031, 5, 9) < datetime(2031, 5, 10))", "True\n"},
      {"print(repr(Fraction(9, 9)), '%d %.3f %s' % (Fraction(-49, 5), Fraction(33, 4), "
       "Fraction(24, 6)), Fraction(-5, 4) < 0, Fraction(3, 4) == 0.75, Fraction(2, 5) ** 0)",
       "Fraction(1, 1) -9 8.250 4 True True 1\n"},
      {"print(Fraction(-18, 9) - 0.25, Fraction(8, 6) / Fraction(9, 7), Fraction(10, 4) // 2, "
       "Fraction(12, 9) % Fraction(2, 3))",
       "-2.25 28/27 1 0\n"},
      {"print(Fraction(4.622260284669791).limit_denominator(55), Fraction('4.586'), "
       "round(Fraction(-8, 10), 1), float(Fraction(-7, 3)))",
       "208/45 2293/500 -4/5 -2.3333333333333335\n"},
      {"print(datetime.fromtimestamp(1489279907, tz=timezone(-timedelta(hours=3))))",
       "2017-03-11 21:51:47-03:00\n"},
      {"print(datetime(2016, 1, 17, 15, 55, 39).isoformat(sep=\" \", timespec=\"milliseconds\"))",
       "2016-01-17 15:55:39.000\n"},
      {"print(datetime.fromtimestamp(1424118982.7194803, tz=ZoneInfo(\"UTC\")))",
       "2015-02-16 20:36:22.719480+00:00\n"},
      {"print(datetime.strptime('19990610', '%Y%m%d'))", "1999-06-10 00:00:00\n"},
      {"print(Fraction(-8, 3) - -4, Fraction(8, 9) / Fraction(7, 7), Fraction(18, 5) // 2, "
       "Fraction(-19, 7) % Fraction(2, 3))",
       "4/3 8/9 1 13/21\n"},
      {"print(datetime.strptime('Saturday 14 June 1997', '%A %d %B %Y'))", "1997-06-14 00:00:00\n"},
      {"print(datetime(2027, 12, 12, 20, 51, 6).replace(tzinfo=timezone(timedelta(hours=5, "
       "minutes=30))).astimezone(timezone.utc).isoformat())",
       "2027-12-12T15:21:06+00:00\n"},
      {"print(datetime(2027, 10, 22, 11, 43, 25).ctime(), datetime(2027, 10, 22, 11, 43, "
       "25).replace(month=2, day=28))",
       "Fri Oct 22 11:43:25 2027 2027-02-28 11:43:25\n"},
      {"print(datetime(3487, 8, 14, 11, 20, 6).isoformat(sep=\" \", timespec=\"milliseconds\"))",
       "3487-08-14 11:20:06.000\n"},
      {"print(datetime(2005, 12, 1, 15, 22, 42).isoformat(timespec=\"minutes\"))",
       "2005-12-01T15:22\n"},
      {"print(Fraction(-8.912424942346465).limit_denominator(98), Fraction('-0.761'), "
       "round(Fraction(54, 20), 0), float(Fraction(54, 16)))",
       "-713/80 -761/1000 3 3.375\n"},
      {"print(datetime.fromtimestamp(1870855345, tz=ZoneInfo(\"UTC\")))",
       "2029-04-14 10:02:25+00:00\n"},
      {"print(repr(Fraction(0, 6)), '%d %.3f %s' % (Fraction(33, 6), Fraction(83, 3), "
       "Fraction(-74, 9)), Fraction(7, 4) < 1, Fraction(3, 4) == 0.75, Fraction(2, 3) ** 2)",
       "Fraction(0, 1) 5 27.667 -74/9 False True 4/9\n"},
      {"print(sum([Fraction(1, 6), Fraction(1, 3)]), max(Fraction(1, 3), 0.3), abs(Fraction(-2, "
       "3)), int(Fraction(-7, 2)), Fraction(7, 2).numerator, sorted([Fraction(1, 2), Fraction(1, "
       "3)]))",
       "1/2 1/3 2/3 -3 7 [Fraction(1, 3), Fraction(1, 2)]\n"},
      {"print(datetime(2035, 7, 9, 4, 9, 53).ctime(), datetime(2035, 7, 9, 4, 9, "
       "53).replace(year=2000))",
       "Mon Jul  9 04:09:53 2035 2000-07-09 04:09:53\n"},
      {"print(datetime(1997, 6, 23, 5, 52, 34).isoformat(timespec=\"minutes\"))",
       "1997-06-23T05:52\n"},
      {"print(datetime.fromtimestamp(1579926516.182658, tz=timezone(timedelta(hours=5, "
       "minutes=30))))",
       "2020-01-25 09:58:36.182658+05:30\n"},
      {"print(Fraction(11, 9) - Fraction(-8, 9), Fraction(-9, 12) / Fraction(3, 7), Fraction(-4, "
       "11) // 2, Fraction(12, 3) % Fraction(2, 3))",
       "19/9 -7/4 -1 0\n"},
      {"print(repr(Fraction(6, 2)), '%d %.3f %s' % (Fraction(-65, 5), Fraction(-20, 5), "
       "Fraction(74, 4)), Fraction(8, 4) < 2, Fraction(3, 4) == 0.75, Fraction(2, 7) ** 0)",
       "Fraction(3, 1) -13 -4.000 37/2 False True 1\n"},
      {"print(Fraction(6.44311458757393).limit_denominator(168), Fraction('8.709'), "
       "round(Fraction(-79, 20), 2), float(Fraction(-91, 19)))",
       "1076/167 8709/1000 -79/20 -4.7894736842105265\n"},
      {"print(datetime(2022, 3, 17, 9, 44, 31).isocalendar().week, datetime(2022, 3, 17, 9, 44, "
       "31).isocalendar()[0], datetime(2022, 3, 17, 9, 44, 31).isocalendar().weekday)",
       "11 2022 4\n"},
      {"print(datetime(2004, 8, 13, 3, 9, 54).isoformat(\" \"))", "2004-08-13 03:09:54\n"},
      {"print(datetime(2030, 6, 23, 21, 57, 52).ctime(), datetime(2030, 6, 23, 21, 57, "
       "52).replace(day=1))",
       "Sun Jun 23 21:57:52 2030 2030-06-01 21:57:52\n"},
      {"print(datetime.fromtimestamp(409794658.27057624, tz=timezone.utc))",
       "1982-12-26 23:50:58.270576+00:00\n"},
      {"print(datetime.fromtimestamp(1322503098.1326625, tz=timezone.utc))",
       "2011-11-28 17:58:18.132663+00:00\n"},
      {"print(datetime(1999, 7, 15, 19, 45, 46).isoformat(sep=\" \", timespec=\"milliseconds\"))",
       "1999-07-15 19:45:46.000\n"},
      {"print(datetime(2022, 5, 7, 4, 50, 59).isocalendar().week, datetime(2022, 5, 7, 4, 50, "
       "59).isocalendar()[0], datetime(2022, 5, 7, 4, 50, 59).isocalendar().weekday)",
       "18 2022 6\n"},
      {"print(Fraction(2.4837848176882282).limit_denominator(197), Fraction('4.903'), "
       "round(Fraction(82, 12), 1), float(Fraction(-46, 6)))",
       "77/31 4903/1000 34/5 -7.666666666666667\n"},
      {"print(Fraction(10, 9) + -2, Fraction(16, 2) / Fraction(5, 7), Fraction(-3, 6) // 2, "
       "Fraction(20, 2) % Fraction(2, 3))",
       "-8/9 56/5 -1 0\n"},
      {"print(datetime(2014, 10, 31, 21, 4, 4).isocalendar().week, datetime(2014, 10, 31, 21, 4, "
       "4).isocalendar()[0], datetime(2014, 10, 31, 21, 4, 4).isocalendar().weekday)",
       "44 2014 5\n"},
      {"print(datetime.strptime('10:47 PM 15.10.28', '%I:%M %p %d.%m.%y'))",
       "2028-10-15 22:47:00\n"},
      {"print(datetime(1996, 12, 13, 15, 51, 3).isoformat(\" \"))", "1996-12-13 15:51:03\n"},
      {"print(Fraction(-11, 2) + -3, Fraction(17, 9) / Fraction(4, 7), Fraction(8, 11) // 2, "
       "Fraction(12, 8) % Fraction(2, 3))",
       "-17/2 119/36 0 1/6\n"},
      {"print(datetime(1991, 4, 13, 16, 10, "
       "36).replace(tzinfo=ZoneInfo(\"UTC\")).astimezone(timezone.utc).isoformat())",
       "1991-04-13T16:10:36+00:00\n"},
      {"print(datetime(2009, 11, 19, 21, 38, 41).ctime(), datetime(2009, 11, 19, 21, 38, "
       "41).replace(day=1))",
       "Thu Nov 19 21:38:41 2009 2009-11-01 21:38:41\n"},
      {"print(datetime.fromtimestamp(128653986, tz=timezone.utc))", "1974-01-29 01:13:06+00:00\n"},
      {"print(Fraction(-4.992637783261886).limit_denominator(77), Fraction('8.358'), "
       "round(Fraction(-42, 12), 0), float(Fraction(86, 14)))",
       "-384/77 4179/500 -4 6.142857142857143\n"},
      {"print(Fraction(9.915960911732505).limit_denominator(54), Fraction('-2.986'), "
       "round(Fraction(-19, 13), 1), float(Fraction(67, 18)))",
       "119/12 -1493/500 -3/2 3.7222222222222223\n"},
      {"print(Fraction(-3, 3) - Fraction(6, 4), Fraction(15, 4) / Fraction(8, 7), Fraction(16, 4) "
       "// 2, Fraction(15, 9) % Fraction(2, 3))",
       "-5/2 105/32 2 1/3\n"},
      {"print(datetime.fromtimestamp(1357300998, tz=ZoneInfo(\"UTC\")))",
       "2013-01-04 12:03:18+00:00\n"},
      {"print(datetime.strptime('22/11/2035 07:26', '%d/%m/%Y %H:%M'))", "2035-11-22 07:26:00\n"},
      {"print(sum([Fraction(1, 7), Fraction(1, 3)]), max(Fraction(1, 3), 0.3), abs(Fraction(-2, "
       "3)), int(Fraction(-7, 2)), Fraction(7, 2).numerator, sorted([Fraction(1, 2), Fraction(1, "
       "3)]))",
       "10/21 1/3 2/3 -3 7 [Fraction(1, 3), Fraction(1, 2)]\n"},
      {"print(repr(Fraction(-6, 2)), '%d %.3f %s' % (Fraction(88, 2), Fraction(-23, 1), "
       "Fraction(86, 6)), Fraction(-4, 4) < 2, Fraction(3, 4) == 0.75, Fraction(2, 6) ** 3)",
       "Fraction(-3, 1) 44 -23.000 43/3 True True 1/27\n"},
      {"print(Fraction(7, 4) - 0.25, Fraction(4, 7) / Fraction(9, 7), Fraction(15, 5) // 2, "
       "Fraction(-13, 10) % Fraction(2, 3))",
       "1.5 4/9 1 1/30\n"},
      {"print(sum([Fraction(1, 7), Fraction(1, 4)]), max(Fraction(1, 3), 0.3), abs(Fraction(-2, "
       "3)), int(Fraction(-7, 2)), Fraction(7, 2).numerator, sorted([Fraction(1, 2), Fraction(1, "
       "3)]))",
       "11/28 1/3 2/3 -3 7 [Fraction(1, 3), Fraction(1, 2)]\n"},
      {"print(repr(Fraction(4, 2)), '%d %.3f %s' % (Fraction(-91, 8), Fraction(70, 5), "
       "Fraction(51, 8)), Fraction(-7, 4) < -2, Fraction(3, 4) == 0.75, Fraction(2, 3) ** 3)",
       "Fraction(2, 1) -11 14.000 51/8 False True 8/27\n"},
      {"print(datetime(2035, 1, 10, 13, 40, "
       "12).replace(tzinfo=timezone.utc).astimezone(timezone.utc).isoformat())",
       "2035-01-10T13:40:12+00:00\n"},
      {"print(sum([Fraction(1, 4), Fraction(1, 6)]), max(Fraction(1, 3), 0.3), abs(Fraction(-2, "
       "3)), int(Fraction(-7, 2)), Fraction(7, 2).numerator, sorted([Fraction(1, 2), Fraction(1, "
       "3)]))",
       "5/12 1/3 2/3 -3 7 [Fraction(1, 3), Fraction(1, 2)]\n"},
      {"print(datetime(2016, 8, 13, 9, 10, 14).isocalendar().week, datetime(2016, 8, 13, 9, 10, "
       "14).isocalendar()[0], datetime(2016, 8, 13, 9, 10, 14).isocalendar().weekday)",
       "32 2016 6\n"},
      {"print(datetime(2032, 7, 28, 11, 6, "
       "57).replace(tzinfo=ZoneInfo(\"UTC\")).astimezone(timezone.utc).isoformat())",
       "2032-07-28T11:06:57+00:00\n"},
      {"print(datetime.strptime('12/09/2033 10:32', '%d/%m/%Y %H:%M'))", "2033-09-12 10:32:00\n"},
      {"print(repr(Fraction(-6, 9)), '%d %.3f %s' % (Fraction(27, 6), Fraction(-41, 6), "
       "Fraction(-70, 6)), Fraction(7, 4) < 2, Fraction(3, 4) == 0.75, Fraction(2, 5) ** 1)",
       "Fraction(-2, 3) 4 -6.833 -35/3 True True 2/5\n"},
      {"print(Fraction(-4, 10) + Fraction(-12, 9), Fraction(15, 1) / Fraction(2, 7), Fraction(-4, "
       "12) // 2, Fraction(-9, 6) % Fraction(2, 3))",
       "-26/15 105/2 -1 1/2\n"},
      {"print(datetime(2029, 4, 10, 14, 32, "
       "4).replace(tzinfo=timezone(-timedelta(hours=3))).astimezone(timezone.utc).isoformat())",
       "2029-04-10T17:32:04+00:00\n"},
      {"print(Fraction(-8, 6) * 5, Fraction(5, 11) / Fraction(7, 7), Fraction(12, 7) // 2, "
       "Fraction(-8, 7) % Fraction(2, 3))",
       "-20/3 5/11 0 4/21\n"},
      {"print(datetime(2022, 6, 22, 20, 15, 1).isoformat(\" \"))", "2022-06-22 20:15:01\n"},
      {"print(sum([Fraction(1, 4), Fraction(1, 4)]), max(Fraction(1, 3), 0.3), abs(Fraction(-2, "
       "3)), int(Fraction(-7, 2)), Fraction(7, 2).numerator, sorted([Fraction(1, 2), Fraction(1, "
       "3)]))",
       "1/2 1/3 2/3 -3 7 [Fraction(1, 3), Fraction(1, 2)]\n"},
      {"print(datetime(2551, 10, 18, 19, 18, 0).replace(tzinfo=timezone(timedelta(hours=5, "
       "minutes=30))).astimezone(timezone.utc).isoformat())",
       "2551-10-18T13:48:00+00:00\n"},
      {"print(datetime(2004, 6, 17, 10, 30, 27).isoformat(timespec=\"minutes\"))",
       "2004-06-17T10:30\n"},
      {"print(Fraction(-14, 4) - 0.25, Fraction(-14, 8) / Fraction(7, 7), Fraction(17, 11) // 2, "
       "Fraction(12, 2) % Fraction(2, 3))",
       "-3.75 -7/4 0 0\n"},
      {"print(datetime(2008, 4, 19, 2, 7, "
       "46).replace(tzinfo=timezone.utc).astimezone(timezone(timedelta(hours=1))).isoformat())",
       "2008-04-19T03:07:46+01:00\n"},
      {"print(Fraction(-8, 2) * 5, Fraction(18, 7) / Fraction(4, 7), Fraction(-2, 10) // 2, "
       "Fraction(0, 1) % Fraction(2, 3))",
       "-20 9/2 -1 0\n"},
      {"print(datetime.fromtimestamp(1555756233.9878335, tz=timezone(-timedelta(hours=3))))",
       "2019-04-20 07:30:33.987833-03:00\n"},
      {"print(datetime.strptime('Friday 19 December 1997', '%A %d %B %Y'))",
       "1997-12-19 00:00:00\n"},
      {"print(Fraction(-6.238533116963945).limit_denominator(86), Fraction('9.934'), "
       "round(Fraction(15, 16), 0), float(Fraction(62, 6)))",
       "-418/67 4967/500 1 10.333333333333334\n"},
      {"print(datetime(1993, 3, 31, 16, 14, 21).isocalendar().week, datetime(1993, 3, 31, 16, 14, "
       "21).isocalendar()[0], datetime(1993, 3, 31, 16, 14, 21).isocalendar().weekday)",
       "13 1993 3\n"},
      {"print(datetime.strptime('212 1995', '%j %Y'))", "1995-07-31 00:00:00\n"},
  };
  support::check_lines("python", lines);
  for (const PastedLine& line : lines) support::check_beginnings("python", line.source, {});
}
