#include "screen.hpp"

#include <unistd.h>

#include <algorithm>
#include <array>
#include <cstdlib>

#include "inky_margin/text/columns.hpp"
#include "text/escape.hpp"
#include "text/ruler.hpp"
#include "text/utf8.hpp"

namespace inky::cli {

namespace {

constexpr std::size_t last_column = 96;
constexpr std::string_view reset = "\x1b[0m";

constexpr std::array<std::string_view, 5> tints = {"", "\x1b[90m", "\x1b[1m", "\x1b[33m",
                                                   "\x1b[32m"};
// Neighbouring fields differ; all are readable on dark and light grounds.
constexpr std::array<std::string_view, 4> field_tints = {"\x1b[36m", "\x1b[35m", "\x1b[34m",
                                                         "\x1b[32m"};

struct Marks {
  std::string_view space;
  std::string_view line_end;
  std::string_view left;
  std::string_view middle;
  std::string_view right;
  std::string_view under;
};
constexpr Marks unicode_marks = {"·", "⏎", "└", "─", "┘", "▔"};
constexpr Marks ascii_marks = {"_", "$", "\\", "-", "/", "^"};

const Marks& marks_of(const Look& look) {
  return look.unicode ? unicode_marks : ascii_marks;
}

void repeat(std::string& out, std::string_view text, std::size_t count) {
  for (; count > 0; --count) out += text;
}

// "└──1──┘" as wide as the stretch, with the edges that are in this line; its number only where
// there is room.
std::string edge_of(const Stretch& stretch, const Look& look) {
  const std::size_t width = columns_of(stretch.text);
  if (stretch.field < 0 || (!stretch.begins && !stretch.ends)) return std::string(width, ' ');
  const Marks& marks = marks_of(look);
  const std::string number = std::to_string(stretch.field + 1);
  if (width == 1 && !stretch.begins) return std::string(marks.right);
  if (width <= number.size()) return width == number.size() ? number : std::string(width, ' ');
  std::string out(stretch.begins ? marks.left : marks.middle);
  if (width < number.size() + 2) return out += number;
  const std::size_t rest = width - 2 - number.size();
  repeat(out, marks.middle, rest / 2);
  out += number;
  repeat(out, marks.middle, rest - rest / 2);
  return out += stretch.ends ? marks.right : marks.middle;
}

}  // namespace

std::size_t columns_of(std::string_view text) {
  return measure(text, WidthUnit::columns);
}

Look look_of(std::FILE* stream, bool ascii) {
  const char* no_colour = std::getenv("NO_COLOR");
  const bool plain = no_colour != nullptr && *no_colour != '\0';
  return {isatty(fileno(stream)) != 0 && !plain, !ascii};
}

void Screen::put(std::string_view text) {
  while (!text.empty()) {
    const std::size_t end = std::min(text.find('\n'), text.size());
    text_ += visible(text.substr(0, end));
    if (end < text.size()) text_ += '\n';
    text.remove_prefix(std::min(end + 1, text.size()));
  }
}

void Screen::tinted(Tint tint, std::string_view text, int field) {
  if (!look_.colour || tint == Tint::plain || text.empty()) return put(text);
  text_ += tint == Tint::field ? field_tints[static_cast<std::size_t>(field) % field_tints.size()]
                               : tints[static_cast<std::size_t>(tint)];
  put(text);
  text_ += reset;
}

void Screen::label(std::string_view text, Tint tint) {
  put("  ");
  tinted(tint, text);
  std::size_t used = 2 + columns_of(text);
  // A long label stands on a line of its own.
  if (used >= label_width) {
    line();
    used = 0;
  }
  put(std::string(label_width - used, ' '));
}

void Screen::dialect_label(std::string_view text, Tint tint) {
  constexpr std::string_view indent = "  ";
  text_ += indent;
  tinted(tint, text);
  const std::size_t used = indent.size() + text.size();
  text_ += std::string(dialect_label_width - std::min(used, dialect_label_width - 1), ' ');
}

void Screen::dialect_note(const Note& note) {
  dialect_label("note", Tint::dim);
  dialect_paragraph(note.message + " [" + std::string(name_of(note.code)) + "]");
}

void Screen::wrapped(std::string_view text, std::size_t start, std::size_t indent) {
  std::size_t column = start;
  bool at_line_start = true;
  while (!text.empty()) {
    const std::size_t end = std::min(text.find(' '), text.size());
    const std::string_view word = text.substr(0, end);
    const std::size_t wide = columns_of(word) + (at_line_start ? 0 : 1);
    if (!at_line_start && column + wide > last_column) {
      line();
      put(std::string(indent, ' '));
      column = indent;
      at_line_start = true;
      continue;
    }
    if (!at_line_start) put(" ");
    put(word);
    column += wide;
    at_line_start = false;
    text.remove_prefix(std::min(end + 1, text.size()));
  }
  line();
}

void Screen::rule(std::size_t columns) {
  label("");
  tinted(Tint::dim, ruler(columns, look_.unicode ? ruler_unicode : ruler_ascii));
  line();
}

void Screen::edges(const std::vector<Stretch>& stretches) {
  label("");
  for (const Stretch& stretch : stretches) {
    const std::string text = edge_of(stretch, look_);
    if (stretch.field < 0)
      put(text);
    else
      tinted(Tint::field, text, stretch.field);
  }
  line();
}

void Screen::with_faint_spaces(std::string_view text) {
  while (!text.empty()) {
    const std::size_t words = std::min(text.find(' '), text.size());
    put(text.substr(0, words));
    text.remove_prefix(words);
    const std::size_t spaces = std::min(text.find_first_not_of(' '), text.size());
    std::string marks;
    repeat(marks, marks_of(look_).space, spaces);
    tinted(Tint::dim, marks);
    text.remove_prefix(spaces);
  }
}

void Screen::block(const std::vector<ScreenLine>& lines) {
  std::size_t widest = 0;
  for (const ScreenLine& one : lines) {
    std::size_t wide = 0;
    for (const Stretch& stretch : one.stretches) wide += columns_of(stretch.text);
    widest = std::max(widest, wide);
  }
  const std::size_t end_width = columns_of(with_visible_spaces("\n", look_));
  if (widest > end_width) rule(widest);
  const auto edges_of = [&](const ScreenLine& one) {
    std::string out;
    for (const Stretch& stretch : one.stretches) out += edge_of(stretch, look_);
    return out;
  };
  for (std::size_t i = 0; i < lines.size(); ++i) {
    label(lines[i].label);
    for (const Stretch& stretch : lines[i].stretches)
      tinted(stretch.field < 0 ? Tint::plain : Tint::field, stretch.text, stretch.field);
    line();
    const std::string own = edges_of(lines[i]);
    const bool has_edges = own.find_first_not_of(' ') != std::string::npos;
    if (has_edges && (i + 1 == lines.size() || edges_of(lines[i + 1]) != own))
      edges(lines[i].stretches);
  }
}

void Screen::underlined(std::string_view source, const Span& span, std::string_view label_text) {
  // Only the line of the source that the span begins in.
  const std::size_t from = std::min(span.from, source.size());
  const std::size_t begin = from == 0 ? 0 : source.rfind('\n', from - 1) + 1;
  const std::size_t end = std::min(source.find('\n', from), source.size());
  const std::size_t to = std::clamp(span.to, from, end);
  const std::string before = visible(source.substr(begin, from - begin));
  const std::string marked = visible(source.substr(from, to - from));
  label(label_text);
  put(before);
  tinted(Tint::warm, marked);
  line(visible(source.substr(to, end - to)));
  label("");
  put(std::string(columns_of(before), ' '));
  std::string under;
  repeat(under, marks_of(look_).under, std::max<std::size_t>(columns_of(marked), 1));
  tinted(Tint::warm, under);
  line();
}

void Screen::note(const Note& note, std::string_view source) {
  label("note");
  const std::string_view where = source.substr(note.span.from, note.span.to - note.span.from);
  std::string text;
  if (note.span.to > note.span.from && where.size() < source.size()) text = visible(where) + ": ";
  text += note.message;
  text += " [";
  text += name_of(note.code);
  text += "]";
  paragraph(text);
}

std::string with_visible_spaces(std::string_view text, const Look& look) {
  std::string out;
  for (std::size_t at = 0; at < text.size();) {
    const std::size_t end = std::min(text.find_first_of(" \n", at), text.size());
    out += visible(text.substr(at, end - at));
    if (end < text.size()) out += text[end] == ' ' ? marks_of(look).space : marks_of(look).line_end;
    at = end + 1;
  }
  return out;
}

std::string error_text(const Error& error, std::string_view source, const Look& look) {
  Screen screen(look);
  screen.put("inky: ");
  screen.tinted(Tint::strong, error.message);
  screen.line();
  if (!source.empty() && error.span.to + error.span.from > 0)
    screen.underlined(source, error.span, "");
  if (!error.remedy.empty()) {
    screen.put("      ");
    screen.wrapped(error.remedy, 6, 6);
  }
  return screen.text();
}

}  // namespace inky::cli
