// Lines with locales, money and dates, as people paste them. The texts are those that the runtimes
// printed of the same lines: Node.js 20, CPython 3.11 and the GNU C library 2.36.

#include <catch2/catch.hpp>
#include <vector>

#include "support/statements.hpp"

using namespace inky;
using support::PastedLine;

TEST_CASE("lines with locales in JavaScript print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"console.log((1234567.891).toLocaleString(\"en-CA\"));", "1,234,567.891\n"},
      {"console.log((1234.5).toLocaleString(\"de-AT\", {style: \"currency\", currency: \"EUR\"}));",
       "€ 1.234,50\n"},
      {"console.log(new Intl.NumberFormat(\"en-AU\", {style: \"currency\", currency: "
       "\"AUD\"}).format(1234.5));",
       "$1,234.50\n"},
      {"console.log(new Intl.NumberFormat(\"fr-CA\", {style: \"currency\", currency: "
       "\"CAD\"}).format(1234.5));",
       "1 234,50 $\n"},
      {"console.log(new Intl.NumberFormat(\"ko-KR\", {style: \"currency\", currency: "
       "\"KRW\"}).format(1234.5));",
       "₩1,235\n"},
      {"console.log(new Intl.NumberFormat(\"zh-CN\", {style: \"currency\", currency: "
       "\"CNY\"}).format(1234.5));",
       "¥1,234.50\n"},
      {"console.log(new Intl.NumberFormat(\"ru-RU\", {style: \"currency\", currency: "
       "\"RUB\"}).format(1234.5));",
       "1 234,50 ₽\n"},
      {"console.log(new Intl.NumberFormat(\"tr-TR\", {style: \"percent\"}).format(0.256));",
       "%26\n"},
      {"console.log(new Intl.NumberFormat(\"da-DK\").format(1234567.891));", "1.234.567,891\n"},
      {"console.log(new Intl.NumberFormat(\"pt-PT\", {minimumFractionDigits: 2}).format(1234.5));",
       "1234,50\n"},
      {"console.log(new Intl.NumberFormat(\"hi-IN\", {style: \"currency\", currency: "
       "\"INR\"}).format(1234567.8));",
       "₹12,34,567.80\n"},
      {"console.log(new Date(Date.UTC(2031, 4, 9)).toLocaleDateString(\"en-CA\"));",
       "2031-05-09\n"},
      {"console.log(new Date(Date.UTC(2031, 4, 9)).toLocaleDateString(\"ko-KR\"));",
       "2031. 5. 9.\n"},
      {"console.log(new Date(Date.UTC(2031, 4, 9)).toLocaleDateString(\"ru-RU\", {day: "
       "\"numeric\", month: \"long\", year: \"numeric\"}));",
       "9 мая 2031 г.\n"},
      {"console.log(new Date(Date.UTC(2031, 4, 9)).toLocaleDateString(\"cs-CZ\", {weekday: "
       "\"long\", day: \"numeric\", month: \"long\"}));",
       "pátek 9. května\n"},
      {"console.log(new Date(Date.UTC(2031, 4, 9, 14, 5)).toLocaleTimeString(\"en-AU\"));",
       "2:05:00 pm\n"},
      {"console.log(new Date(Date.UTC(2031, 4, 9, 14, 5)).toLocaleString(\"zh-CN\"));",
       "2031/5/9 14:05:00\n"},
      {"console.log(new Date(Date.UTC(2031, 4, 9, 14, 5)).toLocaleString(\"es-MX\", {dateStyle: "
       "\"medium\", timeStyle: \"short\"}));",
       "9 may 2031, 2:05 p.m.\n"},
      {"console.log(new Intl.DateTimeFormat(\"da-DK\", {dateStyle: \"full\"}).format(new "
       "Date(Date.UTC(2031, 4, 9))));",
       "fredag den 9. maj 2031\n"},
      {"console.log((0.256).toLocaleString(\"fi-FI\", {style: \"percent\", minimumFractionDigits: "
       "1}));",
       "25,6 %\n"},
      {"console.log((-5).toLocaleString(\"he-IL\"));", "‎-5\n"},
      {"const fmt = new Intl.NumberFormat(\"nb-NO\", {style: \"currency\", currency: \"NOK\"}); "
       "console.log(fmt.format(99.9));",
       "99,90 kr\n"},
      {"const price = 19.99; console.log(`Total: ${price.toLocaleString(\"en-NZ\", {style: "
       "\"currency\", currency: \"NZD\"})}`);",
       "Total: $19.99\n"},
      {"console.log((1234.5).toLocaleString(\"uk-UA\", {style: \"currency\", currency: \"UAH\", "
       "currencyDisplay: \"code\"}));",
       "1 234,50 UAH\n"},
      {"console.log((1234.5).toLocaleString(\"el-GR\", {maximumFractionDigits: 0}));", "1.235\n"},
      {"console.log((1234.5).toLocaleString(\"hu\"));", "1234,5\n"},
      {"console.log((1234.5).toLocaleString(\"ro-RO\", {style: \"currency\", currency: \"RON\"}));",
       "1.234,50 RON\n"},
      {"console.log((1e6).toLocaleString(\"id-ID\", {style: \"currency\", currency: \"IDR\", "
       "minimumFractionDigits: 0}));",
       "Rp 1.000.000\n"},
      {"console.log((1234.5).toLocaleString(\"vi-VN\", {style: \"currency\", currency: \"VND\"}));",
       "1.235 ₫\n"},
  };
  support::check_lines("javascript", lines);
  for (const PastedLine& line : lines) support::check_beginnings("javascript", line.source, {});
}

TEST_CASE("lines with locales in Python print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"import locale; locale.setlocale(locale.LC_ALL, \"de_DE.UTF-8\"); "
       "print(locale.format_string(\"%.2f\", 1234567.891, grouping=True))",
       "1.234.567,89\n"},
      {"import locale; locale.setlocale(locale.LC_ALL, \"en_US.UTF-8\"); "
       "print(locale.currency(1234.5, grouping=True))",
       "$1,234.50\n"},
      {"import locale; locale.setlocale(locale.LC_ALL, \"de_DE.UTF-8\"); "
       "print(locale.currency(-1234.5, grouping=True), locale.currency(5, symbol=False))",
       "-1.234,50 € 5,00\n"},
      {"import locale; locale.setlocale(locale.LC_ALL, \"fr_FR.UTF-8\"); print(f\"{1234567:n}\", "
       "\"{:n}\".format(1234.5), format(0.5, \"n\"))",
       "1 234 567 1 234,5 0,5\n"},
      {"import locale; locale.setlocale(locale.LC_NUMERIC, \"en_IN\"); "
       "print(locale.format_string(\"%d\", 123456789, grouping=True))",
       "12,34,56,789\n"},
      {"import locale; locale.setlocale(locale.LC_ALL, \"ja_JP.UTF-8\"); "
       "print(locale.currency(1234.5))",
       "￥1234\n"},
      {"import locale; locale.setlocale(locale.LC_ALL, \"de_DE.UTF-8\"); print(locale.str(1.5), "
       "str(1.5), \"%.2f\" % 1.5)",
       "1,5 1.5 1.50\n"},
      {"import locale; print(locale.currency(5))", nullptr},
      {"import locale; locale.setlocale(locale.LC_ALL, \"sv_SE.UTF-8\"); total = 1234.5; "
       "print(\"Summa: \" + locale.format_string(\"%10.2f\", total, True))",
       "Summa:   1 234,50\n"},
  };
  support::check_lines("python", lines);
  for (const PastedLine& line : lines) support::check_beginnings("python", line.source, {});
}

TEST_CASE("statements that set a locale in C print what the runtime prints") {
  const std::vector<PastedLine> lines = {
      {"setlocale(LC_ALL, \"de_DE.UTF-8\"); printf(\"%.2f\\n\", 1234.5);", "1234,50\n"},
      {"setlocale(LC_ALL, \"en_US.UTF-8\"); printf(\"%'d %'.2f\\n\", 1234567, 1234567.891);",
       "1,234,567 1,234,567.89\n"},
      {"setlocale(LC_NUMERIC, \"fr_FR.UTF-8\"); printf(\"%'d|%12.3f|\\n\", 1234567, 2.5);",
       "1 234 567|       2,500|\n"},
      {"printf(\"%.1f \", 2.5); setlocale(LC_ALL, \"de_DE.UTF-8\"); printf(\"%.1f \", 2.5); "
       "setlocale(LC_ALL, \"C\"); printf(\"%.1f\\n\", 2.5);",
       "2.5 2,5 2.5\n"},
      {"setlocale(LC_ALL, \"en_IN\"); printf(\"%'d\\n\", 123456789);", "12,34,56,789\n"},
  };
  support::check_lines("c", lines);
  for (const PastedLine& line : lines) support::check_beginnings("c", line.source, {});
}
