// The answers of `show`. docs/contract.md.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "contract/json_writer.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1 {

struct ShowRequest {
  const Dialect* dialect = nullptr;
  bool plain = false;         // without a template: what the language prints for the one value
  bool is_statement = false;  // the source is a whole call
  std::string source;
  std::vector<Value> values;
  std::vector<Setting> settings;  // as its facts spell them
  std::string asked_locale;       // as it was given, where it was
  std::optional<WidthUnit> width_of;

  RenderOptions options() const { return {settings, width_of}; }
};

// The answer to one line of `show --jsonl`, without the line end. Never throws; any bytes may come.
std::string answer_show_line(std::string_view line);

}  // namespace inky::inline v1
