// A language that prints and complains, as a person at the terminal meets it.

#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>

#include "support/process.hpp"
#include "toolchain/witness.hpp"

using namespace inky;
using nlohmann::json;
using support::Ran;
using support::run_tool;

namespace {

bool has(const std::string& text, std::string_view part) {
  return text.find(part) != std::string::npos;
}

bool dash_is_here() {
  if (toolchain::find_toolchain(*toolchain::toolchain_of("shell"))) return true;
  WARN("skipped: there is no dash");
  return false;
}

}  // namespace

TEST_CASE("show: a text that is complained of is shown, with what is said and the status") {
  const Ran screen = run_tool("show 'at %5d|' K-07 --in shell");
  CHECK(screen.status == 1);
  CHECK(screen.err.empty());
  CHECK(has(screen.out,
            "at\xC2\xB7\xC2\xB7\xC2\xB7\xC2\xB7\xC2\xB7"
            "0|"));
  CHECK(has(screen.out, "complains as expected numeric value: \"K-07\" is no whole number"));
  CHECK(has(screen.out, "exits     with status 1"));

  const Ran bare = run_tool("show 'at %d|' K-07 --in shell --bare");
  CHECK(bare.status == 1);
  CHECK(bare.out == "at 0|");
  CHECK(has(bare.err, "\"K-07\" is no whole number"));

  const Ran spread = run_tool("show 'at %d' K-07 --in shell --json");
  CHECK(spread.status == 1);
  const json answer = json::parse(spread.out);
  CHECK(answer["text"] == "at 0");
  CHECK(answer["complaints"][0]["as"] == "expected numeric value");
  CHECK(answer["complaints"][0]["span"] == json({3, 5}));
  CHECK(answer["status"] == 1);
  CHECK(run_tool("show 'at %d' 7 --in shell").status == 0);

  const Ran line = run_tool("show --jsonl", R"({"dialect":"shell","template":"%q","values":["x"]})"
                                            "\n");
  CHECK(json::parse(line.out)["status"] == 2);
}

TEST_CASE("show --witness: a complaint has to come with its text and its status, asked anew") {
  if (!dash_is_here()) return;
  for (const char* arguments :
       {"'at %d|%s\\n' K-07 ink", "'%d' 12g", "'ab%q' x", "'%d,' 1 2 x",
        "'%u' -18446744073709551616:text", "'%d' 99999999999999999999:text"}) {
    INFO(arguments);
    const Ran ran =
        run_tool(std::string("show --in shell --json --witness --no-cache ") + arguments);
    CHECK(ran.status == 1);
    const json answer = json::parse(ran.out);
    CHECK(answer["witness"]["verdict"] == "agrees");
    CHECK(answer["witness"]["text"] == answer["text"]);
  }
  const Ran ran = run_tool("show --in shell --witness 'at %d' K-07");
  CHECK(has(ran.out, "printed 4 bytes, ended with status 1, and said: "));
  CHECK(has(ran.out, "the same"));
}

TEST_CASE("check, carry: a complaint is a fault, and no text that is the same") {
  const Ran checked = run_tool("check 'at %d' text --in shell --json");
  CHECK(checked.status == 1);
  CHECK(json::parse(checked.out)["faults"][0]["code"] == "language-complains");
  CHECK(run_tool("check 'at %d' i32 --in shell").status == 0);

  const Ran carried = run_tool("carry '%s' text --to shell --json");
  CHECK(json::parse(carried.out)["results"][0]["verdict"] == "same");
  // Beyond 64 bits a shell prints the nearest number, and complains.
  const json row = json::parse(
      run_tool("show '{}' 99999999999999999999:u128 --in rust --beside shell --json").out);
  CHECK(row["beside"][1]["text"] == "18446744073709551615");
  CHECK(row["beside"][1]["same"] == false);
  CHECK(row["beside"][1]["why"] == "64 bits do not hold \"99999999999999999999\"");
}
