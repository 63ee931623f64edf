#include "proof_answer.hpp"

#include <array>

#include "answers.hpp"
#include "inky_margin/sheet/printer.hpp"
#include "request.hpp"
#include "sheet/quick_sheet.hpp"
#include "text/escape.hpp"
#include "text/nearest_name.hpp"

namespace inky::inline v1 {

namespace {

std::string_view kind_name(LineKind kind) {
  constexpr std::string_view names[] = {"group-heading", "heading",  "rule", "row",
                                        "continued",     "subtotal", "total"};
  return names[static_cast<std::size_t>(kind)];
}

void write_lines(const Proof& proof, JsonWriter& out) {
  std::string heading;
  std::string rule;
  for (const ProofLine& line : proof.lines) {
    if (line.kind == LineKind::heading) heading += (heading.empty() ? "" : "\n") + line.text;
    if (line.kind == LineKind::rule && rule.empty()) rule = line.text;
  }
  out.member("heading", heading);
  out.member("rule", rule);
  out.open_list("rows");
  for (const ProofLine& line : proof.lines) {
    if (line.kind != LineKind::row) continue;
    out.open_object();
    out.member_number("line", line.line);
    out.member("text", line.text);
    out.close_object();
  }
  out.close_list();
  out.open_list("lines");
  for (const ProofLine& line : proof.lines) {
    out.open_object();
    out.member("kind", kind_name(line.kind));
    out.member("text", line.text);
    if (line.line != 0) out.member_number("line", line.line);
    out.close_object();
  }
  out.close_list();
}

constexpr std::array<std::string_view, 5> proof_keys = {"sheet", "data", "columns", "set", "style"};
constexpr std::string_view proof_form =
    R"({"data": "code,mass\nK-07,2.5\n", "columns": ["code", "mass places=2"]}.)";

struct ProofRequest {
  Sheet sheet;
  Table table;
  std::optional<Style> style;
};

Result<Sheet> sheet_of_request(const std::string& toml, const std::vector<std::string>& columns,
                               const std::vector<std::string>& settings, const Table& table) {
  if (!toml.empty()) {
    if (!columns.empty() || !settings.empty())
      return Error{Code::contradiction,
                   "a sheet is given, and its columns or keys too",
                   {},
                   "Write them into the sheet, or leave it out."};
    return read_sheet(toml);
  }
  Result<Sheet> sheet = columns.empty() ? sheet_of_all(table) : sheet_of(columns);
  return sheet ? with_settings(std::move(*sheet), settings) : std::move(sheet);
}

Result<ProofRequest> read_proof_request(std::string_view line) {
  std::string toml;
  std::string data;
  std::string style;
  std::vector<std::string> columns;
  std::vector<std::string> settings;
  RequestReader in(line, proof_keys, proof_form);
  in.needs({"data"});
  in.text("sheet", toml);
  in.text("data", data);
  in.text("style", style);
  in.texts("columns", columns);
  in.texts("set", settings);
  if (in.fault()) return *in.fault();
  ProofRequest out;
  if (!style.empty()) {
    const Result<Style> given = style_given(style);
    if (!given) return given.error();
    out.style = *given;
  }
  Result<Table> table = read_data(data);
  if (!table) return table.error();
  out.table = std::move(*table);
  Result<Sheet> sheet = sheet_of_request(toml, columns, settings, out.table);
  if (!sheet) return sheet.error();
  out.sheet = std::move(*sheet);
  return out;
}

}  // namespace

Result<Table> read_data(std::string_view text) {
  const std::size_t first = text.find_first_not_of(" \t\r\n");
  if (first != std::string_view::npos && text[first] == '{') return read_json_lines(text);
  return read_csv(text);
}

Result<Sheet> sheet_of_all(const Table& table) {
  if (table.names.size() <= most_columns) return sheet_of(table);
  return Error{Code::over_limit,
               "the data has " + std::to_string(table.names.size()) +
                   " columns, and a table may have " + std::to_string(most_columns),
               {},
               "Name the columns: --column mass --column lot, or \"columns\" in a request."};
}

Result<Style> style_given(const std::string& name) {
  if (const auto style = style_named(name)) return *style;
  return Error{
      Code::bad_option, in_quotes(name) + " is not a style", {}, choices_for(name, style_names())};
}

void write_proof(const Proof& proof, JsonWriter& out, std::optional<Style> style) {
  out.open_object();
  if (style) out.member("text", styled(proof, *style));
  write_lines(proof, out);
  out.open_list("columns");
  for (const ProofColumn& column : proof.columns) {
    out.open_object();
    out.member("heading", column.heading);
    out.member_number("start", column.start);
    out.member_number("width", column.width);
    out.member_number("byte_shift", column.byte_shift);
    out.member_number("shifted_rows", column.shifted_rows);
    out.close_object();
  }
  out.close_list();
  out.open_list("findings");
  for (const Finding& finding : proof.findings) {
    out.open_object();
    out.member("kind", name_of(finding.kind));
    out.member_number("line", finding.line);
    out.member("column", finding.column);
    out.member("message", finding.message);
    out.close_object();
  }
  out.close_list();
  out.open_object("templates");
  out.member("c", proof.template_line);
  out.close_object();
  write_notes(proof.template_notes, out);
  out.close_object();
}

std::string answer_proof_line(std::string_view line) {
  Result<ProofRequest> request = read_proof_request(line);
  if (!request) return error_line(request.error());
  const bool machines = request->style && is_for_machines(*request->style);
  const Result<Proof> proof =
      make_proof(machines ? for_machines(request->sheet) : request->sheet, request->table);
  if (!proof) return error_line(proof.error());
  JsonWriter out;
  write_proof(*proof, out, request->style);
  return out.string();
}

}  // namespace inky::inline v1
