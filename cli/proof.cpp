// inky proof: a sheet over data.

#include "inky_margin/sheet/proof.hpp"

#include <algorithm>
#include <filesystem>
#include <memory>
#include <set>

#include "command.hpp"
#include "contract.hpp"
#include "inky_margin/text/columns.hpp"
#include "inky_margin/text/escape.hpp"
#include "screen.hpp"

namespace inky::cli {

namespace {

constexpr const char* examples = R"(Examples:
  inky proof demo/batches.toml                       the sheet names its data
  inky proof demo/batches.toml demo/broken.csv       other data
  inky proof demo/batches.toml - < demo/batches.csv  standard input
  inky proof --bare demo/batches.toml > table.txt    the table alone

Data: CSV with a heading line, or JSON Lines (one object a line).
Exit status: 0 done; 1 the proof has faults (missing, unreadable, too wide); 2 bad request.)";

struct Options {
  std::string sheet;
  std::string data;
  bool bare = false;
  bool json = false;
  bool ascii = false;
};

std::string bare_text(const Proof& proof) {
  std::string out = proof.heading + "\n";
  if (!proof.rule.empty()) out += proof.rule + "\n";
  for (const ProofRow& row : proof.rows) out += row.text + "\n";
  return out;
}

std::string kind_name(Finding::Kind kind) {
  switch (kind) {
    case Finding::Kind::overflow:
      return "overflow";
    case Finding::Kind::cut:
      return "cut";
    case Finding::Kind::missing:
      return "missing";
    case Finding::Kind::unreadable:
      return "unreadable";
    case Finding::Kind::bad_row:
      return "bad-row";
    case Finding::Kind::heading_overflow:
      return "heading-overflow";
  }
  return {};
}

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
    text += finding.message + " [" + kind_name(finding.kind) + "]";
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
  std::size_t wide = measure(proof.heading, WidthUnit::columns);
  for (const ProofRow& row : proof.rows)
    wide = std::max(wide, measure(row.text, WidthUnit::columns));
  screen.rule(wide);
  put_row(screen, "", proof.heading);
  if (!proof.rule.empty()) put_line(screen, "", proof.rule, Tint::dim);
  std::set<std::size_t> faulty;
  for (const Finding& finding : proof.findings) faulty.insert(finding.line);
  for (const ProofRow& row : proof.rows) {
    put_row(screen, std::to_string(row.line), row.text,
            faulty.contains(row.line) ? Tint::warm : Tint::dim);
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
  JsonOut rows = JsonOut::array();
  for (const ProofRow& row : proof.rows) rows.push_back({{"line", row.line}, {"text", row.text}});
  JsonOut columns = JsonOut::array();
  for (const ProofColumn& column : proof.columns) {
    columns.push_back({{"heading", column.heading},
                       {"start", column.start},
                       {"width", column.width},
                       {"byte_shift", column.byte_shift},
                       {"shifted_rows", column.shifted_rows}});
  }
  JsonOut findings = JsonOut::array();
  for (const Finding& finding : proof.findings) {
    findings.push_back({{"kind", kind_name(finding.kind)},
                        {"line", finding.line},
                        {"column", finding.column},
                        {"message", finding.message}});
  }
  const JsonOut out = {{"heading", proof.heading},
                       {"rule", proof.rule},
                       {"rows", std::move(rows)},
                       {"columns", std::move(columns)},
                       {"findings", std::move(findings)},
                       {"templates", {{"c", proof.template_line}}},
                       {"notes", to_json(proof.template_notes)}};
  const bool written = write_out(out.dump(2, ' ', false, JsonOut::error_handler_t::replace) + "\n");
  return !written ? bad_request : proof.findings.empty() ? done : answer_is_no;
}

// A table that begins with an opening brace is JSON Lines.
Result<Table> read_data(std::string_view text) {
  const std::size_t first = text.find_first_not_of(" \t\r\n");
  if (first != std::string_view::npos && text[first] == '{') return read_json_lines(text);
  return read_csv(text);
}

// Where the sheet says its data is: beside the sheet.
std::string data_path(const Options& options, const Sheet& sheet) {
  if (!options.data.empty() || sheet.data.empty()) return options.data;
  return (std::filesystem::path(options.sheet).parent_path() / sheet.data).string();
}

int run(const Options& options) {
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
  const Result<std::string> data = read_file(path);
  if (!data) return fail(data.error());
  const Result<Table> table = read_data(*data);
  if (!table) return fail_in_file(table.error(), path, *data);
  const Result<Proof> proof = make_proof(*sheet, *table);
  if (!proof) return fail_in_file(proof.error(), path, *data);
  if (options.json) return proof_json(*proof);
  if (!options.bare) return proof_screen(*proof, look_of(stdout, options.ascii));
  if (!write_out(bare_text(*proof))) return bad_request;
  return proof->findings.empty() ? done : answer_is_no;
}

}  // namespace

Action add_proof(CLI::App& parent) {
  auto options = std::make_shared<Options>();
  CLI::App* command = parent.add_subcommand("proof", "A table previewed: a sheet over data");
  command->add_option("sheet", options->sheet, "The sheet, a TOML file; docs/sheets.md")
      ->required();
  command->add_option("data", options->data, "The data: a file, or - for standard input");
  command->add_flag("--bare", options->bare, "The table and nothing else");
  command->add_flag("--json", options->json, "The proof as one JSON object");
  command->add_flag("--ascii", options->ascii, "No characters beyond ASCII in the frame");
  command->footer(examples);
  return [options] { return run(*options); };
}

}  // namespace inky::cli
