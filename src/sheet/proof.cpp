#include "inky_margin/sheet/proof.hpp"

#include <algorithm>
#include <array>

#include "inky_margin/number/decimal.hpp"
#include "inky_margin/text/columns.hpp"
#include "inky_margin/text/escape.hpp"
#include "inky_margin/text/utf8.hpp"

namespace inky {

namespace {

std::size_t columns_of(std::string_view text) {
  return measure(text, WidthUnit::columns);
}

std::string columns_text(std::size_t count) {
  return std::to_string(count) + (count == 1 ? " column" : " columns");
}

bool is_numeric(Kind kind) {
  return kind == Kind::whole || kind == Kind::real;
}

// Natural alignment settled: numbers right, everything else left.
Align settled(Align align, Kind kind) {
  if (align == Align::inner) return Align::right;
  if (align != Align::natural) return align;
  return is_numeric(kind) ? Align::right : Align::left;
}

std::string padded(std::string_view text, std::size_t width, Align align) {
  Spec spec;
  spec.align = align;
  spec.width = static_cast<int>(width);
  TextBuffer out;
  lay_out_text(spec, text, WidthUnit::columns, out);
  return out.string();
}

// The text of one cell, or why there is none.
struct CellText {
  std::string text;
  std::string problem;  // empty: none
};

CellText problem(std::string what) {
  return {{}, std::move(what)};
}

CellText whole_text(const Spec& wish, std::string_view cell) {
  const std::optional<SignedNatural> number = read_whole(cell);
  if (!number) return problem(in_quotes(cell) + " is not a whole number");
  std::string digits;
  append_whole(number->magnitude, wish.base, wish.letters, digits);
  std::string_view prefix;
  if (wish.prefix)
    prefix = wish.base == 16 ? "0x" : wish.base == 8 ? "0o" : wish.base == 2 ? "0b" : "";
  TextBuffer out;
  lay_out_whole(wish, number->negative, digits, prefix, out);
  return {out.string(), {}};
}

CellText real_text(const Spec& wish, std::string_view cell) {
  const std::optional<uint128> bits = read_real(binary64, cell);
  if (!bits) return problem(in_quotes(cell) + " is not a number");
  TextBuffer out;
  lay_out_real(wish, binary64, unpack(binary64, *bits), NumberStyle{}, out);
  return {out.string(), {}};
}

CellText plain_text(const Spec& wish, std::string_view cell) {
  if (wish.kind == Kind::truth && cell != "true" && cell != "false")
    return problem(in_quotes(cell) + " is not true or false");
  const bool one = !cell.empty() && first_cluster(cell).bytes == cell.size();
  if (wish.kind == Kind::character && !one)
    return problem(in_quotes(cell) + " is not one character");
  TextBuffer out;
  lay_out_text(wish, visible(cell), WidthUnit::columns, out);
  return {out.string(), {}};
}

CellText wish_text(const Spec& wish, std::string_view cell) {
  switch (wish.kind) {
    case Kind::whole:
      return whole_text(wish, cell);
    case Kind::real:
      return real_text(wish, cell);
    default:
      return plain_text(wish, cell);
  }
}

// The types a cell may have for a field of a kind, the likeliest first.
std::span<const Type> types_for(Kind kind) {
  static constexpr std::array wholes = {Type::i32, Type::i64, Type::u32, Type::u64};
  static constexpr std::array reals = {Type::f64, Type::f80};
  static constexpr std::array characters = {Type::character, Type::i32};
  static constexpr std::array texts = {Type::text};
  switch (kind) {
    case Kind::whole:
      return wholes;
    case Kind::real:
      return reals;
    case Kind::character:
      return characters;
    default:
      return texts;
  }
}

// Renders the cells of one column of a sheet.
class ColumnWriter {
 public:
  explicit ColumnWriter(const SheetColumn& column) : column_(column), wish_(column.wish) {
    if (column.dialect == nullptr) return;
    with_width_ = *column.dialect->parse(column.spec);
    without_width_ = with_width_;
    Field& field = without_width_.fields[0];
    field.width = {};
    field.spec.width = 0;
  }

  std::size_t width() const { return static_cast<std::size_t>(wish_.width); }
  Kind kind() const { return wish_.kind; }
  bool is_fitted() const { return column_.wish.width == 0; }
  void fit(std::size_t width) {
    wish_.width = static_cast<int>(std::min<std::size_t>(width, most_width));
  }
  Align align() const { return settled(wish_.align, wish_.kind); }

  CellText write(std::string_view cell) const {
    if (!is_utf8(cell)) return problem(in_quotes(cell) + " is not UTF-8");
    if (column_.dialect == nullptr) return wish_text(wish_, cell);
    CellText out = by_dialect(with_width_, cell);
    // The language pads by its own count; columns are what counts here.
    if (!is_ascii(out.text)) out = by_dialect(without_width_, cell);
    if (out.problem.empty() && columns_of(out.text) < width())
      out.text = padded(out.text, width(), align());
    return out;
  }

  // What a limit on the text leaves off; empty when nothing.
  bool is_cut(std::string_view cell) const {
    return wish_.limit != unset && !is_numeric(wish_.kind) &&
           columns_of(cell) > static_cast<std::size_t>(wish_.limit);
  }

  // The wish as one field of the dialect c, at the width in use.
  WrittenField as_c(const Dialect& c) const {
    if (column_.dialect == &c && !is_fitted()) return {column_.spec, {}};
    return c.write(wish_);
  }

 private:
  CellText by_dialect(const Template& parsed, std::string_view cell) const {
    std::string why;
    for (const Type type : types_for(wish_.kind)) {
      const Result<Value> value = read_typed(type, cell);
      if (!value) {
        if (why.empty()) why = value.error().message;
        continue;
      }
      TextBuffer out;
      const Outcome outcome = column_.dialect->render(parsed, {&*value, 1}, out);
      if (outcome.prints()) return {out.string(), {}};
      why = outcome.why();
    }
    return problem(std::move(why));
  }

  const SheetColumn& column_;
  Spec wish_;
  Template with_width_;
  Template without_width_;
};

class ProofMaker {
 public:
  ProofMaker(const Sheet& sheet, const Table& table) : sheet_(sheet), table_(table) {}

  Result<Proof> make() {
    if (auto error = find_columns()) return std::move(*error);
    for (const RowFault& fault : table_.faults) {
      add({Finding::Kind::bad_row, fault.line, {}, fault.message});
    }
    fit_columns();
    make_heading();
    for (const TableRow& row : table_.rows) make_row(row);
    write_template();
    std::stable_sort(proof_.findings.begin(), proof_.findings.end(),
                     [](const Finding& a, const Finding& b) { return a.line < b.line; });
    return std::move(proof_);
  }

 private:
  // What stands for a cell that cannot be shown.
  static constexpr std::string_view unreadable_mark = "?";

  void add(Finding finding) { proof_.findings.push_back(std::move(finding)); }

  std::optional<Error> find_columns() {
    writers_.reserve(sheet_.columns.size());
    for (const SheetColumn& column : sheet_.columns) {
      const auto index = table_.column(column.from);
      if (!index) {
        std::string names;
        for (const std::string& name : table_.names)
          names += (names.empty() ? "" : ", ") + in_quotes(name);
        return Error{Code::bad_data,
                     "the data has no column " + in_quotes(column.from),
                     {},
                     "It has: " + names + "."};
      }
      indices_.push_back(*index);
      writers_.emplace_back(column);
    }
    return std::nullopt;
  }

  const std::optional<std::string>& cell(const TableRow& row, std::size_t column) const {
    return row.cells[indices_[column]];
  }

  void fit_columns() {
    for (std::size_t i = 0; i < writers_.size(); ++i) {
      if (!writers_[i].is_fitted()) continue;
      std::size_t widest = columns_of(sheet_.columns[i].heading);
      for (const TableRow& row : table_.rows) {
        const auto& text = cell(row, i);
        const CellText written = text ? writers_[i].write(*text) : CellText{sheet_.missing, {}};
        widest = std::max(
            widest,
            columns_of(written.problem.empty() ? written.text : std::string(unreadable_mark)));
      }
      writers_[i].fit(widest);
    }
  }

  void make_heading() {
    std::size_t start = 0;
    for (std::size_t i = 0; i < writers_.size(); ++i) {
      const SheetColumn& column = sheet_.columns[i];
      const ColumnWriter& writer = writers_[i];
      if (i != 0) proof_.heading += sheet_.gap;
      const Align align =
          column.heading_align == Align::natural ? writer.align() : column.heading_align;
      proof_.heading += padded(visible(column.heading), writer.width(), align);
      proof_.columns.push_back({column.heading, start, writer.width(), 0, 0});
      start += writer.width() + columns_of(sheet_.gap);
      const std::size_t wide = columns_of(visible(column.heading));
      if (wide > writer.width()) {
        add({Finding::Kind::heading_overflow, 0, column.heading,
             "the heading is " + columns_text(wide - writer.width()) +
                 " too wide, and pushes what follows"});
      }
      if (!sheet_.rule.empty()) {
        if (i != 0) proof_.rule += std::string(columns_of(sheet_.gap), ' ');
        for (std::size_t k = 0; k < writer.width(); ++k) proof_.rule += sheet_.rule;
      }
    }
  }

  void make_row(const TableRow& row) {
    ProofRow out{row.line, {}};
    for (std::size_t i = 0; i < writers_.size(); ++i) {
      if (i != 0) out.text += sheet_.gap;
      out.text += make_cell(row, i);
    }
    proof_.rows.push_back(std::move(out));
  }

  std::string make_cell(const TableRow& row, std::size_t i) {
    const ColumnWriter& writer = writers_[i];
    const std::string& heading = sheet_.columns[i].heading;
    const auto& text = cell(row, i);
    if (!text) {
      add({Finding::Kind::missing, row.line, heading,
           "there is no cell; shown as " + in_quotes(sheet_.missing)});
      return padded(sheet_.missing, writer.width(), writer.align());
    }
    CellText written = writer.write(*text);
    if (!written.problem.empty()) {
      add({Finding::Kind::unreadable, row.line, heading,
           written.problem + "; shown as " + in_quotes(unreadable_mark)});
      return padded(unreadable_mark, writer.width(), writer.align());
    }
    if (writer.is_cut(*text))
      add({Finding::Kind::cut, row.line, heading,
           in_quotes(*text) + " is cut to " + std::to_string(sheet_.columns[i].wish.limit) +
               " columns"});
    const std::size_t wide = columns_of(written.text);
    if (wide > writer.width()) {
      add({Finding::Kind::overflow, row.line, heading,
           "the cell is " + columns_text(wide - writer.width()) +
               " too wide, and pushes what follows"});
    }
    note_bytes(written.text, wide, proof_.columns[i]);
    return std::move(written.text);
  }

  // Padding by bytes gives a text with wider bytes than columns too few spaces.
  static void note_bytes(std::string_view text, std::size_t wide, ProofColumn& column) {
    if (text.size() == wide) return;
    std::size_t body = text.find_last_not_of(' ') + 1;
    body -= std::min(body, text.find_first_not_of(' '));
    const std::size_t spaces = text.size() - body;
    const std::size_t shift = std::min(spaces, text.size() - wide);
    if (shift == 0) return;
    column.byte_shift = std::max(column.byte_shift, shift);
    ++column.shifted_rows;
  }

  // Text between fields, as it stands in a C string literal that is a format string.
  static std::string in_template(std::string_view text) {
    std::string out;
    for (const char c : text) {
      if (c == '%') out += '%';
      if (c == '"' || c == '\\') out += '\\';
      out += c;
    }
    return out;
  }

  void write_template() {
    const Dialect& c = *find_dialect("c");
    for (std::size_t i = 0; i < writers_.size(); ++i) {
      if (i != 0) proof_.template_line += in_template(sheet_.gap);
      WrittenField field = writers_[i].as_c(c);
      proof_.template_line += field.source;
      for (Note& note : field.notes) {
        note.message = sheet_.columns[i].heading + ": " + note.message;
        proof_.template_notes.push_back(std::move(note));
      }
    }
    proof_.template_line += "\\n";
  }

  const Sheet& sheet_;
  const Table& table_;
  std::vector<ColumnWriter> writers_;
  std::vector<std::size_t> indices_;
  Proof proof_;
};

}  // namespace

Result<Proof> make_proof(const Sheet& sheet, const Table& table) {
  return ProofMaker(sheet, table).make();
}

}  // namespace inky
