#include "dialect/statement_arrays.hpp"

#include <algorithm>

#include "text/ascii.hpp"

namespace inky::inline v1 {

// The first comma outside of brackets and quotes.
std::size_t comma_in(std::string_view expression) {
  int depth = 0;
  char quote = 0;
  for (std::size_t at = 0; at < expression.size(); ++at) {
    const char c = expression[at];
    if (quote != 0) {
      if (c == '\\') ++at;
      if (c == quote) quote = 0;
      continue;
    }
    if (c == '"' || c == '\'' || c == '`') quote = c;
    if (c == '(' || c == '[' || c == '{') ++depth;
    if (c == ')' || c == ']' || c == '}') --depth;
    if (c == ',' && depth == 0) return at;
  }
  return std::string_view::npos;
}

namespace {

std::vector<std::string_view> parts_of(std::string_view list) {
  std::vector<std::string_view> out;
  while (!trimmed(list).empty()) {
    const std::size_t comma = std::min(comma_in(list), list.size());
    out.push_back(trimmed(list.substr(0, comma)));
    list.remove_prefix(std::min(comma + 1, list.size()));
  }
  return out;
}

// Reads "int a[] = {1, 2}", "vector<double> v{1, 2}", "String[] names = new String[]{...}".
class ArrayReader {
 public:
  ArrayReader(const LanguageFacts& language, std::string_view text)
      : language_(language), form_(*language.expressions), text_(text) {}

  std::optional<ArrayDeclaration> read() {
    if (!read_left() || !read_right()) return std::nullopt;
    ArrayDeclaration& out = out_;
    out.declared.name = name_;
    out.declared.before = "array";
    out.declared.span = {0, text_.size()};
    return std::move(out_);
  }

 private:
  char peek() const { return at_ < text_.size() ? text_[at_] : '\0'; }
  void skip_blanks() {
    at_ = std::min(text_.find_first_not_of(statement_blanks, at_), text_.size());
  }
  std::string_view read_word() {
    const std::size_t from = at_;
    while (at_ < text_.size() && is_word_part(text_[at_])) ++at_;
    return text_.substr(from, at_ - from);
  }
  // What is between two brackets, behind which it moves; nothing where they do not close.
  std::optional<std::string_view> read_between(char open, char close) {
    const std::size_t from = at_ + 1;
    int depth = 0;
    for (char quote = 0; at_ < text_.size(); ++at_) {
      const char c = text_[at_];
      if (quote != 0) {
        at_ += c == '\\' ? 1 : 0;
        if (c == quote) quote = 0;
      } else if (c == '"' || c == '\'') {
        quote = c;
      } else if (c == open) {
        ++depth;
      } else if (c == close && --depth == 0) {
        ++at_;
        return text_.substr(from, at_ - 1 - from);
      }
    }
    return std::nullopt;
  }

  // The type, and the name with its sizes.
  bool read_left() {
    for (;;) {
      skip_blanks();
      if (text_.substr(at_).starts_with("std::")) at_ += 5;
      const std::string_view word = read_word();
      if (word.empty()) return false;
      skip_blanks();
      if (has_word(form_.modifiers, word)) {
        has_modifier_ = true;
        continue;
      }
      if (peek() == '<') {
        const auto inside = read_between('<', '>');
        if (!inside || !has_word(form_.list_types, word)) return false;
        type_ = trimmed(inside->substr(0, comma_in(*inside)));
        is_container_ = true;
        continue;
      }
      const bool is_type = is_word_start(peek()) || peek() == '*';
      if (peek() == '*') {
        is_pointer_ = true;
        ++at_;
      }
      if (!is_type && peek() == '[') {
        const std::size_t bracket = at_;
        const auto inside = read_between('[', ']');
        if (!inside) return false;
        skip_blanks();
        // int[] names; of more than one dimension they are no lists.
        if (trimmed(*inside).empty() && is_word_start(peek())) {
          (type_ += type_.empty() ? "" : " ") += word;
          is_sized_ = true;
          continue;
        }
        at_ = bracket;
      }
      if (is_type) {
        (type_ += type_.empty() ? "" : " ") += word;
        continue;
      }
      name_ = word;
      while (peek() == '[') {
        const auto inside = read_between('[', ']');
        if (!inside) return false;
        sizes_.push_back(trimmed(*inside));
        is_sized_ = true;
        skip_blanks();
      }
      return is_word_start(name_[0]) && (!type_.empty() || has_modifier_);
    }
  }

  bool read_right() {
    skip_blanks();
    out_.is_array = true;
    if (peek() == '=') {
      ++at_;
      skip_blanks();
    } else if (is_container_ && form_.grammar != nullptr && !form_.grammar->path.empty()) {
      // vector<int> v; and v{1, 2} and v(3)
      if (at_ == text_.size()) return fill({}, "");
      if (peek() == '(') return read_count_and_value();
      if (peek() != '{') return false;
    } else {
      return false;
    }
    if (peek() == '"') return read_text();
    if (peek() == '{') return (is_container_ || is_sized_) && read_braces();
    const std::string_view given = text_.substr(at_);
    if (given.starts_with("new") && given.size() > 3 && !is_word_part(given[3])) return read_new();
    for (const std::string_view maker : {"List.of(", "Arrays.asList("}) {
      if (!is_container_ || !given.starts_with(maker) || !given.ends_with(')')) continue;
      out_.is_array = false;
      out_.is_fixed = true;
      out_.never_changes = maker == "List.of(";
      out_.declared.expression = given;
      return settle_type();
    }
    return false;
  }

  // char name[] = "ink"
  bool read_text() {
    if (type_ != "char" || sizes_.size() != 1 || is_pointer_) return false;
    if (!sizes_[0].empty()) return false;
    out_.is_text = true;
    out_.declared.expression = text_.substr(at_);
    return true;
  }

  // vector<int> v(3) and v(3, 7)
  bool read_count_and_value() {
    const auto inside = read_between('(', ')');
    skip_blanks();
    if (!inside || at_ != text_.size()) return false;
    const auto parts = parts_of(*inside);
    if (parts.empty() || parts.size() > 2) return false;
    return fill(parts[0], parts.size() > 1 ? parts[1] : std::string_view());
  }

  bool read_braces() {
    const auto inside = read_between('{', '}');
    skip_blanks();
    if (!inside || at_ != text_.size()) return false;
    if (!settle_type() || !make(*inside, 0, out_.declared.expression)) return false;
    const bool is_flat = sizes_.size() == 1 && !is_container_;
    if (is_flat)
      out_.count =
          sizes_[0].empty() ? parts_of(*inside).size() : std::stoul(std::string(sizes_[0]));
    return true;
  }

  // new int[] {1, 2}; new int[3]; new List<int> {1, 2}; new ArrayList<>()
  bool read_new() {
    at_ += 3;
    skip_blanks();
    const std::string_view word = read_word();
    skip_blanks();
    if (peek() == '<') {
      const auto inside = read_between('<', '>');
      if (!inside || !has_word(form_.list_types, word)) return false;
      if (type_.empty()) type_ = trimmed(*inside);
      is_container_ = true;
    } else if (peek() == '[') {
      if (type_.empty()) type_ = word;
      while (peek() == '[') {
        const auto inside = read_between('[', ']');
        if (!inside) return false;
        sizes_.push_back(trimmed(*inside));
        skip_blanks();
      }
      is_sized_ = true;
    } else if (!word.empty() || !is_container_) {
      return false;
    }
    out_.is_array = !is_container_ || !form_.lists_show_items;
    skip_blanks();
    if (peek() == '(') {
      const auto inside = read_between('(', ')');
      if (!inside || !is_container_) return false;
      skip_blanks();
      const std::string_view given = trimmed(*inside);
      if (!given.empty() && at_ == text_.size()) {
        const bool copies = given.starts_with("List.of(") || given.starts_with("Arrays.asList(");
        out_.declared.expression = given;
        return copies && given.ends_with(')') && settle_type();
      }
      if (!given.empty()) return false;
    }
    if (peek() == '{') return read_braces();
    if (at_ != text_.size()) return false;
    if (is_container_) return fill({}, "");
    return sizes_.size() == 1 && fill(sizes_[0], "");
  }

  // The type that items are converted to, by a declaration of one of them.
  bool settle_type() {
    if (is_pointer_) return type_ == "char";
    if (type_.empty()) return true;
    // A list of lists: the innermost type.
    std::string inner = type_;
    for (std::size_t open = inner.find('<'); open != std::string::npos; open = inner.find('<')) {
      std::string_view name = trimmed(std::string_view(inner).substr(0, open));
      if (name.starts_with("std::")) name.remove_prefix(5);
      if (!has_word(form_.list_types, name) || !inner.ends_with('>')) return false;
      inner =
          std::string(trimmed(std::string_view(inner).substr(open + 1, inner.size() - open - 2)));
    }
    if (inner.find_first_of("<>,*&[]") != std::string::npos) return false;
    const auto plain = declaration_of(language_, inner + " x = 0");
    if (!plain) return false;
    out_.item_type = plain->type;
    return true;
  }

  // "int m[2][2]": as many as there are sizes, and filled up with zeros.
  bool make(std::string_view items, std::size_t depth, std::string& out) const {
    const auto parts = parts_of(items);
    std::string size(depth < sizes_.size() ? sizes_[depth] : std::string_view());
    const bool is_number = size.find_first_not_of("0123456789") == std::string::npos;
    if (!size.empty() && (!is_number || size.size() > 4)) return false;
    std::size_t count = size.empty() ? parts.size() : std::stoul(size);
    const bool fills = count > parts.size();
    if (count < parts.size() || (fills && count > most_filled_items)) return false;
    out += "{";
    for (std::size_t i = 0; i < count; ++i) {
      if (i > 0) out += ", ";
      const std::string_view part = i < parts.size() ? parts[i] : std::string_view("0");
      if (part.starts_with('{') && part.ends_with('}')) {
        if (!make(part.substr(1, part.size() - 2), depth + 1, out)) return false;
        continue;
      }
      if (depth + 1 < sizes_.size()) return false;
      if (i >= parts.size() && out_.item_type.empty()) return false;
      out += converted(part);
    }
    out += "}";
    return true;
  }

  std::string converted(std::string_view item) const {
    return out_.item_type.empty() ? std::string(item)
                                  : cast_to(form_, out_.item_type, std::string(item));
  }

  // As many of one value; none: of zeros.
  bool fill(std::string_view count, std::string_view value) {
    if (!settle_type()) return false;
    if (count.find_first_not_of("0123456789") != std::string_view::npos || count.size() > 4)
      return false;
    const std::size_t size = count.empty() ? 0 : std::stoul(std::string(count));
    const bool has_zeros = !out_.item_type.empty() || type_.find('<') != std::string::npos;
    if (size > most_filled_items || (size > 0 && value.empty() && !has_zeros)) return false;
    if (size > 0 && type_.find('<') != std::string::npos) return false;
    std::string& out = out_.declared.expression;
    out = "{";
    for (std::size_t i = 0; i < size; ++i)
      (out += i > 0 ? ", " : "") += converted(value.empty() ? std::string_view("0") : value);
    out += "}";
    return true;
  }

  const LanguageFacts& language_;
  const ExpressionForm& form_;
  std::string_view text_;
  std::size_t at_ = 0;
  std::string type_;  // of the items
  std::string_view name_;
  std::vector<std::string_view> sizes_;
  bool is_pointer_ = false;
  bool is_container_ = false;
  bool is_sized_ = false;
  bool has_modifier_ = false;
  ArrayDeclaration out_;
};

// "{}.add(?)" with a name and a value in it; false where a statement is not of this form.
bool matches(std::string_view form, std::string_view statement, std::string& name,
             std::string& value) {
  name.clear();
  value.clear();
  std::size_t at = 0;
  const auto skip = [&] {
    at = std::min(statement.find_first_not_of(statement_blanks, at), statement.size());
  };
  for (std::size_t i = 0; i < form.size(); ++i) {
    skip();
    if (form.substr(i, 2) == "{}") {
      const std::size_t from = at;
      while (at < statement.size() && is_word_part(statement[at])) ++at;
      const std::string found(statement.substr(from, at - from));
      if (found.empty() || (!name.empty() && name != found)) return false;
      name = found;
      ++i;
    } else if (form[i] == '?') {
      // Up to the bracket that ends it all.
      if (!statement.ends_with(')') || statement.size() < at + 1) return false;
      value = trimmed(statement.substr(at, statement.size() - 1 - at));
      if (value.empty() || comma_in(value) != std::string_view::npos) return false;
      int depth = 0;
      for (const char c : value) {
        depth += c == '(' ? 1 : c == ')' ? -1 : 0;
        if (depth < 0) return false;
      }
      at = statement.size() - 1;
    } else if (form[i] != ' ') {
      if (at >= statement.size() || statement[at] != form[i]) return false;
      ++at;
    }
  }
  skip();
  return at == statement.size();
}

}  // namespace

std::optional<ArrayDeclaration> array_of(const LanguageFacts& language,
                                         std::string_view statement) {
  if (!language.expressions->has_arrays) return std::nullopt;
  return ArrayReader(language, statement).read();
}

std::optional<NamedChange> list_change_of(const ExpressionForm& form, std::string_view statement) {
  if (!form.has_arrays) return std::nullopt;
  NamedChange out;
  for (const ListChangeFact& fact : form.list_changes) {
    if (!matches(fact.form, statement, out.name, out.change.value)) continue;
    out.change.kind = fact.kind;
    return out;
  }
  // name[place] = value, and name[place] += value
  std::size_t at = 0;
  while (at < statement.size() && is_word_part(statement[at])) ++at;
  out.name = statement.substr(0, at);
  out.change.kind = ListChange::Kind::item;
  while (at < statement.size() && statement[at] == '[') {
    int depth = 0;
    const std::size_t from = at + 1;
    do {
      depth += statement[at] == '[' ? 1 : statement[at] == ']' ? -1 : 0;
      ++at;
    } while (depth > 0 && at < statement.size());
    if (depth > 0) return std::nullopt;
    out.change.places.emplace_back(trimmed(statement.substr(from, at - 1 - from)));
    at = std::min(statement.find_first_not_of(statement_blanks, at), statement.size());
  }
  if (out.name.empty() || out.change.places.empty()) return std::nullopt;
  const std::string_view rest = statement.substr(at);
  if (form.counts && (rest == "++" || rest == "--")) {
    out.change.operation = rest.substr(0, 1);
    out.change.value = "1";
    return out;
  }
  for (const std::string_view sign : {"<<", ">>", "+", "-", "*", "/", "%", "&", "|", "^", ""}) {
    if (!rest.starts_with(sign) || rest.size() < sign.size() + 2 || rest[sign.size()] != '=' ||
        rest[sign.size() + 1] == '=')
      continue;
    out.change.operation = sign;
    out.change.value = trimmed(rest.substr(sign.size() + 1));
    return out;
  }
  return std::nullopt;
}

}  // namespace inky::inline v1
