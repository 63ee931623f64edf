#include "change.hpp"

#include "changes.hpp"

namespace inky::inline v1 {

const ChangeForm& form_of(const ComposingForm& form, const Change& change) {
  switch (change.kind) {
    case ChangeKind::zeros:
      return form.zeros;
    case ChangeKind::marks:
      return form.marks;
    case ChangeKind::sign:
      return form.sign;
    case ChangeKind::behind:
      return form.behind;
    case ChangeKind::inside:
      return form.inside;
    case ChangeKind::pad:
      return change.align == Align::left    ? form.pad_right
             : change.align == Align::right ? form.pad_left
                                            : form.pad_center;
    case ChangeKind::cut:
      return form.cut;
    case ChangeKind::percent:
      return form.percent;
    case ChangeKind::engineering:
      return form.engineering;
    case ChangeKind::thousands:
      return form.thousands;
    case ChangeKind::plain:
      return form.plain;
    case ChangeKind::compact:
      return form.compact;
    case ChangeKind::kept_compact:
      return form.kept_compact;
    case ChangeKind::in_base:
      return form.in_base;
    case ChangeKind::hexadecimal:
      return form.hexadecimal;
    case ChangeKind::shortest:
      return form.shortest;
    case ChangeKind::upper:
      return form.upper;
    case ChangeKind::truth:
      break;
  }
  return form.truth;
}

std::string changed(const Change& change, const std::string& text, WidthUnit unit) {
  const int count = static_cast<int>(change.count);
  switch (change.kind) {
    case ChangeKind::zeros:
      return changes::with_zeros(text, change.count);
    case ChangeKind::marks:
      return changes::with_marks(text, change.first, change.second);
    case ChangeKind::sign:
      return changes::with_sign(text, change.first, change.second, change.third);
    case ChangeKind::behind:
      return text + change.first;
    case ChangeKind::inside:
      return changes::fill_inside(text, change.first, change.count, change.second, unit);
    case ChangeKind::pad:
      return changes::pad(text, change.align, change.count, change.first, unit);
    case ChangeKind::cut:
      // Bytes are cut where they are, even within a character.
      return unit == WidthUnit::bytes ? text.substr(0, change.count)
                                      : std::string(cut(text, change.count, unit));
    case ChangeKind::percent:
      return changes::percent(text);
    case ChangeKind::engineering:
      return changes::engineering(text);
    case ChangeKind::plain:
      return changes::plain(text);
    case ChangeKind::compact:
      return changes::compact(text, count, false);
    case ChangeKind::kept_compact:
      return changes::compact(text, count, true);
    case ChangeKind::upper:
      return changes::upper(text);
    case ChangeKind::in_base:
    case ChangeKind::thousands:
    case ChangeKind::hexadecimal:
    case ChangeKind::shortest:
    case ChangeKind::truth:
      break;
  }
  return text;
}

}  // namespace inky::inline v1
