#include "proof_program.hpp"

#include <unistd.h>

#include <algorithm>
#include <atomic>
#include <cstdio>
#include <mutex>
#include <thread>

#include "command.hpp"
#include "contract/names.hpp"
#include "inky_margin/emit/table_program.hpp"
#include "inky_margin/text/columns.hpp"
#include "interruption.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"
#include "toolchain/programs.hpp"
#include "witness.hpp"

namespace inky::cli {

namespace {

using toolchain::Toolchain;
using toolchain::Witness;

std::size_t columns_of(std::string_view text) {
  return measure(text, WidthUnit::columns);
}

std::string counted(std::size_t count, const char* what) {
  return std::to_string(count) + " " + what + (count == 1 ? "" : "s");
}

Result<TableProgram> program_of(const ProgramRequest& request, const Dialect& dialect,
                                const Sheet& sheet, const Table& table) {
  return write_table_program(
      dialect, sheet, table,
      {.native_padding = request.native_padding, .data_file = request.data_file});
}

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
      text += " (widths of the language count otherwise)";
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

// ---- Witnesses ----

struct Testimony {
  const Dialect* dialect = nullptr;
  std::optional<Error> error;  // no program was made
  std::string expected;
  Witness witness;
  std::string version;

  bool agrees() const {
    return witness.stage == Witness::Stage::printed && witness.output == expected;
  }
  bool is_missing() const { return !error && witness.stage == Witness::Stage::missing; }
  bool is_not_asked() const {
    return !error && (witness.stage == Witness::Stage::not_asked ||
                      witness.stage == Witness::Stage::interrupted);
  }
};

std::string first_line(std::string_view text) {
  text = text.substr(std::min(text.find_first_not_of(" \n"), text.size()));
  return std::string(text.substr(0, text.find('\n')));
}

void ask(Testimony& out, const ProgramRequest& request, const Sheet& sheet, const Table& table,
         const toolchain::WitnessCache* cache, const toolchain::RunLimits& limits) {
  const Result<TableProgram> program = program_of(request, *out.dialect, sheet, table);
  const Toolchain* known = toolchain::toolchain_of(out.dialect->facts().id);
  if (!program) {
    out.error = program.error();
    return;
  }
  if (known == nullptr) return;
  out.expected = program->text();
  out.witness = toolchain::run_program(*known, program->source, limits, cache);
  if (out.witness.stage != Witness::Stage::missing)
    out.version = toolchain::version_of(out.witness.program).value_or(out.witness.program);
}

// How many are done, on a terminal.
class Progress {
 public:
  explicit Progress(std::size_t all) : all_(all), shows_(::isatty(2) != 0 && all > 1) { show(); }
  Progress(const Progress&) = delete;
  Progress& operator=(const Progress&) = delete;
  ~Progress() {
    if (shows_) write_progress({});
  }
  void add() {
    const std::lock_guard lock(mutex_);
    ++done_;
    show();
  }

 private:
  void show() const {
    if (!shows_) return;
    const std::string text =
        std::to_string(done_) + " of " + counted(all_, "language") + " witnessed";
    write_progress(text);
  }
  std::size_t all_;
  std::size_t done_ = 0;
  bool shows_;
  std::mutex mutex_;
};

std::vector<Testimony> ask_all(const ProgramRequest& request, const Sheet& sheet,
                               const Table& table) {
  std::vector<Testimony> out(request.dialects.size());
  for (std::size_t i = 0; i < out.size(); ++i) out[i].dialect = request.dialects[i];
  const auto cache = request.cache ? usual_cache() : std::nullopt;
  Progress progress(out.size());
  const Interruption interruption;
  toolchain::RunLimits limits;
  limits.stop = interruption.flag();
  std::atomic<std::size_t> next{0};
  const auto work = [&] {
    for (std::size_t i = next++; i < out.size(); i = next++) {
      try {
        ask(out[i], request, sheet, table, cache ? &*cache : nullptr, limits);
      } catch (const std::exception& error) {
        out[i].witness.stage = Witness::Stage::not_asked;
        out[i].witness.messages = error.what();
      }
      progress.add();
    }
  };
  const std::size_t hands =
      std::clamp<std::size_t>(std::thread::hardware_concurrency(), 1, out.size());
  std::vector<std::thread> threads;
  try {
    for (std::size_t i = 1; i < hands; ++i) threads.emplace_back(work);
  } catch (const std::system_error&) {
    // Fewer hands take longer.
  }
  work();
  for (std::thread& thread : threads) thread.join();
  return out;
}

// The first line that is not as it was said, under the ruler.
void put_difference(Screen& screen, const Testimony& one) {
  std::string_view expected = one.expected;
  std::string_view printed = one.witness.output;
  std::size_t line = 1;
  const auto first_of = [](std::string_view text) {
    return text.substr(0, std::min(text.find('\n'), text.size()));
  };
  while (!expected.empty() && !printed.empty() && first_of(expected) == first_of(printed)) {
    expected.remove_prefix(std::min(first_of(expected).size() + 1, expected.size()));
    printed.remove_prefix(std::min(first_of(printed).size() + 1, printed.size()));
    ++line;
  }
  const std::string said(first_of(expected));
  const std::string got(first_of(printed));
  screen.rule(std::max(columns_of(said), columns_of(got)));
  screen.label("said " + std::to_string(line));
  screen.line(with_visible_spaces(said, screen.look()));
  screen.label("printed");
  screen.tinted(Tint::warm, with_visible_spaces(got, screen.look()));
  screen.line();
  const auto at = std::mismatch(said.begin(), said.end(), got.begin(), got.end()).first;
  screen.label("");
  screen.line("they part at byte " + std::to_string(at - said.begin() + 1) + " of the line");
}

void put_testimony(Screen& screen, const Testimony& one) {
  screen.dialect_label(one.dialect->facts().id);
  if (one.error) {
    screen.dialect_paragraph("no program: " + visible(one.error->message) + ". " +
                             one.error->remedy);
    return;
  }
  if (one.is_missing()) {
    const Toolchain& known = *toolchain::toolchain_of(one.dialect->facts().id);
    screen.dialect_paragraph("there is no " +
                             std::string(known.form.programs.substr(0, known.form.programs.find(' '))) +
                             " here. Debian has it in " + std::string(known.form.package) + ".");
    return;
  }
  if (one.agrees()) {
    screen.tinted(Tint::good, "the same " + counted(one.expected.size(), "byte"));
    screen.put("  ");
    screen.tinted(Tint::dim, visible(one.version));
    screen.line();
    return;
  }
  std::string deed;
  switch (one.witness.stage) {
    case Witness::Stage::stopped:
      deed = "was stopped: " + visible(one.witness.messages);
      break;
    case Witness::Stage::not_asked:
    case Witness::Stage::interrupted:
      deed = "could not be asked: " + visible(first_line(one.witness.messages));
      break;
    case Witness::Stage::refused:
      deed = "refused the program: " + visible(first_line(one.witness.messages));
      break;
    case Witness::Stage::failed:
      deed = "failed: " + visible(first_line(one.witness.messages));
      break;
    default:
      deed = "printed something else, " + counted(one.witness.output.size(), "byte") + " for " +
             std::to_string(one.expected.size());
      break;
  }
  screen.tinted(Tint::warm, deed);
  screen.line();
  if (one.witness.stage == Witness::Stage::printed) put_difference(screen, one);
}

void write_testimony(const Testimony& one, JsonWriter& out) {
  out.open_object();
  out.member("dialect", one.dialect->facts().id);
  if (one.error) {
    out.member("verdict", "no-program");
    out.member("message", one.error->message);
  } else if (one.is_missing()) {
    out.member("verdict", "missing");
  } else if (one.is_not_asked()) {
    out.member("toolchain", one.version);
    out.member("verdict", "not-asked");
    out.member("advice", one.witness.messages);
  } else {
    out.member("toolchain", one.version);
    out.member("verdict", one.agrees() ? "agrees" : "differs");
    if (const std::string open = left_open(one.witness); !open.empty()) out.member("open", open);
    out.member_number("bytes", one.witness.output.size());
    if (!one.agrees()) {
      out.member("said", one.expected);
      out.member("printed", one.witness.output);
      out.member("messages", one.witness.messages);
    }
  }
  out.close_object();
}

}  // namespace

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
      if (dialect->facts().table_form != nullptr) out.push_back(dialect);
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
                                        : "prints " + counted(count, "line") + " otherwise");
  }
  return write_out(screen.text()) ? status : bad_request;
}

int proof_witness(const ProgramRequest& request, const Sheet& sheet, const Table& table,
                  const Look& look) {
  const Result<Proof> proof = make_proof(sheet, table);
  if (!proof) return fail(proof.error());
  const std::vector<Testimony> testimonies = ask_all(request, sheet, table);
  int status = done;
  for (const Testimony& one : testimonies) {
    const bool fine =
        one.agrees() || ((one.is_missing() || one.is_not_asked()) && !request.require);
    if (!fine) status = answer_is_no;
  }
  if (request.json) {
    JsonWriter out(JsonWriter::Form::spread);
    out.open_object();
    out.open_list("witnesses");
    for (const Testimony& one : testimonies) write_testimony(one, out);
    out.close_list();
    out.close_object();
    return write_json(out) ? status : bad_request;
  }
  Screen screen(look);
  for (const Testimony& one : testimonies) put_testimony(screen, one);
  return write_out(screen.text()) ? status : bad_request;
}

}  // namespace inky::cli
