// Objects that are no values of ours are shown as the language shows them, or refused: never as what
// they are made of here.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("an object that has no text here is refused, whatever takes it") {
  struct Line {
    const char* dialect;
    const char* source;
  };
  const Line lines[] = {
      {"python", "print(f\"{timezone.utc!r}\")"},
      {"python", "print(f\"{timezone.utc:>10}\")"},
      {"python", "print([timezone.utc])"},
      {"python", "print(f\"{repr(date(2031, 5, 9).isocalendar())}\")"},
      {"python", "print(\"%r\" % timezone.utc)"},
      {"python", "y, w, d = date(2031, 5, 9).isocalendar(); print(w)"},
      {"python", "print(len(date(2031, 5, 9).isocalendar()))"},
      {"python", "print(date(2031, 5, 9).isocalendar() == (2031, 19, 5))"},
      {"python", "for x in date(2031, 5, 9).isocalendar(): print(x)"},
      {"python", "print(\"{!r}\".format(ZoneInfo(\"Europe/Berlin\")))"},
      {"python", "print(datetime(2031, 5, 9, 2, 30, tzinfo=ZoneInfo(\"Europe/Berlin\"), fold=1))"},
      {"php",
       "echo (new DateTime('2031-10-26 02:30', new DateTimeZone('Europe/Berlin')))->format('c');"},
      {"php", "echo (new DateTime('2031-05-09', new DateTimeZone('EST')))->format('c');"},
      {"r", "format(strptime(\"2031-05-09\", \"%Y-%m-%d\", tz = \"Europe/Berlin\"), \"%z\")"},
      {"r", "as.POSIXct(\"2031-05-09\", tz = \"Mars/Base\")"},
      {"r", "as.POSIXct(\"2031-10-26 02:30\", tz = \"Europe/Berlin\")"},
      {"r", "as.POSIXct(\"2031-03-30 02:30\", tz = \"Europe/Berlin\")"},
      {"java",
       "System.out.println(ZonedDateTime.of(1965, 5, 9, 12, 0, 0, 0, "
       "ZoneId.of(\"Europe/Berlin\")));"},
      {"java",
       "System.out.printf(Locale.JAPAN, \"%tZ\", ZonedDateTime.of(2031, 5, 9, 12, 0, 0, 0, "
       "ZoneId.of(\"Europe/Berlin\")));"},
      {"javascript",
       "console.log(new Date(1e12).toLocaleString('de-DE', { timeZone: "
       "'Europe/Berlin', timeZoneName: 'short' }));"},
      {"javascript",
       "console.log(new Date(1e8).toLocaleString('en-US', { timeZone: "
       "'America/Tijuana' }));"},
      {"csharp", "Console.Write(TimeZoneInfo.FindSystemTimeZoneById(\"Europe/Berlin\"));"},
      {"php", "$a = new DateTime('2031-05-09'); echo count($a);"},
      {"php", "$a = new DateTime('2031-05-09'); echo \"$a\";"},
      {"php",
       "$a = new DateTime('2031-05-09'); $b = $a; $b->modify('+1 day'); "
       "echo $a->format('Y-m-d');"},
      {"php", "$a = new DateTime('2031-05-09'); echo $a->modify('+1 day')->format('Y-m-d');"},
      {"python", "print(datetime.fromisoformat('2031-05-09T14:05:00+02:00[Europe/Berlin]'))"},
      {"java",
       "System.out.println(OffsetDateTime.parse(\"2031-05-09T14:05+02:00[Europe/Berlin]\"));"},
      {"java", "System.out.println(ZoneOffset.of(\"+01:00[Europe/Berlin]\"));"},
      {"csharp", "Console.Write(DateTimeOffset.Parse(\"2031-05-09T14:05+02:00[Europe/Berlin]\"));"},
      {"php", "echo (new DateTime('2031-05-09T14:05:00+02:00[Europe/Berlin]'))->format('c');"},
      {"java", "System.out.println(List.of(Instant.EPOCH));"},
      {"java", "System.out.printf(\"%tF%n\", new Date(0));"},
      {"java", "System.out.println(String.format(\"%tF\", Instant.EPOCH));"},
      {"java", "System.out.println(Period.ofDays(1) == Period.ofDays(1));"},
      {"csharp", "Console.WriteLine(\"{0:D}\", new DateTime(2031, 5, 9).DayOfWeek);"},
      {"csharp", "Console.WriteLine($\"{new DateTime(2031, 5, 9).DayOfWeek:D}\");"},
  };
  for (const Line& line : lines) {
    INFO(line.source);
    CHECK(support::is_refused(line.dialect, line.source, Code::not_supported_yet));
  }
}

// The texts are those that OpenJDK 17, .NET 10 and PHP 8.2 printed of the same lines.
TEST_CASE("an object is its text where one is shown, and keeps its methods in a name") {
  support::check_lines(
      "java",
      std::vector<PastedLine>{
          {"System.out.printf(\"%s%n\", new Date(0));", "Thu Jan 01 00:00:00 UTC 1970\n"},
          {"System.out.printf(\"%5s|%-8S|%n\", Year.of(2031), Period.ofDays(3));",
           " 2031|P3D     |\n"},
          {"var p = Period.ofDays(3); System.out.println(p.getDays() + \" \" + p);", "3 P3D\n"},
          {"Instant i = Instant.EPOCH; System.out.println(i.plusSeconds(60));",
           "1970-01-01T00:01:00Z\n"}});
  support::check_lines(
      "csharp",
      std::vector<PastedLine>{
          {"var w = new DateTime(2031, 5, 9).DayOfWeek; Console.WriteLine(w);", "Friday\n"},
          {"Console.WriteLine($\"{new DateTime(2031, 5, 9).DayOfWeek,12}|\");", "      Friday|\n"},
          {"Console.WriteLine(\"Day: \" + new DateTime(2031, 5, 9).DayOfWeek);", "Day: Friday\n"}});
  support::check_lines(
      "php",
      std::vector<PastedLine>{
          {"$a = new DateTime('2031-05-09'); $a->modify('+1 day'); echo $a->format('Y-m-d');",
           "2031-05-10"},
          {"$a = new DateTimeImmutable('2031-05-09'); $a->modify('+1 day'); "
           "echo $a->format('Y-m-d');",
           "2031-05-09"}});
}
