// put_time and put_money in streams. The texts are those that g++ 12 and its library printed.

#include <catch2/catch.hpp>
#include <string>

#include "support/answers.hpp"
#include "support/statements.hpp"

using namespace inky;
using support::value;

namespace {

const Dialect& stream = *find_dialect("cpp-stream");

support::Answer answer(const std::string& source) {
  return support::answer(stream, source, {value("t=2031-05-09T14:05:07:moment"), value("n=5")}, {});
}

}  // namespace

TEST_CASE("put_time prints what strftime does") {
  const struct {
    const char* codes;
    const char* text;
  } cases[] = {
      {"%c", "Fri May  9 14:05:07 2031"},
      {"%x", "05/09/31"},
      {"%X", "14:05:07"},
      {"%r", "02:05:07 PM"},
      {"%D", "05/09/31"},
      {"%F", "2031-05-09"},
      {"%T", "14:05:07"},
      {"%R", "14:05"},
      {"%A %B", "Friday May"},
      {"%a %b", "Fri May"},
      {"%e", " 9"},
      {"%j", "129"},
      {"%U %W %V %G %g %u %w", "18 18 19 2031 31 5 5"},
      {"%C", "20"},
      {"%y", "31"},
      {"%I %p %P", "02 PM pm"},
      {"%h", "May"},
      {"%%", "%"},
      {"%k|%l", "14| 2"},
      {"%z %Z", "+0000 UTC"},
      {"%s", "1936101907"},
      {"%Ey %Od", "31 09"},
      {"%f|%Q|%-d", "%f|%Q|%-d"},
      {"%5Y", "   %5Y"},
      {"at %", "at "},
      {"%E", ""},
  };
  for (const auto& one : cases) {
    INFO(one.codes);
    const support::Answer got =
        answer("cout << put_time(&t, \"" + std::string(one.codes) + "\") << \"|\"");
    CHECK(got.outcome.prints());
    CHECK(got.text == one.text + std::string("|"));
  }
}

TEST_CASE("put_time leaves the width to what comes next") {
  CHECK(answer("cout << setfill('.') << setw(20) << std::put_time(&t, \"%Y-%m-%d\") << \"|\" << n "
               "<< \"|\"")
            .text == "2031-05-09...................|5|");
}

TEST_CASE("put_money prints digits in the locale of C") {
  const struct {
    const char* source;
    const char* text;
  } cases[] = {
      {"put_money(123456)", "123456|"},
      {"put_money(-123)", "123|"},
      {"put_money(12345.67)", "12346|"},
      {"put_money(12345.67L)", "12346|"},
      {"put_money(0.5)", "0|"},
      {"put_money(2.5)", "2|"},
      {"put_money(\"987\")", "987|"},
      {"put_money(\"-987\")", "987|"},
      {"put_money(\"12a3\")", "12|"},
      {"setw(10) << put_money(123)", "       123|"},
      {"setw(10) << left << put_money(123)", "123       |"},
      {"setw(10) << internal << setfill('*') << put_money(123)", "*******123|"},
      {"showbase << showpos << hex << put_money(255)", "255|"},
      {"put_money(123, true)", "123|"},
  };
  for (const auto& one : cases) {
    INFO(one.source);
    CHECK(answer("cout << " + std::string(one.source) + " << \"|\"").text == one.text);
  }
}

TEST_CASE("put_money prints as the locale of the stream has it") {
  const struct {
    const char* locale;
    const char* source;
    const char* text;
  } cases[] = {
      {"de_DE.UTF-8", "put_money(123456)", "1.234,56 |"},
      {"de_DE.UTF-8", "showbase << put_money(123456)", "1.234,56 €|"},
      {"de_DE.UTF-8", "showbase << put_money(-5)", "-,05 €|"},
      {"de_DE.UTF-8", "showbase << put_money(\"1234567\", true)", "12.345,67 EUR |"},
      {"de_DE.UTF-8", "showbase << setw(12) << put_money(12)", "     ,12 €|"},
      {"en_US.UTF-8", "showbase << setw(18) << put_money(\"-5.7\", true)", "         -USD  .05|"},
      {"en_US.UTF-8", "showbase << put_money(123.5)", "$1.24|"},
      {"ja_JP.UTF-8",
       "showbase << internal << setfill('0') << setw(16) << put_money(\"123\", true)",
       "JPY 000000000123|"},
      {"bi_VU",
       "showbase << internal << setfill('0') << setw(16) << put_money(\"-1234567.7\", true)",
       "-VUV 0012,345.67|"},
      {"de_DE.UTF-8", "put_money(\"\")", "|"},
  };
  for (const auto& one : cases) {
    INFO(one.locale << " " << one.source);
    const std::string statement = "cout.imbue(locale(\"" + std::string(one.locale) +
                                  "\")); cout << " + one.source + " << \"|\";";
    CHECK(support::show("cpp-stream", statement.c_str(), {}).text == one.text);
  }
}

TEST_CASE("the address of anything else is not guessed") {
  for (const char* source :
       {"cout << &n", "cout << put_time(n, \"%F\")", "cout << put_time(&n, \"%F\")"}) {
    INFO(source);
    const support::Answer got = answer(source);
    REQUIRE(got.outcome.kind() == Outcome::Kind::error);
    CHECK(got.outcome.as_error().code == Code::not_supported_yet);
  }
}
