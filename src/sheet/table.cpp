#include "inky_margin/sheet/table.hpp"

#include <algorithm>

#include "inky_margin/text/escape.hpp"
#include "inky_margin/text/utf8.hpp"
#include "table_building.hpp"

namespace inky {

namespace {

std::string count_of(std::size_t count, const char* what) {
  return std::to_string(count) + " " + what + (count == 1 ? "" : "s");
}

}  // namespace

std::optional<std::size_t> Table::column(std::string_view name) const {
  const auto found = std::find(names.begin(), names.end(), name);
  if (found == names.end()) return std::nullopt;
  return static_cast<std::size_t>(found - names.begin());
}

void TableBuilder::add(std::size_t line, Cells cells) {
  if (!has_names_) {
    for (auto& cell : cells) table_.names.push_back(cell.value_or(""));
    has_names_ = true;
    return;
  }
  const std::size_t wanted = table_.names.size();
  if (cells.size() < wanted) {
    table_.faults.push_back({line, "has " + count_of(cells.size(), "cell") + " for " +
                                       count_of(wanted, "column") + "; the rest are missing"});
  } else if (cells.size() > wanted) {
    table_.faults.push_back({line, "has " + count_of(cells.size(), "cell") + " for " +
                                       count_of(wanted, "column") +
                                       "; the extra ones are left out"});
  }
  cells.resize(wanted);
  table_.rows.push_back({line, std::move(cells)});
}

Result<Table> TableBuilder::finish() {
  if (!has_names_) {
    return Error{Code::bad_data,
                 "the data is empty",
                 {},
                 "Give it a heading line with the names of the columns."};
  }
  for (std::size_t i = 0; i < table_.names.size(); ++i) {
    const std::string& name = table_.names[i];
    if (!is_utf8(name)) {
      return Error{Code::not_utf8, "the heading line is not UTF-8", {}, "Save the data as UTF-8."};
    }
    if (std::find(table_.names.begin(), table_.names.begin() + static_cast<std::ptrdiff_t>(i),
                  name) != table_.names.begin() + static_cast<std::ptrdiff_t>(i)) {
      return Error{Code::bad_data,
                   "two columns of the data are named " + in_quotes(name),
                   {},
                   "Give each its own name."};
    }
  }
  return std::move(table_);
}

}  // namespace inky
