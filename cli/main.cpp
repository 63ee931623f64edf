#include <csignal>
#include <string>
#include <vector>

#include "command.hpp"

int main(int argc, char** argv) {
  // A closed pipe is an error like any other, reported once.
  std::signal(SIGPIPE, SIG_IGN);
  return inky::cli::run(std::vector<std::string>(argv + 1, argv + argc));
}
