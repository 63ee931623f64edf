// A dialect whose compiler checks a template against the types of its values before any of it is
// printed. `Fields` is the program of its templates; `Rendering` has, besides what the walk wants,
//
//   std::optional<Outcome> check();    // what the compiler says; nothing: it compiles
#pragma once

#include <memory>
#include <vector>

#include "braces.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "source.hpp"

namespace inky::family {

template <typename Fields, typename Rendering>
class CheckedDialect : public Dialect {
 public:
  Result<Template> parse(std::string_view source) const final {
    if (auto error = check_source(source)) return std::move(*error);
    Template out;
    out.source = source;
    auto program = std::make_shared<Fields>();
    read(out, *program, nullptr);
    braces::settle(out);
    if (out.refusal) *program = {};
    out.program = std::move(program);
    return out;
  }

  Outcome render(const Template& parsed, std::span<const Value> values,
                 const RenderOptions& options, Output& out, Report* report) const final {
    Rendering rendering(parsed, values, options, out, report);
    if (!parsed.refusal) {
      if (auto trouble = rendering.check()) return std::move(*trouble);
    }
    return rendering.run();
  }

  // Read again, and told this time.
  std::vector<Words> explain(const Template& parsed) const final {
    if (parsed.source.empty()) return {};
    if (braces::is_one_piece(parsed)) return braces::whole_words(parsed);
    std::vector<Words> out;
    Template again;
    again.source = parsed.source;
    Fields program;
    read(again, program, &out);
    return out;
  }

 protected:
  // Reads out.source; `words` may be null.
  virtual void read(Template& out, Fields& program, std::vector<Words>* words) const = 0;
};

}  // namespace inky::family
