#include "command.hpp"
namespace inky::cli {
Action add_demo(CLI::App& parent) {
  parent.add_subcommand("demo", "A walk through show and proof, on the data of an ink room");
  return [] { return done; };
}
}  // namespace inky::cli
