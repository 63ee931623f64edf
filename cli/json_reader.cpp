#include "json_reader.hpp"

#include <algorithm>
#include <nlohmann/json.hpp>

#include "inky_margin/text/escape.hpp"

namespace inky::cli {

namespace {

using nlohmann::json;

class Builder final : public json::json_sax_t {
 public:
  explicit Builder(std::size_t size) : size_(size) {}

  Json root;
  Error error;

  bool null() override { return put({}); }
  bool boolean(bool value) override {
    Json made;
    made.kind = Json::Kind::truth;
    made.truth = value;
    return put(std::move(made));
  }
  bool number_integer(number_integer_t value) override { return number(std::to_string(value)); }
  bool number_unsigned(number_unsigned_t value) override { return number(std::to_string(value)); }
  bool number_float(number_float_t, const string_t& typed) override { return number(typed); }
  bool string(string_t& value) override { return put(made(Json::Kind::text, value)); }
  bool binary(binary_t&) override { return false; }
  bool start_object(std::size_t) override { return open(Json::Kind::object); }
  bool start_array(std::size_t) override { return open(Json::Kind::list); }
  bool end_object() override { return close(); }
  bool end_array() override { return close(); }
  bool key(string_t& name) override {
    Json& object = *open_.back();
    if (object.find(name) != nullptr) {
      return fail(Code::duplicate_key, "the key " + in_quotes(name) + " is given twice",
                  "Keep one of them.");
    }
    object.members.push_back({name, {}});
    return true;
  }
  bool parse_error(std::size_t position, const std::string& last,
                   const json::exception& reason) override {
    const std::size_t at = std::min(position == 0 ? 0 : position - 1, size_);
    constexpr int number_overflow = 406;
    if (reason.id == number_overflow) {
      error = {Code::value_out_of_range,
               "a JSON number may not be beyond the range of f64",
               {at, std::min(at + 1, size_)},
               "Give it as a string, such as {\"f128\": \"1e400\"}."};
      return false;
    }
    error = {
        Code::bad_json,
        "this is not JSON" + (last.empty() ? std::string() : ": unexpected " + in_quotes(last)),
        {at, std::min(at + 1, size_)},
        "Write one JSON object a line."};
    return false;
  }

 private:
  static Json made(Json::Kind kind, std::string text) {
    Json out;
    out.kind = kind;
    out.text = std::move(text);
    return out;
  }
  bool number(std::string typed) { return put(made(Json::Kind::number, std::move(typed))); }
  bool fail(Code code, std::string message, std::string remedy) {
    error = {code, std::move(message), {0, size_}, std::move(remedy)};
    return false;
  }
  Json& place() {
    if (open_.empty()) return root;
    Json& parent = *open_.back();
    if (parent.kind == Json::Kind::object) return parent.members.back().value;
    return parent.items.emplace_back();
  }
  bool put(Json value) {
    place() = std::move(value);
    return true;
  }
  bool open(Json::Kind kind) {
    if (open_.size() == most_json_depth) {
      return fail(Code::over_limit,
                  "lists and objects nest deeper than " + std::to_string(most_json_depth),
                  "Flatten the request.");
    }
    Json& here = place();
    here.kind = kind;
    open_.push_back(&here);
    return true;
  }
  bool close() {
    open_.pop_back();
    return true;
  }

  std::size_t size_;
  // Only the innermost may grow, so the pointers to the outer ones stay valid.
  std::vector<Json*> open_;
};

Error bad_value(Code code, std::string message, std::string remedy) {
  return {code, std::move(message), {}, std::move(remedy)};
}

Result<Value> typed_value(std::string_view name, const Json& payload) {
  const auto type = type_named(name);
  if (!type) {
    return bad_value(Code::unknown_type, in_quotes(name) + " is not a type",
                     "docs/contract.md lists the types.");
  }
  switch (payload.kind) {
    case Json::Kind::text:
      if (*type == Type::text) return Value::text(payload.text);
      return read_typed(*type, payload.text);
    case Json::Kind::number:
      if (is_whole(*type) || is_real(*type)) return read_typed(*type, payload.text);
      break;
    case Json::Kind::truth:
      if (*type == Type::truth) return Value::truth(payload.truth);
      break;
    case Json::Kind::null:
      if (*type == Type::nil) return Value();
      break;
    default:
      if (*type >= Type::complex) return read_typed(*type, "");
      break;
  }
  return bad_value(Code::wrong_kind, "the payload of " + in_quotes(name) + " is of the wrong kind",
                   "Numbers are given as strings or JSON numbers, text as strings.");
}

Result<Value> named_value(const Json& payload) {
  const bool pair = payload.kind == Json::Kind::list && payload.items.size() == 2 &&
                    payload.items[0].kind == Json::Kind::text;
  if (!pair)
    return bad_value(Code::wrong_kind, "a named value is a list of a name and a value",
                     "Write {\"named\": [\"x\", 2.5]}.");
  Result<Value> value = value_of(payload.items[1]);
  if (value) value->set_name(payload.items[0].text);
  return value;
}

}  // namespace

const Json* Json::find(std::string_view key) const {
  const auto found = std::find_if(members.begin(), members.end(),
                                  [&](const auto& member) { return member.key == key; });
  return found == members.end() ? nullptr : &found->value;
}

Result<Json> read_json(std::string_view text) {
  Builder builder(text.size());
  if (!json::sax_parse(text.begin(), text.end(), &builder)) return std::move(builder.error);
  return std::move(builder.root);
}

Result<Value> value_of(const Json& json) {
  switch (json.kind) {
    case Json::Kind::null:
      return Value();
    case Json::Kind::truth:
      return Value::truth(json.truth);
    case Json::Kind::number:
      return read_value(json.text);
    case Json::Kind::text:
      return Value::text(json.text);
    case Json::Kind::list:
      return read_typed(Type::list, "");
    case Json::Kind::object:
      break;
  }
  if (json.members.size() != 1) {
    return bad_value(Code::wrong_kind, "a value is an object with one member, its type",
                     "Write {\"f64\": \"0.1\"}.");
  }
  const auto& [name, payload] = json.members[0];
  return name == "named" ? named_value(payload) : typed_value(name, payload);
}

}  // namespace inky::cli
