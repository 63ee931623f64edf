#include "locales.hpp"

#include <algorithm>
#include <array>
#include <iterator>
#include <span>
#include <string>
#include <utility>
#include <vector>

#include "text/ascii.hpp"

namespace inky::inline v1::javascript {

namespace {

// The digits of a numbering system, by the code point of its zero: Unicode, DerivedNumericType.
struct System {
  std::string_view name;
  char32_t zero;
};
constexpr System systems[] = {
    {"arab", 0x660}, {"arabext", 0x6f0}, {"beng", 0x9e6},  {"deva", 0x966},    {"fullwide", 0xff10},
    {"gujr", 0xae6}, {"guru", 0xa66},    {"khmr", 0x17e0}, {"knda", 0xce6},    {"laoo", 0xed0},
    {"mlym", 0xd66}, {"mymr", 0x1040},   {"orya", 0xb66},  {"tamldec", 0xbe6}, {"telu", 0xc66},
    {"thai", 0xe50}, {"tibt", 0xf20},
};
// The ten digits of each, one behind the other: two or three bytes of UTF-8.
constexpr auto all_digits = [] {
  std::array<std::array<char, 30>, std::size(systems)> out{};
  for (std::size_t i = 0; i < out.size(); ++i) {
    const bool is_short = systems[i].zero < 0x800;
    for (unsigned digit = 0; digit < 10; ++digit) {
      const unsigned code = systems[i].zero + digit;
      char* at = &out[i][digit * (is_short ? 2 : 3)];
      if (!is_short) *at++ = static_cast<char>(0xe0U | (code >> 12U));
      *at++ = static_cast<char>((is_short ? 0xc0U : 0x80U) |
                                ((code >> 6U) & (is_short ? 0x1fU : 0x3fU)));
      *at = static_cast<char>(0x80U | (code & 0x3fU));
    }
  }
  return out;
}();
constexpr std::string_view chinese_decimals = "〇一二三四五六七八九";

std::optional<std::string_view> digits_of_system(std::string_view name) {
  if (name == "hanidec") return chinese_decimals;
  const auto* found = std::find_if(std::begin(systems), std::end(systems),
                                   [&](const System& one) { return one.name == name; });
  if (found == std::end(systems)) return std::nullopt;
  const auto& digits = all_digits[static_cast<std::size_t>(found - std::begin(systems))];
  return std::string_view(digits.data(), found->zero < 0x800 ? 20 : 30);
}

Locale locale_of(const LocaleRecord& record) {
  const auto text = [&](LocalePart part) { return record.text(part); };
  const std::string_view shape = text(LocalePart::shape);
  return {record.tag(),
          text(LocalePart::digits),
          text(LocalePart::point),
          text(LocalePart::group),
          text(LocalePart::minus),
          text(LocalePart::plus),
          text(LocalePart::percent),
          text(LocalePart::negative_percent),
          text(LocalePart::not_a_number),
          text(LocalePart::money_point),
          text(LocalePart::money_group),
          text(LocalePart::before_minus),
          text(LocalePart::after_minus),
          text(LocalePart::before_plus),
          text(LocalePart::after_plus),
          shape[0] - '0',
          shape[1] == '1',
          shape[2] == '1',
          shape[3] == '1',
          shape[4] == '1',
          shape[5] == '1',
          shape[6] == '1',
          LocalePatterns(record)};
}

constexpr std::string_view latin_suffix = "-u-nu-latn";

// The locale of this very tag.
std::optional<Locale> exact_locale(std::string_view tag) {
  const std::optional<LocaleRecord> record = LocaleRecord::of(tag);
  return record ? std::optional(locale_of(*record)) : std::nullopt;
}

bool is_letters(std::string_view text) {
  return std::all_of(text.begin(), text.end(), is_letter);
}
bool is_digits(std::string_view text) {
  return std::all_of(text.begin(), text.end(), is_digit);
}

std::string in_case(std::string_view text, bool first_upper, bool rest_upper) {
  std::string out;
  for (const char c : text)
    out += (out.empty() ? first_upper : rest_upper) ? capital_letter(c) : small_letter(c);
  return out;
}

// The language, script and region of a tag, as they are written, and the keywords of Unicode.
struct Tag {
  std::vector<std::string> parts;
  std::string numbering;
  bool is_valid = false;
  bool is_known = true;  // it has no part that is not known here
};

Tag read_tag(std::string_view text) {
  Tag out;
  std::vector<std::string_view> subtags;
  for (std::size_t begin = 0; begin <= text.size();) {
    const std::size_t end = std::min(text.find('-', begin), text.size());
    subtags.push_back(text.substr(begin, end - begin));
    begin = end + 1;
  }
  constexpr std::size_t most = 8;
  for (const std::string_view one : subtags) {
    const bool is_good =
        !one.empty() && one.size() <= most &&
        std::all_of(one.begin(), one.end(), [](char c) { return is_letter(c) || is_digit(c); });
    if (!is_good) return out;
  }
  const std::string_view language = subtags[0];
  if (!is_letters(language) || language.size() < 2 || language.size() == 4) return out;
  out.parts.push_back(in_case(language, false, false));
  std::size_t at = 1;
  const auto next_is = [&](auto test) { return at < subtags.size() && test(subtags[at]); };
  if (next_is([](std::string_view one) { return one.size() == 4 && is_letters(one); }))
    out.parts.push_back(in_case(subtags[at++], true, false));
  const auto is_region = [](std::string_view one) {
    return (one.size() == 2 && is_letters(one)) || (one.size() == 3 && is_digits(one));
  };
  if (next_is(is_region)) out.parts.push_back(in_case(subtags[at++], true, true));
  out.is_valid = at == subtags.size() || subtags[at] == "u";
  if (at == subtags.size()) return out;
  if (!out.is_valid) {
    // A variant, or another extension.
    const std::string_view one = subtags[at];
    out.is_valid = one.size() >= 5 || (one.size() == 4 && is_digits(one.substr(0, 1))) ||
                   (one.size() == 1 && at + 1 < subtags.size());
    out.is_known = false;
    return out;
  }
  out.is_valid = ++at < subtags.size();
  while (at < subtags.size()) {
    const std::string key = in_case(subtags[at++], false, false);
    if (key.size() != 2) {
      out.is_known = false;
      return out;
    }
    std::string value;
    for (; at < subtags.size() && subtags[at].size() > 2; ++at)
      value += (value.empty() ? "" : "-") + in_case(subtags[at], false, false);
    if (key == "nu" && out.numbering.empty())
      out.numbering = value;
    else if (key != "co" && key != "kn" && key != "kf")  // how texts are sorted
      out.is_known = false;
  }
  return out;
}

}  // namespace

char digit_at(const Digits& digits, int place) {
  return place >= 0 && place < digits.size() ? digits.text()[static_cast<std::size_t>(place)] : '0';
}

Locale known_locale(std::string_view tag) {
  return *exact_locale(tag);
}

bool take_numbering(std::string_view system, Locale& locale) {
  const auto digits = digits_of_system(system);
  if (digits && *digits == locale.digits) return true;
  if (system != "latn" && !digits) return false;
  if (!locale.digits.empty()) {
    const auto latin = exact_locale(std::string(locale.tag) + std::string(latin_suffix));
    if (!latin) return false;
    locale = *latin;
  }
  if (system == "latn") return true;
  // These two have marks of their own.
  if (system == "arab" || system == "arabext" || !locale.takes_other_digits) return false;
  locale.digits = *digits;
  return true;
}

LocaleLookup locale_tagged(std::string_view asked) {
  using State = LocaleLookup::State;
  if (const auto exact = exact_locale(asked)) return {State::found, exact};
  Tag tag = read_tag(asked);
  if (!tag.is_valid) return {State::invalid, {}};
  if (!tag.is_known) return {State::not_supported_yet, {}};
  if (const std::string_view name = renamed_language(tag.parts[0]); !name.empty()) {
    // Some stand for a region, too, which the tag may name otherwise.
    if (tag.parts.size() > 1 && name.find('-') != std::string_view::npos)
      return {State::not_supported_yet, {}};
    tag.parts[0] = name;
  }
  for (std::size_t count = tag.parts.size(); count > 0; --count) {
    std::string name = tag.parts[0];
    for (std::size_t i = 1; i < count; ++i) name += "-" + tag.parts[i];
    if (is_left_out(name)) return {State::not_supported_yet, {}};
    LocaleLookup out{State::found, exact_locale(name)};
    if (!out.locale) continue;
    if (!tag.numbering.empty() && !take_numbering(tag.numbering, *out.locale))
      return {State::not_supported_yet, {}};
    return out;
  }
  return {State::no_data, {}};
}

void append_grouped(const Digits& digits, const LocaleOptions& options, const Locale& locale,
                    std::string& out) {
  const std::size_t size = locale.digits.size() / 10;
  const auto add_digit = [&](int at) {
    const char digit = digit_at(digits, at);
    if (size == 0)
      out += digit;
    else
      out += locale.digits.substr(static_cast<std::size_t>(digit - '0') * size, size);
  };
  const int point = digits.is_zero() ? 0 : digits.point();
  const int whole = std::max(point, options.least_whole);
  constexpr int by_name = 3;
  const bool as_accounts =
      options.accounts && options.sign != LocaleOptions::Sign::never && options.display != by_name;
  const bool is_money = options.style == LocaleOptions::Style::currency;
  constexpr int in_words = 1;
  const bool is_percent = options.style == LocaleOptions::Style::percent ||
                          (options.style == LocaleOptions::Style::unit &&
                           options.name == "percent" && options.display != in_words);
  const bool by_two = as_accounts                              ? locale.accounts_of_two
                      : is_percent                             ? locale.percent_of_two
                      : is_money && options.display != by_name ? locale.money_of_two
                                                               : locale.groups_of_two;
  const bool has_english_marks =
      locale.has_english_euros && is_money && options.name == "EUR" && options.display != by_name;
  const std::string_view mark = has_english_marks ? ","
                                : is_money        ? locale.money_group
                                                  : locale.group;
  const std::string_view decimal_point = has_english_marks ? "."
                                         : is_money        ? locale.money_point
                                                           : locale.point;
  const bool grouped =
      options.groups &&
      whole >= (options.least_grouped > 0 ? options.least_grouped : locale.least_grouped);
  for (int left = whole; left > 0; --left) {
    const bool ends = left == 3 || (left > 3 && (left - 3) % (by_two ? 2 : 3) == 0);
    if (grouped && left < whole && ends) out += mark;
    add_digit(point - left);
  }
  const int places = std::clamp(digits.size() - point, options.least_places, options.most_places);
  if (places > 0) out += decimal_point;
  for (int i = 0; i < places; ++i) add_digit(point + i);
}

}  // namespace inky::inline v1::javascript
