// A text of any length, byte by byte, with as much of it in memory as is looked at.
#pragma once

#include <string>
#include <string_view>

#include "inky_margin/scan/scan.hpp"

namespace inky::inline v1 {

// Goes from a byte to the next one. `expected` is the rest of a character, 0 at first.
inline void step(Position& position, int& expected, char byte) {
  const auto unit = static_cast<unsigned char>(byte);
  ++position.offset;
  if (byte == '\n') {
    ++position.line;
    position.column = 1;
    expected = 0;
  } else if (expected > 0 && (unit & 0xC0U) == 0x80U) {
    --expected;
  } else {
    ++position.column;
    expected = unit >= 0xF0U ? 3 : unit >= 0xE0U ? 2 : unit >= 0xC0U ? 1 : 0;
  }
}

class Reader {
 public:
  explicit Reader(const ByteSource& source) : source_(source) {}

  static constexpr int at_end = -1;
  // The byte that is so far ahead, or at_end.
  int peek(std::size_t ahead = 0) {
    if (at_ + ahead < buffer_.size()) return static_cast<unsigned char>(buffer_[at_ + ahead]);
    return peek_past(ahead);
  }
  bool sees(std::string_view text);
  // Goes on by one byte, or to the end.
  void take();
  void take(std::size_t count) {
    while (count-- > 0) take();
  }
  const Position& position() const { return position_; }

  // From now on what is taken is kept too, up to most_call bytes.
  void begin_keeping() {
    kept_.clear();
    keeping_ = true;
  }
  // What was kept; a byte more than most_call where it was too much.
  std::string_view kept() const { return kept_; }
  void end_keeping() { keeping_ = false; }

 private:
  int peek_past(std::size_t ahead);

  const ByteSource& source_;
  std::string buffer_;
  std::size_t at_ = 0;
  bool ended_ = false;
  Position position_;
  int expected_ = 0;
  std::string kept_;
  bool keeping_ = false;
};

}  // namespace inky::inline v1
