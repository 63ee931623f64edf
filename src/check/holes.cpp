#include "inky_margin/check/holes.hpp"

#include <algorithm>
#include <string>

namespace inky::inline v1 {

namespace {

bool is_digit(char byte) {
  return byte >= '0' && byte <= '9';
}

// A hole, and which of the values it shows, from 0.
struct Hole {
  Span span;
  std::size_t value = 0;
  char letter = 0;  // of a rule that has some
};

class HoleChecker {
 public:
  HoleChecker(HoleRule rule, std::string_view source, const GivenValues& given)
      : rule_(rule), source_(source), given_(given) {}

  Checked run() {
    switch (rule_) {
      case HoleRule::braces:
      case HoleRule::braces_if_any:
        read_braces();
        if (holes_.empty() && rule_ == HoleRule::braces_if_any) return {};
        break;
      case HoleRule::names:
        read_names();
        break;
      case HoleRule::numbers:
        read_numbers();
        break;
      default:
        read_letters();
    }
    if (given_.values && out_.faults.empty()) compare();
    std::stable_sort(out_.faults.begin(), out_.faults.end(),
                     [](const Fault& a, const Fault& b) { return a.span.from < b.span.from; });
    return std::move(out_);
  }

 private:
  std::string text_of(Span span) const {
    return std::string(source_.substr(span.from, span.to - span.from));
  }
  std::size_t count() const { return given_.values ? given_.values->size() : 0; }

  void warn(Code code, std::string message, Span span) {
    out_.faults.push_back({code, Severity::warning, std::move(message), span, {}, {}});
  }
  void fail(std::string message, Span span, std::string_view exception) {
    out_.faults.push_back({Code::language_fails,
                           Severity::error,
                           std::move(message),
                           span,
                           "fails when it runs: " + std::string(exception),
                           {}});
  }
  void add_hole(std::size_t from, std::size_t to, std::size_t value, char letter = 0) {
    holes_.push_back({{from, to}, value, letter});
  }

  // {}: a backslash before it makes it text, and two make one backslash.
  void read_braces() {
    for (std::size_t at = source_.find("{}"); at != std::string_view::npos;
         at = source_.find("{}", at + 2)) {
      std::size_t marks = 0;
      while (marks < at && source_[at - marks - 1] == '\\') ++marks;
      // Each is written as two in source.
      if (marks / 2 != 1) add_hole(at, at + 2, holes_.size());
    }
  }

  // {Name,width:specification}; a name that stands twice takes two values.
  void read_names() {
    if (given_.values && count() == 0 && !given_.more_may_follow) {
      // Without values nothing is read at all.
      for (std::size_t open = source_.find('{'); open != std::string_view::npos;
           open = source_.find('{', open + 1)) {
        const std::size_t end = source_.find_first_of("{}", open + 1);
        const bool is_hole = end != std::string_view::npos && source_[end] == '}' &&
                             is_name_byte(source_[open + 1]) &&
                             (open == 0 || source_[open - 1] != '{');
        if (!is_hole) continue;
        warn(Code::hole_not_filled,
             text_of({open, end + 1}) + " has no value, and is printed as it is", {open, end + 1});
        break;
      }
      return;
    }
    std::size_t at = 0;
    while (at < source_.size()) {
      const char byte = source_[at];
      if (byte != '{' && byte != '}') {
        ++at;
      } else if (source_.substr(at + 1, 1) == std::string_view(&byte, 1)) {
        at += 2;
      } else if (byte == '}') {
        fail("this } ends no hole; a brace of text is written twice", {at, at + 1},
             "FormatException");
        return;
      } else {
        const std::size_t close = end_of_name(at + 1);
        if (close == std::string_view::npos) {
          fail("this hole does not end", {at, source_.size()}, "FormatException");
          return;
        }
        if (!read_name({at, close + 1})) return;
        at = close + 1;
      }
    }
    take_numbers();
  }

  // Holes that all have numbers may be those of another library, which means the values by them.
  void take_numbers() {
    std::vector<std::size_t> numbers;
    for (const Hole& hole : holes_) {
      std::size_t at = hole.span.from + 1;
      std::size_t number = 0;
      constexpr std::size_t most = 1000;
      for (; is_digit(source_[at]); ++at)
        number = std::min(number * 10 + static_cast<std::size_t>(source_[at] - '0'), most);
      if (at == hole.span.from + 1) return;
      numbers.push_back(number);
    }
    for (std::size_t i = 0; i < numbers.size(); ++i) holes_[i].value = numbers[i];
  }

  // Two closing braces are none.
  std::size_t end_of_name(std::size_t at) const {
    while (true) {
      at = source_.find('}', at);
      if (at == std::string_view::npos) return at;
      std::size_t end = at;
      while (end < source_.size() && source_[end] == '}') ++end;
      if ((end - at) % 2 == 1) return at;
      at = end;
    }
  }

  bool read_name(Span span) {
    const std::string_view name = source_.substr(span.from + 1, span.to - span.from - 2);
    const std::size_t end = std::min(name.find(':'), name.size());
    const std::size_t comma = name.substr(0, end).find(',');
    if (comma != std::string_view::npos) {
      std::string_view width = name.substr(comma + 1, end - comma - 1);
      while (width.starts_with(' ')) width.remove_prefix(1);
      while (width.ends_with(' ')) width.remove_suffix(1);
      if (width.starts_with('-')) width.remove_prefix(1);
      if (width.empty() || !std::all_of(width.begin(), width.end(), is_digit)) {
        fail("a width is a number", span, "FormatException");
        return false;
      }
    }
    if (name.find('{') != std::string_view::npos)
      warn(Code::hole_not_filled, "another hole begins before this one ends, and its text is lost",
           span);
    add_hole(span.from, span.to, holes_.size());
    return true;
  }
  static bool is_name_byte(char byte) {
    return (byte >= 'a' && byte <= 'z') || (byte >= 'A' && byte <= 'Z') || is_digit(byte) ||
           byte == '_' || byte == '@' || byte == '$';
  }

  // {0}, {1,number,#.##}: an apostrophe begins text that ends at the next one, and two are one.
  void read_numbers() {
    std::size_t quote = std::string_view::npos;
    for (std::size_t at = 0; at < source_.size(); ++at) {
      if (source_[at] == '\'') {
        if (source_.substr(at + 1, 1) == "'")
          ++at;
        else
          quote = quote == std::string_view::npos ? at : std::string_view::npos;
      } else if (source_[at] == '{' && quote == std::string_view::npos) {
        if (!read_number(at)) return;
      }
    }
    if (quote == std::string_view::npos) return;
    for (std::size_t at = source_.find('{', quote); at != std::string_view::npos;
         at = source_.find('{', at + 1)) {
      std::size_t end = at + 1;
      while (end < source_.size() && is_digit(source_[end])) ++end;
      if (end == at + 1 || source_.substr(end, 1) != "}") continue;
      warn(Code::hole_not_filled,
           text_of({at, end + 1}) + " is text: the apostrophe before it is not doubled",
           {at, end + 1});
    }
  }

  // From a brace to its end, which `at` is then.
  bool read_number(std::size_t& at) {
    constexpr std::string_view exception = "IllegalArgumentException";
    const std::size_t from = at;
    std::size_t depth = 0;
    bool quoted = false;
    for (; at < source_.size(); ++at) {
      const char byte = source_[at];
      if (byte == '\'') quoted = !quoted;
      if (quoted) continue;
      if (byte == '{') ++depth;
      if (byte == '}' && --depth == 0) break;
    }
    if (at == source_.size()) {
      // With another brace open in it, Java drops the rest without a word.
      if (depth == 1)
        fail("this hole does not end", {from, at}, exception);
      else
        warn(Code::hole_not_filled, "this hole does not end, and what follows is not printed",
             {from, at});
      return false;
    }
    std::size_t digits = from + 1;
    std::size_t value = 0;
    constexpr std::size_t most = 1000000;
    while (is_digit(source_[digits])) {
      value = std::min(value * 10 + static_cast<std::size_t>(source_[digits] - '0'), most);
      ++digits;
    }
    if (digits == from + 1 || (source_[digits] != '}' && source_[digits] != ',')) {
      fail("a hole here has the number of its value, from 0: {0}", {from, at + 1}, exception);
      return false;
    }
    add_hole(from, at + 1, value);
    return true;
  }

  // %s and its like, without width and places.
  void read_letters() {
    constexpr std::string_view letters = "sdifjoOc";
    for (std::size_t at = source_.find('%');
         at != std::string_view::npos && at + 1 < source_.size(); at = source_.find('%', at)) {
      if (letters.find(source_[at + 1]) != std::string_view::npos) {
        add_hole(at, at + 2, holes_.size(), source_[at + 1]);
        at += 2;
        continue;
      }
      if (source_[at + 1] == '%') {
        at += 2;
        continue;
      }
      std::size_t end = at + 1;
      while (end < source_.size() && (is_digit(source_[end]) || source_[end] == '.')) ++end;
      constexpr std::string_view conversions = "sdifgexXu";
      if (end > at + 1 && end < source_.size() &&
          conversions.find(source_[end]) != std::string_view::npos)
        unread_.push_back({at, end + 1});
      at = end;
    }
  }

  void compare() {
    const std::vector<Given>& values = *given_.values;
    // Without values nothing is read.
    if (values.empty() && rule_ != HoleRule::numbers) return;
    for (const Span& span : unread_)
      warn(Code::hole_not_filled,
           text_of(span) + " is printed as it is: there is no width and there are no places here",
           span);
    std::vector<bool> shown(values.size());
    const Hole* lacking = nullptr;
    for (const Hole& hole : holes_) {
      if (hole.value < values.size())
        shown[hole.value] = true;
      else if (lacking == nullptr)
        lacking = &hole;
      if (hole.value < values.size()) look_at(hole, values[hole.value]);
    }
    if (lacking != nullptr && !given_.more_may_follow) lack(*lacking);
    if (rule_ == HoleRule::letters || given_.spare || lacking != nullptr) return;
    find_unused(shown, values);
  }

  void lack(const Hole& hole) {
    const std::string message = text_of(hole.span) + " has no value: there " +
                                (count() == 1 ? "is 1" : "are " + std::to_string(count()));
    if (rule_ == HoleRule::names)
      fail(message, hole.span, "FormatException");
    else
      warn(Code::hole_not_filled, message + ", and it is printed as it is", hole.span);
  }

  // A number of a text that is none.
  void look_at(const Hole& hole, const Given& given) {
    const bool is_number = hole.letter == 'd' || hole.letter == 'i' || hole.letter == 'f';
    if (!is_number || given.type != Type::text || !given.value) return;
    const std::string_view text = given.value->as_text();
    const std::size_t first = text.find_first_not_of(" +-.");
    // An empty text is 0 as a whole, and no number where digits are looked for.
    const bool may_be_one =
        first == std::string_view::npos
            ? hole.letter == 'd'
            : is_digit(text[first]) || text.substr(first).starts_with("Infinity");
    if (may_be_one) return;
    warn(Code::hole_not_filled,
         text_of(hole.span) + " shows a number, and \"" + std::string(text) +
             "\" is none: NaN is printed",
         hole.span);
  }

  // The last value of a logger may be an exception, which is shown behind the text.
  void find_unused(const std::vector<bool>& shown, const std::vector<Given>& values) {
    for (std::size_t i = 0; i < shown.size(); ++i) {
      if (shown[i]) continue;
      const bool may_be_exception =
          (rule_ == HoleRule::braces || rule_ == HoleRule::braces_if_any) &&
          i + 1 == shown.size() && !values[i].type;
      if (may_be_exception) return;
      warn(Code::too_many_values,
           "value " + std::to_string(i + 1) + (values[i].written.empty() ? "" : ", ") +
               values[i].written + (values[i].written.empty() ? "" : ",") + " is shown by no hole",
           {0, source_.size()});
      return;
    }
  }

  HoleRule rule_;
  std::string_view source_;
  const GivenValues& given_;
  std::vector<Hole> holes_;
  std::vector<Span> unread_;
  Checked out_;
};

}  // namespace

Checked check_holes(HoleRule rule, std::string_view source, const GivenValues& given) {
  return HoleChecker(rule, source, given).run();
}

}  // namespace inky::inline v1
