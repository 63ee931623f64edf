#include "stream_of_values.hpp"

#include <algorithm>

#include "../family/values.hpp"
#include "inky_margin/number/binary_format.hpp"

namespace inky::inline v1::octave_sprintf {

std::optional<char> byte_of(const Value& value) {
  if (!is_real(value.type())) {
    const auto number = small_whole(value);
    if (!number || *number < 0 || *number > 255) return std::nullopt;
    return static_cast<char>(*number);
  }
  const BinaryReal real = nearest_f64(value);
  if (real.is_zero()) return '\0';
  if (real.negative || !real.is_finite() || real.leading_exponent() > 7 ||
      real.leading_exponent() < 0)
    return std::nullopt;
  const uint128 whole = real.significand >> -real.exponent;
  if (whole << -real.exponent != real.significand) return std::nullopt;
  return static_cast<char>(low_half(whole));
}

std::size_t count_of(const Value& list) {
  const auto items = list.as_list();
  return is_matrix(list) ? items.size() * items[0].as_list().size() : items.size();
}

const Value& element_at(const Value& list, std::size_t number) {
  const auto items = list.as_list();
  return is_matrix(list) ? items[number % items.size()].as_list()[number / items.size()]
                         : items[number];
}

bool is_matrix(const Value& list) {
  const auto items = list.as_list();
  if (items.empty() || !items[0].is(Type::list)) return false;
  return std::all_of(items.begin(), items.end(), [&](const Value& row) {
    return row.is(Type::list) && row.as_list().size() == items[0].as_list().size();
  });
}

bool is_numeric(const Value& value) {
  return is_whole(value.type()) || is_real(value.type()) || value.is(Type::truth);
}

Item Data::rest(std::string& room) {
  if (!has_more()) return {};
  const Value& value = values_[at_];
  if (value.is(Type::text)) {
    const std::string_view text = value.as_text().substr(element_);
    leave();
    return {Item::Kind::text, text, nullptr};
  }
  if (value.is(Type::character)) {
    const std::string_view text = bytes_of(value).substr(element_);
    leave();
    return {Item::Kind::text, text, nullptr};
  }
  room.clear();
  const std::size_t here = at_;
  const Value* first = current();
  while (at_ == here && current() != nullptr) {
    const auto byte = byte_of(*current());
    if (!byte) break;
    room += *byte;
    step();
  }
  if (!room.empty()) return {Item::Kind::text, room, nullptr};
  step();
  if (first == nullptr) return {Item::Kind::empty, {}, nullptr};
  return {Item::Kind::number, {}, first};
}

Item Data::next() {
  if (!has_more()) return {};
  const Value& value = values_[at_];
  if (is_text_or_character(value)) {
    const std::string_view text = value.is(Type::character) ? bytes_of(value) : value.as_text();
    const Item item = text.empty() ? Item{Item::Kind::empty, {}, nullptr}
                                   : Item{Item::Kind::byte, text.substr(element_, 1), nullptr};
    if (++element_ >= text.size()) leave();
    return item;
  }
  const Value* number = current();
  step();
  if (number == nullptr) return {Item::Kind::empty, {}, nullptr};
  return {Item::Kind::number, {}, number};
}

std::string_view Data::bytes_of(const Value& character) {
  const std::string text = text_of(character);
  std::copy(text.begin(), text.end(), character_.begin());
  return {character_.data(), text.size()};
}

const Value* Data::current() const {
  const Value& value = values_[at_];
  if (value.is(Type::nil)) return nullptr;
  if (!value.is(Type::list)) return &value;
  return element_ < count_of(value) ? &element_at(value, element_) : nullptr;
}

void Data::step() {
  const Value& value = values_[at_];
  if (!value.is(Type::list) || ++element_ >= count_of(value)) leave();
}

void Data::leave() {
  ++at_;
  element_ = 0;
}

std::optional<Whole> whole_of(const Value& value, bool is_signed) {
  constexpr std::uint64_t top = std::uint64_t{1} << 63;
  if (value.is(Type::truth)) return Whole{false, value.as_whole() != 0 ? 1ULL : 0ULL};
  const bool has_type = is_whole(value.type()) && !value.is(Type::i128) && !value.is(Type::u128) &&
                        !value.is(Type::big);
  if (has_type) {
    const int128 number = value.as_whole();
    if (is_signed ? number >= static_cast<int128>(top) : number < 0) return std::nullopt;
    return Whole{number < 0, low_half(magnitude_of(number))};
  }
  const BinaryReal real = nearest_f64(value);
  if (!real.is_finite()) return std::nullopt;
  if (real.is_zero()) return Whole{};
  if (!is_whole_number(real)) return std::nullopt;
  const int exponent = real.leading_exponent();
  const bool power = (real.significand & (real.significand - 1)) == 0;
  const auto within = [&](int most) { return exponent < most || (exponent == most && power); };
  if (real.negative) {
    if (!is_signed) return std::nullopt;
    if (exponent >= 63) return Whole{true, top};
  } else if (!within(is_signed ? 63 : 64)) {
    return std::nullopt;
  } else if (exponent >= (is_signed ? 63 : 64)) {
    return Whole{false, is_signed ? top - 1 : ~std::uint64_t{0}};
  }
  const uint128 magnitude =
      real.exponent >= 0 ? real.significand << real.exponent : real.significand >> -real.exponent;
  return Whole{real.negative, low_half(magnitude)};
}

}  // namespace inky::inline v1::octave_sprintf
