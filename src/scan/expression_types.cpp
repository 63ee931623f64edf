#include "expression_types.hpp"

#include <algorithm>

namespace inky::inline v1 {

namespace {

struct BinaryFact {
  std::string_view sign;
  int level;
  enum class Way : std::uint8_t { arithmetic, sum, shift, truth } way;
};
using Way = BinaryFact::Way;
constexpr BinaryFact binaries[] = {
    {"*", 10, Way::arithmetic}, {"/", 10, Way::arithmetic}, {"%", 10, Way::arithmetic},
    {"+", 9, Way::sum},         {"-", 9, Way::sum},         {"<<", 8, Way::shift},
    {"<", 7, Way::truth},       {">", 7, Way::truth},       {"<=", 7, Way::truth},
    {">=", 7, Way::truth},      {"==", 6, Way::truth},      {"!=", 6, Way::truth},
    {"&", 5, Way::arithmetic},  {"^", 4, Way::arithmetic},  {"|", 3, Way::arithmetic},
    {"&&", 2, Way::truth},      {"||", 1, Way::truth},
};

class TypeReader {
 public:
  TypeReader(const Lexis& lexis, std::span<const Item> items, const Declarations& declared)
      : lexis_(lexis), items_(items), declared_(declared) {}

  std::string read() {
    std::string out = choice();
    return good_ && at_ == items_.size() ? out : std::string();
  }

 private:
  const Types& types() const { return declared_.types(); }
  bool sees(std::string_view sign) const {
    return at_ < items_.size() && items_[at_].is_sign(sign);
  }
  bool take(std::string_view sign) {
    if (!sees(sign)) return false;
    ++at_;
    return true;
  }

  const ArithmeticFact* arithmetic(const std::string& type) const {
    const auto found = std::find_if(lexis_.arithmetic.begin(), lexis_.arithmetic.end(),
                                    [&](const ArithmeticFact& one) { return one.name == type; });
    return found == lexis_.arithmetic.end() ? nullptr : &*found;
  }
  // The first that has this rank, which is how it is named.
  std::string named(int rank, bool is_signed) const {
    for (const ArithmeticFact& one : lexis_.arithmetic) {
      if (one.rank == rank && one.is_signed == is_signed) return std::string(one.name);
    }
    return {};
  }

  static constexpr int rank_of_int = 2;
  static constexpr int rank_of_reals = 10;

  std::string promoted(const std::string& type) const {
    const ArithmeticFact* fact = arithmetic(type);
    if (fact == nullptr) return {};
    return fact->rank < rank_of_int ? named(rank_of_int, true) : named(fact->rank, fact->is_signed);
  }

  std::string converted(const std::string& a, const std::string& b) const {
    const ArithmeticFact* left = arithmetic(promoted(a));
    const ArithmeticFact* right = arithmetic(promoted(b));
    if (left == nullptr || right == nullptr) return {};
    if (left->rank < right->rank) std::swap(left, right);
    if (left->rank >= rank_of_reals || left->is_signed == right->is_signed)
      return std::string(left->name);
    if (left->rank == right->rank) return named(left->rank, false);
    if (!left->is_signed) return std::string(left->name);
    // A long holds every unsigned int; a long long does not hold every unsigned long.
    return named(left->rank, right->rank == rank_of_int);
  }

  static std::string pointed_at(const std::string& type) {
    return type.ends_with('*') ? type.substr(0, type.size() - 1) : std::string();
  }

  std::string resolved(const std::string& type) const { return types().resolved(type); }

  std::string choice() {
    std::string condition = binary(1);
    if (!take("?")) return condition;
    std::string first = choice();
    if (!take(":")) return fail();
    const std::string second = choice();
    if (first == second) return first;
    return converted(first, second);
  }

  std::string fail() {
    good_ = false;
    return {};
  }

  const BinaryFact* sees_binary() {
    if (at_ >= items_.size() || items_[at_].kind != Item::Kind::sign) return nullptr;
    const std::string& sign = items_[at_].text;
    // What begins an assignment, and shifts to the right, which come as two signs.
    const bool two = at_ + 1 < items_.size() && items_[at_ + 1].kind == Item::Kind::sign;
    if (two && (items_[at_ + 1].is_sign("=") || (sign == ">" && items_[at_ + 1].is_sign(">"))))
      return nullptr;
    const auto* const found = std::find_if(std::begin(binaries), std::end(binaries),
                                           [&](const BinaryFact& one) { return one.sign == sign; });
    return found == std::end(binaries) ? nullptr : found;
  }

  std::string binary(int level) {
    std::string left = unary();
    while (good_) {
      const BinaryFact* fact = sees_binary();
      if (fact == nullptr || fact->level < level) break;
      ++at_;
      const std::string right = binary(fact->level + 1);
      left = joined(fact->way, left, right);
    }
    return left;
  }

  std::string joined(Way way, const std::string& left, const std::string& right) const {
    const bool adds_text = way == Way::sum && !lexis_.type_of_text.empty() &&
                           (left == lexis_.type_of_text || right == lexis_.type_of_text);
    if (adds_text) return std::string(lexis_.type_of_text);
    if (way == Way::truth && lexis_.truth_is_certain) return std::string(lexis_.type_of_truth);
    if (left.empty() || right.empty()) return {};
    const bool is_pointer = left.ends_with('*');
    switch (way) {
      case Way::truth:
        return arithmetic(left) != nullptr || is_pointer ? std::string(lexis_.type_of_truth)
                                                         : std::string();
      case Way::shift:
        return promoted(left);
      case Way::sum:
        if (is_pointer && right.ends_with('*')) return named(rank_of_int + 1, true);
        if (is_pointer) return left;
        if (right.ends_with('*')) return right;
        return converted(left, right);
      default:
        return converted(left, right);
    }
  }

  std::string unary() {
    if (at_ >= items_.size()) return fail();
    const Item& item = items_[at_];
    if (item.is_word("sizeof")) {
      ++at_;
      unary();
      return "size_t";
    }
    if (item.kind == Item::Kind::sign) {
      ++at_;
      const bool is_twice = sees(item.text) && (item.text == "+" || item.text == "-");
      if (is_twice) {
        ++at_;
        return unary();
      }
      std::string operand = unary();
      if (operand.empty()) return operand;
      if (item.text == "&") return operand + "*";
      if (item.text == "*") return resolved(pointed_at(operand));
      if (item.text == "-" || item.text == "+" || item.text == "~") return promoted(operand);
      if (item.text == "!") return std::string(lexis_.type_of_truth);
      return fail();
    }
    const bool is_cast = item.kind == Item::Kind::group && item.bracket == '(' &&
                         types().is_type(item.text) && declared_.type_of(item.text).empty() &&
                         at_ + 1 < items_.size() && begins_operand(items_[at_ + 1]);
    if (is_cast) {
      ++at_;
      unary();
      return resolved(item.text);
    }
    return postfix(primary());
  }

  static bool begins_operand(const Item& item) {
    return item.kind != Item::Kind::sign || item.is_sign("-") || item.is_sign("+") ||
           item.is_sign("*") || item.is_sign("&") || item.is_sign("!") || item.is_sign("~");
  }

  std::string primary() {
    const Item& item = items_[at_++];
    switch (item.kind) {
      case Item::Kind::text:
        while (at_ < items_.size() && items_[at_].kind == Item::Kind::text) ++at_;
        if (!lexis_.type_of_text.empty()) return std::string(lexis_.type_of_text);
        return item.literal.wide ? "wchar_t*" : "char*";
      case Item::Kind::character:
        return is_whole(lexis_.character_type) ? named(rank_of_int, true) : "char";
      case Item::Kind::number:
        return type_of_number(lexis_, item.text);
      case Item::Kind::group:
        return item.bracket == '(' ? resolved(item.type) : std::string();
      default:
        break;
    }
    if (sees_call()) {
      ++at_;
      return resolved(types().result(item.text));
    }
    if (item.is_word("this") && (sees(".") || sees("->")))
      return declared_.own_class() + (sees("->") ? "*" : "");
    if (const std::size_t end = end_of_path(); end > 0) {
      std::string path = item.text;
      for (; at_ < end; ++at_) path += items_[at_].is_sign(".") ? "." : items_[at_].text;
      ++at_;
      return std::string(resolved_path(path));
    }
    const std::string declared = declared_.type_of(item.text);
    if (!declared.empty()) return resolved(declared);
    const std::string number = declared_.number_of(item.text);
    if (!number.empty()) return type_of_number(lexis_, number);
    const auto found =
        std::find_if(lexis_.named_values.begin(), lexis_.named_values.end(),
                     [&](const NamedTypeFact& fact) { return fact.name == item.text; });
    return found == lexis_.named_values.end() ? std::string() : std::string(found->type);
  }

  bool sees_call() const {
    return at_ < items_.size() && items_[at_].kind == Item::Kind::group &&
           items_[at_].bracket == '(';
  }

  // Where the parentheses are behind names that a function of the language has: Math.sqrt(x).
  std::size_t end_of_path() const {
    std::string path = items_[at_ - 1].text;
    std::size_t at = at_;
    while (at + 1 < items_.size() && items_[at].is_sign(".") &&
           items_[at + 1].kind == Item::Kind::word) {
      path += "." + items_[at + 1].text;
      at += 2;
    }
    const bool is_call = at > at_ && at < items_.size() && items_[at].kind == Item::Kind::group &&
                         items_[at].bracket == '(';
    return is_call && !resolved_path(path).empty() ? at : 0;
  }
  std::string_view resolved_path(const std::string& path) const {
    const auto found =
        std::find_if(lexis_.named_types.begin(), lexis_.named_types.end(),
                     [&](const NamedTypeFact& fact) { return fact.name == path + "()"; });
    return found == lexis_.named_types.end() ? std::string_view() : found->type;
  }

  // What a method returns, whatever it is called of: .length().
  std::string method(const std::string& name) const {
    return std::string(resolved_path("." + name));
  }

  std::string postfix(std::string type) {
    while (at_ < items_.size()) {
      const Item& item = items_[at_];
      if (item.kind == Item::Kind::group && item.bracket == '[') {
        ++at_;
        type = resolved(pointed_at(type));
      } else if (item.kind == Item::Kind::group) {
        ++at_;
        type.clear();
      } else if ((item.is_sign(".") || item.is_sign("->")) && at_ + 1 < items_.size()) {
        const std::string of = item.is_sign("->") ? pointed_at(type) : type;
        at_ += 2;
        const bool is_method = at_ < items_.size() && items_[at_].kind == Item::Kind::group &&
                               items_[at_].bracket == '(';
        if (is_method)
          type = method(items_[at_ - 1].text);
        else if (of.empty() || of.ends_with('*'))
          type.clear();
        else
          type = resolved(types().field(of, items_[at_ - 1].text));
        if (is_method) ++at_;
      } else if ((item.is_sign("+") || item.is_sign("-")) && at_ + 1 < items_.size() &&
                 items_[at_ + 1].is_sign(item.text) &&
                 (at_ + 2 == items_.size() || items_[at_ + 2].kind == Item::Kind::sign)) {
        at_ += 2;
      } else if (item.is_sign("::")) {
        return fail();
      } else {
        break;
      }
    }
    return type;
  }

  const Lexis& lexis_;
  std::span<const Item> items_;
  const Declarations& declared_;
  std::size_t at_ = 0;
  bool good_ = true;
};

}  // namespace

std::string type_of_expression(const Lexis& lexis, std::span<const Item> items,
                               const Declarations& declared) {
  // Longer ones are no arguments that a person reads.
  constexpr std::size_t most_items_read = 60;
  if (items.size() > most_items_read) return {};
  return TypeReader(lexis, items, declared).read();
}

}  // namespace inky::inline v1
