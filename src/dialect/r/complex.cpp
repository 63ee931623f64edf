// Complex numbers, in expressions of R.

#include <bit>
#include <complex>

#include "../computed/arithmetic.hpp"
#include "expressions.hpp"

namespace inky::inline v1::r_language {

namespace {

using computed::Node;
using computed::Operation;
using Complex = std::complex<double>;

bool is_complex(const Value& value) {
  return value.is(Type::complex) ||
         (value.is(Type::list) && !value.as_list().empty() && value.as_list()[0].is(Type::complex));
}

std::optional<Complex> complex_of(const Value& value) {
  if (value.is(Type::complex)) {
    const auto parts = value.as_list();
    return Complex{double_in(parts[0]), double_in(parts[1])};
  }
  const bool is_number = is_real(value.type()) || is_whole(value.type()) || value.is(Type::truth);
  if (!is_number) return std::nullopt;
  return Complex{double_in(value), 0};
}

Value value_of(const Complex& number) {
  return Value::complex(number.real(), number.imag());
}

}  // namespace

std::optional<bool> Expressions::combine_complex(const Node& node, Operation operation,
                                                 const Value& left, const Value& right,
                                                 Value& out) {
  if (!is_complex(left) && !is_complex(right)) return std::nullopt;
  const Items a = items_of(left);
  const Items b = items_of(right);
  const std::size_t longest = std::max(a.size(), b.size());
  if (a.empty() || b.empty() || longest % a.size() != 0 || longest % b.size() != 0)
    return not_yet("complex numbers such as these are", node);
  Items made;
  for (std::size_t i = 0; i < longest; ++i) {
    const auto x = complex_of(a[i % a.size()]);
    const auto y = complex_of(b[i % b.size()]);
    if (!x || !y) return not_yet("complex numbers such as these are", node);
    switch (operation) {
      case Operation::add:
        made.push_back(value_of(*x + *y));
        break;
      case Operation::subtract:
        made.push_back(value_of(*x - *y));
        break;
      case Operation::multiply:
        made.push_back(value_of(*x * *y));
        break;
      case Operation::equal:
      case Operation::unequal:
        made.push_back(Value::truth((*x == *y) == (operation == Operation::equal)));
        break;
      default:
        return not_yet("this operator on complex numbers is", node);
    }
  }
  out = vector_of(std::move(made));
  return true;
}

// complex(real, imaginary), Re, Im, Mod, Conj, Arg, sqrt.
bool Expressions::of_complex(const Node& node, std::string_view name, const Arguments& arguments,
                             Value& out) {
  const std::string called(name);
  if (name == "complex") {
    const Value* real = arguments.find("real");
    const Value* imaginary = arguments.find("imaginary");
    if (arguments.size() != 0 || real == nullptr || imaginary == nullptr ||
        arguments.named.size() != 2)
      return not_yet("complex with these arguments is", node);
    const auto x = complex_of(*real);
    const auto y = complex_of(*imaginary);
    if (!x || !y) return not_yet("complex of these is", node);
    out = Value::complex(x->real(), y->real());
    return true;
  }
  if (arguments.size() != 1 || !arguments.named.empty())
    return not_yet(called + " with these arguments is", node);
  Items made;
  for (const Value& item : items_of(arguments[0])) {
    const auto x = complex_of(item);
    if (!x) return not_yet(called + " of this is", node);
    if (name == "as.complex")
      made.push_back(value_of(*x));
    else if (name == "sqrt")
      made.push_back(value_of(std::sqrt(*x)));
    else if (name == "Conj")
      made.push_back(value_of(std::conj(*x)));
    else
      made.push_back(Value::real(name == "Re"    ? x->real()
                                 : name == "Im"  ? x->imag()
                                 : name == "Arg" ? std::arg(*x)
                                                 : std::abs(*x)));
  }
  out = vector_of(std::move(made));
  return true;
}

}  // namespace inky::inline v1::r_language
