// Prints a dictionary for libFuzzer, made from the facts of all dialects: letters, flags, lengths,
// escapes, types of values.

#include <cstdio>
#include <set>
#include <string>

#include "inky_margin/dialect/dialect.hpp"
#include "inky_margin/dialect/language.hpp"

namespace {

void print(const std::string& word) {
  if (word.empty()) return;
  std::string out = "\"";
  constexpr const char* digits = "0123456789ABCDEF";
  for (const char c : word) {
    const auto byte = static_cast<unsigned char>(c);
    const bool plain = byte > 0x20 && byte < 0x7F && c != '"' && c != '\\';
    if (plain) out += c;
    if (!plain) (out += "\\x") += {digits[byte >> 4U], digits[byte & 15U]};
  }
  std::puts((out + "\"").c_str());
}

}  // namespace

int main() {
  using namespace inky;
  std::set<std::string> words;
  for (const Dialect* dialect : all_dialects()) {
    const DialectFacts& facts = dialect->facts();
    for (const ConversionFact& fact : facts.conversions) {
      std::string form(facts.letter_form);
      if (const std::size_t at = form.find('@'); at != std::string::npos) form[at] = fact.letter;
      words.insert(form);
    }
    for (const FlagFact& fact : facts.flags) words.insert(std::string(1, fact.flag));
    for (const ModifierFact& fact : facts.modifiers) words.emplace(fact.text);
    for (const EscapeFact& fact : facts.escapes) words.emplace(fact.written);
    words.emplace(facts.places_form);
    words.insert("{\"dialect\":\"" + std::string(facts.id) + "\",\"template\":\"");
  }
  for (const SourceLanguage& language : all_languages()) {
    for (const CallForm& call : language.calls) words.insert(call.name + "(\"");
  }
  for (const TypeFact& fact : all_types()) words.insert("{\"" + std::string(fact.name) + "\":\"");
  for (const std::string& word : words) print(word);
  return 0;
}
