// Promises of the library that are not about text: no allocation on the usual path, and one
// template shared by many threads.

#include <atomic>
#include <catch2/catch.hpp>
#include <cstdlib>
#include <new>
#include <string>
#include <thread>
#include <vector>

#include "inky_margin/dialect/dialect.hpp"
#include "support/random_values.hpp"

using namespace inky;

// Sanitizers bring an allocator of their own, which cannot be counted in this way.
#ifndef INKY_SANITIZED

namespace {
std::atomic<long> allocations{0};
}

void* operator new(std::size_t size) {
  ++allocations;
  if (void* memory = std::malloc(size)) return memory;
  throw std::bad_alloc();
}
void* operator new[](std::size_t size) {
  return operator new(size);
}
void operator delete(void* memory) noexcept {
  std::free(memory);
}
void operator delete(void* memory, std::size_t) noexcept {
  std::free(memory);
}
void operator delete[](void* memory) noexcept {
  std::free(memory);
}
void operator delete[](void* memory, std::size_t) noexcept {
  std::free(memory);
}

TEST_CASE("rendering allocates nothing on the usual path, whatever the f64") {
  const Dialect& c = *find_dialect("c");
  const Template row = *c.parse("%-12s|%10.2f|%+.3e|%g|%a|%#06x|%d|%.17g|%c|%%|%*.*f\\n");
  support::RandomValues random(support::seed(48));
  TextBuffer out;
  out.append(std::string(4096, ' '));
  for (int i = 0; i < support::cases(20'000); ++i) {
    const double value = random.any_real();
    const Value values[] = {Value::text_view("Krapplack"),
                            Value::real(value),
                            Value::real(value),
                            Value::real(value),
                            Value::real(value),
                            Value::whole(Type::i32, i),
                            Value::whole(Type::i32, -i),
                            Value::real(value),
                            Value::character(U'K'),
                            Value::whole(Type::i32, 12),
                            Value::whole(Type::i32, 3),
                            Value::real(value)};
    out.clear();
    const long before = allocations;
    const bool prints = c.render(row, values, out).prints();
    const long made = allocations - before;
    if (!prints || made != 0) FAIL(made << " allocations for " << value);
  }
}

#endif

TEST_CASE("many threads render one template") {
  const Dialect& c = *find_dialect("c");
  const Template row = *c.parse("%-12s|%10.2f|%.17g|%d");
  const auto render = [&](int seed) {
    support::RandomValues random(static_cast<std::uint64_t>(seed));
    TextBuffer out;
    for (int i = 0; i < support::cases(5000); ++i) {
      const double value = random.real();
      const Value values[] = {Value::text_view("Ocker"), Value::real(value), Value::real(value),
                              Value::whole(Type::i32, i)};
      (void)c.render(row, values, out);
    }
    return out.string();
  };
  std::vector<std::string> alone(4);
  std::vector<std::string> together(4);
  for (int i = 0; i < 4; ++i) alone[static_cast<std::size_t>(i)] = render(i);
  {
    std::vector<std::jthread> threads;
    for (int i = 0; i < 4; ++i) {
      threads.emplace_back([&, i] { together[static_cast<std::size_t>(i)] = render(i); });
    }
  }
  CHECK(alone == together);
}
