// Statements of C# that change a value in place: those of StringBuilder, whose value is its text.

#include "../computed/units.hpp"
#include "../computed/whole.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "dialect/statement_lines.hpp"
#include "dialects.hpp"
#include "expressions.hpp"

namespace inky::inline v1::csharp {

namespace {

using computed::Node;

constexpr std::string_view changing = "Append AppendLine AppendFormat Insert Clear";

}  // namespace

// line.Append(...), line.Insert(0, ...), and chains of these.
std::optional<Declaration> read_change(std::string_view statement) {
  return change_by_method(statement, changing);
}

bool compute_change(std::string_view source, const computed::Scope& scope, Value& out,
                    computed::Trouble& trouble) {
  TemplateContent content;
  content.source = source;
  const auto reader = expression_form.reader(content, 0);
  Expressions evaluator(scope);
  evaluator.let_change();
  return computed::compute_whole(*reader, source, evaluator, out, trouble);
}

std::optional<bool> Expressions::change_text(const Node& node, std::string_view text,
                                             const Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  if (!may_change_ || !has_word(changing, name)) return std::nullopt;
  std::string added;
  if (name == "Clear" && count == 0) {
    out = Value::text("");
  } else if (name == "AppendLine" && count == 0) {
    out = Value::text(std::string(text) + "\n");
  } else if ((name == "Append" || name == "AppendLine") && count == 1) {
    if (!shown_plainly(node, arguments[0], added)) return false;
    out = Value::text(std::string(text) + added + (name == "Append" ? "" : "\n"));
  } else if (name == "AppendFormat" && count > 0) {
    Value made;
    if (!call_text_function(node, "Format", arguments, made)) return false;
    out = Value::text(std::string(text) + std::string(made.as_text()));
  } else if (name == "Insert" && count == 2) {
    std::int64_t at = 0;
    std::u16string units = utf16_of(text);
    if (!take_int(node, arguments[0], at) || !shown_plainly(node, arguments[1], added))
      return false;
    if (at < 0 || static_cast<std::size_t>(at) > units.size())
      return fail(computed::Trouble::When::run, "ArgumentOutOfRangeException",
                  "the text has " + std::to_string(units.size()) + " units", node);
    const auto whole =
        computed::utf8_of(units.insert(static_cast<std::size_t>(at), utf16_of(added)));
    if (!whole) return not_yet("half of a surrogate pair is", node);
    out = Value::text(*whole);
  } else {
    return not_yet("the method " + name + " with these arguments is", node);
  }
  return true;
}

}  // namespace inky::inline v1::csharp
