#include "sheet/sheet_stream.hpp"

#include <algorithm>

namespace inky::inline v1 {

SheetStream::SheetStream(const Sheet& sheet, ProofSink& sink) : sheet_(sheet), sink_(sink) {
  fits_ = std::any_of(sheet.columns.begin(), sheet.columns.end(), [](const SheetColumn& column) {
    return column.wish.width == 0 || column.on_point;
  });
}

void SheetStream::names(std::vector<std::string> names) {
  // The second pass brings them again.
  if (printer_) return;
  printer_.emplace(SheetPrinter::make(sheet_, names));
}

void SheetStream::end_fitting() {
  if (printer_) printer_->end_fitting();
  fits_ = false;
}

bool SheetStream::row(std::size_t line, RowCells cells) {
  if (fits_) {
    printer_->fit(cells);
    return ++fitted_ < most_fitted_;
  }
  if (!has_begun_) printer_->begin(sink_);
  has_begun_ = true;
  error_ = printer_->add(line, cells, sink_);
  return !error_.has_value();
}

void SheetStream::fault(RowFault fault) {
  if (!fits_) sink_.take(finding_of(fault));
}

std::optional<Error> SheetStream::finish() {
  if (error_) return error_;
  if (!printer_)
    return Error{Code::bad_data,
                 "the data is empty",
                 {},
                 "Give it a heading line with the names of the columns."};
  if (!has_begun_) printer_->begin(sink_);
  return printer_->end(sink_);
}

}  // namespace inky::inline v1
