#include "picture.hpp"

#include <cairo-svg.h>
#include <cairo.h>

#include <algorithm>
#include <cmath>
#include <fstream>
#include <memory>
#include <vector>

#include "brief.hpp"
#include "number/number_line.hpp"

namespace inky::cli {

namespace {

constexpr double picture_width = 1280;
constexpr double picture_height = 800;
constexpr double left_edge = 90;
constexpr double right_edge = picture_width - 90;

struct Colour {
  double red, green, blue;
};
constexpr Colour paper{0.984, 0.980, 0.969};
constexpr Colour ink{0.133, 0.145, 0.165};
constexpr Colour faint{0.43, 0.42, 0.39};
constexpr Colour stored_colour{0.122, 0.310, 0.639};
constexpr Colour typed_colour{0.604, 0.353, 0.0};
constexpr Colour halfway_colour{0.557, 0.184, 0.498};

struct Freed {
  void operator()(cairo_t* context) const { cairo_destroy(context); }
  void operator()(cairo_surface_t* surface) const { cairo_surface_destroy(surface); }
};
using Surface = std::unique_ptr<cairo_surface_t, Freed>;

class Drawing {
 public:
  explicit Drawing(cairo_surface_t* surface) : context_(cairo_create(surface)) {
    set(paper);
    cairo_paint(cairo());
    cairo_set_line_cap(cairo(), CAIRO_LINE_CAP_ROUND);
  }

  void set(const Colour& colour) {
    cairo_set_source_rgb(cairo(), colour.red, colour.green, colour.blue);
  }
  void line(double x1, double y1, double x2, double y2, double width, bool dashed = false) {
    const double dashes[] = {5, 5};
    cairo_set_dash(cairo(), dashes, dashed ? 2 : 0, 0);
    cairo_set_line_width(cairo(), width);
    cairo_move_to(cairo(), x1, y1);
    cairo_line_to(cairo(), x2, y2);
    cairo_stroke(cairo());
    cairo_set_dash(cairo(), dashes, 0, 0);
  }
  void disc(double x, double y, double radius) {
    cairo_arc(cairo(), x, y, radius, 0, 2 * M_PI);
    cairo_fill(cairo());
  }
  // A small triangle whose tip is at (x, y); it stands above the tip, or below it.
  void pointer(double x, double y, bool above) {
    const double side = above ? -12 : 12;
    cairo_move_to(cairo(), x, y);
    cairo_line_to(cairo(), x - 7, y + side);
    cairo_line_to(cairo(), x + 7, y + side);
    cairo_close_path(cairo());
    cairo_fill(cairo());
  }
  void wedge(double x, double y1, double left, double right, double y2) {
    cairo_set_source_rgba(cairo(), stored_colour.red, stored_colour.green, stored_colour.blue,
                          0.07);
    cairo_move_to(cairo(), x, y1);
    cairo_line_to(cairo(), left, y2);
    cairo_line_to(cairo(), right, y2);
    cairo_close_path(cairo());
    cairo_fill(cairo());
  }

  double width_of(const std::string& text, double size) {
    choose(size, false);
    cairo_text_extents_t extents;
    cairo_text_extents(cairo(), text.c_str(), &extents);
    return extents.x_advance;
  }
  // `y` is the base line; the text is centred on x, as far as the page allows.
  void centred(double x, double y, const std::string& text, double size, bool strong = false) {
    const double width = width_of(text, size);
    at(std::clamp(x - width / 2, 24.0, std::max(24.0, picture_width - 24 - width)), y, text, size,
       strong);
  }
  void at(double x, double y, const std::string& text, double size, bool strong = false) {
    choose(size, strong);
    cairo_move_to(cairo(), x, y);
    cairo_show_text(cairo(), text.c_str());
  }

 private:
  cairo_t* cairo() { return context_.get(); }
  void choose(double size, bool strong) {
    cairo_select_font_face(cairo(), "DejaVu Sans Mono", CAIRO_FONT_SLANT_NORMAL,
                           strong ? CAIRO_FONT_WEIGHT_BOLD : CAIRO_FONT_WEIGHT_NORMAL);
    cairo_set_font_size(cairo(), size);
  }

  std::unique_ptr<cairo_t, Freed> context_;
};

double x_of(double at) {
  return left_edge + std::clamp(at, 0.0, 1.0) * (right_edge - left_edge);
}

// One line: what can be stored or printed on it, what was typed above, halfway points below.
class LinePicture {
 public:
  LinePicture(Drawing& drawing, const NumberLine& line, double y)
      : drawing_(drawing), line_(line), y_(y) {}

  void draw(const std::string& title) {
    drawing_.set(faint);
    drawing_.at(left_edge - 60, y_ - 118, title, 15);
    drawing_.set(ink);
    drawing_.line(left_edge - 40, y_, right_edge + 40, y_, 2);
    for (const LinePoint& point : line_.points) mark(point);
    labels();
    pointers(LinePoint::Kind::typed, "typed ", typed_colour, true, 66);
    pointers(LinePoint::Kind::halfway, "halfway point for printing ", halfway_colour, false, 100);
    beyond();
  }

 private:
  void mark(const LinePoint& point) {
    const double x = x_of(point.at);
    switch (point.kind) {
      case LinePoint::Kind::neighbour:
      case LinePoint::Kind::printable:
        drawing_.set(ink);
        drawing_.line(x, y_ - 16, x, y_ + 16, 2.5);
        break;
      case LinePoint::Kind::middle:
        drawing_.set(faint);
        drawing_.line(x, y_ - 26, x, y_ + 26, 1.5, true);
        drawing_.centred(x, y_ - 34, "middle", 14);
        break;
      case LinePoint::Kind::stored:
        drawing_.set(stored_colour);
        drawing_.disc(x, y_, 9);
        break;
      default:
        break;
    }
  }

  // Under the line, as far as they do not meet; what is stored comes first.
  void labels() {
    std::vector<std::pair<double, double>> taken;
    for (const bool stored : {true, false}) {
      for (const LinePoint& point : line_.points) {
        const bool is_stored = point.kind == LinePoint::Kind::stored;
        const bool labelled = is_stored || point.kind == LinePoint::Kind::neighbour ||
                              point.kind == LinePoint::Kind::printable;
        if (!labelled || is_stored != stored) continue;
        const std::string text = (is_stored ? "stored " : "") + point.label;
        const double half = drawing_.width_of(text, 17) / 2 + 10;
        const double x = x_of(point.at);
        // The stored number has a row of its own.
        if (!is_stored && std::any_of(taken.begin(), taken.end(), [&](const auto& other) {
              return x - half < other.second && other.first < x + half;
            }))
          continue;
        if (!is_stored) taken.emplace_back(x - half, x + half);
        drawing_.set(is_stored ? stored_colour : ink);
        // The line of a halfway point close by would run through the label.
        const bool aside = is_stored && near_halfway(x, half);
        drawing_.centred(aside ? x - half - 20 : x, y_ + (is_stored ? 68 : 42), text, 17,
                         is_stored);
        if (is_stored) drawing_.line(x, y_ + 10, aside ? x - 12 : x, y_ + (aside ? 60 : 52), 1);
      }
    }
  }

  bool near_halfway(double x, double distance) const {
    return std::any_of(line_.points.begin(), line_.points.end(), [&](const LinePoint& point) {
      return point.kind == LinePoint::Kind::halfway && std::abs(x_of(point.at) - x) < distance;
    });
  }

  void pointers(LinePoint::Kind kind, const std::string& word, const Colour& colour, bool above,
                double distance) {
    for (const LinePoint& point : line_.points) {
      if (point.kind != kind) continue;
      const double x = x_of(point.at);
      drawing_.set(colour);
      drawing_.pointer(x, above ? y_ - 3 : y_ + 3, above);
      drawing_.line(x, above ? y_ - 14 : y_ + 14, x,
                    above ? y_ - distance + 12 : y_ + distance - 18, 1.5);
      drawing_.centred(x, above ? y_ - distance : y_ + distance, word + point.label, 17);
    }
  }

  void beyond() {
    if (line_.halfway_beyond == 0) return;
    const bool left = line_.halfway_beyond < 0;
    drawing_.set(halfway_colour);
    const std::string text = left ? "< the halfway point for printing lies beyond this end"
                                  : "the halfway point for printing lies beyond this end >";
    const double width = drawing_.width_of(text, 15);
    drawing_.at(left ? left_edge - 40 : right_edge + 40 - width, y_ + 100, text, 15);
  }

  Drawing& drawing_;
  const NumberLine& line_;
  double y_;
};

void draw_page(Drawing& drawing, const Weighing& number, const std::string& typed,
               std::optional<int> places) {
  constexpr std::size_t most = 96;
  const std::string format(number.format->name);
  drawing.set(ink);
  drawing.at(30, 56, shortened(typed, 60), 26, true);
  drawing.set(faint);
  drawing.at(30, 86, shortened("stored as " + format + ": " + to_text(*number.stored), most), 16);
  std::string told = "bits " + hexadecimal_text(*number.format, number.bits);
  if (number.error) {
    told = number.error->is_zero()
               ? "stored exactly as typed"
               : "stored " + std::string(number.error->negative ? "below" : "above") +
                     " what was typed, by " + brief_size(number.error_ulps) +
                     " units of the last place";
  }
  drawing.at(30, 110, shortened(told, most), 16);

  const NumberLine close = line_of_neighbours(number, places);
  const auto wide = places ? line_of_places(number, *places) : std::nullopt;
  if (!wide) {
    LinePicture(drawing, close, 430).draw("numbers of " + format + "; " + close.unit);
    return;
  }
  const auto stored = std::find_if(wide->points.begin(), wide->points.end(), [](const auto& point) {
    return point.kind == LinePoint::Kind::stored;
  });
  drawing.wedge(x_of(stored->at), 310, left_edge - 40, right_edge + 40, 620);
  LinePicture(drawing, *wide, 310).draw("what can be printed; " + wide->unit);
  LinePicture(drawing, close, 620).draw("numbers of " + format + "; " + close.unit);
  const PlacesView view = view_at(*number.stored, *places);
  drawing.set(ink);
  std::string side = "needs no rounding";
  if (view.side == Tail::half)
    side = "lies on the halfway point: a tie";
  else if (view.side != Tail::exact)
    side =
        "lies " +
        std::string(view.side == Tail::below_half ? "nearer zero than" : "farther from zero than") +
        " the halfway point, by " + brief_size(to_text(view.distance));
  drawing.at(30, 768,
             shortened("prints as " + view.shows + " at " + std::to_string(*places) +
                           " places: what is stored " + side,
                       116),
             16);
}

bool ends_with(const std::string& text, std::string_view end) {
  return text.size() > end.size() && text.compare(text.size() - end.size(), end.size(), end) == 0;
}

cairo_status_t keep(void* closure, const unsigned char* data, unsigned length) {
  static_cast<std::string*>(closure)->append(reinterpret_cast<const char*>(data), length);
  return CAIRO_STATUS_SUCCESS;
}

}  // namespace

std::optional<Error> draw_picture(const Weighing& number, const std::string& typed,
                                  std::optional<int> places, const std::string& path) {
  const bool svg = ends_with(path, ".svg");
  if (!svg && !ends_with(path, ".png")) {
    return Error{Code::bad_option,
                 "a picture is a .svg or a .png file, which \"" + path + "\" is not",
                 {},
                 "Name it line.svg or line.png."};
  }
  // The whole picture first, so that nothing is half-written.
  std::string bytes;
  {
    const Surface surface(
        svg ? cairo_svg_surface_create_for_stream(keep, &bytes, picture_width, picture_height)
            : cairo_image_surface_create(CAIRO_FORMAT_RGB24, static_cast<int>(picture_width),
                                         static_cast<int>(picture_height)));
    Drawing drawing(surface.get());
    draw_page(drawing, number, typed, places);
    if (!svg) cairo_surface_write_to_png_stream(surface.get(), keep, &bytes);
    cairo_surface_finish(surface.get());
  }
  std::ofstream file(path, std::ios::binary);
  file << bytes << std::flush;
  if (file) return std::nullopt;
  return Error{Code::output_failed,
               "\"" + path + "\" cannot be written",
               {},
               "Give a path in a directory that you may write to."};
}

}  // namespace inky::cli
