#include "writing.hpp"

#include <algorithm>

#include "../family/time_letters.hpp"
#include "../family/writing.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1::csharp {

namespace {

// The .NET documentation, Custom date and time format strings.
constexpr family::TimeLetter time_letters[] = {
    {"year", "yyyy"},
    {"year:2", "yy"},
    {"month", "MM"},
    {"month:1", "M"},
    {"month:name", "MMMM"},
    {"month:short", "MMM"},
    {"day", "dd"},
    {"day:1", "d"},
    {"weekday", "dddd"},
    {"weekday:short", "ddd"},
    {"hour", "HH"},
    {"hour:1", "H"},
    {"hour12", "hh"},
    {"hour12:1", "h"},
    {"minute", "mm"},
    {"second", "ss"},
    {"fraction:1", "f"},
    {"fraction:2", "ff"},
    {"fraction:3", "fff"},
    {"fraction:6", "ffffff"},
    {"fraction:7", "fffffff"},
    {"half", "tt"},
    {"offset", "zzz"},
};

// Letters stand in quotes; what ends the quotes, the format or the literal cannot stand there.
bool put_between(std::string_view text, std::string& out) {
  if (text.find_first_of("'\"\\{}%") != std::string_view::npos) return false;
  for (std::size_t at = 0; at < text.size();) {
    const auto is_letter = [&](std::size_t place) {
      const unsigned char c = static_cast<unsigned char>(text[place]);
      return is_word_start(text[place]) || c >= 0x80;
    };
    std::size_t end = at;
    while (end < text.size() && is_letter(end)) ++end;
    if (end > at) {
      ((out += '\'') += text.substr(at, end - at)) += '\'';
      at = end;
    } else if (static_cast<unsigned char>(text[at]) < 0x20) {
      return false;
    } else {
      out += text[at++];
    }
  }
  return true;
}

class ItemWriter {
 public:
  explicit ItemWriter(const FieldWish& wish)
      : wish_(wish),
        spec_(writing::without_open_places(wish.spec)),
        kind_(writing::kind_of(wish)) {}

  WrittenField write() {
    std::string format;
    if (!choose_format(format)) return {{}, std::move(notes_)};
    std::string out = "{" + std::to_string(wish_.position == unset ? 0 : wish_.position - 1);
    if (spec_.width > 0 && !is_zero_filled()) out += "," + alignment();
    if (!format.empty()) out += ":" + format;
    return {out + "}", std::move(notes_)};
  }

 private:
  bool numeric() const { return kind_ == Kind::whole || kind_ == Kind::real; }
  bool is_zero_filled() const {
    return numeric() && spec_.align == Align::inner && spec_.fill == Mark("0");
  }
  bool give_up(std::string_view what) {
    writing::cannot(
        "C# has no " + std::string(what) + " in a format; make the text first, and print that",
        notes_);
    return false;
  }

  std::string alignment() {
    if (spec_.fill != Mark(" ")) writing::cannot("C# pads with spaces", notes_);
    if (spec_.align == Align::center)
      writing::cannot("C# cannot center; the field is padded on the left", notes_);
    const bool left = spec_.align == Align::left || (spec_.align == Align::natural && !numeric());
    return (left ? "-" : "") + std::to_string(spec_.width);
  }

  bool choose_format(std::string& out) {
    switch (kind_) {
      case Kind::whole:
        return whole_format(out);
      case Kind::real:
        return real_format(out);
      case Kind::moment:
        return moment_format(out);
      default:
        return spec_.limit == unset || give_up("limit of a text");
    }
  }

  bool moment_format(std::string& out) {
    FieldWish plain = wish_;
    plain.spec.width = 0;
    auto letters = write_time_format(plain, notes_);
    if (!letters) return false;
    out = std::move(*letters);
    return true;
  }

  // Digits in front of the point, so that all is as wide as wished: for numbers without a sign.
  int least_digits(int behind) const {
    const int sign = spec_.sign == Sign::always || spec_.sign == Sign::space ? 1 : 0;
    return is_zero_filled() ? std::max(spec_.width - behind - sign, 1) : 1;
  }
  // One pattern for positive numbers, negative ones and zero.
  std::string signed_pattern(const std::string& pattern) const {
    switch (spec_.sign) {
      case Sign::always:
        return "+" + pattern + ";-" + pattern + ";+" + pattern;
      case Sign::space:
        return "' '" + pattern + ";-" + pattern + ";' '" + pattern;
      case Sign::brackets:
        return pattern + ";(" + pattern + ")";
      default:
        return pattern;
    }
  }

  bool whole_format(std::string& out) {
    if (!is_whole(wish_.type)) return give_up("whole digits of such a value");
    if (spec_.prefix) return give_up("0x in front");
    const int least = std::max(spec_.least_digits, least_digits(0));
    const std::string count = least > 1 ? std::to_string(least) : "";
    if (spec_.base == 16 || spec_.base == 2) {
      out = (spec_.base == 2 ? "B" : spec_.letters == Letters::upper ? "X" : "x") + count;
      return true;
    }
    if (spec_.base != 10) return give_up("base " + std::to_string(spec_.base));
    if (spec_.sign == Sign::minus && spec_.group.empty()) {
      out = count.empty() ? "" : "D" + count;
      return true;
    }
    if (spec_.sign == Sign::minus && spec_.group == Mark(",") && least <= 1) {
      out = "N0";
      return true;
    }
    out = signed_pattern(grouped(std::string(static_cast<std::size_t>(least), '0')));
    return true;
  }
  std::string grouped(const std::string& digits) {
    if (spec_.group.empty()) return digits;
    if (spec_.group != Mark(",")) writing::cannot("C# takes such a mark from a culture", notes_);
    return "#,##" + digits;
  }

  bool real_format(std::string& out) {
    if (is_whole(wish_.type) && spec_.notation != Notation::fixed)
      return give_up("such notation of a whole number");
    const int places = spec_.places;
    const std::string zeros(static_cast<std::size_t>(std::max(places, 0)), '0');
    const std::string point = places > 0 ? "." + zeros : "";
    const bool plain = spec_.sign == Sign::minus && !spec_.keep_point &&
                       least_digits(static_cast<int>(point.size())) == 1;
    switch (spec_.notation) {
      case Notation::fixed:
        if (places == unset) return give_up("shortest digits in fixed notation");
        if (plain && (spec_.group.empty() || spec_.group == Mark(","))) {
          out = (spec_.group.empty() ? "F" : "N") + std::to_string(places);
          return true;
        }
        out = signed_pattern(
            grouped(std::string(
                static_cast<std::size_t>(least_digits(static_cast<int>(point.size()))), '0')) +
            point);
        return true;
      case Notation::scientific: {
        if (places == unset && spec_.significant == unset)
          return give_up("shortest digits in scientific notation");
        const int behind = places == unset ? spec_.significant - 1 : places;
        out = signed_pattern("0" +
                             (behind > 0 ? "." + std::string(static_cast<std::size_t>(behind), '0')
                                         : std::string()) +
                             (spec_.letters == Letters::upper ? "E+00" : "e+00"));
        return true;
      }
      case Notation::compact:
        out = std::string(spec_.letters == Letters::upper ? "G" : "g") +
              std::to_string(spec_.significant == unset ? 6 : spec_.significant);
        return plain || give_up("such a sign or padding with digits by size");
      case Notation::percent:
        out = signed_pattern("0" + point + "%");
        return true;
      case Notation::shortest:
        if (places != unset || spec_.significant != unset)
          return give_up("a number of digits in the shortest notation");
        return plain || give_up("such a sign or padding of shortest digits");
      default:
        return give_up("such notation");
    }
  }

  const FieldWish& wish_;
  Spec spec_;
  Kind kind_;
  Notes notes_;
};

}  // namespace

WrittenField write_item(const FieldWish& wish) {
  return ItemWriter(wish).write();
}

std::optional<std::string> write_time_format(const FieldWish& wish, Notes& notes) {
  if (family::note_time_wish(".NET", wish, notes)) return std::nullopt;
  auto letters = family::write_time(".NET", time_letters, wish.spec.moment, put_between, notes);
  // A letter alone is another format.
  if (letters && letters->size() == 1) letters->insert(0, "%");
  return letters;
}

std::optional<TimePattern> read_time_format(std::string_view format) {
  // A letter alone is a format of the culture.
  if (format.size() < 2) return std::nullopt;
  auto out = family::read_letter_runs(format, time_letters);
  const bool has_parts = out && out->text().find('{') != std::string_view::npos;
  return has_parts ? out : std::nullopt;
}

bool read_format(const NumberFormat& number, std::string_view format, Type type, Spec& out) {
  if (format.empty()) return true;
  const int precision = number.precision;
  const char upper = static_cast<char>(number.letter & ~0x20);
  if (number.letter != upper) out.letters = Letters::lower;
  switch (number.letter == 0 ? '\0' : upper) {
    case 'F':
    case 'N':
      out.kind = Kind::real;
      out.notation = Notation::fixed;
      out.places = precision == unset ? 2 : precision;
      if (upper == 'N') out.group = ",";
      return true;
    case 'D':
      if (precision != unset) out.least_digits = precision;
      return true;
    case 'X':
      out.base = 16;
      if (number.letter == 'X') out.letters = Letters::upper;
      if (precision != unset) out.least_digits = precision;
      return true;
    case 'B':
      out.base = 2;
      if (precision != unset) out.least_digits = precision;
      return true;
    case 'E':
      out.notation = Notation::scientific;
      out.places = precision == unset ? 6 : precision;
      if (number.letter == 'E') out.letters = Letters::upper;
      return true;
    case 'G':
      if (precision == unset || precision == 0) return true;
      if (is_whole(type)) return false;
      out.notation = Notation::compact;
      out.significant = precision;
      if (number.letter == 'G') out.letters = Letters::upper;
      return true;
    case 'R':
      return true;
    default:
      break;
  }
  // A pattern of zeros: "0.00", "#,##0.00".
  std::string_view pattern = format;
  if (pattern.starts_with("#,##")) {
    out.group = ",";
    pattern.remove_prefix(4);
  }
  const std::size_t point = pattern.find('.');
  const std::string_view whole = pattern.substr(0, point);
  const std::string_view behind =
      point == std::string_view::npos ? std::string_view() : pattern.substr(point + 1);
  if (whole != "0" || behind.find_first_not_of('0') != std::string_view::npos) return false;
  out.kind = Kind::real;
  out.notation = Notation::fixed;
  out.places = static_cast<int>(behind.size());
  return true;
}

}  // namespace inky::inline v1::csharp
