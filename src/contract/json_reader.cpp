#include "json_reader.hpp"

#include <rapidjson/reader.h>

#include <algorithm>
#include <unordered_set>

#include "inky_margin/number/decimal.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

// What the parser shows, built into one Json; each call returns whether to go on.
class Builder {
 public:
  explicit Builder(std::size_t size) : size_(size) {}

  Json root;
  std::optional<Error> error;
  bool too_big = false;  // a number is beyond the range of f64

  bool Null() { return put({}); }
  bool Bool(bool value) {
    Json made;
    made.kind = Json::Kind::truth;
    made.truth = value;
    return put(std::move(made));
  }
  bool RawNumber(const char* text, unsigned size, bool) {
    too_big = is_too_big({text, size});
    if (too_big) return false;
    return put(made(Json::Kind::number, {text, size}));
  }
  bool String(const char* text, unsigned size, bool) {
    if (!check_halves({text, size})) return false;
    return put(made(Json::Kind::text, {text, size}));
  }
  bool StartObject() { return open(Json::Kind::object); }
  bool StartArray() { return open(Json::Kind::list); }
  bool EndObject(unsigned) { return close(); }
  bool EndArray(unsigned) { return close(); }
  bool Key(const char* text, unsigned size, bool) {
    Json& object = *open_.back();
    const std::string_view name(text, size);
    if (!check_halves(name)) return false;
    if (is_there(object, name)) {
      return fail(Code::duplicate_key, "the key " + in_quotes(name) + " is given twice",
                  "Keep one of them.");
    }
    object.members.push_back({std::string(name), {}});
    return true;
  }
  // Numbers come as text, so these are never called.
  bool Int(int) { return false; }
  bool Uint(unsigned) { return false; }
  bool Int64(std::int64_t) { return false; }
  bool Uint64(std::uint64_t) { return false; }
  bool Double(double) { return false; }

 private:
  // The parser sees some of these itself.
  static bool is_too_big(std::string_view number) {
    constexpr std::size_t digits_that_fit = 308;
    const bool may_be =
        number.size() > digits_that_fit || number.find_first_of("eE") != std::string_view::npos;
    const auto bits = may_be ? read_real(binary64, number) : std::nullopt;
    return bits && unpack(binary64, *bits).kind == RealClass::infinite;
  }

  static Json made(Json::Kind kind, std::string_view text) {
    Json out;
    out.kind = kind;
    out.text = text;
    return out;
  }
  bool fail(Code code, std::string message, std::string remedy) {
    error = {code, std::move(message), {0, size_}, std::move(remedy)};
    return false;
  }
  // The input is UTF-8, so what is not came of an escape: the second half of a pair, alone.
  bool check_halves(std::string_view text) {
    if (text.find('\xED') == std::string_view::npos || is_utf8(text)) return true;
    return fail(Code::bad_json, "an escape is half of a surrogate pair, without the other half",
                "Write both, or the character itself.");
  }
  // Of many keys a set is kept: looking through them all for each would take forever.
  bool is_there(const Json& object, std::string_view name) {
    constexpr std::size_t few = 16;
    if (object.members.size() < few) return object.find(name) != nullptr;
    std::unordered_set<std::string>& known = known_[open_.size() - 1];
    if (object.members.size() == few) {
      known.clear();
      for (const JsonMember& member : object.members) known.insert(member.key);
    }
    return !known.emplace(name).second;
  }
  Json& place() {
    if (open_.empty()) return root;
    Json& parent = *open_.back();
    if (parent.kind == Json::Kind::object) return parent.members.back().value;
    return parent.items.emplace_back();
  }
  bool put(Json value) {
    if (!count()) return false;
    place() = std::move(value);
    return true;
  }
  bool open(Json::Kind kind) {
    if (open_.size() == most_json_depth) {
      return fail(Code::over_limit,
                  "lists and objects nest deeper than " + std::to_string(most_json_depth),
                  "Flatten the request.");
    }
    if (!count()) return false;
    if (known_.size() <= open_.size()) known_.emplace_back();
    Json& here = place();
    here.kind = kind;
    constexpr std::size_t usual_members = 4;
    if (kind == Json::Kind::object) here.members.reserve(usual_members);
    open_.push_back(&here);
    return true;
  }
  bool count() {
    if (++values_ <= most_json_values) return true;
    return fail(Code::over_limit,
                "a request of more than " + std::to_string(most_json_values) + " values",
                "Send them in several requests.");
  }
  bool close() {
    open_.pop_back();
    return true;
  }

  std::size_t size_;
  // Only the innermost may grow, so the pointers to the outer ones stay valid.
  std::vector<Json*> open_;
  std::vector<std::unordered_set<std::string>> known_;  // of each depth
  std::size_t values_ = 0;
};

Error not_json(std::string_view text, std::size_t at, bool beyond_range) {
  const Span span{at, std::min(at + 1, text.size())};
  if (beyond_range) {
    return {Code::value_out_of_range, "a JSON number may not be beyond the range of f64", span,
            "Give it as a string, such as {\"f128\": \"1e400\"}."};
  }
  const std::string_view unexpected = text.substr(span.from, span.to - span.from);
  return {Code::bad_json,
          "this is not JSON" + (unexpected.empty() ? ": it ends too early"
                                                   : ": unexpected " + in_quotes(unexpected)),
          span, "Write one JSON object a line."};
}

Error bad_value(Code code, std::string message, std::string remedy) {
  return {code, std::move(message), {}, std::move(remedy)};
}

Result<Value> list_value(const Json& list, Type type = Type::list) {
  std::vector<Value> items;
  for (const Json& item : list.items) {
    Result<Value> value = value_of(item);
    if (!value) return value;
    items.push_back(std::move(*value));
  }
  return type == Type::tuple ? Value::tuple(std::move(items)) : Value::list(std::move(items));
}

Result<Value> record_value(const Json& record) {
  std::vector<Value> fields;
  for (const auto& [name, member] : record.members) {
    Result<Value> value = value_of(member);
    if (!value) return value;
    value->set_name(name);
    fields.push_back(std::move(*value));
  }
  return Value::record(std::move(fields));
}

// ["1", "3"]
Result<Value> fraction_of(const Json& payload) {
  std::string text;
  for (const Json& part : payload.items) {
    const bool is_part = part.kind == Json::Kind::text || part.kind == Json::Kind::number;
    if (!is_part || payload.items.size() != 2)
      return bad_value(Code::bad_value, "a fraction is a list of two whole numbers",
                       R"(Write ["1", "3"].)");
    if (!text.empty()) text += '/';
    text += part.text;
  }
  return read_typed(Type::fraction, text);
}

Result<Value> typed_value(std::string_view name, const Json& payload) {
  const auto type = type_named(name);
  if (!type) {
    return bad_value(Code::unknown_type, in_quotes(name) + " is not a type",
                     "docs/contract.md lists the types.");
  }
  if (*type == Type::some) {
    Result<Value> held = value_of(payload);
    if (!held) return held;
    return Value::some(std::move(*held));
  }
  switch (payload.kind) {
    case Json::Kind::text:
      if (*type == Type::text) return Value::text(payload.text);
      return read_typed(*type, payload.text);
    case Json::Kind::number:
      if (is_whole(*type) || is_real(*type) || *type == Type::decimal)
        return read_typed(*type, payload.text);
      break;
    case Json::Kind::truth:
      if (*type == Type::truth) return Value::truth(payload.truth);
      break;
    case Json::Kind::null:
      if (*type == Type::nil) return Value();
      break;
    case Json::Kind::list:
      if (*type == Type::fraction) return fraction_of(payload);
      if (*type == Type::list || *type == Type::tuple) return list_value(payload, *type);
      break;
    case Json::Kind::object:
      if (*type == Type::record) return record_value(payload);
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
  // The parser takes a zero byte for the end.
  if (const std::size_t zero = text.find('\0'); zero != std::string_view::npos)
    return not_json(text, zero, false);
  if (const std::size_t bad = first_invalid_utf8(text); bad != std::string_view::npos)
    return not_json(text, bad, false);
  // The parser calls itself for what nests; the builder stops it at its limit.
  constexpr unsigned flags = rapidjson::kParseNumbersAsStringsFlag | rapidjson::kParseInsituFlag;
  Builder builder(text.size());
  rapidjson::Reader reader;
  // In place, on a copy: the parser needs no memory of its own then.
  std::string copy(text);
  rapidjson::InsituStringStream stream(copy.data());
  const rapidjson::ParseResult result = reader.Parse<flags>(stream, builder);
  if (!result.IsError()) return std::move(builder.root);
  if (builder.error) return std::move(*builder.error);
  return not_json(text, std::min(result.Offset(), text.size()),
                  builder.too_big || result.Code() == rapidjson::kParseErrorNumberTooBig);
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
      return list_value(json);
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

}  // namespace inky::inline v1
