// Statements of Java that change a value in place: those of StringBuilder, whose value is its text.

#include <algorithm>

#include "../computed/units.hpp"
#include "../computed/whole.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "dialect/statement_lines.hpp"
#include "expressions.hpp"
#include "number_formats.hpp"

namespace inky::inline v1::java_language {

namespace {

using computed::Node;

constexpr std::string_view changing = "append insert reverse setLength deleteCharAt";

}  // namespace

// line.append(...), line.insert(0, ...), and chains of these.
std::optional<Declaration> read_change(std::string_view statement) {
  if (auto changed = change_by_method(statement, changing)) return changed;
  return change_by_method(statement, number_format_setters);
}

bool compute_change(std::string_view source, const computed::Scope& scope, Value& out,
                    computed::Trouble& trouble) {
  TemplateContent content;
  content.source = source;
  computed::CodeReader reader(code_facts, content, 0);
  Expressions evaluator(scope);
  evaluator.let_change();
  return computed::compute_whole(reader, source, evaluator, out, trouble);
}

std::optional<bool> Expressions::change_text(const Node& node, const Value& of,
                                             const Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  if (!may_change_ || !has_word(changing, name)) return std::nullopt;
  if (name == "append" && count == 1) {
    std::string added;
    if (!shown_plainly(node, arguments[0], added)) return false;
    out = Value::text(std::string(of.as_text()) + added);
    return true;
  }
  std::u16string units = utf16_of(of.as_text());
  const auto size = static_cast<std::int64_t>(units.size());
  std::int64_t at = 0;
  if (name == "reverse" && count == 0) {
    const bool has_pairs = std::any_of(
        units.begin(), units.end(), [](char16_t unit) { return 0xD800 <= unit && unit <= 0xDFFF; });
    if (has_pairs) return not_yet("this text in reverse is", node);
    std::reverse(units.begin(), units.end());
  } else if (count == 0 || !take_int(node, arguments[0], at)) {
    return count != 0 ? false : not_yet("the method " + name + " is", node);
  } else if (at < 0 || at > size || (name == "deleteCharAt" && at == size)) {
    return fail(computed::Trouble::When::run, "StringIndexOutOfBoundsException",
                "the text has " + std::to_string(size) + " units", node);
  } else if (name == "insert" && count == 2) {
    std::string added;
    if (!shown_plainly(node, arguments[1], added)) return false;
    units.insert(static_cast<std::size_t>(at), utf16_of(added));
  } else if (name == "setLength" && count == 1) {
    units.resize(static_cast<std::size_t>(at));
  } else if (name == "deleteCharAt" && count == 1) {
    units.erase(static_cast<std::size_t>(at), 1);
  } else {
    return not_yet("the method " + name + " with these arguments is", node);
  }
  const auto text = computed::utf8_of(units);
  if (!text) return not_yet("half of a surrogate pair is", node);
  out = Value::text(*text);
  return true;
}

}  // namespace inky::inline v1::java_language
