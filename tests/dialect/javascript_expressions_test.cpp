// Expressions of JavaScript as people paste them: what they come to. The texts are those that Node.js
// 20 made of the same template literals.

#include <catch2/catch.hpp>
#include <vector>

#include "support/answers.hpp"

using namespace inky;
using support::value;

namespace {

struct Case {
  const char* source;
  const char* text;
};

support::Answer made(const char* source) {
  const std::vector<Value> values = {value("name=ink"),
                                     value("x=9.55"),
                                     value("n=7"),
                                     value("total=1234567.891"),
                                     value("flag=true:truth"),
                                     value("items=[1, 2.5, 3]"),
                                     value("row={mass: 12.5, code: \"K-7\"}")};
  return support::answer(*find_dialect("javascript"), source, values, {});
}

}  // namespace

TEST_CASE("expressions of JavaScript come to what Node.js makes of them") {
  const std::vector<Case> cases = {
      {"${name.slice(0, 2)}", "in"},
      {"${name.substring(1)}", "nk"},
      {"${name.charAt(0).toUpperCase() + name.slice(1)}", "Ink"},
      {"${name.at(-1)}", "k"},
      {"${name.replace(\"i\", \"o\")}", "onk"},
      {"${name.replaceAll(\"i\", \"o\")}", "onk"},
      {"${name.concat(\"-\", 5)}", "ink-5"},
      {"${\"a,b\".split(\",\").join(\" \")}", "a b"},
      {"${items.map(x => x * 2).join(\", \")}", "2, 5, 6"},
      {"${items.join(\", \")}", "1, 2.5, 3"},
      {"${items.length}", "3"},
      {"${items[0]}", "1"},
      {"${items.at(-1)}", "3"},
      {"${name.toLowerCase()}", "ink"},
      {"${name.trim()}", "ink"},
      {"${name.length}", "3"},
      {"${name.includes(\"n\")}", "true"},
      {"${name.startsWith(\"i\")}", "true"},
      {"${name.indexOf(\"k\")}", "2"},
      {"${name.repeat(3)}", "inkinkink"},
      {"${name.padEnd(8, \".\")}", "ink....."},
      {"${row?.mass}", "12.5"},
      {"${row.mass.toFixed(1)}", "12.5"},
      {"${row?.mass?.toFixed(1) ?? \"-\"}", "12.5"},
      {"${Math.max(...items)}", "3"},
      {"${Math.floor(x)}", "9"},
      {"${Math.round(x * 100) / 100}", "9.55"},
      {"${Math.abs(-x)}", "9.55"},
      {"${Math.trunc(x)}", "9"},
      {"${Math.min(n, 3)}", "3"},
      {"${Math.hypot(3, 4)}", "5"},
      {"${Math.PI.toFixed(4)}", "3.1416"},
      {"${Math.sign(-x)}", "-1"},
      {"${parseFloat(\"3.50\")}", "3.5"},
      {"${parseInt(\"42px\", 10)}", "42"},
      {"${Number(\"12.5\").toFixed(2)}", "12.50"},
      {"${Number(x).toLocaleString(\"de-DE\")}", "9,55"},
      {"${String(n).padStart(5, \"0\")}", "00007"},
      {"${n.toString(16)}", "7"},
      {"${n.toString(2).padStart(8, \"0\")}", "00000111"},
      {"${x.toPrecision(3)}", "9.55"},
      {"${x.toExponential(2)}", "9.55e+0"},
      {"${+x}", "9.55"},
      {"${typeof x}", "number"},
      {"${Number.isInteger(n)}", "true"},
      {"${Number.MAX_SAFE_INTEGER}", "9007199254740991"},
      {"${isNaN(x)}", "false"},
      {"${JSON.stringify(items)}", "[1,2.5,3]"},
      {"${JSON.stringify(row)}", "{\"mass\":12.5,\"code\":\"K-7\"}"},
      {"${JSON.stringify(\"a\\\"b\")}", "\"a\\\"b\""},
      {"${new Intl.NumberFormat(\"en-US\").format(total)}", "1,234,567.891"},
      {"${total.toLocaleString(\"en-US\", { minimumFractionDigits: 2 })}", "1,234,567.891"},
      {"${total.toLocaleString(\"en-US\", { style: \"percent\" })}", "123,456,789%"},
      {"${10n ** 20n}", "100000000000000000000"},
      {"${5n * 3n}", "15"},
      {"${n % 2 === 0 ? \"even\" : \"odd\"}", "odd"},
      {"${n > 5 && name}", "ink"},
      {"${[1, 2, 3].reduce((a, b) => a + b, 0)}", "6"},
      {"${[3, 1, 2].sort().join()}", "1,2,3"},
      {"${[...\"abc\"].reverse().join(\"\")}", "cba"},
      {"${items.reduce((a, b) => a + b)}", "6.5"},
      {"${items.filter(x => x > 1).length}", "2"},
      {"${`${n}`.padStart(3)}", "  7"},
      {"${(n, x)}", "9.55"},
      {"${null ?? \"none\"}", "none"},
      {"${undefined}", "undefined"},
      {"${void 0}", "undefined"},
      {"${x.toFixed(2).replace(\".\", \",\")}", "9,55"},
      {"${!flag}", "false"},
      {"${!!name}", "true"},
      {"${\"5\" * 2}", "10"},
      {"${\"5\" + 2}", "52"},
      {"${[1,2] + \"\"}", "1,2"},
      {"${0.1 + 0.2}", "0.30000000000000004"},
      {"${n / 0}", "Infinity"},
      {"${(1234.5).toFixed(1)}", "1234.5"},
      {"${name[0]}", "i"},
      {"${name?.length}", "3"},
      {"${Array.isArray(items)}", "true"},
      {"${Object.keys(row).join()}", "mass,code"},
      {"${Array(3).fill(\"-\").join(\"\")}", "---"},
      {"${\"-\".repeat(10)}", "----------"},
      {"${name.split(\"\").reverse().join(\"\")}", "kni"},
      {"${name.codePointAt(0)}", "105"},
      {"${name.charCodeAt(0).toString(16)}", "69"},
      {"${String.fromCharCode(65)}", "A"},
      {"${(25).toString(36)}", "p"},
      {"${Number.parseFloat(\"1.5\")}", "1.5"},
      {"${Number.EPSILON}", "2.220446049250313e-16"},
      {"${~~x}", "9"},
      {"${x | 0}", "9"},
      {"${n ** 2}", "49"},
      {"${2 ** 53}", "9007199254740992"},
      {"${items.map(x => x.toFixed(1)).join(\" | \")}", "1.0 | 2.5 | 3.0"},
      {"${items.filter(x => x > 1).map((x, i) => `${i}:${x}`).join()}", "0:2.5,1:3"},
      {"${items.reduce((sum, x) => sum + x, 0) / items.length}", "2.1666666666666665"},
      {"${[3, 20, 100].sort((a, b) => b - a).join()}", "100,20,3"},
      {"${items.find(x => x > 1)}", "2.5"},
      {"${row?.nothing?.deeper}", "undefined"},
      {"${null?.a}", "undefined"},
      {"${(null)?.[0]}", "undefined"},
      {"${undefined?.a.b.c}", "undefined"},
      {"${JSON.stringify({a: 1, b: [1, {c: null}]}, null, 2)}",
       "{\n  \"a\": 1,\n  \"b\": [\n    1,\n    {\n      \"c\": null\n    }\n  ]\n}"},
      {"${JSON.stringify(undefined)}", "undefined"},
      {"${\"naïve\".slice(2, 4)}", "ïv"},
      {"${-5n / 2n} ${-5n % 2n} ${5n ** 3n} ${7n & 3n} ${1n << 70n}",
       "-2 -1 125 3 1180591620717411303424"},
  };
  for (const Case& one : cases) {
    INFO(one.source);
    const support::Answer answer = made(one.source);
    CHECK(answer.text == one.text);
    CHECK(answer.outcome.prints());
  }
}

TEST_CASE("expressions of JavaScript that fail, and those that are not supported yet") {
  struct Failing {
    const char* source;
    const char* as;  // null: not supported yet
  };
  const Failing cases[] = {
      {"${1n + 1}", "TypeError"},
      {"${5n / 0n}", "RangeError"},
      {"${2n ** -1n}", "RangeError"},
      {"${1n >>> 1n}", "TypeError"},
      {"${[...5]}", "TypeError"},
      {"${Math.max(...null)}", "TypeError"},
      {"${null.a}", "TypeError"},
      {"${[].reduce((a, b) => a + b)}", "TypeError"},
      {"${JSON.stringify(1n)}", "TypeError"},
      {"${nosuch}", "ReferenceError"},
      {"${\"\\u{1F600}\".split(\"\")}", nullptr},
      {"${Math.random()}", nullptr},
      {"${Math.sin(1e22)}", nullptr},
      {"${new Date()}", nullptr},
      {"${new Date(\"31.5.2031\")}", nullptr},
      {"${new Date(0).toLocaleString(\"en-US\", {timeZone: \"America/Tijuana\"})}", nullptr},
      {"${process.pid}", nullptr},
      {"${\"a\".localeCompare(\"b\")}", nullptr},
      {"${class A {}}", nullptr},
      {"${n++}", nullptr},
      {"${new Date(NaN).toISOString()}", "RangeError"},
      {"${\"a\".matchAll(/a/)}", "TypeError"},
      {"${decodeURIComponent(\"%\")}", "URIError"},
      {"${JSON.parse(\"{\")}", "SyntaxError"},
      {"${new Array(-1)}", "RangeError"},
      {"${(5).toLocaleString(\"en-US\", {style: \"currency\"})}", "TypeError"},
  };
  for (const Failing& one : cases) {
    INFO(one.source);
    const support::Answer answer = made(one.source);
    CHECK(answer.text.empty());
    if (one.as != nullptr) {
      CHECK(answer.outcome.failure_name() == one.as);
      continue;
    }
    REQUIRE(answer.outcome.kind() == Outcome::Kind::error);
    CHECK(answer.outcome.as_error().code == Code::not_supported_yet);
  }
}
