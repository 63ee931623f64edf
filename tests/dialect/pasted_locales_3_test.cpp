// Locales beyond the usual ones, with digits and calendars of their own, and contexts of decimals, as
// people paste them. The texts are those that the runtimes printed of the same lines: Node.js 20,
// CPython 3.11, .NET 10.0.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE(
    "lines of JavaScript with locales, other digits and calendars print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"console.log((1234567.891).toLocaleString(\"ar-EG\"), new "
       "Date(1930572307250).toLocaleDateString(\"ar-EG\"));",
       "١٬٢٣٤٬٥٦٧٫٨٩١ ٦‏/٣‏/٢٠٣١\n"},
      {"console.log((1234567.891).toLocaleString(\"ar-EG-u-nu-latn\"), new "
       "Date(1930572307250).toLocaleString(\"ar-EG-u-nu-latn\"));",
       "1,234,567.891 6‏/3‏/2031، 2:05:07 م\n"},
      {"console.log((1234567.891).toLocaleString(\"th-TH-u-nu-thai\"), new "
       "Date(1930572307250).toLocaleDateString(\"th-TH\", {dateStyle:\"full\"}));",
       "๑,๒๓๔,๕๖๗.๘๙๑ วันพฤหัสบดีที่ 6 มีนาคม พ.ศ. 2574\n"},
      {"console.log((1234567.891).toLocaleString(\"en-IN-u-nu-deva\", {style:\"currency\", "
       "currency:\"INR\"}));",
       "₹१२,३४,५६७.८९\n"},
      {"console.log(new Date(1930572307250).toLocaleTimeString(\"zh-TW\"), new "
       "Date(1930572307250).toLocaleString(\"zh-TW\",{dateStyle:\"long\",timeStyle:\"short\"}));",
       "下午2:05:07 2031年3月6日 下午2:05\n"},
      {"console.log(new Date(1930572307250).toLocaleDateString(\"zh-Hans-CN-u-nu-hanidec\"));",
       "二〇三一/三/六\n"},
      {"console.log((1234567.891).toLocaleString([\"ban\", \"id\"]));", "1.234.567,891\n"},
      {"console.log((1234567.891).toLocaleString(\"de-XX\"), "
       "(0.256).toLocaleString(\"ar-SA\",{style:\"percent\"}));",
       "1.234.567,891 ٢٦٪؜\n"},
      {"console.log((1234567.891).toLocaleString(\"de_DE\"));", nullptr},
      {"console.log((1234567.891).toLocaleString(\"EN-us\"), (12).toLocaleString(\"ban\"));",
       "1,234,567.891 12\n"},
      {"console.log(new "
       "Intl.NumberFormat(\"bn-BD\",{style:\"currency\",currency:\"USD\"}).format(-1234.5));",
       "-১,২৩৪.৫০ US$\n"},
      {"console.log(new Intl.NumberFormat(\"en\",{notation:\"compact\"}).format(1234), new "
       "Intl.NumberFormat(\"ar-EG\",{notation:\"scientific\"}).format(12345));",
       "1.2K ١٫٢٣٥أس٤\n"},
      {"console.log(new "
       "Date(1930572307250).toLocaleDateString(\"en-US\",{numberingSystem:\"deva\"}));",
       "३/६/२०३१\n"},
      {"console.log(new "
       "Date(1930572307250).toLocaleDateString(\"hi-IN\",{weekday:\"long\",year:\"numeric\",month:"
       "\"long\",day:\"numeric\"}), new Date(1930572307250).toLocaleTimeString(\"hi\"));",
       "गुरुवार, 6 मार्च 2031 2:05:07 pm\n"},
      {"console.log((1234567.891).toLocaleString(\"deu\"), (1234.5).toLocaleString(\"eng\"), "
       "(1234.5).toLocaleString(\"in\"));",
       "1.234.567,891 1,234.5 1.234,5\n"},
      {"console.log((1234567.891).toLocaleString([\"xx\", \"de-DE\", \"id\"]), "
       "(1.5).toLocaleString([]));",
       "1.234.567,891 1.5\n"},
      {"console.log(new "
       "Intl.NumberFormat(\"ru-RU\",{style:\"unit\",unit:\"day\",unitDisplay:\"long\"}).format(22),"
       " new "
       "Intl.NumberFormat(\"ru-RU\",{notation:\"compact\",compactDisplay:\"long\"}).format(21000))"
       ";",
       "22 дня 21 тысяча\n"},
      {"console.log(new "
       "Intl.NumberFormat(\"lt-LT\",{style:\"currency\",currency:\"EUR\",currencyDisplay:\"name\"})"
       ".format(12.5));",
       "12,50 euro\n"},
      {"console.log(new Date(1930572307250).toLocaleDateString(\"fa-IR\"), new "
       "Date(1930572307250).toLocaleDateString(\"fa-IR\",{dateStyle:\"full\"}));",
       "۱۴۰۹/۱۲/۱۵ ۱۴۰۹ اسفند ۱۵, پنجشنبه\n"},
      {"console.log(new "
       "Date(1930572307250).toLocaleString(\"fa-IR\",{weekday:\"long\",year:\"numeric\",month:"
       "\"long\",day:\"numeric\",hour:\"2-digit\",minute:\"2-digit\"}));",
       "۱۴۰۹ اسفند ۱۵, پنجشنبه ساعت ۱۴:۰۵\n"},
      {"console.log(new Date(0).toLocaleDateString(\"th-TH\"), new "
       "Date(0).toLocaleDateString(\"th-TH\",{year:\"2-digit\",month:\"short\",day:\"numeric\"}));",
       "1/1/2513 1 ม.ค. 13\n"},
      {"console.log(new Date(1930572307250).toLocaleDateString(\"fa-IR-u-nu-latn\"), new "
       "Date(1930572307250).toLocaleDateString(\"ps-AF\"));",
       "1409/12/15 AP ۱۴۰۹-۱۲-۱۵\n"},
      {"console.log((1234567.891).toLocaleString(\"fa-IR\"), new "
       "Intl.NumberFormat(\"fa-IR\",{style:\"currency\",currency:\"USD\"}).format(-12.5));",
       "۱٬۲۳۴٬۵۶۷٫۸۹۱ ‎−‎$۱۲٫۵۰\n"},
      {"console.log(new Intl.NumberFormat(\"pl-PL\", { style: \"unit\", unit: "
       "\"kilometer-per-hour\" }).format(50));",
       "50 km/godz.\n"},
      {"console.log(new Intl.NumberFormat(\"uk-UA\", { style: \"unit\", unit: \"day\", "
       "unitDisplay: \"long\" }).format(5));",
       "5 днів\n"},
      {"console.log(new Intl.NumberFormat(\"cs-CZ\", { style: \"unit\", unit: \"hour\", "
       "unitDisplay: \"long\" }).format(2.5));",
       "2,5 hodiny\n"},
      {"console.log(new Intl.NumberFormat(\"ko-KR\", { notation: \"compact\" "
       "}).format(123456789));",
       "1.2억\n"},
      {"console.log(new Intl.NumberFormat(\"zh-CN\", { notation: \"compact\", compactDisplay: "
       "\"long\" }).format(98765));",
       "9.9万\n"},
      {"console.log(new Intl.NumberFormat(\"hi-IN\", { notation: \"compact\", compactDisplay: "
       "\"long\" }).format(1234567));",
       "12 लाख\n"},
      {"console.log(new Intl.NumberFormat(\"ro-RO\", { style: \"currency\", currency: \"RON\", "
       "currencyDisplay: \"name\" }).format(21));",
       "21,00 lei românești\n"},
      {"console.log(new Intl.NumberFormat(\"tr-TR\", { style: \"currency\", currency: \"TRY\" "
       "}).format(-1234.5));",
       "-₺1.234,50\n"},
      {"console.log(new Intl.NumberFormat(\"fil-PH\", { style: \"unit\", unit: \"liter\", "
       "unitDisplay: \"long\" }).format(16));",
       "16 na litro\n"},
      {"console.log((0.1234).toLocaleString(\"ar-SA\", { style: \"percent\", "
       "minimumFractionDigits: 1 }));",
       "١٢٫٣٪؜\n"},
      {"console.log((1234.5).toLocaleString(\"mr-IN\"), (1234.5).toLocaleString(\"my-MM\"), "
       "(1234567.5).toLocaleString(\"bn\"));",
       "१,२३४.५ ၁,၂၃၄.၅ ১২,৩৪,৫৬৭.৫\n"},
      {"console.log(new Date(Date.UTC(2031, 4, 9, 14, 5)).toLocaleTimeString(\"hi-IN\", { hour: "
       "\"numeric\", minute: \"2-digit\" }), new Date(Date.UTC(2031, 4, 9, 14, "
       "5)).toLocaleString(\"te-IN\"));",
       "2:05 pm 9/5/2031 2:05:00 PM\n"},
      {"console.log(new Date(Date.UTC(2031, 4, 9, 14, 5)).toLocaleString(\"zh-TW\", { hour12: true "
       "}), new Date(Date.UTC(2031, 4, 9, 0, 5)).toLocaleTimeString(\"vi-VN\"));",
       "2031/5/9 下午2:05:00 00:05:00\n"},
      {"console.log(new Date(Date.UTC(2031, 4, 9)).toLocaleDateString(\"es-419\"), new "
       "Date(Date.UTC(2031, 4, 9)).toLocaleDateString(\"en-001\"), new Date(Date.UTC(2031, 4, "
       "9)).toLocaleDateString(\"zh-Hant-HK\"));",
       "9/5/2031 09/05/2031 9/5/2031\n"},
      {"console.log(new Date(Date.UTC(2031, 4, 9)).toLocaleDateString(\"sr-Latn-RS\", { dateStyle: "
       "\"full\" }), new Date(Date.UTC(2031, 4, 9)).toLocaleDateString(\"uz-UZ\", { dateStyle: "
       "\"long\" }));",
       "petak, 9. maj 2031. 9-may, 2031\n"},
      {"console.log(new Date(Date.UTC(2031, 4, 9)).toLocaleDateString(\"nb-NO\"), new "
       "Date(Date.UTC(2031, 4, 9)).toLocaleDateString(\"no\"), "
       "(1234.5).toLocaleString(\"nn-NO\"));",
       "9.5.2031 9.5.2031 1 234,5\n"},
      {"console.log(new Date(Date.UTC(2031, 4, 9)).toLocaleDateString(\"ar-SA\"), new "
       "Date(Date.UTC(2031, 4, 9)).toLocaleDateString(\"ar-MA\"), new Date(Date.UTC(2031, 4, "
       "9)).toLocaleDateString(\"he\"));",
       "٩‏/٥‏/٢٠٣١ 9‏/5‏/2031 9.5.2031\n"},
      {"console.log(new Intl.DateTimeFormat([\"xx-YY\", \"kk-KZ\"], { year: \"numeric\", month: "
       "\"long\", day: \"numeric\" }).format(new Date(Date.UTC(2031, 4, 9))));",
       "2031 ж. 9 мамыр\n"},
      {"console.log((12).toLocaleString(\"i-klingon\"));", nullptr},
      {"console.log(new Date(Date.UTC(2031, 4, 9, 14, 5, 7)).toLocaleString(\"vi-VN\"), new "
       "Date(Date.UTC(2031, 4, 9, 14, 5)).toLocaleString(\"eu\"));",
       "14:05:07 9/5/2031 2031/5/9 (14:05:00)\n"},
      {"console.log(new Date(Date.UTC(2031, 4, 9, 14, 5)).toLocaleString(\"hi-IN\", { month: "
       "\"long\", day: \"numeric\", hour: \"numeric\" }), new Date(Date.UTC(2031, 4, 9, 14, "
       "5)).toLocaleString(\"vi\", { dateStyle: \"full\", timeStyle: \"short\" }));",
       "9 मई को 2 pm बजे lúc 14:05 Thứ Sáu, 9 tháng 5, 2031\n"},
  };
  support::check_lines("javascript", lines);
  for (const PastedLine& line : lines) support::check_beginnings("javascript", line.source, {});
}

TEST_CASE("lines of Python with a context of decimals print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"getcontext().prec = 6; print(Decimal(1) / Decimal(7))", "0.142857\n"},
      {"import decimal; decimal.getcontext().prec = 50; print(decimal.Decimal(2).sqrt())",
       "1.4142135623730950488016887242096980785696718753769\n"},
      {"getcontext().rounding = ROUND_HALF_UP; print(round(Decimal(\"2.675\"), 2), "
       "Decimal(\"2.5\").to_integral_value())",
       "2.68 3\n"},
      {"getcontext().rounding = ROUND_UP; print(f\"{Decimal('2.671'):.2f}\", "
       "f\"{Decimal('2.671'):.2e}\", f\"{Decimal('2.671'):.2}\", "
       "\"{:.1%}\".format(Decimal('0.12345')), format(Decimal('2.671'), '.2f'))",
       "2.68 2.68e+0 2.7 12.4% 2.68\n"},
      {"getcontext().prec = 3; print(-Decimal('2.6751'), +Decimal('2.6751'), "
       "abs(Decimal('-2.6751')), Decimal('2.6751').normalize(), Decimal(1)/3)",
       "-2.68 2.68 2.68 2.68 0.333\n"},
      {"getcontext().prec = 3; print(Decimal('2671').quantize(Decimal('0.01')))", nullptr},
      {"getcontext().prec = 3; print(Decimal(12345)//1)", nullptr},
      {"getcontext().prec = 4; getcontext().rounding = ROUND_FLOOR; print(Decimal(-1)/3, "
       "Decimal(\"1.23456\") * 1, sum([Decimal(\"1.11111\"), Decimal(\"2.22222\")]))",
       "-0.3334 1.234 3.333\n"},
      {"getcontext().prec = 5; print(Decimal('1.1') ** 7, Decimal(2) ** -3, Decimal('7.12345') % "
       "2, divmod(Decimal(7), Decimal(2)))",
       "1.9487 0.125 1.1234 (Decimal('3'), Decimal('1'))\n"},
      {"getcontext().prec = 2; total = Decimal(\"19.99\") * 3; print(total, f\"{total:.2f}\")",
       "60 60.00\n"},
      {"getcontext().prec = 42; print(Decimal(1) / Decimal(7)); print(\"%.3f\" % (Decimal(1)/7))",
       "0.142857142857142857142857142857142857142857\n0.143\n"},
      {"getcontext().rounding = ROUND_UP; x = Decimal(\"1.001\"); print(f\"{x:.2f}\")", "1.01\n"},
      {"getcontext().rounding = ROUND_CEILING; x = Decimal(\"-1.009\"); print(f\"{x:.2f} "
       "{x:.1e}\", \"{:.2f}\".format(x), round(x, 1))",
       "-1.00 -1.0e+0 -1.00 -1.0\n"},
  };
  support::check_lines("python", lines);
  for (const PastedLine& line : lines) support::check_beginnings("python", line.source, {});
}

TEST_CASE(
    "lines of C# with the Persian and the Um al-Qura calendar print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"Console.Write(new DateTime(2031, 5, 9).ToString(\"d\", new CultureInfo(\"fa-IR\")));",
       "1410/2/19"},
      {"Console.Write(new DateTime(2031, 5, 9, 14, 5, 7).ToString(\"F\", new "
       "CultureInfo(\"fa-IR\")));",
       "1410 اردیبهشت 19, جمعه 14:05:07"},
      {"Console.Write(new DateTime(2031, 5, 9).ToString(\"D\", new CultureInfo(\"ar-SA\")));",
       "الجمعة، 17 محرم 1453 بعد الهجرة"},
      {"Console.Write(new DateTime(2031, 5, 9).ToString(\"yyyy/MM/dd\", new "
       "CultureInfo(\"ar-SA\")));",
       "1453‏/01‏/17"},
      {"Console.Write(new CultureInfo(\"fa-IR\").DateTimeFormat.GetMonthName(5) + new "
       "CultureInfo(\"ar-SA\").DateTimeFormat.GetMonthName(12));",
       "مردادذو الحجة"},
      {"Console.Write(string.Format(new CultureInfo(\"ps-AF\"), \"{0:M} {0:y} {0:ddd dd MMM yy}\", "
       "new DateTime(2031, 5, 9)));",
       "19 غویی د AP 1410 د غویی جمعه 19 غویی 10"},
      {"Console.Write(new DateTime(1850, 5, 9).ToString(\"d\", new CultureInfo(\"fa-IR\")));",
       "1229/2/19"},
      {"Console.Write(new DateTimeOffset(2031, 5, 9, 1, 2, 3, "
       "TimeSpan.FromHours(3)).ToString(\"g\", new CultureInfo(\"fa-IR\")));",
       "1410/2/19 1:02"},
      {"Console.Write(new DateOnly(2031, 12, 31).ToString(\"D\", new "
       "CultureInfo(\"uz-Arab-AF\")));",
       "AP 1410 Dey 10, چهارشنبه"},
  };
  support::check_lines("csharp", lines);
  for (const PastedLine& line : lines) support::check_beginnings("csharp", line.source, {});
}

TEST_CASE("a locale is found, taken from the machine, wrong, or not known here") {
  const auto shown = [](const char* tag) {
    return support::show("javascript",
                         "console.log((1234.5).toLocaleString(\"" + std::string(tag) + "\"));", {});
  };
  CHECK(shown("de-XX").text == "1.234,5\n");
  CHECK(shown("deu").text == "1.234,5\n");
  CHECK(shown("DE-de").text == "1.234,5\n");
  // Node.js has no data of Balinese.
  CHECK(shown("ban").text == "1,234.5\n");
  for (const char* tag : {"de_DE", "", "d", "abcd", "de-", "de-DE-u", "i-klingon"}) {
    INFO(tag);
    CHECK(shown(tag).outcome.failure_name() == "RangeError");
  }
  // Node.js ends where it is asked for the parts of dates of gd; it groups two digits in tok.
  for (const char* tag : {"gd", "gd-GB", "gla", "tok", "de-DE-1996", "de-DE-u-ca-buddhist",
                          "de-t-en", "de-DE-u-nu-arab", "nb-NO-u-nu-deva"}) {
    INFO(tag);
    CHECK(support::is_not_supported(
        "javascript", "console.log((1234.5).toLocaleString(\"" + std::string(tag) + "\"));"));
  }
}
