// Any bytes as a sheet, and as data for a sheet that reads: a proof or an error, never a crash.

#include "inky_margin/sheet/proof.hpp"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
  using namespace inky;
  const std::string_view text(reinterpret_cast<const char*>(data), size);
  const Result<Sheet> sheet = read_sheet(text);
  const Result<Table> table = read_csv("code,mass\nK-07,2.675\nK-08,\n");
  if (sheet && table) (void)make_proof(*sheet, *table);
  (void)read_csv(text);
  (void)read_json_lines(text);
  return 0;
}
