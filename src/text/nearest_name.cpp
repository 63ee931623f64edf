#include "text/nearest_name.hpp"

#include <algorithm>
#include <vector>

namespace inky::inline v1 {

namespace {

// The optimal string alignment distance.
std::size_t distance(std::string_view a, std::string_view b) {
  std::vector<std::vector<std::size_t>> table(a.size() + 1, std::vector<std::size_t>(b.size() + 1));
  for (std::size_t i = 0; i <= a.size(); ++i) table[i][0] = i;
  for (std::size_t j = 0; j <= b.size(); ++j) table[0][j] = j;
  for (std::size_t i = 1; i <= a.size(); ++i) {
    for (std::size_t j = 1; j <= b.size(); ++j) {
      const std::size_t change = a[i - 1] == b[j - 1] ? 0 : 1;
      table[i][j] =
          std::min({table[i - 1][j] + 1, table[i][j - 1] + 1, table[i - 1][j - 1] + change});
      if (i > 1 && j > 1 && a[i - 1] == b[j - 2] && a[i - 2] == b[j - 1]) {
        table[i][j] = std::min(table[i][j], table[i - 2][j - 2] + 1);
      }
    }
  }
  return table[a.size()][b.size()];
}

bool has_letters_of(std::string_view a, std::string_view b) {
  return a.size() == b.size() && std::is_permutation(a.begin(), a.end(), b.begin());
}

}  // namespace

std::string_view nearest_name(std::string_view typed, std::span<const std::string_view> names) {
  constexpr std::size_t longest = 64;
  if (typed.size() > longest) return {};
  std::string_view best;
  std::size_t least = typed.size() / 3 + 1;
  for (const std::string_view name : names) {
    const std::size_t far = distance(typed, name);
    // Of two that are as near, the one with the same letters: f46 is f64 rather than f16.
    const bool is_nearer =
        best.empty() || far < least ||
        (far == least && has_letters_of(typed, name) && !has_letters_of(typed, best));
    if (far <= least && is_nearer) {
      least = far;
      best = name;
    }
  }
  return best;
}

std::string choices_for(std::string_view typed, std::span<const std::string_view> names) {
  constexpr std::size_t few = 8;
  std::string out;
  if (const std::string_view near = nearest_name(typed, names); !near.empty()) {
    out = "Did you mean " + std::string(near) + "?";
    if (names.size() > few) return out;
    out += ' ';
  }
  out += "Choose one of: ";
  bool is_first = true;
  for (const std::string_view name : names) {
    if (!is_first) out += ", ";
    out += name;
    is_first = false;
  }
  return out + ".";
}

}  // namespace inky::inline v1
