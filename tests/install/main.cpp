#include <inky_margin/dialect/dialect.hpp>
#include <inky_margin/sheet/proof.hpp>

#include <cstdio>

int main() {
  const auto parsed = inky::find_dialect("c")->parse("%+.2f");
  const inky::Value values[] = {inky::Value::real(2.675)};
  inky::TextBuffer out;
  if (!inky::find_dialect("c")->render(*parsed, values, out).prints()) return 1;
  const bool refuses = !inky::read_sheet("gap = 3");
  std::printf("%s %d\n", out.string().c_str(), refuses ? 1 : 0);
  return out.view() == "+2.67" && refuses ? 0 : 1;
}
