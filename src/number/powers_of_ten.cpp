#include "powers_of_ten.hpp"

namespace inky::inline v1::powers {

constinit const computing::Table table = computing::make_table();

}  // namespace inky::inline v1::powers
