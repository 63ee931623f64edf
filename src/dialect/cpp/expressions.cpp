#include "expressions.hpp"

#include <string>

#include "dialect/program_form.hpp"
#include "dialects.hpp"

namespace inky::inline v1 {

namespace {

// std::quoted: ISO C++20, [quoted.manip].
std::string quoted(std::string_view text) {
  std::string out = "\"";
  for (const char c : text) {
    if (c == '"' || c == '\\') out += '\\';
    out += c;
  }
  return out + '"';
}

constexpr PrintFact prints[] = {{"std::println", "\n"}, {"println", "\n"}};

}  // namespace

const ExpressionForm cpp_expressions = {
    .grammar = &c_language::grammar,
    .reader = [](TemplateContent& out, std::size_t at) -> std::unique_ptr<computed::Reader> {
      return std::make_unique<c_language::ExpressionReader>(c_language::Edition::cpp, out, at);
    },
    .evaluator = [](const computed::Scope& scope) -> std::unique_ptr<computed::Evaluator> {
      return std::make_unique<CppExpressions>(scope);
    },
    .prints = prints};

bool CppExpressions::call(const computed::Node& node, const std::string& path,
                          const computed::Arguments& arguments, Value& out) {
  const std::string_view name = c_language::without_std(path);
  if (name == "quoted" && arguments.size() == 1 && arguments[0].is(Type::text)) {
    out = Value::text(quoted(arguments[0].as_text()));
    return true;
  }
  if (name != "format" || arguments.size() == 0 || !arguments[0].is(Type::text))
    return Expressions::call(node, path, arguments, out);
  const Dialect& dialect = *cpp_format_dialect();
  const auto parsed =
      dialect.parse(literal_text(program_form_of(dialect.facts()), arguments[0].as_text()));
  if (!parsed) return not_yet("this template of std::format is", node);
  TextBuffer text;
  const std::span<const Value> all(arguments.values);
  const Outcome outcome = dialect.render(*parsed, all.subspan(1), text);
  if (outcome.prints()) {
    out = Value::text(text.string());
    return true;
  }
  using When = computed::Trouble::When;
  const When when = outcome.kind() == Outcome::Kind::fails_compile ? When::compile
                    : outcome.kind() == Outcome::Kind::fails_run   ? When::run
                    : outcome.kind() == Outcome::Kind::undefined   ? When::undefined
                                                                   : When::not_supported_yet;
  return fail(when, outcome.failure_name(), outcome.why(), node);
}

}  // namespace inky::inline v1
