// Values of settings by the names that people write.

#include <algorithm>
#include <string>

#include "inky_margin/dialect/dialect.hpp"
#include "text/ascii.hpp"

namespace inky::inline v1 {

namespace {

// "de-de" of "de_DE.UTF-8": what names of locales are compared by.
std::string folded(std::string_view name) {
  std::string out;
  for (const char c : name) out += c == '_' ? '-' : small_letter(c);
  for (const std::string_view encoding : {".utf-8", ".utf8"}) {
    // C.UTF-8 is not C.
    const std::size_t at = out.find(encoding);
    if (at != std::string::npos && at > 1) out.erase(at, encoding.size());
  }
  return out;
}

// "zh-cn" of "zh-hans-cn"; empty where there is no script in it.
std::string without_script(const std::string& folded_name) {
  const std::size_t from = folded_name.find('-');
  if (from == std::string::npos) return {};
  const std::size_t to = folded_name.find('-', from + 1);
  constexpr std::size_t script_letters = 4;
  if (to == std::string::npos || to - from - 1 != script_letters) return {};
  return folded_name.substr(0, from) + folded_name.substr(to);
}

// The country that a language alone means: those of CLDR's likely subtags that are not the language's
// own letters, as Intl.Locale of Node.js 20 maximizes them.
constexpr std::string_view likely =
    " aa-et ab-ge af-za agr-pe ak-gh am-et an-es anp-in ar-eg as-in ast-es ayc-pe be-by bem-zm "
    "bhb-in bho-in bi-vu bn-bd bo-cn br-fr brx-in bs-ba byn-er ca-es ce-ru chr-us ckb-iq "
    "cmn-cn crh-ua cs-cz csb-pl cv-ru cy-gb da-dk doi-in dsb-de dv-mv dz-bt el-gr en-us et-ee "
    "eu-es fa-ir ff-sn fil-ph fur-it fy-nl ga-ie gd-gb gez-et gl-es gu-in gv-im ha-ng hak-cn "
    "he-il hi-in hif-fj hne-in hsb-de hy-am ia-001 ig-ng ik-us iu-ca ja-jp ka-ge kab-dz kk-kz "
    "kl-gl km-kh kn-in ko-kr kok-in ks-in ku-tr kw-gb ky-kg lb-lu lg-ug li-nl lij-it ln-cd "
    "lo-la lzh-cn mag-in mai-in mfe-mu mhr-ru mi-nz miq-ni mjw-in ml-in mni-in mnw-mm mr-in "
    "ms-my my-mm nan-cn nb-no nds-de ne-np nhn-mx niu-nu nn-no nr-za nso-za oc-fr om-et or-in "
    "os-ge pa-in pap-cw ps-af pt-br quz-pe raj-in rif-ma sa-in sah-ru sat-in sc-it sd-pk "
    "se-no sgs-lt shn-mm shs-ca si-lk sid-et sl-si sm-ws sq-al sr-rs ss-za st-za sv-se sw-tz "
    "szl-pl ta-in tcy-in te-in tg-tj the-np ti-et tig-er tk-tm tl-ph tn-za tpi-pg ts-za tt-ru "
    "ug-cn uk-ua unm-us ur-pk ve-za vi-vn wa-be wae-ch wal-et wo-sn xh-za yi-ua yo-ng yue-hk "
    "yuw-pg zh-cn zu-za ";

std::string with_likely_country(const std::string& language) {
  const std::size_t at = likely.find(" " + language + "-");
  if (at == std::string_view::npos) return language + "-" + language;
  return std::string(likely.substr(at + 1, likely.find(' ', at + 1) - at - 1));
}

}  // namespace

std::optional<std::string_view> find_value(const SettingFact& fact, std::string_view given) {
  const auto exact = std::find(fact.values.begin(), fact.values.end(), given);
  if (exact != fact.values.end()) return *exact;
  if (fact.name != "locale" || given.empty()) return std::nullopt;
  const std::string name = folded(given);
  std::string others[] = {name, without_script(name), {}};
  if (name.find('-') == std::string::npos) others[2] = with_likely_country(name);
  for (const std::string& wanted : others) {
    if (wanted.empty()) continue;
    for (const std::string_view value : fact.values) {
      // Most differ in their first letter.
      if (!value.empty() && small_letter(value[0]) == wanted[0] && folded(value) == wanted)
        return value;
    }
  }
  return std::nullopt;
}

}  // namespace inky::inline v1
