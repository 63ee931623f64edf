#include "inspect.hpp"

#include <algorithm>
#include <cmath>
#include <optional>
#include <vector>

#include "../family/values.hpp"
#include "dates.hpp"
#include "text/ascii.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::javascript {

namespace {

// util.inspect's own: how wide, how many levels of one line.
constexpr std::size_t break_length = 80;
constexpr int compact_levels = 3;
constexpr std::size_t most_items = 100;
constexpr std::size_t plain_items = 6;

bool is_number(const Datum& datum) {
  return datum.kind == DatumKind::number || datum.kind == DatumKind::big;
}

// In single quotes, unless the text has these and no others.
std::string text_literal(std::string_view text) {
  char quote = '\'';
  if (text.find('\'') != std::string_view::npos) {
    if (text.find('"') == std::string_view::npos)
      quote = '"';
    else if (text.find('`') == std::string_view::npos && text.find("${") == std::string_view::npos)
      quote = '`';
  }
  constexpr std::string_view controls = "\b\t\n\f\r";
  constexpr std::string_view letters = "btnfr";
  std::string out(1, quote);
  for (const char c : text) {
    const std::size_t which = controls.find(c);
    if (which != std::string_view::npos) {
      (out += '\\') += letters[which];
    } else if (c == quote || c == '\\') {
      (out += '\\') += c;
    } else if (static_cast<unsigned char>(c) < ' ' || c == 0x7F) {
      constexpr std::string_view digits = "0123456789ABCDEF";
      const auto code = static_cast<unsigned char>(c);
      ((out += "\\x") += digits[code >> 4U]) += digits[code & 0xFU];
    } else {
      out += c;
    }
  }
  return out += quote;
}

std::string key_text(std::string_view key) {
  const bool is_name = !key.empty() && is_word_start(key[0]) && is_ascii(key) &&
                       std::all_of(key.begin(), key.end(), is_word_part);
  return is_name ? std::string(key) : text_literal(key);
}

std::string_view opening_of(const Datum& datum) {
  return datum.kind == DatumKind::array ? "[" : "{";
}

class Inspector {
 public:
  explicit Inspector(int levels) : levels_(levels) {}

  // Nothing where it is not supported yet.
  std::optional<std::string> show(const Datum& datum, int depth) {
    switch (datum.kind) {
      case DatumKind::text:
        return show_text(datum.text);
      case DatumKind::array:
      case DatumKind::object:
      case DatumKind::map:
      case DatumKind::set:
      case DatumKind::iterator:
        return show_items(datum, depth);
      case DatumKind::function:
      case DatumKind::error:
        return std::nullopt;
      case DatumKind::date:
        return std::isnan(datum.number) ? "Invalid Date" : iso_text(datum.number);
      case DatumKind::formatter:
        return datum.text + " [Intl." + datum.text + "] {}";
      default:
        break;
    }
    std::string out;
    if (datum.kind == DatumKind::number && datum.number == 0 && std::signbit(datum.number))
      out += '-';
    append_text(datum, out);
    if (datum.kind == DatumKind::big) out += 'n';
    return out;
  }

 private:
  std::optional<std::string> show_text(const std::string& text) const {
    // A longer one is broken where it has new lines.
    constexpr std::size_t least_line = 16;
    const std::size_t units = utf16_of(text).size();
    const bool may_break = units > least_line && units + indentation_ + 4 > break_length;
    if (may_break && text.find('\n') != std::string::npos) return std::nullopt;
    return text_literal(text);
  }

  // The text before the brackets: "Map(2) ".
  static std::string prefix_of(const Datum& datum) {
    const std::string size = "(" + std::to_string(datum.items.size()) + ") ";
    switch (datum.kind) {
      case DatumKind::array:
        return "";
      case DatumKind::map:
        return "Map" + size;
      case DatumKind::set:
        return "Set" + size;
      case DatumKind::iterator:
        return "[" + datum.text + (datum.text.ends_with("Entries") ? "] " : " Iterator] ");
      default:
        return datum.text == "null" ? "[Object: null prototype] " : "";
    }
  }
  static std::string too_deep(const Datum& datum) {
    constexpr std::string_view names[] = {"[Array]", "[Object]"};
    if (datum.kind == DatumKind::map) return "[Map]";
    if (datum.kind == DatumKind::set) return "[Set]";
    return std::string(names[datum.kind == DatumKind::array ? 0 : 1]);
  }

  std::optional<std::string> show_items(const Datum& datum, int depth) {
    const bool is_array = datum.kind == DatumKind::array;
    if (datum.kind == DatumKind::iterator && datum.text == "Array")
      return "Object [Array Iterator] {}";
    if (datum.kind == DatumKind::iterator && datum.text != "Map" && datum.text != "Set")
      return std::nullopt;
    const bool is_list =
        is_array || datum.kind == DatumKind::set || datum.kind == DatumKind::iterator;
    if (depth > levels_) return too_deep(datum);
    if (datum.items.empty())
      return is_array ? "[]"
                      : prefix_of(datum) + (datum.kind == DatumKind::iterator ? "{  }" : "{}");
    if (is_list && datum.items.size() > most_items) return std::nullopt;
    const int level = depth + 1;
    deepest_ = level;
    std::vector<std::string> shown;
    indentation_ += 2;
    const std::size_t count = item_count(datum);
    for (std::size_t i = 0; i < datum.items.size(); ++i) {
      const std::size_t holes = holes_at(datum, i);
      if (holes > 0) {
        shown.push_back("<" + std::to_string(holes) + " empty item" + (holes == 1 ? ">" : "s>"));
        i += holes - 1;
        continue;
      }
      const bool is_pair = datum.kind == DatumKind::map;
      auto item = show(is_pair ? datum.items[i].items[1] : datum.items[i], level);
      if (!item) return std::nullopt;
      std::string name;
      if (is_pair) {
        auto key = show(datum.items[i].items[0], level);
        if (!key) return std::nullopt;
        name = *key + " => ";
      } else if (!is_list || i >= count) {
        name = key_text(datum.keys[is_list ? i - count : i]) + ": ";
      }
      shown.push_back(name + *item);
    }
    indentation_ -= 2;
    return join(std::move(shown), datum, level);
  }

  static std::size_t holes_at(const Datum& datum, std::size_t at) {
    std::size_t count = 0;
    while (at + count < datum.items.size() && datum.items[at + count].kind == DatumKind::hole)
      ++count;
    return count;
  }

  std::string join(std::vector<std::string> shown, const Datum& datum, int level) const {
    const bool is_array = datum.kind == DatumKind::array;
    const std::string open = prefix_of(datum) + std::string(opening_of(datum));
    const std::string_view close = is_array ? "]" : "}";
    const std::size_t count = shown.size();
    if (is_array && count > plain_items) shown = in_columns(std::move(shown), datum);
    if (deepest_ - level < compact_levels && shown.size() == count) {
      std::size_t length = 2 * count + indentation_ + open.size() + 10;
      for (const std::string& one : shown) length += utf16_of(one).size();
      std::string line = listed(shown, ", ");
      if (length <= break_length && line.find('\n') == std::string::npos)
        return open + " " + line + " " + std::string(close);
    }
    const std::string next = "\n" + std::string(indentation_, ' ');
    return open + next + "  " + listed(shown, "," + next + "  ") + next + std::string(close);
  }

  static std::string listed(const std::vector<std::string>& items, std::string_view between) {
    std::string out;
    for (const std::string& item : items) {
      if (!out.empty()) out += between;
      out += item;
    }
    return out;
  }

  // Items side by side, where they are about as long as each other.
  std::vector<std::string> in_columns(std::vector<std::string> shown, const Datum& datum) const {
    constexpr std::size_t separator = 2;
    std::size_t total = 0;
    std::size_t longest = 0;
    std::vector<std::size_t> lengths;
    for (const std::string& one : shown) {
      lengths.push_back(utf16_of(one).size());
      total += lengths.back() + separator;
      longest = std::max(longest, lengths.back());
    }
    const std::size_t widest = longest + separator;
    constexpr std::size_t short_items = 6;
    const bool fits =
        widest * 3 + indentation_ < break_length &&
        (static_cast<double>(total) / static_cast<double>(widest) > 5 || longest <= short_items);
    if (!fits) return shown;
    const auto count = static_cast<double>(shown.size());
    constexpr double height = 2.5;
    const double bias = std::sqrt(static_cast<double>(widest) - static_cast<double>(total) / count);
    const double biased = std::max(static_cast<double>(widest) - 3 - bias, 1.0);
    const std::size_t columns = std::min(
        {static_cast<std::size_t>(std::floor(std::sqrt(height * biased * count) / biased + 0.5)),
         (break_length - indentation_) / widest, std::size_t{compact_levels} * 4, std::size_t{15}});
    if (columns <= 1) return shown;
    std::vector<std::size_t> widths;
    for (std::size_t i = 0; i < columns; ++i) {
      std::size_t width = 0;
      for (std::size_t k = i; k < shown.size(); k += columns) width = std::max(width, lengths[k]);
      widths.push_back(width + separator);
    }
    const bool on_right = std::all_of(datum.items.begin(), datum.items.end(), is_number);
    std::vector<std::string> out;
    for (std::size_t i = 0; i < shown.size(); i += columns) {
      const std::size_t end = std::min(i + columns, shown.size());
      std::string line;
      for (std::size_t k = i; k < end; ++k) {
        const bool is_last = k + 1 == end;
        const std::string item = shown[k] + (is_last ? "" : ", ");
        const std::size_t width = widths[k - i] - (is_last ? separator : 0);
        const std::size_t length = lengths[k] + (is_last ? 0 : separator);
        const std::string room(width > length ? width - length : 0, ' ');
        line += on_right ? room + item : is_last ? item : item + room;
      }
      out.push_back(std::move(line));
    }
    return out;
  }

  int levels_;
  std::size_t indentation_ = 0;
  int deepest_ = 0;  // of what was shown last
};

}  // namespace

bool append_inspection(const Datum& datum, std::string& out, int levels) {
  const auto shown = Inspector(levels).show(datum, 0);
  if (!shown) return false;
  out += *shown;
  return true;
}

}  // namespace inky::inline v1::javascript
