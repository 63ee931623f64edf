// How a program that prints a table is in source. Facts of a language, which each of its
// dialects names; emit/ makes the program of them.
//
// In a form, @ and a letter stand for what is filled in:
//
//   @N a name             @L a literal           @T a type       @I the place of a cell, from 0
//   @V what names a text  @C what names the columns it takes     @W a width
//   @F declared fields    @D data                @K the count of rows
//   @A the first row of a part, from 0           @B from 1
//   @Z the one behind its last, from 0; its last, from 1
//   @E the names of all cells, in order          @S statements
//   @d and @s are data and statements without the last line end.
#pragma once

#include <cstddef>
#include <cstdint>
#include <string_view>

namespace inky::inline v1 {

// How the words of a name are joined.
enum class NameCase : std::uint8_t { snake, camel, kebab };

// Text padded to a width by the columns that it is reported to take.
struct PadForm {
  std::string_view name = {};  // of the helper, which no column may have
  std::string_view call = {};  // pad_left(@V, @C, @W)
  // What shows it in a template, where that is not a field of a text; with it, `call` is a list.
  std::string_view field = {};
  std::string_view source = {};  // the definition of the helper
};

struct TableForm {
  // The dialect whose template a row is, where this one shows numbers only; and how the text of one
  // number is made: @L its source, @V the number.
  std::string_view carrier = {};
  std::string_view carried = {};

  NameCase names = NameCase::snake;
  std::string_view comment = "// ";  // before a line of remarks
  std::string_view before = {};      // what the program begins with
  std::string_view before_helpers = {};
  PadForm pad_left = {};    // spaces on the left
  PadForm pad_right = {};   // on the right
  PadForm pad_center = {};  // on both sides; an odd space goes to the right

  // Types of the cells, where rows declare them and ProgramForm has other names for them.
  std::string_view text_type = {};
  std::string_view i32_type = {};
  std::string_view i64_type = {};
  std::string_view real_type = {};
  std::string_view count_type = {};  // of the columns that a text takes

  std::string_view row_type = {};  // @F
  std::string_view field = {};     // @T @N
  std::string_view data = {};      // @D, @K
  std::string_view row_open = "{";
  std::string_view cell = "@L";  // @N where cells are named
  std::string_view cell_end = ", ";
  std::string_view row_close = "},\n";
  std::string_view lone_row_close = {};  // of a row of one cell, where that is another
  // Data that stands column by column: around a column of numbers, and one of texts.
  std::string_view column_open = {};  // @N
  std::string_view column_close = {};
  std::string_view text_column_open = {};
  std::string_view text_column_close = {};
  std::string_view line_break = "\n";  // between two cells
  std::size_t indent = 2;              // of a row

  // What names a cell, and what names a text and its columns where that is not the same.
  std::string_view cell_name = {};
  std::string_view text_name = {};
  std::string_view name_between = ", ";  // in @E
  std::string_view lone_name_end = {};   // behind a single one

  std::string_view main_open = {};
  std::string_view main_close = {};
  std::size_t main_indent = 0;
  std::string_view write = {};          // a literal is printed as it is
  std::string_view statement_end = {};  // where write_statement() leaves it open
  std::string_view loop = {};           // over all rows
  std::size_t loop_indent = 2;
  // Where rows stand in parts, a function prints one part.
  std::string_view part_function = {};
  std::size_t part_indent = 4;  // of the statements in it
  std::string_view part_call = {};
  std::string_view before_statement = {};  // is before each statement of a row

  // Where the language reads CSV itself: what the program begins with then, the text before the
  // main program, and the loop. @P is the path as a literal, @R what gets the cells of a row.
  std::string_view file_before = {};
  std::string_view file_data = {};
  std::string_view file_loop = {};  // empty: it does not
  std::string_view read_text = {};  // a cell: @N, and @L the name of its column as a literal
  std::string_view read_whole = {};
  std::string_view read_real = {};

  std::size_t most_cells = 20'000;  // in a program
  std::size_t most_fields = 12;     // in a statement
};

}  // namespace inky::inline v1
