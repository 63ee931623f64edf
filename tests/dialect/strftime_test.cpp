// The edges of strftime that a recording does not hold.

#include <catch2/catch.hpp>
#include <string>

#include "support/answers.hpp"

using namespace inky;
using support::value;

namespace {

const Dialect& strftime_of_c = *find_dialect("strftime");

support::Answer answer(const std::string& codes, const char* given,
                       std::vector<Setting> settings = {}) {
  RenderOptions options;
  options.settings = settings;
  return support::answer(strftime_of_c, codes, {value(given)}, options);
}

}  // namespace

TEST_CASE("all fields of strftime show one value") {
  const auto parsed = strftime_of_c.parse("%Y-%m-%d %H:%M%%%n");
  REQUIRE(parsed.ok());
  CHECK(parsed->values_taken() == 1);
  for (const Field& field : parsed->fields()) {
    INFO(field.letter);
    CHECK(field.value_index == (field.letter == 'n' ? unset : 0));
  }
  CHECK(answer("%Y-%m-%d %H:%M%%%n", "2031-05-09T14:05:moment").text == "2031-05-09 14:05%\n");
  CHECK(answer("%F %T", "2031-05-09:date").text == "2031-05-09 00:00:00");
  CHECK(answer("%H:%M:%S", "14:05:07:time").text == "14:05:07");
  CHECK(support::answer(strftime_of_c, "no field%n", {}, {}).text == "no field\n");
}

TEST_CASE("what strftime leaves undefined is called undefined") {
  struct Case {
    const char* codes;
    const char* given;
    const char* why;
  };
  constexpr Case cases[] = {
      {"%Q", "2031-05-09:date", "no code %Q"},
      {"at %", "2031-05-09:date", "breaks off"},
      {"%Ed", "2031-05-09:date", "no code %Ed"},
      {"%.3S", "2031-05-09:date", "no precision"},
      {"%d", "5", "a struct tm"},
      {"%d", "ink", "a struct tm"},
      {"%d", "P1D:duration", "a struct tm"},
  };
  for (const Case& one : cases) {
    INFO(one.codes << " of " << one.given);
    const auto parsed = strftime_of_c.parse(one.codes);
    REQUIRE(parsed.ok());
    const Value given = value(one.given);
    TextBuffer out;
    const Outcome outcome = strftime_of_c.render(*parsed, {&given, 1}, out);
    CHECK(outcome.kind() == Outcome::Kind::undefined);
    CHECK(outcome.why().find(one.why) != std::string::npos);
    CHECK(out.view().empty());
  }
  const auto parsed = strftime_of_c.parse("%d");
  TextBuffer out;
  CHECK(strftime_of_c.render(*parsed, {}, out).kind() == Outcome::Kind::undefined);
}

TEST_CASE("eras and digits of a locale begin and end where the C library's do") {
  struct Case {
    const char* locale;
    const char* day;
    const char* text;
  };
  // Asked of the GNU C library 2.36.
  constexpr Case cases[] = {
      {"ja_JP.UTF-8", "1989-01-07", "昭和|64|昭和64年|昭和64年|七"},
      {"ja_JP.UTF-8", "1989-01-08", "平成|01|平成元年|平成元年|八"},
      {"ja_JP.UTF-8", "1990-01-01", "平成|02|平成02年|平成2年|一"},
      {"ja_JP.UTF-8", "2019-04-30", "平成|31|平成31年|平成31年|三十"},
      {"ja_JP.UTF-8", "2019-05-01", "令和|01|令和元年|令和元年|一"},
      {"ja_JP.UTF-8", "1912-07-29", "明治|45|明治45年|明治45年|二十九"},
      {"ja_JP.UTF-8", "0001-01-01", "西暦|01|西暦01年|西暦1年|一"},
      {"th_TH.UTF-8", "0001-01-01", "พ.ศ.|544|พ.ศ. 544|พ.ศ. 544|01"},
      {"th_TH.UTF-8", "2031-05-09", "พ.ศ.|2574|พ.ศ. 2574|พ.ศ. 2574|09"},
      // Years before it are counted backwards.
      {"zh_TW.UTF-8", "1911-12-31", "民前|01|民前01年|民前1年|31"},
      {"zh_TW.UTF-8", "0001-01-01", "民前|1911|民前1911年|民前1911年|01"},
      {"zh_TW.UTF-8", "1912-01-01", "民國|01|民國元年|民國元年|01"},
      // Digits, and no eras.
      {"fa_IR", "2031-05-09", "20|31|2031|2031|۰۹"},
      {"de_DE.UTF-8", "2031-05-09", "20|31|2031|2031|09"},
  };
  for (const Case& one : cases) {
    INFO(one.locale << " " << one.day);
    const std::string given = std::string(one.day) + ":date";
    CHECK(answer("%EC|%Ey|%EY|%-EY|%Od", given.c_str(), {{"locale", one.locale}}).text == one.text);
  }
}

TEST_CASE("strftime says what of a time it does not know") {
  struct Case {
    const char* codes;
    const char* given;
    const char* locale;
    const char* what;
  };
  constexpr Case cases[] = {
      {"%Z", "2031-05-09T14:05+02:00:moment", "C", "the name of a zone"},
      {"%Y", "14:05:time", "C", "a time of day has no date"},
  };
  for (const Case& one : cases) {
    INFO(one.codes << " in " << one.locale);
    const auto parsed = strftime_of_c.parse(one.codes);
    const Value given = value(one.given);
    TextBuffer out;
    RenderOptions options;
    const Setting settings[] = {{"locale", one.locale}};
    options.settings = settings;
    const Outcome outcome = strftime_of_c.render(*parsed, {&given, 1}, options, out, nullptr);
    CHECK(outcome.kind() == Outcome::Kind::error);
    CHECK(outcome.why().find(one.what) != std::string::npos);
  }
  CHECK(answer("%z %Z", "2031-05-09T14:05:moment").text == "+0000 UTC");
  CHECK(answer("%z %Z", "2031-05-09T14:05Z:moment").text == "+0000 GMT");
  CHECK(answer("%z", "2031-05-09T14:05-03:30:moment").text == "-0330");
}
