// Lines with time zones, as people paste them. The texts are those that the runtimes printed of the same
// lines, with TZ=UTC: CPython 3.11, OpenJDK 17.0.15, Node.js 20, PHP 8.2, R 4.2.2, .NET 10.0.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("lines of Python with time zones print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"z=ZoneInfo(\"Europe/Berlin\"); d=datetime(2031,5,9,14,5,tzinfo=z); "
       "print(repr(d),d,d.dst(),d.tzname(),str(z),z.key,d.utcoffset(), repr(d.utcoffset()))",
       "datetime.datetime(2031, 5, 9, 14, 5, tzinfo=zoneinfo.ZoneInfo(key='Europe/Berlin')) "
       "2031-05-09 14:05:00+02:00 1:00:00 CEST Europe/Berlin Europe/Berlin 2:00:00 "
       "datetime.timedelta(seconds=7200)\n"},
      {"print(repr(datetime(2031,10,26,2,30,tzinfo=ZoneInfo(\"Europe/Berlin\"),fold=1)), "
       "datetime(2031,10,26,2,30,tzinfo=ZoneInfo(\"Europe/Berlin\"),fold=1))",
       "datetime.datetime(2031, 10, 26, 2, 30, fold=1, "
       "tzinfo=zoneinfo.ZoneInfo(key='Europe/Berlin')) 2031-10-26 02:30:00+01:00\n"},
      {"print(datetime(2031,5,9,14,5,tzinfo=ZoneInfo(\"Europe/"
       "Dublin\")).dst(),datetime(2031,1,9,14,5,tzinfo=ZoneInfo(\"Europe/Dublin\")).dst())",
       "0:00:00 -1 day, 23:00:00\n"},
      {"print(repr(datetime(2031,3,30,2,30,tzinfo=ZoneInfo(\"Europe/"
       "Berlin\"))),datetime(2031,3,30,2,30,tzinfo=ZoneInfo(\"Europe/Berlin\")))",
       "datetime.datetime(2031, 3, 30, 2, 30, tzinfo=zoneinfo.ZoneInfo(key='Europe/Berlin')) "
       "2031-03-30 02:30:00+01:00\n"},
      {"print(datetime(2031,3,30,2,30,tzinfo=ZoneInfo(\"Europe/"
       "Berlin\")).astimezone(timezone.utc))",
       "2031-03-30 01:30:00+00:00\n"},
      {"ZoneInfo(\"Mars/Base\")", nullptr},
      {"print(datetime(2031,5,9,14,tzinfo=ZoneInfo(\"Europe/"
       "Berlin\"))-datetime(2031,5,9,14,tzinfo=ZoneInfo(\"America/New_York\")))",
       "-1 day, 18:00:00\n"},
      {"print(f\"{datetime(2031,5,9,14,tzinfo=ZoneInfo('Europe/Berlin')):%Y-%m-%d %H:%M %Z %z}\")",
       "2031-05-09 14:00 CEST +0200\n"},
      {"dt = datetime(2031, 5, 9, 12, 0, tzinfo=timezone.utc); "
       "print(dt.astimezone(ZoneInfo(\"America/New_York\")).strftime(\"%d.%m.%Y %H:%M %Z\"))",
       "09.05.2031 08:00 EDT\n"},
      {"print(datetime(2031,3,29,14,tzinfo=ZoneInfo(\"Europe/Berlin\"))+timedelta(days=1))",
       "2031-03-30 14:00:00+02:00\n"},
      {"print(datetime(2031,3,29,14,tzinfo=ZoneInfo(\"Europe/Berlin\"))+timedelta(hours=24))",
       "2031-03-30 14:00:00+02:00\n"},
      {"print(datetime(2031,3,30,14,tzinfo=ZoneInfo(\"Europe/"
       "Berlin\"))-datetime(2031,3,29,14,tzinfo=ZoneInfo(\"Europe/Berlin\")))",
       "1 day, 0:00:00\n"},
      {"print(datetime(2031,5,9,14,5,tzinfo=ZoneInfo(\"Asia/Kolkata\")).isoformat())",
       "2031-05-09T14:05:00+05:30\n"},
      {"print(datetime(2031,5,9,14,5,tzinfo=ZoneInfo(\"Asia/Kolkata\")).tzinfo)", "Asia/Kolkata\n"},
      {"print(datetime.fromisoformat(\"2031-05-09T12:00:00+00:00\").astimezone(ZoneInfo(\"Asia/"
       "Tokyo\")))",
       "2031-05-09 21:00:00+09:00\n"},
      {"print(datetime(2031,5,9,14,5).replace(tzinfo=ZoneInfo(\"Pacific/Auckland\")).timestamp())",
       "1936058700.0\n"},
      {"print(datetime.fromtimestamp(1936094400, ZoneInfo(\"Australia/Sydney\")))",
       "2031-05-09 22:00:00+10:00\n"},
      {"print(datetime.fromtimestamp(1936094400, tz=ZoneInfo(\"America/Sao_Paulo\")).isoformat())",
       "2031-05-09T09:00:00-03:00\n"},
      {"print(datetime(2031,5,9,14,5,tzinfo=ZoneInfo(\"UTC\")), "
       "repr(datetime(2031,5,9,14,5,tzinfo=ZoneInfo(\"UTC\"))))",
       "2031-05-09 14:05:00+00:00 datetime.datetime(2031, 5, 9, 14, 5, "
       "tzinfo=zoneinfo.ZoneInfo(key='UTC'))\n"},
      {"print(datetime(2031,5,9,14,5,tzinfo=ZoneInfo(\"Europe/Berlin\")) == "
       "datetime(2031,5,9,12,5,tzinfo=timezone.utc))",
       "True\n"},
      {"print(ZoneInfo(\"Europe/Berlin\").utcoffset(datetime(2031,1,9)))", "1:00:00\n"},
      {"print(repr(ZoneInfo(\"Europe/Berlin\")))", "zoneinfo.ZoneInfo(key='Europe/Berlin')\n"},
      {"print([datetime(2031, m, 1, tzinfo=ZoneInfo(\"Europe/London\")).tzname() for m in (1, 4, "
       "7, 11)])",
       "['GMT', 'BST', 'BST', 'GMT']\n"},
      {"print(datetime.combine(date(2031,5,9), time(9,30), tzinfo=ZoneInfo(\"Europe/Paris\")))",
       "2031-05-09 09:30:00+02:00\n"},
      {"print(datetime(2031,5,9,14,5,tzinfo=ZoneInfo(\"Europe/Berlin\")).strftime(\"%c %Z\"))",
       "Fri May  9 14:05:00 2031 CEST\n"},
      {"print(\"%s\" % datetime(2031,5,9,14,5,tzinfo=ZoneInfo(\"Europe/Berlin\")))",
       "2031-05-09 14:05:00+02:00\n"},
  };
  support::check_lines("python", lines);
  for (const PastedLine& line : lines) support::check_beginnings("python", line.source, {});
}

TEST_CASE("lines of Java with time zones print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"ZonedDateTime z = ZonedDateTime.of(2031, 5, 9, 14, 5, 0, 0, ZoneId.of(\"Europe/Berlin\")); "
       "System.out.println(z);",
       "2031-05-09T14:05+02:00[Europe/Berlin]\n"},
      {"ZonedDateTime z = LocalDateTime.of(2031, 5, 9, 14, "
       "5).atZone(ZoneId.of(\"America/New_York\")); "
       "System.out.println(z.format(DateTimeFormatter.ofPattern(\"yyyy-MM-dd HH:mm z VV O "
       "xxx\")));",
       "2031-05-09 14:05 EDT America/New_York GMT-4 -04:00\n"},
      {"System.out.println(ZonedDateTime.of(2031, 3, 30, 2, 30, 0, 0, "
       "ZoneId.of(\"Europe/Berlin\")));",
       "2031-03-30T03:30+02:00[Europe/Berlin]\n"},
      {"System.out.println(ZonedDateTime.of(2031, 10, 26, 2, 30, 0, 0, "
       "ZoneId.of(\"Europe/Berlin\")).plusHours(1));",
       "2031-10-26T02:30+01:00[Europe/Berlin]\n"},
      {"System.out.println(ZonedDateTime.of(2031, 10, 25, 2, 30, 0, 0, "
       "ZoneId.of(\"Europe/Berlin\")).plusDays(1));",
       "2031-10-26T02:30+02:00[Europe/Berlin]\n"},
      {"System.out.printf(\"%tZ %<tz %<tc%n\", ZonedDateTime.of(2031, 5, 9, 14, 5, 0, 0, "
       "ZoneId.of(\"Europe/Dublin\")));",
       "IST +0100 Fri May 09 14:05:00 IST 2031\n"},
      {"System.out.println(Instant.parse(\"2031-05-09T12:00:00Z\").atZone(ZoneId.of(\"Asia/"
       "Tokyo\")));",
       "2031-05-09T21:00+09:00[Asia/Tokyo]\n"},
      {"System.out.println(ZonedDateTime.ofInstant(Instant.ofEpochSecond(1936094400L), "
       "ZoneId.of(\"Australia/Sydney\")).withZoneSameInstant(ZoneId.of(\"UTC\")));",
       "2031-05-09T12:00Z[UTC]\n"},
      {"System.out.println(ZonedDateTime.parse(\"2031-05-09T14:05:00+02:00[Europe/"
       "Berlin]\").toOffsetDateTime());",
       "2031-05-09T14:05+02:00\n"},
      {"System.out.println(ZonedDateTime.parse(\"2031-05-09T14:05:00+02:00[Europe/"
       "Berlin]\").format(DateTimeFormatter.ISO_ZONED_DATE_TIME));",
       "2031-05-09T14:05:00+02:00[Europe/Berlin]\n"},
      {"System.out.println(ZonedDateTime.parse(\"2031-05-09T14:05:00+02:00[Europe/"
       "Berlin]\").format(DateTimeFormatter.ofLocalizedDateTime(FormatStyle.FULL).withLocale("
       "Locale.US)));",
       "Friday, May 9, 2031 at 2:05:00 PM Central European Summer Time\n"},
      {"System.out.println(ZonedDateTime.parse(\"2031-05-09T14:05:00+02:00[Europe/"
       "Berlin]\").format(DateTimeFormatter.ofPattern(\"EEEE d MMMM yyyy HH:mm zzzz\", "
       "Locale.FRANCE)));",
       "vendredi 9 mai 2031 14:05 heure d’été d’Europe centrale\n"},
      {"System.out.println(ZoneId.of(\"Europe/Berlin\"));", "Europe/Berlin\n"},
      {"System.out.println(ZoneId.of(\"Mars/Base\"));", nullptr},
      {"System.out.println(ZonedDateTime.of(LocalDate.of(2031, 5, 9), LocalTime.of(9, 30), "
       "ZoneId.of(\"Asia/Kolkata\")).toInstant());",
       "2031-05-09T04:00:00Z\n"},
      {"System.out.println(LocalDate.of(2031, 3, "
       "30).atStartOfDay(ZoneId.of(\"America/Sao_Paulo\")));",
       "2031-03-30T00:00-03:00[America/Sao_Paulo]\n"},
      {"System.out.println(ChronoUnit.HOURS.between(ZonedDateTime.of(2031, 3, 29, 12, 0, 0, 0, "
       "ZoneId.of(\"Europe/Berlin\")), ZonedDateTime.of(2031, 3, 30, 12, 0, 0, 0, "
       "ZoneId.of(\"Europe/Berlin\"))));",
       "23\n"},
      {"System.out.println(ChronoUnit.DAYS.between(ZonedDateTime.of(2031, 3, 29, 12, 0, 0, 0, "
       "ZoneId.of(\"Europe/Berlin\")), ZonedDateTime.of(2031, 3, 30, 12, 0, 0, 0, "
       "ZoneId.of(\"America/New_York\"))));",
       "1\n"},
      {"System.out.println(Duration.between(ZonedDateTime.of(2031, 3, 29, 12, 0, 0, 0, "
       "ZoneId.of(\"Europe/Berlin\")), ZonedDateTime.of(2031, 3, 30, 12, 0, 0, 0, "
       "ZoneId.of(\"Europe/Berlin\"))));",
       "PT23H\n"},
      {"System.out.println(String.format(\"%h %s\", ZonedDateTime.of(2031, 3, 29, 12, 0, 0, 0, "
       "ZoneId.of(\"Europe/Berlin\")), ZonedDateTime.of(2031, 3, 29, 12, 0, 0, 0, "
       "ZoneId.of(\"Europe/Berlin\")).getZone()));",
       "259574ff Europe/Berlin\n"},
      {"var z = ZonedDateTime.of(2031, 3, 29, 12, 0, 0, 0, ZoneId.of(\"Europe/Berlin\")); "
       "System.out.println(z.getOffset() + \" \" + z.toLocalDateTime() + \" \" + z.toEpochSecond() "
       "+ \" \" + z.getHour());",
       "+01:00 2031-03-29T12:00 1932548400 12\n"},
      {"System.out.println(LocalDateTime.ofInstant(Instant.ofEpochMilli(1936094400000L), "
       "ZoneId.of(\"Europe/London\")));",
       "2031-05-09T13:00\n"},
      {"System.out.println(OffsetDateTime.parse(\"2031-05-09T12:00:00Z\").atZoneSameInstant(ZoneId."
       "of(\"America/Los_Angeles\")).format(DateTimeFormatter.ISO_OFFSET_DATE_TIME));",
       "2031-05-09T05:00:00-07:00\n"},
      {"System.out.println(ZonedDateTime.of(2031, 5, 9, 14, 5, 0, 0, "
       "ZoneId.of(\"Europe/Berlin\")).format(DateTimeFormatter.RFC_1123_DATE_TIME));",
       "Fri, 9 May 2031 14:05:00 +0200\n"},
      {"System.out.println(ZonedDateTime.of(2031, 5, 31, 14, 5, 0, 0, "
       "ZoneId.of(\"Europe/"
       "Berlin\")).with(TemporalAdjusters.firstDayOfMonth()).truncatedTo(ChronoUnit.DAYS));",
       "2031-05-01T00:00+02:00[Europe/Berlin]\n"},
      {"System.out.println(ZonedDateTime.of(2031, 5, 31, 14, 5, 0, 0, ZoneOffset.UTC));",
       "2031-05-31T14:05Z\n"},
      {"System.out.println(ZonedDateTime.of(2031, 5, 31, 14, 5, 0, 0, "
       "ZoneId.of(\"UTC\")).format(DateTimeFormatter.ofPattern(\"HH:mm z\")));",
       "14:05 UTC\n"},
      {"System.out.println(ZonedDateTime.of(2031, 5, 31, 14, 5, 0, 0, ZoneId.of(\"+02:00\")));",
       "2031-05-31T14:05+02:00\n"},
      {"DateTimeFormatter f = DateTimeFormatter.ofPattern(\"dd.MM.yyyy "
       "HH:mm\").withZone(ZoneId.of(\"Europe/Berlin\")); "
       "System.out.println(f.format(Instant.ofEpochSecond(1936094400L)));",
       "09.05.2031 14:00\n"},
      {"System.out.println(DateTimeFormatter.RFC_1123_DATE_TIME.withLocale(Locale.FRANCE).format("
       "ZonedDateTime.parse(\"2031-05-09T14:05:00+02:00[Europe/Berlin]\")));",
       "Fri, 9 May 2031 14:05:00 +0200\n"},
  };
  support::check_lines("java", lines);
  for (const PastedLine& line : lines) support::check_beginnings("java", line.source, {});
}

TEST_CASE("lines of JavaScript with time zones print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"console.log(new Date(Date.UTC(2031, 4, 9, 12, 5)).toLocaleString('en-US', { timeZone: "
       "'America/New_York' }));",
       "5/9/2031, 8:05:00 AM\n"},
      {"console.log(new Date('2031-05-09T12:05:00Z').toLocaleTimeString('de-DE', { timeZone: "
       "'Europe/Berlin', hour: '2-digit', minute: '2-digit' }));",
       "14:05\n"},
      {"console.log(new Date('2031-05-09T12:05:00Z').toLocaleString('en-US', { timeZone: "
       "'Asia/Tokyo', timeZoneName: 'short' }));",
       "5/9/2031, 9:05:00 PM GMT+9\n"},
      {"console.log(new Intl.DateTimeFormat('en-US', { dateStyle: 'full', timeStyle: 'long', "
       "timeZone: 'Australia/Sydney' }).format(new Date('2031-05-09T12:05:00Z')));",
       "Friday, May 9, 2031 at 10:05:00 PM GMT+10\n"},
      {"console.log(new Intl.DateTimeFormat('en-GB', { dateStyle: 'full', timeStyle: 'short', "
       "timeZone: 'Europe/London' }).format(new Date('2031-05-09T12:05:00Z')));",
       "Friday, 9 May 2031 at 13:05\n"},
      {"console.log(new Date('2031-05-09T12:05:00Z').toLocaleDateString('sv-SE', { timeZone: "
       "'America/Los_Angeles' }));",
       "2031-05-09\n"},
      {"console.log(new Date('2031-05-09T12:05:00Z').toLocaleString('en-US', { timeZone: "
       "'Mars/Base' }));",
       nullptr},
      {"console.log(new Date('2031-05-09T12:05:00Z').toLocaleString('en-US', { timeZone: "
       "'america/chicago', hour12: false }));",
       "5/9/2031, 07:05:00\n"},
      {"console.log(new Date('2031-05-09T12:05:00Z').toLocaleString('en-US', { year: 'numeric', "
       "month: 'short', day: 'numeric', hour: 'numeric', minute: '2-digit', timeZone: "
       "'America/Denver', timeZoneName: 'short' }));",
       "May 9, 2031, 6:05 AM MDT\n"},
      {"console.log(new Date('2031-05-09T12:05:00Z').toLocaleString('en-US', { hour: 'numeric', "
       "timeZone: 'Europe/Paris', timeZoneName: 'longOffset' }));",
       "2 PM GMT+02:00\n"},
      {"console.log(new Date('2031-05-09T12:05:00Z').toLocaleString('en-US', { timeZoneName: "
       "'short' }));",
       "5/9/2031, 12:05:00 PM UTC\n"},
      {"console.log(new Date('2031-05-09T12:05:00Z').toLocaleDateString('en-US', { month: 'long', "
       "timeZone: 'Europe/Paris', timeZoneName: 'short' }));",
       "May at GMT+2\n"},
      {"console.log(new Date('2031-05-09T12:05:00Z').toLocaleTimeString([], { timeZone: "
       "'Pacific/Auckland', timeStyle: 'full' }));",
       "12:05:00 AM New Zealand Standard Time\n"},
  };
  support::check_lines("javascript", lines);
  for (const PastedLine& line : lines) support::check_beginnings("javascript", line.source, {});
}

TEST_CASE("lines of PHP with time zones print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"$d = new DateTime(\"2031-05-09 14:05\", new DateTimeZone(\"Europe/Berlin\")); echo "
       "$d->format(\"Y-m-d H:i T P e I Z U\");",
       "2031-05-09 14:05 CEST +02:00 Europe/Berlin 1 7200 1936094700"},
      {"$d = new DateTime(\"2031-05-09 12:05\", new DateTimeZone(\"UTC\")); $d->setTimezone(new "
       "DateTimeZone(\"America/New_York\")); echo $d->format(\"Y-m-d H:i:s T\");",
       "2031-05-09 08:05:00 EDT"},
      {"date_default_timezone_set('Europe/Berlin'); echo date('Y-m-d H:i T', 1936094400);",
       "2031-05-09 14:00 CEST"},
      {"date_default_timezone_set(\"America/New_York\"); $d = new DateTime(\"2031-05-09 14:05\"); "
       "echo $d->format(DATE_ATOM), \" \", $d->getTimezone()->getName(), \" \", $d->getOffset();",
       "2031-05-09T14:05:00-04:00 America/New_York -14400"},
      {"date_default_timezone_set('UTC'); echo date('D, d M Y H:i:s', 1936094400);",
       "Fri, 09 May 2031 12:00:00"},
      {"date_default_timezone_set('Asia/Tokyo'); echo mktime(14, 0, 0, 5, 9, 2031), \" \", "
       "strtotime(\"2031-05-09 14:00\"), \" \", date_default_timezone_get();",
       "1936069200 1936069200 Asia/Tokyo"},
      {"$d = new DateTimeImmutable(\"2031-03-29 14:00\", new DateTimeZone(\"Europe/Berlin\")); "
       "echo $d->modify(\"+1 day\")->format(\"c\"), \" \", $d->add(new "
       "DateInterval(\"PT24H\"))->format(\"c\");",
       "2031-03-30T14:00:00+02:00 2031-03-30T15:00:00+02:00"},
      {"$d = new DateTimeImmutable(\"2031-03-29 02:30\", new DateTimeZone(\"Europe/Berlin\")); "
       "echo $d->modify(\"+1 day\")->format(\"c\");",
       "2031-03-30T03:30:00+02:00"},
      {"$tz = new DateTimeZone(\"Asia/Kolkata\"); echo $tz->getName();", "Asia/Kolkata"},
      {"$d = new DateTime(\"2031-05-09T12:00:00Z\"); $d->setTimezone(new "
       "DateTimeZone(\"Pacific/Auckland\")); echo $d->format(\"c T\");",
       "2031-05-10T00:00:00+12:00 NZST"},
      {"$d = DateTime::createFromFormat(\"Y-m-d H:i\", \"2031-05-09 14:05\", new "
       "DateTimeZone(\"Europe/Paris\")); echo $d->format(\"c\");",
       "2031-05-09T14:05:00+02:00"},
      {"new DateTimeZone(\"Mars/Base\");", nullptr},
      {"$d = (new DateTime(\"@1936094400\"))->setTimezone(new DateTimeZone(\"Australia/Sydney\")); "
       "echo $d->format(\"r\");",
       "Fri, 09 May 2031 22:00:00 +1000"},
      {"date_default_timezone_set(\"America/New_York\"); echo gmdate(\"H:i T\", 1936094400), \" "
       "\", date(\"H:i T\", 1936094400);",
       "12:00 GMT 08:00 EDT"},
      {"$d = new DateTime(\"2031-05-09 14:05\", new DateTimeZone(\"+02:00\")); echo $d->format(\"c "
       "e T\");",
       "2031-05-09T14:05:00+02:00 +02:00 GMT+0200"},
      {"$a = new DateTime(\"2031-05-09 14:05\", new DateTimeZone(\"Europe/Berlin\")); $b = new "
       "DateTime(\"2031-05-19 16:05\", new DateTimeZone(\"Europe/Berlin\")); echo "
       "$a->diff($b)->format(\"%a %d %h\");",
       "10 10 2"},
      {"$d = date_create(\"2031-05-09 14:05\", timezone_open(\"Europe/Rome\")); echo "
       "date_format($d, \"Y-m-d H:i:sP\");",
       "2031-05-09 14:05:00+02:00"},
      {"echo (new DateTime(\"2031-05-06 10:20\"))->modify(\"noon tomorrow\")->format(\"c\");",
       "2031-05-07T00:00:00+00:00"},
      {"echo (new DateTime(\"2031-05-06 10:20\"))->modify(\"tomorrow noon\")->format(\"c\");",
       "2031-05-07T12:00:00+00:00"},
      {"echo (new DateTime(\"2031-05-06 10:20\"))->modify(\"next friday noon\")->format(\"c\");",
       "2031-05-09T12:00:00+00:00"},
      {"echo (new DateTime(\"2031-05-06 10:20\"))->modify(\"noon next friday\")->format(\"c\");",
       "2031-05-09T00:00:00+00:00"},
      {"echo (new DateTime(\"2031-05-06 10:20\"))->modify(\"noon last monday\")->format(\"c\");",
       "2031-05-05T00:00:00+00:00"},
      {"echo (new DateTime(\"2031-05-06 10:20\"))->modify(\"noon first day of next "
       "month\")->format(\"c\");",
       "2031-06-01T12:00:00+00:00"},
      {"echo (new DateTime(\"2031-05-06 10:20\"))->modify(\"today noon\")->format(\"c\");",
       "2031-05-06T12:00:00+00:00"},
      {"$z = new DateTimeZone('+01:00[Europe/Berlin]'); echo $z->getName();", nullptr},
  };
  support::check_lines("php", lines);
  for (const PastedLine& line : lines) support::check_beginnings("php", line.source, {});
}

TEST_CASE("lines of R with time zones print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"x <- as.POSIXct(\"2031-05-09 14:05\", tz = \"Europe/Berlin\"); print(x)",
       "[1] \"2031-05-09 14:05:00 CEST\"\n"},
      {"x <- as.POSIXct(\"2031-05-09 14:05\", tz = \"Europe/Berlin\"); cat(format(x), format(x, "
       "\"%H:%M %Z %z\"), format(x, usetz=TRUE), \"\\n\"); print(as.numeric(x))",
       "2031-05-09 14:05:00 14:05 CEST +0200 2031-05-09 14:05:00 CEST \n[1] 1936094700\n"},
      {"print(format(as.POSIXct(\"2031-05-09 14:05\", tz = \"UTC\"), tz=\"America/New_York\", "
       "usetz=TRUE))",
       "[1] \"2031-05-09 10:05:00 EDT\"\n"},
      {"x <- as.POSIXct(\"2031-05-09 14:05\", tz = \"Europe/Berlin\"); print(x + 86400*200); "
       "print(seq(x, by=\"month\", length.out=8))",
       "[1] \"2031-11-25 13:05:00 CET\"\n[1] \"2031-05-09 14:05:00 CEST\" \"2031-06-09 14:05:00 "
       "CEST\"\n[3] \"2031-07-09 14:05:00 CEST\" \"2031-08-09 14:05:00 CEST\"\n[5] \"2031-09-09 "
       "14:05:00 CEST\" \"2031-10-09 14:05:00 CEST\"\n[7] \"2031-11-09 14:05:00 CET\"  "
       "\"2031-12-09 14:05:00 CET\" \n"},
      {"print(seq(as.POSIXct(\"2031-03-29 12:00\", tz = \"Europe/Berlin\"), by=\"day\", "
       "length.out=3))",
       "[1] \"2031-03-29 12:00:00 CET\"  \"2031-03-30 13:00:00 CEST\"\n[3] \"2031-03-31 13:00:00 "
       "CEST\"\n"},
      {"print(as.Date(as.POSIXct(\"2031-05-09 00:30\", tz = \"Europe/Berlin\"))); "
       "print(as.Date(as.POSIXct(\"2031-05-09 00:30\", tz = \"Europe/Berlin\"), "
       "tz=\"Europe/Berlin\"))",
       "[1] \"2031-05-08\"\n[1] \"2031-05-09\"\n"},
      {"print(strptime(\"2031-05-09 14:05\", \"%Y-%m-%d %H:%M\", tz=\"Europe/Berlin\"))",
       "[1] \"2031-05-09 14:05:00 CEST\"\n"},
      {"print(as.POSIXlt(as.POSIXct(\"2031-05-09 14:05\", tz = \"Europe/Berlin\"), "
       "tz=\"UTC\")$hour)",
       "[1] 12\n"},
      {"print(ISOdatetime(2031,5,9,14,5,0, tz=\"Europe/London\"))",
       "[1] \"2031-05-09 14:05:00 BST\"\n"},
      {"print(as.POSIXct(1936094400, origin=\"1970-01-01\", tz=\"Europe/Berlin\"))",
       "[1] \"2031-05-09 14:00:00 CEST\"\n"},
      {"x <- as.POSIXct(\"2031-05-09 14:05\", tz = \"Europe/Berlin\"); print(as.POSIXct(x, "
       "tz=\"GMT\")); u <- as.POSIXct(\"2031-05-09 14:05\", tz=\"UTC\"); print(as.POSIXct(u, "
       "tz=\"GMT\")); print(as.POSIXlt(u, tz=\"GMT\")); print(as.POSIXlt(u, "
       "tz=\"Europe/Berlin\")); print(c(x, u)); print(c(x, x)); print(x - u)",
       "[1] \"2031-05-09 14:05:00 CEST\"\n[1] \"2031-05-09 14:05:00 UTC\"\n[1] \"2031-05-09 "
       "14:05:00 GMT\"\n[1] \"2031-05-09 16:05:00 CEST\"\n[1] \"2031-05-09 12:05:00 UTC\" "
       "\"2031-05-09 14:05:00 UTC\"\n[1] \"2031-05-09 14:05:00 CEST\" \"2031-05-09 14:05:00 "
       "CEST\"\nTime difference of -2 hours\n"},
      {"print(strftime(as.POSIXct(\"2031-05-09 14:05\", tz = \"Europe/Berlin\"), \"%H:%M\", "
       "tz=\"UTC\"))",
       "[1] \"12:05\"\n"},
      {"print(as.POSIXct(\"2031-05-09 14:05\", tz=\"EST5EDT\"))",
       "[1] \"2031-05-09 14:05:00 EDT\"\n"},
      {"print(as.POSIXct(\"2031-05-09 14:05\", tz=\"America/Sao_Paulo\"))",
       "[1] \"2031-05-09 14:05:00 -03\"\n"},
  };
  support::check_lines("r", lines);
  for (const PastedLine& line : lines) support::check_beginnings("r", line.source, {});
}

TEST_CASE("lines of C# with time zones print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"var tz = TimeZoneInfo.FindSystemTimeZoneById(\"Europe/Berlin\"); "
       "Console.Write(TimeZoneInfo.ConvertTimeFromUtc(new DateTime(2031, 5, 9, 12, 0, 0), tz));",
       "05/09/2031 14:00:00"},
      {"var tz = TimeZoneInfo.FindSystemTimeZoneById(\"America/New_York\"); "
       "Console.Write(TimeZoneInfo.ConvertTime(new DateTimeOffset(2031, 5, 9, 12, 0, 0, "
       "TimeSpan.Zero), tz));",
       "05/09/2031 08:00:00 -04:00"},
      {"Console.Write(TimeZoneInfo.ConvertTimeBySystemTimeZoneId(new DateTimeOffset(2031, 5, 9, "
       "12, 0, 0, TimeSpan.Zero), \"Asia/Tokyo\"));",
       "05/09/2031 21:00:00 +09:00"},
      {"Console.Write(TimeZoneInfo.ConvertTimeBySystemTimeZoneId(new DateTime(2031, 5, 9, 12, 0, "
       "0), \"Europe/Berlin\", \"Asia/Kolkata\").ToString(\"yyyy-MM-dd HH:mm\"));",
       "2031-05-09 15:30"},
      {"var tz = TimeZoneInfo.FindSystemTimeZoneById(\"Europe/Berlin\"); "
       "Console.Write(tz.GetUtcOffset(new DateTime(2031, 5, 9)) + \" \" + "
       "tz.IsDaylightSavingTime(new DateTime(2031, 5, 9)) + \" \" + tz.BaseUtcOffset + \" \" + "
       "tz.Id);",
       "02:00:00 True 01:00:00 Europe/Berlin"},
      {"var tz = TimeZoneInfo.FindSystemTimeZoneById(\"Mars/Base\"); Console.Write(tz.Id);",
       nullptr},
      {"var tz = TimeZoneInfo.FindSystemTimeZoneById(\"Europe/Berlin\"); "
       "Console.Write(TimeZoneInfo.ConvertTime(new DateTime(2031, 3, 30, 2, 30, 0), tz, "
       "TimeZoneInfo.FindSystemTimeZoneById(\"America/New_York\")));",
       nullptr},
      {"var tz = TimeZoneInfo.FindSystemTimeZoneById(\"Europe/Berlin\"); "
       "Console.Write(tz.IsAmbiguousTime(new DateTime(2031, 10, 26, 2, 30, 0)) + \" \" + "
       "tz.IsInvalidTime(new DateTime(2031, 3, 30, 2, 30, 0)) + \" \" + tz.GetUtcOffset(new "
       "DateTime(2031, 10, 26, 2, 30, 0)) + \" \" + tz.GetUtcOffset(new DateTime(2031, 3, 30, 2, "
       "30, 0)));",
       "True True 01:00:00 01:00:00"},
      {"Console.Write(TimeZoneInfo.ConvertTime(new DateTime(2031, 10, 26, 2, 30, 0), "
       "TimeZoneInfo.FindSystemTimeZoneById(\"Europe/Berlin\"), "
       "TimeZoneInfo.FindSystemTimeZoneById(\"Asia/Tokyo\")));",
       "10/26/2031 10:30:00"},
      {"Console.Write(TimeZoneInfo.ConvertTimeToUtc(new DateTime(2031, 5, 9, 14, 0, 0), "
       "TimeZoneInfo.FindSystemTimeZoneById(\"Europe/Berlin\")).ToString(\"u\"));",
       "2031-05-09 12:00:00Z"},
      {"Console.Write(TimeZoneInfo.FindSystemTimeZoneById(\"Europe/Dublin\").GetUtcOffset(new "
       "DateTime(2031, 1, 9)) + \" \" + "
       "TimeZoneInfo.FindSystemTimeZoneById(\"Europe/Dublin\").BaseUtcOffset + \" \" + "
       "TimeZoneInfo.FindSystemTimeZoneById(\"Europe/Dublin\").IsDaylightSavingTime(new "
       "DateTime(2031, 1, 9))+ \" \" + "
       "TimeZoneInfo.FindSystemTimeZoneById(\"Europe/Dublin\").IsDaylightSavingTime(new "
       "DateTime(2031, 7, 9)));",
       "00:00:00 01:00:00 True False"},
      {"Console.Write(TimeZoneInfo.FindSystemTimeZoneById(\"W. Europe Standard "
       "Time\").BaseUtcOffset);",
       "01:00:00"},
      {"Console.Write($\"{TimeZoneInfo.ConvertTimeFromUtc(new DateTime(2031, 5, 9, 12, 0, 0, "
       "DateTimeKind.Utc), TimeZoneInfo.FindSystemTimeZoneById(\"Australia/Sydney\")):yyyy-MM-dd "
       "HH:mm}\");",
       "2031-05-09 22:00"},
      {"Console.Write(new DateTime(2031, 5, 9, 12, 0, 0, DateTimeKind.Utc).ToString(\"o\"));",
       "2031-05-09T12:00:00.0000000Z"},
      {"Console.WriteLine(new DateTime(2031, 5, 9, 12, 0, 0, DateTimeKind.Utc).Kind == "
       "DateTimeKind.Utc);",
       "True\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9).Kind != DateTimeKind.Utc ? \"no\" : \"yes\");",
       "no\n"},
      {"Console.WriteLine($\"{new DateTime(2031,5,9,12,0,0).Kind,14}|\");", "   Unspecified|\n"},
      {"Console.WriteLine(\"{0} {1}\", new DateTime(2031, 5, 9).Kind, (int)DateTimeKind.Utc);",
       "Unspecified 1\n"},
  };
  support::check_lines("csharp", lines);
  for (const PastedLine& line : lines) support::check_beginnings("csharp", line.source, {});
}

TEST_CASE("lines of F# with time zones print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"let tz = TimeZoneInfo.FindSystemTimeZoneById(\"Europe/Berlin\")\nprintf \"%s\" "
       "(TimeZoneInfo.ConvertTimeFromUtc(DateTime(2031, 5, 9, 12, 0, 0), tz).ToString(\"yyyy-MM-dd "
       "HH:mm\"))",
       "2031-05-09 14:00"},
      {"printf \"%s\" (TimeZoneInfo.ConvertTimeBySystemTimeZoneId(DateTimeOffset(2031, 5, 9, 12, "
       "0, 0, TimeSpan.Zero), \"Asia/Tokyo\").ToString(\"o\"))",
       "2031-05-09T21:00:00.0000000+09:00"},
      {"printf \"%s\" (DateTime(2031, 5, 9, 12, 0, 0, DateTimeKind.Utc).ToString(\"o\"))",
       "2031-05-09T12:00:00.0000000Z"},
  };
  support::check_lines("fsharp", lines);
  for (const PastedLine& line : lines) support::check_beginnings("fsharp", line.source, {});
}
