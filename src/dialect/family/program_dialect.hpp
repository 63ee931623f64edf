// A dialect that keeps a template in a form of its own besides its pieces and fields, and puts it
// into words by reading it again. `Fields` is that form: the program of its templates.
#pragma once

#include <memory>
#include <vector>

#include "braces.hpp"
#include "inky_margin/dialect/dialect.hpp"
#include "source.hpp"
#include "writing_dialect.hpp"

namespace inky::inline v1::family {

template <typename Fields>
class ProgramDialect : public WritingDialect {
 public:
  Result<TemplateContent> do_parse(std::string_view source) const final {
    if (auto error = check_source(facts(), source)) return std::move(*error);
    TemplateContent out;
    out.source = source;
    auto program = std::make_shared<Fields>();
    read(out, *program, nullptr);
    braces::settle(out);
    if (out.refusal) *program = {};
    out.program = std::move(program);
    return out;
  }

  // Read again, and reported this time.
  std::vector<Words> do_explain(const TemplateContent& parsed) const final {
    if (parsed.source.empty()) return {};
    if (braces::is_one_piece(parsed)) return braces::whole_words(parsed);
    std::vector<Words> out;
    TemplateContent again;
    again.source = parsed.source;
    Fields program;
    read(again, program, &out);
    return out;
  }

 protected:
  // Reads out.source; `words` may be null.
  virtual void read(TemplateContent& out, Fields& program, std::vector<Words>* words) const = 0;
};

}  // namespace inky::inline v1::family
