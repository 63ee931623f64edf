// check FILE as people and programs meet it: lines, JSON, SARIF, tables of calls, bad files.

#include <catch2/catch.hpp>
#include <filesystem>
#include <fstream>
#include <nlohmann/json.hpp>

#include "support/folder.hpp"
#include "support/process.hpp"
#include "support/random_values.hpp"

using json = nlohmann::json;
using support::Folder;

TEST_CASE("check FILE: lines that point at the place, and a summary") {
  const Folder folder;
  const std::string file = folder.put("room.c",
                                      "printf(\"%d g\\n\", 2.5);\nprintf(\"%s\", s);\n"
                                      "printf(format);\n");
  const support::Ran ran = support::run_tool("check " + file);
  CHECK(ran.status == 1);
  CHECK(ran.out == file +
                       ":1:9: error: %d reads an int, and 2.5 is passed as a double; compiles, "
                       "and anything may be printed; write %g [language-undefined]\n");
  CHECK(ran.err == "inky: 1 file, 3 calls, 1 fault; 1 call not checked (--unchecked lists them)\n");
  const support::Ran all = support::run_tool("check --unchecked " + file);
  CHECK(all.out.find(file + ":3:1: warning: this printf is not checked: its template is not a "
                            "literal [not-checked]\n") != std::string::npos);

  const support::Ran input = support::run_tool("check - --language python", "'%d' % 'x'\n");
  CHECK(input.status == 1);
  CHECK(input.out.rfind("stdin:1:2: error: ", 0) == 0);
  CHECK(support::run_tool("check - --language python", "'%d' % 3\n").status == 0);
}

// The same template with values of the same type is looked at once, but for what their names say.
TEST_CASE("check FILE: calls that look alike are told apart") {
  const support::Ran ran = support::run_tool("check - --language c",
                                             "void f(long a, long long b, double c, double d) {\n  "
                                             "printf(\"%ld\", a);\n  printf(\"%ld\", b);\n"
                                             "  printf(\"%d\", c);\n  printf(\"%d\", d);\n}\n");
  CHECK(ran.out.find("stdin:2:") == std::string::npos);
  CHECK(ran.out.find("stdin:3:11: error: %ld reads a long, and a long long is passed") !=
        std::string::npos);
  CHECK(ran.out.find("%d reads an int, and c is passed as a double;") <
        ran.out.find("%d reads an int, and d is passed as a double;"));
  CHECK(ran.out.find("d is passed as a double;") != std::string::npos);
  const json unchecked = json::parse(
      support::run_tool("check - --language c --unchecked --json", "printf(format);").out);
  CHECK(unchecked["ok"] == true);
  CHECK(unchecked["faults"].size() == 1);
}

// What is not known is not assumed, and a message has the words of the source.
TEST_CASE("check FILE: no fault of a value that nobody knows, and none of an idiom") {
  struct Row {
    const char* language;
    const char* source;
    const char* fault;  // of the only line printed; empty: there is none
  };
  const Row rows[] = {
      {"csharp", R"(Console.WriteLine("{0:yyyy-MM-dd}", DateTime.Now);)", ""},
      {"csharp", R"(Console.WriteLine("{0:X2}|{1,5:N2}", b, x);)", ""},
      {"rust", R"(println!("{:02}:{:>8}:{:.3}", a, b, c);)", ""},
      {"rust", R"(fn f(x: &str) { println!("{:02}", x); })",
       "the flag 0 changes nothing for a text"},
      {"c", R"(void f(int n, unsigned u, size_t z) { printf("%x %u %o %d %zd", n, n, n, u, z); })",
       ""},
      {"c", R"(void f(unsigned w) { printf("%c", w); })", ""},
      {"c", R"(printf("%u", -1);)",
       "the 32 bits of -1, read as an unsigned number, are 4294967295"},
      {"c", R"(void f(int n) { printf("%ld", n); })",
       "%ld reads a 64-bit integer, and n is passed as an int; compiles, and anything may be "
       "printed; write %d"},
      {"c", R"(void f(char *s) { printf("%d", s); })",
       "%d reads an int, and s is passed as a char*; compiles, and anything may be printed; write "
       "%s"},
      {"lisp", R"((format t "~{~a~^, ~}" items) (format t "~C|~R|~V[a~;b~]" c n m))", ""},
      {"lisp", R"((format t "~@[ x~]" y))", ""},
      {"lisp", R"((format t "~@[ x~]" y z))", "1 more than the directives take"},
      {"lisp", R"((format t "~{~a~} ~d" items))", "no values are left"},
      {"r", R"(gettextf("%s a", x, domain = NA))", ""},
      {"r", R"(sprintf("%s a", x, y))", "1 value is used by no field"},
      {"csharp", R"x(string.Format(Resources.Msg, "(", ")");)x", ""},
      {"csharp", R"(string.Format(CultureInfo.CurrentCulture, "{0} {1}", 1);)",
       "there is no value 1"},
      {"java", R"(class A { void f() { String.format(format, "Name", "Flags"); } })", ""},
      {"java", R"(class A { void f() { String.format(Locale.US, "%s %s", 1); } })",
       "%s finds no value 2"},
      {"python", R"("%d" % "ink")", "%d format: a real number is required, not str"},
      {"python", R"("%s" % ("private", "public")[is_public])", ""},
      {"python", R"("%s" % ("private", "public"))", "not all arguments converted"},
      {"python", R"('{0:{1}}|{2}'.format(' ', w, 'a'))", ""},
      {"python", R"("{:{}s} {:=<{}}".format("lot", most, "", most))", ""},
      {"c", R"(void f(int *at) { printf("%s%n", "ink", at); })", ""},
      {"c", R"(void f(char *s, unsigned w) { printf("%p %*c %.*s", s, w, ' ', w, s); })", ""},
      {"c", R"(void f(size_t w) { printf("%*c", w, ' '); })",
       "the * of %c reads an int, and w is passed as an unsigned long"},
      {"c", R"(void f(int n) { printf("%p", n); })", "%p"},
      {"cpp", R"(cout << j["/lot"_json_pointer] << '\n';)", ""},
      {"cpp", R"(cout << boolalpha << is_same<vector<json>, list>::value << "a"sv << endl;)", ""},
      {"cpp", R"(cout << setw(w * 2) << (a ? "b" : "c") << x.y(1, "<<") << 5_kg << "\n";)", ""},
      {"cpp", R"x(cout << setw(4) << "a" << R"(b << c)" << setw("d") << e;)x",
       "a whole number is needed here"},
  };
  for (const Row& row : rows) {
    INFO(row.source);
    const support::Ran ran =
        support::run_tool("check - --language " + std::string(row.language), row.source);
    CHECK(ran.out.find("stands for") == std::string::npos);
    if (*row.fault == '\0')
      CHECK(ran.out.empty());
    else
      CHECK(ran.out.find(std::string(": ") + row.fault) != std::string::npos);
  }
  const support::Ran signs = support::run_tool(
      "check - --language c --signedness", "void f(int n, size_t z) { printf(\"%x %zd\", n, z); }");
  CHECK(signs.out.find("%x reads an unsigned number, and n has a sign") != std::string::npos);
  CHECK(signs.out.find("%zd reads a signed number, and z has none") != std::string::npos);
}

TEST_CASE("check FOLDER: the files whose names tell their languages, in order") {
  const Folder folder;
  folder.put("b/room.py", "'%d' % 'x'");
  folder.put("a.c", "printf(\"%d\", 2.5);");
  folder.put("notes.txt", "printf(\"%d\", 2.5);");
  folder.put(".hidden/room.c", "printf(\"%d\", 2.5);");
  const support::Ran ran = support::run_tool("check " + folder.path.string());
  CHECK(ran.status == 1);
  CHECK(ran.err == "inky: 2 files, 2 calls, 2 faults\ninky: 1 file of no known language skipped\n");
  CHECK(ran.out.find("a.c:1:9:") < ran.out.find("b/room.py:1:2:"));
}

TEST_CASE("check FILE for programs: JSON and SARIF have the same faults") {
  const Folder folder;
  const std::string file = folder.put("the room.c", "printf(\"\xC3\xA9 %d\" \"%u\", 2.5, -1);\n");
  const support::Ran plain = support::run_tool("check '" + file + "' --json");
  CHECK(plain.status == 1);
  CHECK(json::parse(plain.out)["ok"] == false);
  const json faults = json::parse(plain.out)["faults"];
  REQUIRE(faults.size() == 2);
  CHECK(faults[0]["column"] == 11);
  CHECK(faults[0]["to_column"] == 13);
  CHECK(faults[0]["repair"] == "%g");
  CHECK(faults[1]["code"] == "bits-reinterpreted");
  CHECK(faults[1]["column"] == 16);

  const support::Ran ran = support::run_tool("check '" + file + "' --sarif");
  CHECK(ran.status == 1);
  const json log = json::parse(ran.out);
  CHECK(log["version"] == "2.1.0");
  const json run = log["runs"][0];
  CHECK(run["columnKind"] == "unicodeCodePoints");
  REQUIRE(run["results"].size() == faults.size());
  for (std::size_t i = 0; i < faults.size(); ++i) {
    const json result = run["results"][i];
    CHECK(result["ruleId"] == faults[i]["code"]);
    CHECK(result["level"] == faults[i]["severity"]);
    const json place = result["locations"][0]["physicalLocation"];
    CHECK(place["region"]["startColumn"] == faults[i]["column"]);
    CHECK(place["region"]["endColumn"] == faults[i]["to_column"]);
    CHECK(place["artifactLocation"]["uri"].get<std::string>().find("the%20room.c") !=
          std::string::npos);
  }
  const json fix = run["results"][0]["fixes"][0]["artifactChanges"][0]["replacements"][0];
  CHECK(fix["insertedContent"]["text"] == "%g");
  CHECK(fix["deletedRegion"]["startColumn"] == 11);
  CHECK(json::parse(support::run_tool("check - --language c --sarif").out)["runs"][0]["results"] ==
        json::array());
}

TEST_CASE("check FILE: what cannot be done is said, and the other files are still checked") {
  const Folder folder;
  const std::string good = folder.put("good.c", "printf(\"%d\", 2.5);");
  const support::Ran ran = support::run_tool("check missing.c " + good);
  CHECK(ran.status == 2);
  CHECK(ran.err.find("cannot read \"missing.c\"") != std::string::npos);
  CHECK(ran.out.find("good.c:1:9: error") != std::string::npos);
  CHECK(support::run_tool("check " + folder.put("notes.txt", "") + " --language sea").status == 2);
  CHECK(support::run_tool("check '%s.c'").status == 0);  // a template, not a file
  CHECK(support::run_tool("check '%d' --sarif").status == 2);
  CHECK(support::run_tool("check " + good + " --fix").status == 2);
  CHECK(support::run_tool("check " + good + " --whole-line").status == 2);
  const std::string table =
      folder.put("calls.toml", "[[call]]\nlanguage = \"c\"\nname = \"say\"\n");
  const std::string said = folder.put("said.c", "say(\"%d\", 2.5);");
  CHECK(support::run_tool("check " + said).status == 0);
  CHECK(support::run_tool("check " + said + " --calls " + table).status == 1);
  const std::string bad = folder.put("bad.toml", "[[call]]\nlanguage = \"sea\"\n");
  const support::Ran refused = support::run_tool("check " + said + " --calls " + bad);
  CHECK(refused.status == 2);
  CHECK(refused.err.find("bad.toml") != std::string::npos);
}

TEST_CASE("check: what is demanded besides being right") {
  CHECK(support::run_tool("check '%.2f' f64 --in java").status == 0);
  CHECK(support::run_tool("check '%.2f' f64 --in java --for-machine").status == 1);
  CHECK(support::run_tool("check '%s' text --in java --for-machine").status == 0);
  CHECK(support::run_tool("check '%.2f' f64 --in python-percent --for-machine").status == 0);
  CHECK(support::run_tool("check '%d\\n' i32 --whole-line").status == 0);
  CHECK(support::run_tool("check '%d' i32 --whole-line --fix").out == "%d\\n\n");
  CHECK(support::run_tool("check '~D' i32 --in lisp --whole-line --fix").out == "~D~%\n");
  CHECK(support::run_tool("check '12345 %d' i32 --line-limit 7").status == 1);
  CHECK(support::run_tool("check '12345 %d' i32 --line-limit 8").status == 0);
  const Folder folder;
  const std::string file = folder.put(
      "Room.java", "String.format(\"%.2f\", 2.5);\nString.format(Locale.ROOT, \"%.2f\", 2.5);\n");
  const support::Ran ran = support::run_tool("check " + file + " --for-machine");
  CHECK(ran.out.find("Room.java:1:16: warning: ") != std::string::npos);
  CHECK(ran.err == "inky: 1 file, 2 calls, 1 fault\n");
}

// Two thousand call sites a language, right and wrong: what the compiler or the runtime refuses is
// a fault here, and what is one besides has its reason in the script.
TEST_CASE("check FILE finds what compilers and runtimes refuse, asked anew") {
  struct Live {
    const char* runtime;
    const char* language;
  };
  const Live all[] = {{"gcc --version", "c"},
                      {"javac --version", "java"},
                      {"rustc --version | grep -q 'rustc 1.95'", "rust"},
                      {"dotnet --version", "fsharp"},
                      {"python3 --version", "python"}};
  const std::uint64_t seed = support::seed(20310509);
  for (const Live& live : all) {
    if (support::shell(live.runtime).status != 0) {
      WARN("skipped: " << live.language << " needs what answers to " << live.runtime);
      continue;
    }
    const support::Ran ran = support::shell(
        "python3 " INKY_SOURCE_DIR "/tools/compilers/call_sites.py " INKY_BUILD_DIR "/cli/inky " +
        std::string(live.language) + " 2000 " + std::to_string(seed));
    INFO(ran.out << ran.err);
    CHECK(ran.status == 0);
  }
}

// A million lines: in no more memory than a tenth of them, and in bounded memory at all.
TEST_CASE("check FILE takes a file of a million lines in bounded memory") {
  const Folder folder;
  const auto lines = [&](int count) {
    std::string text;
    for (int i = 0; i < count; ++i)
      text += i % 5 == 0 ? "  printf(\"%d of %s\\n\", " + std::to_string(i) + ", code); /* one */\n"
                         : "  mass[" + std::to_string(i) + "] += f(g(\"a \\\" quote\", 'x'));\n";
    return folder.put("lines" + std::to_string(count) + ".c", text + "printf(\"%d\", 2.5);");
  };
  const auto peak = [](const std::string& file) {
    const support::Ran ran = support::shell(
        "python3 -c 'import resource, subprocess, sys\n"
        "status = subprocess.run([\"" INKY_BUILD_DIR
        "/cli/inky\", \"check\", sys.argv[1]]).returncode\n"
        "print(status, resource.getrusage(resource.RUSAGE_CHILDREN).ru_maxrss)' " +
        file);
    CHECK(ran.out.find(":9: error: %d reads an int") != std::string::npos);
    const std::size_t at = ran.out.rfind("\n1 ");
    REQUIRE(at != std::string::npos);
    return std::stol(ran.out.substr(at + 3));
  };
  const long small = peak(lines(support::cases(100'000)));
  const long large = peak(lines(support::cases(1'000'000)));
  INFO(small << " KiB and " << large << " KiB");
  // The sanitizer keeps what was freed.
#ifndef INKY_SANITIZED
  CHECK(large < small + 4096);
  CHECK(large < 64 * 1024);
#endif
}
