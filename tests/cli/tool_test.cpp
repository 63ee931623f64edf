// The built tool, as a person at a terminal meets it.

#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>
#include <string>

#include "inky_margin/dialect/dialect.hpp"
#include "support/process.hpp"

using support::Ran;
using support::run_tool;

namespace {
const std::string demo = INKY_SOURCE_DIR "/demo/";
}

TEST_CASE("show prints the text over a ruler with every edge marked") {
  const Ran ran = run_tool("show '%+08.2f|%-6s|' 2.675 ink");
  CHECK(ran.status == 0);
  CHECK(ran.err.empty());
  CHECK(
      ran.out.starts_with("  c         %+08.2f|%-6s|\n"
                          "\n"
                          "            ────┴────1────┴─\n"
                          "            +0002.67|ink···|\n"
                          "            └──1───┘ └─2──┘ \n"
                          "\n"
                          "  1         %+08.2f  8 bytes     from 2.675 f64\n"
                          "  2         %-6s     6 bytes     from \"ink\" text\n"
                          "\n"
                          "  note      %+08.2f: 2.675 is stored as 2.674999"));
  const Ran ascii = run_tool("show --ascii '%3d\\n%c' 5 65");
  CHECK(ascii.out.find("            ---+\n") == std::string::npos);
  CHECK(ascii.out.find("__5$\n") != std::string::npos);
  for (const char c : ascii.out) REQUIRE(static_cast<unsigned char>(c) < 0x80);
}

TEST_CASE("a text that reads like a date is pointed out where it fails") {
  const struct {
    const char* arguments;
    const char* told;
  } cases[] = {
      {"show --in java %tF 2031-05-09", "write 2031-05-09:date"},
      {"show --in python {:%H} 14:05", "write 14:05:time"},
      {"show --in java %tc 2031-05-09T14:05:07", "2031-05-09T14:05:07:moment"},
  };
  for (const auto& one : cases) {
    INFO(one.arguments);
    const support::Ran ran = support::run_tool(one.arguments);
    CHECK(ran.status == 1);
    CHECK(ran.out.find(one.told) != std::string::npos);
  }
  CHECK(support::run_tool("show %s 2031-05-09").out.find(":date") == std::string::npos);
}

TEST_CASE("show --bare prints the bytes and nothing else") {
  CHECK(run_tool("show --bare '%d|%s|%.1s\\n' -7 ink é").out == "-7|ink|\xc3\n");
  CHECK(run_tool("show --bare '%5.1f' -- -2.5").out == " -2.5");
  CHECK(run_tool("show --bare '%g' -inf:f64").out == "-inf");
}

TEST_CASE("exit status and standard error tell the three endings apart") {
  struct Case {
    const char* arguments;
    int status;
    const char* err;
  };
  const Case cases[] = {
      {"show '%d' 5", 0, ""},
      {"show '%d' 2.5", 1, ""},
      {"show --bare '%d' 2.5", 1,
       "inky: %d reads an int, and 2.5 is passed as a double\n            %d\n            ▔▔\n"},
      {"show '%d' 300:u8", 2,
       "inky: 300 does not fit u8\n            300:u8\n            ▔▔▔\n      u8 holds 0 to "
       "255.\n"},
      {"show '%9999999d' 1", 2,
       "inky: the width is over the limit of 1000000\n            %9999999d\n             "
       "▔▔▔▔▔▔▔\n      Use at most 1000000.\n"},
      {"show --brae '%d' 1", 2,
       "inky: \"--brae\" is not understood here\n      Did you mean --bare? Run inky --help, or "
       "inky COMMAND --help.\n"},
      {"prof x.toml", 2,
       "inky: \"prof\" is not understood here\n      Did you mean proof? Run inky --help, or inky "
       "COMMAND --help.\n"},
      {"carry '%d' --line-limit 3x", 2,
       "inky: --line-limit takes a whole number, not \"3x\"\n      Run inky --help, or inky "
       "COMMAND "
       "--help.\n"},
      {"proof x.csv --fit-rows 99999999999", 2,
       "inky: --fit-rows takes a whole number, not \"99999999999\"\n      Run inky --help, or inky "
       "COMMAND --help.\n"},
      {"show '%d' 1 --in", 2,
       "inky: --in needs a value after it\n      Run inky --help, or inky COMMAND --help.\n"},
      {"show '%d' 1 --in c --in java", 2,
       "inky: --in is given more than once\n      Run inky --help, or inky COMMAND --help.\n"},
      {"show", 2,
       "inky: show needs a template\n      Write inky show '%d' 42, or see inky show --help.\n"},
      {"proof nowhere.toml", 2,
       "inky: cannot read \"nowhere.toml\": No such file or directory\n      Check the path and "
       "its permissions; - is standard input.\n"},
      {"show --locale ja_QQ '%d' 1", 2,
       "inky: the locale \"ja_QQ\" is not supported yet\n      There are ja_JP.UTF-8. All 320 are "
       "in: "
       "inky dialects c --json\n"},
  };
  for (const Case& c : cases) {
    INFO(c.arguments);
    const Ran ran = run_tool(c.arguments);
    CHECK(ran.status == c.status);
    CHECK(ran.err == c.err);
  }
  // Every dialect there is, where none is meant.
  const Ran sea = run_tool("show --in sea '%d' 1");
  CHECK(sea.status == 2);
  CHECK(sea.err.rfind("inky: \"sea\" is not a dialect\n      Choose one of: c, cpp-format, ", 0) ==
        0);
  CHECK(run_tool("show --in jav '%d' 1").err ==
        "inky: \"jav\" is not a dialect\n      Did you mean java?\n");
}

TEST_CASE("help tells what every wish can be") {
  const std::string help = run_tool("write --help").out;
  for (const char* line : {"--align WISH                where the text goes in its width: natural, "
                           "left, right, center, inner\n",
                           "--least-digits WISH         zeros in front of a whole number, up to N "
                           "digits in all: 0 to 1000000\n"})
    CHECK(help.find(line) != std::string::npos);
}

TEST_CASE("words, and JSON of both") {
  const Ran words = run_tool("show '%-6s'");
  CHECK(words.status == 0);
  CHECK(words.out.find("-       pads on the right\n") != std::string::npos);
  const auto json = nlohmann::json::parse(run_tool("show --json '%-6.2f' 2.5").out);
  CHECK(json["text"] == "2.50  ");
  CHECK(json["fields"][0]["wish"] == nlohmann::json{{"kind", "real"},
                                                    {"align", "left"},
                                                    {"width", "6"},
                                                    {"notation", "fixed"},
                                                    {"places", "2"}});
  CHECK(json["fields"][0]["output"] == nlohmann::json{0, 6});
  const auto in_words = nlohmann::json::parse(run_tool("show --json '%-6.2f'").out);
  CHECK(in_words["words"].size() == 5);
}

TEST_CASE("proof previews, and says what is wrong with the data") {
  const Ran clean = run_tool("proof " + demo + "batches.toml");
  CHECK(clean.status == 0);
  CHECK(clean.out.find(
            "printf(\"%-5s  %-14.14s  %9.2f  %7.1e  %+7.3f  %5s  %#06x  %6.2f\\n\", ...)") !=
        std::string::npos);
  const Ran bare = run_tool("proof --bare " + demo + "batches.toml");
  CHECK(bare.out.starts_with("Batch  Pigment          Mass (g)"));
  CHECK(std::count(bare.out.begin(), bare.out.end(), '\n') == 42);
  const Ran piped =
      run_tool("proof --bare " + demo + "batches.toml -", support::read_file(demo + "batches.csv"));
  CHECK(piped.out == bare.out);
  const Ran broken = run_tool("proof " + demo + "batches.toml " + demo + "broken.csv");
  CHECK(broken.status == 1);
  CHECK(broken.out.find(
            "line 7    Pigment: \"Ultram\\xe4rin\" is not UTF-8; shown as \"?\" [unreadable]") !=
        std::string::npos);
  const auto json = nlohmann::json::parse(
      run_tool("proof --json " + demo + "batches.toml " + demo + "broken.csv").out);
  CHECK(json["findings"].size() == 9);
  CHECK(json["rows"].size() == 12);
}

TEST_CASE("bad sheets point at the key") {
  const std::string path = support::scratch() + "/bad.toml";
  support::write_file(path, "[[column]]\nfrom = \"code\"\nwidht = 6\n");
  const Ran ran = run_tool("proof " + path);
  CHECK(ran.status == 2);
  CHECK(ran.err == "inky: " + path +
                       ", line 3: \"widht\" is not a key of a column\n            widht = 6\n      "
                       "      ▔▔▔▔▔\n      "
                       "Did you mean width?\n");
  support::write_file(path, "");
  CHECK(run_tool("proof " + path + " " + demo + "batches.csv").err ==
        "inky: " + path + ": the sheet has no column\n      Add a [[column]] with a key from.\n");
}

TEST_CASE("output that cannot be written is an error, not a silence") {
  const Ran full = support::shell(INKY_BUILD_DIR "/cli/inky demo --data " + demo + " > /dev/full");
  CHECK(full.status == 2);
  CHECK(full.err ==
        "inky: the output could not be written: No space left on device\n      What was printed so "
        "far is not complete.\n");
  // The reader is gone before the first line is written.
  const Ran pipe = support::shell("(sleep 0.3; " INKY_BUILD_DIR "/cli/inky demo --data " + demo +
                                  "; echo status $? >&2) | true");
  CHECK(pipe.err.find("Broken pipe") != std::string::npos);
  CHECK(pipe.err.find("status 2") != std::string::npos);
}

TEST_CASE("the demo runs every step, and help has examples everywhere") {
  const Ran ran = run_tool("demo --data " + demo);
  CHECK(ran.status == 0);
  CHECK(ran.err.starts_with("inky: 1 file, 10 calls, "));
  CHECK(std::count(ran.err.begin(), ran.err.end(), '\n') == 1);
  for (const char* step : {"1. ", "7. ", "$ inky show", "$ inky proof"})
    CHECK(ran.out.find(step) != std::string::npos);
  for (const char* command : {"", "show ", "proof ", "demo "}) {
    const Ran help = run_tool(std::string(command) + "--help");
    CHECK(help.status == 0);
    CHECK(help.out.find("Examples:") != std::string::npos);
  }
  const std::string version = run_tool("--version").out;
  CHECK(version.starts_with("inky 0.1.0"));
  for (const inky::Dialect* dialect : inky::all_dialects()) {
    CAPTURE(dialect->facts().id);
    CHECK(version.find(dialect->facts().toolchain) != std::string::npos);
  }
  CHECK(support::shell("NO_COLOR= script -qec '" INKY_BUILD_DIR "/cli/inky show %d 1' /dev/null")
            .out.find("\x1b[") != std::string::npos);
  CHECK(support::shell("NO_COLOR=1 script -qec '" INKY_BUILD_DIR "/cli/inky show %d 1' /dev/null")
            .out.find("\x1b[") == std::string::npos);
}

TEST_CASE("examples print what is written beside them") {
  for (const std::string name : {"find_format_calls", "format_once_render_many", "labels_from_c",
                                 "shortest_and_exact", "table_of_batches"}) {
    INFO(name);
    const Ran ran = support::shell(INKY_BUILD_DIR "/examples/example_" + name);
    CHECK(ran.status == 0);
    CHECK(ran.out == support::read_file(INKY_SOURCE_DIR "/examples/" + name + ".expected"));
  }
}

#ifndef INKY_SANITIZED
// An interpreter that is not sanitized cannot load a library that is.
TEST_CASE("another language uses the shared library with its standard library alone") {
  const Ran ran =
      support::shell("python3 " INKY_SOURCE_DIR "/examples/ask_from_python.py " INKY_BUILD_DIR
                     "/src/libinky_margin.so");
  CHECK(ran.err.empty());
  CHECK(ran.out == support::read_file(INKY_SOURCE_DIR "/examples/ask_from_python.expected"));
}
#endif
