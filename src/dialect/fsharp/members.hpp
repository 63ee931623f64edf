// The members of .NET's values and the functions of System, as expressions of C# have them.
#pragma once

#include <string_view>

#include "../csharp/expressions.hpp"

namespace inky::inline v1::fsharp {

// The arguments of a member have values already.
struct NoNames : computed::Scope {
  const Value* find(std::string_view) const override { return nullptr; }
};

class Members final : private NoNames, public csharp::Expressions {
 public:
  Members() : csharp::Expressions(static_cast<const NoNames&>(*this)) {}

  using csharp::Expressions::call;
  using csharp::Expressions::call_method;
  using csharp::Expressions::item;
  using csharp::Expressions::member;
};

}  // namespace inky::inline v1::fsharp
