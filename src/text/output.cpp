#include "inky_margin/text/output.hpp"

#include <algorithm>

namespace inky::inline v1 {

void Output::fill(std::string_view mark, std::size_t count) {
  emit(mark.size() * count, [&](char* out) {
    if (mark.size() == 1) {
      std::memset(out, mark[0], count);
      return;
    }
    for (std::size_t i = 0; i < count; ++i)
      std::memcpy(out + i * mark.size(), mark.data(), mark.size());
  });
}

bool TextBuffer::make_room(std::size_t size) {
  const std::size_t used = kept();
  const std::size_t capacity = std::max(used * 2, used + size);
  auto larger = std::make_unique<char[]>(capacity);
  if (used != 0) std::memcpy(larger.get(), begin_, used);
  owned_ = std::move(larger);
  begin_ = owned_.get();
  end_ = begin_ + used;
  limit_ = begin_ + capacity;
  return true;
}

void TextBuffer::append_slowly(std::string_view text) {
  make_room(text.size());
  append(text);
}

void FixedOutput::append_slowly(std::string_view text) {
  const std::size_t fits = std::min(room(), text.size());
  if (fits != 0) std::memcpy(end_, text.data(), fits);
  end_ += fits;
  lost_ += text.size() - fits;
  // What comes later must not fill a gap left by what was lost.
  if (lost_ != 0) limit_ = end_;
}

void FixedOutput::cut_back_over(std::size_t size) {
  const std::size_t all = needed();
  lost_ = all - size < lost_ ? lost_ - (all - size) : 0;
  end_ = begin_ + std::min(size, kept());
  if (lost_ == 0) limit_ = full_limit_;
}

}  // namespace inky::inline v1
