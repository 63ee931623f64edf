#include "cultures.hpp"

#include <algorithm>
#include <array>

namespace inky::inline v1::csharp {

namespace {

// Asked of NumberFormatInfo, .NET 10.0 with ICU 72: the version of ICU decides.
constexpr auto cultures = std::to_array<Culture>({
    {"invariant", ".", ",", "-", "NaN", "Infinity", "\xc2\xa4", ".", ",", 2, 2, "$n", "($n)", "n %",
     "-n %", false},
    {"de-AT", ",", "\xc2\xa0", "-", "NaN", "\xe2\x88\x9e", "\xe2\x82\xac", ",", ".", 3, 2, "$ n",
     "-$ n", "n %", "-n %", false},
    {"de-CH", ".", "\xe2\x80\x99", "-", "NaN", "\xe2\x88\x9e", "CHF", ".", "\xe2\x80\x99", 3, 2,
     "$ n", "$-n", "n%", "-n%", false},
    {"de-DE", ",", ".", "-", "NaN", "\xe2\x88\x9e", "\xe2\x82\xac", ",", ".", 3, 2, "n $", "-n $",
     "n %", "-n %", false},
    {"en-AU", ".", ",", "-", "NaN", "\xe2\x88\x9e", "$", ".", ",", 3, 2, "$n", "-$n", "n%", "-n%",
     false},
    {"en-GB", ".", ",", "-", "NaN", "\xe2\x88\x9e", "\xc2\xa3", ".", ",", 3, 2, "$n", "-$n", "n%",
     "-n%", false},
    {"en-IN", ".", ",", "-", "NaN", "\xe2\x88\x9e", "\xe2\x82\xb9", ".", ",", 3, 2, "$n", "-$n",
     "n%", "-n%", true},
    {"en-US", ".", ",", "-", "NaN", "\xe2\x88\x9e", "$", ".", ",", 3, 2, "$n", "-$n", "n%", "-n%",
     false},
    {"es-ES", ",", ".", "-", "NaN", "\xe2\x88\x9e", "\xe2\x82\xac", ",", ".", 3, 2, "n $", "-n $",
     "n %", "-n %", false},
    {"fi-FI", ",", "\xc2\xa0", "\xe2\x88\x92", "ep\xc3\xa4luku", "\xe2\x88\x9e", "\xe2\x82\xac",
     ",", "\xc2\xa0", 3, 2, "n $", "-n $", "n %", "-n %", false},
    {"fr-CA", ",", "\xc2\xa0", "-", "NaN", "\xe2\x88\x9e", "$", ",", "\xc2\xa0", 3, 2, "n $",
     "-n $", "n %", "-n %", false},
    {"fr-CH", ",", "\xe2\x80\xaf", "-", "NaN", "\xe2\x88\x9e", "CHF", ".", "\xe2\x80\xaf", 3, 2,
     "n $", "-n $", "n%", "-n%", false},
    {"fr-FR", ",", "\xe2\x80\xaf", "-", "NaN", "\xe2\x88\x9e", "\xe2\x82\xac", ",", "\xe2\x80\xaf",
     3, 2, "n $", "-n $", "n %", "-n %", false},
    {"hi-IN", ".", ",", "-", "NaN", "\xe2\x88\x9e", "\xe2\x82\xb9", ".", ",", 3, 2, "$n", "-$n",
     "n%", "-n%", true},
    {"it-IT", ",", ".", "-", "NaN", "\xe2\x88\x9e", "\xe2\x82\xac", ",", ".", 3, 2, "n $", "-n $",
     "n%", "-n%", false},
    {"ja-JP", ".", ",", "-", "NaN", "\xe2\x88\x9e", "\xef\xbf\xa5", ".", ",", 3, 0, "$n", "-$n",
     "n%", "-n%", false},
    {"nb-NO", ",", "\xc2\xa0", "\xe2\x88\x92", "NaN", "\xe2\x88\x9e", "kr", ",", "\xc2\xa0", 3, 2,
     "$ n", "$ -n", "n %", "-n %", false},
    {"nl-NL", ",", ".", "-", "NaN", "\xe2\x88\x9e", "\xe2\x82\xac", ",", ".", 3, 2, "$ n", "$ -n",
     "n%", "-n%", false},
    {"pl-PL", ",", "\xc2\xa0", "-", "NaN", "\xe2\x88\x9e", "z\xc5\x82", ",", "\xc2\xa0", 3, 2,
     "n $", "-n $", "n%", "-n%", false},
    {"pt-BR", ",", ".", "-", "NaN", "\xe2\x88\x9e", "R$", ",", ".", 3, 2, "$ n", "-$ n", "n%",
     "-n%", false},
    {"ru-RU", ",", "\xc2\xa0", "-",
     "\xd0\xbd\xd0\xb5\xc2\xa0\xd1\x87\xd0\xb8\xd1\x81\xd0\xbb\xd0\xbe", "\xe2\x88\x9e",
     "\xe2\x82\xbd", ",", "\xc2\xa0", 3, 2, "n $", "-n $", "n %", "-n %", false},
    {"sv-SE", ",", "\xc2\xa0", "\xe2\x88\x92", "NaN", "\xe2\x88\x9e", "kr", ",", "\xc2\xa0", 3, 2,
     "n $", "-n $", "n %", "-n %", false},
    {"tr-TR", ",", ".", "-", "NaN", "\xe2\x88\x9e", "\xe2\x82\xba", ",", ".", 3, 2, "$n", "-$n",
     "%n", "-%n", false},
    {"uk-UA", ",", "\xc2\xa0", "-", "NaN", "\xe2\x88\x9e", "\xe2\x82\xb4", ",", "\xc2\xa0", 3, 2,
     "n $", "-n $", "n%", "-n%", false},
    {"zh-CN", ".", ",", "-", "NaN", "\xe2\x88\x9e", "\xc2\xa5", ".", ",", 3, 2, "$n", "-$n", "n%",
     "-n%", false},
});

constexpr auto tags = [] {
  std::array<std::string_view, cultures.size()> out{};
  std::transform(cultures.begin(), cultures.end(), out.begin(),
                 [](const Culture& culture) { return culture.tag; });
  return out;
}();

}  // namespace

std::span<const std::string_view> culture_tags() {
  return tags;
}

const Culture* culture_tagged(std::string_view tag) {
  if (tag.empty()) return cultures.data();
  const auto found = std::find_if(cultures.begin(), cultures.end(),
                                  [&](const Culture& culture) { return culture.tag == tag; });
  return found == cultures.end() ? nullptr : &*found;
}

}  // namespace inky::inline v1::csharp
