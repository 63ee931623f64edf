// What weigh shows a person.
#pragma once

#include <string>
#include <vector>

#include "contract/weigh_answer.hpp"
#include "number/number_line.hpp"
#include "screen.hpp"

namespace inky::cli {

void put_weighed(Screen& screen, const WeighRequest& request, const Weighed& weighed);

// The same text in several types, side by side: one request each, and what came of it.
void put_side_by_side(Screen& screen, const std::vector<WeighRequest>& requests,
                      const std::vector<Weighed>& all);

// A number line in characters, to scale.
void put_line(Screen& screen, std::string_view label, const NumberLine& line,
              std::optional<int> places);

}  // namespace inky::cli
