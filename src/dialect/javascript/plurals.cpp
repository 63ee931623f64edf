#include "plurals.hpp"

#include <algorithm>
#include <iterator>

namespace inky::inline v1::javascript {

namespace {

// What the rules speak of: the operands of UTS 35, Part 3.
struct Operands {
  std::string_view whole;   // i
  std::string_view places;  // f, and its length v
  std::string_view needed;  // t: without zeros at the end

  explicit Operands(std::string_view shown) {
    const std::size_t point = shown.find('.');
    whole = shown.substr(0, point);
    while (whole.size() > 1 && whole[0] == '0') whole.remove_prefix(1);
    if (point != std::string_view::npos) places = shown.substr(point + 1);
    needed = places;
    while (!needed.empty() && needed.back() == '0') needed.remove_suffix(1);
  }

  bool has_places() const { return !places.empty(); }
  bool is_whole() const { return needed.empty(); }
  // The number itself, without places or with zeros only.
  bool is(std::string_view number) const { return is_whole() && whole == number; }
  bool is_millions() const {
    constexpr std::string_view zeros = "000000";
    return !has_places() && whole.size() > zeros.size() && whole.ends_with(zeros);
  }
};

// The remainder of digits by a hundred, and by ten.
int hundredth(std::string_view digits) {
  int out = 0;
  for (const char c : digits.substr(digits.size() > 2 ? digits.size() - 2 : 0))
    out = out * 10 + (c - '0');
  return out;
}
int tenth(std::string_view digits) {
  return hundredth(digits) % 10;
}
bool is_between(int number, int least, int most) {
  return number >= least && number <= most;
}

// 1, 21, 101, but not 11.
bool ends_in_one(std::string_view digits) {
  return tenth(digits) == 1 && hundredth(digits) != 11;
}
// 2, 3, 4, 22, but not 12, 13, 14.
bool ends_in_few(std::string_view digits) {
  return is_between(tenth(digits), 2, 4) && !is_between(hundredth(digits), 12, 14);
}

Plural when(bool is_one) {
  return is_one ? Plural::one : Plural::other;
}
Plural never(const Operands&) {
  return Plural::other;
}
Plural only_one(const Operands& n) {
  return when(!n.has_places() && n.whole == "1");
}
Plural one_or_places(const Operands& n) {
  return when(n.is("1"));
}
// Zero to one, whatever its places, and one.
Plural up_to_one(const Operands& n) {
  return when(n.whole == "0" || n.is("1"));
}
Plural below_two(const Operands& n) {
  return when(n.whole == "0" || n.whole == "1");
}
Plural zero_or_one(const Operands& n) {
  return when(n.is("0") || n.is("1"));
}
Plural danish(const Operands& n) {
  return when(n.is("1") || (!n.is_whole() && (n.whole == "0" || n.whole == "1")));
}
Plural sinhala(const Operands& n) {
  return when(n.is("0") || n.is("1") ||
              (n.whole == "0" && !n.places.empty() && n.places.back() == '1' &&
               n.places.find_first_not_of('0') == n.places.size() - 1));
}
Plural or_millions(Plural plural, const Operands& n) {
  return plural == Plural::other && n.is_millions() ? Plural::many : plural;
}
Plural french(const Operands& n) {
  return or_millions(below_two(n), n);
}
Plural spanish(const Operands& n) {
  return or_millions(one_or_places(n), n);
}
Plural italian(const Operands& n) {
  return or_millions(only_one(n), n);
}
Plural icelandic(const Operands& n) {
  return when(n.is_whole() ? ends_in_one(n.whole) : ends_in_one(n.needed));
}
Plural macedonian(const Operands& n) {
  return when(ends_in_one(n.has_places() ? n.places : n.whole) ||
              (n.has_places() && ends_in_one(n.places)));
}
Plural filipino(const Operands& n) {
  const int last = tenth(n.has_places() ? n.places : n.whole);
  return when(last != 4 && last != 6 && last != 9);
}
Plural russian(const Operands& n) {
  if (n.has_places()) return Plural::other;
  if (ends_in_one(n.whole)) return Plural::one;
  return ends_in_few(n.whole) ? Plural::few : Plural::many;
}
Plural polish(const Operands& n) {
  if (n.has_places()) return Plural::other;
  if (n.whole == "1") return Plural::one;
  return ends_in_few(n.whole) ? Plural::few : Plural::many;
}
Plural czech(const Operands& n) {
  if (n.has_places()) return Plural::many;
  if (n.whole == "1") return Plural::one;
  return n.whole == "2" || n.whole == "3" || n.whole == "4" ? Plural::few : Plural::other;
}
Plural serbian(const Operands& n) {
  const std::string_view digits = n.has_places() ? n.places : n.whole;
  if (ends_in_one(digits)) return Plural::one;
  return ends_in_few(digits) ? Plural::few : Plural::other;
}
Plural romanian(const Operands& n) {
  if (n.has_places()) return Plural::few;
  if (n.whole == "1") return Plural::one;
  return n.whole == "0" || is_between(hundredth(n.whole), 1, 19) ? Plural::few : Plural::other;
}
Plural lithuanian(const Operands& n) {
  if (!n.is_whole()) return Plural::many;
  if (is_between(hundredth(n.whole), 11, 19) || tenth(n.whole) == 0) return Plural::other;
  return tenth(n.whole) == 1 ? Plural::one : Plural::few;
}

struct Rule {
  std::string_view languages;  // each between blanks
  Plural (*plural)(const Operands&);
};
constexpr Rule rules[] = {
    {" ja ko zh th vi id ms km lo my ", never},
    {" en de nl sv fi et sw ur gl ", only_one},
    {" af az bg el eu hu ka kk ky mn mr nb nn no ne sq ta te tr uz ml ", one_or_places},
    {" hi bn fa kn gu ", up_to_one},
    {" hy ", below_two},
    {" pa ", zero_or_one},
    {" fr pt ", french},
    {" pt-PT it ca ", italian},
    {" es ", spanish},
    {" da ", danish},
    {" si ", sinhala},
    {" is ", icelandic},
    {" mk ", macedonian},
    {" fil ", filipino},
    {" ru uk ", russian},
    {" pl ", polish},
    {" cs sk ", czech},
    {" hr sr bs ", serbian},
    {" ro ", romanian},
    {" lt ", lithuanian},
};

bool has_language(std::string_view languages, std::string_view language) {
  for (std::size_t at = languages.find(language); at != std::string_view::npos;
       at = languages.find(language, at + 1)) {
    if (languages[at - 1] == ' ' && languages[at + language.size()] == ' ') return true;
  }
  return false;
}

}  // namespace

Plural plural_of(std::string_view tag, std::string_view shown) {
  const std::string_view language =
      tag.starts_with("pt-PT") ? tag.substr(0, 5) : tag.substr(0, tag.find('-'));
  const auto* rule = std::find_if(std::begin(rules), std::end(rules), [&](const Rule& one) {
    return has_language(one.languages, language);
  });
  return rule == std::end(rules) ? Plural::other : rule->plural(Operands(shown));
}

}  // namespace inky::inline v1::javascript
