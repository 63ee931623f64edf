// Any bytes as a template of one dialect, put into a program: the scanner finds the call in it, and
// the template that it reads there prints the same. The first byte chooses the dialect.

#include <algorithm>
#include <cstdlib>

#include "inky_margin/scan/scan.hpp"
#include "inky_margin/write/program.hpp"
#include "scan/tokens.hpp"

namespace {

using namespace inky;

// What a template prints, or by which name it fails.
std::string answer_of(const Dialect& dialect, const Template& parsed,
                      std::span<const Value> values) {
  TextBuffer out;
  const Outcome outcome = dialect.render(parsed, values, out);
  return outcome.prints() ? "prints " + out.string() : "fails";
}

}  // namespace

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size) {
  if (size < 1) return 0;
  const auto dialects = all_dialects();
  const Dialect& dialect = *dialects[data[0] % dialects.size()];
  const std::string_view source(reinterpret_cast<const char*>(data) + 1, size - 1);
  // A NUL itself is in no source file.
  if (source.find('\0') != std::string_view::npos) return 0;
  const Result<Template> parsed = dialect.parse(source);
  if (!parsed) return 0;
  const Value values[] = {Value::whole(Type::i32, -7), Value::real(2.675), Value::text("ink\"\\")};
  const Result<std::string> program = write_program(dialect, *parsed, values);
  if (!program) return 0;
  const SourceLanguage& language = *language_of_dialect(dialect);
  scan(language, language.calls, *program, [&](const FoundCall& call) {
    // A slot of a text is found too, as a call of its own.
    const auto form = std::find_if(language.calls.begin(), language.calls.end(),
                                   [&](const CallForm& one) { return one.name == call.name; });
    if (call.dialect != dialect.facts().id || !call.source || form == language.calls.end()) return;
    // Of a chain the operands that a reader of one file cannot know are other ones.
    if (form->shape == CallShape::insertions && call.marks.size() > 1) return;
    const Result<Template> again = dialect.parse(*call.source);
    if (!again || answer_of(dialect, *again, values) != answer_of(dialect, *parsed, values))
      std::abort();
  });
  return 0;
}
