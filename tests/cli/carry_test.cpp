// show --beside, write and carry as people and machines meet them.

#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>
#include <sstream>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/text/columns.hpp"
#include "support/process.hpp"
#include "support/random_values.hpp"

using json = nlohmann::json;

namespace {

json result_for(const json& answer, const std::string& dialect) {
  for (const json& one : answer["results"]) {
    if (one["dialect"] == dialect) return one;
  }
  return {};
}

json jsonl(const std::string& command, const json& request) {
  return json::parse(support::run_tool(command + " --jsonl", request.dump() + "\n").out);
}

}  // namespace

TEST_CASE("carry: sources, verdicts and examples") {
  const support::Ran ran = support::run_tool("carry '%-8s|%8.2f g\\n' --to rust,java,java-pattern");
  CHECK(ran.status == 1);
  CHECK(ran.out.find("{:8}|{:8.2} g\\n\n") != std::string::npos);
  CHECK(ran.out.find("prints the same for v1: texts of printable ASCII; v2: finite numbers\n") !=
        std::string::npos);
  CHECK(ran.out.find("cannot be carried") != std::string::npos);
  CHECK(support::run_tool("carry '%d' --to rust,java,python").status == 0);
  CHECK(support::run_tool("carry '{}' f64 --from rust --to lisp").status == 1);
  CHECK(support::run_tool("carry '%d' --to sea").status == 2);
  CHECK(support::run_tool("carry '%y' --to rust").status == 2);
  CHECK(support::run_tool("carry '%s' f65:text --to rust").status == 0);
  CHECK(support::run_tool("carry").status == 2);

  const json answer = jsonl("carry", {{"dialect", "c"},
                                      {"template", "%2$s %1$.2f"},
                                      {"types", {"f64", "text"}},
                                      {"to", {"fsharp", "java", "octave-display"}}});
  const json fsharp = result_for(answer, "fsharp");
  CHECK(fsharp["template"] == "%s %.2f");
  CHECK(fsharp["call"] == "printf \"%s %.2f\" v2 v1");
  CHECK(fsharp["arguments"] == json({1, 0}));
  CHECK(fsharp["verdict"] == "same-for");
  const json java = result_for(answer, "java");
  CHECK(java["example"]["here"] == "ink 2.67");
  CHECK(java["example"]["there"] == "ink 2.68");
  CHECK(java["example"]["values"] == json({{{"f64", "2.675"}}, "ink"}));
  CHECK(java["example"]["reason"].get<std::string>().find("half-away") != std::string::npos);
  const json display = result_for(answer, "octave-display");
  CHECK(display["template"].is_null());
  CHECK(display["verdict"] == "cannot");
  CHECK_FALSE(display["notes"].empty());
}

TEST_CASE("carry: what a machine may get wrong is told, and the next line is answered") {
  const std::string lines =
      "{\"dialect\":\"c\"}\n{\"dialect\":\"c\",\"template\":\"%d\",\"to\":[\"all\"],\"more\":1}"
      "\nink\n"
      "{\"dialect\":\"c\",\"template\":\"%d\",\"types\":[\"f65\"],\"to\":[\"rust\"]}\n"
      "{\"dialect\":\"c\",\"template\":\"%d\",\"types\":[\"text\"],\"to\":[\"rust\"]}\n"
      "{\"dialect\":\"c\",\"template\":\"%d\",\"to\":[\"all\"]}\n";
  std::istringstream answers(support::run_tool("carry --jsonl", lines).out);
  std::vector<std::string> codes;
  for (std::string line; std::getline(answers, line);) {
    const json answer = json::parse(line);
    codes.push_back(answer.contains("error") ? answer["error"]["code"].get<std::string>()
                                             : std::to_string(answer["results"].size()));
  }
  CHECK(codes == std::vector<std::string>{"missing-key", "unknown-key", "bad-json", "unknown-type",
                                          "template-fails",
                                          std::to_string(inky::all_dialects().size() - 1)});
}

TEST_CASE("requests to carry, write and check that cannot be answered") {
  struct Case {
    const char* command;
    const char* request;
    const char* code;
    const char* message;
  };
  const Case cases[] = {
      {"carry", R"([])", "bad-json", "a request is a JSON object"},
      {"carry", R"({"dialect":"c","template":"%d"})", "missing-key", "the key \"to\" is missing"},
      {"carry", R"({"dialect":"c","template":"%d","to":[]})", "wrong-kind",
       "the key \"to\" must be a list of dialects"},
      {"carry", R"({"dialect":"c","template":"%d","to":"rust"})", "wrong-kind",
       "the key \"to\" must be a list of strings"},
      {"carry", R"({"dialect":"c","template":"%d","to":["rust",7]})", "wrong-kind",
       "the key \"to\" must be a list of strings"},
      {"carry", R"({"dialect":"c","template":"%d","to":["rusty"]})", "unknown-dialect",
       "\"rusty\" is not a dialect"},
      {"carry", R"({"dialect":"c","template":"%d","to":["rust"],"line_limit":"80"})", "wrong-kind",
       "the key \"line_limit\" must be a number"},
      {"carry", R"({"dialect":"c","template":"%d","to":["rust"],"line_limit":3})", "over-limit",
       "a line limit is a number of columns"},
      {"carry", R"({"dialect":"c","tmplate":"%d","to":["rust"]})", "unknown-key",
       "the key \"tmplate\" is unknown"},
      {"write", R"({"wish":3})", "wrong-kind", "the key \"wish\" must be an object"},
      {"write", R"({"wish":{"width":"wide"}})", "bad-value", "width cannot be \"wide\""},
      {"write", R"({"value":{"i8":300}})", "value-out-of-range", "300 does not fit i8"},
      {"write", R"({"to":["sea"]})", "unknown-dialect", "\"sea\" is not a dialect"},
      {"write", R"({"wish":{"places":"2","significant":"3"}})", "contradiction",
       "places and significant exclude each other"},
      {"check", R"({"template":"%d"})", "missing-key", "the key \"dialect\" is missing"},
      {"check", R"({"dialect":"c","template":5})", "wrong-kind",
       "the key \"template\" must be a string"},
      {"check", R"({"dialect":"c","template":"%d","types":"f64"})", "wrong-kind",
       "the key \"types\" must be a list of strings"},
      {"check", R"({"dialect":"c","template":"%d","values":[1,{"i8":300}]})", "value-out-of-range",
       "value 2: 300 does not fit i8"},
      {"check", R"({"dialect":"c","template":"%d","types":["i32"],"values":[1]})", "contradiction",
       "a request has types, or values"},
  };
  for (const Case& c : cases) {
    INFO(c.command << " " << c.request);
    const json answer = json::parse(
        support::run_tool(std::string(c.command) + " --jsonl", std::string(c.request) + "\n").out);
    REQUIRE(answer.contains("error"));
    CHECK(answer["error"]["code"] == c.code);
    CHECK_THAT(answer["error"]["message"].get<std::string>(), Catch::StartsWith(c.message));
    CHECK_FALSE(answer["error"]["remedy"].get<std::string>().empty());
  }
}

TEST_CASE("show --beside: the same stands together, what differs is marked and explained") {
  const support::Ran ran =
      support::run_tool("show '%-6s|%8.2f' naïve 2.675 --beside rust,php,java");
  CHECK(ran.status == 1);
  CHECK(ran.out.rfind("  prints          naïve|····2.67\n  c               %-6s|%8.2f\n  php       "
                      "      %-6s|%8.2f\n",
                      0) == 0);
  CHECK(ran.out.find("  differs         naïve·|····2.67\n                       ▔\n  rust          "
                     "  {:6}|{:8.2}\n") != std::string::npos);
  CHECK(ran.out.find("a width counts bytes in c, code-points in rust\n") != std::string::npos);
  CHECK(support::run_tool("show '%d' 42 --beside rust,python").status == 0);
  const support::Ran named =
      support::run_tool("show --in python '{mass:.1f} {lot}' lot=K-07 mass=0.25 --beside c");
  CHECK(named.out.find("  prints          0.2·K-07\n") == 0);
  CHECK(named.status == 0);
  CHECK(support::run_tool("show '%d %d' 1 --beside rust").status == 2);
  CHECK(support::run_tool("show --in python '{mass}' lot=1 --beside c").status == 2);

  const json answer =
      json::parse(support::run_tool("show --json '%.2f' 0.125 --beside java,octave-display").out);
  CHECK(answer["beside"][0] ==
        json({{"dialect", "c"}, {"template", "%.2f"}, {"text", "0.12"}, {"same", true}}));
  CHECK(answer["beside"][1]["text"] == "0.13");
  CHECK(answer["beside"][1]["same"] == false);
  CHECK(answer["beside"][2].contains("why"));

  const support::Ran plain = support::run_tool("show --plain 1e16 --beside all --in python");
  CHECK(plain.out.rfind("  prints          1e+16\n  in              python, cpp-format", 0) == 0);
  CHECK(plain.out.find("differs         1.0E16\n") != std::string::npos);
  CHECK(plain.out.find("  c               not possible: C needs a format to print a value\n") !=
        std::string::npos);
  // All fits a terminal, but for what is in source.
  std::istringstream lines(plain.out);
  for (std::string line; std::getline(lines, line);)
    CHECK(inky::measure(line, inky::WidthUnit::columns) <= 100);
}

TEST_CASE("write: a wish in every language, and contradictions refused") {
  const support::Ran ran =
      support::run_tool("write --places 2 --width 10 --group , --to python,java,c 1234.5");
  CHECK(ran.status == 0);
  CHECK(ran.out.find("  python          {:10,.2f}\n                  ··1,234.50\n") !=
        std::string::npos);
  CHECK(ran.out.find("  java            %,10.2f\n                  ··1,234.50\n") !=
        std::string::npos);
  CHECK(ran.out.find("C takes its thousands mark from the locale") != std::string::npos);
  CHECK(support::run_tool("write --places 2 --significant 3").status == 2);
  CHECK(support::run_tool("write --kind text --align inner").status == 2);
  CHECK(support::run_tool("write --width wide").status == 2);
  CHECK(support::run_tool("write --kind moment").status == 1);

  const json answer =
      jsonl("write",
            {{"wish",
              {{"kind", "whole"}, {"base", "16"}, {"width", 8}, {"align", "inner"}, {"fill", "0"}}},
             {"value", 255},
             {"to", {"csharp", "java-pattern"}}});
  CHECK(result_for(answer, "csharp")["template"] == "{0:x8}");
  CHECK(result_for(answer, "csharp")["text"] == "000000ff");
  CHECK(result_for(answer, "csharp")["call"] == "Console.Write(\"{0:x8}\", x);");
  CHECK(result_for(answer, "java-pattern")["template"].is_null());
  CHECK(jsonl("write", {{"wish", {{"height", 2}}}})["error"]["code"] == "unknown-key");
  CHECK(jsonl("write", {{"wise", {{"width", 2}}}})["error"]["code"] == "unknown-key");
}

// What show states of a field, write gives back.
TEST_CASE("the wish of a field that stands somewhere writes that field again") {
  const std::pair<const char*, const char*> fields[] = {{"c", "%+8.2f"},
                                                        {"java", "%,10.3f"},
                                                        {"python", "{:>+10.2f}"},
                                                        {"fsharp", "%-8.1f"},
                                                        {"php", "%08.3f"}};
  for (const auto& [dialect, source] : fields) {
    const json shown = json::parse(
        support::run_tool(std::string("show --json --in ") + dialect + " '" + source + "'").out);
    const json answer =
        jsonl("write", {{"wish", shown["fields"][0]["wish"]}, {"value", 2.5}, {"to", {dialect}}});
    INFO(dialect << " " << source);
    const std::string written = result_for(answer, dialect)["template"];
    CHECK((written == source || written == "{:+10.2f}"));
  }
}

TEST_CASE("check: faults for people, for machines, and fixed") {
  const support::Ran ran = support::run_tool("check '%d of %s' f64 text");
  CHECK(ran.status == 1);
  CHECK(
      ran.out.find(
          "  error     %d reads an int, and 2.675 is passed as a double [language-undefined]\n") !=
      std::string::npos);
  CHECK(ran.out.find("  write     %g\n") != std::string::npos);
  CHECK(support::run_tool("check '%d of %s' f64 text --fix").out == "%g of %s\n");
  CHECK(support::run_tool("check '%d %d' i32 --fix").status == 2);
  CHECK(support::run_tool("check '%8.2f' 2.5").status == 0);
  CHECK(support::run_tool("check '%8.2f' 2.5").out.find("nothing found\n") != std::string::npos);
  const json answer =
      jsonl("check", {{"dialect", "python"}, {"template", "{:d}"}, {"values", {2.5}}});
  CHECK(answer["ok"] == false);
  CHECK(answer["faults"][0]["code"] == "language-fails");
  CHECK(answer["faults"][0]["severity"] == "error");
  CHECK(answer["faults"][0]["span"] == json({0, 4}));
  CHECK(answer["faults"][0]["repair"] == "{}");
  CHECK(jsonl("check", {{"dialect", "c"}, {"template", "%d"}, {"types", {"i32"}}}) ==
        json({{"ok", true}, {"faults", json::array()}, {"repaired", "%d"}}));
  CHECK(jsonl("check", {{"dialect", "c"}})["error"]["code"] == "missing-key");
  CHECK(
      jsonl("check", {{"dialect", "c"}, {"template", "%d"}, {"types", {"f65"}}})["error"]["code"] ==
      "unknown-type");
}

// What is carried is run in the languages whose runtimes are here.
TEST_CASE("carried statements print what was said, asked anew") {
  const std::uint64_t seed = support::seed(20310510);
  const support::Ran ran = support::shell("python3 " INKY_SOURCE_DIR "/scripts/witness-carry 15 " +
                                          std::to_string(seed % 1000000));
  INFO(ran.out << ran.err);
  CHECK(ran.status == 0);
  CHECK(ran.out.find("statements, 0 printed differently") != std::string::npos);
}
