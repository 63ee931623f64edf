// Wishes for moments in languages whose fields show none: the statement that makes the text, and
// what it prints. The texts are those that the languages themselves printed of 9 May 2031, 14:05:07.

#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>
#include <string>

#include "contract/write_answer.hpp"

using nlohmann::json;

namespace {

json written(const char* dialect, const char* pattern, const json& value) {
  const json request = {{"wish", {{"moment", pattern}}}, {"value", value}, {"to", {dialect}}};
  return json::parse(inky::answer_write_line(request.dump()))["results"][0];
}

const json afternoon = {{"moment", "2031-05-09T14:05:07"}};

}  // namespace

TEST_CASE("a moment is written as the statement that a language has for it") {
  struct Case {
    const char* dialect;
    const char* pattern;
    const char* call;
    const char* text;
  };
  constexpr Case cases[] = {
      {"php", "{day}.{month}.{year} {hour}:{minute}", "echo $x->format('d.m.Y H:i');",
       "09.05.2031 14:05"},
      {"php", "{day} of \"{month:name}\" it's {hour12}\\{half}",
       R"(echo $x->format('d \o\f "F" \i\t\'\s h\\\\A');)", "09 of \"May\" it's 02\\PM"},
      {"fsharp", "{weekday} {day:1} {month:short}", "printf \"%s\" (x.ToString(\"dddd d MMM\"))",
       "Friday 9 May"},
      {"r", "{year}-{month}-{day}", "cat(format(x, \"%Y-%m-%d\"))", "2031-05-09"},
      {"octave", "{day}.{month}.{year} {hour}:{minute}",
       "printf(\"%s\", datestr(x, \"dd.mm.yyyy HH:MM\"));", "09.05.2031 14:05"},
      {"c", "{hour12}:{minute} {half}",
       "char x_text[256];\nstrftime(x_text, sizeof x_text, \"%I:%M %p\", &x);\n"
       "printf(\"%s\", x_text);",
       "02:05 PM"},
      {"cpp-format", "{weekday:short} {day}", "std::cout << std::put_time(&x, \"%a %d\");",
       "Fri 09"},
      {"python-percent", "100% {year:2}", "print(\"%s\" % x.strftime(\"100%% %y\"), end=\"\")",
       "100% 31"},
  };
  for (const Case& one : cases) {
    INFO(one.dialect << " " << one.pattern);
    const json answer = written(one.dialect, one.pattern, afternoon);
    CHECK(answer["call"] == one.call);
    CHECK(answer["text"] == one.text);
    CHECK(answer["composed"] == true);
    CHECK(answer["notes"].empty());
  }
}

TEST_CASE("a date is a field where the language has fields for dates alone") {
  const json answer = written("cpp-format", "{day}.{month}.{year}", {{"date", "2031-05-09"}});
  CHECK(answer["template"] == "{:%d.%m.%Y}");
  CHECK(answer["text"] == "09.05.2031");
  CHECK(!answer.contains("composed"));
}

TEST_CASE("what a language has no letters for is said once, with its reason") {
  struct Case {
    const char* dialect;
    const char* pattern;
    const char* reason;
  };
  constexpr Case cases[] = {
      {"octave", "day {day}",
       "datestr of GNU Octave cannot have this text between the parts of a moment"},
      {"octave", "{half}", "datestr of GNU Octave has no letters for the part half of a moment"},
      {"php", "{yearday}", "PHP has no letters for the part yearday of a moment"},
      {"rust", "{day}",
       "Rust has no dates and times like this in a field; make the text first, and print that"},
  };
  for (const Case& one : cases) {
    INFO(one.dialect << " " << one.pattern);
    const json answer = written(one.dialect, one.pattern, afternoon);
    CHECK(!answer.contains("call"));
    REQUIRE(answer["notes"].size() == 1);
    CHECK(answer["notes"][0]["message"] == one.reason);
  }
}
