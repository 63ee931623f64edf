#include "call_forms.hpp"

#include <cstring>

namespace inky::inline v1 {

namespace {

// The last name of a path: "printf" of "System.out.printf".
std::string_view last_name(std::string_view path) {
  const std::size_t dot = path.rfind('.');
  return dot == std::string_view::npos ? path : path.substr(dot + 1);
}

// A path as one language writes it, with points between its names.
std::string with_points(std::string_view path) {
  std::string out;
  for (std::size_t i = 0; i < path.size(); ++i) {
    if (path.substr(i, 2) == "::" || path.substr(i, 2) == "->") {
      out += '.';
      ++i;
    } else {
      out += path[i];
    }
  }
  return out;
}

}  // namespace

Forms::Forms(std::span<const CallForm> calls) {
  for (const CallForm& call : calls) {
    const std::string path = with_points(call.name);
    by_name_.emplace(std::string(last_name(path)), Entry{path, &call});
  }
}

std::vector<const CallForm*> Forms::find(std::string_view path) const {
  std::vector<const CallForm*> out;
  const auto range = by_name_.equal_range(last_name(path));
  for (auto at = range.first; at != range.second; ++at) {
    const std::string& wanted = at->second.path;
    if (path.size() < wanted.size() || path.substr(path.size() - wanted.size()) != wanted) continue;
    if (path.size() > wanted.size() && path[path.size() - wanted.size() - 1] != '.') continue;
    out.push_back(at->second.form);
  }
  return out;
}

}  // namespace inky::inline v1
