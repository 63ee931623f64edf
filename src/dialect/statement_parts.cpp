#include "dialect/statement_parts.hpp"

#include <algorithm>

#include "dialect/lexis.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

using computed::Node;

void StatementParts::add_argument(const Node& node, const std::string& name) {
  arguments.push_back(node);
  argument_names.push_back(name);
  computed::collect_names(node, names);
}

void StatementParts::add_text(std::string_view added, std::size_t at) {
  if (added.empty()) return;
  const std::size_t from = inner.size();
  for (const char c : added) {
    const std::size_t special = std::string_view("\n\t\r\"\\").find(c);
    if (special != std::string_view::npos) inner += '\\';
    inner += special == std::string_view::npos ? c : "ntr\"\\"[special];
  }
  segments.push_back({{from, inner.size()}, {at, at}, false});
}

void StatementParts::add_raw(Span part) {
  std::size_t begin = part.from;
  for (std::size_t at = part.from; at < part.to; ++at) {
    const bool is_special = text[at] == '\\' || text[at] == '"' || text[at] == '\n' ||
                            (has_variables && text[at] == '$');
    if (!is_special) continue;
    if (at > begin) add_segment({begin, at}, true);
    const std::size_t from = inner.size();
    (inner += '\\') += text[at] == '\n' ? 'n' : text[at];
    segments.push_back({{from, inner.size()}, {at, at + 1}, false});
    begin = at + 1;
  }
  if (part.to > begin || segments.empty()) add_segment({begin, part.to}, true);
}

void StatementParts::add_doubled(Span part, char quote) {
  std::size_t begin = part.from;
  for (std::size_t at = part.from; at < part.to; ++at) {
    if (text[at] == '\\') ++at;
    const bool is_quote = text[at] == quote;
    if (at >= part.to || (!is_quote && text[at] != '"')) continue;
    if (at > begin) add_segment({begin, at}, true);
    const std::size_t from = inner.size();
    inner += is_quote ? std::string(1, quote) : "\\\"";
    begin = at + (is_quote ? 2 : 1);
    segments.push_back({{from, inner.size()}, {at, begin}, false});
    at = begin - 1;
  }
  if (part.to > begin || segments.empty()) add_segment({begin, part.to}, true);
}

void StatementParts::add_segment(Span outer, bool verbatim) {
  const std::size_t from = inner.size();
  inner += text.substr(outer.from, outer.to - outer.from);
  segments.push_back({{from, inner.size()}, outer, verbatim});
}

// println!("{price:width$.2}"): the names that no argument has, of values and of counts.
void StatementParts::add_captured(const Template& read) {
  const auto add = [&](std::string_view name) {
    const bool is_name = !name.empty() && is_word_start(name[0]) &&
                         std::all_of(name.begin(), name.end(), is_word_part);
    if (!is_name ||
        std::find(argument_names.begin(), argument_names.end(), name) != argument_names.end())
      return;
    Node node;
    node.kind = Node::Kind::name;
    node.text = name;
    add_argument(node, node.text);
  };
  for (const Field& field : read.fields()) {
    std::string_view key = field.key;
    if (key.starts_with('(') && key.ends_with(')')) key = key.substr(1, key.size() - 2);
    add(key);
    const std::string written = inner.substr(field.span.from, field.span.to - field.span.from);
    for (std::size_t at = written.find('$'); at != std::string_view::npos;
         at = written.find('$', at + 1)) {
      std::size_t from = at;
      while (from > 0 && is_word_part(written[from - 1])) --from;
      add(std::string_view(written).substr(from, at - from));
    }
  }
}

Result<Template> StatementParts::make(const ExpressionForm& form) {
  const std::size_t end = segments.back().outer.to;
  if (!after.empty() && is_filled) {
    inner += " \"";
    add_text(after, end);
    inner += '"';
    segments.back().inner.to = inner.size();
  } else {
    add_text(after, end);
  }
  const Result<Template> read = dialect->parse(inner);
  if (read && takes_from_scope) add_captured(*read);
  Statement placed(read ? *read : Template(*dialect, {}));
  placed.segments = segments;
  if (!read) {
    Error error = read.error();
    error.span = placed.moved(error.span);
    return error;
  }
  placed.call = call;
  placed.arguments = std::move(arguments);
  placed.argument_names = std::move(argument_names);
  std::erase_if(names, [&](const std::string& name) {
    return has_word(form.own_names, name) || name.find("::") != std::string::npos;
  });
  placed.names = std::move(names);
  placed.form = &form;
  placed.locale = locale;
  placed.is_filled = is_filled;
  placed.is_whole = is_whole;
  return Template(*dialect, content_of(std::move(placed)));
}

TemplateContent StatementParts::content_of(Statement placed) const {
  TemplateContent out;
  out.source = text;
  const Template& read = placed.inner;
  std::size_t covered = 0;
  const auto cover = [&](std::size_t to) {
    if (to > covered) out.pieces.push_back({{covered, to}, unset, {}});
    covered = std::max(covered, to);
  };
  for (const Piece& piece : read.pieces()) {
    const Span span = placed.moved(piece.source);
    if (span.from < covered || (span.from == span.to && piece.field == unset)) continue;
    cover(span.from);
    if (piece.field == unset) {
      cover(span.to);
      continue;
    }
    out.pieces.push_back({span, piece.field, {}});
    covered = span.to;
  }
  cover(out.source.size());
  for (const Field& field : read.fields()) {
    out.fields.push_back(field);
    Field& shown = out.fields.back();
    shown.span = placed.moved(field.span);
    if (is_filled) continue;
    shown.key.clear();
    const int index = field.value_index;
    shown.value_index = unset;
    if (index == unset || static_cast<std::size_t>(index) >= placed.arguments.size()) continue;
    const Node& argument = placed.arguments[static_cast<std::size_t>(index)];
    const bool is_value =
        argument.kind == Node::Kind::name &&
        std::find(placed.names.begin(), placed.names.end(), argument.text) != placed.names.end();
    if (is_value) shown.key = "(" + argument.text + ")";
  }
  for (Note note : read.notes()) {
    note.span = placed.moved(note.span);
    out.notes.push_back(std::move(note));
  }
  if (read.refusal()) {
    out.refusal = read.refusal();
    out.refusal->span = placed.moved(out.refusal->span);
  }
  out.values_taken = static_cast<int>(placed.names.size());
  out.value_names = placed.names;
  out.statement = std::make_shared<const Statement>(std::move(placed));
  return out;
}

}  // namespace inky::inline v1
