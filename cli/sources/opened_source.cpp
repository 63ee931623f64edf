#include "opened_source.hpp"

#include <cerrno>

namespace inky::cli {

SourceOpener::Stream SourceOpener::open(const SourceFile& file) {
  errno = 0;
  if (file.path != "-") return {std::fopen(file.path.c_str(), "rb"), std::fclose};
  if (!input_) {
    std::string text;
    char piece[1 << 16];
    while (const std::size_t size = std::fread(piece, 1, sizeof piece, stdin))
      text.append(piece, size);
    if (std::ferror(stdin) != 0) return {nullptr, std::fclose};
    input_ = std::make_shared<const std::string>(std::move(text));
  }
  // A stream of no bytes cannot be opened in memory everywhere.
  if (input_->empty()) return {std::fopen("/dev/null", "rb"), std::fclose};
  return {fmemopen(const_cast<char*>(input_->data()), input_->size(), "rb"), std::fclose};
}

}  // namespace inky::cli
