// Cells: written, cut and wrapped.

#include <algorithm>
#include <cstring>
#include <string>

#include "cell_writer.hpp"
#include "inky_margin/sheet/printer.hpp"
#include "inky_margin/text/columns.hpp"
#include "printer_body.hpp"
#include "text/escape.hpp"

namespace inky::inline v1 {

std::string SheetPrinter::Body::write_cell(const Column& column,
                                           const std::optional<std::string_view>& cell) {
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

void SheetPrinter::Body::append_mark(const Column& column,
                                     const std::optional<std::string_view>& cell) {
  const std::string& mark = column.sheet_column->mark;
  if (mark.empty()) return;
  if (cell && column.writer.is_marked(*cell))
    scratch_.append(mark);
  else
    scratch_.fill(" ", column.mark_width);
}

void SheetPrinter::Body::align_point(const Column& column, std::size_t from) {
  if (!column.sheet_column->on_point) return;
  const std::string_view body = scratch_.view().substr(from);
  const std::size_t before = wide(before_point(body, column.writer.point()));
  const std::size_t behind = wide(body) - before;
  if (behind < column.behind_point) scratch_.fill(" ", column.behind_point - behind);
}

Cell SheetPrinter::Body::make_cell(const Column& column,
                                   const std::optional<std::string_view>& cell, std::size_t line,
                                   bool has_place, ProofSink& sink) {
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

std::string_view SheetPrinter::Body::text_of(const Cell& cell) const {
  return scratch_.view().substr(cell.text.from, cell.text.to - cell.text.from);
}

std::optional<Error> SheetPrinter::Body::overflow(const Column& column, Cell& cell,
                                                  std::size_t more, LineKind kind, std::size_t line,
                                                  ProofSink& sink) {
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

std::string SheetPrinter::Body::plain(const Cell& cell) const {
  return sheet_.keep_colors ? without_colors(text_of(cell)) : std::string(text_of(cell));
}

Cell SheetPrinter::Body::cut_to(std::size_t width, const Cell& cell) {
  const std::string text = plain(cell);
  const std::size_t mark = wide(sheet_.cut_mark);
  const bool has_room = mark <= width;
  const std::size_t from = scratch_.needed();
  scratch_.append(cut_whole(text, has_room ? width - mark : width));
  if (has_room) scratch_.append(sheet_.cut_mark);
  return {{from, scratch_.needed()}, false};
}

std::string_view SheetPrinter::Body::cut_whole(std::string_view text, std::size_t width) const {
  std::size_t end = 0;
  for (std::size_t used = 0; end < text.size();) {
    const std::size_t size = first_cluster(text.substr(end)).bytes;
    used += wide(text.substr(end, size));
    if (used > width) break;
    end += size;
  }
  return text.substr(0, end);
}

void SheetPrinter::Body::wrap(const Column& column, Cell& cell) {
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

}  // namespace inky::inline v1
