// The contract for machines: a request as one line of JSON, its answer as another. The same lines
// that `inky show --jsonl` and its like read and print; docs/contract.md has every key.
#pragma once

#include <span>
#include <string>
#include <string_view>

namespace inky::inline v1 {

// "carry", "check", "proof", "round", "show", "weigh", "write".
std::span<const std::string_view> contract_commands();

// The answer to one request, without the line end, in UTF-8. Any bytes may come: a request that
// cannot be read is answered {"error": {"code", "message", "span", "remedy"}}, and so is a command
// that is none of contract_commands(), and a request above most_request.
std::string answer_request(std::string_view command, std::string_view request);

// The most bytes of a request.
inline constexpr std::size_t most_request = std::size_t{16} << 20;

}  // namespace inky::inline v1
