#include "inky_margin/sheet/printer.hpp"

#include <algorithm>
#include <cassert>
#include <cstring>
#include <memory>
#include <string>
#include <unordered_map>

#include "cell_writer.hpp"
#include "inky_margin/sheet/table.hpp"
#include "inky_margin/text/columns.hpp"
#include "printer_body.hpp"
#include "summing.hpp"
#include "text/escape.hpp"

namespace inky::inline v1 {

namespace {

constexpr std::string_view finding_names[] = {
    "overflow",         "cut",    "missing",        "unreadable",    "bad-row",
    "heading-overflow", "hashes", "total-overflow", "missing-column"};

bool is_printable_ascii(std::string_view text) {
  return std::all_of(text.begin(), text.end(), [](char c) { return c >= 0x20 && c < 0x7F; });
}

}  // namespace

std::vector<std::string_view> lines_of(std::string_view text) {
  std::vector<std::string_view> out;
  for (;;) {
    const std::size_t end = std::min(text.find('\n'), text.size());
    out.push_back(text.substr(0, end));
    if (end == text.size()) return out;
    text.remove_prefix(end + 1);
  }
}

std::string_view name_of(Finding::Kind kind) {
  return finding_names[static_cast<std::size_t>(kind)];
}

Finding finding_of(const RowFault& fault) {
  std::string message = fault.message;
  if (fault.column != 0) message += ", from column " + std::to_string(fault.column);
  return {Finding::Kind::bad_row, fault.line, {}, std::move(message)};
}

void SheetPrinter::Body::find_columns(std::span<const std::string> names) {
  names_given_ = names.size();
  columns_.reserve(sheet_.columns.size());
  std::unordered_map<std::string_view, std::size_t> places;
  for (std::size_t i = 0; i < names.size(); ++i) places.try_emplace(names[i], i);
  const auto find_column = [&](const std::string& name) -> std::optional<std::size_t> {
    const auto found = places.find(name);
    if (found != places.end()) return found->second;
    say_absent(names, name);
    return std::nullopt;
  };
  for (const SheetColumn& column : sheet_.columns) {
    places_.push_back(find_column(column.from));
    Column& made = columns_.emplace_back(sheet_, column);
    made.mark_width = wide(column.mark);
    has_subtotals_ = has_subtotals_ || column.subtotal != Summary::none;
    has_totals_ = has_totals_ || column.total != Summary::none;
    for (const std::string_view head : made.heads)
      made.widest = std::max(made.widest, wide(visible(head)));
  }
  if (!sheet_.group_by.empty()) group_place_ = find_column(sheet_.group_by);
  for (const std::string& mark : sheet_.row_marks)
    row_mark_width_ = std::max(row_mark_width_, wide(mark));
  for (Column& column : columns_)
    settle_width(column, static_cast<std::size_t>(column.sheet_column->wish.width));
}

void SheetPrinter::Body::begin(ProofSink& sink) {
  std::size_t start = wide(sheet_.edge_left);
  printed_.clear();
  for (const Column& column : columns_) {
    printed_.push_back({column.name, column.sheet_column->under, start, column.width,
                        column.writer.align(), column.writer.wish()});
    start += column.width + wide(sheet_.gap);
  }
  make_skeleton();
  line_width_ = start - wide(sheet_.gap) + wide(sheet_.edge_right) + row_mark_width_;
  for (const Finding& finding : absent_) sink.take(finding);
  put_rule(sheet_.rule_above, sink);
  put_group_headings(sink);
  put_headings(sink);
  put_rule(sheet_.rule, sink);
}

std::optional<Error> SheetPrinter::Body::add(std::size_t line, RowCells cells, ProofSink& sink) {
  assert(cells.size() == names_given_);
  if (group_ends(cells)) {
    if (auto error = end_group(sink)) return error;
    put_rule(sheet_.rule_between, sink);
  }
  if (!skeleton_.empty() && put_quickly(line, cells, sink)) return std::nullopt;
  scratch_.clear();
  cells_.clear();
  for (std::size_t i = 0; i < columns_.size(); ++i) {
    const auto& cell = cell_at(cells, places_[i]);
    if (group_place_ || has_totals_) add_to_summaries(columns_[i], cell);
    cells_.push_back(make_cell(columns_[i], cell, line, places_[i].has_value(), sink));
  }
  return place_row(LineKind::row, line, sink);
}

std::optional<Error> SheetPrinter::Body::end(ProofSink& sink) {
  if (has_group_) {
    if (auto error = end_group(sink)) return error;
  }
  has_group_ = false;
  if (has_totals_) {
    put_rule(sheet_.rule_between.empty() ? sheet_.rule : sheet_.rule_between, sink);
    if (auto error = put_summaries(LineKind::total, &Column::total, sheet_.total_label, sink))
      return error;
  }
  put_rule(sheet_.rule_below, sink);
  return std::nullopt;
}

void SheetPrinter::Body::say_absent(std::span<const std::string> names, const std::string& name) {
  constexpr std::size_t most_told = 20;
  std::string known;
  for (const std::string& one : names.first(std::min(names.size(), most_told)))
    known += (known.empty() ? "" : ", ") + in_quotes(one);
  if (names.size() > most_told)
    known += " and " + std::to_string(names.size() - most_told) + " more";
  absent_.push_back(Finding{Finding::Kind::missing_column, 0, name,
                            "the data has no column " + in_quotes(name) +
                                "; all its cells are missing. It has: " + known});
}

const std::optional<std::string_view>& SheetPrinter::Body::cell_at(
    RowCells cells, const std::optional<std::size_t>& place) {
  static constexpr std::optional<std::string_view> missing;
  return place ? cells[*place] : missing;
}

std::size_t SheetPrinter::Body::wide(std::string_view text) const {
  if (is_printable_ascii(text)) return text.size();
  return sheet_.keep_colors ? measure(without_colors(text), sheet_.width_of)
                            : measure(text, sheet_.width_of);
}

std::string SheetPrinter::Body::units_text(std::size_t count) const {
  static constexpr std::string_view names[] = {"byte", "code point", "UTF-16 unit", "column"};
  return std::to_string(count) + " " +
         std::string(names[static_cast<std::size_t>(sheet_.width_of)]) + (count == 1 ? "" : "s");
}

bool SheetPrinter::Body::group_ends(RowCells cells) {
  if (!group_place_) return false;
  const std::optional<std::string_view>& cell = cell_at(cells, group_place_);
  const bool same =
      has_group_ && cell.has_value() == group_.has_value() && (!cell || *cell == *group_);
  if (same) return false;
  const bool ends = has_group_;
  has_group_ = true;
  group_ = cell ? std::optional<std::string>(*cell) : std::nullopt;
  return ends;
}

void SheetPrinter::Body::add_to_summaries(Column& column,
                                          const std::optional<std::string_view>& cell) {
  if (!cell) return;
  column.subtotal.add(*cell);
  column.total.add(*cell);
}

std::optional<Error> SheetPrinter::Body::end_group(ProofSink& sink) {
  std::optional<Error> error;
  if (has_subtotals_)
    error = put_summaries(LineKind::subtotal, &Column::subtotal, sheet_.subtotal_label, sink);
  for (Column& column : columns_) column.subtotal.clear();
  return error;
}

bool SheetPrinter::Body::write_summary(const Column& column, const Summing& summing) {
  const std::string text = summing.text();
  if (text.empty() || summing.summary() == Summary::none) return false;
  // A count is none of the column's own numbers.
  if (summing.summary() == Summary::count || !column.writer.write(text, scratch_).empty())
    scratch_.append(text);
  append_mark(column, {});
  return true;
}

std::optional<Error> SheetPrinter::Body::put_summaries(LineKind kind, Summing Column::*which,
                                                       const std::string& label, ProofSink& sink) {
  scratch_.clear();
  cells_.clear();
  bool labelled = false;
  for (Column& column : columns_) {
    const std::size_t from = scratch_.needed();
    if (!write_summary(column, column.*which) && !labelled &&
        (column.*which).summary() == Summary::none) {
      scratch_.append(label);
      labelled = true;
    }
    align_point(column, from);
    cells_.push_back({{from, scratch_.needed()}, false});
  }
  return place_row(kind, 0, sink);
}

void SheetPrinter::Body::make_skeleton() {
  skeleton_.clear();
  const bool is_simple =
      !group_place_ && !has_totals_ && sheet_.row_marks.empty() &&
      std::all_of(columns_.begin(), columns_.end(), [](const Column& column) {
        return column.sheet_column->mark.empty() && !column.sheet_column->on_point;
      });
  if (!is_simple) return;
  skeleton_ = sheet_.edge_left;
  for (std::size_t i = 0; i < columns_.size(); ++i) {
    if (i != 0) skeleton_ += sheet_.gap;
    columns_[i].at = skeleton_.size();
    columns_[i].align = columns_[i].writer.align();
    skeleton_.append(columns_[i].width, ' ');
  }
  skeleton_ += sheet_.edge_right;
}

bool SheetPrinter::Body::put_quickly(std::size_t line, RowCells cells, ProofSink& sink) {
  line_.clear();
  char* const row = line_.place(skeleton_.size());
  std::memcpy(row, skeleton_.data(), skeleton_.size());
  spans_.clear();
  bodies_.clear();
  const bool wants_cells = sink.wants_cells();
  QuickRoom room;
  for (std::size_t i = 0; i < columns_.size(); ++i) {
    const Column& column = columns_[i];
    const auto& cell = cell_at(cells, places_[i]);
    if (!cell) return false;
    std::string_view body = column.writer.quick_body(*cell, room);
    if (body.data() == nullptr) {
      scratch_.clear();
      if (!column.writer.write(*cell, scratch_).empty()) return false;
      body = scratch_.view();
      if (!is_printable_ascii(body) || column.writer.is_cut(*cell)) return false;
    }
    if (body.size() > column.width) return false;
    const std::size_t free = column.width - body.size();
    const std::size_t from = column.at + (column.align == Align::right    ? free
                                          : column.align == Align::center ? free / 2
                                                                          : 0);
    std::memcpy(row + from, body.data(), body.size());
    if (!wants_cells) continue;
    spans_.push_back({column.at, column.at + column.width});
    bodies_.push_back({from, from + body.size()});
    data_[i] = true;
  }
  line_.keep(row + skeleton_.size());
  sink.take(
      PlacedLine{LineKind::row, line, line_.view(), spans_, bodies_, {data_.get(), spans_.size()}});
  return true;
}

std::optional<Error> SheetPrinter::Body::place_row(LineKind kind, std::size_t line,
                                                   ProofSink& sink) {
  waiting_.clear();
  line_.clear();
  spans_.clear();
  bodies_.clear();
  line_.append(sheet_.edge_left);
  for (std::size_t i = 0; i < columns_.size(); ++i) {
    const Column& column = columns_[i];
    Cell& cell = cells_[i];
    std::size_t has = wide(text_of(cell));
    if (has > column.width) {
      if (auto error = overflow(column, cell, has - column.width, kind, line, sink)) return error;
      has = wide(text_of(cell));
    }
    if (i != 0) line_.append(sheet_.gap);
    place(text_of(cell), has, column.width, column.writer.align());
    data_[i] = cell.is_data;
  }
  end_line(kind);
  sink.take(PlacedLine{kind, line, line_.view(), spans_, bodies_, {data_.get(), columns_.size()}});
  for (const std::vector<std::string>& texts : waiting_) {
    if (auto error = place_texts(LineKind::continued, line, texts, sink)) return error;
  }
  return std::nullopt;
}

void SheetPrinter::Body::place(std::string_view body, std::size_t has, std::size_t width,
                               Align align) {
  const std::size_t from = line_.needed();
  const std::size_t room = width - std::min(has, width);
  const std::size_t left = align == Align::right ? room : align == Align::center ? room / 2 : 0;
  line_.fill(" ", left);
  bodies_.push_back({line_.needed(), line_.needed() + body.size()});
  line_.append(body);
  line_.fill(" ", room - left);
  spans_.push_back({from, line_.needed()});
}

void SheetPrinter::Body::end_line(LineKind kind) {
  line_.append(sheet_.edge_right);
  if (sheet_.row_marks.empty()) return;
  std::size_t has = 0;
  if (kind == LineKind::row) {
    const std::string& mark = sheet_.row_marks[rows_++ % sheet_.row_marks.size()];
    line_.append(mark);
    has = wide(mark);
  }
  line_.fill(" ", row_mark_width_ - has);
}

SheetPrinter::SheetPrinter(std::unique_ptr<Body> body) : body_(std::move(body)) {}
SheetPrinter::SheetPrinter(SheetPrinter&&) noexcept = default;
SheetPrinter& SheetPrinter::operator=(SheetPrinter&&) noexcept = default;
SheetPrinter::~SheetPrinter() = default;

SheetPrinter SheetPrinter::make(const Sheet& sheet, std::span<const std::string> names) {
  auto body = std::make_unique<Body>(sheet);
  body->find_columns(names);
  return SheetPrinter(std::move(body));
}

bool SheetPrinter::needs_fitting() const {
  return body_->needs_fitting();
}
void SheetPrinter::fit(RowCells cells) {
  body_->fit(cells);
}
void SheetPrinter::end_fitting() {
  body_->end_fitting();
}
void SheetPrinter::begin(ProofSink& sink) {
  body_->begin(sink);
}
std::optional<Error> SheetPrinter::add(std::size_t line, RowCells cells, ProofSink& sink) {
  return body_->add(line, cells, sink);
}
std::optional<Error> SheetPrinter::end(ProofSink& sink) {
  return body_->end(sink);
}
std::span<const PrintedColumn> SheetPrinter::columns() const {
  return body_->columns();
}
std::size_t SheetPrinter::line_width() const {
  return body_->line_width();
}

}  // namespace inky::inline v1
