// Values of JavaScript, and as text.

#include <bit>

#include "../family/values.hpp"
#include "evaluation.hpp"
#include "numbers.hpp"

namespace inky::inline v1::javascript {

Datum Datum::of_number(double number) {
  Datum out;
  out.kind = DatumKind::number;
  out.number = number;
  return out;
}

Datum Datum::of_text(std::string text) {
  Datum out;
  out.kind = DatumKind::text;
  out.text = std::move(text);
  return out;
}

std::optional<Datum> datum_of(const Value& value) {
  Datum out;
  switch (value.type()) {
    case Type::i128:
    case Type::u128:
    case Type::big:
      out.kind = DatumKind::big;
      out.big = natural_of(value);
      return out;
    case Type::text:
    case Type::character:
      return Datum::of_text(text_of(value));
    case Type::truth:
      out.kind = DatumKind::boolean;
      out.truth = value.as_whole() != 0;
      return out;
    case Type::nil:
      out.kind = DatumKind::null;
      return out;
    case Type::complex:
    case Type::decimal:
    case Type::moment:
      return std::nullopt;
    case Type::list:
    case Type::tuple:
    case Type::record:
      out.kind = value.is(Type::record) ? DatumKind::object : DatumKind::array;
      for (const Value& item : value.as_list()) {
        auto part = datum_of(item);
        if (!part) return std::nullopt;
        if (value.is(Type::record)) out.keys.emplace_back(item.name());
        out.items.push_back(std::move(*part));
      }
      return out;
    default:
      return Datum::of_number(std::bit_cast<double>(low_half(pack(binary64, nearest_f64(value)))));
  }
}

void append_text(const Datum& datum, std::string& out) {
  switch (datum.kind) {
    case DatumKind::undefined:
      out += "undefined";
      return;
    case DatumKind::null:
      out += "null";
      return;
    case DatumKind::boolean:
      out += datum.truth ? "true" : "false";
      return;
    case DatumKind::number:
      return append_number(datum.number, out);
    case DatumKind::big:
      if (datum.big.negative) out += '-';
      return append_whole(datum.big.magnitude, 10, Letters::lower, out);
    case DatumKind::text:
      out += datum.text;
      return;
    case DatumKind::array:
      for (std::size_t i = 0; i < datum.items.size(); ++i) {
        if (i > 0) out += ',';
        if (datum.items[i].kind > DatumKind::null) append_text(datum.items[i], out);
      }
      return;
    case DatumKind::object:
      out += "[object Object]";
  }
}

}  // namespace inky::inline v1::javascript
