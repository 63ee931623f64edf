#include "powers_of_ten.hpp"

namespace inky::powers {

constinit const computing::Table table = computing::make_table();

}  // namespace inky::powers
