#include "whole.hpp"

namespace inky::inline v1::computed {

bool compute_whole(Reader& reader, std::string_view source, Evaluator& evaluator, Value& out,
                   Trouble& trouble) {
  Node node;
  if (!reader.read(node) || reader.at() < source.size()) {
    trouble = {Trouble::When::not_supported_yet, "Change a copy of it.",
               "such a change is not supported yet", Span{0, source.size()}};
    return false;
  }
  if (evaluator.evaluate(node, out)) return true;
  trouble = *evaluator.trouble();
  return false;
}

}  // namespace inky::inline v1::computed
