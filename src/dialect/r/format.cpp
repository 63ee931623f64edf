// The dialect `r-format`: the vector-formatting calls of R, as written in its source:
//
//   format(mass, nsmall = 2, width = 9)      formatC(lots, width = 8, flag = "0")
//   prettyNum(cost, big.mark = ",")
//
// Defined by the R 4.2 help pages of format, formatC and prettyNum; the text is that of R 4.2.2 on
// Linux in a UTF-8 locale. Names are values by name; values without names are given to the other
// names in the order these first appear. A list of values is the vector that c() makes of them; nil
// is NA. The answer is one text for each element.
//
// What sets it apart:
//   - the elements of a vector share one width and one number of digits: as many as the element
//     that needs most to show `digits` significant ones;
//   - digits counts significant ones, at least; nsmall is the least number of decimals;
//   - formatC hands each element to the C library by itself.

#include <algorithm>
#include <array>
#include <optional>
#include <string>

#include "../family/program_dialect.hpp"
#include "../family/rendering.hpp"
#include "../family/writing.hpp"
#include "call_rendering.hpp"
#include "call_writing.hpp"
#include "dates.hpp"
#include "dialects.hpp"
#include "format_facts.hpp"

namespace inky::inline v1 {

namespace r_language {

namespace {

bool has_offset(const Value& value) {
  return value.is(Type::moment) && value.as_moment().offset.has_value();
}

class RFormat final : public family::ProgramDialect<Call> {
 public:
  RFormat() : facts_(format::facts) { facts_.settings = settings_; }

  const DialectFacts& facts() const override { return facts_; }

  Placing placing() const override { return Placing::names; }
  WrittenField write_field(const FieldWish& wish) const override { return written_call(wish); }
  WrittenTemplate write_template(std::span<const TemplatePart> parts) const override {
    if (parts.size() == 1 && parts[0].field) return Writer::write_template(parts);
    WrittenTemplate out;
    writing::cannot("a call formats one value and no text around it; paste() joins them",
                    out.notes);
    return out;
  }
  std::string write_statement(std::string_view source,
                              std::span<const std::string>) const override {
    return "cat(" + std::string(source) + ")";
  }
  Result<WrittenCall> do_write_call(const TemplateContent& parsed,
                                    std::span<const std::string> names) const override {
    if (parsed.refusal) return not_read(parsed);
    WrittenCall out;
    out.add("cat(");
    if (!add_source(static_cast<const Call&>(*parsed.program), names, out))
      return Error{Code::not_supported_yet,
                   "an expression of this call in a program is not supported yet",
                   Span{0, parsed.source.size()}, "Give its value a name."};
    out.add(")");
    return out;
  }
  std::optional<Spec> do_wish_of(const TemplateContent& parsed, int, Type type,
                                 Notes& notes) const override {
    return wish_of_call(static_cast<const Call&>(*parsed.program), type, notes);
  }

  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override {
    if (parsed.refusal) return outcome_of(*parsed.refusal);
    if (std::any_of(values.begin(), values.end(), has_offset)) {
      std::vector<Value> instants;
      for (const Value& value : values) {
        instants.push_back(in_utc(value));
        if (value.is_named()) instants.back().set_name(std::string(value.name()));
      }
      return do_render(parsed, instants, options, out, report);
    }
    if (report != nullptr) report->notes = parsed.notes;
    std::vector<std::string> texts;
    const auto& call = static_cast<const Call&>(*parsed.program);
    const CallRequest request{parsed, call, values,
                              options.width_of.value_or(format::facts.width_unit),
                              options.setting("locale")};
    auto trouble = call.function == "format"    ? render_format(request, report, texts)
                   : call.function == "formatC" ? render_format_c(request, report, texts)
                                                : render_pretty_num(request, report, texts);
    if (trouble) return std::move(*trouble);
    std::vector<Span> places;
    const std::size_t start = out.needed();
    for (const std::string& text : texts) {
      if (!places.empty()) out.append('\n');
      const std::size_t from = out.needed() - start;
      out.append(text);
      places.push_back({from, out.needed() - start});
      if (report != nullptr)
        report->fields.push_back({0, places.back(), values.size() == 1 ? 0 : unset});
    }
    if (report != nullptr && places.size() != 1) report->texts = std::move(places);
    return {};
  }

  // format(x)
  Outcome do_print_plainly(const Value& value, Output& out) const override {
    static const Template shown = *parse("format(x)");
    Value named = value;
    named.set_name("x");
    return render(shown, {&named, 1}, {}, out, nullptr);
  }

 protected:
  void read(TemplateContent& out, Call& call, std::vector<Words>* words) const override {
    read_call(out, call, words);
    out.literals.clear();
    if (out.refusal) return;
    // The whole is one field.
    Field field;
    field.span = {0, out.source.size()};
    if (!call.names.empty()) field.key = "(" + call.names[0] + ")";
    out.pieces.push_back({field.span, 0, {}});
    out.fields.push_back(std::move(field));
  }

 private:
  const std::array<SettingFact, 1> settings_{locale_setting()};
  DialectFacts facts_;
};

}  // namespace

}  // namespace r_language

const Dialect* r_format_dialect() {
  static const r_language::RFormat dialect;
  return &dialect;
}

}  // namespace inky::inline v1
