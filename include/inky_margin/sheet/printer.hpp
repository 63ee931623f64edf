// A sheet printed row by row, without ever holding its table.
//
//   SheetPrinter printer = SheetPrinter::make(sheet, names);
//   if (printer.needs_fitting()) {                 // a column is as wide as its cells
//     for (...) printer.fit(cells);                // a first pass: all rows, or a sample
//     printer.end_fitting();
//   }
//   printer.begin(sink);                           // headings
//   for (...) printer.add(line, cells, sink);      // rows, and what groups end with
//   printer.end(sink);                             // totals
//
// Widths count sheet.width_of. On the usual path of add() nothing is allocated.
#pragma once

#include <memory>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/sheet/sheet.hpp"

namespace inky::inline v1 {

struct RowFault;

struct Finding {
  enum class Kind : std::uint8_t {
    overflow,
    cut,
    missing,
    unreadable,
    bad_row,
    heading_overflow,
    hashes,
    total_overflow,
    missing_column,
  };
  Kind kind{};
  std::size_t line = 0;  // of the data; 0 for a heading or a total
  std::string column;    // by its heading; empty for a whole row
  std::string message;
};
// A fault of the data as a finding.
Finding finding_of(const RowFault& fault);
// "overflow", "heading-overflow", ...
std::string_view name_of(Finding::Kind kind);

enum class LineKind : std::uint8_t {
  group_heading,
  heading,
  rule,
  row,
  continued,  // of the row before it
  subtotal,
  total,
};

// One line of a table; what it views is there until the next one.
struct PlacedLine {
  LineKind kind{};
  std::size_t line = 0;           // of the data, of a row
  std::string_view text;          // without a line end
  std::span<const Span> cells;    // of the columns, padded, in `text`; none in a rule
  std::span<const Span> bodies;   // the same without their padding
  std::span<const bool> is_data;  // whether a body is what its cell states, and no more
};

class ProofSink {
 public:
  virtual ~ProofSink() = default;
  // Whether the cells of a line are looked at; without them, `cells` and `bodies` may be empty.
  virtual bool wants_cells() const { return true; }
  virtual void take(const PlacedLine& line) = 0;
  virtual void take(Finding finding) = 0;
};

// The cells of a row of data; nothing: missing.
using RowCells = std::span<const std::optional<std::string_view>>;

struct PrintedColumn {
  std::string heading;    // in one line
  std::string under;      // the text over it and its neighbours of the same
  std::size_t start = 0;  // in the unit of the widths, from 0
  std::size_t width = 0;
  Align align = Align::left;  // of the cells, settled
  Spec wish;                  // of the cells, at this width
};

class SheetPrinter {
 public:
  // A column of the sheet that is not among the names has no cells, and is found missing. REQUIRES:
  // the sheet outlives it.
  static SheetPrinter make(const Sheet& sheet, std::span<const std::string> names);
  SheetPrinter(SheetPrinter&&) noexcept;
  SheetPrinter& operator=(SheetPrinter&&) noexcept;
  ~SheetPrinter();

  bool needs_fitting() const;
  void fit(RowCells cells);
  void end_fitting();

  void begin(ProofSink& sink);
  // REQUIRES: as many cells as names. An error where a cell is too wide and its column asks to
  // fail; its span is empty, its message names the line.
  std::optional<Error> add(std::size_t line, RowCells cells, ProofSink& sink);
  std::optional<Error> end(ProofSink& sink);

  // After begin().
  std::span<const PrintedColumn> columns() const;
  // The width of every line that nothing pushes.
  std::size_t line_width() const;

 private:
  class Body;
  explicit SheetPrinter(std::unique_ptr<Body> body);
  std::unique_ptr<Body> body_;
};

}  // namespace inky::inline v1
