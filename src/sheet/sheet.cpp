#include "inky_margin/sheet/sheet.hpp"

#include <toml++/toml.h>

#include <algorithm>
#include <array>

#include "inky_margin/text/columns.hpp"
#include "inky_margin/text/escape.hpp"
#include "inky_margin/text/nearest_name.hpp"
#include "inky_margin/text/utf8.hpp"

namespace inky {

namespace {

constexpr std::array<std::string_view, 5> sheet_keys = {"data", "rule", "gap", "missing", "column"};
constexpr std::array<std::string_view, 5> own_column_keys = {"from", "heading", "heading_align",
                                                             "spec", "dialect"};

// Turns line and column of the TOML parser into bytes of the text.
class Positions {
 public:
  explicit Positions(std::string_view text) : text_(text) {}

  // toml++ counts columns in code points.
  std::size_t offset(const toml::source_position& position) const {
    std::size_t at = 0;
    for (toml::source_index line = 1; line < position.line; ++line) {
      at = std::min(text_.find('\n', at), text_.size() - 1) + 1;
    }
    for (toml::source_index column = 1; column < position.column && at < text_.size(); ++column) {
      at += static_cast<std::size_t>(
          first_code_point(text_.substr(at)).value_or(CodePoint{0, 1}).bytes);
    }
    return std::min(at, text_.size());
  }
  Span span(const toml::source_region& region) const {
    const std::size_t from = offset(region.begin);
    return {from, std::max(offset(region.end), from)};
  }

 private:
  std::string_view text_;
};

std::vector<std::string_view> column_keys() {
  std::vector<std::string_view> keys(own_column_keys.begin(), own_column_keys.end());
  keys.insert(keys.end(), wish_keys().begin(), wish_keys().end());
  return keys;
}

// Text of a TOML value that a wish can be set from; nothing for tables, lists and dates.
std::optional<std::string> as_wish_text(const toml::node& node) {
  if (const auto text = node.value_exact<std::string>()) return *text;
  if (const auto whole = node.value_exact<std::int64_t>()) return std::to_string(*whole);
  if (const auto truth = node.value_exact<bool>()) return *truth ? "true" : "false";
  return std::nullopt;
}

class SheetReader {
 public:
  explicit SheetReader(std::string_view text) : positions_(text) {}

  Result<Sheet> read(const toml::table& table) {
    for (const auto& [key, node] : table) {
      if (auto error = read_key(key, node)) return std::move(*error);
    }
    if (sheet_.columns.empty()) {
      return Error{
          Code::missing_key, "the sheet has no column", {}, "Add a [[column]] with a key from."};
    }
    return std::move(sheet_);
  }

 private:
  Error at(const toml::node& node, Code code, std::string message, std::string remedy) const {
    return {code, std::move(message), positions_.span(node.source()), std::move(remedy)};
  }

  Error unknown_key(const toml::key& key, std::span<const std::string_view> known,
                    const char* where) const {
    const std::string_view near = nearest_name(key.str(), known);
    std::string remedy =
        near.empty() ? "docs/sheets.md lists the keys." : "Did you mean " + std::string(near) + "?";
    return {Code::unknown_key, in_quotes(key.str()) + " is not a key of a " + where,
            positions_.span(key.source()), std::move(remedy)};
  }

  std::optional<Error> read_text(const toml::key& key, const toml::node& node,
                                 std::string& out) const {
    if (const auto text = node.value_exact<std::string>()) {
      out = *text;
      return std::nullopt;
    }
    return at(node, Code::wrong_kind, in_quotes(key.str()) + " must be a text",
              "Put it in quotes.");
  }

  // Text that becomes part of a line must stay on it.
  std::optional<Error> read_line_text(const toml::key& key, const toml::node& node,
                                      std::string& out) const {
    if (auto error = read_text(key, node, out)) return error;
    const bool control = std::any_of(out.begin(), out.end(), [](char c) {
      return static_cast<unsigned char>(c) < 0x20 || c == 0x7F;
    });
    if (control)
      return at(node, Code::bad_value, in_quotes(key.str()) + " holds a control character",
                "Use characters that stay on the line.");
    return std::nullopt;
  }

  std::optional<Error> read_key(const toml::key& key, const toml::node& node) {
    if (key == "data") return read_text(key, node, sheet_.data);
    if (key == "gap") return read_line_text(key, node, sheet_.gap);
    if (key == "missing") return read_line_text(key, node, sheet_.missing);
    if (key == "rule") {
      if (auto error = read_line_text(key, node, sheet_.rule)) return error;
      if (sheet_.rule.empty() || measure(sheet_.rule, WidthUnit::columns) == 1) return std::nullopt;
      return at(node, Code::bad_value, "the rule is repeated, so it must be one character",
                "Choose one character one column wide, or \"\" for no rule.");
    }
    if (key != "column") return unknown_key(key, sheet_keys, "sheet");
    const toml::array* columns = node.as_array();
    if (columns == nullptr)
      return at(node, Code::wrong_kind, "columns are written [[column]]", "Double the brackets.");
    if (columns->size() > most_columns)
      return at(node, Code::over_limit, "more than " + std::to_string(most_columns) + " columns",
                "Split the sheet.");
    for (const toml::node& column : *columns) {
      const toml::table* table = column.as_table();
      if (table == nullptr)
        return at(column, Code::wrong_kind, "a column is a table of keys",
                  "Write it as [[column]].");
      if (auto error = read_column(*table)) return error;
    }
    return std::nullopt;
  }

  std::optional<Error> read_column(const toml::table& table) {
    SheetColumn column;
    std::string dialect = "c";
    bool has_wish = false;
    for (const auto& [key, node] : table) {
      std::optional<Error> error;
      if (key == "from")
        error = read_text(key, node, column.from);
      else if (key == "heading")
        error = read_line_text(key, node, column.heading);
      else if (key == "spec")
        error = read_text(key, node, column.spec);
      else if (key == "dialect")
        error = read_text(key, node, dialect);
      else if (key == "heading_align")
        error = read_heading_align(key, node, column);
      else {
        error = read_wish(key, node, column.wish);
        has_wish = true;
      }
      if (error) return error;
    }
    if (column.from.empty())
      return at(table, Code::missing_key, "a column has no key from",
                "Name the column of the data that it shows.");
    if (!table.contains("heading")) column.heading = column.from;
    if (!column.spec.empty()) {
      if (has_wish)
        return at(table, Code::contradiction,
                  "column " + in_quotes(column.from) + " has both a spec and wishes",
                  "Keep one of them.");
      if (auto error = read_spec(table, dialect, column)) return error;
    } else if (auto error = find_contradiction(column.wish)) {
      error->span = positions_.span(table.source());
      return error;
    }
    if (column.wish.kind == Kind::moment)
      return at(table, Code::not_supported_yet, "columns of kind moment are not supported yet",
                "Use kind text for now.");
    sheet_.columns.push_back(std::move(column));
    return std::nullopt;
  }

  std::optional<Error> read_wish(const toml::key& key, const toml::node& node, Spec& wish) const {
    const auto known = wish_keys();
    if (std::find(known.begin(), known.end(), key.str()) == known.end())
      return unknown_key(key, column_keys(), "column");
    const auto text = as_wish_text(node);
    if (!text)
      return at(node, Code::wrong_kind,
                in_quotes(key.str()) + " must be a text, a whole number or a truth value",
                "docs/sheets.md describes the key.");
    auto error = set_wish(wish, key.str(), *text);
    if (error) error->span = positions_.span(node.source());
    return error;
  }

  std::optional<Error> read_heading_align(const toml::key& key, const toml::node& node,
                                          SheetColumn& column) const {
    std::string text;
    if (auto error = read_text(key, node, text)) return error;
    Spec spec;
    auto error = set_wish(spec, "align", text);
    if (error || spec.align == Align::inner)
      return at(node, Code::bad_value, "heading_align cannot be " + in_quotes(text),
                "Choose one of: natural, left, right, center.");
    column.heading_align = spec.align;
    return std::nullopt;
  }

  std::optional<Error> read_spec(const toml::table& table, const std::string& dialect,
                                 SheetColumn& column) const {
    const toml::node& node = *table.get("spec");
    column.dialect = find_dialect(dialect);
    if (column.dialect == nullptr)
      return at(*table.get("dialect"), Code::unknown_dialect,
                in_quotes(dialect) + " is not a dialect", "inky dialects lists them.");
    Result<Template> parsed = column.dialect->parse(column.spec);
    if (!parsed)
      return at(node, parsed.error().code, parsed.error().message, parsed.error().remedy);
    const bool one_field =
        parsed->fields.size() == 1 && parsed->pieces.size() == 1 && parsed->values_taken == 1;
    if (!one_field)
      return at(node, Code::bad_value,
                "the spec of a column must be one field that takes one value, and nothing else",
                "Put text around columns into gap or heading.");
    const Field& field = parsed->fields[0];
    if (!field.defect.empty())
      return at(node, Code::bad_value, field.defect, "Use a spec that the language defines.");
    column.wish = field.spec;
    return std::nullopt;
  }

  Positions positions_;
  Sheet sheet_;
};

}  // namespace

Result<Sheet> read_sheet(std::string_view text) {
  if (const std::size_t bad = first_invalid_utf8(text); bad != std::string_view::npos) {
    return Error{Code::not_utf8, "the sheet is not UTF-8", {bad, bad + 1}, "Save it as UTF-8."};
  }
  try {
    return SheetReader(text).read(toml::parse(text));
  } catch (const toml::parse_error& error) {
    return Error{Code::bad_sheet,
                 "the sheet is not valid TOML: " + std::string(error.description()),
                 Positions(text).span(error.source()), "Mend the marked place."};
  }
}

}  // namespace inky
