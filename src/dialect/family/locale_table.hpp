// A table of what the locales of a runtime have, as tools/record/locale_table.py writes it.
#pragma once

#include <algorithm>
#include <array>
#include <cstddef>
#include <cstdint>
#include <optional>
#include <span>
#include <string_view>

namespace inky::inline v1 {

// What one locale has: texts by the number of a part.
template <std::size_t parts>
class LocaleParts {
 public:
  constexpr LocaleParts(std::string_view tag, std::span<const std::string_view> texts,
                        const std::array<std::uint16_t, parts>& places)
      : tag_(tag), texts_(texts.data()), places_(&places) {}

  std::string_view tag() const { return tag_; }
  // REQUIRES: part < parts.
  std::string_view text(std::size_t part) const { return texts_[(*places_)[part]]; }
  // A part that is a digit.
  int digit(std::size_t part) const { return text(part)[0] - '0'; }

 private:
  std::string_view tag_;
  const std::string_view* texts_;
  const std::array<std::uint16_t, parts>* places_;
};

// The three arrays of a table. The first locale is the usual one; the tags of the others are in
// order. `Locale` is made from its parts.
template <typename Locale, std::size_t parts>
struct LocaleTable {
  std::span<const std::string_view> tags;
  std::span<const std::string_view> texts;
  std::span<const std::array<std::uint16_t, parts>> places;

  Locale usual() const { return at(0); }
  // Nothing where there is none; an empty tag is the usual one's.
  std::optional<Locale> find(std::string_view tag) const {
    if (tag.empty() || tag == tags.front()) return usual();
    const auto others = tags.subspan(1);
    const auto found = std::lower_bound(others.begin(), others.end(), tag);
    if (found == others.end() || *found != tag) return std::nullopt;
    return at(static_cast<std::size_t>(found - others.begin()) + 1);
  }
  Locale find_or_usual(std::string_view tag) const {
    const auto found = find(tag);
    return found ? *found : usual();
  }

 private:
  Locale at(std::size_t place) const {
    return Locale(LocaleParts<parts>(tags[place], texts, places[place]));
  }
};

// One of the names of a list, which bars part: "Mon|Tue". Empty where it has fewer.
constexpr std::string_view listed_name(std::string_view list, std::size_t place) {
  for (; place > 0; --place) {
    const std::size_t bar = list.find('|');
    if (bar == std::string_view::npos) return {};
    list.remove_prefix(bar + 1);
  }
  return list.substr(0, list.find('|'));
}

// Which digits of a whole number have a mark before them: "3", "3,2" where all but the last three
// are in pairs, and "0" for none at all.
class Grouping {
 public:
  // REQUIRES: sizes from the last group on, each a digit, with commas between them.
  constexpr explicit Grouping(std::string_view sizes) : sizes_(sizes) {}

  // Whether a mark is before the last `left` digits.
  constexpr bool ends(int left) const {
    for (std::size_t at = 0;; at = at + 2 < sizes_.size() ? at + 2 : at) {
      const int size = sizes_[at] - '0';
      if (size == 0 || left < size) return false;
      left -= size;
      if (left == 0) return true;
      // The last size goes on for ever.
      if (at + 2 >= sizes_.size()) return left % size == 0;
    }
  }

 private:
  std::string_view sizes_;
};

}  // namespace inky::inline v1
