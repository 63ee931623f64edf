#include "proof_program.hpp"

#include <algorithm>

#include "command.hpp"
#include "contract/names.hpp"
#include "inky_margin/emit/table_program.hpp"
#include "inky_margin/text/columns.hpp"
#include "text/escape.hpp"

namespace inky::cli {

namespace {

// Where a row leaves the columns that the others keep to: the first one, and how far it is off.
struct Shift {
  std::size_t column = 0;
  std::ptrdiff_t columns = 0;  // to the right
};

// Where the columns begin; nothing where the sheet does not count display columns, and nothing
// needs to stand in line.
std::vector<std::size_t> starts_of(const Proof& proof, const Sheet& sheet) {
  std::vector<std::size_t> out;
  if (sheet.width_of != WidthUnit::columns) return out;
  for (const ProofColumn& column : proof.columns) out.push_back(column.start);
  return out;
}

std::optional<Shift> shift_of(const PrintedLine& line, const std::vector<std::size_t>& starts,
                              std::size_t width) {
  if (starts.empty()) return std::nullopt;
  for (std::size_t i = 0; i < line.starts.size(); ++i) {
    if (line.starts[i] == starts[i]) continue;
    return Shift{
        i, static_cast<std::ptrdiff_t>(line.starts[i]) - static_cast<std::ptrdiff_t>(starts[i])};
  }
  const std::size_t has = columns_of(line.text);
  if (line.starts.empty() || has == width) return std::nullopt;
  return Shift{starts.size(),
               static_cast<std::ptrdiff_t>(has) - static_cast<std::ptrdiff_t>(width)};
}

std::string shift_text(const Shift& shift) {
  return counted(static_cast<std::size_t>(std::abs(shift.columns)), "column") +
         (shift.columns > 0 ? " too far right" : " too far left");
}

// The bytes of a line before a display column.
std::size_t bytes_before(std::string_view text, std::size_t columns) {
  return cut(text, columns, WidthUnit::columns).size();
}

// A row, and from where it is off, in another colour.
void put_table_line(Screen& screen, const PrintedLine& line, const std::optional<Shift>& shift,
                    const std::vector<std::size_t>& starts) {
  screen.label(label_of(line.kind, line.line), shift ? Tint::warm : Tint::dim);
  if (line.kind == LineKind::rule) {
    screen.tinted(Tint::dim, line.text);
    screen.line();
    return;
  }
  std::size_t from = line.text.size();
  if (shift && shift->column < starts.size())
    from = bytes_before(line.text, line.starts[shift->column]);
  screen.with_faint_spaces(std::string_view(line.text).substr(0, from));
  if (from < line.text.size())
    screen.tinted(Tint::warm, with_visible_spaces(line.text.substr(from), screen.look()));
  screen.line();
}

void put_ways(Screen& screen, const TableProgram& program, const Proof& proof) {
  for (std::size_t i = 0; i < program.columns.size(); ++i) {
    const PrintedAs& printed = program.columns[i];
    screen.label(i == 0 ? "columns" : "");
    std::string text = visible(proof.columns[i].heading) + ": " + printed.source;
    if (printed.way == PrintedAs::Way::helped) text += ", padded by a helper";
    if (printed.way == PrintedAs::Way::helped && printed.why.empty())
      text += " (the language counts widths differently)";
    if (printed.way == PrintedAs::Way::text && !printed.why.empty()) text += ", as text";
    if (!printed.why.empty()) text += " (" + visible(printed.why) + ")";
    screen.paragraph(text);
  }
}

std::string heading_of(const Proof& proof, std::size_t column) {
  return column < proof.columns.size() ? visible(proof.columns[column].heading) : "the right edge";
}

void put_shifts(Screen& screen, const TableProgram& program, const Proof& proof,
                const std::vector<std::size_t>& starts) {
  constexpr std::size_t most_shown = 12;
  std::size_t count = 0;
  for (const PrintedLine& line : program.lines) {
    const auto shift = shift_of(line, starts, proof.line_width);
    if (!shift || ++count > most_shown) continue;
    screen.label("line " + std::to_string(line.line));
    screen.paragraph(heading_of(proof, shift->column) + ": begins " + shift_text(*shift));
  }
  if (count > most_shown) {
    screen.label("");
    screen.line("... and " + std::to_string(count - most_shown) + " more");
  }
  if (count != 0) screen.line();
}

bool is_shifted(const TableProgram& program, const Proof& proof,
                const std::vector<std::size_t>& starts) {
  return std::any_of(program.lines.begin(), program.lines.end(), [&](const PrintedLine& line) {
    return shift_of(line, starts, proof.line_width).has_value();
  });
}

void write_program(const TableProgram& program, const Proof& proof,
                   const std::vector<std::size_t>& starts, const Dialect& dialect,
                   JsonWriter& out) {
  out.open_object();
  out.member("dialect", dialect.facts().id);
  out.open_list("lines");
  for (const PrintedLine& line : program.lines) {
    out.open_object();
    out.member("text", line.text);
    if (line.line != 0) out.member_number("line", line.line);
    if (const auto shift = shift_of(line, starts, proof.line_width)) {
      out.open_object("shift");
      out.member_number("column", shift->column);
      out.member_number("columns", shift->columns);
      out.close_object();
    }
    out.close_object();
  }
  out.close_list();
  constexpr std::string_view ways[] = {"number", "text", "helped"};
  out.open_list("columns");
  for (std::size_t i = 0; i < program.columns.size(); ++i) {
    const PrintedAs& printed = program.columns[i];
    out.open_object();
    out.member("heading", proof.columns[i].heading);
    out.member("way", ways[static_cast<std::size_t>(printed.way)]);
    out.member("source", printed.source);
    if (!printed.why.empty()) out.member("why", printed.why);
    out.close_object();
  }
  out.close_list();
  out.close_object();
}

}  // namespace

std::string counted(std::size_t count, const char* what) {
  return std::to_string(count) + " " + what + (count == 1 ? "" : "s");
}

Result<TableProgram> program_of(const ProgramRequest& request, const Dialect& dialect,
                                const Sheet& sheet, const Table& table) {
  return write_table_program(dialect, sheet, table,
                             {.native_padding = request.native_padding,
                              .data_file = request.data_file,
                              .statements_alone = request.statements});
}

std::string label_of(LineKind kind, std::size_t line) {
  switch (kind) {
    case LineKind::row:
      return std::to_string(line);
    case LineKind::subtotal:
      return "subtotal";
    case LineKind::total:
      return "total";
    default:
      return {};
  }
}

Result<std::vector<const Dialect*>> dialects_with_programs(std::string_view list) {
  std::vector<const Dialect*> out;
  if (list == "all") {
    for (const Dialect* dialect : all_dialects()) {
      if (dialect->facts().forms.table != nullptr) out.push_back(dialect);
    }
    return out;
  }
  return dialects_listed(list, nullptr);
}

int proof_program(const ProgramRequest& request, const Sheet& sheet, const Table& table) {
  const Result<TableProgram> program = program_of(request, *request.dialects.front(), sheet, table);
  if (!program) return fail(program.error());
  return write_out(program->source) ? done : bad_request;
}

int proof_as(const ProgramRequest& request, const Sheet& sheet, const Table& table,
             const Look& look) {
  const Dialect& dialect = *request.dialects.front();
  const Result<TableProgram> program = program_of(request, dialect, sheet, table);
  if (!program) return fail(program.error());
  const Result<Proof> proof = make_proof(sheet, table);
  if (!proof) return fail(proof.error());
  const std::vector<std::size_t> starts = starts_of(*proof, sheet);
  const int status =
      is_shifted(*program, *proof, starts) || !proof->findings.empty() ? answer_is_no : done;
  if (request.bare) return write_out(program->text()) ? status : bad_request;
  if (request.json) {
    JsonWriter out(JsonWriter::Form::spread);
    write_program(*program, *proof, starts, dialect, out);
    return write_json(out) ? status : bad_request;
  }
  Screen screen(look);
  screen.rule(proof->line_width);
  for (const PrintedLine& line : program->lines)
    put_table_line(screen, line, shift_of(line, starts, proof->line_width), starts);
  screen.line();
  put_shifts(screen, *program, *proof, starts);
  put_ways(screen, *program, *proof);
  return write_out(screen.text()) ? status : bad_request;
}

int proof_beside(const ProgramRequest& request, const Sheet& sheet, const Table& table,
                 const Look& look) {
  const Result<Proof> proof = make_proof(sheet, table);
  if (!proof) return fail(proof.error());
  const std::vector<std::size_t> starts = starts_of(*proof, sheet);
  std::vector<TableProgram> programs;
  for (const Dialect* dialect : request.dialects) {
    Result<TableProgram> program = program_of(request, *dialect, sheet, table);
    if (!program) return fail(program.error());
    programs.push_back(std::move(*program));
  }
  bool differ = false;
  for (const TableProgram& program : programs)
    differ = differ || program.text() != programs.front().text();
  const int status = differ ? answer_is_no : done;
  if (request.json) {
    JsonWriter out(JsonWriter::Form::spread);
    out.open_object();
    out.open_list("beside");
    for (std::size_t i = 0; i < programs.size(); ++i)
      write_program(programs[i], *proof, starts, *request.dialects[i], out);
    out.close_list();
    out.close_object();
    return write_json(out) ? status : bad_request;
  }
  Screen screen(look);
  screen.rule(proof->line_width);
  // The first in full; of the others, the lines that are not the same, cell by cell.
  const TableProgram& first = programs.front();
  for (std::size_t k = 0; k < first.lines.size(); ++k) {
    const PrintedLine& line = first.lines[k];
    put_table_line(screen, line, shift_of(line, starts, proof->line_width), starts);
    for (std::size_t i = 1; i < programs.size(); ++i) {
      const PrintedLine& other = programs[i].lines[k];
      if (other.text == line.text) continue;
      screen.label("");
      for (std::size_t c = 0; c < other.starts.size(); ++c) {
        const auto part = [&](const PrintedLine& of) {
          const std::size_t from = c == 0 ? 0 : bytes_before(of.text, of.starts[c]);
          const std::size_t to =
              c + 1 == of.starts.size() ? of.text.size() : bytes_before(of.text, of.starts[c + 1]);
          return of.text.substr(from, to - from);
        };
        const std::string own = part(other);
        if (c < line.starts.size() && own == part(line) && other.starts[c] == line.starts[c])
          screen.with_faint_spaces(own);
        else
          screen.tinted(Tint::warm, with_visible_spaces(own, look));
      }
      screen.put("  ");
      screen.tinted(Tint::dim, request.dialects[i]->facts().id);
      screen.line();
    }
  }
  screen.line();
  screen.dialect_label(request.dialects.front()->facts().id);
  screen.line("is shown in full");
  for (std::size_t i = 1; i < programs.size(); ++i) {
    std::size_t count = 0;
    for (std::size_t k = 0; k < first.lines.size(); ++k)
      count += programs[i].lines[k].text != first.lines[k].text ? 1 : 0;
    screen.dialect_label(request.dialects[i]->facts().id);
    screen.dialect_paragraph(count == 0 ? "prints the same"
                                        : "prints " + counted(count, "line") + " differently");
  }
  return write_out(screen.text()) ? status : bad_request;
}

}  // namespace inky::cli
