#include "sheet/quick_sheet.hpp"

#include <algorithm>

#include "inky_margin/number/decimal.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

// Words between blanks; a double quote begins and ends what may have blanks in it.
std::vector<std::string> words_of(std::string_view text) {
  std::vector<std::string> out;
  bool is_word = false;
  bool is_quoted = false;
  for (const char c : text) {
    if (c == '"') {
      is_quoted = !is_quoted;
      if (!is_word) out.emplace_back();
      is_word = true;
    } else if (c == ' ' && !is_quoted) {
      is_word = false;
    } else {
      if (!is_word) out.emplace_back();
      is_word = true;
      out.back() += c;
    }
  }
  return out;
}

std::string toml_quoted(std::string_view text) {
  std::string out = "\"";
  for (const char c : text) {
    const auto unit = static_cast<unsigned char>(c);
    constexpr std::string_view digits = "0123456789ABCDEF";
    if (unit < 0x20 || unit == 0x7F) {
      out += "\\u00";
      out += digits[unit >> 4U];
      out += digits[unit & 15U];
      continue;
    }
    if (c == '"' || c == '\\') out += '\\';
    out += c;
  }
  return out + '"';
}

// Numbers and truth values stand bare, for the keys that have them; everything else is text.
std::string in_toml(std::string_view key, std::string_view value) {
  constexpr std::string_view keys[] = {"base",        "keep_colors", "keep_point", "least_digits",
                                       "least_width", "limit",       "mark_above", "mark_below",
                                       "most_width",  "places",      "prefix",     "significant",
                                       "tab",         "width"};
  const bool is_bare = std::find(std::begin(keys), std::end(keys), key) != std::end(keys) &&
                       (value == "true" || value == "false" || scan_decimal(value));
  return is_bare ? std::string(value) : toml_quoted(value);
}

// One line of TOML of key=value; nothing where it is none.
std::optional<std::string> line_of(std::string_view setting) {
  const std::size_t equals = setting.find('=');
  const std::string_view key = setting.substr(0, equals);
  const bool is_key = !key.empty() && std::all_of(key.begin(), key.end(), [](char c) {
    return ('a' <= c && c <= 'z') || c == '_';
  });
  if (equals == std::string_view::npos || !is_key) return std::nullopt;
  const std::string_view value = setting.substr(equals + 1);
  return std::string(key) + " = " + in_toml(key, value) + "\n";
}

Error no_setting(std::string_view text, const char* example) {
  return {Code::bad_value,
          in_quotes(text) + " is not a key with its value",
          {},
          "Write key=value, such as " + std::string(example) + "; docs/sheets.md lists the keys."};
}

}  // namespace

Result<Sheet> sheet_of(std::span<const std::string> columns) {
  std::string toml;
  for (const std::string& column : columns) {
    const std::vector<std::string> words = words_of(column);
    if (words.empty() || !is_utf8(column))
      return Error{Code::bad_value,
                   in_quotes(column) + " does not name a column",
                   {},
                   "Write its name, and keys with values: mass places=2."};
    toml += "[[column]]\nfrom = " + toml_quoted(words[0]) + "\n";
    for (std::size_t i = 1; i < words.size(); ++i) {
      const std::optional<std::string> line = line_of(words[i]);
      if (!line) return no_setting(words[i], "width=9");
      toml += *line;
    }
  }
  Result<Sheet> out = read_sheet(toml);
  // Its places are not in what was typed.
  if (!out) out.error().span = {};
  return out;
}

Sheet sheet_of(const Table& table) {
  Sheet out;
  for (std::size_t i = 0; i < table.names.size() && i < most_columns; ++i) {
    SheetColumn column;
    column.from = table.names[i];
    column.heading = visible(table.names[i]);
    bool has_numbers = false;
    const bool only_numbers =
        std::all_of(table.rows.begin(), table.rows.end(), [&](const TableRow& row) {
          const std::optional<std::string>& cell = row.cells[i];
          has_numbers = has_numbers || cell.has_value();
          return !cell || scan_decimal(*cell);
        });
    if (only_numbers && has_numbers) {
      column.wish.align = Align::right;
      column.on_point = true;
    }
    out.columns.push_back(std::move(column));
  }
  return out;
}

Result<Sheet> with_settings(Sheet sheet, std::span<const std::string> settings) {
  std::string toml;
  for (const std::string& setting : settings) {
    const std::optional<std::string> line = line_of(setting);
    if (!line || !is_utf8(setting)) return no_setting(setting, "overflow=cut");
    toml += *line;
  }
  Result<Sheet> out = read_sheet(toml + "[[column]]\nfrom = \"x\"\n");
  if (!out) {
    out.error().span = {};
    return out;
  }
  out->columns = std::move(sheet.columns);
  return out;
}

}  // namespace inky::inline v1
