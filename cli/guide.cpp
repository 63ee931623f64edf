#include "guide.hpp"

#include <algorithm>
#include <cmath>

#include "inky_margin/format/note.hpp"
#include "text/ascii.hpp"
#include "text/lower_case.hpp"

namespace inky::cli {

namespace {

// Codes below are of errors.
constexpr int first_code_of_notes = 200;

constexpr std::string_view words_begin = "<!-- words: ";
constexpr std::string_view words_end = " -->";

// Words that every question has.
constexpr std::string_view common[] = {
    "a",    "an",   "and",  "are",   "as",  "at",  "be",   "by",    "can",   "do",
    "does", "for",  "from", "how",   "i",   "in",  "into", "is",    "it",    "my",
    "not",  "of",   "on",   "one",   "or",  "so",  "that", "the",   "there", "this",
    "to",   "what", "when", "which", "who", "why", "with", "print", "show",  "number"};

std::vector<std::string> words_of(std::string_view text) {
  std::vector<std::string> out;
  std::string word;
  for (const char c : lower_case(text) + ' ') {
    const bool is_part = is_letter(c) || is_digit(c) || (c == '.' && !word.empty());
    if (is_part) {
      word += c;
      continue;
    }
    while (!word.empty() && word.back() == '.') word.pop_back();
    if (!word.empty() && std::find(std::begin(common), std::end(common), word) == std::end(common))
      out.push_back(word);
    word.clear();
  }
  return out;
}

// "align" and "aligned", "decimal" and "decimals".
bool is_near(std::string_view a, std::string_view b) {
  constexpr std::size_t least_stem = 4;
  constexpr std::size_t longest_ending = 4;
  if (a.size() > b.size()) std::swap(a, b);
  return a == b || (a.size() >= least_stem && b.size() - a.size() <= longest_ending &&
                    b.substr(0, a.size()) == a);
}

std::size_t count(const std::vector<std::string>& words, std::string_view word) {
  return static_cast<std::size_t>(std::count_if(
      words.begin(), words.end(), [&](const std::string& one) { return is_near(one, word); }));
}

struct PageWords {
  const GuidePage* page;
  std::vector<std::string> title;
  std::vector<std::string> listed;
  std::vector<std::string> text;

  double weight(std::string_view word) const {
    constexpr double in_title = 4;
    constexpr double in_list = 3;
    constexpr std::size_t most_in_text = 3;
    return in_title * static_cast<double>(std::min<std::size_t>(count(title, word), 1)) +
           in_list * static_cast<double>(std::min<std::size_t>(count(listed, word), 1)) +
           static_cast<double>(std::min(count(text, word), most_in_text)) / most_in_text;
  }
};

PageWords read_words(const GuidePage& page) {
  const std::size_t begin = page.text.find(words_begin) + words_begin.size();
  const std::size_t end = page.text.find(words_end, begin);
  return {&page, words_of(title_of(page)), words_of(page.text.substr(begin, end - begin)),
          words_of(page.text.substr(end))};
}

// Text of Markdown without its marks: links are their words, code is itself.
std::string plain(std::string_view text) {
  std::string out;
  for (std::size_t at = 0; at < text.size(); ++at) {
    if (text[at] == '`' || text.substr(at, 2) == "**") {
      at += text[at] == '`' ? 0 : 1;
      continue;
    }
    if (text[at] == '[') {
      const std::size_t end = text.find("](", at);
      const std::size_t close = end == std::string_view::npos ? end : text.find(')', end);
      if (close != std::string_view::npos) {
        out += text.substr(at + 1, end - at - 1);
        at = close;
        continue;
      }
    }
    out += text[at];
  }
  return out;
}

// "Next: [width](width.md)" as the command that prints that page.
std::string commands_for_links(std::string_view line) {
  std::string out;
  for (std::size_t at = line.find("]("); at != std::string_view::npos;
       at = line.find("](", at + 1)) {
    const std::string_view target = line.substr(at + 2, line.find(')', at) - at - 2);
    if (target.find('/') != std::string_view::npos) continue;
    out += (out.empty() ? "" : ", ") + std::string("inky help ") +
           std::string(target.substr(0, target.find(".md")));
  }
  return out;
}

}  // namespace

std::string_view title_of(const GuidePage& page) {
  return page.text.substr(2, page.text.find('\n') - 2);
}

std::string text_of_code(std::string_view code) {
  for (const CodeFact& fact : all_codes()) {
    if (fact.name == code)
      return std::string(fact.sentence) + "\n\n" + std::string(fact.advice) + "\n";
  }
  return {};
}

std::string page_of_codes() {
  std::string out =
      "# Codes\n\n"
      "Every error and every note has a code that never changes its name. An error answers a bad "
      "request;\n"
      "a note comes with a good answer. What a *language* rejects or leaves undefined is neither: "
      "it is\n"
      "the outcome. `inky help CODE` prints what is here.\n\n"
      "## Errors\n";
  bool in_notes = false;
  for (const CodeFact& fact : all_codes()) {
    if (!in_notes && static_cast<int>(fact.code) >= first_code_of_notes) {
      in_notes = true;
      out += "\n## Notes\n";
    }
    const std::string name(fact.name);
    out += "\n### `" + name + "`\n\n" + text_of_code(name);
  }
  return out;
}

std::vector<const GuidePage*> find_pages(std::string_view question) {
  std::vector<PageWords> pages;
  for (const GuidePage& page : guide_pages()) {
    if (page.name == question) return {&page};
    pages.push_back(read_words(page));
  }
  std::vector<std::pair<double, const GuidePage*>> found;
  found.reserve(pages.size());
  for (const PageWords& page : pages) found.emplace_back(0, page.page);
  for (const std::string& word : words_of(question)) {
    std::vector<double> weights;
    weights.reserve(pages.size());
    for (const PageWords& page : pages) weights.push_back(page.weight(word));
    const auto having =
        std::count_if(weights.begin(), weights.end(), [](double w) { return w > 0; });
    if (having == 0) continue;
    const double rarity =
        std::log(1 + static_cast<double>(pages.size()) / static_cast<double>(having));
    for (std::size_t i = 0; i < pages.size(); ++i) found[i].first += rarity * weights[i];
  }
  std::erase_if(found, [](const auto& one) { return one.first == 0; });
  std::stable_sort(found.begin(), found.end(),
                   [](const auto& a, const auto& b) { return a.first > b.first; });
  constexpr double least_share = 0.4;  // of what the best page has
  std::vector<const GuidePage*> out;
  for (const auto& [weight, page] : found) {
    if (weight >= least_share * found[0].first) out.push_back(page);
  }
  return out;
}

void put_page(Screen& screen, const GuidePage& page) {
  put_markdown(screen, page.text);
}

void put_markdown(Screen& screen, std::string_view text) {
  bool in_code = false;
  std::string paragraph;
  const auto end_paragraph = [&] {
    const bool is_next = paragraph.substr(0, 6) == "Next: ";
    if (!paragraph.empty())
      screen.wrapped(is_next ? "Next: " + commands_for_links(paragraph) : plain(paragraph), 0, 0);
    paragraph.clear();
  };
  std::string_view rest = text;
  bool is_blank = false;
  while (!rest.empty()) {
    const std::string_view text_line = rest.substr(0, rest.find('\n'));
    rest.remove_prefix(std::min(text_line.size() + 1, rest.size()));
    if (text_line.substr(0, 3) == "```") {
      end_paragraph();
      in_code = !in_code;
    } else if (in_code) {
      if (text_line.substr(0, 2) == "$ ")
        screen.tinted(Tint::strong, text_line);
      else
        screen.put(text_line);
      screen.line();
    } else if (text_line.substr(0, 2) == "# ") {
      screen.tinted(Tint::strong, text_line.substr(2));
      screen.line();
    } else if (text_line.empty()) {
      end_paragraph();
      if (!is_blank) screen.line();
    } else if (text_line.substr(0, 4) == "<!--" || text_line.substr(0, 2) == "![") {
      is_blank = true;
      continue;
    } else {
      paragraph += (paragraph.empty() ? "" : " ") + std::string(text_line);
    }
    is_blank = text_line.empty();
  }
  end_paragraph();
}

}  // namespace inky::cli
