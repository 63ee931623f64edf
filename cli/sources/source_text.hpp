// The bytes of a source file as UTF-8, in pieces: UTF-16 with its mark is turned into it.
#pragma once

#include <cstdio>
#include <string>

#include "inky_margin/scan/scan.hpp"

namespace inky::cli {

class SourceText {
 public:
  // The stream must outlive it.
  explicit SourceText(std::FILE* stream) : stream_(stream) {}

  // As scan() asks for them.
  std::size_t read(char* into, std::size_t most);

 private:
  enum class Form : std::uint8_t { unknown, bytes, little_endian, big_endian };

  bool fill();
  void convert(std::string_view bytes);

  std::FILE* stream_;
  Form form_ = Form::unknown;
  std::string odd_;      // bytes of a unit, or of a pair, that is not whole yet
  std::string waiting_;  // UTF-8
  std::size_t at_ = 0;   // of `waiting_`
};

}  // namespace inky::cli
