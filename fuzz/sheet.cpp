// Any bytes as a sheet, and as data for a sheet: a table, printed at once and row by row alike, and
// a program of it; never a crash.

#include <cstdlib>

#include "inky_margin/emit/table_program.hpp"
#include "inky_margin/sheet/proof.hpp"
#include "inky_margin/sheet/style.hpp"
#include "sheet/csv_reader.hpp"
#include "sheet/quick_sheet.hpp"
#include "sheet/sheet_stream.hpp"

namespace {

using namespace inky;

struct Lines final : ProofSink {
  void take(const PlacedLine& line) override { (text += line.text) += '\n'; }
  void take(Finding) override {}
  std::string text;
};

// In two pieces.
std::string streamed(const Sheet& sheet, std::string_view data, std::size_t cut) {
  Lines lines;
  SheetStream stream(sheet, lines);
  const auto pass = [&] {
    RowShaper shaper(stream);
    CsvReader reader;
    if (!reader.feed(data.substr(0, cut), shaper) || !reader.feed(data.substr(cut), shaper)) return;
    (void)reader.finish(shaper);
  };
  if (stream.needs_fitting()) {
    pass();
    stream.end_fitting();
  }
  pass();
  return stream.finish() ? std::string() : lines.text;
}

void print(const Sheet& sheet, std::string_view data, std::size_t choice) {
  const Result<Table> table = read_csv(data);
  if (!table || table->rows.size() * sheet.columns.size() > 2000) return;
  const Result<Proof> proof = make_proof(sheet, *table);
  if (!proof) return;
  if (styled(*proof, Style::plain) != streamed(sheet, data, choice % (data.size() + 1)))
    std::abort();
  const auto dialects = all_dialects();
  (void)write_table_program(*dialects[choice % dialects.size()], sheet, *table, {});
}

}  // namespace

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
  const std::string_view text(reinterpret_cast<const char*>(data), size);
  const std::size_t choice = size == 0 ? 0 : size * 31 + data[size / 2];
  const Result<Sheet> sheet = read_sheet(text);
  if (sheet) print(*sheet, "code,mass,\"x\"\nK-07,2.675,\"a \"\"b\"\"\"\nK-08,,墨\n", choice);
  if (const Result<Table> table = read_csv(text)) print(sheet_of(*table), text, choice);
  (void)read_json_lines(text);
  return 0;
}
