#include "interruption.hpp"

#include <csignal>

namespace inky::cli {

namespace {

constexpr int signals[] = {SIGINT, SIGTERM, SIGHUP};

// A handler of signals has nothing but what is here.
std::atomic<bool> interrupted{false};
std::atomic<int> by{0};
struct sigaction handlers_before[std::size(signals)];
static_assert(std::atomic<bool>::is_always_lock_free && std::atomic<int>::is_always_lock_free);

extern "C" void remember(int number) {
  by.store(number);
  interrupted.store(true);
}

}  // namespace

Interruption::Interruption() {
  struct sigaction own = {};
  own.sa_handler = remember;
  for (std::size_t i = 0; i < std::size(signals); ++i) {
    sigaction(signals[i], nullptr, &handlers_before[i]);
    // One that is ignored stays ignored: nohup(1).
    if (handlers_before[i].sa_handler != SIG_IGN) sigaction(signals[i], &own, nullptr);
  }
}

Interruption::~Interruption() {
  for (std::size_t i = 0; i < std::size(signals); ++i)
    sigaction(signals[i], &handlers_before[i], nullptr);
  if (interrupted.load()) std::raise(by.load());
}

const std::atomic<bool>* Interruption::flag() const {
  return &interrupted;
}

}  // namespace inky::cli
