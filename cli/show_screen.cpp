#include "show_screen.hpp"

#include <algorithm>

#include "inky_margin/text/columns.hpp"
#include "text/escape.hpp"

namespace inky::cli {

namespace {

std::string unit_of(const Dialect& dialect, std::size_t count) {
  std::string unit(name_of(dialect.facts().width_unit));
  if (count == 1) unit.pop_back();
  return std::to_string(count) + " " + unit;
}

// The value that a field shows; null where it shows none, or all of them.
const Value* value_of_field(const Field& field, const PlacedField& placed,
                            const std::vector<Value>& values) {
  const int shown = placed.value == unset ? field.value_index : placed.value;
  const auto index = static_cast<std::size_t>(shown);
  const bool is_there = shown != unset && index < values.size();
  if (placed.value != unset) return is_there ? &values[index] : nullptr;
  if (field.key.empty()) return is_there && !values[index].is_named() ? &values[index] : nullptr;
  const auto found = std::find_if(values.rbegin(), values.rend(), [&](const Value& value) {
    return value.is_named() && value.name() == field.key_name();
  });
  return found == values.rend() ? nullptr : &*found;
}

void put_source(Screen& screen, const ShowRequest& request, const Template& parsed) {
  screen.label(request.dialect->facts().id);
  for (const Piece& piece : parsed.pieces()) {
    std::string_view source = std::string_view(parsed.source())
                                  .substr(piece.source.from, piece.source.to - piece.source.from);
    const Tint tint = piece.field == unset ? Tint::plain : Tint::field;
    // The lines of several statements stand below each other.
    for (std::size_t end = source.find('\n');
         parsed.is_statement() && end != std::string_view::npos; end = source.find('\n')) {
      screen.tinted(tint, visible(source.substr(0, end)), piece.field);
      screen.line();
      screen.label("");
      source.remove_prefix(end + 1);
    }
    screen.tinted(tint, visible(source), piece.field);
  }
  screen.line();
  screen.line();
}

// The output cut into stretches, and those into lines at each line end.
std::vector<ScreenLine> lines_of(std::string_view text, const Report& report, const Look& look) {
  std::vector<ScreenLine> lines(1);
  const auto add = [&](std::string_view part, int field) {
    for (bool begins = true; !part.empty(); begins = false) {
      const std::size_t end = std::min(part.find('\n'), part.size() - 1) + 1;
      lines.back().stretches.push_back(
          {with_visible_spaces(part.substr(0, end), look), field, begins, end == part.size()});
      if (part[end - 1] == '\n') lines.emplace_back();
      part.remove_prefix(end);
    }
  };
  std::size_t at = 0;
  for (const PlacedField& placed : report.fields) {
    add(text.substr(at, placed.output.from - at), unset);
    add(text.substr(placed.output.from, placed.output.to - placed.output.from), placed.field);
    at = placed.output.to;
  }
  add(text.substr(at), unset);
  if (lines.size() > 1 && lines.back().stretches.empty()) lines.pop_back();
  return lines;
}

// A field, as often as it was printed.
struct ShownField {
  int field = unset;
  std::size_t times = 0;
  std::size_t least = 0;
  std::size_t most = 0;
  std::vector<std::pair<std::string, std::string_view>> values;  // and their types
  bool has_more = false;

  void add(const Value& value) {
    std::pair<std::string, std::string_view> one = {visible(describe(value)),
                                                    name_of(value.type())};
    constexpr std::size_t most_values = 6;
    if (!values.empty() && values.back() == one) return;
    if (values.size() < most_values)
      values.push_back(std::move(one));
    else
      has_more = true;
  }
  // "5 bytes", "3 to 5 bytes, 4 times"
  std::string told(const Dialect& dialect) const {
    std::string out = least == most ? "" : std::to_string(least) + " to ";
    out += unit_of(dialect, most);
    if (times > 1) out += ", " + std::to_string(times) + " times";
    return out;
  }
};

void put_fields(Screen& screen, const ShowRequest& request, const Template& parsed,
                std::string_view text, const Report& report) {
  std::size_t widest = 0;
  for (const Field& field : parsed.fields())
    widest = std::max(widest, measure(visible(parsed.source_of(field)), WidthUnit::columns));
  widest = std::min<std::size_t>(widest, 44);
  const auto size_of = [&](const PlacedField& placed) {
    const std::string_view made =
        text.substr(placed.output.from, placed.output.to - placed.output.from);
    return measure(made, request.dialect->facts().width_unit);
  };
  std::size_t longest = 10;
  std::vector<ShownField> shown;
  for (const PlacedField& placed : report.fields) {
    const auto known = std::find_if(shown.begin(), shown.end(), [&](const ShownField& one) {
      return one.field == placed.field;
    });
    ShownField& one = known == shown.end() ? shown.emplace_back() : *known;
    const std::size_t size = size_of(placed);
    one.least = one.times == 0 ? size : std::min(one.least, size);
    one.most = std::max(one.most, size);
    one.field = placed.field;
    ++one.times;
    const Field& field = parsed.fields()[static_cast<std::size_t>(placed.field)];
    const Value* value =
        placed.computed ? &*placed.computed : value_of_field(field, placed, request.values);
    if (value != nullptr) one.add(*value);
  }
  for (const ShownField& one : shown)
    longest = std::max(longest, one.told(*request.dialect).size());
  for (const ShownField& one : shown) {
    const Field& field = parsed.fields()[static_cast<std::size_t>(one.field)];
    const std::string source = visible(parsed.source_of(field));
    screen.label(std::to_string(one.field + 1));
    screen.tinted(Tint::field, source, one.field);
    const std::size_t wide = measure(source, WidthUnit::columns);
    screen.put(std::string(wide < widest + 2 ? widest + 2 - wide : 1, ' '));
    std::string told = one.told(*request.dialect);
    if (!one.values.empty()) told.resize(std::max(told.size(), longest), ' ');
    screen.put(told);
    for (std::size_t i = 0; i < one.values.size(); ++i) {
      screen.put(i == 0 ? "  from " : ", ");
      screen.put(one.values[i].first);
      const bool says_type =
          i + 1 == one.values.size() || one.values[i].second != one.values[i + 1].second;
      if (says_type) screen.tinted(Tint::dim, " " + std::string(one.values[i].second));
    }
    if (one.has_more) screen.tinted(Tint::dim, ", ...");
    screen.line();
  }
}

void put_outcome(Screen& screen, const Outcome& outcome, const Template& parsed) {
  const bool undefined = outcome.kind() == Outcome::Kind::undefined;
  const bool compile = outcome.kind() == Outcome::Kind::fails_compile;
  screen.underlined(parsed.source(), outcome.span(), "");
  screen.line();
  screen.label(undefined ? "undefined" : "fails");
  std::string text;
  if (!undefined)
    text = "when the program " + std::string(compile ? "is compiled" : "runs") + ", as " +
           outcome.failure_name() + ": ";
  screen.paragraph(text + outcome.why());
}

// Text is text, even where it reads like a date.
void put_meant_times(Screen& screen, const ShowRequest& request) {
  for (const Value& value : request.values) {
    if (!value.is(Type::text)) continue;
    const std::string text(value.as_text());
    const std::string type = read_time(text)                       ? "time"
                             : !read_moment(text)                  ? ""
                             : text.find('T') == std::string::npos ? "date"
                                                                   : "moment";
    if (type.empty()) continue;
    std::string told = text;
    told.append(" is a text here; write ").append(text).append(":").append(type);
    told.append(" for a ").append(type);
    screen.label("");
    screen.paragraph(told);
  }
}

void put_complaints(Screen& screen, const Outcome& outcome, const Template& parsed) {
  screen.line();
  for (const Complaint& complaint : outcome.complaints()) {
    screen.underlined(parsed.source(), complaint.span, "");
    screen.line();
    screen.label("complains");
    screen.paragraph("as " + complaint.as + ": " + complaint.message);
  }
  if (!outcome.status()) return;
  screen.label("exits");
  screen.paragraph("with status " + std::to_string(*outcome.status()));
}

// Several texts, each under its number; or that there is none.
void put_texts(Screen& screen, std::string_view text, const Report& report, const Look& look) {
  if (report.texts->empty()) {
    screen.label("prints");
    screen.line("no text at all: a vector among the values is empty");
  }
  int number = 0;
  std::vector<ScreenLine> all;
  for (const Span& span : *report.texts) {
    Report own;
    for (const PlacedField& placed : report.fields) {
      if (placed.output.from < span.from || placed.output.to > span.to) continue;
      own.fields.push_back(
          {placed.field, {placed.output.from - span.from, placed.output.to - span.from}});
    }
    std::vector<ScreenLine> lines =
        lines_of(text.substr(span.from, span.to - span.from), own, look);
    lines.front().label = "text " + std::to_string(++number);
    for (ScreenLine& line : lines) all.push_back(std::move(line));
  }
  screen.block(all);
  screen.line();
}

void put_printed(Screen& screen, const ShowRequest& request, const Template& parsed,
                 std::string_view text, const Report& report, const Look& look) {
  if (report.texts) {
    put_texts(screen, text, report, look);
  } else if (text.empty()) {
    screen.label("prints");
    screen.line("nothing");
    return;
  } else {
    screen.block(lines_of(text, report, look));
    screen.line();
  }
  put_fields(screen, request, parsed, text, report);
}

}  // namespace

void put_words(Screen& screen, const ShowRequest& request, const Template& parsed) {
  put_source(screen, request, parsed);
  int current = unset - 1;
  for (const Words& words : request.dialect->explain(parsed)) {
    const std::string part = visible(
        std::string_view(parsed.source()).substr(words.span.from, words.span.to - words.span.from));
    if (words.field != current && words.field != unset) {
      screen.label(std::to_string(words.field + 1));
      screen.tinted(
          Tint::field,
          visible(parsed.source_of(parsed.fields()[static_cast<std::size_t>(words.field)])),
          words.field);
      screen.line();
    }
    current = words.field;
    const bool defect = words.role == "undefined" || words.role == "fails";
    screen.label(words.field == unset ? words.role : "");
    const std::string head =
        (words.field == unset ? "" : "  ") + (defect ? std::string(words.role) : part);
    const std::size_t wide = measure(head, WidthUnit::columns);
    const std::size_t column = std::max<std::size_t>(wide + 2, 10);
    screen.tinted(defect ? Tint::warm : Tint::plain, head);
    screen.put(std::string(column - wide, ' '));
    screen.wrapped(words.meaning, label_width + column, label_width + 10);
  }
  screen.line();
  screen.label("takes");
  std::string names;
  for (const std::string& name : parsed.value_names())
    names += (names.empty() ? "" : ", ") + visible(name);
  for (const Field& field : parsed.fields()) {
    const std::string name = visible(field.key_name());
    if (field.key.empty() || (", " + names + ", ").find(", " + name + ", ") != std::string::npos)
      continue;
    names += (names.empty() ? "" : ", ") + name;
  }
  const int count = parsed.values_taken();
  if (!names.empty())
    screen.paragraph("values named " + names);
  else
    screen.line(count == 0 ? "no values"
                           : std::to_string(count) + (count == 1 ? " value" : " values"));
  for (const Note& note : parsed.notes()) screen.note(note, parsed.source());
}

void put_shown(Screen& screen, const ShowRequest& request, const Template& parsed,
               const Outcome& outcome, std::string_view text, const Report& report) {
  put_source(screen, request, parsed);
  if (outcome.prints())
    put_printed(screen, request, parsed, text, report, screen.look());
  else
    put_outcome(screen, outcome, parsed);
  if (!outcome.prints()) put_meant_times(screen, request);
  if (const std::string_view taken = request.options().setting("locale");
      taken != request.asked_locale) {
    screen.line();
    screen.label("locale");
    screen.line(taken);
  }
  if (outcome.kind() == Outcome::Kind::complains) put_complaints(screen, outcome, parsed);
  if (!report.notes.empty()) screen.line();
  for (const Note& note : report.notes) screen.note(note, parsed.source());
}

void put_plain(Screen& screen, const Dialect& dialect, const Outcome& outcome,
               std::string_view text) {
  screen.label(dialect.facts().id);
  screen.line("no format");
  screen.line();
  if (outcome.prints() && text.empty()) {
    screen.label("prints");
    screen.line("nothing");
  } else if (outcome.prints()) {
    screen.block(lines_of(text, {}, screen.look()));
  } else {
    screen.label("undefined");
    screen.paragraph(outcome.why());
  }
}

}  // namespace inky::cli
