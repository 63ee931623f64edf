#include "expression.hpp"
#include "text/ascii.hpp"

#include <algorithm>
#include <array>

namespace inky::inline v1::expression {

namespace {

constexpr std::array<std::string_view, 8> function_names = {"",      "floor", "ceil", "trunc",
                                                            "round", "sqrt",  "abs",  "ulp"};

// The value of a digit in bases up to 36; 36 for what is none.
int digit_value(char c) {
  if (is_digit(c)) return c - '0';
  if ('a' <= c && c <= 'z') return c - 'a' + 10;
  return 'A' <= c && c <= 'Z' ? c - 'A' + 10 : 36;
}

std::string shown(std::string_view text) {
  return "\"" + std::string(text.substr(0, 40)) + (text.size() > 40 ? "...\"" : "\"");
}

class Parser {
 public:
  Parser(std::string_view source, const EvaluationOptions& options)
      : source_(source), options_(options) {}

  Parsed run() {
    const int left = sum();
    if (ok()) compare(left);
    skip();
    if (ok() && at_ < source_.size()) unexpected();
    return std::move(out_);
  }

 private:
  bool ok() const { return !out_.fault; }

  // A fault wins over all later ones; the nodes do not matter any more.
  int fail(std::size_t from, std::size_t to, std::string message, std::string remedy,
           bool over_limit = false) {
    if (ok()) out_.fault = {from, to, std::move(message), std::move(remedy), over_limit};
    return -1;
  }

  void skip() {
    while (at_ < source_.size() && (source_[at_] == ' ' || source_[at_] == '\t')) ++at_;
  }
  bool next_is(std::string_view text) {
    skip();
    return source_.substr(at_, text.size()) == text;
  }
  bool take(std::string_view text) {
    if (!next_is(text)) return false;
    at_ += text.size();
    return true;
  }

  // A whole UTF-8 character, so that the mark under it stands right.
  std::size_t end_of_character() const {
    std::size_t end = at_ + 1;
    while (end < source_.size() && (source_[end] & 0xC0) == 0x80) ++end;
    return end;
  }

  int unexpected() {
    const std::size_t end = end_of_character();
    const std::string_view character = source_.substr(at_, end - at_);
    if (character == ",") {
      return fail(at_, end, "a comma is not a decimal point", "Write 2.675, with a point.");
    }
    if (character == "=")
      return fail(at_, end, "a single = does not compare",
                  "Write == to ask whether both are equal.");
    if (std::string_view("<>!=").find(character) != std::string_view::npos) {
      return fail(at_, end, "one comparison at a time, outside all parentheses",
                  "Weigh each comparison by itself.");
    }
    return fail(at_, end, shown(character) + " is not understood here",
                "An operator may follow: + - * / % == != < <= > >=.");
  }

  int add(Node node) {
    if (out_.nodes.size() == most_operations) {
      return fail(node.from, node.to,
                  "more than " + std::to_string(most_operations) + " numbers and operations",
                  "Weigh the expression in parts.", true);
    }
    out_.nodes.push_back(std::move(node));
    return static_cast<int>(out_.nodes.size()) - 1;
  }

  Node& node(int index) { return out_.nodes[static_cast<std::size_t>(index)]; }

  int combine(Node::Kind kind, int left, int right, std::string_view word) {
    if (!ok()) return -1;
    Node made;
    made.kind = kind;
    made.from = node(left).from;
    made.to = node(right).to;
    made.left = left;
    made.right = right;
    made.word = word;
    return add(std::move(made));
  }

  void compare(int left) {
    for (const std::string_view relation : {"==", "!=", "<=", ">=", "<", ">"}) {
      if (!take(relation)) continue;
      combine(Node::Kind::comparison, left, sum(), relation);
      return;
    }
  }

  // What waits until an operand is read. A stack of our own: a deep expression needs no deep stack
  // of the machine.
  struct Waiting {
    enum class Kind : std::uint8_t { binary, sign, parenthesis };
    Kind kind = Kind::binary;
    char word = 0;              // of a binary operator
    int left = -1;              // and its first operand
    std::size_t from = 0;       // where a sign, or the parenthesis, begins
    bool before_digit = false;  // of a sign: a literal follows
    std::optional<Node> call;   // of a parenthesis: what is called
    std::size_t call_from = 0;
  };

  static int rank(char word) { return word == '+' || word == '-' ? 1 : 2; }

  // A sum, up to its end: of the source, or before what is no part of it.
  int sum() {
    const std::size_t bottom = waiting_.size();
    for (;;) {
      int value = operand();
      if (!ok()) return -1;
      if (value == opened) continue;
      for (;;) {
        value = signed_value(value);
        skip();
        const char next = at_ < source_.size() ? source_[at_] : '\0';
        const bool binary =
            next != '\0' && std::string_view("+-*/%").find(next) != std::string_view::npos;
        value = reduced(value, binary ? rank(next) : 0, bottom);
        if (!ok()) return -1;
        if (binary) {
          ++at_;
          Waiting made;
          made.word = next;
          made.left = value;
          waiting_.push_back(std::move(made));
          break;
        }
        if (waiting_.size() == bottom) return value;
        value = closed(value);
        if (!ok()) return -1;
      }
    }
  }

  // Combines what binds at least as tightly as `least`, from the left.
  int reduced(int value, int least, std::size_t bottom) {
    while (ok() && waiting_.size() > bottom && waiting_.back().kind == Waiting::Kind::binary &&
           rank(waiting_.back().word) >= least) {
      const Waiting made = std::move(waiting_.back());
      waiting_.pop_back();
      value = combine(Node::Kind::binary, made.left, value, std::string_view(&made.word, 1));
    }
    return value;
  }

  // The operand behind a sign.
  int signed_value(int inner) {
    if (!ok() || waiting_.empty() || waiting_.back().kind != Waiting::Kind::sign) return inner;
    const Waiting sign = std::move(waiting_.back());
    waiting_.pop_back();
    // The sign belongs to a literal, so that -2147483648 is an i32.
    if (sign.before_digit && node(inner).kind == Node::Kind::literal) {
      node(inner).word.insert(0, "-");
      node(inner).from = sign.from;
      return inner;
    }
    Node made;
    made.kind = Node::Kind::minus;
    made.from = sign.from;
    made.to = node(inner).to;
    made.left = inner;
    return add(std::move(made));
  }

  // Closes the innermost open parenthesis. `inner` is the node between them.
  int closed(int inner) {
    Waiting open = std::move(waiting_.back());
    waiting_.pop_back();
    if (at_ == source_.size())
      return fail(open.from, open.from + 1, "this parenthesis is not closed", "Add a \")\".");
    if (source_[at_] != ')') return unexpected();
    ++at_;
    --nesting_;
    node(inner).from = open.from;
    node(inner).to = at_;
    if (!open.call) return inner;
    open.call->left = inner;
    open.call->from = open.call_from;
    open.call->to = at_;
    return add(std::move(*open.call));
  }

  void read_signs() {
    skip();
    Waiting sign;
    sign.kind = Waiting::Kind::sign;
    sign.from = at_;
    bool minus = false;
    // Signs in a row need no nesting.
    while (next_is("-") || next_is("+")) minus ^= source_[at_++] == '-';
    skip();
    sign.before_digit = at_ < source_.size() && (is_digit(source_[at_]) || source_[at_] == '.');
    if (minus) waiting_.push_back(std::move(sign));
  }

  // No node yet: a parenthesis was opened.
  static constexpr int opened = -2;

  int operand() {
    read_signs();
    if (at_ == source_.size())
      return fail(at_, at_, "a number is missing here", "Write a number, a name or a parenthesis.");
    const char c = source_[at_];
    if (c == '(') return open_parenthesis(std::nullopt, at_);
    const bool point = c == '.' && at_ + 1 < source_.size() && is_digit(source_[at_ + 1]);
    if (is_digit(c) || point) return literal();
    if (is_word_start(c)) return word();
    return fail(at_, end_of_character(), "a number is missing here",
                "Write a number, a name or a parenthesis.");
  }

  int open_parenthesis(std::optional<Node> call, std::size_t call_from) {
    if (++nesting_ > most_nesting) {
      return fail(at_, at_ + 1, "parentheses nest deeper than " + std::to_string(most_nesting),
                  "Weigh the inner part by itself, and give it as a name.", true);
    }
    Waiting made;
    made.kind = Waiting::Kind::parenthesis;
    made.from = at_++;
    made.call = std::move(call);
    made.call_from = call_from;
    waiting_.push_back(std::move(made));
    return opened;
  }

  int word() {
    const std::size_t from = at_;
    while (at_ < source_.size() && is_word_part(source_[at_])) ++at_;
    const std::string_view name = source_.substr(from, at_ - from);
    if (next_is("(")) return call(name, from);
    const bool named = std::any_of(options_.names.begin(), options_.names.end(),
                                   [&](const NamedNumber& number) { return number.name == name; });
    if (!named && options_.base > 10 && is_in_base(name)) {
      at_ = from;
      return literal();
    }
    const bool special = !named && (name == "inf" || name == "nan");
    Node made;
    made.kind = special ? Node::Kind::literal : Node::Kind::name;
    made.from = from;
    made.to = from + name.size();
    made.word = name;
    at_ = made.to;
    return special ? typed(std::move(made)) : add(std::move(made));
  }

  int call(std::string_view name, std::size_t from) {
    Node made;
    made.word = name;
    made.type = number_type_named(name);
    const auto* found = std::find(function_names.begin() + 1, function_names.end(), name);
    if (made.type == nullptr && found == function_names.end()) {
      return fail(
          from, from + name.size(), shown(name) + " is neither a function nor a type",
          "The functions are floor ceil trunc round sqrt abs ulp; a type, such as i32 or f32, "
          "converts.");
    }
    made.kind = made.type != nullptr ? Node::Kind::conversion : Node::Kind::call;
    if (made.type == nullptr) made.function = static_cast<Function>(found - function_names.begin());
    skip();
    return open_parenthesis(std::move(made), from);
  }

  bool is_in_base(std::string_view text) const {
    return std::all_of(text.begin(), text.end(),
                       [&](char c) { return c == '_' || digit_value(c) < options_.base; });
  }

  // A literal as the number floor reads it: without underscores, and a whole one with its base.
  int literal() {
    Node made;
    made.from = at_;
    const std::string_view rest = source_.substr(at_);
    const bool prefixed = rest.size() >= 2 && rest[0] == '0' &&
                          std::string_view("xXbBoO").find(rest[1]) != std::string_view::npos &&
                          options_.base == 10;
    if (prefixed || options_.base != 10)
      take_while(is_word_part, made.word);
    else
      take_while(is_digit_or_mark, made.word);
    const bool hexadecimal = prefixed && (rest[1] == 'x' || rest[1] == 'X');
    if (options_.base == 10 && (!prefixed || hexadecimal)) take_fraction(hexadecimal, made.word);
    made.to = at_;
    return typed(std::move(made));
  }

  static bool is_digit_or_mark(char c) { return is_digit(c) || c == '_'; }

  void take_while(bool (*wanted)(char), std::string& out) {
    for (; at_ < source_.size() && wanted(source_[at_]); ++at_) {
      if (source_[at_] != '_') out += source_[at_];
    }
  }

  // The point, what follows it, and an exponent.
  void take_fraction(bool hexadecimal, std::string& out) {
    if (at_ < source_.size() && source_[at_] == '.') {
      out += source_[at_++];
      take_while(hexadecimal ? is_word_part : is_digit_or_mark, out);
    }
    const char mark = hexadecimal ? 'p' : 'e';
    if (hexadecimal) {
      // The p was taken as a word; its exponent's sign was not.
      if (out.empty() || (out.back() | 0x20) != mark) return;
    } else {
      if (at_ == source_.size() || (source_[at_] | 0x20) != mark) return;
      out += source_[at_++];
    }
    if (at_ < source_.size() && (source_[at_] == '+' || source_[at_] == '-')) out += source_[at_++];
    take_while(is_digit_or_mark, out);
  }

  // A type after a colon.
  int typed(Node made) {
    if (take(":")) {
      const std::size_t from = at_;
      while (at_ < source_.size() && is_word_part(source_[at_])) ++at_;
      const std::string_view name = source_.substr(from, at_ - from);
      made.type = number_type_named(name);
      if (made.type == nullptr)
        return fail(name.empty() ? from - 1 : from, at_,
                    name.empty() ? "a type is missing after the colon"
                                 : shown(name) + " is not a type of number",
                    "The types are i8 to i128, u8 to u128, big, f16, bf16, f32, f64, f80, f128.");
      made.to = at_;
    }
    return add(std::move(made));
  }

  std::string_view source_;
  const EvaluationOptions& options_;
  Parsed out_;
  std::size_t at_ = 0;
  int nesting_ = 0;
  std::vector<Waiting> waiting_;
};

}  // namespace

Parsed parse(std::string_view source, const EvaluationOptions& options) {
  return Parser(source, options).run();
}

std::string_view name_of(Function function) {
  return function_names[static_cast<std::size_t>(function)];
}

}  // namespace inky::inline v1::expression
