// Wishes that no specifier grants: the composed sources, built and run by the real toolchains, and
// what the tool prints of them.

#include <algorithm>
#include <catch2/catch.hpp>
#include <limits>
#include <nlohmann/json.hpp>
#include <string>
#include <thread>

#include "compose/compose.hpp"
#include "compose/moments.hpp"
#include "dialect/composing_form.hpp"
#include "dialect/program_form.hpp"
#include "dialect/table_form.hpp"
#include "dialect/value_source.hpp"
#include "inky_margin/carry/carry.hpp"
#include "support/process.hpp"
#include "support/random_wishes.hpp"
#include "text/utf8.hpp"
#include "toolchain/witness.hpp"

using namespace inky;
using support::Ran;
using support::run_tool;

namespace {

std::string filled(std::string form, const std::string& mark, std::string_view with) {
  const std::size_t at = form.find(mark);
  return at == std::string::npos ? form : form.replace(at, mark.size(), with);
}

// One program of a language that prints many composed texts, a line each.
class Printing {
 public:
  explicit Printing(const Dialect& dialect)
      : dialect_(dialect),
        form_(*dialect.facts().forms.program),
        table_(dialect.facts().forms.table) {}

  // False where the language has no literal of the value, or does not print it.
  bool add(const Composed& composed, const std::string& name, const Value& value) {
    TextBuffer text;
    // The least whole number of R is NA.
    const bool is_na = dialect_.facts().id == "r" && value.is(Type::i32) &&
                       value.as_whole() == std::numeric_limits<std::int32_t>::min();
    if (is_na || !composed.render(value, text).prints() ||
        !add(composed.statements, text.string(), name, value))
      return false;
    for (const std::string& helper : composed.helpers) {
      if (helpers_.find(helper) == std::string::npos) helpers_ += helper + "\n";
    }
    if (!composed.before.empty()) before_ = composed.before;
    return true;
  }
  bool add(const std::string& statements, const std::string& text, const std::string& name,
           const Value& value) {
    const Result<std::string> literal = value_source(form_, dialect_.facts().language, value);
    const auto type = std::find_if(form_.types.begin(), form_.types.end(),
                                   [&](const TypeForm& one) { return one.type == value.type(); });
    if (!literal || type == form_.types.end()) return false;
    if (needs_.find(type->needs) == std::string::npos) needs_ += type->needs;
    const std::string declaration =
        dialect_.facts().id == "lisp" ? "(defparameter @N @V)\n" : std::string(form_.declaration);
    body_ += filled(filled(filled(declaration, "@T", type->name), "@N", name), "@V", *literal);
    body_ += statements + "\n";
    const auto line_end = value_source(form_, dialect_.facts().language, Value::text_view("\n"));
    body_ += table_ != nullptr ? filled(std::string(table_->write), "@L", *line_end) : "echo\n";
    expected_ += text + "\n";
    return true;
  }

  std::string source() const {
    if (table_ == nullptr) return std::string(form_.before) + helpers_ + body_;
    const bool leads = !table_->before.starts_with("<?php");
    return (leads ? needs_ : "") + std::string(table_->before) + before_ +
           std::string(table_->before_helpers) + helpers_ + std::string(table_->main_open) + body_ +
           std::string(table_->main_close);
  }
  const std::string& expected() const { return expected_; }

 private:
  const Dialect& dialect_;
  const ProgramForm& form_;
  const TableForm* table_;
  std::string needs_;
  std::string before_;
  std::string helpers_;
  std::string body_;
  std::string expected_;
};

Spec wish_of(std::initializer_list<std::pair<const char*, const char*>> wishes) {
  Spec out;
  for (const auto& [key, value] : wishes) REQUIRE(!set_wish(out, key, value));
  settle_notation(out);
  REQUIRE(!find_contradiction(out));
  return out;
}

// Each helper of every language, and several at once.
std::vector<Spec> usual_wishes() {
  return {
      wish_of({{"places", "2"}, {"sign", "always"}}),
      wish_of({{"places", "1"}, {"sign", "space"}, {"width", "9"}}),
      wish_of({{"places", "2"}, {"sign", "brackets"}}),
      wish_of({{"places", "2"}, {"group", ","}}),
      wish_of({{"places", "3"}, {"group", "."}, {"point", ","}}),
      wish_of({{"places", "2"}, {"group", "'"}, {"sign", "always"}, {"width", "16"}}),
      wish_of({{"kind", "real"}, {"notation", "percent"}, {"places", "0"}}),
      wish_of({{"kind", "real"}, {"notation", "percent"}, {"places", "1"}, {"width", "9"}}),
      wish_of({{"kind", "real"}, {"notation", "engineering"}, {"significant", "1"}}),
      wish_of({{"kind", "real"}, {"notation", "engineering"}, {"significant", "4"}}),
      wish_of({{"kind", "real"}, {"notation", "engineering"}, {"places", "0"}}),
      wish_of({{"kind", "real"}, {"notation", "engineering"}, {"places", "2"}, {"width", "12"}}),
      wish_of({{"kind", "real"}, {"notation", "fixed"}, {"significant", "3"}}),
      wish_of({{"kind", "real"}, {"significant", "4"}}),
      wish_of({{"kind", "real"}, {"significant", "6"}, {"keep_point", "true"}}),
      wish_of({{"places", "2"}, {"align", "inner"}, {"fill", "*"}, {"width", "12"}}),
      wish_of({{"places", "2"}, {"align", "center"}, {"fill", "-"}, {"width", "12"}}),
      wish_of({{"places", "2"}, {"align", "left"}, {"fill", "*"}, {"width", "12"}}),
      wish_of({{"kind", "whole"}, {"base", "16"}, {"letters", "upper"}, {"prefix", "true"}}),
      wish_of({{"kind", "whole"}, {"base", "36"}}),
      wish_of({{"kind", "whole"}, {"base", "2"}, {"prefix", "true"}, {"least_digits", "9"}}),
      wish_of({{"kind", "whole"}, {"least_digits", "7"}, {"group", ","}, {"sign", "brackets"}}),
      wish_of({{"kind", "whole"}, {"sign", "always"}, {"align", "inner"}, {"width", "9"}}),
      wish_of({{"kind", "text"}, {"align", "center"}, {"width", "8"}}),
      wish_of({{"kind", "text"}, {"limit", "3"}, {"fill", "*"}, {"width", "8"}}),
      wish_of({{"kind", "truth"}, {"align", "right"}, {"width", "7"}}),
      wish_of({{"kind", "real"}, {"notation", "hexfloat"}}),
      wish_of({{"kind", "real"}, {"notation", "hexfloat"}, {"letters", "upper"}}),
      wish_of({{"kind", "real"}, {"notation", "hexfloat"}, {"sign", "always"}, {"width", "26"}}),
      wish_of({{"kind", "real"}, {"notation", "shortest"}}),
      wish_of({{"kind", "real"}, {"notation", "shortest"}, {"width", "22"}}),
      wish_of({{"currency", "EUR"}, {"locale", "de-DE"}}),
      wish_of({{"currency", "USD"}, {"locale", "en-US"}}),
      wish_of({{"currency", "USD"}, {"locale", "de-DE"}, {"places", "3"}}),
      wish_of({{"currency", "JPY"}, {"locale", "ja-JP"}}),
      wish_of({{"currency", "CHF"}, {"locale", "de-CH"}}),
      wish_of({{"currency", "SEK"}, {"locale", "sv-SE"}}),
  };
}

std::vector<Spec> moment_wishes() {
  return {
      wish_of({{"moment", "{year}-{month}-{day} {hour}:{minute}:{second}"}}),
      wish_of({{"moment", "{weekday}, {day} {month:name} {year:2}"}}),
      wish_of({{"moment", "{weekday:short} {day:1} {month:short}/{yearday}"}}),
      wish_of({{"moment", "{hour12}:{minute} {half} 100%"}}),
      wish_of({{"moment", "{day} of \"{month}\", it's \\{year}"}}),
  };
}

Type type_of(Kind kind) {
  return kind == Kind::real    ? Type::f64
         : kind == Kind::whole ? Type::i32
         : kind == Kind::truth ? Type::truth
                               : Type::text;
}

std::vector<Value> values_of(Type type, support::RandomWishes& wishes) {
  std::vector<Value> out;
  if (type == Type::truth) return {Value::truth(true), Value::truth(false)};
  constexpr std::size_t telling = 24;
  for (const Value& value : trial_values(type).first(std::min(telling, trial_values(type).size())))
    out.push_back(value);
  for (int i = 0; i < 6; ++i) out.push_back(wishes.value(type));
  std::erase_if(out, [](const Value& value) {
    // SBCL reads literals of subnormal numbers inexactly.
    return (is_real(value.type()) && value.as_real().kind != RealClass::normal &&
            value.as_real().kind != RealClass::zero) ||
           (value.is(Type::text) && !is_utf8(value.as_text()));
  });
  return out;
}

// What went wrong with the texts of a language; empty: nothing.
std::string fault_of(const Dialect& dialect, std::uint64_t seed) {
  support::RandomWishes random(seed);
  Printing printing(dialect);
  int count = 0;
  const auto add = [&](const Spec& wish, Type type) {
    const std::string start = "v" + std::to_string(count);
    if (!compose(dialect, wish, type, start)) return;
    std::vector<Value> values = values_of(type, random);
    if (wish.notation == Notation::hexfloat && dialect.facts().id != "lisp") {
      values.push_back(Value::real(0x1p-1074));
      values.push_back(Value::real(-0x0.8p-1022));
    }
    for (const Value& value : values) {
      const std::string name = "v" + std::to_string(++count);
      printing.add(*compose(dialect, wish, type, name), name, value);
    }
  };
  for (const Spec& wish : usual_wishes()) add(wish, type_of(wish.kind));
  for (int i = 0; i < 10; ++i) {
    const FieldWish wish = random.wish();
    add(wish.spec, wish.type);
  }
  for (const Spec& wish : moment_wishes()) {
    for (const Value& value : trial_values(Type::moment)) {
      const std::string name = "v" + std::to_string(++count);
      const auto moment = write_moment(dialect, wish, value, name);
      if (moment) printing.add(moment->statements, moment->text, name, value);
    }
  }
  if (count < 300) return "only " + std::to_string(count) + " texts";
  const toolchain::Witness witness =
      toolchain::run_program(*toolchain::toolchain_of(dialect.facts().id), printing.source(), {});
  if (witness.output == printing.expected()) return {};
  const auto [said, printed] = std::mismatch(printing.expected().begin(), printing.expected().end(),
                                             witness.output.begin(), witness.output.end());
  const auto at = static_cast<std::size_t>(said - printing.expected().begin());
  constexpr std::size_t shown = 60;
  return std::string(dialect.facts().id) + " after\n" +
         printing.expected().substr(at < shown ? 0 : at - shown, shown * 2) + "\nprinted\n" +
         witness.output.substr(at < shown ? 0 : at - shown, shown * 2) + "\n" + witness.messages;
}

}  // namespace

TEST_CASE("composed texts are what the real languages print, asked anew") {
  const std::uint64_t seed = support::seed(63);
  INFO("seed " << seed);
  std::vector<const Dialect*> dialects;
  for (const Dialect* dialect : all_dialects()) {
    const ComposingForm* form = dialect->facts().forms.composing;
    const toolchain::Toolchain* known = toolchain::toolchain_of(dialect->facts().id);
    if (form != nullptr && form->carrier == dialect->facts().id && known != nullptr &&
        toolchain::find_toolchain(*known))
      dialects.push_back(dialect);
  }
  std::vector<std::string> faults(dialects.size());
  const auto work = [&](std::size_t first) {
    for (std::size_t i = first; i < dialects.size(); i += 2)
      faults[i] = fault_of(*dialects[i], seed);
  };
  std::thread other(work, 1);
  work(0);
  other.join();
  for (const std::string& fault : faults) CHECK(fault.empty());
  for (const std::string& fault : faults) {
    if (!fault.empty()) UNSCOPED_INFO(fault);
  }
  CHECK(std::all_of(faults.begin(), faults.end(), [](const auto& fault) { return fault.empty(); }));
}

TEST_CASE("every language has helpers") {
  for (const Dialect* dialect : all_dialects()) {
    INFO(dialect->facts().id);
    CHECK(dialect->facts().forms.composing != nullptr);
  }
}

TEST_CASE("what is not composed has a reason") {
  const auto reason = [](const char* dialect, const Spec& wish, Type type) {
    const auto composed = compose(*find_dialect(dialect), wish, type, "x");
    return composed ? std::string() : composed.error().message;
  };
  CHECK(reason("c", wish_of({{"places", "2"}, {"group", "$"}}), Type::f64) ==
        "such a mark is not composed");
  CHECK(reason("rust", wish_of({{"places", "2"}, {"width", "9"}, {"fill", "墨"}}), Type::f64) ==
        "padding with such a character is not composed");
  CHECK(reason("python", wish_of({{"kind", "real"}, {"notation", "hexfloat"}, {"places", "2"}}),
               Type::f64) == "such a number is not composed");
  CHECK(reason("php", wish_of({{"kind", "whole"}, {"base", "36"}}), Type::u64) ==
        "digits in a base are composed of up to 64 bits with a sign");
  CHECK(reason("java", wish_of({{"places", "2"}, {"width", "5000"}, {"align", "center"}}),
               Type::f64) == "a count over 4096 is not composed");
  CHECK(reason("lisp", wish_of({{"places", "2"}, {"sign", "space"}}), Type::i32) ==
        "a value of another kind is not composed");
}

TEST_CASE("inky write composes what no specifier grants") {
  const Ran ran = run_tool("write --places 2 --sign always 2.5 --to javascript,c");
  CHECK(ran.status == 0);
  CHECK_THAT(
      ran.out,
      Catch::Contains("process.stdout.write(withSign(`${x.toFixed(2)}`, \"+\", \"-\", \"\"));"));
  CHECK_THAT(ran.out, Catch::Contains("function withSign(text, plus, open, close) {"));
  CHECK_THAT(ran.out, Catch::Contains("%+.2f"));
  CHECK_THAT(ran.out, Catch::Contains("  composed        tried over awkward values\n"));
  const auto answer = nlohmann::json::parse(
      run_tool(R"(write --json --kind real --notation percent --places 1 0.125 --to c,python)")
          .out);
  const auto& c = answer["results"][0];
  CHECK(c["template"].is_null());
  CHECK(c["composed"] == true);
  CHECK(c["text"] == "12.5%");
  CHECK_THAT(c["helpers"].get<std::string>(), Catch::Contains("static void percent("));
  CHECK(answer["results"][1]["template"] == "{:.1%}");
  CHECK(!answer["results"][1].contains("composed"));
  const Ran none = run_tool("write --kind real --notation hexfloat --places 3 --to rust");
  CHECK(none.status == 1);
  CHECK_THAT(none.out, Catch::Contains("such a number is not composed"));
}
