#include "dialect/statement_chains.hpp"

#include <algorithm>

#include "dialect/lexis.hpp"
#include "dialect/statement_lines.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

namespace {

bool has_lasting_word(const ExpressionForm& form, std::string_view chain) {
  for (std::size_t at = 0; at < chain.size();) {
    std::size_t end = at;
    while (end < chain.size() && is_word_part(chain[end])) ++end;
    if (end > at && has_word(form.lasting_words, chain.substr(at, end - at))) return true;
    at = std::max(end, at + 1);
  }
  return false;
}

}  // namespace

std::string stream_of(std::string_view chain) {
  return std::string(chain.substr(0, chain.find_first_of(" <.\t\n")));
}

std::optional<Lasting> lasting_in(const ExpressionForm& form, std::string_view chain) {
  Lasting out;
  bool has_values = false;
  // A width that no value has used up yet.
  bool is_pending = false;
  for (std::size_t from = 0; from < chain.size();) {
    std::size_t end = from;
    int depth = 0;
    char quote = 0;
    for (; end < chain.size(); ++end) {
      const char c = chain[end];
      if (quote != 0) {
        if (c == '\\') ++end;
        if (c == quote) quote = 0;
        continue;
      }
      if (c == '"' || c == '\'') quote = c;
      depth += is_in(c, "([{") ? 1 : is_in(c, ")]}") ? -1 : 0;
      if (depth == 0 && (c == ';' || chain.substr(end).starts_with("<<"))) break;
    }
    std::string_view part = chain.substr(from, std::min(end, chain.size()) - from);
    from = end + (end < chain.size() && chain[end] == ';' ? 1 : 2);
    while (!part.empty() && is_in(part.front(), statement_blanks)) part.remove_prefix(1);
    while (!part.empty() && is_in(part.back(), statement_blanks)) part.remove_suffix(1);
    std::string_view word = part;
    if (word.starts_with("std::")) word.remove_prefix(5);
    word = word.substr(0, word.find_first_of(" (.<"));
    if (word == "cout" || word == "cerr" || word == "clog") {
      if (part.find('.') != std::string_view::npos) return std::nullopt;
      continue;
    }
    if (word == "endl" || word == "flush" || word == "ends") continue;
    if (word == "setw") {
      is_pending = true;
    } else if (has_word(form.lasting_words, word)) {
      out.settings.emplace_back(part);
      const std::size_t open = part.find('(');
      const std::string_view argument =
          open == std::string_view::npos ? std::string_view() : part.substr(open);
      out.have_names =
          out.have_names || (!argument.starts_with("('") &&
                             std::any_of(argument.begin(), argument.end(), is_word_start));
      out.come_first = out.come_first && !has_values;
    } else if (has_lasting_word(form, part) &&
               part.find_first_of("\"'") == std::string_view::npos) {
      return std::nullopt;
    } else {
      has_values = has_values || !part.empty();
      is_pending = is_pending && part.empty();
    }
  }
  if (is_pending) return std::nullopt;
  return out;
}

}  // namespace inky::inline v1
