// A table laid out by a sheet, and what is wrong with its data.

#include <cstdio>

#include "inky_margin/sheet/proof.hpp"

int main() {
  using namespace inky;

  const Result<Sheet> sheet = read_sheet(R"toml(
[[column]]
from = "pigment"
heading = "Pigment"

[[column]]
from = "mass"
heading = "Mass (g)"
kind = "real"
notation = "fixed"
places = 1
)toml");
  const Result<Table> table =
      read_csv("pigment,mass\nZinkwei\u00df,125.5\n\u6731\u8272,8\nOcker,much\n");
  if (!sheet || !table) return 1;
  const Result<Proof> proof = make_proof(*sheet, *table);
  if (!proof) return 1;

  for (const ProofLine& line : proof->lines) std::printf("%s\n", line.text.c_str());
  for (const Finding& finding : proof->findings) {
    std::printf("line %zu, %s: %s\n", finding.line, finding.column.c_str(),
                finding.message.c_str());
  }
  std::printf("C: %s\n", proof->template_line.c_str());
}
