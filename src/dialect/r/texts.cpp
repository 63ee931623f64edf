// The functions that make texts, in expressions of R: paste and its like, the formatting calls, and
// what cat and print show.

#include <algorithm>

#include "../computed/arithmetic.hpp"
#include "../family/values.hpp"
#include "dialects.hpp"
#include "expressions.hpp"
#include "text/lower_case.hpp"
#include "text/upper_case.hpp"
#include "text/utf8.hpp"
#include "vector_format.hpp"

namespace inky::inline v1::r_language {

namespace {

using computed::Node;

constexpr int usual_digits = 7;

}  // namespace

bool Expressions::paste(const Node& node, std::string_view name, const Arguments& arguments,
                        Value& out) {
  std::string separator = name == "paste0" ? "" : " ";
  std::optional<std::string> collapse;
  for (const auto& [key, value] : arguments.named) {
    std::string text;
    if (key != "sep" && key != "collapse") return not_yet("the argument " + key + " is", node);
    if (key == "collapse" && value.is(Type::list)) continue;
    if (!take_text(node, value, text)) return false;
    if (key == "collapse")
      collapse = text;
    else if (name == "paste")
      separator = text;
  }
  std::vector<Items> columns;
  std::size_t longest = 0;
  for (const Value& argument : arguments.values) {
    Mode mode = Mode::unknown;
    Items items;
    if (!take_items(node, argument, items, mode)) return false;
    for (Value& item : items) item = Value::text(as_character(item, mode));
    if (items.empty()) continue;
    longest = std::max(longest, items.size());
    columns.push_back(std::move(items));
  }
  Items made;
  for (std::size_t i = 0; i < longest; ++i) {
    std::string text;
    for (std::size_t k = 0; k < columns.size(); ++k) {
      if (k > 0) text += separator;
      text += columns[k][i % columns[k].size()].as_text();
    }
    made.push_back(Value::text(std::move(text)));
  }
  if (collapse) {
    std::string all;
    for (std::size_t i = 0; i < made.size(); ++i) {
      if (i > 0) all += *collapse;
      all += made[i].as_text();
    }
    out = Value::text(std::move(all));
    return true;
  }
  out = vector_of(std::move(made));
  return true;
}

bool Expressions::call_on_texts(const Node& node, std::string_view name, const Arguments& arguments,
                                Value& out) {
  Items items;
  Mode mode = Mode::unknown;
  const std::size_t count = arguments.size();
  const bool is_known = name == "nchar" || name == "toupper" || name == "tolower" ||
                        name == "trimws" || name == "strrep" || name == "substr";
  if (!is_known || !arguments.named.empty() || count == 0)
    return not_yet("the function " + std::string(name) + " with these arguments is", node);
  if (!take_items(node, arguments[0], items, mode)) return false;
  std::int64_t first = 1;
  std::int64_t last = 0;
  if (name == "strrep" || name == "substr") {
    if (count != (name == "substr" ? 3U : 2U) || !take_whole(node, arguments[1], first))
      return not_yet(std::string(name) + " with these arguments is", node);
    if (name == "substr" && !take_whole(node, arguments[2], last)) return false;
  } else if (count != 1) {
    return not_yet(std::string(name) + " with these arguments is", node);
  }
  for (Value& item : items) {
    if (item.is(Type::nil)) return not_yet(std::string(name) + " of NA is", node);
    const std::string text = as_character(item, mode);
    if (!is_ascii(text)) return not_yet(std::string(name) + " of this text is", node);
    if (name == "nchar") {
      item = Value::whole(Type::i32, static_cast<int128>(text.size()));
    } else if (name == "toupper" || name == "tolower") {
      item = Value::text(name == "toupper" ? upper_case(text) : lower_case(text));
    } else if (name == "trimws") {
      constexpr std::string_view blanks = " \t\r\n";
      const std::size_t from = std::min(text.find_first_not_of(blanks), text.size());
      const std::size_t to = text.find_last_not_of(blanks) + 1;
      item = Value::text(text.substr(from, std::max(to, from) - from));
    } else if (name == "strrep") {
      if (first < 0 || static_cast<std::size_t>(first) > most_output / (text.size() + 1))
        return not_yet("such a count is", node);
      std::string made;
      for (std::int64_t i = 0; i < first; ++i) made += text;
      item = Value::text(std::move(made));
    } else {
      const std::int64_t from = std::max<std::int64_t>(first, 1);
      const std::int64_t to = std::min<std::int64_t>(last, static_cast<std::int64_t>(text.size()));
      item = Value::text(from > to ? std::string()
                                   : text.substr(static_cast<std::size_t>(from - 1),
                                                 static_cast<std::size_t>(to - from + 1)));
    }
  }
  out = vector_of(std::move(items));
  return true;
}

// sprintf of vectors: a text for each element, the shorter ones again from their beginning.
bool Expressions::fill_each(const Node& node, const Arguments& arguments, Value& out) {
  std::vector<Items> columns;
  std::size_t longest = 1;
  for (const Value& argument : std::span<const Value>(arguments.values).subspan(1)) {
    Mode mode = Mode::unknown;
    columns.emplace_back();
    if (!take_items(node, argument, columns.back(), mode)) return false;
    if (columns.back().empty()) return not_yet("sprintf of nothing is", node);
    // One format for all of them: a number among texts is a text.
    for (Value& item : columns.back()) {
      const bool differs =
          columns.back().size() > 1 && !item.is(Type::nil) && mode_of(item) != mode;
      if (differs) return not_yet("a vector of several types here is", node);
    }
    longest = std::max(longest, columns.back().size());
  }
  Items made(longest);
  for (std::size_t i = 0; i < longest; ++i) {
    std::vector<Value> values;
    values.reserve(columns.size());
    for (const Items& items : columns) values.push_back(items[i % items.size()]);
    if (!fill(node, *r_dialect(), arguments[0].as_text(), values, made[i])) return false;
  }
  out = vector_of(std::move(made));
  return true;
}

// format, formatC, prettyNum: by the dialect of these calls; sprintf by its own.
bool Expressions::call_facility(const Node& node, std::string_view name, const Arguments& arguments,
                                Value& out) {
  if (name == "sprintf") {
    const bool is_plain =
        arguments.size() > 0 && arguments[0].is(Type::text) && arguments.named.empty();
    if (!is_plain) return not_yet("sprintf of these is", node);
    return fill_each(node, arguments, out);
  }
  std::string call = std::string(name) + "(";
  std::vector<Value> values;
  const auto add = [&](const std::string& key, const Value& value) {
    if (call.back() != '(') call += ", ";
    if (!key.empty()) call += key + " = ";
    call += "v" + std::to_string(values.size());
    values.push_back(value);
    values.back().set_name("v" + std::to_string(values.size() - 1));
  };
  for (const Value& value : arguments.values) add({}, value);
  for (const auto& [key, value] : arguments.named) add(key, value);
  const Result<Template> parsed = r_format_dialect()->parse(call + ")");
  if (!parsed) return not_yet("this call is", node);
  TextBuffer text;
  Report report;
  const Outcome outcome = r_format_dialect()->render(*parsed, values, {}, text, &report);
  if (outcome.kind() == Outcome::Kind::fails_run)
    return fail(computed::Trouble::When::run, outcome.failure_name(), outcome.why(), node);
  if (!outcome.prints()) return not_yet("this call with these values is", node);
  const std::string made = text.string();
  if (!report.texts) {
    out = Value::text(made);
    return true;
  }
  Items items;
  for (const Span& place : *report.texts)
    items.push_back(Value::text(made.substr(place.from, place.to - place.from)));
  out = vector_of(std::move(items));
  return true;
}

// cat shows numbers to seven digits, each by itself. writeLines and message end with a new line.
bool Expressions::cat(const Node& node, const Arguments& arguments, Value& out) {
  const std::string name = computed::path_of(node.parts[0]);
  std::string separator = name == "cat" ? " " : name == "message" ? "" : "\n";
  for (const auto& [key, value] : arguments.named) {
    if (key != "sep" || name == "message" || !take_text(node, value, separator))
      return not_yet("the argument " + key + " is", node);
  }
  std::string text;
  bool is_first = true;
  for (const Value& argument : arguments.values) {
    Items items;
    Mode mode = Mode::unknown;
    if (!take_items(node, argument, items, mode)) return false;
    if (name == "writeLines" && mode != Mode::character)
      return raise("can only write character objects", node);
    for (const Value& item : items) {
      if (!is_first) text += separator;
      is_first = false;
      const bool rounds = name == "cat" && mode == Mode::real && !item.is(Type::nil);
      text += rounds ? real_text(nearest_f64(item), usual_digits) : as_character(item, mode);
    }
  }
  // So does cat where a new line separates: observed on R 4.2.2.
  const bool ends_line = name != "cat" || separator.find('\n') != std::string::npos;
  if (ends_line) text += "\n";
  out = Value::text(std::move(text));
  return true;
}

// print(x): the number of the first element of each line, and the elements in one format.
bool Expressions::print(const Node& node, const Value& value, Value& out) {
  Items items;
  Mode mode = Mode::unknown;
  if (!take_items(node, value, items, mode)) return false;
  if (items.empty()) return not_yet("printing nothing is", node);
  std::vector<std::string> texts;
  if (mode == Mode::real) {
    std::vector<std::optional<BinaryReal>> numbers;
    for (const Value& item : items) {
      if (item.is(Type::nil))
        numbers.emplace_back();
      else
        numbers.emplace_back(nearest_f64(item));
    }
    const Shared shared = share(numbers, usual_digits, 0, 0);
    for (const auto& number : numbers) texts.push_back(number_text(number, shared));
  } else {
    for (const Value& item : items) {
      const bool quotes = mode == Mode::character && !item.is(Type::nil);
      texts.push_back(quotes ? printed_quoted(item.as_text()) : as_character(item, mode));
    }
  }
  int width = 0;
  for (const std::string& text : texts) width = std::max(width, width_of(text, WidthUnit::columns));
  const int label = static_cast<int>(std::to_string(texts.size()).size()) + 2;
  constexpr int line_width = 80;
  const int in_line = std::max(1, (line_width - label) / (width + 1));
  std::string made;
  for (std::size_t i = 0; i < texts.size(); ++i) {
    if (i % static_cast<std::size_t>(in_line) == 0) {
      if (i > 0) made += '\n';
      made += padded_by("[" + std::to_string(i + 1) + "]",
                        label - static_cast<int>(std::to_string(i + 1).size()) - 2, "right");
    }
    made += ' ';
    made += padded_by(texts[i], width - width_of(texts[i], WidthUnit::columns),
                      mode == Mode::character ? "left" : "right");
  }
  out = Value::text(made + "\n");
  return true;
}

}  // namespace inky::inline v1::r_language
