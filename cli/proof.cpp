// inky proof: a sheet over data.

#include "inky_margin/sheet/proof.hpp"

#include <unistd.h>
#include <algorithm>
#include <chrono>
#include <filesystem>
#include <memory>
#include <set>
#include <thread>

#include "command.hpp"
#include "contract/answers.hpp"
#include "contract/names.hpp"
#include "contract/proof_answer.hpp"
#include "inky_margin/sheet/style.hpp"
#include "inky_margin/text/columns.hpp"
#include "proof_program.hpp"
#include "proof_stream.hpp"
#include "proof_witness.hpp"
#include "screen.hpp"
#include "sheet/quick_sheet.hpp"
#include "text/escape.hpp"
#include "text/nearest_name.hpp"

namespace inky::cli {

namespace {

constexpr const char* proof_examples = R"(Examples:
  inky proof demo/batches.toml                       the sheet names its data
  inky proof demo/batches.toml demo/broken.csv       other data
  inky proof demo/batches.toml - < demo/batches.csv  standard input
  inky proof --bare demo/batches.toml > table.txt    the table alone
  inky proof --style markdown demo/batches.toml      the same in another style
  inky proof --as java demo/batches.toml             as Java prints it
  inky proof --as c --native-padding demo/batches.toml   and where C's own padding breaks it
  inky proof --beside c,java demo/batches.toml       what two languages print differently
  inky proof --emit rust demo/batches.toml           the program that prints it
  inky proof --emit c --statements demo/batches.toml     what you paste into your own
  inky proof --witness demo/batches.toml             every language's program, really run
  inky proof demo/batches.csv                        data alone, every column
  inky proof demo/batches.csv --column code --column 'mass kind=real places=1' --set 'gap= | '

Data: CSV with a heading line, or JSON Lines (one object a line).
Exit status: 0 done; 1 the proof has faults (missing, unreadable, too wide); 2 bad request.)";

struct ProofOptions {
  std::string sheet;
  std::string data;
  std::string style;
  std::string as;
  std::string emit;
  std::string beside;
  bool native_padding = false;
  bool data_file = false;
  bool statements = false;
  bool witness = false;
  bool require = false;
  bool no_cache = false;
  bool strict = false;
  std::size_t fit_rows = 0;
  std::vector<std::string> columns;
  std::vector<std::string> settings;
  bool watch = false;
  bool bare = false;
  bool json = false;
  bool jsonl = false;
  bool ascii = false;
};

void put_edges(Screen& screen, const Proof& proof) {
  std::vector<Stretch> names;
  std::size_t wide = 0;
  for (std::size_t i = 0; i < proof.columns.size(); ++i) {
    const ProofColumn& column = proof.columns[i];
    if (column.start > wide) names.push_back({std::string(column.start - wide, ' '), unset});
    names.push_back({std::string(column.width, ' '), static_cast<int>(i)});
    wide = column.start + column.width;
  }
  screen.edges(names);
}

void put_line(Screen& screen, std::string_view label, std::string_view text, Tint tint) {
  screen.label(label);
  screen.tinted(tint, text);
  screen.line();
}

// Spaces inside the table made visible, faintly.
void put_row(Screen& screen, std::string_view label, std::string_view text, Tint tint = Tint::dim) {
  screen.label(label, tint);
  screen.with_faint_spaces(text);
  screen.line();
}

void put_findings(Screen& screen, const Proof& proof) {
  constexpr std::size_t most_shown = 20;
  for (std::size_t i = 0; i < proof.findings.size() && i < most_shown; ++i) {
    const Finding& finding = proof.findings[i];
    screen.label(finding.line == 0 ? "heading" : "line " + std::to_string(finding.line));
    std::string text = finding.column.empty() ? "" : visible(finding.column) + ": ";
    text += finding.message + " [" + std::string(name_of(finding.kind)) + "]";
    screen.paragraph(text);
  }
  if (proof.findings.size() > most_shown) {
    put_line(screen, "",
             "... and " + std::to_string(proof.findings.size() - most_shown) +
                 " more; --json has them all",
             Tint::dim);
  }
}

void put_c_line(Screen& screen, const Proof& proof) {
  put_line(screen, "c", "printf(\"" + proof.template_line + "\", ...)", Tint::good);
  for (const Note& note : proof.template_notes) screen.note(note, {});
  for (const ProofColumn& column : proof.columns) {
    if (column.shifted_rows == 0) continue;
    const std::string rows =
        std::to_string(column.shifted_rows) + (column.shifted_rows == 1 ? " row" : " rows");
    screen.note({Code::width_counts_otherwise,
                 visible(column.heading) + ": C's width counts bytes, so this printf leaves " +
                     rows + " up to " + std::to_string(column.byte_shift) +
                     (column.byte_shift == 1 ? " column" : " columns") + " short",
                 {}},
                {});
  }
}

int proof_screen(const Proof& proof, const Look& look) {
  Screen screen(look);
  std::size_t wide = 0;
  for (const ProofLine& line : proof.lines)
    wide = std::max(wide, measure(line.text, WidthUnit::columns));
  screen.rule(wide);
  std::set<std::size_t> faulty;
  for (const Finding& finding : proof.findings) faulty.insert(finding.line);
  for (const ProofLine& line : proof.lines) {
    if (line.kind == LineKind::rule)
      put_line(screen, "", line.text, Tint::dim);
    else
      put_row(screen, label_of(line.kind, line.line), line.text,
              line.line != 0 && faulty.contains(line.line) ? Tint::warm : Tint::dim);
  }
  put_edges(screen, proof);
  screen.line();
  if (!proof.findings.empty()) {
    put_findings(screen, proof);
    screen.line();
  }
  put_c_line(screen, proof);
  if (!write_out(screen.text())) return bad_request;
  return proof.findings.empty() ? done : answer_is_no;
}

int proof_json(const Proof& proof) {
  JsonWriter out(JsonWriter::Form::spread);
  write_proof(proof, out);
  if (!write_json(out)) return bad_request;
  return proof.findings.empty() ? done : answer_is_no;
}

// Where the sheet states its data is: beside the sheet.
std::string data_path(const ProofOptions& options, const Sheet& sheet) {
  if (!options.data.empty() || sheet.data.empty()) return options.data;
  return (std::filesystem::path(options.sheet).parent_path() / sheet.data).string();
}

// The style that was chosen; the plain one where none was.
Result<Style> style_of(const ProofOptions& options) {
  if (options.style.empty()) return Style::plain;
  Result<Style> style = style_given(options.style);
  if (style && *style == Style::boxed && options.ascii) return Style::boxed_ascii;
  return style;
}

int run_programs(const ProofOptions& options, const Sheet& sheet, const Table& table,
                 const std::string& path) {
  ProgramRequest request{{},           options.native_padding, options.bare,
                         options.json, options.require,        !options.no_cache,
                         {},           options.statements};
  if (options.statements && (options.emit.empty() || options.data_file))
    return fail({Code::bad_option,
                 "--statements is for the rows of a program that you have",
                 {},
                 "Give it with --emit, and without --data-file."});
  std::string list = !options.emit.empty() ? options.emit : options.as;
  if (!options.beside.empty()) list += (list.empty() ? "" : ",") + options.beside;
  if (list.empty()) list = "all";
  if (options.data_file) {
    if (path == "-" || options.emit.empty())
      return fail({Code::bad_option,
                   "--data-file is for a program that reads a file",
                   {},
                   "Give it with --emit, and name the file."});
    request.data_file = path;
  }
  Result<std::vector<const Dialect*>> dialects = dialects_with_programs(list);
  if (!dialects) return fail(dialects.error());
  request.dialects = std::move(*dialects);
  const Look look = look_of(stdout, options.ascii);
  if (options.witness) return proof_witness(request, sheet, table, look);
  if (!options.emit.empty() || options.beside.empty()) {
    if (request.dialects.size() != 1)
      return fail({Code::bad_option,
                   "more than one language is given",
                   {},
                   "Name one, or compare them with --beside."});
    return options.emit.empty() ? proof_as(request, sheet, table, look)
                                : proof_program(request, sheet, table);
  }
  if (request.dialects.size() < 2)
    return fail({Code::bad_option,
                 "there is nothing to compare it with",
                 {},
                 "Name two languages, such as --beside c,java."});
  return proof_beside(request, sheet, table, look);
}

// The first finding as an error: nothing is printed.
int fail_strictly(const Finding& finding) {
  std::string where = finding.line == 0 ? "" : "line " + std::to_string(finding.line) + ": ";
  if (!finding.column.empty()) where += visible(finding.column) + ": ";
  (void)fail({Code::bad_data,
              where + finding.message,
              {},
              "Mend it, or leave --strict out: the other rows are printed then."});
  return answer_is_no;
}

bool asks_languages(const ProofOptions& options) {
  return !options.as.empty() || !options.emit.empty() || !options.beside.empty() ||
         options.witness || options.statements;
}

// A sheet that is data is shown as it is, or by the columns that were named.
bool is_data(const std::string& path) {
  return path == "-" || path.ends_with(".csv") || path.ends_with(".jsonl");
}

// Where only lines are wanted, rows need not be kept.
bool prints_lines(const ProofOptions& options, const Style& style) {
  const bool is_plain =
      options.bare ? style == Style::plain : style == Style::plain && !options.style.empty();
  return is_plain && !options.json && !asks_languages(options);
}

int print(const ProofOptions& options, const Style& style, const Sheet& sheet, const Table& table,
          const std::string& path) {
  // Programs make their own.
  if (asks_languages(options) && !options.strict) return run_programs(options, sheet, table, path);
  const bool machines = is_for_machines(style);
  const Result<Proof> proof = make_proof(machines ? for_machines(sheet) : sheet, table);
  if (!proof) return fail(proof.error());
  if (options.strict && !proof->findings.empty()) return fail_strictly(proof->findings.front());
  if (asks_languages(options)) return run_programs(options, sheet, table, path);
  if (options.json) return proof_json(*proof);
  if (!options.bare && options.style.empty())
    return proof_screen(*proof, look_of(stdout, options.ascii));
  if (!write_out(styled(*proof, style))) return bad_request;
  return proof->findings.empty() ? done : answer_is_no;
}

int run_with(const ProofOptions& options, const Style& style, const std::optional<Sheet>& sheet,
             const std::string& path) {
  if (sheet && prints_lines(options, style) && can_stream(path)) {
    StreamRequest request{path, std::nullopt, options.strict};
    if (options.fit_rows != 0) request.fit_rows = options.fit_rows;
    return proof_stream(request, *sheet);
  }
  if (options.fit_rows != 0)
    return fail({Code::bad_option,
                 "--fit-rows is for CSV that is printed while it is read",
                 {},
                 "Add --bare, or leave it out."});
  const Result<std::string> data = read_file(path);
  if (!data) return fail(data.error());
  const Result<Table> table = read_data(*data);
  if (!table) return fail_in_file(table.error(), path, *data);
  if (sheet) return print(options, style, *sheet, *table, path);
  Result<Sheet> all = sheet_of_all(*table);
  if (!all) return fail(all.error());
  const Result<Sheet> made = with_settings(std::move(*all), options.settings);
  if (!made) return fail(made.error());
  return print(options, style, *made, *table, path);
}

int run_once(const ProofOptions& options, std::vector<std::string>& files) {
  const Result<Style> style = style_of(options);
  if (!style) return fail(style.error());
  const bool without_sheet = options.sheet.empty() || is_data(options.sheet);
  if (!options.columns.empty() || without_sheet) {
    const std::string path = options.sheet;
    if (!options.data.empty() || path.empty() || !is_data(path))
      return fail(
          {Code::bad_option,
           options.columns.empty() ? "there is no sheet" : "a sheet and --column are both given",
           {},
           "Name a sheet, or data that ends in .csv or .jsonl, or - for standard input."});
    files = {path};
    std::optional<Sheet> sheet;
    if (!options.columns.empty()) {
      Result<Sheet> read = sheet_of(options.columns);
      if (read) read = with_settings(std::move(*read), options.settings);
      if (!read) return fail(read.error());
      sheet = std::move(*read);
    }
    return run_with(options, *style, sheet, path);
  }
  if (!options.settings.empty())
    return fail({Code::bad_option,
                 "a sheet and --set are both given",
                 {},
                 "Write the key into the sheet."});
  files = {options.sheet};
  const Result<std::string> text = read_file(options.sheet);
  if (!text) return fail(text.error());
  const Result<Sheet> sheet = read_sheet(*text);
  if (!sheet) return fail_in_file(sheet.error(), options.sheet, *text);
  const std::string path = data_path(options, *sheet);
  if (path.empty())
    return fail({Code::missing_key,
                 "there is no data",
                 {},
                 "Name a file, - for standard input, or write data = \"FILE\" in the sheet."});
  files.push_back(path);
  return run_with(options, *style, *sheet, path);
}

// When each was last changed; nothing for one that is not there.
std::vector<std::filesystem::file_time_type> changes_of(const std::vector<std::string>& files) {
  std::vector<std::filesystem::file_time_type> out;
  for (const std::string& file : files) {
    std::error_code failed;
    const auto time = std::filesystem::last_write_time(file, failed);
    out.push_back(failed ? std::filesystem::file_time_type::min() : time);
  }
  return out;
}

// Again whenever a file changes, until it is interrupted.
int watch(const ProofOptions& options) {
  std::vector<std::string> files;
  for (;;) {
    clear_screen();
    const int status = run_once(options, files);
    if (std::find(files.begin(), files.end(), "-") != files.end())
      return fail({Code::bad_option,
                   "standard input cannot be watched",
                   {},
                   "Name a file, or leave --watch out."});
    if (!flush_out()) return status;
    const auto before = changes_of(files);
    while (changes_of(files) == before) std::this_thread::sleep_for(std::chrono::milliseconds(100));
  }
}

int run_proof(const ProofOptions& options) {
  if (options.jsonl) return answer_lines("proof");
  std::vector<std::string> files;
  return options.watch ? watch(options) : run_once(options, files);
}

}  // namespace

Action add_proof(Command& tool) {
  auto options = std::make_shared<ProofOptions>();
  Command command = tool.command("proof", "A table previewed: a sheet over data", proof_examples);
  command.takes("sheet", options->sheet,
                "The sheet, a TOML file, docs/sheets.md; or data, where there is none", "FILE");
  command.takes("data", options->data, "The data: a file, or - for standard input", "FILE");
  command.flag("--bare", options->bare, "The table and nothing else");
  command.takes("--style", options->style,
                "The table alone: plain, markdown, boxed, tsv, csv, html or json", "STYLE");
  command.takes("--as", options->as, "The table as a language prints it", "DIALECT");
  command.takes("--beside", options->beside, "In several languages, what differs marked",
                "DIALECTS");
  command.takes("--emit", options->emit, "The program that prints it", "DIALECT");
  command.flag("--data-file", options->data_file,
               "With --emit: the program reads the data from its file");
  command.flag("--statements", options->statements,
               "With --emit: the statements of the lines alone, for a program of yours");
  command.flag("--native-padding", options->native_padding,
               "Texts are padded by the language, whatever its widths count");
  command.flag("--witness", options->witness,
               "The programs run by the real toolchains: of --as, or all");
  command.flag("--require", options->require, "Every toolchain must be installed");
  command.takes_one_each("--column", options->columns,
                         "Without a sheet: a column of the data, and its wishes",
                         "'NAME KEY=VALUE ...'");
  command.takes_one_each("--set", options->settings, "Without a sheet: a key of one, and its value",
                         "KEY=VALUE");
  command.flag("--watch", options->watch, "Again whenever the sheet or the data change");
  command.flag("--strict", options->strict, "The first finding ends it");
  command.takes("--fit-rows", options->fit_rows,
                "With --bare: fitted columns look at N rows, and not at all", "N");
  command.flag("--no-cache", options->no_cache, "Runs every program again");
  command.flag("--json", options->json, "The proof as one JSON object");
  command.jsonl_flag(options->jsonl);
  command.ascii_flag(options->ascii);
  return [options] { return run_proof(*options); };
}

}  // namespace inky::cli
