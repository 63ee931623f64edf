// put_money: ISO C++20, [ext.manip] and [locale.money.put], as libstdc++ of g++ 12 has it in the locales
// of the GNU C library.
#pragma once

#include <string>
#include <string_view>

#include "../family/glibc_locales.hpp"
#include "inky_margin/format/value.hpp"
#include "stream_state.hpp"

namespace inky::inline v1::cpp_stream {

// What put_money() gives, until a stream shows it: an object of its digits, with a minus before them
// where they are below zero, and of whether the code of the currency is shown.
inline constexpr std::string_view money_object = "put_money";

// The text with its padding. REQUIRES: such an object.
std::string money_text(const Value& money, const glibc::Locale& locale, const State& state);

}  // namespace inky::inline v1::cpp_stream
