#include "language_literals.hpp"

#include <algorithm>

#include "inky_margin/dialect/language.hpp"
#include "number/bases.hpp"

namespace inky::inline v1 {

std::vector<WrittenAlike> literals_of(uint128 magnitude) {
  std::vector<WrittenAlike> out;
  const auto written = [&](std::string_view prefix, int base) {
    return prefix.empty() ? std::string() : std::string(prefix) + in_base(magnitude, base).digits;
  };
  for (const SourceLanguage& language : all_languages()) {
    const BasePrefixes& prefixes = language.prefixes;
    WrittenAlike one{{language.id},
                     written(prefixes.binary, 2),
                     written(prefixes.octal, 8),
                     written(prefixes.hexadecimal, 16)};
    const auto alike = std::find_if(out.begin(), out.end(), [&](const WrittenAlike& known) {
      return known.binary == one.binary && known.octal == one.octal &&
             known.hexadecimal == one.hexadecimal;
    });
    if (alike == out.end())
      out.push_back(std::move(one));
    else
      alike->languages.push_back(language.id);
  }
  return out;
}

}  // namespace inky::inline v1
