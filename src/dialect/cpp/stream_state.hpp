#pragma once

#include <algorithm>

#include "../family/writing.hpp"
#include "c/c.hpp"
#include "dialect/program_form.hpp"
#include "inky_margin/format/spec.hpp"
#include "stream_facts.hpp"

namespace inky::inline v1::cpp_stream {

// What a stream is set to.
struct State {
  int width = 0;
  Mark fill = " ";
  int precision = 6;
  int side = no_side;
  int notation = general;
  int base_flags = decimal_base;
  bool show_base = false;
  bool show_positive = false;
  bool show_point = false;
  bool uppercase = false;
  bool names_of_truth = false;

  // Anything but one of the flags of a group leaves reals general, numbers decimal, and padding on
  // the left.
  int base() const {
    return base_flags == octal_base ? 8 : base_flags == hexadecimal_base ? 16 : 10;
  }

  // What setbase sets.
  static int base_flag_of(std::int32_t number) {
    return number == 8    ? octal_base
           : number == 16 ? hexadecimal_base
           : number == 10 ? decimal_base
                          : no_base;
  }

  // How a setting changes its group of flags.
  static int changed(int flags, int to, How how) {
    return how == How::adds ? flags | to : how == How::removes ? flags & ~to : to;
  }

  void set(What what, int to, How how = How::replaces) {
    switch (what) {
      case What::width:
        width = std::max(to, 0);
        break;
      case What::precision:
        precision = to < 0 ? 6 : to;
        break;
      case What::side:
        side = changed(side, to, how);
        break;
      case What::notation:
        notation = changed(notation, to, how);
        break;
      case What::base:
        base_flags = changed(base_flags, to, how);
        break;
      case What::show_base:
        show_base = changed(show_base ? 1 : 0, to, how) != 0;
        break;
      case What::show_positive:
        show_positive = changed(show_positive ? 1 : 0, to, how) != 0;
        break;
      case What::show_point:
        show_point = changed(show_point ? 1 : 0, to, how) != 0;
        break;
      case What::uppercase:
        uppercase = changed(uppercase ? 1 : 0, to, how) != 0;
        break;
      case What::names_of_truth:
        names_of_truth = changed(names_of_truth ? 1 : 0, to, how) != 0;
        break;
      default:
        break;
    }
  }

  Spec spec(Kind kind) const {
    Spec out;
    out.kind = kind;
    out.width = width;
    out.fill = fill;
    const bool text = kind == Kind::text;
    out.align = side == left_side             ? Align::left
                : side == inner_side && !text ? Align::inner
                                              : Align::right;
    if (uppercase) out.letters = Letters::upper;
    return out;
  }

  Spec real_spec() const {
    Spec out = spec(Kind::real);
    if (show_positive) out.sign = Sign::always;
    out.keep_point = show_point;
    switch (notation) {
      case fixed_places:
        out.notation = Notation::fixed;
        out.places = precision;
        break;
      case scientific:
        out.notation = Notation::scientific;
        out.places = precision;
        break;
      case hexadecimal:
        out.notation = Notation::hexfloat;
        break;
      default:
        out.notation = Notation::compact;
        out.significant = std::max(precision, 1);
    }
    return out;
  }
};

}  // namespace inky::inline v1::cpp_stream
