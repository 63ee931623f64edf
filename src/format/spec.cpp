#include "inky_margin/format/spec.hpp"

#include <algorithm>
#include <vector>

#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "text/nearest_name.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

using Names = std::span<const std::string_view>;
constexpr std::array<std::string_view, 7> kind_names = {"any",       "text",  "whole", "real",
                                                        "character", "truth", "moment"};
constexpr std::array<std::string_view, 5> align_names = {"natural", "left", "right", "center",
                                                         "inner"};
constexpr std::array<std::string_view, 4> sign_names = {"minus", "always", "space", "brackets"};
constexpr std::array<std::string_view, 7> notation_names = {
    "shortest", "fixed", "scientific", "compact", "engineering", "hexfloat", "percent"};
constexpr std::array<std::string_view, 2> letters_names = {"lower", "upper"};
constexpr std::array<std::string_view, 2> truth_names = {"false", "true"};

std::string listed(Names names) {
  std::string out;
  for (const std::string_view name : names) {
    if (!out.empty()) out += ", ";
    out += name;
  }
  return out;
}

Error wrong_value(std::string_view key, std::string_view value, std::string remedy) {
  return {Code::bad_value,
          std::string(key) + " cannot be " + in_quotes(value),
          {0, value.size()},
          std::move(remedy)};
}

// Reads and writes one key of a spec as text.
struct Key {
  std::string_view name;
  std::string_view meaning;
  std::string (*values)();          // what it can be, in words
  std::string (*get)(const Spec&);  // empty: at its default
  std::optional<Error> (*set)(Spec&, std::string_view name, std::string_view value);
};

template <auto Member>
using MemberType = std::remove_reference_t<decltype(std::declval<Spec&>().*Member)>;

// A key whose value is one of a list of names; the enumerators are in the order of the names.
template <auto Member, const auto& names>
constexpr Key choice(std::string_view key, std::string_view meaning) {
  return {key, meaning, [] { return listed(names); },
          [](const Spec& spec) -> std::string {
            if (spec.*Member == Spec{}.*Member) return {};
            return std::string(names[static_cast<std::size_t>(spec.*Member)]);
          },
          [](Spec& spec, std::string_view name, std::string_view value) -> std::optional<Error> {
            const auto found = std::find(names.begin(), names.end(), value);
            if (found == names.end()) return wrong_value(name, value, choices_for(value, names));
            spec.*Member = static_cast<MemberType<Member>>(found - names.begin());
            return std::nullopt;
          }};
}

template <auto Member, int least, int most>
constexpr Key count(std::string_view key, std::string_view meaning) {
  return {key, meaning, [] { return std::to_string(least) + " to " + std::to_string(most); },
          [](const Spec& spec) -> std::string {
            if (spec.*Member == Spec{}.*Member) return {};
            return std::to_string(spec.*Member);
          },
          [](Spec& spec, std::string_view name, std::string_view value) -> std::optional<Error> {
            const auto number = read_whole(value);
            const bool small = number && !number->negative && number->magnitude.bit_length() < 31;
            const int amount = small ? static_cast<int>(number->magnitude.low_bits()) : -1;
            if (amount < least || amount > most) {
              return wrong_value(name, value,
                                 "It is a whole number from " + std::to_string(least) + " to " +
                                     std::to_string(most) + ".");
            }
            spec.*Member = amount;
            return std::nullopt;
          }};
}

template <auto Member, bool may_be_empty>
constexpr Key mark(std::string_view key, std::string_view meaning) {
  return {key, meaning,
          [] { return std::string(may_be_empty ? "a character, or none" : "a character"); },
          [](const Spec& spec) -> std::string {
            if (spec.*Member == Spec{}.*Member) return {};
            return std::string((spec.*Member).text());
          },
          [](Spec& spec, std::string_view name, std::string_view value) -> std::optional<Error> {
            const auto point = first_code_point(value);
            const bool one = point && static_cast<std::size_t>(point->bytes) == value.size();
            if (!one && !(may_be_empty && value.empty())) {
              return wrong_value(name, value, "It is a single character.");
            }
            spec.*Member = Mark(value);
            return std::nullopt;
          }};
}

std::optional<Error> set_moment(Spec& spec, std::string_view name, std::string_view value) {
  const auto parts = read_time_pattern(value);
  if (!parts) return parts.error();
  const bool shows_part = std::any_of(parts->begin(), parts->end(),
                                      [](const TimePart& part) { return !part.name.empty(); });
  if (!shows_part)
    return wrong_value(name, value, "It has parts between braces: {day}.{month}.{year}.");
  spec.moment = TimePattern(time_pattern_text(*parts));
  return std::nullopt;
}

// ISO 4217: three letters.
std::optional<Error> set_currency(Spec& spec, std::string_view name, std::string_view value) {
  const bool is_code = value.size() == 3 && std::all_of(value.begin(), value.end(), [](char c) {
                         return 'A' <= c && c <= 'Z';
                       });
  if (!is_code) return wrong_value(name, value, "It is three capital letters, as in EUR.");
  spec.currency = Mark(value);
  return std::nullopt;
}

std::optional<Error> set_locale(Spec& spec, std::string_view name, std::string_view value) {
  const bool is_tag = !value.empty() && std::all_of(value.begin(), value.end(), [](char c) {
    return is_word_part(c) || c == '-' || c == '.' || c == '@';
  });
  if (!is_tag) return wrong_value(name, value, "It is as de-DE or de_DE.UTF-8.");
  spec.locale = SharedText(std::string(value));
  return std::nullopt;
}

constexpr auto keys = std::to_array<Key>({
    choice<&Spec::kind, kind_names>("kind", "what the value is"),
    choice<&Spec::align, align_names>("align", "where the text goes in its width"),
    mark<&Spec::fill, false>("fill", "what fills the width"),
    count<&Spec::width, 0, most_width>("width", "the least width"),
    choice<&Spec::sign, sign_names>("sign", "how the sign is shown"),
    choice<&Spec::notation, notation_names>("notation", "how a real is written"),
    count<&Spec::places, 0, most_width>("places", "digits after the point"),
    count<&Spec::significant, 1, most_width>("significant", "digits in all"),
    count<&Spec::least_digits, 0, most_width>(
        "least_digits", "zeros in front of a whole number, up to N digits in all"),
    choice<&Spec::keep_point, truth_names>("keep_point", "the point stays, and zeros after it"),
    count<&Spec::base, lowest_base, highest_base>("base", "of a whole number"),
    choice<&Spec::prefix, truth_names>("prefix", "0b, 0o or 0x in front"),
    choice<&Spec::letters, letters_names>("letters", "of digits and exponents"),
    mark<&Spec::group, true>("group", "between thousands"),
    mark<&Spec::point, false>("point", "before the decimals"),
    count<&Spec::limit, 0, most_width>("limit", "the most characters of a text"),
    choice<&Spec::rounding, rounding_names>("rounding", "what a digit too many does"),
    Key{"moment", "the parts of a moment, and text between them",
        [] { return std::string("{day}, {month:name}, {hour}:{minute}"); },
        [](const Spec& spec) { return std::string(spec.moment.text()); }, set_moment},
    Key{"currency", "of an amount of money, by its code", [] { return std::string("EUR, USD"); },
        [](const Spec& spec) { return std::string(spec.currency.text()); }, set_currency},
    Key{"locale", "whose money it is, by its name", [] { return std::string("de-DE, en-US"); },
        [](const Spec& spec) { return std::string(spec.locale.text()); }, set_locale},
});

constexpr auto key_names = [] {
  std::array<std::string_view, keys.size()> names;
  for (std::size_t i = 0; i < keys.size(); ++i) names[i] = keys[i].name;
  return names;
}();

Error contradiction(std::string message, std::string remedy) {
  return {Code::contradiction, std::move(message), {}, std::move(remedy)};
}

}  // namespace

std::span<const std::string_view> wish_keys() {
  return key_names;
}

std::string wish_meaning(std::string_view key) {
  for (const Key& known : keys) {
    if (known.name == key) return std::string(known.meaning) + ": " + known.values();
  }
  return {};
}

std::vector<WishEntry> wish_entries(const Spec& spec) {
  std::vector<WishEntry> out;
  for (const Key& key : keys) {
    if (std::string value = key.get(spec); !value.empty())
      out.push_back({key.name, std::move(value)});
  }
  return out;
}

std::optional<Error> set_wish(Spec& spec, std::string_view key, std::string_view value) {
  for (const Key& known : keys) {
    if (known.name == key) return known.set(spec, key, value);
  }
  return Error{Code::unknown_key,
               in_quotes(key) + " is not a wish",
               {},
               "The wishes are: " + listed(key_names) + "."};
}

void settle_notation(Spec& spec) {
  const bool has_digits = spec.places != unset || spec.significant != unset;
  if (has_digits && spec.kind == Kind::any) spec.kind = Kind::real;
  if (!spec.moment.empty() && spec.kind == Kind::any) spec.kind = Kind::moment;
  if (!spec.currency.empty() && (spec.kind == Kind::any || spec.kind == Kind::whole))
    spec.kind = Kind::real;
  if (spec.places != unset && spec.kind == Kind::whole) spec.kind = Kind::real;
  if (spec.kind != Kind::real || spec.notation != Notation::shortest) return;
  if (spec.places != unset) spec.notation = Notation::fixed;
  if (spec.significant != unset) spec.notation = Notation::compact;
}

std::optional<Error> find_contradiction(const Spec& spec) {
  const bool textual =
      spec.kind == Kind::text || spec.kind == Kind::character || spec.kind == Kind::truth;
  if (spec.places != unset && spec.significant != unset) {
    return contradiction(
        "places and significant exclude each other",
        "Keep places for digits after the point, or significant for digits in all.");
  }
  if (textual && (spec.places != unset || spec.significant != unset)) {
    return contradiction("a text has no digits to count",
                         "Use limit for the most characters of a text.");
  }
  if (textual && spec.align == Align::inner) {
    return contradiction("inner alignment pads between a sign and digits; a text has neither",
                         "Use left, right or center.");
  }
  if (spec.kind == Kind::real && spec.base != 10) {
    return contradiction("a real is printed in base 10", "For base 16 use notation hexfloat.");
  }
  if (spec.limit != unset && (spec.kind == Kind::whole || spec.kind == Kind::real)) {
    return contradiction("limit cuts text, never a number",
                         "Use places or significant for a number.");
  }
  if (spec.currency.empty() != spec.locale.empty()) {
    return contradiction("money is a currency in a locale",
                         "Give both: currency EUR, locale de-DE.");
  }
  if (!spec.currency.empty()) {
    Spec money;
    money.kind = Kind::real;
    money.notation = spec.notation == Notation::shortest ? Notation::shortest : Notation::fixed;
    money.places = spec.places;
    money.currency = spec.currency;
    money.locale = spec.locale;
    if (!(money == spec))
      return contradiction("money is written as its locale has it",
                           "Keep currency, locale and places, and leave the other wishes out.");
  }
  if (!spec.moment.empty() && spec.kind != Kind::any && spec.kind != Kind::moment) {
    return contradiction("parts of a moment are shown of a moment alone", "Leave the kind out.");
  }
  if (!spec.group.empty() && spec.group == spec.point) {
    return contradiction("group and point are the same mark", "Choose different marks.");
  }
  return std::nullopt;
}

}  // namespace inky::inline v1
