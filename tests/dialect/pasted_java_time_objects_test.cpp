// Lines with objects of java.time, as people paste them. The texts are those that the runtime
// printed of the same lines: OpenJDK 17.0.15, TZ=UTC.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("lines with objects of java.time print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"System.out.println(LocalDate.of(2031, 5, "
       "9).format(DateTimeFormatter.ofPattern(\"dd/MM/yyyy\")));",
       "09/05/2031\n"},
      {"System.out.println(LocalDate.of(2031, Month.MAY, 9));", "2031-05-09\n"},
      {"System.out.println(LocalDate.parse(\"2031-05-09\").plusDays(30));", "2031-06-08\n"},
      {"System.out.println(LocalDate.parse(\"09/05/2031\", "
       "DateTimeFormatter.ofPattern(\"dd/MM/yyyy\")));",
       "2031-05-09\n"},
      {"System.out.println(LocalDate.of(2031, 5, 9).getDayOfWeek());", "FRIDAY\n"},
      {"System.out.println(LocalDate.of(2031, 5, 9).getMonth());", "MAY\n"},
      {"System.out.println(LocalDate.of(2031, 5, 9).getMonth().getDisplayName(TextStyle.FULL, "
       "Locale.FRENCH));",
       "mai\n"},
      {"System.out.println(LocalDate.of(2031, 5, 9).getDayOfWeek().getDisplayName(TextStyle.SHORT, "
       "Locale.US));",
       "Fri\n"},
      {"System.out.println(LocalDate.of(2031, 5, "
       "9).format(DateTimeFormatter.ofLocalizedDate(FormatStyle.FULL).withLocale(Locale.GERMANY)))"
       ";",
       "Freitag, 9. Mai 2031\n"},
      {"System.out.println(LocalDate.of(2031, 5, 9).format(DateTimeFormatter.ISO_DATE));",
       "2031-05-09\n"},
      {"System.out.println(LocalDate.of(2031, 5, 9).format(DateTimeFormatter.BASIC_ISO_DATE));",
       "20310509\n"},
      {"System.out.println(LocalDateTime.of(2031, 5, 9, 14, "
       "5).format(DateTimeFormatter.ISO_LOCAL_DATE_TIME));",
       "2031-05-09T14:05:00\n"},
      {"System.out.println(LocalDateTime.of(2031, 5, 9, 14, 5));", "2031-05-09T14:05\n"},
      {"System.out.println(OffsetDateTime.of(2031, 5, 9, 14, 5, 0, 0, ZoneOffset.ofHours(2)));",
       "2031-05-09T14:05+02:00\n"},
      {"System.out.println(Instant.ofEpochSecond(1935930307));", "2031-05-07T14:25:07Z\n"},
      {"System.out.println(Instant.parse(\"2031-05-09T14:05:07Z\").toEpochMilli());",
       "1936101907000\n"},
      {"System.out.println(Instant.EPOCH);", "1970-01-01T00:00:00Z\n"},
      {"System.out.println(Duration.ofMinutes(125));", "PT2H5M\n"},
      {"System.out.println(Duration.between(LocalTime.of(9, 0), LocalTime.of(17, 30)).toHours());",
       "8\n"},
      {"System.out.println(Period.between(LocalDate.of(2030, 12, 24), LocalDate.of(2031, 5, 9)));",
       "P4M15D\n"},
      {"System.out.println(Period.ofMonths(3));", "P3M\n"},
      {"System.out.println(ChronoUnit.DAYS.between(LocalDate.of(2030, 12, 24), LocalDate.of(2031, "
       "5, 9)));",
       "136\n"},
      {"System.out.println(YearMonth.of(2031, 2).lengthOfMonth());", "28\n"},
      {"System.out.println(Year.of(2032).isLeap());", "true\n"},
      {"System.out.println(new SimpleDateFormat(\"yyyy-MM-dd HH:mm:ss\").format(new "
       "Date(1935930307000L)));",
       "2031-05-07 14:25:07\n"},
      {"System.out.println(new SimpleDateFormat(\"EEE, d MMM yyyy\", Locale.ENGLISH).format(new "
       "Date(0)));",
       "Thu, 1 Jan 1970\n"},
      {"System.out.println(new Date(0));", "Thu Jan 01 00:00:00 UTC 1970\n"},
      {"System.out.printf(\"%tF %<tT%n\", LocalDateTime.of(2031, 5, 9, 14, 5));",
       "2031-05-09 14:05:00\n"},
      {"System.out.println(String.format(\"%1$tY-%1$tm-%1$td\", LocalDate.of(2031, 5, 9)));",
       "2031-05-09\n"},
      {"System.out.println(String.format(Locale.GERMANY, \"%,.2f\", new "
       "BigDecimal(\"1234567.895\")));",
       "1.234.567,90\n"},
      {"System.out.println(new BigDecimal(\"2.675\").setScale(2, RoundingMode.HALF_UP));",
       "2.68\n"},
      {"System.out.println(new BigDecimal(\"10\").divide(new BigDecimal(\"3\"), 4, "
       "RoundingMode.HALF_UP));",
       "3.3333\n"},
      {"System.out.println(new BigDecimal(\"10\").divide(new BigDecimal(\"3\"), "
       "MathContext.DECIMAL32));",
       "3.333333\n"},
      {"System.out.println(new BigDecimal(\"10\").divide(new BigDecimal(\"3\")));", nullptr},
      {"System.out.println(new BigDecimal(\"1234.5678\").round(new MathContext(3)));", "1.23E+3\n"},
      {"System.out.println(new BigDecimal(\"1.10\").stripTrailingZeros().toPlainString());",
       "1.1\n"},
      {"System.out.println(new BigDecimal(0.1));",
       "0.1000000000000000055511151231257827021181583404541015625\n"},
      {"System.out.println(BigDecimal.valueOf(0.1).add(BigDecimal.valueOf(0.2)));", "0.3\n"},
      {"System.out.println(BigInteger.TWO.pow(100));", "1267650600228229401496703205376\n"},
      {"System.out.println(new BigDecimal(\"1E+3\").toPlainString() + \" \" + new "
       "BigDecimal(\"1E+3\").toEngineeringString());",
       "1000 1E+3\n"},
      {"System.out.println(NumberFormat.getCurrencyInstance(Locale.US).format(1234.5));",
       "$1,234.50\n"},
      {"System.out.println(NumberFormat.getCurrencyInstance(new Locale(\"de\", \"DE\")).format(new "
       "BigDecimal(\"1234.5\")));",
       "1.234,50 €\n"},
      {"System.out.println(NumberFormat.getPercentInstance().format(0.256));", "26%\n"},
      {"System.out.println(NumberFormat.getInstance(Locale.FRANCE).format(1234567.891));",
       "1 234 567,891\n"},
      {"System.out.println(NumberFormat.getNumberInstance(new Locale(\"en\", "
       "\"IN\")).format(12345678));",
       "12,345,678\n"},
      {"NumberFormat nf = NumberFormat.getCurrencyInstance(Locale.JAPAN); "
       "nf.setMaximumFractionDigits(2); System.out.println(nf.format(1234.5));",
       "￥1,234.5\n"},
      {"NumberFormat nf = NumberFormat.getInstance(Locale.US); nf.setMinimumFractionDigits(2); "
       "System.out.println(nf.format(1234.5));",
       "1,234.50\n"},
      {"DecimalFormat df = new DecimalFormat(\"#,##0.00\"); "
       "System.out.println(df.format(1234567.891));",
       "1,234,567.89\n"},
      {"System.out.println(new DecimalFormat(\"#,##0.00\", "
       "DecimalFormatSymbols.getInstance(Locale.GERMANY)).format(1234567.891));",
       "1.234.567,89\n"},
      {"System.out.println(new DecimalFormat(\"0.00\", new "
       "DecimalFormatSymbols(Locale.US)).format(2.675));",
       "2.67\n"},
      {"LocalDate d = LocalDate.of(2031, 5, 9); System.out.println(d.getYear() + \"-\" + "
       "d.getMonthValue() + \"-\" + d.getDayOfMonth());",
       "2031-5-9\n"},
      {"LocalDate d = LocalDate.of(2031, 5, 31).plusMonths(1); System.out.println(d);",
       "2031-06-30\n"},
      {"System.out.println(LocalDate.of(2031, 5, 9).with(TemporalAdjusters.firstDayOfMonth()));",
       "2031-05-01\n"},
      {"System.out.println(LocalDate.of(2031, 5, 9).isBefore(LocalDate.of(2031, 6, 1)));",
       "true\n"},
      {"System.out.println(LocalTime.parse(\"14:05\").format(DateTimeFormatter.ofPattern(\"h:mm "
       "a\")));",
       "2:05 PM\n"},
      {"System.out.println(DateTimeFormatter.ofPattern(\"EEEE, MMMM d, yyyy\", "
       "Locale.US).format(LocalDate.of(2031, 5, 9)));",
       "Friday, May 9, 2031\n"},
      {"System.out.println(LocalDateTime.parse(\"09/07/2036 00:06\", "
       "DateTimeFormatter.ofPattern(\"dd/MM/yyyy HH:mm\")));",
       "2036-07-09T00:06\n"},
      {"System.out.println(LocalDate.of(2001, 3, 26).plus(Period.of(3, 1, 34)) + \" \" + "
       "Instant.ofEpochMilli(1135261624128L) + \" \" + YearMonth.of(2001, 3).atEndOfMonth());",
       "2004-05-30 2005-12-22T14:27:04.128Z 2001-03-31\n"},
      {"System.out.println(LocalDate.of(2019, 8, 8).plus(Period.of(2, 9, 19)) + \" \" + "
       "Instant.ofEpochMilli(1256557206886L) + \" \" + YearMonth.of(2019, 8).atEndOfMonth());",
       "2022-05-27 2009-10-26T11:40:06.886Z 2019-08-31\n"},
      {"System.out.println(LocalDateTime.of(2016, 7, 7, 17, 30, "
       "10).atOffset(ZoneOffset.UTC).toEpochSecond());",
       "1467912610\n"},
      {"System.out.println(LocalDate.of(2004, 12, 13).minus(Period.of(2, 8, 15)) + \" \" + "
       "Instant.ofEpochMilli(968793503582L) + \" \" + YearMonth.of(2004, 12).atEndOfMonth());",
       "2002-03-29 2000-09-12T21:18:23.582Z 2004-12-31\n"},
      {"System.out.println(new BigDecimal(\"0E+5\").toEngineeringString());", "0.0E+6\n"},
      {"System.out.println(new BigDecimal(\"1080.4\").divide(new BigDecimal(\"735.6131\"), new "
       "MathContext(10, RoundingMode.HALF_UP)));",
       "1.468706851\n"},
      {"System.out.println(new BigDecimal(\"1.25E-7\").toEngineeringString());", "125E-9\n"},
      {"System.out.println(Period.between(LocalDate.of(2026, 9, 1), LocalDate.of(1998, 7, 11)));",
       "P-28Y-1M-21D\n"},
      {"System.out.println(LocalDate.of(2005, 1, "
       "25).with(TemporalAdjusters.firstDayOfNextMonth()));",
       "2005-02-01\n"},
      {"System.out.println(LocalDate.of(1997, 12, 29).with(TemporalAdjusters.lastDayOfYear()));",
       "1997-12-31\n"},
      {"System.out.println(LocalDateTime.of(2000, 7, 6, 12, 25, "
       "47).atOffset(ZoneOffset.ofHours(2)).withOffsetSameInstant(ZoneOffset.UTC));",
       "2000-07-06T10:25:47Z\n"},
      {"System.out.println(LocalDate.of(2022, 9, 26).plus(Period.of(2, 8, 20)) + \" \" + "
       "Instant.ofEpochMilli(1326298876173L) + \" \" + YearMonth.of(2022, 9).atEndOfMonth());",
       "2025-06-15 2012-01-11T16:21:16.173Z 2022-09-30\n"},
      {"System.out.println(new BigDecimal(\"6763.2484\").subtract(new BigDecimal(\"114\"), new "
       "MathContext(8, RoundingMode.HALF_UP)));",
       "6649.2484\n"},
      {"System.out.println(LocalDateTime.parse(\"13/05/1994 06:44\", "
       "DateTimeFormatter.ofPattern(\"dd/MM/yyyy HH:mm\")));",
       "1994-05-13T06:44\n"},
      {"System.out.println(LocalDate.of(1992, 1, 19).minus(Period.of(1, 11, 28)) + \" \" + "
       "Instant.ofEpochMilli(504200882858L) + \" \" + YearMonth.of(1992, 1).atEndOfMonth());",
       "1990-01-22 1985-12-23T15:48:02.858Z 1992-01-31\n"},
      {"System.out.println(LocalDate.of(2029, 9, "
       "22).with(TemporalAdjusters.next(DayOfWeek.MONDAY)));",
       "2029-09-24\n"},
      {"System.out.println(new BigDecimal(\"1540.849\").multiply(new BigDecimal(\"314.43\"), new "
       "MathContext(10, RoundingMode.CEILING)));",
       "484489.1511\n"},
      {"System.out.println(Period.between(LocalDate.of(2011, 4, 27), LocalDate.of(2005, 8, 24)));",
       "P-5Y-8M-3D\n"},
      {"System.out.println(ChronoUnit.DECADES.between(LocalDateTime.of(2036, 12, 9, 5, 13, 48), "
       "LocalDateTime.of(2007, 7, 16, 9, 57)));",
       "-2\n"},
      {"System.out.println(ChronoUnit.DAYS.between(LocalDate.of(2006, 7, 2), LocalDate.of(2026, 9, "
       "28)));",
       "7393\n"},
      {"System.out.println(new SimpleDateFormat(\"yyyy-MM-dd'T'HH:mm:ss.SSSXXX\").format(new "
       "Date(47092906114L)));",
       "1971-06-30T01:21:46.114Z\n"},
      {"System.out.println(new BigDecimal(\"0E-8\").toEngineeringString());", "0.00E-6\n"},
      {"System.out.println(new SimpleDateFormat(\"yyyyMMddHHmmss\").format(new "
       "Date(2931472554859L)));",
       "20621123015554\n"},
      {"System.out.println(Period.between(LocalDate.of(2005, 5, 1), LocalDate.of(1999, 3, 11)));",
       "P-6Y-1M-21D\n"},
      {"System.out.println(LocalDate.of(2015, 8, 17).plus(Period.of(2, 11, 19)) + \" \" + "
       "Instant.ofEpochMilli(1598810671192L) + \" \" + YearMonth.of(2015, 8).atEndOfMonth());",
       "2018-08-05 2020-08-30T18:04:31.192Z 2015-08-31\n"},
      {"System.out.println(LocalDate.of(2026, 10, 10).plus(Period.of(2, 9, 22)) + \" \" + "
       "Instant.ofEpochMilli(1030738301785L) + \" \" + YearMonth.of(2026, 10).atEndOfMonth());",
       "2029-08-01 2002-08-30T20:11:41.785Z 2026-10-31\n"},
      {"System.out.println(Period.between(LocalDate.of(2024, 1, 12), LocalDate.of(2030, 5, 18)));",
       "P6Y4M6D\n"},
      {"System.out.println(ChronoUnit.MINUTES.between(LocalDateTime.of(2005, 1, 30, 4, 41, 50), "
       "LocalDateTime.of(2028, 1, 25, 2, 53)));",
       "12088691\n"},
      {"System.out.println(Period.between(LocalDate.of(2036, 3, 10), LocalDate.of(2002, 5, 19)));",
       "P-33Y-9M-22D\n"},
      {"System.out.println(new BigDecimal(\"2195.734334\").multiply(new BigDecimal(\"174.587\"), "
       "new MathContext(1, RoundingMode.HALF_UP)));",
       "4E+5\n"},
      {"System.out.println(LocalDateTime.parse(\"10/11/2030 12:10\", "
       "DateTimeFormatter.ofPattern(\"dd/MM/yyyy HH:mm\")));",
       "2030-11-10T12:10\n"},
      {"System.out.println(Period.between(LocalDate.of(1990, 1, 14), LocalDate.of(2026, 12, 1)));",
       "P36Y10M17D\n"},
      {"System.out.println(ChronoUnit.WEEKS.between(LocalDate.of(2029, 12, 30), LocalDate.of(2000, "
       "2, 17)));",
       "-1558\n"},
      {"System.out.println(new BigDecimal(\"12345E+4\").toEngineeringString());", "123.45E+6\n"},
      {"System.out.println(LocalDateTime.of(2032, 11, 4, 20, 56, "
       "2).atOffset(ZoneOffset.UTC).withOffsetSameInstant(ZoneOffset.UTC));",
       "2032-11-04T20:56:02Z\n"},
      {"System.out.println(new BigDecimal(\"0.000\").toEngineeringString());", "0.000\n"},
      {"System.out.println(Period.between(LocalDate.of(2038, 2, 16), LocalDate.of(2029, 3, 10)));",
       "P-8Y-11M-6D\n"},
      {"System.out.println(LocalDate.of(2022, 4, 15).plus(Period.of(1, 13, 10)) + \" \" + "
       "Instant.ofEpochMilli(62399423811L) + \" \" + YearMonth.of(2022, 4).atEndOfMonth());",
       "2024-05-25 1971-12-24T05:10:23.811Z 2022-04-30\n"},
      {"System.out.println(LocalDate.parse(\"14/01/2040 03:55\", "
       "DateTimeFormatter.ofPattern(\"dd/MM/yyyy HH:mm\")));",
       "2040-01-14\n"},
      {"System.out.println(LocalDate.of(2004, 10, "
       "15).with(TemporalAdjusters.firstDayOfNextMonth()));",
       "2004-11-01\n"},
      {"System.out.println(LocalDate.of(1991, 5, "
       "15).with(TemporalAdjusters.nextOrSame(DayOfWeek.FRIDAY)));",
       "1991-05-17\n"},
      {"System.out.println(ChronoUnit.MONTHS.between(LocalDate.of(2031, 5, 23), LocalDate.of(2021, "
       "4, 21)));",
       "-121\n"},
      {"System.out.println(Period.between(LocalDate.of(2038, 3, 11), LocalDate.of(2008, 2, 15)));",
       "P-30Y-25D\n"},
      {"System.out.println(new BigDecimal(\"1584.484585\").add(new BigDecimal(\"851.36\"), new "
       "MathContext(1, RoundingMode.CEILING)));",
       "3E+3\n"},
      {"System.out.println(ChronoUnit.MONTHS.between(LocalDateTime.of(2001, 8, 11, 5, 5, 23), "
       "LocalDateTime.of(2009, 12, 17, 0, 53)));",
       "100\n"},
      {"System.out.println(ChronoUnit.MONTHS.between(LocalDateTime.of(1990, 3, 10, 11, 1, 16), "
       "LocalDateTime.of(1999, 9, 15, 12, 48)));",
       "114\n"},
      {"System.out.println(LocalDate.parse(\"16/12/2019 14:27\", "
       "DateTimeFormatter.ofPattern(\"dd/MM/yyyy HH:mm\")));",
       "2019-12-16\n"},
      {"System.out.println(Period.between(LocalDate.of(2027, 5, 1), LocalDate.of(2040, 11, 17)));",
       "P13Y6M16D\n"},
      {"System.out.println(Period.between(LocalDate.of(2022, 11, 1), LocalDate.of(2026, 8, 9)));",
       "P3Y9M8D\n"},
      {"System.out.println(new BigDecimal(\"1E+3\").toEngineeringString());", "1E+3\n"},
      {"System.out.println(LocalDateTime.of(2021, 2, 9, 12, 43, "
       "22).atOffset(ZoneOffset.UTC).withOffsetSameInstant(ZoneOffset.UTC));",
       "2021-02-09T12:43:22Z\n"},
      {"System.out.println(LocalDateTime.parse(\"05/02/2007 01:34\", "
       "DateTimeFormatter.ofPattern(\"dd/MM/yyyy HH:mm\")));",
       "2007-02-05T01:34\n"},
      {"System.out.println(new BigDecimal(\"-4357.27\").subtract(new BigDecimal(\"982.36\"), new "
       "MathContext(7, RoundingMode.CEILING)));",
       "-5339.63\n"},
      {"System.out.println(LocalDate.parse(\"04/10/2010 15:15\", "
       "DateTimeFormatter.ofPattern(\"dd/MM/yyyy HH:mm\")));",
       "2010-10-04\n"},
      {"System.out.println(LocalDate.of(2030, 1, 3).plus(Period.of(1, 10, 7)) + \" \" + "
       "Instant.ofEpochMilli(1851503764305L) + \" \" + YearMonth.of(2030, 1).atEndOfMonth());",
       "2031-11-10 2028-09-02T10:36:04.305Z 2030-01-31\n"},
      {"System.out.println(new SimpleDateFormat(\"yyyyMMddHHmmss\").format(new "
       "Date(390143530380L)));",
       "19820513131210\n"},
      {"System.out.println(new BigDecimal(\"123E-10\").toEngineeringString());", "12.3E-9\n"},
      {"System.out.println(LocalDateTime.parse(\"19/11/2005 13:47\", "
       "DateTimeFormatter.ofPattern(\"dd/MM/yyyy HH:mm\")));",
       "2005-11-19T13:47\n"},
      {"System.out.println(LocalDate.of(2029, 12, "
       "4).with(TemporalAdjusters.firstDayOfNextMonth()));",
       "2030-01-01\n"},
      {"System.out.println(LocalDate.of(2020, 6, 27).with(TemporalAdjusters.lastDayOfMonth()));",
       "2020-06-30\n"},
      {"System.out.println(ChronoUnit.WEEKS.between(LocalDate.of(2038, 9, 28), LocalDate.of(2023, "
       "4, 15)));",
       "-806\n"},
  };
  support::check_lines("java", lines);
  for (const PastedLine& line : lines) support::check_beginnings("java", line.source, {});
}
