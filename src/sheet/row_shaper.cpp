#include "sheet/row_shaper.hpp"

#include <algorithm>

#include "distinct_names.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

std::string count_of(std::size_t count, const char* what) {
  return std::to_string(count) + " " + what + (count == 1 ? "" : "s");
}

}  // namespace

void RowShaper::take_names(std::size_t line,
                           std::span<const std::optional<std::string_view>> cells) {
  std::vector<std::string> names;
  DistinctNames distinct;
  for (const auto& cell : cells) {
    std::string name(cell.value_or(std::string_view()));
    if (!is_utf8(name)) {
      name = visible(name);
      rows_.fault({line, 0, "has a name that is not UTF-8; it is called " + in_quotes(name)});
    }
    const std::string first = name;
    name = distinct.take(first);
    if (name != first)
      rows_.fault({line, 0,
                   "names two columns " + in_quotes(first) + "; the later one is called " +
                       in_quotes(name)});
    names.push_back(std::move(name));
  }
  wanted_ = names.size();
  has_names_ = true;
  rows_.names(std::move(names));
}

bool RowShaper::row(std::size_t line, std::span<const std::optional<std::string_view>> cells) {
  if (!has_names_) {
    take_names(line, cells);
    return true;
  }
  if (cells.size() == wanted_) return rows_.row(line, cells);
  rows_.fault(
      {line, 0,
       "has " + count_of(cells.size(), "cell") + " for " + count_of(wanted_, "column") +
           (cells.size() < wanted_ ? "; the rest are missing" : "; the extra ones are left out")});
  filled_.assign(cells.begin(), cells.end());
  filled_.resize(wanted_);
  return rows_.row(line, filled_);
}

}  // namespace inky::inline v1
