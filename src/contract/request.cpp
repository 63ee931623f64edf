#include "request.hpp"

#include <algorithm>

#include "names.hpp"
#include "text/escape.hpp"
#include "text/nearest_name.hpp"

namespace inky::inline v1 {

RequestReader::RequestReader(std::string_view line, std::span<const std::string_view> keys,
                             std::string_view form)
    : form_(form) {
  read(line, keys);
}

void RequestReader::read(std::string_view line, std::span<const std::string_view> keys) {
  Result<Json> json = read_json(line);
  if (!json) return fail(json.error());
  if (json->kind != Json::Kind::object)
    return fail({Code::bad_json, "a request is a JSON object", {}, "Write " + std::string(form_)});
  json_ = std::move(*json);
  for (const JsonMember& member : json_.members) {
    if (std::find(keys.begin(), keys.end(), member.key) != keys.end()) continue;
    const std::string_view near = nearest_name(member.key, keys);
    return fail({Code::unknown_key,
                 "the key " + in_quotes(member.key) + " is unknown",
                 {},
                 near.empty() ? "docs/contract.md lists the keys."
                              : "Did you mean " + in_quotes(near) + "?"});
  }
}

void RequestReader::fail(Error error) {
  if (!fault_) fault_ = std::move(error);
}

const Json* RequestReader::find(std::string_view key) const {
  return fault_ ? nullptr : json_.find(key);
}

void RequestReader::wrong_kind(std::string_view key, std::string_view kind) {
  fail({Code::wrong_kind,
        "the key " + in_quotes(key) + " must be " + std::string(kind),
        {},
        "Write " + std::string(form_)});
}

void RequestReader::needs(std::initializer_list<std::string_view> keys) {
  for (const std::string_view key : keys) {
    if (json_.find(key) == nullptr)
      fail({Code::missing_key,
            "the key " + in_quotes(key) + " is missing",
            {},
            "Write " + std::string(form_)});
  }
}

void RequestReader::text(std::string_view key, std::string& to) {
  const Json* member = find(key);
  if (member == nullptr) return;
  if (member->kind != Json::Kind::text) return wrong_kind(key, "a string");
  to = member->text;
}

void RequestReader::texts(std::string_view key, std::vector<std::string>& to) {
  const Json* member = find(key);
  if (member == nullptr) return;
  const auto is_text = [](const Json& item) { return item.kind == Json::Kind::text; };
  if (member->kind != Json::Kind::list ||
      !std::all_of(member->items.begin(), member->items.end(), is_text))
    return wrong_kind(key, "a list of strings");
  for (const Json& item : member->items) to.push_back(item.text);
}

void RequestReader::texts_by_name(std::string_view key,
                                  std::vector<std::pair<std::string, std::string>>& to) {
  const Json* member = find(key);
  if (member == nullptr) return;
  const auto is_text = [](const JsonMember& one) { return one.value.kind == Json::Kind::text; };
  if (member->kind != Json::Kind::object ||
      !std::all_of(member->members.begin(), member->members.end(), is_text))
    return wrong_kind(key, "an object of strings");
  for (const JsonMember& one : member->members) to.emplace_back(one.key, one.value.text);
}

void RequestReader::values(std::string_view key, std::vector<Value>& to) {
  const Json* member = find(key);
  if (member == nullptr) return;
  if (member->kind != Json::Kind::list) return wrong_kind(key, "a list");
  for (const Json& item : member->items) {
    Result<Value> value = value_of(item);
    if (!value) {
      value.error().message =
          "value " + std::to_string(to.size() + 1) + ": " + value.error().message;
      return fail(value.error());
    }
    to.push_back(std::move(*value));
  }
}

void RequestReader::types(std::string_view key, std::vector<Type>& to) {
  std::vector<std::string> names;
  texts(key, names);
  for (const std::string& name : names) {
    const auto type = type_named(name);
    if (!type)
      return fail({Code::unknown_type,
                   in_quotes(name) + " is no type",
                   {},
                   "The types are listed in docs/contract.md."});
    to.push_back(*type);
  }
}

void RequestReader::dialect(std::string_view key, const Dialect*& to) {
  std::string id;
  text(key, id);
  if (find(key) == nullptr) return;
  const Result<const Dialect*> found = dialect_named(id);
  if (!found) return fail(found.error());
  to = *found;
}

}  // namespace inky::inline v1
