// Statements of Rust that give several names values, or change a value in place.

#include <algorithm>
#include <utility>

#include "../computed/arithmetic.hpp"
#include "../computed/whole.hpp"
#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "dialect/statement_arrays.hpp"
#include "dialect/statement_lines.hpp"
#include "expressions.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::rust {

namespace {

using computed::Node;

constexpr std::string_view changing = "push push_str pop sort reverse clear truncate";

std::vector<std::string_view> words_in(std::string_view list) {
  std::vector<std::string_view> out;
  while (!trimmed(list).empty()) {
    const std::size_t comma = std::min(comma_in(list), list.size());
    out.push_back(trimmed(list.substr(0, comma)));
    list.remove_prefix(std::min(comma + 1, list.size()));
  }
  return out;
}

bool is_name(std::string_view text) {
  return !text.empty() && is_word_start(text[0]) &&
         std::all_of(text.begin(), text.end(), is_word_part);
}

// let (a, b) = pair;
std::vector<Declaration> read_parts(std::string_view statement) {
  const std::size_t close = statement.find(')');
  const std::size_t sign = statement.find_first_not_of(' ', close + 1);
  if (close == std::string_view::npos || sign == std::string_view::npos || statement[sign] != '=' ||
      statement.substr(sign).starts_with("=="))
    return {};
  const std::string given(trimmed(statement.substr(sign + 1)));
  const std::size_t open = statement.find('(');
  std::vector<Declaration> out;
  for (std::string_view name : words_in(statement.substr(open + 1, close - open - 1))) {
    if (name.starts_with("mut ")) name = trimmed(name.substr(4));
    if (!is_name(name)) return {};
    Declaration one;
    one.name = name;
    one.expression = "(" + given + ")." + std::to_string(out.size());
    one.before = "let";
    one.span = {0, statement.size()};
    out.push_back(std::move(one));
  }
  return out;
}

// let items: Vec<f64> = ..., and let n: i32 = text.parse().unwrap();
std::vector<Declaration> read_typed_name(std::string_view statement) {
  std::string_view rest = trimmed(statement.substr(4));
  std::string before = "let";
  if (rest.starts_with("mut ")) {
    rest = trimmed(rest.substr(4));
    before += " mut";
  }
  const std::size_t colon = rest.find(':');
  const std::size_t sign = rest.find('=');
  if (colon == std::string_view::npos || sign == std::string_view::npos || sign < colon) return {};
  Declaration out;
  out.name = trimmed(rest.substr(0, colon));
  if (!is_name(out.name)) return {};
  const std::string_view type = trimmed(rest.substr(colon + 1, sign - colon - 1));
  out.expression = trimmed(rest.substr(sign + 1));
  out.before = before;
  out.span = {0, statement.size()};
  std::string_view item;
  if (type.starts_with("Vec<") && type.ends_with('>')) item = type.substr(4, type.size() - 5);
  if (type.starts_with('[') && type.ends_with(']'))
    item = trimmed(type.substr(1, std::min(type.find(';'), type.size() - 1) - 1));
  if (!item.empty()) {
    if (item.find_first_of("<>()[];,") != std::string_view::npos) return {};
    out.expression = "_list_of(" + out.expression + ", \"" + std::string(item) + "\")";
    return {out};
  }
  // The type of the name is what is read.
  constexpr std::string_view parse = ".parse()";
  if (const std::size_t at = out.expression.find(parse); at != std::string::npos) {
    if (!type_of_name(type)) return {};
    out.expression.replace(at, parse.size(), ".parse::<" + std::string(type) + ">()");
    return {out};
  }
  if (type.starts_with("Option<")) return {out};
  return {};
}

// items.push(4), line.push_str("ink")
std::vector<Declaration> read_method(std::string_view statement) {
  std::size_t at = 0;
  while (at < statement.size() && is_word_part(statement[at])) ++at;
  const std::string_view name = statement.substr(0, at);
  if (!is_name(name) || at >= statement.size()) return {};
  Declaration out;
  out.name = name;
  out.expression = statement;
  out.changes = out.in_place = true;
  out.span = {0, statement.size()};
  if (statement[at] == '[') {
    ExpressionForm form;
    form.has_arrays = true;
    const auto change = list_change_of(form, statement);
    return change && change->change.places.size() == 1 ? std::vector{out}
                                                       : std::vector<Declaration>();
  }
  const auto change = change_by_method(statement, changing);
  return change ? std::vector{*change} : std::vector<Declaration>();
}

// Reads all of an expression, and evaluates it.
bool compute(std::string_view source, const computed::Scope& scope, bool may_change, Value& out,
             computed::Trouble& trouble) {
  TemplateContent content;
  content.source = source;
  ExpressionReader reader(content, 0);
  Expressions evaluator(scope);
  if (may_change) evaluator.let_change();
  return computed::compute_whole(reader, source, evaluator, out, trouble);
}

// items[1] += 2
bool change_item(std::string_view source, const computed::Scope& scope, Value& out,
                 computed::Trouble& trouble) {
  ExpressionForm form;
  form.has_arrays = true;
  const NamedChange change = *list_change_of(form, source);
  const std::string place = change.name + "[" + change.change.places[0] + "]";
  const std::string& operation = change.change.operation;
  const std::string given = operation.empty()
                                ? change.change.value
                                : place + " " + operation + " (" + change.change.value + ")";
  Value at;
  Value before;
  Value value;
  if (!compute(change.change.places[0], scope, false, at, trouble) ||
      !compute(place, scope, false, before, trouble) ||
      !compute(given, scope, false, value, trouble))
    return false;
  const Value* list = scope.find(change.name);
  out = list == nullptr ? Value() : *list;
  const Value places[] = {at};
  if (before.type() == value.type() && apply_change(ListChange::Kind::item, places, value, out))
    return true;
  trouble = {computed::Trouble::When::not_supported_yet, "Give the name another type.",
             "an item of another type than the others is not supported yet",
             Span{0, source.size()}};
  return false;
}

}  // namespace

std::vector<Declaration> read_declarations(std::string_view statement) {
  if (!statement.starts_with("let ")) return read_method(statement);
  return trimmed(statement.substr(4)).starts_with('(') ? read_parts(statement)
                                                       : read_typed_name(statement);
}

bool compute_change(std::string_view source, const computed::Scope& scope, Value& out,
                    computed::Trouble& trouble) {
  std::size_t at = 0;
  while (at < source.size() && is_word_part(source[at])) ++at;
  return at < source.size() && source[at] == '[' ? change_item(source, scope, out, trouble)
                                                 : compute(source, scope, true, out, trouble);
}

// Methods that change what they are called on give the changed value.
std::optional<bool> Expressions::change(const Node& node, const Value& of,
                                        const Arguments& arguments, Value& out) {
  const std::string& name = node.parts[0].text;
  const std::size_t count = arguments.size();
  if (!may_change_ || !has_word(changing, name)) return std::nullopt;
  if (of.is(Type::text)) {
    const bool adds = count == 1 && arguments[0].is(name == "push" ? Type::character : Type::text);
    if (name == "clear" && count == 0)
      out = Value::text("");
    else if ((name == "push" || name == "push_str") && adds)
      out = Value::text(std::string(of.as_text()) + text_of(arguments[0]));
    else
      return not_yet("the method " + name + " is", node);
    return true;
  }
  if (!of.is(Type::list)) return not_yet("the method " + name + " of this is", node);
  using Kind = ListChange::Kind;
  const std::pair<std::string_view, Kind> known[] = {{"push", Kind::add},
                                                     {"pop", Kind::drop_last},
                                                     {"sort", Kind::sort},
                                                     {"reverse", Kind::reverse},
                                                     {"clear", Kind::clear}};
  for (const auto& [word, kind] : known) {
    if (word != name || count != (kind == Kind::add ? 1U : 0U)) continue;
    const bool has_reals = std::any_of(of.as_list().begin(), of.as_list().end(),
                                       [](const Value& one) { return is_real(one.type()); });
    if (kind == Kind::sort && has_reals) return refuse("E0277", "reals have no order of all", node);
    if (kind == Kind::drop_last && of.as_list().empty()) {
      out = of;
      return true;
    }
    if (kind == Kind::add && !of.as_list().empty() && of.as_list()[0].type() != arguments[0].type())
      return not_yet("an item of another type than the others is", node);
    out = of;
    return apply_change(kind, {}, count == 0 ? Value() : arguments[0], out) ||
           not_yet("the method " + name + " of this is", node);
  }
  return not_yet("the method " + name + " is", node);
}

}  // namespace inky::inline v1::rust
