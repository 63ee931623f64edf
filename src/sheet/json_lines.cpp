#include <algorithm>
#include <nlohmann/json.hpp>
#include <unordered_map>

#include "inky_margin/sheet/table.hpp"
#include "table_building.hpp"

namespace inky::inline v1 {

namespace {

// A missing cell takes 40 bytes of memory, and none of the data.
constexpr std::size_t most_missing_cells = 1'000'000;

// Receives one flat object; keeps the digits of numbers as they were typed.
class FlatObject final : public nlohmann::json::json_sax_t {
 public:
  std::vector<std::pair<std::string, std::optional<std::string>>> members;
  bool is_flat = true;

  bool null() override { return put(std::nullopt); }
  bool boolean(bool value) override { return put(value ? "true" : "false"); }
  bool number_integer(number_integer_t value) override { return put(std::to_string(value)); }
  bool number_unsigned(number_unsigned_t value) override { return put(std::to_string(value)); }
  bool number_float(number_float_t, const string_t& typed) override { return put(typed); }
  bool string(string_t& value) override { return put(value); }
  bool binary(binary_t&) override { return false; }
  bool start_object(std::size_t) override { return enter(0); }
  bool key(string_t& name) override {
    members.emplace_back(name, std::nullopt);
    return true;
  }
  bool end_object() override { return true; }
  bool start_array(std::size_t) override { return enter(1); }
  bool end_array() override { return true; }
  bool parse_error(std::size_t, const std::string&, const nlohmann::json::exception&) override {
    return false;
  }

 private:
  // Only the object itself may open anything.
  bool enter(int least_depth) {
    is_flat = depth_++ == 0 && least_depth == 0;
    return is_flat;
  }
  bool put(std::optional<std::string> cell) {
    if (members.empty()) return false;
    members.back().second = std::move(cell);
    return true;
  }
  int depth_ = 0;
};

bool is_blank(std::string_view line) {
  return line.find_first_not_of(" \t\r\n") == std::string_view::npos;
}

}  // namespace

Result<Table> read_json_lines(std::string_view text) {
  Table table;
  std::unordered_map<std::string, std::size_t> columns;
  std::size_t given = 0;
  std::size_t number = 0;
  for (std::size_t at = 0; at < text.size();) {
    const std::size_t end = std::min(text.find('\n', at), text.size() - 1) + 1;
    const std::string_view line = text.substr(at, end - at);
    at = end;
    ++number;
    if (is_blank(line)) continue;
    FlatObject object;
    if (!nlohmann::json::sax_parse(line.begin(), line.end(), &object)) {
      table.faults.push_back(
          {number, 1,
           object.is_flat ? "is not a JSON object; it is left out"
                          : "holds a list or an object where a cell is expected; it is left out"});
      continue;
    }
    TableRow row{number, std::vector<std::optional<std::string>>(table.names.size())};
    for (auto& [name, cell] : object.members) {
      const auto [column, added] = columns.try_emplace(name, table.names.size());
      if (added) {
        table.names.push_back(name);
        row.cells.emplace_back();
      }
      row.cells[column->second] = std::move(cell);
    }
    given += object.members.size();
    table.rows.push_back(std::move(row));
    // Most rows of a table have most of its columns.
    if (table.rows.size() * table.names.size() > most_missing_cells + 8 * given)
      return Error{Code::over_limit,
                   "the " + std::to_string(table.names.size()) + " keys up to line " +
                       std::to_string(number) + " leave nearly all cells missing",
                   {},
                   "Give the objects the same keys; up to " + std::to_string(most_missing_cells) +
                       " cells may be missing."};
  }
  if (table.rows.empty() && table.faults.empty())
    return Error{Code::bad_data, "the data is empty", {}, "Give it one JSON object a line."};
  for (TableRow& row : table.rows) row.cells.resize(table.names.size());
  return table;
}

}  // namespace inky::inline v1
