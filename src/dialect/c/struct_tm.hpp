// A struct tm as a program fills it in: an object of eight numbers, until mktime() settles it.
#pragma once

#include <array>
#include <optional>
#include <string_view>

#include "../computed/objects.hpp"
#include "dialect/statement_lines.hpp"

namespace inky::inline v1::c_language {

// tm_sec, tm_min, tm_hour, tm_mday, tm_mon, tm_year, tm_wday, tm_yday: ISO C17, 7.27.1.
using TimeMembers = std::array<std::int64_t, 8>;

// The place of a member by its name; nothing where there is none.
std::optional<std::size_t> time_member(std::string_view name);

// The members of a value as a program sets them: in the order of the GNU C library, which C++ needs.
inline constexpr std::string_view written_members =
    "{.tm_sec = @s, .tm_min = @m, .tm_hour = @h, .tm_mday = @D, .tm_mon = @M - 1, "
    ".tm_year = @Y - 1900, .tm_wday = @w, .tm_yday = @y, .tm_gmtoff = @z, .tm_zone = \"@Z\"}";

Value object_of(const TimeMembers& members);
TimeMembers members_of(const Moment& moment);
// The members of an object, or of a moment; nothing where it is neither.
std::optional<TimeMembers> members_of(const Value& value);
// The moment that mktime() makes of them; nothing beyond the years 1 to 9999.
std::optional<Moment> settled(const TimeMembers& members);

// Statements that fill one in: struct tm t = {.tm_year = 131}, t.tm_mon = 4, mktime(&t),
// gmtime_r(&now, &t). Their expressions call functions of these names.
inline constexpr std::string_view changed_member = "__changed_member";
inline constexpr std::string_view no_members = "__no_members";
inline constexpr std::string_view settled_time = "__settled_time";
std::optional<Declaration> read_struct_tm(std::string_view statement);
// Whether a statement declares one without a value.
bool declares_struct_tm(std::string_view statement);

}  // namespace inky::inline v1::c_language
