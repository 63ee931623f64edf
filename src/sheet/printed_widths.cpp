// How wide columns become.

#include <algorithm>
#include <string>

#include "cell_writer.hpp"
#include "inky_margin/sheet/printer.hpp"
#include "printer_body.hpp"
#include "summing.hpp"
#include "text/escape.hpp"

namespace inky::inline v1 {

bool SheetPrinter::Body::needs_fitting() const {
  return std::any_of(columns_.begin(), columns_.end(), [](const Column& column) {
    return column.is_fitted() || column.sheet_column->on_point;
  });
}

void SheetPrinter::Body::fit(RowCells cells) {
  if (group_ends(cells)) fit_summaries(&Column::subtotal);
  for (std::size_t i = 0; i < columns_.size(); ++i) {
    const auto& cell = cell_at(cells, places_[i]);
    Column& column = columns_[i];
    add_to_summaries(column, cell);
    QuickRoom room;
    const bool is_simple =
        cell && !column.sheet_column->on_point && column.sheet_column->mark.empty();
    const std::string_view body =
        is_simple ? column.writer.quick_body(*cell, room) : std::string_view();
    if (body.data() != nullptr) {
      column.widest = std::max(column.widest, body.size());
      continue;
    }
    scratch_.clear();
    write_cell(column, cell);
    widen(column, scratch_.view());
  }
}

void SheetPrinter::Body::end_fitting() {
  if (has_group_) fit_summaries(&Column::subtotal);
  fit_summaries(&Column::total);
  has_group_ = false;
  for (Column& column : columns_) {
    column.subtotal.clear();
    column.total.clear();
    std::size_t width = column.widest;
    if (column.sheet_column->on_point)
      width = std::max(width, column.before_point + column.behind_point);
    if (column.is_fitted()) settle_width(column, width);
  }
  widen_under_groups();
}

void SheetPrinter::Body::settle_width(Column& column, std::size_t width) {
  const SheetColumn& asked = *column.sheet_column;
  if (column.is_fitted()) width = std::clamp(width, asked.least_width, asked.most_width);
  column.width = width;
  column.writer.set_width(width);
}

void SheetPrinter::Body::widen(Column& column, std::string_view body) {
  if (!column.sheet_column->on_point) {
    column.widest = std::max(column.widest, wide(body));
    return;
  }
  const std::size_t before = wide(before_point(body, column.writer.point()));
  column.before_point = std::max(column.before_point, before);
  column.behind_point = std::max(column.behind_point, wide(body) - before);
}

void SheetPrinter::Body::fit_summaries(Summing Column::*which) {
  for (Column& column : columns_) {
    scratch_.clear();
    if (write_summary(column, column.*which)) widen(column, scratch_.view());
    if (which == &Column::subtotal) column.subtotal.clear();
  }
  // The label is in the first column without a summary.
  const bool asked = which == &Column::total ? has_totals_ : has_subtotals_;
  if (!asked) return;
  for (Column& column : columns_) {
    if ((column.*which).summary() != Summary::none) continue;
    const std::string& label = which == &Column::total ? sheet_.total_label : sheet_.subtotal_label;
    column.widest = std::max(column.widest, wide(label));
    return;
  }
}

void SheetPrinter::Body::widen_under_groups() {
  for_each_group([&](std::size_t from, std::size_t to, const std::string& heading) {
    if (heading.empty()) return;
    const std::size_t has = span_width(from, to);
    const std::size_t wants = wide(visible(heading));
    for (std::size_t i = to; i-- > from && has < wants;) {
      if (!columns_[i].is_fitted()) continue;
      settle_width(columns_[i], columns_[i].width + wants - has);
      return;
    }
  });
}

std::size_t SheetPrinter::Body::span_width(std::size_t from, std::size_t to) const {
  std::size_t out = (to - from - 1) * wide(sheet_.gap);
  for (std::size_t i = from; i < to; ++i) out += columns_[i].width;
  return out;
}

Align SheetPrinter::Body::heading_align(const Column& column) {
  const Align asked = column.sheet_column->heading_align;
  return asked == Align::natural ? column.writer.align() : asked;
}

}  // namespace inky::inline v1
