// Any bytes as a source text of one language: it ends, places are in it, and what is found can be
// checked. The first byte chooses the language.

#include <cstdlib>

#include "inky_margin/check/holes.hpp"
#include "inky_margin/scan/scan.hpp"

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
  using namespace inky;
  if (size < 1) return 0;
  const auto languages = all_languages();
  const SourceLanguage& language = languages[data[0] % languages.size()];
  const std::string_view text(reinterpret_cast<const char*>(data) + 1, size - 1);
  scan(language, language.calls, text, [&](const FoundCall& call) {
    if (call.at.offset >= text.size()) std::abort();
    if (!call.source) return;
    for (std::size_t i = 0; i <= call.source->size(); ++i) {
      const Position place = call.place(i);
      if (place.offset > text.size()) std::abort();
      if (i < call.source->size() && call.stands_verbatim({i, i + 1}) &&
          text[place.offset] != (*call.source)[i])
        std::abort();
    }
    const Result<Checked> checked =
        call.holes != HoleRule::none
            ? Result<Checked>(check_holes(call.holes, *call.source, call.given))
            : check(*find_dialect(call.dialect), *call.source, call.given, {true, true, 40});
    if (!checked) return;
    for (const Fault& fault : checked->faults) {
      if (fault.span.from > fault.span.to || fault.span.to > call.source->size()) std::abort();
    }
  });
  return 0;
}
