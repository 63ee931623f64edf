#include "tree.hpp"

#include "../family/named_values.hpp"

namespace inky::inline v1::computed {

namespace {

void collect(const Node& node, NameCollector& names) {
  if (node.kind == Node::Kind::name) return names.add(node.text);
  std::size_t from = 0;
  if (node.kind == Node::Kind::call && node.parts[0].kind == Node::Kind::name) from = 1;
  for (std::size_t i = from; i < node.parts.size(); ++i) collect(node.parts[i], names);
}

}  // namespace

void collect_names(const Node& node, std::vector<std::string>& names) {
  NameCollector collector(names);
  collect(node, collector);
}

std::string path_of(const Node& callee) {
  if (callee.kind == Node::Kind::name) return callee.text;
  if (callee.kind != Node::Kind::member) return {};
  const std::string before = path_of(callee.parts[0]);
  return before.empty() ? before : before + "." + callee.text;
}

}  // namespace inky::inline v1::computed
