// What `inky check` found in source files, as lines, as JSON or as SARIF.
#pragma once

#include <functional>
#include <memory>
#include <string>
#include <string_view>

#include "inky_margin/check/check.hpp"
#include "inky_margin/scan/scan.hpp"

namespace inky::cli {

// One fault at its place in a file.
struct FileFinding {
  const std::string* file = nullptr;
  Position from;
  Position to;
  std::string call;
  Fault fault;
};

class Findings {
 public:
  virtual ~Findings() = default;
  virtual void take(const FileFinding& finding) = 0;
  // False where something could not be written.
  virtual bool finish() = 0;
};

enum class FindingForm : std::uint8_t { lines, json, sarif };

// Where the text goes. False where it cannot be written; the sink reports why.
using TextSink = std::function<bool(std::string_view)>;

std::unique_ptr<Findings> make_findings(FindingForm form, TextSink sink);

}  // namespace inky::cli
