// What a program that prints a table is made of, before it is source.
#pragma once

#include <string>
#include <vector>

#include "dialect/table_form.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/emit/table_program.hpp"

namespace inky::inline v1 {

struct PlannedColumn {
  PrintedAs printed;
  std::string before;  // text between it and the column before
  std::string name;
  std::string from;     // the column of the data
  FieldWish wish;       // of the field that shows it
  std::string pattern;  // of a number that the dialect shows and its carrier prints; else empty
  Align align = Align::left;
  std::size_t width = 0;
  std::vector<Value> values;         // of the rows
  std::vector<std::size_t> columns;  // that the texts of a helped column take
  std::vector<std::string> texts;    // what each row has there, padded
};

// A line as it is, or some of the rows.
struct PlannedItem {
  bool is_rows = false;
  std::size_t from = 0;  // of the rows, half-open
  std::size_t to = 0;
  std::string line;
  LineKind kind = LineKind::row;
};

struct Plan {
  const Dialect* dialect = nullptr;
  const Dialect* row_dialect = nullptr;  // whose template a row is
  const TableForm* form = nullptr;
  std::string after;  // text at the end of a row
  std::vector<PlannedColumn> columns;
  std::size_t rows = 0;
  std::vector<PlannedItem> items;
  std::string data_file;  // empty: the rows stand in the program
  bool statements_alone = false;

  // The parts of the template that prints columns `from` to `to`, half-open, of a row; what shows a
  // column is named by `name_of`.
  template <typename NameOf>
  std::vector<TemplatePart> parts(std::size_t from, std::size_t to, NameOf name_of) const {
    std::vector<TemplatePart> out;
    for (std::size_t i = from; i < to; ++i) {
      if (!columns[i].before.empty()) out.push_back({columns[i].before, std::nullopt});
      FieldWish wish = columns[i].wish;
      if (row_dialect->writer().placing() == Placing::names) wish.name = name_of(i);
      out.push_back({{}, std::move(wish)});
    }
    if (to == columns.size()) out.push_back({after + "\n", std::nullopt});
    return out;
  }
};

// A mark of a form, such as "@N", and the text in place of it.
struct Fill {
  std::string_view mark;
  std::string text;
};
// What is filled in may look like a mark, and is none.
std::string filled(std::string_view form, const std::vector<Fill>& fills);
std::string filled(std::string_view form, std::string_view mark, std::string_view text);

const PadForm& pad_form(const TableForm& form, Align align);

// The program. An error where a value has no literal.
Result<std::string> source_of(const Plan& plan, std::size_t line_limit);

}  // namespace inky::inline v1
