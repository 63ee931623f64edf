// The pages of docs/guide, which are part of the tool, and the search in them.
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "screen.hpp"

namespace inky::cli {

struct GuidePage {
  std::string_view name;  // "decimals"
  std::string_view
      text;  // in Markdown: the question as its title, the words it is found by, the rest
};

// In the order in which people ask.
std::span<const GuidePage> guide_pages();

// What the code of an error or a note means, in Markdown; empty where there is no such code.
std::string text_of_code(std::string_view code);
// docs/codes.md.
std::string page_of_codes();

std::string_view title_of(const GuidePage& page);

// The pages that have words of the question, the best one first. A word counts more in a title than
// in a list of words, there more than in the text, and more where fewer pages have it. Pages that
// have much less of it than the best one are left out.
std::vector<const GuidePage*> find_pages(std::string_view question);

void put_page(Screen& screen, const GuidePage& page);
// Any text in Markdown: paragraphs, lists and blocks of code.
void put_markdown(Screen& screen, std::string_view text);

}  // namespace inky::cli
