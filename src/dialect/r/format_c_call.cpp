// formatC() of R, which hands each element to the C library: the dialect c.

#include <algorithm>
#include <bit>
#include <cmath>

#include "../c/dialects.hpp"
#include "../family/value_notes.hpp"
#include "../family/values.hpp"
#include "call_rendering.hpp"
#include "inky_margin/number/decimal.hpp"
#include "numbers.hpp"

namespace inky::inline v1::r_language {

namespace {

class FormatCCall final : public CallRendering {
 public:
  using CallRendering::CallRendering;

 private:
  struct CField {
    std::optional<int> digits;
    std::optional<int> width;
    std::string format;
    std::string flag;
    std::string mode;
    Marks marks;
  };

  bool run(std::vector<std::string>& texts) override {
    static constexpr std::string_view formals[] = {"x",
                                                   "digits",
                                                   "width",
                                                   "format",
                                                   "flag",
                                                   "mode",
                                                   "big.mark",
                                                   "big.interval",
                                                   "?small.mark",
                                                   "?small.interval",
                                                   "decimal.mark",
                                                   "?preserve.width",
                                                   "?zero.print",
                                                   "?replace.zero",
                                                   "drop0trailing"};
    Vector x;
    CField field;
    if (!match(formals, false) || !take_x(x)) return false;
    if (!take_count(1, field.digits) || !take_count(2, field.width) ||
        !take_text(3, field.format) || !take_text(4, field.flag) || !take_text(5, field.mode) ||
        !take_text(6, field.marks.mark))
      return false;
    std::optional<int> size;
    if (!take_count(7, size)) return false;
    field.marks.interval = size.value_or(3);
    std::string point = ".";
    if (!take_text(10, point) || !take_truth(14, field.marks.drops_zeros)) return false;
    if (point.size() != 1)
      return not_yet("a decimal mark of no or several characters is", matched_[10]->span);
    field.marks.point = point[0];
    if (field.marks.interval < 1) return not_yet("such an interval is", matched_[7]->span);
    if (field.flag.find_first_not_of("0+- #'I") != std::string::npos)
      return fail("'flag' should contain only characters from [0+- #'I]", matched_[4]->span);
    if (field.flag.find_first_of("'I") != std::string::npos)
      return not_yet("this flag is", matched_[4]->span);
    if (x.items.empty()) return true;
    if (!within_output(x.items.size(), field.width.value_or(0)) || !settle_mode(x, field))
      return false;
    if (x.mode == Mode::character && field.mode != "character") read_numbers(x);
    if (field.mode == "integer" && x.mode == Mode::real) make_integers(x);
    if (field.mode == "character" && x.mode != Mode::character) return pad_numbers(x, field, texts);
    if (field.mode == "character" || field.format == "s") {
      x.mode = Mode::character;
      return pad_texts(x, field, texts);
    }
    return settle_format(field) && put_numbers(x, field, texts);
  }

  // Cut toward zero; NA beyond 32 bits.
  static void make_integers(Vector& x) {
    for (Value& item : x.items) {
      if (item.is(Type::nil)) continue;
      item = fits_integer(item) ? Value::whole(Type::i32, integer_of(item)) : Value();
    }
  }

  // The mode "character" asks for text, and makes none of numbers: these are formatted together.
  bool pad_numbers(const Vector& x, const CField& field, std::vector<std::string>& texts) {
    Shared shared;
    if (x.mode == Mode::real) {
      const auto numbers = reals_of(x);
      shared = share(numbers, 7, 0, 0);
      for (const auto& number : numbers) texts.push_back(number_text(number, shared));
    } else {
      for (const Value& item : x.items) texts.push_back(as_character(item, x.mode));
    }
    int common = std::max(std::abs(field.width.value_or(0)), shared.width);
    for (const std::string& text : texts) common = std::max(common, columns_of(text));
    for (std::string& text : texts) text = padded(text, common, "right");
    return true;
  }

  bool settle_mode(const Vector& x, CField& field) {
    if (field.mode.empty()) {
      constexpr std::string_view names[] = {"", "logical", "integer", "double", "character"};
      field.mode = names[static_cast<std::size_t>(x.mode)];
      return true;
    }
    if (field.mode == "real") field.mode = "double";
    if (field.mode != "double" && field.mode != "integer" && field.mode != "character")
      return fail("'mode' must be \"double\" (\"real\"), \"integer\" or \"character\"",
                  matched_[5]->span);
    return true;
  }

  // as.numeric() of a text: NA where it is no number.
  static void read_numbers(Vector& x) {
    for (Value& item : x.items) {
      if (!is_text_or_character(item)) continue;
      const std::string text = text_of(item);
      const std::size_t from = std::min(text.find_first_not_of(" \t\n"), text.size());
      const std::size_t to = text.find_last_not_of(" \t\n") + 1;
      const auto bits =
          read_real(binary64, std::string_view(text).substr(from, std::max(to, from) - from));
      item = bits ? Value::real(Type::f64, *bits) : Value();
    }
    x.mode = Mode::real;
  }

  bool settle_format(CField& field) {
    if (field.format.empty()) {
      field.format = field.mode == "integer" ? "d" : "g";
    } else if (field.format == "d") {
      field.mode = "integer";
    } else if (field.format != "fg" &&
               (field.format.size() != 1 ||
                std::string_view("feEgG").find(field.format) == std::string_view::npos)) {
      return fail("'format' must be one of {\"f\",\"e\",\"E\",\"g\",\"G\", \"fg\", \"s\"}",
                  matched_[3]->span);
    } else if (field.mode == "integer") {
      field.mode = "double";
    }
    if (field.mode == "logical") return fail("unsupported type", whole());
    return true;
  }

  // A width of its own, or what R makes of the digits.
  static void settle_width(CField& field) {
    if (!field.width && !field.digits) field.width = 1;
    if (!field.digits)
      field.digits = field.mode == "integer" ? 2 : 4;
    else if (*field.digits < 0)
      field.digits = 6;
    else if (field.format != "f")
      field.digits = std::min(*field.digits, 50);
    else
      field.digits = std::min(*field.digits, 324);
    if (!field.width)
      field.width = *field.digits + 1;
    else if (*field.width == 0)
      field.width = *field.digits;
  }

  bool pad_texts(const Vector& x, const CField& field, std::vector<std::string>& texts) {
    int width = field.width.value_or(0);
    const bool left = width < 0 || field.flag == "-";
    width = std::abs(width);
    return format_texts(x, width, left ? "left" : "right", texts);
  }

  bool put_numbers(const Vector& x, CField& field, std::vector<std::string>& texts) {
    const bool had_width = field.width.has_value();
    settle_width(field);
    if (*field.width == 0) return fail("width cannot be zero", whole());
    Vector special;
    special.mode = Mode::character;
    std::vector<std::size_t> places;
    const Result<Template> parsed = c_template(field);
    if (!parsed) return not_yet("such a field of C is", whole());
    for (const Value& item : x.items) {
      std::string text;
      if (is_special(item, field)) {
        special.items.push_back(Value::text(special_name(item, field)));
        places.push_back(texts.size());
      } else if (!put_number(item, field, *parsed, text)) {
        return false;
      }
      // R 4.2 fills with zeros on the right, where the width is negative and no flag asks for it.
      if (field.mode != "integer" && *field.width < 0 &&
          field.flag.find('0') != std::string::npos && field.flag.find('-') == std::string::npos) {
        const std::size_t end = text.find_last_not_of(' ') + 1;
        std::fill(text.begin() + static_cast<std::ptrdiff_t>(end), text.end(), '0');
      }
      texts.push_back(std::move(text));
    }
    if (field.marks.point != '.') {
      for (std::string& text : texts)
        std::replace(text.begin(), text.end(), '.', field.marks.point);
    }
    std::vector<std::string> names;
    if (!pad_texts(special, field, names)) return false;
    for (std::size_t i = 0; i < names.size(); ++i) texts[places[i]] = names[i];
    if (field.marks.change() || field.marks.point != '.') mark(field.marks, false, texts);
    if (report_ != nullptr && matched_[1] != nullptr && !had_width && *field.digits > 0 &&
        matched_[2] == nullptr)
      note(Code::width_from_digits,
           "without a width, formatC pads to digits + 1, here " + std::to_string(*field.width) +
               " characters; width = 1 leaves it out",
           matched_[1]->span);
    return true;
  }

  static bool is_special(const Value& item, const CField& field) {
    if (item.is(Type::nil)) return true;
    if (field.mode == "integer") return !fits_integer(item);
    return !nearest_f64(item).is_finite();
  }
  static bool fits_integer(const Value& item) {
    const BinaryReal real = nearest_f64(item);
    return real.is_zero() || (real.is_finite() && real.leading_exponent() < 31);
  }
  static std::string special_name(const Value& item, const CField& field) {
    if (item.is(Type::nil) || field.mode == "integer") return "NA";
    return special_text(nearest_f64(item));
  }

  // The elements go through the C library, which is the dialect c, by one template of it.
  static Result<Template> c_template(const CField& field) {
    std::string flag = field.flag;
    const bool whole_number = field.mode == "integer";
    if (whole_number) std::erase(flag, '#');  // which does nothing there
    const std::string letter = is_smart(field) ? "g" : field.format;
    return c_dialect()->parse("%" + flag + (whole_number ? "*d" : "*.*" + letter));
  }

  static bool is_smart(const CField& field) { return field.format == "fg"; }

  // The format "fg": significant digits in fixed notation, by %g where that is it, and by %f of
  // small numbers, which gets no width. str_signif.c of R 4.2.
  bool put_smart(const Value& item, const CField& field, const Template& parsed, std::string& out) {
    const double number = double_of(item);
    const int digits = *field.digits;
    if (number == 0) {
      out = "0";
      return true;
    }
    int exponent = static_cast<int>(std::floor(std::log10(std::fabs(number)) + 1e-12));
    const double shifted =
        rounded(std::fabs(number) / std::pow(10.0, exponent) + 1e-12, digits - 1);
    double shown = number;
    if (exponent > 0 && shifted >= 10) {
      shown = shifted * std::pow(10.0, exponent);
      ++exponent;
    }
    if (exponent == -4 && std::fabs(number) < 1e-4) exponent = -5;
    TextBuffer text(64);
    if (exponent < -4) {
      const Result<Template> fixed = c_dialect()->parse("%" + field.flag + ".*f");
      const Value arguments[] = {Value::whole(Type::i32, digits - 1 - exponent),
                                 Value::real(shown)};
      if (!fixed || !c_dialect()->render(*fixed, arguments, text).prints())
        return not_yet("such a field of C is", whole());
      out = text.view().substr(0, room_of(item, field));
      const bool keeps_zeros = field.flag.find('#') != std::string::npos && digits > 0;
      if (!keeps_zeros) out.resize(out.find_last_not_of('0') + 1);
      return true;
    }
    const Value arguments[] = {Value::whole(Type::i32, *field.width),
                               Value::whole(Type::i32, exponent >= digits ? exponent + 1 : digits),
                               Value::real(shown)};
    if (!c_dialect()->render(parsed, arguments, text).prints())
      return not_yet("such a field of C is", whole());
    out = text.view().substr(0, room_of(item, field));
    return true;
  }

  static double double_of(const Value& item) {
    return std::bit_cast<double>(low_half(pack(binary64, nearest_f64(item))));
  }

  bool put_number(const Value& item, const CField& field, const Template& parsed,
                  std::string& out) {
    if (is_smart(field)) return put_smart(item, field, parsed, out);
    const bool whole_number = field.mode == "integer";
    const Value width = Value::whole(Type::i32, *field.width);
    TextBuffer text(64);
    Outcome outcome;
    if (whole_number) {
      const Value arguments[] = {width, Value::whole(Type::i32, integer_of(item))};
      outcome = c_dialect()->render(parsed, arguments, text);
    } else {
      const Value arguments[] = {width, Value::whole(Type::i32, *field.digits),
                                 Value::real(Type::f64, pack(binary64, nearest_f64(item)))};
      outcome = c_dialect()->render(parsed, arguments, text);
    }
    if (!outcome.prints()) return not_yet("such a field of C is", this->whole());
    out = text.view().substr(0, room_of(item, field));
    if (report_ != nullptr && out.size() < text.view().size())
      note(Code::text_cut, "R cuts " + text.string() + " to the room that it keeps for an element",
           matched_[0]->span);
    if (report_ != nullptr && !whole_number && !item.given_in_bits() && is_real(item.type()))
      note_c(item, field);
    return true;
  }

  void note_c(const Value& item, const CField& field) {
    if (field.format == "g" || field.format == "G") return;
    Spec spec;
    spec.kind = Kind::real;
    spec.notation = field.format == "f" ? Notation::fixed : Notation::scientific;
    spec.places = *field.digits;
    note_rounding(spec, binary64, nearest_f64(item), matched_[0]->span, report_->notes);
  }

  // The bytes that R keeps for an element, reckoned before it is rounded.
  static std::size_t room_of(const Value& item, const CField& field) {
    int room = *field.digits + 8;
    if (is_smart(field)) {
      const double number = double_of(item);
      const int power =
          number == 0 ? 0 : static_cast<int>(std::floor(std::log10(std::fabs(number))));
      room = (number < 0 || !field.flag.empty() ? 1 : 0) + *field.digits + 1 +
             std::max({power, *field.digits, *field.digits - power + 1}) +
             static_cast<int>(field.flag.size());
    } else if (field.format == "f") {
      const BinaryReal real = nearest_f64(item);
      Digits digits;
      digits_to_significant(real, 1, Rounding::toward, digits);
      const bool sign = (real.negative && !real.is_zero()) || !field.flag.empty();
      room = (sign ? 1 : 0) + *field.digits + 2 + std::max(digits.point() - 1, 0);
    }
    return static_cast<std::size_t>(std::max(std::abs(*field.width), room) + 2);
  }
};

}  // namespace

std::optional<Outcome> render_format_c(const CallRequest& request, Report* report,
                                       std::vector<std::string>& texts) {
  return FormatCCall(request, report).render(texts);
}

}  // namespace inky::inline v1::r_language
