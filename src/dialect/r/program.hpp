// What a program of R is made of, whatever facility prints.
#pragma once

#include <array>

#include "dialect/program_form.hpp"
#include "dialect/run_form.hpp"

namespace inky::inline v1 {

inline constexpr auto r_program_types = std::to_array<TypeForm>({
    {Type::i32, "", "@L"},
    {Type::f64, ""},
    {Type::text, ""},
    {Type::truth, ""},
    {Type::date, "", "as.Date(\"@\")"},
    {Type::moment, "", "as.POSIXct(\"@Y-@M-@D @h:@m:@S\", tz = \"UTC\")"},
});

inline constexpr SettingForm r_settings[] = {{.name = "locale",
                                              .line = "invisible(Sys.setlocale(\"LC_TIME\", @L))\n",
                                              .source = SettingForm::Source::c_library}};

inline constexpr ProgramForm r_program = {.before = "",
                                          .declaration = "@N <- @V\n",
                                          .statement = "@S\n",
                                          .after = "",
                                          .types = r_program_types,
                                          .infinity = "Inf",
                                          .negative_infinity = "-Inf",
                                          .not_a_number = "NaN",
                                          .truth = "TRUE",
                                          .falsehood = "FALSE",
                                          .settings = r_settings};

inline constexpr RunForm r_run = {"Rscript", "", "r-base-core", "main.R", "", "@ --vanilla main.R"};

}  // namespace inky::inline v1
