// Locales by the names that people write, and what is said of a name that is none.

#include <catch2/catch.hpp>
#include <string>

#include "inky_margin/dialect/dialect.hpp"
#include "support/statements.hpp"

using namespace inky;

namespace {

const SettingFact& locales_of(const char* dialect) {
  const SettingFact* fact = find_setting(find_dialect(dialect)->facts(), "locale");
  REQUIRE(fact != nullptr);
  return *fact;
}

}  // namespace

TEST_CASE("a locale is found by the names that people write") {
  struct Named {
    const char* dialect;
    const char* given;
    const char* taken;  // empty: there is none
  };
  const Named names[] = {
      {"c", "de_DE.UTF-8", "de_DE.UTF-8"},
      {"c", "de-DE", "de_DE.UTF-8"},
      {"c", "de_DE", "de_DE.UTF-8"},
      {"c", "de_de.utf8", "de_DE.UTF-8"},
      {"c", "de", "de_DE.UTF-8"},
      {"c", "en", "en_US.UTF-8"},
      {"c", "ja", "ja_JP.UTF-8"},
      {"c", "sr-RS@latin", "sr_RS@latin"},
      {"c", "zh-Hans-CN", "zh_CN.UTF-8"},
      {"c", "C.UTF-8", "C.UTF-8"},
      {"c", "c.utf-8", "C.UTF-8"},
      {"c", "de_DE.ISO-8859-1", ""},
      {"c", "de-XX", ""},
      {"c", "", ""},
      {"python", "hi", "hi_IN"},
      {"csharp", "de_DE.UTF-8", "de-DE"},
      {"csharp", "DE-de", "de-DE"},
      {"csharp", "de", "de"},
      {"csharp", "zh-CN", "zh-CN"},
      {"csharp", "invariant", "invariant"},
      {"csharp", "C", ""},
      {"java", "pt_BR", "pt-BR"},
      {"java", "root", "root"},
      {"java", "zh_TW", "zh-TW"},
      {"java-pattern", "fr_CH.UTF-8", "fr-CH"},
      {"javascript", "da", "da"},
      {"javascript", "en_US.UTF-8", "en-US"},
  };
  for (const Named& named : names) {
    INFO(named.dialect << " " << named.given);
    CHECK(find_value(locales_of(named.dialect), named.given).value_or("") == named.taken);
  }
}

TEST_CASE("every locale is found by its own name, and by it with other letters") {
  for (const Dialect* dialect : all_dialects()) {
    const SettingFact* fact = find_setting(dialect->facts(), "locale");
    if (fact == nullptr) continue;
    INFO(dialect->facts().id);
    CHECK(fact->values.size() > 60);
    CHECK(fact->values.front() == fact->usual);
    for (const std::string_view value : fact->values) {
      INFO(value);
      CHECK(find_value(*fact, value) == value);
      CHECK_FALSE(find_fault(dialect->facts(), {"locale", value}));
    }
    for (const std::string_view value : fact->telling) CHECK(find_value(*fact, value) == value);
  }
}

TEST_CASE("a setting other than a locale has its exact names alone") {
  const SettingFact* rounding = find_setting(find_dialect("java-pattern")->facts(), "rounding");
  REQUIRE(rounding != nullptr);
  CHECK(find_value(*rounding, "up") == "up");
  CHECK_FALSE(find_value(*rounding, "UP"));
  CHECK_FALSE(find_value(*rounding, ""));
}

TEST_CASE("what is said of a locale that is none names those that are near") {
  const auto near = find_fault(find_dialect("c")->facts(), {"locale", "de-XX"});
  REQUIRE(near);
  CHECK(near->message == "the locale \"de-XX\" is not supported yet");
  CHECK(near->remedy ==
        "There are de_AT.UTF-8, de_BE.UTF-8, de_CH.UTF-8, de_DE.UTF-8, de_IT.UTF-8, de_LI.UTF-8, "
        "de_LU.UTF-8. All 320 are in: inky dialects c --json");
  const auto many = find_fault(find_dialect("java")->facts(), {"locale", "en-QQQQQ"});
  REQUIRE(many);
  CHECK(many->remedy.find(" and others.") != std::string::npos);
  CHECK(many->remedy.size() < 200);
  const auto none = find_fault(find_dialect("csharp")->facts(), {"locale", "qq"});
  REQUIRE(none);
  CHECK(none->remedy.starts_with("There are invariant, ar-EG, "));
}

TEST_CASE("a statement that sets a locale that is not known says so") {
  struct Refused {
    const char* dialect;
    const char* source;
    const char* message;
  };
  const Refused refused[] = {
      {"c", "setlocale(LC_ALL, \"\"); printf(\"%.2f\\n\", 1.5);",
       "the locale of the machine where the program runs is not known here"},
      {"c", "setlocale(LC_ALL, \"de_XX\"); printf(\"%.2f\\n\", 1.5);",
       "the locale \"de_XX\" is not supported yet"},
      {"python", "import locale; locale.setlocale(locale.LC_ALL, \"qq\"); print(f\"{1.5:n}\")",
       "the locale \"qq\" is not supported yet"},
      {"csharp",
       "CultureInfo.CurrentCulture = new CultureInfo(\"qq-QQ\"); Console.WriteLine($\"{1.5:C}\");",
       "the culture \"qq-QQ\" is not supported yet"},
      {"java", "Locale.setDefault(5); System.out.printf(\"%.2f%n\", 1.5);",
       "a locale such as this is not supported yet"},
      {"java", "System.out.println(NumberFormat.getCurrencyInstance().format(1.5));",
       "the currency of the machine's locale is not supported yet"},
      {"java", "System.out.println(Locale.US);", "a Locale as a value is not supported yet"},
      {"csharp", "Console.WriteLine(\"{0}\", CultureInfo.InvariantCulture);",
       "a CultureInfo as a value is not supported yet"},
      {"csharp", "Console.WriteLine((1, (CultureInfo.InvariantCulture, 2)));",
       "a CultureInfo as a value is not supported yet"},
      {"java", "System.out.println(List.of(Locale.US));",
       "a Locale as a value is not supported yet"},
  };
  for (const Refused& one : refused) {
    INFO(one.source);
    const support::Shown shown = support::show(one.dialect, one.source, {});
    REQUIRE(shown.outcome.kind() == Outcome::Kind::error);
    CHECK(shown.outcome.as_error().code == Code::not_supported_yet);
    CHECK(shown.outcome.as_error().message == one.message);
  }
}

TEST_CASE("methods of values go by the locale that the caller chooses") {
  struct Chosen {
    const char* dialect;
    const char* locale;
    const char* source;
    const char* text;
  };
  // As .NET 10, OpenJDK 17 and CPython 3.11 print them in these locales.
  const Chosen chosen[] = {
      {"csharp", "de-DE", "Console.WriteLine(1234.5.ToString(\"N2\"));", "1.234,50\n"},
      {"csharp", "de-DE", "Console.WriteLine(\"Preis: \" + 2.5);", "Preis: 2,5\n"},
      {"csharp", "fr-FR", "Console.WriteLine(new DateTime(2031, 5, 9).ToLongDateString());",
       "vendredi 9 mai 2031\n"},
      {"csharp", "de-DE",
       "Console.WriteLine(1234.5.ToString(\"N2\", CultureInfo.InvariantCulture));", "1,234.50\n"},
      {"java", "de-DE", "System.out.println(String.format(\"%,.2f\", 1234.5));", "1.234,50\n"},
      {"java", "de-DE", "System.out.println(new DecimalFormat(\"0.0\").format(2.5));", "2,5\n"},
      {"java", "de-DE", "System.out.println(\"\" + 2.5);", "2.5\n"},
      {"python", "de_DE.UTF-8", "print(format(1234.5, \"n\"))", "1.234,5\n"},
  };
  for (const Chosen& one : chosen) {
    INFO(one.source);
    const Setting setting{"locale", one.locale};
    CHECK(support::show(one.dialect, one.source, {}, {&setting, 1}).text == one.text);
  }
}
