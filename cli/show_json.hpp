// What `inky show --json` states of a template: more than docs/contract.md promises for a line.
#pragma once

#include <string_view>

#include "contract/show_answer.hpp"
#include "witness.hpp"

namespace inky::cli {

struct Rendered {
  const Outcome& outcome;
  std::string_view text;
  const Report& report;
  const Witnessed* witnessed;  // null: nobody asked
};

void write_rendered(const ShowRequest& request, const Template& parsed, const Rendered& rendered,
                    JsonWriter& out);
// Without values.
void write_words(const ShowRequest& request, const Template& parsed, JsonWriter& out);

}  // namespace inky::cli
