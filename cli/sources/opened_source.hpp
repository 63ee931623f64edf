// The bytes of a file that is checked. Standard input is kept, so that it can be read again.
#pragma once

#include <cstdio>
#include <memory>
#include <string>

#include "source_files.hpp"

namespace inky::cli {

class SourceOpener {
 public:
  using Stream = std::unique_ptr<std::FILE, int (*)(std::FILE*)>;

  // Null, with errno set, where it cannot be read. Not from several threads before the first
  // reading of standard input is over.
  Stream open(const SourceFile& file);

 private:
  std::shared_ptr<const std::string> input_;
};

}  // namespace inky::cli
