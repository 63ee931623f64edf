// The headers that sources include, as far as they are found: beside the source, and in the folders
// that a compile database names. Those of the system are not read.
#pragma once

#include <functional>
#include <map>
#include <memory>
#include <string>
#include <vector>

#include "compile_commands.hpp"
#include "inky_margin/scan/scan.hpp"

namespace inky::cli {

class IncludedHeaders {
 public:
  // Called with the path of each header when it is read first.
  using Reader = std::function<void(const std::string& path)>;

  CompileCommands commands;

  // Of one source, and of all that it includes.
  std::vector<const SourceFacts*> facts_of(const SourceLanguage& language,
                                           const std::string& source,
                                           const std::vector<Include>& includes,
                                           const Reader& read_first);

 private:
  static constexpr std::size_t most_headers = 500;                 // of one source
  static constexpr std::size_t most_bytes = std::size_t{8} << 20;  // of one header

  struct Header {
    std::shared_ptr<const SourceFacts> facts;  // null: not found, or too long
  };

  // The path of a header; empty where it is not found.
  static std::string found(const Include& include, const std::string& folder,
                           const std::vector<std::string>& folders);
  const SourceFacts* read(const SourceLanguage& language, const std::string& path,
                          const Reader& read_first);

  std::map<std::string, Header> headers_;  // by language and path
};

}  // namespace inky::cli
