#include "source_text.hpp"

#include <algorithm>
#include <array>
#include <cstring>

namespace inky::cli {

namespace {

constexpr std::size_t piece = std::size_t{1} << 16;
constexpr unsigned first_high = 0xD800;  // of the units that stand in pairs: Unicode, D71 to D73
constexpr unsigned first_low = 0xDC00;
constexpr unsigned after_low = 0xE000;

// The Unicode Standard, table 3-6; of half a pair its bits, which is no UTF-8.
void put_utf8(std::uint32_t value, std::string& out) {
  const auto tail = [&](unsigned shift) {
    out += static_cast<char>(0x80U | ((value >> shift) & 0x3FU));
  };
  if (value < 0x80) {
    out += static_cast<char>(value);
  } else if (value < 0x800) {
    out += static_cast<char>(0xC0U | (value >> 6U));
    tail(0);
  } else if (value < 0x10000) {
    out += static_cast<char>(0xE0U | (value >> 12U));
    tail(6);
    tail(0);
  } else {
    out += static_cast<char>(0xF0U | (value >> 18U));
    tail(12);
    tail(6);
    tail(0);
  }
}

}  // namespace

std::size_t SourceText::read(char* into, std::size_t most) {
  while (at_ == waiting_.size()) {
    if (form_ == Form::bytes) return std::fread(into, 1, most, stream_);
    if (!fill()) return 0;
  }
  const std::size_t count = std::min(most, waiting_.size() - at_);
  std::memcpy(into, waiting_.data() + at_, count);
  at_ += count;
  return count;
}

bool SourceText::fill() {
  std::array<char, piece> bytes{};
  const std::size_t came = std::fread(bytes.data(), 1, bytes.size(), stream_);
  waiting_.clear();
  at_ = 0;
  std::string_view text(bytes.data(), came);
  if (form_ == Form::unknown) {
    form_ = text.starts_with("\xFF\xFE")   ? Form::little_endian
            : text.starts_with("\xFE\xFF") ? Form::big_endian
                                           : Form::bytes;
    if (form_ == Form::bytes) {
      waiting_ = text;
      return came > 0;
    }
    text.remove_prefix(2);
  }
  if (came == 0 && odd_.empty()) return false;
  convert(text);
  // What is left of a text that ends in the middle of a unit.
  if (came == 0) {
    waiting_ += odd_;
    odd_.clear();
  }
  return true;
}

void SourceText::convert(std::string_view bytes) {
  odd_ += bytes;
  const auto unit_at = [&](std::size_t at) {
    const auto first = static_cast<unsigned char>(odd_[at]);
    const auto second = static_cast<unsigned char>(odd_[at + 1]);
    return form_ == Form::little_endian ? first | (unsigned{second} << 8U)
                                        : second | (unsigned{first} << 8U);
  };
  std::size_t at = 0;
  while (at + 1 < odd_.size()) {
    const unsigned unit = unit_at(at);
    const bool is_high = unit >= first_high && unit < first_low;
    if (is_high && at + 3 >= odd_.size() && !bytes.empty()) break;
    std::uint32_t value = unit;
    at += 2;
    if (is_high && at + 1 < odd_.size()) {
      const unsigned low = unit_at(at);
      if (low >= first_low && low < after_low) {
        value = 0x10000 + ((unit - first_high) << 10U) + (low - first_low);
        at += 2;
      }
    }
    put_utf8(value, waiting_);
  }
  odd_.erase(0, at);
}

}  // namespace inky::cli
