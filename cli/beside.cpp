#include "beside.hpp"

#include <algorithm>

#include "command.hpp"
#include "inky_margin/carry/carry.hpp"
#include "inky_margin/text/columns.hpp"
#include "text/escape.hpp"

namespace inky::cli {

namespace {

struct Row {
  const Dialect* dialect = nullptr;
  std::string source;
  std::optional<std::string> text;  // nothing where none is printed
  std::string why;                  // there is none; or it differs from the first row
};

// ---- Gathering ----

// The value that bears the name, or else the one whose turn it is of those without names.
const Value* value_of(std::string_view name, const std::vector<std::string>& names,
                      const std::vector<Value>& values) {
  const auto bearer = [&](std::string_view wanted) {
    return std::find_if(values.begin(), values.end(), [&](const Value& value) {
      return value.is_named() && value.name() == wanted;
    });
  };
  if (const auto found = bearer(name); found != values.end()) return &*found;
  auto turns =
      std::count_if(names.begin(), std::find(names.begin(), names.end(), name),
                    [&](const std::string& before) { return bearer(before) == values.end(); });
  for (const Value& value : values) {
    if (!value.is_named() && turns-- == 0) return &value;
  }
  return nullptr;
}

constexpr const char* looks_at_none = "it looks at no locale";

// What a locale does there.
std::string in_locale(const Dialect& dialect, const Template& parsed,
                      const std::vector<Value>& values, std::string_view locale,
                      std::string_view text) {
  TextBuffer usual;
  const bool prints = dialect.render(parsed, values, {}, usual, nullptr).prints();
  if (prints && usual.view() == text) return looks_at_none;
  return "in its locale " + std::string(locale);
}

Row row_of(const ShowRequest& request, const Template& home, const Cargo& cargo,
           const Dialect& other) {
  Row row{&other, {}, std::nullopt, {}};
  const Carried carried = cargo.to(other);
  if (!carried.source) {
    if (!carried.notes.empty()) row.why = carried.notes.front().message;
    return row;
  }
  row.source = *carried.source;
  const Result<Template> parsed = other.parse(row.source);
  std::vector<Value> values;
  for (std::size_t i = 0; i < carried.arguments.size(); ++i) {
    values.push_back(request.values[static_cast<std::size_t>(carried.arguments[i])]);
    if (!carried.names.empty()) values.back().set_name(carried.names[i]);
  }
  const std::string_view locale = request.options().setting("locale");
  const SettingFact* fact = find_setting(other.facts(), "locale");
  Setting chosen{"locale", {}};
  if (!locale.empty() && fact != nullptr) chosen.value = find_value(*fact, locale).value_or("");
  const bool is_known = !chosen.value.empty();
  RenderOptions options;
  if (is_known) options.settings = {&chosen, 1};
  TextBuffer text;
  const Outcome outcome = other.render(*parsed, values, options, text, nullptr);
  if (outcome.prints()) row.text = text.string();
  if (!outcome.prints_cleanly())
    row.why = outcome.why();
  else if (locale.empty())
    row.why = why_different(*request.dialect, home, request.values, other, *parsed, values);
  else if (is_known)
    row.why = in_locale(other, *parsed, values, chosen.value, text.view());
  else
    row.why = fact == nullptr ? looks_at_none
                              : "the locale " + std::string(locale) + " is not supported yet there";
  return row;
}

// Of one value without a template.
void find_reasons(std::vector<Row>& rows, const Value& value) {
  const Row& first = rows.front();
  for (Row& row : rows) {
    if (row.text && first.text && *row.text != *first.text)
      row.why = why_different(*first.dialect, *row.dialect, value, *first.text, *row.text);
  }
}

// ---- Showing ----

// Which bytes of a text are not in another, in order: what a longest common subsequence leaves out.
// Of a text that only lacks something, the byte before which it is missing.
std::vector<bool> marked(std::string_view text, std::string_view other) {
  std::vector<bool> out(text.size(), false);
  std::size_t from = 0;
  const std::size_t least = std::min(text.size(), other.size());
  while (from < least && text[from] == other[from]) ++from;
  std::size_t end = 0;
  while (end < least - from && text[text.size() - 1 - end] == other[other.size() - 1 - end]) ++end;
  const std::string_view a = text.substr(from, text.size() - end - from);
  const std::string_view b = other.substr(from, other.size() - end - from);
  constexpr std::size_t most_compared = 2000;
  if (a.empty()) {
    if (!text.empty()) out[std::min(from, text.size() - 1)] = true;
  } else if (a.size() > most_compared || b.size() > most_compared) {
    std::fill_n(out.begin() + static_cast<std::ptrdiff_t>(from), a.size(), true);
  } else {
    const std::size_t stride = b.size() + 1;
    std::vector<std::uint16_t> common((a.size() + 1) * stride, 0);
    for (std::size_t i = a.size(); i-- > 0;) {
      for (std::size_t k = b.size(); k-- > 0;)
        common[i * stride + k] =
            a[i] == b[k] ? static_cast<std::uint16_t>(common[(i + 1) * stride + k + 1] + 1)
                         : std::max(common[(i + 1) * stride + k], common[i * stride + k + 1]);
    }
    bool any = false;
    for (std::size_t i = 0, k = 0; i < a.size();) {
      if (k < b.size() && a[i] == b[k]) {
        ++i;
        ++k;
      } else if (k < b.size() && common[i * stride + k + 1] >= common[(i + 1) * stride + k]) {
        ++k;
      } else {
        out[from + i++] = any = true;
      }
    }
    if (!any) out[from] = true;
  }
  return out;
}

bool continues_character(char c) {
  return (static_cast<unsigned char>(c) & 0xC0) == 0x80;
}

// One line, and marks under what another text has not.
void put_line(Screen& screen, std::string_view line, const std::vector<bool>& marks) {
  screen.line(with_visible_spaces(line, screen.look()));
  std::string under;
  for (std::size_t at = 0; at < line.size();) {
    std::size_t end = at + 1;
    while (end < line.size() && continues_character(line[end])) ++end;
    bool mark = false;
    for (std::size_t i = at; i < end && i < marks.size(); ++i) mark = mark || marks[i];
    const std::size_t wide =
        measure(with_visible_spaces(line.substr(at, end - at), screen.look()), WidthUnit::columns);
    for (std::size_t i = 0; i < wide; ++i)
      under += !mark ? " " : screen.look().unicode ? "\u2594" : "^";
    at = end;
  }
  const std::size_t last = under.find_last_not_of(' ');
  if (last == std::string::npos) return;
  screen.dialect_label("");
  screen.tinted(Tint::warm, under.substr(0, last + 1));
  screen.line();
}

void put_text(Screen& screen, std::string_view text, const std::string* other,
              std::string_view label, Tint tint) {
  const std::vector<bool> marks =
      other == nullptr ? std::vector<bool>(text.size(), false) : marked(text, *other);
  for (std::size_t at = 0; at < text.size();) {
    const std::size_t end = std::min(text.find('\n', at), text.size() - 1) + 1;
    screen.dialect_label(at == 0 ? label : "", at == 0 ? tint : Tint::dim);
    put_line(screen, text.substr(at, end - at),
             std::vector<bool>(marks.begin() + static_cast<std::ptrdiff_t>(at),
                               marks.begin() + static_cast<std::ptrdiff_t>(end)));
    at = end;
  }
}

void put_rows(Screen& screen, const std::vector<Row>& rows, const Row& like) {
  std::string reason;
  std::string ids;
  for (const Row& row : rows) {
    if (row.text != like.text) continue;
    if (row.source.empty()) {
      ids += (ids.empty() ? "" : ", ") + std::string(row.dialect->facts().id);
      if (reason.empty()) reason = row.why;
      continue;
    }
    screen.dialect_label(row.dialect->facts().id, Tint::plain);
    screen.tinted(Tint::field, visible(row.source));
    screen.line();
    if (reason.empty()) reason = row.why;
  }
  if (!ids.empty()) {
    screen.dialect_label("in", Tint::dim);
    screen.dialect_paragraph(ids);
  }
  if (!reason.empty()) {
    screen.dialect_label("why", Tint::dim);
    screen.dialect_paragraph(reason);
  }
  screen.line();
}

int show_screen(const std::vector<Row>& rows, const Look& look) {
  Screen screen(look);
  const Row& first = rows.front();
  std::vector<const std::string*> shown;
  for (const Row& row : rows) {
    if (!row.text) continue;
    const bool known = std::any_of(shown.begin(), shown.end(),
                                   [&](const std::string* text) { return *text == *row.text; });
    if (known) continue;
    shown.push_back(&*row.text);
    const bool is_first = &row == &first;
    const std::string_view label = is_first ? "prints" : "differs";
    const Tint tint = is_first ? Tint::dim : Tint::warm;
    if (row.text->empty()) {
      screen.dialect_label(label, tint);
      screen.line("nothing");
    } else {
      put_text(screen, *row.text, is_first || !first.text ? nullptr : &*first.text, label, tint);
    }
    put_rows(screen, rows, row);
  }
  bool any = false;
  for (const Row& row : rows) {
    if (row.text) continue;
    any = true;
    screen.dialect_label(row.dialect->facts().id);
    if (!row.source.empty()) {
      screen.tinted(Tint::field, visible(row.source));
      screen.line();
      screen.dialect_label("");
    }
    screen.dialect_paragraph("not possible: " + row.why);
  }
  if (!write_out(screen.text())) return bad_request;
  return shown.size() <= 1 && !any ? done : answer_is_no;
}

int show_json(const std::vector<Row>& rows) {
  JsonWriter out(JsonWriter::Form::spread);
  out.open_object();
  out.open_list("beside");
  bool same = true;
  for (const Row& row : rows) {
    const bool is_same = row.text == rows.front().text;
    out.open_object();
    out.member("dialect", row.dialect->facts().id);
    if (!row.source.empty()) out.member("template", row.source);
    if (row.text) out.member("text", *row.text);
    out.member_truth("same", is_same);
    if (!row.why.empty()) out.member("why", row.why);
    out.close_object();
    same &= is_same;
  }
  out.close_list();
  out.close_object();
  if (!write_json(out)) return bad_request;
  return same ? done : answer_is_no;
}

int show(const std::vector<Row>& rows, const Look& look, bool json) {
  return json ? show_json(rows) : show_screen(rows, look);
}

}  // namespace

int show_beside(const ShowRequest& request, const Template& parsed,
                const std::vector<const Dialect*>& others, const Look& look, bool json) {
  Row first{request.dialect, request.source, std::nullopt, {}};
  TextBuffer text;
  const Outcome outcome =
      request.dialect->render(parsed, request.values, request.options(), text, nullptr);
  if (outcome.kind() == Outcome::Kind::error) return fail(outcome.as_error(), request.source);
  if (outcome.prints())
    first.text = text.string();
  else
    first.why = outcome.why();
  // Named values in the order of the names.
  ShowRequest ordered = request;
  const std::vector<std::string> names = value_names(parsed);
  if (!names.empty()) {
    ordered.values.clear();
    for (const std::string& name : names) {
      const Value* value = value_of(name, names, request.values);
      if (value == nullptr) {
        return fail({Code::missing_key,
                     "there is no value named " + in_quotes(name),
                     {0, request.source.size()},
                     "Give one as " + name + "=2.5."},
                    request.source);
      }
      ordered.values.push_back(*value);
      ordered.values.back().set_name(name);
    }
  }
  std::vector<Type> types;
  for (const Value& value : ordered.values) types.push_back(value.type());
  const Result<Cargo> cargo = Cargo::make(*request.dialect, parsed, types);
  if (!cargo) return fail(cargo.error(), request.source);
  if (cargo->names().size() > ordered.values.size()) {
    return fail({Code::missing_key,
                 "the template takes " + std::to_string(cargo->names().size()) + " values, and " +
                     std::to_string(ordered.values.size()) + " are given",
                 {0, request.source.size()},
                 "Give a value for each field; they are shown side by side."},
                request.source);
  }
  std::vector<Row> rows = {std::move(first)};
  for (const Dialect* other : others) rows.push_back(row_of(ordered, parsed, *cargo, *other));
  return show(rows, look, json);
}

int show_plain_beside(const Dialect& dialect, const Value& value,
                      const std::vector<const Dialect*>& others, const Look& look, bool json) {
  std::vector<const Dialect*> all = {&dialect};
  all.insert(all.end(), others.begin(), others.end());
  std::vector<Row> rows;
  for (const Dialect* one : all) {
    Row row{one, {}, std::nullopt, {}};
    TextBuffer text;
    const Outcome outcome = one->print_plainly(value, text);
    if (outcome.prints())
      row.text = text.string();
    else
      row.why = outcome.why();
    rows.push_back(std::move(row));
  }
  // The first that prints is what the others are compared with.
  std::stable_partition(rows.begin(), rows.end(),
                        [](const Row& row) { return row.text.has_value(); });
  find_reasons(rows, value);
  return show(rows, look, json);
}

}  // namespace inky::cli
