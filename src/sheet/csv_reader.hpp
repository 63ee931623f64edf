// CSV read in pieces, row by row, in memory that does not grow with the data.
//
//   CsvReader reader;
//   reader.feed("code,mass\nK-07,12", sink);       // sink.row(1, {"code", "mass"})
//   reader.feed("5.5\n", sink);                    // sink.row(2, {"K-07", "125.5"})
//   reader.finish(sink);
//
// RFC 4180: commas, quotes doubled inside quotes, lines that end in CR LF or LF. Blanks around a
// cell without quotes are not part of it; an empty one is missing. A line whose quotes are wrong is
// taken as it is, quotes and all, and reported.
#pragma once

#include <cstddef>
#include <memory>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace inky::inline v1 {

class RowSink {
 public:
  virtual ~RowSink() = default;
  // A row, which begins in `line`, from 1; nothing: a missing cell. The cells are there until it
  // returns. False: no more rows are wanted.
  virtual bool row(std::size_t line, std::span<const std::optional<std::string_view>> cells) = 0;
  // What is wrong in a line, in its byte `column`, from 1, and what is done about it.
  virtual void fault(std::size_t line, std::size_t column, std::string message) = 0;
};

class CsvReader {
 public:
  // The most bytes of one row: a quote that is open for longer was never meant to be one.
  static constexpr std::size_t most_row = std::size_t{16} << 20U;

  CsvReader();
  CsvReader(CsvReader&&) noexcept;
  CsvReader& operator=(CsvReader&&) noexcept;
  ~CsvReader();

  // False once the sink wants no more.
  bool feed(std::string_view piece, RowSink& sink);
  bool finish(RowSink& sink);

 private:
  class Body;
  std::unique_ptr<Body> body_;
};

}  // namespace inky::inline v1
