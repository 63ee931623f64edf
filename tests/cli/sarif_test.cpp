// The SARIF log of inky check against the rules of its standard: what the schema of SARIF 2.1.0
// (OASIS, errata 01) asks of the properties that are used, and that no other property is.

#include <catch2/catch.hpp>
#include <map>
#include <nlohmann/json.hpp>
#include <set>

#include "support/folder.hpp"
#include "support/process.hpp"

using json = nlohmann::json;
using support::Folder;
using support::Ran;

namespace {

// What the schema says of a property: "!" required; then its type: "text", "truth", "count" (a
// whole number from 0), "place" (from 1), a list of words apart by "|", an object by the name of
// its rule, and "[...]" a list of them.
using Rule = std::map<std::string, std::string>;

const std::map<std::string, Rule>& rules() {
  static const std::map<std::string, Rule> all = {
      {"log", {{"$schema", "text"}, {"version", "!2.1.0"}, {"runs", "![run]"}}},
      {"run",
       {{"tool", "!tool"},
        {"columnKind", "utf16CodeUnits|unicodeCodePoints"},
        {"originalUriBaseIds", "bases"},
        {"results", "[result]"},
        {"invocations", "[invocation]"}}},
      {"tool", {{"driver", "!component"}}},
      {"component",
       {{"name", "!text"}, {"version", "text"}, {"semanticVersion", "text"}, {"rules", "[rule]"}}},
      {"rule",
       {{"id", "!text"},
        {"shortDescription", "multiformat"},
        {"fullDescription", "multiformat"},
        {"help", "multiformat"},
        {"helpUri", "uri"},
        {"defaultConfiguration", "configuration"}}},
      {"multiformat", {{"text", "!text"}, {"markdown", "text"}}},
      {"configuration", {{"level", "none|note|warning|error"}, {"enabled", "truth"}}},
      {"bases", {{"SOURCES", "artifact"}}},
      {"result",
       {{"ruleId", "text"},
        {"ruleIndex", "count"},
        {"level", "none|note|warning|error"},
        {"kind", "notApplicable|pass|fail|review|open|informational"},
        {"message", "!message"},
        {"locations", "[location]"},
        {"partialFingerprints", "fingerprints"},
        {"fixes", "[fix]"}}},
      {"message", {{"text", "!text"}}},
      {"location", {{"physicalLocation", "physical"}}},
      {"physical", {{"artifactLocation", "artifact"}, {"region", "region"}}},
      {"artifact", {{"uri", "uri"}, {"uriBaseId", "text"}}},
      {"region",
       {{"startLine", "place"},
        {"startColumn", "place"},
        {"endLine", "place"},
        {"endColumn", "place"}}},
      {"fingerprints", {{"call/v1", "text"}}},
      {"fix", {{"description", "message"}, {"artifactChanges", "![change]"}}},
      {"change", {{"artifactLocation", "!artifact"}, {"replacements", "![replacement]"}}},
      {"replacement", {{"deletedRegion", "!region"}, {"insertedContent", "content"}}},
      {"content", {{"text", "text"}}},
      {"invocation",
       {{"executionSuccessful", "!truth"},
        {"workingDirectory", "artifact"},
        {"toolExecutionNotifications", "[notification]"}}},
      {"notification",
       {{"descriptor", "reference"},
        {"level", "none|note|warning|error"},
        {"message", "!message"}}},
      {"reference", {{"id", "text"}}},
  };
  return all;
}

void check_value(const json& value, std::string type, const std::string& where);

void check_object(const json& value, const std::string& name, const std::string& where) {
  INFO(where);
  REQUIRE(value.is_object());
  const Rule& rule = rules().at(name);
  for (const auto& [key, member] : value.items()) {
    INFO(key);
    REQUIRE(rule.contains(key));
    check_value(member, rule.at(key), where + "." + key);
  }
  for (const auto& [key, type] : rule) {
    INFO(key);
    if (type.front() == '!') CHECK(value.contains(key));
  }
}

void check_value(const json& value, std::string type, const std::string& where) {
  INFO(where);
  if (type.front() == '!') type.erase(0, 1);
  if (type.front() == '[') {
    REQUIRE(value.is_array());
    for (const json& item : value) check_value(item, type.substr(1, type.size() - 2), where + "[]");
  } else if (rules().contains(type)) {
    check_object(value, type, where);
  } else if (type == "text") {
    CHECK(value.is_string());
  } else if (type == "truth") {
    CHECK(value.is_boolean());
  } else if (type == "count" || type == "place") {
    REQUIRE(value.is_number_integer());
    CHECK(value.get<long long>() >= (type == "place" ? 1 : 0));
  } else if (type == "uri") {
    // RFC 3986: no blanks and no bytes beyond ASCII, and a percent sign begins an escape.
    REQUIRE(value.is_string());
    const auto text = value.get<std::string>();
    CHECK(text.find_first_not_of("abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789"
                                 "-._~:/?#[]@!$&'()*+,;=%") == std::string::npos);
  } else {
    REQUIRE(value.is_string());
    CHECK(("|" + type + "|").find("|" + value.get<std::string>() + "|") != std::string::npos);
  }
}

Ran sarif_in(const Folder& folder, const std::string& arguments) {
  return support::shell("cd '" + folder.path.string() +
                        "' && " INKY_BUILD_DIR "/cli/inky check --sarif " + arguments);
}

}  // namespace

TEST_CASE("SARIF: a log is as the standard asks") {
  const Folder folder;
  folder.put("the \xC3\xA9.c",
             "printf(\"%d\", 2.5);\nprintf(\"%d\", 1, 2);\nprintf(f);\n// inky: accept x: y\n");
  const std::string outside = INKY_SOURCE_DIR "/demo/source/room.c";
  const Ran ran =
      sarif_in(folder, "'the \xC3\xA9.c' missing.c --unchecked --enable signedness " + outside);
  CHECK(ran.status == 2);
  const json log = json::parse(ran.out);
  check_object(log, "log", "log");
  const json& run = log["runs"][0];
  REQUIRE(run["results"].size() >= 5);
  std::set<std::string> ids;
  for (const json& rule : run["tool"]["driver"]["rules"]) {
    CHECK(ids.insert(rule["id"]).second);
    // An absolute URI that ends at the place of the code.
    const std::string uri = rule["helpUri"];
    CHECK(uri.find("://") != std::string::npos);
    CHECK(uri.ends_with("#" + rule["id"].get<std::string>()));
  }
  for (const json& result : run["results"]) {
    INFO(result.dump());
    // 3.27.6: the rule that the index points to has the id of the result.
    const json& rule = run["tool"]["driver"]["rules"][result["ruleIndex"].get<std::size_t>()];
    CHECK(rule["id"] == result["ruleId"]);
    // 3.27.10: a kind other than fail has no level.
    if (result.contains("kind")) CHECK(result["level"] == "none");
    const json& region = result["locations"][0]["physicalLocation"]["region"];
    CHECK(std::pair(region["startLine"].get<int>(), region["startColumn"].get<int>()) <=
          std::pair(region["endLine"].get<int>(), region["endColumn"].get<int>()));
  }
  // 3.4.4: below the base, relative to it; elsewhere absolute. A base ends with a slash.
  const json& base = run["originalUriBaseIds"]["SOURCES"]["uri"];
  CHECK(base.get<std::string>().starts_with("file:///"));
  CHECK(base.get<std::string>().ends_with("/"));
  const json& first = run["results"][0]["locations"][0]["physicalLocation"]["artifactLocation"];
  CHECK(first["uri"] == "the%20%C3%A9.c");
  CHECK(first["uriBaseId"] == "SOURCES");
  const json& last = run["results"].back()["locations"][0]["physicalLocation"]["artifactLocation"];
  CHECK(last["uri"] == "file://" + outside);
  CHECK_FALSE(last.contains("uriBaseId"));
  const json& invocation = run["invocations"][0];
  CHECK(invocation["executionSuccessful"] == false);
  CHECK(invocation["toolExecutionNotifications"][0]["descriptor"]["id"] == "unreadable-file");
}

TEST_CASE("SARIF: fingerprints stay where lines move, and differ where calls do") {
  const Folder folder;
  const auto fingerprints = [&] {
    std::vector<std::string> out;
    const json log = json::parse(sarif_in(folder, "a.c").out);
    for (const json& result : log["runs"][0]["results"])
      out.push_back(result["partialFingerprints"]["call/v1"]);
    return out;
  };
  folder.put("a.c", "printf(\"%d\", 2.5);\nprintf(\"%d\", 2.5);\nprintf(\"%d g\", 2.5);\n");
  const auto before = fingerprints();
  REQUIRE(before.size() == 3);
  CHECK(std::set<std::string>(before.begin(), before.end()).size() == 3);
  folder.put("a.c",
             "/* made\n   later */\n  printf(\"%d\", 2.5);\n\n  printf(\"%d\", 2.5);\n"
             "f();\nprintf(\"%d g\", 2.5);\n");
  CHECK(fingerprints() == before);
}
