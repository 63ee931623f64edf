// Wishes for the parts of a moment, in every language that shows them.

#include <catch2/catch.hpp>
#include <string>

#include "support/answers.hpp"

using namespace inky;

namespace {

std::string written(const char* dialect, std::string_view pattern, Notes* notes = nullptr) {
  Spec wish;
  wish.kind = Kind::moment;
  REQUIRE_FALSE(set_wish(wish, "moment", pattern));
  const FieldWish field{wish, Type::moment, unset, "x"};
  WrittenField out = find_dialect(dialect)->writer().write_field(field);
  if (notes != nullptr) *notes = std::move(out.notes);
  return out.source;
}

}  // namespace

TEST_CASE("the parts of a moment are written in the letters of each language, and shown") {
  struct Case {
    const char* pattern;
    const char* text;  // of Friday 9 May 2031, 14:05:07
    const char* strftime;
    const char* csharp;
    const char* java;
  };
  constexpr Case cases[] = {
      {"{year}-{month}-{day}", "2031-05-09", "%Y-%m-%d", "{0:yyyy-MM-dd}", "%tY-%<tm-%<td"},
      {"{day:1}.{month:1}.{year:2}", "9.5.31", "%-d.%-m.%y", "{0:d.M.yy}", ""},
      {"{hour}:{minute}:{second}", "14:05:07", "%H:%M:%S", "{0:HH:mm:ss}", "%tH:%<tM:%<tS"},
      {"{hour12:1}:{minute} {half}", "2:05 PM", "%-I:%M %p", "{0:h:mm tt}", "%tl:%<tM %<Tp"},
      {"{month:short} {day:1}", "May 9", "%b %-d", "{0:MMM d}", "%tb %<te"},
      {"{weekday:short}", "Fri", "%a", "{0:ddd}", "%ta"},
      {"{hour:1}", "14", "%-H", "{0:%H}", "%tk"},
      {"day {day}", "day 09", "day %d", "{0:'day' dd}", "day %td"},
      {"{yearday}", "129", "%j", "", "%tj"},
      {"{day:space}", " 9", "%e", "", ""},
      {"{{{day}}}", "{09}", "{%d}", "", "{%td}"},
      {"100% {day}", "100% 09", "100%% %d", "", "100%% %td"},
  };
  const Value moment = support::value("2031-05-09T14:05:07:moment");
  for (const Case& one : cases) {
    INFO(one.pattern);
    const std::pair<const char*, const char*> sources[] = {
        {"strftime", one.strftime}, {"csharp", one.csharp}, {"java", one.java}};
    for (const auto& [dialect, source] : sources) {
      INFO(dialect);
      Notes notes;
      CHECK(written(dialect, one.pattern, &notes) == source);
      CHECK(notes.empty() == (*source != '\0'));
    }
    for (const char* dialect : {"strftime", "csharp", "java", "python", "javascript", "r-format"}) {
      const std::string source = written(dialect, one.pattern);
      if (source.empty()) continue;
      INFO(dialect << " " << source);
      Value value = moment;
      if (source.find("{x") != std::string::npos || source.find("(x") != std::string::npos)
        value.set_name("x");
      const auto answer = support::answer(*find_dialect(dialect), source, {value}, {});
      CHECK(answer.text == one.text);
    }
  }
}

TEST_CASE("a pattern of a moment has parts between braces, and one error where it has not") {
  struct Case {
    const char* pattern;
    Span span;
    const char* message;
  };
  constexpr Case cases[] = {
      {"{dya}", {0, 5}, "no part \"dya\""},
      {"{day}.{month", {6, 12}, "not closed"},
      {"{day} }", {6, 7}, "stands alone"},
      {"{}", {0, 2}, "no part \"\""},
  };
  for (const Case& one : cases) {
    INFO(one.pattern);
    Spec wish;
    const auto error = set_wish(wish, "moment", one.pattern);
    REQUIRE(error);
    CHECK(error->code == Code::bad_value);
    CHECK(error->span == one.span);
    CHECK(error->message.find(one.message) != std::string::npos);
  }
}

TEST_CASE("every part is read back from what is written of it") {
  for (const char* dialect : {"strftime", "csharp", "java", "python", "r-format"}) {
    for (const TimePartFact& part : time_parts()) {
      const std::string pattern = "{" + std::string(part.name) + "}";
      const std::string source = written(dialect, pattern);
      if (source.empty()) continue;
      INFO(dialect << " " << source);
      const Result<Template> parsed = find_dialect(dialect)->parse(source);
      REQUIRE(parsed.ok());
      Notes notes;
      const auto wish = find_dialect(dialect)->wish_of(*parsed, 0, Type::moment, notes);
      // A letter of .NET behind a percent sign is its own.
      if (source.find(":%") != std::string::npos && std::string(dialect) == "csharp") continue;
      REQUIRE(wish);
      CHECK(wish->moment.text() == pattern);
    }
  }
}

TEST_CASE("a moment is shown by parts alone, and by no width that a language lacks") {
  Spec wish;
  wish.kind = Kind::moment;
  for (const char* dialect : {"strftime", "csharp", "java", "python", "javascript", "cpp-stream"}) {
    INFO(dialect);
    const WrittenField nothing =
        find_dialect(dialect)->writer().write_field({wish, Type::moment, unset, "x"});
    CHECK(nothing.source.empty());
    CHECK_FALSE(nothing.notes.empty());
  }
  wish.moment = TimePattern("{day}");
  wish.width = 12;
  for (const char* dialect : {"strftime", "java", "python", "javascript"}) {
    INFO(dialect);
    CHECK(find_dialect(dialect)->writer().write_field({wish, Type::moment, unset, "x"}).source ==
          "");
  }
  wish.align = Align::right;
  CHECK(find_dialect("csharp")->writer().write_field({wish, Type::moment, 1, "x"}).source ==
        "{0,12:dd}");
}

TEST_CASE("parts of a moment contradict the kinds that have none") {
  for (const Kind kind : {Kind::real, Kind::whole, Kind::text, Kind::truth}) {
    Spec wish;
    wish.kind = kind;
    wish.moment = TimePattern("{day}");
    CHECK(find_contradiction(wish));
  }
  Spec wish;
  wish.moment = TimePattern("{day}");
  settle_notation(wish);
  CHECK(wish.kind == Kind::moment);
  CHECK_FALSE(find_contradiction(wish));
}
