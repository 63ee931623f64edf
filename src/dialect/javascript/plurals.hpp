// Which form of a word goes with a number: Unicode CLDR 48, Language Plural Rules, as ICU 78 has
// them.
#pragma once

#include <string_view>

namespace inky::inline v1::javascript {

// "1 day", "2 days".
enum class Plural : unsigned char { one, few, many, other };

// The category of a number that is shown with these digits, "1" or "1.50", in the language of a tag.
// REQUIRES: a language whose words the table of locales has.
Plural plural_of(std::string_view tag, std::string_view shown);

}  // namespace inky::inline v1::javascript
