#include "check_answer.hpp"

#include <array>

#include "answers.hpp"
#include "request.hpp"

namespace inky::inline v1 {

namespace {

constexpr std::array<std::string_view, 4> check_keys = {"dialect", "template", "types", "values"};
constexpr std::string_view check_form = R"({"dialect": "c", "template": "%d", "types": ["f64"]}.)";

void write_fault(const Fault& fault, JsonWriter& out) {
  out.open_object();
  out.member("code", name_of(fault.code));
  out.member("severity", name_of(fault.severity));
  out.member("message", fault.message);
  out.key("span");
  write_span(fault.span, out);
  if (!fault.effect.empty()) out.member("effect", fault.effect);
  out.member_or_null("repair", fault.repair);
  out.close_object();
}

}  // namespace

void write_checked(const Checked& checked, JsonWriter& out) {
  out.open_object();
  out.member_truth("ok", checked.faults.empty());
  out.open_list("faults");
  for (const Fault& fault : checked.faults) write_fault(fault, out);
  out.close_list();
  out.key("repaired");
  checked.repaired ? out.text(*checked.repaired) : out.null();
  out.close_object();
}

std::string answer_check_line(std::string_view line) {
  const Dialect* dialect = nullptr;
  std::string source;
  std::vector<Type> types;
  std::vector<Value> values;
  RequestReader in(line, check_keys, check_form);
  in.needs({"dialect", "template"});
  in.dialect("dialect", dialect);
  in.text("template", source);
  in.types("types", types);
  in.values("values", values);
  if (in.find("types") != nullptr && in.find("values") != nullptr)
    in.fail({Code::contradiction,
             "a request has types, or values",
             {},
             "Leave one of them out: a value already has its type."});
  if (in.fault()) return error_line(*in.fault());
  for (const Value& value : values) types.push_back(value.type());
  const bool given = in.find("types") != nullptr || in.find("values") != nullptr;
  const Result<Checked> checked = given ? check(*dialect, source, std::span<const Type>(types))
                                        : check(*dialect, source, std::nullopt);
  if (!checked) return error_line(checked.error());
  JsonWriter out;
  write_checked(*checked, out);
  return out.string();
}

}  // namespace inky::inline v1
