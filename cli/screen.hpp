// What a person sees: colour, padding made visible, field edges, rulers, errors underlined.
//
// A command writes everything to a Screen; nothing reaches standard output before flush(), which
// checks that all of it arrived.
#pragma once

#include <cstdio>
#include <string>
#include <string_view>
#include <vector>

#include "inky_margin/format/note.hpp"

namespace inky::cli {

struct Look {
  bool colour = false;
  bool unicode = true;
};

// Colour only on a terminal and where NO_COLOR is not set; Unicode unless --ascii is given.
Look look_of(std::FILE* stream, bool ascii);

// On a terminal, in a typeface of one width.
std::size_t columns_of(std::string_view text);

enum class Tint : std::uint8_t { plain, dim, strong, warm, good, field };

// Text with spaces and unprintable characters made visible, and the field that made it.
struct Stretch {
  std::string text;
  int field = -1;      // -1: a literal
  bool begins = true;  // or the field began in a line above
  bool ends = true;    // or it goes on in a line below
};

// A printed line, and the label on its left.
struct ScreenLine {
  std::vector<Stretch> stretches;
  std::string label;
};

// Labels stand at the left; everything else begins in this column.
inline constexpr std::size_t label_width = 12;
// The same where the labels are ids of dialects.
inline constexpr std::size_t dialect_label_width = 18;

class Screen {
 public:
  explicit Screen(const Look& look) : look_(look) {}

  const Look& look() const { return look_; }
  // What could act on a terminal is shown by name: nothing on a screen but its colours does.
  void put(std::string_view text);
  void line(std::string_view text = {}) {
    put(text);
    text_ += '\n';
  }
  void tinted(Tint tint, std::string_view text, int field = 0);
  // The bare bytes of a line's left edge, so that all blocks stand alike.
  void label(std::string_view text, Tint tint = Tint::dim);
  // The same with room for the longest id of a dialect.
  void dialect_label(std::string_view text, Tint tint = Tint::plain);
  void dialect_paragraph(std::string_view text) {
    wrapped(text, dialect_label_width, dialect_label_width);
  }
  void dialect_note(const Note& note);
  // `text` wrapped at the right edge; lines after the first are indented by `indent` columns.
  void wrapped(std::string_view text, std::size_t start, std::size_t indent);

  // The same after a label.
  void paragraph(std::string_view text) { wrapped(text, label_width, label_width); }

  void rule(std::size_t columns);
  // Lines of output under one ruler: their stretches in the colours of their fields. Edges stand
  // below the last of lines that have the same ones, where a field begins or ends.
  void block(const std::vector<ScreenLine>& lines);
  // The edges alone, under what was already written.
  void edges(const std::vector<Stretch>& stretches);
  // Text whose spaces show as faint marks.
  void with_faint_spaces(std::string_view text);
  // The source with a span underlined, or with a mark where an empty span points.
  void underlined(std::string_view source, const Span& span, std::string_view label_text);
  void note(const Note& note, std::string_view source);

  const std::string& text() const { return text_; }

 private:
  Look look_;
  std::string text_;
};

// Spaces as the visible mark, the rest as `visible` makes it; line ends as a mark of their own.
std::string with_visible_spaces(std::string_view text, const Look& look);

// "inky: what is wrong", the source underlined where there is one, and what to do.
std::string error_text(const Error& error, std::string_view source, const Look& look);

}  // namespace inky::cli
