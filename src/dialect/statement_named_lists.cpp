#include "dialect/statement_named_lists.hpp"

#include <algorithm>

#include "text/ascii.hpp"

namespace inky::inline v1 {

void NamedLists::add(const ArrayDeclaration& array) {
  const std::string& name = array.declared.name;
  if (array.is_text) return;
  lists_[name] = {array.item_type, array.is_array, array.is_fixed, array.never_changes};
  const auto size_of = language_.expressions->size_of;
  const std::size_t item = size_of == nullptr || array.count == 0 ? 0 : size_of(array.item_type);
  if (item > 0) sizes_.add(name, item * array.count, item);
}

bool NamedLists::add_open(std::string_view statement) {
  constexpr std::size_t most_digits = 6;
  if (language_.expressions->size_of == nullptr || !statement.starts_with("char ") ||
      !statement.ends_with(']'))
    return false;
  const std::size_t open = statement.find('[') + 1;
  const std::string_view count = statement.substr(open, statement.size() - 1 - open);
  const auto array = array_of(language_, std::string(statement.substr(0, open)) + "] = \"\"");
  if (!array || count.empty() || count.size() > most_digits ||
      count.find_first_not_of("0123456789") != std::string_view::npos)
    return false;
  sizes_.add(array->declared.name, std::stoul(std::string(count)), 1);
  return true;
}

const NamedLists::List* NamedLists::find(std::string_view name) const {
  const auto found = lists_.find(name);
  return found == lists_.end() ? nullptr : &found->second;
}

void NamedLists::copy(std::string_view expression, const std::string& name) {
  if (const List* known = find(expression)) lists_[name] = List(*known);
  const std::string other(trimmed(expression));
  const bool is_name = !other.empty() && is_word_start(other[0]) &&
                       std::all_of(other.begin(), other.end(), is_word_part);
  if (!is_name || !language_.expressions->lists_are_shared) return;
  shared_.insert(other);
  shared_.insert(name);
}

bool NamedLists::may_change(const NamedChange& change, bool is_looped) const {
  const List& list = *find(change.name);
  const ListChange::Kind kind = change.change.kind;
  const bool grows = kind == ListChange::Kind::add || kind == ListChange::Kind::clear;
  if (is_looped && kind != ListChange::Kind::item) return false;
  return !list.never_changes && !(list.is_fixed && grows);
}

bool NamedLists::is_unsure(const Declaration& declared) const {
  const bool shares = language_.expressions->lists_are_shared;
  if (declared.is_reference || shows_array_in(declared.expression)) return true;
  return declared.in_place ? shared_.find(declared.name) != shared_.end()
                           : shares && is_list(declared.expression);
}

bool NamedLists::is_list(std::string_view expression) const {
  while (!expression.empty() && is_in(expression.back(), statement_blanks))
    expression.remove_suffix(1);
  return find(expression) != nullptr;
}

bool NamedLists::shows_array(const computed::Node& node) const {
  using computed::Node;
  if (node.kind == Node::Kind::list) return language_.expressions->lists_are_shared;
  if (node.kind == Node::Kind::name) {
    const List* known = find(node.text);
    return known != nullptr && known->is_array;
  }
  const bool is_part = node.kind == Node::Kind::item || node.kind == Node::Kind::member;
  if (node.kind == Node::Kind::call &&
      has_word(language_.expressions->list_takers, computed::path_of(node.parts[0])))
    return false;
  for (std::size_t i = 0; i < node.parts.size(); ++i) {
    const bool is_base = i == 0 && is_part;
    if (!is_base && shows_array(node.parts[i])) return true;
  }
  return false;
}

bool NamedLists::shows_array_in(const std::string& expression) const {
  const ExpressionForm& form = *language_.expressions;
  if (!form.lists_are_shared || form.reader == nullptr) return false;
  TemplateContent content;
  content.source = expression;
  computed::Node node;
  return form.reader(content, 0)->read(node) && shows_array(node);
}

bool NamedLists::names_array(std::string_view chain) const {
  for (const auto& [name, list] : lists_) {
    for (std::size_t at = chain.find(name); at != std::string_view::npos;
         at = chain.find(name, at + 1)) {
      const std::size_t end = at + name.size();
      const bool is_word = (at == 0 || !is_word_part(chain[at - 1])) &&
                           (end == chain.size() || !is_word_part(chain[end]));
      const std::size_t next = std::min(chain.find_first_not_of(' ', end), chain.size());
      const bool is_base = next < chain.size() && (chain[next] == '[' || chain[next] == '.');
      if (list.is_array && is_word && !is_base) return true;
    }
  }
  return false;
}

bool changes_any(std::span<const StatementStep> steps, std::span<const std::string> names) {
  return std::any_of(steps.begin(), steps.end(), [&](const StatementStep& step) {
    const bool changes =
        (step.kind == StatementStep::Kind::value || step.kind == StatementStep::Kind::change) &&
        std::find(names.begin(), names.end(), step.name) != names.end();
    return changes || changes_any(step.body, names) || changes_any(step.other, names) ||
           changes_any(step.after, names) || changes_any(step.before, names) ||
           changes_any(step.behind, names);
  });
}

}  // namespace inky::inline v1
