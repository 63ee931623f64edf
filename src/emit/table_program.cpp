#include "inky_margin/emit/table_program.hpp"

#include <algorithm>

#include "inky_margin/text/columns.hpp"
#include "inky_margin/write/program.hpp"
#include "names.hpp"
#include "plan.hpp"
#include "text/ascii.hpp"
#include "vocabulary.hpp"

namespace inky::inline v1 {

namespace {

using Way = PrintedAs::Way;

std::string_view without_blanks(std::string_view text) {
  while (!text.empty() && text.front() == ' ') text.remove_prefix(1);
  while (!text.empty() && text.back() == ' ') text.remove_suffix(1);
  return text;
}

// Whether two numbers differ in their digits at most: languages may round differently, and nothing
// else. One that becomes 10.00 may be a column wider than 9.99, and push.
bool have_one_shape(std::string_view shown, std::string_view cell) {
  std::string_view a = without_blanks(shown);
  std::string_view b = without_blanks(cell);
  const bool carries = a.size() == b.size() + 1 && b.size() == cell.size();
  if (shown.size() != cell.size() && !(carries && shown.size() == a.size())) return false;
  const auto shape = [](std::string_view text) {
    std::string out;
    bool is_behind_point = false;
    for (const char c : text) {
      // A digit more before the point is a carry.
      if (is_digit(c) && !is_behind_point && !out.empty() && out.back() == '0') continue;
      if (c == '.') is_behind_point = true;
      out += is_digit(c) ? '0' : c;
    }
    return out;
  };
  return a == b || shape(a) == shape(b);
}

std::string padded(const std::string& text, std::size_t columns, std::size_t width, Align align) {
  const std::size_t room = width - std::min(columns, width);
  const std::size_t left = align == Align::right ? room : align == Align::center ? room / 2 : 0;
  return std::string(left, ' ') + text + std::string(room - left, ' ');
}

std::string name_of_value(std::size_t index) {
  return "v" + std::to_string(index + 1);
}

class Planner {
 public:
  Planner(const Dialect& dialect, const Sheet& sheet, const Table& table,
          const TableProgramOptions& options)
      : sheet_(sheet), table_(table), options_(options) {
    plan_.dialect = &dialect;
    plan_.statements_alone = options.statements_alone;
    plan_.form = dialect.facts().forms.table;
  }

  Result<TableProgram> make() {
    if (plan_.form == nullptr)
      return Error{Code::not_supported_yet,
                   "a program of " + std::string(plan_.dialect->facts().id) +
                       " that prints a table is not supported yet",
                   {},
                   "The other languages have one."};
    const std::string_view carrier = plan_.form->carrier;
    plan_.row_dialect = carrier.empty() ? plan_.dialect : find_dialect(carrier);
    if (sheet_.row_marks.empty()) plan_.after = sheet_.edge_right;
    Result<Proof> proof = make_proof(sheet_, table_);
    if (!proof) return proof.error();
    proof_ = std::move(*proof);
    find_rows();
    if (rows_.size() * sheet_.columns.size() > plan_.form->most_cells)
      return Error{Code::over_limit,
                   "the table has " + std::to_string(rows_.size() * sheet_.columns.size()) +
                       " cells, and a program of " + std::string(plan_.dialect->facts().language) +
                       " can hold " + std::to_string(plan_.form->most_cells),
                   {},
                   "Give it fewer rows."};
    // As much as can be is left to the language; where a row does not come out right, less.
    for (Help help : {Help::least, Help::texts, Help::all}) {
      plan_columns(help);
      if (!options_.native_padding && !prints_right()) continue;
      if (!options_.data_file.empty()) {
        if (auto error = find_obstacle()) return std::move(*error);
        plan_.data_file = options_.data_file;
      }
      return finish();
    }
    if (!options_.data_file.empty()) return no_file("a row would not come out right in fields");
    return finish_as_lines();
  }

 private:
  enum class Help : std::uint8_t {
    least,
    texts,  // every text has a helper
    all,    // and every number is a text
  };

  Error no_file(const std::string& why) const {
    return {Code::not_supported_yet,
            "a program of " + std::string(plan_.dialect->facts().language) +
                " that reads this table from its file is not supported yet: " + why,
            {},
            "Leave --data-file out: then the program contains the rows."};
  }

  // What a program that reads the rows itself cannot know.
  std::optional<Error> find_obstacle() const {
    if (plan_.form->file_loop.empty()) return no_file("the language does not read CSV itself");
    if (!table_.faults.empty()) return no_file("a line of the data is broken");
    if (wraps_ || !sheet_.row_marks.empty() || !sheet_.group_by.empty())
      return no_file("its rows are not all alike");
    for (std::size_t i = 0; i < sheet_.columns.size(); ++i) {
      const PlannedColumn& column = plan_.columns[i];
      const std::string what = "column " + column.name + " ";
      if (sheet_.columns[i].total != Summary::none) return no_file(what + "has a total");
      if (column.printed.way == Way::helped) return no_file(what + "takes a helper");
      const std::optional<std::size_t> place = table_.column(column.from);
      for (std::size_t row = 0; row < rows_.size() && column.printed.way == Way::text; ++row) {
        const ProofCell& one = cell(row, i);
        if (!one.is_data || !place ||
            table_.rows[proof_.lines[rows_[row]].row].cells[*place] != one.body)
          return no_file(what + "is shown differently from how it is typed");
      }
    }
    return std::nullopt;
  }

  void find_rows() {
    for (std::size_t i = 0; i < proof_.lines.size(); ++i) {
      const LineKind kind = proof_.lines[i].kind;
      if (kind != LineKind::row && kind != LineKind::continued) continue;
      rows_.push_back(i);
      wraps_ = wraps_ || kind == LineKind::continued;
    }
    plan_.rows = rows_.size();
  }

  // ---- Columns ----

  void plan_columns(Help help) {
    plan_.columns.clear();
    if (names_.empty()) names_ = names_of(sheet_, *plan_.dialect);
    for (std::size_t i = 0; i < sheet_.columns.size(); ++i) {
      PlannedColumn column;
      column.name = names_[i];
      column.from = sheet_.columns[i].from;
      column.before = i == 0 ? sheet_.edge_left : sheet_.gap;
      column.align = proof_.columns[i].align;
      column.width = proof_.columns[i].width;
      std::string why;
      if (help == Help::all || !plan_number(i, column, why)) plan_text(i, help, column, why);
      plan_.columns.push_back(std::move(column));
    }
    if (!sheet_.row_marks.empty()) plan_row_marks();
  }

  const ProofCell& cell(std::size_t row, std::size_t i) const {
    return proof_.lines[rows_[row]].cells[i];
  }

  bool plan_number(std::size_t i, PlannedColumn& column, std::string& why) {
    const Spec& wish = proof_.columns[i].wish;
    if (wish.kind != Kind::whole && wish.kind != Kind::real) return false;
    if (wraps_) {
      why = "a row continues on another line";
      return false;
    }
    std::vector<Type> types = {Type::f64};
    if (wish.kind == Kind::whole) types = {Type::i32, Type::i64};
    for (const Type type : types) {
      PlannedColumn tried = column;
      tried.printed.way = Way::number;
      if (read_numbers(i, type, tried, why) && write_number(i, type, tried, why)) {
        column = std::move(tried);
        why.clear();
        return true;
      }
    }
    return false;
  }

  bool read_numbers(std::size_t i, Type type, PlannedColumn& column, std::string& why) const {
    const std::optional<std::size_t> place = table_.column(sheet_.columns[i].from);
    if (!place) return rows_.empty();
    for (std::size_t row = 0; row < rows_.size(); ++row) {
      const std::optional<std::string>& typed =
          table_.rows[proof_.lines[rows_[row]].row].cells[*place];
      if (!cell(row, i).is_data || !typed) {
        why = "not every cell is a plain number";
        return false;
      }
      Result<Value> value = read_typed(type, *typed);
      if (!value) {
        why = value.error().message;
        return false;
      }
      column.values.push_back(std::move(*value));
    }
    return true;
  }

  // As a field of the language, when it shows every cell as the sheet does, but for rounding.
  bool write_number(std::size_t i, Type type, PlannedColumn& column, std::string& why) const {
    column.wish = {proof_.columns[i].wish, type, unset, {}};
    if (column.wish.spec.align == Align::natural) column.wish.spec.align = column.align;
    const bool is_carried = !plan_.form->carrier.empty();
    if (is_carried) column.wish.spec.width = 0;
    const WrittenField field =
        plan_.dialect->writer().write_field(named(*plan_.dialect, column.wish));
    if (!field.notes.empty()) why = field.notes.front().message;
    if (field.source.empty()) return false;
    column.printed.source = field.source;
    if (is_carried) {
      column.pattern = field.source;
      Spec text;
      text.kind = Kind::text;
      text.align = column.align;
      text.width = static_cast<int>(column.width);
      column.wish = {text, Type::text, unset, {}};
    }
    for (std::size_t row = 0; row < rows_.size(); ++row) {
      const std::optional<std::string> text = shown_number(field.source, column, row);
      if (!text || !have_one_shape(*text, cell(row, i).text)) {
        if (field.notes.empty())
          why = "its field would show " + std::string(without_blanks(text.value_or("nothing"))) +
                " for " + cell(row, i).body;
        return false;
      }
      if (!write_value(*plan_.dialect, column.values[row])) {
        why = "it has no literal of such a number";
        return false;
      }
      column.texts.push_back(*text);
    }
    return true;
  }

  // With the name of a value, where fields have names.
  static FieldWish named(const Dialect& dialect, const FieldWish& wish) {
    FieldWish out = wish;
    if (dialect.writer().placing() == Placing::names) out.name = name_of_value(0);
    return out;
  }

  std::optional<std::string> shown(const Dialect& dialect, std::string_view source,
                                   Value value) const {
    const Result<Template> parsed = dialect.parse(source);
    if (!parsed) return std::nullopt;
    if (dialect.writer().placing() == Placing::names) value.set_name(name_of_value(0));
    TextBuffer out;
    if (!dialect.render(*parsed, {&value, 1}, out).prints_cleanly()) return std::nullopt;
    return out.string();
  }

  std::optional<std::string> shown_number(std::string_view source, const PlannedColumn& column,
                                          std::size_t row) const {
    std::optional<std::string> text = shown(*plan_.dialect, source, column.values[row]);
    if (!text || column.pattern.empty()) return text;
    return padded(*text, text->size(), column.width, column.align);
  }

  void plan_text(std::size_t i, Help help, PlannedColumn& column, std::string why) {
    column.printed.way = Way::text;
    column.printed.why = std::move(why);
    Spec text;
    text.kind = Kind::text;
    text.align = column.align;
    text.width = static_cast<int>(column.width);
    column.wish = {text, Type::text, unset, {}};
    for (std::size_t row = 0; row < rows_.size(); ++row) {
      const ProofCell& one = cell(row, i);
      column.values.push_back(Value::text(one.body));
      const std::size_t room = one.text.size() - one.body.size();
      column.columns.push_back(room > 0
                                   ? column.width - room
                                   : std::max(column.width, measure(one.body, sheet_.width_of)));
      column.texts.push_back(one.text);
    }
    const WrittenField field =
        plan_.row_dialect->writer().write_field(named(*plan_.row_dialect, column.wish));
    column.printed.source = field.source;
    if (options_.native_padding) {
      for (std::size_t row = 0; row < rows_.size(); ++row)
        column.texts[row] =
            shown(*plan_.row_dialect, field.source, column.values[row]).value_or("");
      return;
    }
    const bool pads_right = help == Help::least && [&] {
      for (std::size_t row = 0; row < rows_.size(); ++row) {
        if (shown(*plan_.row_dialect, field.source, column.values[row]) != column.texts[row])
          return false;
      }
      return true;
    }();
    if (pads_right) return;
    column.printed.way = Way::helped;
    if (column.printed.why.empty() && !field.notes.empty())
      column.printed.why = field.notes.front().message;
    column.wish.spec.width = 0;
    column.wish.spec.align = Align::natural;
    column.printed.source =
        plan_.row_dialect->writer().write_field(named(*plan_.row_dialect, column.wish)).source;
  }

  // What stands behind the rows in turn is one more text.
  void plan_row_marks() {
    PlannedColumn column;
    column.name = joined("row", "mark", plan_.form->names);
    column.printed.way = Way::text;
    Spec text;
    text.kind = Kind::text;
    column.wish = {text, Type::text, unset, {}};
    column.printed.source =
        plan_.row_dialect->writer().write_field(named(*plan_.row_dialect, column.wish)).source;
    column.before = sheet_.edge_right;
    for (const std::size_t line : rows_) {
      const ProofLine& one = proof_.lines[line];
      std::size_t end = sheet_.edge_left.size() + sheet_.edge_right.size();
      for (std::size_t i = 0; i < one.cells.size(); ++i)
        end += one.cells[i].text.size() + (i != 0 ? sheet_.gap.size() : 0);
      column.texts.push_back(one.text.substr(end));
      column.values.push_back(Value::text(column.texts.back()));
    }
    plan_.columns.push_back(std::move(column));
  }

  // ---- What is printed ----

  // The text that the row's template takes for a column.
  Value given(const PlannedColumn& column, std::size_t row) const {
    const Value& value = column.values[row];
    if (column.printed.way == Way::helped)
      return Value::text(
          padded(std::string(value.as_text()), column.columns[row], column.width, column.align));
    if (!column.pattern.empty()) return Value::text(std::string(without_blanks(column.texts[row])));
    return value;
  }

  // Where a row has more columns than one statement prints, several print it.
  std::optional<std::string> printed_row(std::size_t row) {
    std::string out;
    for (std::size_t from = 0; from < plan_.columns.size(); from += plan_.form->most_fields) {
      const std::size_t to = std::min(from + plan_.form->most_fields, plan_.columns.size());
      if (templates_.size() <= from / plan_.form->most_fields) {
        const WrittenTemplate written =
            plan_.row_dialect->writer().write_template(plan_.parts(from, to, name_of_value));
        if (!written.source) return std::nullopt;
        Result<Template> parsed = plan_.row_dialect->parse(*written.source);
        if (!parsed) return std::nullopt;
        templates_.push_back(std::move(*parsed));
      }
      std::vector<Value> values;
      for (std::size_t i = from; i < to; ++i) {
        values.push_back(given(plan_.columns[i], row));
        if (plan_.row_dialect->writer().placing() == Placing::names)
          values.back().set_name(name_of_value(i));
      }
      TextBuffer text;
      const Template& parsed = templates_[from / plan_.form->most_fields];
      if (!plan_.row_dialect->render(parsed, values, text).prints_cleanly()) return std::nullopt;
      out += text.view();
    }
    return out;
  }

  // A row without its own template's doing: the texts of its columns, side by side.
  std::string joined_row(std::size_t row) const {
    std::string out;
    for (const PlannedColumn& column : plan_.columns) out += column.before + column.texts[row];
    return out + plan_.after + "\n";
  }

  bool prints_right() {
    templates_.clear();
    for (std::size_t row = 0; row < rows_.size(); ++row) {
      if (printed_row(row) != joined_row(row)) return false;
    }
    return true;
  }

  // ---- The program ----

  Result<TableProgram> finish() {
    templates_.clear();
    TableProgram out;
    std::size_t row = 0;
    for (const ProofLine& line : proof_.lines) {
      const bool is_row = line.kind == LineKind::row || line.kind == LineKind::continued;
      PrintedLine printed{line.kind, line.line, line.text, {}};
      if (is_row) {
        std::optional<std::string> text = printed_row(row);
        if (!text || text->empty())
          return Error{Code::not_supported_yet,
                       "a row that " + std::string(plan_.dialect->facts().language) +
                           " does not print is not supported yet",
                       {},
                       "Leave the native padding out, or choose another language."};
        text->pop_back();
        printed.text = std::move(*text);
        std::string before;
        for (std::size_t i = 0; i < sheet_.columns.size(); ++i) {
          before += plan_.columns[i].before;
          printed.starts.push_back(measure(before, WidthUnit::columns));
          before += plan_.columns[i].texts[row];
        }
        add_row(row++);
      } else {
        plan_.items.push_back({false, 0, 0, line.text, line.kind});
      }
      out.lines.push_back(std::move(printed));
    }
    return with_source(std::move(out));
  }

  void add_row(std::size_t row) {
    if (plan_.items.empty() || !plan_.items.back().is_rows)
      plan_.items.push_back({true, row, row, {}, LineKind::row});
    plan_.items.back().to = row + 1;
  }

  // Nothing is left to the language but to print.
  Result<TableProgram> finish_as_lines() {
    if (options_.statements_alone)
      return Error{
          Code::not_supported_yet,
          "a statement of " + std::string(plan_.dialect->facts().language) +
              " that prints a row of this sheet is not supported yet: a row would not come "
              "out right in fields",
          {},
          "Leave --statements out: the whole program prints the lines."};
    TableProgram out;
    for (const ProofLine& line : proof_.lines) {
      plan_.items.push_back({false, 0, 0, line.text, line.kind});
      out.lines.push_back({line.kind, line.line, line.text, {}});
    }
    plan_.rows = 0;
    for (PlannedColumn& column : plan_.columns) {
      column.printed.way = Way::text;
      column.printed.why = "a row would not come out right in fields";
    }
    return with_source(std::move(out));
  }

  Result<TableProgram> with_source(TableProgram out) {
    for (std::size_t i = 0; i < sheet_.columns.size(); ++i)
      out.columns.push_back(plan_.columns[i].printed);
    out.line_width = proof_.line_width;
    Result<std::string> source = source_of(plan_, options_.line_limit);
    if (!source) return source.error();
    out.source = std::move(*source);
    return out;
  }

  const Sheet& sheet_;
  const Table& table_;
  const TableProgramOptions& options_;
  Proof proof_;
  std::vector<std::size_t> rows_;  // lines of the proof
  bool wraps_ = false;
  std::vector<Template> templates_;
  Plan plan_;
  std::vector<std::string> names_;  // of the columns, once they are known
};

}  // namespace

std::string TableProgram::text() const {
  std::string out;
  for (const PrintedLine& line : lines) out += line.text + "\n";
  return out;
}

Result<TableProgram> write_table_program(const Dialect& dialect, const Sheet& sheet,
                                         const Table& table, const TableProgramOptions& options) {
  Result<TableProgram> out = Planner(dialect, sheet, table, options).make();
  if (out && !has_known_words_only(dialect, names_of(sheet, dialect), out->source))
    return Error{Code::not_supported_yet,
                 "a program of " + std::string(dialect.facts().id) +
                     " for this sheet is not supported yet: it does not read back as it was meant",
                 {},
                 "Give the columns other headings."};
  return out;
}

}  // namespace inky::inline v1
