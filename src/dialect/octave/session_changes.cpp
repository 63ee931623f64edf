// The statements of a session that change what a name keeps.

#include <utility>

#include "session_reader.hpp"

namespace inky::inline v1::octave {

// x += 1, x++ and x(2) = 5; nothing where it is none of them.
std::optional<bool> SessionReader::read_changed(Statement& statement, const std::string& name,
                                                std::size_t start) {
  statement.label = name;
  const bool doubles = starts_with("++") || starts_with("--");
  const bool combines = peek() != '\0' &&
                        std::string_view("+-*/^").find(peek()) != std::string_view::npos &&
                        peek(1) == '=' && peek(2) != '=';
  if (!doubles && !combines)
    return peek() == '(' ? read_target(statement, name, start) : std::nullopt;
  const std::size_t sign = at_;
  at_ += 2;
  skip_blanks();
  if (doubles && !ends_statement()) {
    at_ = sign;
    return std::nullopt;
  }
  statement.kind = Statement::Kind::show;
  statement.assigns = true;
  statement.counts = doubles;
  Expression& changed = statement.expression;
  changed.kind = Expression::Kind::computed;
  computed::Node& node = changed.node;
  node.kind = computed::Node::Kind::binary;
  constexpr std::pair<char, computed::Operation> operations[] = {
      {'+', computed::Operation::add},
      {'-', computed::Operation::subtract},
      {'*', computed::Operation::multiply},
      {'/', computed::Operation::divide},
      {'^', computed::Operation::power}};
  for (const auto& [letter, operation] : operations) {
    if (source_[sign] == letter) node.operation = operation;
  }
  node.parts.resize(2);
  node.parts[0].kind = computed::Node::Kind::name;
  node.parts[0].text = name;
  node.parts[0].span = {start, start + name.size()};
  node.parts[1].kind = computed::Node::Kind::constant;
  node.parts[1].value = Value::real(1);
  if (combines) {
    Expression by;
    if (!read_computed(by, at_, [&] { return ends_statement(); })) return not_read(sign);
    node.parts[1] = std::move(by.node);
  }
  node.span = changed.span = {start, at_};
  add_names(node.parts[0]);
  keep(name);
  tell(
      "name", [&] { return std::string("keeps a new value as " + name); }, field_);
  return true;
}

std::optional<bool> SessionReader::read_target(Statement& statement, const std::string& name,
                                               std::size_t start) {
  // Only so far as the closing bracket, since an equals sign is no operator here.
  std::size_t close = at_;
  int depth = 0;
  for (; close < source_.size() && source_[close] != '\n'; ++close) {
    depth += source_[close] == '(' ? 1 : source_[close] == ')' ? -1 : 0;
    if (depth == 0) break;
  }
  TemplateContent target;
  target.source = source_.substr(0, std::min(close + 1, source_.size()));
  ExpressionReader reader(target, start);
  computed::Node node;
  const bool good = reader.read(node) && node.kind == computed::Node::Kind::call &&
                    node.parts[0].kind == computed::Node::Kind::name;
  const std::size_t open = at_;
  if (good) at_ = reader.at();
  skip_blanks();
  if (!good || peek() != '=' || peek(1) == '=') {
    at_ = open;
    return std::nullopt;
  }
  ++at_;
  skip_blanks();
  statement.assigns = true;
  if (ends_statement()) return parse_error("the statement breaks off here", at_);
  for (std::size_t i = 1; i < node.parts.size(); ++i) add_names(node.parts[i]);
  statement.target = std::move(node);
  if (!read_shown(statement, name)) return false;
  statement.label = name;
  const Expression& given = statement.expression;
  statement.removes = given.kind == Expression::Kind::matrix && given.rows.empty();
  keep(name);
  return true;
}

// [a, b] = ...; nothing where it is no such statement.
std::optional<bool> SessionReader::read_several(Statement& statement) {
  const std::size_t start = at_;
  ++at_;
  std::vector<std::string> names;
  for (;;) {
    skip_blanks();
    if (!is_word_start(peek())) break;
    names.push_back(read_name());
    skip_blanks();
    if (peek() == ',') ++at_;
  }
  const bool closes = peek() == ']';
  if (closes) ++at_;
  skip_blanks();
  if (!closes || peek() != '=' || peek(1) == '=' || names.size() < 2) {
    at_ = start;
    return std::nullopt;
  }
  ++at_;
  skip_blanks();
  tell(
      "name", [] { return std::string("keeps what follows as these names"); }, field_);
  statement.kind = Statement::Kind::show;
  statement.assigns = true;
  statement.labels = names;
  if (!read_computed(statement.expression, at_, [&] { return ends_statement(); }))
    return not_read(start);
  for (const std::string& name : names) keep(name);
  return true;
}

}  // namespace inky::inline v1::octave
