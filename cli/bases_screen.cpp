#include "bases_screen.hpp"

#include <algorithm>
#include <string>
#include <vector>

#include "contract/language_literals.hpp"
#include "number/bases.hpp"

namespace inky::cli {

void put_bases(Screen& screen, std::optional<uint128> magnitude, bool negative, int asked) {
  if (!magnitude || *magnitude >> 64 != 0) return;
  std::vector<int> bases = {2, 8, 10, 16};
  if (std::find(bases.begin(), bases.end(), asked) == bases.end()) bases.push_back(asked);
  for (const int base : bases) {
    screen.label("base " + std::to_string(base));
    screen.paragraph((negative ? "-" : "") + in_groups(in_base(*magnitude, base)));
  }
  // Where a minus sign stands is a matter of each language.
  if (negative) return;
  const std::vector<WrittenAlike> all = literals_of(*magnitude);
  std::size_t widths[3] = {0, 0, 0};
  for (const WrittenAlike& one : all) {
    const std::string* const texts[] = {&one.binary, &one.octal, &one.hexadecimal};
    for (std::size_t i = 0; i < 3; ++i) widths[i] = std::max(widths[i], texts[i]->size() + 2);
  }
  for (const WrittenAlike& one : all) {
    std::string line;
    const std::string* const texts[] = {&one.binary, &one.octal, &one.hexadecimal};
    for (std::size_t i = 0; i < 3; ++i) {
      std::string text = texts[i]->empty() ? "-" : *texts[i];
      text.resize(std::max(text.size(), widths[i]), ' ');
      line += text;
    }
    const std::size_t start = line.size();
    for (const std::string_view id : one.languages)
      line += (line.size() > start ? ", " : "") + std::string(id);
    screen.label(&one == all.data() ? "literals" : "");
    screen.wrapped(line, label_width, label_width + start);
  }
}

}  // namespace inky::cli
