#include "dialect/statement_counts.hpp"

#include "dialect/statement_walk.hpp"

namespace inky::inline v1 {

namespace {

// The parts of a source that are no literals and no comments, with blanks for all else.
std::string code_of(const LanguageFacts& language, std::string_view text) {
  std::string out(text.size(), ' ');
  Walk walk(language, text, 0);
  while (!walk.at_end()) {
    const std::size_t at = walk.at();
    walk.step();
    if (walk.at() == at + 1 && text[at] != '"' && text[at] != '\'') out[at] = text[at];
  }
  return out;
}

std::size_t count_words(std::string_view code, std::string_view word) {
  std::size_t out = 0;
  for (std::size_t at = code.find(word); at != std::string_view::npos;
       at = code.find(word, at + 1)) {
    const bool begins = at == 0 || !is_word_part(code[at - 1]);
    const std::size_t end = at + word.size();
    if (begins && (end == code.size() || !is_word_part(code[end]))) ++out;
  }
  return out;
}

}  // namespace

std::optional<Counts> counts_in(const LanguageFacts& language, std::string_view text) {
  const ExpressionForm& form = *language.expressions;
  const bool has_sign =
      text.find("++") != std::string_view::npos || text.find("--") != std::string_view::npos;
  if (!form.counts || !has_sign) return std::nullopt;
  const std::string code = code_of(language, text);
  // What follows these may not be evaluated.
  for (const std::string_view sign : {"&&", "||", "?"}) {
    if (code.find(sign) != std::string::npos) return std::nullopt;
  }
  const std::string_view prefix =
      form.grammar == nullptr ? std::string_view() : form.grammar->prefix_of_names;
  // Within literals of a language that fills them in, names count, too.
  const std::string_view searched = prefix.empty() ? std::string_view(code) : text;
  Counts out;
  out.text = text;
  for (std::size_t at = 0; at + 1 < code.size(); ++at) {
    const bool is_sign = (code[at] == '+' || code[at] == '-') && code[at + 1] == code[at];
    if (!is_sign) continue;
    const bool is_behind = at > 0 && is_word_part(code[at - 1]);
    std::size_t from = is_behind ? at : at + 2;
    std::size_t to = from;
    if (is_behind) {
      while (from > 0 && is_word_part(code[from - 1])) --from;
      const bool has_prefix = from > 0 && !prefix.empty() && code[from - 1] == prefix[0];
      if (prefix.empty() != !has_prefix) return std::nullopt;
      from -= has_prefix ? 1 : 0;
    } else {
      if (!prefix.empty() && code[to] == prefix[0]) ++to;
      while (to < code.size() && is_word_part(code[to])) ++to;
    }
    const std::string name = code.substr(from, to - from);
    if (name.size() <= prefix.size()) return std::nullopt;
    const std::string word = name.substr(prefix.size());
    const char before = from > 0 ? code[from - 1] : ' ';
    const char behind = to < code.size() ? code[to] : ' ';
    const bool is_name = !word.empty() && is_word_start(word[0]) && before != '.' &&
                         before != '>' && before != ':' && behind != '.' && behind != '[' &&
                         behind != '(' &&
                         !(is_behind && to + 2 < code.size() && code[to + 2] == code[at]);
    if (!is_name || count_words(searched, word) != 1) return std::nullopt;
    if (out.all.size() >= most_counts) return std::nullopt;
    const std::string sign = code.substr(at, 2);
    out.all.push_back({is_behind ? name + sign : sign + name, !is_behind});
    out.text.replace(at, 2, "  ");
    ++at;
  }
  if (out.all.empty()) return std::nullopt;
  return out;
}

std::optional<Counts> counts_beside(const LanguageFacts& language, std::string_view statement) {
  const auto declared = declaration_of(language, statement);
  if (declared && declared->steps) return std::nullopt;
  return counts_in(language, statement);
}

}  // namespace inky::inline v1
