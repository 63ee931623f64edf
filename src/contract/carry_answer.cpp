#include "carry_answer.hpp"

#include <array>

#include "answers.hpp"
#include "names.hpp"
#include "request.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

// The least that a line may be limited to.
constexpr std::size_t least_line_limit = 20;

constexpr std::array<std::string_view, 5> carry_keys = {"dialect", "template", "types", "to",
                                                        "line_limit"};
constexpr std::string_view carry_form =
    R"({"dialect": "c", "template": "%8.2f", "types": ["f64"], "to": ["rust"]}.)";

Result<CarryRequest> read_carry_request(std::string_view line) {
  CarryRequest out;
  std::vector<std::string> to;
  RequestReader in(line, carry_keys, carry_form);
  in.needs({"dialect", "template", "to"});
  in.dialect("dialect", out.from);
  in.text("template", out.source);
  in.types("types", out.types);
  in.texts("to", to);
  if (in.find("to") != nullptr && to.empty()) in.wrong_kind("to", "a list of dialects");
  if (const Json* limit = in.find("line_limit")) {
    if (limit->kind != Json::Kind::number) in.wrong_kind("line_limit", "a number");
    const Result<Value> columns = read_typed(Type::u32, limit->text);
    if (columns) out.line_limit = static_cast<std::size_t>(columns->as_whole());
    if (auto error = refuse_line_limit(out.line_limit)) in.fail(std::move(*error));
  }
  if (in.fault()) return *in.fault();
  auto dialects = dialects_named(to, out.from);
  if (!dialects) return dialects.error();
  out.to = std::move(*dialects);
  return out;
}

void write_value(const Value& value, JsonWriter& out) {
  const std::string_view type = name_of(value.type());
  switch (value.type()) {
    case Type::text:
      return out.text(value.as_text());
    case Type::truth:
      return out.truth(value.as_whole() != 0);
    case Type::nil:
      return out.null();
    case Type::character: {
      std::string character;
      append_utf8(value.as_character(), character);
      out.open_object();
      out.member(type, character);
      break;
    }
    default:
      out.open_object();
      out.member(type, describe(value));
  }
  out.close_object();
}

void write_example(const CarryExample& example, JsonWriter& out) {
  out.open_object();
  out.open_list("values");
  for (const Value& value : example.values) write_value(value, out);
  out.close_list();
  out.member("here", example.here);
  if (!example.reason.empty()) out.member("reason", example.reason);
  out.member(example.there_fails ? "fails" : "there", example.there);
  out.close_object();
}

void write_one(const Carried& carried, JsonWriter& out) {
  out.open_object();
  out.member("dialect", carried.dialect->facts().id);
  out.key("template");
  carried.source ? out.text(*carried.source) : out.null();
  out.key("call");
  carried.source ? out.text(carried.statement) : out.null();
  out.member("verdict", name_of(carried.verdict));
  if (!carried.range.empty()) out.member("range", carried.range);
  out.key("example");
  carried.example ? write_example(*carried.example, out) : out.null();
  if (carried.source) {
    out.open_list("arguments");
    for (const int index : carried.arguments) out.number(index);
    out.close_list();
  }
  write_notes(carried.notes, out);
  out.close_object();
}

}  // namespace

std::optional<Error> refuse_line_limit(std::size_t limit) {
  if (limit >= least_line_limit && limit <= most_template) return std::nullopt;
  return Error{Code::over_limit,
               "a line limit is a number of columns from " + std::to_string(least_line_limit),
               {},
               "80 and 100 are usual."};
}

Carried carry_to(const Cargo& cargo, const Dialect& other, std::size_t line_limit) {
  Carried out = cargo.to(other);
  if (line_limit == 0 || !out.source) return out;
  const Result<Template> parsed = other.parse(*out.source);
  if (parsed) out.statement = over_lines(other, *parsed, out.statement, line_limit);
  return out;
}

Result<std::vector<Carried>> carry_all(const CarryRequest& request) {
  const Result<Template> parsed = request.from->parse(request.source);
  if (!parsed) return parsed.error();
  const Result<Cargo> cargo = Cargo::make(*request.from, *parsed, request.types);
  if (!cargo) return cargo.error();
  std::vector<Carried> out;
  for (const Dialect* other : request.to)
    out.push_back(carry_to(*cargo, *other, request.line_limit));
  return out;
}

void write_carried(std::span<const Carried> all, JsonWriter& out) {
  out.open_object();
  out.open_list("results");
  for (const Carried& carried : all) write_one(carried, out);
  out.close_list();
  out.close_object();
}

std::string answer_carry_line(std::string_view line) {
  const Result<CarryRequest> request = read_carry_request(line);
  if (!request) return error_line(request.error());
  const Result<std::vector<Carried>> all = carry_all(*request);
  if (!all) return error_line(all.error());
  JsonWriter out;
  write_carried(*all, out);
  return out.string();
}

}  // namespace inky::inline v1
