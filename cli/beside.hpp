// One template, or one value without any, in several languages at once: what prints the same stands
// together, and what differs is marked, with the reason.
#pragma once

#include <vector>

#include "contract/show_answer.hpp"
#include "screen.hpp"

namespace inky::cli {

// Each returns the exit status: the answer is no where a language prints something else.
int show_beside(const ShowRequest& request, const Template& parsed,
                const std::vector<const Dialect*>& others, const Look& look, bool json);
int show_plain_beside(const Dialect& dialect, const Value& value,
                      const std::vector<const Dialect*>& others, const Look& look, bool json);

}  // namespace inky::cli
