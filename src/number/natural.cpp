#include "inky_margin/number/natural.hpp"

#include <algorithm>
#include <cassert>

namespace inky::inline v1 {

namespace {

constexpr int limb_bits = 64;
// The largest power of five in a limb: 5^27 < 2^63 < 5^28.
constexpr int five_step = 27;

constexpr std::array<std::uint64_t, five_step + 1> powers_of_five = [] {
  std::array<std::uint64_t, five_step + 1> powers{};
  powers[0] = 1;
  for (std::size_t i = 1; i < powers.size(); ++i) powers[i] = powers[i - 1] * 5;
  return powers;
}();

// Division by an invariant divisor without dividing: N. Moeller and T. Granlund, "Improved division
// by invariant integers" (2011), algorithm 4. The divisor is shifted until its top bit is set.
class Reciprocal {
 public:
  explicit Reciprocal(std::uint64_t divisor)
      : shift_(std::countl_zero(divisor)),
        divisor_(divisor << shift_),
        inverse_(static_cast<std::uint64_t>(~uint128{0} / divisor_)) {}

  int shift() const { return shift_; }

  // Divides remainder x 2^64 + low, leaving the new remainder. REQUIRES: remainder < divisor.
  std::uint64_t divide(std::uint64_t& remainder, std::uint64_t low) const {
    const uint128 product = multiply_wide(inverse_, remainder) + join_halves(remainder, low);
    std::uint64_t quotient = high_half(product) + 1;
    std::uint64_t rest = low - quotient * divisor_;
    if (rest > low_half(product)) {
      --quotient;
      rest += divisor_;
    }
    if (rest >= divisor_) {
      ++quotient;
      rest -= divisor_;
    }
    remainder = rest;
    return quotient;
  }

 private:
  int shift_;
  std::uint64_t divisor_;
  std::uint64_t inverse_;  // floor((2^128 - 1) / divisor) - 2^64: the cast drops the 2^64
};

}  // namespace

Natural::Natural(uint128 value) {
  resize(2);
  data()[0] = low_half(value);
  data()[1] = high_half(value);
  trim();
}

Natural::Natural(const Natural& other) {
  *this = other;
}

Natural& Natural::operator=(const Natural& other) {
  if (this == &other) return *this;
  size_ = other.size_;
  heap_ = other.heap_;
  if (heap_.empty()) std::copy_n(other.inline_.begin(), size_, inline_.begin());
  return *this;
}

void Natural::resize(std::size_t size) {
  if (heap_.empty() && size > inline_limbs) {
    heap_.reserve(size * 2);
    heap_.assign(inline_.begin(), inline_.begin() + static_cast<std::ptrdiff_t>(size_));
  }
  if (!heap_.empty() && heap_.size() < size) heap_.resize(size);
  if (size > size_) std::fill(data() + size_, data() + size, 0);
  size_ = size;
}

void Natural::trim() {
  while (size_ > 0 && data()[size_ - 1] == 0) --size_;
}

int Natural::bit_length() const {
  if (size_ == 0) return 0;
  return static_cast<int>(size_ - 1) * limb_bits + inky::bit_length(data()[size_ - 1]);
}

bool Natural::bit(int index) const {
  const auto limb = static_cast<std::size_t>(index / limb_bits);
  return limb < size_ && (data()[limb] >> (index % limb_bits) & 1) != 0;
}

uint128 Natural::low_bits() const {
  return join_halves(size_ > 1 ? data()[1] : 0, size_ > 0 ? data()[0] : 0);
}

void Natural::multiply(std::uint64_t factor) {
  std::uint64_t carry = 0;
  std::uint64_t* limb = data();
  for (std::size_t i = 0; i < size_; ++i) {
    const uint128 product = multiply_wide(limb[i], factor) + carry;
    limb[i] = low_half(product);
    carry = high_half(product);
  }
  if (carry != 0) {
    resize(size_ + 1);
    data()[size_ - 1] = carry;
  }
  if (factor == 0) size_ = 0;
}

void Natural::add(std::uint64_t term) {
  for (std::size_t i = 0; term != 0; ++i) {
    if (i == size_) resize(size_ + 1);
    std::uint64_t& limb = data()[i];
    limb += term;
    term = limb < term ? 1 : 0;
  }
}

void Natural::multiply_power_of_five(int exponent) {
  for (; exponent >= five_step; exponent -= five_step) multiply(powers_of_five[five_step]);
  if (exponent > 0) multiply(powers_of_five[static_cast<std::size_t>(exponent)]);
}

void Natural::multiply_power_of_ten(int exponent) {
  multiply_power_of_five(exponent);
  shift_left(exponent);
}

void Natural::shift_left(int bits) {
  if (size_ == 0 || bits == 0) return;
  const auto limbs = static_cast<std::size_t>(bits / limb_bits);
  const int rest = bits % limb_bits;
  const std::size_t old_size = size_;
  resize(size_ + limbs + 1);
  std::uint64_t* limb = data();
  for (std::size_t i = size_; i-- > 0;) {
    const std::size_t from = i - limbs;  // wraps below the first limb; both tests then fail
    const std::uint64_t here = i >= limbs && from < old_size ? limb[from] : 0;
    const std::uint64_t below = i > limbs && from - 1 < old_size ? limb[from - 1] : 0;
    limb[i] = rest == 0 ? here : here << rest | below >> (limb_bits - rest);
  }
  trim();
}

bool Natural::shift_right(int bits) {
  const auto limbs = static_cast<std::size_t>(bits / limb_bits);
  const int rest = bits % limb_bits;
  if (limbs >= size_) {
    const bool lost_any = size_ != 0;
    size_ = 0;
    return lost_any;
  }
  std::uint64_t* limb = data();
  bool lost = std::any_of(limb, limb + limbs, [](std::uint64_t x) { return x != 0; });
  lost |= rest != 0 && limb[limbs] << (limb_bits - rest) != 0;
  for (std::size_t i = 0; i + limbs < size_; ++i) {
    const std::uint64_t above = i + limbs + 1 < size_ ? limb[i + limbs + 1] : 0;
    limb[i] = rest == 0 ? limb[i + limbs] : limb[i + limbs] >> rest | above << (limb_bits - rest);
  }
  size_ -= limbs;
  trim();
  return lost;
}

std::uint64_t Natural::divide(std::uint64_t divisor) {
  const Reciprocal reciprocal(divisor);
  const int shift = reciprocal.shift();
  std::uint64_t* limb = data();
  // The number is read shifted left as the divisor is, a limb at a time.
  std::uint64_t above = size_ == 0 ? 0 : limb[size_ - 1];
  std::uint64_t remainder = shift == 0 ? 0 : above >> (limb_bits - shift);
  for (std::size_t i = size_; i-- > 0;) {
    const std::uint64_t below = i > 0 ? limb[i - 1] : 0;
    const std::uint64_t part = shift == 0 ? above : above << shift | below >> (limb_bits - shift);
    limb[i] = reciprocal.divide(remainder, part);
    above = below;
  }
  trim();
  return remainder >> shift;
}

void Natural::subtract(const Natural& other) {
  assert(other <= *this);
  std::uint64_t borrow = 0;
  std::uint64_t* limb = data();
  for (std::size_t i = 0; i < size_; ++i) {
    const std::uint64_t term = i < other.size_ ? other.data()[i] : 0;
    const uint128 difference = uint128{limb[i]} - term - borrow;
    limb[i] = low_half(difference);
    borrow = high_half(difference) != 0 ? 1 : 0;
  }
  trim();
}

std::strong_ordering Natural::operator<=>(const Natural& other) const {
  if (size_ != other.size_) return size_ <=> other.size_;
  for (std::size_t i = size_; i-- > 0;) {
    if (data()[i] != other.data()[i]) return data()[i] <=> other.data()[i];
  }
  return std::strong_ordering::equal;
}

bool Natural::operator==(const Natural& other) const {
  return std::equal(limbs().begin(), limbs().end(), other.limbs().begin(), other.limbs().end());
}

}  // namespace inky::inline v1
