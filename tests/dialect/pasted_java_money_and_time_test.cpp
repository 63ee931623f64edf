// Lines with decimals and times, as people paste them. The texts are those that the runtimes printed
// of the same lines: OpenJDK 17.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("lines of money and time in Java print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"System.out.println(new BigDecimal(\"1.10\").multiply(new BigDecimal(\"3\")));", "3.30\n"},
      {"BigDecimal price = new BigDecimal(\"19.99\"); "
       "System.out.println(price.multiply(BigDecimal.valueOf(3)).add(new BigDecimal(\"0.07\")));",
       "60.04\n"},
      {"System.out.printf(\"%.2f%n\", new BigDecimal(\"2.675\"));", "2.68\n"},
      {"System.out.println(new BigDecimal(\"2.675\").setScale(2, RoundingMode.HALF_UP));",
       "2.68\n"},
      {"System.out.println(new BigDecimal(\"2.675\").setScale(2));", nullptr},
      {"System.out.println(new BigDecimal(\"10\").divide(new BigDecimal(\"3\")));", nullptr},
      {"System.out.println(new BigDecimal(\"10\").divide(new BigDecimal(\"3\"), 4, "
       "RoundingMode.HALF_EVEN));",
       "3.3333\n"},
      {"System.out.println(new BigDecimal(\"10\").divide(new BigDecimal(\"4\")) + \" \" + new "
       "BigDecimal(\"1.00\").divide(new BigDecimal(\"2.0\")) + \" \" + new "
       "BigDecimal(\"100\").divide(new BigDecimal(\"8.00\")));",
       "2.5 0.5 12.5\n"},
      {"System.out.println(new BigDecimal(0.1));",
       "0.1000000000000000055511151231257827021181583404541015625\n"},
      {"System.out.println(BigDecimal.valueOf(0.1) + \" \" + BigDecimal.valueOf(1e10) + \" \" + "
       "BigDecimal.valueOf(110, 2) + \" \" + BigDecimal.valueOf(5));",
       "0.1 1.0E+10 1.10 5\n"},
      {"System.out.println(new BigDecimal(\"1.0\").equals(new BigDecimal(\"1.00\")) + \" \" + new "
       "BigDecimal(\"1.0\").compareTo(new BigDecimal(\"1.00\")));",
       "false 0\n"},
      {"System.out.println(new BigDecimal(\"1E+3\").toPlainString() + \" \" + new "
       "BigDecimal(\"100\").stripTrailingZeros() + \" \" + new "
       "BigDecimal(\"0.00\").stripTrailingZeros() + \" \" + new "
       "BigDecimal(\"1.2300\").stripTrailingZeros());",
       "1000 1E+2 0 1.23\n"},
      {"System.out.println(String.format(\"%,.2f|%10s|%e\", new BigDecimal(\"1234567.891\"), new "
       "BigDecimal(\"1.10\"), new BigDecimal(\"0.00\")));",
       "1,234,567.89|      1.10|0.000000e-02\n"},
      {"System.out.println(new BigDecimal(\"-2.5\").abs() + \" \" + new "
       "BigDecimal(\"2.5\").negate() + \" \" + new BigDecimal(\"-2.5\").signum() + \" \" + new "
       "BigDecimal(\"12.345\").scale() + \" \" + new BigDecimal(\"12.345\").precision() + \" \" + "
       "new BigDecimal(\"12.345\").unscaledValue());",
       "2.5 -2.5 -1 3 5 12345\n"},
      {"System.out.println(new BigDecimal(\"10.5\").remainder(new BigDecimal(\"3\")) + \" \" + new "
       "BigDecimal(\"1.1\").pow(3) + \" \" + new BigDecimal(\"1.5\").max(new BigDecimal(\"2\")));",
       "1.5 1.331 2\n"},
      {"System.out.println(new BigDecimal(\"123.45\").movePointLeft(2) + \" \" + new "
       "BigDecimal(\"123.45\").movePointRight(3) + \" \" + new BigDecimal(\"1.5\").intValue() + \" "
       "\" + new BigDecimal(\"1.5\").doubleValue());",
       "1.2345 123450 1 1.5\n"},
      {"System.out.println(new "
       "BigInteger(\"123456789012345678901234567890\").multiply(BigInteger.valueOf(2)).add("
       "BigInteger.ONE));",
       "246913578024691357802469135781\n"},
      {"System.out.println(BigInteger.TWO.pow(100) + \" \" + new "
       "BigInteger(\"-7\").mod(BigInteger.TEN) + \" \" + new BigInteger(\"48\").gcd(new "
       "BigInteger(\"36\")));",
       "1267650600228229401496703205376 3 12\n"},
      {"System.out.println(new BigDecimal(\"abc\"));", nullptr},
      {"System.out.println(new BigDecimal(\"1\").divide(BigDecimal.ZERO));", nullptr},
      {"System.out.println(new BigDecimal(\"1.5\") + 1);", nullptr},
      {"System.out.printf(\"%s %d%n\", new BigDecimal(\"1.50\"), new "
       "BigInteger(\"99999999999999999999\"));",
       "1.50 99999999999999999999\n"},
      {"System.out.println(new BigDecimal(\"19.99\").multiply(new "
       "BigDecimal(\"0.0825\")).setScale(2, RoundingMode.HALF_EVEN));",
       "1.65\n"},
      {"var total = BigDecimal.ZERO; total = total.add(new BigDecimal(\"1.10\")); total = "
       "total.add(new BigDecimal(\"2.20\")); System.out.println(\"Total: \" + total);",
       "Total: 3.30\n"},
      {"System.out.println(new BigDecimal(\"1.5\").hashCode());", "466\n"},
      {"double x = new BigDecimal(\"2.675\").doubleValue(); System.out.println(x);", "2.675\n"},
      {"System.out.println(LocalDate.of(2031,5,9).format(DateTimeFormatter.ofPattern(\"dd/MM/"
       "yyyy\")));",
       "09/05/2031\n"},
      {"System.out.println(LocalDate.of(2031,5,9).plusDays(30));", "2031-06-08\n"},
      {"System.out.println(LocalDate.of(2031,1,31).plusMonths(1));", "2031-02-28\n"},
      {"System.out.println(LocalDate.of(2031,2,30));", nullptr},
      {"System.out.println(LocalDate.of(2024,2,29).plusYears(1).minusDays(1));", "2025-02-27\n"},
      {"System.out.println(LocalDate.of(2031,5,9).getDayOfYear() + \" \" + "
       "LocalDate.of(2031,5,9).isLeapYear());",
       "129 false\n"},
      {"LocalDate d = LocalDate.parse(\"2031-05-09\"); System.out.printf(\"%tY-%tm%n\", d, d);",
       "2031-05\n"},
      {"LocalDate d = LocalDate.of(2031,5,9); DateTimeFormatter f = "
       "DateTimeFormatter.ofPattern(\"EEE, d MMM yy\"); System.out.println(d.format(f)); ",
       "Fri, 9 May 31\n"},
      {"DateTimeFormatter f = DateTimeFormatter.ofPattern(\"EEEE d MMMM uuuu\"); "
       "System.out.println(f.format(LocalDate.of(2031,5,9)));",
       "Fri 9 May 2031\n"},
      {"System.out.println(LocalDateTime.of(2031,5,9,14,5));", "2031-05-09T14:05\n"},
      {"System.out.println(LocalDateTime.of(2031,5,9,14,5,7).format(DateTimeFormatter.ofPattern("
       "\"yyyy-MM-dd'T'HH:mm:ss\")));",
       "2031-05-09T14:05:07\n"},
      {"System.out.println(LocalDateTime.of(2031,5,9,14,5,7,123456789).format(DateTimeFormatter."
       "ofPattern(\"hh:mm:ss.SSS a\")));",
       "02:05:07.123 PM\n"},
      {"System.out.println(LocalDateTime.parse(\"2031-05-09T14:05:07\").plusHours(30).minusMinutes("
       "6).plusSeconds(1));",
       "2031-05-10T19:59:08\n"},
      {"System.out.println(Duration.between(LocalDateTime.of(2031,5,9,14,5), "
       "LocalDateTime.of(2031,5,10,13,4,7)));",
       "PT22H59M7S\n"},
      {"System.out.println(Duration.between(LocalDateTime.of(2031,5,9,14,5), "
       "LocalDateTime.of(2031,5,10,13,4,7)).toMinutes());",
       "1379\n"},
      {"System.out.println(Duration.ofMinutes(135).toHoursPart() + \":\" + "
       "Duration.ofMinutes(135).toMinutesPart());",
       "2:15\n"},
      {"System.out.println(Duration.ofSeconds(-61).toMinutes() + \" \" + "
       "Duration.ofMillis(-1500).getSeconds() + \" \" + Duration.ofMillis(-1500));",
       "-1 -2 PT-1.5S\n"},
      {"System.out.println(Duration.ofMillis(-1500).toSecondsPart() + \" \" + "
       "Duration.ofMillis(-500).toMinutes()+ \" \" + Duration.ofMillis(-90500).toMinutes());",
       "-2 0 -1\n"},
      {"System.out.println(LocalTime.of(23,59).plusMinutes(2));", "00:01\n"},
      {"System.out.println(LocalTime.of(9,5).format(DateTimeFormatter.ofPattern(\"H:mm\")));",
       "9:05\n"},
      {"System.out.println(LocalTime.of(9,5).format(DateTimeFormatter.ofPattern(\"yyyy\")));",
       nullptr},
      {"System.out.println(LocalDate.of(2031,5,9).format(DateTimeFormatter.ofPattern(\"HH:mm\")));",
       nullptr},
      {"System.out.println(LocalDate.of(2031,5,9).format(DateTimeFormatter.ofPattern(\"foo\")));",
       nullptr},
      {"System.out.println(LocalDate.of(2031,5,9).format(DateTimeFormatter.ofPattern(\"ddd\")));",
       nullptr},
      {"System.out.println(LocalDate.of(2031,5,9).isBefore(LocalDate.of(2031,5,10)) ? \"yes\" : "
       "\"no\");",
       "yes\n"},
      {"System.out.println(OffsetDateTime.parse(\"2031-05-09T14:05:07+02:00\"));",
       "2031-05-09T14:05:07+02:00\n"},
      {"System.out.println(OffsetDateTime.parse(\"2031-05-09T14:05:07+02:00\").format("
       "DateTimeFormatter.ofPattern(\"yyyy-MM-dd HH:mm:ssXXX\")));",
       "2031-05-09 14:05:07+02:00\n"},
      {"System.out.println(OffsetDateTime.parse(\"2031-05-09T14:05:07Z\").format(DateTimeFormatter."
       "ofPattern(\"HH:mm X xx Z\")));",
       "14:05 Z +0000 +0000\n"},
      {"System.out.println(LocalDateTime.of(2031,5,9,14,5).toLocalDate().atStartOfDay());",
       "2031-05-09T00:00\n"},
      {"System.out.println(LocalDateTime.of(2031,5,9,0,5).format(DateTimeFormatter.ofPattern(\"KK "
       "k hh h\")));",
       "00 24 12 12\n"},
      {"System.out.println(LocalDateTime.of(2031,5,9,0,5).format(DateTimeFormatter.ofPattern(\"'at'"
       " h 'o''clock' ''\")));",
       "at 12 o'clock '\n"},
      {"String s = String.format(\"%s took %d min\", LocalDate.of(2031,5,9), "
       "Duration.ofHours(2).toMinutes()); System.out.println(s);",
       "2031-05-09 took 120 min\n"},
      {"System.out.println(\"Due \" + LocalDate.of(2031,5,9).plusWeeks(2));", "Due 2031-05-23\n"},
      {"System.out.println(LocalDateTime.of(2031,5,9,1,1).plus(Duration.ofDays(1)));",
       "2031-05-10T01:01\n"},
      {"System.out.println(LocalDate.of(2031,13,9));", nullptr},
      {"System.out.println(LocalTime.of(24,0));", nullptr},
      {"System.out.println(LocalDateTime.of(2031,5,9,14,5,0).toString().length());", "16\n"},
      {"System.out.println(LocalDate.of(2031,5,9).equals(LocalDate.of(2031,5,9)));", "true\n"},
      {"System.out.println(LocalDate.of(2031,5,9).lengthOfMonth());", "31\n"},
      {"System.out.println(Duration.ofDays(3));", "PT72H\n"},
      {"System.out.println(Duration.ofHours(50).toDays());", "2\n"},
      {"System.out.println(LocalDate.of(2031,5,9).getYear() + "
       "LocalDate.of(2031,5,9).getMonthValue());",
       "2036\n"},
      {"System.out.println(LocalDate.of(2031,5,9).minusMonths(15).minusYears(3));", "2027-02-09\n"},
      {"System.out.println(DateTimeFormatter.ofPattern(\"yyyy\").format(LocalTime.of(1,2)));",
       nullptr},
      {"System.out.println(LocalDateTime.of(LocalDate.of(2031,5,9), LocalTime.of(8,30)));",
       "2031-05-09T08:30\n"},
      {"System.out.println(LocalDate.of(2031,5,9).hashCode());", "4159817\n"},
      {"System.out.println(LocalDate.of(2031,5,9).format(DateTimeFormatter.ofPattern(\"D DDD "
       "M/d/yy\")));",
       "129 129 5/9/31\n"},
      {"System.out.println(LocalDate.of(2031,1,9).format(DateTimeFormatter.ofPattern(\"DD\")));",
       "09\n"},
      {"System.out.println(LocalDate.of(2031,5,9).format(DateTimeFormatter.ofPattern(\"DD\")));",
       "129\n"},
      {"System.out.println(LocalDate.of(987,5,9).format(DateTimeFormatter.ofPattern(\"y yyyy "
       "yy\")));",
       "987 0987 87\n"},
      {"System.out.println(Duration.ofSeconds(3661).isNegative());", "false\n"},
      {"System.out.println(LocalDateTime.of(2031,5,9,14,5).isAfter(LocalDateTime.of(2031,5,9,14,4))"
       ");",
       "true\n"},
      {"System.out.println(LocalDateTime.of(2031,5,9,14,5,6,100).getNano());", "100\n"},
      {"System.out.println(String.format(\"%-12s|%10s|\", LocalDate.of(2031,5,9), "
       "LocalTime.of(7,8)));",
       "2031-05-09  |     07:08|\n"},
      {"System.out.println(Duration.between(OffsetDateTime.parse(\"2781-09-01T10:04:27+00:45\"),"
       "OffsetDateTime.parse(\"8400-03-08T15:20:44+02:00\")).isNegative());",
       "false\n"},
      {"System.out.println(Duration.ofMinutes(3599).toDays());", "2\n"},
      {"System.out.println(LocalTime.of(12,8,44,482584078).isBefore(LocalTime.of(23,48,18,"
       "123456789)));",
       "true\n"},
      {"System.out.println(LocalDate.of(987,9,30).plusWeeks(2).plusWeeks(1));", "0987-10-21\n"},
      {"System.out.println(LocalTime.of(11,44,25).getNano());", "0\n"},
      {"System.out.println(LocalDate.of(987,8,30).atStartOfDay().plus(Duration.ofSeconds(1)));",
       "0987-08-30T00:00:01\n"},
      {"System.out.println(LocalDateTime.of(LocalDate.of(1999,3,1),LocalTime.of(23,19,20)).plus("
       "Duration.between(OffsetDateTime.parse(\"5623-08-15T11:00:04+14:00\"),OffsetDateTime.parse("
       "\"3744-11-15T18:46:55.000001-00:00\"))));",
       "0120-06-02T21:06:11.000001\n"},
      {"System.out.println(Duration.ofDays(723787).toMinutesPart());", "0\n"},
      {"System.out.println(LocalDate.of(2031,3,29).atStartOfDay().format(DateTimeFormatter."
       "ofPattern(\"M\")));",
       "3\n"},
      {"System.out.println(Duration.between(OffsetDateTime.parse(\"5930-09-10T00:16:03.123+02:00\")"
       ",OffsetDateTime.parse(\"4803-12-12T14:39:57.000001-05:30\")).hashCode());",
       "-1320782466\n"},
      {"System.out.println(OffsetDateTime.parse(\"1523-05-22T00:03:10+02:00\").format("
       "DateTimeFormatter.ofPattern(\"yy''kkk \")));",
       nullptr},
      {"System.out.println(LocalDateTime.of(LocalDate.of(2031,9,1),LocalTime.of(12,7,30,1000))."
       "plusNanos(31).minusDays(30));",
       "2031-08-02T12:07:30.000001031\n"},
      {"System.out.println(OffsetDateTime.parse(\"0990-05-10T00:11:32.123Z\").minusDays(30)."
       "plusHours(2));",
       "0990-04-10T02:11:32.123Z\n"},
      {"System.out.println(OffsetDateTime.parse(\"5722-02-17T06:46:28.123456789Z\").toLocalDate())"
       ";",
       "5722-02-17\n"},
      {"System.out.println(LocalDateTime.of(LocalDate.of(1582,5,1),LocalTime.of(9,23)).plus("
       "Duration.between(LocalDate.of(2000,2,29).atStartOfDay(),LocalDate.of(1582,3,4)."
       "atStartOfDay())));",
       "1164-05-04T09:23\n"},
      {"System.out.println(OffsetDateTime.parse(\"6721-01-28T23:15:26.123+14:00\").format("
       "DateTimeFormatter.ofPattern(\"u.EEE.ZZ''k' o''clock '\")));",
       "6721.Fri.+1400'23 o'clock \n"},
      {"System.out.println(LocalDate.of(9999,9,31).atStartOfDay().minusSeconds(30).minusMonths(100)"
       ");",
       nullptr},
      {"System.out.println(LocalDate.of(1999,3,31).atStartOfDay().isAfter(LocalDate.of(1999,3,31)."
       "atStartOfDay()));",
       "false\n"},
      {"System.out.println(OffsetDateTime.parse(\"6855-10-04T07:53:09.123456789+14:00\").isAfter("
       "OffsetDateTime.parse(\"2233-12-10T01:06:25.5-05:30\")));",
       "true\n"},
      {"System.out.println(OffsetDateTime.parse(\"2147-11-25T05:02:00.123Z\").isEqual("
       "OffsetDateTime.parse(\"5033-01-03T02:12:23.5+02:00\")));",
       "false\n"},
      {"System.out.println(LocalTime.of(16,42).format(DateTimeFormatter.ofPattern(\"ZZ/\")));",
       nullptr},
      {"System.out.println(LocalDate.of(1999,7,1).format(DateTimeFormatter.ofPattern(\"xxéMMM:mmm-"
       "mm' o''clock '\")));",
       nullptr},
      {"System.out.println(OffsetDateTime.parse(\"2945-02-11T05:25:12.123456789-00:00\")."
       "toLocalTime());",
       "05:25:12.123456789\n"},
      {"System.out.println(LocalDate.of(5340,5,15).atStartOfDay().minusMinutes(100).minusMonths("
       "1563));",
       "5210-02-14T22:20\n"},
      {"System.out.println(LocalDate.of(99,10,30).atStartOfDay().isBefore(LocalDate.of(99,10,30)."
       "atStartOfDay()));",
       "false\n"},
      {"System.out.println(LocalDate.of(1,6,31).atStartOfDay().format(DateTimeFormatter.ofPattern("
       "\"Q/Z'T'\")));",
       nullptr},
      {"System.out.println(Duration.between(LocalTime.of(5,11),LocalTime.of(11,33)).isNegative());",
       "false\n"},
      {"System.out.println(LocalDateTime.of(LocalDate.of(1999,9,26),LocalTime.of(23,45))."
       "minusHours(12).minusYears(12));",
       "1987-09-26T11:45\n"},
      {"System.out.println(LocalTime.of(12,50).format(DateTimeFormatter.ofPattern(\"MMMM, mmm u, "
       "\")));",
       nullptr},
      {"System.out.println(OffsetDateTime.parse(\"3028-07-09T20:08:34Z\").format(DateTimeFormatter."
       "ofPattern(\"x' o''clock 'kkk/a:XXX''\")));",
       nullptr},
      {"System.out.println(LocalDate.of(2048,6,1).atStartOfDay().plus(Duration.between("
       "OffsetDateTime.parse(\"1255-08-24T15:14:20.5+14:00\"),OffsetDateTime.parse(\"2855-05-11T19:"
       "13:51-05:30\"))));",
       "3648-02-17T23:29:30.500\n"},
      {"System.out.println(LocalDateTime.of(LocalDate.of(1,9,18),LocalTime.of(11,58,58)).toString()"
       ");",
       "0001-09-18T11:58:58\n"},
      {"System.out.println(Duration.ofMinutes(60).toMinutesPart());", "0\n"},
      {"System.out.println(LocalTime.of(0,12,8,828668460).format(DateTimeFormatter.ofPattern(\"x'T'"
       "MMM HH \")));",
       nullptr},
      {"System.out.println(OffsetDateTime.parse(\"3185-06-08T12:07:36+00:45\").format("
       "DateTimeFormatter.ofPattern(\"aa QQ'T'KKK''\")));",
       nullptr},
      {"System.out.println(OffsetDateTime.parse(\"9643-04-08T06:59:11.5Z\").minusNanos(30)."
       "minusYears(12).plusSeconds(2));",
       "9631-04-08T06:59:13.499999970Z\n"},
      {"System.out.println(OffsetDateTime.parse(\"3883-02-11T18:47:03.000001+02:00\").isBefore("
       "OffsetDateTime.parse(\"3883-02-11T18:47:03.000001+02:00\")));",
       "false\n"},
      {"System.out.println(LocalDateTime.of(LocalDate.of(987,7,29),LocalTime.of(11,41,13))."
       "hashCode());",
       "-500775522\n"},
      {"System.out.println(Duration.ofSeconds(-3601));", "PT-1H-1S\n"},
      {"System.out.println(LocalTime.of(11,48,49,123456789).getHour());", "11\n"},
      {"System.out.println(OffsetDateTime.parse(\"4317-04-12T10:44:04.000001-05:30\").getYear());",
       "4317\n"},
      {"System.out.println(LocalDate.of(2000,1,30).format(DateTimeFormatter.ofPattern(\"k' "
       "o''clock '\")));",
       nullptr},
      {"System.out.println(OffsetDateTime.parse(\"7365-05-26T21:56:47+00:00\").plusNanos(12));",
       "7365-05-26T21:56:47.000000012Z\n"},
      {"System.out.println(LocalDate.of(2031,1,29).isAfter(LocalDate.of(2031,1,29)));", "false\n"},
      {"System.out.println(LocalDateTime.of(LocalDate.of(9999,11,28),LocalTime.of(23,16,53,0))."
       "plus(Duration.between(OffsetDateTime.parse(\"9856-11-27T15:15:21.000001+00:45\"),"
       "OffsetDateTime.parse(\"3507-03-12T10:36:54.5+02:00\"))));",
       "3650-03-11T17:23:26.499999\n"},
      {"System.out.println(LocalDate.of(1582,4,1).atStartOfDay().plus(Duration.between(LocalTime."
       "of(11,51,28,5),LocalTime.of(11,3,35,718820294))));",
       "1582-03-31T23:12:07.718820289\n"},
      {"System.out.println(OffsetDateTime.parse(\"9126-10-27T05:17:54.000001-05:30\").minusMinutes("
       "31));",
       "9126-10-27T04:46:54.000001-05:30\n"},
      {"System.out.println(LocalDate.of(2000,12,29).atStartOfDay().getHour());", "0\n"},
      {"System.out.println(LocalTime.of(11,53,23,1000).isBefore(LocalTime.of(0,51,47,104568974)));",
       "false\n"},
      {"System.out.println(LocalTime.of(11,26,47).plusNanos(100).plusNanos(31));",
       "11:26:47.000000131\n"},
      {"System.out.println(LocalDate.of(2031,6,30).atStartOfDay().format(DateTimeFormatter."
       "ofPattern(\"aaa, dddd ee ZZdd' o''clock '\")));",
       nullptr},
      {"System.out.println(LocalDate.of(2024,7,30).atStartOfDay().minusMinutes(2).minusWeeks(30));",
       "2024-01-01T23:58\n"},
      {"System.out.println(Duration.ofMinutes(60).toSeconds());", "3600\n"},
      {"System.out.println(Duration.ofMinutes(1).toSecondsPart());", "0\n"},
      {"System.out.println(LocalTime.of(23,17,23).format(DateTimeFormatter.ofPattern(\"DDDD.MMMM' "
       "o''clock 'cccc' o''clock 'aa MMM\")));",
       nullptr},
      {"System.out.println(Duration.between(LocalTime.of(11,12),LocalTime.of(0,28)).isNegative());",
       "true\n"},
      {"System.out.println(Duration.between(LocalDate.of(1,10,28).atStartOfDay(),LocalDateTime.of("
       "LocalDate.of(99,8,1),LocalTime.of(12,49,7))).toMinutes());",
       "51417409\n"},
      {"System.out.println(Duration.between(OffsetDateTime.parse(\"6752-04-20T05:48:45-05:30\"),"
       "OffsetDateTime.parse(\"0731-02-25T06:58:47.000001+00:00\")).hashCode());",
       "1030657529\n"},
      {"System.out.println(LocalTime.of(0,35,14,876869535).format(DateTimeFormatter.ofPattern("
       "\"kk\")));",
       "24\n"},
      {"System.out.println(LocalTime.of(12,5).minusHours(100));", "08:05\n"},
      {"System.out.println(LocalDateTime.of(LocalDate.of(1543,10,29),LocalTime.of(11,54))."
       "getMonthValue());",
       "10\n"},
      {"System.out.println(LocalDate.of(2031,1,30).format(DateTimeFormatter.ofPattern(\"xx''"
       "hhhhé\")));",
       nullptr},
      {"System.out.println(LocalDateTime.of(LocalDate.of(987,7,1),LocalTime.of(21,2)).plus("
       "Duration.between(OffsetDateTime.parse(\"3531-06-05T13:14:16.123456789+02:00\"),"
       "OffsetDateTime.parse(\"5463-01-24T13:38:55+02:00\"))));",
       "2919-02-20T21:26:38.876543211\n"},
      {"System.out.println(LocalDateTime.of(LocalDate.of(1999,7,28),LocalTime.of(5,13,27,0))."
       "format(DateTimeFormatter.ofPattern(\"XXX' o''clock 'MM/\")));",
       nullptr},
      {"System.out.println(LocalDate.of(1999,2,29).format(DateTimeFormatter.ofPattern(\"e'T'\")));",
       nullptr},
      {"System.out.println(LocalTime.of(12,53,12).hashCode());", "2058230321\n"},
      {"System.out.println(LocalDateTime.of(LocalDate.of(1999,4,25),LocalTime.of(12,41,24,"
       "120000000)).plusNanos(31).plusHours(31));",
       "1999-04-26T19:41:24.120000031\n"},
      {"System.out.println(OffsetDateTime.parse(\"0300-01-17T00:18:35.123+00:00\").format("
       "DateTimeFormatter.ofPattern(\"yy:Mé\")));",
       "00:1é\n"},
      {"System.out.println(LocalTime.of(23,2,13,123456789).hashCode());", "1599951992\n"},
      {"System.out.println(LocalDate.of(99,1,30).format(DateTimeFormatter.ofPattern(\"xxxDDD''\")))"
       ";",
       nullptr},
      {"System.out.println(Duration.ofMinutes(-3601).toHours());", "-60\n"},
      {"System.out.println(Duration.between(LocalDateTime.of(LocalDate.of(1,10,30),LocalTime.of(0,"
       "46,18,657578355)),LocalDateTime.of(LocalDate.of(99,8,31),LocalTime.of(11,17,23,1000)))."
       "getSeconds());",
       "3087455464\n"},
      {"System.out.println(LocalTime.of(12,13,20,120000000).minusSeconds(30));", "12:12:50.120\n"},
      {"System.out.println(LocalDate.of(1999,12,24).plusMonths(0).minusDays(12).minusYears(30));",
       "1969-12-12\n"},
      {"System.out.println(LocalDate.of(2031,8,3).atStartOfDay().format(DateTimeFormatter."
       "ofPattern(\"kkkk''G/HHHH \")));",
       nullptr},
      {"System.out.println(OffsetDateTime.parse(\"0776-05-22T20:00:46.123456789+00:45\").format("
       "DateTimeFormatter.ofPattern(\"DDDD' o''clock 'M'T'\")));",
       nullptr},
      {"System.out.println(LocalDate.of(1,9,28).atStartOfDay().plus(Duration.between("
       "OffsetDateTime.parse(\"7380-04-08T16:32:55.123456789-00:00\"),OffsetDateTime.parse(\"7999-"
       "10-14T05:52:36+02:00\"))));",
       "0621-04-03T11:19:40.876543211\n"},
      {"System.out.println(LocalDateTime.of(LocalDate.of(2024,2,30),LocalTime.of(11,43,26))."
       "toString());",
       nullptr},
      {"System.out.println(LocalDate.of(1999,9,28).format(DateTimeFormatter.ofPattern(\"MM/M\")));",
       "09/9\n"},
      {"System.out.println(LocalDate.of(2000,11,28).atStartOfDay().format(DateTimeFormatter."
       "ofPattern(\"Zé\")));",
       nullptr},
      {"System.out.println(OffsetDateTime.parse(\"7821-09-21T07:57:12+00:45\").format("
       "DateTimeFormatter.ofPattern(\"ddddéxxx ZZZ/\")));",
       nullptr},
      {"System.out.println(LocalDateTime.of(LocalDate.of(3947,4,19),LocalTime.of(11,15)).plus("
       "Duration.between(LocalTime.of(8,16,55,1000),LocalTime.of(12,33,30,5))));",
       "3947-04-19T15:31:34.999999005\n"},
      {"System.out.println(LocalDate.of(1999,5,1).minusYears(0));", "1999-05-01\n"},
      {"System.out.println(LocalDate.of(1900,8,28).atStartOfDay().equals(LocalDate.of(1900,8,28)."
       "atStartOfDay()));",
       "true\n"},
      {"System.out.println(OffsetDateTime.parse(\"0196-12-19T11:46:14.000001+14:00\").getNano());",
       "1000\n"},
      {"System.out.println(LocalDate.of(7729,11,6).getDayOfYear());", "310\n"},
      {"System.out.println(LocalDate.of(1,9,31).format(DateTimeFormatter.ofPattern(\"B.MM "
       "DDé\")));",
       nullptr},
      {"System.out.println(LocalDate.of(987,11,31).atStartOfDay().plus(Duration.between("
       "LocalDateTime.of(LocalDate.of(1,5,30),LocalTime.of(11,29)),LocalDate.of(2031,10,18)."
       "atStartOfDay())));",
       nullptr},
      {"System.out.println(LocalDate.of(9999,2,31).format(DateTimeFormatter.ofPattern(\"yyyy''a, "
       "X''\")));",
       nullptr},
      {"System.out.println(LocalTime.of(23,13,44,120000000).format(DateTimeFormatter.ofPattern("
       "\"yyZZéxx''D/\")));",
       nullptr},
      {"System.out.println(LocalDate.of(7847,7,29).atStartOfDay().isEqual(LocalDateTime.of("
       "LocalDate.of(99,3,30),LocalTime.of(11,13))));",
       "false\n"},
      {"System.out.println(OffsetDateTime.parse(\"1755-08-06T07:16:04.000001+00:45\").minusMinutes("
       "30));",
       "1755-08-06T06:46:04.000001+00:45\n"},
      {"System.out.println(LocalDateTime.of(LocalDate.of(2000,4,29),LocalTime.of(12,4,57,5))."
       "hashCode());",
       "1862630551\n"},
      {"System.out.println(OffsetDateTime.parse(\"9304-12-14T18:03:45.123+02:00\").equals("
       "OffsetDateTime.parse(\"2279-12-19T03:39:35.000001+00:45\")));",
       "false\n"},
      {"System.out.println(LocalDate.of(9999,7,29).atStartOfDay().plus(Duration.ofMillis(3599)));",
       "9999-07-29T00:00:03.599\n"},
      {"System.out.println(LocalTime.of(0,31).format(DateTimeFormatter.ofPattern(\"XX/ss' o''clock "
       "'\")));",
       nullptr},
      {"System.out.println(Duration.between(LocalDateTime.of(LocalDate.of(2000,3,29),LocalTime.of("
       "14,16,46)),LocalDate.of(2000,4,28).atStartOfDay()).toSeconds());",
       "2540594\n"},
      {"System.out.println(LocalDate.of(1,7,4).atStartOfDay().format(DateTimeFormatter.ofPattern("
       "\"KK''DD/ZZZ, \")));",
       nullptr},
      {"System.out.println(LocalTime.of(23,9,55,1000).plusHours(12));", "11:09:55.000001\n"},
      {"System.out.println(LocalDate.of(1582,1,12).atStartOfDay().plus(Duration.between(LocalTime."
       "of(0,59,15,120000000),LocalTime.of(12,9,28))));",
       "1582-01-12T11:10:12.880\n"},
      {"System.out.println(LocalTime.of(0,18,17).format(DateTimeFormatter.ofPattern(\"s-\")));",
       "17-\n"},
      {"System.out.println(LocalTime.of(12,24).plusMinutes(2).minusSeconds(0));", "12:26\n"},
      {"System.out.println(LocalDateTime.of(LocalDate.of(99,6,31),LocalTime.of(0,52,5)).format("
       "DateTimeFormatter.ofPattern(\"HHHH.a K/\")));",
       nullptr},
      {"System.out.println(LocalTime.of(0,10,37,112139304).minusMinutes(2).minusNanos(100)."
       "minusMinutes(30));",
       "23:38:37.112139204\n"},
      {"System.out.println(OffsetDateTime.parse(\"7819-07-05T13:55:53.123456789+00:45\")."
       "plusMonths(-610).plusNanos(2));",
       "7768-09-05T13:55:53.123456791+00:45\n"},
      {"System.out.println(LocalDate.of(1,1,29).format(DateTimeFormatter.ofPattern(\"DD, EE''HHH, "
       "cc\")));",
       nullptr},
      {"System.out.println(LocalDateTime.of(LocalDate.of(987,12,29),LocalTime.of(23,18,53)).plus("
       "Duration.between(OffsetDateTime.parse(\"1316-01-12T08:51:17.123+02:00\"),OffsetDateTime."
       "parse(\"3727-07-02T03:03:44.123456789Z\"))));",
       "3399-06-18T19:31:20.000456789\n"},
      {"System.out.println(OffsetDateTime.parse(\"8207-02-26T02:26:23.5+00:45\").plusMonths(12)."
       "plusNanos(100).plusDays(100));",
       "8208-06-05T02:26:23.500000100+00:45\n"},
      {"System.out.println(LocalDate.of(5355,9,30).isEqual(LocalDate.of(987,9,31)));", nullptr},
      {"System.out.println(LocalTime.of(0,39,31,123456789).getMinute());", "39\n"},
  };
  support::check_lines("java", lines);
  for (const PastedLine& line : lines) support::check_beginnings("java", line.source, {});
}
