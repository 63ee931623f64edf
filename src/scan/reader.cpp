#include "reader.hpp"

namespace inky::inline v1 {

namespace {
constexpr std::size_t block = std::size_t{1} << 16;
}

int Reader::peek_past(std::size_t ahead) {
  while (!ended_ && at_ + ahead >= buffer_.size()) {
    buffer_.erase(0, at_);
    at_ = 0;
    const std::size_t had = buffer_.size();
    buffer_.resize(had + block);
    const std::size_t came = source_(buffer_.data() + had, block);
    buffer_.resize(had + came);
    ended_ = came == 0;
  }
  return at_ + ahead < buffer_.size() ? static_cast<unsigned char>(buffer_[at_ + ahead]) : at_end;
}

bool Reader::sees(std::string_view text) {
  for (std::size_t i = 0; i < text.size(); ++i) {
    if (peek(i) != static_cast<unsigned char>(text[i])) return false;
  }
  return true;
}

void Reader::take() {
  const int byte = peek();
  if (byte == at_end) return;
  ++at_;
  if (keeping_ && kept_.size() <= most_call) kept_ += static_cast<char>(byte);
  step(position_, expected_, static_cast<char>(byte));
}

}  // namespace inky::inline v1
