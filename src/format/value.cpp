#include "inky_margin/format/value.hpp"

#include <algorithm>
#include <array>
#include <vector>

#include "fraction_value.hpp"
#include "number/number_type.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"

namespace inky::inline v1 {

namespace {

// The types of numbers are the number floor's, in the same order; then those it does not know.
constexpr auto type_facts = [] {
  constexpr std::pair<Type, std::string_view> others[] = {
      {Type::text, "text"}, {Type::character, "char"},    {Type::truth, "truth"},
      {Type::nil, "nil"},   {Type::complex, "complex"},   {Type::moment, "moment"},
      {Type::list, "list"}, {Type::tuple, "tuple"},       {Type::record, "record"},
      {Type::some, "some"}, {Type::fraction, "fraction"}, {Type::decimal, "decimal"},
      {Type::date, "date"}, {Type::time, "time"},         {Type::duration, "duration"},
  };
  std::array<TypeFact, number_types.size() + std::size(others)> facts{};
  std::size_t count = 0;
  for (const NumberType& number : number_types) {
    facts[count] = {static_cast<Type>(count), number.name, number.width, number.is_signed,
                    number.format};
    ++count;
  }
  for (const auto& [type, name] : others) facts[count++] = {type, name, 0, false, nullptr};
  return facts;
}();
static_assert([] {
  for (std::size_t i = 0; i < type_facts.size(); ++i) {
    if (type_facts[i].type != static_cast<Type>(i)) return false;
  }
  return type_facts[static_cast<std::size_t>(Type::f128)].format == &binary128;
}());

// Whether each has a name, and none has that of another.
[[maybe_unused]] bool have_names(std::span<const Value> fields) {
  std::vector<std::string_view> names;
  for (const Value& field : fields) {
    if (!field.is_named()) return false;
    names.push_back(field.name());
  }
  std::sort(names.begin(), names.end());
  return std::adjacent_find(names.begin(), names.end()) == names.end();
}

std::string decimal_text(uint128 magnitude, bool negative) {
  WholeRoom room;
  std::string out(negative ? "-" : "");
  out += write_whole(magnitude, 10, Letters::lower, room);
  return out;
}

}  // namespace

std::span<const TypeFact> all_types() {
  return type_facts;
}

const TypeFact& fact_of(Type type) {
  return type_facts[static_cast<std::size_t>(type)];
}

std::optional<Type> type_named(std::string_view name) {
  for (const TypeFact& fact : type_facts) {
    if (fact.name == name) return fact.type;
  }
  return std::nullopt;
}

Value Value::big(SignedNatural number) {
  Value out(Type::big, 0);
  auto extra = std::make_shared<Extra>();
  extra->big = std::move(number);
  out.extra_ = std::move(extra);
  return out;
}

Value Value::decimal(Decimal number) {
  Value out(Type::decimal, 0);
  auto extra = std::make_shared<Extra>();
  extra->decimal = std::move(number);
  out.extra_ = std::move(extra);
  return out;
}

Value Value::text(std::string owned) {
  auto extra = std::make_shared<Extra>();
  extra->text = std::move(owned);
  Value out = text_view(extra->text);
  out.extra_ = std::move(extra);
  return out;
}

bool Value::holds(Type type, int128 number) {
  if (!is_whole(type) || type == Type::big) return false;
  const TypeFact& fact = fact_of(type);
  return fact.width == 128 ||
         (fact.is_signed ? wrap_signed(static_cast<uint128>(number), fact.width)
                         : static_cast<int128>(wrap_unsigned(number, fact.width))) == number;
}

Value Value::some(Value held) {
  held.drop_name();
  std::vector<Value> items;
  items.push_back(std::move(held));
  return compound(Type::some, std::move(items));
}

Value Value::compound(Type type, std::vector<Value> items) {
  assert(type != Type::record || have_names(items));
  Value out(type, 0);
  auto extra = std::make_shared<Extra>();
  extra->items = std::move(items);
  out.extra_ = std::move(extra);
  return out;
}

void Value::set_name(std::string name) {
  name_as(std::move(name), true);
}

void Value::drop_name() {
  if (is_named()) name_as({}, false);
}

void Value::name_as(std::string name, bool is_named) {
  auto extra = std::make_shared<Extra>();
  if (extra_) {
    extra->big = extra_->big;
    extra->decimal = extra_->decimal;
    extra->items = extra_->items;
  }
  const bool owns_text = extra_ && type_ == Type::text && !extra_->text.empty();
  if (owns_text) extra->text = extra_->text;
  extra->name = std::move(name);
  extra->is_named = is_named;
  if (owns_text) content_ = Content(std::string_view(extra->text));
  extra_ = std::move(extra);
}

std::string describe(const Value& value) {
  const TypeFact& fact = fact_of(value.type());
  if (is_real(value.type())) {
    const BinaryReal real = value.as_real();
    if (real.kind == RealClass::not_a_number) return real.negative ? "-nan" : "nan";
    if (real.kind == RealClass::infinite) return real.negative ? "-inf" : "inf";
    Digits digits;
    shortest_digits(*fact.format, real, digits);
    return plain_text(digits, real.negative);
  }
  switch (value.type()) {
    case Type::text:
      return in_quotes(value.as_text());
    case Type::truth:
      return value.bits() != 0 ? "true" : "false";
    case Type::nil:
      return "nil";
    case Type::list:
    case Type::tuple:
    case Type::record: {
      const bool is_record = value.is(Type::record);
      const bool is_tuple = value.is(Type::tuple);
      std::string out = is_record ? "{" : is_tuple ? "(" : "[";
      for (const Value& item : value.as_list()) {
        if (out.size() > 1) out += ", ";
        if (is_record) out += std::string(item.name()) + ": ";
        out += describe(item);
      }
      if (is_tuple && value.as_list().size() == 1) out += ',';
      return out + (is_record ? "}" : is_tuple ? ")" : "]");
    }
    case Type::some:
      return "some(" + describe(value.as_list()[0]) + ")";
    case Type::complex: {
      const std::string imaginary = describe(value.as_list()[1]);
      return describe(value.as_list()[0]) + (imaginary[0] == '-' ? "" : "+") + imaginary + "i";
    }
    case Type::moment:
      return moment_text(value.as_moment());
    case Type::date:
      return date_text(value.as_moment());
    case Type::time:
      return time_text(value.as_moment());
    case Type::duration:
      return duration_text(value.as_duration());
    case Type::fraction:
      return fraction_text(value);
    case Type::decimal:
      return to_text(value.as_decimal());
    case Type::character: {
      std::string out;
      append_utf8(value.as_character(), out);
      return "'" + visible(out) + "'";
    }
    case Type::big: {
      std::string out(value.as_big().negative ? "-" : "");
      append_whole(value.as_big().magnitude, 10, Letters::lower, out);
      return out;
    }
    default: {
      const int128 whole = value.as_whole();
      const bool negative = fact.is_signed && whole < 0;
      return decimal_text(negative ? magnitude_of(whole) : static_cast<uint128>(whole), negative);
    }
  }
}

}  // namespace inky::inline v1
