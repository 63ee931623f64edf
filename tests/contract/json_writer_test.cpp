// JSON as it is written, read back by another reader.

#include "contract/json_writer.hpp"

#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>
#include <string>

#include "support/random_values.hpp"

using inky::JsonWriter;
using nlohmann::json;

namespace {

std::string random_text(support::RandomValues& random) {
  static const char* const parts[] = {"ink",  "\"", "\\", "\n", "\t", "\x01", "\x7f",     "ß", "墨",
                                      "🖨", "/",  "\b", "\f", "\r", "K-07", "12345678", " "};
  std::string out;
  for (int i = random.below(12); i > 0; --i) out += random.pick(parts);
  return out;
}

// Writes a random value, and makes the same one another way.
json write_any(support::RandomValues& random, JsonWriter& out, int depth) {
  switch (random.below(depth > 4 ? 4 : 6)) {
    case 0: {
      const std::string text = random_text(random);
      out.text(text);
      return text;
    }
    case 1: {
      const auto number = static_cast<std::int64_t>(random.whole());
      out.number(number);
      return number;
    }
    case 2: {
      const bool value = random.one_in(2);
      out.truth(value);
      return value;
    }
    case 3:
      out.null();
      return nullptr;
    case 4: {
      json list = json::array();
      out.open_list();
      for (int i = random.below(5); i > 0; --i) list.push_back(write_any(random, out, depth + 1));
      out.close_list();
      return list;
    }
    default: {
      json object = json::object();
      out.open_object();
      for (int i = random.below(5); i > 0; --i) {
        const std::string key = "k" + std::to_string(i);
        if (random.one_in(3)) {
          out.member_plain(key, "0x1.8p+1");
          object[key] = "0x1.8p+1";
          continue;
        }
        out.key(key);
        object[key] = write_any(random, out, depth + 1);
      }
      out.close_object();
      return object;
    }
  }
}

}  // namespace

TEST_CASE("what is written reads back as what was meant, on a line and spread") {
  const std::uint64_t seed = support::seed(8259);
  INFO("seed " << seed);
  for (const JsonWriter::Form form : {JsonWriter::Form::line, JsonWriter::Form::spread}) {
    support::RandomValues random(seed);
    for (int i = 0; i < support::cases(5'000); ++i) {
      JsonWriter out(form);
      const json meant = write_any(random, out, 0);
      const std::string text = out.string();
      if (form == JsonWriter::Form::line && text.find('\n') != std::string::npos)
        FAIL("a line end in " << text);
      REQUIRE(json::parse(text) == meant);
    }
  }
}

TEST_CASE("bytes that are not UTF-8 are replaced, and the rest kept") {
  JsonWriter out;
  out.open_object();
  out.member("text", "a\xff\xc3 b\xed\xa0\x80");
  out.member_or_null("nothing", "");
  out.member_number("lowest", INT64_MIN);
  out.close_object();
  CHECK(out.view() ==
        "{\"text\":\"a\uFFFD\uFFFD b\uFFFD\uFFFD\uFFFD\",\"nothing\":null,\"lowest\":"
        "-9223372036854775808}");
}
