// A statement over several lines of source.

#include <algorithm>

#include "inky_margin/carry/carry.hpp"
#include "inky_margin/text/columns.hpp"

namespace inky::inline v1 {

namespace {

bool is_blank(char byte) {
  return byte == ' ' || byte == '\t';
}

// Where a template may be parted: beside its fields, and behind a blank of its text. An escape has
// no blank in it, but a backslash before a blank may be one.
std::vector<std::size_t> break_points(const Template& parsed, const LineSplit& split) {
  const std::string_view source = parsed.source();
  std::vector<std::size_t> out;
  const auto add = [&](std::size_t at) {
    if (at == 0 || at >= source.size() || (!out.empty() && out.back() >= at)) return;
    if (split.loses_blanks && (is_blank(source[at]) || source[at] == '\n')) return;
    out.push_back(at);
  };
  if (split.at_insertions) {
    bool quoted = false;
    for (std::size_t i = 0; i < source.size(); ++i) {
      if (quoted && source[i] == '\\')
        ++i;
      else if (source[i] == '"')
        quoted = !quoted;
      else if (!quoted && source.substr(i, 4) == " << ")
        add(i + 1);
    }
    return out;
  }
  for (const Piece& piece : parsed.pieces()) {
    add(piece.source.from);
    if (piece.field != unset) continue;
    for (std::size_t i = piece.source.from; i < piece.source.to; ++i) {
      if (is_blank(source[i]) && (i == 0 || source[i - 1] != '\\')) add(i + 1);
    }
  }
  return out;
}

std::size_t columns_of(std::string_view text) {
  return measure(text, WidthUnit::columns);
}

// The columns of the last line of a text.
std::size_t last_line(std::string_view text) {
  const std::size_t end = text.rfind('\n');
  return columns_of(end == std::string_view::npos ? text : text.substr(end + 1));
}
// And of its first.
std::size_t first_line(std::string_view text) {
  return columns_of(text.substr(0, std::min(text.find('\n'), text.size())));
}

// Where the first of the values ends, that blanks part, or commas and blanks: a blank inside
// brackets or quotes parts none.
std::size_t end_of_value(std::string_view values, bool by_commas, int outside) {
  int depth = 0;
  bool is_quoted = false;
  for (std::size_t i = 0; i < values.size(); ++i) {
    const char c = values[i];
    if (is_quoted) {
      if (c == '\\')
        ++i;
      else if (c == '"')
        is_quoted = false;
      continue;
    }
    is_quoted = c == '"';
    if (c == '(' || c == '[' || c == '{') ++depth;
    if (c == ')' || c == ']' || c == '}') --depth;
    if (c == ' ' && depth <= outside && i > 0 && (!by_commas || values[i - 1] == ',')) return i;
  }
  return values.size();
}

// How many brackets are open around the values: they are those of a method, or stand in a list of
// their own, where the first comma reports it.
int depth_of_values(std::string_view values) {
  return end_of_value(values, true, 1) < end_of_value(values, true, 0) ? 1 : 0;
}

// The blanks that a line begins with, and `indent` more. Where there are none, they would be text.
std::string indented(std::string_view between, std::size_t indent) {
  std::string out(between);
  const std::size_t end = out.find('\n');
  if (end != std::string::npos && end + 1 < out.size() && out[end + 1] == ' ')
    out.insert(end + 1, indent, ' ');
  return out;
}

}  // namespace

std::string over_lines(const Dialect& dialect, const Template& parsed, const std::string& statement,
                       std::size_t most_columns, std::size_t indent) {
  const LineSplit& split = dialect.facts().forms.line_split;
  const std::string between = indented(split.between, indent);
  const std::string between_values = indented(split.between_values, indent);
  const std::string_view source = parsed.source();
  const std::size_t at = statement.find(source);
  if (columns_of(statement) <= most_columns || split.between.empty() || at == std::string::npos)
    return statement;
  // Its quotes stand around it, or are part of it.
  const bool quoted = !split.at_insertions && at > 0 && statement[at - 1] == '"';
  const std::size_t from = at - (quoted ? 1 : 0);
  const std::size_t to = at + source.size() + (quoted ? 1 : 0);
  const std::vector<std::size_t> breaks = break_points(parsed, split);

  const std::string opening = statement.substr(0, from);
  std::string out = opening + std::string(split.before) + (quoted ? "\"" : "");
  const std::size_t mark = first_line(between);
  // What stands right behind the last part.
  std::string_view rest = std::string_view(statement).substr(to);
  const int outside = depth_of_values(rest);
  const bool by_commas = end_of_value(rest, true, outside) < rest.size();
  const std::size_t tail = (quoted ? 1 : 0) + columns_of(split.after) +
                           columns_of(rest.substr(0, end_of_value(rest, by_commas, outside)));
  std::size_t begun = 0;  // the part that is being written
  bool is_whole = true;
  while (begun < source.size()) {
    // As far as fits, and one part at least.
    std::size_t end = source.size();
    for (auto point = breaks.rbegin(); point != breaks.rend(); ++point) {
      const bool is_last = end == source.size();
      const std::size_t behind = is_last ? tail : mark;
      if (last_line(out) + columns_of(source.substr(begun, end - begun)) + behind <= most_columns)
        break;
      if (*point <= begun) break;
      end = *point;
    }
    is_whole = begun == 0 && end == source.size();
    out += source.substr(begun, end - begun);
    begun = end;
    if (split.at_insertions && out.back() == ' ') out.pop_back();
    if (begun < source.size()) out += between;
  }
  if (quoted) out += '"';
  out += split.after;
  // Where it was not parted, nothing has to hold parts together.
  if (is_whole) out = opening + statement.substr(from, to - from);

  for (bool is_first = true; !rest.empty(); is_first = false) {
    const std::size_t end = end_of_value(rest, by_commas, is_first ? outside : 0);
    const std::string_view value = rest.substr(0, end);
    if (!is_first) {
      const bool fits = last_line(out) + 1 + columns_of(value) <= most_columns;
      out += fits ? " " : between_values;
    }
    out += value;
    rest.remove_prefix(std::min(end + 1, rest.size()));
  }
  return out;
}

}  // namespace inky::inline v1
