#include "changes.hpp"

#include <algorithm>
#include <functional>

#include "../family/values.hpp"
#include "dialect/lexis.hpp"
#include "expressions.hpp"
#include "values.hpp"

namespace inky::inline v1::python {

namespace {

using computed::Node;
using When = computed::Trouble::When;

// Does what a change does, to values that are made anew.
class Changing final {
 public:
  Changing(const computed::Scope& scope, computed::Trouble& trouble)
      : scope_(scope), evaluator_(scope), trouble_(trouble) {}

  bool change(const Change& asked, Value& out) {
    const Value* root = scope_.find(root_of(asked.target));
    if (root == nullptr) return fail("NameError", "the name is not defined");
    out = *root;
    out.drop_name();
    if (out.is_expression()) return not_yet("changing a function is");
    std::vector<Value> keys;
    if (!take_keys(asked.target, keys)) return false;
    std::vector<Value> given;
    for (const Node& node : asked.given) {
      if (asked.method == "sort") continue;
      if (!evaluate(node, given.emplace_back())) return false;
    }
    if (asked.method == "sort") {
      return at_part(out, keys, [&](Value& part) { return sort(asked, part); });
    }
    if (!asked.method.empty()) {
      return at_part(out, keys, [&](Value& part) { return call(asked, given, part); });
    }
    const Value key = std::move(keys.back());
    keys.pop_back();
    return at_part(out, keys, [&](Value& part) {
      return given.empty() ? remove(key, part) : put(key, given[0], part);
    });
  }

 private:
  bool fail(std::string_view exception, std::string why) {
    trouble_ = {When::run, std::string(exception), std::move(why), {}};
    return false;
  }
  bool not_yet(std::string what) {
    trouble_ = {When::not_supported_yet, {}, std::move(what) + " not supported yet", {}};
    return false;
  }
  bool evaluate(const Node& node, Value& out) {
    if (!evaluator_.evaluate(node, out)) {
      trouble_ = *evaluator_.trouble();
      return false;
    }
    out.drop_name();
    return true;
  }

  bool take_keys(const Node& path, std::vector<Value>& out) {
    if (path.kind == Node::Kind::name) return true;
    if (path.kind != Node::Kind::item) return not_yet("changing this is");
    return take_keys(path.parts[0], out) && evaluate(path.parts[1], out.emplace_back());
  }

  // The place of a key in a list or a dict; the size where it is not there.
  bool find(const Value& of, const Value& key, std::size_t& place) {
    const auto items = of.as_list();
    place = items.size();
    if (of.is(Type::list)) {
      if (!is_int(key)) return fail("TypeError", "list indices must be integers or slices");
      const Integer at = computed::whole_of(key);
      const Integer size = items.size();
      const Integer index = at < 0 ? Integer(at + size) : at;
      if (index >= 0 && index < size) place = index.convert_to<std::size_t>();
      return true;
    }
    if (!of.is(Type::record))
      return of.is(Type::tuple) || is_text_or_character(of)
                 ? fail("TypeError", "'" + std::string(type_name(of)) +
                                         "' object does not support item assignment")
                 : not_yet("changing this is");
    if (!is_text_or_character(key)) return not_yet("a key that is no text is");
    for (std::size_t i = 0; i < items.size(); ++i) {
      if (items[i].name() == text_of(key)) place = i;
    }
    return true;
  }

  using Step = std::function<bool(Value&)>;
  bool at_part(Value& of, std::span<const Value> keys, const Step& step) {
    if (keys.empty()) return step(of);
    if (!is_compound(of.type())) return not_yet("changing this is");
    std::size_t place = 0;
    if (!find(of, keys[0], place)) return false;
    std::vector<Value> items(of.as_list().begin(), of.as_list().end());
    if (place == items.size()) return missing(of, keys[0]);
    const std::string name(items[place].name());
    if (!at_part(items[place], keys.subspan(1), step)) return false;
    if (of.is(Type::record)) items[place].set_name(name);
    return settle(of, std::move(items));
  }
  bool missing(const Value& of, const Value& key) {
    return of.is(Type::list) ? fail("IndexError", "list assignment index out of range")
                             : fail("KeyError", text_of_any(key, Conversion::repr));
  }
  bool settle(Value& of, std::vector<Value> items) {
    // Each change makes a new list: what a loop makes counts.
    constexpr std::size_t weight = 8;
    if (scope_.shared != nullptr && (scope_.shared->made += weight * items.size()) > most_output) {
      trouble_ = {When::over_limit,
                  {},
                  "what these statements make is over the limit of " + std::to_string(most_output) +
                      " bytes",
                  {}};
      return false;
    }
    of = of.is(Type::record) ? Value::record(std::move(items)) : Value::list(std::move(items));
    return true;
  }

  bool put(const Value& key, Value value, Value& of) {
    if (!is_compound(of.type()) && !is_text_or_character(of)) return not_yet("changing this is");
    std::size_t place = 0;
    if (!is_compound(of.type()))
      return fail("TypeError", "'str' object does not support item assignment");
    if (!find(of, key, place)) return false;
    std::vector<Value> items(of.as_list().begin(), of.as_list().end());
    value.drop_name();
    if (of.is(Type::record)) value.set_name(text_of(key));
    if (place < items.size())
      items[place] = std::move(value);
    else if (of.is(Type::record))
      items.push_back(std::move(value));
    else
      return missing(of, key);
    return settle(of, std::move(items));
  }

  bool remove(const Value& key, Value& of) {
    std::size_t place = 0;
    if (!is_compound(of.type())) return not_yet("changing this is");
    if (!find(of, key, place)) return false;
    std::vector<Value> items(of.as_list().begin(), of.as_list().end());
    if (place == items.size()) return missing(of, key);
    items.erase(items.begin() + static_cast<std::ptrdiff_t>(place));
    return settle(of, std::move(items));
  }

  bool call(const Change& asked, std::vector<Value>& given, Value& of) {
    const std::string& name = asked.method;
    const bool has_names = std::any_of(asked.names.begin(), asked.names.end(),
                                       [](const std::string& one) { return !one.empty(); });
    if (of.is(Type::record))
      return has_names ? not_yet("such an argument is") : change_dict(name, given, of);
    if (!of.is(Type::list)) return not_yet("the method " + name + " of this is");
    std::vector<Value> items(of.as_list().begin(), of.as_list().end());
    const auto takes = [&](std::size_t count) { return given.size() == count && !has_names; };
    if (name == "append" && takes(1)) {
      items.push_back(given[0]);
    } else if (name == "extend" && takes(1) && given[0].is(Type::list)) {
      const auto more = given[0].as_list();
      items.insert(items.end(), more.begin(), more.end());
    } else if (name == "insert" && takes(2) && is_int(given[0])) {
      const Integer size = items.size();
      Integer at = computed::whole_of(given[0]);
      at = at < 0 ? Integer(std::max(Integer(at + size), Integer(0))) : std::min(at, size);
      items.insert(items.begin() + at.convert_to<std::ptrdiff_t>(), given[1]);
    } else if (name == "pop" && (takes(0) || takes(1))) {
      if (items.empty()) return fail("IndexError", "pop from empty list");
      std::size_t place = items.size() - 1;
      if (!given.empty() && !find(of, given[0], place)) return false;
      if (place == items.size()) return fail("IndexError", "pop index out of range");
      items.erase(items.begin() + static_cast<std::ptrdiff_t>(place));
    } else if (name == "reverse" && takes(0)) {
      std::reverse(items.begin(), items.end());
    } else if (name == "clear" && takes(0)) {
      items.clear();
    } else if (name == "remove" && takes(1)) {
      const std::string sought = text_of_any(given[0], Conversion::repr);
      const auto found = std::find_if(items.begin(), items.end(), [&](const Value& item) {
        return item.type() == given[0].type() && text_of_any(item, Conversion::repr) == sought;
      });
      if (found == items.end()) return not_yet("removing what is not in a list is");
      items.erase(found);
    } else {
      return not_yet("the method " + name + " with these arguments is");
    }
    return settle(of, std::move(items));
  }

  // As sorted() does.
  bool sort(const Change& asked, Value& of) {
    if (!of.is(Type::list)) return not_yet("the method sort of this is");
    Node call;
    call.kind = Node::Kind::call;
    call.parts.resize(2);
    call.keys.resize(1);
    call.parts[0].kind = Node::Kind::name;
    call.parts[0].text = "sorted";
    call.parts[1].kind = Node::Kind::constant;
    call.parts[1].value = of;
    for (std::size_t i = 0; i < asked.given.size(); ++i) {
      if (asked.names[i].empty()) return fail("TypeError", "sort() takes no positional arguments");
      call.parts.push_back(asked.given[i]);
      call.keys.push_back(asked.names[i]);
    }
    return evaluate(call, of);
  }

  bool change_dict(const std::string& name, std::vector<Value>& given, Value& of) {
    if (name == "update" && given.size() == 1 && given[0].is(Type::record)) {
      for (const Value& field : given[0].as_list()) {
        if (!put(Value::text(std::string(field.name())), field, of)) return false;
      }
      return true;
    }
    if (name == "pop" && given.size() == 1) return remove(given[0], of);
    if (name == "clear" && given.empty()) return settle(of, {});
    if (name == "setdefault" && given.size() == 2) {
      std::size_t place = 0;
      if (!find(of, given[0], place)) return false;
      return place < of.as_list().size() || put(given[0], given[1], of);
    }
    return not_yet("the method " + name + " with these arguments is");
  }

  const computed::Scope& scope_;
  Expressions evaluator_;
  computed::Trouble& trouble_;
};

}  // namespace

bool compute_change(std::string_view source, const computed::Scope& scope, Value& out,
                    computed::Trouble& trouble) {
  Change change;
  if (!read_change(source, change)) {
    trouble = {
        When::not_supported_yet, {}, "such a change is not supported yet", {0, source.size()}};
    return false;
  }
  return Changing(scope, trouble).change(change, out);
}

}  // namespace inky::inline v1::python
