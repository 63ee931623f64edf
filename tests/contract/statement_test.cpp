// Whole calls in the contract for machines: the key `statement`, and what it is answered with.

#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>
#include <string>

#include "contract/show_answer.hpp"

using inky::answer_show_line;
using nlohmann::json;

namespace {

json answer(const std::string& dialect, const std::string& statement, const json& values) {
  const json request = {{"dialect", dialect}, {"statement", statement}, {"values", values}};
  return json::parse(answer_show_line(request.dump()));
}

}  // namespace

TEST_CASE("a statement is answered like its template, with its facility") {
  CHECK(
      answer_show_line(
          R"({"dialect":"c","statement":"printf(\"%d\\n\", n);","values":[{"named":["n",3]}]})") ==
      R"({"dialect":"c","text":"3\n","notes":[]})");
  struct Case {
    const char* asked;
    const char* statement;
    const char* dialect;
    const char* text;
  };
  const Case cases[] = {
      {"c", "printf(\"%6.2f|\", price * 0.76);", "c", "  7.26|"},
      {"c", "snprintf(out, sizeof out, \"%s\", name);", "c", "ink"},
      {"python", "print(f\"{price * 2:.1f}\")", "python", "19.1\n"},
      {"python", "print(\"%s\" % name.upper())", "python-percent", "INK\n"},
      {"python-percent", "\"{}\".format(n)", "python", "3"},
      {"cpp-stream", "std::format(\"{:>4}\", n + 1)", "cpp-format", "   4"},
  };
  const json values = json::array(
      {{{"named", {"n", 3}}}, {{"named", {"price", 9.55}}}, {{"named", {"name", "ink"}}}});
  for (const Case& one : cases) {
    INFO(one.statement);
    const json got = answer(one.asked, one.statement, values);
    CHECK(got["dialect"] == one.dialect);
    CHECK(got["text"] == one.text);
  }
}

TEST_CASE("values without names go to the names of a statement in order") {
  CHECK(answer("c", "printf(\"%d %d\", b - a, b);", {10, 3})["text"] == "7 10");
  CHECK(answer("c", "printf(\"%d %d\", b - a, b);", {{{"named", {"a", 1}}}, 5})["text"] == "4 5");
}

TEST_CASE("notes and failures of a statement have their places in it") {
  const std::string statement = "printf(\"n: %.2f\", x);";
  const json noted = answer("c", statement, {2.675});
  REQUIRE(noted["notes"].size() == 1);
  const json span = noted["notes"][0]["span"];
  CHECK(statement.substr(span[0], span[1].get<std::size_t>() - span[0].get<std::size_t>()) ==
        "%.2f");
  CHECK(
      answer("c", "printf(\"%d\", x % 2.5);", {7})["fails"] ==
      json({{"when", "compile"}, {"as", "error"}, {"why", "the operator % is not for 7 and 2.5"}}));
  CHECK(answer("c", "printf(\"%d\", 1 / n);", {0})["undefined"]["why"] ==
        "a division by zero has no meaning");
  CHECK(answer("python", "print(1 / n)", {{{"named", {"n", 0}}}})["fails"]["as"] ==
        "ZeroDivisionError");
}

TEST_CASE("bad requests with a statement") {
  struct Case {
    const char* line;
    const char* code;
  };
  const Case cases[] = {
      {R"({"dialect":"c","statement":"printf(\"%d\", 1);","template":"%d"})", "contradiction"},
      {R"({"dialect":"c","statement":7})", "wrong-kind"},
      {R"({"dialect":"c","statement":"fputs(s, stdout);"})", "not-supported-yet"},
      {R"({"dialect":"c","statement":""})", "bad-template"},
      {R"({"dialect":"c","statement":"printf(\"%d, 1);"})", "bad-template"},
      {R"x({"dialect":"lisp","statement":"(format t \"~D\" (let ((y 7)) y))"})x",
       "not-supported-yet"},
      {R"({"dialect":"c","statment":"printf(\"%d\", 1);"})", "unknown-key"},
  };
  for (const Case& one : cases) {
    INFO(one.line);
    const json got = json::parse(answer_show_line(one.line));
    REQUIRE(got.contains("error"));
    CHECK(got["error"]["code"] == one.code);
    CHECK_FALSE(got["error"]["remedy"].get<std::string>().empty());
    CHECK(got["notes"] == json::array());
  }
}
