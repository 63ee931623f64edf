// Runs a fuzz target without a fuzzer, so that every sanitized build tries it: fuzz_NAME SEEDS RUNS
// gives it every seed file, and N seeds changed at random, always the same ones. What
// scripts/fuzz finds with the real fuzzer becomes a seed.

#include <algorithm>
#include <csignal>
#include <cstdio>
#include <cstdlib>
#include <filesystem>
#include <fstream>
#include <iterator>
#include <random>
#include <string>
#include <vector>

extern "C" int LLVMFuzzerTestOneInput(const unsigned char* data, std::size_t size);
extern "C" void __sanitizer_set_death_callback(void (*callback)());

namespace {

std::string input;  // the one that runs, for whoever fixes what it breaks

void tell() {
  std::fputs("the input, in hexadecimal: ", stderr);
  for (const char c : input) std::fprintf(stderr, "%02x", static_cast<unsigned char>(c));
  std::fputs("\n", stderr);
}

// What a target reports by abort() is named as well.
extern "C" void tell_and_end(int) {
  tell();
  std::_Exit(3);
}

void run() {
  LLVMFuzzerTestOneInput(reinterpret_cast<const unsigned char*>(input.data()), input.size());
}

// A seed with a few bytes changed, lost, doubled, or put in from another seed.
std::string near(const std::vector<std::string>& seeds, std::mt19937_64& random) {
  const auto below = [&](std::size_t end) { return end == 0 ? 0 : random() % end; };
  std::string out = seeds[below(seeds.size())];
  for (std::size_t changes = 1 + below(4); changes > 0; --changes) {
    const std::size_t at = below(out.size() + 1);
    const std::size_t some = 1 + below(8);
    const std::string& other = seeds[below(seeds.size())];
    switch (below(5)) {
      case 0:
        if (at < out.size()) out[at] = static_cast<char>(random());
        break;
      case 1:
        if (at < out.size()) out[at] = static_cast<char>(out[at] ^ (1 << below(8)));
        break;
      case 2:
        out.erase(at, some);
        break;
      case 3:
        out.insert(at, out.substr(at, some));
        break;
      default:
        out.insert(at, other.substr(std::min(below(other.size() + 1), other.size()), some));
    }
  }
  return out;
}

}  // namespace

int main(int count, char** arguments) {
  if (count != 3) {
    std::fputs("usage: fuzz_NAME SEEDS RUNS\n", stderr);
    return 2;
  }
  __sanitizer_set_death_callback(tell);
  std::signal(SIGABRT, tell_and_end);
  std::vector<std::filesystem::path> paths;
  for (const auto& entry : std::filesystem::directory_iterator(arguments[1]))
    paths.push_back(entry.path());
  std::sort(paths.begin(), paths.end());
  std::vector<std::string> seeds;
  for (const auto& path : paths) {
    std::ifstream stream(path, std::ios::binary);
    seeds.emplace_back(std::istreambuf_iterator<char>(stream), std::istreambuf_iterator<char>());
  }
  if (seeds.empty()) {
    std::fprintf(stderr, "there are no seeds in %s\n", arguments[1]);
    return 2;
  }
  for (const std::string& seed : seeds) {
    input = seed;
    run();
  }
  std::mt19937_64 random(20311126);
  for (long left = std::atol(arguments[2]); left > 0; --left) {
    input = near(seeds, random);
    run();
  }
  return 0;
}
