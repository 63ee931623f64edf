#include "evaluator.hpp"

#include <algorithm>
#include <utility>

#include "dialect/program_form.hpp"
#include "inky_margin/format/template.hpp"
#include "objects.hpp"

namespace inky::inline v1::computed {

namespace {

// Roughly the room a value takes.
std::size_t weight_of(const Value& value) {
  if (value.is(Type::text)) return value.as_text().size() + 1;
  std::size_t out = 16;
  if (value.is(Type::big)) out += value.as_big().magnitude.limbs().size() * 8;
  if (is_compound(value.type())) {
    for (const Value& item : value.as_list()) out += weight_of(item);
  }
  return out;
}

}  // namespace

Outcome outcome_of(const Trouble& trouble) {
  switch (trouble.when) {
    case Trouble::When::compile:
      return Outcome::fails_at_compile(trouble.as, trouble.why, trouble.span);
    case Trouble::When::run:
      return Outcome::fails_at_run(trouble.as, trouble.why, trouble.span);
    case Trouble::When::undefined:
      return Outcome::undefined(trouble.why, trouble.span);
    default:
      return Outcome::error(
          {trouble.when == Trouble::When::over_limit ? Code::over_limit : Code::not_supported_yet,
           trouble.why, trouble.span, trouble.as});
  }
}

bool Evaluator::fail(Trouble::When when, std::string as, std::string why, const Node& node) {
  if (!trouble_) trouble_ = {when, std::move(as), std::move(why), node.span};
  return false;
}

bool Evaluator::not_yet(std::string what, const Node& node) {
  return fail(Trouble::When::not_supported_yet, "Give the value of the expression a name.",
              std::move(what) + " not supported yet", node);
}

bool Evaluator::over_limit(std::string what, const Node& node) {
  return fail(Trouble::When::over_limit, "Use a smaller one.", std::move(what), node);
}

bool Evaluator::fill(const Node& node, const Dialect& dialect, std::string_view content,
                     std::span<const Value> values, Value& out,
                     std::optional<std::string_view> locale) {
  return fill_template(node, dialect, literal_text(program_form_of(dialect.facts()), content),
                       values, out, locale);
}

bool Evaluator::fill_template(const Node& node, const Dialect& dialect, std::string_view source,
                              std::span<const Value> values, Value& out,
                              std::optional<std::string_view> locale) {
  const auto parsed = dialect.parse(source);
  if (!parsed) return not_yet("this template is", node);
  for (const Value& value : values) {
    if (const Value* object = object_in(value))
      return not_yet("a " + object_kind(*object) + " as a text is", node);
  }
  const Setting setting{"locale", locale.value_or(this->locale())};
  RenderOptions options;
  if (!setting.value.empty() && find_setting(dialect.facts(), "locale") != nullptr)
    options.settings = {&setting, 1};
  TextBuffer text;
  const Outcome outcome = dialect.render(*parsed, values, options, text, nullptr);
  switch (outcome.kind()) {
    case Outcome::Kind::prints:
      out = Value::text(text.string());
      return true;
    case Outcome::Kind::fails_compile:
      return fail(Trouble::When::compile, outcome.failure_name(), outcome.why(), node);
    case Outcome::Kind::fails_run:
      return fail(Trouble::When::run, outcome.failure_name(), outcome.why(), node);
    case Outcome::Kind::undefined:
      return fail(Trouble::When::undefined, {}, outcome.why(), node);
    default:
      return not_yet("this template with these values is", node);
  }
}

bool Evaluator::within_limits(const Value& made, const Node& node) {
  const std::size_t weight = weight_of(made);
  made_ += weight;
  if (scope_->shared != nullptr) scope_->shared->made += weight;
  if (made_ <= most_output && (scope_->shared == nullptr || scope_->shared->made <= most_output))
    return true;
  return over_limit(
      "the values of the expression take more than " + std::to_string(most_output) + " bytes",
      node);
}

bool Evaluator::put_off(Trouble::When when, std::string as, std::string why, const Node& node,
                        Value stand_in, Value& out) {
  if (!put_off_) put_off_ = {when, std::move(as), std::move(why), node.span};
  out = std::move(stand_in);
  return true;
}

bool Evaluator::evaluate(const Node& node, Value& out) {
  trouble_.reset();
  put_off_.reset();
  // What is not taken apart further is not supported yet.
  if (!evaluate_part(node, out) || !finish(node, out))
    return trouble_ ? false : not_yet("this is", node);
  if (!put_off_) return true;
  trouble_ = std::move(put_off_);
  return false;
}

bool Evaluator::evaluate_part(const Node& node, Value& out) {
  const std::optional<bool> own = evaluate_own(node, out);
  return (own ? *own : evaluate_node(node, out)) && within_limits(out, node);
}

bool Evaluator::evaluate_node(const Node& node, Value& out) {
  switch (node.kind) {
    case Node::Kind::nothing:
      out = Value();
      return true;
    case Node::Kind::constant:
      out = node.value;
      return true;
    case Node::Kind::for_each:
      return not_yet("such an expression is", node);
    case Node::Kind::function:
      return not_yet("a function as a value is", node);
    case Node::Kind::filled:
      return not_yet("such a literal is", node);
    case Node::Kind::name:
      if (const Value* value = scope_->find(node.text)) {
        if (value->is_function()) return not_yet("a function as a value is", node);
        out = *value;
        out.drop_name();
        return true;
      }
      return name_without_value(node, out);
    case Node::Kind::list:
    case Node::Kind::tuple:
    case Node::Kind::record:
      return evaluate_items(node, out);
    case Node::Kind::unary: {
      Value operand;
      if (!evaluate_part(node.parts[0], operand)) return false;
      return node.operation == Operation::deny ? deny(node, operand, out)
                                               : apply(node, operand, out);
    }
    case Node::Kind::binary:
      return evaluate_binary(node, out);
    case Node::Kind::compared:
      return evaluate_compared(node, out);
    case Node::Kind::condition:
      return evaluate_condition(node, out);
    case Node::Kind::member: {
      Value of;
      const std::string path = path_of(node);
      if (!path.empty() && !has_value(path.substr(0, path.find('.'))))
        return name_without_value(node, out);
      return evaluate_part(node.parts[0], of) && member(node, of, out);
    }
    case Node::Kind::item: {
      Value of;
      Value at;
      return evaluate_part(node.parts[0], of) && evaluate_part(node.parts[1], at) &&
             item(node, of, at, out);
    }
    case Node::Kind::slice: {
      Value parts[4];
      for (std::size_t i = 0; i < 4; ++i) {
        if (!evaluate_part(node.parts[i], parts[i])) return false;
      }
      return slice(node, parts[0], parts[1], parts[2], parts[3], out);
    }
    case Node::Kind::call:
      return evaluate_call(node, out);
    case Node::Kind::cast: {
      Value of;
      return evaluate_part(node.parts[0], of) && cast(node, of, out);
    }
    case Node::Kind::spread:
      break;
  }
  return not_yet("this is", node);
}

bool Evaluator::deny(const Node& node, const Value& operand, Value& out) {
  bool truth = false;
  if (!holds(node.parts[0], operand, truth)) return false;
  out = of_truth(!truth);
  return true;
}

bool Evaluator::evaluate_items(const Node& node, Value& out) {
  std::vector<Value> items(node.parts.size());
  for (std::size_t i = 0; i < items.size(); ++i) {
    if (!evaluate_part(node.parts[i], items[i])) return false;
    if (node.kind == Node::Kind::record) items[i].set_name(node.keys[i]);
  }
  if (node.kind == Node::Kind::tuple) {
    out = Value::tuple(std::move(items));
  } else if (node.kind == Node::Kind::list) {
    out = list_of(std::move(items));
  } else {
    // The last of several values of one key stays, where the first was.
    std::vector<Value> fields;
    for (Value& item : items) {
      const auto known = std::find_if(fields.begin(), fields.end(), [&](const Value& field) {
        return field.name() == item.name();
      });
      if (known == fields.end())
        fields.push_back(std::move(item));
      else
        *known = std::move(item);
    }
    out = Value::record(std::move(fields));
  }
  return true;
}

bool Evaluator::check(const Node& node, Value& out) {
  if (!is_static_) return true;
  const std::optional<Trouble> before = put_off_;
  const bool good = evaluate_part(node, out);
  put_off_ = before;
  if (good) return true;
  if (trouble_->when == Trouble::When::compile ||
      trouble_->when == Trouble::When::not_supported_yet)
    return false;
  trouble_.reset();
  out = Value();
  return true;
}

bool Evaluator::evaluate_binary(const Node& node, Value& out) {
  Value left;
  Value right;
  if (!evaluate_part(node.parts[0], left)) return false;
  const Operation operation = node.operation;
  const bool chooses = operation == Operation::both || operation == Operation::either ||
                       operation == Operation::if_nil;
  if (!chooses)
    return evaluate_part(node.parts[1], right) && combine(node, operation, left, right, out);
  bool truth = left.is(Type::nil);
  if (operation != Operation::if_nil && !holds(node.parts[0], left, truth)) return false;
  const bool needs_right = operation == Operation::either ? !truth : truth;
  if (!(needs_right ? evaluate_part(node.parts[1], right) : check(node.parts[1], right)))
    return false;
  if (operation == Operation::if_nil || gives_sides()) {
    out = needs_right ? std::move(right) : std::move(left);
    return true;
  }
  if (needs_right && !holds(node.parts[1], right, truth)) return false;
  out = of_truth(truth);
  return true;
}

bool Evaluator::evaluate_compared(const Node& node, Value& out) {
  Value left;
  if (!evaluate_part(node.parts[0], left)) return false;
  for (std::size_t i = 0; i < node.operations.size(); ++i) {
    Value right;
    if (!evaluate_part(node.parts[i + 1], right) ||
        !combine(node, node.operations[i], left, right, out))
      return false;
    bool truth = false;
    if (!holds(node, out, truth)) return false;
    if (!truth) return true;
    left = std::move(right);
  }
  return true;
}

bool Evaluator::evaluate_condition(const Node& node, Value& out) {
  Value test;
  bool truth = false;
  if (!evaluate_part(node.parts[0], test) || !holds(node.parts[0], test, truth)) return false;
  const Node& chosen = node.parts[truth ? 1 : 2];
  const Node& other = node.parts[truth ? 2 : 1];
  Value unused;
  if (!evaluate_part(chosen, out)) return false;
  if (!is_static_) return true;
  return check(other, unused) && settle_sides(node, {chosen, out}, {other, unused});
}

bool Evaluator::evaluate_arguments(const Node& node, Arguments& out) {
  for (std::size_t i = 1; i < node.parts.size(); ++i) {
    const Node& part = node.parts[i];
    Value value;
    if (part.kind == Node::Kind::spread) {
      if (!evaluate_part(part.parts[0], value)) return false;
      if (!is_compound(value.type()) || value.is(Type::record))
        return not_yet("spreading this value is", part);
      for (const Value& item : value.as_list()) out.values.push_back(item);
      continue;
    }
    if (!evaluate_part(part, value)) return false;
    const std::string& name = node.keys[i - 1];
    if (name.empty())
      out.values.push_back(std::move(value));
    else
      out.named.push_back({name, std::move(value)});
  }
  return true;
}

bool Evaluator::evaluate_call(const Node& node, Value& out) {
  const Node& callee = node.parts[0];
  const std::string path = path_of(callee);
  Arguments arguments;
  const bool is_function = !path.empty() && (callee.kind == Node::Kind::name ||
                                             !has_value(path.substr(0, path.find('.'))));
  if (is_function) return evaluate_arguments(node, arguments) && call(node, path, arguments, out);
  Value of;
  if (callee.kind != Node::Kind::member)
    return evaluate_part(callee, of) && evaluate_arguments(node, arguments) &&
           call_value(node, of, arguments, out);
  return evaluate_part(callee.parts[0], of) && evaluate_arguments(node, arguments) &&
         call_method(node, of, arguments, out);
}

bool Evaluator::call(const Node& node, const std::string& path, const Arguments&, Value&) {
  return not_yet("the function " + path + " is", node);
}

bool Evaluator::call_method(const Node& node, const Value&, const Arguments&, Value&) {
  return not_yet("the method " + node.parts[0].text + " is", node);
}

bool Evaluator::call_value(const Node& node, const Value&, const Arguments&, Value&) {
  return not_yet("calling this is", node);
}

bool Evaluator::member(const Node& node, const Value&, Value&) {
  return not_yet("the member " + node.text + " is", node);
}

bool Evaluator::item(const Node& node, const Value&, const Value&, Value&) {
  return not_yet("an item of this value is", node);
}

bool Evaluator::slice(const Node& node, const Value&, const Value&, const Value&, const Value&,
                      Value&) {
  return not_yet("a part of this value is", node);
}

bool Evaluator::cast(const Node& node, const Value&, Value&) {
  return not_yet("the type " + node.text + " is", node);
}

}  // namespace inky::inline v1::computed
