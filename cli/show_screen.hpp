// What show prints for a person to read.
#pragma once

#include <string_view>

#include "contract/show_answer.hpp"
#include "screen.hpp"

namespace inky::cli {

// A template in words, and the values that it takes.
void put_words(Screen& screen, const ShowRequest& request, const Template& parsed);

// What it prints, over a ruler, with its fields and its notes; or why it prints nothing.
void put_shown(Screen& screen, const ShowRequest& request, const Template& parsed,
               const Outcome& outcome, std::string_view text, const Report& report);

// The same of one value that is printed without a format.
void put_plain(Screen& screen, const Dialect& dialect, const Outcome& outcome,
               std::string_view text);

}  // namespace inky::cli
