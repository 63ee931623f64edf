// What is misspelt at the command line: the nearest name is named, and nothing is guessed.

#include <catch2/catch.hpp>

#include "support/process.hpp"

using support::run_tool;

TEST_CASE("misspelt: the nearest name is named") {
  const struct {
    const char* arguments;
    const char* what;
    const char* remedy;
  } cases[] = {
      {"shwo %d 1", "\"shwo\" is not understood here", "Did you mean show?"},
      {"show %d 1 --inn c", "\"--inn\" is not understood here", "Did you mean --in?"},
      {"show %d 1 --in pyhton", "\"pyhton\" is not a dialect", "Did you mean python?"},
      {"show %d 1:i33", "\"i33\" is not a type", "Did you mean i32?"},
      {"show %d 1 --in java --locale de-DEE", "\"de-DEE\" is not supported yet",
       "Did you mean de-DE?"},
      {"show %d 1 --width-of byte", "\"byte\"", "Did you mean bytes?"},
      {"show --in java-pattern 0 1 --rounding hlf-even", "\"hlf-even\"", "Did you mean half-even?"},
      {"show --in java-pattern 0 1 --setting rouding=up", "\"rouding\"", "Did you mean rounding?"},
      {"weigh 1 --as f46", "\"f46\" is not a type of number", "Did you mean f64?"},
      {"weigh 300 --as u8 --overflow warp", "\"warp\"", "Did you mean wrap?"},
      {"round 2.5 --as f46 --places 1", "\"f46\" is not a binary format", "Did you mean f64?"},
      {"write --knd real", "\"--knd\" is not understood here", "Did you mean --kind?"},
      {"write --kind rael 1", "kind cannot be \"rael\"", "Did you mean real?"},
      {"write --notation fixd 1", "notation cannot be \"fixd\"", "Did you mean fixed?"},
      {"carry %d f46", "\"f46\" is not a type", "Did you mean f64? A text is f46:text."},
      {"carry %d --to rst", "\"rst\" is not a dialect", "Did you mean rust?"},
      {"check %d i33", "\"i33\" is not a type", "Did you mean i32?"},
      {"check x.c --language octve", "\"octve\" is not a language here", "Did you mean octave?"},
      {"proof demo/batches.csv --style markdwn", "\"markdwn\" is not a style",
       "Did you mean markdown?"},
      {"proof demo/batches.csv --column 'mass plces=2'", "\"plces\" is not a key of a column",
       "Did you mean places?"},
      {"dialects pyton", "\"pyton\" is not a dialect", "Did you mean python?"},
  };
  for (const auto& one : cases) {
    CAPTURE(one.arguments);
    const auto ran = support::shell("cd " INKY_SOURCE_DIR " && " INKY_BUILD_DIR "/cli/inky " +
                                    std::string(one.arguments));
    CHECK(ran.status == 2);
    CHECK(ran.out.empty());
    // A message is wrapped.
    std::string said = ran.err;
    for (std::size_t at = said.find("\n      "); at != std::string::npos;
         at = said.find("\n      "))
      said.replace(at, 7, " ");
    CAPTURE(said);
    CHECK(said.find(one.what) != std::string::npos);
    CHECK(said.find(one.remedy) != std::string::npos);
  }
}

TEST_CASE("misspelt: texts that only look a little like a type are texts") {
  CHECK(run_tool("show --bare %s f46").out == "f46");
  CHECK(run_tool("check %s ink").status == 0);
  CHECK(run_tool("check %s f").status == 0);
  CHECK(run_tool("check %s i2c").status == 0);
}

TEST_CASE("misspelt: a path where a template is read, and a template where a file is") {
  const std::string path = INKY_SOURCE_DIR "/demo/source/room.c";
  const auto shown = run_tool("show " + path);
  CHECK(shown.status == 0);
  CHECK(shown.err.find("is a file here, and is read as a template") != std::string::npos);
  CHECK(shown.err.find("run inky check \"" + path) != std::string::npos);
  CHECK(
      run_tool("carry " INKY_SOURCE_DIR "/demo/batches.csv --to rust").err.find("run inky proof") !=
      std::string::npos);
  CHECK(run_tool("show %d/%d 1 2").err.empty());
  const auto proof = run_tool("proof '%d|%s'");
  CHECK(proof.status == 2);
  CHECK(proof.err.find("For a template, run inky show \"%d|%s\"") != std::string::npos);
}
