#include "inky_margin/sheet/sheet.hpp"

#include <toml++/toml.h>

#include <algorithm>
#include <array>

#include "dialect/family/glibc_money.hpp"
#include "dialect/usual_dialect.hpp"
#include "inky_margin/number/decimal.hpp"
#include "inky_margin/text/columns.hpp"
#include "text/escape.hpp"
#include "text/nearest_name.hpp"
#include "text/places.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

// A key whose value is a text that stays on its line.
template <typename Of>
struct TextKey {
  std::string_view key;
  std::string Of::*member;
};
constexpr TextKey<Sheet> sheet_texts[] = {{"gap", &Sheet::gap},
                                          {"edge_left", &Sheet::edge_left},
                                          {"edge_right", &Sheet::edge_right},
                                          {"missing", &Sheet::missing},
                                          {"cut_mark", &Sheet::cut_mark},
                                          {"total_label", &Sheet::total_label},
                                          {"subtotal_label", &Sheet::subtotal_label}};
constexpr TextKey<Sheet> sheet_rules[] = {{"rule", &Sheet::rule},
                                          {"rule_above", &Sheet::rule_above},
                                          {"rule_below", &Sheet::rule_below},
                                          {"rule_between", &Sheet::rule_between}};
constexpr TextKey<SheetColumn> column_texts[] = {{"under", &SheetColumn::under},
                                                 {"mark", &SheetColumn::mark}};
constexpr TextKey<SheetColumn> column_numbers[] = {{"mark_below", &SheetColumn::mark_below},
                                                   {"mark_above", &SheetColumn::mark_above}};

constexpr std::array<std::string_view, 19> sheet_keys = {
    "data",      "rule",      "rule_above",  "rule_below",  "rule_between",
    "gap",       "edge_left", "edge_right",  "missing",     "overflow",
    "cut_mark",  "width_of",  "group_by",    "total_label", "subtotal_label",
    "row_marks", "tab",       "keep_colors", "column"};
constexpr std::array<std::string_view, 15> own_column_keys = {
    "from",     "heading",     "heading_align", "under",      "spec",
    "dialect",  "least_width", "most_width",    "overflow",   "total",
    "subtotal", "mark",        "mark_below",    "mark_above", "currency_as"};

constexpr std::string_view overflow_names[] = {"push", "cut", "wrap", "hashes", "fail"};
constexpr std::string_view summary_names[] = {"none", "sum", "count", "mean", "least", "most"};

template <typename Known, std::size_t count>
std::optional<Known> named(const std::string_view (&names)[count], std::string_view name) {
  const auto found = std::find(std::begin(names), std::end(names), name);
  if (found == std::end(names)) return std::nullopt;
  return static_cast<Known>(found - std::begin(names));
}

// Turns line and column of the TOML parser, which counts code points, into bytes of the text.
class Positions {
 public:
  explicit Positions(std::string_view text) : text_(text) {}

  std::size_t offset(const toml::source_position& position) const {
    return offset_of(text_, position.line, position.column);
  }
  std::string_view text() const { return text_; }
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
                                      std::string& out, bool several_lines = false) const {
    if (auto error = read_text(key, node, out)) return error;
    const bool control = std::any_of(out.begin(), out.end(), [&](char c) {
      return (static_cast<unsigned char>(c) < 0x20 && !(several_lines && c == '\n')) || c == 0x7F;
    });
    if (control)
      return at(node, Code::bad_value, in_quotes(key.str()) + " holds a control character",
                "Use characters that stay on the line.");
    return std::nullopt;
  }

  std::optional<Error> read_rule(const toml::key& key, const toml::node& node,
                                 std::string& out) const {
    if (auto error = read_line_text(key, node, out)) return error;
    if (out.empty() || measure(out, WidthUnit::columns) == 1) return std::nullopt;
    return at(node, Code::bad_value, "the rule is repeated, so it must be one character",
              "Choose one character one column wide, or \"\" for no rule.");
  }

  // One of a list of names.
  template <typename Known, std::size_t count>
  std::optional<Error> read_choice(const toml::key& key, const toml::node& node,
                                   const std::string_view (&names)[count], Known& out) const {
    std::string text;
    if (auto error = read_text(key, node, text)) return error;
    const std::optional<Known> known = named<Known>(names, text);
    if (!known)
      return at(node, Code::bad_value, std::string(key.str()) + " cannot be " + in_quotes(text),
                choices_for(text, names));
    out = *known;
    return std::nullopt;
  }

  std::optional<Error> read_count(const toml::key& key, const toml::node& node, std::size_t most,
                                  std::size_t& out) const {
    const auto count = node.value_exact<std::int64_t>();
    if (!count || *count < 0 || static_cast<std::uint64_t>(*count) > most)
      return at(node, Code::bad_value,
                in_quotes(key.str()) + " must be a whole number from 0 to " + std::to_string(most),
                "Write it without quotes.");
    out = static_cast<std::size_t>(*count);
    return std::nullopt;
  }

  std::optional<Error> read_row_marks(const toml::key& key, const toml::node& node) {
    constexpr std::size_t most_marks = 100;
    const toml::array* marks = node.as_array();
    if (marks == nullptr || marks->size() > most_marks)
      return at(node, Code::wrong_kind, "row_marks is a list of texts",
                "Write row_marks = [\"\", \"*\"], with no more than 100.");
    for (const toml::node& mark : *marks) {
      std::string text;
      if (auto error = read_line_text(key, mark, text)) return error;
      sheet_.row_marks.push_back(std::move(text));
    }
    return std::nullopt;
  }

  std::optional<Error> read_key(const toml::key& key, const toml::node& node) {
    for (const auto& [name, member] : sheet_texts) {
      if (key == name) return read_line_text(key, node, sheet_.*member);
    }
    for (const auto& [name, member] : sheet_rules) {
      if (key == name) return read_rule(key, node, sheet_.*member);
    }
    if (key == "data") return read_text(key, node, sheet_.data);
    if (key == "group_by") return read_text(key, node, sheet_.group_by);
    if (key == "overflow") return read_choice(key, node, overflow_names, sheet_.overflow);
    if (key == "row_marks") return read_row_marks(key, node);
    if (key == "tab") return read_count(key, node, 100, sheet_.tab);
    if (key == "width_of") {
      std::string text;
      if (auto error = read_text(key, node, text)) return error;
      const auto unit = width_unit_named(text);
      if (!unit)
        return at(node, Code::bad_value, "width_of cannot be " + in_quotes(text),
                  choices_for(text, width_unit_names));
      sheet_.width_of = *unit;
      return std::nullopt;
    }
    if (key == "keep_colors") {
      const auto truth = node.value_exact<bool>();
      if (!truth)
        return at(node, Code::wrong_kind, "keep_colors must be true or false", "Choose one.");
      sheet_.keep_colors = *truth;
      return std::nullopt;
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
    std::string dialect(usual_dialect);
    bool has_wish = false;
    for (const auto& [key, node] : table) {
      std::optional<Error> error;
      if (key == "from")
        error = read_text(key, node, column.from);
      else if (key == "heading")
        error = read_line_text(key, node, column.heading, true);
      else if (key == "spec")
        error = read_text(key, node, column.spec);
      else if (key == "dialect")
        error = read_text(key, node, dialect);
      else if (key == "heading_align")
        error = read_heading_align(key, node, column);
      else if (is_of_column(key))
        error = read_of_column(key, node, column);
      else if (key == "align" && node.value_exact<std::string>() == "point")
        column.on_point = true;
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
    } else if (settle_notation(column.wish);
               auto error = find_contradiction(without_layout(column.wish))) {
      error->span = positions_.span(table.source());
      return error;
    }
    if (column.least_width > column.most_width)
      return at(*table.get("most_width"), Code::contradiction, "least_width is above most_width",
                "Exchange them.");
    if (column.mark.empty() && !(column.mark_below.empty() && column.mark_above.empty()))
      return at(table, Code::missing_key,
                "column " + in_quotes(column.from) + " says when to mark a cell, and not with what",
                "Add mark = \"*\".");
    if (column.wish.kind == Kind::moment || !column.wish.moment.empty())
      return at(table, Code::not_supported_yet, "columns of kind moment are not supported yet",
                "Use kind text for now.");
    if (auto error = check_money(table, column)) return error;
    sheet_.columns.push_back(std::move(column));
    return std::nullopt;
  }

  // Of money, what a cell has beside its text.
  static Spec without_layout(const Spec& wish) {
    Spec out = wish;
    if (out.currency.empty()) return out;
    out.width = 0;
    out.align = Align::natural;
    out.rounding = Spec().rounding;
    if (out.sign == Sign::brackets) out.sign = Spec().sign;
    return out;
  }

  std::optional<Error> check_money(const toml::table& table, SheetColumn& column) const {
    Spec& wish = column.wish;
    if (wish.currency.empty()) {
      if (table.contains("currency_as"))
        return at(*table.get("currency_as"), Code::missing_key,
                  "currency_as names the currency of a column that has none",
                  "Add currency = \"EUR\" and locale = \"de-DE\".");
      return std::nullopt;
    }
    const auto form = glibc::money_form(wish.locale.text(), wish.currency.text(), false, false);
    if (!form)
      return at(*table.get("locale"), Code::bad_value,
                "there is no locale " + in_quotes(wish.locale.text()) + " with money",
                "Write a language and a country, as in de-DE or en_US.UTF-8.");
    if (wish.align == Align::inner)
      return at(*table.get("align"), Code::contradiction,
                "inner alignment would pad within an amount of money", "Leave align out.");
    if (wish.places == unset) wish.places = form->places;
    wish.notation = Notation::fixed;
    if (wish.align == Align::natural) column.on_point = true;
    return std::nullopt;
  }

  static bool is_of_column(const toml::key& key) {
    constexpr std::string_view keys[] = {"under",      "least_width", "most_width", "overflow",
                                         "total",      "subtotal",    "mark",       "mark_below",
                                         "mark_above", "currency_as"};
    return std::find(std::begin(keys), std::end(keys), key.str()) != std::end(keys);
  }

  // What a sheet asks of a column, beside the wish of its cells.
  std::optional<Error> read_of_column(const toml::key& key, const toml::node& node,
                                      SheetColumn& column) const {
    for (const auto& [name, member] : column_texts) {
      if (key == name) return read_line_text(key, node, column.*member);
    }
    for (const auto& [name, member] : column_numbers) {
      if (key == name) return read_number(key, node, column.*member);
    }
    if (key == "total") return read_choice(key, node, summary_names, column.total);
    if (key == "subtotal") return read_choice(key, node, summary_names, column.subtotal);
    if (key == "currency_as") {
      constexpr std::string_view names[] = {"symbol", "code"};
      return read_choice(key, node, names, column.currency_as);
    }
    if (key == "overflow") {
      Overflow overflow{};
      auto error = read_choice(key, node, overflow_names, overflow);
      column.overflow = overflow;
      return error;
    }
    return read_count(key, node, static_cast<std::size_t>(most_width),
                      key == "least_width" ? column.least_width : column.most_width);
  }

  // A number keeps its digits as they were typed.
  std::optional<Error> read_number(const toml::key& key, const toml::node& node,
                                   std::string& out) const {
    const toml::source_region& region = node.source();
    const std::size_t from = positions_.offset(region.begin);
    out = std::string(positions_.text().substr(from, positions_.offset(region.end) - from));
    if (node.is_number() && scan_decimal(out)) return std::nullopt;
    return at(node, Code::wrong_kind, in_quotes(key.str()) + " must be a decimal number",
              "Write it without quotes.");
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
        parsed->fields().size() == 1 && parsed->pieces().size() == 1 && parsed->values_taken() == 1;
    if (!one_field)
      return at(node, Code::bad_value,
                "the spec of a column must be one field that takes one value, and nothing else",
                "Put text around columns into gap or heading.");
    const Field& field = parsed->fields()[0];
    if (!field.defect.empty())
      return at(node, Code::bad_value, field.defect, "Use a spec that the language defines.");
    column.wish = field.spec;
    return std::nullopt;
  }

  Positions positions_;
  Sheet sheet_;
};

}  // namespace

Sheet for_machines(const Sheet& sheet) {
  Sheet out = sheet;
  out.overflow = Overflow::push;
  out.row_marks.clear();
  for (SheetColumn& column : out.columns) {
    column.overflow.reset();
    column.mark.clear();
    column.on_point = false;
  }
  return out;
}

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

}  // namespace inky::inline v1
