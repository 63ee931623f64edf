// Sheets and data for them: clean, broken, hostile, wide, empty, of one row, of 200 columns.
#pragma once

#include <string>
#include <vector>

#include "support/hostile_texts.hpp"
#include "support/random_values.hpp"

namespace support {

struct SheetAndData {
  std::string sheet;
  std::string data;
};

class RandomSheets {
 public:
  explicit RandomSheets(std::uint64_t seed) : random_(seed), hostile_(hostile_texts()) {}

  SheetAndData make() {
    SheetAndData out;
    const int shape = random_.below(10);
    const int columns = shape == 0 ? 200 : 1 + random_.below(7);
    const int rows = shape == 1 ? 0 : shape == 2 ? 1 : 2 + random_.below(columns > 20 ? 3 : 9);
    is_broken_ = random_.one_in(4);
    is_hostile_ = random_.one_in(3);
    is_wide_ = random_.one_in(3);
    add_sheet(out.sheet, columns > 20);
    std::vector<int> kinds;
    for (int i = 0; i < columns; ++i) {
      kinds.push_back(random_.below(3));
      add_column(out.sheet, i, kinds.back());
      out.data += (i == 0 ? "" : ",") + name(i);
    }
    out.data += "\n";
    for (int row = 0; row < rows; ++row) {
      for (int i = 0; i < columns; ++i)
        out.data += (i == 0 ? "" : ",") + cell(kinds[static_cast<std::size_t>(i)]);
      out.data += "\n";
    }
    return out;
  }

 private:
  // Words that languages keep for themselves are names of columns, too.
  static std::string name(int index) {
    const char* const names[] = {"code", "class", "Mass (g)", "mass g", "int", "1st", "ß", "T"};
    return index < 8 ? names[index] : "c" + std::to_string(index);
  }

  void add_sheet(std::string& sheet, bool is_long) {
    if (random_.one_in(3)) sheet += "rule_above = \"=\"\n";
    if (random_.one_in(3)) sheet += "rule_below = \"─\"\n";
    if (random_.one_in(3)) sheet += "rule = \"\"\n";
    if (random_.one_in(3)) sheet += "gap = \" | \"\n";
    if (random_.one_in(4)) sheet += "edge_left = \"%d {} | \"\nedge_right = \" |\\\\\"\n";
    if (random_.one_in(4)) sheet += "gap = \" · \"\n";
    if (sheet.find("gap") != sheet.rfind("gap")) sheet.erase(sheet.rfind("gap"));
    if (random_.one_in(4) && !is_long) sheet += "group_by = \"code\"\nrule_between = \"-\"\n";
    if (random_.one_in(5)) sheet += "row_marks = [\"\", \" <\"]\n";
    const char* const overflows[] = {"push", "cut", "hashes", "wrap"};
    sheet += std::string("overflow = \"") + random_.pick(overflows) + "\"\n";
  }

  void add_column(std::string& sheet, int index, int kind) {
    sheet += "[[column]]\nfrom = \"" + name(index) + "\"\n";
    if (random_.one_in(3))
      sheet += "heading = \"Größe \\\"" + std::to_string(index) + "\\\"\\nin %\"\n";
    if (random_.one_in(5)) sheet += "under = \"all of it\"\n";
    if (kind == 0) {
      const char* const aligns[] = {"left", "right", "center", "natural"};
      sheet += std::string("align = \"") + random_.pick(aligns) + "\"\n";
      if (random_.one_in(4)) sheet += "limit = " + std::to_string(random_.below(9)) + "\n";
    } else if (kind == 1) {
      sheet += "kind = \"whole\"\n";
      if (random_.one_in(3)) sheet += "group = \",\"\n";
      if (random_.one_in(5)) sheet += "base = 16\nprefix = true\n";
      if (random_.one_in(4)) sheet += "total = \"sum\"\n";
    } else {
      const char* const notations[] = {"fixed", "scientific", "percent", "shortest"};
      const std::string notation = random_.pick(notations);
      sheet += "kind = \"real\"\nnotation = \"" + notation + "\"\n";
      if (notation != "shortest") sheet += "places = " + std::to_string(random_.below(5)) + "\n";
      if (random_.one_in(4)) sheet += "sign = \"always\"\n";
      if (random_.one_in(4)) sheet += "align = \"point\"\n";
      if (random_.one_in(4)) sheet += "total = \"mean\"\nsubtotal = \"sum\"\n";
      if (random_.one_in(5)) sheet += "mark = \"*\"\nmark_above = 10\n";
    }
    if (random_.one_in(2)) sheet += "width = " + std::to_string(1 + random_.below(14)) + "\n";
  }

  static std::string quoted(const std::string& text) {
    std::string out = "\"";
    for (const char c : text) out += c == '"' ? std::string("\"\"") : std::string(1, c);
    return out + "\"";
  }

  std::string cell(int kind) {
    if (is_broken_ && random_.one_in(6)) {
      const char* const faults[] = {"", "n/a", "much", "1,5", "nan", "1e400"};
      return quoted(random_.pick(faults));
    }
    if (kind == 0) {
      if (is_hostile_) return quoted(random_.pick(hostile_));
      const char* const plain[] = {"K-07", "Ocker", "Umbra", "", "Smaragd", "a b  c"};
      const char* const wide[] = {"Zinkweiß", "墨汁", "e\xCC\x81tude", "🖨\xEF\xB8\x8F press",
                                  "藍"};
      return quoted(is_wide_ && random_.one_in(2) ? random_.pick(wide) : random_.pick(plain));
    }
    if (kind == 1) {
      const std::uint64_t whole = random_.whole() >> random_.below(40);
      const bool fits = random_.one_in(8);
      return std::to_string(static_cast<std::int64_t>(fits ? whole : whole % 100000U) -
                            random_.below(100));
    }
    const char* const ties[] = {"0.125", "2.675",  "-0.5", "0",    "-0.0",
                                "1.45",  "980.25", "1e23", "9.995"};
    if (random_.one_in(2)) return random_.pick(ties);
    return std::to_string(random_.below(100000)) + "." + std::to_string(random_.below(1000));
  }

  RandomValues random_;
  std::vector<std::string> hostile_;
  bool is_broken_ = false;
  bool is_hostile_ = false;
  bool is_wide_ = false;
};

}  // namespace support
