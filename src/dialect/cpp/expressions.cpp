#include "expressions.hpp"

#include <string>

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
    .prints = prints,
    .ends = ";",
    .silent_words = "#include #define using",
    .blocks = Blocks::braces,
    .lasting_words =
        "fixed scientific hexfloat defaultfloat hex oct dec left right internal showpos noshowpos "
        "showbase noshowbase showpoint noshowpoint uppercase nouppercase boolalpha noboolalpha "
        "setprecision setfill setbase setiosflags resetiosflags precision fill flags setf unsetf "
        "unitbuf nounitbuf imbue copyfmt",
    .counts = true,
    .declares_types = true,
    .modifiers = "const static constexpr auto",
    .plain_types = "string std"};

bool CppExpressions::call(const computed::Node& node, const std::string& path,
                          const computed::Arguments& arguments, Value& out) {
  const std::string_view name = c_language::without_std(path);
  if (name == "quoted" && arguments.size() == 1 && arguments[0].is(Type::text)) {
    out = Value::text(quoted(arguments[0].as_text()));
    return true;
  }
  if (name != "format" || arguments.size() == 0 || !arguments[0].is(Type::text))
    return Expressions::call(node, path, arguments, out);
  return fill(node, *cpp_format_dialect(), arguments[0].as_text(),
              std::span<const Value>(arguments.values).subspan(1), out);
}

}  // namespace inky::inline v1
