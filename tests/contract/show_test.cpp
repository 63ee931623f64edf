// The contract for machines: whole answers to whole lines.

#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>
#include <string>

#include "contract/show_answer.hpp"
#include "support/process.hpp"

using inky::answer_show_line;

TEST_CASE("answers to requests, whole") {
  struct Case {
    const char* request;
    const char* answer;
  };
  const Case cases[] = {
      {R"({"dialect":"c","template":"%+08.2f|%s","values":[{"f64":"0x1.5666666666666p+1"},"ink"]})",
       R"({"text":"+0002.67|ink","notes":[]})"},
      {R"({"dialect":"c","template":"%.1s","values":["é"]})",
       R"({"bytes":"c3","notes":[{"code":"character-cut","message":"the precision counts bytes, and cuts \"é\" inside a character; what is printed is not UTF-8","span":[0,4]}]})"},
      {R"({"dialect":"c","template":"%d","values":[2.5]})",
       R"({"undefined":{"why":"%d reads an int, and 2.5 is passed as a double"},"notes":[]})"},
      {R"({"dialect":"c","template":"%lc","values":[{"char":"Ω"}]})",
       R"({"fails":{"when":"run","as":"EILSEQ","why":"the locale C cannot print 'Ω'; call setlocale with a UTF-8 locale first"},"notes":[]})"},
      {R"({"dialect":"c","template":"%lc","values":[{"char":"Ω"}],"locale":"C.UTF-8"})",
       R"({"text":"Ω","notes":[]})"},
      {R"({"dialect":"c","template":"%5s|","values":["Ω"],"width_of":"columns"})",
       R"({"text":"    Ω|","notes":[]})"},
      {R"({"dialect":"c","template":"%d %ld %s %d %d","values":[42,2147483648,"a",true,{"named":["x",-7]}]})",
       R"({"text":"42 2147483648 a 1 -7","notes":[]})"},
      {R"({"dialect":"c","template":"%.1f %Lg %hhd","values":[{"f32":"1.1"},{"f80":0.5},{"i8":"-0x80"}]})",
       R"({"text":"1.1 0.5 -128","notes":[]})"},
      {R"({"dialect":"r","template":"%d %s","values":[[1,2],"ink"]})",
       R"({"texts":["1 ink","2 ink"],"notes":[]})"},
      {R"({"dialect":"r","template":"%d","values":[{"list":[]}]})", R"({"texts":[],"notes":[]})"},
      {R"({"dialect":"r","template":"%d","values":[[7]]})", R"({"text":"7","notes":[]})"},
      {R"({"dialect":"java","values":[{"f64":"1e10"}]})", R"({"text":"1.0E10","notes":[]})"},
      {R"({"dialect":"java-pattern","template":"0.0","values":[0.25],"settings":{"rounding":"up"}})",
       R"({"text":"0.3","notes":[]})"},
      {R"({"dialect":"java","template":"%.2f","values":[2.5],"settings":{"locale":"de_DE"}})",
       R"({"locale":"de-DE","text":"2,50","notes":[]})"},
      {R"({"dialect":"java-pattern","template":"0.0","values":[0.25],"rounding":"up"})",
       R"({"text":"0.3","notes":[]})"},
      {R"({"dialect":"csharp","template":"{0:C}","values":[1.5],"locale":"fr_FR"})",
       R"({"locale":"fr-FR","text":"1,50 €","notes":[]})"},
      {R"({"dialect":"java","template":"%,.1f","values":[1234.5],"locale":"de_DE"})",
       R"({"locale":"de-DE","text":"1.234,5","notes":[]})"},
      {R"({"dialect":"python-percent","template":"%s","values":[[1,[2.5,"ink"],null]]})",
       R"({"text":"[1, [2.5, 'ink'], None]","notes":[]})"},
      {R"({"dialect":"fsharp","template":"%d","values":[2.5]})",
       R"({"fails":{"when":"compile","as":"FS0001","why":"the type \"float\" is not compatible with byte, int16, int32, int64, sbyte, uint16, uint32, uint64"},"notes":[]})"},
      {R"({"dialect":"c","values":[7]})",
       R"({"undefined":{"why":"C needs a format to print a value"},"notes":[]})"},
      {R"({"dialect":"c","template":"%99999999d","values":[1]})",
       R"({"error":{"code":"over-limit","message":"the width is over the limit of 1000000","span":[1,9],"remedy":"Use at most 1000000."},"notes":[]})"},
  };
  for (const Case& c : cases) {
    INFO(c.request);
    CHECK(answer_show_line(c.request) == c.answer);
  }
}

TEST_CASE("lines that cannot be read are answered with an error") {
  struct Case {
    const char* request;
    const char* code;
    const char* message;
  };
  const Case cases[] = {
      {"", "bad-json", "this is not JSON"},
      {"[1]", "bad-json", "a request is a JSON object"},
      {R"({"dialect":"c")", "bad-json", "this is not JSON"},
      {R"({"dialect":"c"})", "missing-key", "the key \"template\" is missing"},
      {R"({"template":"%d"})", "missing-key", "the key \"dialect\" is missing"},
      {R"({"dialect":"c","template":"%d","vales":[1]})", "unknown-key",
       "the key \"vales\" is unknown"},
      {R"({"dialect":"c","dialect":"c","template":"%d"})", "duplicate-key",
       "the key \"dialect\" is given twice"},
      {R"({"dialect":"sea","template":"%d"})", "unknown-dialect", "\"sea\" is not a dialect"},
      {R"({"dialect":"c","template":1})", "wrong-kind", "the key \"template\" must be a string"},
      {R"({"dialect":"c","template":"%d","values":1})", "wrong-kind",
       "the key \"values\" must be a list"},
      {R"({"dialect":"c","template":"%d","values":[{"i8":300}]})", "value-out-of-range",
       "value 1: 300 does not fit i8"},
      {R"({"dialect":"c","template":"%d","values":[1,{"i9":3}]})", "unknown-type",
       "value 2: \"i9\" is not a type"},
      {R"({"dialect":"c","template":"%d","values":[{"i8":true}]})", "wrong-kind",
       "value 1: the payload of \"i8\" is of the wrong kind"},
      {R"({"dialect":"java","values":[1,2]})", "missing-key", "the key \"template\" is missing"},
      {R"({"dialect":"c","template":"%d","values":[[1,{"i8":300}]]})", "value-out-of-range",
       "value 1: 300 does not fit i8"},
      {R"({"dialect":"c","template":"%d","values":[{"decimal":"1,5"}]})", "bad-value",
       "value 1: \"1,5\" is not a decimal"},
      {R"({"dialect":"java","template":"%s","values":[{"decimal":"nan"}]})", "value-out-of-range",
       "the decimals of Java have no infinity and no not-a-number: NaN"},
      {R"({"dialect":"csharp","statement":"Console.WriteLine(x + y);","values":[{"named":["x",{"decimal":"1.1"}]},{"named":["y",{"decimal":"nan"}]}]})",
       "value-out-of-range", "the decimals of C# have no infinity and no not-a-number: NaN"},
      {R"({"dialect":"csharp","statement":"Console.WriteLine(x + 1m);","values":[{"named":["x",{"decimal":"123456789012345678901234567890"}]}]})",
       "value-out-of-range", "123456789012345678901234567890 is no decimal of C#"},
      {R"--({"dialect":"fsharp","statement":"printfn \"%M\" (x + x)","values":[{"named":["x",{"decimal":"1e29"}]}]})--",
       "value-out-of-range", "1E+29 is no decimal of F#"},
      {R"({"dialect":"c","template":"%d","values":[{"duration":"PT1S"}]})", "not-supported-yet",
       "PT1S as a value of C is not supported yet"},
      {R"({"dialect":"c","template":"%d","values":[{"record":{"a":1}}]})", "not-supported-yet",
       "values of type record are not supported yet in C"},
      {R"({"dialect":"java","values":[{"list":[{"tuple":[1]}]}]})", "not-supported-yet",
       "values of type tuple are not supported yet in Java"},
      {R"({"dialect":"python","values":[{"record":[1]}]})", "wrong-kind",
       "value 1: the payload of \"record\" is of the wrong kind"},
      {R"({"dialect":"python","values":[{"moment":"2031-02-29"}]})", "bad-value",
       "value 1: \"2031-02-29\" is not a moment"},
      {R"({"dialect":"c","template":"%d","values":[{"list":7}]})", "wrong-kind",
       "value 1: the payload of \"list\" is of the wrong kind"},
      // What a caller gives is no object of the language, whatever it says.
      {R"({"dialect":"java","statement":"System.out.println(x.format(1));","values":[{"named":["x",{"tuple":["\u0001object NumberFormat"]}]}]})",
       "not-supported-yet", "the method format is not supported yet"},
      {R"({"dialect":"csharp","statement":"Console.WriteLine(1.5.ToString(x));","values":[{"named":["x",{"tuple":["CultureInfo"]}]}]})",
       "not-supported-yet", "ToString with this is not supported yet"},
      {R"({"dialect":"c","template":"%d","locale":"qq_QQ"})", "not-supported-yet",
       "the locale \"qq_QQ\" is not supported yet"},
      {R"({"dialect":"c","template":"%d","width_of":"inches"})", "bad-value",
       "a width cannot count \"inches\""},
      {R"({"dialect":"java-pattern","template":"0","rounding":"sideways"})", "bad-value",
       "\"sideways\" is no rounding"},
      {R"({"dialect":"c","template":"%d","settings":{"paper":"A5"}})", "bad-value",
       "c has no setting \"paper\""},
      {R"({"dialect":"c","template":"%d","settings":{"locale":7}})", "wrong-kind",
       "the key \"settings\" must be an object of strings"},
      {R"({"dialect":"c","template":"%d","rounding":"up"})", "contradiction",
       "c has one rounding, half-even, and leaves no choice"},
      {"{\"dialect\":\"c\",\"template\":\"\xff\"}", "bad-json", "this is not JSON"},
  };
  for (const Case& c : cases) {
    INFO(c.request);
    const auto answer = nlohmann::json::parse(answer_show_line(c.request));
    REQUIRE(answer.contains("error"));
    CHECK(answer["error"]["code"] == c.code);
    CHECK_THAT(answer["error"]["message"].get<std::string>(), Catch::StartsWith(c.message));
  }
  const std::string deep = R"({"dialect":"c","template":"","values":)" + std::string(100000, '[');
  CHECK(nlohmann::json::parse(answer_show_line(deep))["error"]["code"] == "over-limit");
}

TEST_CASE("the tool answers line by line, in order, and a bad line does not stop it") {
  const support::Ran ran =
      support::run_tool("show --jsonl",
                        "{\"dialect\":\"c\",\"template\":\"%d\",\"values\":[1]}"
                        "\r\nnonsense\n{\"dialect\":\"c\",\"template\":\"last\"}");
  CHECK(ran.status == 0);
  CHECK(ran.out.starts_with("{\"text\":\"1\",\"notes\":[]}\n{\"error\":"));
  CHECK(ran.out.ends_with("{\"text\":\"last\",\"notes\":[]}\n"));
}

TEST_CASE("a JSON number beyond the range of f64 is an error, however it is written") {
  for (const char* number :
       {"1e400", "-1e309", "-53000000000000000000003e300", "179769313486231580793e289"}) {
    INFO(number);
    const nlohmann::json got = nlohmann::json::parse(answer_show_line(
        std::string(R"({"dialect":"python","template":"{}","values":[)") + number + "]}"));
    REQUIRE(got.contains("error"));
    CHECK(got["error"]["code"] == "value-out-of-range");
  }
  // The greatest that fits, and digits that no real holds exactly.
  for (const char* number : {"1.7976931348623157e308", "179769313486231570793e288", "1e-400"}) {
    INFO(number);
    CHECK(nlohmann::json::parse(
              answer_show_line(std::string(R"({"dialect":"python","template":"{}","values":[)") +
                               number + "]}"))
              .contains("text"));
  }
}
