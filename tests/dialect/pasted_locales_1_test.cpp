// Lines with locales, money and dates, as people paste them. The texts are those that the runtimes
// printed of the same lines: .NET 10 and OpenJDK 17.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("lines with cultures in C# print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"Console.WriteLine(1234.5.ToString(\"C\", new CultureInfo(\"en-US\")));", "$1,234.50\n"},
      {"Console.WriteLine(1234.5m.ToString(\"C2\", CultureInfo.GetCultureInfo(\"de-DE\")));",
       "1.234,50 €\n"},
      {"Console.WriteLine((-1234.5m).ToString(\"C\", "
       "CultureInfo.CreateSpecificCulture(\"fr-FR\")));",
       "-1 234,50 €\n"},
      {"Console.WriteLine(string.Format(new CultureInfo(\"en-IN\"), \"{0:N0}\", 123456789));",
       "12,34,56,789\n"},
      {"Console.WriteLine(string.Format(CultureInfo.GetCultureInfo(\"de-CH\"), \"{0:N2} | "
       "{1:P1}\", 1234567.891, 0.256));",
       "1’234’567.89 | 25.6%\n"},
      {"Console.WriteLine(0.075.ToString(\"P1\", new CultureInfo(\"tr-TR\")));", "%7,5\n"},
      {"var us = new CultureInfo(\"en-US\"); Console.WriteLine(19.99m.ToString(\"C\", us));",
       "$19.99\n"},
      {"CultureInfo.CurrentCulture = CultureInfo.InvariantCulture; "
       "Console.WriteLine($\"{1234.5:N2}\");",
       "1,234.50\n"},
      {"CultureInfo.CurrentCulture = new CultureInfo(\"fr-FR\"); var total = 99.95m; "
       "Console.WriteLine(\"Total : \" + total.ToString(\"C\"));",
       "Total : 99,95 €\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9).ToString(\"d\", new CultureInfo(\"en-US\")));",
       "5/9/2031\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9).ToString(\"D\", new CultureInfo(\"de-DE\")));",
       "Freitag, 9. Mai 2031\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9, 14, 5, 7).ToString(\"f\", new "
       "CultureInfo(\"fr-FR\")));",
       "vendredi 9 mai 2031 14:05\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9, 14, 5, 7).ToString(\"G\", "
       "CultureInfo.GetCultureInfo(\"en-GB\")));",
       "09/05/2031 14:05:07\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9).ToString(\"dd MMMM yyyy\", "
       "CultureInfo.GetCultureInfo(\"pl-PL\")));",
       "09 maja 2031\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9).ToString(\"MMMM yyyy\", "
       "CultureInfo.GetCultureInfo(\"pl-PL\")));",
       "maj 2031\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9).ToString(\"ddd d MMM\", "
       "CultureInfo.GetCultureInfo(\"es-ES\")));",
       "vie 9 may\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9).ToString(\"yyyy-MM-dd\", "
       "CultureInfo.InvariantCulture));",
       "2031-05-09\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9).ToString(new CultureInfo(\"ja-JP\")));",
       "2031/05/09 0:00:00\n"},
      {"Console.WriteLine(new DateTime(2031, 5, 9).ToString(\"D\", new CultureInfo(\"th-TH\")));",
       "วันศุกร์ที่ 9 พฤษภาคม พ.ศ. 2574\n"},
      {"Console.WriteLine(string.Format(new CultureInfo(\"sv-SE\"), \"{0:d}\", new DateTime(2031, "
       "5, 9)));",
       "2031-05-09\n"},
      {"Console.WriteLine($\"{new DateTime(2031, 5, 9):D}\");", "Friday, 09 May 2031\n"},
      {"Console.WriteLine(new DateOnly(2031, 5, 9).ToString(\"D\", new CultureInfo(\"it-IT\")));",
       "venerdì 9 maggio 2031\n"},
      {"Console.WriteLine(new TimeOnly(14, 5).ToString(\"t\", new CultureInfo(\"en-US\")));",
       "2:05 PM\n"},
      {"Console.WriteLine(1234.5.ToString(CultureInfo.InvariantCulture));", "1234.5\n"},
      {"Console.WriteLine(1234.5.ToString(new CultureInfo(\"de-DE\")));", "1234,5\n"},
      {"Console.WriteLine((-1234.5).ToString(\"N1\", new CultureInfo(\"sv-SE\")));", "−1 234,5\n"},
      {"Console.WriteLine(1234567.891.ToString(\"#,##0.00\", new CultureInfo(\"fr-FR\")));",
       "1 234 567,89\n"},
      {"Console.WriteLine(0.5.ToString(\"0.0%\", new CultureInfo(\"de-DE\")));", "50,0%\n"},
      {"Console.WriteLine(Convert.ToString(1234.5, new CultureInfo(\"de-DE\")));", "1234,5\n"},
      {"Console.WriteLine(1234.5.ToString(\"C\", CultureInfo.GetCultureInfo(\"ja-JP\")));",
       "￥1,234\n"},
      {"Console.WriteLine((1234.5m).ToString(\"C\", CultureInfo.GetCultureInfo(\"pt-BR\")));",
       "R$ 1.234,50\n"},
      {"Console.WriteLine(1234.5.ToString(\"C\", CultureInfo.GetCultureInfo(\"zh-CN\")));",
       "¥1,234.50\n"},
      {"Console.WriteLine(\"{0,12:C}|\", 5.5m);", "       ¤5.50|\n"},
      {"Console.WriteLine(5.5m.ToString(\"C\", new CultureInfo(\"en-GB\")).PadLeft(10));",
       "     £5.50\n"},
      {"Console.WriteLine(new TimeSpan(1, 2, 3, 4, 500).ToString(\"g\", new "
       "CultureInfo(\"fr-FR\")));",
       "1:2:03:04,5\n"},
      {"Console.WriteLine(DateTime.Parse(\"2031-05-09\").ToString(\"M\", new "
       "CultureInfo(\"ru-RU\")));",
       "9 мая\n"},
      {"Console.WriteLine(1.5.ToString(\"F1\", NumberFormatInfo.InvariantInfo));", "1.5\n"},
      {"Console.WriteLine(1234.5.ToString(\"E2\", new CultureInfo(\"de-DE\")));", "1,23E+003\n"},
  };
  support::check_lines("csharp", lines);
  for (const PastedLine& line : lines) support::check_beginnings("csharp", line.source, {});
}

TEST_CASE("lines with locales in Java print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"System.out.println(NumberFormat.getCurrencyInstance(Locale.US).format(1234.5));",
       "$1,234.50\n"},
      {"System.out.println(NumberFormat.getCurrencyInstance(Locale.GERMANY).format(-1234.5));",
       "-1.234,50 €\n"},
      {"System.out.println(NumberFormat.getCurrencyInstance(Locale.JAPAN).format(1234.5));",
       "￥1,234\n"},
      {"System.out.println(NumberFormat.getCurrencyInstance(new Locale(\"en\", "
       "\"IN\")).format(1234567.8));",
       "₹1,234,567.80\n"},
      {"System.out.println(NumberFormat.getInstance(Locale.FRANCE).format(1234567.891));",
       "1 234 567,891\n"},
      {"System.out.println(NumberFormat.getPercentInstance(Locale.US).format(0.256));", "26%\n"},
      {"NumberFormat nf = NumberFormat.getInstance(Locale.GERMANY); "
       "nf.setMaximumFractionDigits(2); nf.setMinimumFractionDigits(2); "
       "System.out.println(nf.format(1234.5));",
       "1.234,50\n"},
      {"NumberFormat pf = NumberFormat.getPercentInstance(Locale.US); "
       "pf.setMinimumFractionDigits(1); System.out.println(pf.format(0.2565));",
       "25.7%\n"},
      {"NumberFormat nf = NumberFormat.getNumberInstance(Locale.US); nf.setGroupingUsed(false); "
       "System.out.println(nf.format(1234567));",
       "1234567\n"},
      {"DecimalFormat df = new DecimalFormat(\"#,##0.00\"); System.out.println(df.format(1234.5));",
       "1,234.50\n"},
      {"DecimalFormat df = new DecimalFormat(\"0.00\", new DecimalFormatSymbols(Locale.GERMANY)); "
       "System.out.println(df.format(1234.5));",
       "1234,50\n"},
      {"DecimalFormat df = new DecimalFormat(\"#.##\"); df.setRoundingMode(RoundingMode.HALF_UP); "
       "System.out.println(df.format(2.675));",
       "2.67\n"},
      {"DecimalFormat df = new DecimalFormat(\"0.00\"); String s = df.format(2.675); "
       "System.out.println(s);",
       "2.67\n"},
      {"System.out.println(new DecimalFormat(\"#,###\").format(1234567));", "1,234,567\n"},
      {"System.out.println(new DecimalFormat(\"00\").format(7));", "07\n"},
      {"System.out.println(new DecimalFormat(\"0.###E0\").format(12345));", "1.234E4\n"},
      {"System.out.println(new DecimalFormat(\"$#,##0.00\").format(1234.5));", "$1,234.50\n"},
      {"System.out.println(new DecimalFormat(\"#0.0%\").format(0.256));", "25.6%\n"},
      {"System.out.println(String.format(Locale.GERMANY, \"%,.2f\", 1234567.891));",
       "1.234.567,89\n"},
      {"System.out.println(String.format(Locale.US, \"%,d\", 1234567));", "1,234,567\n"},
      {"System.out.printf(Locale.FRANCE, \"%,.2f%n\", 1234567.891);", "1 234 567,89\n"},
      {"System.out.println(String.format(new Locale(\"pl\", \"PL\"), \"%,.2f\", 1234567.891));",
       "1 234 567,89\n"},
      {"System.out.println(String.format(Locale.ROOT, \"%.2f\", 1234.5));", "1234.50\n"},
      {"Locale.setDefault(Locale.GERMANY); System.out.printf(\"%.2f%n\", 1234.5);", "1234,50\n"},
      {"Locale.setDefault(Locale.US); "
       "System.out.println(NumberFormat.getCurrencyInstance().format(19.99));",
       "$19.99\n"},
      {"System.out.println(LocalDate.of(2031, 5, 9).format(DateTimeFormatter.ofPattern(\"EEEE, d "
       "MMMM yyyy\", Locale.US)));",
       "Friday, 9 May 2031\n"},
      {"System.out.println(LocalDate.of(2031, 5, 9).format(DateTimeFormatter.ofPattern(\"d. MMMM "
       "yyyy\", Locale.GERMANY)));",
       "9. Mai 2031\n"},
      {"System.out.println(LocalDate.of(2031, 5, 9).format(DateTimeFormatter.ofPattern(\"dd MMM "
       "yyyy\").withLocale(Locale.FRANCE)));",
       "09 mai 2031\n"},
      {"System.out.println(LocalDate.of(2031, 5, "
       "9).format(DateTimeFormatter.ofLocalizedDate(FormatStyle.FULL).withLocale(Locale.UK)));",
       "Friday, 9 May 2031\n"},
      {"System.out.println(LocalDate.of(2031, 5, "
       "9).format(DateTimeFormatter.ofLocalizedDate(FormatStyle.SHORT).withLocale(Locale.US)));",
       "5/9/31\n"},
      {"System.out.println(LocalDateTime.of(2031, 5, 9, 14, "
       "5).format(DateTimeFormatter.ofLocalizedDateTime(FormatStyle.MEDIUM, "
       "FormatStyle.SHORT).withLocale(Locale.GERMANY)));",
       "09.05.2031, 14:05\n"},
      {"System.out.println(LocalTime.of(14, 5).format(DateTimeFormatter.ofPattern(\"h:mm a\", "
       "Locale.US)));",
       "2:05 PM\n"},
      {"System.out.println(LocalDate.of(2031, 12, "
       "29).format(DateTimeFormatter.ofPattern(\"YYYY-MM-dd\", Locale.GERMANY)));",
       "2032-12-29\n"},
      {"System.out.println(LocalDate.of(2024, 12, "
       "30).format(DateTimeFormatter.ofPattern(\"YYYY-MM-dd\", Locale.US)));",
       "2025-12-30\n"},
      {"System.out.println(LocalDate.of(2031, 5, 9).format(DateTimeFormatter.ISO_LOCAL_DATE));",
       "2031-05-09\n"},
      {"System.out.println(LocalDate.of(2031, 5, 9).format(DateTimeFormatter.ISO_DATE));",
       "2031-05-09\n"},
      {"System.out.println(LocalDate.of(2031, 5, 9).format(DateTimeFormatter.BASIC_ISO_DATE));",
       "20310509\n"},
      {"System.out.println(LocalDateTime.of(2031, 5, 9, 14, 5, "
       "7).format(DateTimeFormatter.ISO_LOCAL_DATE_TIME));",
       "2031-05-09T14:05:07\n"},
      {"System.out.println(DateTimeFormatter.ofPattern(\"dd/MM/yyyy\").format(LocalDate.of(2031, "
       "5, 9)));",
       "09/05/2031\n"},
      {"System.out.println(String.format(Locale.GERMANY, \"%tA %<te. %<tB %<tY\", "
       "LocalDate.of(2031, 5, 9)));",
       "Freitag 9. Mai 2031\n"},
      {"System.out.println(\"Total: \" + NumberFormat.getCurrencyInstance(Locale.US).format(new "
       "BigDecimal(\"19.99\")));",
       "Total: $19.99\n"},
      {"DateTimeFormatter f = DateTimeFormatter.ofPattern(\"dd.MM.yyyy\"); LocalDate d = "
       "LocalDate.of(2031, 5, 9); System.out.println(d.format(f));",
       "09.05.2031\n"},
      {"System.out.println(NumberFormat.getIntegerInstance(Locale.US).format(1234.5));", "1,234\n"},
      {"System.out.println(NumberFormat.getInstance().format(1234.5));", "1,234.5\n"},
      {"System.out.println(String.format(\"%s\", LocalDate.of(2031, 5, 9).getDayOfWeek()));",
       "FRIDAY\n"},
      {"System.out.println(LocalDate.of(2031, 5, 9).getMonth());", "MAY\n"},
      {"System.out.println(LocalDate.of(2031, 5, 9).getDayOfWeek().getDisplayName(TextStyle.SHORT, "
       "Locale.FRANCE));",
       "ven.\n"},
      {"System.out.println(LocalDateTime.of(2031,5,9,14,5,7,123456789).format(DateTimeFormatter."
       "ofPattern(\"yyy uuu DD nnn AAA NNN YYY yyyyy\")));",
       "2031 2031 129 123456789 50707123 50707123456789 2031 02031\n"},
      {"System.out.println(LocalDateTime.of(7,5,9,14,5,7,1).format(DateTimeFormatter.ofPattern("
       "\"yyy uuu DD nnn AAA NNN YYY yyyyy\")));",
       "007 007 129 001 50707000 50707000000001 007 00007\n"},
  };
  support::check_lines("java", lines);
  for (const PastedLine& line : lines) support::check_beginnings("java", line.source, {});
}
