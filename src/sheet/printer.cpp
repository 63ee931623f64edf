#include "inky_margin/sheet/printer.hpp"

#include <algorithm>
#include <cassert>
#include <cstring>
#include <unordered_map>

#include "cell_writer.hpp"
#include "inky_margin/sheet/table.hpp"
#include "inky_margin/text/columns.hpp"
#include "summing.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

// What stands for a cell that cannot be shown.
constexpr std::string_view unreadable_mark = "?";

constexpr std::string_view finding_names[] = {
    "overflow",         "cut",    "missing",        "unreadable",    "bad-row",
    "heading-overflow", "hashes", "total-overflow", "missing-column"};

bool is_printable_ascii(std::string_view text) {
  return std::all_of(text.begin(), text.end(), [](char c) { return c >= 0x20 && c < 0x7F; });
}

std::vector<std::string_view> lines_of(std::string_view text) {
  std::vector<std::string_view> out;
  for (;;) {
    const std::size_t end = std::min(text.find('\n'), text.size());
    out.push_back(text.substr(0, end));
    if (end == text.size()) return out;
    text.remove_prefix(end + 1);
  }
}

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
  bool is_data = true;  // nothing stands for it, or was done to it
};

}  // namespace

std::string_view name_of(Finding::Kind kind) {
  return finding_names[static_cast<std::size_t>(kind)];
}

Finding finding_of(const RowFault& fault) {
  std::string message = fault.message;
  if (fault.column != 0) message += ", from column " + std::to_string(fault.column);
  return {Finding::Kind::bad_row, fault.line, {}, std::move(message)};
}

class SheetPrinter::Body {
 public:
  explicit Body(const Sheet& sheet) : sheet_(sheet) {}

  void find_columns(std::span<const std::string> names) {
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

  // ---- The first pass ----

  bool needs_fitting() const {
    return std::any_of(columns_.begin(), columns_.end(), [](const Column& column) {
      return column.is_fitted() || column.sheet_column->on_point;
    });
  }

  void fit(RowCells cells) {
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

  void end_fitting() {
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

  // ---- Lines ----

  void begin(ProofSink& sink) {
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

  std::optional<Error> add(std::size_t line, RowCells cells, ProofSink& sink) {
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

  std::optional<Error> end(ProofSink& sink) {
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

  std::span<const PrintedColumn> columns() const { return printed_; }
  std::size_t line_width() const { return line_width_; }

 private:
  // The data has no such column.
  void say_absent(std::span<const std::string> names, const std::string& name) {
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

  static const std::optional<std::string_view>& cell_at(RowCells cells,
                                                        const std::optional<std::size_t>& place) {
    static constexpr std::optional<std::string_view> missing;
    return place ? cells[*place] : missing;
  }

  std::size_t wide(std::string_view text) const {
    if (is_printable_ascii(text)) return text.size();
    return sheet_.keep_colors ? measure(without_colors(text), sheet_.width_of)
                              : measure(text, sheet_.width_of);
  }

  std::string units_text(std::size_t count) const {
    static constexpr std::string_view names[] = {"byte", "code point", "UTF-16 unit", "column"};
    return std::to_string(count) + " " +
           std::string(names[static_cast<std::size_t>(sheet_.width_of)]) + (count == 1 ? "" : "s");
  }

  // ---- Widths ----

  void settle_width(Column& column, std::size_t width) {
    const SheetColumn& asked = *column.sheet_column;
    if (column.is_fitted()) width = std::clamp(width, asked.least_width, asked.most_width);
    column.width = width;
    column.writer.set_width(width);
  }

  void widen(Column& column, std::string_view body) {
    if (!column.sheet_column->on_point) {
      column.widest = std::max(column.widest, wide(body));
      return;
    }
    const std::size_t before = wide(before_point(body, column.writer.wish().point.text()));
    column.before_point = std::max(column.before_point, before);
    column.behind_point = std::max(column.behind_point, wide(body) - before);
  }

  void fit_summaries(Summing Column::*which) {
    for (Column& column : columns_) {
      scratch_.clear();
      if (write_summary(column, column.*which)) widen(column, scratch_.view());
      if (which == &Column::subtotal) column.subtotal.clear();
    }
    // The label stands in the first column without a summary.
    const bool asked = which == &Column::total ? has_totals_ : has_subtotals_;
    if (!asked) return;
    for (Column& column : columns_) {
      if ((column.*which).summary() != Summary::none) continue;
      const std::string& label =
          which == &Column::total ? sheet_.total_label : sheet_.subtotal_label;
      column.widest = std::max(column.widest, wide(label));
      return;
    }
  }

  // A heading over several columns may want more than they have.
  void widen_under_groups() {
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

  std::size_t span_width(std::size_t from, std::size_t to) const {
    std::size_t out = (to - from - 1) * wide(sheet_.gap);
    for (std::size_t i = from; i < to; ++i) out += columns_[i].width;
    return out;
  }

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

  bool group_ends(RowCells cells) {
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

  static void add_to_summaries(Column& column, const std::optional<std::string_view>& cell) {
    if (!cell) return;
    column.subtotal.add(*cell);
    column.total.add(*cell);
  }

  std::optional<Error> end_group(ProofSink& sink) {
    std::optional<Error> error;
    if (has_subtotals_)
      error = put_summaries(LineKind::subtotal, &Column::subtotal, sheet_.subtotal_label, sink);
    for (Column& column : columns_) column.subtotal.clear();
    return error;
  }

  // Whether there is one; its text is in the scratch then.
  bool write_summary(const Column& column, const Summing& summing) {
    const std::string text = summing.text();
    if (text.empty() || summing.summary() == Summary::none) return false;
    // A count is none of the column's own numbers.
    if (summing.summary() == Summary::count || !column.writer.write(text, scratch_).empty())
      scratch_.append(text);
    append_mark(column, {});
    return true;
  }

  std::optional<Error> put_summaries(LineKind kind, Summing Column::*which,
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

  // ---- Cells ----

  // The body of a cell in the scratch, and what is wrong with it; empty: nothing.
  std::string write_cell(const Column& column, const std::optional<std::string_view>& cell) {
    if (!cell) {
      scratch_.append(sheet_.missing);
      append_mark(column, {});
      return {};
    }
    const std::size_t from = scratch_.needed();
    std::string problem = column.writer.write(*cell, scratch_);
    if (!problem.empty()) {
      scratch_.cut_back(from);
      scratch_.append(unreadable_mark);
      append_mark(column, {});
    } else {
      append_mark(column, cell);
    }
    return problem;
  }

  // Cells without a mark have spaces there, so that digits stay under each other.
  void append_mark(const Column& column, const std::optional<std::string_view>& cell) {
    const std::string& mark = column.sheet_column->mark;
    if (mark.empty()) return;
    if (cell && column.writer.is_marked(*cell))
      scratch_.append(mark);
    else
      scratch_.fill(" ", column.mark_width);
  }

  // What follows the point is filled up, so that right alignment brings the points together.
  void align_point(const Column& column, std::size_t from) {
    if (!column.sheet_column->on_point) return;
    const std::string_view body = scratch_.view().substr(from);
    const std::size_t before = wide(before_point(body, column.writer.wish().point.text()));
    const std::size_t behind = wide(body) - before;
    if (behind < column.behind_point) scratch_.fill(" ", column.behind_point - behind);
  }

  Cell make_cell(const Column& column, const std::optional<std::string_view>& cell,
                 std::size_t line, bool has_place, ProofSink& sink) {
    const std::size_t from = scratch_.needed();
    const std::string problem = write_cell(column, cell);
    const auto find = [&](Finding::Kind kind, std::string message) {
      sink.take(Finding{kind, line, column.name, std::move(message)});
    };
    Cell out{{}, cell.has_value() && problem.empty() && column.sheet_column->mark.empty()};
    if (!cell && has_place)
      find(Finding::Kind::missing, "there is no cell; shown as " + in_quotes(sheet_.missing));
    else if (cell && !problem.empty())
      find(Finding::Kind::unreadable, problem + "; shown as " + in_quotes(unreadable_mark));
    else if (cell && column.sheet_column->wish.limit != unset && column.writer.is_cut(*cell))
      find(Finding::Kind::cut,
           in_quotes(*cell) + " is cut to " +
               units_text(static_cast<std::size_t>(column.sheet_column->wish.limit)));
    const std::size_t bare = scratch_.needed();
    align_point(column, from);
    if (scratch_.needed() != bare) out.is_data = false;
    out.text = {from, scratch_.needed()};
    return out;
  }

  std::string_view text_of(const Cell& cell) const {
    return scratch_.view().substr(cell.text.from, cell.text.to - cell.text.from);
  }

  // ---- Rows ----

  // Too wide for its column: what the sheet says becomes of it.
  std::optional<Error> overflow(const Column& column, Cell& cell, std::size_t more, LineKind kind,
                                std::size_t line, ProofSink& sink) {
    const bool is_row = kind == LineKind::row;
    const auto find = [&](Finding::Kind what, const char* deed) {
      sink.take(Finding{is_row ? what : Finding::Kind::total_overflow, line, column.name,
                        std::string(is_row ? "the cell is " : "the total is ") + units_text(more) +
                            " too wide, and " + deed});
    };
    switch (column.overflow) {
      case Overflow::push:
        find(Finding::Kind::overflow, "pushes what follows");
        return std::nullopt;
      case Overflow::fail:
        return Error{Code::bad_data,
                     (is_row ? "line " + std::to_string(line) + ": the cell of column "
                             : "the total of column ") +
                         in_quotes(column.name) + " is " + units_text(more) + " too wide",
                     {},
                     "Widen the column, or choose another overflow than fail."};
      case Overflow::hashes: {
        find(Finding::Kind::hashes, "is shown as #");
        const std::size_t from = scratch_.needed();
        scratch_.fill("#", column.width);
        cell = {{from, scratch_.needed()}, false};
        return std::nullopt;
      }
      case Overflow::cut: {
        find(Finding::Kind::cut, "is cut");
        cell = cut_to(column.width, cell);
        return std::nullopt;
      }
      case Overflow::wrap:
        wrap(column, cell);
        return std::nullopt;
    }
    return std::nullopt;
  }

  std::string plain(const Cell& cell) const {
    return sheet_.keep_colors ? without_colors(text_of(cell)) : std::string(text_of(cell));
  }

  Cell cut_to(std::size_t width, const Cell& cell) {
    const std::string text = plain(cell);
    const std::size_t mark = wide(sheet_.cut_mark);
    const bool has_room = mark <= width;
    const std::size_t from = scratch_.needed();
    scratch_.append(cut_whole(text, has_room ? width - mark : width));
    if (has_room) scratch_.append(sheet_.cut_mark);
    return {{from, scratch_.needed()}, false};
  }

  // By bytes too, no character is cut in two.
  std::string_view cut_whole(std::string_view text, std::size_t width) const {
    std::size_t end = 0;
    for (std::size_t used = 0; end < text.size();) {
      const std::size_t size = first_cluster(text.substr(end)).bytes;
      used += wide(text.substr(end, size));
      if (used > width) break;
      end += size;
    }
    return text.substr(0, end);
  }

  // The first line stays in the cell; the rest wait for the lines that follow.
  void wrap(const Column& column, Cell& cell) {
    const std::string text = plain(cell);
    std::string_view rest = text;
    std::vector<std::string> lines;
    while (!rest.empty()) {
      std::size_t end = cut_whole(rest, column.width).size();
      // One character at least, though it is wider than its column.
      if (end == 0) end = first_cluster(rest).bytes;
      if (end < rest.size()) {
        const std::size_t blank = rest.rfind(' ', end);
        if (blank != std::string_view::npos && blank != 0) end = blank;
      }
      std::string_view line = rest.substr(0, end);
      while (!line.empty() && line.back() == ' ') line.remove_suffix(1);
      lines.emplace_back(line);
      rest.remove_prefix(std::min(rest.find_first_not_of(' ', end), rest.size()));
    }
    if (lines.empty()) lines.emplace_back();
    const std::size_t from = scratch_.needed();
    scratch_.append(lines[0]);
    cell = {{from, scratch_.needed()}, false};
    const auto index = static_cast<std::size_t>(&column - columns_.data());
    for (std::size_t i = 1; i < lines.size(); ++i) {
      if (waiting_.size() < i) waiting_.emplace_back(columns_.size());
      waiting_[i - 1][index] = lines[i];
    }
  }

  // A row whose cells are all of ASCII and fit is this one with the cells put in their places.
  void make_skeleton() {
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

  bool put_quickly(std::size_t line, RowCells cells, ProofSink& sink) {
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
    sink.take(PlacedLine{
        LineKind::row, line, line_.view(), spans_, bodies_, {data_.get(), spans_.size()}});
    return true;
  }

  std::optional<Error> place_row(LineKind kind, std::size_t line, ProofSink& sink) {
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
    sink.take(
        PlacedLine{kind, line, line_.view(), spans_, bodies_, {data_.get(), columns_.size()}});
    for (const std::vector<std::string>& texts : waiting_) {
      if (auto error = place_texts(LineKind::continued, line, texts, sink)) return error;
    }
    return std::nullopt;
  }

  void place(std::string_view body, std::size_t has, std::size_t width, Align align) {
    const std::size_t from = line_.needed();
    const std::size_t room = width - std::min(has, width);
    const std::size_t left = align == Align::right ? room : align == Align::center ? room / 2 : 0;
    line_.fill(" ", left);
    bodies_.push_back({line_.needed(), line_.needed() + body.size()});
    line_.append(body);
    line_.fill(" ", room - left);
    spans_.push_back({from, line_.needed()});
  }

  void end_line(LineKind kind) {
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

  // Texts that fit, or push.
  std::optional<Error> place_texts(LineKind kind, std::size_t line,
                                   const std::vector<std::string>& texts, ProofSink& sink) {
    line_.clear();
    spans_.clear();
    bodies_.clear();
    line_.append(sheet_.edge_left);
    for (std::size_t i = 0; i < columns_.size(); ++i) {
      if (i != 0) line_.append(sheet_.gap);
      const Column& column = columns_[i];
      const Align align = kind == LineKind::heading ? heading_align(column) : column.writer.align();
      place(texts[i], wide(texts[i]), column.width, align);
      data_[i] = false;
    }
    end_line(kind);
    sink.take(
        PlacedLine{kind, line, line_.view(), spans_, bodies_, {data_.get(), columns_.size()}});
    return std::nullopt;
  }

  // ---- Headings and rules ----

  static Align heading_align(const Column& column) {
    const Align asked = column.sheet_column->heading_align;
    return asked == Align::natural ? column.writer.align() : asked;
  }

  // The last lines of all headings stand together.
  void put_headings(ProofSink& sink) {
    std::size_t most = 0;
    for (const Column& column : columns_) most = std::max(most, column.heads.size());
    for (std::size_t k = 0; k < most; ++k) {
      std::vector<std::string> texts;
      for (const Column& column : columns_) {
        const std::size_t blank = most - column.heads.size();
        texts.push_back(k < blank ? std::string() : visible(column.heads[k - blank]));
        const std::size_t has = wide(texts.back());
        if (has > column.width)
          sink.take(Finding{Finding::Kind::heading_overflow, 0, column.name,
                            "the heading is " + units_text(has - column.width) +
                                " too wide, and pushes what follows"});
      }
      (void)place_texts(LineKind::heading, 0, texts, sink);
    }
  }

  void put_group_headings(ProofSink& sink) {
    const bool any = std::any_of(columns_.begin(), columns_.end(), [](const Column& column) {
      return !column.sheet_column->under.empty();
    });
    if (!any) return;
    put_over_groups(sink, LineKind::group_heading,
                    [&](std::string_view heading, std::size_t width) {
                      const std::string text = visible(heading);
                      const std::size_t has = wide(text);
                      if (has > width)
                        sink.take(Finding{Finding::Kind::heading_overflow, 0, std::string(heading),
                                          "the heading is " + units_text(has - width) +
                                              " too wide, and pushes what follows"});
                      place(text, has, width, Align::center);
                    });
    if (sheet_.rule.empty()) return;
    put_over_groups(sink, LineKind::rule, [&](std::string_view heading, std::size_t width) {
      if (heading.empty())
        line_.fill(" ", width);
      else
        line_.fill(sheet_.rule, width);
    });
  }

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

  void put_rule(const std::string& rule, ProofSink& sink) {
    if (rule.empty()) return;
    line_.clear();
    line_.append(sheet_.edge_left);
    for (std::size_t i = 0; i < columns_.size(); ++i) {
      if (i != 0) line_.fill(" ", wide(sheet_.gap));
      line_.fill(rule, columns_[i].width);
    }
    end_line(LineKind::rule);
    sink.take(PlacedLine{LineKind::rule, 0, line_.view(), {}, {}, {}});
  }

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
