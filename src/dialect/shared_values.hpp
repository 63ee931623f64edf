// Values that statements change in place, where several names may stand for one and the same.
//
//   const a = [1, 2]; const b = a; b.push(3);      // a has three items, too
//
// We keep a value for each name. That is right where no two share one, which is looked for here.
#pragma once

#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <vector>

#include "dialect/statement_lines.hpp"

namespace inky::inline v1 {

class SharedValues {
 public:
  explicit SharedValues(const ExpressionForm& form) : form_(form) {}

  // In the order of the statements. `in_loop`: it may be run again.
  void add(const Declaration& declared, Span span, bool in_loop);
  void add_shown(std::string_view call, Span span, bool in_loop);
  void begin_loop(std::span<const std::string> names, std::string_view items);
  void end_loop() { loops_.pop_back(); }

  // Whether a name that changes by an operator, items += [4], may share its value.
  bool combines_shared() const;
  // The first change that is not sure to be the name's own; nothing where all are.
  std::optional<Span> unsure() const;

 private:
  struct Entry {
    std::string name;  // that it gives a value, or changes; empty: it is shown
    std::string text;
    Span span;
    bool in_loop = false;
    bool in_place = false;
    bool is_deep = false;
    bool combines = false;  // by an operator
    bool change_follows = false;
    bool is_looped = false;    // the name is an item of a loop
    bool in_own_loop = false;  // through the value that it changes
  };
  bool is_own(const Entry& change) const;

  const ExpressionForm& form_;
  std::vector<Entry> entries_;
  std::vector<std::string> loops_;  // what those around this go through
};

}  // namespace inky::inline v1
