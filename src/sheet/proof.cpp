#include "inky_margin/sheet/proof.hpp"

#include <algorithm>

#include "dialect/usual_dialect.hpp"
#include "inky_margin/text/columns.hpp"

namespace inky::inline v1 {

namespace {

class Collector final : public ProofSink {
 public:
  explicit Collector(Proof& proof) : proof_(proof) {}

  void set_row(std::size_t row) { row_ = row; }

  void take(const PlacedLine& placed) override {
    ProofLine line{placed.kind, placed.line, row_, std::string(placed.text), {}};
    for (std::size_t i = 0; i < placed.cells.size(); ++i) {
      const Span cell = placed.cells[i];
      const Span body = placed.bodies[i];
      line.cells.push_back({std::string(placed.text.substr(cell.from, cell.to - cell.from)),
                            std::string(placed.text.substr(body.from, body.to - body.from)),
                            placed.is_data[i]});
    }
    proof_.lines.push_back(std::move(line));
  }
  void take(Finding finding) override { proof_.findings.push_back(std::move(finding)); }

 private:
  Proof& proof_;
  std::size_t row_ = 0;
};

// Padding by bytes gives a text with wider bytes than columns too few spaces.
void note_bytes(const ProofCell& cell, ProofColumn& column) {
  const std::size_t extra =
      cell.body.size() - std::min(cell.body.size(), measure(cell.body, WidthUnit::columns));
  const std::size_t shift = std::min(cell.text.size() - cell.body.size(), extra);
  if (shift == 0) return;
  column.byte_shift = std::max(column.byte_shift, shift);
  ++column.shifted_rows;
}

// Text between fields, as written in a C string literal that is a format string.
std::string in_template(std::string_view text) {
  std::string out;
  for (const char c : text) {
    if (c == '%') out += '%';
    if (c == '"' || c == '\\') out += '\\';
    out += c;
  }
  return out;
}

// C has no field for money: the whole amount is a text there.
Spec printable_wish(const ProofColumn& column) {
  if (column.wish.currency.empty()) return column.wish;
  Spec text;
  text.kind = Kind::text;
  text.width = column.wish.width;
  text.align = column.wish.align == Align::natural ? Align::right : column.wish.align;
  return text;
}

void write_template(const Sheet& sheet, Proof& proof) {
  const Dialect& c = *find_dialect(usual_dialect);
  proof.template_line = in_template(sheet.edge_left);
  for (std::size_t i = 0; i < proof.columns.size(); ++i) {
    const SheetColumn& column = sheet.columns[i];
    if (i != 0) proof.template_line += in_template(sheet.gap);
    const bool as_it_is = column.dialect == &c && column.wish.width != 0;
    WrittenField field = as_it_is ? WrittenField{column.spec, {}}
                                  : c.writer().write(printable_wish(proof.columns[i]));
    proof.template_line += field.source;
    for (Note& note : field.notes) {
      note.message = column.heading + ": " + note.message;
      proof.template_notes.push_back(std::move(note));
    }
  }
  proof.template_line += in_template(sheet.edge_right) + "\\n";
}

}  // namespace

Result<Proof> make_proof(const Sheet& sheet, const Table& table) {
  SheetPrinter printer = SheetPrinter::make(sheet, table.names);
  Proof proof;
  for (const RowFault& fault : table.faults) proof.findings.push_back(finding_of(fault));
  std::vector<std::optional<std::string_view>> cells;
  const auto view = [&](const TableRow& row) -> RowCells {
    cells.assign(row.cells.begin(), row.cells.end());
    return cells;
  };
  if (printer.needs_fitting()) {
    for (const TableRow& row : table.rows) printer.fit(view(row));
    printer.end_fitting();
  }
  Collector collector(proof);
  printer.begin(collector);
  for (std::size_t i = 0; i < table.rows.size(); ++i) {
    collector.set_row(i);
    if (auto error = printer.add(table.rows[i].line, view(table.rows[i]), collector))
      return std::move(*error);
  }
  if (auto error = printer.end(collector)) return std::move(*error);
  for (const PrintedColumn& column : printer.columns()) {
    proof.columns.push_back({column, 0, 0});
    for (const ProofLine& line : proof.lines) {
      if (line.kind == LineKind::row)
        note_bytes(line.cells[proof.columns.size() - 1], proof.columns.back());
    }
  }
  proof.line_width = printer.line_width();
  write_template(sheet, proof);
  std::stable_sort(proof.findings.begin(), proof.findings.end(),
                   [](const Finding& a, const Finding& b) { return a.line < b.line; });
  return proof;
}

}  // namespace inky::inline v1
