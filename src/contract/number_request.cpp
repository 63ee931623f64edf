#include "number_request.hpp"

#include "number/decimal_evaluation.hpp"
#include "request.hpp"
#include "text/escape.hpp"
#include "text/nearest_name.hpp"

namespace inky::inline v1 {

namespace {

// A number may be given as a string, or as a JSON number, digit for digit.
std::optional<Error> take_number(const Json& value, std::string& out) {
  if (value.kind != Json::Kind::text && value.kind != Json::Kind::number) {
    return number_error(Code::wrong_kind, "the key \"number\" must be a string or a number",
                        "Write {\"number\": \"2.675\"}.");
  }
  out = value.text;
  return std::nullopt;
}

std::optional<Error> take_count(const JsonMember& member, int least, std::optional<int>& out) {
  if (member.value.kind != Json::Kind::number) {
    return number_error(Code::wrong_kind, "the key " + in_quotes(member.key) + " must be a number",
                        "Write {\"" + member.key + "\": 2}.");
  }
  return read_count(member.value.text, least, out);
}

std::optional<Error> take_step(const Json& value, std::optional<ExactDecimal>& out) {
  if (value.kind != Json::Kind::text && value.kind != Json::Kind::number) {
    return number_error(Code::wrong_kind, "the key \"step\" must be a string or a number",
                        "Write {\"step\": \"0.05\"}.");
  }
  return read_step(value.text, out);
}

std::optional<Error> take_member(const JsonMember& member, NumberRequest& out) {
  if (member.key == "number") return take_number(member.value, out.weigh.text);
  if (member.key == "places") {
    auto error = take_count(member, -most_cut, out.cut.places);
    out.weigh.places = out.cut.places;
    return error;
  }
  if (member.key == "significant") return take_count(member, 1, out.cut.significant);
  if (member.key == "step") return take_step(member.value, out.cut.step);
  if (member.value.kind != Json::Kind::text)
    return number_error(Code::wrong_kind, "the key \"as\" must be a string",
                        "Write {\"as\": \"f64\"}.");
  const Result<const NumberType*> type = type_given(member.value.text);
  if (!type) return type.error();
  out.weigh.as = *type;
  return std::nullopt;
}

}  // namespace

Error number_error(Code code, std::string message, std::string remedy, Span span) {
  return {code, std::move(message), span, std::move(remedy)};
}

Result<NumberRequest> read_number_request(std::string_view line,
                                          std::span<const std::string_view> known) {
  NumberRequest out;
  RequestReader in(line, known, R"({"number": "2.675"}.)");
  in.needs({"number"});
  for (const JsonMember& member : in.members()) {
    if (auto error = take_member(member, out)) in.fail(std::move(*error));
  }
  if (in.fault()) return *in.fault();
  return out;
}

Result<const NumberType*> type_given(std::string_view name) {
  if (const NumberType* type = number_type_named(name)) return type;
  if (const NumberType* type = decimal_type_named(name)) return type;
  std::vector<std::string_view> names;
  names.reserve(std::size(number_types));
  for (const NumberType& type : number_types) names.push_back(type.name);
  for (const NumberType& type : decimal_types) names.push_back(type.name);
  return number_error(Code::bad_value, in_quotes(name) + " is not a type of number",
                      choices_for(name, names), {0, name.size()});
}

Result<const BinaryFormat*> format_given(std::string_view name) {
  if (const BinaryFormat* format = format_named(name)) return format;
  std::vector<std::string_view> names;
  names.reserve(std::size(all_formats) + 1);
  for (const BinaryFormat* format : all_formats) names.push_back(format->name);
  names.push_back(decimal_types[0].name);
  return number_error(Code::bad_value, in_quotes(name) + " is not a binary format",
                      choices_for(name, names), {0, name.size()});
}

}  // namespace inky::inline v1
