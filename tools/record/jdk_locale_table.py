#!/usr/bin/env python3
"""Writes what every locale of the running OpenJDK has for numbers, dates and times.

    tools/record/jdk_locale_table.py              writes src/dialect/java/locales.inc
"""

import json
import subprocess
import tempfile

import java
import locale_table
from recording import needs

program = r"""
import java.io.*;
import java.nio.charset.StandardCharsets;
import java.text.*;
import java.time.*;
import java.time.chrono.*;
import java.time.format.*;
import java.time.temporal.*;
import java.util.*;

public class Ask {
  static String texts(Locale locale, String pattern, ChronoField field, int first, int last) {
    StringBuilder out = new StringBuilder();
    DateTimeFormatter form = DateTimeFormatter.ofPattern(pattern, locale);
    for (int i = first; i <= last; ++i) {
      LocalDateTime when = LocalDateTime.of(2031, 1, 5, 0, 0);
      if (field == ChronoField.MONTH_OF_YEAR) when = when.withMonth(i);
      if (field == ChronoField.DAY_OF_WEEK) when = when.plusDays(i);
      if (field == ChronoField.HOUR_OF_DAY) when = when.withHour(12 * i);
      out.append(i == first ? "" : "|").append(form.format(when));
    }
    return out.toString();
  }
  static String list(String[] names, int first, int count) {
    return String.join("|", Arrays.copyOfRange(names, first, first + count));
  }
  static String localized(FormatStyle date, FormatStyle time, Locale locale) {
    return DateTimeFormatterBuilder.getLocalizedDateTimePattern(date, time, IsoChronology.INSTANCE, locale);
  }
  static String pattern(NumberFormat form) { return ((DecimalFormat) form).toPattern(); }
  // What stands for a sign in a pattern.
  static String affix(String shown) { return shown; }

  static String line(Locale locale) {
    DecimalFormatSymbols s = DecimalFormatSymbols.getInstance(locale);
    DateFormatSymbols d = DateFormatSymbols.getInstance(locale);
    LocalDateTime morning = LocalDateTime.of(2031, 1, 5, 0, 0), evening = morning.plusHours(12);
    List<String> out = new ArrayList<>();
    out.add(locale.equals(Locale.ROOT) ? "root" : locale.toLanguageTag());
    out.add("" + s.getDecimalSeparator());
    out.add("" + s.getGroupingSeparator());
    out.add("" + s.getZeroDigit());
    // The texts of these signs can be longer than the character that the API gives.
    out.add(new DecimalFormat("0", s).format(-1).replace("" + (char) (s.getZeroDigit() + 1), ""));
    out.add(new DecimalFormat("0%", s).format(0).replace("" + s.getZeroDigit(), ""));
    out.add(new DecimalFormat("0\u2030", s).format(0).replace("" + s.getZeroDigit(), ""));
    out.add(s.getExponentSeparator());
    out.add(s.getInfinity());
    out.add(s.getNaN());
    out.add(s.getCurrencySymbol());
    out.add(s.getInternationalCurrencySymbol());
    out.add("" + s.getMonetaryDecimalSeparator());
    out.add("" + s.getMonetaryGroupingSeparator());
    out.add("" + Math.max(Currency.getInstance(s.getInternationalCurrencySymbol()).getDefaultFractionDigits(), 0));
    out.add("" + ((DecimalFormat) NumberFormat.getNumberInstance(locale)).getGroupingSize());
    out.add(pattern(NumberFormat.getNumberInstance(locale)));
    out.add(pattern(NumberFormat.getIntegerInstance(locale)));
    out.add(pattern(NumberFormat.getPercentInstance(locale)));
    out.add(pattern(NumberFormat.getCurrencyInstance(locale)));
    // As %t writes them.
    out.add(list(d.getMonths(), 0, 12));
    out.add(list(d.getShortMonths(), 0, 12));
    out.add(list(d.getWeekdays(), 1, 7));
    out.add(list(d.getShortWeekdays(), 1, 7));
    out.add(String.format(locale, "%tp|%tp", morning, evening));
    out.add(String.format(locale, "%Tp|%Tp", morning, evening));
    out.add(String.format(locale, "%tr", morning).split(" ", 2)[1] + "|" + String.format(locale, "%tr", evening).split(" ", 2)[1]);
    // As DateTimeFormatter writes them.
    for (String letters : new String[] {"MMMM", "MMM", "MMMMM", "LLLL", "LLL", "LLLLL"}) out.add(texts(locale, letters, ChronoField.MONTH_OF_YEAR, 1, 12));
    for (String letters : new String[] {"EEEE", "EEE", "EEEEE", "cccc", "ccc", "ccccc"}) out.add(texts(locale, letters, ChronoField.DAY_OF_WEEK, 0, 6));
    out.add(texts(locale, "a", ChronoField.HOUR_OF_DAY, 0, 1));
    for (String letters : new String[] {"G", "GGGG", "GGGGG"}) out.add(DateTimeFormatter.ofPattern(letters, locale).format(morning));
    FormatStyle[] styles = {FormatStyle.FULL, FormatStyle.LONG, FormatStyle.MEDIUM, FormatStyle.SHORT};
    for (FormatStyle style : styles) out.add(localized(style, null, locale));
    for (FormatStyle style : styles) out.add(localized(null, style, locale));
    // The shorter style of the two says how they are put together; {1} is the date.
    int first = out.size();
    for (FormatStyle style : styles)
      out.add(localized(style, style, locale).replace(localized(style, null, locale), "{1}").replace(localized(null, style, locale), "{0}"));
    for (FormatStyle date : styles) {
      for (FormatStyle time : styles) {
        String glue = out.get(first + Math.max(date.ordinal(), time.ordinal()));
        String glued = glue.replace("{1}", localized(date, null, locale)).replace("{0}", localized(null, time, locale));
        if (!glued.equals(localized(date, time, locale))) throw new RuntimeException(locale + ": a form that the table has no place for");
      }
    }
    WeekFields weeks = WeekFields.of(locale);
    out.add("" + weeks.getFirstDayOfWeek().getValue());
    out.add("" + weeks.getMinimalDaysInFirstWeek());
    StringBuilder line = new StringBuilder();
    for (String part : out) {
      line.append(line.length() == 0 ? "" : "\t");
      if (part.indexOf('\t') >= 0 || part.indexOf('\n') >= 0) throw new RuntimeException("a tab in a text of " + locale);
      line.append(part);
    }
    return line.toString();
  }

  public static void main(String[] arguments) throws Exception {
    PrintStream out = new PrintStream(new FileOutputStream(FileDescriptor.out), false, StandardCharsets.UTF_8);
    out.println(System.getProperty("java.version"));
    TreeMap<String, Locale> all = new TreeMap<>();
    for (Locale locale : Locale.getAvailableLocales()) {
      // One tag, one locale: th-TH-u-nu-thai and its like are asked for by nobody.
      String tag = locale.toLanguageTag();
      if (!tag.contains("-u-") && !tag.contains("-x-") && !locale.equals(Locale.ROOT)) all.put(tag, Locale.forLanguageTag(tag));
    }
    out.println(line(Locale.ROOT));
    for (Locale locale : all.values()) out.println(line(locale));
    out.flush();
  }
}
"""


def main():
    needs("java -version")
    with tempfile.TemporaryDirectory() as folder:
        with open(folder + "/Ask.java", "w", encoding="utf-8") as file:
            file.write(program)
        answer = subprocess.run(["java", "-Xshare:auto", folder + "/Ask.java"], capture_output=True, check=True).stdout.decode()
    version, *lines = answer.splitlines()
    heading = ["Asked of DecimalFormatSymbols, DateFormatSymbols and DateTimeFormatter, OpenJDK %s." % version, "Written by tools/record/jdk_locale_table.py."]
    rows = [(line.split("\t")[0], line.split("\t")[1:]) for line in lines]
    (java.root / "src/dialect/java/locales.inc").write_text(locale_table.table(heading, rows))


if __name__ == "__main__":
    main()
