// What a scanner finds in sources of every language, and where: tables of sources, and properties
// that hold for the demo's sources and for any bytes.

#include "inky_margin/scan/scan.hpp"

#include <algorithm>
#include <catch2/catch.hpp>
#include <cstring>
#include <filesystem>
#include <fstream>
#include <random>
#include <sstream>

#include "inky_margin/carry/carry.hpp"
#include "support/random_values.hpp"

using namespace inky;

namespace {

std::string told(const FoundCall& call) {
  std::string out =
      std::to_string(call.at.line) + ":" + std::to_string(call.at.column) + " " + call.name + " ";
  if (!call.source) return out + "- " + std::string(call.why_not);
  out += *call.source;
  if (!call.given.values) return out + " (?)";
  out += " (";
  for (const Given& given : *call.given.values) {
    if (out.back() != '(') out += ' ';
    if (!given.name.empty()) out += given.name + "=";
    out += given.type ? std::string(name_of(*given.type)) : "?";
    if (given.value && given.type != Type::text) out += ":" + describe(*given.value);
  }
  return out + (call.given.more_may_follow ? " ...)" : ")");
}

std::vector<FoundCall> calls_in(std::string_view language, std::string_view text) {
  std::vector<FoundCall> out;
  const SourceLanguage& one = *find_language(language);
  scan(one, one.calls, text, [&](const FoundCall& call) { out.push_back(call); });
  return out;
}

std::string all_told(std::string_view language, std::string_view text) {
  std::string out;
  for (const FoundCall& call : calls_in(language, text)) out += told(call) + "\n";
  return out;
}

std::string read(const std::filesystem::path& path) {
  std::ifstream in(path, std::ios::binary);
  std::ostringstream out;
  out << in.rdbuf();
  return out.str();
}

std::vector<std::filesystem::path> demo_sources() {
  std::vector<std::filesystem::path> out;
  for (const auto& entry : std::filesystem::directory_iterator(INKY_SOURCE_DIR "/demo/source"))
    out.push_back(entry.path());
  std::sort(out.begin(), out.end());
  return out;
}

// Lines and columns counted again, a slow way.
Position counted(std::string_view text, std::size_t offset) {
  Position out;
  out.offset = offset;
  const std::string_view before = text.substr(0, offset);
  out.line += static_cast<std::size_t>(std::count(before.begin(), before.end(), '\n'));
  const std::size_t begun = before.rfind('\n');
  for (const char byte : before.substr(begun == std::string_view::npos ? 0 : begun + 1)) {
    if ((static_cast<unsigned char>(byte) & 0xC0U) != 0x80U) ++out.column;
  }
  return out;
}

}  // namespace

TEST_CASE("calls are found, and literals and comments are told apart") {
  struct Case {
    const char* language;
    const char* text;
    const char* found;
  };
  const Case cases[] = {
      // Plain calls, with what literals, casts and declarations tell.
      {"c", R"(printf("%d\n", 42);)", "1:1 printf %d\\n (i32:42)\n"},
      {"c", "fprintf(stderr, \"%s\", \"K\" \"07\");", "1:1 fprintf %s (text)\n"},
      {"c", R"(snprintf(b, sizeof b, "%5.1f|%c", -2.5f, 'x');)",
       "1:1 snprintf %5.1f|%c (f32:-2.5 i32:120)\n"},
      {"c", "void f(long n, Ink i) { double d; printf(\"%d\", n); printf(\"%d\", i, d, *n); }",
       "1:35 printf %d (i64)\n1:52 printf %d (? f64 ?)\n"},
      {"c", "int n; { double n; } printf(\"%d\", n);", "1:22 printf %d (i32)\n"},
      {"c", R"(printf("%d", (unsigned long)x, sizeof(x), (char *)p, (a) - b);)",
       "1:1 printf %d (u64 u64 text ?)\n"},
      {"c", R"(printf("%d", 0x1FUL, 10L, 1e3, 2.5L, 017);)",
       "1:1 printf %d (u64:31 i64:10 f64:1000 f80:2.5 i32)\n"},
      {"c", "int const n = 1, m = 2; char s[9], *t; printf(\"%d\", n, m, s);",
       "1:40 printf %d (i32 i32 text)\n"},
      {"c", R"(printf("%" PRIu64 "|%" PRIdLEAST16 "\n", x);)", "1:1 printf %lu|%d\\n (?)\n"},
      {"c", "printf(\"a\" /* b */\n  // c\n  \"%d\", 1);", "1:1 printf a%d (i32:1)\n"},
      {"c", "printf(format, 1); int printf(const char *format, ...); printf();",
       "1:1 printf - its template is not a literal\n"},
      {"c", "printf(\"%s\", f(sprintf(b, \"%d\", 1), \")\"));",
       "1:1 printf %s (?)\n1:16 sprintf %d (i32:1)\n"},
      {"c", "// printf(\"1\")\n/* printf(\"2\") */ \"printf(\\\"3\\\")\"; '\"'; printf(\"4\");",
       "2:41 printf 4 ()\n"},
      {"c", "#error don't stop\nprintf(\"x\");", "2:1 printf x ()\n"},
      {"c", "printf(\"open\nprintf(\"x\");", "2:1 printf x ()\n"},
      {"c", "puts(\"a\\\nb\"); printf(\"a\\\nb\");", "2:6 printf ab ()\n"},
      {"c", "vprintf(\"%d\", list);", "1:1 vprintf %d (?)\n"},
      {"c", "#define SAY(...) printf(\"%d\", __VA_ARGS__)", "1:18 printf %d ( ...)\n"},
      // A name hides another; what a block or a statement declares ends with it.
      {"c", "double n; void f(int n); int g(Ink n) { printf(\"%d\", n); } printf(\"%d\", n);",
       "1:41 printf %d (?)\n1:60 printf %d (f64)\n"},
      {"c",
       "for (int i = 0; ; ) printf(\"%d\", i); printf(\"%d\", i); auto i = 2.5; printf(\"%d\", i);",
       "1:21 printf %d (i32)\n1:38 printf %d (?)\n1:69 printf %d (?)\n"},
      {"python", "m: str = 'x'\n'%d' % (m,)\ndef f(m):\n  '%d' % (m,)\nm: str\nm = 2\n'%d' % (m,)",
       "2:1 % %d (text)\n4:3 % %d (?)\n7:1 % %d (?)\n"},
      {"rust", "fn f(m: f64) { let m = g(m); print!(\"{}\", m); let n: u8 = 1; print!(\"{}\", n) }",
       "1:30 print! {} (?)\n1:62 print! {} (u8)\n"},
      {"fsharp", "let f (x: int) = sprintf \"%d\" x\nlet g x = sprintf \"%s\" x",
       "1:18 sprintf %d (i32 ...)\n2:11 sprintf %s (? ...)\n"},
      // C++
      {"cpp", R"x(std::printf(R"ink("%d")" )ink", 1'000);)x",
       "1:1 printf \\\"%d\\\")\\\"  (i32:1000)\n"},
      {"cpp", R"(std::format("{}", s.size()); format("{}"); std::format(where, "{}", true);)",
       "1:1 std::format {} (u64)\n1:44 std::format {} (truth)\n"},
      {"cpp", "std::cout << std::hex << n\n  << \"; \" << 1;\nif (x) cerr << 2; cout.flush();",
       "1:6 cout cout << std::hex << n\n  << \"; \" << 1 (?)\n3:8 cerr cerr << 2 (?)\n"},
      // Java
      {"java", R"(String.format("%d" + "%s", 1L, "x"); System.out.printf(Locale.ROOT, "%c", 'y');)",
       "1:1 String.format %d%s (i64:1 text)\n1:38 printf %c (char:'y')\n"},
      {"java", "\"%d\".formatted(n, 2); String.format(\"%s %s\", all);",
       "1:1 formatted %d (? i32:2)\n1:23 String.format %s %s (?)\n"},
      {"java", "new DecimalFormat(\"0.00\"); String.format(\"\"\"\n  %d\n  \"\"\", 1);",
       "1:5 DecimalFormat 0.00 (?)\n"
       "1:28 String.format %d\\n (i32:1)\n"},
      // Python
      {"python", "'%s \"x\"' % name; '%d' % (1, x); \"%d\" % 2.5; 7 % 2; '%d' % (n,)",
       "1:1 % %s \\\"x\\\" (?)\n1:18 % %d (i32:1 ?)\n1:33 % %d (f64:2.5)\n1:52 % %d (?)\n"},
      {"python", "('a {}'\n 'b {x}').format(1, x=2.5, **more)\nr'\\d{}'.format(len(s))",
       "1:1 format a {}b {x} (i32:1 x=f64:2.5 ...)\n3:1 format \\\\d{} (i32)\n"},
      {"python",
       "f'{x:>{w}}{x!r}{a[\"b\"]:.2f}{{x:d}}' '''# ' ''' # f'{x:d}'\nlogging.info('%d', 1)",
       "1:1 f-string {x!r} (?)\n1:1 f-string {x:.2f} (?)\n2:1 logging.info %d (i32:1)\n"},
      {"python", "\"\"\"{}\n{}\"\"\".format(1, True)", "1:1 format {}\\n{} (i32:1 truth)\n"},
      {"python", "s.count('\"') % 2; return ('%d') % 1; b'%x' % 2; '{0.x}'.format(y)",
       "1:26 % %d (i32:1)\n1:38 % %x (i32:2)\n1:49 format - its template takes "
       "parts of a value\n"},
      {"python", "logger.info('%s', x, exc_info=True); log.info('%s', 1, 2, extra=y)",
       "1:1 logger.info %s (?)\n1:38 log.info %s (i32:1 i32:2)\n"},
      // Rust
      {"rust", "println!(\"{} {x:?}\", 1u8, x = 'a'); let l: &'a str; print!(r#\"{:\"}\"#, \"s\")",
       "1:1 println! {} {x:?} (u8:1 x=char:'a')\n1:53 print! {:\\\"} (text)\n"},
      {"rust", "/* a /* b */ println!(\"no\") */ write!(f, \"a\\\n   b {}\", n as f32)",
       "1:32 write! ab {} (f32)\n"},
      {"rust", "fn p(n: u64) { println!(\"{n}{}\", n); } format!(\"{}\", v[0]);",
       "1:16 println! {n}{} (u64 n=u64)\n1:40 format! {} (?)\n"},
      // PHP
      {"php",
       "it's printf(\"no\") <?php # it's\n printf('it\\'s $5 \\n %d' . \"\\n\", -1); ?> don't",
       "2:2 printf it's \\$5 \\\\n %d\\n (i64:-1)\n"},
      {"php", "<?= sprintf(\"$mass %d\", 1), sprintf(<<<'A'\n%s $x\nA, 2.5);",
       "1:5 sprintf - its template has variables in it\n1:29 sprintf %s \\$x (f64:2.5)\n"},
      // JavaScript
      {"javascript",
       "a = /`\"/g; `${x.toFixed(2)} ${`${y.toFixed(n)}`} ${z}`; b / `${q.toFixed(200)}`",
       "1:12 template literal `${x.toFixed(2)}` (x=f64)\n"
       "1:61 template literal `${x.toFixed(200)}` (x=f64)\n"},
      // C#
      {"csharp",
       "string.Format(@\"a\\\"\"{0}\", 1.5m); Console.WriteLine(\"{x}\"); Console.Write(\"{0}\", "
       "1, x);",
       "1:1 string.Format a\\\\\\\"{0} (decimal:1.5)\n1:60 Console.Write {0} (i32:1 ?)\n"},
      {"csharp", "$\"{a:F2}{{b:F2}}{(c ? \"}\" : \"d\"),5}{global::X.Y:D3}\"; $@\"{e,-3}\"\"\";",
       "1:1 interpolated string {0:F2} (?)\n1:1 interpolated string {0,5} (?)\n"
       "1:1 interpolated string {0:D3} (?)\n1:55 interpolated string {0,-3} (?)\n"},
      {"csharp", "string.Format(culture, \"\"\"{0} \"x\" \"\"\", 2L);",
       "1:1 string.Format {0} \\\"x\\\"  (i64:2)\n"},
      // R
      {"r", "sprintf(fmt = '%d \"x\"', 2L, 5, -0.5) # sprintf(\"no\")",
       "1:1 sprintf %d \\\"x\\\" (i32:2 f64:5 f64:-0.5)\n"},
      {"r", "sprintf(r\"--[%d]\\n]--\", n); `sprintf`(\"x\"); sprintf(paste0(\"a\"), 1)",
       "1:1 sprintf %d]\\\\n (?)\n1:45 sprintf - its template is not a literal\n"},
      // Octave
      {"octave",
       "x = y' * 2; printf('it''s %d\\n', 2); [a' ' % '] % "
       "printf(\"no\")\n%{\nprintf(\"no\")\n%}\nfprintf(1, \"%d\", x);",
       "1:13 printf it's %d\\n (f64:2)\n5:1 fprintf %d (?)\n"},
      // Lisp
      {"lisp",
       "(format nil \"~A \\\"~D\\\"\" 'x 2.5d0 (f 1)) ; (format t \"no\")\n#| #| |# (format t "
       "\"no\") |# (list #\\\" (format t \"~A\" #\\; \"s\"))",
       "1:1 format ~A \\\"~D\\\" (? f64:2.5 ?)\n2:39 format ~A (char text)\n"},
      // F#
      {"fsharp",
       "printfn \"%d %s\" (f x) \"y\" |> ignore\nlet x' = sprintf \"%A\" 'c'\n(* (* *) printf "
       "\"no\" *)\nprintf @\"a\\%d\"",
       "1:1 printfn %d %s (? text ...)\n2:10 sprintf %A (char:'c' ...)\n4:1 printf a\\\\%d ( "
       "...)\n"},
      {"fsharp", "let f (m: float) =\n  printfn \"%d\"\n    m\n  printfn \"%s\" -1 x.[0]\n",
       "2:3 printfn %d (f64 ...)\n4:3 printfn %s (i32:-1 ? ...)\n"},
  };
  for (const Case& one : cases) {
    INFO(one.language << ": " << one.text);
    CHECK(all_told(one.language, one.text) == one.found);
  }
}

// A place is where the bytes of the template are, counted another way; the ends of lines, a mark at
// the front and the sizes of the pieces that the text comes in change nothing.
TEST_CASE("places are right in the demo's sources, whatever their line ends and their pieces") {
  for (const auto& path : demo_sources()) {
    INFO(path);
    const SourceLanguage* language = language_of_file(path.string());
    REQUIRE(language != nullptr);
    const std::string text = read(path);
    const std::vector<FoundCall> calls = calls_in(language->id, text);
    REQUIRE(calls.size() > 2);
    std::size_t verbatim = 0;
    for (const FoundCall& call : calls) {
      CHECK(call.at == counted(text, call.at.offset));
      if (!call.source) continue;
      for (std::size_t i = 0; i < call.source->size(); ++i) {
        const Position place = call.place(i);
        REQUIRE(place == counted(text, place.offset));
        if (!call.stands_verbatim({i, i + 1})) continue;
        ++verbatim;
        REQUIRE(text[place.offset] == (*call.source)[i]);
      }
    }
    CHECK(verbatim > 20);

    std::string with_marks = "\xEF\xBB\xBF";
    for (const char byte : text) {
      if (byte == '\n') with_marks += '\r';
      with_marks += byte;
    }
    const std::vector<FoundCall> others = calls_in(language->id, with_marks);
    REQUIRE(others.size() == calls.size());
    for (std::size_t i = 0; i < calls.size(); ++i) {
      CHECK(others[i].source == calls[i].source);
      CHECK(others[i].at.line == calls[i].at.line);
      if (calls[i].at.line > 1) CHECK(others[i].at.column == calls[i].at.column);
    }

    for (const std::size_t size : {1U, 3U, 7U}) {
      std::string_view rest = text;
      std::string in_pieces;
      scan(
          *language, language->calls,
          [&](char* into, std::size_t most) {
            const std::size_t count = std::min({most, size, rest.size()});
            std::memcpy(into, rest.data(), count);
            rest.remove_prefix(count);
            return count;
          },
          [&](const FoundCall& call) { in_pieces += told(call) + "\n"; });
      CHECK(in_pieces == all_told(language->id, text));
    }
  }
}

TEST_CASE("a text cut anywhere, or of any bytes, is scanned to its end, and places stay in it") {
  std::mt19937_64 random(support::seed(7));
  constexpr std::string_view alphabet = "printf(\"'`%d{}$<>\\/*#@r\n \xC3\xA9";
  for (const auto& path : demo_sources()) {
    const SourceLanguage& language = *language_of_file(path.string());
    const std::string whole = read(path);
    INFO(path << ", seed " << support::seed(7));
    for (int round = 0; round < 400; ++round) {
      std::string text = whole.substr(0, random() % (whole.size() + 1));
      // Some bytes elsewhere, too.
      for (std::size_t i = random() % 8; i > 0 && !text.empty(); --i)
        text[random() % text.size()] =
            random() % 4 == 0 ? static_cast<char>(random()) : alphabet[random() % alphabet.size()];
      std::size_t last = 0;
      scan(language, language.calls, text, [&](const FoundCall& call) {
        REQUIRE(call.at.offset >= last);
        last = call.at.offset;
        REQUIRE(call.at.offset < text.size());
        for (std::size_t i = 0; call.source && i <= call.source->size(); ++i)
          REQUIRE(call.place(i).offset <= text.size());
      });
    }
  }
}

// F# fills texts in, and has no dialect for the slots: reading one ended the program once.
TEST_CASE("texts that a language fills in are calls of a dialect that there is, or none") {
  const char* texts[] = {"$\"{mass,8:F2}\"",     "f\"{mass:8.2f}\"", "`${mass.toFixed(2)}`",
                         "$\"{mass:F2} {lot}\"", "$@\"{mass,8}\"",   "$\"%.2f{mass}\""};
  for (const SourceLanguage& language : all_languages()) {
    for (const char* text : texts) {
      INFO(language.id << ": " << text);
      const std::string source = "x = " + std::string(text) + "\n";
      scan(language, language.calls, std::string_view(source),
           [&](const FoundCall& call) { CHECK(find_dialect(call.dialect) != nullptr); });
    }
  }
}

TEST_CASE("what is in a comment of its language is not found") {
  for (const auto& path : demo_sources()) {
    const SourceLanguage& language = *language_of_file(path.string());
    const std::string mark = language.id == "lisp"                           ? "; "
                             : language.id == "octave"                       ? "% "
                             : language.id == "python" || language.id == "r" ? "# "
                                                                             : "// ";
    std::istringstream lines(read(path));
    std::string text = language.id == "php" ? "<?php " : "";
    // Where the end of the code ends a comment too, it has to be left out.
    for (std::string line; std::getline(lines, line);)
      if (line.find("?>") == std::string::npos) text += mark + line + "\n";
    INFO(path);
    CHECK(all_told(language.id, text).empty());
  }
}

// A long template over several lines of its language's source is, for the scanner, the same
// template.
TEST_CASE("a statement over several lines has the template of the one it was made of") {
  struct Case {
    const char* dialect;
    const char* language;
    const char* around;  // the text before the statement
    const char* source;
  };
  // Blanks at every place where a line may end, escapes, and fields beside each other.
  const Case cases[] = {
      {"c", "c", "",
       R"(batch %-8s  holds %10.2f g\\ of \"%s\", %d%d %% times and\n then %5.1f more\n)"},
      {"cpp-format", "cpp", "",
       R"(batch {:8}  holds {:10.2f} g\\ of \"{}\", {}{} {{}} times and\n then {:5.1f} more\n)"},
      {"java", "java", "",
       R"(batch %-8s  holds %10.2f g\\ of \"%s\", %d%d %% times and\n then %5.1f more\n)"},
      {"csharp", "csharp", "",
       R"(batch {0,-8}  holds {1,10:F2} g\\ of \"{2}\", {3}{4} {{}} times and\n then {5,5:F1} more\n)"},
      {"python", "python", "",
       R"(batch {:8}  holds {:10.2f} g\\ of \"{}\", {}{} {{}} times and\n then {:5.1f} more\n)"},
      {"python-percent", "python", "",
       R"(batch %-8s  holds %10.2f g\\ of \"%s\", %d%d %% times and\n then %5.1f more\n)"},
      {"php", "php", "<?php ",
       R"(batch %-8s  holds %10.2f g\\ of \"%s\", %d%d %% times and\n then %5.1f more\n)"},
      {"rust", "rust", "",
       R"(batch {:8}  holds {:10.2} g\\ of \"{}\", {}{} {{}} times and\n then {:5.1} more\n)"},
      {"fsharp", "fsharp", "",
       R"(batch %-8s  holds %10.2f g\\ of \"%s\", %d%d %% times and\n then %5.1f more\n)"},
  };
  const std::string names[] = {"v1", "v2", "v3", "v4", "v5", "v6"};
  for (const Case& one : cases) {
    const Dialect& dialect = *find_dialect(one.dialect);
    const Result<Template> parsed = dialect.parse(one.source);
    REQUIRE(parsed.ok());
    const std::string statement = dialect.writer().write_statement(one.source, names);
    for (std::size_t columns = 30; columns < 120; ++columns) {
      const std::string split = over_lines(dialect, *parsed, statement, columns);
      INFO(one.dialect << ", " << columns << " columns:\n" << split);
      std::vector<FoundCall> calls = calls_in(one.language, one.around + split);
      std::erase_if(calls, [&](const FoundCall& call) { return call.dialect != one.dialect; });
      REQUIRE(calls.size() == 1);
      CHECK(calls[0].source == one.source);
      CHECK((calls[0].given.values || one.language == std::string("csharp")));
      std::istringstream lines(split);
      // Lines without a blank may be longer.
      for (std::string line; std::getline(lines, line);)
        CHECK((line.size() <= columns || columns < 40));
      if (columns < statement.size()) CHECK(split.find('\n') != std::string::npos);
    }
    CHECK(over_lines(dialect, *parsed, statement, statement.size()) == statement);
  }
}

TEST_CASE("a table of calls: what it adds, and what is wrong with it") {
  const auto table = read_call_table(R"(
[[call]]
language = "c"
name = "log_line"
template = 1
[[call]]
language = "fsharp"
name = "say"
[[call]]
language = "cpp"
name = "ink::say"
dialect = "cpp-format"
values = "elsewhere"
)");
  REQUIRE(table.ok());
  const auto told_with = [&](std::string_view language, std::string_view text) {
    std::string out;
    const SourceLanguage& one = *find_language(language);
    scan(one, table->calls_of(one), text, [&](const FoundCall& call) { out += told(call) + "\n"; });
    return out;
  };
  CHECK(told_with("c", "log_line(2, \"%d\", 1); printf(\"x\")") ==
        "1:1 log_line %d (i32:1)\n1:23 printf x ()\n");
  CHECK(told_with("fsharp", "say \"%d\" 1") == "1:1 say %d (i32:1 ...)\n");
  CHECK(told_with("cpp", "other::say(\"{}\"); ink::say(\"{:d}\", 2.5)") ==
        "1:19 ink::say {:d} (?)\n");

  struct Bad {
    const char* text;
    Code code;
    const char* at;  // the text the error points at
  };
  const Bad bad[] = {
      {"[[call]]\nlanguage = \"cobol\"\nname = \"x\"", Code::unknown_key, "\"cobol\""},
      {"[[call]]\nlanguage = \"c\"\nnmae = \"x\"", Code::unknown_key, "nmae"},
      {"[[call]]\nlanguage = \"c\"\nname = \"x\"\ntemplate = -1", Code::wrong_kind, "-1"},
      {"[[call]]\nlanguage = \"c\"\nname = \"x\"\ndialect = \"d\"", Code::unknown_dialect, "\"d\""},
      {"[[call]]\nname = \"x\"", Code::missing_key, nullptr},
      {"[[call]\n", Code::bad_call_table, nullptr},
      {"calls = 1", Code::unknown_key, "calls"},
  };
  for (const Bad& one : bad) {
    INFO(one.text);
    const auto read = read_call_table(one.text);
    REQUIRE_FALSE(read.ok());
    CHECK(read.error().code == one.code);
    CHECK_FALSE(read.error().remedy.empty());
    const Span span = read.error().span;
    if (one.at != nullptr)
      CHECK(std::string_view(one.text).substr(span.from, span.to - span.from) == one.at);
  }
}

TEST_CASE("limits: long calls, deep parentheses, many arguments") {
  const std::string deep(1000, '(');
  CHECK(all_told("c", deep + "printf(\"%d\", 1)" + std::string(1000, ')')) ==
        "1:1001 printf %d (i32:1)\n");
  std::string many = "printf(\"%d\"";
  for (std::size_t i = 0; i <= most_arguments; ++i) many += ", 1";
  CHECK(all_told("c", many + ");") == "1:1 printf - it is too long to check\n");
  CHECK(all_told("c", "printf(\"" + std::string(most_call + 1, 'x') + "\");") ==
        "1:1 printf - its template does not end, or is too long\n");
  CHECK(all_told("cpp", "cout << " + std::string(most_call, 'x') + ";").empty());
}

TEST_CASE("a literal of several lines is the same text: in Lisp a backslash names no character") {
  const auto template_in = [](const char* language, std::string_view text) {
    std::string out;
    const SourceLanguage& found = *find_language(language);
    scan(found, found.calls, text, [&](const FoundCall& call) {
      if (call.source) out = *call.source;
    });
    return out;
  };
  CHECK(template_in("lisp", "(format t \"~A\n~D\" x y)") == "~A\n~D");
  CHECK(template_in("lisp", "(format t \"~A\r\n~D\" x y)") == "~A\r\n~D");
  CHECK(template_in("php", "<?php printf(\"%s\n%d\", $x, $y);") == "%s\\n%d");
}
