// What has to hold when somebody, or the machine, is against it.

#include <sys/resource.h>

#include <catch2/catch.hpp>
#include <cstdlib>
#include <filesystem>
#include <nlohmann/json.hpp>

#include "support/process.hpp"
#include "toolchain/witness.hpp"

using json = nlohmann::json;
using inky::toolchain::run_program;
using inky::toolchain::RunLimits;
using inky::toolchain::Toolchain;
using inky::toolchain::Witness;

namespace {

constexpr Toolchain shell_toolchain = {"c", {"sh", "", "dash", "main.sh", "", "@ main.sh"}};

bool has(const std::string& text, std::string_view part) {
  return text.find(part) != std::string::npos;
}

// A folder of its own for what is left behind.
std::string empty_folder(const char* name) {
  const std::string out = support::scratch() + "/" + name;
  std::filesystem::remove_all(out);
  std::filesystem::create_directories(out);
  return out;
}

std::size_t entries_of(const std::string& folder) {
  std::size_t out = 0;
  for ([[maybe_unused]] const auto& entry : std::filesystem::directory_iterator(folder)) ++out;
  return out;
}

std::string script(const char* name, const std::string& text) {
  const std::string path = support::scratch() + "/" + name;
  support::write_file(path, "#!/bin/sh\n[ \"$1\" = --version ] && echo fake 1 && exit\n" + text);
  std::filesystem::permissions(path, std::filesystem::perms::owner_all);
  return path;
}

const std::string tool = INKY_BUILD_DIR "/cli/inky ";

json ask(const std::string& command, const json& request) {
  return json::parse(support::run_tool(command + " --jsonl", request.dump() + "\n").out);
}

bool is_over_limit(const json& answer) {
  return answer.contains("error") && answer["error"]["code"] == "over-limit";
}

std::string times(const std::string& text, std::size_t count) {
  std::string out;
  for (std::size_t i = 0; i < count; ++i) out += text;
  return out;
}

}  // namespace

// ---- What runs, runs with little ----

TEST_CASE("a witness has no network, no files but its own, and outlives nothing") {
  const std::string outside = support::scratch() + "/outside";
  const Witness ran = run_program(shell_toolchain,
                                  "grep -c : /proc/net/dev; touch " + outside +
                                      " 2>/dev/null && echo written; touch own && echo own\n"
                                      "setsid sleep 61 & (setsid sleep 62 &) ; echo $HOME; pwd",
                                  {});
  REQUIRE(ran.stage == Witness::Stage::printed);
  CHECK(support::shell("pgrep -f '^sleep 6[12]$'").status != 0);
  if (!ran.confinement.whole()) {
    WARN("this kernel refuses namespaces");
    return;
  }
  // The loopback device alone.
  CHECK(ran.output.starts_with("1\nown\n"));
  CHECK_FALSE(std::filesystem::exists(outside));
  // Its home is its folder.
  const std::string rest = ran.output.substr(6);
  const std::size_t half = rest.size() / 2;
  CHECK(rest.substr(0, half) == rest.substr(half));
  // Nor can it take its confinement away again.
  const Witness tries = run_program(
      shell_toolchain, "mount -o remount,rw / 2>/dev/null && echo out; kill -9 -1; true", {});
  CHECK_FALSE(has(tries.output, "out"));
}

TEST_CASE("a witness has an environment from a list") {
  const char* const never[] = {"CPATH",
                               "GCC_EXEC_PREFIX",
                               "CLASSPATH",
                               "NODE_OPTIONS",
                               "PYTHONPATH",
                               "R_PROFILE",
                               "DOTNET_STARTUP_HOOKS",
                               "LD_PRELOAD_X",
                               "JAVA_TOOL_OPTIONS",
                               "BASH_ENV",
                               "RUSTC_WRAPPER",
                               "PHPRC",
                               "PERL5OPT",
                               "OCTAVE_PATH",
                               "SBCL_HOME"};
  for (const char* name : never) setenv(name, "/nowhere/evil", 1);
  const Witness ran = run_program(shell_toolchain, "env", {});
  for (const char* name : never) unsetenv(name);
  REQUIRE(ran.stage == Witness::Stage::printed);
  CHECK_FALSE(has(ran.output, "/nowhere/evil"));
  CHECK(has(ran.output, "LC_ALL=C.UTF-8\n"));
}

TEST_CASE("a witness that wants too much is stopped, and says of what") {
  RunLimits limits;
  limits.processes = 40;
  const Witness bomb = run_program(shell_toolchain, "while :; do sleep 20 & done", limits);
  CHECK(bomb.stage == Witness::Stage::stopped);
  CHECK(bomb.messages == "it started too many processes");
  limits = {};
  limits.memory = std::size_t{1} << 26;
  const Witness memory =
      run_program(shell_toolchain, "a=0123456789; while :; do a=$a$a; done; echo done", limits);
  CHECK(memory.stage != Witness::Stage::printed);
  limits = {};
  limits.time = std::chrono::milliseconds(200);
  CHECK(run_program(shell_toolchain, "sleep 9", limits).messages == "it took too long");
}

TEST_CASE("a toolchain is found by its absolute path alone, with its own words") {
  const std::string bin = empty_folder("bin");
  const std::string fake = script("bin/gcc", "exit 1\n");
  // A relative folder of PATH is another one elsewhere.
  const support::Ran relative = support::shell("cd " + support::scratch() + " && PATH=bin " + tool +
                                               "show '%d' 7 --witness --no-cache --json");
  CHECK(json::parse(relative.out)["witness"]["verdict"] == "missing");
  const support::Ran named = support::shell("cd " + support::scratch() + " && CC=bin/gcc " + tool +
                                            "show '%d' 7 --witness --no-cache --json");
  CHECK(json::parse(named.out)["witness"]["verdict"] == "differs");
  setenv("CC", "gcc -O2", 1);
  const auto found = inky::toolchain::find_toolchain(*inky::toolchain::toolchain_of("c"));
  unsetenv("CC");
  if (found) {
    CHECK(found->size() == 2);
    CHECK(found->front().starts_with('/'));
    CHECK(found->back() == "-O2");
  }
}

// ---- Signals ----

TEST_CASE("Ctrl-C during a witness leaves nothing, and ends by the signal") {
  const std::string temporary = empty_folder("signals");
  const std::string slow = script("slow-compiler", "sleep 63\n");
  for (const auto& [name, status] : {std::pair("INT", 130), {"TERM", 143}, {"HUP", 129}}) {
    // A background job of sh ignores SIGINT, so env resets it.
    const support::Ran ran =
        support::shell("TMPDIR=" + temporary + " CC=" + slow + " env --default-signal=INT " + tool +
                       "show '%d' 7 --witness --no-cache & sleep 0.5; kill -" + std::string(name) +
                       " $!; wait $!; echo $?");
    INFO(name << " " << ran.err);
    CHECK(ran.out == std::to_string(status) + "\n");
    CHECK(entries_of(temporary) == 0);
    CHECK(support::shell("pgrep -f '^sleep 63$'").status != 0);
  }
}

TEST_CASE("killed at any moment, 200 times, asked anew: no leftover, no orphan, no damaged file") {
  const std::string temporary = empty_folder("kills");
  const std::string cache = empty_folder("kills-cache");
  const support::Ran ran = support::shell(
      "export TMPDIR=" + temporary + " XDG_CACHE_HOME=" + cache + "\n" + tool +
      "show '%d' 7 --witness >/dev/null" + "\ni=0; while [ $i -lt 200 ]; do " + tool +
      "show '%d'$i 7 --witness >/dev/null 2>&1 & p=$!\n"
      "sleep 0.0$(( (i * 37) % 100 / 10 ))$(( (i * 37) % 10 )); kill -9 $p 2>/dev/null\n"
      "wait $p 2>/dev/null; i=$((i + 1)); done; sleep 1; ls -A " +
      temporary);
  CHECK(ran.out.empty());
  CHECK(support::shell("pgrep -f [k]ills/inky-witness").status != 0);
  int entries = 0;
  for (const auto& entry : std::filesystem::recursive_directory_iterator(cache)) {
    if (!entry.is_regular_file()) continue;
    const std::string name = entry.path().filename().string();
    CHECK(name.size() == 16);
    // The sections of an entry, each behind its size, fill the file.
    std::string text = support::read_file(entry.path().string());
    int sections = 0;
    while (!text.empty()) {
      const std::size_t size = std::stoul(text);
      const std::size_t from = text.find('\n') + 1;
      REQUIRE(from + size <= text.size());
      text.erase(0, from + size);
      ++sections;
    }
    // The key, the stage, what was printed, what was predicted, the status.
    CHECK(sections == 5);
    ++entries;
  }
  if (inky::toolchain::find_toolchain(*inky::toolchain::toolchain_of("c"))) CHECK(entries > 0);
}

TEST_CASE("two processes on one cache") {
  const std::string cache = empty_folder("shared-cache");
  const std::string one = "XDG_CACHE_HOME=" + cache + " " + tool +
                          "show '%d' 7 --witness --json | grep -c '\"agrees\"'";
  const support::Ran ran = support::shell("for i in 1 2 3 4 5; do (" + one + ") & (" + one +
                                          ") & wait; rm -rf " + cache + "/*; done");
  if (!inky::toolchain::find_toolchain(*inky::toolchain::toolchain_of("c"))) return;
  CHECK(ran.out == times("1\n", 10));
}

// ---- Failures of the machine ----

TEST_CASE("what the machine cannot do is no answer of the language, and is not kept") {
  const std::string cache = empty_folder("machine-cache");
  const std::string with = "XDG_CACHE_HOME=" + cache + " ";
  const auto verdict = [&](const std::string& before) {
    const support::Ran ran = support::shell(before + tool + "show '%d' 7 --witness --json");
    return json::parse(ran.out)["witness"]["verdict"];
  };
  CHECK(verdict(with + "TMPDIR=/nonexistent ") == "not-asked");
  // A linker that is killed, a full disk, a compiler that is.
  const char* const failures[] = {
      "echo 'collect2: fatal error: ld terminated with signal 9 [Killed]' >&2; exit 1\n",
      "echo 'fatal error: error writing to x.o: No space left on device' >&2; exit 1\n",
      "echo 'cc1: out of memory allocating 65536 bytes' >&2; exit 1\n", "kill -9 $$\n"};
  for (const char* failure : failures)
    CHECK(verdict(with + "CC=" + script("failing", failure) + " ") == "not-asked");
  CHECK(std::filesystem::is_empty(cache));
  CHECK(verdict(with + "CC=" + script("refusing", "echo 'error: no' >&2; exit 1\n") + " ") ==
        "differs");
  CHECK_FALSE(std::filesystem::is_empty(cache));
  // An entry that is a folder is none.
  support::shell("cd " + cache + "/inky-margin/witness && for f in *; do rm $f; mkdir $f; done");
  CHECK(verdict(with) != "differs");
  CHECK(support::shell(with + "TMPDIR=/nonexistent " + tool +
                       "show '%d' 7 --witness --no-cache --require")
            .status == 1);
}

TEST_CASE("output that cannot be written ends in status 2") {
  const std::string source = support::scratch() + "/full.c";
  support::write_file(source, "int main(void) { printf(\"%d\", 2.5); }\n");
  for (const std::string& command :
       {"check " + source, "check " + source + " --json", "check " + source + " --sarif",
        std::string("--help"), std::string("--version"), std::string("show --help"),
        std::string("show '%d' 7"), std::string("weigh 2.5"), std::string("dialects c")}) {
    INFO(command);
    const support::Ran ran = support::shell(tool + command + " > /dev/full");
    CHECK(ran.status == 2);
    CHECK(has(ran.err, "could not be written"));
  }
}

TEST_CASE("input that cannot be read ends in status 2") {
  for (const char* command : {"show --jsonl", "weigh --jsonl", "check - --language c", "proof -",
                              "proof - --bare", "carry --jsonl"}) {
    INFO(command);
    const support::Ran ran = support::shell(tool + std::string(command) + " < /tmp");
    CHECK(ran.status == 2);
    CHECK(has(ran.err, "directory"));
  }
  for (const char* command : {"proof /dev/zero", "proof --bare /dev/zero",
                              "proof /dev/zero demo/batches.csv", "check --calls /dev/zero x.c"}) {
    INFO(command);
    const support::Ran ran = support::shell(tool + std::string(command));
    CHECK(ran.status == 2);
    CHECK(has(ran.err, "over the limit of 67108864 bytes"));
  }
  // As much as may be read whole is.
  const std::string large = support::scratch() + "/large.csv";
  support::shell(
      "(echo a; yes 123456789012345678901234567890123456789012345678901234567890123 | "
      "head -n 1048575; printf '%061d\\n' 1) > " +
      large);
  CHECK(std::filesystem::file_size(large) <= std::size_t{1} << 26);
}

#if !defined(INKY_SANITIZED)
TEST_CASE("little memory and little stack end in an error, or do") {
  const std::string data = support::scratch() + "/much.csv";
  support::shell("yes 1,2,3 | head -c 30000000 > " + data);
  const support::Ran ran = support::shell("ulimit -v 60000; " + tool + "proof " + data);
  CHECK(ran.status == 2);
  CHECK(has(ran.err, "memory ran out"));
  const std::string deep = times("(", 200) + "1" + times(")", 200);
  CHECK(support::shell("ulimit -s 128; " + tool + "weigh '" + deep + "'").status == 0);
  CHECK(support::shell("ulimit -s 128; " + tool + "weigh '" + times("-(", 199) + "1" +
                       times(")", 199) + "'")
            .status == 0);
}
#endif

// ---- Terminals ----

TEST_CASE("nothing that acts on a terminal is printed") {
  const std::string esc = "$(printf '\\033]0;owned\\007\\033[8m\\342\\200\\256')";
  for (const std::string& command :
       {"weigh \"1 + " + esc + "\"", "weigh \"2.5:" + esc + "\"", "weigh \"" + esc + "(2)\"",
        "weigh 2.5 --as \"" + esc + "\"", "weigh 2.5 \"x" + esc + "=1\"",
        "round \"" + esc + "\" --places 2", "show \"%" + esc + "d\" 7", "show '%s' \"" + esc + "\"",
        "show '%d' \"" + esc + ":i32\"", "show --in \"" + esc + "\" x", "check \"%" + esc + "\"",
        "check \"" + esc + ".c\"", "carry \"" + esc + "%d\" --to rust",
        "write --places \"" + esc + "\"", "proof \"" + esc + ".csv\"",
        "demo --data \"" + esc + "\"", "\"" + esc + "\"", "show --\"" + esc + "\"",
        "dialects \"" + esc + "\""}) {
    const support::Ran ran = support::shell(tool + command);
    INFO(command << "\n" << ran.out << ran.err);
    for (const std::string& printed : {ran.out, ran.err}) {
      CHECK_FALSE(has(printed, "\x1b"));
      CHECK_FALSE(has(printed, "\x07"));
      CHECK_FALSE(has(printed, "\xE2\x80\xAE"));
    }
  }
}

TEST_CASE("all that is printed goes one way") {
  const char* const ways[] = {"std::cout", "std::cerr", "fputs(",     "fwrite(",
                              " printf(",  "fprintf(",  "std::puts(", "putchar(",
                              "perror(",   "stdout)",   "stderr)"};
  for (const auto& entry : std::filesystem::recursive_directory_iterator(INKY_SOURCE_DIR "/cli")) {
    const std::string name = entry.path().filename().string();
    if (!name.ends_with(".cpp") || name == "terminal.cpp") continue;
    const std::string text = support::read_file(entry.path().string());
    for (const char* way : ways) {
      for (std::size_t at = text.find(way); at != std::string::npos; at = text.find(way, at + 1)) {
        const std::size_t line = text.rfind('\n', at) + 1;
        const std::string code = text.substr(line, text.find('\n', at) - line);
        INFO(name << ": " << code);
        // In a text it is somebody else's; of a stream, looks may be asked.
        const bool in_text = code.find('"') < at - line;
        CHECK((in_text || has(code, "look_of(")));
      }
    }
  }
}

// ---- Limits, from both sides ----

TEST_CASE("limits are said, and what is below them is answered") {
  const auto list = [](std::size_t count) { return json(std::vector<int>(count, 1)); };
  // The request itself, its list and its template are values too.
  const auto values = [&](std::size_t count) {
    return ask("show", {{"dialect", "r"}, {"template", "%d"}, {"values", {list(count)}}});
  };
  CHECK(values(199'990).contains("texts"));
  CHECK(is_over_limit(values(200'000)));
  const auto digits = [&](std::size_t count) {
    return ask("show", {{"dialect", "python"},
                        {"template", "{:d}"},
                        {"values", {{{"big", std::string(count, '7')}}}}});
  };
  CHECK(digits(20'000).contains("text"));
  CHECK_FALSE(digits(20'001).contains("text"));
  const auto fields = [&](std::size_t count) {
    return ask("check", {{"dialect", "c"}, {"template", times("%d", count)}});
  };
  CHECK(fields(1000).contains("ok"));
  CHECK(is_over_limit(fields(1001)));
  const auto carried = [&](std::size_t count) {
    return ask("carry", {{"dialect", "c"}, {"template", times("%d", count)}, {"to", {"rust"}}});
  };
  CHECK(carried(50).contains("results"));
  CHECK(is_over_limit(carried(51)));
  const auto columns = [&](std::size_t count) {
    std::string names = "x0";
    std::string cells = "1";
    for (std::size_t i = 1; i < count; ++i) {
      names += ",x" + std::to_string(i);
      cells += ",1";
    }
    return support::run_tool("proof - --style csv", names + "\n" + cells + "\n");
  };
  CHECK(columns(1000).status == 0);
  CHECK(columns(1001).status == 2);
  CHECK(has(columns(1001).err, "the data has 1001 columns, and a table may have 1000"));
  const auto sparse = [&](std::size_t count) {
    std::string text;
    for (std::size_t i = 0; i < count; ++i) text += "{\"k" + std::to_string(i) + "\":1}\n";
    return support::run_tool("proof - --style csv --column k0", text);
  };
  CHECK(sparse(900).status != 2);
  CHECK(sparse(1100).status == 2);
  const auto program = [&](std::size_t size) {
    const std::string path = support::scratch() + "/template";
    support::write_file(path, std::string(size, 'x'));
    return support::shell(tool + "show --program \"$(cat " + path + ")\"").status;
  };
  CHECK(program(65'536) == 0);
  CHECK(program(65'537) == 2);
}

TEST_CASE("a quote that is never closed, in a line that never ends") {
  const std::string data = support::scratch() + "/quote.csv";
  support::shell("(printf 'a,b\\n\"'; head -c 40000000 /dev/zero | tr '\\0' x) > " + data);
  const support::Ran ran = support::run_tool("proof --bare --column a " + data);
  CHECK(ran.status == 1);
  CHECK(has(ran.err, "line 2: is longer than a row may be, 16 MB"));
}

TEST_CASE("what never ends says so") {
  for (const char* source : {"~{~A~:*~}", "~{~0@*~A~}", "~@{~A~:*~}"})
    CHECK(is_over_limit(
        ask("show", {{"dialect", "lisp"}, {"template", source}, {"values", {{1, 2}}}})));
}

// ---- Small things that were wrong ----

TEST_CASE("an index beyond all numbers, half a pair, a slot's own form") {
  const auto python = [](const char* source) {
    return ask("show", {{"dialect", "python"},
                        {"template", source},
                        {"values", {{{"named", {"a", {1, 2}}}}}}})["fails"]["as"];
  };
  // CPython 3.11 states the same of each.
  CHECK(python("{a[9223372036854775807]}") == "IndexError");
  CHECK(python("{a[9223372036854775808]}") == "ValueError");
  CHECK(python("{a[92233720368547758070]}") == "ValueError");
  for (const char* line :
       {R"({"dialect":"c","template":"%s","values":["\ude00"]})",
        R"({"dialect":"c","template":"%s","values":["\ud800"]})",
        R"({"dialect":"python","template":"{}","values":[{"record":{"\ude00":1}}]})"})
    CHECK(json::parse(
              support::run_tool("show --jsonl", std::string(line) + "\n").out)["error"]["code"] ==
          "bad-json");
  const char* const witnessed[] = {
      "--in python \"f'{x!r}'\" x=3", "--in python-percent '%(x)s' x=3",
      "--in csharp '{{a}}'",          "--in php '%1$s \\$x' ink",
      "--in rust '{x:>5}' x=3",       "--in python '{x:>{w}}' x=3 w=5"};
  for (const char* one : witnessed) {
    INFO(one);
    const json answer =
        json::parse(support::run_tool("show --json --witness " + std::string(one)).out);
    const std::string verdict = answer["witness"]["verdict"];
    CHECK((verdict == "agrees" || verdict == "missing"));
  }
  // ISO C17, 6.4.3, and gcc; C++20 takes it.
  CHECK(ask("show", {{"dialect", "c"}, {"template", "\\u0022"}})["fails"]["when"] == "compile");
  CHECK(ask("show", {{"dialect", "cpp-format"}, {"template", "\\u0022"}})["text"] == "\"");
}
