// Columns of money in a sheet. The amounts are those that strfmon("%n") printed of the same numbers:
// GNU C library 2.36.

#include <catch2/catch.hpp>
#include <string>

#include "inky_margin/sheet/proof.hpp"
#include "inky_margin/sheet/table.hpp"

using namespace inky;

namespace {

struct Money {
  const char* locale;
  const char* currency;
  const char* amount;  // of 1234567.5
  const char* debt;    // of -1234.5
};

const Money amounts[] = {
    {"ar_EG", "EGP", "ج.م. 1,234,567.500", "ج.م. 1,234.500-"},
    {"da_DK", "DKK", "kr. 1.234.567,50", "kr. -1.234,50"},
    {"de_CH", "CHF", "CHF 1’234’567.50", "CHF- 1’234.50"},
    {"de_DE", "EUR", "1.234.567,50 €", "-1.234,50 €"},
    {"en_GB", "GBP", "£1,234,567.50", "-£1,234.50"},
    {"en_US", "USD", "$1,234,567.50", "-$1,234.50"},
    {"es_ES", "EUR", "1.234.567,50 €", "-1.234,50 €"},
    {"fr_FR", "EUR", "1 234 567,50 €", "-1 234,50 €"},
    {"he_IL", "ILS", "₪ 1,234,567.50", "₪ 1,234.50-"},
    {"hi_IN", "INR", "₹12,34,567.50", "-₹1,234.50"},
    {"it_IT", "EUR", "€ 1.234.567,50", "-€ 1.234,50"},
    {"pl_PL", "PLN", "1 234 567,50 zł", "-1 234,50 zł"},
    {"ru_RU", "RUB", "1 234 567,50 ₽", "-1 234,50 ₽"},
    {"sv_SE", "SEK", "1 234 567,50 kr", "-1 234,50 kr"},
    {"th_TH", "THB", "฿ 1,234,567.50", "฿ -1,234.50"},
    {"en_AG", "XCD", "$1,234,567.50", "-$1,234.50"},
    {"rw_RW", "RWF", "1.234.567,50 FRw", "-1.234,50 FRw"},
    {"om_ET", "ETB", "Br1,234,567.50", "-Br1,234.50"},
    {"bho_NP", "NPR", "रू 1,234,567.50", "-रू 1,234.50"},
    {"hak_TW", "TWD", "NT$123,4567.50", "-NT$1234.50"},
    {"sc_IT", "EUR", "€ 1.234.567,50", "-€ 1.234,50"},
    {"mi_NZ", "NZD", "$1,234,567.50", "-$1,234.50"},
    {"sl_SI", "EUR", "1.234.567,50 €", "-1.234,50 €"},
    {"quz_PE", "PEN", "S/ 1,234,567.50", "-S/ 1,234.50"},
    {"ar_OM", "OMR", "ر.ع. 1,234,567.500", "ر.ع. 1,234.500-"},
    {"sd_IN", "INR", "₹12,34,567.50", "-₹1,234.50"},
    {"af_ZA", "ZAR", "R1,234,567.50", "-R1,234.50"},
    {"mhr_RU", "RUB", "1 234 567.50 ₽", "-1 234.50 ₽"},
    {"en_IN", "INR", "₹12,34,567.50", "-₹1,234.50"},
    {"or_IN", "INR", "₹12,34,567.50", "-₹1,234.50"},
    {"el_GR", "EUR", "1.234.567,50€", "-1.234,50€"},
    {"cs_CZ", "CZK", "1 234 567,50 Kč", "-1 234,50 Kč"},
    {"ts_ZA", "ZAR", "R1,234,567.50", "-R1,234.50"},
    {"ve_ZA", "ZAR", "R1,234,567.50", "-R1,234.50"},
    {"oc_FR", "EUR", "1 234 567,50 €", "-1 234,50 €"},
    {"om_KE", "KES", "Ksh1,234,567.50", "-Ksh1,234.50"},
    {"yi_US", "USD", "$ 1,234,567.50", "$ 1,234.50-"},
    {"ig_NG", "NGN", "₦1,234,567.50", "-₦1,234.50"},
    {"so_KE", "KES", "Ksh1,234,567.50", "-Ksh1,234.50"},
    {"bo_IN", "INR", "₹12,34,567.50", "-₹1,234.50"},
    {"unm_US", "USD", "$1 234 567.50", "-$1 234.50"},
    {"so_DJ", "DJF", "Fdj1 234 567.50", "-Fdj1 234.50"},
    {"tl_PH", "PHP", "₱1,234,567.50", "-₱ 1,234.50"},
    {"ne_NP", "NPR", "रू 1,234,567.50", "-रू 1,234.50"},
    {"hy_AM", "AMD", "֏1,234,567.50", "-֏1,234.50"},
};

Proof proof_of(const std::string& column, const std::string& data) {
  const auto sheet = read_sheet(column);
  REQUIRE(sheet);
  const auto table = read_csv(data);
  REQUIRE(table);
  auto proof = make_proof(*sheet, *table);
  REQUIRE(proof);
  return std::move(*proof);
}

std::string trimmed(std::string_view text) {
  while (text.starts_with(' ')) text.remove_prefix(1);
  while (text.ends_with(' ')) text.remove_suffix(1);
  return std::string(text);
}

std::vector<std::string> lines_of(const Proof& proof, LineKind kind) {
  std::vector<std::string> out;
  for (const ProofLine& line : proof.lines) {
    if (line.kind == kind) out.push_back(line.text);
  }
  return out;
}

Error error_of(const std::string& keys) {
  const auto sheet = read_sheet("[[column]]\nfrom = \"v\"\n" + keys);
  REQUIRE_FALSE(sheet);
  return sheet.error();
}

}  // namespace

TEST_CASE("amounts are written as the C library writes them") {
  for (const Money& money : amounts) {
    INFO(money.locale);
    const Proof proof =
        proof_of(std::string("[[column]]\nfrom = \"v\"\nalign = \"left\"\n") + "currency = \"" +
                     money.currency + "\"\nlocale = \"" + money.locale + "\"\n",
                 "v\n1234567.5\n-1234.5\n");
    const auto rows = lines_of(proof, LineKind::row);
    REQUIRE(rows.size() == 2);
    CHECK(trimmed(rows[0]) == money.amount);
    CHECK(trimmed(rows[1]) == money.debt);
  }
}

TEST_CASE("money is aligned on the point, counted exactly, and rounded as decimals are") {
  const Proof proof = proof_of(
      "[[column]]\nfrom = \"v\"\ncurrency = \"EUR\"\nlocale = \"en-US\"\nsign = \"brackets\"\n"
      "currency_as = \"code\"\ntotal = \"sum\"\n",
      "v\n0.1\n0.2\n-1234.5\n2.675\n2.665\n0.005\n");
  CHECK(lines_of(proof, LineKind::row) ==
        std::vector<std::string>{"     EUR 0.10 ", "     EUR 0.20 ", "(EUR 1,234.50)",
                                 "     EUR 2.68 ", "     EUR 2.66 ", "     EUR 0.00 "});
  const auto totals = lines_of(proof, LineKind::total);
  REQUIRE(totals.size() == 1);
  // -1228.855 is a tie, and the even digit is 6.
  CHECK(totals[0] == "(EUR 1,228.86)");
}

TEST_CASE("in a program the amounts of a column of money are texts") {
  const Proof proof =
      proof_of("[[column]]\nfrom = \"v\"\nwidth = 12\ncurrency = \"EUR\"\nlocale = \"de-DE\"\n",
               "v\n1234.5\n");
  CHECK(proof.template_line == "%12s\\n");
}

TEST_CASE("what a column of money cannot have is an error that says so") {
  CHECK(error_of("currency = \"EUR\"\n").code == Code::contradiction);
  CHECK(error_of("currency = \"EUR\"\nlocale = \"xx-YY\"\n").code == Code::bad_value);
  CHECK(error_of("currency = \"euro\"\nlocale = \"de-DE\"\n").code == Code::bad_value);
  CHECK(error_of("currency_as = \"code\"\n").code == Code::missing_key);
  CHECK(error_of("currency = \"EUR\"\nlocale = \"de-DE\"\ngroup = \".\"\n").code ==
        Code::contradiction);
  CHECK(error_of("currency = \"EUR\"\nlocale = \"de-DE\"\nalign = \"inner\"\n").code ==
        Code::contradiction);
}
