// The pattern is written anew for PCRE2, part by part: what the two understand differently is said in
// a way that they do not, or is not supported yet.

#include "patterns.hpp"

#include <algorithm>
#include <vector>

#include "text/ascii.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1::javascript {

namespace {

// WhiteSpace and LineTerminator.
constexpr std::string_view blanks =
    "\\t-\\r "
    "\\x{a0}\\x{1680}\\x{2000}-\\x{200a}\\x{2028}\\x{2029}\\x{202f}\\x{205f}\\x{3000}\\x{feff}";
constexpr std::string_view any_in_line = "[^\\n\\r\\x{2028}\\x{2029}]";

class Translator {
 public:
  Translator(std::string_view source, bool is_unicode, bool dot_is_any, PatternFault& fault)
      : source_(source), is_unicode_(is_unicode), dot_is_any_(dot_is_any), fault_(fault) {}

  bool translate() {
    count_groups();
    levels_.emplace_back();
    while (at_ < source_.size()) {
      if (!take_part()) return false;
    }
    return levels_.size() == 1 || syntax_error("a group is not closed");
  }
  std::string take() { return std::move(out_); }

 private:
  // What is known of a group that is being read.
  struct Level {
    std::size_t from = 0;  // where it begins in what is written
    bool captures = false;
    bool is_assertion = false;
    bool has_inner_capture = false;
    bool may_skip_capture = false;  // a capture in it need not take part
    bool has_capture() const { return captures || has_inner_capture; }
    bool has_choice = false;
    bool is_empty = true;       // this branch takes no character for sure
    bool may_be_empty = false;  // a branch before takes none
  };
  // What the last part was, for a quantifier behind it.
  struct Last {
    bool may_repeat = false;
    bool has_capture = false;
    bool may_skip_capture = false;
    bool may_be_empty = false;
    bool was_empty = true;  // the branch before it
  };

  bool not_yet(std::string what) {
    fault_ = {false, std::move(what)};
    return false;
  }
  bool syntax_error(std::string why) {
    fault_ = {true, std::move(why)};
    return false;
  }
  char peek(std::size_t further = 0) const {
    return at_ + further < source_.size() ? source_[at_ + further] : '\0';
  }
  bool starts_with(std::string_view text) const { return source_.substr(at_).starts_with(text); }

  void count_groups() {
    bool is_inside = false;
    for (std::size_t i = 0; i < source_.size(); ++i) {
      const char c = source_[i];
      if (c == '\\')
        ++i;
      else if (is_inside)
        is_inside = c != ']';
      else if (c == '[')
        is_inside = true;
      else if (c == '(' && (source_.substr(i + 1, 1) != "?" || is_named(source_.substr(i + 1))))
        ++groups_;
    }
  }
  static bool is_named(std::string_view rest) {
    return rest.starts_with("?<") && rest.size() > 2 && rest[2] != '=' && rest[2] != '!';
  }

  bool take_part() {
    const char c = peek();
    switch (c) {
      case '|':
        ++at_;
        out_ += '|';
        last_ = {};
        level().has_choice = true;
        level().may_be_empty = level().may_be_empty || level().is_empty;
        level().is_empty = true;
        return true;
      case '(':
        return open_group();
      case ')':
        return close_group();
      case '[':
        return take_class();
      case '^':
      case '$':
        ++at_;
        out_ += c;
        last_ = {};
        return true;
      case '.':
        ++at_;
        out_ += dot_is_any_ ? std::string_view(".") : any_in_line;
        return put_atom();
      case '*':
      case '+':
      case '?':
        return take_quantifier();
      case '{':
        if (is_counted()) return take_quantifier();
        [[fallthrough]];
      case '}':
      case ']':
        if (is_unicode_) return syntax_error(std::string("a lone ") + c);
        ++at_;
        (out_ += '\\') += c;
        return put_atom();
      case '\\':
        return take_escape();
      default:
        return take_character();
    }
  }

  bool put_atom() {
    last_ = {.may_repeat = true, .was_empty = level().is_empty};
    level().is_empty = false;
    return true;
  }

  bool take_character() {
    const auto point = first_code_point(source_.substr(at_));
    const auto size = static_cast<std::size_t>(point->bytes);
    if (point->value > 0xFFFF && !is_unicode_)
      return not_yet("a character beyond U+FFFF without the flag u");
    // A blank or a # mean themselves here, too.
    out_ += source_.substr(at_, size);
    at_ += size;
    return put_atom();
  }

  Level& level() { return levels_.back(); }

  bool open_group() {
    Level opened;
    opened.from = out_.size();
    if (starts_with("(?:")) {
      out_ += "(?:";
      at_ += 3;
    } else if (starts_with("(?=") || starts_with("(?!")) {
      out_ += source_.substr(at_, 3);
      opened.is_assertion = true;
      opened.may_skip_capture = peek(2) == '!';
      at_ += 3;
    } else if (starts_with("(?<=") || starts_with("(?<!")) {
      out_ += source_.substr(at_, 4);
      opened.is_assertion = true;
      opened.may_skip_capture = true;
      at_ += 4;
    } else if (starts_with("(?<")) {
      const std::size_t end = source_.find('>', at_);
      if (end == std::string_view::npos) return syntax_error("the name of a group is not closed");
      const std::string_view name = source_.substr(at_ + 3, end - at_ - 3);
      const bool good = !name.empty() && is_word_start(name[0]) &&
                        std::all_of(name.begin(), name.end(), is_word_part);
      if (!good) return not_yet("such a name of a group");
      out_ += source_.substr(at_, end + 1 - at_);
      at_ = end + 1;
      opened.captures = true;
    } else if (starts_with("(?")) {
      return syntax_error("such a group");
    } else {
      out_ += '(';
      ++at_;
      opened.captures = true;
    }
    if (opened.captures && has_look_behind_open()) return not_yet("a group in a look behind");
    levels_.push_back(opened);
    last_ = {};
    return true;
  }
  bool has_look_behind_open() const {
    return std::any_of(levels_.begin(), levels_.end(), [&](const Level& one) {
      return one.is_assertion && out_.compare(one.from, 3, "(?<") == 0;
    });
  }

  bool close_group() {
    if (levels_.size() == 1) return syntax_error("a ) that closes no group");
    const Level closed = levels_.back();
    levels_.pop_back();
    ++at_;
    out_ += ')';
    Last now;
    now.may_repeat = !closed.is_assertion;
    now.has_capture = closed.has_capture();
    now.may_skip_capture =
        closed.may_skip_capture || (closed.has_choice && closed.has_inner_capture);
    now.may_be_empty = closed.is_empty || closed.may_be_empty;
    now.was_empty = level().is_empty;
    level().has_inner_capture = level().has_inner_capture || closed.has_capture();
    level().may_skip_capture = level().may_skip_capture || now.may_skip_capture;
    if (!closed.is_assertion && !now.may_be_empty) level().is_empty = false;
    last_ = now;
    return true;
  }

  bool is_counted() const {
    std::size_t i = at_ + 1;
    const std::size_t from = i;
    while (i < source_.size() && is_digit(source_[i])) ++i;
    if (i == from) return false;
    if (i < source_.size() && source_[i] == ',') ++i;
    while (i < source_.size() && is_digit(source_[i])) ++i;
    return i < source_.size() && source_[i] == '}';
  }

  bool take_quantifier() {
    if (!last_.may_repeat) return syntax_error("nothing to repeat");
    const char c = peek();
    std::size_t size = 1;
    bool may_be_none = c != '+';
    bool is_many = c != '?';
    if (c == '{') {
      size = source_.find('}', at_) + 1 - at_;
      const std::string_view counts = source_.substr(at_ + 1, size - 2);
      constexpr std::size_t most_digits = 4;
      if (counts.size() > 2 * most_digits + 1) return not_yet("such a count");
      const std::size_t comma = counts.find(',');
      const std::string_view least = counts.substr(0, comma);
      const std::string_view most =
          comma == std::string_view::npos ? least : counts.substr(comma + 1);
      const auto number = [](std::string_view digits) {
        int out = 0;
        for (const char digit : digits) out = out * 10 + (digit - '0');
        return out;
      };
      constexpr int largest = 1'000;
      if (least.size() > most_digits || most.size() > most_digits || number(least) > largest ||
          number(most) > largest)
        return not_yet("such a count");
      if (!most.empty() && number(least) > number(most))
        return syntax_error("numbers out of order");
      may_be_none = number(least) == 0;
      is_many = most.empty() || number(most) > 1;
    }
    // Each round of JavaScript begins with its groups empty.
    if (is_many && last_.has_capture && (last_.may_skip_capture || last_.may_be_empty))
      return not_yet("a repeated group with such groups in it");
    out_ += source_.substr(at_, size);
    at_ += size;
    if (peek() == '?') {
      out_ += '?';
      ++at_;
    } else if (peek() == '+' || peek() == '*' || (peek() == '{' && is_counted())) {
      return syntax_error("nothing to repeat");
    }
    if (may_be_none) {
      level().may_skip_capture = level().may_skip_capture || last_.has_capture;
      level().is_empty = last_.was_empty;
    }
    last_ = {};
    return true;
  }

  bool take_escape() {
    const char c = peek(1);
    if (c == '\0') return syntax_error("\\ at the end of a pattern");
    if (c >= '1' && c <= '9') return take_reference();
    if (c == 'b' || c == 'B') {
      out_ += source_.substr(at_, 2);
      at_ += 2;
      last_ = {};
      return true;
    }
    if (c == 'k') {
      if (source_.find("(?<") == std::string_view::npos) return not_yet("such an escape");
      const std::size_t end = source_.find('>', at_);
      if (peek(2) != '<' || end == std::string_view::npos) return syntax_error("such a reference");
      out_ += source_.substr(at_, end + 1 - at_);
      at_ = end + 1;
      last_ = {.may_repeat = true, .may_be_empty = true, .was_empty = level().is_empty};
      return true;
    }
    return take_class_escape(false) && put_atom();
  }

  bool take_reference() {
    std::size_t size = 1;
    std::size_t number = 0;
    while (is_digit(peek(size)) && size < 4)
      number = number * 10 + static_cast<std::size_t>(peek(size++) - '0');
    if (number > groups_)
      return is_unicode_ ? syntax_error("such a reference") : not_yet("such an escape");
    out_ += "\\g{" + std::to_string(number) + "}";
    at_ += size;
    last_ = {.may_repeat = true, .may_be_empty = true, .was_empty = level().is_empty};
    return true;
  }

  // An escape that stands for characters.
  bool take_class_escape(bool is_inside) {
    const char c = peek(1);
    at_ += 2;
    constexpr std::string_view classes = "dDwW";
    constexpr std::string_view controls = "tnrf";
    if (classes.find(c) != std::string_view::npos || controls.find(c) != std::string_view::npos) {
      (out_ += '\\') += c;
      return true;
    }
    if (c == 'v') {
      out_ += "\\x0b";
      return true;
    }
    if (c == 's') {
      out_ += is_inside ? std::string(blanks) : "[" + std::string(blanks) + "]";
      return true;
    }
    if (c == 'S') {
      if (is_inside) return not_yet("\\S in brackets");
      out_ += "[^" + std::string(blanks) + "]";
      return true;
    }
    if (c == '0') {
      if (is_digit(peek())) return not_yet("such an escape");
      out_ += "\\x00";
      return true;
    }
    if (c == 'x' || c == 'u') return take_code(c == 'x' ? 2 : 4);
    if (c == 'p' || c == 'P') return take_property(c);
    if (is_word_part(c)) return not_yet("such an escape");
    if (static_cast<unsigned char>(c) >= 0x80) return not_yet("such an escape");
    (out_ += '\\') += c;
    return true;
  }

  bool take_code(std::size_t digits) {
    std::string number;
    if (is_unicode_ && digits == 4 && peek() == '{') {
      const std::size_t end = std::min(source_.find('}', at_), source_.size());
      number = source_.substr(at_ + 1, end - at_ - 1);
      at_ = std::min(end + 1, source_.size());
    } else {
      number = source_.substr(at_, digits);
      at_ = std::min(at_ + digits, source_.size());
      if (number.size() != digits) return not_yet("such an escape");
    }
    const bool good = !number.empty() && number.size() <= 6 &&
                      number.find_first_not_of("0123456789abcdefABCDEF") == std::string::npos;
    if (!good) return not_yet("such an escape");
    const unsigned long point = std::stoul(number, nullptr, 16);
    if (point > 0x10FFFF || (point >= 0xD800 && point < 0xE000)) return not_yet("such an escape");
    out_ += "\\x{" + number + "}";
    return true;
  }

  // \p{L}, \p{Lu}
  bool take_property(char letter) {
    const std::size_t end = source_.find('}', at_);
    if (!is_unicode_ || peek() != '{' || end == std::string_view::npos)
      return not_yet("such an escape");
    const std::string_view name = source_.substr(at_ + 1, end - at_ - 1);
    constexpr std::string_view known = " L Lu Ll Lt Lm Lo N Nd Nl No P S Sm Sc Z Zs ";
    if (known.find(" " + std::string(name) + " ") == std::string_view::npos)
      return not_yet("such a property of characters");
    (((out_ += '\\') += letter) += '{') += name;
    out_ += '}';
    at_ = end + 1;
    return true;
  }

  bool take_class() {
    ++at_;
    out_ += '[';
    if (peek() == '^') {
      ++at_;
      out_ += '^';
    }
    while (peek() != ']' || at_ >= source_.size()) {
      if (at_ >= source_.size()) return syntax_error("a [ is not closed");
      const char c = peek();
      if (c == '\\') {
        if (peek(1) == 'b') {
          out_ += "\\x08";
          at_ += 2;
        } else if (peek(1) == '\0' && at_ + 1 >= source_.size()) {
          return syntax_error("\\ at the end of a pattern");
        } else if (peek(1) == '-') {
          out_ += "\\-";
          at_ += 2;
        } else if (!take_class_escape(true)) {
          return false;
        }
        continue;
      }
      if (c == '[') {
        out_ += "\\[";
        ++at_;
        continue;
      }
      const auto point = first_code_point(source_.substr(at_));
      if (point->value > 0xFFFF && !is_unicode_)
        return not_yet("a character beyond U+FFFF without the flag u");
      const auto size = static_cast<std::size_t>(point->bytes);
      out_ += source_.substr(at_, size);
      at_ += size;
    }
    ++at_;
    out_ += ']';
    return put_atom();
  }

  std::string_view source_;
  bool is_unicode_;
  bool dot_is_any_;
  PatternFault& fault_;
  std::string out_;
  std::size_t at_ = 0;
  std::size_t groups_ = 0;
  std::vector<Level> levels_;
  Last last_;
};

}  // namespace

std::optional<Pattern> read_pattern(std::string_view source, std::string_view flags,
                                    PatternFault& fault) {
  Pattern out;
  PatternOptions options = {.missing_is_empty = true};
  bool is_unicode = false;
  std::string seen;
  for (const char flag : flags) {
    if (seen.find(flag) != std::string::npos ||
        std::string_view("dgimsuvy").find(flag) == std::string_view::npos) {
      fault = {true, "such flags"};
      return std::nullopt;
    }
    seen += flag;
    if (flag == 'v' || flag == 'y' || flag == 'd') {
      fault = {false, std::string("the flag ") + flag};
      return std::nullopt;
    }
    out.is_global = out.is_global || flag == 'g';
    options.ignores_case = options.ignores_case || flag == 'i';
    options.has_lines = options.has_lines || flag == 'm';
    options.dot_is_any = options.dot_is_any || flag == 's';
    is_unicode = is_unicode || flag == 'u';
  }
  out.ignores_case = options.ignores_case;
  out.has_lines = options.has_lines;
  out.is_plain = is_ascii(source);
  Translator translator(source, is_unicode, options.dot_is_any, fault);
  if (!translator.translate()) return std::nullopt;
  std::string why;
  auto compiled = RegularExpression::compile(translator.take(), options, why);
  if (!compiled) {
    fault = {false, "this pattern (" + why + ")"};
    return std::nullopt;
  }
  out.expression = std::move(*compiled);
  return out;
}

}  // namespace inky::inline v1::javascript
