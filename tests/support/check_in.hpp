// inky check run in a folder, and what its lines say.
#pragma once

#include <string>

#include "support/folder.hpp"
#include "support/process.hpp"

namespace support {

// A call in C with a fault, and one without.
inline constexpr const char* wrong = "printf(\"%d\", 2.5);\n";
inline constexpr const char* right = "printf(\"%d\", 2);\n";

// The tool, run in the folder.
inline Ran check_in(const Folder& folder, const std::string& arguments) {
  return shell("cd '" + folder.path.string() + "' && " INKY_BUILD_DIR "/cli/inky check " +
               arguments);
}

inline bool has(const std::string& text, const std::string& part) {
  return text.find(part) != std::string::npos;
}

// The places of what was found: "a.c:1 b.c:2".
inline std::string places_of(const std::string& lines) {
  std::string out;
  for (std::size_t at = 0; at < lines.size();) {
    const std::size_t end = lines.find('\n', at);
    const std::size_t line = lines.find(':', at);
    const std::size_t column = lines.find(':', line + 1);
    out += (out.empty() ? "" : " ") + lines.substr(at, column - at);
    at = end + 1;
  }
  return out;
}

}  // namespace support
