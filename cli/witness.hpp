// What the real toolchain of a language prints, beside what was predicted.
#pragma once

#include <optional>
#include <string>
#include <string_view>

#include "contract/show_answer.hpp"
#include "screen.hpp"
#include "toolchain/witness_cache.hpp"

namespace inky::cli {

struct Witnessed {
  enum class Verdict : std::uint8_t {
    agrees,  // it printed the same bytes, or refused what was predicted to be refused
    differs,
    incomparable,  // the language leaves it undefined: what it printed this time
    missing,       // there is no such toolchain here
    not_asked,     // there is, and the machine could not do its part
  };
  Verdict verdict = Verdict::missing;
  std::string toolchain;  // the first line of its version, or its path
  std::string text;       // what it printed
  std::string messages;   // and what it complained of
  std::string advice;     // of a missing one: what brings it; of one not asked: why
  std::string open;       // what it was not kept from, as the kernel refuses it; empty: nothing
  std::string said;       // what was expected of it: for a screen
  std::string happened;   // what it did instead
};

// The program that prints the template with its values, in the language of the dialect.
Result<std::string> program_of(const ShowRequest& request, const Template& parsed);

// Where what programs printed is kept; nothing where there is no folder for it.
std::optional<toolchain::WitnessCache> usual_cache();

// What a program was not kept from: "the network, other files"; empty: it was kept from all of it.
std::string left_open(const toolchain::Witness& witness);

// An error where there is no program for it yet. `cache` may be null.
Result<Witnessed> ask_witness(const ShowRequest& request, const Template& parsed,
                              const Outcome& outcome, std::string_view text, const Report& report,
                              const toolchain::WitnessCache* cache);

// The first line that has something in it, of what a toolchain complained of.
std::string first_line(std::string_view text);

// The member "witness".
void write_witnessed(const Witnessed& witnessed, JsonWriter& out);
void put_witness(Screen& screen, const Witnessed& witnessed, std::string_view text);

// The exit status that a witness leaves of one that was settled: `required`, it has to be here.
int status_with(int status, const Witnessed& witnessed, bool required);

}  // namespace inky::cli
