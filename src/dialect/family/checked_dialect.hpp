// A dialect whose compiler checks a template against the types of its values before any of it is
// printed. `Fields` is the program of its templates; `Rendering` has, besides what the walk wants,
//
//   std::optional<Outcome> check();    // what the compiler reports; nothing: it compiles
#pragma once

#include "program_dialect.hpp"

namespace inky::inline v1::family {

template <typename Fields, typename Rendering>
class CheckedDialect : public ProgramDialect<Fields> {
 public:
  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const final {
    Rendering rendering(parsed, values, options, out, report);
    if (!parsed.refusal) {
      if (auto trouble = rendering.check()) return std::move(*trouble);
    }
    return rendering.run();
  }
};

}  // namespace inky::inline v1::family
