// What a program of R is made of, whichever facility prints.
#pragma once

#include <array>

#include "dialect/program_form.hpp"

namespace inky::inline v1 {

inline constexpr auto r_program_types = std::to_array<TypeForm>({
    {Type::i32, "", "@L"},
    {Type::f64, ""},
    {Type::text, ""},
    {Type::truth, ""},
});

inline constexpr ProgramForm r_program = {.before = "",
                                          .declaration = "@N <- @V\n",
                                          .statement = "@S\n",
                                          .after = "",
                                          .types = r_program_types,
                                          .infinity = "Inf",
                                          .negative_infinity = "-Inf",
                                          .not_a_number = "NaN",
                                          .truth = "TRUE",
                                          .falsehood = "FALSE"};

}  // namespace inky::inline v1
