#include "tree.hpp"

#include <algorithm>

#include "../family/named_values.hpp"

namespace inky::inline v1::computed {

namespace {

// `own`: what an expression calls its items itself.
void collect(const Node& node, std::vector<std::string_view>& own, NameCollector& names) {
  if (node.kind == Node::Kind::name) {
    if (std::find(own.begin(), own.end(), node.text) == own.end()) names.add(node.text);
    return;
  }
  std::size_t from = 0;
  if (node.kind == Node::Kind::call && node.parts[0].kind == Node::Kind::name) from = 1;
  const std::size_t outside = own.size();
  if (node.kind == Node::Kind::for_each || node.kind == Node::Kind::function)
    own.insert(own.end(), node.keys.begin(), node.keys.end());
  for (std::size_t i = from; i < node.parts.size(); ++i) collect(node.parts[i], own, names);
  own.resize(outside);
}

}  // namespace

void collect_names(const Node& node, std::vector<std::string>& names) {
  NameCollector collector(names);
  std::vector<std::string_view> own;
  collect(node, own, collector);
}

bool is_constant(const Node& node, bool (*known)(const Node& name)) {
  switch (node.kind) {
    case Node::Kind::constant:
      return true;
    case Node::Kind::unary:
    case Node::Kind::binary:
    case Node::Kind::condition:
    case Node::Kind::cast:
      return std::all_of(node.parts.begin(), node.parts.end(),
                         [&](const Node& part) { return is_constant(part, known); });
    case Node::Kind::name:
    case Node::Kind::member:
      return known != nullptr && known(node);
    default:
      return false;
  }
}

std::string path_of(const Node& callee) {
  if (callee.kind == Node::Kind::name) return callee.text;
  if (callee.kind != Node::Kind::member) return {};
  const std::string before = path_of(callee.parts[0]);
  return before.empty() ? before : before + "." + callee.text;
}

}  // namespace inky::inline v1::computed
