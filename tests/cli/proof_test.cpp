// inky proof as it is typed: data in every state, tables as languages print them, programs.

#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>
#include <string>

#include "support/process.hpp"

using support::Ran;
using support::run_tool;

namespace {

const std::string demo = INKY_SOURCE_DIR "/demo/";
const std::string batches = demo + "batches.toml ";

std::size_t lines_of(const std::string& text) {
  return static_cast<std::size_t>(std::count(text.begin(), text.end(), '\n'));
}

// inky proof with these words.
Ran proof(std::initializer_list<std::string_view> words, const std::string& input = {}) {
  std::string line = "proof";
  for (const std::string_view word : words) (line += ' ') += word;
  return run_tool(line, input);
}

bool has(const std::string& text, const std::string& part) {
  return text.find(part) != std::string::npos;
}

std::string file(const std::string& name, const std::string& text) {
  std::string path = support::scratch() + "/" + name;
  support::write_file(path, text);
  return path;
}

}  // namespace

TEST_CASE("broken data is said, with its place and what was done, and the rest is printed") {
  struct Case {
    const char* data;
    const char* said;
    std::size_t lines;  // of the table, with its headings
  };
  const std::string sheet = file("two.toml",
                                 "[[column]]\nfrom = \"a\"\nwidth = 6\n[[column]]\nfrom = \"b\"\n"
                                 "kind = \"real\"\nwidth = 6\n");
  const Case cases[] = {
      {"a,b\nx\ny,2\n", "line 2: has 1 cell for 2 columns; the rest are missing [bad-row]", 4},
      {"a,b\nx,1,2\ny,2\n", "line 2: has 3 cells for 2 columns; the extra ones are left out", 4},
      {"a,b\n\"x,1\ny,2\n",
       "line 2: has a quote that is not closed, or is in the wrong place; the line is kept as it "
       "is, from column 1 [bad-row]",
       4},
      {"a,b\nx,much\ny,2\n", "line 2: b: \"much\" is not a number; shown as \"?\" [unreadable]", 4},
      {"a,c\nx,1\n",
       "b: the data has no column \"b\"; all its cells are missing. It has: \"a\", \"c\"", 3},
      {"a,a,b\nx,y,1\n",
       "line 1: names two columns \"a\"; the later one is called \"a (2)\" [bad-row]", 3},
      {"a,b\n\xff,1\n", "line 2: a: \"\\xff\" is not UTF-8; shown as \"?\" [unreadable]", 3},
      {"{\"a\": \"x\", \"b\": 1}\n[1]\n{\"a\": \"y\", \"b\": 2}\n",
       "line 2    holds a list or an object where a cell is expected; it is left out", 4},
  };
  for (const Case& c : cases) {
    INFO(c.data);
    const std::string data = file("broken.data", c.data);
    const bool is_json = c.data[0] == '{';
    const Ran ran = proof({"--bare", sheet, data});
    CHECK(ran.status == 1);
    CHECK(lines_of(ran.out) == c.lines);
    // JSON Lines are read whole, and their findings stand in the preview.
    CHECK(has(is_json ? proof({sheet, data}).out : ran.err, c.said));
    const Ran strict = proof({"--strict", sheet, data});
    CHECK(strict.status == 1);
    CHECK(strict.out.empty());
    CHECK(strict.err.starts_with("inky: "));
    CHECK(proof({"--strict --bare", sheet, data}).status == 1);
  }
  // NaN is a number, and so is what is too large for one.
  const Ran special = proof({"--bare", sheet, file("nan.csv", "a,b\nx,nan\ny,1e999\n")});
  CHECK(special.status == 0);
  CHECK(has(special.out, "x          nan\ny          inf\n"));
  CHECK(run_tool("proof --bare " + sheet + " " + file("empty.csv", "")).status == 2);
}

TEST_CASE("a cell of 10 MB is a cell") {
  const std::string data = file("long.csv", "a\n" + std::string(10 << 20, 'x') + "\nend\n");
  for (const char* policy : {"push", "cut", "wrap", "hashes", "fail"}) {
    INFO(policy);
    std::string text = "overflow = \"";
    text.append(policy).append("\"\n[[column]]\nfrom = \"a\"\nwidth = 1000\n");
    const std::string sheet = file("long.toml", text);
    const Ran ran = proof({"--bare", sheet, data});
    const bool fails = policy == std::string_view("fail");
    CHECK(ran.status == (fails ? 2 : policy == std::string_view("wrap") ? 0 : 1));
    CHECK(has(ran.out, "\nend") == !fails);
    CHECK(ran.err.size() < 1000);
    if (fails) CHECK(has(ran.err, "line 2: the cell of column \"a\" is 10484760 columns too wide"));
  }
}

TEST_CASE("a row over the limit is said, with or without quotes") {
  const std::string sheet =
      file("limit.toml", "overflow = \"hashes\"\n[[column]]\nfrom = \"a\"\nwidth = 3\n");
  const std::string long_row(20 << 20, 'x');
  const Ran plain = proof({"--bare", sheet, file("limit.csv", "a\n" + long_row + "\nend\n")});
  CHECK(plain.status == 1);
  CHECK(
      has(plain.err, "line 2: is longer than a row may be, 16 MB; what follows counts as another"));
  CHECK(has(plain.out, "###\n###\nend\n"));
  const Ran open = proof({"--bare", sheet, file("limit.csv", "a\n\"" + long_row + "\nend\n")});
  CHECK(open.status == 1);
  CHECK(has(open.err, "line 2: has a quote that is not closed"));
  CHECK(has(open.out, "\nend\n"));
}

TEST_CASE("the bare table of a language is what its program is said to print") {
  for (const char* dialect : {"c", "java", "python", "octave"}) {
    INFO(dialect);
    const Ran as = proof({"--bare --as", dialect, batches});
    CHECK(as.status == 0);
    CHECK(lines_of(as.out) == 42);
    const Ran native = proof({"--native-padding --as", dialect, batches});
    CHECK(native.status == 1);
    CHECK(has(native.out, "Mass (g): begins "));
    const auto json = nlohmann::json::parse(proof({"--json --as", dialect, batches}).out);
    CHECK(json["dialect"] == dialect);
    CHECK(json["lines"].size() == 42);
    CHECK(json["columns"][1]["way"] == "helped");
  }
  // Java rounds the shortest decimal half up.
  CHECK(has(proof({"--bare --as java", batches}).out, "K-01   Zinkweiß             0.13"));
  CHECK(has(proof({"--bare --as c", batches}).out, "K-01   Zinkweiß             0.12"));
  const Ran beside = proof({"--beside c,java", batches});
  CHECK(beside.status == 1);
  CHECK(has(beside.out, "java            prints "));
  CHECK(proof({"--beside c,rust", demo + "labels.toml"}).status == 0);
}

TEST_CASE("programs: the data stays in its quotes, and lines stay short") {
  const std::string sheet = file("h.toml", "[[column]]\nfrom = \"a\"\n");
  const std::string data = file("h.csv", "a\n\"\"\"); */ ${x} %s {} ~A \\\"\n");
  for (const char* dialect :
       {"c", "cpp-format", "cpp-stream", "csharp", "fsharp", "java", "javascript", "lisp", "octave",
        "php", "python", "python-percent", "r", "rust"}) {
    INFO(dialect);
    const Ran ran = proof({"--emit", dialect, sheet, data});
    CHECK(ran.status == 0);
    CHECK_FALSE(has(ran.out, "\n\"); */"));
    const Ran table = proof({"--emit", dialect, batches});
    std::size_t longest = 0;
    std::size_t from = 0;
    for (std::size_t end; (end = table.out.find('\n', from)) != std::string::npos; from = end + 1)
      longest = std::max(longest, end - from);
    // In bytes, and a list of names is not parted.
    CHECK(longest <= 115);
  }
  struct Case {
    const char* arguments;
    int status;
    const char* error;
  };
  const Case cases[] = {
      {"--emit octave-display", 2, "that prints a table is not supported yet"},
      {"--emit nolang", 2, "\"nolang\" is not a dialect"},
      {"--emit c,java", 2, "more than one language is given"},
      {"--as all", 2, "more than one language is given"},
      {"--beside c", 2, "there is nothing to compare it with"},
      {"--fit-rows 5", 2, "--fit-rows is for CSV that is printed while it is read"},
      {"--column code", 2, "a sheet and --column are both given"},
  };
  for (const Case& c : cases) {
    INFO(c.arguments);
    const Ran ran = proof({batches, c.arguments});
    CHECK(ran.status == c.status);
    CHECK(has(ran.err, c.error));
  }
  std::string many = "a\n";
  for (int i = 0; i < 20001; ++i) many += "x\n";
  const Ran over = proof({"--emit c", sheet, file("many.csv", many)});
  CHECK(over.status == 2);
  CHECK(has(over.err, "the table has 20001 cells, and a program of C can hold 20000"));
}

TEST_CASE("programs that read their data print what the others print, asked anew") {
  const std::string sheet =
      file("d.toml",
           "[[column]]\nfrom = \"a b\"\n[[column]]\nfrom = \"n\"\nkind = \"whole\"\n"
           "[[column]]\nfrom = \"x\"\nkind = \"real\"\nnotation = \"fixed\"\n"
           "places = 2\n");
  const std::string data =
      file("it's \"data\".csv", "x,a b,n\n2.675,\"a, \"\"b\"\"\",7\n-0.125,NA,-12\n1e3,\\n %d,0\n");
  const std::string quoted = "'" + support::scratch() + "/it'\\''s \"data\".csv'";
  const std::pair<const char*, const char*> runs[] = {
      {"python", "python3"}, {"python-percent", "python3"}, {"php", "php"}, {"r", "Rscript"}};
  for (const auto& [dialect, program] : runs) {
    INFO(dialect);
    const Ran source = proof({"--data-file --emit", dialect, sheet, quoted});
    CHECK(source.status == 0);
    if (support::shell(std::string(program).append(" --version")).status != 0) continue;
    const Ran ran =
        support::shell(std::string(program).append(" ").append(file("reads", source.out)));
    CHECK(ran.err.empty());
    CHECK(ran.out == proof({"--bare --as", dialect, sheet, quoted}).out);
  }
  const std::pair<const char*, const char*> refused[] = {
      {"c", "the language does not read CSV itself"}, {"python", "column pigment takes a helper"}};
  for (const auto& [dialect, why] : refused) {
    const Ran ran = proof({"--data-file --emit", dialect, batches});
    CHECK(ran.status == 2);
    CHECK(has(ran.err, why));
  }
}

TEST_CASE("witnesses are asked once, kept, and said to be missing") {
  const std::string cache = support::scratch() + "/cache";
  // It can write to nothing but its own folder; what it prints shows whether it was asked.
  const std::string answer = file("answer", "a\n-\nx\n");
  const std::string fake = file("fake",
                                "#!/bin/sh\n"
                                "[ \"$1\" = --version ] && echo fake 1 && exit\n"
                                "cat " +
                                    answer + "\n");
  support::shell("chmod +x " + fake);
  const std::string sheet = file("w.toml", "[[column]]\nfrom = \"a\"\n");
  const std::string data = file("w.csv", "a\nx\n");
  const std::string with = "XDG_CACHE_HOME=" + cache + " PYTHON=" + fake +
                           " " INKY_BUILD_DIR "/cli/inky proof --witness --as python ";
  const std::string asked = with + sheet + " " + data;
  for (int i = 0; i < 2; ++i) {
    const Ran ran = support::shell(asked);
    CHECK(ran.status == 0);
    CHECK(has(ran.out, "the same 6 bytes"));
    support::write_file(answer, "b\n");
  }
  CHECK(support::shell(with + "--no-cache " + sheet + " " + data).status == 1);
  support::write_file(answer, "a\n-\nx\n");
  // Other data is another program, and the fake one prints the same.
  const Ran differs = support::shell(with + sheet + " " + file("w2.csv", "a\nyy\n"));
  CHECK(differs.status == 1);
  CHECK(has(differs.out, "printed something else, 6 bytes for 9"));
  CHECK(has(differs.out, "they part at byte 2 of the line"));
  // A file that is no entry is none.
  support::shell("for f in " + cache + "/inky-margin/witness/*; do echo 9 > $f; done");
  support::write_file(answer, "b\n");
  CHECK(support::shell(with + sheet + " " + data).status == 1);

  const std::string without =
      "PATH=/nowhere " INKY_BUILD_DIR "/cli/inky proof --no-cache --witness ";
  const Ran missing = support::shell(without + "--as rust,php " + sheet + " " + data);
  CHECK(missing.status == 0);
  CHECK(has(missing.out, "there is no rustc here. Debian has it in rustc."));
  CHECK(support::shell(without + "--require --as rust " + sheet + " " + data).status == 1);
  const auto json =
      nlohmann::json::parse(support::shell(without + "--json --as rust " + sheet + " " + data).out);
  CHECK(json["witnesses"][0]["verdict"] == "missing");
}

TEST_CASE("a sample fits, standard input is read once, and the data may stand alone") {
  std::string data = "a,b\n";
  for (int i = 0; i < 2000; ++i) data += "x,1.5\n";
  data += "much longer,20.25\n";
  const std::string sheet = file("f.toml", "[[column]]\nfrom = \"a\"\n[[column]]\nfrom = \"b\"\n");
  const Ran all = run_tool("proof --bare " + sheet + " -", data);
  CHECK(all.status == 0);
  CHECK(all.out.starts_with("a            b"));
  const Ran sample = run_tool("proof --bare --fit-rows 100 " + sheet + " -", data);
  CHECK(sample.status == 1);
  CHECK(sample.out.starts_with("a  b"));
  CHECK(lines_of(sample.out) == 2003);
  CHECK(has(sample.err, "line 2002: a: the cell is 10 columns too wide, and pushes what follows"));
  const std::string path = file("f.csv", data);
  CHECK(proof({"--bare --fit-rows 100", sheet, path}).out == sample.out);
  CHECK(proof({"--bare", sheet, path}).out == all.out);
  // Numbers have their points in line.
  CHECK(has(proof({"--bare", path}).out, "\nx             1.5 \n"));
  CHECK(has(proof({"--bare", path, "--column 'b kind=real notation=fixed places=1'"}).out,
            "\n 1.5\n"));
  CHECK(proof({"--bare --column b", path}).out == proof({"--bare", path, "--column b"}).out);
  CHECK(has(proof({"--bare", path, "--set 'gap= | ' --set rule=="}).out, "= "));
  CHECK(proof({"--bare", path, "--set gpa=1"}).err.starts_with("inky: \"gpa\" is not a key"));
  CHECK(proof({batches, "--set gap=x"}).status == 2);
  CHECK(run_tool("proof").status == 2);
}

TEST_CASE("a watched sheet is printed again when its data change") {
  const std::string sheet = file("v.toml", "[[column]]\nfrom = \"a\"\n");
  const std::string data = file("v.csv", "a\nfirst\n");
  const Ran ran = support::shell("(sleep 2; printf 'a\\nsecond\\n' > " + data +
                                 ") & timeout 6 " INKY_BUILD_DIR "/cli/inky proof --bare --watch " +
                                 sheet + " " + data);
  CHECK(ran.status == 124);
  CHECK(has(ran.out, "first\n"));
  CHECK(has(ran.out, "second\n"));
  CHECK(run_tool("proof --watch " + sheet + " -", "a\n1\n").status == 2);
}
