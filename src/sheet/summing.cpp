#include "summing.hpp"

namespace inky::inline v1 {

namespace {

constexpr std::int64_t most_exponent = 400;

bool is_negative(const ExactDecimal& value) {
  return value.negative && !value.is_zero();
}

}  // namespace

void Summing::add(std::string_view cell) {
  if (summary_ == Summary::none) return;
  const std::optional<DecimalText> typed = scan_decimal(cell);
  if (!typed || typed->exponent > most_exponent || typed->exponent < -most_exponent ||
      cell.size() > static_cast<std::size_t>(most_exponent))
    return;
  ++count_;
  if (summary_ == Summary::count) return;
  ExactDecimal value = exact_decimal(*typed);
  if (count_ == 1) {
    least_ = value;
    most_ = value;
  }
  if (summary_ == Summary::least && is_negative(difference(value, least_))) least_ = value;
  if (summary_ == Summary::most && is_negative(difference(most_, value))) most_ = value;
  if (summary_ != Summary::sum && summary_ != Summary::mean) return;
  // a + b = b - (-a)
  sum_.negative = !sum_.negative;
  sum_ = difference(value, sum_);
}

void Summing::clear() {
  *this = Summing(summary_);
}

// Divided by hand, to 40 digits; where more follow, one more digit marks it, so that it is no tie.
std::string Summing::mean() const {
  std::string digits = to_text(sum_);
  std::string out;
  std::uint64_t rest = 0;
  bool has_point = false;
  const auto take = [&](std::uint64_t digit) {
    // The count is of rows, far below 2^60.
    rest = rest * 10 + digit;
    out += static_cast<char>('0' + rest / count_);
    rest %= count_;
  };
  for (const char c : digits) {
    if (c == '-' || c == '.') {
      out += c;
      has_point = has_point || c == '.';
    } else {
      take(static_cast<std::uint64_t>(c - '0'));
    }
  }
  if (rest == 0) return out;
  if (!has_point) out += '.';
  constexpr int more_digits = 40;
  for (int i = 0; i < more_digits && rest != 0; ++i) take(0);
  if (rest != 0) out += '1';
  return out;
}

std::string Summing::text() const {
  if (summary_ == Summary::count) return std::to_string(count_);
  if (count_ == 0) return {};
  switch (summary_) {
    case Summary::sum:
      return to_text(sum_);
    case Summary::mean:
      return mean();
    case Summary::least:
      return to_text(least_);
    case Summary::most:
      return to_text(most_);
    default:
      return {};
  }
}

}  // namespace inky::inline v1
