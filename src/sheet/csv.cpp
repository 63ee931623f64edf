#include <csv.h>

#include <algorithm>
#include <array>
#include <cstring>

#include "inky_margin/sheet/table.hpp"
#include "sheet/csv_reader.hpp"
#include "table_building.hpp"

namespace inky::inline v1 {

namespace {

using Cells = std::vector<std::optional<std::string_view>>;

bool is_blank(char c) {
  return c == ' ' || c == '\t';
}

// Blanks around it are not part of a cell, and one of nothing else is missing.
std::optional<std::string_view> bare_cell(std::string_view text) {
  while (!text.empty() && is_blank(text.front())) text.remove_prefix(1);
  while (!text.empty() && is_blank(text.back())) text.remove_suffix(1);
  if (text.empty()) return std::nullopt;
  return text;
}

void split_at_commas(std::string_view line, Cells& cells) {
  cells.clear();
  const char* from = line.data();
  const char* const end = from + line.size();
  for (const char* at = from;; ++at) {
    // Cells are short: one byte after the other is quickest.
    while (at != end && *at != ',') ++at;
    cells.push_back(bare_cell({from, static_cast<std::size_t>(at - from)}));
    if (at == end) return;
    from = at + 1;
  }
}

// A row with quotes, read by libcsv.
class QuotedRow {
 public:
  enum class Found : std::uint8_t { row, nothing_yet, bad_quote };

  QuotedRow() { csv_init(&parser_, CSV_STRICT | CSV_STRICT_FINI | CSV_EMPTY_IS_NULL); }
  QuotedRow(const QuotedRow&) = delete;
  QuotedRow& operator=(const QuotedRow&) = delete;
  ~QuotedRow() { csv_free(&parser_); }

  // One line with its end; more than one row where a CR ends one.
  Found take(std::string_view line) {
    const std::size_t before = ends_.size();
    // The room for a field grows by as much as there is, and not by some bytes at a time.
    taken_ += line.size();
    csv_set_blk_size(&parser_, taken_);
    if (csv_parse(&parser_, line.data(), line.size(), on_field, on_row, this) != line.size())
      return Found::bad_quote;
    return ends_.size() != before ? Found::row : Found::nothing_yet;
  }
  Found finish() {
    if (csv_fini(&parser_, on_field, on_row, this) != 0) return Found::bad_quote;
    return Found::row;
  }

  // The rows that are whole, given to `use` one by one.
  template <typename Use>
  bool each_row(Cells& cells, Use use) const {
    std::size_t from = 0;
    for (const std::size_t end : ends_) {
      cells.clear();
      for (std::size_t i = from; i < end; ++i) {
        if (fields_[i])
          cells.emplace_back(*fields_[i]);
        else
          cells.emplace_back();
      }
      from = end;
      if (!use()) return false;
    }
    return true;
  }

 private:
  static void on_field(void* text, std::size_t size, void* self) {
    auto& row = *static_cast<QuotedRow*>(self);
    if (text == nullptr)
      row.fields_.emplace_back();
    else
      row.fields_.emplace_back(std::string(static_cast<const char*>(text), size));
  }
  static void on_row(int, void* self) {
    auto& row = *static_cast<QuotedRow*>(self);
    row.ends_.push_back(row.fields_.size());
  }

  csv_parser parser_{};
  std::size_t taken_ = 0;  // bytes
  std::vector<std::optional<std::string>> fields_;
  std::vector<std::size_t> ends_;  // of the rows, in the fields
};

}  // namespace

class CsvReader::Body {
 public:
  bool feed(std::string_view piece, RowSink& sink) {
    if (!wants_more_) return false;
    if (!waiting_.empty()) {
      // As far as the line that waits goes; the rest is read where it is.
      const std::size_t end = piece.find('\n');
      if (end == std::string_view::npos || is_quoted_) {
        waiting_ += piece;
        // What waits is not looked through again with every piece: a line without its end is no
        // row yet, and a row with quotes is tried when there is twice as much of it.
        const std::size_t enough = is_quoted_ ? std::min(next_try_, most_row) : most_row;
        return waiting_.size() < enough || drain(sink);
      }
      waiting_ += piece.substr(0, end + 1);
      if (!drain(sink)) return false;
      piece.remove_prefix(end + 1);
      if (!waiting_.empty()) {
        waiting_ += piece;
        return drain(sink);
      }
    }
    const std::size_t used = read(piece, sink);
    waiting_.assign(piece.substr(used));
    return wants_more_;
  }

  bool finish(RowSink& sink) {
    while (wants_more_ && !waiting_.empty()) {
      is_last_ = true;
      const std::size_t used = read(waiting_, sink);
      waiting_.erase(0, used);
    }
    return wants_more_;
  }

 private:
  bool drain(RowSink& sink) {
    const std::size_t used = read(waiting_, sink);
    waiting_.erase(0, used);
    return wants_more_;
  }

  // Reads the rows that are whole; the bytes they take.
  std::size_t read(std::string_view text, RowSink& sink) {
    std::size_t at = 0;
    if (line_ == 1 && !has_begun_) {
      constexpr std::string_view byte_order_mark = "\xEF\xBB\xBF";
      if (!is_last_ && text.size() < byte_order_mark.size()) return 0;
      if (text.starts_with(byte_order_mark)) at = byte_order_mark.size();
      has_begun_ = true;
    }
    // Seldom is there a quote, or a line that ends differently, in all of it.
    const bool is_simple =
        text.find('"') == std::string_view::npos && text.find('\r') == std::string_view::npos;
    while (wants_more_ && at < text.size()) {
      const void* found = std::memchr(text.data() + at, '\n', text.size() - at);
      if (found == nullptr && !is_last_ && text.size() - at < most_row) return at;
      const std::size_t end =
          found == nullptr
              ? text.size()
              : static_cast<std::size_t>(static_cast<const char*>(found) - text.data()) + 1;
      const std::string_view line = text.substr(at, end - at);
      std::string_view bare = line;
      if (bare.ends_with('\n')) bare.remove_suffix(1);
      if (bare.ends_with('\r')) bare.remove_suffix(1);
      const bool is_plain = is_simple || (bare.find('"') == std::string_view::npos &&
                                          bare.find('\r') == std::string_view::npos);
      if (!is_plain) {
        const std::size_t used = read_quoted(text.substr(at), sink);
        is_quoted_ = used == 0;
        if (is_quoted_) return at;
        at += used;
        continue;
      }
      if (found == nullptr && !is_last_) say_too_long(sink);
      // A line of blanks is no row.
      if (bare.find_first_not_of(" \t") != std::string_view::npos) {
        split_at_commas(bare, cells_);
        wants_more_ = sink.row(line_, cells_);
      }
      at = end;
      ++line_;
    }
    return at;
  }

  // A row that has quotes may go over several lines; the bytes it takes, 0 while there are more to
  // come.
  std::size_t read_quoted(std::string_view text, RowSink& sink) {
    if (!is_last_ && text.size() < std::min(next_try_, most_row)) return 0;
    QuotedRow row;
    std::size_t at = 0;
    std::size_t lines = 0;
    auto found = QuotedRow::Found::nothing_yet;
    while (at < text.size() && found == QuotedRow::Found::nothing_yet) {
      const std::size_t end = text.find('\n', at);
      if (end == std::string_view::npos && !is_last_) break;
      const std::size_t next = end == std::string_view::npos ? text.size() : end + 1;
      found = row.take(text.substr(at, next - at));
      ++lines;
      at = next;
    }
    if (found == QuotedRow::Found::nothing_yet) {
      if (!is_last_ && text.size() < most_row) {
        next_try_ = text.size() * 2;
        return 0;
      }
      // Not one line of it has its end.
      if (at == 0) return take_too_long(text, sink);
      found = row.finish();
    }
    next_try_ = 0;
    if (found == QuotedRow::Found::bad_quote) return take_as_it_stands(text, sink);
    wants_more_ = row.each_row(cells_, [&] { return sink.row(line_, cells_); });
    line_ += lines;
    return at;
  }

  void say_open_quote(std::string_view line, RowSink& sink) const {
    const std::size_t quote = line.find('"');
    sink.fault(line_, std::min(quote, line.size()) + 1,
               quote == std::string_view::npos
                   ? "has a line end in the wrong place; it is kept as it is"
                   : "has a quote that is not closed, or is in the wrong place; the line is kept "
                     "as it is");
  }
  void say_too_long(RowSink& sink) const {
    sink.fault(line_, 0, "is longer than a row may be, 16 MB; what follows counts as another row");
  }

  // All that is there of a line with a quote that is open, and no end in sight.
  std::size_t take_too_long(std::string_view text, RowSink& sink) {
    next_try_ = 0;
    say_open_quote(text, sink);
    say_too_long(sink);
    split_at_commas(text, cells_);
    wants_more_ = sink.row(line_, cells_);
    ++line_;
    return text.size();
  }

  std::size_t take_as_it_stands(std::string_view text, RowSink& sink) {
    const std::size_t end = std::min(text.find('\n'), text.size() - 1) + 1;
    std::string_view bare = text.substr(0, end);
    while (bare.ends_with('\n') || bare.ends_with('\r')) bare.remove_suffix(1);
    say_open_quote(bare, sink);
    split_at_commas(bare, cells_);
    wants_more_ = sink.row(line_, cells_);
    ++line_;
    return end;
  }

  std::string waiting_;
  bool is_quoted_ = false;  // what waits has a row with quotes that are open
  bool is_last_ = false;
  bool has_begun_ = false;
  bool wants_more_ = true;
  std::size_t line_ = 1;
  std::size_t next_try_ = 0;
  Cells cells_;
};

CsvReader::CsvReader() : body_(std::make_unique<Body>()) {}
CsvReader::CsvReader(CsvReader&&) noexcept = default;
CsvReader& CsvReader::operator=(CsvReader&&) noexcept = default;
CsvReader::~CsvReader() = default;

bool CsvReader::feed(std::string_view piece, RowSink& sink) {
  return body_->feed(piece, sink);
}
bool CsvReader::finish(RowSink& sink) {
  return body_->finish(sink);
}

Result<Table> read_csv(std::string_view text) {
  TableBuilder table;
  RowShaper shaper(table);
  CsvReader reader;
  (void)reader.feed(text, shaper);
  (void)reader.finish(shaper);
  return table.finish();
}

}  // namespace inky::inline v1
