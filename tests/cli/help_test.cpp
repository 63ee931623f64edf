// The guide in the tool: each question of docs/guide/README.md finds its page, and pages are shown
// without the marks of Markdown.

#include <catch2/catch.hpp>
#include <fstream>
#include <regex>

#include "guide.hpp"
#include "inky_margin/format/note.hpp"
#include "support/process.hpp"

using namespace inky;
using namespace inky::cli;

namespace {

std::string help(const std::string& words) {
  return support::run_tool("help " + words).out;
}

struct Question {
  std::string text;
  std::string page;
};

std::vector<Question> questions() {
  std::vector<Question> out;
  std::ifstream index(std::string(INKY_SOURCE_DIR) + "/docs/guide/README.md");
  const std::regex row(R"(\| (.*) \| \[([a-z-]+)\]\(.*)");
  for (std::string line; std::getline(index, line);) {
    std::smatch parts;
    if (std::regex_match(line, parts, row)) out.push_back({parts[1], parts[2]});
  }
  return out;
}

}  // namespace

TEST_CASE("help: each question of a newcomer finds its page first") {
  const std::vector<Question> all = questions();
  REQUIRE(all.size() >= 20);
  CHECK(all.size() == guide_pages().size());
  for (const Question& question : all) {
    CAPTURE(question.text);
    const auto found = find_pages(question.text);
    REQUIRE(!found.empty());
    CHECK(found[0]->name == question.page);
  }
}

TEST_CASE("help: a few words find the page that has them") {
  const struct {
    const char* words;
    const char* page;
  } asked[] = {
      {"align decimals", "decimals"},
      {"thousands separator rust", "signs"},
      {"leading zeros", "signs"},
      {"hexadecimal", "bases"},
      {"center", "width"},
      {"markdown table", "tables"},
      {"backslash", "escaping"},
      {"vim", "editor"},
      {"epsilon", "stored"},
      {"strftime", "dates"},
      {"Decimal Comma", "locales"},
      {"phone number", "masks"},
      {"dict", "structures"},
      {"translate to java", "porting"},
      {"CI", "checking"},
      {"scientific", "sizes"},
      {"long-lines", "long-lines"},
  };
  for (const auto& one : asked) {
    CAPTURE(one.words);
    const auto found = find_pages(one.words);
    REQUIRE(!found.empty());
    CHECK(found[0]->name == one.page);
  }
  CHECK(find_pages("zzyzx").empty());
  CHECK(find_pages("").empty());
  CHECK(find_pages("how do I print the").empty());
}

TEST_CASE("help: what the tool prints") {
  const std::string all = help("");
  for (const GuidePage& page : guide_pages()) {
    CAPTURE(page.name);
    CHECK(all.find(page.name) != std::string::npos);
    CHECK(all.find(title_of(page)) != std::string::npos);
    const std::string shown = help(std::string(page.name));
    CHECK(shown.substr(0, title_of(page).size()) == title_of(page));
    for (const char* mark : {"```", "<!--", "**", "](", "![", "\n\n\n"}) {
      CAPTURE(mark);
      CHECK(shown.find(mark) == std::string::npos);
    }
    CHECK(shown.find("\n$ ") != std::string::npos);
    CHECK(shown.find("\nNext: inky help ") != std::string::npos);
  }
  const std::string rust = help("thousands separator Rust");
  CHECK(rust.find("inky dialects rust") != std::string::npos);
  CHECK(help("rust").find("inky dialects rust") != std::string::npos);
}

TEST_CASE("help: every code is explained") {
  for (const inky::CodeFact& fact : inky::all_codes()) {
    CAPTURE(fact.name);
    CHECK(text_of_code(fact.name).starts_with(fact.sentence));
    CHECK(page_of_codes().find("\n### `" + std::string(fact.name) + "`\n\n" +
                               std::string(fact.sentence)) != std::string::npos);
  }
  CHECK(text_of_code("").empty());
  CHECK(text_of_code("stored").empty());
  CHECK(
      help("exact-tie") ==
      "exact-tie\n\nThe value lies exactly half-way; the tie rule decides.\n\n%.2f of 0.125 prints "
      "0.12: 0.125 is stored exactly, and ties go to the even digit in C.\n");
}

TEST_CASE("help: no page has the words") {
  const auto answer = support::run_tool("help zzyzx");
  CHECK(answer.status == 1);
  CHECK(answer.out.empty());
  CHECK(answer.err.find("no page of the guide has the words \"zzyzx\"") != std::string::npos);
}
