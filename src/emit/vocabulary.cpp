#include "vocabulary.hpp"

#include <string>
#include <vector>

#include "dialect/program_form.hpp"
#include "dialect/table_form.hpp"
#include "names.hpp"
#include "scan/tokens.hpp"

namespace inky::inline v1 {

namespace {

// Every piece of source among the facts.
std::vector<std::string_view> pieces_of(const DialectFacts& facts) {
  const TableForm& table = *facts.forms.table;
  const ProgramForm& program = program_form_of(facts);
  std::vector<std::string_view> out = {table.carried,
                                       table.before,
                                       table.before_helpers,
                                       table.text_type,
                                       table.i32_type,
                                       table.i64_type,
                                       table.real_type,
                                       table.count_type,
                                       table.row_type,
                                       table.field,
                                       table.data,
                                       table.row_open,
                                       table.cell,
                                       table.cell_end,
                                       table.row_close,
                                       table.lone_row_close,
                                       table.column_open,
                                       table.column_close,
                                       table.text_column_open,
                                       table.text_column_close,
                                       table.line_break,
                                       table.cell_name,
                                       table.text_name,
                                       table.name_between,
                                       table.lone_name_end,
                                       table.main_open,
                                       table.main_close,
                                       table.write,
                                       table.statement_end,
                                       table.loop,
                                       table.part_function,
                                       table.part_call,
                                       table.before_statement,
                                       table.file_before,
                                       table.file_data,
                                       table.file_loop,
                                       table.read_text,
                                       table.read_whole,
                                       table.read_real,
                                       program.infinity,
                                       program.negative_infinity,
                                       program.not_a_number,
                                       program.truth,
                                       program.falsehood,
                                       program.least_i64};
  for (const PadForm* pad : {&table.pad_left, &table.pad_right, &table.pad_center})
    out.insert(out.end(), {pad->name, pad->call, pad->source});
  for (const TypeForm& type : program.types) out.insert(out.end(), {type.name, type.literal});
  return out;
}

}  // namespace

Vocabulary::Vocabulary(const Dialect& dialect) : language_(language_of_dialect(dialect)) {
  const DialectFacts& facts = dialect.facts();
  if (language_ == nullptr) return;
  begin_ = std::string(program_form_of(facts).before) + "\n";
  for (const std::string_view piece : pieces_of(facts)) add(piece);
  const Dialect* carrier = find_dialect(facts.forms.table->carrier);
  const Dialect& printing = carrier == nullptr ? dialect : *carrier;
  const std::string value = "value";
  add(printing.writer().write_statement("x", {&value, 1}));
  add(printing.writer().write_statement("x", {}));
  // Manipulators of a chain, which stand in the program as they are.
  if (facts.quotes.empty()) add_modifiers(facts);
}

void Vocabulary::add_modifiers(const DialectFacts& facts) {
  for (const ModifierFact& fact : facts.modifiers) add(fact.text);
}

void Vocabulary::add(std::string_view source) {
  std::string text = begin_ + std::string(source);
  for (std::size_t at = text.find('@'); at != std::string::npos; at = text.find('@', at)) {
    text[at] = ' ';
    if (at + 1 < text.size()) text[at + 1] = ' ';
  }
  // A piece may hold no more than the beginning of a text.
  for (const SourceToken& token : tokens_of(*language_, text).tokens) {
    if (token.kind == SourceToken::Kind::word) words_.insert(token.text);
  }
}

std::string with_name(std::string_view form, const std::string& name) {
  std::string out(form);
  if (const std::size_t at = out.find("@N"); at != std::string::npos) out.replace(at, 2, name);
  return out;
}

bool has_known_words_only(const Dialect& dialect, std::span<const std::string> columns,
                          std::string_view source) {
  const TableForm& form = *dialect.facts().forms.table;
  const SourceLanguage* language = language_of_dialect(dialect);
  if (language == nullptr) return false;
  const SourceTokens found = tokens_of(*language, source);
  if (!found.whole) return false;
  Vocabulary known(dialect);
  // Methods in a slot.
  known.add_modifiers(dialect.facts());
  std::vector<std::string> names(columns.begin(), columns.end());
  // What the marks of rows are called.
  names.push_back(joined("row", "mark", form.names));
  for (const std::string& name : names) {
    // In some languages a mark is a part of the word: $mass.
    for (const std::string& one : {name, joined(name, "columns", form.names)}) {
      known.add_word(one);
      known.add_word(with_name(form.cell_name, one));
    }
  }
  // Where a minus sign is a letter of words, a number may be one: -83.5d0.
  const auto is_number = [](const std::string& word) {
    return word.find_first_not_of("0123456789+-.eEdD/") == std::string::npos &&
           word.find_first_of("0123456789") != std::string::npos;
  };
  for (const SourceToken& token : found.tokens) {
    if (token.kind == SourceToken::Kind::word && !is_number(token.text) && !known.has(token.text))
      return false;
  }
  return true;
}

}  // namespace inky::inline v1
