// The members of .NET's values and the functions of System, as expressions of C# have them.
#pragma once

#include <string_view>

#include "../csharp/expressions.hpp"

namespace inky::inline v1::fsharp {

// The arguments of a member have values already.
struct NoNames : computed::Scope {
  explicit NoNames(std::string_view locale) : own{0, locale} { shared = &own; }
  const Value* find(std::string_view) const override { return nullptr; }
  computed::Shared own;
};

class Members final : private NoNames, public csharp::Expressions {
 public:
  explicit Members(std::string_view locale)
      : NoNames(locale), csharp::Expressions(static_cast<const NoNames&>(*this)) {}

  using csharp::Expressions::apply;
  using csharp::Expressions::call;
  using csharp::Expressions::call_method;
  using csharp::Expressions::combine;
  using csharp::Expressions::item;
  using csharp::Expressions::member;
  using csharp::Expressions::name_without_value;
};

}  // namespace inky::inline v1::fsharp
