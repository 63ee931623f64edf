#pragma once

#include <cstddef>
#include <cstdint>
#include <vector>

namespace bench {

// Each registers its benchmarks; false when contenders disagree.
bool register_render_scenarios();
bool register_digit_scenarios();
bool register_number_line_scenarios();

// The data: seeded, the same in every run.
inline constexpr std::size_t data_size = 1024;
// Amounts as people have them: two to four decimals, up to 100 000.
std::vector<double> amounts();
// Reals of every size: random bits, finite.
std::vector<double> any_reals();
// Reals of 17 digits between 1e-9 and 1e9, as measurements have them.
std::vector<double> ordinary_reals();
// Wholes as often short as long.
std::vector<int> wholes();

}  // namespace bench
