// Calls of functions that are values, and the names that their parameters are.

#include <algorithm>

#include "evaluator.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::javascript {

void Evaluator::make_function(const Node& node, Datum& out) {
  auto made = std::make_shared<Function>();
  // The node is part of what is evaluated, or is kept by what is around it.
  made->written = std::shared_ptr<const Node>(kept_, &node);
  for (const auto& [name, value] : own_) made->around.emplace_back(name, value);
  out = Datum::of_kind(DatumKind::function);
  out.function = std::move(made);
}

Datum Evaluator::function_named(std::string path) {
  auto made = std::make_shared<Function>();
  made->path = std::move(path);
  Datum out = Datum::of_kind(DatumKind::function);
  out.function = std::move(made);
  return out;
}

bool Evaluator::call_value(const Datum& function, std::vector<Datum> arguments, const Node& node,
                           Datum& out) {
  out = {};
  if (function.kind != DatumKind::function)
    return fail("TypeError", "what is called here is not a function", node);
  // What a call costs by itself, so that those without end are found.
  constexpr std::size_t weight = 512;
  made_ += weight;
  if (scope_.spent != nullptr) *scope_.spent += weight;
  const std::shared_ptr<const Function> called = function.function;
  if (!called->written) return call_path(called->path, arguments, node, out);
  const bool was_ended = std::exchange(is_ended_, false);
  const auto kept = std::exchange(kept_, std::shared_ptr<const void>(called));
  std::vector<std::pair<std::string_view, Datum>> outside;
  outside.swap(own_);
  for (const auto& [name, value] : called->around) own_.emplace_back(name, value);
  const Node& written = *called->written;
  bool done = true;
  for (std::size_t i = 1; i < written.parts.size() && done; ++i) {
    const Node& target = written.parts[i];
    if (target.kind == Node::Kind::spread) {
      Datum rest = Datum::of_kind(DatumKind::array);
      for (std::size_t k = i - 1; k < arguments.size(); ++k)
        rest.items.push_back(std::move(arguments[k]));
      done = bind(target.parts[0], std::move(rest));
    } else {
      done = bind(target, i - 1 < arguments.size() ? std::move(arguments[i - 1]) : Datum());
    }
  }
  done = done && evaluate(written.parts[0], out);
  own_.swap(outside);
  kept_ = kept;
  is_ended_ = was_ended;
  return done && within_budget(out, node);
}

bool Evaluator::bind(const Node& target, Datum value) {
  switch (target.kind) {
    case Node::Kind::name:
      if (value.kind == DatumKind::hole) value = {};
      own_.emplace_back(target.text, std::move(value));
      return true;
    case Node::Kind::hole:
      return true;
    case Node::Kind::with_default: {
      Datum given = std::move(value);
      if (given.kind <= DatumKind::undefined) {
        given = {};
        if (!evaluate(target.parts[1], given)) return false;
      }
      return bind(target.parts[0], std::move(given));
    }
    case Node::Kind::array: {
      std::vector<Datum> items;
      if (!append_spread(value, target, items)) return false;
      for (std::size_t i = 0; i < target.parts.size(); ++i) {
        const Node& part = target.parts[i];
        if (part.kind != Node::Kind::spread) {
          if (!bind(part, i < items.size() ? items[i] : Datum())) return false;
          continue;
        }
        Datum rest = Datum::of_kind(DatumKind::array);
        if (i < items.size())
          rest.items.assign(items.begin() + static_cast<std::ptrdiff_t>(i), items.end());
        if (!bind(part.parts[0], std::move(rest))) return false;
      }
      return true;
    }
    default:
      for (std::size_t i = 0; i < target.parts.size(); ++i) {
        Datum part;
        if (target.parts[i].kind == Node::Kind::spread) {
          if (value.kind != DatumKind::object) return not_yet("the rest of this is", target);
          part.kind = DatumKind::object;
          for (std::size_t k = 0; k < value.keys.size(); ++k) {
            if (std::find(target.keys.begin(), target.keys.end(), value.keys[k]) !=
                target.keys.end())
              continue;
            part.keys.push_back(value.keys[k]);
            part.items.push_back(value.items[k]);
          }
          if (!bind(target.parts[i].parts[0], std::move(part))) return false;
          continue;
        }
        if (!check_members(value, target.keys[i], target) ||
            !find_property(value, target.keys[i], target, part) ||
            !bind(target.parts[i], std::move(part)))
          return false;
      }
      return true;
  }
}

bool Evaluator::append_spread(const Datum& of, const Node& node, std::vector<Datum>& out) {
  constexpr std::size_t most_items = 100'000;
  switch (of.kind) {
    case DatumKind::array:
    case DatumKind::map:
    case DatumKind::set:
    case DatumKind::iterator:
      for (std::size_t i = 0; i < item_count(of); ++i)
        out.push_back(of.items[i].kind == DatumKind::hole ? Datum() : of.items[i]);
      break;
    case DatumKind::text:
      for (std::string_view rest = of.text; !rest.empty() && out.size() <= most_items;) {
        const auto size = static_cast<std::size_t>(first_code_point(rest)->bytes);
        out.push_back(Datum::of_text(std::string(rest.substr(0, size))));
        rest.remove_prefix(size);
      }
      break;
    default:
      return fail("TypeError", "what is spread is not iterable", node);
  }
  return out.size() <= most_items || over_limit("more than 100,000 items", node);
}

bool Evaluator::call_path(const std::string& path, const std::vector<Datum>& arguments,
                          const Node& node, Datum& out) {
  Node call;
  call.kind = Node::Kind::call;
  call.span = node.span;
  Node& callee = call.parts.emplace_back();
  callee.span = node.span;
  const std::size_t point = path.find('.');
  callee.text = point == std::string::npos ? path : path.substr(point + 1);
  callee.kind = point == std::string::npos ? Node::Kind::name : Node::Kind::member;
  if (point != std::string::npos) {
    Node& of = callee.parts.emplace_back();
    of.kind = Node::Kind::name;
    of.text = path.substr(0, point);
  }
  const auto known = call_of(call, arguments, out);
  return known ? *known : call_function(call, arguments, out);
}

}  // namespace inky::inline v1::javascript
