// What a person's Ctrl-C does while a program of theirs runs: the program and its folder go first.
#pragma once

#include <atomic>

namespace inky::cli {

// While it lives, SIGINT, SIGTERM and SIGHUP set a flag. When it goes, and one of them came, this
// process ends by that signal, as it would have done at once.
class Interruption {
 public:
  Interruption();
  Interruption(const Interruption&) = delete;
  Interruption& operator=(const Interruption&) = delete;
  ~Interruption();

  const std::atomic<bool>* flag() const;
};

}  // namespace inky::cli
