// The dialect `c`, one file an idea: its facts, the escapes of a literal, what a field means and
// how values are passed to it, rendering, and writing a wish as source. c.cpp puts them together.
#pragma once

#include <array>
#include <string>
#include <string_view>

#include "../family/glibc_locales.hpp"
#include "../family/percent.hpp"
#include "../family/writing_dialect.hpp"
#include "dialect/program_form.hpp"
#include "inky_margin/dialect/dialect.hpp"

namespace inky::inline v1::c_language {

extern const DialectFacts facts;

// In the order of the facts below.
enum Modifier : std::uint8_t { none, hh, h, l, ll, j, z, t, big_l };

// ---- Escapes ----

// Reads the escape at `at`; what it means goes to the literals. Returns its length.
std::size_t read_escape(std::size_t at, TemplateContent& out);

// ---- How a value is passed (ISO C17, 6.5.2.2p6: the default argument promotions) ----

enum class Passed : std::uint8_t {
  int32,
  unsigned32,
  int64,
  unsigned64,
  real,
  long_real,
  chars,
  null,
  nothing
};
Passed passed_as(Type type);
// "an int", "a double", ...
std::string_view name_of(Passed passed);

constexpr std::uint16_t mask_of(Passed passed) {
  return static_cast<std::uint16_t>(1U << static_cast<unsigned>(passed));
}

// The bits that a whole conversion reads after its length cut them.
int width_read(const Field& field);

// ---- What a field means ----

// Gives a field that was read its spec, or its defect.
void finish(Field& field, std::string_view source);
// Sides and zeros, once the counts are known.
void set_alignment(const Field& field, bool left, Spec& spec);

bool has_flag(const Field& field, char flag);
inline bool is_signed(char letter) {
  return letter == 'd' || letter == 'i';
}
// C23, 7.23.6.1; the GNU C library has them since 2.35.
inline bool is_binary(char letter) {
  return letter == 'b' || letter == 'B';
}
// "%d"
std::string letter_name(const Field& field);
// "%ld"
// What the field reads: "an int".
std::string expected_name(const Field& field);
std::string full_name(const Field& field);

// ---- The dialect ----

// Lines of a program that the reader runs, or the witness. Nothing here calls setlocale().
inline constexpr SettingForm program_settings[] = {{.name = "locale",
                                                    .line = "  setlocale(LC_ALL, @L);\n",
                                                    .needs = "#include <locale.h>\n",
                                                    .source = SettingForm::Source::c_library}};

class CDialect final : public family::WritingDialect {
 public:
  CDialect() : facts_(c_language::facts) { facts_.settings = settings_; }

  const DialectFacts& facts() const override { return facts_; }
  Result<TemplateContent> do_parse(std::string_view source) const override;
  Outcome do_render(const TemplateContent& parsed, std::span<const Value> values,
                    const RenderOptions& options, Output& out, Report* report) const override;
  std::vector<Words> do_explain(const TemplateContent& parsed) const override;
  std::optional<Objection> do_objection(const TemplateContent& parsed, int field,
                                        std::string_view type_in_source) const override;
  Placing placing() const override { return Placing::positions; }
  WrittenField write_field(const FieldWish& wish) const override;
  std::optional<std::string> write_literal(std::string_view text) const override;
  std::string write_statement(std::string_view source,
                              std::span<const std::string> names) const override;

 private:
  // Text for the reader, whose own program calls setlocale(). Nothing here does.
  std::array<SettingFact, 1> settings_{
      {{"locale", "what setlocale() names: the marks of numbers, and whether text is in UTF-8", "C",
        glibc::locale_tags(), glibc::telling_locales()}}};
  DialectFacts facts_;
};

}  // namespace inky::inline v1::c_language
