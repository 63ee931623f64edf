// A sheet printer at work: its columns, the row at hand, and what it has found.
#pragma once

#include <algorithm>
#include <cstring>
#include <memory>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "cell_writer.hpp"
#include "inky_margin/sheet/printer.hpp"
#include "inky_margin/text/columns.hpp"
#include "summing.hpp"

namespace inky::inline v1 {

// The text in place of a cell that cannot be shown.
inline constexpr std::string_view unreadable_mark = "?";

// The lines of a heading.
std::vector<std::string_view> lines_of(std::string_view text);

// A column of the sheet at work.
struct Column {
  Column(const Sheet& sheet, const SheetColumn& asked)
      : sheet_column(&asked),
        writer(sheet, asked),
        overflow(asked.overflow.value_or(sheet.overflow)),
        subtotal(asked.subtotal),
        total(asked.total),
        heads(lines_of(asked.heading)),
        name(asked.heading) {
    std::replace(name.begin(), name.end(), '\n', ' ');
  }

  bool is_fitted() const { return sheet_column->wish.width == 0; }

  const SheetColumn* sheet_column;
  CellWriter writer;
  Overflow overflow;
  Summing subtotal;
  Summing total;
  std::vector<std::string_view> heads;
  std::string name;  // the heading in one line
  std::size_t width = 0;
  std::size_t widest = 0;        // of the cells seen while fitting
  std::size_t before_point = 0;  // the most columns before a decimal mark, and behind
  std::size_t behind_point = 0;
  std::size_t mark_width = 0;
  std::size_t at = 0;  // in the skeleton of a row
  Align align = Align::left;
};

// What is known of a cell before it is placed.
struct Cell {
  Span text;            // in the scratch
  bool is_data = true;  // the text of the data, unchanged
};

class SheetPrinter::Body {
 public:
  explicit Body(const Sheet& sheet) : sheet_(sheet) {}

  void find_columns(std::span<const std::string> names);

  // ---- The first pass ----

  bool needs_fitting() const;

  void fit(RowCells cells);

  void end_fitting();

  // ---- Lines ----

  void begin(ProofSink& sink);

  std::optional<Error> add(std::size_t line, RowCells cells, ProofSink& sink);

  std::optional<Error> end(ProofSink& sink);

  std::span<const PrintedColumn> columns() const { return printed_; }
  std::size_t line_width() const { return line_width_; }

 private:
  // The data has no such column.
  void say_absent(std::span<const std::string> names, const std::string& name);

  static const std::optional<std::string_view>& cell_at(RowCells cells,
                                                        const std::optional<std::size_t>& place);

  std::size_t wide(std::string_view text) const;

  std::string units_text(std::size_t count) const;

  // ---- Widths ----

  void settle_width(Column& column, std::size_t width);

  void widen(Column& column, std::string_view body);

  void fit_summaries(Summing Column::*which);

  // A heading over several columns may want more than they have.
  void widen_under_groups();

  std::size_t span_width(std::size_t from, std::size_t to) const;

  // Neighbours with the same heading over them.
  template <typename Visit>
  void for_each_group(Visit visit) const {
    for (std::size_t from = 0; from < columns_.size();) {
      const std::string& heading = columns_[from].sheet_column->under;
      std::size_t to = from + 1;
      while (!heading.empty() && to < columns_.size() &&
             columns_[to].sheet_column->under == heading)
        ++to;
      visit(from, to, heading);
      from = to;
    }
  }

  // ---- Groups and summaries ----

  bool group_ends(RowCells cells);

  static void add_to_summaries(Column& column, const std::optional<std::string_view>& cell);

  std::optional<Error> end_group(ProofSink& sink);

  // Whether there is one; its text is in the scratch then.
  bool write_summary(const Column& column, const Summing& summing);

  std::optional<Error> put_summaries(LineKind kind, Summing Column::*which,
                                     const std::string& label, ProofSink& sink);

  // ---- Cells ----

  // The body of a cell in the scratch, and what is wrong with it; empty: nothing.
  std::string write_cell(const Column& column, const std::optional<std::string_view>& cell);

  // Cells without a mark have spaces there, so that digits stay under each other.
  void append_mark(const Column& column, const std::optional<std::string_view>& cell);

  // What follows the point is filled up, so that right alignment brings the points together.
  void align_point(const Column& column, std::size_t from);

  Cell make_cell(const Column& column, const std::optional<std::string_view>& cell,
                 std::size_t line, bool has_place, ProofSink& sink);

  std::string_view text_of(const Cell& cell) const;

  // ---- Rows ----

  // Too wide for its column: what the sheet states becomes of it.
  std::optional<Error> overflow(const Column& column, Cell& cell, std::size_t more, LineKind kind,
                                std::size_t line, ProofSink& sink);

  std::string plain(const Cell& cell) const;

  Cell cut_to(std::size_t width, const Cell& cell);

  // By bytes too, no character is cut in two.
  std::string_view cut_whole(std::string_view text, std::size_t width) const;

  // The first line stays in the cell; the rest wait for the lines that follow.
  void wrap(const Column& column, Cell& cell);

  // A row whose cells are all of ASCII and fit is this one with the cells put in their places.
  void make_skeleton();

  bool put_quickly(std::size_t line, RowCells cells, ProofSink& sink);

  std::optional<Error> place_row(LineKind kind, std::size_t line, ProofSink& sink);

  void place(std::string_view body, std::size_t has, std::size_t width, Align align);

  void end_line(LineKind kind);

  // Texts that fit, or push.
  std::optional<Error> place_texts(LineKind kind, std::size_t line,
                                   const std::vector<std::string>& texts, ProofSink& sink);

  // ---- Headings and rules ----

  static Align heading_align(const Column& column);

  // The last lines of all headings stand together.
  void put_headings(ProofSink& sink);

  void put_group_headings(ProofSink& sink);

  template <typename Put>
  void put_over_groups(ProofSink& sink, LineKind kind, Put put) {
    line_.clear();
    spans_.clear();
    bodies_.clear();
    line_.append(sheet_.edge_left);
    for_each_group([&](std::size_t from, std::size_t to, const std::string& heading) {
      if (from != 0) line_.append(kind == LineKind::rule ? blank(sheet_.gap) : sheet_.gap);
      put(heading, span_width(from, to));
    });
    end_line(kind);
    sink.take(PlacedLine{kind, 0, line_.view(), {}, {}, {}});
  }

  std::string blank(std::string_view text) const { return std::string(wide(text), ' '); }

  void put_rule(const std::string& rule, ProofSink& sink);

  const Sheet& sheet_;
  std::vector<Column> columns_;
  std::size_t names_given_ = 0;
  std::vector<std::optional<std::size_t>> places_;
  std::vector<Finding> absent_;
  std::vector<PrintedColumn> printed_;
  std::size_t line_width_ = 0;
  std::string skeleton_;  // empty: rows are not simple
  std::size_t row_mark_width_ = 0;
  std::size_t rows_ = 0;

  bool has_subtotals_ = false;
  bool has_totals_ = false;
  std::optional<std::size_t> group_place_;
  bool has_group_ = false;
  std::optional<std::string> group_;

  // Of the row at hand, kept for the next one's sake.
  TextBuffer scratch_;
  TextBuffer line_;
  std::vector<Cell> cells_;
  std::vector<Span> spans_;
  std::vector<Span> bodies_;
  std::unique_ptr<bool[]> data_ = std::make_unique<bool[]>(most_columns);
  std::vector<std::vector<std::string>> waiting_;  // lines of wrapped cells
};

}  // namespace inky::inline v1
