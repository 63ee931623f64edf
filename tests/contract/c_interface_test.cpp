// inky_margin.h, called as another language calls it: through the shared library.

#include <catch2/catch.hpp>
#include <cmath>
#include <cstring>
#include <memory>
#include <nlohmann/json.hpp>
#include <thread>

#include "inky_margin.h"
#include "inky_margin/contract/contract.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "support/process.hpp"

namespace {

using nlohmann::json;

struct Freed {
  void operator()(char* text) const { inky_free(text); }
  void operator()(inky_template* one) const { inky_template_free(one); }
};
using Text = std::unique_ptr<char, Freed>;
using Parsed = std::unique_ptr<inky_template, Freed>;

json answer(const char* command, const std::string& request) {
  const Text text(inky_answer(command, request.data(), request.size()));
  REQUIRE(text != nullptr);
  return json::parse(text.get());
}

Parsed parsed(const char* dialect, std::string_view source) {
  return Parsed(inky_parse(dialect, source.data(), source.size(), nullptr));
}

inky_value whole(inky_type type, std::int64_t number) {
  inky_value out{};
  out.type = type;
  out.as.whole = number;
  return out;
}
inky_value natural(inky_type type, std::uint64_t number) {
  inky_value out{};
  out.type = type;
  out.as.natural = number;
  return out;
}
inky_value real(inky_type type, double number) {
  inky_value out{};
  out.type = type;
  out.as.real = number;
  return out;
}
inky_value text(std::string_view content) {
  inky_value out{};
  out.type = INKY_TEXT;
  out.as.text.bytes = content.data();
  out.as.text.size = content.size();
  return out;
}
inky_value character(std::uint32_t code) {
  inky_value out{};
  out.type = INKY_CHARACTER;
  out.as.character = code;
  return out;
}
inky_value truth(int is_true) {
  inky_value out{};
  out.type = INKY_TRUTH;
  out.as.truth = is_true;
  return out;
}

struct Rendered {
  inky_outcome outcome{};
  std::string text;
  json why;
};
Rendered render(const inky_template* template_, const std::vector<inky_value>& values) {
  char room[256];
  std::size_t size = 0;
  char* why = nullptr;
  const inky_outcome outcome =
      inky_render(template_, values.data(), values.size(), room, sizeof room, &size, &why);
  const Text owned(why);
  return {outcome, std::string(room, std::min(size, sizeof room)),
          why == nullptr ? json() : json::parse(why)};
}

}  // namespace

TEST_CASE("C interface: every command of the contract answers as the library does") {
  CHECK(std::string(inky_version()) == "0.1.0");
  const std::pair<const char*, const char*> requests[] = {
      {"show", R"({"dialect": "c", "template": "%-6s|%8.2f", "values": ["K-07", 2.675]})"},
      {"weigh", R"({"number": "0.1 + 0.2 == 0.3"})"},
      {"round", R"({"number": "2.675", "places": 2})"},
      {"carry", R"({"dialect": "c", "template": "%8.2f", "to": ["rust"]})"},
      {"write", R"({"wish": {"kind": "real", "places": "2"}, "to": ["rust"]})"},
      {"check", R"({"dialect": "c", "template": "%d", "types": ["f64"]})"},
      {"proof", R"({"data": "code,mass\nK-07,2.675\n"})"},
      {"show", "no JSON"},
      {"show", ""},
  };
  for (const auto& [command, request] : requests) {
    INFO(command << " " << request);
    CHECK(answer(command, request) == json::parse(inky::answer_request(command, request)));
  }
  CHECK(answer("show", requests[0].second)["text"] == "K-07  |    2.67");
  CHECK(answer("show", "no JSON")["error"]["code"] == "bad-json");
  CHECK(answer("shows", "{}")["error"]["remedy"] == "Did you mean show?");
  CHECK(answer("demo", "{}")["error"]["remedy"] ==
        "The commands that do are: carry, check, proof, round, show, weigh, write.");
  const std::string long_request(inky::most_request + 1, ' ');
  CHECK(answer("show", long_request)["error"]["code"] == "over-limit");
  CHECK(inky::contract_commands().size() == 7);
}

TEST_CASE("C interface: a template read once prints every type of value") {
  struct Case {
    const char* dialect;
    const char* source;
    inky_value value;
    const char* printed;
  };
  const Case cases[] = {
      {"c", "%hhd", whole(INKY_I8, -128), "-128"},
      {"c", "%hd", whole(INKY_I16, 32767), "32767"},
      {"c", "%+d", whole(INKY_I32, 42), "+42"},
      {"c", "%ld", whole(INKY_I64, INT64_MIN), "-9223372036854775808"},
      {"c", "%hhu", natural(INKY_U8, 255), "255"},
      {"c", "%hu", natural(INKY_U16, 65535), "65535"},
      {"c", "%#x", natural(INKY_U32, 0xA3B1), "0xa3b1"},
      {"c", "%lu", natural(INKY_U64, UINT64_MAX), "18446744073709551615"},
      {"c", "%.2f", real(INKY_F64, 2.675), "2.67"},
      {"rust", "{}", real(INKY_F32, 0.1), "0.1"},
      {"python", "{}", real(INKY_F32, 0.1), "0.10000000149011612"},
      {"python", "{}", truth(7), "True"},
      {"python", "{}", truth(0), "False"},
      {"python", "{}", inky_value{}, "None"},
      {"python", "{:>5}", text("\xCE\xA9"), "    \xCE\xA9"},
      {"rust", "{}", character(0x3A9), "\xCE\xA9"},
      {"c", "%s", text(""), ""},
  };
  for (const Case& c : cases) {
    INFO(c.dialect << " " << c.source);
    const Parsed one = parsed(c.dialect, c.source);
    REQUIRE(one != nullptr);
    const Rendered got = render(one.get(), {c.value});
    CHECK(got.outcome == INKY_PRINTS);
    CHECK(got.text == c.printed);
    CHECK(got.why.is_null());
  }
  const std::string forty(80, 'x');
  std::string source;
  std::vector<inky_value> values;
  for (int i = 0; i < 40; ++i) {
    source += "%d,";
    values.push_back(whole(INKY_I32, i % 10));
  }
  CHECK(render(parsed("c", source).get(), values).text.substr(60) == "0,1,2,3,4,5,6,7,8,9,");
}

TEST_CASE("C interface: what does not print says why, and what does not fit is counted") {
  char* error = nullptr;
  CHECK(inky_parse("basic", "%d", 2, &error) == nullptr);
  CHECK(json::parse(Text(error).get())["error"]["code"] == "unknown-dialect");
  CHECK(inky_parse("c", "%99999999999d", 13, &error) == nullptr);
  CHECK(json::parse(Text(error).get())["error"]["code"] == "over-limit");

  const Parsed c = parsed("c", "%8.2f");
  CHECK(render(c.get(), {text("K-07")}).outcome == INKY_UNDEFINED);
  CHECK(render(c.get(), {text("K-07")}).why.contains("undefined"));
  CHECK(render(c.get(), {}).outcome == INKY_UNDEFINED);
  CHECK(render(parsed("rust", "{:x}").get(), {text("ink")}).outcome == INKY_FAILS_COMPILE);
  const Rendered failed = render(parsed("python", "{:d}").get(), {real(INKY_F64, 2.5)});
  CHECK(failed.outcome == INKY_FAILS_RUN);
  CHECK(failed.why["fails"]["as"] == "ValueError");

  inky_value unknown{};
  unknown.type = 99;
  const std::vector<std::pair<inky_value, const char*>> bad = {
      {whole(INKY_I8, 128), "value 1 does not fit its type"},
      {whole(INKY_I32, INT64_MIN), "value 1 does not fit its type"},
      {natural(INKY_U16, 65536), "value 1 does not fit its type"},
      {text("\xFF"), "value 1 is not UTF-8"},
      {character(0xD800), "value 1 is not a Unicode scalar value"},
      {character(0x110000), "value 1 is not a Unicode scalar value"},
      {unknown, "value 1 has an unknown type"},
  };
  for (const auto& [value, message] : bad) {
    const Rendered got = render(c.get(), {value});
    CHECK(got.outcome == INKY_ERROR);
    CHECK(got.why["error"]["message"] == message);
  }

  const inky_value mass = real(INKY_F64, 125.5);
  char room[4];
  std::size_t size = 0;
  CHECK(inky_render(c.get(), &mass, 1, room, sizeof room, &size, nullptr) == INKY_PRINTS);
  CHECK(size == 8);
  CHECK(std::string(room, sizeof room) == "  12");
  CHECK(inky_render(c.get(), &mass, 1, nullptr, 0, &size, nullptr) == INKY_PRINTS);
  CHECK(size == 8);
  CHECK(inky_render(c.get(), nullptr, 0, nullptr, 0, nullptr, nullptr) == INKY_UNDEFINED);
  inky_free(nullptr);
  inky_template_free(nullptr);
}

TEST_CASE("C interface: threads share a template") {
  const Parsed shared = parsed("java", "%,.2f");
  std::vector<std::thread> threads;
  std::vector<int> right(8, 0);
  for (std::size_t t = 0; t < right.size(); ++t) {
    threads.emplace_back([&, t] {
      for (int i = 0; i < 500; ++i) {
        const inky_value value = real(INKY_F64, 1234.5);
        char room[16];
        std::size_t size = 0;
        inky_render(shared.get(), &value, 1, room, sizeof room, &size, nullptr);
        right[t] += std::string(room, size) == "1,234.50" ? 1 : 0;
      }
    });
  }
  for (std::thread& thread : threads) thread.join();
  for (const int count : right) CHECK(count == 500);
}

TEST_CASE("C interface: the shared library shows its six functions and nothing else") {
  const support::Ran ran = support::shell("nm -D --defined-only " INKY_BUILD_DIR
                                          "/src/libinky_margin.so | sed 's/.* //' | sort");
  CHECK(ran.status == 0);
  CHECK(ran.out ==
        "inky_answer\ninky_free\ninky_parse\ninky_render\ninky_template_free\ninky_version\n");
}
