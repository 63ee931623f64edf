// Headings, and rules.

#include <algorithm>
#include <cstring>
#include <string>

#include "inky_margin/sheet/printer.hpp"
#include "printer_body.hpp"
#include "text/escape.hpp"

namespace inky::inline v1 {

std::optional<Error> SheetPrinter::Body::place_texts(LineKind kind, std::size_t line,
                                                     const std::vector<std::string>& texts,
                                                     ProofSink& sink) {
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
  sink.take(PlacedLine{kind, line, line_.view(), spans_, bodies_, {data_.get(), columns_.size()}});
  return std::nullopt;
}

void SheetPrinter::Body::put_headings(ProofSink& sink) {
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

void SheetPrinter::Body::put_group_headings(ProofSink& sink) {
  const bool any = std::any_of(columns_.begin(), columns_.end(), [](const Column& column) {
    return !column.sheet_column->under.empty();
  });
  if (!any) return;
  put_over_groups(sink, LineKind::group_heading, [&](std::string_view heading, std::size_t width) {
    const std::string text = visible(heading);
    const std::size_t has = wide(text);
    if (has > width)
      sink.take(Finding{
          Finding::Kind::heading_overflow, 0, std::string(heading),
          "the heading is " + units_text(has - width) + " too wide, and pushes what follows"});
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

void SheetPrinter::Body::put_rule(const std::string& rule, ProofSink& sink) {
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

}  // namespace inky::inline v1
