// Sources cut into tokens, language by language: what is a literal, what a comment, what a sign.

#include "scan/tokens.hpp"

#include <catch2/catch.hpp>

#include "inky_margin/scan/scan.hpp"

using namespace inky;

namespace {

// w word, n number, t text, c character, s sign; parted by blanks.
std::string told(std::string_view language, std::string_view source) {
  const SourceLanguage* found = find_language(language);
  REQUIRE(found != nullptr);
  const SourceTokens tokens = tokens_of(*found, source);
  std::string out;
  for (const SourceToken& token : tokens.tokens) {
    constexpr std::string_view kinds = "wntcs";
    out += (out.empty() ? "" : " ") + std::string(1, kinds[static_cast<std::size_t>(token.kind)]) +
           ":" + token.text;
  }
  return out + (tokens.whole ? "" : " ...");
}

struct Row {
  const char* language;
  const char* source;
  const char* tokens;
};

}  // namespace

TEST_CASE("tokens: literals, comments and signs of each language") {
  const Row rows[] = {
      {"c", "f(\"%d\\n\", n);", "w:f s:( t:%d\\n s:, w:n s:) s:;"},
      {"c", "/* \"no\" */ x // \"nor\"\ny", "w:x w:y"},
      {"c", "'\\'' \"a\\\"b\"", "c:\\' t:a\\\"b"},
      {"cpp", "R\"(a\"b)\" R\"x()\")x\"", "t:a\"b t:)\""},
      {"cpp", "1'000 + 0x1p-3", "n:1000 s:+ n:0x1p-3"},
      {"csharp", "@\"a\"\"b\\\" 'c'", "t:a\"\"b\\ c:c"},
      {"csharp", "\"\"\"a \"b\" c\"\"\"", "t:a \"b\" c"},
      {"fsharp", "(* \"a\" *) \"b\" // c", "t:b"},
      {"fsharp", "'a list", "w: w:list"},
      {"java", "\"\\u0041\" + 'x' /* y */", "t:\\u0041 s:+ c:x"},
      {"javascript", "`a${f(\"b\")}c` + 'd'", "t:a${f(\"b\")}c s:+ t:d"},
      {"javascript", "x = /\"[/]/g; y", "w:x s:= w: w:g s:; w:y"},
      {"lisp", "(format t \"~A;\" x) ; \"x\"", "s:( w:format w:t t:~A; w:x s:)"},
      {"octave", "x = a' + 'it''s' % no", "w:x s:= w:a s:' s:+ t:it''s"},
      {"php", "<?php echo 'a\\'b'; # no\n?> \"no\" <?php x", "w:echo t:a\\'b s:; w:x"},
      {"python", "'a' \"b\" r'\\d' # 'no'", "t:a t:b t:\\d"},
      {"python", "'''a\n'b' ''' 1_000", "t:a\n'b'  n:1_000"},
      {"r", "paste0(\"a\", r\"(b\"c)\") # d", "w:paste0 s:( t:a s:, t:b\"c s:)"},
      {"rust", "r#\"a\"b\"# 'x' &'a str", "t:a\"b c:x s:& w: w:str"},
      {"rust", "/* a /* b */ c */ d", "w:d"},
      {"shell", "printf '%s\\n' \"a\" # b", "w:printf t:%s\\n t:a"},
  };
  for (const Row& row : rows) {
    CAPTURE(row.language, row.source);
    CHECK(told(row.language, row.source) == row.tokens);
  }
}

TEST_CASE("tokens: a literal that does not end ends them") {
  for (const auto& [language, source, before] :
       std::initializer_list<std::tuple<const char*, const char*, const char*>>{
           {"c", "x = \"abc", "w:x s:="},
           {"c", "x = \"abc\ny", "w:x s:="},
           {"python", "x = '''abc", "w:x s:="},
           {"cpp", "x = R\"a(b)\"", "w:x s:="},
           {"javascript", "x = `a${", "w:x s:="},
           {"rust", "x = r#\"a\"", "w:x s:="}}) {
    CAPTURE(language, source);
    CHECK(told(language, source) == std::string(before) + " ...");
  }
}

TEST_CASE("tokens: nothing, blanks and comments alone have none") {
  for (const SourceLanguage& language : all_languages()) {
    CAPTURE(language.id);
    CHECK(told(language.id, "").empty());
    CHECK(told(language.id, " \t\r\n ").empty());
  }
}

TEST_CASE("tokens: every dialect is of a language, and the language knows it") {
  for (const Dialect* dialect : all_dialects()) {
    CAPTURE(dialect->facts().id);
    const SourceLanguage* language = language_of_dialect(*dialect);
    REQUIRE(language != nullptr);
    CHECK(find_language(language->id) == language);
  }
}
