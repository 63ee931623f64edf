// Interpolated strings of C#: the C# specification, 12.8.3, with the raw ones of C# 11.
//
//   $"{total,8:F2} g"    $@"C:\{name}"    $"""{"ink"} "quoted" """    $$"""{ {{total}} }"""
#pragma once

#include <cstddef>
#include <memory>
#include <optional>

#include "../computed/reader.hpp"
#include "dialect/statement_parts.hpp"

namespace inky::inline v1::csharp {

// Reads the literal at `at`: each slot becomes a field with a number, and its expression an argument.
// Where the literal ends; nothing, and content.refusal, where it cannot be read.
std::optional<std::size_t> read_interpolated(
    StatementParts& parts, std::size_t at, TemplateContent& content,
    std::unique_ptr<computed::Reader> (*make_reader)(TemplateContent&, std::size_t));

}  // namespace inky::inline v1::csharp
