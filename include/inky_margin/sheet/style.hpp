// A proof as text in one of several styles.
//
//   styled(proof, Style::plain)       // the lines of the proof
//   styled(proof, Style::markdown)    // | Batch |  Mass (g) | ...
//   styled(proof, Style::boxed)       // ┌───────┬───────────┐ ...
//
// Every line ends with a new line. In the styles for machines (tab-separated, CSV, HTML, JSON) the
// cells lose the blanks around them, and what would end a cell is escaped in the style's own way.
#pragma once

#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <string_view>

#include "inky_margin/sheet/proof.hpp"

namespace inky::inline v1 {

enum class Style : std::uint8_t {
  plain,
  markdown,       // a pipe table, as GitHub Flavored Markdown 0.29 has it, 4.10
  boxed,          // line-drawing characters of Unicode
  boxed_ascii,    // the same of + - |
  tab_separated,  // text/tab-separated-values
  csv,            // RFC 4180, with LF
  html,           // a table element
  json,           // a list of objects, one a row, by the headings
};

// "plain", "markdown", "boxed", "tsv", "csv", "html", "json".
std::optional<Style> style_named(std::string_view name);
std::span<const std::string_view> style_names();

// Whether a machine reads it: its cells are whole, whatever their width. for_machines() is the
// sheet for it.
bool is_for_machines(Style style);

// In tsv, csv and json there are the rows alone; an html table has the totals in its foot.
std::string styled(const Proof& proof, Style style);

}  // namespace inky::inline v1
