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
    const std::string text =
        visible(std::string_view(parsed.source())
                    .substr(piece.source.from, piece.source.to - piece.source.from));
    screen.tinted(piece.field == unset ? Tint::plain : Tint::field, text, piece.field);
  }
  screen.line();
  screen.line();
}

// The output cut into stretches, and those into lines at each line end.
std::vector<std::vector<Stretch>> lines_of(std::string_view text, const Report& report,
                                           const Look& look) {
  std::vector<std::vector<Stretch>> lines(1);
  const auto add = [&](std::string_view part, int field) {
    while (!part.empty()) {
      const std::size_t end = std::min(part.find('\n'), part.size() - 1) + 1;
      lines.back().push_back({with_visible_spaces(part.substr(0, end), look), field});
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
  if (lines.size() > 1 && lines.back().empty()) lines.pop_back();
  return lines;
}

void put_fields(Screen& screen, const ShowRequest& request, const Template& parsed,
                std::string_view text, const Report& report) {
  std::size_t widest = 0;
  for (const Field& field : parsed.fields())
    widest = std::max(widest, measure(visible(parsed.source_of(field)), WidthUnit::columns));
  widest = std::min<std::size_t>(widest, 44);
  const auto told_of = [&](const PlacedField& placed) {
    const std::string_view made =
        text.substr(placed.output.from, placed.output.to - placed.output.from);
    return unit_of(*request.dialect, measure(made, request.dialect->facts().width_unit));
  };
  std::size_t longest = 10;
  for (const PlacedField& placed : report.fields)
    longest = std::max(longest, told_of(placed).size());
  for (const PlacedField& placed : report.fields) {
    const Field& field = parsed.fields()[static_cast<std::size_t>(placed.field)];
    const std::string source = visible(parsed.source_of(field));
    screen.label(std::to_string(placed.field + 1));
    screen.tinted(Tint::field, source, placed.field);
    const std::size_t wide = measure(source, WidthUnit::columns);
    screen.put(std::string(wide < widest + 2 ? widest + 2 - wide : 1, ' '));
    std::string told = told_of(placed);
    const Value* value =
        placed.computed ? &*placed.computed : value_of_field(field, placed, request.values);
    if (value != nullptr) told.resize(longest, ' ');
    screen.put(told);
    if (value != nullptr) {
      screen.put("  from ");
      screen.put(visible(describe(*value)));
      screen.tinted(Tint::dim, " " + std::string(name_of(value->type())));
    }
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
  for (const Span& span : *report.texts) {
    Report own;
    for (const PlacedField& placed : report.fields) {
      if (placed.output.from < span.from || placed.output.to > span.to) continue;
      own.fields.push_back(
          {placed.field, {placed.output.from - span.from, placed.output.to - span.from}});
    }
    screen.label("text");
    screen.line(std::to_string(++number));
    for (const auto& line : lines_of(text.substr(span.from, span.to - span.from), own, look))
      screen.stretches(line);
  }
  screen.line();
}

// A line of nothing but its end needs no ruler.
void put_line(Screen& screen, const std::vector<Stretch>& line, const Look& look) {
  if (line.size() != 1 || line[0].text != with_visible_spaces("\n", look))
    return screen.stretches(line);
  screen.label("");
  screen.tinted(line[0].field == unset ? Tint::plain : Tint::field, line[0].text, line[0].field);
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
    for (const auto& line : lines_of(text, report, look)) put_line(screen, line, look);
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
    for (const auto& line : lines_of(text, {}, screen.look())) screen.stretches(line);
  } else {
    screen.label("undefined");
    screen.paragraph(outcome.why());
  }
}

}  // namespace inky::cli
