#include "expressions.hpp"

#include <algorithm>
#include <string>

#include "../family/strftime.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "format/layout.hpp"

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
        "width setprecision setfill setbase setiosflags resetiosflags precision fill flags setf "
        "unsetf "
        "unitbuf nounitbuf imbue copyfmt",
    .counts = true,
    .declares_types = true,
    .modifiers = "const static constexpr auto",
    .plain_types = "string std"};

bool is_put_time(const computed::Node& node) {
  return node.kind == computed::Node::Kind::call &&
         c_language::without_std(computed::path_of(node.parts[0])) == "put_time";
}

// put_time(&t, "%F"): ISO C++20, [ext.manip]; the codes are those of strftime. Of time zones nothing
// is known here.
std::optional<bool> CppExpressions::evaluate_own(const computed::Node& node, Value& out) {
  using Of = computed::Node::Kind;
  if (node.kind == Of::unary && node.operation == computed::Operation::address)
    return not_yet("an address here is", node);
  if (!is_put_time(node)) return std::nullopt;
  const bool is_plain = node.parts.size() == 3 && node.parts[1].kind == Of::unary &&
                        node.parts[1].operation == computed::Operation::address;
  Value moment;
  Value codes;
  if (!is_plain) return not_yet("put_time of this is", node);
  if (!evaluate_again(node.parts[1].parts[0], moment) || !evaluate_again(node.parts[2], codes))
    return false;
  if (!moment.is(Type::moment) || !codes.is(Type::text))
    return not_yet("put_time of anything but a moment is", node);
  const std::string_view format = codes.as_text();
  for (std::size_t at = format.find('%'); at != std::string_view::npos;
       at = format.find('%', at + 2)) {
    const bool is_known = at + 1 < format.size() &&
                          std::string_view("zZfsEO").find(format[at + 1]) == std::string_view::npos;
    if (!is_known) return not_yet("such a code of put_time is", node);
  }
  std::string text;
  if (!append_strftime(moment.as_moment(), format, text).empty())
    return not_yet("such a code of put_time is", node);
  out = Value::text(std::move(text));
  return true;
}

namespace {

// put_money() in the C locale: digits, without a point, a sign or a symbol.
std::optional<Value> money(const Value& value) {
  if (value.is(Type::text)) {
    std::string_view text = value.as_text();
    if (text.starts_with('-')) text.remove_prefix(1);
    const std::size_t end = std::min(text.find_first_not_of("0123456789"), text.size());
    return Value::text(std::string(text.substr(0, end)));
  }
  const bool is_number =
      is_whole(value.type()) || value.is(Type::f64) || value.is(Type::f32) || value.is(Type::f80);
  if (!is_number || value.is(Type::big)) return std::nullopt;
  Spec spec;
  spec.kind = Kind::real;
  spec.notation = Notation::fixed;
  spec.places = 0;
  BinaryReal real;
  if (is_whole(value.type())) {
    WholeRoom room;
    const int128 number = value.as_whole();
    return Value::text(std::string(write_whole(magnitude_of(number), 10, Letters::lower, room)));
  }
  real = value.is(Type::f80) ? value.as_real() : nearest_f64(value);
  if (!real.is_finite()) return std::nullopt;
  real.negative = false;
  TextBuffer out;
  lay_out_real(spec, value.is(Type::f80) ? extended80 : binary64, real, {}, out);
  return Value::text(out.string());
}

}  // namespace

bool CppExpressions::call(const computed::Node& node, const std::string& path,
                          const computed::Arguments& arguments, Value& out) {
  const std::string_view name = c_language::without_std(path);
  if (name == "quoted" && arguments.size() == 1 && arguments[0].is(Type::text)) {
    out = Value::text(quoted(arguments[0].as_text()));
    return true;
  }
  if (name == "put_money" && arguments.size() > 0 && arguments.size() < 3) {
    auto text = money(arguments[0]);
    if (!text) return not_yet("put_money of this is", node);
    out = std::move(*text);
    return true;
  }
  if (name != "format" || arguments.size() == 0 || !arguments[0].is(Type::text))
    return Expressions::call(node, path, arguments, out);
  return fill(node, *cpp_format_dialect(), arguments[0].as_text(),
              std::span<const Value>(arguments.values).subspan(1), out);
}

}  // namespace inky::inline v1
