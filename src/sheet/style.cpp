#include "inky_margin/sheet/style.hpp"

#include <algorithm>
#include <nlohmann/json.hpp>

#include "distinct_names.hpp"
#include "inky_margin/text/columns.hpp"

namespace inky::inline v1 {

namespace {

constexpr std::string_view names[] = {"plain", "markdown", "boxed", "tsv", "csv", "html", "json"};

std::string_view trimmed(std::string_view text) {
  while (!text.empty() && text.front() == ' ') text.remove_prefix(1);
  while (!text.empty() && text.back() == ' ') text.remove_suffix(1);
  return text;
}

std::string replaced(std::string_view text, char what, std::string_view by) {
  std::string out;
  for (const char byte : text) {
    if (byte == what)
      out += by;
    else
      out += byte;
  }
  return out;
}

std::string repeated(std::string_view text, std::size_t count) {
  std::string out;
  for (; count > 0; --count) out += text;
  return out;
}

std::string plain(const Proof& proof) {
  std::string out;
  for (const ProofLine& line : proof.lines) out += line.text + "\n";
  return out;
}

bool is_heading(const ProofLine& line) {
  return line.kind == LineKind::heading;
}
bool is_row(const ProofLine& line) {
  return line.kind == LineKind::row;
}
// What a frame or a table of another language has in it: all but rules and the text over
// several columns.
bool has_cells(const ProofLine& line) {
  return line.kind != LineKind::rule && line.kind != LineKind::group_heading;
}

std::vector<std::string> texts_of(const ProofLine& line) {
  std::vector<std::string> out;
  for (const ProofCell& cell : line.cells) out.push_back(cell.text);
  return out;
}

// The headings of all columns, each in one text.
std::vector<std::string> headings_of(const Proof& proof) {
  std::vector<std::string> out(proof.columns.size());
  for (const ProofLine& line : proof.lines) {
    if (!is_heading(line)) continue;
    for (std::size_t i = 0; i < out.size(); ++i) {
      const std::string_view body = trimmed(line.cells[i].body);
      if (!out[i].empty() && !body.empty()) out[i] += ' ';
      out[i] += body;
    }
  }
  return out;
}

std::size_t columns_of(std::string_view text) {
  return measure(text, WidthUnit::columns);
}

// The columns of each cell at its widest, so that all rows stand alike even where one overflows.
std::vector<std::size_t> widths_of(const std::vector<std::vector<std::string>>& rows) {
  std::vector<std::size_t> out;
  for (const auto& row : rows) {
    out.resize(std::max(out.size(), row.size()));
    for (std::size_t i = 0; i < row.size(); ++i)
      out[i] = std::max(out[i], measure(row[i], WidthUnit::columns));
  }
  return out;
}

// A cell at its column's width: what was padded keeps its side.
std::string at_width(const std::string& cell, std::size_t width, Align align) {
  const std::size_t has = measure(cell, WidthUnit::columns);
  const std::string blanks(width - std::min(has, width), ' ');
  return align == Align::right ? blanks + cell : cell + blanks;
}

// The headings, and the lines that pass.
template <typename Passes>
std::vector<std::vector<std::string>> rows_of(const Proof& proof, Passes passes) {
  std::vector<std::vector<std::string>> out = {headings_of(proof)};
  for (const ProofLine& line : proof.lines) {
    if (passes(line)) out.push_back(texts_of(line));
  }
  return out;
}

// A cell that shows as what it is: GitHub Flavored Markdown, 2.4 and 4.10; CommonMark, 6.2 to 6.6.
std::string in_markdown(std::string_view cell) {
  const auto is_word = [](char c) {
    return (c >= '0' && c <= '9') || (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') ||
           static_cast<unsigned char>(c) >= 0x80;
  };
  std::string out;
  for (std::size_t i = 0; i < cell.size(); ++i) {
    const char c = cell[i];
    const char before = i > 0 ? cell[i - 1] : ' ';
    const char after = i + 1 < cell.size() ? cell[i + 1] : ' ';
    if (c == '<' || c == '>' || (c == '&' && (is_word(after) || after == '#'))) {
      out += c == '<' ? "&lt;" : c == '>' ? "&gt;" : "&amp;";
      continue;
    }
    // An underscore inside a word marks nothing.
    const bool marks = std::string_view("\\|`*[]~").find(c) != std::string_view::npos ||
                       (c == '_' && !(is_word(before) && is_word(after)));
    if (marks) out += '\\';
    out += c;
  }
  return out;
}

std::string markdown(const Proof& proof) {
  std::vector<std::vector<std::string>> rows =
      rows_of(proof, [](const ProofLine& line) { return has_cells(line) && !is_heading(line); });
  for (auto& row : rows) {
    for (std::string& cell : row) cell = in_markdown(cell);
  }
  std::vector<std::size_t> widths = widths_of(rows);
  // The row of rules needs three characters.
  for (std::size_t& width : widths) width = std::max<std::size_t>(width, 3);
  std::string out;
  for (std::size_t line = 0; line < rows.size(); ++line) {
    for (std::size_t i = 0; i < widths.size(); ++i)
      out += "| " + at_width(rows[line][i], widths[i], proof.columns[i].align) + " ";
    out += "|\n";
    if (line != 0) continue;
    for (std::size_t i = 0; i < widths.size(); ++i) {
      const Align align = proof.columns[i].align;
      const bool left_mark = align != Align::right;
      const bool right_mark = align != Align::left;
      out += "| ";
      out += left_mark ? ":" : "-";
      out += std::string(widths[i] - 2, '-');
      out += right_mark ? ": " : "- ";
    }
    out += "|\n";
  }
  return out;
}

struct Joints {
  std::string_view left, between, right;
};
struct Frame {
  std::string_view line, bar;
  Joints top, middle, bottom;
  std::string_view down;  // a line, and a bar below it only
};
constexpr Frame lines_frame = {"─", "│", {"┌", "┬", "┐"}, {"├", "┼", "┤"}, {"└", "┴", "┘"}, "┬"};
constexpr Frame ascii_frame = {"-", "|", {"+", "+", "+"}, {"+", "+", "+"}, {"+", "+", "+"}, "+"};

class Boxed {
 public:
  Boxed(const Proof& proof, const Frame& frame) : proof_(proof), frame_(frame) {
    for (const ProofLine& line : proof.lines) {
      if (has_cells(line)) rows_.push_back(texts_of(line));
    }
    widths_ = widths_of(rows_);
    // A heading over several columns may want more than they have.
    for (std::size_t from = 0; from < widths_.size(); from = group_end(from)) {
      const std::size_t has = span(from, group_end(from));
      const std::size_t wants = columns_of(proof.columns[from].under);
      if (wants > has) widths_[group_end(from) - 1] += wants - has;
    }
  }

  std::string text() const {
    const bool has_groups =
        std::any_of(proof_.columns.begin(), proof_.columns.end(),
                    [](const ProofColumn& column) { return !column.under.empty(); });
    std::string out = rule(frame_.top, has_groups ? frame_.line : frame_.top.between);
    if (has_groups) out += group_headings() + rule(frame_.middle, frame_.down);
    std::size_t at = 0;
    std::optional<int> part;
    for (const ProofLine& line : proof_.lines) {
      if (!has_cells(line)) continue;
      // Headings, rows and what they come to are parted, whatever the rules of the sheet are.
      if (part && *part != part_of(line.kind)) out += rule(frame_.middle, frame_.middle.between);
      part = part_of(line.kind);
      for (std::size_t i = 0; i < widths_.size(); ++i) {
        out += frame_.bar;
        out += " " + at_width(rows_[at][i], widths_[i], proof_.columns[i].align) + " ";
      }
      out += frame_.bar;
      out += "\n";
      ++at;
    }
    // Without rows, the headings still have their rule.
    if (part == 0) out += rule(frame_.middle, frame_.middle.between);
    return out + rule(frame_.bottom, frame_.bottom.between);
  }

 private:
  static int part_of(LineKind kind) {
    switch (kind) {
      case LineKind::heading:
        return 0;
      case LineKind::subtotal:
        return 2;
      case LineKind::total:
        return 3;
      default:
        return 1;
    }
  }

  // The column behind those that stand under one heading with this one.
  std::size_t group_end(std::size_t from) const {
    std::size_t to = from + 1;
    const std::string& under = proof_.columns[from].under;
    while (!under.empty() && to < widths_.size() && proof_.columns[to].under == under) ++to;
    return to;
  }
  // The columns of a text that is in several cells.
  std::size_t span(std::size_t from, std::size_t to) const {
    std::size_t out = 3 * (to - from - 1);
    for (std::size_t i = from; i < to; ++i) out += widths_[i];
    return out;
  }

  // `inside` stands where a heading goes over the bar between two columns.
  std::string rule(const Joints& joints, std::string_view inside) const {
    std::string out(joints.left);
    for (std::size_t from = 0; from < widths_.size(); from = group_end(from)) {
      for (std::size_t i = from; i < group_end(from); ++i) {
        if (i != 0) out += i == from ? joints.between : inside;
        out += repeated(frame_.line, widths_[i] + 2);
      }
    }
    return out + std::string(joints.right) + "\n";
  }

  std::string group_headings() const {
    std::string out;
    for (std::size_t from = 0; from < widths_.size(); from = group_end(from)) {
      const std::string& text = proof_.columns[from].under;
      const std::size_t room = span(from, group_end(from)) - columns_of(text);
      out += frame_.bar;
      out += ' ' + std::string(room / 2, ' ') + text + std::string(room - room / 2, ' ') + ' ';
    }
    return out + std::string(frame_.bar) + "\n";
  }

  const Proof& proof_;
  const Frame& frame_;
  std::vector<std::vector<std::string>> rows_;
  std::vector<std::size_t> widths_;
};

std::string boxed(const Proof& proof, const Frame& frame) {
  return Boxed(proof, frame).text();
}

// No cell has a tab or a line end in it: they were made visible.
std::string tab_separated(const Proof& proof) {
  std::string out;
  for (const auto& row : rows_of(proof, is_row)) {
    for (std::size_t i = 0; i < row.size(); ++i) {
      if (i != 0) out += '\t';
      out += trimmed(row[i]);
    }
    out += '\n';
  }
  return out;
}

std::string csv_cell(std::string_view cell) {
  if (cell.find_first_of(",\"\r\n") == std::string_view::npos) return std::string(cell);
  return '"' + replaced(cell, '"', "\"\"") + '"';
}

std::string csv(const Proof& proof) {
  std::string out;
  for (const auto& row : rows_of(proof, is_row)) {
    for (std::size_t i = 0; i < row.size(); ++i) {
      if (i != 0) out += ',';
      out += csv_cell(trimmed(row[i]));
    }
    out += '\n';
  }
  return out;
}

std::string in_html(std::string_view text) {
  return replaced(replaced(replaced(replaced(text, '&', "&amp;"), '<', "&lt;"), '>', "&gt;"), '"',
                  "&quot;");
}

std::string html(const Proof& proof) {
  const auto row_of = [&](const std::vector<std::string>& cells, std::string_view tag) {
    std::string out = "    <tr>";
    for (std::size_t i = 0; i < cells.size(); ++i) {
      out += '<';
      out += tag;
      const Align align = proof.columns[i].align;
      if (align == Align::right) out += " style=\"text-align: right\"";
      if (align == Align::center) out += " style=\"text-align: center\"";
      out += ">" + in_html(trimmed(cells[i])) + "</";
      out += tag;
      out += '>';
    }
    return out + "</tr>\n";
  };
  std::string out =
      "<table>\n  <thead>\n" + row_of(headings_of(proof), "th") + "  </thead>\n  <tbody>\n";
  std::string totals;
  for (const ProofLine& line : proof.lines) {
    if (is_row(line) || line.kind == LineKind::subtotal) out += row_of(texts_of(line), "td");
    if (line.kind == LineKind::total) totals += row_of(texts_of(line), "td");
  }
  out += "  </tbody>\n";
  if (!totals.empty()) out += "  <tfoot>\n" + totals + "  </tfoot>\n";
  return out + "</table>\n";
}

// The headings as keys: one that is there already has its number behind it, so that no cell is
// lost.
std::vector<std::string> keys_of(const Proof& proof) {
  std::vector<std::string> out;
  DistinctNames distinct;
  for (const std::string& heading : headings_of(proof)) {
    out.push_back(distinct.take(heading));
  }
  return out;
}

std::string json(const Proof& proof) {
  const std::vector<std::string> keys = keys_of(proof);
  nlohmann::ordered_json out = nlohmann::ordered_json::array();
  for (const ProofLine& line : proof.lines) {
    if (!is_row(line)) continue;
    nlohmann::ordered_json one = nlohmann::ordered_json::object();
    for (std::size_t i = 0; i < line.cells.size(); ++i)
      one[keys[i]] = std::string(trimmed(line.cells[i].text));
    out.push_back(std::move(one));
  }
  return out.dump(2, ' ', false, nlohmann::ordered_json::error_handler_t::replace) + "\n";
}

}  // namespace

bool is_for_machines(Style style) {
  return style == Style::tab_separated || style == Style::csv || style == Style::html ||
         style == Style::json;
}

std::optional<Style> style_named(std::string_view name) {
  constexpr Style styles[] = {Style::plain, Style::markdown, Style::boxed, Style::tab_separated,
                              Style::csv,   Style::html,     Style::json};
  const auto found = std::find(std::begin(names), std::end(names), name);
  if (found == std::end(names)) return std::nullopt;
  return styles[found - std::begin(names)];
}

std::span<const std::string_view> style_names() {
  return names;
}

std::string styled(const Proof& proof, Style style) {
  switch (style) {
    case Style::plain:
      return plain(proof);
    case Style::markdown:
      return markdown(proof);
    case Style::boxed:
      return boxed(proof, lines_frame);
    case Style::boxed_ascii:
      return boxed(proof, ascii_frame);
    case Style::tab_separated:
      return tab_separated(proof);
    case Style::csv:
      return csv(proof);
    case Style::html:
      return html(proof);
    case Style::json:
      return json(proof);
  }
  return {};
}

}  // namespace inky::inline v1
