// Where rendered text goes: a buffer that grows, or one of the caller's that does not.
//
//   TextBuffer growing;
//   growing.append("ink");
//   growing.view()                            // "ink"
//
//   char room[4];
//   FixedOutput fixed(room);
//   fixed.append("ink room");
//   fixed.view(), fixed.needed()              // "ink ", 8: cut, and the size that would have done
//
// Not thread-safe; one output serves one thread at a time.
#pragma once

#include <cassert>
#include <cstddef>
#include <cstring>
#include <memory>
#include <span>
#include <string>
#include <string_view>

namespace inky::inline v1 {

class Output {
 public:
  Output(const Output&) = delete;
  Output& operator=(const Output&) = delete;

  void append(std::string_view text) {
    if (text.size() > room()) return append_slowly(text);
    std::memcpy(end_, text.data(), text.size());
    end_ += text.size();
  }
  void append(char c) { append(std::string_view(&c, 1)); }
  // `mark`, `count` times.
  void fill(std::string_view mark, std::size_t count);

  // Lets `write` put exactly `size` characters at the char* it is given.
  template <typename Write>
  void emit(std::size_t size, Write write) {
    if (size > room() && !make_room(size)) {
      const auto aside = std::make_unique<char[]>(size);
      write(aside.get());
      return append_slowly({aside.get(), size});
    }
    write(end_);
    end_ += size;
  }

  // For writers who know only a bound: a place with room for `most` characters, or null where the
  // room is fixed and smaller. What was written is kept by `keep`, up to `end`.
  char* place(std::size_t most) { return most <= room() || make_room(most) ? end_ : nullptr; }
  void keep(char* end) { end_ = end; }

  // What is there now; valid until the next change.
  std::string_view view() const { return {begin_, kept()}; }
  // All that was appended, kept or not.
  std::size_t needed() const { return kept() + lost_; }
  // Back to an earlier needed(). REQUIRES: size <= needed().
  void cut_back(std::size_t size) {
    assert(size <= needed());
    if (lost_ != 0) return cut_back_over(size);
    end_ = begin_ + size;
  }
  void clear() { cut_back(0); }

 protected:
  Output(char* begin, std::size_t capacity)
      : begin_(begin), end_(begin), limit_(begin + capacity) {}
  virtual ~Output() = default;

  std::size_t kept() const { return static_cast<std::size_t>(end_ - begin_); }
  std::size_t room() const { return static_cast<std::size_t>(limit_ - end_); }
  // Makes room for `size` more characters, or reports that it cannot.
  virtual bool make_room(std::size_t size) = 0;
  virtual void append_slowly(std::string_view text) = 0;
  // cut_back where something was lost.
  virtual void cut_back_over(std::size_t) {}

  std::size_t lost_ = 0;  // appended, but not kept
  char* begin_;
  char* end_;
  char* limit_;
};

class TextBuffer final : public Output {
 public:
  static constexpr std::size_t usual_room = 256;
  // `room`: what it holds before it grows.
  explicit TextBuffer(std::size_t room = usual_room) : Output(nullptr, 0) {
    TextBuffer::make_room(room);
  }
  std::string string() const { return std::string(view()); }

 private:
  bool make_room(std::size_t size) override;
  void append_slowly(std::string_view text) override;

  std::unique_ptr<char[]> owned_;
};

class FixedOutput final : public Output {
 public:
  explicit FixedOutput(std::span<char> room)
      : Output(room.data(), room.size()), full_limit_(room.data() + room.size()) {}
  bool fits() const { return lost_ == 0; }

 private:
  bool make_room(std::size_t) override { return false; }
  void append_slowly(std::string_view text) override;
  void cut_back_over(std::size_t size) override;

  char* full_limit_;
};

}  // namespace inky::inline v1
