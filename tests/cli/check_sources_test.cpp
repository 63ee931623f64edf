// inky check in a repository and as a step of a build server: which files, which faults, and how
// they are reported.

#include <algorithm>
#include <catch2/catch.hpp>
#include <filesystem>
#include <nlohmann/json.hpp>
#include <set>

#include "support/check_in.hpp"

using json = nlohmann::json;
using support::check_in;
using support::Folder;
using support::has;
using support::places_of;
using support::Ran;
using support::right;
using support::wrong;

TEST_CASE("check: what is no source, or not there, is never taken for a template") {
  const Folder folder;
  folder.put("src/a.c", wrong);
  folder.put("empty/notes.txt", "x");
  folder.put("noted", "x");
  struct Row {
    const char* arguments;
    int status;
    const char* message;
    const char* found;
  };
  const Row rows[] = {
      {"missing.c", 2, "cannot read \"missing.c\": No such file", ""},
      {"missing/", 2, "cannot read \"missing/\"", ""},
      {"src/missing", 2, "cannot read \"src/missing\"", ""},
      {"room.zig", 2, "cannot read \"room.zig\"", ""},
      {"empty", 2, "no source file is in \"empty\"", ""},
      {"empty/notes.txt", 2, "the language of \"empty/notes.txt\" cannot be known", ""},
      {"noted", 2, "the language of \"noted\" cannot be known", ""},
      {"src missing.c", 2, "cannot read \"missing.c\"", "src/a.c:1"},
      {"missing/ src --json", 2, "cannot read \"missing/\"", nullptr},
      {"'%s/%s.c' text text", 0, "", nullptr},
      {"'%d/room.c' f64", 1, "", nullptr},
      {"src/a.c f64 --in c", 1, "", nullptr},  // a template, by --in
  };
  for (const Row& row : rows) {
    INFO(row.arguments);
    const Ran ran = check_in(folder, row.arguments);
    CHECK(ran.status == row.status);
    CHECK(has(ran.err, row.message));
    if (row.found != nullptr) CHECK(places_of(ran.out) == row.found);
  }
  const json report = json::parse(check_in(folder, "missing.c src --json").out);
  CHECK(report["errors"][0]["code"] == "unreadable-file");
  CHECK(report["ok"] == false);
  CHECK(report["summary"]["files"] == 1);
}

TEST_CASE("check: which files of a folder are read") {
  const Folder folder;
  for (const char* name : {"a.c", "b.C", "c.inc", "d.tpp", "e.cppm", "gen/f.c", "gen/keep.c",
                           "build/g.c", ".hidden/h.c", "deep/build/i.c", "j.gen.c"})
    folder.put(name, wrong);
  folder.put("tool", "#!/usr/bin/env -S python3 -u\nprint('%d' % 'x')\n");
  folder.put("script", "#! /usr/bin/python3.11\n'%d' % 'x'\n");
  folder.put("other", "#!/bin/sh\nprintf '%d' x\n");
  folder.put("page.inc", "<?php\nprintf(\"%d %d\", 1);\n");
  folder.put("page.phtml", "<b><?php printf('%d %d', 1); ?></b>\n");
  folder.put("types.ts", "const a: string = `${(2.5).toFixed(200)}`;\n");
  folder.put("notes.md", wrong);
  folder.put(".gitignore", "# made\nbuild/\n/j.*\ngen/*\n!gen/keep.c\n");
  folder.put("deep/.gitignore", "!build/\n");
  const std::string all =
      "./a.c:1 ./b.C:1 ./c.inc:1 ./d.tpp:1 ./deep/build/i.c:1 ./e.cppm:1 ./gen/keep.c:1 "
      "./page.inc:2 ./page.phtml:1 ./script:2 ./tool:2 ./types.ts:1";
  const Ran ran = check_in(folder, ".");
  CHECK(places_of(ran.out) == all);
  CHECK(has(ran.err, "inky: 2 files of no known language skipped\n"));
  CHECK(has(places_of(check_in(folder, ". --ignored").out), "./build/g.c:1"));
  // What is named is read, whatever .gitignore says.
  CHECK(places_of(check_in(folder, "build/g.c build").out) == "build/g.c:1");
  const Ran fewer = check_in(folder,
                             "a.c gen . --exclude gen/ --exclude '*.inc' --exclude /tool "
                             "--exclude 'deep/**/i.?'");
  CHECK(places_of(fewer.out) ==
        "a.c:1 ./b.C:1 ./d.tpp:1 ./e.cppm:1 ./page.phtml:1 ./script:2 ./types.ts:1");
  CHECK(has(fewer.err, "inky: 4 files excluded\n"));
}

TEST_CASE("check: a list of files") {
  const Folder folder;
  folder.put("a.c", wrong);
  folder.put("the b.c", wrong);
  folder.put("notes.md", "x");
  folder.put("lines", "a.c\nnotes.md\r\n\nthe b.c\n");
  folder.put("nuls", std::string("a.c\0the b.c\0", 12));
  const Ran ran = check_in(folder, "--files-from lines");
  CHECK(places_of(ran.out) == "a.c:1 the b.c:1");
  CHECK(has(ran.err, "1 file of no known language skipped"));
  CHECK(places_of(check_in(folder, "--files-from nuls").out) == "a.c:1 the b.c:1");
  CHECK(places_of(check_in(folder, "--files-from - < nuls").out) == "a.c:1 the b.c:1");
  CHECK(check_in(folder, "--files-from missing").status == 2);
  // An empty list is no fault: nothing was changed.
  CHECK(check_in(folder, "--files-from /dev/null").status == 0);
}

TEST_CASE("check: UTF-16 with its mark, and bytes that are no UTF-8") {
  const Folder folder;
  const std::string source = "/* \xC3\xA9\xF0\x9F\x98\x80 */ printf(\"%d\", 2.5);\n";
  folder.put("plain.c", source);
  for (const std::string form : {"UTF-16LE", "UTF-16BE"}) {
    const std::string mark = form == "UTF-16LE" ? "\\377\\376" : "\\376\\377";
    const Ran made = support::shell("cd '" + folder.path.string() + "' && (printf '" + mark +
                                    "'; iconv -f UTF-8 -t " + form + " plain.c) > wide.c");
    REQUIRE(made.status == 0);
    const Ran ran = check_in(folder, "wide.c");
    CHECK(ran.out == "wide.c" + check_in(folder, "plain.c").out.substr(7));
    CHECK(has(ran.out, "wide.c:1:18: error: "));
  }
  folder.put("half.c", std::string("\xFF\xFEp\0r", 5));
  CHECK(check_in(folder, "half.c").status == 0);
  folder.put("latin.c", "/* \xE9 */ printf(\"%d\", 2.5);\n");
  CHECK(has(check_in(folder, "latin.c").out, "latin.c:1:17: error: "));
}

TEST_CASE("check: codes that are reported, and what fails") {
  const Folder folder;
  folder.put("a.c", "printf(\"%d\", 2.5);\nprintf(\"%d\", 1, 2);\nprintf(f);\n");
  folder.put("b.c", "void f(int n) { printf(\"%x\", n); }\n");
  folder.put("c.cpp", "cout << hex << n;\n");
  struct Row {
    const char* arguments;
    int status;
    const char* found;
  };
  const Row rows[] = {
      {".", 1, "./a.c:1 ./a.c:2"},
      {". --disable too-many-values", 1, "./a.c:1"},
      {". --disable 'too-many-values, language-undefined'", 0, ""},
      {". --disable all --enable too-many-values", 1, "./a.c:2"},
      {". --enable signedness", 1, "./a.c:1 ./a.c:2 ./b.c:1"},
      {". --signedness", 1, "./a.c:1 ./a.c:2 ./b.c:1"},
      {". --enable settings-left-on", 1, "./a.c:1 ./a.c:2 ./c.cpp:1"},
      {". --enable not-checked", 1, "./a.c:1 ./a.c:2 ./a.c:3"},
      {"a.c --disable language-undefined --fail-on error", 0, "a.c:2"},
      {"a.c --fail-on error", 1, "a.c:1 a.c:2"},
      {"a.c --fail-on nothing", 0, "a.c:1 a.c:2"},
      {"a.c --fail-on sometimes", 2, ""},
      {"a.c --enable laguage-fails", 2, ""},
      {"a.c --enable too-many-values --disable too-many-values", 2, ""},
      {"a.c --enable 'line-too-long'", 2, ""},
      {"a.c --enable line-too-long --line-limit 3", 1, "a.c:1 a.c:2"},
      {"a.c --max-faults 1", 1, "a.c:1"},
      {"a.c --json --sarif", 2, ""},
      {". --jobs 3", 1, "./a.c:1 ./a.c:2"},
  };
  for (const Row& row : rows) {
    INFO(row.arguments);
    const Ran ran = check_in(folder, row.arguments);
    CHECK(ran.status == row.status);
    CHECK(places_of(ran.out) == row.found);
  }
  CHECK(has(check_in(folder, "a.c --enable laguage-fails").err, "Did you mean language-fails?"));
  const Ran most = check_in(folder, "a.c --max-faults 1");
  CHECK(has(most.err, "1 file, 3 calls, 2 faults"));
  CHECK(has(most.err, "1 more are not shown"));
  CHECK(check_in(folder, ". --summary").out == "1  c  too-many-values\n1  c  language-undefined\n");
}

TEST_CASE("check: remarks that accept a fault") {
  const Folder folder;
  const std::string call = "printf(\"%d\", 2.5);";
  struct Row {
    const char* name;
    std::string source;
    const char* found;  // place and code
  };
  const Row rows[] = {
      {"same.c", call + " // inky: accept language-undefined: why\n", ""},
      {"block.c", call + " /* inky: accept language-undefined: why */ int n;\n", ""},
      {"above.c", "// inky: accept language-undefined: why\n" + call + "\n", ""},
      {"two.c",
       "// inky: accept language-undefined: why\n// inky: accept too-many-values: why\n"
       "printf(\"%d\", 2.5); printf(\"%d\", 1, 2);\n",
       ""},
      {"list.c",
       "printf(\"%d\", 2.5, 3); // inky: accept too-many-values, language-undefined: why\n",
       "unused-remark"},  // a template that fails is not looked at further
      {"other.c", call + " // inky: accept language-fails: why\n",
       "language-undefined unused-remark"},
      {"below.c", "// inky: accept language-undefined: why\n\n" + call + "\n",
       "unused-remark language-undefined"},
      {"no-reason.c", call + " // inky: accept language-undefined\n",
       "language-undefined bad-remark"},
      {"empty-reason.c", call + " // inky: accept language-undefined:  \n",
       "language-undefined bad-remark"},
      {"no-code.c", call + " // inky: accept: why\n", "language-undefined bad-remark"},
      {"misspelt.c", call + " // inky: accept language-undefind: why\n",
       "language-undefined bad-remark"},
      {"prose.c", "// inky: accepted by all, and inky: the tool\n" + call + "\n",
       "language-undefined"},
      {"text.c", "char *s = \"// inky: accept language-undefined: why\"; " + call + "\n",
       "language-undefined"},
      {"hash.py", "'%d' % 'x'  # inky: accept language-fails: why\n", ""},
      {"semi.lisp", "(format t \"~d ~d\" 1) ; inky: accept language-fails: why\n", ""},
      {"long.py", "print('%d'  # inky: accept language-fails: why\n      % 'x')\n", ""},
      {"page.php", "<?php printf('%d %d', 1); // inky: accept language-fails: why ?>\n", ""},
      {"room.fs", "printfn \"%d\" \"x\" (* inky: accept language-fails: why *)\n", ""},
      {"room.m", "printf('%d', 1); % inky: accept all: why\n", "bad-remark"},
  };
  for (const Row& row : rows) {
    INFO(row.name);
    folder.put(row.name, row.source);
    std::string codes;
    const json report = json::parse(check_in(folder, std::string(row.name) + " --json").out);
    for (const json& fault : report["faults"])
      codes += (codes.empty() ? "" : " ") + fault["code"].get<std::string>();
    CHECK(codes == row.found);
  }
  CHECK(has(check_in(folder, "same.c").err, "inky: 1 fault accepted by remarks\n"));
  // More remarks about one line than are read are a fault of their own.
  std::string many;
  for (int i = 0; i < 21; ++i) many += "/* inky: accept language-undefined: why */";
  folder.put("many.c", call + many + "\n");
  CHECK(has(check_in(folder, "many.c").out, "more than 20 remarks about one line [bad-remark]"));
  // Where a code is not reported, its remark may still be of use to others.
  CHECK(check_in(folder, "other.c --disable language-fails,language-undefined").out.empty());
}

TEST_CASE("check: a baseline, of which only what is new fails") {
  const Folder folder;
  folder.put("src/a.c", std::string(wrong) + wrong + "printf(\"%s\", 1);\n");
  folder.put("src/b.c", wrong);
  const Ran made = check_in(folder, "src --write-baseline known.txt");
  CHECK(made.status == 0);
  CHECK(made.out.empty());
  CHECK(has(made.err, "4 known faults written to \"known.txt\""));
  const std::string text = support::read_file((folder.path / "known.txt").string());
  CHECK(std::count(text.begin(), text.end(), '\n') == 5);
  CHECK(has(text, " language-undefined src/b.c\n"));
  Ran ran = check_in(folder, "src --baseline known.txt");
  CHECK(ran.status == 0);
  CHECK(ran.out.empty());
  CHECK(has(ran.err, "4 faults known before"));
  // A fault stays known when its line moves. A second one like it is new. One that is gone is
  // reported on standard error.
  folder.put("src/a.c", "\n\n" + std::string(wrong) + wrong + wrong);
  ran = check_in(folder, "src --baseline known.txt");
  CHECK(ran.status == 1);
  CHECK(places_of(ran.out) == "src/a.c:5");
  CHECK(has(ran.err, "1 known fault not met"));
  // From another folder the paths are the same ones.
  CHECK(support::shell("cd '" + folder.path.string() +
                       "/src' && " INKY_BUILD_DIR "/cli/inky check b.c --baseline ../known.txt")
            .status == 0);
  folder.put("bad.txt", "# made\nnot a line\n");
  ran = check_in(folder, "src --baseline bad.txt");
  CHECK(ran.status == 2);
  CHECK(has(ran.err, "bad.txt, line 2: this is no known fault"));
  CHECK(check_in(folder, "src --baseline missing.txt").status == 2);
  // Nothing is written where a file could not be read.
  CHECK(check_in(folder, "src missing.c --write-baseline new.txt").status == 2);
  CHECK_FALSE(std::filesystem::exists(folder.path / "new.txt"));
  CHECK(check_in(folder, "src --write-baseline no/such/known.txt").status == 2);
}

TEST_CASE("check: settings of a team") {
  const Folder folder;
  folder.put("inky.toml",
             "[check]\ndisable = [\"too-many-values\"]\nenable = [\"signedness\"]\n"
             "exclude = [\"gen/\", \"*.pb.c\"]\ncalls = \"tools/calls.toml\"\n"
             "fail_on = \"error\"\nbaseline = \"tools/known.txt\"\n");
  folder.put("tools/calls.toml", "[[call]]\nlanguage = \"c\"\nname = \"say\"\n");
  folder.put("tools/known.txt", "# none\n");
  folder.put("src/a.c",
             "void f(int n) {\nprintf(\"%x\", n);\nprintf(\"%d\", 1, 2);\nsay(\"%d\");}\n");
  folder.put("src/room.pb.c", wrong);
  folder.put("gen/b.c", wrong);
  CHECK(places_of(check_in(folder, ".").out) == "./src/a.c:2 ./src/a.c:4");
  CHECK(places_of(check_in(folder, "src").out) == "src/a.c:2 src/a.c:4");
  CHECK(places_of(check_in(folder, "gen/b.c src").out) == "src/a.c:2 src/a.c:4");
  CHECK(places_of(check_in(folder, "src --no-settings").out) == "src/a.c:3 src/room.pb.c:1");
  CHECK(places_of(check_in(folder, "src --enable too-many-values --disable signedness").out) ==
        "src/a.c:3 src/a.c:4");
  CHECK(check_in(folder, "src --disable language-undefined").status == 0);
  CHECK(check_in(folder, "src --disable language-undefined --fail-on warning").status == 1);
  folder.put("other.toml", "[check]\ndisable = [\"all\"]\n");
  CHECK(check_in(folder, "src --settings other.toml").status == 0);
  struct Row {
    const char* text;
    const char* message;
  };
  const Row rows[] = {
      {"[check]\nenabel = []\n", "line 2: \"enabel\" is not a key of [check]"},
      {"[chek]\n", "\"chek\" is no table of the settings"},
      {"check = 1\n", "\"check\" is a table"},
      {"[check]\nenable = \"x\"\n", "\"enable\" is a list"},
      {"[check]\nenable = [1]\n", "an item of \"enable\" is a text"},
      {"[check]\nenable = [\"langage-fails\"]\n", "\"langage-fails\" is no fault"},
      {"[check]\nfail_on = \"x\"\n", "\"x\" is nothing to fail on"},
      {"[check]\nline_limit = 0\n", "\"line_limit\" is a number from 1 to"},
      {"[check]\nfor_machine = 1\n", "\"for_machine\" is true or false"},
      {"[check]\ncalls = \"\"\n", "\"calls\" is a text"},
      {"[check\n", "the settings are not valid TOML"},
  };
  for (const Row& row : rows) {
    INFO(row.text);
    folder.put("bad.toml", row.text);
    const Ran ran = check_in(folder, "src --settings bad.toml");
    CHECK(ran.status == 2);
    CHECK(has(ran.err, "bad.toml"));
    CHECK(has(ran.err, row.message));
  }
}

TEST_CASE("check: the schema of the settings has the keys that are read, and no others") {
  const Folder folder;
  folder.put("a.c", right);
  folder.put("known-faults.txt", "");
  folder.put("calls.toml", "");
  folder.put("build/compile_commands.json", "[]");
  const json schema = json::parse(support::read_file(INKY_SOURCE_DIR "/docs/check.schema.json"));
  for (const auto& [key, fact] : schema["properties"]["check"]["properties"].items()) {
    INFO(key);
    REQUIRE(fact["examples"].size() > 0);
    // JSON of lists, texts, numbers and truths is TOML.
    for (const json& example : fact["examples"]) {
      folder.put("inky.toml", "[check]\n" + key + " = " + example.dump() + "\n");
      CHECK(check_in(folder, "a.c").status == 0);
    }
    // A value that the schema refuses is refused.
    folder.put("inky.toml", "[check]\n" + key + " = {}\n");
    CHECK(check_in(folder, "a.c").status == 2);
  }
  folder.put("inky.toml", "[check]\nq = 1\n");
  std::string listed = check_in(folder, "a.c").err;
  std::replace(listed.begin(), listed.end(), '\n', ' ');
  std::set<std::string> read;
  for (std::size_t at = listed.find("one of:") + 7; at < listed.size();) {
    const std::size_t end = listed.find_first_of(" ,.", at);
    if (end > at) read.insert(listed.substr(at, end - at));
    at = end + 1;
  }
  std::set<std::string> stated;
  for (const auto& [key, fact] : schema["properties"]["check"]["properties"].items())
    stated.insert(key);
  CHECK(read == stated);
}

TEST_CASE("check for build servers: annotations and JUnit") {
  const Folder folder;
  folder.put("a,b:c.c", "printf(\"%d%%\\n\", \"<&>\");\n");
  folder.put("good.c", right);
  const Ran lines = check_in(folder, "'a,b:c.c' good.c --annotations");
  CHECK(lines.status == 1);
  CHECK(lines.out.starts_with(
      "::error file=a%2Cb%3Ac.c,line=1,endLine=1,col=9,endColumn=11,title=language-undefined::%25d "
      "reads an int, and \"<&>\" is passed as a char*;"));
  CHECK(std::count(lines.out.begin(), lines.out.end(), '\n') == 1);
  folder.put("junit.xml", check_in(folder, "'a,b:c.c' good.c missing.c --junit").out);
  // Another reader of XML.
  const Ran read = support::shell(
      "python3 -c \"import sys, xml.etree.ElementTree as tree\n"
      "for suite in tree.parse(sys.argv[1]).getroot():\n"
      "  print(suite.get('name'), suite.get('tests'), suite.get('failures'), suite.get('errors'))\n"
      "  for case in suite:\n"
      "    print(' ', case.get('name'), *[part.tag + ':' + part.get('message') for part in "
      "case])\n\" '" +
      (folder.path / "junit.xml").string() + "'");
  CHECK(read.err.empty());
  CHECK(
      read.out.starts_with("a,b:c.c 1 1 0\n  1:9 language-undefined failure:%d reads an int, and "
                           "\"<&>\" is passed as a char*;"));
  CHECK(has(read.out, "good.c 1 0 0\n  nothing found\n"));
  CHECK(has(read.out, "inky check 1 0 1\n  unreadable-file error:cannot read \"missing.c\""));
}

TEST_CASE("check: a reader that goes away ends the run") {
  const Folder folder;
  std::string text;
  for (int i = 0; i < 2000; ++i) text += wrong;
  for (int i = 0; i < 400; ++i) folder.put("f" + std::to_string(i) + ".c", text);
  const Ran ran = support::shell("cd '" + folder.path.string() +
                                 "' && (" INKY_BUILD_DIR
                                 "/cli/inky check . --jobs 2; echo $? >&2) | head -c 10");
  CHECK(has(ran.err, "the output could not be written"));
  CHECK(has(ran.err, "2\n"));
  CHECK_FALSE(has(ran.err, "400 files"));
}
