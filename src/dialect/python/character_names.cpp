#include "character_names.hpp"

#include <algorithm>
#include <cstdint>
#include <iterator>
#include <string>

#include "text/ascii.hpp"

namespace inky::inline v1::python {

namespace {

struct Block {
  const char* first;
  const char* others;
};
constexpr Block blocks[] = {
#include "character_names.inc"
};

constexpr char first_digit = '[';
constexpr char no_digit = '\\';
constexpr std::size_t digits_of_code = 4;
constexpr char first_count = '#';
// The longest one has 88 letters.
constexpr std::size_t longest_name = 90;

char32_t read_code(std::string_view digits) {
  constexpr char32_t base = 35;
  char32_t out = 0;
  for (const char digit : digits.substr(0, digits_of_code))
    out = out * base + static_cast<char32_t>(digit - first_digit - (digit > no_digit ? 1 : 0));
  return out;
}

std::optional<char32_t> find(const Block& block, std::string_view name) {
  std::string known(block.first);
  if (known == name) return read_code(block.others);
  std::string_view rest = std::string_view(block.others).substr(digits_of_code);
  while (!rest.empty()) {
    known.resize(static_cast<std::size_t>(rest[0] - first_count));
    rest.remove_prefix(1);
    const auto end =
        std::find_if(rest.begin(), rest.end(), [](char c) { return c >= first_digit; });
    const auto size = static_cast<std::size_t>(end - rest.begin());
    known += rest.substr(0, size);
    rest.remove_prefix(size);
    if (known == name) return read_code(rest);
    rest.remove_prefix(digits_of_code);
  }
  return std::nullopt;
}

// CJK UNIFIED IDEOGRAPH-4E00
std::optional<char32_t> ideograph(std::string_view digits) {
  constexpr char32_t ranges[][2] = {{0x3400, 0x4DBF},   {0x4E00, 0x9FFF},   {0x20000, 0x2A6DF},
                                    {0x2A700, 0x2B738}, {0x2B740, 0x2B81D}, {0x2B820, 0x2CEA1},
                                    {0x2CEB0, 0x2EBE0}, {0x30000, 0x3134A}};
  if (digits.size() != 4 && digits.size() != 5) return std::nullopt;
  char32_t out = 0;
  for (const char digit : digits) {
    const std::size_t value = std::string_view("0123456789ABCDEF").find(digit);
    if (value == std::string_view::npos) return std::nullopt;
    out = out * 16 + static_cast<char32_t>(value);
  }
  const bool is_known = std::any_of(std::begin(ranges), std::end(ranges), [&](const auto& range) {
    return range[0] <= out && out <= range[1];
  });
  return is_known ? std::optional(out) : std::nullopt;
}

// The Unicode Standard, section 3.12: the short names of the letters of a syllable.
constexpr std::string_view leading[] = {"G",  "GG", "N", "D",  "DD", "R", "M", "B", "BB", "S",
                                        "SS", "",   "J", "JJ", "C",  "K", "T", "P", "H"};
constexpr std::string_view vowels[] = {"A",   "AE", "YA", "YAE", "EO", "E",  "YEO",
                                       "YE",  "O",  "WA", "WAE", "OE", "YO", "U",
                                       "WEO", "WE", "WI", "YU",  "EU", "YI", "I"};
constexpr std::string_view trailing[] = {"",   "G",  "GG", "GS", "N",  "NJ", "NH", "D", "L",  "LG",
                                         "LM", "LB", "LS", "LT", "LP", "LH", "M",  "B", "BS", "S",
                                         "SS", "NG", "J",  "C",  "K",  "T",  "P",  "H"};

// Which of the names the text begins with: the longest, and takes it away.
template <std::size_t count>
std::optional<char32_t> take(const std::string_view (&names)[count], std::string_view& text) {
  std::optional<char32_t> out;
  std::size_t longest = 0;
  for (std::size_t i = 0; i < count; ++i) {
    if (!text.starts_with(names[i]) || (out && names[i].size() <= longest)) continue;
    out = static_cast<char32_t>(i);
    longest = names[i].size();
  }
  text.remove_prefix(longest);
  return out;
}

std::optional<char32_t> syllable(std::string_view letters) {
  constexpr char32_t first = 0xAC00;
  const auto lead = take(leading, letters);
  const auto vowel = take(vowels, letters);
  const auto trail = take(trailing, letters);
  if (!lead || !vowel || !trail || !letters.empty()) return std::nullopt;
  return first + (*lead * std::size(vowels) + *vowel) * std::size(trailing) + *trail;
}

}  // namespace

std::optional<char32_t> character_named(std::string_view name) {
  constexpr std::string_view ideographs = "CJK UNIFIED IDEOGRAPH-";
  constexpr std::string_view syllables = "HANGUL SYLLABLE ";
  if (name.starts_with(ideographs)) return ideograph(name.substr(ideographs.size()));
  if (name.starts_with(syllables)) return syllable(name.substr(syllables.size()));
  if (name.size() > longest_name) return std::nullopt;
  std::string wanted(name);
  for (char& c : wanted) c = static_cast<char>(c >= 'a' && c <= 'z' ? c - 'a' + 'A' : c);
  const auto* const behind = std::upper_bound(
      std::begin(blocks), std::end(blocks), std::string_view(wanted),
      [](std::string_view text, const Block& block) { return text < block.first; });
  return behind == std::begin(blocks) ? std::nullopt : find(*std::prev(behind), wanted);
}

}  // namespace inky::inline v1::python
