#include "pattern_reading.hpp"

#include <algorithm>
#include <string>

#include "../family/braces.hpp"
#include "../family/writing.hpp"
#include "escapes.hpp"
#include "text/escape.hpp"

namespace inky::inline v1::java_language::pattern {

namespace {

constexpr std::string_view currency_sign = "\xc2\xa4";
constexpr std::string_view per_mille_sign = "\xe2\x80\xb0";

class Reader {
 public:
  Reader(const braces::Decoded& decoded, TemplateContent& out, Pattern& pattern,
         std::vector<Words>* words)
      : decoded_(decoded), text_(decoded.text()), out_(out), pattern_(pattern), words_(words) {}

  void read() {
    if (text_.empty()) {
      pattern_.most_places = most_fraction_places;
      pattern_.group = 3;
    }
    if (!text_.empty() && !read_half(0)) return;
    // Without a second pattern, OpenJDK reads the first one again. That is seen where it has an E
    // behind its digits, which is skipped then: the minus sign is lost.
    if (at_ == text_.size() && !text_.ends_with(';')) at_ = 0;
    const bool has_negative = at_ < text_.size();
    if (has_negative && !read_half(1)) return;
    if (!has_negative ||
        (pattern_.prefix[0] == pattern_.prefix[1] && pattern_.suffix[0] == pattern_.suffix[1])) {
      pattern_.suffix[1] = pattern_.suffix[0];
      pattern_.prefix[1] = {};
      pattern_.prefix[1].add(Affix::Part::minus);
      for (const Affix::Piece& piece : pattern_.prefix[0].pieces)
        pattern_.prefix[1].pieces.push_back(piece);
    }
  }

 private:
  template <typename Meaning>
  void tell(std::string_view role, Meaning meaning) {
    if (words_.asked()) words_.add(decoded_.in_source({0, at_}).to, role, meaning(), 0);
  }

  static std::string in_words(const Affix& affix) {
    std::string out;
    for (const Affix::Piece& piece : affix.pieces) {
      if (!out.empty()) out += ", ";
      switch (piece.part) {
        case Affix::Part::text:
          out += in_quotes(piece.text);
          break;
        case Affix::Part::percent:
          out += "times 100 and the percent sign";
          break;
        case Affix::Part::per_mille:
          out += "times 1000 and the per-mille sign";
          break;
        case Affix::Part::minus:
          out += "the minus sign";
          break;
        default:
          out += "the currency";
      }
    }
    return out.empty() ? "nothing" : out;
  }

  bool refuse(std::string why, std::size_t from) {
    if (out_.refusal) return false;
    out_.refusal = {Refusal::When::run, std::string(illegal_argument), std::move(why),
                    decoded_.in_source({from, std::min(std::max(at_, from + 1), text_.size())})};
    return false;
  }

  std::string_view rest() const { return text_.substr(at_); }
  bool is_digit_mark(char c) const { return c == '#' || c == '0' || c == ',' || c == '.'; }

  // The pattern of positive numbers (0), or of negative ones (1).
  bool read_half(std::size_t which) {
    const std::size_t start = at_;
    counts_ = {};
    multiplier_ = 1;
    bool before = true;
    while (at_ < text_.size()) {
      Affix& affix = before ? pattern_.prefix[which] : pattern_.suffix[which];
      if (!read_affix(affix, which, before)) return false;
      tell(before ? "prefix" : "suffix", [&] { return in_words(affix); });
      if (at_ >= text_.size()) break;
      if (text_[at_] == ';') {
        ++at_;
        tell("negative", [] { return std::string("what follows is for negative numbers"); });
        break;
      }
      // Behind a suffix, digits go on as if nothing stood between.
      if (which == 1)
        skip_digits();
      else if (!read_digits())
        return false;
      before = false;
    }
    if (which == 1) return true;
    pattern_.multiplier = multiplier_;
    return settle() || refuse("the digits of this pattern make no sense together", start);
  }

  // Up to digits, a semicolon or the end.
  bool read_affix(Affix& affix, std::size_t which, bool before) {
    const std::size_t start = at_;
    bool quoted = false;
    while (at_ < text_.size()) {
      const char c = text_[at_];
      if (c == '\'') {
        const bool doubled = rest().starts_with("''");
        if (doubled) affix.add("'");
        if (!doubled) quoted = !quoted;
        at_ += doubled ? 2 : 1;
        continue;
      }
      if (!quoted) {
        if (is_digit_mark(c)) return true;
        if (c == ';') {
          if (!before && which == 0) return true;
          return refuse(before ? "a semicolon before the digits" : "a second semicolon", at_);
        }
        if (read_sign(affix)) {
          if (out_.refusal) return false;
          continue;
        }
      }
      affix.add(text_.substr(at_++, 1));
    }
    return !quoted || refuse("a closing quote is missing", start);
  }

  // A character that means something of the locale.
  bool read_sign(Affix& affix) {
    const bool percent = rest().starts_with('%');
    const bool per_mille = rest().starts_with(per_mille_sign);
    if (percent || per_mille) {
      if (multiplier_ != 1) refuse("a second percent or per-mille sign", at_);
      multiplier_ = percent ? 100 : 1000;
      affix.add(percent ? Affix::Part::percent : Affix::Part::per_mille);
      at_ += percent ? 1 : per_mille_sign.size();
      return true;
    }
    if (rest().starts_with('-')) {
      affix.add(Affix::Part::minus);
      ++at_;
      return true;
    }
    if (!rest().starts_with(currency_sign)) return false;
    at_ += currency_sign.size();
    const bool doubled = rest().starts_with(currency_sign);
    if (doubled) at_ += currency_sign.size();
    pattern_.is_currency = true;
    affix.add(doubled ? Affix::Part::currency_code : Affix::Part::currency);
    return true;
  }

  // Those of the pattern for negative numbers count for nothing.
  void skip_digits() {
    while (at_ < text_.size() && (is_digit_mark(text_[at_]) || text_[at_] == 'E')) ++at_;
    tell("digits", [] { return std::string("digits: those of the first pattern count"); });
  }

  bool read_digits() {
    for (; at_ < text_.size(); ++at_) {
      const char c = text_[at_];
      if (c == '#') {
        ++(counts_.zeros > 0 ? counts_.right : counts_.left);
      } else if (c == '0') {
        if (counts_.right > 0) return refuse("a 0 after a # that follows zeros", at_);
        ++counts_.zeros;
      } else if (c == ',') {
        counts_.group = 0;
        continue;
      } else if (c == '.') {
        if (counts_.point >= 0) return refuse("a second point", at_);
        counts_.point = counts_.all();
        continue;
      } else {
        break;
      }
      if (counts_.group >= 0 && counts_.point < 0) ++counts_.group;
    }
    if (rest().starts_with('E') && !read_exponent()) return false;
    if (words_.asked() && settle()) tell("digits", [&] { return digits_in_words(); });
    return true;
  }

  bool read_exponent() {
    const std::size_t start = at_++;
    if (pattern_.scientific) return refuse("a second exponent", start);
    pattern_.scientific = true;
    for (; rest().starts_with('0'); ++at_) ++pattern_.least_exponent;
    if (counts_.left + counts_.zeros >= 1 && pattern_.least_exponent >= 1) return true;
    return refuse("an exponent needs digits before it, and zeros after E", start);
  }

  // What the digits ask for; false where they ask for nothing sensible.
  bool settle() {
    Counts counts = counts_;
    // "#.##" is "0.##", and ".##" is ".0#".
    if (counts.zeros == 0 && counts.left > 0 && counts.point >= 0) {
      const int n = std::max(counts.point, 1);
      counts.right = counts.left - n;
      counts.left = n - 1;
      counts.zeros = 1;
    }
    const int point = counts.point;
    const int total = counts.all();
    if ((point < 0 && counts.right > 0) || counts.group == 0 ||
        (point >= 0 && (point < counts.left || point > counts.left + counts.zeros)))
      return false;
    const int whole = point >= 0 ? point : total;
    pattern_.least_whole = std::min(whole - counts.left, most_whole_places);
    pattern_.most_whole = pattern_.scientific ? whole : most_width;
    pattern_.most_places = point >= 0 ? std::min(total - point, most_fraction_places) : 0;
    pattern_.least_places =
        point >= 0 ? std::min(counts.left + counts.zeros - point, most_fraction_places) : 0;
    pattern_.group = std::max(counts.group, 0);
    pattern_.always_point = point == 0 || point == total;
    return true;
  }

  std::string digits_in_words() const {
    const auto count = [](int n) { return std::to_string(n) + (n == 1 ? " digit" : " digits"); };
    std::string out = "at least " + count(pattern_.least_whole) + " before the point";
    out += pattern_.most_places == 0 ? ", none after it" : ", after it ";
    if (pattern_.most_places > 0) {
      if (pattern_.least_places < pattern_.most_places)
        out += std::to_string(pattern_.least_places) + " to ";
      out += count(pattern_.most_places);
    }
    if (pattern_.group > 0)
      out += "; thousands marks, " + std::to_string(pattern_.group) + " digits apart";
    if (pattern_.scientific) out += "; an exponent of at least " + count(pattern_.least_exponent);
    return out;
  }

  struct Counts {
    int left = 0;  // # before the zeros
    int zeros = 0;
    int right = 0;   // # after them
    int point = -1;  // how many of all these stand before it
    int group = -1;  // how many stand between the last comma and the point
    int all() const { return left + zeros + right; }
  };

  const braces::Decoded& decoded_;
  std::string_view text_;
  TemplateContent& out_;
  Pattern& pattern_;
  braces::WordsSink words_;
  std::size_t at_ = 0;
  Counts counts_;
  int multiplier_ = 1;
};

}  // namespace

void read_pattern(TemplateContent& out, Pattern& pattern, std::vector<Words>* words) {
  const braces::Decoded decoded(out, read_escape);
  if (!out.refusal) Reader(decoded, out, pattern, words).read();
}

}  // namespace inky::inline v1::java_language::pattern
