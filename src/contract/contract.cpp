#include "inky_margin/contract/contract.hpp"

#include <algorithm>
#include <array>

#include "answers.hpp"
#include "carry_answer.hpp"
#include "check_answer.hpp"
#include "proof_answer.hpp"
#include "round_answer.hpp"
#include "show_answer.hpp"
#include "text/escape.hpp"
#include "text/nearest_name.hpp"
#include "weigh_answer.hpp"
#include "write_answer.hpp"

namespace inky::inline v1 {

namespace {

using Answer = std::string (*)(std::string_view);

constexpr std::array<std::string_view, 7> commands = {"carry", "check", "proof", "round",
                                                      "show",  "weigh", "write"};
constexpr std::array<Answer, commands.size()> answers = {
    answer_carry_line, answer_check_line, answer_proof_line, answer_round_line,
    answer_show_line,  answer_weigh_line, answer_write_line};

Error unknown_command(std::string_view command) {
  std::string listed;
  for (const std::string_view name : commands)
    listed += (listed.empty() ? "" : ", ") + std::string(name);
  const std::string_view near = nearest_name(command, commands);
  return {Code::bad_option,
          in_quotes(command) + " answers no requests",
          {},
          near.empty() ? "The commands that do are: " + listed + "."
                       : "Did you mean " + std::string(near) + "?"};
}

}  // namespace

std::span<const std::string_view> contract_commands() {
  return commands;
}

std::string answer_request(std::string_view command, std::string_view request) {
  const auto found = std::find(commands.begin(), commands.end(), command);
  if (found == commands.end()) return error_line(unknown_command(command));
  if (request.size() > most_request) return too_long_line();
  return answers[static_cast<std::size_t>(found - commands.begin())](request);
}

}  // namespace inky::inline v1
