// A cargo in another dialect, and the verdict that is earned on it.

#include <algorithm>
#include <cmath>

#include "cargo_values.hpp"
#include "inky_margin/carry/carry.hpp"
#include "ranges.hpp"
#include "text/ascii.hpp"
#include "text/escape.hpp"
#include "text/utf8.hpp"
#include "trial_values.hpp"

namespace inky::inline v1 {

class Carrying {
 public:
  Carrying(const Cargo& cargo, const Dialect& other) : cargo_(cargo), other_(other) {
    out_.dialect = &other;
  }

  Carried run() {
    if (!cargo_.obstacles_.empty()) {
      out_.notes = cargo_.obstacles_;
      return std::move(out_);
    }
    place_values();
    WrittenTemplate written = other_.writer().write_template(parts_);
    for (Note& note : written.notes) out_.notes.push_back(std::move(note));
    if (!written.source) return std::move(out_);
    Result<Template> parsed = other_.parse(*written.source);
    if (!parsed || parsed->refusal()) {
      out_.notes.push_back({Code::wish_not_expressible,
                            "what would be written is refused: " +
                                (parsed ? parsed->refusal()->why : parsed.error().message),
                            {}});
      return std::move(out_);
    }
    out_.source = std::move(written.source);
    std::vector<std::string> names;
    for (const int index : out_.arguments) names.push_back(names_[static_cast<std::size_t>(index)]);
    out_.statement = other_.writer().write_statement(*out_.source, names);
    if (other_.writer().placing() == Placing::names || !value_names(*parsed).empty())
      out_.names = names;
    search(*parsed);
    return std::move(out_);
  }

 private:
  using Set = std::vector<Value>;

  // Which values are given, in which order, and how a field names its own.
  void place_values() {
    const int count = static_cast<int>(cargo_.names_.size());
    for (int i = 0; i < count; ++i) {
      const std::string& name = cargo_.names_[static_cast<std::size_t>(i)];
      names_.push_back(is_word(name) ? name : default_name(i));
    }
    std::vector<int> order;
    for (const int index : cargo_.shown_) {
      if (index != unset) order.push_back(index);
    }
    bool in_order = true;
    for (std::size_t i = 0; i < order.size(); ++i) in_order &= order[i] == static_cast<int>(i);
    const Placing placing = other_.writer().placing();
    const bool by_position = placing == Placing::positions && !in_order && !cargo_.named_;
    parts_ = cargo_.parts_;
    std::size_t at = 0;
    for (TemplatePart& part : parts_) {
      const int index = cargo_.shown_[at++];
      if (!part.field) continue;
      if (placing == Placing::names || (cargo_.named_ && placing == Placing::positions))
        part.field->name = names_[static_cast<std::size_t>(index)];
      if (by_position || (cargo_.named_ && placing == Placing::positions && !in_order))
        part.field->position = index + 1;
    }
    if (placing == Placing::in_order && !in_order) {
      out_.arguments = order;
    } else {
      for (int i = 0; i < count; ++i) out_.arguments.push_back(i);
    }
  }

  // What both sides print of these values, one for each value of the template.
  bool agrees(const Template& there, const Set& values, CarryExample* example) {
    give(values);
    here_.clear();
    if (!cargo_.from_->render(*cargo_.parsed_, home_, here_).prints_cleanly()) return true;
    there_.clear();
    Outcome outcome = other_.render(there, away_, there_);
    if (outcome.prints_cleanly() && here_.view() == there_.view()) return true;
    if (example != nullptr) {
      example->values = values;
      example->here = here_.string();
      example->there = outcome.prints() ? there_.string() : outcome.why();
      example->there_fails = !outcome.prints();
      if (outcome.prints_cleanly())
        example->reason =
            why_different(*cargo_.from_, *cargo_.parsed_, home_, other_, there, away_);
      else if (outcome.prints())
        example->reason = "complained of, as " + outcome.failure_name() + ": " + outcome.why();
    }
    return false;
  }

  // Which trials of each value the two print differently. All are tried at once, each in step
  // with the others: where the texts differ, the fields show whose.
  std::vector<std::vector<bool>> find_differences(const Template& there, const Set& plain,
                                                  const std::vector<Set>& trials) {
    std::vector<std::vector<bool>> out;
    std::size_t steps = 0;
    for (const Set& one : trials) {
      out.emplace_back(one.size());
      steps = std::max(steps, one.size());
    }
    Set values = plain;
    for (std::size_t step = 0; step < steps; ++step) {
      for (std::size_t i = 0; i < values.size(); ++i) {
        if (!trials[i].empty()) values[i] = trials[i][step % trials[i].size()];
      }
      if (agree(there, values) || attribute(there, values, step, out)) continue;
      for (std::size_t i = 0; i < values.size(); ++i) {
        if (step >= trials[i].size()) continue;
        Set alone = plain;
        alone[i] = trials[i][step];
        out[i][step] = !agrees(there, alone, nullptr);
      }
    }
    return out;
  }

  // The values as the two sides are given them.
  void give(const Set& values) {
    if (home_.size() != values.size()) {
      home_.clear();
      for (std::size_t i = 0; i < values.size(); ++i)
        home_.push_back(cargo_.given(static_cast<int>(i), values[i]));
    } else {
      for (std::size_t i = 0; i < values.size(); ++i)
        home_[i] = cargo_.given(static_cast<int>(i), values[i]);
    }
    away_.clear();
    for (std::size_t i = 0; i < out_.arguments.size(); ++i) {
      away_.push_back(values[static_cast<std::size_t>(out_.arguments[i])]);
      if (!out_.names.empty()) away_.back().set_name(out_.names[i]);
    }
  }

  // Whether both print the same; false also where one of them prints nothing.
  bool agree(const Template& there, const Set& values) {
    give(values);
    here_.clear();
    there_.clear();
    return cargo_.from_->render(*cargo_.parsed_, home_, here_).prints_cleanly() &&
           other_.render(there, away_, there_).prints_cleanly() && here_.view() == there_.view();
  }

  // Finds the values whose fields differ, field by field. False where that does not tell.
  bool attribute(const Template& there, const Set& values, std::size_t step,
                 std::vector<std::vector<bool>>& differs) {
    give(values);
    here_.clear();
    there_.clear();
    Report here;
    Report away;
    if (!cargo_.from_->render(*cargo_.parsed_, home_, {}, here_, &here).prints_cleanly() ||
        !other_.render(there, away_, {}, there_, &away).prints_cleanly())
      return false;
    std::vector<int> shown;
    for (const int index : cargo_.shown_) {
      if (index != unset) shown.push_back(index);
    }
    if (here.fields.size() != shown.size() || away.fields.size() != shown.size()) return false;
    bool any = false;
    for (std::size_t i = 0; i < shown.size(); ++i) {
      const auto of = [&](const TextBuffer& text, const Report& report) {
        const Span span = report.fields[i].output;
        return text.view().substr(span.from, span.to - span.from);
      };
      if (of(here_, here) == of(there_, away)) continue;
      any = true;
      auto& own = differs[static_cast<std::size_t>(shown[i])];
      if (step < own.size()) own[step] = true;
    }
    return any;
  }

  // The first range of a value in which no trial differs; -1 where there is none.
  static int find_range(Type type, const Set& trials, const std::vector<bool>& differs) {
    const std::span<const Range> ranges = ranges_of(type);
    for (std::size_t i = 0; i < ranges.size(); ++i) {
      bool holds = true;
      bool any = false;
      for (std::size_t k = 0; k < differs.size(); ++k) {
        if (!ranges[i].holds(trials[k])) continue;
        any = true;
        holds &= !differs[k];
      }
      if (holds && any) return static_cast<int>(i);
    }
    return -1;
  }

  // The first trial that differs, all other values unremarkable.
  void find_example(const Template& there, const Set& plain, std::size_t which, const Set& trials,
                    const std::vector<bool>& differs) {
    for (std::size_t k = 0; k < differs.size() && !out_.example; ++k) {
      if (!differs[k]) continue;
      Set values = plain;
      values[which] = trials[k];
      CarryExample example;
      if (!agrees(there, values, &example)) out_.example = std::move(example);
    }
  }

  // Whether a field shows the offset of a moment, and both languages have moments with one.
  bool shows_offset(std::size_t which) const {
    if (!cargo_.from_->facts().times || !other_.facts().times) return false;
    for (std::size_t i = 0; i < cargo_.parts_.size(); ++i) {
      if (cargo_.shown_[i] == static_cast<int>(which) &&
          cargo_.parts_[i].field->spec.moment.text().find("{offset") != std::string_view::npos)
        return true;
    }
    return false;
  }

  // The values tried for one value: those of its type, and those that its fields round.
  Set trials_of(std::size_t which) const {
    const Type type = cargo_.types_[which];
    const std::span<const Value> usual = trial_values(type);
    Set out(usual.begin(), usual.end());
    if (type == Type::moment && shows_offset(which)) {
      const std::span<const Value> more = moments_with_offsets();
      out.insert(out.end(), more.begin(), more.end());
    }
    for (std::size_t i = 0; i < cargo_.parts_.size(); ++i) {
      if (cargo_.shown_[i] != static_cast<int>(which)) continue;
      const Set ties = values_at_ties(cargo_.parts_[i].field->spec, type);
      out.insert(out.end(), ties.begin(), ties.end());
    }
    return out;
  }

  void search(const Template& there) {
    Set plain;
    for (std::size_t i = 0; i < cargo_.types_.size(); ++i)
      plain.push_back(cargo_.types_[i] == Type::moment && shows_offset(i)
                          ? moments_with_offsets().front()
                          : sample_of(cargo_.types_[i]));
    if (CarryExample example; !agrees(there, plain, &example) && example.there_fails) {
      out_.source.reset();
      out_.statement.clear();
      out_.notes.push_back(
          {Code::wish_not_expressible,
           std::string(other_.facts().id) + " prints nothing of such values: " + example.there,
           {}});
      return;
    }
    if (plain.empty()) {
      CarryExample example;
      const bool same = agrees(there, plain, &example);
      out_.verdict = same ? Verdict::same : Verdict::differs;
      if (!same) out_.example = std::move(example);
      return;
    }
    std::vector<Set> trials;
    for (std::size_t i = 0; i < plain.size(); ++i) trials.push_back(trials_of(i));
    const auto differs = find_differences(there, plain, trials);
    std::vector<int> chosen;
    bool all = true;
    for (std::size_t i = 0; i < cargo_.types_.size(); ++i) {
      find_example(there, plain, i, trials[i], differs[i]);
      chosen.push_back(find_range(cargo_.types_[i], trials[i], differs[i]));
      if (chosen.back() < 0) {
        out_.verdict = Verdict::differs;
        return;
      }
      all &= chosen.back() == 0;
    }
    if (!agrees_together(there, chosen)) {
      out_.verdict = Verdict::differs;
      return;
    }
    out_.verdict = all ? Verdict::same : Verdict::same_for;
    if (!all) out_.range = range_text(chosen);
  }

  // All values at once, each within its range, in step with different strides.
  bool agrees_together(const Template& there, const std::vector<int>& chosen) {
    if (chosen.size() < 2) return true;
    std::vector<Set> kept;
    std::size_t most = 0;
    for (std::size_t i = 0; i < chosen.size(); ++i) {
      const Type type = cargo_.types_[i];
      const Range& range = ranges_of(type)[static_cast<std::size_t>(chosen[i])];
      Set within;
      for (const Value& value : trial_values(type)) {
        if (range.holds(value)) within.push_back(value);
      }
      most = std::max(most, within.size());
      kept.push_back(std::move(within));
    }
    for (std::size_t step = 0; step < most; ++step) {
      Set values;
      for (std::size_t i = 0; i < kept.size(); ++i)
        values.push_back(kept[i][(step * (2 * i + 1) + 3 * i) % kept[i].size()]);
      CarryExample example;
      if (agrees(there, values, &example)) continue;
      out_.example = std::move(example);
      return false;
    }
    return true;
  }

  std::string range_text(const std::vector<int>& chosen) const {
    std::string out;
    for (std::size_t i = 0; i < chosen.size(); ++i) {
      if (chosen[i] == 0) continue;
      const std::string name(ranges_of(cargo_.types_[i])[static_cast<std::size_t>(chosen[i])].name);
      const std::string said = chosen.size() == 1 ? name : names_[i] + ": " + name;
      out += (out.empty() ? "" : "; ") + said;
    }
    return out;
  }

  const Cargo& cargo_;
  const Dialect& other_;
  Carried out_;
  std::vector<TemplatePart> parts_;
  std::vector<std::string> names_;
  Set home_;
  Set away_;
  TextBuffer here_;
  TextBuffer there_;
};

Carried Cargo::to(const Dialect& other) const {
  return Carrying(*this, other).run();
}

}  // namespace inky::inline v1
